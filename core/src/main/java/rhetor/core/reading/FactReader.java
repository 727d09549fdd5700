package rhetor.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.FactMerge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.reading.Meaning.Role;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;

/** Reads the rows of one sheet as products, by a {@link Reading}. Not safe for several threads. */
public final class FactReader {
  /** Above this a name is taken to contain the specification as well. */
  private static final int LONG_NAME = 70;

  private static final int LONGEST_SKU = 64;
  private static final double HALF = 0.5;

  /** Nobody searches for more; a longer cell is prose that got into the keyword's column. */
  private static final int LONGEST_KEYWORD = 100;

  private static final Pattern SIZE_AND_VOLUME =
      Pattern.compile(
          "(?i)(?<size>\\S.*\\d.*?)\\s*(?:[;,]\\s+|\\s/\\s)(?<volume>\\d[\\d.,]* ?(?:l|ml|cl|litres?|liters?))");

  private static final String CAPACITY = "capacity";

  /** A longer cell is no size, and would take the expression its square. */
  private static final int LONGEST_SIZE = 80;

  private static final Pattern TOTAL =
      Pattern.compile(
          "(?i)(?:grand |sub-?)?(?:total|totals|sum|summe|gesamt|zwischensumme|somme|suma|totaal)\\b.{0,30}");
  private static final Pattern SIZE_CODE = Pattern.compile("[A-Z0-9/.-]{1,5}");
  private static final Pattern AFTER_NAME = Pattern.compile("\\s*[,;|]\\s*|\\s+[–—-]\\s+");
  private static final Pattern PICTOGRAMS =
      Pattern.compile("[\\p{So}\\p{Cs}\\x{1F000}-\\x{1FAFF}]");
  private static final Pattern SHOUT = Pattern.compile("[!*]+$");

  /** "4,01E+12": what a spreadsheet makes of a long number. */
  private static final Pattern ROUNDED = Pattern.compile("\\d[.,]\\d+E\\+?\\d+");

  private static final Pattern SPACES = Pattern.compile(" +");
  private static final Pattern PLAIN_NAME =
      Pattern.compile("[A-Za-z0-9'.,/-]++(?: [A-Za-z0-9'.,/-]++)*+");

  private final String sheet;
  private final Reading reading;
  private final Knowledge knowledge;
  private final ValueReader values;
  private final ProseMiner miner;
  private final KindFinder kinds;
  private final List<Heading> headings;

  /**
   * What columns tell of. A kind of fact that the house has taken away again is kept as an extra
   * fact.
   */
  private final List<Optional<Concept>> concepts;

  /** What each column is called where it is a fact of its own. */
  private final List<Own> owns;

  private record Own(String id, String label) {
    /** With the unit that its cells are in: they are left as they stand. */
    static Own of(ColumnReading column) {
      String label = CellText.clean(column.heading()).replaceFirst("[:*?\\s]+$", "");
      return new Own(Fact.ownId(label), label);
    }
  }

  private final int skuColumn;
  private final int nameColumn;
  private final int keywordColumn;
  private final int kindColumn;
  private final List<Integer> variants;

  /** What cells gave that came before: colours, materials and suppliers' prose repeat. */
  private final List<Map<String, Optional<Value>>> valuesOf = new ArrayList<>();

  private final Map<String, Prose> proseOf = new Seen<>();

  /** What a cell of prose gives. */
  private record Prose(String text, List<ProseMiner.Find> finds, List<String> items) {}

  /** A map that forgets what was not asked for lately. */
  private static final class Seen<T> extends java.util.LinkedHashMap<String, T> {
    private static final int MOST = 2_000;

    Seen() {
      super(64, 0.75f, true);
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<String, T> eldest) {
      return size() > MOST;
    }
  }

