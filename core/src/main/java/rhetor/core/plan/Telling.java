package rhetor.core.plan;

import java.util.Optional;
import rhetor.core.fact.Fact;

/**
 * Whether a fact may be told in prose; if not, it is listed as it stands, and says why.
 *
 * @param untold why it isn't told; empty for a fact that is
 */
public record Telling(Fact fact, Optional<Untold> untold) {

  /** Whether it may stand in a sentence. */
  public boolean isTold() {
    return untold.isEmpty();
  }
}
