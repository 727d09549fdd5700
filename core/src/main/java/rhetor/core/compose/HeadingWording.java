package rhetor.core.compose;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.compose.Message.Form;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.language.English;

/** Puts a fact of a column that no concept knows into phrases: its heading is the noun. */
final class HeadingWording {
  private static final Pattern PER =
      Pattern.compile("(\\p{L}+s) per (pack|packet|box|tin|bag|sachet|carton|tube|jar|set|sheet)");

  private static final Pattern OUTSIDE =
      Pattern.compile("(?:in|on|at|with|by|of|to|from|under|over)\\b");

  private static final Pattern PLAIN = Pattern.compile("[\\p{L}' &-]+");

  /** Words that tell somebody to do something, or judge. */
  private static final Pattern VERBAL =
      Pattern.compile(
          "(?i)(?:do|please|see|suitable|ideal|can|must|should|not|never|always|may|will|is|are|has|have|use|keep|avoid|remove|check|ask|yes|no)\\b.*");

  /** Headings whose values are kinds of what the heading says; "a Guji region" is no region. */
  private static final Set<String> NAMES_KINDS =
      Set.of(
          "metal",
          "material",
          "fabric",
          "wood",
          "stone",
          "colour",
          "shade",
          "type",
          "kind",
          "variety",
          "breed",
          "species",
          "genre",
          "author",
          "artist",
          "designer",
          "maker",
          "producer",
          "region",
          "country",
          "location",
          "language",
          "model",
          "range",
          "series",
          "theme",
          "subject",
          "level",
          "age",
          "name",
          "season",
          "grade",
          "scent",
          "flavour",
          "ingredient",
          "occasion",
          "gender",
          "plant",
          "animal",
          "sport",
          "instrument",
          "vessel",
          "container",
          "status",
          "condition");

  private final ValueText text;

  HeadingWording(ValueText text) {
    this.text = text;
  }

  /** The phrases that the heading and the value allow. */
  Map<Form, List<String>> phrases(Fact fact) {
    Map<Form, String> forms = new EnumMap<>(Form.class);
    phrases(fact, forms);
    Map<Form, List<String>> all = new EnumMap<>(Form.class);
    forms.forEach((form, phrase) -> all.put(form, List.of(phrase)));
    return all;
  }

  private void phrases(Fact fact, Map<Form, String> forms) {
    String label = label(fact.label());
    if (label.isEmpty() || label.length() > 40 || label.matches(".*[?/&0-9].*")) {
      return;
    }
    if (OUTSIDE.matcher(label).lookingAt()) {
      // "In the bag: kite, lines" is about something else than the thing's parts.
      return;
    }
    if (label.startsWith("for ") && !(fact.value() instanceof Value.YesNo)) {
      if (fact.value() instanceof Value.Quantity || fact.value() instanceof Value.Range) {
        forms.put(Form.PART, "meant " + label + " of " + text.prose(fact.value()));
      }
      return;
    }
    if (fact.value() instanceof Value.Words(String path) && path.contains(">")) {
      return;
    }
    boolean plural = English.isPlural(Wording.HEAD.matcher(label).replaceFirst(""));
    boolean noun = English.isNoun(Wording.HEAD.matcher(label).replaceFirst(""));
    switch (fact.value()) {
      case Value.YesNo(boolean yes) -> flag(label, plural, noun, forms);
      case Value.Quantity q when q.unit().isEmpty() -> {
        Matcher per = PER.matcher(label);
        if (per.matches()) {
          Wording.integer(q)
              .ifPresent(
                  n ->
                      forms.put(
                          Form.CLAUSE,
                          "each "
                              + per.group(2)
                              + " holds "
                              + English.number(n)
                              + " "
                              + per.group(1)));
        } else if (label.startsWith("number of ") || plural) {
          Wording.integer(q)
              .filter(n -> n > 0)
              .ifPresent(
                  n -> {
                    String what = label.replaceFirst("^number of ", "");
                    forms.put(
                        Form.WITH,
                        English.number(n) + " " + (n == 1 ? English.singular(what) : what));
                  });
        } else if (noun) {
          forms.put(Form.CLAUSE, "the " + label + " is " + text.prose(q));
        }
      }
      case Value.Quantity q -> measured(label, q, plural, noun, forms);
      case Value.Range r when r.unit().isEmpty() && plural -> {
        String count = text.prose(r) + " " + label;
        forms.put(
            label.equals("players") ? Form.PART : Form.WITH,
            label.equals("players") ? "for " + count : count);
      }
      case Value.Range r -> measured(label, r, plural, noun, forms);
      case Value.Sides s -> measured(label, s, plural, noun, forms);
      case Value.Rating r -> measured(label, r, plural, noun, forms);
      case Value.Terms(List<String> items) -> {
        if (noun && plural && label.endsWith("notes") && items.size() <= 5) {
          forms.put(Form.WITH, label + " of " + text.prose(fact.value()));
        } else if (noun && items.size() <= 5) {
          boolean several = items.size() > 1 || plural;
          forms.put(
              Form.CLAUSE,
              "the "
                  + (several ? English.plural(label) + " are " : label + " is ")
                  + text.prose(fact.value()));
        }
      }
      case Value.Words(String words) -> {
        if (noun && isShort(words)) {
          words(label, English.midSentence(words), plural, forms);
        }
      }
    }
  }

