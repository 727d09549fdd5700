package rhetor.core.sheet;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * How a sheet's file is written, where its table stands in it, and how large it is.
 *
 * @param charset the encoding of its characters; of workbooks and records, UTF-8
 * @param byteOrderMark whether the file starts with a byte order mark
 * @param delimiter the character between cells
 * @param lineEnding what ends a row: {@code \n}, {@code \r\n} or {@code \r}
 * @param worksheets the worksheets that can be chosen; empty for files that have none
 * @param headings the columns' names, trimmed, unique and never empty
 * @param width cells in the widest row, at least the number of headings
 * @param rows rows from the first product on, blank ones included
 * @param evidence in words, why the file is read like this
 * @param notes in words, what a person should know before taking the rows in
 */
public record SheetLayout(
    SheetFormat format,
    Charset charset,
    boolean byteOrderMark,
    char delimiter,
    String lineEnding,
    SheetShape shape,
    List<String> worksheets,
    List<String> headings,
    int width,
    int rows,
    String evidence,
    List<String> notes) {

  public SheetLayout {
    worksheets = List.copyOf(worksheets);
    headings = List.copyOf(headings);
    notes = List.copyOf(notes);
  }

  /** What a file of this name and its worksheet are called, without the ending. */
  public String title(String fileName) {
    return (fileName.replaceFirst("\\.[^.]*$", "") + " " + shape.worksheet()).strip();
  }

  /** A layout of delimited text that has not been measured yet. */
  static SheetLayout delimited(Encoding encoding, Delimiter delimiter) {
    return new SheetLayout(
        SheetFormat.DELIMITED,
        encoding.charset(),
        encoding.byteOrderMark(),
        delimiter.character(),
        delimiter.lineEnding(),
        new SheetShape("", 1, 1, 2),
        List.of(),
        List.of(),
        0,
        0,
        encoding.evidence() + " " + delimiter.evidence(),
        List.of());
  }

  /** The same file of delimited text, written otherwise. */
  SheetLayout written(Encoding encoding, char by) {
    return new SheetLayout(
        format,
        encoding.charset(),
        encoding.byteOrderMark(),
        by,
        lineEnding,
        shape,
        worksheets,
        headings,
        width,
        rows,
        encoding.evidence() + " " + Delimiter.name(by) + " between the cells, as chosen by hand.",
        notes);
  }

  /** A layout of a workbook or of records; written out, they become text with commas. */
  static SheetLayout of(SheetFormat format, List<String> worksheets, String evidence) {
    return new SheetLayout(
        format,
        StandardCharsets.UTF_8,
        false,
        ',',
        "\n",
        format.hasHeadingRow() ? new SheetShape("", 1, 1, 2) : SheetShape.RECORDS,
        worksheets,
        List.of(),
        0,
        0,
        evidence,
        List.of());
  }

  SheetLayout shaped(SheetShape to) {
    return new SheetLayout(
        format,
        charset,
        byteOrderMark,
        delimiter,
        lineEnding,
        to,
        worksheets,
        headings,
        width,
        rows,
        evidence,
        notes);
  }

  SheetLayout measured(List<String> names, int widest, int count, List<String> said) {
    return new SheetLayout(
        format,
        charset,
        byteOrderMark,
        delimiter,
        lineEnding,
        shape,
        worksheets,
        names,
        widest,
        count,
        evidence,
        said);
  }

  /** The delimiter's name for people. */
  public String delimiterName() {
    return switch (delimiter) {
      case ',' -> "comma";
      case ';' -> "semicolon";
      case '\t' -> "tab";
      case '|' -> "pipe";
      default -> String.valueOf(delimiter);
    };
  }
}
