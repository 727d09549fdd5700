package rhetor.core.compose;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Picks between wordings: the least used so far, and among those one that depends on the seed and
 * the product. The same products in the same order with the same seed get the same picks.
 */
public final class Rotation {
  private final long seed;
  private final Map<String, int[]> used = new HashMap<>();
  private long product;

  public Rotation(long seed) {
    this.seed = seed;
  }

  void startProduct(String sku) {
    product = sku.hashCode();
  }

  /** One of {@code options}, which are indexes below {@code size} of the slot's wordings. */
  int pick(String slot, int size, List<Integer> options) {
    int[] counts = used.computeIfAbsent(slot, s -> new int[size]);
    int least = options.stream().mapToInt(o -> counts[o]).min().orElseThrow();
    List<Integer> ties = options.stream().filter(o -> counts[o] == least).toList();
    int chosen = ties.get((int) Long.remainderUnsigned(mix(slot), ties.size()));
    counts[chosen]++;
    return chosen;
  }

  <T> T pick(String slot, List<T> wordings) {
    if (wordings.size() == 1) {
      return wordings.getFirst();
    }
    List<Integer> all = java.util.stream.IntStream.range(0, wordings.size()).boxed().toList();
    return wordings.get(pick(slot + "/" + wordings.size(), wordings.size(), all));
  }

  /** SplitMix64's finaliser (Steele, Lea, Flood 2014) over seed, product and slot. */
  private long mix(String slot) {
    long z = seed * 0x9E3779B97F4A7C15L + product * 31 + slot.hashCode();
    z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
    z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
    return z ^ (z >>> 31);
  }
}
