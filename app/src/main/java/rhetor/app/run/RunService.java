package rhetor.app.run;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.LastingTask;
import rhetor.app.house.Turns;
import rhetor.app.model.TextModels;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.compose.Extent;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;

/**
 * Starts runs, and lets people pause, stop and take them up again. A product's outcome commits
 * together with its text; after a crash a run goes on with the products that have no outcome yet.
 */
@Service
public class RunService {
  static final TaskDescriptor<Long> TASK = TaskDescriptor.of("write-run", Long.class);
  private static final int LONGEST_REASON = 1000;
  private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000);

  private final RunStore runs;
  private final ProductService products;
  private final Templates templates;
  private final TextModels models;
  private final Forecasts forecasts;
  private final SchedulerClient scheduler;
  private final Turns turns;
  private final Clock clock;

  RunService(
      RunStore runs,
      ProductService products,
      Templates templates,
      TextModels models,
      Forecasts forecasts,
      @Lazy SchedulerClient scheduler,
      Turns turns,
      Clock clock) {
    this.turns = turns;
    this.runs = runs;
    this.products = products;
    this.templates = templates;
    this.models = models;
    this.forecasts = forecasts;
    this.scheduler = scheduler;
    this.clock = clock;
  }

  /**
   * What a run would write: products chosen, those left alone, and those of another run.
   *
   * @param expected what it will take
   */
  public record Forecast(
      int chosen, int toWrite, int signedOff, int busy, Forecasts.Expected expected) {}

  /**
   * How texts are to be written.
   *
   * @param voice the voice, empty for the one that each product's style has
   * @param template id of the template that texts are built after, 0 for none
   * @param unattended whether nobody waits for them
   * @param about the sheet that they are for, if one was put into the watched folder; else empty
   * @param extent which texts, and how long at most
   * @param tries for how many products to write before somebody is asked; 0 for all at once
   */
  public record Manner(
      boolean leaveSignedOff,
      long seed,
      Optional<Voice> voice,
      long template,
      Authorship authorship,
      boolean unattended,
      String about,
      int tries,
      Extent extent) {
    /** Texts that somebody waits for. */
    public Manner(
        boolean leaveSignedOff,
        long seed,
        Optional<Voice> voice,
        long template,
        Authorship authorship) {
      this(leaveSignedOff, seed, voice, template, authorship, false, "", 0, Extent.ALL);
    }

    /** The same texts, a few of which somebody wants to see first. */
    Manner triedOn(int some) {
      return new Manner(
          leaveSignedOff, seed, voice, template, authorship, unattended, about, some, extent);
    }

    /** Of the same texts only some, or shorter ones. */
    Manner to(Extent some) {
      return new Manner(
          leaveSignedOff, seed, voice, template, authorship, unattended, about, tries, some);
    }

    /**
     * The same texts, and nobody waits for them.
     *
     * @param sheet the sheet that they are for, empty for none
     */
    public Manner whenNobodyWaits(String sheet) {
      return new Manner(leaveSignedOff, seed, voice, template, authorship, true, sheet, 0, extent);
    }
  }

  List<Run> latest() {
    return runs.latest();
  }

  /** How many runs are under way. */
  public int active() {
    return runs.active();
  }

  /** A run by its id, if there is one. */
  public Optional<Run> find(long id) {
    return runs.find(id);
  }

  Run get(long id) {
    return runs.find(id).orElseThrow(() -> Refused.notFound("There is no such run."));
  }

  List<RunStore.Trouble> troubles(long id) {
    return runs.troubles(id);
  }

  List<RunStore.Trouble> amended(long id) {
    return runs.amended(id);
  }

  List<RunStore.Reason> reasons(long id) {
    return runs.reasons(id);
  }

  private record Choice(List<Long> toWrite, int chosen, int signedOff, int busy) {}

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
    return new Choice(
        toWrite,
        chosen.size(),
        (int) chosen.stream().filter(signed::contains).count(),
        (int) chosen.stream().filter(busy::contains).count());
  }

  Forecast forecast(List<Long> ids, ProductFilter filter, Manner manner) {
    Choice choice = choose(ids, filter, manner.leaveSignedOff);
    return new Forecast(
        choice.chosen,
        choice.toWrite.size(),
        choice.signedOff,
        choice.busy,
        forecasts.expected(
            choice.toWrite,
            manner.voice.map(Voice::id).orElse(""),
            manner.template,
            manner.authorship,
            manner.extent));
  }

  /**
   * Starts a run for the products named, or for all that match if none is.
   *
   * @throws Refused if nothing is left to write for, or there is no such template or text model
   */
  @Transactional
  public Run start(List<Long> ids, ProductFilter filter, Manner manner, String by) {
    check(manner);
    ids.forEach(products::line);
    turns.take(Turns.Turn.RUN);
    Choice choice = choose(ids, filter, manner.leaveSignedOff);
    if (choice.toWrite.isEmpty()) {
      throw Refused.conflict(
          choice.chosen == 0
              ? "No product matches, so there is nothing to write."
              : "All %d products are left alone: %d are signed off or published, %d are being written for already."
                  .formatted(choice.chosen, choice.signedOff, choice.busy));
    }
    long id =
        runs.add(
            manner.seed,
            manner.voice.map(Voice::id).orElse(""),
            manner.template,
            manner.authorship,
            manner.leaveSignedOff,
            manner.unattended,
            manner.about,
            manner.tries,
            manner.extent,
            choice.toWrite,
            by);
    schedule(id);
    return get(id);
  }

  /**
   * Makes sure that texts can be written so.
   *
   * @throws Refused if there is no such template or text model
   */
  public void check(Manner manner) {
    if (manner.template != 0) {
      templates.get(manner.template);
    }
    if (manner.authorship.asksModel()) {
      models.get(manner.authorship.connection());
    }
    requireMoney(manner.authorship.most());
  }

  private static void requireMoney(BigDecimal most) {
    if (most.signum() < 0 || most.compareTo(MOST) > 0) {
      throw Refused.invalid("What a run may spend has to be from 0 to 1,000,000; 0 is no limit.");
    }
  }

  private void schedule(long id) {
    scheduler.scheduleIfNotExists(
        TASK.instance(String.valueOf(id)).data(id).build(), clock.instant());
  }

  /** Has a run begin no further product until somebody lets it go on. */
  @Transactional
  public void pause(long id, String by) {
    Run run = get(id);
    if (run.status() == Run.Status.WAITING) {
      runs.setStatus(id, Run.Status.WAITING, Run.Status.RUNNING);
    } else if (run.status() != Run.Status.RUNNING) {
      throw Refused.conflict(
          run.hasEnded() ? "This run has ended already." : "This run is paused already.");
    }
    runs.pause(id, "It was paused by %s.".formatted(by));
  }

  /**
   * Lets a run go on that is paused or waits for a text model.
   *
   * @param most most that it may spend from now on, in all; 0 leaves it as it is
   */
  @Transactional
  public void goOn(long id, BigDecimal most) {
    requireMoney(most);
    Run run = get(id);
    if (run.hasEnded() || run.trouble().isEmpty()) {
      throw Refused.conflict(
          run.hasEnded() ? "This run has ended already." : "This run isn’t waiting for anything.");
    }
    if (most.signum() > 0) {
      runs.letSpend(id, most);
    }
    if (runs.next(id, 1).isEmpty()) {
      // It was tried, and somebody has looked.
      runs.endTrial(id);
    }
    runs.setStatus(id, Run.Status.PAUSED, Run.Status.RUNNING);
    runs.forgetTrouble(id);
    LastingTask.wake(
        scheduler, TASK.instance(String.valueOf(id)).data(id).build(), clock.instant());
  }

  /** Has a stopped run go on with the products that it didn't come to. */
  @Transactional
  public Run takeUp(long id) {
    turns.take(Turns.Turn.RUN);
    if (get(id).status() != Run.Status.STOPPED) {
      throw Refused.conflict("Only a run that was stopped can be taken up again.");
    }
    Set<Long> busy = new HashSet<>(runs.busy());
    List<Long> left = runs.stopped(id).stream().filter(p -> !busy.contains(p)).toList();
    if (left.isEmpty()) {
      throw Refused.conflict(
          "Nothing of this run is left to write: it came to all of its products, or others are being written for.");
    }
    runs.takeUp(id, left);
    runs.endTrial(id);
    schedule(id);
    return get(id);
  }

  /** Stops a run after the products it is at; what is written stays. */
  @Transactional
  public void stop(long id) {
    get(id);
    // Items before the run, as whoever writes takes them.
    runs.leaveRest(id);
    boolean isStopped = false;
    for (Run.Status status : List.of(Run.Status.RUNNING, Run.Status.WAITING, Run.Status.PAUSED)) {
      isStopped |= runs.setStatus(id, status, Run.Status.STOPPED);
    }
    if (!isStopped) {
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
    if (!get(id).hasEnded()) {
      throw Refused.conflict("This run is still writing. Stop it first, or wait until it is done.");
    }
  }

  /**
   * Starts a new run for the products that failed.
   *
   * @param reason those that failed for this reason; empty for all
   */
  @Transactional
  public Run retry(long id, String reason, String by) {
    Run run = get(id);
    List<Long> failed =
        runs.failed(id, reason.substring(0, Math.min(reason.length(), LONGEST_REASON)));
    if (failed.isEmpty()) {
      throw Refused.conflict(
          reason.isEmpty() ? "Nothing failed in this run." : "Nothing failed for this reason.");
    }
    return start(
        failed,
        new ProductFilter("", "ALL", 0),
        new Manner(true, runs.seed(id), Voices.find(run.voice()), run.template(), run.authorship())
            .to(run.extent()),
        by);
  }
}
