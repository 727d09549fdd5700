package rhetor.standins.harrowmere;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Writes the demo house's files: four suppliers' sheets in layouts of their own, for two months,
 * and the pictures.
 */
public final class HouseMaker {

  /**
   * Writes {@code sheets/}, {@code next-month/} and {@code pictures/} below {@code folder}; the
   * same bytes every time.
   */
  public void make(Path folder) throws IOException {
    Path sheets = Files.createDirectories(folder.resolve("sheets"));
    Path pictures = Files.createDirectories(folder.resolve("pictures"));
    Files.write(
        sheets.resolve("tolvane-luggage.csv"),
        csv(
            Catalogue.TOLVANE_HEADINGS,
            Catalogue.tolvane(),
            ';',
            StandardCharsets.ISO_8859_1,
            "\r\n"));
    Files.write(
        sheets.resolve("kestering-locks.csv"),
        csv(
            Catalogue.KESTERING_HEADINGS,
            Catalogue.kestering(),
            ',',
            StandardCharsets.UTF_8,
            "\n"));
    Files.writeString(
        sheets.resolve("oskerby-rainwear.jsonl"), String.join("\n", Catalogue.oskerby()) + "\n");
    brightwick(
        sheets.resolve("brightwick-lighting.xlsx"),
        new NextMonth.Table(Catalogue.BRIGHTWICK_HEADINGS, Catalogue.brightwick()));
    nextMonth(Files.createDirectories(folder.resolve("next-month")));
    PictureMaker maker = new PictureMaker();
    for (Catalogue.Shown shown : Catalogue.shown()) {
      Files.write(
          pictures.resolve(shown.sku().toLowerCase(java.util.Locale.ROOT) + ".png"),
          maker.draw(shown));
    }
  }

  /** The same suppliers a month later: other columns, other units, ten new products, five gone. */
  private static void nextMonth(Path sheets) throws IOException {
    NextMonth.Table tolvane = NextMonth.tolvane();
    Files.write(
        sheets.resolve("tolvane-luggage.csv"),
        csv(tolvane.headings(), tolvane.rows(), ';', StandardCharsets.ISO_8859_1, "\r\n"));
    NextMonth.Table kestering = NextMonth.kestering();
    Files.write(
        sheets.resolve("kestering-locks.csv"),
        csv(kestering.headings(), kestering.rows(), ',', StandardCharsets.UTF_8, "\n"));
    Files.writeString(
        sheets.resolve("oskerby-rainwear.jsonl"), String.join("\n", NextMonth.oskerby()) + "\n");
    brightwick(sheets.resolve("brightwick-lighting.xlsx"), NextMonth.brightwick());
  }

  static byte[] csv(
      List<String> headings,
      List<List<String>> rows,
      char delimiter,
      Charset charset,
      String ending) {
    StringBuilder text = new StringBuilder();
    List<List<String>> all = new ArrayList<>(List.of(headings));
    all.addAll(rows);
    for (List<String> row : all) {
      text.append(
              String.join(
                  String.valueOf(delimiter), row.stream().map(c -> quote(c, delimiter)).toList()))
          .append(ending);
    }
    return text.toString().getBytes(charset);
  }

  private static String quote(String cell, char delimiter) {
    boolean plain = cell.indexOf(delimiter) < 0 && cell.indexOf('"') < 0 && cell.indexOf('\n') < 0;
    return plain ? cell : '"' + cell.replace("\"", "\"\"") + '"';
  }

  private static void brightwick(Path file, NextMonth.Table table) throws IOException {
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "Brightwick", "1.0")) {
      Worksheet sheet = book.newWorksheet("Trade list");
      sheet.value(0, 0, "Brightwick Lighting");
      sheet.value(1, 0, "Trade list, valid until further notice");
      sheet.value(2, 0, "All prices per piece");
      List<String> headings = table.headings();
      int lit = headings.indexOf("Output");
      sheet.value(3, lit, "Light");
      sheet.range(3, lit, 3, headings.indexOf("Run time")).merge();
      for (int c = 0; c < headings.size(); c++) {
        sheet.value(4, c, headings.get(c));
      }
      int r = 5;
      for (List<String> row : table.rows()) {
        for (int c = 0; c < row.size(); c++) {
          sheet.value(r, c, row.get(c));
        }
        r++;
      }
    }
  }
}
