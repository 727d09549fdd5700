package rhetor.app.run;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.math.BigDecimal;
import java.security.Principal;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import rhetor.app.product.AskedProducts;
import rhetor.app.proof.RunUndo;
import rhetor.app.web.Refused;
import rhetor.app.web.Streams;
import rhetor.core.compose.Extent;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;

/** Runs over HTTP, with progress as server-sent events. */
@RestController
class RunController {
  private static final int MOST_TRIES = 20;
  private static final int MOST_FIELDS = 20;
  private static final int LONGEST = 99_999;
  private static final Duration BEAT = Duration.ofMillis(300);

  private final RunService runs;
  private final RunUndo undo;
  private final Streams streams;

  RunController(RunService runs, RunUndo undo, Streams streams) {
    this.undo = undo;
    this.streams = streams;
    this.runs = runs;
  }

  /**
   * Which products to write for: those named, or all that match if none is.
   *
   * @param author who writes; absent if Rhetor does
   * @param fields which texts; absent for all
   * @param mostCharacters how long they may be; absent for as long as the house has them
   * @param mostWords likewise
   * @param tries for how many products to write before somebody is asked; absent for all at once
   */
  record WriteOrder(
      List<@NotNull Long> products,
      String search,
      String state,
      long intake,
      Long range,
      String kind,
      String brand,
      Integer atLeast,
      Integer below,
      Long reader,
      Long run,
      boolean leaveSignedOff,
      long seed,
      String voice,
      Long template,
      @Valid Authorship author,
      @Size(max = MOST_FIELDS) List<@NotNull Field> fields,
      @Min(0) @Max(LONGEST) Integer mostCharacters,
      @Min(0) @Max(LONGEST) Integer mostWords,
      @Min(0) @Max(MOST_TRIES) Integer tries) {
    /** The voice asked for; empty for the one that each product's style has. */
    private Optional<Voice> chosenVoice() {
      if (voice == null || voice.isBlank()) {
        return Optional.empty();
      }
      return Optional.of(
          Voices.find(voice)
              .orElseThrow(() -> Refused.invalid("There is no voice called " + voice + ".")));
    }

    RunService.Manner manner() {
      return new RunService.Manner(
              leaveSignedOff,
              seed,
              chosenVoice(),
              template == null ? 0 : template,
              author == null ? Authorship.COMPOSER : author)
          .triedOn(tries == null ? 0 : tries)
          .to(
              Extent.of(
                  fields == null ? List.of() : fields,
                  mostCharacters == null ? 0 : mostCharacters,
                  mostWords == null ? 0 : mostWords));
    }

    AskedProducts asked() {
      return new AskedProducts(
          products, search, state, intake, range, kind, brand, atLeast, below, reader, run);
    }
  }

  /**
   * A run.
   *
   * @param reasons why products failed or were left alone, with how many
   * @param troubles those products, the first few hundred
   * @param amended what had to be put right in texts of a model, the first few hundred
   * @param undoable how many of its texts can be taken back; none while it goes on
   */
  record RunView(
      Run run,
      List<RunStore.Reason> reasons,
      List<RunStore.Trouble> troubles,
      List<RunStore.Trouble> amended,
      int undoable) {}

  /**
   * Lets a run go on.
   *
   * @param most most that it may spend in all from now on, 0 for as much as before
   */
  record GoOnOrder(@NotNull BigDecimal most) {}

  /**
   * Which products are written anew.
   *
   * @param reason those that failed for this reason; empty for all that failed
   */
  record RetryOrder(@NotNull @Size(max = 1000) String reason) {}

  /** How many texts were taken back. */
  record TakenBack(int texts) {}

  /** A voice that texts can be written in. */
  record VoiceView(String id, String label, String about) {}

  @GetMapping("/api/voices")
  List<VoiceView> voices() {
    return Voices.all().stream().map(v -> new VoiceView(v.id(), v.label(), v.about())).toList();
  }

  @GetMapping("/api/runs")
  List<Run> list() {
    return runs.latest();
  }

  @PostMapping("/api/runs/forecast")
  RunService.Forecast forecast(@Valid @RequestBody WriteOrder order) {
    return runs.forecast(order.asked().products(), order.asked().filter(), order.manner());
  }

  @PostMapping("/api/runs")
  Run start(@Valid @RequestBody WriteOrder order, Principal person) {
    return runs.start(
        order.asked().products(), order.asked().filter(), order.manner(), person.getName());
  }

  @GetMapping("/api/runs/{id}")
  RunView get(@PathVariable long id) {
    Run run = runs.get(id);
    // It is asked for several times a second while a run goes on, and changes each time.
    int undoable = run.hasEnded() ? undo.undoable(id) : 0;
    return new RunView(run, runs.reasons(id), runs.troubles(id), runs.amended(id), undoable);
  }

  @PostMapping("/api/runs/{id}/stop")
  Run stop(@PathVariable long id) {
    runs.stop(id);
    return runs.get(id);
  }

  @PostMapping("/api/runs/{id}/pause")
  Run pause(@PathVariable long id, Principal person) {
    runs.pause(id, person.getName());
    return runs.get(id);
  }

  @PostMapping("/api/runs/{id}/go-on")
  Run goOn(@PathVariable long id, @Valid @RequestBody GoOnOrder order) {
    runs.goOn(id, order.most());
    return runs.get(id);
  }

  /** Has a stopped run go on with what it didn't come to. */
  @PostMapping("/api/runs/{id}/take-up")
  Run takeUp(@PathVariable long id) {
    return runs.takeUp(id);
  }

  /** Makes the texts before a run's texts count again. */
  @PostMapping("/api/runs/{id}/take-back")
  TakenBack takeBack(@PathVariable long id, Principal person) {
    runs.requireEnded(id);
    return new TakenBack(undo.takeBack(id, person.getName()));
  }

  @PostMapping("/api/runs/{id}/retry")
  Run retry(@PathVariable long id, @Valid @RequestBody RetryOrder order, Principal person) {
    return runs.retry(id, order.reason(), person.getName());
  }

  /** Sends the run whenever it has changed, until it has ended. */
  @GetMapping(path = "/api/runs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter events(@PathVariable long id, Principal person) {
    runs.get(id);
    SseEmitter emitter = streams.open(person.getName());
    Thread.ofPlatform()
        .daemon()
        .name("run-" + id + "-events")
        .start(() -> follow(id, emitter, person.getName()));
    return emitter;
  }

  private void follow(long id, SseEmitter emitter, String person) {
    try {
      Run last = null;
      while (streams.isOpen(person, emitter)) {
        Run run = runs.get(id);
        if (!run.equals(last)) {
          emitter.send(run, MediaType.APPLICATION_JSON);
          last = run;
        }
        if (run.hasEnded()) {
          emitter.complete();
          return;
        }
        Thread.sleep(BEAT);
      }
    } catch (IOException | IllegalStateException e) {
      // The reader has gone; the run doesn't mind.
      emitter.complete();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
