package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;

/**
 * The background task that checks texts again whose products' facts have changed, so that lists,
 * proofs and audit say the same of them.
 */
@Configuration
class FactRecheck {
  private static final Logger LOG = LoggerFactory.getLogger(FactRecheck.class);
  private static final int AT_ONCE = 50;
  private static final int SECONDS = 2;

  @Bean
  Task<Void> recheckFacts(
      ProductService products, ProofService proofs, TransactionTemplate transaction) {
    return Tasks.recurring("recheck-facts", FixedDelay.ofSeconds(SECONDS))
        .execute(
            (instance, context) -> {
              for (List<Long> next = products.toRecheck(AT_ONCE);
                  !next.isEmpty() && !context.getSchedulerState().isShuttingDown();
                  next = products.toRecheck(AT_ONCE)) {
                next.forEach(id -> recheck(id, products, proofs, transaction));
              }
            });
  }

  private static void recheck(
      long id, ProductService products, ProofService proofs, TransactionTemplate transaction) {
    try {
      transaction.executeWithoutResult(
          t -> {
            products.rechecked(id);
            proofs.recheck(id);
          });
    } catch (RuntimeException e) {
      // One product that can't be read keeps no other from being checked.
      LOG.warn("product {} could not be checked again", id, e);
      products.rechecked(id);
    }
  }
}
