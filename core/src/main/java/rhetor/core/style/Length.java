package rhetor.core.style;

/**
 * How long a text may be; 0 means that nobody has said.
 *
 * @param leastCharacters fewest characters of plain text
 * @param mostCharacters most characters of plain text
 * @param leastWords fewest words
 * @param mostWords most words
 */
public record Length(int leastCharacters, int mostCharacters, int leastWords, int mostWords) {

  /** No limit but these characters. */
  public static Length ofCharacters(int least, int most) {
    return new Length(least, most, 0, 0);
  }

  /** Whether a text isn't too long. */
  public boolean fits(String text) {
    return (mostCharacters == 0 || text.length() <= mostCharacters)
        && (mostWords == 0 || words(text) <= mostWords);
  }

  /** How many words a text has: what stands between spaces and has a letter or digit. */
  public static int words(String text) {
    int words = 0;
    boolean inWord = false;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (Character.isWhitespace(c)) {
        inWord = false;
      } else if (!inWord && Character.isLetterOrDigit(c)) {
        inWord = true;
        words++;
      }
    }
    return words;
  }
}
