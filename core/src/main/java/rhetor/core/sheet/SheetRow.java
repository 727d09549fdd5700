package rhetor.core.sheet;

import java.util.BitSet;
import java.util.List;

/**
 * One row of a sheet with the exact characters of its cells.
 *
 * @param number the row's number as a spreadsheet shows it; the headings are row 1
 * @param cells the cells' values, quotes removed
 * @param quoted which cells stood in quotes
 */
public record SheetRow(int number, List<String> cells, BitSet quoted) {

  public SheetRow {
    cells = List.copyOf(cells);
  }

  /** The cell at {@code column} (from 0), or empty when the row ends before it. */
  public String cell(int column) {
    return column < cells.size() ? cells.get(column) : "";
  }

  /** Whether the row has nothing in it. */
  public boolean isBlank() {
    return cells.stream().allMatch(String::isBlank);
  }

  /** The cell as it stood in the file, with its quotes. */
  public String raw(int column) {
    String value = cells.get(column);
    return quoted.get(column) ? '"' + value.replace("\"", "\"\"") + '"' : value;
  }
}
