package rhetor.app.run;

import java.math.BigDecimal;
import java.time.Instant;
import rhetor.core.compose.Extent;

/**
 * One act of writing for many products.
 *
 * @param voice id of the voice it writes in, empty for the one that each product's style has
 * @param template id of the template that texts are built after, 0 for none
 * @param templateName what that template is called, empty if there is none or it has gone
 * @param authorship who writes
 * @param modelName what the text model's connection is called, empty if there is none or it has
 *     gone
 * @param leavesSigned whether texts that are signed off are left alone
 * @param left products that were left alone, because they were signed off meanwhile or it was
 *     stopped
 * @param spent what the text model's answers have cost
 * @param trouble why it waits, empty if it doesn't
 * @param unattended whether nobody waits for it: the watched folder or a schedule began it
 * @param about the sheet that it writes for, if one was put into the watched folder; else empty
 * @param tries for how many products it writes before somebody is asked; 0 for all at once
 * @param extent which texts it writes, and how long at most
 * @param goesOnAt when it goes on by itself, the epoch if it doesn't
 */
public record Run(
    long id,
    Status status,
    String voice,
    long template,
    String templateName,
    Authorship authorship,
    String modelName,
    boolean leavesSigned,
    int total,
    int written,
    int failed,
    int left,
    BigDecimal spent,
    String trouble,
    Instant goesOnAt,
    String createdBy,
    Instant createdAt,
    Instant finishedAt,
    boolean unattended,
    String about,
    int tries,
    Extent extent) {

  /** How far a run is. */
  public enum Status {
    WAITING,
    RUNNING,
    /** Somebody has to say that it goes on. */
    PAUSED,
    DONE,
    STOPPED
  }

  /** Whether nothing more is written in it, unless somebody takes it up again. */
  public boolean hasEnded() {
    return status == Status.DONE || status == Status.STOPPED;
  }
}