  /**
   * A reader for one sheet.
   *
   * @throws IllegalArgumentException if the reading has no key, see {@link Reading#obstacle()}
   */
  public FactReader(String sheet, Reading reading, Knowledge knowledge) {
    reading
        .obstacle()
        .ifPresent(
            o -> {
              throw new IllegalArgumentException(o);
            });
    this.sheet = sheet;
    this.reading = reading;
    this.knowledge = knowledge;
    this.values = new ValueReader(knowledge, reading.numbers(), reading.language());
    this.miner = new ProseMiner(knowledge, reading.numbers());
    this.kinds = new KindFinder(knowledge);
    this.owns = reading.columns().stream().map(Own::of).toList();
    this.headings =
        reading.columns().stream().map(c -> Heading.of(c.heading(), knowledge)).toList();
    this.concepts =
        reading.columns().stream().map(c -> knowledge.concept(c.meaning().concept())).toList();
    reading.columns().forEach(c -> valuesOf.add(new Seen<>()));
    this.skuColumn = reading.column(Role.SKU);
    this.nameColumn = reading.column(Role.NAME);
    this.keywordColumn = reading.column(Role.KEYWORD);
    this.kindColumn =
        IntStream.range(0, headings.size())
            .filter(i -> reading.columns().get(i).heading().equals(reading.kinds().heading()))
            .findFirst()
            .orElse(-1);
    this.variants =
        IntStream.range(0, headings.size())
            .filter(i -> reading.variants().contains(reading.columns().get(i).heading()))
            .boxed()
            .toList();
  }

  /** What a row gives: a product, or the reason why it gives none. */
  public sealed interface Outcome {
    /** The row is a product. */
    record Read(ProductFacts product) implements Outcome {}

    /** The row is not usable. */
    record Rejected(SheetProblem problem) implements Outcome {}
  }

  /** Reads one row. */
  public Outcome read(SheetRow row) {
    String sku = skuColumn < 0 ? "" : CellText.clean(row.cell(skuColumn));
    String name = nameColumn < 0 ? "" : CellText.clean(row.cell(nameColumn));
    if (isTotal(row)) {
      return rejected(
          "total-row",
          row,
          Math.max(skuColumn, nameColumn),
          "The row adds up others; it is no product.",
          "Nothing needs to be done.");
    }
    if (skuColumn >= 0 && CellText.saysNothing(sku)) {
      return rejected(
          "no-sku",
          row,
          skuColumn,
          "The SKU is missing.",
          "Fill it in; Rhetor tells products apart by it.");
    }
    if (sku.length() > LONGEST_SKU) {
      return rejected(
          "long-sku",
          row,
          skuColumn,
          "The SKU has " + sku.length() + " characters; up to " + LONGEST_SKU + " are kept.",
          "Check which column is the SKU.");
    }
    if (ROUNDED.matcher(sku).matches()) {
      return rejected(
          "mangled-sku",
          row,
          skuColumn,
          "The SKU \"" + sku + "\" was turned into a rounded number by a spreadsheet.",
          "Format the column as text in the original and save it again.");
    }
    if (nameColumn >= 0 && CellText.saysNothing(name)) {
      return rejected(
          "no-name",
          row,
          nameColumn,
          "The name is missing.",
          "Fill it in; no text can be written about a product without a name.");
    }
    if (nameColumn >= 0 && name.chars().noneMatch(Character::isLetter)) {
      return rejected(
          "no-name",
          row,
          nameColumn,
          "The name \"" + name + "\" has no letters in it.",
          "Check which column is the name.");
    }
    String key = sku.isEmpty() ? keyFrom(name) : sku;
    return new Outcome.Read(product(row, key + variant(row), name.isEmpty() ? sku : name));
  }

  /** "-rust", where rows of one SKU differ in colour. */
  private String variant(SheetRow row) {
    if (variants.isEmpty()) {
      return "";
    }
    return variants.stream()
        .map(c -> keyFrom(CellText.clean(row.cell(c))))
        .filter(k -> !k.isEmpty())
        .map("-"::concat)
        .collect(Collectors.joining());
  }

  /** "Total", "Summe": the first word of a row whose name or SKU is missing. */
  private boolean isTotal(SheetRow row) {
    boolean incomplete =
        skuColumn >= 0 && row.cell(skuColumn).isBlank()
            || nameColumn >= 0 && row.cell(nameColumn).isBlank();
    return incomplete
        && row.cells().stream()
            .filter(c -> !c.isBlank())
            .findFirst()
            .filter(c -> TOTAL.matcher(c.strip()).matches())
            .isPresent();
  }

