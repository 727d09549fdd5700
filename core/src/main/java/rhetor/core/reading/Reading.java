package rhetor.core.reading;

import java.util.List;
import java.util.Optional;
import rhetor.core.language.English;

/**
 * How a supplier's sheet is read: what each column means and how numbers are written.
 *
 * @param columns one for each heading, in the sheet's order
 * @param numbers the decimal character
 * @param language language of the headings, as an ISO 639-1 code
 * @param boilerplate sentences that stand in most of the prose and say nothing of the product
 * @param thing what all products are, where the heading over their names says so: "boat"; or empty
 * @param areNamesMadeUp whether the names don't say what the products are: "Kestrel", "Cabin"
 * @param sort what sort of things they are, as {@link rhetor.core.language.Lexicon#sorts} names it:
 *     among tables and benches an egg is none; empty if they are of several
 * @param kinds the column that says which of the products are not the thing but another
 * @param variants headings of the columns that tell rows of one SKU apart, if several have it
 */
public record Reading(
    List<ColumnReading> columns,
    NumberStyle numbers,
    String language,
    List<String> boilerplate,
    String thing,
    Boolean areNamesMadeUp,
    String sort,
    KindColumn kinds,
    List<String> variants) {
  /**
   * The column that says which of the products are not what the others are.
   *
   * @param heading its heading; empty if no column says so
   * @param isNaming whether its cells name things, "tinted balm" among lipsticks, or else say what
   *     makes the others one of a kind: one of the smoke alarms detects heat
   */
  public record KindColumn(String heading, boolean isNaming) {
    static final KindColumn NONE = new KindColumn("", false);
  }

  public Reading {
    variants = variants == null ? List.of() : List.copyOf(variants);
    sort = sort == null ? "" : sort;
    kinds = kinds == null ? KindColumn.NONE : kinds;
    // Readings that were stored before this was known don't have it.
    areNamesMadeUp = areNamesMadeUp != null && areNamesMadeUp;
    thing = thing == null ? "" : thing;
    boilerplate = boilerplate == null ? List.of() : List.copyOf(boilerplate);
    columns = List.copyOf(columns);
  }

  /** A reading of a sheet of which nothing is known but its columns. */
  public Reading(
      List<ColumnReading> columns, NumberStyle numbers, String language, List<String> boilerplate) {
    this(columns, numbers, language, boilerplate, "", false, "", KindColumn.NONE, List.of());
  }

  /**
   * The same sheet with its columns read otherwise. Where another column is the SKU now, nothing is
   * known any more of rows that have the same.
   */
  public Reading with(
      List<ColumnReading> others, NumberStyle otherNumbers, List<String> otherBoilerplate) {
    Reading with =
        new Reading(
            others,
            otherNumbers,
            language,
            otherBoilerplate,
            thing,
            areNamesMadeUp,
            sort,
            kinds,
            List.of());
    return with.column(Meaning.Role.SKU) == column(Meaning.Role.SKU)
        ? with.withVariants(variants)
        : with;
  }

  /**
   * The same sheet, each product of which is such a thing, whatever its name ends in.
   *
   * @param noun as it is said of one: "ladder"; empty if they differ
   */
  public Reading withThing(String noun) {
    boolean isSaid = areNamesMadeUp || !noun.isEmpty();
    String thing = English.asSold(noun);
    return new Reading(
        columns, numbers, language, boilerplate, thing, isSaid, sort, kinds, variants);
  }

  /** What each product is called, if that is one noun for all; else empty. */
  public String commonThing() {
    return areNamesMadeUp ? thing : "";
  }

  /** Whether nothing says what the products are: neither their names nor a column. */
  public boolean asksThing() {
    return thing.isEmpty()
        && areNamesMadeUp
        && columns.stream().noneMatch(c -> c.meaning().concept().equals("category"));
  }

  /** The same sheet, rows of one SKU of which differ in these columns. */
  Reading withVariants(List<String> headings) {
    return new Reading(
        columns, numbers, language, boilerplate, thing, areNamesMadeUp, sort, kinds, headings);
  }

  /** Index of the first column with this role, or -1. */
  public int column(Meaning.Role role) {
    for (int i = 0; i < columns.size(); i++) {
      if (columns.get(i).meaning().role() == role) {
        return i;
      }
    }
    return -1;
  }

  /** What keeps the reading from being used, in words; empty if nothing does. */
  public Optional<String> obstacle() {
    if (column(Meaning.Role.SKU) < 0 && column(Meaning.Role.NAME) < 0) {
      return Optional.of(
          "No column is the SKU and none is the name, so products can't be told apart. Say which column"
              + " is which.");
    }
    for (Meaning.Role role : List.of(Meaning.Role.SKU, Meaning.Role.NAME, Meaning.Role.KEYWORD)) {
      List<String> both =
          columns.stream()
              .filter(c -> c.meaning().role() == role)
              .map(ColumnReading::heading)
              .toList();
      if (both.size() > 1) {
        return Optional.of(
            "Columns \""
                + String.join("\" and \"", both)
                + "\" are both read as the "
                + role.name().toLowerCase(java.util.Locale.ROOT).replace("sku", "SKU")
                + ". Keep one and make the other an extra fact.");
      }
    }
    return Optional.empty();
  }
}
