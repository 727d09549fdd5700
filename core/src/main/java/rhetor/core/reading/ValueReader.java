package rhetor.core.reading;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.MadeThing;
import rhetor.core.knowledge.Term;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/** Reads a cell's text as a typed value, by the sheet's way of writing numbers. */
final class ValueReader {
  private static final String UNIT = "(?<unit>[a-zA-Zµ°%″\"²][a-zA-Z°%²./()]*(?: per cent)?)";
  private static final Pattern QUANTITY =
      Pattern.compile(
          "(?<q>(?i:up to|max\\.?|maximum|bis zu|bis|at least|min\\.?|mindestens|from|ab|approx\\.?|approximately|about|ca\\.?|circa|around|~|≈|<|>|≤|≥)\\s*)?(?<n>"
              + NumberStyle.NUMBER
              + ")\\s*-?\\s*"
              + UNIT
              + "?\\s*(?<p>\\+|(?i:max\\.?|min\\.?|approx\\.?))?");
  private static final Pattern RANGE =
      Pattern.compile(
          "(?i:from |von )?(?<a>"
              + NumberStyle.NUMBER
              + ")\\s*(?<unit1>[a-zA-Z°%\"]*)\\s*(?:-|–|—|to|bis|\\.\\.\\.?|…)\\s*(?<b>"
              + NumberStyle.NUMBER
              + ")\\s*"
              + UNIT
              + "?");
  private static final Pattern SIDES =
      Pattern.compile(
          "(?:[A-Za-z]{1,3}:? ?)?(?<a>\\d+(?:[.,]\\d+)?)\\s*(?:[a-z]{1,2}\\s*)?[x×*]\\s*(?:[A-Z]:? ?)?(?<b>\\d+(?:[.,]\\d+)?)\\s*(?:[a-z]{1,2}\\s*(?=[x×*]))?(?:[x×*]\\s*(?:[A-Z]:? ?)?(?<c>\\d+(?:[.,]\\d+)?)\\s*)?"
              + UNIT
              + "?(?:\\s*\\([^)]*\\))?");
  static final Pattern RATING = Pattern.compile("(?i)\\b(IP ?[0-6X][0-9]K?|IK ?(?:0\\d|10))\\b");
  private static final Set<String> YES =
      Set.of("yes", "y", "true", "ja", "j", "oui", "sí", "si", "x", "✓", "✔", "1", "with", "mit");
  private static final Set<String> NO =
      Set.of("no", "n", "false", "nein", "non", "nee", "0", "✗", "without", "ohne");
  private static final Pattern COUNT =
      Pattern.compile(
          "(?<q>(?i)up to|max\\.?|min\\.?|bis zu|bis|ab|from|at least)?\\s*(?<n>\\d{1,6})\\s*(?<p>\\+|max\\.?)?\\s*(?i:pages|pcs|pieces|people|persons|participants|keys?|pockets?|modes?|sheets|seeds|Stück|Seiten|x)?");

  /** Between the parts of a list; a stroke between digits is a fraction's or a code's. */
  private static final Pattern LIST =
      Pattern.compile("\\s*[;|•·\\n]\\s*|\\s*(?<!\\d)/\\s*|\\s*/(?!\\d)\\s*|,\\s+|,(?=\\D)");

  private static final Pattern NAMED_SIDES = Pattern.compile("\\s*[;|/\\n]\\s*|,\\s+|\\s+and\\s+");

  private static final int LONGEST_SIDES = 80;

  private static final Pattern SIDE_NAMED_LAST =
      Pattern.compile(
          "(?i)(?<n>\\d[\\d.,]*) ?(?<unit>\\p{L}{1,6}|\")? (?<side>long|wide|high|tall|deep|thick|in diameter|diameter|dia\\.?)");

  private static final Pattern SIDE_NAMED_FIRST =
      Pattern.compile(
          "(?iu)(?<side>height|width|length|depth|thickness|diameter|dia\\.?|ø):? ?(?<n>\\d[\\d.,]*) ?(?<unit>\\p{L}{1,6}|\")?");

