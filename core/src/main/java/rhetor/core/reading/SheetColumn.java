package rhetor.core.reading;

import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * One column of a sheet before anybody knows what it is.
 *
 * @param raw its heading as it stands
 * @param isLetterOfSide whether its heading is the letter of a side ("W") beside another one's
 */
record SheetColumn(int index, String raw, Heading heading, Cells cells, boolean isLetterOfSide) {
  /** A column of fewer cells with a digit measures nothing, whatever its heading ends in. */
  private static final double HALF = 0.5;

  /** Letters that head the sides of a thing, in the languages that Rhetor reads. */
  private static final String LETTERS = "hwdlbt";

  /**
   * Id of the unit that the heading names, or is; empty if there is none. "kw" over words is no
   * unit, nor is "W" beside "H" and "D".
   */
  String unit(Knowledge knowledge) {
    if (!cells.isEmpty() && !cells.mostly(HALF, v -> v.chars().anyMatch(Character::isDigit))) {
      return "";
    }
    String unit =
        heading.unit().isEmpty() && !isLetterOfSide
            ? knowledge.unitWritten(raw.strip()).map(Unit::id).orElse("")
            : heading.unit();
    return unit.length() == 1 && cells.measureOtherThan(knowledge, unit) ? "" : unit;
  }

  /** Whether the heading is a letter that stands for a side where others are beside it. */
  boolean mayBeLetterOfSide() {
    return isLetter(heading.name());
  }

  /** Whether a heading is a letter that heads a side of things. */
  static boolean isLetter(String heading) {
    return heading.length() == 1 && LETTERS.contains(heading);
  }

  /** Whether the heading is nothing but a unit, the letter for what it measures before it. */
  boolean isUnitAlone() {
    return heading.unit().isEmpty() || raw.matches("\\p{L} .*");
  }
}
