package rhetor.core.reading;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

/** Gathers what a column's cells, and the kinds of things on its sheet, say of a concept. */
final class ConceptEvidence {
  private static final double HALF = 0.5;

  private final Knowledge knowledge;
  private final KindFinder kinds;
  private final Bounds bounds;

  /** Concepts that alone take their words: colours are of one, materials of many. */
  private final Set<String> alone;

  ConceptEvidence(Knowledge knowledge, KindFinder kinds) {
    this.knowledge = knowledge;
    this.kinds = kinds;
    this.bounds = new Bounds(knowledge);
    this.alone =
        knowledge.concepts().stream()
            .collect(Collectors.groupingBy(c -> List.of(c.terms(), c.hypernyms())))
            .values()
            .stream()
            .filter(same -> same.size() == 1)
            .map(same -> same.getFirst().id())
            .collect(Collectors.toSet());
  }

  /** What the cells and the products say of a concept; false if the column can't be it. */
  boolean gather(
      Concept concept, SheetColumn column, SheetColumns sheet, Map<Evidence, Double> evidence) {
    if (!bounds.allow(column.heading(), concept)) {
      return false;
    }
    if (concept.kind() == Concept.Kind.QUANTITY && isOfAnotherSize(concept, column, sheet)) {
      return false;
    }
    evidence.put(Evidence.ANY_CONCEPT, 1.0);
    cells(concept, column, sheet, evidence);
    if (concept.classes().isEmpty()) {
      return true;
    }
    boolean isOfThese = sheet.classes().stream().anyMatch(k -> knowledge.takes(concept, k));
    evidence.put(Evidence.OF_UNKNOWN_THINGS, sheet.classes().isEmpty() ? 1.0 : 0);
    evidence.put(Evidence.OF_THESE_THINGS, isOfThese ? 1.0 : 0);
    return sheet.classes().isEmpty() || isOfThese;
  }

  /** Whether more of the amounts are larger or smaller than such things have it than are not. */
  private boolean isOfAnotherSize(Concept concept, SheetColumn column, SheetColumns sheet) {
    String unit = column.unit(knowledge);
    if (knowledge.magnitude(concept).isEmpty()
        || column.cells().measure(knowledge, unit, concept.measures()) == 0) {
      return false;
    }
    ValueReader values = new ValueReader(knowledge, sheet.numbers());
    return column.cells().share(v -> !values.isPlausible(values.read(v, concept, unit), concept))
        > HALF;
  }

  private void cells(
      Concept concept, SheetColumn column, SheetColumns sheet, Map<Evidence, Double> evidence) {
    Cells cells = column.cells();
    if (cells.isEmpty()) {
      return;
    }
    if (concept.id().equals("category")) {
      double named = cells.share(v -> !kinds.find("", v, Set.of()).noun().isEmpty());
      evidence.put(Evidence.KINDS, named);
      evidence.put(Evidence.NO_HYPERNYMS, named == 0 ? 1.0 : 0);
    }
    if (concept.isMaker()) {
      evidence.put(Evidence.MAKERS, cells.makers());
    } else if (!concept.hypernyms().isEmpty() && sheet.language().equals("en")) {
      double kinds = cells.kindsOf(concept.hypernyms());
      evidence.put(Evidence.HYPERNYMS, kinds);
      evidence.put(Evidence.KINDS_OF_IT_ALONE, alone.contains(concept.id()) ? kinds : 0);
      evidence.put(Evidence.NO_HYPERNYMS, kinds == 0 ? 1.0 : 0);
    }
    String unit = column.unit(knowledge);
    List<String> dimensions = cells.dimensions(knowledge, unit);
    ValueReader values = new ValueReader(knowledge, sheet.numbers());
    String headingUnit = unit.isEmpty() ? concept.unit() : unit;
    DoubleSupplier unread =
        () ->
            cells.once(
                // What can be read depends on nothing else.
                "unread %s %s %s".formatted(concept.kind(), concept.dimension(), headingUnit),
                v -> values.read(v, concept, headingUnit) instanceof Value.Words);
    switch (concept.kind()) {
      case QUANTITY, SIDES -> {
        String measures = concept.measures();
        double fits = measures.isEmpty() ? 0 : cells.measure(knowledge, unit, measures);
        if (!dimensions.isEmpty() && !measures.isEmpty()) {
          evidence.put(Evidence.MEASURED, fits);
          evidence.put(Evidence.MEASURED_OTHERWISE, 1 - fits);
        } else if (concept.kind() == Concept.Kind.QUANTITY) {
          evidence.put(Evidence.BARE_NUMBERS, cells.numbers());
        }
        evidence.put(Evidence.NOT_READ, unread.getAsDouble());
        if (concept.kind() == Concept.Kind.SIDES) {
          evidence.put(Evidence.SIDES, cells.sides());
        }
      }
      case COUNT -> {
        evidence.put(
            Evidence.MEASURED_OTHERWISE,
            unit.isEmpty() ? (double) dimensions.size() / cells.values().size() : 1);
        evidence.put(Evidence.NOT_READ, unread.getAsDouble());
      }
      case RATING -> {
        double words = unread.getAsDouble();
        evidence.put(Evidence.RATED, 1 - words);
        evidence.put(Evidence.NOT_READ, words);
      }
      case FLAG -> {
        evidence.put(Evidence.ANSWERS, cells.answers());
        evidence.put(Evidence.ANSWERS_OTHERWISE, 1 - cells.answers());
      }
      case TERMS -> {
        if (!concept.terms().isEmpty()) {
          double known = cells.terms(knowledge, concept.terms());
          evidence.put(Evidence.KNOWN_WORDS, known);
          evidence.put(Evidence.WORDS_OF_IT_ALONE, alone.contains(concept.id()) ? known : 0);
          evidence.put(Evidence.UNKNOWN_WORDS, known == 0 ? 1.0 : 0);
        }
        double amounts = unit.isEmpty() ? cells.amounts(knowledge) : 1;
        evidence.put(Evidence.NUMBERS_AS_WORDS, Math.max(cells.numbers(), amounts));
        evidence.put(Evidence.ANSWERS_OTHERWISE, cells.answers());
      }
      case WORDS -> {
        evidence.put(Evidence.NUMBERS_AS_WORDS, Math.max(cells.numbers(), unit.isEmpty() ? 0 : 1));
        evidence.put(Evidence.ANSWERS_OTHERWISE, cells.answers());
      }
    }
  }

  /** How well the cells bear out what a heading says. */
  static double bearsOut(Map<Evidence, Double> evidence) {
    return Stream.of(
            Evidence.MEASURED,
            Evidence.KNOWN_WORDS,
            Evidence.SIDES,
            Evidence.RATED,
            Evidence.ANSWERS)
        .mapToDouble(e -> evidence.getOrDefault(e, 0.0))
        .max()
        .orElse(0);
  }
}
