package rhetor.core.reading;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.reading.HeadingNames.How;
import rhetor.core.reading.HeadingNames.Match;
import rhetor.core.reading.Meaning.Role;

/** Gathers what speaks for and against each meaning that a sheet's columns may have. */
final class EvidenceFinder {
  private static final int BESIDE = 2;
  private static final int FEW = 3;
  private static final double HALF = 0.5;
  private static final double NEARLY_ALL = 0.9;
  private static final String DIMENSIONS = "dimensions";

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final KindFinder kinds;
  private final Glosses glosses;
  private final ConceptEvidence concepts;
  private final RoleEvidence roles;
  private final HeadingMemory memory;

  /** The concept that a bare unit of a dimension stands for. */
  private final Map<String, Concept> mainOf = new HashMap<>();

  EvidenceFinder(Knowledge knowledge, HeadingNames names, Nearness nearness, HeadingMemory memory) {
    this.knowledge = knowledge;
    this.memory = memory;
    this.names = names;
    this.kinds = new KindFinder(knowledge);
    this.glosses = new Glosses(knowledge, nearness, memory);
    this.concepts = new ConceptEvidence(knowledge, kinds);
    this.roles = new RoleEvidence(knowledge, names);
    for (Concept concept : knowledge.concepts()) {
      if (concept.classes().isEmpty() && concept.kind() == Concept.Kind.QUANTITY) {
        mainOf.merge(concept.dimension(), concept, EvidenceFinder::nearerToItsDimension);
      }
    }
    mainOf.remove("");
    // A bare length may be any side of a thing, a bare time anything.
    mainOf.remove("length");
    mainOf.remove("time");
  }

  /** Of two concepts of one dimension, the one that is called like it, or else matters more. */
  private static Concept nearerToItsDimension(Concept a, Concept b) {
    boolean isA = a.names().getOrDefault("en", List.of()).contains(a.dimension());
    boolean isB = b.names().getOrDefault("en", List.of()).contains(b.dimension());
    return isA != isB ? isA ? a : b : b.weight() > a.weight() ? b : a;
  }

  /**
   * What speaks for a meaning and against it.
   *
   * @param name the known name that the heading was found by, or empty
   */
  record Candidate(Meaning meaning, String name, Map<Evidence, Double> evidence) {}

  /**
   * A sheet as its headings read.
   *
   * @param matches what each heading may mean
   * @param near how near each heading comes to each meaning
   * @param sides the columns that are a side of the thing, by their headings
   * @param plain the share of headings that are known names: where nearly all are, each is likelier
   *     to mean what it says
   */
  private record Headings(
      List<Map<Meaning, Match>> matches,
      List<Glosses.Near> near,
      Set<Integer> sides,
      double plain) {
    /** Whether another side is near: "W" between "H" and "D" is a width. */
    boolean areSidesBeside(SheetColumn column) {
      return column.isLetterOfSide()
          || sides.stream()
              .anyMatch(i -> i != column.index() && Math.abs(i - column.index()) <= BESIDE);
    }
  }

  /** For each column the meanings that it may have, at least the roles. */
  List<List<Candidate>> find(SheetColumns sheet) {
    List<Map<Meaning, Match>> matches =
        sheet.columns().parallelStream()
            .map(c -> names.all(c.heading(), c.raw(), sheet.language()))
            .toList();
    Set<Integer> sides = new HashSet<>();
    for (SheetColumn column : sheet.columns()) {
      if (isSide(matches.get(column.index()))) {
        sides.add(column.index());
      }
    }
    long exact = matches.stream().filter(EvidenceFinder::isExact).count();
    Headings headings =
        new Headings(
            matches, glosses.near(sheet), sides, (double) exact / Math.max(1, matches.size()));
    return sheet.columns().parallelStream().map(c -> candidates(sheet, c, headings)).toList();
  }

