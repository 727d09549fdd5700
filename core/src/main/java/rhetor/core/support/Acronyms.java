package rhetor.core.support;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Words.Word;

/** Finds the words that capitals in a sheet stand for: "SW" is salt water, "QR" quick release. */
final class Acronyms {
  private static final Pattern CAPITALS =
      Pattern.compile("(?<![\\p{L}\\d-])\\p{Lu}{2,5}(?![\\p{L}\\d])");

  private static final int SHORTEST = 3;

  private Acronyms() {}

  /** The capitals of a text, in lower case. */
  static Set<String> in(String text) {
    Set<String> found = new HashSet<>();
    Matcher m = CAPITALS.matcher(text);
    while (m.find()) {
      found.add(m.group().toLowerCase(Locale.ROOT));
    }
    return found;
  }

  /**
   * Where words stand side by side that begin with the letters of an acronym; small words between
   * them needn't have one ("FDM": fat in dry matter).
   *
   * @return those words and what stands between them; none if there are none
   */
  static List<Word> find(String acronym, List<Word> all) {
    for (int first = 0; first < all.size(); first++) {
      if (isOfCompound(acronym, all.get(first).text())) {
        return all.subList(first, first + 1);
      }
      int letter = 0;
      int last = first;
      for (int i = first; i < all.size() && letter < acronym.length(); i++) {
        String word = all.get(i).text();
        boolean isSmall = word.length() <= 2 || JudgeWords.shipped().isFunction(word);
        if (!isSmall && word.charAt(0) == acronym.charAt(letter)) {
          letter++;
          last = i;
        } else if (i == first || !isSmall) {
          break;
        }
      }
      if (letter == acronym.length() && last > first) {
        return all.subList(first, last + 1);
      }
    }
    return List.of();
  }

  /** "BT" is of the two words of "bluetooth". */
  private static boolean isOfCompound(String acronym, String word) {
    if (acronym.length() != 2 || word.charAt(0) != acronym.charAt(0)) {
      return false;
    }
    int second = word.indexOf(acronym.charAt(1), SHORTEST);
    return second > 0
        && word.length() - second >= SHORTEST
        && English.isNoun(word.substring(second))
        && English.isKnown(word.substring(0, second))
        && !English.isKnown(word);
  }
}
