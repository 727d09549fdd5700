package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Nearness;
import rhetor.core.reading.Reading.KindColumn;
import rhetor.core.sheet.SheetRow;

/** Finds what the products of a sheet are, before its columns are read. */
final class KindsOfSheet {
  /** As much as two concepts say together that four classes can have each. */
  private static final double SAYS_ENOUGH = 0.49;

  private static final double MANY = 0.6;
  private static final int FEW = 4;
  private static final int FEW_NAMES = 3;
  private static final int FRONT = 2;

  /** What nothing is said of that belongs to classes: the things are known, and none of them. */
  static final String NO_CLASS = "none";

  /** Cells from here on are like names, see {@link Cells#nameLike}. */
  private static final double NAMES = 1.3;

  private static final int FEW_SENSES = 3;

  private static final Meaning CATEGORY = Meaning.parse("category");

  /** A heading of which so many senses are goods names one. */
  private static final double MOSTLY = 0.5;

  /** A thing of which so many senses are of a class is of it. */
  private static final double MOST = 0.75;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final KindFinder kinds;
  private final ThingOfSheet things;

  KindsOfSheet(Knowledge knowledge, HeadingNames names, Nearness nearness) {
    this.knowledge = knowledge;
    this.names = names;
    this.kinds = new KindFinder(knowledge);
    this.things = new ThingOfSheet(knowledge, names, kinds, nearness);
  }

  /**
   * The columns of a sheet by its headings and its first rows, with what its things are.
   *
   * @param title what the file and its worksheet are called, or empty
   */
  SheetColumns columns(List<String> headings, List<SheetRow> sample, String title) {
    SheetColumns sheet = SheetColumns.of(headings, sample, knowledge, names);
    String titled = things.ofTitle(title).orElse("");
    return sheet.with(of(sheet.columns(), sheet.language(), sample, titled), titled);
  }

  /**
   * Classes of the products: by their categories, or by their names and by what two columns or more
   * are said of alone. A course that is called "Learn to Lead" is no lead.
   */
  private Set<String> of(
      List<SheetColumn> columns, String language, List<SheetRow> sample, String titled) {
    int name = column(columns, Meaning.NAME, language);
    int named = column(columns, CATEGORY, language);
    int category = named >= 0 ? named : columnOfKinds(columns);
    Map<String, Integer> classes = new HashMap<>();
    for (SheetRow row : sample) {
      String called = name < 0 ? "" : CellText.clean(row.cell(name));
      String shelf = category < 0 ? "" : CellText.clean(row.cell(category));
      classes.merge(kinds.find(called, shelf, Set.of()).productClass(), 1, Integer::sum);
    }
    int none = classes.getOrDefault("", 0);
    classes.remove("");
    // One boat of many that is called "Saddle" makes no sheet of saddles.
    if (!classes.isEmpty() && (category >= 0 || none * 2 <= sample.size())) {
      Set<String> all = new HashSet<>(classes.keySet());
      if (category < 0) {
        all.addAll(told(columns, language));
      }
      return all;
    }
    Optional<String> thing = thing(columns, language);
    if (thing.isPresent()) {
      return classesOf(thing.get());
    }
    if (!titled.isEmpty()) {
      return classesOf(titled);
    }
    return told(columns, language);
  }

  /** The noun for what the products are, where a heading over what may be names is one: "Boat". */
  private Optional<String> thing(List<SheetColumn> columns, String language) {
    return columns.stream()
        .limit(FRONT)
        .filter(c -> c.cells().nameLike() >= NAMES)
        .filter(c -> !names.isKnown(c.heading().name()))
        .flatMap(c -> thing(c, language).stream())
        .findFirst();
  }

  private Optional<String> thing(SheetColumn column, String language) {
    return language.equals("en")
        ? things.heading(column).filter(noun -> ThingOfSheet.goods(noun) >= MOSTLY)
        : kinds.called(column.heading().name());
  }

  /** Nouns that the products may be called by, the likeliest first. */
  List<String> like(SheetColumns sheet) {
    return things.like(sheet);
  }

  /** A reading with what its columns together say of kinds, and whether the names do. */
  Reading said(Reading reading, SheetColumns sheet) {
    int name = reading.column(Meaning.Role.NAME);
    String thing = things.find(sheet, reading.columns()).orElse(sheet.titled());
    return new Reading(
        reading.columns(),
        reading.numbers(),
        reading.language(),
        reading.boilerplate(),
        thing,
        name >= 0 && areNamesMadeUp(sheet.columns().get(name).cells().values()),
        reading.language().equals("en") ? sort(sheet, reading) : "",
        thing.isEmpty() ? KindColumn.NONE : columnOfOthers(sheet, reading, thing),
        reading.variants());
  }

  /**
   * The first column that calls some of the products what the sheet's are, or says what makes them
   * that, and says something else of others.
   */
  private static KindColumn columnOfOthers(SheetColumns sheet, Reading reading, String thing) {
    OtherThing other = new OtherThing(thing);
    return sheet.columns().stream()
        .filter(c -> mayNameThings(reading.columns().get(c.index()).meaning()))
        .filter(c -> other.tellsApart(c.cells().values()))
        .map(c -> new KindColumn(c.raw(), other.isNamedIn(c.cells().values())))
        .findFirst()
        .orElse(KindColumn.NONE);
  }