  private List<Candidate> candidates(SheetColumns sheet, SheetColumn column, Headings headings) {
    Map<Meaning, Match> matches = headings.matches.get(column.index());
    Glosses.Near near = headings.near.get(column.index());
    boolean sidesBeside = headings.areSidesBeside(column);
    Map<Meaning, Map<Evidence, Double>> found = new LinkedHashMap<>();
    for (Role role : Role.values()) {
      if (role != Role.CONCEPT) {
        found.put(new Meaning(role, ""), new EnumMap<>(Evidence.class));
      }
    }
    matches.keySet().forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    near.nearest().forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    near.wereBefore().stream()
        .filter(m -> knowledge.concept(m.concept()).isPresent())
        .forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    memory.meanings(column.heading(), knowledge).stream()
        .filter(m -> m.role() != Role.CONCEPT || knowledge.concept(m.concept()).isPresent())
        .forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    String unit = column.unit(knowledge);
    Concept main = unit.isEmpty() ? null : mainOf(unit, column.cells());
    if (main != null && !(column.mayBeLetterOfSide() && sidesBeside)) {
      Map<Evidence, Double> measured =
          found.computeIfAbsent(Meaning.of(main), k -> new EnumMap<>(Evidence.class));
      measured.put(column.isUnitAlone() ? Evidence.UNIT_ALONE : Evidence.UNIT_TELLS, 1.0);
      measured.put(
          Evidence.ONE_OF_ITS_DIMENSION,
          1.0
              / knowledge.concepts().stream()
                  .filter(c -> c.dimension().equals(main.dimension()))
                  .filter(c -> main.kind() != Concept.Kind.SIDES || c.kind() == main.kind())
                  .count());
    }
    if (column.cells().different() <= HALF
        && column
            .cells()
            .mostly(HALF, v -> !kinds.find("", v, Set.of()).productClass().isEmpty())) {
      found.computeIfAbsent(Meaning.parse("category"), k -> new EnumMap<>(Evidence.class));
    }
    for (Concept concept : knowledge.concepts()) {
      if (!concept.terms().isEmpty()
          && column.cells().terms(knowledge, concept.terms()) > HALF
          && concept.id().equals(concept.terms())) {
        found.computeIfAbsent(Meaning.of(concept), k -> new EnumMap<>(Evidence.class));
      }
    }
    Role only = byForm(column.cells());
    if (only != null) {
      boolean mayBeCodes =
          column.cells().different() >= NEARLY_ALL && column.cells().values().size() >= FEW;
      found
          .keySet()
          .removeIf(m -> m.role() != only && !(mayBeCodes && saysCode(matches.get(m), m)));
    }
    List<Candidate> all = new ArrayList<>();
    found.forEach(
        (meaning, evidence) -> {
          // "W" is a width beside "H" and "D" or over centimetres, and watts elsewhere.
          boolean isMeant = !isLetter(column) || sidesBeside || isMeasuredAs(meaning, column);
          Match match = isMeant ? matches.get(meaning) : null;
          if (match != null && match.how() == How.EXACT) {
            evidence.put(Evidence.PLAIN_SHEET, headings.plain * headings.plain);
          }
          if (match != null) {
            heading(evidence, match, matches, meaning, sheet.language());
          }
          if (match != null && match.how() == How.EXACT && near.cosines().isEmpty()) {
            evidence.put(Evidence.SAYS_UNHEARD, 1.0);
          }
          near.say(meaning, evidence);
          memory.say(column.heading(), knowledge, meaning, evidence);
          boolean mayBe = true;
          if (meaning.role() == Role.CONCEPT) {
            Concept concept = knowledge.concept(meaning.concept()).orElseThrow();
            mayBe = concepts.gather(concept, column, sheet, evidence);
            if (match != null && match.how().ordinal() <= How.CUT_OFF.ordinal()) {
              evidence.put(Evidence.BORNE_OUT, ConceptEvidence.bearsOut(evidence));
            }
            if (concept.dimension().equals("length") && match != null) {
              evidence.put(Evidence.BESIDE_SIDES, sidesBeside ? 1.0 : 0);
              evidence.put(Evidence.LETTER_OF_SIDE, column.isLetterOfSide() ? 1.0 : 0);
            }
          } else {
            mayBe = roles.gather(meaning.role(), column, sheet, evidence);
          }
          if (mayBe) {
            evidence.values().removeIf(v -> v == 0);
            all.add(new Candidate(meaning, match == null ? "" : match.name(), evidence));
          }
        });
    return all;
  }