  private Outcome rejected(String code, SheetRow row, int column, String what, String remedy) {
    return new Outcome.Rejected(
        new SheetProblem(
            code, row.number(), reading.columns().get(column).heading(), what, remedy));
  }

  private static String keyFrom(String name) {
    String key =
        name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    return key.length() > LONGEST_SKU ? key.substring(0, LONGEST_SKU) : key;
  }

  private ProductFacts product(SheetRow row, String sku, String rawName) {
    Collector collector = new Collector();
    StringBuilder prose = new StringBuilder();
    List<List<String>> pictures = new ArrayList<>(0);
    for (int i = 0; i < reading.columns().size(); i++) {
      ColumnReading column = reading.columns().get(i);
      String cell = row.cell(i);
      if (cell.isEmpty()) {
        continue;
      }
      switch (column.meaning().role()) {
        case CONCEPT -> {
          Optional<Concept> concept = concepts.get(i);
          if (concept.isPresent()) {
            collector.column(i, column, concept.get(), headings.get(i), row, cell);
          } else {
            collector.extra(i, column, row, cell);
          }
        }
        case EXTRA -> collector.extra(i, column, row, cell);
        case NAME -> collector.merge.add(nameFact(row, i, rawName));
        case PROSE -> {
          prose.append(prose.isEmpty() ? "" : "\n").append(proseOf(cell).text);
          if (cell.indexOf('<') >= 0) {
            pictures.add(PictureLinks.ofMarkup(cell));
          }
        }
        case PICTURE -> pictures.add(PictureLinks.ofCell(cell));
        default -> {}
      }
    }
    List<Fact> ofColumns = collector.merge.facts();
    String name = tidyName(rawName, words(ofColumns, "brand"), sku);
    String keyword = keywordColumn < 0 ? "" : CellText.clean(row.cell(keywordColumn));
    KindFinder.Kind kind =
        KindFinder.several(
            asNamed(
                unlessOther(
                    kind(name, words(ofColumns, "category"), collector.merge.ids(), keyword, row),
                    row),
                name),
            name);
    // Prose is read last: a column of its own is the better source.
    for (int i = 0; i < reading.columns().size(); i++) {
      if (reading.columns().get(i).meaning().role() == Role.PROSE && !row.cell(i).isEmpty()) {
        collector.prose(reading.columns().get(i), row, row.cell(i), kind.productClass());
      }
    }
    List<Fact> facts = collector.merge.facts();
    return new ProductFacts(
        sku,
        name,
        kind.productClass(),
        kind.noun(),
        facts,
        collector.merge.contradictions(),
        prose.toString(),
        CellText.saysNothing(keyword) || keyword.length() > LONGEST_KEYWORD ? "" : keyword,
        PictureLinks.together(pictures));
  }