  /** Whether a column of this meaning may say what a product is. */
  static boolean mayNameThings(Meaning meaning) {
    return meaning.role() == Meaning.Role.EXTRA || meaning.equals(CATEGORY);
  }

  /** The sort of things that most nouns of the categories name, if any. */
  private String sort(SheetColumns sheet, Reading reading) {
    Map<String, Integer> counts = new HashMap<>();
    int nouns = 0;
    for (SheetColumn column : sheet.columns()) {
      if (!reading.columns().get(column.index()).meaning().concept().equals("category")) {
        continue;
      }
      for (String shelf : new HashSet<>(column.cells().values())) {
        String noun = kinds.find("", shelf, Set.of()).noun();
        Set<String> sorts = Lexicon.shipped().sorts(English.lastWord(noun));
        sorts.forEach(s -> counts.merge(s, 1, Integer::sum));
        nouns += noun.isEmpty() ? 0 : 1;
      }
    }
    int all = nouns;
    return counts.entrySet().stream()
        .filter(e -> all >= FEW_NAMES && e.getValue() >= MANY * all)
        .max(
            Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
        .map(Map.Entry::getKey)
        .orElse("");
  }

  /**
   * Whether the products' names don't say what they are: fewer than half of them end in a noun for
   * a thing. One of three boats that is called "Cabin" is no cabin.
   */
  private boolean areNamesMadeUp(List<String> called) {
    long telling =
        called.stream().filter(n -> !kinds.find(n, "", Set.of()).noun().isEmpty()).count();
    return called.size() >= FEW_NAMES && telling * 2 < called.size();
  }

  /**
   * The classes that things of this name belong to by the lexicon in most of its senses; none where
   * only some do.
   */
  private Set<String> classesOf(String thing) {
    String own = kinds.find("", thing, Set.of()).productClass();
    if (!own.isEmpty()) {
      return Set.of(own);
    }
    Set<String> of = new HashSet<>();
    boolean mayBe = false;
    for (ProductClass c : knowledge.classes()) {
      Set<String> groups = new HashSet<>(c.hypernyms());
      // Nearly everything is a "device" in some sense.
      if (Lexicon.shipped().senses(c.noun()) <= FEW_SENSES) {
        groups.add(c.noun());
      }
      double share = Lexicon.shipped().shareKindOf(thing, groups);
      if (share >= MOST) {
        of.add(c.id());
      } else if (share > 0) {
        mayBe = true;
      }
    }
    return of.isEmpty() && !mayBe ? Set.of(NO_CLASS) : of;
  }

  /** The classes that two headings or more are said of alone. */
  private Set<String> told(List<SheetColumn> columns, String language) {
    Map<String, List<Double>> said = new HashMap<>();
    columns.stream()
        .filter(c -> !knowledge.vague().contains(c.heading().name()))
        .flatMap(c -> names.exact(c.heading(), language).stream())
        .map(Meaning::concept)
        .distinct()
        .flatMap(c -> knowledge.concept(c).stream())
        .forEach(c -> c.classes().forEach(k -> say(said, k, c)));
    said.values().removeIf(each -> each.size() < 2);
    double most = said.values().stream().mapToDouble(KindsOfSheet::sum).max().orElse(0);
    Set<String> classes = new HashSet<>();
    said.forEach(
        (k, each) -> {
          if (sum(each) > Math.max(most / 2, SAYS_ENOUGH)) {
            classes.add(k);
          }
        });
    return classes;
  }

  /** The fewer can have a concept, the more it says. */
  private static void say(Map<String, List<Double>> said, String productClass, Concept concept) {
    said.computeIfAbsent(productClass, n -> new ArrayList<>()).add(1.0 / concept.classes().size());
  }

  private static double sum(List<Double> numbers) {
    return numbers.stream().mapToDouble(n -> n).sum();
  }

  /** Index of the first column whose heading says so, or -1; a "Group" may be one of anything. */
  private int column(List<SheetColumn> columns, Meaning meaning, String language) {
    for (SheetColumn column : columns) {
      boolean isVague =
          meaning.equals(CATEGORY)
              && knowledge.vague().contains(column.heading().name())
              && !column.cells().mostly(MANY, this::isClass);
      if (!isVague
          && names.exact(column.heading(), language).stream()
              .findFirst()
              .filter(meaning::equals)
              .isPresent()) {
        return column.index();
      }
    }
    return -1;
  }

  /** Index of the first column whose cells name kinds of products, or -1. */
  private int columnOfKinds(List<SheetColumn> columns) {
    return columns.stream()
        .filter(c -> areKinds(c.cells()))
        .mapToInt(SheetColumn::index)
        .findFirst()
        .orElse(-1);
  }

  /** Whether the cells repeat and most name a class of products. */
  private boolean areKinds(Cells cells) {
    Set<String> distinct = new HashSet<>(cells.values());
    return cells.values().size() >= FEW
        && distinct.size() * 2 <= cells.values().size()
        && distinct.stream().filter(this::isClass).count() >= MANY * distinct.size();
  }

  private boolean isClass(String cell) {
    return !kinds.find("", cell, Set.of()).productClass().isEmpty();
  }
}
