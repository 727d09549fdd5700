package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.sheet.SheetRow;

/** Proposes what a column means from its cells alone, when its heading doesn't say. */
final class CellProposer {
  private static final Pattern PRICE =
      Pattern.compile(
          "(?:[£$€]|EUR|GBP|USD)\\s*\\d+(?:[.,]\\d{1,2})?|\\d+(?:[.,]\\d{1,2})?\\s*(?:[£$€]|EUR|GBP|USD)");
  private static final Pattern ADDRESS =
      Pattern.compile("(?i)(?:https?://|www\\.)\\S+|\\S+\\.(?:png|jpe?g|gif|webp|tiff?|svg|pdf)");
  private static final Pattern PICTURE =
      Pattern.compile("(?i)\\S.*\\.(?:png|jpe?g|gif|webp|tiff?|bmp)(?:[?#]\\S*)?");
  private static final Pattern UNIT_AT_END = Pattern.compile(".*\\d\\s?([A-Za-z°%²/]{1,12})");
  private static final Pattern AMOUNT_WITH_UNIT =
      Pattern.compile("[^\\d]{0,3}\\d[\\d.,]*\\s?([A-Za-z°%²/]{1,12})\\.?");
  private static final Pattern SIDES =
      Pattern.compile(
          "(?i)\\d[\\d.,]*(?:\\s*[a-z]{0,2}\\s*[x×*]\\s*\\d[\\d.,]*){1,2}\\s*[a-z]{0,2}");
  private static final Pattern RATING = Pattern.compile("(?i)IP ?[X0-9][X0-9]B?");
  private static final Pattern TELLS_NOTHING =
      Pattern.compile(
          "(?i)(?:column|col|value|attribute|attr|field|feature|detail|spec|info|data|property|param|parameter|extra|misc|custom|user"
              + "|spalte|merkmal|wert|eigenschaft|feld|champ|valeur|attribut|campo|valor|atributo|kolom|waarde|veld)?[\\s_.-]*\\d{0,3}");
  private static final int PROSE = 90;
  private static final double NEARLY_ALL = 0.9;
  private static final double MOST = 0.8;
  private static final double MANY = 0.6;
  private static final double HALF = 0.5;
  private static final int FEW_MEANINGS = 4;

  private final Knowledge knowledge;
  private final KindFinder kinds;
  private final RoleFinder roles;

  CellProposer(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.kinds = new KindFinder(knowledge);
    this.roles = new RoleFinder(knowledge);
  }

  /**
   * What a column is, by its cells.
   *
   * @param values what its first cells hold, without the empty ones
   * @param taken concepts that other columns' headings name
   */
  ColumnReading propose(Heading heading, String raw, List<String> values, Set<String> taken) {
    return unmistakable(raw, values).orElseGet(() -> likely(heading, raw, values, taken));
  }

  /**
   * A column whose heading is said of other kinds of things: it stays under its heading, and where
   * nobody knows what the products are, a person is asked.
   *
   * @param meanings what the heading means elsewhere
   * @param classes what the products are; empty if unknown
   */
  Optional<ColumnReading> ofOtherThings(
      String raw, String unit, List<String> values, List<Meaning> meanings, Set<String> classes) {
    if (roles.find(raw, values).isPresent()) {
      return Optional.empty();
    }
    ColumnReading own =
        new ColumnReading(
            raw, Meaning.EXTRA, unit, 0.6, "So one speaks of other kinds of products.");
    if (!classes.isEmpty()) {
      return Optional.of(own);
    }
    List<Meaning> choices = new ArrayList<>(meanings);
    choices.add(Meaning.EXTRA);
    choices.add(Meaning.KEEP);
    return Optional.of(own.asking(choices));
  }

  /** Whether a column tells by itself what it is, so that no likeness of its heading counts. */
  boolean isPlain(String raw, List<String> values) {
    return unmistakable(raw, values).isPresent() || roles.find(raw, values).isPresent();
  }

  /**
   * Whether cells may say what things are: words of a dictionary do, or of another language;
   * made-up names among English words don't.
   */
  boolean mayNameThings(List<String> values) {
    return values.isEmpty()
        || share(
            values,
            v ->
                !kinds.find("", v, Set.of()).noun().isEmpty()
                    || English.isKnown(English.lastWord(v))
                    || v.chars().anyMatch(c -> c > 127),
            HALF);
  }