  /** What a product is: by its name and category, by its sheet, or by its keyword. */
  private KindFinder.Kind kind(
      String name, String category, Set<String> concepts, String keyword, SheetRow row) {
    String telling = reading.areNamesMadeUp() ? "" : name;
    KindFinder.Kind kind = kinds.find(telling, category, concepts, reading.thing());
    // A "Presswell Table" that is sought as a "table top ironing board" is no table.
    Optional<KindFinder.Kind> sought =
        kind.noun().isEmpty() || !kinds.find("", category, Set.of()).noun().isEmpty()
            ? Optional.empty()
            : kinds.sought(keyword).filter(k -> isNone(kind.noun(), k.noun()));
    boolean isOneOfSheet =
        reading.thing().isEmpty()
            || sought.filter(k -> head(k.noun()).equals(head(reading.thing()))).isPresent();
    if (sought.isPresent() && isOneOfSheet) {
      return sought.get();
    }
    // A shelf in words that are no known thing, "mild" or "dark roast" among coffees,
    // tells kinds of the thing apart and doesn't say that it is another one, as "bath mat" among
    // towels does.
    boolean isOther =
        !reading.thing().isEmpty() && !category.isEmpty() && !isAkin(kind.noun(), reading.thing());
    // A "travel tent" that is sought as a "small tent heater" is one of the sheet's heaters.
    boolean isSoughtAsThing =
        isOther
            && !keyword.isEmpty()
            && isAkin(kinds.ofPhrase(keyword).noun(), reading.thing())
            && !ofSheet(concepts).productClass().equals(kind.productClass());
    boolean isOdd =
        isSoughtAsThing
            || kind.productClass().isEmpty()
                && !kind.noun().equals(reading.thing())
                && (isOther && !knowledge.things().contains(kind.noun())
                    || !reading.sort().isEmpty()
                        && !Lexicon.shipped()
                            .sorts(English.lastWord(kind.noun()))
                            .contains(reading.sort()));
    // Among candles a "Travel Tin" is no tin, and may be no candle either.
    boolean isDoubtful =
        category.isEmpty()
            && !reading.thing().isEmpty()
            && !kind.noun().isEmpty()
            && !isAkin(kind.noun(), reading.thing());
    if (isDoubtful) {
      return new KindFinder.Kind("", "");
    }
    if (!kind.noun().isEmpty()
        && kind.noun().equals(reading.thing())
        && !isAmong(head(kind.noun()), keyword)) {
      // Most of the sheet are mats, but this one is sought as a "vinyl dumbbell pair".
      KindFinder.Kind other = kinds.ofPhrase(keyword);
      if (!other.noun().isEmpty() && !isAkin(other.noun(), kind.noun())) {
        return ofCell(other, keyword, row).orElse(new KindFinder.Kind("", ""));
      }
    }
    boolean isSoughtOtherwise =
        !keyword.isEmpty()
            && !reading.thing().isEmpty()
            && !isAmong(head(reading.thing()), keyword);
    if (isSoughtOtherwise && (isOdd || kind.noun().equals(reading.thing()))) {
      // Among heaters a "wood stove" that is sought as a "small wood stove garden" is just that.
      Optional<KindFinder.Kind> named = thingOfCell(keyword, row);
      if (named.isPresent()) {
        return named.get();
      }
    }
    if (isSoughtOtherwise && isOdd && isOther) {
      // Neither its category nor what people look for says that it is what its sheet sells.
      return new KindFinder.Kind(ofSheet(concepts).productClass(), "");
    }
    KindFinder.Kind known = isOdd ? ofSheet(concepts) : kind;
    if (!reading.language().equals("en") || !known.productClass().isEmpty()) {
      return known;
    }
    if (known.noun().isEmpty()) {
      return kinds.ofPhrase(keyword);
    }
    // What people look for it by says more than a shelf in words that are no known thing.
    return kinds
        .sought(keyword)
        .filter(s -> !category.isEmpty() && !isAkin(known.noun(), s.noun()))
        .orElse(known);
  }

  /** A kind that a row has from its sheet, unless a cell says that this one is something else. */
  private KindFinder.Kind unlessOther(KindFinder.Kind kind, SheetRow row) {
    String cell = kindColumn < 0 ? "" : row.cell(kindColumn);
    OtherThing other = new OtherThing(reading.thing());
    if (kindColumn < 0 || !kind.noun().equals(reading.thing()) || other.isThing(cell)) {
      return kind;
    }
    String said = cell.strip().toLowerCase(Locale.ROOT);
    Optional<KindFinder.Kind> named =
        Optional.of(said)
            .filter(c -> reading.kinds().isNaming())
            .flatMap(kinds::sought)
            .filter(k -> said.endsWith(k.noun()) || !k.productClass().isEmpty());
    if (named.isPresent()) {
      return new KindFinder.Kind(named.get().productClass(), said);
    }
    if (!other.isOther(cell)) {
      return kind;
    }
    String broader = other.broader();
    return Lexicon.shipped().goods(broader) > 0
        ? new KindFinder.Kind("", broader)
        : new KindFinder.Kind("", "");
  }

