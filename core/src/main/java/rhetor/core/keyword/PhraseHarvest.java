package rhetor.core.keyword;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.language.English;

/**
 * Finds the phrases that many texts are about: adjectives and nouns in a row that end in a noun,
 * scored by their C-value (Frantzi, Ananiadou and Mima, 2000), which a phrase loses as far as it is
 * only heard inside longer ones. Not safe for several threads while texts are added.
 */
public final class PhraseHarvest {
  private static final int LONGEST = 4;

  /** Texts of which phrases are counted; more of a kind say little new. */
  public static final int MOST_TEXTS = 2_000;

  private static final Pattern CLAUSE = Pattern.compile("[^\\p{L}\\p{N}\\s'’-]+|\\s-\\s");
  private static final Pattern SPACE = Pattern.compile("\\s+");

  /** Words that a dictionary has as nouns or adjectives but that begin or end no phrase. */
  private static final Set<String> EMPTY =
      Set.of(
          "own", "other", "such", "same", "more", "most", "many", "much", "few", "new", "good",
          "best", "great", "nice", "perfect", "ideal", "all", "one", "lot", "way", "thing", "use",
          "set", "is", "it", "its", "our", "your", "this", "that", "for", "and", "with", "can",
          "will", "has", "have", "not", "any", "each", "every", "in", "on", "as", "at", "by", "to",
          "of", "or", "up", "so", "we", "you", "be", "are", "do", "no");

  private final Map<String, Integer> texts = new HashMap<>();
  private int added;

  /**
   * A phrase of the texts.
   *
   * @param words the phrase in lower case
   * @param score its C-value, greater than 0
   * @param texts in how many texts it stands
   */
  public record Phrase(String words, double score, int texts) {}

  /** Counts the phrases of a text, each once; beyond {@link #MOST_TEXTS} texts nothing happens. */
  public void add(String text) {
    if (added < MOST_TEXTS) {
      added++;
      phrases(text).forEach(p -> texts.merge(p, 1, Integer::sum));
    }
  }

  /** The phrases of at least two texts, the best first. */
  public List<Phrase> phrases() {
    Map<String, int[]> inside = new HashMap<>();
    texts.forEach(
        (longer, times) -> {
          if (times > 1) {
            for (String shorter : parts(longer)) {
              int[] sum = inside.computeIfAbsent(shorter, p -> new int[2]);
              sum[0] += times;
              sum[1]++;
            }
          }
        });
    List<Phrase> phrases = new ArrayList<>();
    texts.forEach(
        (words, times) -> {
          int[] nested = inside.getOrDefault(words, new int[] {0, 0});
          double own = times - (nested[1] == 0 ? 0 : (double) nested[0] / nested[1]);
          double score = Math.log(words.split(" ").length) / Math.log(2) * own;
          if (times > 1 && score > 0) {
            phrases.add(new Phrase(words, score, times));
          }
        });
    phrases.sort(Comparator.comparingDouble(Phrase::score).reversed().thenComparing(Phrase::words));
    return phrases;
  }

  /** The phrases of two to four words in a text. */
  static Set<String> phrases(String text) {
    Set<String> phrases = new HashSet<>();
    for (String clause : CLAUSE.split(text.toLowerCase(Locale.ROOT))) {
      String[] words = SPACE.split(clause.strip());
      for (int end = 1; end < words.length; end++) {
        // "Closes" and "pockets" are verbs too: in mid-sentence they are taken for that.
        boolean verb = end + 1 < words.length && English.tags(words[end]).contains("VBZ");
        if (verb || !isNoun(words[end])) {
          continue;
        }
        StringBuilder phrase = new StringBuilder(words[end]);
        for (int from = end - 1; from >= 0 && end - from < LONGEST; from--) {
          if (!isNoun(words[from]) && !isDescribing(words[from])) {
            break;
          }
          phrases.add(phrase.insert(0, words[from] + " ").toString());
        }
      }
    }
    return phrases;
  }

  private static boolean isNoun(String word) {
    return isTelling(word) && English.isKnown(word) && English.isNoun(word);
  }

  private static boolean isDescribing(String word) {
    return isTelling(word) && (word.indexOf('-') > 0 || English.isAdjective(word));
  }

  private static boolean isTelling(String word) {
    return word.length() > 2
        && Character.isLetter(word.charAt(0))
        && !EMPTY.contains(word)
        // "Two straps" is how many, not what.
        && !English.tags(word).contains("CD");
  }

  /** The shorter phrases inside a longer one. */
  private static List<String> parts(String phrase) {
    String[] words = phrase.split(" ");
    List<String> parts = new ArrayList<>();
    for (int length = 2; length < words.length; length++) {
      for (int from = 0; from + length <= words.length; from++) {
        parts.add(String.join(" ", List.of(words).subList(from, from + length)));
      }
    }
    return parts;
  }
}
