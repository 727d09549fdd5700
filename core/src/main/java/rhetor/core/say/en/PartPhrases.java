package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.PartCell;
import rhetor.core.language.English;
import rhetor.core.plan.Message.Form;

/** English words for parts of a thing that are told together. */
final class PartPhrases {
  private static final Pattern OF_STUFF =
      Pattern.compile("(?:(?:an?|the) )?(?<part>[^\u0001]+?) of (?<stuff>[^\u0001]+)");

  private static final Pattern ARTICLE = Pattern.compile("^(?:an?|the) ");

  /** "Pull out tray", as headings are read, for a "pull-out tray". */
  private static final Pattern LED_BY_VERB =
      Pattern.compile("^(\\p{L}{3,}) (out|on|off|up|down|in|over|away|through) ");

  private static final String COME_WITH = "come with ";
  private static final int MOST_COUNTED = 99;

  private PartPhrases() {}

  /**
   * "A pull-out tray", "three plastic perches", "wheels"; none where nobody can tell whether there
   * is one or several.
   */
  static Map<Form, List<String>> like(String part, Value value, Knowledge knowledge) {
    Optional<PartCell> cell =
        switch (value) {
          case Value.YesNo(boolean yes) when yes ->
              Optional.of(new PartCell(0, List.of(), List.of()));
          case Value.Words(String text) -> PartCell.of(text, one(part), knowledge);
          default -> Optional.empty();
        };
    String written = LED_BY_VERB.matcher(part).replaceFirst("$1-$2 ");
    return cell.flatMap(c -> phrase(written, c, knowledge))
        .map(
            words ->
                knowledge.isLoose(part)
                    ? Map.of(Form.VERB, List.of(COME_WITH + words))
                    : Map.of(Form.WITH, List.of(words)))
        .orElse(Map.of());
  }

  /** "Come with a case and a strap", of "come with a case" and "come with a strap". */
  static Map<Form, List<String>> comingTogether(List<String> verbs) {
    List<String> things = verbs.stream().map(v -> v.substring(COME_WITH.length())).toList();
    return Map.of(Form.VERB, List.of(COME_WITH + English.list(things)));
  }

  private static Optional<String> phrase(String part, PartCell cell, Knowledge knowledge) {
    String one = one(part);
    boolean isOfUnknownNumber =
        cell.count() == 0 && !cell.saysOnlyThere() && knowledge.isOneOrMore(part);
    // That a brush has a head is no news.
    boolean isNoNews =
        cell.count() == 1
            && cell.like().isEmpty()
            && cell.stuffs().isEmpty()
            && !knowledge.mayBeMissing(one);
    if (isOfUnknownNumber || isNoNews || cell.count() > MOST_COUNTED) {
      return Optional.empty();
    }
    boolean areSeveral = cell.count() > 1 || cell.count() == 0 && knowledge.areSeveral(part);
    String named = areSeveral ? one.equals(part) ? English.plural(one) : part : one;
    StringBuilder words = new StringBuilder(String.join(", ", cell.like()));
    if (cell.stuffs().size() == 1) {
      words.append(words.isEmpty() ? "" : " ").append(cell.stuffs().getFirst());
    }
    words.append(words.isEmpty() ? "" : " ").append(named);
    if (cell.stuffs().size() > 1) {
      words.append(" of ").append(English.list(cell.stuffs()));
    }
    return Optional.of(
        cell.count() > 1
            ? English.number(cell.count()) + " " + words
            : areSeveral || knowledge.isUncounted(English.lastWord(one))
                ? words.toString()
                : English.withArticle(words.toString()));
  }

  private static String one(String part) {
    return English.isPlural(part) && !English.isPluralOnly(part) ? English.singular(part) : part;
  }

  /** "Three steel legs", of "steel legs"; "a steel leg" of one. */
  static Map<Form, List<String>> counted(String part, int count, List<String> ofStuff) {
    String several = English.plural(part);
    for (String phrase : ofStuff) {
      String bare = ARTICLE.matcher(phrase).replaceFirst("");
      String stuff = before(bare, several).or(() -> before(bare, part)).orElse("");
      if (!stuff.isEmpty() && count > 0) {
        String words =
            count == 1
                ? English.withArticle(stuff + " " + part)
                : English.number(count) + " " + stuff + " " + several;
        return Map.of(Form.WITH, List.of(words));
      }
    }
    return Map.of();
  }

  /** "Steel" of "steel legs". */
  private static Optional<String> before(String phrase, String noun) {
    return phrase.toLowerCase(Locale.ROOT).endsWith(" " + noun)
        ? Optional.of(phrase.substring(0, phrase.length() - noun.length() - 1))
        : Optional.empty();
  }

  /** "The frame, axle and legs are of steel", of "a frame of steel" and so on. */
  static Map<Form, List<String>> ofOneStuff(List<String> ofStuff) {
    List<String> parts = new ArrayList<>();
    String stuff = "";
    for (String phrase : ofStuff) {
      Matcher m = OF_STUFF.matcher(phrase);
      if (!m.matches()) {
        return Map.of();
      }
      parts.add(m.group("part"));
      stuff = m.group("stuff");
    }
    String all = "the " + English.list(parts);
    return Map.of(Form.CLAUSE, List.of(all + " are of " + stuff, all + " are made of " + stuff));
  }
}