  /** "Fenby Sofa Bed" among sofas: a name may end in a word for just such a kind of the thing. */
  private KindFinder.Kind asNamed(KindFinder.Kind kind, String name) {
    if (kind.noun().equals(reading.thing())) {
      Optional<KindFinder.Kind> sibling = kinds.sibling(name, kind.noun());
      if (sibling.isPresent()) {
        return sibling.get();
      }
    }
    String[] words = KindFinder.head(name).strip().split(" ");
    if (kind.noun().isEmpty() || words.length < 2) {
      return kind;
    }
    String compound = words[words.length - 2] + " " + words[words.length - 1];
    boolean isKind =
        !compound.equals(kind.noun())
            && Lexicon.shipped().synonyms(compound).contains(compound)
            && Lexicon.shipped().goods(compound) >= HALF
            && Lexicon.shipped().isKindOf(compound, kind.noun());
    return isKind ? new KindFinder.Kind(kind.productClass(), compound) : kind;
  }

  /** What all products of the sheet are, where nothing of a row's own says more. */
  private KindFinder.Kind ofSheet(Set<String> concepts) {
    return kinds.find("", "", concepts, reading.thing());
  }

  private static boolean isAmong(String noun, String phrase) {
    return Words.of(phrase).stream()
        .anyMatch(w -> w.text().equals(noun) || English.singular(w.text()).equals(noun));
  }

  /** A kind as a cell has it that says nothing else, and is sought so: "vinyl dumbbell". */
  private static Optional<KindFinder.Kind> ofCell(
      KindFinder.Kind kind, String keyword, SheetRow row) {
    return row.cells().stream()
        .map(c -> c.strip().toLowerCase(Locale.ROOT))
        .filter(c -> English.lastWord(c).equals(English.lastWord(kind.noun())))
        .filter(c -> Words.find(c, keyword) >= 0)
        .findFirst()
        .map(c -> new KindFinder.Kind(kind.productClass(), c));
  }

  /**
   * What a cell of no known meaning names and nothing else, in several words that people look for
   * it by.
   */
  private Optional<KindFinder.Kind> thingOfCell(String keyword, SheetRow row) {
    return IntStream.range(0, reading.columns().size())
        .filter(i -> KindsOfSheet.mayNameThings(reading.columns().get(i).meaning()))
        .mapToObj(i -> row.cell(i).strip().toLowerCase(Locale.ROOT))
        .filter(c -> c.length() <= LONGEST_KEYWORD && c.indexOf(' ') > 0)
        .filter(c -> Words.find(c, keyword) >= 0 && !c.equalsIgnoreCase(keyword))
        .filter(c -> Lexicon.shipped().goods(English.lastWord(c)) > 0)
        .flatMap(c -> kinds.sought(c).map(k -> new KindFinder.Kind(k.productClass(), c)).stream())
        .findFirst();
  }

  /**
   * Whether one noun's head is the other's, or a kind of it: a cable lock is a lock, as a U-lock
   * is.
   */
  private static boolean isAkin(String noun, String thing) {
    String head = head(noun);
    String of = head(thing);
    return head.equals(of)
        || Lexicon.shipped().isKindOf(head, of)
        || Lexicon.shipped().isKindOf(of, head);
  }

  /** Whether hardly any meaning of a noun makes it a kind of a thing, or the thing a kind of it. */
  private static boolean isNone(String noun, String thing) {
    return !head(noun).equals(head(thing))
        && Lexicon.shipped().shareKindOf(head(noun), Set.of(head(thing))) < HALF
        && Lexicon.shipped().shareKindOf(head(thing), Set.of(head(noun))) < HALF;
  }

  private static String head(String noun) {
    String last = English.lastWord(noun);
    return last.substring(last.lastIndexOf('-') + 1);
  }

  private Prose proseOf(String cell) {
    Prose known = proseOf.get(cell);
    if (known == null) {
      known =
          new Prose(
              Boilerplate.strip(CellText.lines(cell), reading.boilerplate()),
              miner.mine(cell),
              miner.listItems(cell));
      proseOf.put(cell, known);
    }
    return known;
  }

  private static String words(List<Fact> facts, String concept) {
    for (Fact fact : facts) {
      if (fact.concept().equals(concept) && fact.value() instanceof Value.Words(String text)) {
        return text;
      }
    }
    return "";
  }

