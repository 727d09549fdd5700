package rhetor.app.edition;

import java.time.Instant;
import java.util.List;

/**
 * A set of signed-off texts published together.
 *
 * @param items what became of its texts, those first that didn't go out; {@link #SHOWN} at most,
 *     none in a list of editions
 */
public record Edition(
    long id,
    Status status,
    int total,
    int published,
    int failed,
    String createdBy,
    Instant createdAt,
    List<Item> items) {
  /** Items that are told of one edition. */
  static final int SHOWN = 500;

  /** How far an edition is. */
  public enum Status {
    WAITING,
    RUNNING,
    DONE
  }

  /**
   * One product of it.
   *
   * @param page address of its live page
   * @param changedThere whether somebody had changed it in the shop
   */
  public record Item(
      long productId,
      String sku,
      String name,
      String status,
      String reason,
      String page,
      boolean changedThere) {}
}
