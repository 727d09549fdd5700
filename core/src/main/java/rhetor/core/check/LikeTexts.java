package rhetor.core.check;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import rhetor.core.language.WordRuns;

/**
 * Finds which of many texts a text is most like, without comparing it with each: MinHash signatures
 * of runs of five words (Broder, 1997), looked up by bands (locality-sensitive hashing; Leskovec,
 * Rajaraman and Ullman, Mining of Massive Datasets, 3.4). Holds about 0.6 kB a text. Safe for
 * several threads.
 */
public final class LikeTexts {
  /** Two rows a band: texts that share a fifth of their runs are found more often than not. */
  private static final int BANDS = 48;

  private static final int ROWS = 2;
  private static final int HASHES = BANDS * ROWS;

  private final Map<Long, Integer> places = new HashMap<>();
  private int[][] signatures = new int[1024][];
  private int[] sizes = new int[1024];
  private long[] ids = new long[1024];
  private int[] next = new int[1024 * BANDS];
  private int[] heads = new int[1 << 14];
  private int count;

  /**
   * The text most like another.
   *
   * @param id the number it was added under
   * @param share about how much of the asking text's runs it has too, 0 to 1
   */
  public record Nearest(long id, double share) {}

  /** Adds a text, or takes the place of the one that had this number. */
  public synchronized void put(long id, String text) {
    remove(id);
    long[] runs = WordRuns.of(text);
    if (runs.length == 0) {
      return;
    }
    if (count == ids.length) {
      grow();
    }
    int place = count++;
    places.put(id, place);
    ids[place] = id;
    sizes[place] = runs.length;
    signatures[place] = signature(runs);
    link(place);
  }

  /** Forgets a text; nothing happens if there is none of this number. */
  public synchronized void remove(long id) {
    Integer place = places.remove(id);
    if (place != null) {
      signatures[place] = null;
    }
  }

  /** How many texts there are. */
  public synchronized int size() {
    return places.size();
  }

  /** The text that shares most with {@code text}; not the one numbered {@code self}. */
  public synchronized Optional<Nearest> nearest(String text, long self) {
    long[] runs = WordRuns.of(text);
    if (runs.length == 0) {
      return Optional.empty();
    }
    int[] signature = signature(runs);
    Nearest best = null;
    int last = -1;
    for (int band = 0; band < BANDS; band++) {
      for (int e = heads[bucket(signature, band)] - 1; e >= 0; e = next[e] - 1) {
        int place = e / BANDS;
        int[] other = signatures[place];
        if (other == null || ids[place] == self || place == last || e % BANDS != band) {
          continue;
        }
        last = place;
        double share = share(signature, runs.length, other, sizes[place]);
        if (best == null || share > best.share) {
          best = new Nearest(ids[place], share);
        }
      }
    }
    return Optional.ofNullable(best);
  }

  /** From the estimated Jaccard index J: |A∩B| = J (|A| + |B|) / (1 + J), as a share of |A|. */
  private static double share(int[] a, int sizeA, int[] b, int sizeB) {
    int same = 0;
    for (int i = 0; i < HASHES; i++) {
      same += a[i] == b[i] ? 1 : 0;
    }
    double jaccard = same / (double) HASHES;
    return Math.min(1, jaccard * (sizeA + sizeB) / (1 + jaccard) / sizeA);
  }

  private void link(int place) {
    for (int band = 0; band < BANDS; band++) {
      int entry = place * BANDS + band;
      int bucket = bucket(signatures[place], band);
      next[entry] = heads[bucket];
      heads[bucket] = entry + 1;
    }
  }

  private int bucket(int[] signature, int band) {
    long h = band * 0x9E3779B97F4A7C15L;
    for (int r = 0; r < ROWS; r++) {
      h = (h ^ signature[band * ROWS + r]) * 0xBF58476D1CE4E5B9L;
      h ^= h >>> 29;
    }
    return (int) (h >>> 8) & (heads.length - 1);
  }

  private void grow() {
    // Texts that were replaced leave gaps: they are closed here.
    int kept = 0;
    for (int place = 0; place < count; place++) {
      if (signatures[place] != null) {
        signatures[kept] = signatures[place];
        sizes[kept] = sizes[place];
        ids[kept] = ids[place];
        places.put(ids[kept], kept);
        kept++;
      }
    }
    Arrays.fill(signatures, kept, count, null);
    count = kept;
    int room = kept > ids.length / 2 ? ids.length * 2 : ids.length;
    signatures = Arrays.copyOf(signatures, room);
    sizes = Arrays.copyOf(sizes, room);
    ids = Arrays.copyOf(ids, room);
    next = new int[room * BANDS];
    heads = new int[Integer.highestOneBit(room * BANDS / 2)];
    for (int place = 0; place < count; place++) {
      link(place);
    }
  }

  private static int[] signature(long[] runs) {
    int[] least = new int[HASHES];
    Arrays.fill(least, Integer.MAX_VALUE);
    for (long run : runs) {
      long h = run;
      long step = (h * 0xD1342543DE82EF95L) | 1;
      for (int i = 0; i < HASHES; i++) {
        h += step;
        int value = (int) ((h ^ h >>> 29) * 0xBF58476D1CE4E5B9L >>> 33);
        if (value < least[i]) {
          least[i] = value;
        }
      }
    }
    return least;
  }
}
