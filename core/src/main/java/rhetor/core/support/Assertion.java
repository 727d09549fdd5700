package rhetor.core.support;

/**
 * Something that a text states and that has to rest on a fact.
 *
 * @param kind what sort of statement it is
 * @param words the words that state it
 * @param start where they start in the text
 * @param end where they end
 */
public record Assertion(Kind kind, String words, int start, int end) {

  /** Sorts of statement that can be told by their words. */
  public enum Kind {
    NUMBER,
    RATING,
    MATERIAL,
    COLOUR,
    PROPERTY,
    ABSOLUTE,
    SUPERLATIVE
  }
}