  private Fact nameFact(SheetRow row, int column, String name) {
    return new Fact(
        "name",
        "name",
        "Name",
        new Value.Words(name),
        List.of(source(row, reading.columns().get(column), row.cell(column))),
        false);
  }

  private Source source(SheetRow row, ColumnReading column, String raw) {
    return new Source(
        sheet,
        row.number(),
        column.heading(),
        raw.length() > 400 ? raw.substring(0, 400) + "…" : raw);
  }

  private static boolean containsIgnoreCase(String whole, String part) {
    for (int i = 0; i <= whole.length() - part.length(); i++) {
      if (whole.regionMatches(true, i, part, 0, part.length())) {
        return true;
      }
    }
    return false;
  }

  /** The name as it may be printed: no brand in front, no capitals throughout, no code in it. */
  static String tidyName(String raw, String brand, String sku) {
    String name = raw;
    if (!sku.isEmpty() && containsIgnoreCase(raw, sku)) {
      name =
          Pattern.compile("\\s*[\\[(]?" + Pattern.quote(sku) + "[\\])]?\\s*$")
              .matcher(raw)
              .replaceAll("")
              .strip();
    }
    name = name.isEmpty() ? raw : name;
    if (!brand.isEmpty()
        && name.length() > brand.length()
        && name.charAt(brand.length()) == ' '
        && name.regionMatches(true, 0, brand, 0, brand.length())) {
      name = name.substring(brand.length() + 1).strip();
    }
    if (isShouted(name)) {
      name = English.titleCase(name);
    }
    if (name.length() > LONG_NAME) {
      String head = AFTER_NAME.split(name, 2)[0];
      name = head.length() >= 4 ? head : name;
    }
    if (name.length() > LONG_NAME) {
      int cut = name.lastIndexOf(' ', LONG_NAME);
      name = name.substring(0, cut < 20 ? LONG_NAME : cut);
    }
    if (!PLAIN_NAME.matcher(name).matches()) {
      name =
          SPACES
              .matcher(SHOUT.matcher(PICTOGRAMS.matcher(name).replaceAll("")).replaceAll(""))
              .replaceAll(" ")
              .strip();
    }
    return English.capitalise(name.isEmpty() ? raw : name);
  }

  /** Whether nearly all letters of a name are capitals. */
  private static boolean isShouted(String name) {
    int letters = 0;
    int capitals = 0;
    for (int i = 0; i < name.length(); i++) {
      letters += Character.isLetter(name.charAt(i)) ? 1 : 0;
      capitals += Character.isUpperCase(name.charAt(i)) ? 1 : 0;
    }
    return letters > 5 && capitals >= letters * 0.85;
  }

  /** Gathers the facts of a row. */
  private final class Collector {
    private final FactMerge merge = new FactMerge(knowledge);

    void column(
        int index,
        ColumnReading column,
        Concept concept,
        Heading heading,
        SheetRow row,
        String cell) {
      if (concept.kind() == Concept.Kind.SIDES && sizeAndVolume(column, concept, row, cell)) {
        return;
      }
      // Nobody makes nothing, and nothing is of no weight.
      boolean mayHaveNone =
          switch (concept.kind()) {
            case FLAG, TERMS, WORDS, COUNT -> !concept.theme().equals("identity");
            case QUANTITY, SIDES, RATING -> false;
          };
      value(
              index,
              cell,
              mayHaveNone,
              text -> {
                Value read = values.read(text, concept, column);
                return values.isPlausible(read, concept)
                    ? bounded(read, heading)
                    : new Value.Words(text);
              })
          .ifPresent(
              v -> {
                Fact fact = fact(concept, v, source(row, column, cell));
                // What couldn't be read stands in the list as it is, under the heading that has
                // its unit.
                boolean isLiteral = v instanceof Value.Words && !concept.measures().isEmpty();
                merge.add(isLiteral ? fact.labelled(owns.get(index).label) : fact);
              });
    }

