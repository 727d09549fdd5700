package rhetor.core.language;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** Remembers what a function of a word gives, for the words that come again and again. */
final class Memo<T> {
  private static final int MOST = 20_000;
  private static final int LONGEST = 60;

  private final Map<String, T> known = new ConcurrentHashMap<>();
  private final Function<String, T> function;

  Memo(Function<String, T> function) {
    this.function = function;
  }

  T of(String words) {
    T value = known.get(words);
    if (value == null) {
      value = function.apply(words);
      if (words.length() <= LONGEST && known.size() < MOST) {
        known.put(words, value);
      }
    }
    return value;
  }
}
