package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static rhetor.core.sheet.Refusal.refused;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SheetTest {
  @TempDir Path folder;

  private Path file(byte[] bytes) throws IOException {
    return Files.write(folder.resolve("sheet.csv"), bytes);
  }

  private Path file(String text) throws IOException {
    return file(text.getBytes(StandardCharsets.UTF_8));
  }

  private static List<SheetRow> rows(Sheet sheet) {
    List<SheetRow> rows = new ArrayList<>();
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    return rows;
  }

  @Nested
  class FindsOutHowAFileIsWritten {
    @ParameterizedTest
    @CsvSource(
        delimiter = ' ',
        value = {"; semicolon", "| pipe", "'\t' tab", ", comma"})
    void delimiter(char delimiter, String name) throws IOException {
      String text = "sku,name,weight\nA,Lamp,3\nB,Lock,4\n".replace(',', delimiter);
      assertThat(Sheet.open(file(text)).layout().delimiterName()).isEqualTo(name);
    }

    @Test
    void semicolons_win_over_decimal_commas_in_the_cells() throws IOException {
      Sheet sheet = Sheet.open(file("sku;weight;length\nA;1,5;2,5\nB;0,4;7,25\n"));
      assertThat(sheet.layout().delimiter()).isEqualTo(';');
      assertThat(rows(sheet).getFirst().cells()).containsExactly("A", "1,5", "2,5");
    }

    @ParameterizedTest
    @CsvSource({"UTF-8, UTF-8", "ISO-8859-1, ISO-8859-1", "windows-1252, windows-1252"})
    void encoding(String written, String found) throws IOException {
      String word = written.equals("windows-1252") ? "Größe “groß”" : "Größe";
      Sheet sheet =
          Sheet.open(file(("sku,name\nA," + word + "\n").getBytes(Charset.forName(written))));
      assertThat(sheet.layout().charset()).isEqualTo(Charset.forName(found));
      assertThat(rows(sheet).getFirst().cell(1)).isEqualTo(word);
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16LE", "UTF-16BE", "UTF-8"})
    void byte_order_mark(String charset) throws IOException {
      Sheet sheet =
          Sheet.open(file("\uFEFFsku,name\nA,Größe\n".getBytes(Charset.forName(charset))));
      assertThat(sheet.layout().byteOrderMark()).isTrue();
      assertThat(sheet.layout().headings()).containsExactly("sku", "name");
      assertThat(rows(sheet).getFirst().cell(1)).isEqualTo("Größe");
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16LE", "UTF-16BE"})
    void utf_16_without_a_byte_order_mark_by_its_empty_bytes(String charset) throws IOException {
      Sheet sheet = Sheet.open(file("sku,name\nA,Größe\n".getBytes(Charset.forName(charset))));
      assertThat(sheet.layout().charset()).isEqualTo(Charset.forName(charset));
      assertThat(sheet.layout().byteOrderMark()).isFalse();
      assertThat(sheet.layout().evidence()).contains("every second byte is empty");
      assertThat(rows(sheet).getFirst().cell(1)).isEqualTo("Größe");
    }

    @Test
    void a_person_can_say_how_the_text_is_written() throws IOException {
      Sheet sheet = Sheet.open(file("sku;a,b;c\nX;1,5;2\n".getBytes(StandardCharsets.UTF_8)));
      Sheet commas = sheet.written(StandardCharsets.UTF_8, ',');
      assertThat(commas.layout().headings()).containsExactly("sku;a", "b;c");
      assertThat(commas.layout().evidence()).contains("as chosen by hand");
      Charset macintosh = Charset.forName("x-MacRoman");
      Sheet mac = Sheet.open(file("sku,name\nA,Größe\n".getBytes(macintosh)));
      assertThat(rows(mac).getFirst().cell(1)).isNotEqualTo("Größe");
      assertThat(rows(mac.written(macintosh, ',')).getFirst().cell(1)).isEqualTo("Größe");
      assertThat(rows(mac.written(macintosh, ',').shaped(mac.layout().shape())).getFirst().cell(1))
          .as("stays as said when its table is looked for elsewhere")
          .isEqualTo("Größe");
      refused("wrong-encoding", () -> mac.written(StandardCharsets.UTF_8, ','), "UTF-8");
    }

    @Test
    void rows_are_numbered_as_a_spreadsheet_shows_them_even_after_cells_with_several_lines()
        throws IOException {
      Sheet sheet = Sheet.open(file("sku,text\nA,\"one\ntwo\"\n\nB,three\n"));
      assertThat(rows(sheet)).extracting(SheetRow::number).containsExactly(2, 3, 4);
      assertThat(rows(sheet).get(1).isBlank()).isTrue();
      assertThat(sheet.layout().rows()).isEqualTo(3);
    }

    @Test
    void headings_that_repeat_or_are_empty_can_still_be_told_apart() throws IOException {
      assertThat(Sheet.open(file("sku,size,,Size\nA,1,2,3\n")).layout().headings())
          .containsExactly("sku", "size", "Column 3", "Size (2)");
    }

    @Test
    void a_cell_keeps_its_exact_characters() throws IOException {
      SheetRow row = rows(Sheet.open(file("a,b,c\n\"x \"\"y\"\"\", z ,\"\"\n"))).getFirst();
      assertThat(row.cells()).containsExactly("x \"y\"", " z ", "");
      assertThat(List.of(row.raw(0), row.raw(1), row.raw(2)))
          .containsExactly("\"x \"\"y\"\"\"", " z ", "\"\"");
    }
  }

  @Nested
  class SaysWhatIsWrongAndWhatToDo {

    @Test
    void an_empty_file() {
      refused("empty", () -> Sheet.open(file("")), "The file is empty.");
    }

    @Test
    void headings_only() {
      refused("headings-only", () -> Sheet.open(file("sku,name\n")), "headings but no rows");
      refused("headings-only", () -> Sheet.open(file("sku,name\n\n , \n")), "headings but no rows");
    }

    @Test
    void no_headings() {
      refused("empty", () -> Sheet.open(file(",,\n , \n")), "has no headings");
    }

    @ParameterizedTest
    @CsvSource({"%PDF-1.7, PDF", "'<!DOCTYPE html><p>', web page"})
    void another_kind_of_file_whatever_its_name(String start, String kind) {
      refused(
          "not-a-sheet", () -> Sheet.open(file(start.getBytes(StandardCharsets.ISO_8859_1))), kind);
    }

    @Test
    void a_picture_and_binary_bytes() {
      refused(
          "not-a-sheet",
          () -> Sheet.open(file("\u0089PNG\r\n".getBytes(StandardCharsets.ISO_8859_1))),
          "picture");
      refused(
          "not-a-sheet", () -> Sheet.open(file(new byte[] {'a', ',', 'b', '\n', 0, 1, 2})), "NUL");
    }

    @Test
    void bytes_that_do_not_belong_to_the_encoding_with_their_row() throws IOException {
      java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream();
      bytes.write("sku,name\nA,Größe über Maß\nB,".getBytes(StandardCharsets.UTF_8));
      bytes.write(0xE9);
      bytes.write("t\n".getBytes(StandardCharsets.UTF_8));
      refused("wrong-encoding", () -> Sheet.open(file(bytes.toByteArray())), "Row 3", "UTF-8");
    }

    @Test
    void a_quotation_mark_that_is_never_closed_with_its_row() {
      refused(
          "unbalanced-quote",
          () -> Sheet.open(file("sku,name\nA,Lamp\nB,\"Lock\nC,Pump\n")),
          "Row 3",
          "Close the quotation mark");
    }

    @Test
    void a_file_over_the_limit_before_it_is_read() throws IOException {
      Path large = folder.resolve("large.csv");
      try (var channel =
          java.nio.channels.FileChannel.open(
              large,
              java.nio.file.StandardOpenOption.CREATE,
              java.nio.file.StandardOpenOption.WRITE)) {
        channel.position(200_000_000L);
        channel.write(java.nio.ByteBuffer.wrap(new byte[] {'\n'}));
      }
      refused("too-large", () -> Sheet.open(large), "200,000,001 bytes", "100,000,000", "Split");
    }

    @Test
    void too_many_rows_or_columns() throws IOException {
      SheetLimits small = new SheetLimits(1000, 2, 3, 10);
      refused("too-long", () -> Sheet.open(file("a\n1\n2\n3\n"), small), "more than 2 rows");
      refused(
          "too-wide",
          () -> Sheet.open(file("a,b,c,d\n1,2,3,4\n"), small),
          "4 cells",
          "up to 3 columns");
    }

    @Test
    void a_row_with_more_cells_than_headings_is_unusable_and_one_with_fewer_is_not()
        throws IOException {
      Sheet sheet = Sheet.open(file("a,b\n1,2,3\n1\n1,2\n"));
      List<SheetRow> rows = rows(sheet);
      assertThat(sheet.problems(rows.get(0)))
          .extracting(SheetProblem::code)
          .containsExactly("ragged-row");
      assertThat(sheet.problems(rows.get(0)).getFirst().toString())
          .contains("Row 2", "3 cells", "2 headings", "quotes");
      assertThat(sheet.problems(rows.get(1))).isEmpty();
      assertThat(sheet.layout().width()).isEqualTo(3);
    }

    @Test
    void a_cell_of_two_million_characters_spoils_its_row_only() throws IOException {
      Sheet sheet = Sheet.open(file("sku,text\nA," + "x".repeat(2_000_000) + "\nB,y\n"));
      List<SheetRow> rows = rows(sheet);
      assertThat(sheet.problems(rows.get(0)).getFirst().toString())
          .contains("Row 2", "column \"text\"", "2,000,000 characters");
      assertThat(sheet.problems(rows.get(1))).isEmpty();
    }
  }
}