  private void heading(
      Map<Evidence, Double> evidence,
      Match match,
      Map<Meaning, Match> matches,
      Meaning meaning,
      String language) {
    boolean isRole = meaning.role() != Role.CONCEPT;
    evidence.put(
        switch (match.how()) {
          case EXACT -> says(meaning.role());
          case WITHOUT_FILLING -> Evidence.SAYS_WITHOUT_FILLING;
          case ABBREVIATED -> Evidence.SHORT_FOR;
          case CUT_OFF -> Evidence.CUT_OFF;
          case ENDS_WITH -> Evidence.ENDS_WITH;
          case BEGINS_WITH -> Evidence.BEGINS_WITH;
          case MISSPELT -> Evidence.NEARLY;
        },
        1.0);
    if (match.how() == How.EXACT && match.name().indexOf(' ') > 0) {
      evidence.put(Evidence.SAYS_IN_WORDS, 1.0);
    }
    if (knowledge.vague().contains(match.name())) {
      evidence.put(isRole ? Evidence.VAGUE_ROLE : Evidence.VAGUE, 1.0);
    }
    long same = matches.values().stream().filter(m -> m.how() == match.how()).count();
    evidence.put(Evidence.SAYS_OTHERS_TOO, 1 - 1.0 / same);
    if (meaning.role() == Role.SKU || meaning.role() == Role.NAME) {
      evidence.put(Evidence.LATE_RANK, names.rank(meaning.role(), match.name()) / 10.0);
    }
    if (names.isForeign(match.name(), meaning, language)) {
      evidence.put(Evidence.OTHER_LANGUAGE, 1.0);
    }
  }

  private static Evidence says(Role role) {
    return switch (role) {
      case CONCEPT -> Evidence.SAYS;
      case KEEP -> Evidence.SAYS_PRIVATE;
      case PROSE, KEYWORD, PICTURE -> Evidence.SAYS_TEXT;
      case SKU, NAME, EXTRA -> Evidence.SAYS_ROLE;
    };
  }

  /** What amounts of a unit are as a rule, null if anything; lengths by lengths are all sides. */
  private Concept mainOf(String unit, Cells cells) {
    String dimension = knowledge.unit(unit).orElseThrow().dimension();
    return dimension.equals("length") && cells.sides() > HALF
        ? knowledge.concept(DIMENSIONS).orElse(null)
        : mainOf.get(dimension);
  }

  /** What cells are by their form, whatever the heading is like; null if that doesn't tell. */
  private static Role byForm(Cells cells) {
    if (cells.pictures() >= NEARLY_ALL) {
      return Role.PICTURE;
    }
    boolean isPrivate =
        cells.gtins() >= NEARLY_ALL
            || cells.addresses() >= NEARLY_ALL
            || cells.prices() >= NEARLY_ALL;
    return isPrivate ? Role.KEEP : null;
  }

  private static boolean saysCode(Match match, Meaning meaning) {
    return match != null && match.how() == How.EXACT && meaning.role() == Role.SKU;
  }

  /** Whether most cells of a column are of another kind than those of a concept. */
  boolean contradicts(Meaning meaning, SheetColumn column, SheetColumns sheet) {
    Map<Evidence, Double> found = new EnumMap<>(Evidence.class);
    Optional<Concept> concept = knowledge.concept(meaning.concept());
    concept.ifPresent(c -> concepts.gather(c, column, sheet, found));
    boolean isOfTerms = concept.filter(c -> c.kind() == Concept.Kind.TERMS).isPresent();
    return found.getOrDefault(Evidence.MEASURED_OTHERWISE, 0.0) > HALF
        || isOfTerms && found.getOrDefault(Evidence.NUMBERS_AS_WORDS, 0.0) > HALF
        || found.getOrDefault(Evidence.ANSWERS_OTHERWISE, 0.0) > HALF;
  }

  private static boolean isExact(Map<Meaning, Match> matches) {
    return matches.values().stream().anyMatch(m -> m.how() == How.EXACT);
  }

  /** Whether the unit in a heading is one of the concept's. */
  private boolean isMeasuredAs(Meaning meaning, SheetColumn column) {
    String dimension = knowledge.concept(meaning.concept()).map(Concept::dimension).orElse("");
    return !dimension.isEmpty()
        && knowledge
            .unit(column.heading().unit())
            .filter(u -> u.dimension().equals(dimension))
            .isPresent();
  }

  private static boolean isLetter(SheetColumn column) {
    return column.heading().name().length() == 1;
  }

  /** Whether a heading says that its column is a length of the thing. */
  private boolean isSide(Map<Meaning, Match> matches) {
    return matches.entrySet().stream()
        .filter(e -> e.getValue().how() == How.EXACT || e.getValue().how() == How.ABBREVIATED)
        .flatMap(e -> knowledge.concept(e.getKey().concept()).stream())
        .anyMatch(c -> c.dimension().equals("length") && c.classes().isEmpty());
  }
}
