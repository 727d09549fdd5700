package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.reading.Meaning.Role;
import rhetor.core.sheet.SheetRow;

/** Proposes what each column of a sheet means, from its heading and its first cells. */
public final class ReadingProposer {
  private static final Pattern BARE =
      Pattern.compile("[<>~±]?\\s*\\d[\\d.,]*(?:\\s*[x×*-]\\s*\\d[\\d.,]*){0,2}");

  /** Columns that Rhetor adds to a sheet; a sheet written twice has them twice. */
  private static final Pattern OWN_TEXT = Pattern.compile("(?i)new_[a-z_]+(?: \\(\\d+\\))?");

  private static final Pattern OWN_FINDING =
      Pattern.compile("(?i)(?:readiness|must_fix)(?: \\(\\d+\\))?");

  /** As much as two concepts say together that four classes can have each. */
  private static final double SAYS_ENOUGH = 0.49;

  /** From this share of cells without a unit on, a person is asked for it. */
  private static final double UNITLESS = 0.1;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final CellProposer cells;
  private final Identity identity;
  private final KindFinder kinds;

  public ReadingProposer(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.names = new HeadingNames(knowledge);
    this.cells = new CellProposer(knowledge);
    this.identity = new Identity(knowledge, names);
    this.kinds = new KindFinder(knowledge);
  }

  /**
   * Proposes a reading.
   *
   * @param headings the sheet's headings
   * @param sample some of its first rows; a few hundred are plenty
   */
  public Reading propose(List<String> headings, List<SheetRow> sample) {
    List<ColumnReading> columns = new ArrayList<>();
    NumberStyle.Evidence numbers = new NumberStyle.Evidence();
    sample.forEach(row -> row.cells().forEach(numbers::add));
    List<Heading> parts = headings.stream().map(h -> Heading.of(h, knowledge)).toList();
    String language = names.language(parts);
    List<Optional<HeadingNames.Match>> matches =
        parts.stream().map(p -> names.find(p, language)).toList();
    Set<String> taken =
        matches.stream()
            .flatMap(Optional::stream)
            .flatMap(m -> m.meanings().stream())
            .map(Meaning::concept)
            .collect(Collectors.toCollection(HashSet::new));
    Set<String> classes = classes(matches, sample);
    for (int i = 0; i < headings.size(); i++) {
      int column = i;
      List<String> values =
          sample.stream()
              .map(r -> CellText.clean(r.cell(column)))
              .filter(v -> !CellText.saysNothing(v))
              .toList();
      Optional<ColumnReading> named =
          matches
              .get(i)
              .flatMap(m -> named(m, headings.get(column), parts.get(column), values, classes));
      ColumnReading proposed =
          named.orElseGet(
              () -> cells.propose(parts.get(column), headings.get(column), values, taken));
      taken.add(proposed.meaning().concept());
      columns.add(askForUnit(proposed, values));
    }
    readAsGrowing(columns);
    identity.find(columns, sample);
    doubtShortCodes(columns, sample);
    keepFirstKeyword(columns);
    keepOwn(columns);
    return new Reading(
        columns, numbers.decide(), language, boilerplate(columns, numbers.decide(), sample));
  }

  /** One column has the primary keyword; the surest, then the first. */
  private static void keepFirstKeyword(List<ColumnReading> columns) {
    ColumnReading first =
        columns.stream()
            .filter(c -> c.meaning().role() == Role.KEYWORD)
            .max(Comparator.comparingDouble(ColumnReading::confidence))
            .orElse(null);
    columns.replaceAll(
        c ->
            c.meaning().role() == Role.KEYWORD && c != first
                ? new ColumnReading(
                    c.heading(), Meaning.KEEP, "", 0.5, "Another column is the keyword.")
                : c);
  }

