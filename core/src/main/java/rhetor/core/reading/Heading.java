package rhetor.core.reading;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;

/**
 * A column's heading taken apart.
 *
 * @param name the heading in lower case, without unit and punctuation
 * @param label the heading as a specification list prints it
 * @param unit id of the unit it names, or empty
 */
record Heading(String name, String label, String unit) {
  private static final Pattern IN_BRACKETS =
      Pattern.compile("(.*?)\\s*[(\\[]\\s*(?:in )?([^)\\]]{1,12})\\s*[)\\]]\\s*");
  private static final Pattern TRAILING =
      Pattern.compile("(.+?)[ _,/]+(?:in )?([A-Za-z°%²/]{1,6})");

  /** "H x W x D", which says that the cells are sides. */
  private static final Pattern SIDES =
      Pattern.compile("\\b[hwdlbt] ?[x×] ?[hwdlbt](?: ?[x×] ?[hwdlbt])?\\b");

  private static final Pattern ENDS_IN_SIDES = Pattern.compile("(?i).*" + SIDES);

  /** "waterColumnMm", alone or in a group. */
  private static final Pattern WRITTEN_BY_A_PROGRAM =
      Pattern.compile("\\p{Ll}+(?:\\p{Lu}\\p{Ll}+)+(?: / .*)?|.* / \\p{Ll}+(?:\\p{Lu}\\p{Ll}+)+");

  private static final Pattern NEXT_WORD = Pattern.compile("(\\p{Ll})(\\p{Lu})");
  private static final Pattern NEXT_LATIN_WORD = Pattern.compile("([a-z])([A-Z][a-z])");
  private static final Pattern UNDERSCORES = Pattern.compile("_+");
  private static final Pattern SIGNS_AT_END = Pattern.compile("[:*]+$");
  private static final Pattern SIGNS = Pattern.compile("[.:*#?]+");
  private static final Pattern GAPS = Pattern.compile("[\\s-]+");

  private static final Pattern RATE = Pattern.compile("(.+?)[ ]+([A-Za-z]{1,3})[ ]+(h|hr|min|s)");

  /** "g per l" is no litre. */
  private static final Pattern SHARED_OUT =
      Pattern.compile("(?i).*(?:^|\\s)(?:per|pro|par|por|je|each|every)\\s*");

  private static final Pattern MADE_IN =
      Pattern.compile("(?i).*\\b(?:made|grown|produced|built|woven|printed|designed|bottled) in");

  private static final Pattern HAS_FIGURE = Pattern.compile("\\d");

  /** Units that headings written by programs end in: "power_w", "noise_db". */
  private static final java.util.Set<String> MACHINE_UNITS =
      java.util.Set.of("w", "v", "db", "k", "gb", "ah", "hz", "kw", "wh", "mah", "sec", "s");

  /** Short words at the end of a heading that are units, and rarely anything else. */
  private static final java.util.Set<String> SAFE_UNITS =
      java.util.Set.of(
          "g", "kg", "mm", "cm", "m", "km", "ml", "l", "L", "lm", "h", "hr", "hrs", "min", "mins",
          "W", "V", "mAh", "Wh", "lb", "oz", "gsm", "lph", "l/h", "days", "hours", "weeks",
          "months", "years", "Std", "Tage", "kN", "psi", "bar", "inches", "in", "°C", "C", "metres",
          "minutes", "lumens");

