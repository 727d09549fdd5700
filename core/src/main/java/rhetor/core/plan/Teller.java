package rhetor.core.plan;

import java.util.Optional;
import java.util.Set;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.Untold.Cause;

/**
 * Decides which facts may be told in prose: those whose concept has a wording that somebody answers
 * for, and whose value is of the concept's kind and reads as prose. A heading is no wording.
 */
public final class Teller {
  private static final Set<String> NAMING = Set.of("name", "brand", "category", "season");

  private final Knowledge knowledge;
  private final Prose prose;

  public Teller(Knowledge knowledge, Prose prose) {
    this.knowledge = knowledge;
    this.prose = prose;
  }

  /** Whether a fact may be told, and if not, why. */
  public Telling telling(Fact fact) {
    return new Telling(fact, untold(fact));
  }

  private Optional<Untold> untold(Fact fact) {
    if (NAMING.contains(fact.concept())) {
      return because(Cause.NAMING);
    }
    Optional<Concept> concept = knowledge.toldAs(fact.concept(), fact.label());
    if (concept.isEmpty()) {
      return because(Cause.NO_WORDING);
    }
    if (!concept.get().isWorded()) {
      // What is only called otherwise has no words yet.
      return because(concept.get().isRenamed() ? Cause.NO_WORDING : Cause.LEFT_TO_THE_LIST);
    }
    if (fact.foreign()) {
      return because(Cause.OTHER_LANGUAGE);
    }
    if (fact.value() instanceof Value.YesNo(boolean yes) && !yes) {
      return because(Cause.SAYS_NO);
    }
    return notOfItsKind(fact.value(), concept.get()).or(() -> prose.inTheWay(fact, concept.get()));
  }

  /**
   * What is wrong with a value that isn't what the concept is said of. "Framed: fibreglass" doesn't
   * say that it is framed, and "260" not what it weighs.
   */
  private static Optional<Untold> notOfItsKind(Value value, Concept concept) {
    return switch (concept.kind()) {
      case FLAG -> value instanceof Value.YesNo ? Optional.empty() : because(Cause.NOT_OF_ITS_KIND);
      case QUANTITY ->
          switch (value) {
            case Value.Quantity q -> unit(q.unit());
            case Value.Range r -> unit(r.unit());
            default -> because(Cause.NOT_OF_ITS_KIND);
          };
      case COUNT ->
          value instanceof Value.Quantity || value instanceof Value.Range
              ? Optional.empty()
              : because(Cause.NOT_OF_ITS_KIND);
      case SIDES ->
          switch (value) {
            case Value.Sides s -> unit(s.unit());
            // Several sizes, each with its unit.
            case Value.Terms t -> Optional.empty();
            default -> because(Cause.NOT_OF_ITS_KIND);
          };
      case RATING ->
          value instanceof Value.Rating ? Optional.empty() : because(Cause.NOT_OF_ITS_KIND);
      case TERMS, WORDS -> Optional.empty();
    };
  }

  /** An amount of nobody says what: "of 330". */
  private static Optional<Untold> unit(String unit) {
    return unit.isEmpty() ? because(Cause.NO_UNIT) : Optional.empty();
  }

  private static Optional<Untold> because(Cause cause) {
    return Optional.of(Untold.because(cause));
  }
}
