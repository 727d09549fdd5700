package rhetor.core.fact;

/**
 * The cell that a fact comes from.
 *
 * @param sheet the sheet's file name
 * @param row the row's number as a spreadsheet shows it
 * @param column the column's heading
 * @param raw what the cell says; of prose, the words that state the fact
 */
public record Source(String sheet, int row, String column, String raw) {}
