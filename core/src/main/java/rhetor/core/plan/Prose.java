package rhetor.core.plan;

import java.util.Optional;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;

/** A language's judgement of whether a value reads as prose. */
public interface Prose {
  /**
   * What keeps a value from being read aloud by a stranger; nothing if it reads well: known words,
   * no shorthand, no signs, no code, one kind of thing.
   */
  Optional<Untold> inTheWay(Value value, Concept concept);

  /**
   * What keeps a fact's value out of a sentence. Where the house has put a cell in words it answers
   * for what would be in doubt of a supplier's, and of a heading with words of its own for how they
   * stand together.
   */
  default Optional<Untold> inTheWay(Fact fact, Concept concept) {
    return inTheWay(fact.value(), concept)
        .filter(u -> !(fact.isInWords() && isDoubt(u.cause(), fact)));
  }

  private static boolean isDoubt(Untold.Cause cause, Fact fact) {
    return switch (cause) {
      case UNKNOWN_WORD, TOO_LONG -> true;
      case SEVERAL_THINGS -> fact.concept().isEmpty();
      default -> false;
    };
  }
}
