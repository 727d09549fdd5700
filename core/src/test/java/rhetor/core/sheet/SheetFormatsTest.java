package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rhetor.core.sheet.Refusal.refused;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Workbooks, records, and tables that don't begin in the first row. */
class SheetFormatsTest {
  private static final Path BRIGHTWICK = Path.of("../demo/sheets/brightwick-lighting.xlsx");
  private static final Path OSKERBY = Path.of("../demo/sheets/oskerby-rainwear.jsonl");

  @TempDir Path folder;

  private Path file(String name, String text) {
    try {
      return Files.writeString(folder.resolve(name), text);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static List<List<String>> cells(Sheet sheet) {
    List<List<String>> cells = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      rows.forEachRemaining(r -> cells.add(r.cells()));
    }
    return cells;
  }

  private Path workbook(Consumer<Workbook> fill) throws IOException {
    Path file = folder.resolve("book.xlsx");
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "Test", "1.0")) {
      fill.accept(book);
    }
    return file;
  }

  private Path zip(String name, Map<String, String> parts) throws IOException {
    Path file = folder.resolve(name);
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
      for (var part : parts.entrySet()) {
        out.putNextEntry(new ZipEntry(part.getKey()));
        out.write(part.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private static String ods(String tables) {
    return """
    <?xml version="1.0" encoding="UTF-8"?>
    <office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
      xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0">
    <office:body><office:spreadsheet>%s</office:spreadsheet></office:body></office:document-content>"""
        .formatted(tables);
  }

  @Nested
  class RowsThatAreKept {
    private final Consumer<Workbook> twoSheets =
        book -> {
          for (String name : List.of("Lamps", "Bells")) {
            Worksheet sheet = book.newWorksheet(name);
            sheet.value(0, 0, "SKU");
            sheet.value(0, 1, "Name");
            sheet.value(1, 0, name + "-1");
            sheet.value(1, 1, "Größe ≥ 20 µm");
            sheet.value(3, 0, name + "-2");
            sheet.value(3, 1, "After a blank row");
          }
        };

    private Path kept() {
      return folder.resolve("book.rows");
    }

    @Test
    void a_workbook_is_parsed_once() throws IOException {
      Path book = workbook(twoSheets);
      Sheet sheet = Sheet.open(book, kept());
      List<List<String>> parsed = cells(Sheet.open(book));
      List<Integer> numbers = new ArrayList<>();
      Files.writeString(book, "no workbook any more");
      Sheet known = Sheet.known(book, sheet.layout(), kept());
      assertThat(cells(known)).isEqualTo(parsed);
      try (Sheet.Rows rows = known.rows()) {
        rows.forEachRemaining(r -> numbers.add(r.number()));
      }
      assertThat(numbers).startsWith(2).endsWith(4);
      assertThat(known.head()).hasSize(1);
    }

    @Test
    void another_worksheet_has_rows_of_its_own() throws IOException {
      Path book = workbook(twoSheets);
      Sheet lamps = Sheet.open(book, kept());
      Sheet bells = lamps.worksheet("Bells");
      assertThat(cells(bells).getFirst()).first().isEqualTo("Bells-1");
      assertThat(cells(lamps).getFirst()).first().isEqualTo("Lamps-1");
    }

    @Test
    void a_table_that_stands_elsewhere_is_found_in_them() throws IOException {
      Sheet sheet = Sheet.open(workbook(twoSheets), kept());
      Sheet lower = sheet.shaped(new SheetShape("Lamps", 2, 1, 4));
      assertThat(lower.layout().headings()).containsExactly("Lamps-1", "Größe ≥ 20 µm");
      assertThat(cells(lower)).hasSize(1);
    }

    @Test
    void what_is_damaged_or_gone_is_parsed_anew() throws IOException {
      Path book = workbook(twoSheets);
      Sheet sheet = Sheet.open(book, kept());
      List<List<String>> parsed = cells(sheet);
      Files.writeString(kept(), "something else");
      assertThat(cells(sheet)).isEqualTo(parsed);
      Files.delete(kept());
      assertThat(cells(sheet)).isEqualTo(parsed);
    }

    @Test
    void a_workbook_that_breaks_off_leaves_nothing() throws IOException {
      Path book = workbook(twoSheets);
      assertThatThrownBy(
              () -> Sheet.open(book, kept()).shaped(new SheetShape("Lamps", 900, 1, 901)))
          .isInstanceOf(SheetException.class);
      Path empty = workbook(b -> b.newWorksheet("Nothing"));
      Path none = folder.resolve("none.rows");
      assertThatThrownBy(() -> Sheet.open(empty, none)).isInstanceOf(SheetException.class);
      try (var files = Files.list(folder)) {
        assertThat(files).noneMatch(f -> f.toString().endsWith(".part"));
      }
    }

    @Test
    void text_is_quick_and_keeps_none() throws IOException {
      Path text = Files.writeString(folder.resolve("a.csv"), "SKU,Name\nA-1,Bell\n");
      Sheet.open(text, kept());
      assertThat(kept()).doesNotExist();
    }
  }

  @Nested
  class Workbooks {
    @Test
    void a_preamble_and_a_merged_heading_are_seen_for_what_they_are() {
      Sheet sheet = Sheet.open(BRIGHTWICK);
      SheetLayout layout = sheet.layout();
      assertThat(layout.format()).isEqualTo(SheetFormat.XLSX);
      assertThat(layout.shape()).isEqualTo(new SheetShape("Trade list", 4, 2, 6));
      assertThat(layout.headings())
          .startsWith("Ref", "Product", "Type", "Light / Output", "Run time")
          .endsWith("Trade", "Picture");
      assertThat(layout.rows()).isEqualTo(36);
      assertThat(cells(sheet).getFirst()).first().asString().startsWith("BW1");
      assertThat(sheet.head()).hasSize(5);
    }

    @Test
    void numbers_dates_and_answers_read_as_a_person_sees_them() throws IOException {
      Path file =
          workbook(
              book -> {
                Worksheet sheet = book.newWorksheet("Goods");
                List<String> headings = List.of("SKU", "Name", "Weight", "From", "Hood", "Sum");
                for (int c = 0; c < headings.size(); c++) {
                  sheet.value(0, c, headings.get(c));
                }
                sheet.value(1, 0, 4006381333931L);
                sheet.value(1, 1, "Lamp");
                sheet.value(1, 2, 0.1 + 0.2);
                sheet.value(1, 3, LocalDate.of(2026, 3, 1));
                sheet.style(1, 3).format("dd/mm/yyyy").set();
                sheet.value(1, 4, true);
                sheet.formula(1, 5, "C2*2");
              });
      Sheet sheet = Sheet.open(file);
      assertThat(cells(sheet).getFirst().subList(0, 5))
          .containsExactly("4006381333931", "Lamp", "0.3", "2026-03-01", "yes");
      assertThat(sheet.layout().notes())
          .anySatisfy(n -> assertThat(n).contains("1 cells are formulas"));
    }

    @Test
    void the_first_worksheet_with_rows_is_taken_and_another_can_be_chosen() throws IOException {
      Path file =
          workbook(
              book -> {
                book.newWorksheet("Cover").value(0, 0, "Welcome");
                Worksheet goods = book.newWorksheet("Goods");
                goods.value(0, 0, "SKU");
                goods.value(0, 1, "Name");
                goods.value(1, 0, "A-1");
                goods.value(1, 1, "Lamp");
                Worksheet spares = book.newWorksheet("Spares");
                spares.value(0, 0, "SKU");
                spares.value(0, 1, "Part");
                spares.value(1, 0, "S-1");
                spares.value(1, 1, "Hook");
                Worksheet old = book.newWorksheet("Old");
                old.value(0, 0, "SKU");
                old.setVisibilityState(org.dhatim.fastexcel.VisibilityState.HIDDEN);
              });
      Sheet sheet = Sheet.open(file);
      assertThat(sheet.layout().shape().worksheet()).isEqualTo("Goods");
      assertThat(sheet.layout().worksheets()).containsExactly("Cover", "Goods", "Spares");
      assertThat(sheet.layout().evidence()).contains("1 hidden one left out");
      assertThat(cells(sheet.worksheet("Spares"))).containsExactly(List.of("S-1", "Hook"));
      refused("no-worksheet", () -> sheet.worksheet("Spare"), "Spare");
    }

    @Test
    void an_open_document_is_read_with_its_repeated_cells_and_without_its_comments()
        throws IOException {
      Path file =
          zip(
              "goods.ods",
              Map.of(
                  "mimetype",
                  "application/vnd.oasis.opendocument.spreadsheet",
                  "content.xml",
                  ods(
                      """
                      <table:table table:name="Goods">
                      <table:table-row><table:table-cell><text:p>SKU</text:p></table:table-cell><table:table-cell><text:p>Name</text:p></table:table-cell><table:table-cell><text:p>Weight</text:p></table:table-cell><table:table-cell table:number-columns-repeated="1020"/></table:table-row>
                      <table:table-row><table:table-cell office:value-type="float" office:value="12"><text:p>12.00</text:p></table:table-cell><table:table-cell><office:annotation><text:p>check this</text:p></office:annotation><text:p>Lamp <text:span>small</text:span></text:p></table:table-cell><table:table-cell table:number-columns-repeated="2" table:formula="of:=1" office:value-type="float" office:value="0.5"><text:p>0,5</text:p></table:table-cell></table:table-row>
                      <table:table-row table:number-rows-repeated="2" table:visibility="collapse"><table:table-cell><text:p>B</text:p></table:table-cell><table:table-cell><text:p>Same</text:p></table:table-cell></table:table-row>
                      <table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="1024"/></table:table-row>
                      </table:table>""")));
      Sheet sheet = Sheet.open(file);
      assertThat(sheet.layout().format()).isEqualTo(SheetFormat.ODS);
      assertThat(cells(sheet))
          .startsWith(
              List.of("12", "Lamp small", "0.5", "0.5"),
              List.of("B", "Same"),
              List.of("B", "Same"));
      assertThat(sheet.layout().notes()).hasSize(2);
    }

    @Test
    void damaged_protected_and_other_archives_are_refused_in_words() throws IOException {
      byte[] whole = Files.readAllBytes(BRIGHTWICK);
      Path cut = folder.resolve("cut.xlsx");
      Files.write(cut, java.util.Arrays.copyOf(whole, whole.length * 2 / 3));
      refused("damaged", () -> Sheet.open(cut), "cut off");
      Path old = folder.resolve("old.xlsx");
      Files.write(old, new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, 0, 0});
      refused("not-a-sheet", () -> Sheet.open(old), "password", "XLSX");
      Path pictures = zip("pictures.zip", Map.of("../../a.png", "x"));
      refused("not-a-sheet", () -> Sheet.open(pictures), "without a workbook");
    }

    @Test
    void a_bomb_is_refused_before_it_goes_off() throws IOException {
      Path bomb = folder.resolve("bomb.xlsx");
      try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(bomb))) {
        out.putNextEntry(new ZipEntry("xl/workbook.xml"));
        out.write("<workbook/>".getBytes(StandardCharsets.UTF_8));
        out.putNextEntry(new ZipEntry("xl/sharedStrings.xml"));
        byte[] zeros = new byte[1 << 20];
        for (int i = 0; i < 60; i++) {
          out.write(zeros);
        }
      }
      refused("too-large", () -> Sheet.open(bomb), "sharedStrings.xml");
    }

    @Test
    void an_external_entity_is_never_followed() throws IOException {
      Path secret = file("secret.txt", "the secret");
      Path file =
          zip(
              "evil.ods",
              Map.of(
                  "content.xml",
                  "<!DOCTYPE d [<!ENTITY s SYSTEM \""
                      + secret.toUri()
                      + "\">]>"
                      + ods("<table:table table:name=\"G\"><table:table-row><table:table-cell><text:p>SKU &s;</text:p></table:table-cell></table:table-row><table:table-row><table:table-cell><text:p>A</text:p></table:table-cell></table:table-row></table:table>")
                          .replaceFirst("<\\?xml.*?>\\s*", "")));
      try {
        assertThat(Sheet.open(file).layout().headings().toString()).doesNotContain("secret");
      } catch (SheetException e) {
        assertThat(e.problem().code()).isEqualTo("damaged");
      }
    }
  }

  @Nested
  class Records {
    @Test
    void nested_fields_get_columns_and_lists_share_a_cell() {
      Sheet sheet = Sheet.open(OSKERBY);
      assertThat(sheet.layout().format()).isEqualTo(SheetFormat.JSON_LINES);
      assertThat(sheet.layout().headings())
          .contains("ref", "title", "fabric / shell", "fabric / waterColumnMm", "sizes", "colours");
      List<String> first = cells(sheet).getFirst();
      assertThat(first).contains("OS-10", "recycled nylon", "S; M; L; XL", "hi-vis yellow", "true");
      assertThat(sheet.layout().rows()).isEqualTo(36);
    }

    @Test
    void a_list_anywhere_in_a_json_file_is_found_and_articles_become_rows() {
      Path file =
          file(
              "list.json",
              """
              {"supplier": "Oskerby", "meta": {"pages": [1, 2]},
               "products": [
                {"title": "Drizzle Jacket", "care": null, "items": [
                  {"sku": "OS-1", "size": "S", "weight": 1.50}, {"sku": "OS-2", "size": "M"}]},
                {"title": "Sleet Gloves", "sku": "OS-3"}]}
              """);
      Sheet sheet = Sheet.open(file);
      assertThat(sheet.layout().headings()).containsExactly("title", "sku", "size", "weight");
      assertThat(cells(sheet))
          .containsExactly(
              List.of("Drizzle Jacket", "OS-1", "S", "1.50"),
              List.of("Drizzle Jacket", "OS-2", "M", ""),
              List.of("Sleet Gloves", "OS-3", "", ""));
    }

    @Test
    void an_xml_list_gives_its_repeated_elements_with_units_and_named_parameters() {
      Path file =
          file(
              "list.xml",
              """
              <?xml version="1.0" encoding="ISO-8859-1"?>
              <catalogue date="2026"><group name="Bags"><item id="T-1">
                <name>Roll Pannier</name><weight unit="g">940</weight>
                <param name="Closure">roll-top</param><colour>moss</colour><colour>slate</colour>
                <text><![CDATA[<p>Keeps rain out.</p>]]></text></item>
              <item id="T-2"><name>Bar Bag</name></item></group></catalogue>""");
      Sheet sheet = Sheet.open(file);
      assertThat(sheet.layout().format()).isEqualTo(SheetFormat.XML);
      assertThat(sheet.layout().headings())
          .containsExactly("id", "name", "weight", "Closure", "colour", "text");
      assertThat(cells(sheet).getFirst())
          .containsExactly(
              "T-1", "Roll Pannier", "940 g", "roll-top", "moss; slate", "<p>Keeps rain out.</p>");
    }

    @Test
    void broken_records_are_refused_with_their_line() {
      refused(
          "broken-json",
          () -> Sheet.open(file("a.jsonl", "{\"sku\":\"A\"}\n{\"sku\":\"B\"\n{\"sku\":\"C\"}\n")),
          "Row 3");
      refused("no-list", () -> Sheet.open(file("b.json", "[1, 2, 3]")), "no list of objects");
      refused("no-list", () -> Sheet.open(file("c.json", "[]")), "no list of objects");
    }

    @Test
    void hostile_records_are_refused() {
      refused(
          "too-large",
          () ->
              Sheet.open(
                  file("deep.json", "[{\"a\":" + "[".repeat(5000) + "]".repeat(5000) + "}]")),
          "nested");
      refused(
          "broken-xml",
          () ->
              Sheet.open(
                  file(
                      "laughs.xml",
                      "<!DOCTYPE l [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;\">]><l><p><n>&b;</n></p><p><n>1</n></p></l>")),
          "XML");
      StringBuilder wide = new StringBuilder();
      for (int i = 0; i < 500; i++) {
        wide.append("{\"k").append(i).append("\":1}\n");
      }
      refused("too-wide", () -> Sheet.open(file("wide.jsonl", wide.toString())), "300 columns");
    }
  }

  @Nested
  class Shapes {
    private SheetShape shapeOf(String text) {
      return Sheet.open(file("shape.csv", text)).layout().shape();
    }

    @Test
    void headings_are_found_below_a_preamble() {
      assertThat(
              shapeOf(
                  "Spring list,,\nvalid from 1 March,,\n,,\nSKU,Name,Weight\nA,Lamp,100 g\nB,Lock,1 kg\n"))
          .isEqualTo(new SheetShape("", 4, 1, 5));
    }

    @Test
    void two_lines_of_headings_are_read_together() {
      Sheet sheet =
          Sheet.open(
              file("two.csv", "SKU,Name,Size,,,Price\n,,Width,Height,Depth,\nA,Lamp,1,2,3,9\n"));
      assertThat(sheet.layout().shape()).isEqualTo(new SheetShape("", 1, 2, 3));
      assertThat(sheet.layout().headings())
          .containsExactly("SKU", "Name", "Size / Width", "Size / Height", "Size / Depth", "Price");
      assertThat(cells(sheet)).containsExactly(List.of("A", "Lamp", "1", "2", "3", "9"));
    }

    @ParameterizedTest
    @CsvSource({
      "'SKU,Name\nA,Lamp\n'",
      "'SKU,Name,,Weight\nA,Lamp,x,3\n'",
      "'1001,Lamp\n1002,Lock\n'"
    })
    void a_plain_sheet_has_them_in_its_first_row(String text) {
      assertThat(shapeOf(text).headingRow()).isEqualTo(1);
    }

    @Test
    void a_person_can_say_otherwise() {
      Path file = file("say.csv", "SKU,Name\nalpha,beta\ngamma,delta\nA-1,Lamp\n");
      Sheet sheet = Sheet.open(file).shaped(new SheetShape("", 3, 1, 4));
      assertThat(sheet.layout().headings()).containsExactly("gamma", "delta");
      assertThat(cells(sheet)).containsExactly(List.of("A-1", "Lamp"));
      assertThatThrownBy(() -> new SheetShape("", 3, 1, 2))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("below the headings");
    }
  }
}
