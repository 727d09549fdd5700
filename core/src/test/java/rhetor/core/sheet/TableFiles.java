package rhetor.core.sheet;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes one table as a file of each format, plainly and by hand, so that it can be made bad. */
public final class TableFiles {
  private final Path folder;

  public TableFiles(Path folder) {
    this.folder = folder;
  }

  /** The table as a file; the first row names the columns. */
  public Path write(SheetFormat format, List<List<String>> rows) {
    try {
      Path file = folder.resolve("table-" + rows.hashCode() + "." + format.name().toLowerCase());
      switch (format) {
        case DELIMITED -> Files.writeString(file, lines(rows, TableFiles::csv));
        case XLSX -> xlsx(file, rows);
        case ODS -> zip(file, "content.xml", ods(rows));
        case JSON -> Files.writeString(file, "[" + String.join(",\n", objects(rows)) + "]");
        case JSON_LINES -> Files.writeString(file, String.join("\n", objects(rows)) + "\n");
        case XML -> Files.writeString(file, xml(rows));
      }
      return file;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Changes a part of a workbook by hand. */
  public static Path change(Path workbook, String part, UnaryOperator<String> change) {
    try (FileSystem zip = FileSystems.newFileSystem(workbook)) {
      Path in = zip.getPath(part);
      Files.writeString(in, change.apply(Files.readString(in)));
      return workbook;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private interface Line {
    String of(List<String> row);
  }

  private static String lines(List<List<String>> rows, Line line) {
    return rows.stream().map(line::of).collect(Collectors.joining("\n", "", "\n"));
  }

  private static String csv(List<String> row) {
    return row.stream()
        .map(c -> '"' + c.replace("\"", "\"\"") + '"')
        .collect(Collectors.joining(","));
  }

  private static List<String> objects(List<List<String>> rows) {
    return rows.subList(1, rows.size()).stream()
        .map(
            row ->
                IntStream.range(0, row.size())
                    .mapToObj(i -> quoted(name(rows.getFirst(), i)) + ":" + quoted(row.get(i)))
                    .collect(Collectors.joining(",", "{", "}")))
        .toList();
  }

  private static String name(List<String> headings, int column) {
    return column < headings.size() ? headings.get(column) : "extra" + column;
  }

  private static String quoted(String text) {
    return tools.jackson.databind.json.JsonMapper.shared().writeValueAsString(text);
  }

  private static String xml(List<List<String>> rows) {
    StringBuilder xml = new StringBuilder("<products>");
    for (List<String> row : rows.subList(1, rows.size())) {
      xml.append("<product>");
      for (int i = 0; i < row.size(); i++) {
        String tag = name(rows.getFirst(), i).replace(' ', '_');
        xml.append('<').append(tag).append('>').append(escaped(row.get(i)));
        xml.append("</").append(tag).append('>');
      }
      xml.append("</product>\n");
    }
    return xml.append("</products>").toString();
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }

  private static String ods(List<List<String>> rows) {
    StringBuilder table = new StringBuilder();
    for (List<String> row : rows) {
      table.append("<table:table-row>");
      row.forEach(
          c ->
              table
                  .append("<table:table-cell><text:p>")
                  .append(escaped(c))
                  .append("</text:p></table:table-cell>"));
      table.append("</table:table-row>");
    }
    return """
    <?xml version="1.0" encoding="UTF-8"?>
    <office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
      xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0">
    <office:body><office:spreadsheet><table:table table:name="Goods">%s</table:table></office:spreadsheet></office:body></office:document-content>"""
        .formatted(table);
  }

  /** Cells as inline strings, which may be longer than a spreadsheet program would write them. */
  private static void xlsx(Path file, List<List<String>> rows) throws IOException {
    StringBuilder data = new StringBuilder();
    for (int r = 0; r < rows.size(); r++) {
      data.append("<row r=\"").append(r + 1).append("\">");
      for (int c = 0; c < rows.get(r).size(); c++) {
        data.append("<c r=\"%c%d\" t=\"inlineStr\"><is><t>".formatted('A' + c, r + 1))
            .append(escaped(rows.get(r).get(c)))
            .append("</t></is></c>");
      }
      data.append("</row>");
    }
    String ns = "xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\"";
    String rel = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    try (OutputStream bytes = Files.newOutputStream(file);
        ZipOutputStream out = new ZipOutputStream(bytes)) {
      part(
          out,
          "[Content_Types].xml",
          "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Override PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/></Types>");
      part(
          out,
          "xl/workbook.xml",
          "<workbook %s xmlns:r=\"%s\"><sheets><sheet name=\"Goods\" sheetId=\"1\" r:id=\"rId1\"/></sheets></workbook>"
              .formatted(ns, rel));
      part(
          out,
          "xl/_rels/workbook.xml.rels",
          "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\" Type=\"%s/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>"
              .formatted(rel));
      part(
          out,
          "xl/worksheets/sheet1.xml",
          "<worksheet %s><sheetData>%s</sheetData></worksheet>".formatted(ns, data));
    }
  }

  private static void zip(Path file, String name, String text) throws IOException {
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
      part(out, name, text);
    }
  }

  private static void part(ZipOutputStream out, String name, String text) throws IOException {
    out.putNextEntry(new ZipEntry(name));
    out.write(text.getBytes(StandardCharsets.UTF_8));
    out.closeEntry();
  }
}
