package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rhetor.core.sheet.Refusal.refused;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.ReadingProposer;

/** Whatever is wrong with a sheet gets the same plain answer in every format. */
class BadSheetsTest {
  @TempDir Path folder;
  private TableFiles files;

  @BeforeEach
  void prepare() {
    files = new TableFiles(folder);
  }

  private static List<SheetRow> rows(Sheet sheet) {
    List<SheetRow> rows = new ArrayList<>();
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    return rows;
  }

  private static ProductFacts product(Sheet sheet) {
    List<SheetRow> rows = rows(sheet);
    FactReader reader =
        new FactReader(
            "sheet",
            new ReadingProposer(Knowledge.standard()).propose(sheet.layout().headings(), rows),
            Knowledge.standard());
    return ((FactReader.Outcome.Read) reader.read(rows.getFirst())).product();
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void a_good_sheet_is_read_in_each_format(SheetFormat format) {
    Sheet sheet =
        Sheet.open(
            files.write(format, List.of(List.of("sku", "name"), List.of("A-1", "Lamp <b>"))));
    assertThat(sheet.layout().format()).isEqualTo(format);
    assertThat(sheet.layout().headings()).containsExactly("sku", "name");
    assertThat(rows(sheet).getFirst().cells()).containsExactly("A-1", "Lamp <b>");
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void headings_only(SheetFormat format) {
    Path file = files.write(format, List.of(List.of("sku", "name")));
    switch (format) {
      case JSON, JSON_LINES, XML ->
          assertThatThrownBy(() -> Sheet.open(file)).isInstanceOf(SheetException.class);
      default -> refused("headings-only", () -> Sheet.open(file), "headings but no rows");
    }
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void a_file_of_200_megabytes(SheetFormat format) throws IOException {
    Path file = files.write(format, List.of(List.of("sku", "name"), List.of("A-1", "Lamp")));
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      channel.position(200_000_000L);
      channel.write(ByteBuffer.wrap(new byte[] {'\n'}));
    }
    refused("too-large", () -> Sheet.open(file), "200,000,001 bytes", "100,000,000", "Split");
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void a_cell_of_two_megabytes_is_named_with_its_row_and_column_and_the_others_come_in(
      SheetFormat format) {
    Sheet sheet =
        Sheet.open(
            files.write(
                format,
                List.of(
                    List.of("sku", "name", "note"),
                    List.of("A-1", "Lamp", "x".repeat(2_000_000)),
                    List.of("A-2", "Lock", "fine"))));
    List<SheetRow> rows = rows(sheet);
    assertThat(rows).hasSize(2);
    SheetProblem problem = sheet.problems(rows.getFirst()).getFirst();
    assertThat(problem.code()).isEqualTo("cell-too-long");
    assertThat(problem.toString()).contains("note", "2,000,000 characters", "Shorten it");
    assertThat(sheet.problems(rows.get(1))).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void control_characters_never_reach_a_fact(SheetFormat format) {
    Path file =
        files.write(
            format,
            List.of(
                List.of("sku", "name", "colour"),
                List.of("A-1", "Fen Lamp\u0002", "re\u0007d\u009F")));
    if (format == SheetFormat.XML || format == SheetFormat.XLSX || format == SheetFormat.ODS) {
      // They are not allowed in XML at all (XML 1.0, 2.2).
      assertThatThrownBy(() -> product(Sheet.open(file)))
          .isInstanceOfSatisfying(
              SheetException.class,
              e ->
                  assertThat(e.problem().code())
                      .isEqualTo(format == SheetFormat.XML ? "broken-xml" : "damaged"));
      return;
    }
    ProductFacts product = product(Sheet.open(file));
    assertThat(product.name()).isEqualTo("Fen Lamp");
    assertThat(product.fact("colour").orElseThrow().value().toString()).contains("red");
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void markup_and_scripts_in_cells_never_reach_a_fact(SheetFormat format) {
    ProductFacts product =
        product(
            Sheet.open(
                files.write(
                    format,
                    List.of(
                        List.of("sku", "name", "material", "description"),
                        List.of(
                            "A-1",
                            "<b>Fen</b> Lamp<script>steal()</script>",
                            "<img src=x onerror=alert(1)>steel",
                            "<p onclick=\"x()\">It weighs 3 kg.</p><style>p{}</style>")))));
    assertThat(product.name()).isEqualTo("Fen Lamp");
    assertThat(product.facts().stream().map(f -> f.value().toString()).toList().toString())
        .contains("steel", "3")
        .doesNotContain("steal", "alert", "onclick", "p{}");
    assertThat(product.supplierText()).isEqualTo("It weighs 3 kg.");
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void no_column_that_can_be_name_or_key(SheetFormat format) {
    Sheet sheet =
        Sheet.open(
            files.write(
                format,
                List.of(
                    List.of("weight", "colour"), List.of("3 kg", "red"), List.of("3 kg", "red"))));
    assertThat(
            new ReadingProposer(Knowledge.standard())
                .propose(sheet.layout().headings(), rows(sheet))
                .obstacle())
        .hasValueSatisfying(o -> assertThat(o).contains("none is the name", "Say which column"));
  }

  @ParameterizedTest
  @EnumSource(
      value = SheetFormat.class,
      names = {"DELIMITED", "XLSX", "ODS"})
  void a_row_with_more_cells_than_headings(SheetFormat format) {
    Sheet sheet =
        Sheet.open(
            files.write(
                format,
                List.of(List.of("sku", "name"), List.of("A-1", "Lamp", "lost"), List.of("A-2"))));
    List<SheetRow> rows = rows(sheet);
    assertThat(sheet.problems(rows.getFirst()).getFirst().toString())
        .contains("3 cells", "2 headings");
    assertThat(sheet.problems(rows.get(1))).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(SheetFormat.class)
  void a_file_that_was_cut_off(SheetFormat format) throws IOException {
    List<List<String>> table = new ArrayList<>(List.of(List.of("sku", "name")));
    for (int i = 0; i < 400; i++) {
      table.add(List.of("A-" + i, "Lamp " + i * 7919 % 1000));
    }
    byte[] whole = Files.readAllBytes(files.write(format, table));
    Path cut = folder.resolve("cut");
    Files.write(cut, Arrays.copyOf(whole, whole.length * 2 / 3));
    switch (format) {
      case DELIMITED -> refused("unbalanced-quote", () -> Sheet.open(cutInQuotes(whole)), "Close");
      case XLSX, ODS -> refused("damaged", () -> Sheet.open(cut), "cut off");
      case JSON, JSON_LINES -> refused("broken-json", () -> Sheet.open(cut), "once more");
      case XML -> refused("broken-xml", () -> Sheet.open(cut), "XML");
    }
  }

  private Path cutInQuotes(byte[] whole) throws IOException {
    String text = new String(whole, StandardCharsets.UTF_8);
    return Files.writeString(
        folder.resolve("cut.csv"), text.substring(0, text.indexOf("Lamp", text.length() / 2) + 3));
  }

  @Test
  void an_empty_file_whatever_its_name() throws IOException {
    for (String name : List.of("a.csv", "a.xlsx", "a.ods", "a.json", "a.jsonl", "a.xml")) {
      Path file = Files.createFile(folder.resolve(name));
      refused("empty", () -> Sheet.open(file), "The file is empty.");
    }
  }

  @Test
  void records_in_a_wrong_encoding() throws IOException {
    Path json = folder.resolve("latin.json");
    Files.write(json, "[{\"sku\":\"A\",\"name\":\"Größe\"}]".getBytes(StandardCharsets.ISO_8859_1));
    refused("broken-json", () -> Sheet.open(json), "UTF-8");
    Path xml = folder.resolve("latin.xml");
    Files.write(
        xml,
        "<l><p><sku>A</sku><name>Größe</name></p><p><sku>B</sku></p></l>"
            .getBytes(StandardCharsets.ISO_8859_1));
    refused("broken-xml", () -> Sheet.open(xml), "XML");
  }

  @Test
  void records_in_utf_16_are_read() throws IOException {
    Path json = folder.resolve("wide.json");
    Files.write(
        json, "\uFEFF[{\"sku\":\"A\",\"name\":\"Größe\"}]".getBytes(StandardCharsets.UTF_16LE));
    assertThat(rows(Sheet.open(json)).getFirst().cells()).containsExactly("A", "Größe");
    Path xml = folder.resolve("wide.xml");
    Files.write(
        xml,
        "\uFEFF<l><p><sku>A</sku><name>Größe</name></p><p><sku>B</sku></p></l>"
            .getBytes(StandardCharsets.UTF_16BE));
    assertThat(rows(Sheet.open(xml)).getFirst().cells()).containsExactly("A", "Größe");
  }

  @Test
  void a_sku_that_a_spreadsheet_has_rounded_is_recognised_in_workbooks_too() {
    for (SheetFormat format : SheetFormat.values()) {
      Sheet sheet =
          Sheet.open(
              files.write(format, List.of(List.of("sku", "name"), List.of("1.2E+12", "Lamp"))));
      FactReader reader =
          new FactReader(
              "sheet",
              new ReadingProposer(Knowledge.standard())
                  .propose(sheet.layout().headings(), rows(sheet)),
              Knowledge.standard());
      assertThat(reader.read(rows(sheet).getFirst()))
          .as("%s", format)
          .isInstanceOfSatisfying(
              FactReader.Outcome.Rejected.class,
              r -> assertThat(r.problem().toString()).contains("1.2E+12", "rounded number"));
    }
  }
}
