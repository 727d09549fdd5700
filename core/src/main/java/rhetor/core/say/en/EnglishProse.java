package rhetor.core.say.en;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.PartCell;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.plan.Prose;
import rhetor.core.plan.Untold;
import rhetor.core.plan.Untold.Cause;
import rhetor.core.reading.Measure;

/** Whether a value reads as English prose. */
public final class EnglishProse implements Prose {
  private static final int LONGEST = 60;

  /** What the lexicon calls colours. */
  private static final String COLOUR = "color";

  /** What is said of things that go with other things. */
  private static final String FIT = "fit";

  private static final String COLOUR_TERMS = "colour";

  /** What the lexicon calls what things are made of. */
  private static final String MATERIAL = "material";

  private static final Set<String> STUFFS = Set.of("fabric", "material", "substance");

  /** What WordNet calls units. */
  private static final String UNIT = "unit of measurement";

  private static final Pattern SIGNS = Pattern.compile("[=<>~±|*#@+;:()\\[\\]{}\"\\\\_^≤≥≈→•…!?]");

  private static final Pattern NEGATION =
      Pattern.compile("(?i)(?:no|none|not|never|without|n/?a|nil|nope)(?:[ ,.].*)?");

  /** "See single", "as above": the value stands elsewhere. */
  private static final Pattern REFERENCE =
      Pattern.compile(
          "(?i)(?:see|cf\\.?|refer to) .+|(?:same )?as (?:above|below|before|per .+|for .+)|ditto|do\\.|dto\\.?|idem");

  /** Between parts that may be of one kind or of several. */
  private static final Pattern PARTS = Pattern.compile("\\s*[,/]\\s*");

  /** "E27", "A4", "GU10": what a standard calls it. */
  private static final Pattern STANDARD = Pattern.compile("\\p{Lu}{1,3}\\d{1,3}");

  /** "73", "5.2:1", "5+1". */
  private static final Pattern FIGURE = Pattern.compile("\\d{1,6}(?:[.,:+–-]\\d{1,5}){0,2}");

  private static final Pattern COUNT = Pattern.compile("[1-9]\\d?");

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
    Optional<String> part = knowledge.partLike(concept);
    if (part.isPresent()
        && value instanceof Value.Words(String text)
        && PartCell.of(text, English.singular(part.get()), knowledge).isPresent()) {
      return Optional.empty();
    }
    return switch (value) {
      case Value.Words(String text) -> words(text, concept);
      case Value.Terms(List<String> items) ->
          items.stream().map(i -> listed(i, concept)).flatMap(Optional::stream).findFirst();
      default -> Optional.empty();
    };
  }

  private Optional<Untold> listed(String item, Concept concept) {
    // "90 min" is no way to be built.
    boolean isMeasure =
        concept.dimension().isEmpty() && Measure.of(item.strip(), knowledge).isPresent();
    return isMeasure ? untold(Cause.NOT_OF_ITS_KIND) : item(item, concept);
  }

  /** "Shoulder satin": where something is, and not what the whole is. */
  private static boolean isOfPart(String item) {
    String[] words = item.strip().toLowerCase(Locale.ROOT).split(" ");
    return words.length == 2
        && Lexicon.shipped().isBodyPartFirst(words[0])
        && Lexicon.shipped().shareKindOf(words[1], STUFFS) > 0;
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
      // Nothing "fits 76 cm": a door of that width, perhaps.
      return concept.theme().equals(FIT) ? untold(Cause.NOT_OF_ITS_KIND) : Optional.empty();
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
    return text.indexOf('/') < 0 && text.matches("[^,]+(?:, [^,]+)*,? (?:and|or) [^,]+");
  }

  private Optional<Untold> item(String item, Concept concept) {
    String text = SENTENCE_END.matcher(item.strip()).replaceFirst("");
    if (text.isEmpty()) {
      return untold(Cause.NOT_OF_ITS_KIND);
    }
    if (isOfPart(text)) {
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
    if (REFERENCE.matcher(item.strip()).matches()) {
      return untold(Cause.NOT_OF_ITS_KIND);
    }
    if (NEGATION.matcher(text).matches()) {
      return untold(Cause.SAYS_NO);
    }
    Matcher signs = SIGNS.matcher(text);
    if (signs.find()) {
      return Optional.of(new Untold(Cause.SIGNS, signs.group()));
    }
    String[] words = text.split("\\s+");
    if (concept.hypernyms().contains(COLOUR) && (isProperName(words) || areThings(text))) {
      return untold(Cause.NOT_OF_ITS_KIND);
    }
    if (!concept.hypernyms().isEmpty() && isCounted(words)) {
      return untold(Cause.NOT_OF_ITS_KIND);
    }
    if (isColourBehindStuff(words, concept)) {
      return untold(Cause.FITS_NO_WORDING);
    }
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

  /** "Cotton gingham red": a list has the colour last, a sentence doesn't. */
  private boolean isColourBehindStuff(String[] words, Concept concept) {
    return words.length > 1
        && concept.terms().equals(MATERIAL)
        && knowledge
            .term(COLOUR_TERMS, words[words.length - 1].toLowerCase(Locale.ROOT))
            .isPresent();
  }

  /**
   * "12 assorted" and "3 plastic" say how many, and not only which; "18 carat gold" and "316
   * stainless steel" don't.
   */
  private boolean isCounted(String[] words) {
    return COUNT.matcher(words[0]).matches()
        && (words.length < 2
            || knowledge.unitWritten(words[1]).isEmpty()
                && !Lexicon.shipped().isKindOf(words[1].toLowerCase(Locale.ROOT), UNIT));
  }

  /** "Stars", "polka dots": things in the plural are a pattern, and no colour. */
  private boolean areThings(String text) {
    String last = English.lastWord(text).toLowerCase(Locale.ROOT);
    return English.isPlural(last)
        && English.isNoun(last)
        && !Lexicon.shipped().isKindOf(English.singular(last), COLOUR)
        && knowledge.term(COLOUR_TERMS, last).isEmpty();
  }

  /** "Brick Lane": what a shade is named after, and says no colour; "Old Rose" does. */
  private boolean isProperName(String[] words) {
    return words.length > 1
        && Arrays.stream(words)
            .allMatch(
                w ->
                    Character.isUpperCase(w.codePointAt(0))
                        && !Lexicon.shipped().isKindOf(w.toLowerCase(Locale.ROOT), COLOUR)
                        && knowledge.term(COLOUR_TERMS, w).isEmpty());
  }

  private boolean isTermWord(String word, Concept concept) {
    return knowledge.termsByName(concept.terms()).keySet().stream()
        .anyMatch(t -> List.of(t.split("[ -]")).contains(word.toLowerCase(Locale.ROOT)));
  }

  private static Optional<Untold> untold(Cause cause) {
    return Optional.of(Untold.because(cause));
  }
}
