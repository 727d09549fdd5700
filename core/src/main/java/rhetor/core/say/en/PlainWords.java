package rhetor.core.say.en;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.plan.Untold;
import rhetor.core.plan.Untold.Cause;

/** Whether a word of English prose can be read aloud by a stranger: no shorthand and no code. */
final class PlainWords {
  private static final Pattern NUMBER =
      Pattern.compile("\\d[\\d.,]*(?:[–-]\\d[\\d.,]*)?%?(?:st|nd|rd|th)?|½|¼|¾");

  /** "30°", "4-way", "3-ply". */
  private static final Pattern NUMBERED = Pattern.compile("\\d+(?:\\.\\d+)?(?:°C?|-\\p{Ll}{3,})");

  private static final Pattern CAPITALS = Pattern.compile("\\p{Lu}{2,}s?");

  /** "M." of "M. Orlo". */
  private static final Pattern INITIAL = Pattern.compile("\\p{Lu}\\.");

  /** "U-lock", "T-shirt": a letter that shows a shape. */
  private static final Pattern SHAPED = Pattern.compile("\\p{Lu}-\\p{Ll}{3,}");

  /** What stands behind an apostrophe. */
  private static final Set<String> ENDINGS = Set.of("s", "t", "d", "re", "ll", "ve");

  private static final int SHORTEST_NAME = 4;

  private final Knowledge knowledge;

  PlainWords(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /**
   * What keeps a word from being read aloud.
   *
   * @param before the word before it, or empty
   * @param after the word after it, or empty
   * @param known whether a word is known to the readers, although no dictionary has it
   */
  Optional<Untold> inTheWay(String written, String before, String after, Predicate<String> known) {
    if (isSmall(written)) {
      boolean isCut =
          knowledge.abbreviations("en").containsKey(written)
              && !(after.isEmpty() && !before.isEmpty() && English.isNoun(written));
      if (!isCut && isWord(written, known)) {
        return Optional.empty();
      }
    }
    String word = written.replaceAll("[’'‘“”]", "’").replaceAll("^’|’$", "");
    if (word.equals("&") || word.equals("×") || word.equals("x") && isNumber(before)) {
      return Optional.empty();
    }
    if (INITIAL.matcher(word).matches()
        && !after.isEmpty()
        && Character.isUpperCase(after.charAt(0))) {
      return Optional.empty();
    }
    if (word.endsWith(".")) {
      return Optional.of(new Untold(Cause.SHORTHAND, word));
    }
    if (NUMBER.matcher(word).matches()) {
      boolean measures =
          !after.isEmpty() && Character.isLetter(after.charAt(0)) || after.startsWith("°");
      return measures || after.equals("×") || after.equals("x")
          ? Optional.empty()
          : Optional.of(new Untold(Cause.CODE, word));
    }
    if (NUMBERED.matcher(word).matches()
        || SHAPED.matcher(word).matches() && English.isKnown(word.substring(2))
        || isNumber(before) && (word.startsWith("°") || knowledge.unitWritten(word).isPresent())) {
      return Optional.empty();
    }
    if (word.chars().anyMatch(Character::isDigit)) {
      return Optional.of(new Untold(Cause.CODE, word));
    }
    if (CAPITALS.matcher(word).matches()) {
      boolean isShouted = word.length() >= SHORTEST_NAME && English.isKnown(word);
      return English.isInitials(word) || known.test(word) || isShouted
          ? Optional.empty()
          : Optional.of(new Untold(Cause.SHORTHAND, word));
    }
    if (word.length() == 1) {
      return word.equals("a") || word.equals("A") && !after.isEmpty()
          ? Optional.empty()
          : Optional.of(new Untold(Cause.CODE, word));
    }
    boolean isHead = after.isEmpty() && !before.isEmpty() && English.isNoun(word);
    if (knowledge.abbreviations("en").containsKey(word.toLowerCase(Locale.ROOT)) && !isHead) {
      return Optional.of(new Untold(Cause.SHORTHAND, word));
    }
    String[] parts = word.split("[-’]");
    for (int i = 0; i < parts.length; i++) {
      String part = parts[i];
      // "Alt-azimuth", "micro-fleece": the last part carries the word.
      boolean isPrefix = i < parts.length - 1 && word.indexOf('-') > 0;
      if (!part.isEmpty() && !isWord(part, known) && !isPrefix) {
        return Optional.of(
            new Untold(part.length() < SHORTEST_NAME ? Cause.SHORTHAND : Cause.UNKNOWN_WORD, part));
      }
    }
    return Optional.empty();
  }

  /** Whether a word is several small letters and nothing else, as most are. */
  static boolean isSmall(String word) {
    for (int i = 0; i < word.length(); i++) {
      if (!Character.isLowerCase(word.charAt(i))) {
        return false;
      }
    }
    return word.length() > 1;
  }

  private static boolean isNumber(String word) {
    return NUMBER.matcher(word).matches();
  }

  private static boolean isWord(String part, Predicate<String> known) {
    if (ENDINGS.contains(part) || English.isInitials(part)) {
      return true;
    }
    boolean isName =
        part.length() >= SHORTEST_NAME
            && Character.isUpperCase(part.charAt(0))
            && part.substring(1).equals(part.substring(1).toLowerCase(Locale.ROOT));
    return English.isKnown(part)
        || isName
        || part.length() >= SHORTEST_NAME
            && Lexicon.shipped().senses(part.toLowerCase(Locale.ROOT)) > 0
        || known.test(part);
  }
}
