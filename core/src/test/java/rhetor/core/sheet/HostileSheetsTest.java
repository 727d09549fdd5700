package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static rhetor.core.sheet.Refusal.refused;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Small files that are made to cost much, or to be taken for something else. */
class HostileSheetsTest {
  private static final Duration AT_ONCE = Duration.ofSeconds(10);
  private static final List<List<String>> TABLE =
      List.of(List.of("sku", "name", "weight"), List.of("A-1", "Lamp", "WEIGHT"));

  @TempDir Path folder;
  private TableFiles files;

  @BeforeEach
  void prepare() {
    files = new TableFiles(folder);
  }

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  private static List<SheetRow> rows(Path file) {
    List<SheetRow> rows = new ArrayList<>();
    Sheet sheet = Sheet.open(file);
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    return rows;
  }

  private static List<String> first(Path file) {
    return rows(file).getFirst().cells();
  }

  @Test
  void a_list_of_300000_words_in_one_field_is_one_long_cell() throws IOException {
    Path file =
        file(
            "a.json",
            "[{\"sku\":\"A\",\"name\":\"Lamp\",\"tags\":[\"word\""
                + ",\"word\"".repeat(299_999)
                + "]}]");
    List<String> cells = assertTimeoutPreemptively(AT_ONCE, () -> first(file));
    assertThat(cells.get(2)).hasSize(300_000 * 6 - 2).startsWith("word; word");
    assertThat(Sheet.open(file).problems(rows(file).getFirst()))
        .extracting(SheetProblem::code)
        .containsExactly("cell-too-long");
  }

  @Test
  void a_product_that_lists_more_articles_than_any_has_is_refused() throws IOException {
    String article = "{\"sku\":\"A\",\"size\":\"M\"}";
    Path file =
        file(
            "a.json",
            "[{\"name\":\"Lamp\",\"articles\":[" + article + ("," + article).repeat(1_000) + "]}]");
    refused("too-large", () -> Sheet.open(file), "1,001 articles");
  }

  @ParameterizedTest
  @CsvSource({
    "1e999999999, 1E+999999999",
    "1e-999999999, 1E-999999999",
    "-1.5e300000, -1.5E+300000",
    "1.50, 1.50",
    "2e3, 2000",
    "1e-5, 0.00001"
  })
  void a_number_is_written_out_where_that_is_short(String written, String cell) throws IOException {
    Path file = file("a.json", "[{\"sku\":\"A\",\"name\":\"Lamp\",\"weight\":" + written + "}]");
    assertThat(assertTimeoutPreemptively(AT_ONCE, () -> first(file))).endsWith(cell);
  }

  @Test
  void a_workbooks_number_with_a_vast_exponent_is_not_written_out() {
    Path book =
        TableFiles.change(
            files.write(SheetFormat.XLSX, TABLE),
            "xl/worksheets/sheet1.xml",
            x ->
                x.replace(
                    "<c r=\"C2\" t=\"inlineStr\"><is><t>WEIGHT</t></is></c>",
                    "<c r=\"C2\"><v>1E999999999</v></c>"));
    assertThat(assertTimeoutPreemptively(AT_ONCE, () -> first(book))).endsWith("1E+999999999");
  }

  @ParameterizedTest
  @ValueSource(strings = {"ZZZZZZZ2", "ZZZZZ2", "AAAA2"})
  void a_cell_beyond_the_last_column_is_refused_before_room_is_made_for_it(String place) {
    Path book =
        TableFiles.change(
            files.write(SheetFormat.XLSX, TABLE),
            "xl/worksheets/sheet1.xml",
            x -> x.replace("r=\"C2\"", "r=\"" + place + "\""));
    refused("too-large", () -> Sheet.open(book), "beyond the last column");
  }

  @ParameterizedTest
  @ValueSource(strings = {"r=\"C99999999999\"", "r=\"\"", "r=\"2C\"", "r=\"C-2\"", "s=\"x\""})
  void a_cell_whose_place_makes_no_sense_is_no_fault_of_rhetor(String place) {
    Path book =
        TableFiles.change(
            files.write(SheetFormat.XLSX, TABLE),
            "xl/worksheets/sheet1.xml",
            x -> x.replace("r=\"C2\"", place));
    try {
      assertThat(rows(book)).isNotNull();
    } catch (SheetException e) {
      assertThat(e.problem().remedy()).isNotBlank();
    }
  }

