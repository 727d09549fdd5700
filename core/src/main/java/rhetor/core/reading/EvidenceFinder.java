package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Nearness;
import rhetor.core.reading.HeadingNames.How;
import rhetor.core.reading.HeadingNames.Match;
import rhetor.core.reading.Meaning.Role;

/** Gathers what speaks for and against each meaning that a sheet's columns may have. */
final class EvidenceFinder {
  private static final Pattern MONEY = Pattern.compile("[£$€¥]");

  /** So many concepts that a heading comes near in meaning are looked at. */
  private static final int NEAREST = 5;

  /** Cosines from here on say anything at all (headings against glosses, measured). */
  private static final double NEAR = 0.2;

  private static final int BESIDE = 2;

  /** A sheet of so many columns has its private ones at the end, if any. */
  private static final double WIDE = 12;

  private static final int SHOWN_CELLS = 2;
  private static final int SHOWN = 60;
  private static final double SPEAKS = 0.25;
  private static final int FEW = 3;
  private static final double HALF = 0.5;
  private static final double NEARLY_ALL = 0.9;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final Nearness nearness;
  private final KindFinder kinds;
  private final Map<Meaning, float[]> glosses = new LinkedHashMap<>();
  private final Map<String, Concept> mainOf = new HashMap<>();
  private final Set<String> trade;
  private final Set<String> remark;
  private final Set<String> perhaps;
  private final Set<String> search;
  private final Set<String> text;
  private final Set<String> speech;

