package rhetor.core.say.en;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.plan.Prose;
import rhetor.core.plan.Untold;
import rhetor.core.plan.Untold.Cause;

/** Whether a value reads as English prose. */
public final class EnglishProse implements Prose {
  private static final int LONGEST = 60;

  private static final Pattern SIGNS = Pattern.compile("[=<>~±|*#@+;:()\\[\\]{}\"\\\\_^≤≥≈→•…!?]");

  private static final Pattern NEGATION =
      Pattern.compile("(?i)(?:no|none|not|never|without|n/?a|nil|nope)(?:[ ,.].*)?");

  /** Between parts that may be of one kind or of several. */
  private static final Pattern PARTS = Pattern.compile("\\s*[,/]\\s*");

  private static final Pattern NUMBER =
      Pattern.compile("\\d[\\d.,]*(?:[–-]\\d[\\d.,]*)?%?(?:st|nd|rd|th)?|½|¼|¾");

  /** "30°", "4-way", "3-ply". */
  private static final Pattern NUMBERED = Pattern.compile("\\d+(?:°C?|-\\p{Ll}{3,})");

  private static final Pattern CAPITALS = Pattern.compile("\\p{Lu}{2,}s?");

  /** "M." of "M. Orlo". */
  private static final Pattern INITIAL = Pattern.compile("\\p{Lu}\\.");

  /** "U-lock", "T-shirt": a letter that shows a shape. */
  private static final Pattern SHAPED = Pattern.compile("\\p{Lu}-\\p{Ll}{3,}");

  private static final Pattern SHARE = Pattern.compile("\\d{1,3}(?:[.,]\\d{1,2})? ?%");

  private static final Pattern SENTENCE_END = Pattern.compile("[.]$");
  private static final int SHORTEST_NAME = 4;

  /** The longest list of imperatives that is one value. */
  private static final int MOST_ORDERS = 4;

  private final Knowledge knowledge;

  public EnglishProse(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  @Override
  public Optional<Untold> inTheWay(Value value, Concept concept) {
    return switch (value) {
      case Value.Words(String text) -> words(text, concept);
      case Value.Terms(List<String> items) ->
          items.stream().map(i -> item(i, concept)).flatMap(Optional::stream).findFirst();
      default -> Optional.empty();
    };
  }

  private Optional<Untold> words(String text, Concept concept) {
    if (text.length() > LONGEST) {
      return untold(Cause.TOO_LONG);
    }
    String[] parts = PARTS.split(text);
    if (parts.length > 1 && !areOrders(parts) && !areCoordinated(text)) {
      return untold(Cause.SEVERAL_THINGS);
    }
    for (String part : parts) {
      Optional<Untold> inTheWay = item(part, concept);
      if (inTheWay.isPresent()) {
        return inTheWay;
      }
    }
    return Optional.empty();
  }

  /** "Machine wash at 30 °C, do not bleach": orders of one kind. */
  private static boolean areOrders(String[] parts) {
    return parts.length <= MOST_ORDERS && List.of(parts).stream().allMatch(EnglishProse::isOrder);
  }

  private static boolean isOrder(String part) {
    String first = English.firstWord(part.toLowerCase(Locale.ROOT));
    return part.contains(" ") && English.tags(first).contains("VB");
  }

  /** "Pens, pencils and ink" is a list as prose has it. */
  private static boolean areCoordinated(String text) {
    return text.indexOf('/') < 0 && text.matches("[^,]+(?:, [^,]+)*,? and [^,]+");
  }

  private Optional<Untold> item(String item, Concept concept) {
    String text = SENTENCE_END.matcher(item.strip()).replaceFirst("");
    if (text.isEmpty()) {
      return untold(Cause.NOT_OF_ITS_KIND);
    }
    if (knowledge.term(concept.terms(), text).isPresent()) {
      return Optional.empty();
    }
    if (SHARE.matcher(text).matches()) {
      return Optional.empty();
    }
    if (NEGATION.matcher(text).matches()) {
      return untold(Cause.SAYS_NO);
    }
    Matcher signs = SIGNS.matcher(text);
    if (signs.find()) {
      return Optional.of(new Untold(Cause.SIGNS, signs.group()));
    }
    String[] words = text.split("\\s+");
    boolean last = item.strip().endsWith(".");
    for (int i = 0; i < words.length; i++) {
      boolean isCut = last && i == words.length - 1 && words.length == 1 && words[i].length() < 6;
      Optional<Untold> inTheWay =
          word(
              words[i],
              i == 0 ? "" : words[i - 1],
              i + 1 < words.length ? words[i + 1] : "",
              concept);
      if (inTheWay.isPresent()) {
        return inTheWay;
      }
      if (isCut && !English.isKnown(words[i])) {
        return Optional.of(new Untold(Cause.SHORTHAND, words[i]));
      }
    }
    return Optional.empty();
  }

  private Optional<Untold> word(String written, String before, String after, Concept concept) {
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
      return English.isInitials(word) || isTermWord(word, concept) || isShouted
          ? Optional.empty()
          : Optional.of(new Untold(Cause.SHORTHAND, word));
    }
    if (word.length() == 1) {
      return word.equals("a") || word.equals("A") && !after.isEmpty() ? Optional.empty() : Optional.of(new Untold(Cause.CODE, word));
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
      if (!part.isEmpty() && !isWord(part, concept) && !isPrefix) {
        return Optional.of(
            new Untold(part.length() < SHORTEST_NAME ? Cause.SHORTHAND : Cause.UNKNOWN_WORD, part));
      }
    }
    return Optional.empty();
  }

  private static boolean isNumber(String word) {
    return NUMBER.matcher(word).matches();
  }

  private boolean isTermWord(String word, Concept concept) {
    return knowledge.termsByName(concept.terms()).keySet().stream()
        .anyMatch(t -> List.of(t.split("[ -]")).contains(word.toLowerCase(Locale.ROOT)));
  }

  private boolean isWord(String part, Concept concept) {
    if (part.matches("s|t|d|re|ll|ve") || English.isInitials(part)) {
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
        || isTermWord(part, concept);
  }

  private static Optional<Untold> untold(Cause cause) {
    return Optional.of(Untold.because(cause));
  }
}
