package rhetor.core.exchange;

import java.io.IOException;
import java.util.List;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;

/**
 * Writes a sheet again with its own cells as they stood, and new columns behind them: delimited
 * text byte for byte, workbooks as XLSX, records as text with commas.
 */
public interface SheetWriter extends AutoCloseable {

  /** Writes what stands above the first product, with the new columns' headings. */
  default void head(Sheet sheet, List<String> newHeadings) throws IOException {
    for (SheetRow row : sheet.head()) {
      write(row, row.number() == sheet.headingRow() ? newHeadings : List.of());
    }
  }

  /** Writes a row of the original sheet with new cells behind it. A blank row stays blank. */
  void write(SheetRow row, List<String> newCells) throws IOException;

  @Override
  void close() throws IOException;
}
