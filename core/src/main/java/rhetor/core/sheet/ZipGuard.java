package rhetor.core.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/**
 * Refuses ZIP files that are damaged or would grow out of all proportion when they are unpacked.
 */
final class ZipGuard {
  private static final int MOST_ENTRIES = 10_000;
  private static final long MOST_UNPACKED = 1_500_000_000L;
  private static final long MOST_HELD = 150_000_000L;
  private static final int MOST_RATIO = 400;
  private static final long SMALL = 20_000_000L;

  private ZipGuard() {}

  /**
   * Unpacks everything once and counts; sizes that the file states about itself are not believed.
   *
   * @param isHeld tells the entries that readers hold in memory
   * @throws SheetException if the file is damaged, encrypted or a bomb
   */
  static void check(Path file, java.util.function.Predicate<String> isHeld) {
    byte[] buffer = new byte[1 << 16];
    long total = 0;
    try (ZipFile zip = new ZipFile(file.toFile())) {
      if (zip.size() > MOST_ENTRIES) {
        throw bomb("It has %,d parts.".formatted(zip.size()));
      }
      for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
        ZipEntry entry = all.nextElement();
        long size = 0;
        MarkupScan scan = new MarkupScan();
        try (InputStream in = zip.getInputStream(entry)) {
          for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            size += n;
            if (isCells(entry.getName())) {
              scan.look(buffer, n);
            }
            if (total + size > MOST_UNPACKED
                || size > SMALL && size > MOST_RATIO * Math.max(1, entry.getCompressedSize())
                || isHeld.test(entry.getName()) && size > MOST_HELD) {
              throw bomb(
                  "Its part \"%s\" unpacks to over %,d MB."
                      .formatted(entry.getName(), size / 1_000_000));
            }
          }
        }
        total += size;
      }
    } catch (ZipException e) {
      throw damaged();
    } catch (java.io.EOFException e) {
      throw damaged();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean isCells(String part) {
    return part.startsWith("xl/worksheets/") || part.equals("content.xml");
  }

  /** Looks through a part's bytes for what a reader would take all memory for. */
  private static final class MarkupScan {
    /** Bytes of one cell or tag, far beyond the longest cell that is read. */
    private static final int LONGEST = 4_000_000;

    /** ECMA-376, part 1, 18.3.1.4: columns end at XFD, which three letters tell. */
    private static final int MOST_LETTERS = 3;

    private static final int SEEN_SPACE = 1;
    private static final int SEEN_R = 2;
    private static final int SEEN_EQUALS = 3;
    private static final int IN_REFERENCE = 4;

    /** Bytes before this buffer since the last tag began. */
    private long before;

    private int state;
    private int letters;

    private void look(byte[] bytes, int count) {
      int tag = -1;
      for (int i = 0; i < count; i++) {
        byte b = bytes[i];
        // Nothing begins in most bytes.
        if (state == 0 && b > ' ' && b != '<') {
          continue;
        }
        if (b == '<') {
          checkLength(tag < 0 ? before + i : i - tag);
          tag = i;
        }
        if (state == IN_REFERENCE) {
          letters = b >= 'A' && b <= 'Z' || b >= 'a' && b <= 'z' ? letters + 1 : 0;
          if (letters > MOST_LETTERS) {
            throw bomb("A cell of it stands beyond the last column that there can be.");
          }
          state = letters > 0 ? IN_REFERENCE : 0;
        } else {
          state =
              b == ' ' || b == '\n' || b == '\t' || b == '\r'
                  ? SEEN_SPACE
                  : b == 'r' && state == SEEN_SPACE
                      ? SEEN_R
                      : b == '=' && state == SEEN_R
                          ? SEEN_EQUALS
                          : (b == '"' || b == '\'') && state == SEEN_EQUALS ? IN_REFERENCE : 0;
        }
      }
      before = tag < 0 ? before + count : count - tag;
      checkLength(before);
    }

    private static void checkLength(long length) {
      if (length > LONGEST) {
        throw bomb("A cell of it has over %,d characters.".formatted(LONGEST));
      }
    }
  }

  static SheetException damaged() {
    return new SheetException(
        SheetProblem.ofSheet(
            "damaged",
            "The workbook is damaged or was cut off on its way.",
            "Open it in a spreadsheet program, save it again, and drop it once more."));
  }

  private static SheetException bomb(String what) {
    return new SheetException(
        SheetProblem.ofSheet(
            "too-large",
            "The workbook is far larger inside than a sheet can be. " + what,
            "Save only the worksheet with the products, or save it as CSV."));
  }
}
