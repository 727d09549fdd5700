package rhetor.app.audit;

import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import rhetor.app.grammar.Grammar;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.template.Templates;

/** Checks the grammar of texts that nobody has checked yet, the newest first. */
@Service
public class GrammarWork {
  private static final Logger LOG = LoggerFactory.getLogger(GrammarWork.class);

  private final Grammar grammar;
  private final ProductService products;
  private final ProofService proofs;
  private final Templates templates;

  GrammarWork(Grammar grammar, ProductService products, ProofService proofs, Templates templates) {
    this.grammar = grammar;
    this.products = products;
    this.proofs = proofs;
    this.templates = templates;
  }

  /**
   * Checks some texts; those in which something was found are marked at once.
   *
   * @return how many were checked, 0 if there is nothing to check
   */
  public int next(int most) {
    List<Long> next = grammar.unchecked(most);
    for (long id : next) {
      Product product = products.get(id);
      boolean found =
          grammar.check(
              product.textId(),
              proofs.text(product.textId()).draft(),
              product.facts(),
              templates.style(id).spelling());
      if (found) {
        LOG.debug("mistakes in the text of product {}", id);
        proofs.recheck(id);
      }
    }
    return next.size();
  }

  /** Lets the checker go until there is something to check again. */
  void rest() {
    grammar.rest();
  }
}
