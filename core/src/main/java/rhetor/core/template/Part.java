package rhetor.core.template;

/**
 * A block of a description.
 *
 * @param kind what it tells
 * @param heading what stands over it; empty for nothing
 * @param text the house's own words with slots, of an {@link Kind#OWN} block only
 */
public record Part(Kind kind, String heading, String text) {

  /** What a block tells. */
  public enum Kind {
    /** What the product is. */
    OPENING,
    /** What there is to tell and stands in no other block. */
    STORY,
    /** Facts and what they are good for. */
    BENEFITS,
    /** The facts as a list. */
    SPECIFICATION,
    /** What it is for and how it goes. */
    USE,
    /** How it is looked after. */
    CARE,
    /** What comes with it and how it is packed. */
    BOX,
    /** Where it comes from, where and when it is. */
    CLOSING,
    /** The house's own words. */
    OWN
  }

  public Part {
    heading = heading == null ? "" : heading.strip();
    text = text == null ? "" : text.strip();
  }

  /** A block without a heading. */
  public static Part of(Kind kind) {
    return new Part(kind, "", "");
  }
}
