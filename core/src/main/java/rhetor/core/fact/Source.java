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

  /**
   * The heading that somebody put over the cell; empty for what was typed or pasted by a person.
   */
  public String heading() {
    return row > 0 ? column : "";
  }
}