  /**
   * A sheet that Rhetor wrote itself comes back with the columns that it added: its own words are
   * no supplier's.
   */
  private static void keepOwn(List<ColumnReading> columns) {
    if (columns.stream().filter(c -> OWN_TEXT.matcher(c.heading()).matches()).count() < 3) {
      return;
    }
    columns.replaceAll(
        c ->
            OWN_TEXT.matcher(c.heading()).matches() || OWN_FINDING.matcher(c.heading()).matches()
                ? new ColumnReading(
                    c.heading(), Meaning.KEEP, "", 1, "Rhetor added this column itself.")
                : c);
  }

  /** The sentences of the prose columns that stand in most rows and tell no fact. */
  public List<String> boilerplate(
      List<ColumnReading> columns, NumberStyle numbers, List<SheetRow> sample) {
    ProseMiner miner = new ProseMiner(knowledge, numbers);
    List<String> found = new ArrayList<>();
    for (int i = 0; i < columns.size(); i++) {
      int column = i;
      if (columns.get(i).meaning().role() == Role.PROSE) {
        found.addAll(
            Boilerplate.in(
                sample.stream()
                    .map(r -> CellText.lines(r.cell(column)))
                    .filter(t -> !t.isBlank())
                    .toList(),
                s -> !miner.mine(s).isEmpty()));
      }
    }
    return found;
  }

  /** What the cells of each column look like. */
  public List<ColumnProfile> profiles(Reading reading, List<SheetRow> sample) {
    List<ColumnProfile> profiles = new ArrayList<>();
    for (int i = 0; i < reading.columns().size(); i++) {
      int column = i;
      profiles.add(
          ColumnProfile.of(
              sample.stream()
                  .map(r -> CellText.clean(r.cell(column)))
                  .filter(v -> !CellText.saysNothing(v))
                  .toList(),
              reading.columns().get(i).unit(),
              reading.numbers(),
              knowledge));
    }
    return profiles;
  }

  /**
   * A column of a reading as a person says that it is; it asks for a unit if its cells need one.
   *
   * @param sample some of the sheet's first rows, as for {@link #propose}
   */
  public ColumnReading said(Reading reading, int column, Meaning meaning, List<SheetRow> sample) {
    return askForUnit(
        reading.columns().get(column).as(meaning),
        sample.stream()
            .map(r -> CellText.clean(r.cell(column)))
            .filter(v -> !CellText.saysNothing(v))
            .toList());
  }

