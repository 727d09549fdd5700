package rhetor.core.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * The encoding of a file, found from its bytes: byte order mark, then the empty bytes of UTF-16,
 * then well-formed UTF-8 (RFC 3629), then Windows-1252 or ISO 8859-1.
 */
record Encoding(Charset charset, boolean byteOrderMark, String evidence) {
  private static final Charset WINDOWS_1252 = Charset.forName("windows-1252");

  static Encoding detect(Path file) throws IOException {
    byte[] head = new byte[512];
    int length;
    try (InputStream in = Files.newInputStream(file)) {
      length = in.readNBytes(head, 0, head.length);
    }
    if (length == 0) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "empty", "The file is empty.", "Choose the sheet that has the products in it."));
    }
    refuseOtherFormats(head, length);
    if (length >= 3 && at(head, 0) == 0xEF && at(head, 1) == 0xBB && at(head, 2) == 0xBF) {
      Tally tally = tally(file);
      if (tally.invalid > 0) {
        throw new SheetException(broken(tally.firstInvalidLine, StandardCharsets.UTF_8));
      }
      return new Encoding(StandardCharsets.UTF_8, true, "UTF-8, by its byte order mark.");
    }
    if (length >= 2 && at(head, 0) == 0xFF && at(head, 1) == 0xFE) {
      return new Encoding(StandardCharsets.UTF_16LE, true, "UTF-16, by its byte order mark.");
    }
    if (length >= 2 && at(head, 0) == 0xFE && at(head, 1) == 0xFF) {
      return new Encoding(StandardCharsets.UTF_16BE, true, "UTF-16, by its byte order mark.");
    }
    Tally tally = tally(file);
    if (tally.nul > 0) {
      Charset wide = utf16(head, length);
      if (wide != null) {
        return new Encoding(
            wide, false, "UTF-16: every second byte is empty, as Latin letters have it.");
      }
      throw new SheetException(
          SheetProblem.ofSheet(
              "not-a-sheet",
              "The file has NUL bytes, which text never has.",
              "Save the sheet as CSV in UTF-8 and drop it again."));
    }
    if (tally.invalid == 0) {
      return new Encoding(
          StandardCharsets.UTF_8,
          false,
          tally.multibyte == 0
              ? "Plain ASCII characters only, read as UTF-8."
              : "UTF-8: all %,d characters beyond ASCII are well-formed."
                  .formatted(tally.multibyte));
    }
    if (tally.multibyte > tally.invalid) {
      throw new SheetException(broken(tally.firstInvalidLine, StandardCharsets.UTF_8));
    }
    boolean undefined = tally.undefinedIn1252;
    return new Encoding(
        tally.c1 && !undefined ? WINDOWS_1252 : StandardCharsets.ISO_8859_1,
        false,
        "%s: %,d bytes are not well-formed UTF-8."
            .formatted(tally.c1 && !undefined ? "Windows-1252" : "Latin-1", tally.invalid));
  }

  /** An encoding that a person says; a byte order mark that belongs to it is still one. */
  static Encoding said(Path file, Charset charset) throws IOException {
    byte[] mark = "\uFEFF".getBytes(charset);
    byte[] head;
    try (InputStream in = Files.newInputStream(file)) {
      head = in.readNBytes(mark.length);
    }
    boolean marked =
        charset.newEncoder().canEncode('\uFEFF') && java.util.Arrays.equals(mark, head);
    return new Encoding(charset, marked, charset.displayName() + ", as chosen by hand.");
  }

  /** UTF-16 without a byte order mark, if the empty bytes are nearly all even or nearly all odd. */
  private static Charset utf16(byte[] head, int length) {
    int even = 0;
    int odd = 0;
    for (int i = 0; i < length; i++) {
      if (head[i] == 0) {
        even += i % 2 == 0 ? 1 : 0;
        odd += i % 2;
      } else if (head[i] > 0 && head[i] < ' ' && "\t\r\n".indexOf(head[i]) < 0) {
        return null;
      }
    }
    int pairs = length / 2;
    return odd > 0.6 * pairs && even <= 0.02 * pairs
        ? StandardCharsets.UTF_16LE
        : even > 0.6 * pairs && odd <= 0.02 * pairs ? StandardCharsets.UTF_16BE : null;
  }

  static SheetProblem broken(long line, Charset charset) {
    return new SheetProblem(
        "wrong-encoding",
        line,
        "",
        "The file is mostly %s, but here are bytes that are not.".formatted(charset.name()),
        "Open it in the program it comes from and save it as CSV in UTF-8.");
  }

  private static void refuseOtherFormats(byte[] head, int length) {
    String start = new String(head, 0, length, StandardCharsets.ISO_8859_1);
    String kind =
        start.startsWith("%PDF")
            ? "a PDF document"
            : start.startsWith("\u0089PNG")
                    || start.startsWith("\u00FF\u00D8\u00FF")
                    || start.startsWith("GIF8")
                ? "a picture"
                : "";
    if (!kind.isEmpty()) {
      throw new SheetException(
          SheetProblem.ofSheet(
              "not-a-sheet",
              "The file is " + kind + ", whatever its name says.",
              "Save the sheet as CSV and drop that."));
    }
  }

  private static int at(byte[] bytes, int index) {
    return bytes[index] & 0xFF;
  }

  /** A buffered stream without locks: each byte of a large file is looked at. */
  private static final class Bytes implements AutoCloseable {
    private final InputStream in;
    private final byte[] buffer = new byte[1 << 16];
    private int at;
    private int end;

    Bytes(InputStream in) {
      this.in = in;
    }

    int read() throws IOException {
      if (at == end) {
        end = in.read(buffer);
        at = 0;
        if (end <= 0) {
          end = 0;
          return -1;
        }
      }
      return buffer[at++] & 0xFF;
    }

    @Override
    public void close() throws IOException {
      in.close();
    }
  }

  private static final class Tally {
    long multibyte;
    long invalid;
    long nul;
    long line = 1;
    long firstInvalidLine;
    boolean c1;
    boolean undefinedIn1252;
  }

  /** Counts well-formed and ill-formed UTF-8 sequences over the whole file. */
  private static Tally tally(Path file) throws IOException {
    Tally tally = new Tally();
    try (Bytes in = new Bytes(Files.newInputStream(file))) {
      int b = in.read();
      while (b >= 0) {
        if (b < 0x80) {
          if (b == '\n') {
            tally.line++;
          } else if (b == 0) {
            tally.nul++;
          }
          b = in.read();
          continue;
        }
        int follow =
            b >= 0xC2 && b < 0xE0 ? 1 : b >= 0xE0 && b < 0xF0 ? 2 : b >= 0xF0 && b < 0xF5 ? 3 : 0;
        int first = b;
        boolean good = follow > 0;
        b = in.read();
        for (int i = 0; good && i < follow; i++) {
          if (b >= 0x80 && b < 0xC0) {
            b = in.read();
          } else {
            good = false;
          }
        }
        if (good) {
          tally.multibyte++;
        } else {
          tally.invalid++;
          tally.firstInvalidLine =
              tally.firstInvalidLine == 0 ? tally.line : tally.firstInvalidLine;
          tally.c1 |= first < 0xA0;
          tally.undefinedIn1252 |=
              first == 0x81 || first == 0x8D || first == 0x8F || first == 0x90 || first == 0x9D;
        }
      }
    }
    return tally;
  }
}
