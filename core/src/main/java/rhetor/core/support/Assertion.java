package rhetor.core.support;

/**
 * Something that a text states and that has to rest on a fact.
 *
 * @param kind what sort of statement it is
 * @param words the words that state it
 * @param start where they start in the text
 * @param end where they end
 * @param verdict what the product's facts say to it
 * @param against what they say instead, where they contradict it; else empty
 * @param instead the words that would be right, where they can be computed; else empty
 */
public record Assertion(
    Kind kind, String words, int start, int end, Verdict verdict, String against, String instead) {

  /** Sorts of statement that can be told by their words. */
  public enum Kind {
    NUMBER,
    RATING,
    MATERIAL,
    COLOUR,
    PROPERTY,
    COMPATIBILITY,
    ORIGIN,
    INCLUSION,
    COMPARATIVE,
    GUARANTEE,
    ENVIRONMENT,
    HEALTH,
    ABSOLUTE,
    ANSWER,
    MAKER,
    CERTIFICATE,
    OPEN
  }

  /** What facts say to a statement. */
  public enum Verdict {
    /** No fact says anything of it. */
    UNSUPPORTED,
    /** A fact says otherwise. */
    CONTRADICTED
  }

  /**
   * What words of a text state.
   *
   * @param against what a cell says instead, or empty
   */
  static Assertion of(Kind kind, String text, int start, int end, String against) {
    return new Assertion(
        kind,
        text.substring(start, end),
        start,
        end,
        against.isEmpty() ? Verdict.UNSUPPORTED : Verdict.CONTRADICTED,
        against,
        "");
  }

  /** The same with the words that would be right. */
  Assertion righted(String by) {
    return new Assertion(kind, words, start, end, verdict, against, by);
  }

  /** The same in a text that begins so much earlier. */
  Assertion movedBy(int places) {
    return new Assertion(kind, words, start + places, end + places, verdict, against, instead);
  }

  /** Whether it can't stand; words that stand nowhere and manners of speaking may. */
  public boolean isHeld() {
    return kind != Kind.OPEN && kind != Kind.ABSOLUTE;
  }
}
