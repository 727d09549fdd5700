package rhetor.core.keyword;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
    MISSING
  }

  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}'’-]*");

  /**
   * Looks for the keyword's words in a row, regardless of case; then for the same stems in a row.
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
    return new KeywordMatch(Form.MISSING, -1, -1);
  }
}
