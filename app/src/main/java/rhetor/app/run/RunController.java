package rhetor.app.run;

import jakarta.validation.Valid;
import java.io.IOException;
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
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;

/** Runs over HTTP, with progress as server-sent events. */
@RestController
class RunController {
  private static final Duration BEAT = Duration.ofMillis(300);

  private final RunService runs;
  private final RunUndo undo;
  private final Streams streams;

  RunController(RunService runs, RunUndo undo, Streams streams) {
    this.undo = undo;
    this.streams = streams;
    this.runs = runs;
  }

  /** Which products to write for: those named, or all that match if none is. */
  record WriteOrder(
      List<Long> products,
      String search,
      String state,
      long intake,
      Long range,
      String kind,
      String brand,
      Integer atLeast,
      Integer below,
      Long reader,
      boolean leaveSignedOff,
      long seed,
      String voice,
      Long template) {
    /** The voice asked for; empty for the one that each product's style has. */
    Optional<Voice> chosenVoice() {
      if (voice == null || voice.isBlank()) {
        return Optional.empty();
      }
      return Optional.of(
          Voices.find(voice)
              .orElseThrow(() -> Refused.invalid("There is no voice called " + voice + ".")));
    }

    private AskedProducts asked() {
      return new AskedProducts(
          products, search, state, intake, range, kind, brand, atLeast, below, reader);
    }
  }

  /**
   * A run.
   *
   * @param undoable how many of its texts can be taken back
   */
  record RunView(Run run, List<RunStore.Trouble> troubles, int undoable) {}

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
    return runs.forecast(order.asked().products(), order.asked().filter(), order.leaveSignedOff());
  }

  @PostMapping("/api/runs")
  Run start(@Valid @RequestBody WriteOrder order, Principal person) {
    return runs.start(
        order.asked().products(),
        order.asked().filter(),
        order.leaveSignedOff(),
        order.seed(),
        order.chosenVoice(),
        order.template() == null ? 0 : order.template(),
        person.getName());
  }

  @GetMapping("/api/runs/{id}")
  RunView get(@PathVariable long id) {
    return new RunView(runs.get(id), runs.troubles(id), undo.undoable(id));
  }

  @PostMapping("/api/runs/{id}/stop")
  Run stop(@PathVariable long id) {
    runs.stop(id);
    return runs.get(id);
  }

  /** Makes the texts before a run's texts count again. */
  @PostMapping("/api/runs/{id}/take-back")
  TakenBack takeBack(@PathVariable long id, Principal person) {
    runs.requireEnded(id);
    return new TakenBack(undo.takeBack(id, person.getName()));
  }

  @PostMapping("/api/runs/{id}/retry")
  Run retry(@PathVariable long id, Principal person) {
    return runs.retry(id, person.getName());
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
        if (run.status() == Run.Status.DONE || run.status() == Run.Status.STOPPED) {
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
