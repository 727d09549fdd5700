package rhetor.core.fact;

/**
 * The cell that a fact comes from.
 *
 * @param sheet the sheet's file name
 * @param row the row's number as a spreadsheet shows it, 0 for what has none
 * @param column the column's heading; of what has none, who said it
 * @param raw what the cell says; of prose, the words that state the fact
 */
public record Source(String sheet, int row, String column, String raw) {
  private static final String IN_WORDS = "in the house's words";

  /** What the house says that a cell means. */
  public static Source inWords(String words) {
    return new Source("", 0, IN_WORDS, words);
  }

  /** Whether the house has put a cell in these words, and so answers for them. */
  public boolean isInWords() {
    return row == 0 && column.equals(IN_WORDS);
  }

  /**
   * The heading that somebody put over the cell; empty for what was typed or pasted by a person.
   */
  public String heading() {
    return row > 0 ? column : "";
  }
}
