package rhetor.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.Reading;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;

class SheetJobTest {
  @TempDir Path folder;

  private SheetJob.Summary run(Path in, Path out, Path report) throws IOException {
    Sheet sheet = Sheet.open(in);
    List<SheetRow> rows = rows(in);
    Reading reading =
        new ReadingProposer(Knowledge.standard())
            .propose(sheet.layout().headings(), rows.subList(1, rows.size()));
    return new SheetJob(Knowledge.standard(), 1)
        .run(sheet, in.getFileName().toString(), reading, out, Optional.ofNullable(report));
  }

  private static List<SheetRow> rows(Path file) {
    Sheet sheet = Sheet.open(file);
    List<SheetRow> rows = new ArrayList<>(sheet.head());
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    return rows;
  }

  @Test
  void original_cells_keep_every_byte_in_every_sheet() throws IOException {
    List<Path> sheets = new ArrayList<>(Products.strangeSheets());
    sheets.add(Path.of("../demo/sheets/tolvane-luggage.csv"));
    for (Path in : sheets) {
      Path out = folder.resolve("out-" + in.getFileName());
      SheetJob.Summary summary = run(in, out, null);
      Charset charset = Sheet.open(in).layout().charset();
      assertThat(summary.isComplete()).isTrue();
      // Physical lines: none of these sheets has cells of several lines.
      List<String> before = lines(in, charset);
      List<String> after = lines(out, charset);
      assertThat(after).hasSameSizeAs(before);
      for (int i = 0; i < before.size(); i++) {
        assertThat(after.get(i)).as("%s row %d", in, i + 1).startsWith(before.get(i));
      }
      assertThat(after.getFirst())
          .endsWith(
              String.join(
                  String.valueOf(Sheet.open(in).layout().delimiter()), TextColumns.HEADINGS));
    }
  }

  private static List<String> lines(Path file, Charset charset) throws IOException {
    return List.of(new String(Files.readAllBytes(file), charset).split("\r\n|\n"));
  }

  @Test
  void bytes_marks_quotes_and_line_endings_of_an_odd_sheet_are_kept() throws IOException {
    Path in = folder.resolve("odd.csv");
    String text =
        "\uFEFF\"SKU\";Name;\"Weight\"\r\nA;\"Lane \"\"22\"\"\";\"830 g\"\r\n\r\nB; Short Bag;\r\n";
    Files.write(in, text.getBytes(StandardCharsets.UTF_8));
    Path out = folder.resolve("odd-out.csv");
    SheetJob.Summary summary = run(in, out, null);
    String written = Files.readString(out);
    assertThat(written)
        .startsWith("\uFEFF\"SKU\";Name;\"Weight\";new_title;")
        .contains("\r\nA;\"Lane \"\"22\"\"\";\"830 g\";")
        .contains("\r\nB; Short Bag;;")
        .endsWith("\r\n");
    assertThat(summary.blank()).isEqualTo(1);
  }

  @Test
  void every_row_is_accounted_for_and_new_columns_stand_at_the_same_place_in_all_of_them()
      throws IOException {
    Path in = folder.resolve("mixed.csv");
    Files.writeString(
        in,
        "SKU,Name,Weight\nA,Lamp,3 kg\n\nA,Lamp again,4 kg\n,No key,1 kg\nB,Bag,1 kg,extra,more\nC,Lock\n");
    Path out = folder.resolve("mixed-out.csv");
    SheetJob.Summary s = run(in, out, null);
    assertThat(List.of(s.rows(), s.written(), s.rejected(), s.duplicates(), s.blank()))
        .containsExactly(6, 2, 2, 1, 1);
    assertThat(s.problems())
        .extracting(p -> p.code() + " " + p.row())
        .containsExactly("duplicate-sku 4", "no-sku 5", "ragged-row 6");
    List<SheetRow> rows = rows(out);
    assertThat(rows)
        .allSatisfy(r -> assertThat(r.cells()).hasSize(5 + TextColumns.HEADINGS.size()));
    assertThat(rows.get(5).cells().getLast()).contains("5 cells", "3 headings");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      value = {"=1+1|'=1+1", "@SUM(A1)|'@SUM(A1)", "-2+3|'-2+3", "+44|'+44", "＝1|'＝1", "Lamp|Lamp"})
  void new_cells_that_a_spreadsheet_would_run_are_neutralised(String cell, String written) {
    assertThat(FormulaGuard.neutral(cell)).isEqualTo(written);
  }

