package rhetor.core.compose;

/**
 * Remembers which runs of five words stand in the texts of a house, so that new sentences can
 * differ from them. Takes no more than so much room whatever the number of texts: when it is full,
 * older runs give way to newer ones. Not safe for several threads.
 */
public final class Variety {
  /** Words in a run: short enough to catch a turn of phrase, too long for what grammar repeats. */
  static final int RUN = 5;

  /** Room for the runs of about 40,000 descriptions, in 24 MB; taken as it is needed. */
  private static final int HOUSE = 1 << 21;

  private static final int FIRST = 1 << 15;

  private static final int FEW = 1 << 13;

  /** There are 64 bits in a hint, so four bits for each slot. */
  private static final int SLOTS_PER_HINT = 16;

  private static final long PRIME = 0x9E3779B97F4A7C15L;

  /** What {@link #folded} gives for the characters of Western languages. */
  private static final char[] FOLDED = new char[0x250];

  static {
    for (char c = 0; c < FOLDED.length; c++) {
      FOLDED[c] = Character.isLetterOrDigit(c) ? Character.toLowerCase(c) : 0;
    }
  }

  private final int most;
  private long[] runs;
  private int[] owners;
  private int used;

  /**
   * Bits that say which runs may be in the table: most runs are new, and that is found here, in a
   * processor's cache, rather than in the large table.
   */
  private long[] hints;

  private final long[] window = new long[RUN];

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
  static Variety none() {
    return new Variety(1);
  }

  /** Adds a text's runs; {@code owner} is any number that tells it from others, not 0. */
  public void add(String text, int owner) {
    walk("", text, (run, slot) -> set(run, slot, owner));
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
      int folded = folded(c);
      if (folded != 0) {
        hash = mix(hash, folded);
      } else if (hash != 0) {
        window[words++ % RUN] = hash;
        hash = 0;
        if (words >= RUN) {
          long run = 0;
          for (int k = 0; k < RUN; k++) {
            run = mix(run, window[(words + k) % RUN]);
          }
          visitor.visit(run, slot(run));
        }
      }
    }
    return words;
  }

  /** A letter or digit in lower case; 0 for what stands between words. */
  private static int folded(char c) {
    if (c < FOLDED.length) {
      return FOLDED[c];
    }
    return Character.isLetterOrDigit(c) ? Character.toLowerCase(c) : 0;
  }

  private static long mix(long hash, long next) {
    long mixed = (hash ^ next) * PRIME;
    return mixed ^ mixed >>> 30;
  }

  /** Where the last four words of a text start. */
  private static int lastWords(String text) {
    int at = text.length();
    for (int words = 0; words < RUN - 1 && at > 0; words++) {
      while (at > 0 && folded(text.charAt(at - 1)) == 0) {
        at--;
      }
      while (at > 0 && folded(text.charAt(at - 1)) != 0) {
        at--;
      }
    }
    return at;
  }
}
