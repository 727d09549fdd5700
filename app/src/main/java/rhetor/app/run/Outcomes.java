package rhetor.app.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.proof.Origin;
import rhetor.app.proof.ProofService;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.text.Draft;

/** Keeps what became of each product of a run, in one transaction with its text. */
@Component
class Outcomes {
  private static final Logger LOG = LoggerFactory.getLogger(Outcomes.class);
  private static final int TRIES = 3;
  private static final int LONGEST = 1000;

  private final RunStore runs;
  private final ProductService products;
  private final ProofService proofs;
  private final Templates templates;
  private final TransactionTemplate transaction;

  Outcomes(
      RunStore runs,
      ProductService products,
      ProofService proofs,
      Templates templates,
      TransactionTemplate transaction) {
    this.runs = runs;
    this.products = products;
    this.proofs = proofs;
    this.templates = templates;
    this.transaction = transaction;
  }

  /**
   * What was written for a product.
   *
   * @param author what the one who wrote it is called
   * @param note what had to be put right, empty for nothing
   */
  record Writing(Draft draft, Origin origin, String author, String note) {
    /** What Rhetor composed. */
    static Writing composed(Draft draft, String note) {
      return new Writing(draft, Origin.COMPOSER, "composer", note);
    }
  }

  /**
   * Keeps what is written for a product as it is now, and that it was written; what goes wrong is
   * its outcome.
   *
   * @param writing what is written for it; empty if it has to be written anew, so that it waits on
   */
  void write(Run run, long product, Function<Product, Optional<Writing>> writing) {
    try {
      write(run, product, writing, TRIES);
    } catch (RuntimeException e) {
      LOG.warn("writing for product {} failed", product, e);
      fail(run, product, e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
    }
  }

  /** Once more if a person changed the text or signed it off at that moment. */
  private void write(
      Run run, long productId, Function<Product, Optional<Writing>> writing, int tries) {
    try {
      transaction.executeWithoutResult(
          t -> {
            if (!runs.claim(run.id(), productId)) {
              return;
            }
            Product product = products.get(productId);
            boolean signed =
                product.stage() == Stage.SIGNED_OFF || product.stage() == Stage.PUBLISHED;
            if (signed && (run.leavesSigned() || product.signedAt().isAfter(run.createdAt()))) {
              runs.setItem(
                  run.id(),
                  productId,
                  RunStore.Outcome.LEFT,
                  "It was signed off while the run was waiting.");
              return;
            }
            templates.builtAfter(productId, run.template());
            writing
                .apply(product)
                .ifPresent(
                    w -> {
                      boolean staysStale = isStaleBesides(run, product);
                      Draft all = run.extent().over(before(product), w.draft());
                      proofs.keep(product, all, run.id(), w.origin(), w.author());
                      if (staysStale) {
                        products.markStale(List.of(productId));
                      }
                      runs.setItem(
                          run.id(),
                          productId,
                          RunStore.Outcome.WRITTEN,
                          w.note().isEmpty() ? null : shortened(w.note()));
                    });
          });
    } catch (Refused e) {
      if (e.status() != HttpStatus.PRECONDITION_FAILED || tries == 1) {
        throw e;
      }
      write(run, productId, writing, tries - 1);
    }
  }

  /** Whether facts have changed that fields tell which the run leaves as they are. */
  private boolean isStaleBesides(Run run, Product product) {
    return !run.extent().fields().isEmpty()
        && product.textId() != 0
        && products.line(product.id()).stale();
  }

  private Draft before(Product product) {
    return product.textId() == 0 ? new Draft(Map.of()) : proofs.text(product.textId()).draft();
  }

  /** Notes that nothing could be written for a product, and why. */
  void fail(Run run, long product, String reason) {
    transaction.executeWithoutResult(
        t -> {
          products.setFailed(product, reason);
          runs.setItem(run.id(), product, RunStore.Outcome.FAILED, shortened(reason));
        });
  }

  private static String shortened(String text) {
    return text.length() > LONGEST ? text.substring(0, LONGEST - 1) + "…" : text;
  }
}
