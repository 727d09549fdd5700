package rhetor.core.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetLayout;
import rhetor.core.sheet.SheetRow;

/**
 * Writes a sheet again with its own cells as they stood, and new columns behind them: delimited
 * text byte for byte, workbooks as XLSX, records as text with commas.
 */
public interface SheetWriter extends AutoCloseable {

  /** A writer of what a sheet of this layout is written as. */
  static SheetWriter open(OutputStream out, SheetLayout layout) throws IOException {
    return layout.format().isWorkbook()
        ? new WorkbookWriter(out, layout)
        : new DelimitedWriter(out, layout);
  }

  /** The extension of such a file's name. */
  static String extension(SheetLayout layout) {
    return layout.format().isWorkbook() ? "xlsx" : "csv";
  }

  /** Writes what stands above the first product, with the new columns' headings. */
  default void head(Sheet sheet, List<String> newHeadings) throws IOException {
    for (SheetRow row : sheet.head()) {
      write(row, row.number() == sheet.headingRow() ? newHeadings : List.of());
    }
  }

  /** Writes a row of the original sheet with new cells behind it. A blank row stays blank. */
  void write(SheetRow row, List<String> newCells) throws IOException;

  /**
   * A cell that no spreadsheet runs as a formula: one that starts with a character that begins a
   * formula gets an apostrophe in front (OWASP, CSV injection), unless it is a number below zero.
   */
  static String neutral(String cell) {
    return !cell.isEmpty()
            && "=+-@\t\r\uFF1D\uFF0B\uFF0D\uFF20".indexOf(cell.charAt(0)) >= 0
            && !cell.matches("-\\d{1,15}(?:[.,]\\d{1,15})?")
        ? "'" + cell
        : cell;
  }

  @Override
  void close() throws IOException;
}
