package rhetor.core.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * A supplier's file with rows of products, in any {@link SheetFormat}, that has been looked through
 * once and can be streamed.
 */
public final class Sheet {
  private static final int PARSED_AHEAD = 1_000;

  private final Path file;
  private final SheetLayout layout;
  private final SheetLimits limits;

  /** Where its rows are kept once they are parsed, if that takes long. */
  private final Optional<Path> kept;

  private Sheet(Path file, SheetLayout layout, SheetLimits limits, Optional<Path> kept) {
    this.file = file;
    this.layout = layout;
    this.limits = limits;
    this.kept = kept;
  }

  /** Opens a sheet within {@link SheetLimits#STANDARD}. */
  public static Sheet open(Path file) {
    return open(file, SheetLimits.STANDARD);
  }

  /**
   * Looks a file through: its format, encoding, headings and size.
   *
   * @throws SheetException if it is no sheet, is empty, has headings only, is wrongly encoded,
   *     broken, or larger than {@code limits}
   * @throws UncheckedIOException if the file can't be read
   */
  public static Sheet open(Path file, SheetLimits limits) {
    return open(file, limits, Optional.empty());
  }

  /**
   * Opens a sheet within {@link SheetLimits#STANDARD} that will be read again: the rows of a
   * workbook are kept as they were parsed.
   *
   * @param kept the file for them, in a folder that exists; whoever names it removes it
   */
  public static Sheet open(Path file, Path kept) {
    return open(file, SheetLimits.STANDARD, Optional.of(kept));
  }