  private static final Map<String, String> SIDE_WORDS =
      Map.of(
          "height", "high",
          "width", "wide",
          "length", "long",
          "depth", "deep",
          "thickness", "thick",
          "diameter", "in diameter",
          "dia", "in diameter",
          "ø", "in diameter");

  /** Between sizes, each of which has signs of its own. */
  private static final Pattern SIZES = Pattern.compile("\\s*[;|/\\n]\\s*|,\\s+");

  private static final Pattern LIST_SIGN = Pattern.compile("\\s*[;|•·\\n]\\s*|,\\s+|,(?=\\D)");
  private static final Pattern TIGHT_STROKE = Pattern.compile("\\p{L}/\\p{L}");

  private static final Pattern LAST_TWO =
      Pattern.compile(
          "(?<a>[\\p{L}-]+(?: [\\p{L}-]+){0,2}) and (?<b>[\\p{L}-]+(?: [\\p{L}-]+){0,2})");

  /** What goes together however long the list is. */
  private static final Pattern PAIR =
      Pattern.compile(
          "(?i)(?:black and white|white and black|salt and pepper|hook and loop|needle and thread|nuts? and bolts?|trial and error|bed and breakfast|.* and (?:more|others|so on))");

  private static final Pattern POSTPOSED =
      Pattern.compile(
          "(?i)(recycled|coated|waxed|brushed|anodised|anodized|organic|hardened|lined|padded|laminated)(.*)");

  private static final String MATERIAL = "material";

  /** Up to three words without figures or signs. */
  private static final Pattern COINED =
      Pattern.compile("\\p{L}[\\p{L}’'-]*(?: \\p{L}[\\p{L}’'-]*){0,2}");

  /** Stands for the unit of bare numbers in a column whose cells give several. */
  private static final String UNIT_NOBODY_KNOWS = "?";

  private static final int LONGEST_TERM = 3;
  private static final int LONGEST_PART = 80;
  private static final int MOST_PARTS = 30;

  private final Knowledge knowledge;
  private final NumberStyle numbers;
  private final boolean isEnglish;

  /** Reads cells of a sheet in a language that isn't known. */
  public ValueReader(Knowledge knowledge, NumberStyle numbers) {
    this(knowledge, numbers, "");
  }

  /**
   * @param language of the sheet, as an ISO 639-1 code
   */
  ValueReader(Knowledge knowledge, NumberStyle numbers, String language) {
    this.knowledge = knowledge;
    this.numbers = numbers;
    this.isEnglish = language.equals("en");
  }

  /**
   * Reads a cell of a known concept.
   *
   * @param text clean text, not empty
   * @param headingUnit id of the unit that the heading names, or empty
   * @return the value; words when the text is not of the concept's kind
   */
  public Value read(String text, Concept concept, String headingUnit) {
    String unit = headingUnit.isEmpty() ? concept.unit() : ofItsKind(headingUnit, concept);
    return switch (concept.kind()) {
      case QUANTITY ->
          measured(text, concept.dimension(), unit).orElseGet(() -> new Value.Words(text));
      case COUNT ->
          count(text).or(() -> range(text, "", "")).orElseGet(() -> new Value.Words(text));
      case SIDES ->
          sides(text, unit)
              .or(() -> severalSides(text, unit))
              .or(() -> namedSides(text, unit))
              .orElseGet(() -> new Value.Words(text));
      case RATING -> rating(text).orElseGet(() -> new Value.Words(text));
      case FLAG -> yesNo(text).orElseGet(() -> new Value.Words(text));
      case TERMS ->
          concept.dimension().isEmpty()
              ? terms(text, concept)
              : sides(text, unit)
                  .or(() -> severalSides(text, unit))
                  .orElseGet(() -> terms(text, concept));
      case WORDS ->
          plainYesNo(text).orElseGet(() -> new Value.Words(country(text, concept).orElse(text)));
    };
  }

