package rhetor.app.product;

/**
 * Which products are meant.
 *
 * @param search part of a name or SKU, or empty
 * @param state a {@link Stage}, or {@code FIX}, {@code FAILED}, {@code STALE}, {@code DISPUTED},
 *     {@code INCOMPLETE}, {@code ALL}
 * @param intake id of the intake that brought them, 0 for any
 * @param range id of the range that they are in, 0 for any and none
 */
public record ProductFilter(String search, String state, long intake, long range) {
  public ProductFilter {
    search = search == null ? "" : search.strip();
    state = state == null || state.isBlank() ? "ALL" : state;
  }

  /** Products of any range. */
  public ProductFilter(String search, String state, long intake) {
    this(search, state, intake, 0);
  }
}