    /** "14 x 9 cm, 0.4 l": how large it is, and how much it holds if no column says that. */
    private boolean sizeAndVolume(
        ColumnReading column, Concept concept, SheetRow row, String cell) {
      boolean mayBeTwo = cell.indexOf(',') >= 0 || cell.indexOf(';') >= 0 || cell.contains(" / ");
      if (cell.length() > LONGEST_SIZE || !mayBeTwo) {
        return false;
      }
      Matcher m = SIZE_AND_VOLUME.matcher(cell.strip());
      Optional<Concept> capacity = knowledge.concept(CAPACITY);
      if (!m.matches() || capacity.isEmpty() || concepts.contains(capacity)) {
        return false;
      }
      Value size = values.read(m.group("size"), concept, column.unit());
      Value volume = values.read(m.group("volume"), capacity.get(), "");
      if (!(size instanceof Value.Sides || size instanceof Value.Terms)
          || !(volume instanceof Value.Quantity)) {
        return false;
      }
      merge.add(fact(concept, size, source(row, column, cell)));
      merge.add(fact(capacity.get(), volume, source(row, column, cell)));
      return true;
    }

    /**
     * What a cell of a column says; nothing of one that says nothing.
     *
     * @param mayHaveNone whether "none" says that there is none of what the heading names
     */
    private Optional<Value> value(
        int index, String cell, boolean mayHaveNone, Function<String, Value> read) {
      Optional<Value> known = valuesOf.get(index).get(cell);
      if (known == null) {
        String text = CellText.clean(cell);
        known =
            mayHaveNone && text.equalsIgnoreCase("none")
                ? Optional.of(new Value.YesNo(false))
                : CellText.saysNothing(text) ? Optional.empty() : Optional.of(read.apply(text));
        valuesOf.get(index).put(cell, known);
      }
      return known;
    }

    /** "Max. group size: 6" means up to six. */
    private Value bounded(Value value, Heading heading) {
      if (value instanceof Value.Quantity q
          && q.qualifier().isEmpty()
          && !heading.name().contains("load")) {
        String name = " " + heading.name() + " ";
        boolean most = name.contains(" max ") || name.contains(" maximum ");
        return most ? new Value.Quantity(q.amount(), q.unit(), "up to") : value;
      }
      return value;
    }

    void extra(int index, ColumnReading column, SheetRow row, String cell) {
      boolean asks = column.heading().strip().endsWith("?");
      value(index, cell, true, text -> values.readAny(text, asks))
          .ifPresent(
              value -> {
                Own own = owns.get(index);
                boolean foreign = !reading.language().equals("en");
                merge.add(
                    new Fact(
                        own.id, "", own.label, value, List.of(source(row, column, cell)), foreign));
              });
    }

    void prose(ColumnReading column, SheetRow row, String cell, String productClass) {
      Prose prose = proseOf(cell);
      for (ProseMiner.Find find : prose.finds) {
        if (!knowledge.takes(find.concept(), productClass)) {
          continue;
        }
        merge.add(fact(find.concept(), find.value(), source(row, column, find.snippet())));
      }
      if (!prose.items.isEmpty() && !merge.ids().contains("features")) {
        Concept features = knowledge.concept("features").orElseThrow();
        merge.add(
            fact(
                features,
                new Value.Terms(prose.items),
                source(row, column, String.join("; ", prose.items))));
      }
    }

    private Fact fact(Concept concept, Value value, Source source) {
      // Brands and categories are names; what language they are in doesn't matter.
      boolean foreign = !concept.theme().equals("identity") && isForeign(value);
      return new Fact(concept.id(), concept.id(), concept.label(), value, List.of(source), foreign);
    }
  }

  /**
   * Whether words of a sheet in another language are left, once the trade's terms are translated.
   */
  private boolean isForeign(Value value) {
    if (reading.language().equals("en")) {
      return false;
    }
    List<String> texts =
        switch (value) {
          case Value.Words(String text) -> List.of(text);
          case Value.Terms(List<String> items) -> items;
          default -> List.of();
        };
    return texts.stream()
        .anyMatch(
            t ->
                !SIZE_CODE.matcher(t).matches()
                    && knowledge.terms().stream().noneMatch(k -> k.en().equals(t))
                    && t.chars().anyMatch(Character::isLetter));
  }
}
