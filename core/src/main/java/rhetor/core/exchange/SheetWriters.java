package rhetor.core.exchange;

import java.io.IOException;
import java.io.OutputStream;
import rhetor.core.sheet.SheetLayout;

/** Opens writers of sheets, each for the format that a sheet is written in. */
public final class SheetWriters {
  private SheetWriters() {}

  /** A writer of what a sheet of this layout is written as. */
  public static SheetWriter open(OutputStream out, SheetLayout layout) throws IOException {
    return layout.format().isWorkbook()
        ? new WorkbookWriter(out, layout)
        : new DelimitedWriter(out, layout);
  }

  /** The extension of such a file's name. */
  public static String extension(SheetLayout layout) {
    return layout.format().isWorkbook() ? "xlsx" : "csv";
  }
}
