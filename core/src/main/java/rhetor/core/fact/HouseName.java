package rhetor.core.fact;

/**
 * What the house calls something that suppliers call otherwise.
 *
 * @param kind what sort of word it is
 * @param written what suppliers write, whatever its case; for units, the id of theirs
 * @param printed what the house prints; for units, the id of its own
 */
public record HouseName(Kind kind, String written, String printed) {

  /** Sorts of words that have a house name. */
  public enum Kind {
    COLOUR,
    MATERIAL,
    SIZE,
    UNIT,
    /** A value of any other fact. */
    OTHER
  }

  public HouseName {
    if (written.isBlank() || printed.isBlank()) {
      throw new IllegalArgumentException("A house name needs what is written and what is printed.");
    }
  }
}
