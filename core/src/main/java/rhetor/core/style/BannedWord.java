package rhetor.core.style;

/**
 * A word or phrase that the house doesn't use.
 *
 * @param word the word or phrase, in lower case unless it is a name
 * @param instead what stands in its place, or empty if the sentence has to do without
 */
public record BannedWord(String word, String instead) {
  public BannedWord {
    word = word == null ? "" : word.strip();
    instead = instead == null ? "" : instead.strip();
  }
}
