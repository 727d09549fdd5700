package rhetor.core.say;

import java.util.HashMap;
import java.util.Map;
import rhetor.core.language.WordRuns;

/**
 * Remembers which runs of five words stand in the texts of a house, so that new sentences can
 * differ from them. Takes no more than so much room whatever the number of texts: when it is full,
 * older runs give way to newer ones. Not safe for several threads.
 */
public final class Variety {
  /** Room for the runs of about 40,000 descriptions, in 24 MB; taken as it is needed. */
  private static final int HOUSE = 1 << 21;

  private static final int FIRST = 1 << 15;

  private static final int FEW = 1 << 13;

  /** There are 64 bits in a hint, so four bits for each slot. */
  private static final int SLOTS_PER_HINT = 16;

  private final int most;
  private long[] runs;
  private int[] owners;
  private int used;

  /**
   * Bits that say which runs may be in the table: most runs are new, and that is found here, in a
   * processor's cache, rather than in the large table.
   */
  private long[] hints;

  private final WordRuns found = new WordRuns();

  /** For the texts of a house. */
  public Variety() {
    this(HOUSE);
  }

  private Variety(int most) {
    this.most = most;
    room(Math.min(most, FIRST));
  }

  private void room(int slots) {
    runs = new long[slots];
    owners = new int[slots];
    hints = new long[Math.max(1, slots / SLOTS_PER_HINT)];
    used = 0;
  }

  /** For about a hundred texts, such as the takes of one product. */
  public static Variety ofFew() {
    return new Variety(FEW);
  }

  /** For texts that may repeat one another. */
  public static Variety none() {
    return new Variety(1);
  }

  /** Adds a text's runs; {@code owner} is any number that tells it from others, not 0. */
  public void add(String text, int owner) {
    int count = found.find("", text);
    for (int i = 0; i < count; i++) {
      set(found.get(i), slot(found.get(i)), owner);
    }
    if (used > runs.length / 2 && runs.length < most) {
      grow();
    }
  }

  private void grow() {
    long[] old = runs;
    int[] by = owners;
    room(old.length * 2);
    for (int i = 0; i < old.length; i++) {
      if (by[i] != 0) {
        set(old[i], slot(old[i]), by[i]);
      }
    }
  }

  private int slot(long run) {
    return (int) (run & runs.length - 1);
  }

  private void set(long run, int slot, int owner) {
    used += owners[slot] == 0 ? 1 : 0;
    runs[slot] = run;
    owners[slot] = owner;
    hints[hint(run)] |= 1L << run;
  }

  private int hint(long run) {
    return (int) (run >>> 6 & hints.length - 1);
  }

  private boolean isKnown(long run, int slot) {
    return (hints[hint(run)] >>> run & 1) != 0 && runs[slot] == run && owners[slot] != 0;
  }

  /**
   * How many runs of a new sentence stand in texts of others, or in the own text so far.
   *
   * @param before the end of what stands before it, whose last words begin runs of their own
   */
  public int repeated(String before, String sentence) {
    int known = 0;
    for (int i = found.find(before, sentence) - 1; i >= 0; i--) {
      known += isKnown(found.get(i), slot(found.get(i))) ? 1 : 0;
    }
    return known;
  }

  /** The largest share of a text's runs that one other text has too, 0 to 1. */
  public double likeness(String text) {
    Map<Integer, Integer> shared = new HashMap<>();
    int count = found.find("", text);
    int most = 0;
    for (int i = 0; i < count; i++) {
      int slot = slot(found.get(i));
      if (isKnown(found.get(i), slot)) {
        most = Math.max(most, shared.merge(owners[slot], 1, Integer::sum));
      }
    }
    return count == 0 ? 0 : most / (double) count;
  }
}
