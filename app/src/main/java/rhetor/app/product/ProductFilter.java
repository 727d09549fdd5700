package rhetor.app.product;

/**
 * Which products are meant.
 *
 * @param search part of a name or SKU, or empty
 * @param state a {@link Stage}, or {@code FIX}, {@code FAILED}, {@code STALE}, {@code DISPUTED},
 *     {@code INCOMPLETE}, {@code NO_KEYWORD}, {@code COMMENTED}, {@code ALL}
 * @param intake id of the intake that brought them, 0 for any
 * @param range id of the range that they are in, 0 for any and none
 * @param kind what they are, as lists name it; empty for any
 * @param brand their maker, empty for any
 * @param atLeast the least readiness of their texts, 0 to 100; 0 for any
 * @param below a readiness that all their texts stay below, 1 to 100; 0 for any
 * @param reader id of the person whom they are given to read, 0 for anybody or nobody, {@link
 *     #NOBODY} for those given to nobody yet
 * @param run id of the run that wrote for them, 0 for any and none
 */
public record ProductFilter(
    String search,
    String state,
    long intake,
    long range,
    String kind,
    String brand,
    int atLeast,
    int below,
    long reader,
    long run) {
  /** Stands for the reader of what is given to nobody yet. */
  public static final long NOBODY = -1;

  public ProductFilter {
    search = search == null ? "" : search.strip();
    state = state == null || state.isBlank() ? "ALL" : state;
    kind = kind == null ? "" : kind;
    brand = brand == null ? "" : brand;
  }

  /** Products of any range. */
  public ProductFilter(String search, String state, long intake) {
    this(search, state, intake, 0);
  }

  /** Products of any kind and maker, however ready their texts are. */
  public ProductFilter(String search, String state, long intake, long range) {
    this(search, state, intake, range, "", "", 0, 0, 0, 0);
  }

  /** Whether only state and search choose, so that what is counted anyway tells how many. */
  boolean isAnywhere() {
    return intake == 0
        && range == 0
        && kind.isEmpty()
        && brand.isEmpty()
        && atLeast == 0
        && below == 0
        && reader == 0
        && run == 0;
  }
}
