package rhetor.core.keyword;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Words;

/**
 * How and where a keyword stands in a text.
 *
 * @param form how it stands there
 * @param start where the match starts, -1 if missing
 * @param end where it ends, -1 if missing
 */
public record KeywordMatch(Form form, int start, int end) {

  /** How a keyword can stand in a text. */
  public enum Form {
    WORD_FOR_WORD,
    INFLECTED,
    /** Its words are near each other in one sentence, in another order or with others between. */
    REWORDED,
    MISSING
  }

  /** Words that a keyword can be said without: "bag for wet days", "wet day bag". */
  private static final Set<String> SMALL =
      Set.of(
          "a", "an", "and", "as", "at", "by", "for", "from", "in", "of", "on", "or", "that", "the",
          "to", "which", "with");

  /** How many words may stand among the keyword's own for it to be there still. */
  private static final int BETWEEN = 5;

  private static final Pattern SENTENCE_END = Pattern.compile("[.!?]\\s|\\n");

  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}'’-]*");

  /**
   * Looks for the keyword's words in a row, regardless of case; then for the same stems in a row;
   * then for the same stems near each other.
   */
  public static KeywordMatch find(String keyword, String text) {
    int exact = Words.find(keyword.strip(), text);
    if (exact >= 0) {
      return new KeywordMatch(Form.WORD_FOR_WORD, exact, exact + keyword.strip().length());
    }
    List<String> wanted = new ArrayList<>();
    Matcher k = WORD.matcher(keyword);
    while (k.find()) {
      wanted.add(English.stem(k.group()));
    }
    List<int[]> places = new ArrayList<>();
    List<String> stems = new ArrayList<>();
    Matcher t = WORD.matcher(text.toLowerCase(Locale.ROOT));
    while (t.find()) {
      places.add(new int[] {t.start(), t.end()});
      stems.add(English.stem(t.group()));
    }
    for (int i = 0; !wanted.isEmpty() && i + wanted.size() <= stems.size(); i++) {
      if (stems.subList(i, i + wanted.size()).equals(wanted)) {
        return new KeywordMatch(
            Form.INFLECTED, places.get(i)[0], places.get(i + wanted.size() - 1)[1]);
      }
    }
    return reworded(keyword, text, stems, places);
  }

  /** Whether its words stand one after another, whatever their endings. */
  public boolean isInARow() {
    return form == Form.WORD_FOR_WORD || form == Form.INFLECTED;
  }

  /** The shortest run of words of one sentence that has all stems of the keyword. */
  private static KeywordMatch reworded(
      String keyword, String text, List<String> stems, List<int[]> places) {
    Set<String> wanted = new HashSet<>();
    Matcher k = WORD.matcher(keyword.toLowerCase(Locale.ROOT));
    while (k.find()) {
      if (!SMALL.contains(k.group())) {
        wanted.add(English.stem(k.group()));
      }
    }
    KeywordMatch best = new KeywordMatch(Form.MISSING, -1, -1);
    int longest = wanted.size() + BETWEEN;
    for (int i = 0; wanted.size() > 1 && i < stems.size(); i++) {
      if (!wanted.contains(stems.get(i))) {
        continue;
      }
      Set<String> left = new HashSet<>(wanted);
      for (int j = i; j < Math.min(stems.size(), i + longest); j++) {
        left.remove(stems.get(j));
        if (left.isEmpty()) {
          int start = places.get(i)[0];
          int end = places.get(j)[1];
          boolean shorter = best.start < 0 || end - start < best.end - best.start;
          if (shorter && !SENTENCE_END.matcher(text.substring(start, end)).find()) {
            best = new KeywordMatch(Form.REWORDED, start, end);
          }
          break;
        }
      }
    }
    return best;
  }
}
