package rhetor.core.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Iterator;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.SheetVisibility;

/** Rows of an XLSX worksheet (ECMA-376), as a spreadsheet program would show their cells. */
final class XlsxRows implements RowStream {
  private static final ReadingOptions OPTIONS = new ReadingOptions(true, true);
  private static final ReadingOptions WITHOUT_STYLES = new ReadingOptions(false, true);

  /**
   * A number format that shows a date: days, months or years outside of quoted words and colours.
   */
  private static final Pattern DATE =
      Pattern.compile(
          "(?i)(?:[^\"\\[]|\"[^\"]*\"|\\[[^\\]]*\\])*?(?:d{1,4}[^a-z]*m|m{1,5}[^a-z]*[dy]|yy).*");

  /** ECMA-376, part 1, 18.8.30: a format code has 255 characters at most. */
  private static final int LONGEST_FORMAT = 255;

  /** Digits that a floating-point number of IEEE 754 double precision keeps. */
  private static final MathContext DOUBLE = new MathContext(15);

  private final WorkbookNotes notes = new WorkbookNotes();
  private final ReadableWorkbook book;
  private final Stream<Row> stream;
  private final Iterator<Row> rows;

  /** A worksheet's name and whether a person opening the workbook would see it. */
  record Worksheet(String name, boolean visible) {}

  /**
   * Opens a worksheet.
   *
   * @throws SheetException if there is none of that name, or it is damaged
   */
  XlsxRows(Path file, String worksheet) {
    try {
      book = open(file);
      org.dhatim.fastexcel.reader.Sheet sheet =
          book.findSheet(worksheet)
              .orElseThrow(
                  () ->
                      new SheetException(
                          SheetProblem.ofSheet(
                              "no-worksheet",
                              "There is no worksheet called \"" + worksheet + "\".",
                              "Choose one of those that there are.")));
      stream = sheet.openStream();
      rows = stream.iterator();
    } catch (Exception e) {
      throw problem(e);
    }
  }

  /** Styles are optional (ECMA-376, part 1, 12.3.20); without them no number is a date. */
  private static ReadableWorkbook open(Path file) throws IOException {
    try {
      return new ReadableWorkbook(file.toFile(), OPTIONS);
    } catch (ExcelReaderException e) {
      return new ReadableWorkbook(file.toFile(), WITHOUT_STYLES);
    }
  }

  /** The reader throws whatever a broken part of the workbook makes it stumble over. */
  private static RuntimeException problem(Exception e) {
    return e instanceof SheetException said ? said : ZipGuard.damaged();
  }

  static List<Worksheet> worksheets(Path file) {
    try (ReadableWorkbook book = open(file)) {
      return book.getSheets()
          .map(s -> new Worksheet(s.getName(), s.getVisibility() == SheetVisibility.VISIBLE))
          .toList();
    } catch (Exception e) {
      throw problem(e);
    }
  }

  @Override
  public SheetRow next() {
    try {
      if (!rows.hasNext()) {
        return null;
      }
      Row row = rows.next();
      if (row.isHidden()) {
        notes.hiddenRow();
      }
      List<String> cells = new ArrayList<>(row.getCellCount());
      for (Cell cell : row) {
        cells.add(cell == null ? "" : text(cell));
      }
      return new SheetRow(row.getRowNum(), cells, new BitSet());
    } catch (Exception e) {
      throw problem(e);
    }
  }

  private String text(Cell cell) {
    if (cell.getFormula() != null) {
      notes.formula();
    }
    CellType type = cell.getType();
    return switch (type) {
      case EMPTY -> "";
      case STRING -> cell.asString();
      case BOOLEAN -> cell.asBoolean() ? "yes" : "no";
      case ERROR -> {
        notes.error();
        yield "";
      }
      case NUMBER -> isDate(cell) ? date(cell) : number(cell.asNumber());
      case FORMULA -> formulaResult(cell);
    };
  }

  private String formulaResult(Cell cell) {
    String raw = cell.getRawValue();
    if (raw == null) {
      return "";
    }
    if (raw.startsWith("#")) {
      notes.error();
      return "";
    }
    try {
      return number(new BigDecimal(raw));
    } catch (NumberFormatException e) {
      return raw;
    }
  }

  private static boolean isDate(Cell cell) {
    String format = cell.getDataFormatString();
    return format != null && format.length() <= LONGEST_FORMAT && DATE.matcher(format).matches();
  }

  /** ISO 8601, without the time when it is midnight. */
  private String date(Cell cell) {
    LocalDateTime at;
    try {
      at = cell.asDate();
    } catch (RuntimeException e) {
      // No calendar reaches as far; the cell shows its number.
      return number(cell.asNumber());
    }
    return at.toLocalTime().toSecondOfDay() == 0 ? at.toLocalDate().toString() : at.toString();
  }

  private String number(BigDecimal n) {
    BigDecimal plain = n.round(DOUBLE).stripTrailingZeros();
    if (plain.precision() - plain.scale() > DOUBLE.getPrecision()) {
      notes.longNumber();
    }
    return PlainNumber.of(plain);
  }

  @Override
  public List<String> notes() {
    return notes.inWords();
  }

  @Override
  public void close() {
    try {
      stream.close();
      book.close();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
