package rhetor.core.compose;

/**
 * Remembers which runs of five words stand in the texts of a house, so that new sentences can
 * differ from them. Takes the same room whatever the number of texts: when it is full, older runs
 * give way to newer ones. Not safe for several threads.
 */
public final class Variety {
  /** Words in a run: short enough to catch a turn of phrase, too long for what grammar repeats. */
  static final int RUN = 5;

  /** Room for the runs of about 40,000 descriptions, in 24 MB. */
  private static final int HOUSE = 1 << 21;

  private static final int FEW = 1 << 13;

  /** There are 64 bits in a hint, so four bits for each slot. */
  private static final int SLOTS_PER_HINT = 16;

  private static final long PRIME = 0x9E3779B97F4A7C15L;

  private final long[] runs;
  private final int[] owners;

  /**
   * Bits that say which runs may be in the table: most runs are new, and that is found here, in a
   * processor's cache, rather than in the large table.
   */
  private final long[] hints;

  private final long[] window = new long[RUN];

  /** For the texts of a house. */
  public Variety() {
    this(HOUSE);
  }

  private Variety(int slots) {
    runs = new long[slots];
    owners = new int[slots];
    hints = new long[Math.max(1, slots / SLOTS_PER_HINT)];
  }

  /** For about a hundred texts, such as the takes of one product. */
  public static Variety ofFew() {
    return new Variety(FEW);
  }

  /** For texts that may repeat one another. */
  static Variety none() {
    return new Variety(1);
  }

  /** Adds a text's runs; {@code owner} is any number that tells it from others, not 0. */
  public void add(String text, int owner) {
    walk("", text, (run, slot) -> set(run, slot, owner));
  }

  private void set(long run, int slot, int owner) {
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
  int repeated(String before, String sentence) {
    int[] count = new int[1];
    walk(
        before,
        sentence,
        (run, slot) -> {
          if (isKnown(run, slot)) {
            count[0]++;
          }
        });
    return count[0];
  }

  /** The largest share of a text's runs that one other text has too, 0 to 1. */
  double likeness(String text) {
    java.util.Map<Integer, Integer> shared = new java.util.HashMap<>();
    int[] all = new int[1];
    walk(
        "",
        text,
        (run, slot) -> {
          all[0]++;
          if (isKnown(run, slot)) {
            shared.merge(owners[slot], 1, Integer::sum);
          }
        });
    int most = shared.values().stream().mapToInt(Integer::intValue).max().orElse(0);
    return all[0] == 0 ? 0 : most / (double) all[0];
  }

  private interface Visitor {
    void visit(long run, int slot);
  }

  private void walk(String before, String text, Visitor visitor) {
    int words = walk(before, lastWords(before), 0, visitor);
    walk(text, 0, words, visitor);
  }

  /** Goes through the words from a place on; how many there are with those before. */
  private int walk(String text, int from, int before, Visitor visitor) {
    int words = before;
    long hash = 0;
    for (int i = from; i <= text.length(); i++) {
      char c = i == text.length() ? ' ' : text.charAt(i);
      if (Character.isLetterOrDigit(c)) {
        hash = mix(hash, Character.toLowerCase(c));
      } else if (hash != 0) {
        window[words++ % RUN] = hash;
        hash = 0;
        if (words >= RUN) {
          long run = 0;
          for (int k = 0; k < RUN; k++) {
            run = mix(run, window[(words + k) % RUN]);
          }
          visitor.visit(run, (int) (run & (runs.length - 1)));
        }
      }
    }
    return words;
  }

  private static long mix(long hash, long next) {
    long mixed = (hash ^ next) * PRIME;
    return mixed ^ mixed >>> 30;
  }

  /** Where the last four words of a text start. */
  private static int lastWords(String text) {
    int at = text.length();
    for (int words = 0; words < RUN - 1 && at > 0; words++) {
      while (at > 0 && !Character.isLetterOrDigit(text.charAt(at - 1))) {
        at--;
      }
      while (at > 0 && Character.isLetterOrDigit(text.charAt(at - 1))) {
        at--;
      }
    }
    return at;
  }
}
