package rhetor.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which row names the columns, and what becomes of sheets in which none does. */
class HeadingRowTest {
  @TempDir Path folder;

  private Sheet sheet(String text) throws IOException {
    return Sheet.open(Files.writeString(folder.resolve("sheet.csv"), text));
  }

  private static List<String> firstCells(Sheet sheet) {
    List<String> cells = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      rows.forEachRemaining(r -> cells.add(r.cell(0)));
    }
    return cells;
  }

  @Test
  void a_sheet_without_headings_loses_no_product() throws IOException {
    Sheet sheet =
        sheet(
            """
            HB-101;Mill bucket;galvanised;10 l;1,4 kg
            HB-102;Mill bucket;galvanised;14 l;1,8 kg
            HB-201;Byre pail;enamel;8 l;1,1 kg
            """);
    assertThat(firstCells(sheet)).containsExactly("HB-101", "HB-102", "HB-201");
    assertThat(sheet.layout().headings())
        .containsExactly("Column 1", "Column 2", "Column 3", "Column 4", "Column 5");
    assertThat(sheet.layout().notes())
        .singleElement()
        .asString()
        .contains("No row names the columns");
  }

  @Test
  void nor_does_one_of_which_most_cells_are_words() throws IOException {
    Sheet sheet =
        sheet(
            """
            K-1,Heron,Marsh & Vale,blue
            K-2,Egret,Marsh & Vale,white
            K-3,Teal,Marsh & Vale,green
            """);
    assertThat(firstCells(sheet)).containsExactly("K-1", "K-2", "K-3");
  }

  @Test
  void a_person_may_say_which_row_has_the_headings_and_that_none_has() throws IOException {
    Sheet sheet = sheet("SKU,Name,Weight\nA-1,Heron,2 kg\nA-2,Egret,3 kg\n");
    Sheet none = sheet.shaped(new SheetShape("", 0, 0, 1));
    assertThat(firstCells(none)).containsExactly("SKU", "A-1", "A-2");
    assertThat(none.layout().headings()).containsExactly("Column 1", "Column 2", "Column 3");
    assertThat(firstCells(none.shaped(new SheetShape("", 1, 1, 2)))).containsExactly("A-1", "A-2");
    assertThatThrownBy(() -> new SheetShape("", 0, 1, 2))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void sizes_as_headings_are_headings() throws IOException {
    Sheet sheet = sheet("SKU,Name,36,37,38\n101,Loafer,3,0,4\n102,Brogue,1,2,2\n103,Clog,4,4,0\n");
    assertThat(sheet.layout().headings()).containsExactly("SKU", "Name", "36", "37", "38");
    assertThat(firstCells(sheet)).containsExactly("101", "102", "103");
  }

  @Test
  void a_heading_row_that_looks_much_like_a_product_is_asked_about() throws IOException {
    Sheet sheet =
        sheet(
            """
            Art,Model 2024,Wt 1,Len 2
            101,Heron 3,2 kg,30 cm
            102,Egret 4,3 kg,40 cm
            103,Teal 5,1 kg,20 cm
            """);
    assertThat(sheet.layout().headings()).contains("Art");
    assertThat(sheet.layout().notes()).anyMatch(n -> n.startsWith("Row 1 may be a product"));
  }

  @Test
  void plain_headings_are_not_asked_about() throws IOException {
    Sheet sheet = sheet("SKU,Name,Weight\nA-1,Heron,2 kg\nA-2,Egret,3 kg\nA-3,Teal,1 kg\n");
    assertThat(sheet.layout().notes()).isEmpty();
  }

  /** Any encoding that the machine knows can be chosen by hand. */
  @ParameterizedTest
  @ValueSource(
      strings = {"Shift_JIS", "EUC-JP", "GB18030", "Big5", "KOI8-R", "windows-1251", "IBM850"})
  void text_of_any_encoding_is_read_when_a_person_says_which(String name) throws IOException {
    Charset charset = Charset.forName(name);
    String word =
        switch (name) {
          case "Shift_JIS", "EUC-JP" -> "茶碗";
          case "GB18030", "Big5" -> "茶杯";
          case "KOI8-R", "windows-1251" -> "чашка";
          default -> "Schälchen";
        };
    Path file = folder.resolve("sheet.csv");
    Files.write(
        file,
        ("SKU;Name;Weight\nT-1;" + word + ";200 g\nT-2;" + word + ";300 g\n").getBytes(charset));
    Sheet sheet = Sheet.open(file).written(charset, ';');
    List<String> names = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      rows.forEachRemaining(r -> names.add(r.cell(1)));
    }
    assertThat(names).containsExactly(word, word);
  }
}
