package rhetor.core.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import rhetor.core.sheet.SheetLayout;
import rhetor.core.sheet.SheetRow;

/** Writes rows to one worksheet of an XLSX workbook (ECMA-376), each under its own number. */
final class WorkbookWriter implements SheetWriter {
  /**
   * What a spreadsheet shows as the same number again: no leading zeros, fifteen digits at most.
   */
  private static final Pattern NUMBER = Pattern.compile("-?(?:0|[1-9]\\d{0,11})(?:\\.\\d{1,3})?");

  private static final int FLUSHED = 500;

  private final Workbook book;
  private final Worksheet sheet;
  private final SheetLayout layout;
  private int written;

  WorkbookWriter(OutputStream out, SheetLayout layout) {
    this.layout = layout;
    this.book = new Workbook(out, "Rhetor", "1.0");
    String name = layout.shape().worksheet();
    this.sheet = book.newWorksheet(name.isEmpty() ? "Products" : name);
  }

  @Override
  public void write(SheetRow row, List<String> newCells) throws IOException {
    int at = Math.max(0, row.number() - 1);
    for (int c = 0; c < row.cells().size(); c++) {
      String cell = row.cells().get(c);
      if (NUMBER.matcher(cell).matches()) {
        sheet.value(at, c, new BigDecimal(cell));
      } else if (!cell.isEmpty()) {
        sheet.value(at, c, cell);
      }
    }
    for (int c = 0; c < newCells.size(); c++) {
      String cell = newCells.get(c);
      if (!cell.isEmpty()) {
        sheet.value(at, layout.width() + c, FormulaGuard.neutral(cell));
      }
    }
    if (++written % FLUSHED == 0) {
      sheet.flush();
    }
  }

  @Override
  public void close() throws IOException {
    book.close();
  }
}
