package rhetor.core.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** Tells what a file is by its first bytes and its parts, whatever its name says. */
final class FormatFinder {
  private static final int HEAD = 1024;

  private FormatFinder() {}

  static SheetLayout find(Path file) throws IOException {
    byte[] bytes = new byte[HEAD];
    int length;
    try (InputStream in = Files.newInputStream(file)) {
      length = in.readNBytes(bytes, 0, HEAD);
    }
    String head = new String(bytes, 0, length, StandardCharsets.ISO_8859_1);
    if (head.startsWith("PK\u0003\u0004")) {
      return workbook(file);
    }
    if (head.startsWith("\u00D0\u00CF\u0011\u00E0")) {
      throw notASheet(
          "The workbook is in the old XLS format, or protected by a password.",
          "Take the password off, save it as XLSX, and drop it again.");
    }
    String text = text(bytes, length).stripLeading();
    if (text.matches("(?is)<(?:!doctype html|html|head|body|table).*")) {
      throw notASheet("The file is a web page.", "Save the sheet itself and drop that.");
    }
    if (text.startsWith("<")) {
      return SheetLayout.of(SheetFormat.XML, List.of(), "An XML list, by its first character.");
    }
    if (text.matches("(?s)\\[\\s*(?:[{\\[\"].*|\\]\\s*|[-\\d][^\\[;|\t]*\\]\\s*)")) {
      return SheetLayout.of(SheetFormat.JSON, List.of(), "A JSON list, by its first character.");
    }
    if (text.matches("(?s)\\{\\s*[\"}].*")) {
      return JsonRecords.isLines(file)
          ? SheetLayout.of(
              SheetFormat.JSON_LINES, List.of(), "JSON Lines: one object on each line.")
          : SheetLayout.of(SheetFormat.JSON, List.of(), "A JSON object with a list in it.");
    }
    Encoding encoding = Encoding.detect(file);
    return SheetLayout.delimited(encoding, Delimiter.detect(file, encoding));
  }

  /** The first characters, without a byte order mark. */
  private static String text(byte[] bytes, int length) {
    String latin = new String(bytes, 0, length, StandardCharsets.ISO_8859_1);
    if (latin.startsWith("\u00FF\u00FE") || latin.startsWith("<\u0000")) {
      latin = new String(bytes, 0, length, StandardCharsets.UTF_16LE);
    } else if (latin.startsWith("\u00FE\u00FF") || latin.startsWith("\u0000<")) {
      latin = new String(bytes, 0, length, StandardCharsets.UTF_16BE);
    }
    return latin.replaceFirst("^(?:\u00EF\u00BB\u00BF|\uFEFF)", "");
  }

  private static SheetLayout workbook(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      if (zip.getEntry("xl/workbook.xml") != null) {
        ZipGuard.check(file, n -> n.endsWith("sharedStrings.xml") || n.endsWith("styles.xml"));
        List<XlsxRows.Worksheet> all = XlsxRows.worksheets(file);
        List<String> visible =
            all.stream().filter(XlsxRows.Worksheet::visible).map(XlsxRows.Worksheet::name).toList();
        long hidden = all.size() - visible.size();
        return SheetLayout.of(
            SheetFormat.XLSX,
            visible.isEmpty() ? all.stream().map(XlsxRows.Worksheet::name).toList() : visible,
            "An XLSX workbook with %s%s."
                .formatted(
                    counted(visible.size(), "worksheet"),
                    hidden == 0 ? "" : "; " + counted(hidden, "hidden one") + " left out"));
      }
      if (zip.getEntry("content.xml") != null) {
        ZipGuard.check(file, n -> false);
        List<String> worksheets = OdsRows.worksheets(file);
        if (worksheets.isEmpty()) {
          throw notASheet(
              "The file is an OpenDocument text or drawing.",
              "Save the sheet as ODS and drop that.");
        }
        return SheetLayout.of(
            SheetFormat.ODS,
            worksheets,
            "An ODS workbook with " + counted(worksheets.size(), "worksheet") + ".");
      }
    } catch (ZipException e) {
      throw ZipGuard.damaged();
    }
    throw notASheet(
        "The file is a ZIP archive without a workbook in it.",
        "Unpack it and drop the sheet; pictures have a place of their own.");
  }

  private static String counted(long n, String noun) {
    return n + " " + noun + (n == 1 ? "" : "s");
  }

  private static SheetException notASheet(String what, String remedy) {
    return new SheetException(SheetProblem.ofSheet("not-a-sheet", what, remedy));
  }
}