  private static Sheet open(Path file, SheetLimits limits, Optional<Path> kept) {
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
      return new Sheet(file, FormatFinder.find(file), limits, kept).found();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The sheet with its table where it stands by the look of its rows. */
  private Sheet found() {
    return measured(layout.shaped(shape(file, layout)));
  }

  private Sheet measured(SheetLayout at) {
    return with(measure(with(at)));
  }

  private Sheet with(SheetLayout other) {
    return new Sheet(file, other, limits, kept);
  }

  /**
   * The same file with its table where a person says that it stands.
   *
   * @throws SheetException see {@link #open(Path, SheetLimits)}
   */
  public Sheet shaped(SheetShape shape) {
    return measured(layout.shaped(shape));
  }

  /**
   * The same workbook with another of its worksheets, the table found by the look of its rows.
   *
   * @throws SheetException see {@link #open(Path, SheetLimits)}
   */
  public Sheet worksheet(String name) {
    List<SheetRow> top = top(file, layout.shaped(new SheetShape(name, 1, 1, 2)));
    return measured(layout.shaped(ShapeFinder.find(name, top)));
  }

  /**
   * The same delimited text, written as a person says; its table is found by the look of its rows.
   *
   * @throws SheetException see {@link #open(Path, SheetLimits)}
   * @throws IllegalArgumentException if the file is no delimited text
   */
  public Sheet written(Charset charset, char delimiter) {
    if (layout.format() != SheetFormat.DELIMITED) {
      throw new IllegalArgumentException(
          "Only delimited text has an encoding and a delimiter that can be chosen.");
    }
    try {
      return with(layout.written(Encoding.said(file, charset), delimiter)).found();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A sheet that was looked through before, and whose file has not changed since.
   *
   * @param kept where its rows are, if they were kept
   */
  public static Sheet known(Path file, SheetLayout layout, Path kept) {
    return new Sheet(file, layout, SheetLimits.STANDARD, Optional.of(kept));
  }

  /** Of a workbook, the first worksheet that has rows below its headings is taken. */
  private static SheetShape shape(Path file, SheetLayout layout) {
    if (!layout.format().hasHeadingRow()) {
      return SheetShape.RECORDS;
    }
    SheetShape first = null;
    for (String worksheet : layout.worksheets().isEmpty() ? List.of("") : layout.worksheets()) {
      List<SheetRow> top = top(file, layout.shaped(new SheetShape(worksheet, 1, 1, 2)));
      SheetShape shape = ShapeFinder.find(worksheet, top);
      first = first == null ? shape : first;
      if (top.stream().anyMatch(r -> r.number() >= shape.firstRow() && !r.isBlank())) {
        return shape;
      }
    }
    return first;
  }

  private static List<SheetRow> top(Path file, SheetLayout layout) {
    List<SheetRow> top = new ArrayList<>();
    try (RowStream rows = stream(file, layout)) {
      for (SheetRow row = rows.next();
          row != null && top.size() < ShapeFinder.LOOKED_AT;
          row = rows.next()) {
        top.add(row);
      }
    }
    return top;
  }

  /** The first rows of the file as they stand, preamble and headings too, to choose among them. */
  public List<SheetRow> top() {
    return top(file, layout);
  }

  private RowStream stream() {
    return keptRows().<RowStream>map(k -> k).orElseGet(() -> stream(file, layout));
  }

  private Optional<KeptRows> keptRows() {
    return kept.flatMap(k -> KeptRows.open(layout.shape().worksheet(), k));
  }

  /** Workbooks are zipped markup, and take long. */
  private Optional<KeptRows.Writer> keeping() {
    boolean isSlow = layout.format() == SheetFormat.XLSX || layout.format() == SheetFormat.ODS;
    return kept.filter(k -> isSlow).map(k -> new KeptRows.Writer(layout.shape().worksheet(), k));
  }

  private static RowStream stream(Path file, SheetLayout layout) {
    return switch (layout.format()) {
      case DELIMITED -> new DelimitedRows(file, layout);
      case XLSX -> new XlsxRows(file, layout.shape().worksheet());
      case ODS -> new OdsRows(file, layout.shape().worksheet());
      case JSON -> new RecordRows(new JsonRecords(file, false), layout.headings());
      case JSON_LINES -> new RecordRows(new JsonRecords(file, true), layout.headings());
      case XML -> new RecordRows(new XmlRecords(file), layout.headings());
    };
  }

  private static SheetLayout measure(Sheet draft) {
    SheetLayout layout = draft.layout;
    SheetShape shape = layout.shape();
    SheetRow upper = null;
    SheetRow lower = null;
    int width = 0;
    int rows = 0;
    boolean anything = false;
    List<String> headings;
    List<String> notes = new ArrayList<>();
    try (RowStream all = draft.stream();
        KeptRows.Writer keeping = all instanceof KeptRows ? null : draft.keeping().orElse(null);
        Ahead<SheetRow> ahead = new Ahead<>(PARSED_AHEAD)) {
      Supplier<SheetRow> next = keeping == null ? all::next : parsedAhead(all, ahead);
      for (SheetRow row = next.get(); row != null; row = next.get()) {
        if (keeping != null) {
          keeping.write(row);
        }
        width = Math.max(width, row.cells().size());
        if (width > draft.limits.columns()) {
          throw tooWide(row, width, draft.limits);
        }
        if (row.number() == shape.headingRow()) {
          upper = row;
        } else if (row.number() > shape.headingRow()
            && row.number() < shape.headingRow() + shape.headingRows()) {
          lower = row;
        } else if (row.number() >= shape.firstRow()) {
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
      if (keeping != null) {
        keeping.finish();
      }
      headings =
          all instanceof RecordRows records
              ? List.copyOf(records.fields())
              : shape.headingRow() == 0
                  ? Collections.nCopies(width, "")
                  : upper == null ? null : ShapeFinder.headings(upper, lower);
      notes.addAll(all.notes());
    }
    boolean isNamed = layout.format().hasHeadingRow() && shape.headingRow() > 0;
    if (headings == null
        || headings.isEmpty()
        || headings.stream().allMatch(String::isBlank)
            && (isNamed || !layout.format().hasHeadingRow())) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "empty",
              layout.format().hasHeadingRow()
                  ? "%s has no headings."
                      .formatted(
                          shape.headingRow() == 1 ? "The first row" : "Row " + shape.headingRow())
                  : "The file has no products in it.",
              "Put the columns' names into one row, and one product into each row below."));
    }
    if (!anything) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "headings-only",
              "The sheet has headings but no rows.",
              "Add a row for each product, or choose another file."));
    }
    if (layout.format().hasHeadingRow()) {
      String note = ShapeFinder.note(shape, top(draft.file, layout));
      if (!note.isEmpty()) {
        notes.add(note);
      }
    }
    // Names of records are matched by their exact field; rows are cut where the last heading ends.
    boolean records = !layout.format().hasHeadingRow();
    return layout.measured(records ? headings : unique(headings), width, rows, notes);
  }

  /** What takes long to parse is parsed on a thread of its own. */
  private static Supplier<SheetRow> parsedAhead(RowStream rows, Ahead<SheetRow> ahead) {
    ahead.start(
        sink -> {
          for (SheetRow row = rows.next(); row != null; row = rows.next()) {
            sink.put(row);
          }
        });
    return ahead::next;
  }

  private static SheetException tooWide(SheetRow row, int width, SheetLimits limits) {
    return new SheetException(
        new SheetProblem(
            "too-wide",
            row.number(),
            "",
            "There are %,d cells; a sheet may have up to %,d columns."
                .formatted(width, limits.columns()),
            "Check the delimiter, or remove columns that are not needed."));
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
   * Streams the rows from the first product on. Close it when done.
   *
   * @throws SheetException while iterating, if a row can't be parsed
   */
  public Rows rows() {
    return new Rows();
  }

  /**
   * The rows above the first product: preamble and headings; of records, one row of their fields.
   */
  public List<SheetRow> head() {
    if (!layout.format().hasHeadingRow()) {
      return List.of(new SheetRow(0, layout.headings(), new java.util.BitSet()));
    }
    List<SheetRow> head = new ArrayList<>();
    try (RowStream rows = stream()) {
      for (SheetRow row = rows.next();
          row != null && row.number() < layout.shape().firstRow();
          row = rows.next()) {
        head.add(row);
      }
    }
    return head;
  }

  /** Number of the row that names the columns, the lower one if there are two. */
  public int headingRow() {
    SheetShape shape = layout.shape();
    return shape.headingRow() + Math.max(0, shape.headingRows() - 1);
  }

  /**
   * What makes a row unusable, or nothing: more cells than headings, or a cell over the limit. A
   * row with fewer cells than headings is complete; the missing ones are empty.
   */
  public List<SheetProblem> problems(SheetRow row) {
    List<SheetProblem> found = new ArrayList<>();
    int columns = layout.headings().size();
    boolean ragged =
        row.cells().size() > columns
            && (layout.format() == SheetFormat.DELIMITED
                || row.cells().subList(columns, row.cells().size()).stream()
                    .anyMatch(c -> !c.isBlank()));
    if (ragged) {
      found.add(
          new SheetProblem(
              "ragged-row",
              row.number(),
              "",
              "The row has %d cells but there are %d headings, so its cells can't be told apart."
                  .formatted(row.cells().size(), columns),
              layout.format() == SheetFormat.DELIMITED
                  ? "Put quotes around cells that contain a " + layout.delimiterName() + "."
                  : "Give the column a heading, or empty its cells."));
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
    private final RowStream stream;
    private SheetRow next;

    private Rows() {
      this.stream = Sheet.this.stream();
    }

    @Override
    public boolean hasNext() {
      while (next == null || next.number() < layout.shape().firstRow()) {
        next = stream.next();
        if (next == null) {
          return false;
        }
      }
      return true;
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

    @Override
    public void close() {
      stream.close();
    }
  }
}
