package rhetor.core.sheet;

import java.nio.charset.Charset;
import java.util.List;

/**
 * How a sheet's file is written, and how large it is.
 *
 * @param charset the encoding of its characters
 * @param byteOrderMark whether the file starts with a byte order mark
 * @param delimiter the character between cells
 * @param lineEnding what ends a row: {@code \n}, {@code \r\n} or {@code \r}
 * @param headings the cells of the first row, trimmed, unique and never empty
 * @param width cells in the widest row, at least the number of headings
 * @param rows rows below the headings, blank ones included
 * @param evidence in words, why the encoding and the delimiter were chosen
 */
public record SheetLayout(
    Charset charset,
    boolean byteOrderMark,
    char delimiter,
    String lineEnding,
    List<String> headings,
    int width,
    int rows,
    String evidence) {

  public SheetLayout {
    headings = List.copyOf(headings);
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
