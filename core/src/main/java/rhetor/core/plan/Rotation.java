package rhetor.core.plan;

import java.util.ArrayList;
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
  private long drawn;

  public Rotation(long seed) {
    this.seed = seed;
  }

  /** Starts a text; {@code take} tells one text for a product from another. */
  public void start(String sku, int take) {
    product = sku.hashCode() + take * 0x5851F42DL;
    drawn = 0;
  }

  /** Which of a concept's wordings is next, counted up over all products. */
  public int turn(String concept) {
    int[] count = used.computeIfAbsent(concept, c -> new int[1]);
    return count[0]++ + (int) (mix(concept) & 1);
  }

  /** One of {@code wordings}, the least used first. */
  public <T> T pick(String slot, List<T> wordings) {
    return wordings.size() == 1
        ? wordings.getFirst()
        : wordings.get(Math.floorMod(turn(slot), wordings.size()));
  }

  /**
   * The items in a random order in which an item of twice the weight comes first twice as often
   * (Efraimidis and Spirakis, 2006).
   */
  public <T> List<T> ordered(Map<T, Integer> weights) {
    List<T> items = new ArrayList<>(weights.size());
    double[] keys = new double[weights.size()];
    long base = mix("order") + ++drawn * 0xD1342543DE82EF95L;
    for (Map.Entry<T, Integer> entry : weights.entrySet()) {
      int at = items.size();
      double u = ((finish(base + at * 0x9E3779B97F4A7C15L) >>> 11) + 1) * 0x1.0p-53;
      double key = -Math.log(u) / entry.getValue();
      // There are few of them: each goes to its place among those before it.
      for (; at > 0 && keys[at - 1] > key; at--) {
        keys[at] = keys[at - 1];
      }
      keys[at] = key;
      items.add(at, entry.getKey());
    }
    return items;
  }

  /** SplitMix64's finaliser (Steele, Lea, Flood 2014) over seed, product and slot. */
  private long mix(String slot) {
    return finish(seed * 0x9E3779B97F4A7C15L + product * 31 + slot.hashCode());
  }

  private static long finish(long start) {
    long z = start;
    z = (z ^ (z >>> 30)) * 0xBF58476D1CE4E5B9L;
    z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
    return z ^ (z >>> 31);
  }
}
