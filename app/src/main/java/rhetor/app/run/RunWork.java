package rhetor.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.core.compose.Composer;
import rhetor.core.text.Draft;

/** Carries runs out, each in the background, and goes on with what has no outcome yet. */
@Component
class RunWork {
  private static final Logger LOG = LoggerFactory.getLogger(RunWork.class);
  private static final int CHUNK = 100;

  /** Each holds a connection to the database, which others want, too. */
  private static final int MOST_KEEPERS = 6;

  private static final String TRIED =
      "It was tried on a few products first. Read their texts; then let it go on with the others, or stop it.";

  /** A paused run is looked at again so often. */
  private static final Duration LOOK = Duration.ofSeconds(3);

  private final RunStore runs;
  private final Outcomes outcomes;
  private final RunBriefs briefs;
  private final ModelRuns models;
  private final ProductService products;
  private final ProofService proofs;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  RunWork(
      RunStore runs,
      Outcomes outcomes,
      RunBriefs briefs,
      ModelRuns models,
      ProductService products,
      ProofService proofs,
      ApplicationEventPublisher events,
      Clock clock) {
    this.events = events;
    this.runs = runs;
    this.outcomes = outcomes;
    this.briefs = briefs;
    this.models = models;
    this.products = products;
    this.proofs = proofs;
    this.clock = clock;
  }

  /** Carries a run out, or what is left of it; when to go on, empty if it has ended. */
  Optional<Instant> carryOut(long id, BooleanSupplier stops) {
    runs.setStatus(id, Run.Status.WAITING, Run.Status.RUNNING);
    Run run = run(id);
    if (run.status() == Run.Status.PAUSED) {
      return Optional.of(clock.instant().plus(LOOK));
    }
    if (run.hasEnded()) {
      return Optional.empty();
    }
    Composer composer = proofs.composer(runs.seed(id));
    Optional<Instant> goesOn =
        run.authorship().asksModel()
            ? models.carryOut(run, composer, stops)
            : compose(run, composer, stops);
    if (goesOn.isEmpty() && runs.isTried(id)) {
      runs.pause(id, TRIED);
      return Optional.of(clock.instant().plus(LOOK));
    }
    Run after = run(id);
    if (goesOn.isEmpty() && !after.hasEnded()) {
      runs.finish(id, Run.Status.DONE);
      LOG.info("run {} is done: {}", id, run(id));
      events.publishEvent(new RunTold(run(id)));
    }
    return after.hasEnded() ? Optional.empty() : goesOn;
  }

  /**
   * Composes one text after the other, since each takes account of those before it, while other
   * threads judge and keep what is composed.
   */
  private Optional<Instant> compose(Run run, Composer composer, BooleanSupplier stops) {
    try (ExecutorService keepers =
        Executors.newFixedThreadPool(
            Math.min(MOST_KEEPERS, Runtime.getRuntime().availableProcessors()),
            Thread.ofPlatform()
                .name("keeper-", 1)
                .priority(Thread.currentThread().getPriority())
                .factory())) {
      while (run(run.id()).status() == Run.Status.RUNNING) {
        List<Long> next = runs.next(run.id(), CHUNK);
        if (next.isEmpty()) {
          return Optional.empty();
        }
        List<Future<?>> kept = new ArrayList<>();
        for (long product : next) {
          if (stops.getAsBoolean()) {
            break;
          }
          Function<Product, Optional<Outcomes.Writing>> writing = composed(run, composer, product);
          kept.add(keepers.submit(() -> outcomes.write(run, product, writing)));
        }
        // What is on its way has no outcome yet, and would be composed again.
        kept.forEach(RunWork::await);
        if (stops.getAsBoolean()) {
          return Optional.of(clock.instant());
        }
      }
      return Optional.of(clock.instant());
    }
  }

  /** A product's text, to be kept if it is still the product that it was composed for. */
  private Function<Product, Optional<Outcomes.Writing>> composed(
      Run run, Composer composer, long id) {
    try {
      Product product = products.get(id);
      Draft draft = composer.compose(briefs.of(product, run));
      return now ->
          now.facts().equals(product.facts()) && now.keyword().equals(product.keyword())
              ? Optional.of(Outcomes.Writing.composed(draft, ""))
              : Optional.empty();
    } catch (RuntimeException e) {
      return now -> {
        throw e;
      };
    }
  }

  private static void await(Future<?> task) {
    try {
      task.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("A run was interrupted.", e);
    } catch (ExecutionException e) {
      throw new IllegalStateException("What a run composed can't be kept.", e.getCause());
    }
  }

  private Run run(long id) {
    return runs.find(id).orElseThrow();
  }
}
