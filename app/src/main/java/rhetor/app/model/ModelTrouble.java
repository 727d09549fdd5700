package rhetor.app.model;

import java.time.Duration;
import org.springframework.http.HttpStatus;
import rhetor.app.web.Refused;

/**
 * Says that a text model didn't answer or may not be asked, whose matter that is, and what to do.
 */
public final class ModelTrouble extends Refused {
  /** What would help. */
  public enum Kind {
    /** Key, address, name of the model or what the owner allows: somebody has to put it right. */
    CONNECTION(HttpStatus.BAD_GATEWAY),
    /** What may be spent is spent. */
    MONEY(HttpStatus.CONFLICT),
    /** It was asked too much at once: slower helps. */
    CAPACITY(HttpStatus.BAD_GATEWAY),
    /** It doesn't answer, or with an error of its own: later helps. */
    SILENCE(HttpStatus.BAD_GATEWAY),
    /** It doesn't take this one question. */
    QUESTION(HttpStatus.BAD_GATEWAY);

    private final HttpStatus status;

    Kind(HttpStatus status) {
      this.status = status;
    }
  }

  private final Kind kind;
  private final transient Duration pause;

  ModelTrouble(Kind kind, String message, Duration pause) {
    super(kind.status, message);
    this.kind = kind;
    this.pause = pause;
  }

  public Kind kind() {
    return kind;
  }

  /** How long the service asks to be left alone, zero if it doesn't say. */
  public Duration pause() {
    return pause;
  }
}
