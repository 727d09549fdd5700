package rhetor.core.language;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/**
 * Remembers what a function of a word gives, for the words that come again and again. Safe for
 * several threads.
 */
public final class Memo<T> {
  /** A generation's size; two of them are kept. */
  private static final int MOST = 10_000;

  private static final int LONGEST = 60;

  private final Function<String, T> function;
  private final int longest;

  /**
   * What was asked for lately, and what was before that; a full generation becomes the older one.
   */
  private volatile Map<String, T> lately = new ConcurrentHashMap<>();

  private volatile Map<String, T> before = Map.of();
  private int room = MOST;

  /** A memo of a function that always gives the same for the same words; never null. */
  public Memo(Function<String, T> function) {
    this(function, LONGEST);
  }

  /** A memo that remembers words of up to so many characters. */
  public Memo(Function<String, T> function, int longest) {
    this.function = function;
    this.longest = longest;
  }

  /** What the function gives, computed or remembered. */
  public T of(String words) {
    T value = lately.get(words);
    if (value == null) {
      value = before.get(words);
      if (value == null) {
        value = function.apply(words);
      }
      if (words.length() <= longest) {
        keep(words, value);
      }
    }
    return value;
  }

  /** Whether the value of some words is remembered. */
  boolean has(String words) {
    return lately.containsKey(words) || before.containsKey(words);
  }

  /** Remembers what the function gives for some words, where it was computed elsewhere. */
  void put(String words, T value) {
    keep(words, value);
  }

  private synchronized void keep(String words, T value) {
    lately.put(words, value);
    room--;
    if (room <= 0) {
      before = lately;
      lately = new ConcurrentHashMap<>(2 * MOST);
      room = MOST;
    }
  }
}
