package rhetor.app.run;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Lazy;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.house.Turns;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.proof.ProofService;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;

/**
 * Starts runs and carries them out. A product's outcome commits together with its text; after a
 * crash a run goes on with the products that have no outcome yet.
 */
@Service
public class RunService {
  static final TaskDescriptor<Long> TASK = TaskDescriptor.of("write-run", Long.class);
  private static final Logger LOG = LoggerFactory.getLogger(RunService.class);
  private static final int CHUNK = 25;

  private static final int TRIES = 3;

  private final RunStore runs;
  private final ProductService products;
  private final ProofService proofs;
  private final HouseKnowledge knowledge;
  private final Templates templates;
  private final SchedulerClient scheduler;
  private final TransactionTemplate transaction;
  private final Turns turns;
  private final Clock clock;

  RunService(
      RunStore runs,
      ProductService products,
      ProofService proofs,
      HouseKnowledge knowledge,
      Templates templates,
      @Lazy SchedulerClient scheduler,
      TransactionTemplate transaction,
      Turns turns,
      Clock clock) {
    this.turns = turns;
    this.runs = runs;
    this.products = products;
    this.proofs = proofs;
    this.knowledge = knowledge;
    this.templates = templates;
    this.scheduler = scheduler;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** What a run would write: products chosen, those left alone, and those of another run. */
  public record Forecast(int chosen, int toWrite, int signedOff, int busy) {}

  List<Run> latest() {
    return runs.latest();
  }

  /** How many runs are under way. */
  public int active() {
    return runs.active();
  }

  Run get(long id) {
    return runs.find(id).orElseThrow(() -> Refused.notFound("There is no such run."));
  }

  List<RunStore.Trouble> troubles(long id) {
    return runs.troubles(id);
  }

  private record Choice(List<Long> toWrite, Forecast forecast) {}

  private Choice choose(List<Long> ids, ProductFilter filter, boolean leaveSignedOff) {
    List<Long> chosen = ids.isEmpty() ? products.ids(filter) : ids;
    Set<Long> busy = new HashSet<>(runs.busy());
    Set<Long> signed = new HashSet<>();
    if (leaveSignedOff) {
      signed.addAll(products.ids(new ProductFilter("", Stage.SIGNED_OFF.name(), 0)));
      signed.addAll(products.ids(new ProductFilter("", Stage.PUBLISHED.name(), 0)));
    }
    List<Long> toWrite =
        chosen.stream()
            .distinct()
            .filter(id -> !busy.contains(id) && !signed.contains(id))
            .toList();
    int left = (int) chosen.stream().filter(signed::contains).count();
    return new Choice(
        toWrite,
        new Forecast(
            chosen.size(),
            toWrite.size(),
            left,
            (int) chosen.stream().filter(busy::contains).count()));
  }

  Forecast forecast(List<Long> ids, ProductFilter filter, boolean leaveSignedOff) {
    return choose(ids, filter, leaveSignedOff).forecast;
  }

  /**
   * Starts a run for the products named, or for all that match if none is.
   *
   * @param template id of the template that texts are built after, 0 for none
   * @throws Refused if nothing is left to write for
   */
  @Transactional
  public Run start(
      List<Long> ids,
      ProductFilter filter,
      boolean leaveSignedOff,
      long seed,
      Optional<Voice> voice,
      long template,
      String by) {
    if (template != 0) {
      templates.get(template);
    }
    ids.forEach(products::line);
    turns.take(Turns.Turn.RUN);
    Choice choice = choose(ids, filter, leaveSignedOff);
    if (choice.toWrite.isEmpty()) {
      throw Refused.conflict(
          choice.forecast.chosen == 0
              ? "No product matches, so there is nothing to write."
              : "All %d products are left alone: %d are signed off or published, %d are being written for already."
                  .formatted(
                      choice.forecast.chosen, choice.forecast.signedOff, choice.forecast.busy));
    }
    long id =
        runs.add(
            seed, voice.map(Voice::id).orElse(""), template, leaveSignedOff, choice.toWrite, by);
    scheduler.scheduleIfNotExists(
        TASK.instance(String.valueOf(id)).data(id).build(), clock.instant());
    return get(id);
  }

  /** Stops a run after the products it is at; what is written stays. */
  @Transactional
  public void stop(long id) {
    get(id);
    // Items before the run, as whoever writes takes them.
    runs.leaveRest(id);
    if (!runs.setStatus(id, Run.Status.RUNNING, Run.Status.STOPPED)
        && !runs.setStatus(id, Run.Status.WAITING, Run.Status.STOPPED)) {
      throw Refused.conflict("This run has ended already.");
    }
    runs.finish(id, Run.Status.STOPPED);
  }

  /**
   * Makes sure that nothing of a run is still under way.
   *
   * @throws Refused if it is
   */
  void requireEnded(long id) {
    Run run = get(id);
    if (run.status() == Run.Status.WAITING || run.status() == Run.Status.RUNNING) {
      throw Refused.conflict("This run is still writing. Stop it first, or wait until it is done.");
    }
  }

  /** Starts a new run for the products that failed. */
  @Transactional
  public Run retry(long id, String by) {
    List<Long> failed = runs.failed(id);
    if (failed.isEmpty()) {
      throw Refused.conflict("Nothing failed in this run.");
    }
    return start(
        failed,
        new ProductFilter("", "ALL", 0),
        true,
        runs.seed(id),
        voice(get(id)),
        get(id).template(),
        by);
  }

  /** Carries a run out, or what is left of it; whether it has ended. */
  boolean carryOut(long id, BooleanSupplier stops) {
    Run run = get(id);
    if (run.status() == Run.Status.WAITING) {
      runs.setStatus(id, Run.Status.WAITING, Run.Status.RUNNING);
    }
    Composer composer = proofs.composer(runs.seed(id));
    while (get(id).status() == Run.Status.RUNNING) {
      List<Long> next = runs.next(id, CHUNK);
      if (next.isEmpty()) {
        runs.finish(id, Run.Status.DONE);
        LOG.info("run {} is done: {}", id, get(id));
        return true;
      }
      for (long product : next) {
        if (stops.getAsBoolean()) {
          return false;
        }
        write(run, product, composer);
      }
    }
    return true;
  }

  private void write(Run run, long productId, Composer composer) {
    try {
      write(run, productId, composer, TRIES);
    } catch (RuntimeException e) {
      LOG.warn("writing for product {} failed", productId, e);
      String reason = e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
      transaction.executeWithoutResult(
          t -> {
            products.setFailed(productId, reason);
            runs.setItem(
                run.id(),
                productId,
                RunStore.Outcome.FAILED,
                reason.length() > 1000 ? reason.substring(0, 1000) : reason);
          });
    }
  }

  /** Writes one text; once more if a person changed it or signed it off at that moment. */
  private void write(Run run, long productId, Composer composer, int tries) {
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
            proofs.keep(product, composer.compose(brief(product, run)), run.id(), "composer");
            runs.setItem(run.id(), productId, RunStore.Outcome.WRITTEN, null);
          });
    } catch (Refused e) {
      if (e.status() != HttpStatus.PRECONDITION_FAILED || tries == 1) {
        throw e;
      }
      write(run, productId, composer, tries - 1);
    }
  }

  private Brief brief(Product product, Run run) {
    Brief brief = templates.brief(product, run.template());
    return voice(run).map(brief::in).orElse(brief);
  }

  private static Optional<Voice> voice(Run run) {
    return Voices.find(run.voice());
  }
}
