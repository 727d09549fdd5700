package rhetor.core.text;

/**
 * What a sentence rests on.
 *
 * @param kind whether it is a fact, a claim, the range's figures, the house's keyword or its word
 * @param id id of the fact (within its product) or of the claim; the keyword or sentence itself
 */
public record Support(Kind kind, String id) {

  /** What sort of thing a sentence rests on. */
  public enum Kind {
    FACT,
    CLAIM,
    /** The figures of the range; the id says which. */
    RANGE,
    KEYWORD,
    /** What the house always says; the id is the sentence. */
    HOUSE,
    /** The house's own words in a template; the id is the sentence. */
    TEMPLATE
  }

  public static Support fact(String id) {
    return new Support(Kind.FACT, id);
  }

  public static Support claim(String id) {
    return new Support(Kind.CLAIM, id);
  }

  public static Support range(String grounds) {
    return new Support(Kind.RANGE, grounds);
  }

  public static Support house(String sentence) {
    return new Support(Kind.HOUSE, sentence);
  }

  public static Support template(String sentence) {
    return new Support(Kind.TEMPLATE, sentence);
  }

  public static Support keyword(String keyword) {
    return new Support(Kind.KEYWORD, keyword);
  }
}
