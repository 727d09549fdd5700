package rhetor.core.language;

import java.util.Arrays;

/**
 * Finds the runs of five words in texts, as hashes of 64 bits: what texts have in common is counted
 * in them (the shingles of Broder, 1997). Case and what stands between words make no difference. An
 * object keeps its room from text to text, and is not safe for several threads.
 */
public final class WordRuns {
  /** Words in a run: short enough to catch a turn of phrase, too long for what grammar repeats. */
  public static final int LENGTH = 5;

  /** Odd and large, so that short words differ in all bits. */
  private static final long MULTIPLIER = 0x9E3779B97F4A7C15L;

  private static final long SECOND = 0xD1342543DE82EF95L;
  private static final long THIRD = 0xAF251AF3B0F025B5L;
  private static final long FOURTH = 0xB564EF22EC7AECE5L;

  /** What {@link #folded} gives for the characters of Western languages. */
  private static final char[] FOLDED = new char[0x250];

  static {
    for (char c = 0; c < FOLDED.length; c++) {
      FOLDED[c] = Character.isLetterOrDigit(c) ? Character.toLowerCase(c) : 0;
    }
  }

  /** The hashes of the last four words, the latest last. */
  private long first;

  private long second;
  private long third;
  private long fourth;

  private long[] found = new long[1 << 8];

  /** A text's runs, in order. */
  public static long[] of(String text) {
    WordRuns runs = new WordRuns();
    int count = runs.find("", text);
    return Arrays.copyOf(runs.found, count);
  }

  /**
   * Finds a text's runs; {@link #get} gives them.
   *
   * @param before what stands before it, whose last words begin runs of their own
   * @return how many there are
   */
  public int find(String before, String text) {
    if (found.length < text.length()) {
      found = new long[text.length()];
    }
    int words = walk(before, lastWords(before), 0);
    return Math.max(0, walk(text, 0, words) - LENGTH + 1);
  }

  /** A run of the text that was looked through last, from 0 on. */
  public long get(int index) {
    return found[index];
  }

  /** Goes through the words from a place on; how many there are with those before. */
  private int walk(String text, int from, int before) {
    int words = before;
    long word = 0;
    for (int i = from; i <= text.length(); i++) {
      int folded = i == text.length() ? 0 : folded(text.charAt(i));
      if (folded != 0) {
        word = word * MULTIPLIER + folded;
      } else if (word != 0) {
        words++;
        if (words >= LENGTH) {
          // The place of each word in the run counts: it has a multiplier of its own.
          found[words - LENGTH] =
              mixed(first * FOURTH + second * THIRD + third * SECOND + fourth * MULTIPLIER + word);
        }
        first = second;
        second = third;
        third = fourth;
        fourth = word;
        word = 0;
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

  /** SplitMix64's finaliser (Steele, Lea, Flood 2014): every bit of the sum sways every other. */
  private static long mixed(long sum) {
    long z = (sum ^ sum >>> 30) * 0xBF58476D1CE4E5B9L;
    z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
    return z ^ z >>> 31;
  }

  /** Where the last four words of a text start. */
  private static int lastWords(String text) {
    int at = text.length();
    for (int words = 0; words < LENGTH - 1 && at > 0; words++) {
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