  /** Whether a thing may have so much of it: true of all that is no amount. */
  boolean isPlausible(Value value, Concept concept) {
    return switch (value) {
      case Value.Quantity q -> knowledge.isPlausible(concept, q.amount(), q.unit());
      case Value.Range r ->
          knowledge.isPlausible(concept, r.from(), r.unit())
              && knowledge.isPlausible(concept, r.to(), r.unit());
      default -> true;
    };
  }

  /**
   * Reads a cell of a column of a known concept. A bare number of which nobody knows what it is in
   * stays as it stands.
   *
   * @param text clean text, not empty
   */
  Value read(String text, Concept concept, ColumnReading column) {
    Value value = read(text, concept, column.units().isEmpty() ? column.unit() : UNIT_NOBODY_KNOWS);
    boolean isBare =
        switch (value) {
          case Value.Quantity q -> q.unit().isEmpty();
          case Value.Range r -> r.unit().isEmpty();
          case Value.Sides s -> s.unit().isEmpty();
          default -> false;
        };
    return isBare && !concept.measures().isEmpty() ? new Value.Words(text) : value;
  }

  /** A heading's unit, or none if it measures something else. */
  private String ofItsKind(String unit, Concept concept) {
    return concept.measures().isEmpty()
            || knowledge
                .unit(unit)
                .filter(u -> u.dimension().equals(concept.measures()))
                .isPresent()
        ? unit
        : "";
  }

  /**
   * Reads a cell of a column that matches no concept: an answer is yes or no, all else stays as it
   * stands.
   *
   * @param asks whether the heading is a question, so that a cross or a digit is an answer
   */
  public Value readAny(String text, boolean asks) {
    return (asks ? yesNo(text) : plainYesNo(text)).orElseGet(() -> new Value.Words(text));
  }

  /** The amounts of a dimension that cells are, by the id of their unit; empty for bare numbers. */
  Map<String, List<BigDecimal>> amountsByUnit(Stream<String> cells, String dimension) {
    Map<String, List<BigDecimal>> amounts = new TreeMap<>();
    cells
        .map(c -> measured(c, dimension, "").or(() -> sides(c, "")))
        .flatMap(Optional::stream)
        .forEach(
            v -> {
              switch (v) {
                case Value.Quantity q -> add(amounts, q.unit(), q.amount());
                case Value.Range r -> add(amounts, r.unit(), r.to());
                case Value.Sides d -> d.lengths().forEach(l -> add(amounts, d.unit(), l));
                default -> {}
              }
            });
    return amounts;
  }

  private static void add(Map<String, List<BigDecimal>> amounts, String unit, BigDecimal amount) {
    amounts.computeIfAbsent(unit, u -> new ArrayList<>()).add(amount);
  }

  /** Sides, an amount or a range of whatever, in the unit that the cell gives. */
  Optional<Value> measure(String text) {
    return sides(text, "").or(() -> measured(text, "", ""));
  }

  /** "PL" is Poland where countries are meant (ISO 3166-1). */
  private static Optional<String> country(String text, Concept concept) {
    return text.matches("\\p{Lu}{2}") && concept.hypernyms().contains("country")
        ? Optional.of(Locale.of("", text).getDisplayCountry(Locale.ENGLISH))
            .filter(c -> !c.equals(text))
        : Optional.empty();
  }

  private Optional<Value> measured(String text, String dimension, String unit) {
    return quantity(text, dimension, unit).or(() -> range(text, dimension, unit));
  }

  /** An amount with a unit of {@code dimension}, or of any if that is empty. */
  Optional<Value> quantity(String text, String dimension, String defaultUnit) {
    Matcher m = QUANTITY.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    Optional<String> unit = unit(m.group("unit"), dimension, defaultUnit);
    return unit.flatMap(
        u ->
            numbers
                .parse(m.group("n"))
                .map(n -> new Value.Quantity(n, u, qualifier(m.group("q"), m.group("p")))));
  }

