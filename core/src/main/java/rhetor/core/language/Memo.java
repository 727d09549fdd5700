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

  /**
   * What was asked for lately, and what was before that; a full generation becomes the older one.
   */
  private volatile Map<String, T> lately = new ConcurrentHashMap<>();

  private volatile Map<String, T> before = Map.of();
  private int room = MOST;

  /** A memo of a function that always gives the same for the same words; never null. */
  public Memo(Function<String, T> function) {
    this.function = function;
  }

  /** What the function gives, computed or remembered. */
  public T of(String words) {
    T value = lately.get(words);
    if (value == null) {
      value = before.get(words);
      if (value == null) {
        value = function.apply(words);
      }
      if (words.length() <= LONGEST) {
        keep(words, value);
      }
    }
    return value;
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
