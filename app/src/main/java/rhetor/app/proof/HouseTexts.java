package rhetor.app.proof;

import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductService;
import rhetor.core.check.LikeTexts;
import rhetor.core.check.Mark;
import rhetor.core.compose.Composer;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** Knows all descriptions of the house, to tell which are too like one another. */
@Component
class HouseTexts {
  /** Share of five-word runs in common from which two pages compete with each other. */
  private static final double LIKE = 0.4;

  private final TextStore texts;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private LikeTexts all;

  HouseTexts(TextStore texts, ProductService products, HouseKnowledge knowledge) {
    this.texts = texts;
    this.products = products;
    this.knowledge = knowledge;
  }

  private synchronized LikeTexts all() {
    if (all == null) {
      LikeTexts read = new LikeTexts();
      texts.each(read::put);
      all = read;
    }
    return all;
  }

  /** Takes note that a product's text is another one now. */
  void changed(long product, Draft draft) {
    all().put(product, draft.prose());
  }

  /** Takes note that a product has no text any more. */
  void gone(long product) {
    all().remove(product);
  }

  /** The mark for a description that is too like another product's. */
  Optional<Mark> likeness(long product, Draft draft) {
    return all()
        .nearest(draft.prose(), product)
        .filter(n -> n.share() > LIKE)
        .map(
            n ->
                new Mark(
                    Mark.Weight.WEIGH,
                    "house likeness",
                    Field.DESCRIPTION,
                    -1,
                    "",
                    String.format(
                        Locale.ROOT,
                        "About %d %% of the description's five-word runs stand in the text of %s too. Rewrite one of the two, or tell more of what sets them apart.",
                        Math.round(n.share() * 100),
                        products.get(n.id()).facts().sku())));
  }

  /** A composer that knows the house's range, and writes unlike all its texts. */
  Composer composer(long seed) {
    Variety variety = new Variety();
    texts.each((product, prose) -> variety.add(prose, -(int) product));
    RangeFigures range = new RangeFigures(knowledge.current());
    products.eachSource((product, text, facts) -> range.add(facts));
    return new Composer(knowledge.current(), seed, variety, range);
  }
}
