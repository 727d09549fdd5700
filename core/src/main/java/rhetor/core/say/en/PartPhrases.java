package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.plan.Message.Form;

/** English words for parts of a thing that are told together. */
final class PartPhrases {
  private static final Pattern OF_STUFF =
      Pattern.compile("(?:(?:an?|the) )?(?<part>[^\u0001]+?) of (?<stuff>[^\u0001]+)");

  private static final Pattern ARTICLE = Pattern.compile("^(?:an?|the) ");

  private PartPhrases() {}

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