  /** What the cells are by their form, whatever the heading is like: codes, addresses, prices. */
  Optional<ColumnReading> unmistakable(String raw, List<String> values) {
    if (share(values, CellProposer::isGtin, NEARLY_ALL)) {
      return Optional.of(
          new ColumnReading(
              raw, Meaning.KEEP, "", 0.9, "The cells are GTINs with right check digits."));
    }
    if (share(values, v -> PICTURE.matcher(v).matches(), NEARLY_ALL)) {
      return Optional.of(
          new ColumnReading(
              raw, Meaning.PICTURE, "", 0.9, "The cells are addresses or file names of pictures."));
    }
    if (share(values, v -> ADDRESS.matcher(v).matches(), NEARLY_ALL)) {
      return Optional.of(
          new ColumnReading(raw, Meaning.KEEP, "", 0.9, "The cells are addresses or file names."));
    }
    if (share(values, v -> PRICE.matcher(v).matches(), NEARLY_ALL)) {
      return Optional.of(new ColumnReading(raw, Meaning.KEEP, "", 0.85, "The cells are prices."));
    }
    return Optional.empty();
  }

  private ColumnReading likely(
      Heading heading, String raw, List<String> values, Set<String> taken) {
    String unit = heading.unit();
    Optional<ColumnReading> house = roles.ofHeading(raw, values);
    if (house.isPresent()) {
      return house.get();
    }
    if (values.stream().mapToInt(String::length).average().orElse(0) > PROSE) {
      return new ColumnReading(raw, Meaning.PROSE, "", 0.75, "The cells are prose.");
    }
    boolean silent = TELLS_NOTHING.matcher(heading.name()).matches();
    Optional<ColumnReading> guess =
        guess(raw, unit, values, taken, silent).or(() -> roles.find(raw, values));
    if (guess.isPresent()) {
      return guess.get();
    }
    return silent
        ? new ColumnReading(
                raw, Meaning.KEEP, unit, 0.4, "Neither the heading nor the cells say what it is.")
            .asking(List.of(Meaning.KEEP, Meaning.EXTRA))
        : new ColumnReading(
            raw, Meaning.EXTRA, unit, 0.6, "No known name; kept as a fact of its own.");
  }

  /**
   * What the cells look like, for a person to decide; under a heading that tells, only the sure.
   */
  private Optional<ColumnReading> guess(
      String raw, String unit, List<String> values, Set<String> taken, boolean silent) {
    Meaning otherwise = silent ? Meaning.KEEP : Meaning.EXTRA;
    if (!taken.contains("colour")
        && share(values, v -> areTerms("colour", v), MOST)
        && !areFlags(values)) {
      return Optional.of(guess(raw, unit, "colour", "The cells are colours.", otherwise));
    }
    if (!taken.contains("category") && areKinds(values)) {
      return Optional.of(
          guess(
              raw,
              unit,
              "category",
              "The cells name kinds of products: " + examples(values) + ".",
              otherwise));
    }
    if (!silent) {
      return Optional.empty();
    }
    if (!taken.contains("material") && share(values, v -> areTerms("material", v), MOST)) {
      return Optional.of(guess(raw, unit, "material", "The cells are materials.", otherwise));
    }
    if (!taken.contains("water_rating") && share(values, v -> RATING.matcher(v).matches(), MOST)) {
      return Optional.of(guess(raw, unit, "water_rating", "The cells are IP codes.", otherwise));
    }
    if (!taken.contains("dimensions") && share(values, v -> SIDES.matcher(v).matches(), MOST)) {
      return Optional.of(
          guess(raw, unit, "dimensions", "The cells are lengths, width by height.", otherwise));
    }
    return quantity(raw, unit, values, taken);
  }

  private static ColumnReading guess(
      String raw, String unit, String concept, String reason, Meaning otherwise) {
    Meaning meaning = Meaning.parse(concept);
    return new ColumnReading(raw, otherwise, unit, 0.65, reason)
        .asking(
            List.of(meaning, otherwise, otherwise == Meaning.KEEP ? Meaning.EXTRA : Meaning.KEEP));
  }