  private static String qualifier(String before, String after) {
    String q = before == null ? after == null ? "" : after : before;
    return switch (q.strip().toLowerCase(Locale.ROOT).replace(".", "")) {
      case "up to", "max", "maximum", "bis zu", "bis", "<", "≤" -> "up to";
      case "at least", "min", "mindestens", "from", "ab", ">", "≥", "+" -> "at least";
      case "" -> "";
      default -> "about";
    };
  }

  private Optional<Value> range(String text, String dimension, String defaultUnit) {
    Matcher m = RANGE.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    String written =
        m.group("unit") == null && !m.group("unit1").isEmpty() ? m.group("unit1") : m.group("unit");
    Optional<String> unit = unit(written, dimension, defaultUnit);
    Optional<BigDecimal> a = numbers.parse(m.group("a"));
    Optional<BigDecimal> b = numbers.parse(m.group("b"));
    if (unit.isEmpty() || a.isEmpty() || b.isEmpty() || a.get().compareTo(b.get()) > 0) {
      return Optional.empty();
    }
    return Optional.of(new Value.Range(a.get(), b.get(), unit.get()));
  }

  /** Spares most cells the expression: sides have a digit and a sign between lengths. */
  private static boolean mayBeSides(String text) {
    boolean digit = false;
    boolean by = false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      digit |= c >= '0' && c <= '9';
      by |= c == 'x' || c == '×' || c == '*';
    }
    return digit && by;
  }

  private Optional<Value> sides(String text, String defaultUnit) {
    if (text.isEmpty() || !mayBeSides(text)) {
      return Optional.empty();
    }
    Matcher m = SIDES.matcher(text);
    if (!m.matches()) {
      return Optional.empty();
    }
    Optional<String> unit = unit(m.group("unit"), "length", defaultUnit);
    if (unit.isEmpty()) {
      return Optional.empty();
    }
    List<BigDecimal> lengths = new ArrayList<>();
    for (String side : new String[] {m.group("a"), m.group("b"), m.group("c")}) {
      if (side != null) {
        // A comma between digits of a side is a decimal comma: sides never reach a thousand.
        lengths.add(new BigDecimal(side.replace(',', '.')));
      }
    }
    return Optional.of(new Value.Sides(lengths, unit.get()));
  }

  /** "52 cm wide, dia. 3 cm": sides that are called by their names. */
  private Optional<Value> namedSides(String text, String defaultUnit) {
    if (text.length() > LONGEST_SIDES) {
      return Optional.empty();
    }
    List<String> sides = new ArrayList<>();
    for (String part : NAMED_SIDES.split(text.strip())) {
      Matcher m = SIDE_NAMED_LAST.matcher(part);
      if (!m.matches()) {
        m = SIDE_NAMED_FIRST.matcher(part);
        if (!m.matches()) {
          return Optional.empty();
        }
      }
      Optional<String> unit = unit(m.group("unit"), "length", defaultUnit);
      Optional<BigDecimal> length = numbers.parse(m.group("n"));
      if (unit.isEmpty() || length.isEmpty()) {
        return Optional.empty();
      }
      String side = m.group("side").toLowerCase(Locale.ROOT).replaceFirst("[.:]$", "");
      sides.add(
          length.get().toPlainString()
              + " "
              + unit.get()
              + " "
              + SIDE_WORDS.getOrDefault(side, side));
    }
    return sides.size() <= MOST_PARTS
        ? Optional.of(new Value.Terms(List.copyOf(sides)))
        : Optional.empty();
  }

  /** "40 x 60; 50 x 70" of "L x W cm": the sizes that there are of it, each with its unit. */
  private Optional<Value> severalSides(String text, String defaultUnit) {
    if (!mayBeSides(text)) {
      return Optional.empty();
    }
    List<String> sizes = new ArrayList<>();
    int sides = 0;
    for (String part : SIZES.split(text)) {
      Optional<Value> one = sides(part.strip(), defaultUnit);
      if (one.isEmpty()
          || !(one.get() instanceof Value.Sides(List<BigDecimal> lengths, String unit))
          || unit.isEmpty()
          || sides > 0 && sides != lengths.size()) {
        return Optional.empty();
      }
      sides = lengths.size();
      sizes.add(
          lengths.stream().map(BigDecimal::toPlainString).collect(Collectors.joining(" × "))
              + " "
              + unit);
    }
    return sizes.size() > 1 && sizes.size() <= MOST_PARTS
        ? Optional.of(new Value.Terms(List.copyOf(sizes)))
        : Optional.empty();
  }

  /**
   * The unit's id; the default when nothing is written; nothing when it is not of the dimension.
   */
  private Optional<String> unit(String written, String dimension, String defaultUnit) {
    if (written == null || written.isEmpty()) {
      return Optional.of(defaultUnit);
    }
    Optional<Unit> unit = knowledge.unitWritten(written, dimension);
    if (unit.isEmpty() && written.endsWith(".")) {
      unit = knowledge.unitWritten(written.substring(0, written.length() - 1), dimension);
    }
    return unit.filter(u -> dimension.isEmpty() || u.dimension().equals(dimension)).map(Unit::id);
  }

  private Optional<Value> count(String text) {
    Matcher m = COUNT.matcher(text);
    return m.matches()
        ? Optional.of(
            new Value.Quantity(
                new BigDecimal(m.group("n")), "", qualifier(m.group("q"), m.group("p"))))
        : Optional.empty();
  }

  private static Optional<Value> rating(String text) {
    Matcher m = RATING.matcher(text);
    return m.find()
        ? Optional.of(new Value.Rating(m.group(1).replace(" ", "").toUpperCase(Locale.ROOT)))
        : Optional.empty();
  }

  private static Optional<Value> yesNo(String text) {
    String lower = text.toLowerCase(Locale.ROOT);
    return YES.contains(lower)
        ? Optional.of(new Value.YesNo(true))
        : NO.contains(lower) ? Optional.of(new Value.YesNo(false)) : Optional.empty();
  }

  /** Yes and no; digits and crosses may mean something else in an unknown column. */
  private static Optional<Value> plainYesNo(String text) {
    return yesNo(text).filter(v -> !text.matches("(?i)with(out)?|mit|ohne|si|x|[01]"));
  }

  private Value terms(String text, Concept concept) {
    String type = concept.terms();
    if (type.equals(MATERIAL)) {
      Optional<List<String>> fibres = new Composition(knowledge).read(text);
      if (fibres.isPresent()) {
        return new Value.Terms(fibres.get());
      }
    }
    if (knowledge.term(type, text).isPresent()) {
      return new Value.Terms(List.of(inEnglish(type, text)));
    }
    List<String> items = new ArrayList<>();
    for (String item : split(text)) {
      Matcher postposed = POSTPOSED.matcher(item);
      if (!items.isEmpty() && postposed.matches() && !type.isEmpty()) {
        items.set(items.size() - 1, item + " " + items.getLast());
      } else {
        items.add(inEnglish(type, item));
      }
    }
    return items.isEmpty() || !type.isEmpty() && areUnlike(items, concept)
        ? new Value.Words(text)
        : new Value.Terms(items.stream().distinct().toList());
  }

  /** A term by its English name; "petrol" of an English sheet is an English word as it stands. */
  private String inEnglish(String type, String item) {
    return knowledge
        .term(type, item)
        .filter(t -> !isEnglish || isEnglishFor(t, item) || !English.isKnown(item))
        .map(Term::en)
        .orElseGet(() -> asNoun(type, item));
  }

  /**
   * A stuff by its noun where a cell has the adjective that is short for it: "stainless" is
   * stainless steel.
   */
  private String asNoun(String type, String item) {
    if (!isEnglish || !type.equals(MATERIAL) || !English.tags(item).contains("JJ")) {
      return item;
    }
    return Lexicon.shipped().senses(item) != 1
        ? item
        : Lexicon.shipped().synonyms(item).stream()
            .filter(s -> s.startsWith(item + " ") && knowledge.term(type, s).isPresent())
            .findFirst()
            .orElse(item);
  }

  private static boolean isEnglishFor(Term term, String item) {
    return term.en().equalsIgnoreCase(item)
        || term.also().stream().anyMatch(item::equalsIgnoreCase)
        || term.codes().contains(item);
  }

  /**
   * Whether parts are not all of the kind that the list has: "crook, cherry wood" is no list of
   * materials, and "calf, pull-up, veg tanned" none either. Where every maker coins words of their
   * own, such as for colours, any few plain words will do.
   */
  private boolean areUnlike(List<String> items, Concept concept) {
    // A long text is no list of the kind that anybody looks at part by part.
    if (items.size() < 2
        || items.size() > MOST_PARTS
        || items.stream().anyMatch(i -> i.length() > LONGEST_PART)) {
      return false;
    }
    if (concept.terms().equals(MATERIAL)) {
      long things = items.stream().filter(i -> MadeThing.isOne(i, knowledge)).count();
      if (things > 0) {
        return things < items.size();
      }
    }
    return knowledge.isCoined(concept.terms())
        ? !items.stream().allMatch(i -> COINED.matcher(i).matches())
        : isPartlyColours(items)
            || !items.stream()
                .allMatch(i -> hasTerm(i, concept.terms()) || isOfHypernym(i, concept));
  }

  /** "Poly-cotton, ivory": ivory is a colour there, although it can be a material. */
  private boolean isPartlyColours(List<String> items) {
    long colours = items.stream().filter(this::isColour).count();
    return colours > 0 && colours < items.size();
  }

  private boolean isColour(String item) {
    return knowledge.term("colour", item).isPresent()
        || !item.contains(" ") && Lexicon.shipped().isKindOf(item, "color");
  }

  private static boolean isOfHypernym(String item, Concept concept) {
    String noun = English.lastWord(item.strip()).toLowerCase(Locale.ROOT);
    return concept.hypernyms().stream().anyMatch(h -> Lexicon.shipped().isKindOf(noun, h));
  }

  private boolean hasTerm(String item, String type) {
    if (knowledge.term(type, item).isPresent()) {
      return true;
    }
    // "Lead-free" has no lead in it.
    String[] words = item.replaceAll("\\p{L}+-free\\b", "free").split("[ -]");
    for (int from = 0; from < words.length; from++) {
      for (int to = from + 1; to <= words.length && to <= from + LONGEST_TERM; to++) {
        if (knowledge.term(type, String.join(" ", List.of(words).subList(from, to))).isPresent()) {
          return true;
        }
      }
    }
    return false;
  }

  /** A tight stroke between list signs joins: "chalk/navy; brick/navy" are two pairs. */
  private static List<String> split(String text) {
    boolean joins = LIST_SIGN.matcher(text).find() && TIGHT_STROKE.matcher(text).find();
    List<String> items =
        (joins ? LIST_SIGN : LIST)
            .splitAsStream(text)
            .map(i -> i.strip().replaceAll("^[-*–]\\s*|[.,;]+$", ""))
            .filter(i -> !i.isEmpty())
            .toList();
    return lastApart(items);
  }

  /** "Cups, saucers and a tray" are three; of "nails, black and white" the last may be one pair. */
  private static List<String> lastApart(List<String> items) {
    boolean isShort = items.size() > 1 && items.getLast().length() <= LONGEST_SIDES;
    Matcher last = !isShort ? null : LAST_TWO.matcher(items.getLast());
    if (last == null
        || !last.matches()
        || items.stream().filter(i -> i.contains(" and ")).count() > 1
        || PAIR.matcher(items.getLast()).matches()
        || items.contains(last.group("a"))
        || items.contains(last.group("b"))) {
      return items;
    }
    List<String> apart = new ArrayList<>(items.subList(0, items.size() - 1));
    apart.add(last.group("a"));
    apart.add(last.group("b"));
    return apart;
  }
}
