package rhetor.core.language;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Cuts text into words: letters, with hyphens and apostrophes between them. */
public final class Words {
  private Words() {}

  /**
   * A word of a text.
   *
   * @param text the word in lower case
   * @param start where it starts in the text
   * @param end where it ends
   */
  public record Word(String text, int start, int end) {}

  /** The words of a text in order; numbers are none. */
  public static List<Word> of(String text) {
    List<Word> words = new ArrayList<>();
    int length = text.length();
    int i = 0;
    while (i < length) {
      if (!Character.isLetter(text.charAt(i))) {
        i++;
        continue;
      }
      int start = i;
      while (i < length
          && (Character.isLetter(text.charAt(i))
              || isJoint(text.charAt(i))
                  && i + 1 < length
                  && Character.isLetter(text.charAt(i + 1)))) {
        i++;
      }
      words.add(new Word(text.substring(start, i).toLowerCase(Locale.ROOT), start, i));
    }
    return words;
  }

  private static boolean isJoint(char c) {
    return c == '-' || c == '\'' || c == '’';
  }
}