  @Test
  void a_name_that_is_a_formula_stays_as_it_is_in_its_own_column_only() throws IOException {
    Path in = folder.resolve("formula.csv");
    Files.writeString(in, "SKU,Name,Weight\nA,=HYPERLINK(1),3 kg\n");
    Path out = folder.resolve("formula-out.csv");
    run(in, out, null);
    SheetRow row = rows(out).get(1);
    assertThat(row.cell(1)).isEqualTo("=HYPERLINK(1)");
    assertThat(row.cells().subList(3, row.cells().size())).noneMatch(c -> c.startsWith("="));
  }

  /** Records become delimited text, so that their cells have no bytes to keep. */
  @Test
  void a_record_keeps_its_commas_and_lines_and_no_cell_of_it_is_run() throws IOException {
    Path in = folder.resolve("goods.json");
    Files.writeString(
        in,
        """
        [{"sku":"A","name":"Lamp","note":"=cmd|' /C calc'!A0","size":"3, 4\\n5","low":"-5","link":"=HYPERLINK(1)"}]""");
    Path out = folder.resolve("goods-out.csv");
    run(in, out, null);
    assertThat(rows(out).get(1).cells().subList(0, 6))
        .containsExactly("A", "Lamp", "'=cmd|' /C calc'!A0", "3, 4\n5", "-5", "'=HYPERLINK(1)");
  }

  @Test
  void characters_that_the_encoding_lacks_are_replaced_by_their_nearest() throws IOException {
    Path in = folder.resolve("latin.csv");
    Files.write(
        in,
        "SKU;Name;Kategorie;Suchbegriff\nA;Größe 20;Taschen;große Tasche\n"
            .getBytes(StandardCharsets.ISO_8859_1));
    Path out = folder.resolve("latin-out.csv");
    run(in, out, null);
    assertThat(new String(Files.readAllBytes(out), StandardCharsets.ISO_8859_1))
        .contains("Größe 20 - große Tasche")
        .doesNotContain("?");
  }

  @Test
  void the_report_has_each_sentence_with_the_cell_it_rests_on() throws IOException {
    Path in = folder.resolve("one.csv");
    Files.writeString(in, "SKU,Name,Category,Weight\nA,Lane 22,Backpacks,830 g\n");
    Path report = folder.resolve("report.jsonl");
    run(in, folder.resolve("one-out.csv"), report);
    assertThat(Files.readAllLines(report))
        .singleElement()
        .satisfies(
            l ->
                assertThat(l)
                    .contains(
                        "\"sku\":\"A\"",
                        "\"column\":\"Weight\"",
                        "\"raw\":\"830 g\"",
                        "\"support\":"));
  }

  @Test
  void the_same_seed_writes_the_same_bytes() throws IOException {
    Path in = Path.of("../demo/sheets/kestering-locks.csv");
    run(in, folder.resolve("1.csv"), null);
    run(in, folder.resolve("2.csv"), null);
    assertThat(folder.resolve("1.csv")).hasSameBinaryContentAs(folder.resolve("2.csv"));
  }

  @Test
  void a_sheet_that_breaks_in_the_middle_leaves_nothing_behind() throws IOException {
    Path in = folder.resolve("fine.csv");
    Files.writeString(in, "SKU,Name\nA,Lamp\nB,Lock\n");
    Sheet sheet = Sheet.open(in);
    Reading reading =
        new ReadingProposer(Knowledge.standard()).propose(sheet.layout().headings(), List.of());
    Files.writeString(in, "SKU,Name\nA,Lamp\nB,\"Lock\n");
    Path out = folder.resolve("broken-out.csv");
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () ->
                new SheetJob(Knowledge.standard(), 1)
                    .run(sheet, "fine.csv", reading, out, Optional.empty()))
        .isInstanceOf(rhetor.core.sheet.SheetException.class);
    assertThat(out).doesNotExist();
    assertThat(folder.resolve("broken-out.csv.part")).doesNotExist();
  }
}