  /** Beside sowing and harvest, a plain "height" is the plant's. */
  private void readAsGrowing(List<ColumnReading> columns) {
    long growing =
        columns.stream()
            .filter(
                c ->
                    knowledge
                        .concept(c.meaning().concept())
                        .map(k -> k.theme().equals("growing"))
                        .orElse(false))
            .count();
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (growing >= 2 && c.meaning().concept().equals("height")) {
        columns.set(
            i,
            new ColumnReading(
                c.heading(),
                Meaning.parse("plant_height"),
                c.unit(),
                0.8,
                "Other columns are about growing, so this is the plant's height."));
      }
    }
  }

  /**
   * Classes of the products: by their categories, or by their names and by what two columns or more
   * are said of alone. A course that is called "Learn to Lead" is no lead.
   */
  private Set<String> classes(List<Optional<HeadingNames.Match>> matches, List<SheetRow> sample) {
    int name = column(matches, Meaning.NAME);
    int named = column(matches, Meaning.parse("category"));
    int category = named >= 0 ? named : cells.columnOfKinds(matches.size(), sample);
    Set<String> classes = new HashSet<>();
    for (SheetRow row : sample) {
      String called = name < 0 ? "" : CellText.clean(row.cell(name));
      String shelf = category < 0 ? "" : CellText.clean(row.cell(category));
      classes.add(kinds.find(called, shelf, Set.of()).productClass());
    }
    classes.remove("");
    if (!classes.isEmpty() && category >= 0) {
      return classes;
    }
    Map<String, List<Double>> said = new HashMap<>();
    matches.stream()
        .flatMap(Optional::stream)
        .filter(m -> m.how() == HeadingNames.How.EXACT)
        .map(m -> m.meanings().getFirst().concept())
        .distinct()
        .flatMap(c -> knowledge.concept(c).stream())
        .forEach(
            c ->
                // The fewer can have it, the more it says.
                c.classes()
                    .forEach(
                        k ->
                            said.computeIfAbsent(k, n -> new ArrayList<>())
                                .add(1.0 / c.classes().size())));
    said.values().removeIf(each -> each.size() < 2);
    double most = said.values().stream().mapToDouble(ReadingProposer::sum).max().orElse(0);
    said.entrySet().stream()
        .filter(e -> sum(e.getValue()) > Math.max(most / 2, SAYS_ENOUGH))
        .map(Map.Entry::getKey)
        .forEach(classes::add);
    return classes;
  }

  private static double sum(List<Double> numbers) {
    return numbers.stream().mapToDouble(n -> n).sum();
  }

  private static int column(List<Optional<HeadingNames.Match>> matches, Meaning meaning) {
    for (int i = 0; i < matches.size(); i++) {
      if (matches.get(i).filter(m -> m.meanings().getFirst().equals(meaning)).isPresent()) {
        return i;
      }
    }
    return -1;
  }

  private boolean takes(Meaning meaning, Set<String> classes) {
    return knowledge
        .concept(meaning.concept())
        .map(c -> c.classes().isEmpty() || classes.stream().anyMatch(k -> knowledge.takes(c, k)))
        .orElse(true);
  }

  /** What the heading says, if the cells bear it out; empty if it must be another column. */
  private Optional<ColumnReading> named(
      HeadingNames.Match match,
      String raw,
      Heading heading,
      List<String> values,
      Set<String> classes) {
    boolean guessed =
        match.how() == HeadingNames.How.ABBREVIATED || match.how() == HeadingNames.How.MISSPELT;
    if (guessed && cells.isPlain(raw, values)) {
      return Optional.empty();
    }
    List<Meaning> possible = match.meanings().stream().filter(m -> takes(m, classes)).toList();
    if (possible.isEmpty()) {
      return cells.ofOtherThings(raw, heading.unit(), values, match.meanings(), classes);
    }
    if (possible.getFirst().concept().equals("category") && !cells.mayNameThings(values)) {
      return Optional.empty();
    }
    List<Meaning> fitting = fitting(possible, heading.unit(), values);
    if (fitting.isEmpty()) {
      return Optional.of(
          new ColumnReading(
                  raw,
                  Meaning.EXTRA,
                  heading.unit(),
                  0.5,
                  "The heading says \""
                      + match.name()
                      + "\", but the cells measure something else.")
              .asking(List.of(Meaning.EXTRA, match.meanings().getFirst(), Meaning.KEEP)));
    }
    Meaning meaning = fitting.getFirst();
    if (meaning.role() == Role.KEEP
        && heading.name().equals("trade")
        && !CellProposer.share(values, v -> v.matches(".*\\d.*"), 0.8)) {
      return Optional.empty();
    }
    ColumnReading sure =
        new ColumnReading(
            raw,
            meaning,
            heading.unit(),
            match.how() == HeadingNames.How.EXACT ? 0.95 : 0.8,
            "The heading says \"" + match.name() + "\".");
    if (match.how() == HeadingNames.How.ABBREVIATED
        && cells.bearOut(meaning, heading.unit(), values)) {
      return Optional.of(
          new ColumnReading(
              raw,
              meaning,
              heading.unit(),
              0.85,
              "The heading is short for \"" + match.name() + "\", and the cells bear it out."));
    }
    return Optional.of(
        switch (match.how()) {
          case ABBREVIATED, MISSPELT -> {
            List<Meaning> choices = new ArrayList<>(fitting);
            choices.add(Meaning.EXTRA);
            // Until a person says so, it is what its heading says and nothing more.
            yield new ColumnReading(
                    raw,
                    Meaning.EXTRA,
                    heading.unit(),
                    0.6,
                    match.how() == HeadingNames.How.MISSPELT
                        ? "The heading is nearly \"" + match.name() + "\"."
                        : "The heading may be short for \"" + match.name() + "\".")
                .asking(choices);
          }
          case EXACT, WITHOUT_FILLING ->
              measureDifferently(fitting) && isUnitless(heading.unit(), values)
                  ? new ColumnReading(
                          raw,
                          Meaning.EXTRA,
                          heading.unit(),
                          0.6,
                          "The heading can mean several things, and the cells have no unit.")
                      .asking(fitting)
                  : sure;
        });
  }

  /** The meanings whose dimension is what the cells measure; of two, those that have one. */
  private List<Meaning> fitting(List<Meaning> meanings, String headingUnit, List<String> values) {
    List<String> measured = cells.dimensions(headingUnit, values);
    if (measured.isEmpty()) {
      return meanings;
    }
    List<Meaning> open = meanings.stream().filter(m -> dimension(m).isEmpty()).toList();
    List<Meaning> exact =
        meanings.stream()
            .filter(m -> !dimension(m).isEmpty())
            .filter(
                m -> 2 * measured.stream().filter(dimension(m)::equals).count() >= measured.size())
            .toList();
    return exact.isEmpty() ? open : exact;
  }

  private String dimension(Meaning meaning) {
    return knowledge.concept(meaning.concept()).map(Concept::dimension).orElse("");
  }

  /** Whether a heading's meanings are told apart by the unit. */
  private boolean measureDifferently(List<Meaning> meanings) {
    return meanings.stream().map(this::dimension).distinct().count() > 1;
  }

  private boolean isUnitless(String headingUnit, List<String> values) {
    return headingUnit.isEmpty()
        && CellProposer.share(values, v -> BARE.matcher(v).matches(), UNITLESS);
  }

  /** Bare numbers where an amount is meant: nobody may guess whether they are grams. */
  private ColumnReading askForUnit(ColumnReading column, List<String> values) {
    Concept concept = knowledge.concept(column.meaning().concept()).orElse(null);
    if (concept == null
        || !concept.unit().isEmpty()
        || concept.kind() != Concept.Kind.QUANTITY && concept.kind() != Concept.Kind.SIDES
        || !isUnitless(column.unit(), values)) {
      return column;
    }
    String dimension = concept.kind() == Concept.Kind.SIDES ? "length" : concept.dimension();
    return dimension.isEmpty()
        ? column
        : column.askingUnit(
            "The cells have no unit.",
            knowledge.units().stream()
                .filter(u -> u.dimension().equals(dimension))
                .map(Unit::id)
                .toList());
  }

  /** Codes of digits of which a few are shorter: a spreadsheet has taken their leading zeros. */
  private static void doubtShortCodes(List<ColumnReading> columns, List<SheetRow> sample) {
    for (int i = 0; i < columns.size(); i++) {
      ColumnReading c = columns.get(i);
      if (c.meaning().role() != Role.SKU) {
        continue;
      }
      int column = i;
      Map<Integer, Long> lengths =
          sample.stream()
              .map(r -> r.cell(column).strip())
              .filter(v -> !v.isEmpty())
              .collect(
                  Collectors.groupingBy(
                      v -> v.matches("\\d+") ? v.length() : -1, Collectors.counting()));
      int usual =
          lengths.entrySet().stream()
              .max(Map.Entry.comparingByValue())
              .map(Map.Entry::getKey)
              .orElse(-1);
      long shorter =
          lengths.entrySet().stream()
              .filter(e -> e.getKey() > 0 && e.getKey() < usual)
              .mapToLong(Map.Entry::getValue)
              .sum();
      if (!lengths.containsKey(-1) && usual >= 4 && shorter > 0) {
        columns.set(
            i,
            new ColumnReading(
                c.heading(),
                c.meaning(),
                c.unit(),
                0.6,
                c.reason()
                    + " %d of the first codes have fewer digits than the usual %d: a spreadsheet may have taken their leading zeros."
                        .formatted(shorter, usual)));
      }
    }
  }
}