  @Test
  void a_cell_of_many_megabytes_is_refused_in_a_workbook() {
    Path book =
        TableFiles.change(
            files.write(SheetFormat.XLSX, TABLE),
            "xl/worksheets/sheet1.xml",
            x -> x.replace("WEIGHT", "ab".repeat(2_500_000)));
    refused("too-large", () -> Sheet.open(book), "A cell of it");
  }

  @ParameterizedTest
  @CsvSource({
    "number-columns-repeated, -5",
    "number-columns-repeated, 0",
    "number-columns-repeated, 2147483647",
    "number-columns-repeated, 99999999999",
    "number-rows-repeated, -5",
    "number-rows-repeated, 2147483647"
  })
  void repeats_that_make_no_sense_cost_nothing(String attribute, String times) {
    boolean ofRow = attribute.contains("rows");
    Path book =
        TableFiles.change(
            files.write(SheetFormat.ODS, TABLE),
            "content.xml",
            x ->
                x.replaceFirst(
                    ofRow ? "<table:table-row>" : "<table:table-cell>",
                    ofRow
                        ? "<table:table-row table:%s=\"%s\"/><table:table-row>"
                            .formatted(attribute, times)
                        : "<table:table-cell table:%s=\"%s\"/><table:table-cell>"
                            .formatted(attribute, times)));
    assertTimeoutPreemptively(
        AT_ONCE,
        () -> {
          try {
            assertThat(rows(book)).hasSizeLessThan(10);
          } catch (SheetException e) {
            assertThat(e.problem().code()).isIn("too-wide", "too-long");
          }
        });
  }

  @ParameterizedTest
  @ValueSource(strings = {"x", "1.5", ""})
  void a_repeat_that_is_no_number_is_damage(String times) {
    Path book =
        TableFiles.change(
            files.write(SheetFormat.ODS, TABLE),
            "content.xml",
            x ->
                x.replaceFirst(
                    "<table:table-cell>",
                    "<table:table-cell table:number-columns-repeated=\"%s\">".formatted(times)));
    refused("damaged", () -> Sheet.open(book), "damaged");
  }

  @Test
  void a_carriage_return_alone_is_a_part_of_its_cell_where_rows_end_with_line_feeds()
      throws IOException {
    Path file = file("a.csv", "sku,name\nA,La\rmp\nB,\"Ho\rok\"\nC\r,Strap\n");
    assertThat(rows(file))
        .extracting(SheetRow::cells)
        .containsExactly(List.of("A", "La\rmp"), List.of("B", "Ho\rok"), List.of("C\r", "Strap"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"\r", "\n", "\r\n"})
  void rows_end_as_most_of_them_do(String end) throws IOException {
    Path file = file("a.csv", String.join(end, "sku,name", "A,\"La\nmp\"", "B,Hook", ""));
    Sheet sheet = Sheet.open(file);
    assertThat(sheet.layout().lineEnding()).isEqualTo(end);
    assertThat(rows(file))
        .extracting(SheetRow::cells)
        .containsExactly(List.of("A", "La\nmp"), List.of("B", "Hook"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"\r", "\r\r\r", "\n", " ", "\uFEFF"})
  void a_file_of_nothing_is_refused(String text) throws IOException {
    refused("empty", () -> Sheet.open(file("a.csv", text)), "headings");
  }

  @Test
  void elements_nested_without_end_are_refused() throws IOException {
    String deep = "<a>".repeat(100_000) + "</a>".repeat(100_000);
    String goods = "<item><sku>A</sku><name>Lamp</name></item>".repeat(8_000);
    refused(
        "too-large",
        () ->
            assertTimeoutPreemptively(
                AT_ONCE,
                () -> rows(file("a.xml", "<list>" + goods + "<more>" + deep + "</more></list>"))),
        "nested");
  }
}
