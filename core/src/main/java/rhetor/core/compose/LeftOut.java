package rhetor.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.Teller;
import rhetor.core.plan.Telling;
import rhetor.core.plan.Untold;
import rhetor.core.plan.Untold.Cause;
import rhetor.core.say.en.EnglishProse;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Voice;

/** What stands in no sentence of a product's texts, and why. */
public final class LeftOut {
  private final Teller teller;
  private final Wording wording;

  public LeftOut(Knowledge knowledge) {
    this.teller = new Teller(knowledge, new EnglishProse(knowledge));
    this.wording = new Wording(knowledge);
  }

  /** The facts that aren't told in prose, in the order of the sources; names are left aside. */
  public List<Telling> of(ProductFacts product, Voice voice) {
    List<Telling> untold = new ArrayList<>();
    for (Fact fact : product.facts()) {
      Telling telling = teller.telling(fact);
      boolean hasWords =
          telling.isTold() && !wording.phrases(fact, product.productClass(), voice).isEmpty();
      if (telling.isTold() && !hasWords) {
        untold.add(new Telling(fact, Optional.of(Untold.because(Cause.FITS_NO_WORDING))));
      } else if (telling.untold().filter(u -> u.cause() != Cause.NAMING).isPresent()) {
        untold.add(telling);
      }
    }
    return untold;
  }
}