  /**
   * A heading over these cells: a letter at its end is no unit where they measure something else
   * ("total h" over centimetres is a height), and a word that some of them end in is one.
   */
  static Heading of(String raw, Cells cells, Knowledge knowledge) {
    Heading heading = of(raw, knowledge);
    String text = inWords(CellText.clean(raw));
    Matcher trailing = TRAILING.matcher(text);
    // A "stabiliser bar" over answers measures no pressure.
    boolean isNoun =
        trailing.matches()
            && trailing.group(2).length() > 2
            && English.isNoun(trailing.group(2))
            && !cells.isEmpty()
            && cells.share(HAS_FIGURE.asPredicate()) == 0;
    if (isNoun || heading.unit.length() == 1 && cells.measureOtherThan(knowledge, heading.unit)) {
      return of(text, "");
    }
    if (heading.unit.isEmpty() && trailing.matches() && cells.haveUnit(trailing.group(2))) {
      // A word that is a unit where cells end in it, too.
      return knowledge
          .unitWritten(trailing.group(2))
          .map(u -> of(trailing.group(1), u.id()))
          .orElse(heading);
    }
    return heading;
  }

  static Heading of(String raw, Knowledge knowledge) {
    String text = inWords(CellText.clean(raw));
    String unit = "";
    Matcher brackets = IN_BRACKETS.matcher(text);
    if (ENDS_IN_SIDES.matcher(text).matches() || knowledge.unitWritten(text).isPresent()) {
      // "L x W" has no watts, and "dB(A)" no amperes.
      return of(text, "");
    }
    if (brackets.matches() && !brackets.group(1).isBlank()) {
      Optional<Unit> found = knowledge.unitWritten(brackets.group(2).strip());
      if (found.isPresent()) {
        unit = found.get().id();
        text = brackets.group(1);
      }
    } else {
      String spaced = text.replace('_', ' ');
      Matcher rate = RATE.matcher(spaced);
      Optional<Unit> perTime =
          rate.matches() && text.indexOf('_') > 0
              ? knowledge.unitWritten(rate.group(2) + "/" + rate.group(3))
              : Optional.empty();
      if (perTime.isPresent()) {
        return of(rate.group(1), perTime.get().id());
      }
      Matcher trailing = TRAILING.matcher(spaced);
      if (trailing.matches()
          && !MADE_IN.matcher(spaced).matches()
          && !SHARED_OUT.matcher(trailing.group(1)).matches()
          && (SAFE_UNITS.contains(trailing.group(2))
              || isUnmistakable(trailing.group(2), knowledge)
              || text.indexOf('_') > 0 && MACHINE_UNITS.contains(trailing.group(2)))
          && !trailing.group(1).isBlank()) {
        unit = knowledge.unitWritten(trailing.group(2)).map(Unit::id).orElse("");
        text = unit.isEmpty() ? text : trailing.group(1);
      }
    }
    return of(text, unit);
  }

  /** "dB" is a unit and no word: two letters or more, written as the unit is. */
  private static boolean isUnmistakable(String written, Knowledge knowledge) {
    return (written.length() > 1 || !Character.isLetter(written.charAt(0)))
        && !English.isKnown(written.toLowerCase(Locale.ROOT))
        && knowledge.unitWritten(written).filter(u -> u.symbols().contains(written)).isPresent();
  }

  /** "waterColumnMm" as "water column mm"; headings that people wrote stay as they are. */
  private static String inWords(String heading) {
    return WRITTEN_BY_A_PROGRAM.matcher(heading).matches()
        ? NEXT_WORD.matcher(heading).replaceAll("$1 $2").toLowerCase(Locale.ROOT)
        : NEXT_LATIN_WORD.matcher(heading).replaceAll("$1 $2");
  }

  /**
   * The part below a group's name: "run time" of "light / run time"; the whole if there is none.
   */
  String ownName() {
    return name.substring(name.lastIndexOf("/ ") + 1).strip();
  }

  private static Heading of(String text, String unit) {
    String spaced = UNDERSCORES.matcher(text).replaceAll(" ");
    String label = SIGNS_AT_END.matcher(spaced).replaceAll("").strip();
    String sides = SIDES.matcher(label.toLowerCase(Locale.ROOT)).replaceAll("dimensions");
    String name = GAPS.matcher(SIGNS.matcher(sides).replaceAll(" ")).replaceAll(" ").strip();
    return new Heading(name, label, unit);
  }
}
