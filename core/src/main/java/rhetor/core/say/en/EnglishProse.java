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
import rhetor.core.plan.Prose;
import rhetor.core.plan.Untold;
import rhetor.core.plan.Untold.Cause;
import rhetor.core.reading.Measure;

/** Whether a value reads as English prose. */
public final class EnglishProse implements Prose {
  private static final int LONGEST = 60;

  private static final Pattern SIGNS = Pattern.compile("[=<>~±|*#@+;:()\\[\\]{}\"\\\\_^≤≥≈→•…!?]");

  private static final Pattern NEGATION =
      Pattern.compile("(?i)(?:no|none|not|never|without|n/?a|nil|nope)(?:[ ,.].*)?");

  /** Between parts that may be of one kind or of several. */
  private static final Pattern PARTS = Pattern.compile("\\s*[,/]\\s*");

  /** "E27", "A4", "GU10": what a standard calls it. */
  private static final Pattern STANDARD = Pattern.compile("\\p{Lu}{1,3}\\d{1,3}");

  /** "73", "5.2:1", "5+1". */
  private static final Pattern FIGURE = Pattern.compile("\\d{1,6}(?:[.,:+–-]\\d{1,5}){0,2}");

  private static final Pattern SHARE = Pattern.compile("\\d{1,3}(?:[.,]\\d{1,2})? ?%");

  private static final Pattern SENTENCE_END = Pattern.compile("[.]$");

  /**
   * What has no more letters before a full stop is cut off there, though it may be a word: "reg."
   */
  private static final int LONGEST_CUT = 4;

  /** The longest list of imperatives that is one value. */
  private static final int MOST_ORDERS = 4;

  private final Knowledge knowledge;
  private final PlainWords plain;

  public EnglishProse(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.plain = new PlainWords(knowledge);
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
    // Whoever typed words for a column of figures has seen what stands in it.
    if (concept.id().startsWith(Knowledge.OWN) && FIGURE.matcher(text.strip()).matches()) {
      return Optional.empty();
    }
    if (Measure.of(text, knowledge).isPresent()) {
      return Optional.empty();
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
    // Where words are looked for, such as materials, a code is none: "SK5".
    boolean isStandard = concept.terms().isEmpty() && STANDARD.matcher(text).matches();
    if (SHARE.matcher(text).matches() || isStandard) {
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
    boolean isWhole = English.isKnown(text) && text.length() > LONGEST_CUT;
    if (words.length == 1 && item.strip().endsWith(".") && !isWhole) {
      return Optional.of(new Untold(Cause.SHORTHAND, text));
    }
    for (int i = 0; i < words.length; i++) {
      Optional<Untold> inTheWay =
          plain.inTheWay(
              words[i],
              i == 0 ? "" : words[i - 1],
              i + 1 < words.length ? words[i + 1] : "",
              w -> isTermWord(w, concept));
      if (inTheWay.isPresent()) {
        return inTheWay;
      }
    }
    return Optional.empty();
  }

  private boolean isTermWord(String word, Concept concept) {
    return knowledge.termsByName(concept.terms()).keySet().stream()
        .anyMatch(t -> List.of(t.split("[ -]")).contains(word.toLowerCase(Locale.ROOT)));
  }

  private static Optional<Untold> untold(Cause cause) {
    return Optional.of(Untold.because(cause));
  }
}