  EvidenceFinder(Knowledge knowledge, HeadingNames names, Nearness nearness) {
    this.knowledge = knowledge;
    this.names = names;
    this.nearness = nearness;
    this.kinds = new KindFinder(knowledge);
    this.trade = knowledge.roleWords("trade");
    this.remark = knowledge.roleWords("remark");
    this.perhaps = knowledge.roleWords("perhaps");
    this.search = knowledge.roleWords("keyword");
    this.text = knowledge.roleWords("prose");
    this.speech = knowledge.roleWords("speech");
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

  /** For each column the meanings that it may have, at least the roles. */
  List<List<Candidate>> find(SheetColumns sheet) {
    List<Map<Meaning, Match>> matches =
        sheet.columns().stream()
            .map(c -> names.all(c.heading(), c.raw(), sheet.language()))
            .toList();
    List<float[]> vectors = vectors(sheet);
    // Where nearly every heading is a known name, each is likelier to mean what it says.
    double plain =
        (double) matches.stream().filter(EvidenceFinder::isExact).count()
            / Math.max(1, matches.size());
    List<List<Candidate>> all = new ArrayList<>();
    for (SheetColumn column : sheet.columns()) {
      float[] vector = vectors.isEmpty() ? null : vectors.get(column.index());
      all.add(candidates(sheet, column, matches.get(column.index()), vector, plain));
    }
    return all;
  }

  /** Vectors of the headings with some cells. */
  private List<float[]> vectors(SheetColumns sheet) {
    if (!sheet.language().equals("en") || glosses().isEmpty()) {
      return List.of();
    }
    List<float[]> all = new ArrayList<>();
    List<String> asked = new ArrayList<>();
    List<Integer> at = new ArrayList<>();
    for (SheetColumn column : sheet.columns()) {
      all.add(null);
      if (column.raw().chars().anyMatch(Character::isLetter)) {
        at.add(column.index());
        asked.add(inWords(column));
      }
    }
    List<float[]> found = nearness.ofAll(asked);
    for (int i = 0; i < found.size(); i++) {
      all.set(at.get(i), found.get(i));
    }
    return all;
  }

  private static String inWords(SheetColumn column) {
    String cells =
        String.join(", ", column.cells().values().stream().distinct().limit(SHOWN_CELLS).toList());
    String heading = column.heading().label();
    return cells.length() > SHOWN ? heading : heading + ": " + cells;
  }

  /** Vectors of what concepts and roles are; computed when they are first needed. */
  private synchronized Map<Meaning, float[]> glosses() {
    if (glosses.isEmpty()) {
      Map<Meaning, String> all = new LinkedHashMap<>();
      for (Concept concept : knowledge.concepts()) {
        if (!concept.gloss().isEmpty()) {
          all.put(Meaning.of(concept), concept.label() + ": " + concept.gloss());
        }
      }
      knowledge.roleGlosses().forEach((role, gloss) -> all.put(Meaning.parse(role), gloss));
      List<float[]> vectors = nearness.ofAll(List.copyOf(all.values()));
      int i = 0;
      for (Meaning meaning : all.keySet()) {
        if (i < vectors.size()) {
          glosses.put(meaning, vectors.get(i++));
        }
      }
    }
    return glosses;
  }

  private List<Candidate> candidates(
      SheetColumns sheet,
      SheetColumn column,
      Map<Meaning, Match> matches,
      float[] vector,
      double plain) {
    Map<Meaning, Double> near = new HashMap<>();
    if (vector != null) {
      glosses().forEach((m, v) -> near.put(m, Nearness.cosine(vector, v)));
    }
    List<Meaning> nearest =
        near.entrySet().stream()
            .filter(e -> e.getKey().role() == Role.CONCEPT && e.getValue() > NEAR)
            .sorted(Map.Entry.<Meaning, Double>comparingByValue(Comparator.reverseOrder()))
            .limit(NEAREST)
            .map(Map.Entry::getKey)
            .toList();
    Map<Meaning, Map<Evidence, Double>> found = new LinkedHashMap<>();
    for (Role role : Role.values()) {
      if (role != Role.CONCEPT) {
        found.put(new Meaning(role, ""), new EnumMap<>(Evidence.class));
      }
    }
    matches.keySet().forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    nearest.forEach(m -> found.computeIfAbsent(m, k -> new EnumMap<>(Evidence.class)));
    String unit = column.unit(knowledge);
    Concept main =
        unit.isEmpty() ? null : mainOf.get(knowledge.unit(unit).orElseThrow().dimension());
    if (main != null && !(isLetter(column) && besideSides(column, sheet))) {
      found
          .computeIfAbsent(Meaning.of(main), k -> new EnumMap<>(Evidence.class))
          .put(column.isUnitAlone() ? Evidence.UNIT_ALONE : Evidence.UNIT_TELLS, 1.0);
    }
    if (column.cells().mostly(HALF, v -> !kinds.find("", v, Set.of()).productClass().isEmpty())
        && column.cells().different() <= HALF) {
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
          // "W" is a width beside "H" and "D", and watts elsewhere.
          boolean isMeant = !isLetter(column) || besideSides(column, sheet);
          Match match = isMeant ? matches.get(meaning) : null;
          if (match != null && match.how() == How.EXACT) {
            evidence.put(Evidence.PLAIN_SHEET, plain * plain);
          }
          if (match != null) {
            heading(evidence, match, matches, meaning, sheet.language());
          }
          nearness(evidence, meaning, near, nearest);
          boolean mayBe = true;
          if (meaning.role() == Role.CONCEPT) {
            Concept concept = knowledge.concept(meaning.concept()).orElseThrow();
            mayBe = concept(evidence, concept, column, sheet);
            if (match != null && match.how().ordinal() <= How.CUT_OFF.ordinal()) {
              evidence.put(Evidence.BORNE_OUT, bearsOut(evidence));
            }
            if (concept.dimension().equals("length") && match != null) {
              evidence.put(Evidence.BESIDE_SIDES, besideSides(column, sheet) ? 1.0 : 0);
            }
          } else {
            role(evidence, meaning.role(), column, sheet);
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

  private static void nearness(
      Map<Evidence, Double> evidence,
      Meaning meaning,
      Map<Meaning, Double> near,
      List<Meaning> nearest) {
    Double cosine = near.get(meaning);
    if (meaning.role() == Role.KEEP && !nearest.isEmpty()) {
      evidence.put(Evidence.LIKE_A_PROPERTY, 2 * (near.get(nearest.getFirst()) - NEAR));
    }
    if (cosine == null) {
      return;
    }
    double above = Math.max(0, cosine - NEAR) * 2;
    if (meaning.role() != Role.CONCEPT) {
      evidence.put(Evidence.NEAR_ROLE, above);
      return;
    }
    evidence.put(Evidence.NEAR, above);
    if (!nearest.isEmpty() && nearest.getFirst().equals(meaning)) {
      double next = nearest.size() > 1 ? near.get(nearest.get(1)) : NEAR;
      evidence.put(Evidence.NEAREST, 5 * (cosine - next));
    }
  }

  /** What the cells and the products say of a concept; false if the column can't be it. */
  private boolean concept(
      Map<Evidence, Double> evidence, Concept concept, SheetColumn column, SheetColumns sheet) {
    evidence.put(Evidence.ANY_CONCEPT, 1.0);
    if (!concept.classes().isEmpty()) {
      if (sheet.classes().isEmpty()) {
        evidence.put(Evidence.OF_UNKNOWN_THINGS, 1.0);
      } else if (sheet.classes().stream().anyMatch(k -> knowledge.takes(concept, k))) {
        evidence.put(Evidence.OF_THESE_THINGS, 1.0);
      } else {
        return false;
      }
    }
    Cells cells = column.cells();
    if (cells.isEmpty()) {
      return true;
    }
    if (concept.id().equals("category")) {
      evidence.put(Evidence.KINDS, cells.share(v -> !kinds.find("", v, Set.of()).noun().isEmpty()));
    }
    String unit = column.unit(knowledge);
    List<String> dimensions = cells.dimensions(knowledge, unit);
    ValueReader values = new ValueReader(knowledge, sheet.numbers());
    String headingUnit = unit.isEmpty() ? concept.unit() : unit;
    double read =
        cells.share(
            v -> !(values.read(v, concept, headingUnit) instanceof rhetor.core.fact.Value.Words));
    switch (concept.kind()) {
      case QUANTITY, SIDES -> {
        String measures = concept.kind() == Concept.Kind.SIDES ? "length" : concept.dimension();
        double fits = measures.isEmpty() ? 0 : cells.measure(knowledge, unit, measures);
        if (!dimensions.isEmpty() && !measures.isEmpty()) {
          evidence.put(Evidence.MEASURED, fits);
          evidence.put(Evidence.MEASURED_OTHERWISE, 1 - fits);
        } else if (concept.kind() == Concept.Kind.QUANTITY) {
          evidence.put(Evidence.BARE_NUMBERS, cells.numbers());
        }
        evidence.put(Evidence.NOT_READ, 1 - read);
        if (concept.kind() == Concept.Kind.SIDES) {
          evidence.put(Evidence.KNOWN_WORDS, read);
        }
      }
      case COUNT -> {
        evidence.put(
            Evidence.MEASURED_OTHERWISE,
            unit.isEmpty() ? (double) dimensions.size() / cells.values().size() : 1);
        evidence.put(Evidence.NOT_READ, 1 - read);
      }
      case RATING -> {
        evidence.put(Evidence.KNOWN_WORDS, read);
        evidence.put(Evidence.NOT_READ, 1 - read);
      }
      case FLAG -> {
        evidence.put(Evidence.ANSWERS, cells.answers());
        evidence.put(Evidence.ANSWERS_OTHERWISE, 1 - cells.answers());
      }
      case TERMS -> {
        if (!concept.terms().isEmpty()) {
          double known = cells.terms(knowledge, concept.terms());
          evidence.put(Evidence.KNOWN_WORDS, known);
          evidence.put(Evidence.UNKNOWN_WORDS, known == 0 ? 1.0 : 0);
        }
        evidence.put(Evidence.NUMBERS_AS_WORDS, Math.max(cells.numbers(), unit.isEmpty() ? 0 : 1));
        evidence.put(Evidence.ANSWERS_OTHERWISE, cells.answers());
      }
      case WORDS -> {
        evidence.put(Evidence.NUMBERS_AS_WORDS, Math.max(cells.numbers(), unit.isEmpty() ? 0 : 1));
        evidence.put(Evidence.ANSWERS_OTHERWISE, cells.answers());
      }
    }
    return true;
  }

  /** How well the cells bear out what a heading says. */
  private static double bearsOut(Map<Evidence, Double> evidence) {
    return Math.max(
        evidence.getOrDefault(Evidence.MEASURED, 0.0),
        Math.max(
            evidence.getOrDefault(Evidence.KNOWN_WORDS, 0.0),
            evidence.getOrDefault(Evidence.ANSWERS, 0.0)));
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

  private static boolean isExact(Map<Meaning, Match> matches) {
    return matches.values().stream().anyMatch(m -> m.how() == How.EXACT);
  }

  private static boolean isLetter(SheetColumn column) {
    return column.heading().name().length() == 1;
  }

  /** Whether another side of the thing is near: "W" between "H" and "D" is a width. */
  private boolean besideSides(SheetColumn column, SheetColumns sheet) {
    return sheet.columns().stream()
        .filter(c -> c != column && Math.abs(c.index() - column.index()) <= BESIDE)
        .flatMap(c -> names.all(c.heading(), c.raw(), sheet.language()).values().stream())
        .filter(m -> m.how() == How.EXACT || m.how() == How.ABBREVIATED)
        .flatMap(m -> m.meanings().stream())
        .anyMatch(
            m ->
                knowledge
                    .concept(m.concept())
                    .filter(c -> c.dimension().equals("length") && c.classes().isEmpty())
                    .isPresent());
  }

  private void role(
      Map<Evidence, Double> evidence, Role role, SheetColumn column, SheetColumns sheet) {
    Cells cells = column.cells();
    List<String> words = Cells.words(column.raw());
    switch (role) {
      case SKU -> {
        evidence.put(Evidence.ANY_SKU, 1.0);
        evidence.put(Evidence.LIKE_CODES, cells.codeLike() / 1.5);
        evidence.put(Evidence.FIRST, column.index() == 0 ? 1.0 : 0);
        evidence.put(Evidence.GTINS_AS_CODES, cells.gtins());
      }
      case NAME -> {
        evidence.put(Evidence.ANY_NAME, 1.0);
        evidence.put(Evidence.LIKE_NAMES, cells.nameLike() / 2.8);
        evidence.put(Evidence.FRONT, 1.0 / (1 + Math.abs(column.index() - 1)));
        evidence.put(Evidence.THING, thing(column.heading().name(), sheet.language()));
      }
      case PROSE -> {
        evidence.put(Evidence.ANY_PROSE, 1.0);
        evidence.put(Evidence.TEXT_WORD, words.stream().anyMatch(text::contains) ? 1.0 : 0);
        evidence.put(Evidence.LONG, Math.min(1, cells.averageLength() / 60));
        evidence.put(Evidence.SENTENCES, cells.sentences());
      }
      case KEYWORD -> {
        evidence.put(Evidence.ANY_KEYWORD, 1.0);
        evidence.put(Evidence.SEARCH_WORD, words.stream().anyMatch(search::contains) ? 1.0 : 0);
        evidence.put(Evidence.PHRASES, cells.phrases());
        evidence.put(Evidence.NUMBERS_AS_PHRASES, cells.share(v -> v.matches("[\\d.,/ -]+")));
      }
      case PICTURE -> {
        evidence.put(Evidence.ANY_PICTURE, 1.0);
        evidence.put(Evidence.PICTURES, cells.pictures());
      }
      case KEEP -> privacy(evidence, words, column, sheet);
      case EXTRA -> {
        // What everything else is measured against.
      }
      case CONCEPT -> {
        // Each has its own evidence.
      }
    }
  }

  /** How surely a heading is a noun for things that are sold: "Boat" stands over boats' names. */
  private double thing(String heading, String language) {
    return !language.equals("en") || names.isKnown(heading) || heading.split(" ").length > 2
        ? 0
        : Lexicon.shipped().goods(heading);
  }

  private void privacy(
      Map<Evidence, Double> evidence, List<String> words, SheetColumn column, SheetColumns sheet) {
    Cells cells = column.cells();
    evidence.put(Evidence.ANY_PRIVATE, 1.0);
    evidence.put(Evidence.TRADE_WORD, isTrade(column) ? 1.0 : 0);
    // "Tasting notes" tell of the thing, "notes" alone and notes that speak to somebody don't.
    boolean speaks = words.size() == 1 || cells.remarks(speech) >= SPEAKS;
    evidence.put(
        Evidence.REMARK_WORD,
        words.stream().anyMatch(w -> remark.contains(w) || speaks && perhaps.contains(w))
            ? 1.0
            : 0);
    evidence.put(Evidence.MONEY, MONEY.matcher(column.raw()).find() ? 1.0 : 0);
    evidence.put(Evidence.PRICES, cells.prices());
    evidence.put(Evidence.CENTS, cells.cents());
    evidence.put(Evidence.GTINS, cells.gtins());
    evidence.put(Evidence.ADDRESSES, cells.pictures() > HALF ? 0 : cells.addresses());
    evidence.put(Evidence.CODES, cells.codes());
    evidence.put(Evidence.REMARKS, cells.remarks(speech));
    int last = sheet.columns().size() - 1;
    // On a narrow sheet the last column is no further from the first than from the end.
    evidence.put(
        Evidence.LATE, last <= 0 ? 0 : (double) column.index() / last * Math.min(1, last / WIDE));
    int beside = 0;
    for (SheetColumn other : sheet.columns()) {
      int away = Math.abs(other.index() - column.index());
      beside += away > 0 && away <= BESIDE && isTrade(other) ? 1 : 0;
    }
    evidence.put(Evidence.BESIDE_TRADE, beside / (2.0 * BESIDE));
    boolean measures = !cells.dimensions(knowledge, column.unit(knowledge)).isEmpty();
    evidence.put(Evidence.ANY_UNIT, measures ? 1.0 : 0);
    evidence.put(Evidence.REPEATS, cells.isEmpty() ? 0 : 1 - cells.different());
    evidence.put(Evidence.ANY_ANSWERS, cells.answers());
    evidence.put(Evidence.PERCENT, cells.share(v -> v.matches("[\\d.,-]+ ?%")));
    evidence.put(Evidence.SPARSE, cells.isEmpty() ? 0 : 1 - cells.filled());
  }

  private boolean isTrade(SheetColumn column) {
    return MONEY.matcher(column.raw()).find()
        || Cells.words(column.raw()).stream()
            .anyMatch(w -> trade.contains(w) || remark.contains(w));
  }
}
