package rhetor.app.proof;

import java.util.List;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.template.Templates;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.say.Variety;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;
import rhetor.core.text.Draft;

/** Composes texts of one product as its house, range and template want them now. */
@Component
class FreshTexts {
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final Templates templates;

  FreshTexts(ProductService products, HouseKnowledge knowledge, Templates templates) {
    this.products = products;
    this.knowledge = knowledge;
    this.templates = templates;
  }

  /**
   * Texts that differ from one another, in a voice that is bent as the style bends it. The same
   * wish gives the same words.
   *
   * @param number 1 to {@link Composer#MOST_TAKES}
   */
  List<Draft> takes(Product product, Voice voice, int number) {
    Style style = templates.style(product.id());
    return takes(product, style, style.bend(voice), number);
  }

  /** The same in the style's own voice. */
  List<Draft> takes(Product product, int number) {
    Style style = templates.style(product.id());
    return takes(product, style, style.ownVoice(), number);
  }

  private List<Draft> takes(Product product, Style style, Voice voice, int number) {
    Brief brief =
        new Brief(product.facts(), product.keyword(), voice, style, 1)
            .after(templates.of(product.id()))
            .apartBy(products.apart(product));
    return new Composer(
            knowledge.current(),
            voice.id().hashCode(),
            Variety.ofFew(),
            products.figures(product.facts().productClass()))
        .takes(brief, number);
  }
}
