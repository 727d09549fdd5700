package rhetor.core.language;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Cuts text into words: letters, with hyphens and apostrophes between them. */
public final class Words {
  private static final int LONGEST = 800;

  /** A sentence is cut for each that judges it. */
  private static final Memo<List<Word>> CUT = new Memo<>(Words::cut, LONGEST);

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
    return CUT.of(text);
  }

  private static List<Word> cut(String text) {
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
    return List.copyOf(words);
  }

  /**
   * Where words stand in a text with no letter or digit beside them, whatever their case.
   *
   * @return the first such place, -1 if there is none or there are no words
   */
  public static int find(String words, String text) {
    int last = words.isEmpty() ? -1 : text.length() - words.length();
    char first = words.isEmpty() ? 0 : Character.toLowerCase(words.charAt(0));
    for (int at = 0; at <= last; at++) {
      if (Character.toLowerCase(text.charAt(at)) == first
          && text.regionMatches(true, at, words, 0, words.length())
          && !isInWord(text, at - 1)
          && !isInWord(text, at + words.length())) {
        return at;
      }
    }
    return -1;
  }

  private static boolean isInWord(String text, int at) {
    return at >= 0 && at < text.length() && Character.isLetterOrDigit(text.charAt(at));
  }

  private static boolean isJoint(char c) {
    return c == '-' || c == '\'' || c == '’';
  }
}
