package rhetor.app.run;

import java.time.Instant;

/**
 * One act of writing for many products.
 *
 * @param voice id of the voice it writes in, empty for the one that each product's style has
 * @param template id of the template that texts are built after, 0 for none
 * @param templateName what that template is called, empty if there is none or it has gone
 * @param leavesSigned whether texts that are signed off are left alone
 * @param left products that were left alone, because they were signed off meanwhile or it was
 *     stopped
 */
public record Run(
    long id,
    Status status,
    String voice,
    long template,
    String templateName,
    boolean leavesSigned,
    int total,
    int written,
    int failed,
    int left,
    String createdBy,
    Instant createdAt,
    Instant finishedAt) {

  /** How far a run is. */
  public enum Status {
    WAITING,
    RUNNING,
    DONE,
    STOPPED
  }
}
