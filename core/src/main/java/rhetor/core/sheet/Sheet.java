package rhetor.core.sheet;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import de.siegmar.fastcsv.reader.RecordType;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CodingErrorAction;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NoSuchElementException;

/** A supplier's file of delimited text that has been looked through once and can be streamed. */
public final class Sheet {
  /** Above this a single field is taken for a quote that was never closed. */
  private static final int PARSER_BUFFER = 16 * 1024 * 1024;

  private final Path file;
  private final SheetLayout layout;
  private final SheetLimits limits;

  private Sheet(Path file, SheetLayout layout, SheetLimits limits) {
    this.file = file;
    this.layout = layout;
    this.limits = limits;
  }

  /** Opens a sheet within {@link SheetLimits#STANDARD}. */
  public static Sheet open(Path file) {
    return open(file, SheetLimits.STANDARD);
  }

  /**
   * Looks a file through: its encoding, delimiter, headings and size.
   *
   * @throws SheetException if it is no sheet, is empty, has headings only, is wrongly encoded, has
   *     a quote that is never closed, or is larger than {@code limits}
   * @throws UncheckedIOException if the file can't be read
   */
  public static Sheet open(Path file, SheetLimits limits) {
    try {
      long size = Files.size(file);
      if (size > limits.bytes()) {
        throw new SheetException(
            SheetProblem.ofSheet(
                "too-large",
                "The file has %,d bytes; a sheet may have up to %,d."
                    .formatted(size, limits.bytes()),
                "Split it into smaller sheets with the same headings."));
      }
      Encoding encoding = Encoding.detect(file);
      Delimiter delimiter = Delimiter.detect(file, encoding);
      SheetLayout draft =
          new SheetLayout(
              encoding.charset(),
              encoding.byteOrderMark(),
              delimiter.character(),
              delimiter.lineEnding(),
              List.of(),
              0,
              0,
              encoding.evidence() + " " + delimiter.evidence());
      return new Sheet(file, measure(new Sheet(file, draft, limits)), limits);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A sheet that was looked through before, and whose file has not changed since. */
  public static Sheet known(Path file, SheetLayout layout) {
    return new Sheet(file, layout, SheetLimits.STANDARD);
  }

  private static SheetLayout measure(Sheet draft) {
    SheetLayout layout = draft.layout;
    List<String> headings = null;
    int width = 0;
    int rows = 0;
    boolean anything = false;
    try (Rows all = draft.all()) {
      while (all.hasNext()) {
        SheetRow row = all.next();
        width = Math.max(width, row.cells().size());
        if (width > draft.limits.columns()) {
          throw new SheetException(
              new SheetProblem(
                  "too-wide",
                  row.number(),
                  "",
                  "There are %,d cells; a sheet may have up to %,d columns."
                      .formatted(width, draft.limits.columns()),
                  "Check the delimiter, or remove columns that are not needed."));
        }
        if (headings == null) {
          headings = row.cells();
          continue;
        }
        rows++;
        anything |= !row.isBlank();
        if (rows > draft.limits.rows()) {
          throw new SheetException(
              SheetProblem.ofSheet(
                  "too-long",
                  "The sheet has more than %,d rows.".formatted(draft.limits.rows()),
                  "Split it into smaller sheets with the same headings."));
        }
      }
    }
    if (headings == null || headings.stream().allMatch(String::isBlank)) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "empty",
              "The first row has no headings.",
              "Put the columns' names into the first row, and one product into each row below."));
    }
    if (!anything) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "headings-only",
              "The sheet has headings but no rows.",
              "Add a row for each product, or choose another file."));
    }
    return new SheetLayout(
        layout.charset(),
        layout.byteOrderMark(),
        layout.delimiter(),
        layout.lineEnding(),
        unique(headings),
        width,
        rows,
        layout.evidence());
  }

  /** Headings that can be told apart: empty ones get their number, repeated ones a counter. */
  private static List<String> unique(List<String> cells) {
    Map<String, Integer> seen = new HashMap<>();
    List<String> names = new ArrayList<>();
    for (int i = 0; i < cells.size(); i++) {
      String name = cells.get(i).strip().replaceAll("\\s+", " ").replaceAll("\\p{Cntrl}", "");
      name = name.isEmpty() ? "Column " + (i + 1) : name;
      int count = seen.merge(name.toLowerCase(Locale.ROOT), 1, Integer::sum);
      names.add(count == 1 ? name : name + " (" + count + ")");
    }
    return names;
  }

  public SheetLayout layout() {
    return layout;
  }

  /**
   * Streams the rows below the headings. Close it when done.
   *
   * @throws SheetException while iterating, if a row can't be parsed
   */
  public Rows rows() {
    Rows rows = all();
    rows.next();
    return rows;
  }

  /** Streams all rows, the headings too. */
  public Rows all() {
    return new Rows();
  }

  /**
   * What makes a row unusable, or nothing: more cells than headings, or a cell over the limit. A
   * row with fewer cells than headings is complete; the missing ones are empty.
   */
  public List<SheetProblem> problems(SheetRow row) {
    List<SheetProblem> found = new ArrayList<>();
    int columns = layout.headings().size();
    if (row.cells().size() > columns) {
      found.add(
          new SheetProblem(
              "ragged-row",
              row.number(),
              "",
              "The row has %d cells but there are %d headings, so its cells can't be told apart."
                  .formatted(row.cells().size(), columns),
              "Put quotes around cells that contain a " + layout.delimiterName() + "."));
    }
    for (int i = 0; i < Math.min(columns, row.cells().size()); i++) {
      int length = row.cells().get(i).length();
      if (length > limits.cellCharacters()) {
        found.add(
            new SheetProblem(
                "cell-too-long",
                row.number(),
                layout.headings().get(i),
                "The cell has %,d characters; up to %,d are read."
                    .formatted(length, limits.cellCharacters()),
                "Shorten it in the sheet and take the row in again."));
      }
    }
    return found;
  }

  /** The rows of a sheet, one at a time. */
  public final class Rows implements Iterator<SheetRow>, AutoCloseable {
    private final CsvReader<SheetRow> reader;
    private final Iterator<SheetRow> rows;
    private final RowHandler handler = new RowHandler();
    private SheetRow next;

    private Rows() {
      try {
        Reader in =
            new InputStreamReader(
                Files.newInputStream(file),
                layout
                    .charset()
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT));
        if (layout.byteOrderMark()) {
          in.read();
        }
        reader =
            CsvReader.builder()
                .fieldSeparator(layout.delimiter())
                .skipEmptyLines(false)
                .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
                .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
                .allowUnclosedQuote(false)
                .maxBufferSize(PARSER_BUFFER)
                .build(handler, in);
        rows = reader.iterator();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    @Override
    public boolean hasNext() {
      if (next == null) {
        next = read();
      }
      return next != null;
    }

    @Override
    public SheetRow next() {
      if (!hasNext()) {
        throw new NoSuchElementException();
      }
      SheetRow row = next;
      next = null;
      return row;
    }

    private SheetRow read() {
      try {
        return rows.hasNext() ? rows.next() : null;
      } catch (CsvParseException e) {
        throw new SheetException(
            new SheetProblem(
                "unbalanced-quote",
                handler.number,
                "",
                "A quotation mark opens or closes in the middle of the row and its pair is missing,"
                    + " so the rows below can't be told apart.",
                "Close the quotation mark, or double it if it belongs to the text, and drop the"
                    + " sheet again."));
      } catch (UncheckedIOException e) {
        if (e.getCause() instanceof java.nio.charset.CharacterCodingException) {
          throw new SheetException(Encoding.broken(handler.number + 1, layout.charset()));
        }
        throw e;
      }
    }

    @Override
    public void close() {
      try {
        reader.close();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private static final class RowHandler extends AbstractBaseCsvCallbackHandler<SheetRow> {
    private int number;
    private List<String> cells = new ArrayList<>();
    private BitSet quoted = new BitSet();

    @Override
    protected void handleBegin(long startingLineNumber) {
      number++;
      cells = new ArrayList<>(cells.size());
      quoted = new BitSet();
    }

    @Override
    protected void handleField(int index, char[] buffer, int offset, int length, boolean inQuotes) {
      cells.add(new String(buffer, offset, length));
      if (inQuotes) {
        quoted.set(index);
      }
    }

    @Override
    protected void handleEmpty() {
      cells.add("");
    }

    @Override
    protected SheetRow buildRecord() {
      return new SheetRow(number, cells, quoted);
    }

    @Override
    protected RecordType getRecordType() {
      return RecordType.DATA;
    }
  }
}
