package rhetor.core.exchange;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.CharsetEncoder;
import java.util.List;
import rhetor.core.sheet.SheetFormat;
import rhetor.core.sheet.SheetLayout;
import rhetor.core.sheet.SheetRow;

/**
 * Writes a sheet with new columns behind its own. Cells of delimited text stand as they stood, byte
 * for byte; those of records are written so that no spreadsheet takes them for a formula.
 *
 * <p>Rows that are shorter than the widest one are filled up with empty cells, so that a new column
 * has the same place in every row.
 */
final class DelimitedWriter implements SheetWriter {
  private final SheetLayout layout;
  private final Writer out;
  private final CharsetEncoder encoder;

  /** A writer to {@code out}, in the encoding, delimiter and line ending of {@code layout}. */
  DelimitedWriter(OutputStream out, SheetLayout layout) throws IOException {
    this.layout = layout;
    this.out = new BufferedWriter(new OutputStreamWriter(out, layout.charset()), 1 << 16);
    this.encoder = layout.charset().newEncoder();
    if (layout.byteOrderMark()) {
      this.out.write('\uFEFF');
    }
  }

  @Override
  public void write(SheetRow row, List<String> newCells) throws IOException {
    int width = row.cells().size();
    for (int i = 0; i < layout.width(); i++) {
      if (i > 0) {
        out.write(layout.delimiter());
      }
      if (i < width) {
        out.write(own(row, i));
      }
    }
    for (String cell : newCells) {
      out.write(layout.delimiter());
      out.write(quote(FormulaGuard.neutral(encodable(cell))));
    }
    out.write(layout.lineEnding());
  }

  /** A cell of the sheet itself; what was no delimited text has no bytes to keep. */
  private String own(SheetRow row, int column) {
    return layout.format() == SheetFormat.DELIMITED
        ? row.raw(column)
        : quote(FormulaGuard.neutral(encodable(row.cell(column))));
  }

  private String quote(String cell) {
    boolean plain =
        cell.indexOf(layout.delimiter()) < 0
            && cell.indexOf('"') < 0
            && cell.indexOf('\n') < 0
            && cell.indexOf('\r') < 0;
    return plain ? cell : '"' + cell.replace("\"", "\"\"") + '"';
  }

  private String encodable(String cell) {
    return Encodable.text(cell, encoder);
  }

  @Override
  public void close() throws IOException {
    out.close();
  }
}