  /** Amounts of one dimension under a heading that tells nothing: a person says which they are. */
  private Optional<ColumnReading> quantity(
      String raw, String unit, List<String> values, Set<String> taken) {
    if (!share(values, v -> AMOUNT_WITH_UNIT.matcher(v).matches(), MOST)) {
      return Optional.empty();
    }
    Set<String> dimensions = new HashSet<>(dimensions(unit, values));
    if (dimensions.size() != 1) {
      return Optional.empty();
    }
    String dimension = dimensions.iterator().next();
    List<Meaning> meanings = new ArrayList<>();
    knowledge.concepts().stream()
        .filter(c -> c.dimension().equals(dimension) && c.classes().isEmpty())
        .filter(c -> !taken.contains(c.id()))
        .limit(FEW_MEANINGS)
        .map(Meaning::of)
        .forEach(meanings::add);
    meanings.addFirst(Meaning.KEEP);
    meanings.add(Meaning.EXTRA);
    return Optional.of(
        new ColumnReading(
                raw,
                Meaning.KEEP,
                unit,
                0.4,
                "The cells measure " + dimension + "; the heading doesn't say of what.")
            .asking(meanings));
  }

  /**
   * The dimensions that the cells, or the heading's unit, measure; one for each cell with a unit.
   */
  List<String> dimensions(String headingUnit, List<String> values) {
    List<String> units =
        headingUnit.isEmpty()
            ? values.stream()
                .map(UNIT_AT_END::matcher)
                .filter(Matcher::matches)
                .map(m -> m.group(1))
                .toList()
            : List.of(headingUnit);
    return units.stream()
        .map(knowledge::unitWritten)
        .flatMap(Optional::stream)
        .map(Unit::dimension)
        .toList();
  }

  /** Whether cells are of the kind that an abbreviated heading would have. */
  boolean bearOut(Meaning meaning, String headingUnit, List<String> values) {
    if (meaning.role() != Meaning.Role.CONCEPT) {
      return true;
    }
    return knowledge
        .concept(meaning.concept())
        .filter(
            c ->
                !c.dimension().isEmpty()
                    ? dimensions(headingUnit, values).contains(c.dimension())
                    : !c.terms().isEmpty() && share(values, v -> areTerms(c.terms(), v), HALF))
        .isPresent();
  }

  private boolean areTerms(String type, String value) {
    for (String part : value.toLowerCase(Locale.ROOT).split("\\s*[,/&+]\\s*")) {
      if (knowledge.term(type, part).isEmpty()) {
        return false;
      }
    }
    return true;
  }

  private static boolean areFlags(List<String> values) {
    return share(values, v -> v.matches("(?i)yes|no|true|false|y|n|ja|nein"), MOST);
  }

  private static String examples(List<String> values) {
    return String.join(", ", values.stream().distinct().limit(FEW_MEANINGS).toList());
  }

  /** Index of the first column whose cells name kinds of products, or -1. */
  int columnOfKinds(int columns, List<SheetRow> sample) {
    for (int i = 0; i < columns; i++) {
      int column = i;
      if (areKinds(
          sample.stream()
              .map(r -> CellText.clean(r.cell(column)))
              .filter(v -> !CellText.saysNothing(v))
              .toList())) {
        return i;
      }
    }
    return -1;
  }

  /** Whether the cells repeat and most name a class of products. */
  private boolean areKinds(List<String> values) {
    Set<String> distinct = new HashSet<>(values);
    return values.size() >= 4
        && distinct.size() * 2 <= values.size()
        && share(
            List.copyOf(distinct),
            v -> !kinds.find("", v, Set.of()).productClass().isEmpty(),
            MANY);
  }

  /** Whether at least this share of the values, and of at least one, passes the test. */
  static boolean share(List<String> values, Predicate<String> test, double least) {
    return !values.isEmpty() && values.stream().filter(test).count() >= least * values.size();
  }

  /** A GTIN-8, -12, -13 or -14 whose check digit is right (GS1 General Specifications, 7.9). */
  static boolean isGtin(String text) {
    if (!text.matches("\\d{8}|\\d{12,14}")) {
      return false;
    }
    int sum = 0;
    for (int i = 0; i < text.length() - 1; i++) {
      int fromRight = text.length() - 1 - i;
      sum += (text.charAt(i) - '0') * (fromRight % 2 == 1 ? 3 : 1);
    }
    return (10 - sum % 10) % 10 == text.charAt(text.length() - 1) - '0';
  }
}