  /** Short and plain enough to stand in a sentence: figures and signs are for the specification. */
  private static boolean isShort(String words) {
    return words.split(" ").length <= 4
        && words.length() <= 36
        && PLAIN.matcher(words).matches()
        && !VERBAL.matcher(words).matches();
  }

  private static void words(String label, String value, boolean plural, Map<Form, String> forms) {
    String head = Wording.HEAD.matcher(label).replaceFirst("");
    String last = English.lastWord(value);
    boolean describes =
        English.isAdjective(value) || value.contains("-") && English.isAdjective(last);
    boolean name =
        Character.isUpperCase(value.charAt(0)) && !value.equals(value.toUpperCase(Locale.ROOT));
    if (!plural && last.endsWith(English.lastWord(head))) {
      // A wax that is soy wax.
      forms.put(Form.WITH, English.isMass(value) ? value : English.withArticle(value));
    } else if (!plural && describes && English.stem(label).startsWith(English.stem(value))) {
      // "Hardiness: hardy".
      forms.put(Form.PART, value);
    } else if (!plural && !name && !NAMES_KINDS.contains(English.lastWord(head))) {
      // "A brushed finish", "a cotton wick": rather than "the finish is brushed".
      String described = Wording.withoutEcho(value + " " + label);
      forms.put(Form.WITH, English.isCountable(head) ? English.withArticle(described) : described);
    } else {
      // One of a kind under a heading in the plural: "the language is English".
      boolean several = plural && !value.matches("\\p{L}+");
      String what = plural && !several ? English.singular(label) : label;
      forms.put(Form.CLAUSE, "the " + what + (several ? " are " : " is ") + value);
    }
  }

  private void measured(
      String label, Value value, boolean plural, boolean noun, Map<Form, String> forms) {
    if (noun) {
      forms.put(Form.CLAUSE, "the " + label + (plural ? " are " : " is ") + text.prose(value));
      if (!plural && English.isCountable(Wording.HEAD.matcher(label).replaceFirst(""))) {
        forms.put(Form.WITH, English.withArticle(label) + " of " + text.prose(value));
      }
    }
  }

  private static void flag(String label, boolean plural, boolean noun, Map<Form, String> forms) {
    String last = English.lastWord(label);
    if (last.equals("included") || last.equals("supplied")) {
      String what = label.substring(0, label.length() - last.length()).strip();
      if (!what.isEmpty()) {
        forms.put(
            Form.CLAUSE,
            Wording.nounPhrase(what)
                .map(w -> w + (English.isPlural(what) ? " are " : " is ") + last)
                .orElse(""));
        forms.values().removeIf(String::isEmpty);
      }
    } else if (!plural
        && Wording.DESCRIBING.matcher(last).matches()
        && label.split(" ").length <= 2) {
      // "Lead free" is "lead-free", and no thing that one has.
      forms.put(Form.PART, label.replace(' ', '-'));
    } else if (noun && (plural || English.isCountable(last))) {
      Wording.nounPhrase(label).ifPresent(p -> forms.put(Form.WITH, p));
    }
  }

  /** A heading as it reads in a sentence: lower case, abbreviations spelled out. */
  static String label(String heading) {
    String label = English.lowerCommon(heading.replaceAll("\\s*\\(.*?\\)|\\?$", "").strip());
    return label
        .replaceAll("(?i)\\bmax\\b\\.?", "maximum")
        .replaceAll("(?i)\\bmin\\b\\.?", "minimum")
        .replaceAll("(?i)\\btemp\\b\\.?", "temperature")
        .replaceAll("(?i)\\bqty\\b\\.?", "quantity")
        .replaceAll("(?i)\\bincl\\b\\.?", "included")
        .replaceAll("(?i)^(?:no\\.?|nr\\.?|#) of ", "number of ")
        .replaceAll("(?i)\\bdia\\b\\.?", "diameter")
        .strip();
  }
}
