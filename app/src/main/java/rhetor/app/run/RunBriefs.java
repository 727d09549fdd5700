package rhetor.app.run;

import org.springframework.stereotype.Component;
import rhetor.app.product.Product;
import rhetor.app.template.Templates;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Extent;
import rhetor.core.style.Voices;

/** What is to be written for a product in a run. */
@Component
class RunBriefs {
  private final Templates templates;

  RunBriefs(Templates templates) {
    this.templates = templates;
  }

  /**
   * The brief of a product.
   *
   * @param voice id of the voice, empty for the one that the product's style has
   * @param template id of the template, 0 for none
   */
  Brief of(Product product, String voice, long template, Extent extent) {
    Brief brief = templates.brief(product, template).to(extent);
    return Voices.find(voice).map(brief::in).orElse(brief);
  }

  /** The brief of a product in a run. */
  Brief of(Product product, Run run) {
    return of(product, run.voice(), run.template(), run.extent());
  }
}
