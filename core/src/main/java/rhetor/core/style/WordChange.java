package rhetor.core.style;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/**
 * A word, or up to three, that somebody put in place of others in a sentence that else stands.
 *
 * @param word what stood there, in lower case
 * @param instead what stands there now, in lower case
 */
public record WordChange(String word, String instead) {
  /** A longer run is another way to say it, not another word. */
  private static final int MOST = 3;

  /** So many words of a sentence have to stay for it to be the same one. */
  private static final int STAY = 3;

  /** Shorter words are grammar. */
  private static final int TELLING = 4;

  /**
   * What was put in place of what.
   *
   * @param before sentences as they were
   * @param after sentences as they are
   * @param own words of the product's names and values, in lower case: to change those is to
   *     correct a fact
   */
  public static List<WordChange> between(List<String> before, List<String> after, Set<String> own) {
    Set<String> stood = new HashSet<>(before);
    Set<String> stands = new HashSet<>(after);
    List<WordChange> changes = new ArrayList<>();
    for (String now : after) {
      if (stood.contains(now)) {
        continue;
      }
      before.stream()
          .filter(then -> !stands.contains(then))
          .flatMap(then -> between(then, now).stream())
          .filter(c -> c.isOfWords(own))
          .findFirst()
          .ifPresent(changes::add);
    }
    return changes;
  }

  private static Optional<WordChange> between(String before, String after) {
    List<String> then = words(before);
    List<String> now = words(after);
    int shorter = Math.min(then.size(), now.size());
    int front = 0;
    while (front < shorter && then.get(front).equals(now.get(front))) {
      front++;
    }
    int back = 0;
    while (back < shorter - front
        && then.get(then.size() - 1 - back).equals(now.get(now.size() - 1 - back))) {
      back++;
    }
    int left = then.size() - front - back;
    int put = now.size() - front - back;
    return front + back >= STAY && left > 0 && left <= MOST && put > 0 && put <= MOST
        ? Optional.of(
            new WordChange(
                String.join(" ", then.subList(front, then.size() - back)),
                String.join(" ", now.subList(front, now.size() - back))))
        : Optional.empty();
  }

  private static List<String> words(String sentence) {
    return Words.of(sentence).stream().map(Word::text).toList();
  }

  private boolean isOfWords(Set<String> own) {
    return telling(word) && telling(instead) && !isOwn(word, own) && !isOwn(instead, own);
  }

  private static boolean telling(String words) {
    return words(words).stream().anyMatch(w -> w.length() >= TELLING);
  }

  private static boolean isOwn(String words, Set<String> own) {
    return words(words).stream().anyMatch(own::contains);
  }
}
