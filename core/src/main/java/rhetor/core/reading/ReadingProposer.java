package rhetor.core.reading;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
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
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Nearness;
import rhetor.core.reading.ColumnMatcher.Likely;
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

  /** Most of a word and a full stop: "Veg." may be many. */
  private static final Pattern CUT_SHORT = Pattern.compile("\\p{L}{4,}\\.");

  /** One word and a note in brackets. */
  private static final Pattern NOTE_ONLY = Pattern.compile("\\S+ \\([^()]+\\)");

  /** From this share of cells without a unit on, a person is asked for it. */
  private static final double UNITLESS = 0.1;

  /** Things of one sheet differ by this much in what they weigh: grams and kilograms by more. */
  private static final BigDecimal TIMES = BigDecimal.TEN;

  /** From here on a concept is read, and nobody asked: of so many 99 in 100 are right. */
  private static final double SURE = 0.83;

  /** The same where the heading is the concept's name outright, and means nothing else. */
  private static final double SURE_IF_NAMED = 0.75;

  /** The same where the heading has no name of it, and only comes near in meaning. */
  private static final double SURE_IF_NEAR = 0.9;

  /** The same where the heading is a word of many meanings: "Shell", "Feet", "Type". */
  private static final double SURE_IF_VAGUE = 0.8;

  /** The same where nobody knows what the things are. */
  private static final double SURE_IF_VAGUE_OF_UNKNOWN = 0.93;

  /** From here on a meaning is worth asking about. */
  private static final double POSSIBLE = 0.15;

  /** What a cut-off heading comes so near to in meaning, it is short for. */
  private static final double MEANT = 0.6;

  private static final String CATEGORY = "category";
  private static final String MATERIAL = "material";

  /** A meaning that the heading only comes near has to be likelier. */
  private static final double NEAR = 0.3;

  /** As likely as this, it is if the heading has its name. */
  private static final double NAMED = 0.03;

  /** So many cells that name kinds of things may be the category. */
  private static final double KINDS = 0.6;

  /** A column that is so likely for the house alone is kept back. */
  private static final double PERHAPS_PRIVATE = 0.085;

  /** One that is so likely for the house alone is kept back without asking. */
  private static final double PRIVATE = 0.9;

  private static final int MOST_CHOICES = 3;

  private static final int WARM_UP_ROWS = 60;

  /** So often is the same enough to make it quick. */
  private static final int WARM_UPS = 5;

  /** How sure a column is of which people said before what it is. */
  private static final double ANSWERED = 0.97;

  private static final double HALF = 0.5;

  private static final double WRITTEN = 0.9;

  /** What is so likely a text is one, whatever its heading looks like; it is never printed. */
  private static final double CERTAIN = 0.95;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final KindsOfSheet kinds;
  private final EvidenceFinder evidence;
  private final ColumnMatcher matcher;
  private final ReadingReasons reasons;
  private final SilentHeadings silent;
  private final PartColumns parts;
  private final StuffColumns stuffs;

  /**
   * From here on long cells are a text, where no word in the heading says so: lists are long, too.
   */
  private static final double SURE_TEXT = 0.9;

  /** Cells of so many characters on average are texts, whatever their heading. */
  private static final double LONG = 60;

  /**
   * How often what is done in doubt is right, by how likely it was: often more than one answer is,
   * and what is cautious more often than what is likely. Least squares on the labelled sheets, each
   * read by what was learned from the others: 199 columns and 107.
   */
  private record Doubt(double base, double slope) {
    double of(double probability) {
      return Math.min(1, base + slope * probability);
    }
  }

  private static final Doubt KEPT_AS_IT_IS_IN_DOUBT = new Doubt(0.40, 0.56);
  private static final Doubt KEPT_BACK_IN_DOUBT = new Doubt(0.15, 0.87);

  private final PrivateLooks privacy;

  /** A proposer that weighs words, cells and meanings as it has learned to. */
  public ReadingProposer(Knowledge knowledge) {
    this(knowledge, EvidenceWeights.shipped(), Nearness.SHIPPED, HeadingMemory.shipped());
  }

  ReadingProposer(
      Knowledge knowledge, EvidenceWeights weights, Nearness nearness, HeadingMemory memory) {
    // Both are read from files, and wanted only when the first sheet comes.
    Thread.ofPlatform().daemon().start(nearness::load);
    Thread.ofPlatform().daemon().start(Lexicon::shipped);
    this.knowledge = knowledge;
    this.names = new HeadingNames(knowledge);
    this.kinds = new KindsOfSheet(knowledge, names, nearness);
    this.evidence = new EvidenceFinder(knowledge, names, nearness, memory);
    this.matcher = new ColumnMatcher(knowledge, weights);
    this.reasons = new ReadingReasons(knowledge, matcher);
    this.silent = new SilentHeadings(knowledge);
    this.parts = new PartColumns(knowledge, names);
    this.stuffs = new StuffColumns(knowledge);
    this.privacy = new PrivateLooks(knowledge, names);
  }

  /**
   * Reads a sheet of all concepts a few times, so that the first that somebody brings needn't wait
   * for what is loaded and compiled at first use. Takes seconds: for a thread that nobody waits
   * for.
   */
  public void warmUp() {
    List<Concept> concepts = knowledge.concepts().stream().toList();
    List<String> headings = new ArrayList<>(List.of("Code", "Name"));
    concepts.forEach(c -> headings.add(c.label()));
    List<SheetRow> rows = new ArrayList<>();
    for (int r = 1; r <= WARM_UP_ROWS; r++) {
      List<String> cells = new ArrayList<>(List.of("C-" + r, "Thing " + r));
      for (Concept concept : concepts) {
        cells.add(
            switch (concept.kind()) {
              case QUANTITY, SIDES -> r + " " + concept.unit();
              case COUNT -> String.valueOf(r);
              case FLAG -> r % 2 == 0 ? "yes" : "no";
              default -> concept.label() + " " + r % 5;
            });
      }
      rows.add(new SheetRow(r + 1, cells, new BitSet()));
    }
    for (int i = 0; i < WARM_UPS; i++) {
      propose(headings, rows);
    }
  }

  /**
   * Proposes a reading.
   *
   * @param headings the sheet's headings
   * @param sample some of its first rows; a few hundred are plenty
   */
  public Reading propose(List<String> headings, List<SheetRow> sample) {
    return propose(headings, sample, HeadingAnswers.NONE, "");
  }

  /**
   * Proposes a reading.
   *
   * @param headings the sheet's headings
   * @param sample some of its first rows; a few hundred are plenty
   * @param answers what the house's people said of columns of other sheets
   * @param title what the file and its worksheet are called, or empty: it may say what the products
   *     are
   */
  public Reading propose(
      List<String> headings, List<SheetRow> sample, HeadingAnswers answers, String title) {
    SheetColumns sheet = kinds.columns(headings, sample, title);
    List<List<Likely>> likely = matcher.match(evidence.find(sheet));
    List<ColumnReading> columns = new ArrayList<>();
    for (SheetColumn column : sheet.columns()) {
      String heading = headings.get(column.index());
      List<Likely> all = likely.get(column.index());
      ColumnReading read =
          answered(column, sheet, all, answers.of(heading))
              .orElseGet(
                  () ->
                      orPart(
                          read(
                              column,
                              sheet,
                              all,
                              takenByOthers(likely, column.index()),
                              PrivateLooks.isBehindPrivate(likely, column.index()),
                              PrivateLooks.isAmongPrivate(likely, column)),
                          column,
                          sheet))
              .under(heading);
      columns.add(inItsUnit(read, column.cells(), sheet.numbers()));
    }
    readAsGrowing(columns);
    stuffs.readAsCover(columns, sheet);
    doubtShortCodes(columns, sample);
    keepOwn(columns);
    Reading read =
        new Reading(
            columns,
            sheet.numbers(),
            sheet.language(),
            boilerplate(columns, sheet.numbers(), sample));
    return told(kinds.said(read, sheet), sample);
  }

  /**
   * Rows of one code that differ in colour or size count one by one, which the code's column says.
   */
  private static Reading told(Reading reading, List<SheetRow> sample) {
    int sku = reading.column(Role.SKU);
    int name = reading.column(Role.NAME);
    int key = sku >= 0 ? sku : name;
    List<String> variants = VariantColumns.of(reading.columns(), key, name, sample);
    if (variants.isEmpty()) {
      return reading;
    }
    List<ColumnReading> columns = new ArrayList<>(reading.columns());
    columns.set(
        key,
        columns
            .get(key)
            .saying(
                "Several rows have the same one and differ in \"%s\": each is a product of its own."
                    .formatted(String.join("\" and \"", variants))));
    return reading.with(columns, reading.numbers(), reading.boilerplate()).withVariants(variants);
  }

  /** What the other columns of a sheet are likeliest to be. */
  private static Set<String> takenByOthers(List<List<Likely>> likely, int column) {
    Set<String> taken = new HashSet<>();
    for (int i = 0; i < likely.size(); i++) {
      if (i != column) {
        taken.add(likely.get(i).getFirst().meaning().code());
      }
    }
    return taken;
  }

  /**
   * What a column is by what people said of such columns before: where they agree it is read so,
   * where they don't or the cells contradict them they are asked again.
   */
  private Optional<ColumnReading> answered(
      SheetColumn column,
      SheetColumns sheet,
      List<Likely> likely,
      List<HeadingAnswers.Answer> answers) {
    List<HeadingAnswers.Answer> known =
        answers.stream()
            .filter(
                a ->
                    a.meaning().role() != Role.CONCEPT
                        || knowledge.concept(a.meaning().concept()).isPresent())
            .toList();
    if (known.isEmpty()) {
      return Optional.empty();
    }
    HeadingAnswers.Answer first = known.getFirst();
    boolean isPossible = !evidence.contradicts(first.meaning(), column, sheet);
    String unit = column.unit(knowledge);
    String reason =
        "It was said to be %s on a sheet of %s."
            .formatted(reasons.label(first.meaning()), first.supplier());
    if (known.size() == 1 && isPossible) {
      return Optional.of(new ColumnReading(column.raw(), first.meaning(), unit, ANSWERED, reason));
    }
    Meaning meanwhile = PrivateLooks.looksPrivate(likely, sheet) ? Meaning.KEEP : Meaning.EXTRA;
    List<Meaning> choices = new ArrayList<>();
    known.forEach(a -> choices.add(a.meaning()));
    for (Meaning always : List.of(Meaning.EXTRA, Meaning.KEEP)) {
      if (!choices.contains(always)) {
        choices.add(always);
      }
    }
    return Optional.of(
        new ColumnReading(
                column.raw(),
                meanwhile,
                unit,
                HALF,
                isPossible
                    ? reason
                        + " On another it was said to be %s."
                            .formatted(reasons.label(known.get(1).meaning()))
                    : reason + " The cells are not like that here.")
            .asking(choices));
  }

  /** What a column is by the likeliest of its meanings; in doubt it is kept as it is, or back. */
  private ColumnReading read(
      SheetColumn column,
      SheetColumns sheet,
      List<Likely> likely,
      Set<String> taken,
      boolean isBehindPrivate,
      boolean isAmongPrivate) {
    Likely first = likely.getFirst();
    Role role = first.meaning().role();
    boolean isNamed = likely.stream().anyMatch(l -> !l.candidate().name().isEmpty());
    if (silent.isSilent(column)
        && !isNamed
        && (role == Role.CONCEPT || role == Role.EXTRA || role == Role.KEEP || role == Role.NAME)) {
      return silent.propose(column, taken);
    }
    String unit = column.unit(knowledge);
    if (role == Role.CONCEPT
        && first.probability() >= sure(first, sheet)
        && !measuresElse(first)
        && !isGuessed(first, column)
        && !StuffColumns.isWorkedOn(first.meaning(), column, sheet)
        && !(isBehindPrivate && isPacked(first))
        && !isAmbiguous(column, likely)) {
      return new ColumnReading(
          column.raw(), first.meaning(), unit, first.probability(), reasons.reason(first));
    }
    boolean isSure = first.probability() >= CERTAIN && sheet.columns().size() >= PrivateLooks.WIDE;
    // "Copy" is of a text and of a thing: the cells tell which.
    boolean isCalledText =
        PrivateLooks.isCalledText(first)
            && (!knowledge.vague().contains(column.heading().name()) || isLikeText(column.cells()));
    boolean isRemark =
        role == Role.PROSE
            && !isCalledText
            && !privacy.isWritten(column)
            && (privacy.areRemarks(likely, column)
                || !isSure && PrivateLooks.looksPrivate(likely, sheet));
    if (role != Role.CONCEPT && role != Role.EXTRA && role != Role.KEEP) {
      boolean isCode = role == Role.SKU || role == Role.NAME;
      double sure = role == Role.PROSE && !isCalledText ? SURE_TEXT : HALF;
      if (isCode || first.probability() >= sure && !isRemark) {
        return new ColumnReading(
            column.raw(), first.meaning(), "", first.probability(), reasons.reason(first));
      }
    }
    double keep = probability(likely, Role.KEEP);
    double extra = probability(likely, Role.EXTRA);
    List<Likely> others =
        likely.stream()
            .filter(l -> l.meaning().role() != Role.KEEP && l.meaning().role() != Role.EXTRA)
            .filter(l -> isWorthAsking(l, taken))
            .limit(MOST_CHOICES)
            .toList();
    boolean isPrivate =
        isRemark
            || keep >= PERHAPS_PRIVATE
            || PrivateLooks.looksPrivate(likely, sheet)
            || isBehindPrivate && (isPacked(first) || privacy.speaksOfTrade(column))
            || isAmongPrivate && !isNamed
            || privacy.isSecondCode(column, sheet, taken);
    List<Meaning> choices = new ArrayList<>();
    if (isPrivate) {
      choices.add(Meaning.KEEP);
      others.forEach(l -> choices.add(l.meaning()));
      choices.add(Meaning.EXTRA);
      boolean isSurelyPrivate = keep >= PRIVATE;
      ColumnReading kept =
          new ColumnReading(
              column.raw(),
              Meaning.KEEP,
              unit,
              isSurelyPrivate ? keep : KEPT_BACK_IN_DOUBT.of(keep),
              reasons.keptBack(likely, others));
      return isSurelyPrivate ? kept : kept.asking(choices);
    }
    others.forEach(l -> choices.add(l.meaning()));
    choices.add(Meaning.EXTRA);
    ColumnReading own =
        new ColumnReading(
            column.raw(),
            Meaning.EXTRA,
            unit,
            others.isEmpty() ? extra : KEPT_AS_IT_IS_IN_DOUBT.of(extra),
            others.isEmpty()
                ? "No known name; kept as a fact of its own."
                : reasons.whyAsked(others.getFirst(), measuresElse(others.getFirst())));
    return others.isEmpty() ? own : own.asking(choices);
  }

  /** What is nothing else that is known may be about a part, or about several of one. */
  private ColumnReading orPart(ColumnReading read, SheetColumn column, SheetColumns sheet) {
    boolean isOfParts =
        English.isPlural(column.heading().name())
            && knowledge
                .concept(read.meaning().concept())
                .filter(c -> !English.isPlural(c.label()))
                .flatMap(knowledge::partOf)
                .isPresent();
    return (read.meaning().role() == Role.EXTRA || isOfParts) && sheet.language().equals("en")
        ? parts.read(column, sheet).orElse(read)
        : read;
  }

  private static boolean isLikeText(Cells cells) {
    return cells.sentences() >= HALF || cells.averageLength() >= LONG;
  }

  /** Whether it may be what a buyer gets, or the trade's carton: a "Pack" behind prices. */
  private boolean isPacked(Likely likely) {
    return isVague(likely)
        && knowledge
            .concept(likely.meaning().concept())
            .filter(c -> c.theme().equals("pack"))
            .isPresent();
  }

  private static double sure(Likely likely, SheetColumns sheet) {
    if (isVague(likely)) {
      return sheet.isOfKnownClass() ? SURE_IF_VAGUE : SURE_IF_VAGUE_OF_UNKNOWN;
    }
    Map<Evidence, Double> evidence = likely.candidate().evidence();
    boolean isNamed =
        evidence.containsKey(Evidence.SAYS) || evidence.containsKey(Evidence.SAYS_WITHOUT_FILLING);
    return likely.candidate().name().isEmpty() ? SURE_IF_NEAR : isNamed ? SURE_IF_NAMED : SURE;
  }

  /** Whether a person may say that a column is this. */
  private boolean isWorthAsking(Likely likely, Set<String> taken) {
    boolean isNamed = !likely.candidate().name().isEmpty() && likely.probability() >= NAMED;
    boolean isKinds = likely.candidate().evidence().getOrDefault(Evidence.KINDS, 0.0) >= KINDS;
    boolean isContradicted =
        likely.candidate().evidence().containsKey(Evidence.SAYS) && measuresElse(likely);
    boolean isOther =
        (likely.meaning().role() == Role.SKU || likely.meaning().role() == Role.NAME)
            && taken.contains(likely.meaning().code());
    boolean isNear =
        likely.candidate().name().isEmpty()
            ? likely.probability() >= NEAR && speaksForItself(likely.candidate().evidence())
            : likely.probability() >= POSSIBLE;
    boolean isAnswered =
        likely.candidate().evidence().getOrDefault(Evidence.ANSWERS_OTHERWISE, 0.0) > HALF;
    return (isNear || isNamed || isKinds || isContradicted) && !isOther && !isAnswered;
  }

  /** Whether anything speaks for a meaning but that cells of its kind are common. */
  private static boolean speaksForItself(Map<Evidence, Double> evidence) {
    return evidence.getOrDefault(Evidence.NEAR, 0.0) >= NEAR
        || evidence.getOrDefault(Evidence.KNOWN_WORDS, 0.0) >= 0.5
        || evidence.containsKey(Evidence.UNIT_ALONE)
        || evidence.containsKey(Evidence.UNIT_TELLS)
        || !evidence.containsKey(Evidence.ANY_CONCEPT);
  }

  private static boolean isVague(Likely likely) {
    return likely.candidate().evidence().containsKey(Evidence.VAGUE);
  }

  /**
   * Whether a heading is only like a name: what begins alike or is spelt nearly alike may be
   * another word, known or not, what comes after a name may make it another property ("Length
   * closed", "Height adj.") unless it stands in brackets ("weight (size 42)"), and a word of many
   * meanings says what only some things have where nobody knows the things ("Pets" of a holiday
   * cottage, "Neck" of a shirt), unless units tell. A word cut off by a full stop is the one that
   * its cells are answers to or amounts of, or that they come near in meaning. A length after
   * another word may be a part's, or how something is used ("Lug width", "Diving depth"). A "Group"
   * is a category only if the cells name kinds of things.
   */
  private boolean isGuessed(Likely likely, SheetColumn column) {
    Map<Evidence, Double> evidence = likely.candidate().evidence();
    boolean isMeant =
        ConceptEvidence.bearsOut(evidence) >= WRITTEN
            || evidence.getOrDefault(Evidence.NEAR, 0.0) >= MEANT;
    boolean isCutOff =
        evidence.containsKey(Evidence.CUT_OFF)
            && !(CUT_SHORT.matcher(column.raw()).matches() && isMeant);
    boolean isQualified =
        evidence.containsKey(Evidence.BEGINS_WITH) && !NOTE_ONLY.matcher(column.raw()).matches();
    boolean isNoCategory =
        isVague(likely)
            && likely.meaning().concept().equals(CATEGORY)
            && evidence.getOrDefault(Evidence.KINDS, 0.0) < KINDS;
    // "Blade length" and "beater material" are of a part, and not of the whole.
    boolean isOfPart =
        evidence.containsKey(Evidence.ENDS_WITH)
            && (dimension(likely.meaning()).equals("length")
                || likely.meaning().concept().equals(MATERIAL));
    return isCutOff
        || isOfPart
        || isQualified
        || isNoCategory
        || evidence.containsKey(Evidence.NEARLY)
        || isVague(likely)
            && evidence.containsKey(Evidence.OF_UNKNOWN_THINGS)
            && evidence.getOrDefault(Evidence.MEASURED, 0.0) < HALF;
  }

  /**
   * Whether most cells measure something else, or are amounts where words are meant: then the
   * column is out, whatever its heading says.
   */
  private boolean measuresElse(Likely likely) {
    boolean isOfTerms =
        knowledge
            .concept(likely.meaning().concept())
            .filter(c -> c.kind() == Concept.Kind.TERMS)
            .isPresent();
    Map<Evidence, Double> evidence = likely.candidate().evidence();
    return evidence.getOrDefault(Evidence.MEASURED_OTHERWISE, 0.0) > HALF
        || isOfTerms && evidence.getOrDefault(Evidence.NUMBERS_AS_WORDS, 0.0) > HALF;
  }

  private static double probability(List<Likely> likely, Role role) {
    return likely.stream()
        .filter(l -> l.meaning().role() == role)
        .mapToDouble(Likely::probability)
        .sum();
  }

  /**
   * Whether the heading means several things outright that are told apart by their unit, and
   * neither it nor a cell has one.
   */
  private boolean isAmbiguous(SheetColumn column, List<Likely> likely) {
    boolean isMeasured =
        likely.getFirst().candidate().evidence().getOrDefault(Evidence.MEASURED, 0.0) >= WRITTEN;
    return !isMeasured
        && isUnitless(column.heading().unit(), column.cells())
        && likely.stream()
                .filter(l -> l.candidate().evidence().containsKey(Evidence.SAYS))
                .map(l -> dimension(l.meaning()))
                .distinct()
                .count()
            > 1;
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

  /** Nouns that the products of a sheet may be called by, the likeliest first; may be empty. */
  public List<String> thingsLike(List<String> headings, List<SheetRow> sample) {
    return kinds.like(kinds.columns(headings, sample, ""));
  }

  /** What the cells of each column look like. */
  public List<ColumnProfile> profiles(Reading reading, List<SheetRow> sample) {
    List<ColumnProfile> profiles = new ArrayList<>();
    for (ColumnReading column : reading.columns()) {
      profiles.add(
          ColumnProfile.of(
              Cells.of(sample, profiles.size(), reading.columns().size()).values(),
              column.unit(),
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
    return inItsUnit(
        reading.columns().get(column).as(meaning, knowledge),
        Cells.of(sample, column, reading.columns().size()),
        reading.numbers());
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

  private String dimension(Meaning meaning) {
    return knowledge.concept(meaning.concept()).map(Concept::dimension).orElse("");
  }

  private static boolean isUnitless(String headingUnit, Cells cells) {
    return headingUnit.isEmpty() && cells.mostly(UNITLESS, v -> BARE.matcher(v).matches());
  }

  /**
   * The same column in the unit of its bare numbers. "10 y", "10", "3 y": where the heading has
   * none, they are in the one that the other cells give; where those give several, or none and such
   * things have no usual one, a person has to say: nobody may guess whether they are grams.
   */
  private ColumnReading inItsUnit(ColumnReading column, Cells cells, NumberStyle numbers) {
    Concept concept = knowledge.concept(column.meaning().concept()).orElse(null);
    if (concept == null || concept.measures().isEmpty() || !column.unit().isEmpty()) {
      return column;
    }
    String dimension = concept.measures();
    Map<String, List<BigDecimal>> amounts =
        new ValueReader(knowledge, numbers)
            .amountsByUnit(cells.values().stream().distinct(), dimension);
    List<BigDecimal> bare = amounts.getOrDefault("", List.of());
    List<String> written = amounts.keySet().stream().filter(u -> !u.isEmpty()).toList();
    if (written.size() == 1 && areAlike(bare, amounts.get(written.getFirst()))) {
      return column.in(written.getFirst());
    }
    boolean isAmount =
        concept.kind() == Concept.Kind.QUANTITY || concept.kind() == Concept.Kind.SIDES;
    if (!isAmount
        || written.isEmpty() && !concept.unit().isEmpty()
        || !isUnitless(column.unit(), cells)) {
      return column;
    }
    return written.isEmpty()
        ? column.askingUnit(
            "The cells have no unit.",
            knowledge.units().stream()
                .filter(u -> u.dimension().equals(dimension))
                .map(Unit::id)
                .toList())
        : column.askingUnit("Some cells have no unit.", written);
  }

  /** Whether bare numbers may be in the unit of others: none is many times as small or as large. */
  private static boolean areAlike(List<BigDecimal> bare, List<BigDecimal> others) {
    BigDecimal least = Collections.min(others).divide(TIMES);
    BigDecimal most = Collections.max(others).multiply(TIMES);
    return bare.stream().allMatch(b -> b.compareTo(least) >= 0 && b.compareTo(most) <= 0);
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
