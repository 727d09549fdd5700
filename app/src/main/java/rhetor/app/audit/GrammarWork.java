package rhetor.app.audit;

import java.util.List;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import rhetor.app.grammar.Grammar;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.template.Templates;
import rhetor.app.web.Bustle;

/** Checks the grammar of texts that nobody has checked yet, the newest first. */
@Service
public class GrammarWork {
  private static final Logger LOG = LoggerFactory.getLogger(GrammarWork.class);

  /** Marks may come a little later; nobody waits for them. */
  private static final double GIVES_WAY = 6;

  private final Grammar grammar;
  private final ProductService products;
  private final ProofService proofs;
  private final Templates templates;
  private final Bustle bustle;

  GrammarWork(
      Grammar grammar,
      ProductService products,
      ProofService proofs,
      Templates templates,
      Bustle bustle) {
    this.bustle = bustle;
    this.grammar = grammar;
    this.products = products;
    this.proofs = proofs;
    this.templates = templates;
  }

  /**
   * Checks some texts; those in which something was found are marked at once.
   *
   * @param stops whether to leave the rest for another time
   * @return how many there were to check, 0 if nothing
   */
  public int next(int most, BooleanSupplier stops) {
    List<Long> next = grammar.unchecked(most);
    for (long id : next) {
      if (stops.getAsBoolean()) {
        break;
      }
      bustle.giveWay(() -> check(id), GIVES_WAY, stops);
    }
    return next.size();
  }

  private void check(long id) {
    Product product = products.get(id);
    try {
      check(product);
    } catch (RuntimeException e) {
      // A text that the checker stumbles over is left, so that the others get their turn.
      LOG.warn("the grammar of product {} could not be checked", id, e);
      grammar.leave(product.textId());
    }
  }

  private void check(Product product) {
    boolean found =
        grammar.check(
            product.textId(),
            proofs.text(product.textId()).draft(),
            product.facts(),
            templates.style(product.id()).spelling());
    if (found) {
      proofs.recheck(product.id());
    }
  }

  /** Lets the checker go until there is something to check again. */
  void rest() {
    grammar.rest();
  }
}
