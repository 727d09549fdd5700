package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.Meaning.Role;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;

/** Sheets that mislead: what can't be sure stays under its own heading, and nothing falls over. */
class BadReadingsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @TempDir Path folder;

  private Reading read(String csv) throws Exception {
    Sheet sheet = Sheet.open(Files.writeString(folder.resolve("sheet.csv"), csv));
    List<SheetRow> rows = new ArrayList<>();
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    return new ReadingProposer(KNOWLEDGE).propose(sheet.layout().headings(), rows);
  }

  private static List<String> codes(Reading reading) {
    return reading.columns().stream().map(c -> c.meaning().code()).toList();
  }

  @Test
  void a_sheet_in_two_languages_is_read_by_both_names() throws Exception {
    Reading reading =
        read(
            """
            SKU;Name;Gewicht;Material;Farbe;Width
            A-1;Heron;2 kg;oak;blau;30 cm
            A-2;Egret;3 kg;ash;rot;40 cm
            A-3;Teal;1 kg;elm;blau;50 cm
            """);
    assertThat(codes(reading)).startsWith("sku", "name", "weight").endsWith("width");
    assertThat(codes(reading).get(3)).isIn("material", "extra");
    assertThat(codes(reading).get(4)).isIn("colour", "extra");
  }

  @Test
  void headings_that_lie_are_asked_about() throws Exception {
    Reading reading =
        read(
            """
            SKU,Name,Weight,Colour,Waterproof
            A-1,Heron,30 cm,2 kg,oak
            A-2,Egret,40 cm,3 kg,ash
            A-3,Teal,50 cm,1 kg,elm
            """);
    assertThat(codes(reading).subList(2, 5)).doesNotContain("weight", "colour", "waterproof");
    assertThat(reading.columns().get(2).asks()).isTrue();
    assertThat(reading.columns().get(2).reason()).contains("measured in something else");
  }

  /** Where a sheet has come to what is for the house alone, words of no known meaning are, too. */
  @Test
  void words_behind_what_is_for_the_house_alone_are_kept_back_and_asked_about() throws Exception {
    String cells = "scuffs in transit";
    Reading among =
        read(
            """
            SKU,Name,Weight,Colour,Width,Height,Trade price,Margin,Stock,Gimlet
            A-1,Heron,2 kg,blue,30 cm,10 cm,4.20,38 %%,12,%s
            A-2,Egret,3 kg,red,40 cm,12 cm,5.10,41 %%,0,
            A-3,Teal,1 kg,blue,50 cm,14 cm,3.90,36 %%,5,
            """
                .formatted(cells));
    assertThat(codes(among)).endsWith("keep", "keep", "keep", "keep");
    assertThat(among.columns().getLast().asks()).isTrue();
    Reading apart =
        read(
            """
            SKU,Name,Gimlet,Weight,Colour,Width,Height,Trade price,Margin,Stock
            A-1,Heron,%s,2 kg,blue,30 cm,10 cm,4.20,38 %%,12
            A-2,Egret,,3 kg,red,40 cm,12 cm,5.10,41 %%,0
            A-3,Teal,,1 kg,blue,50 cm,14 cm,3.90,36 %%,5
            """
                .formatted(cells));
    assertThat(codes(apart).get(2)).isEqualTo("extra");
  }

  @Test
  void cells_that_are_all_alike_make_no_name_and_no_code() throws Exception {
    Reading reading =
        read(
            """
            Article,Kind,Note
            same,same,same
            same,same,same
            same,same,same
            """);
    assertThat(reading.columns()).hasSize(3);
    assertThat(codes(reading).get(2)).isIn("keep", "extra");
  }

  @Test
  void numbers_without_any_unit_are_asked_about() throws Exception {
    Reading reading =
        read(
            """
            SKU,Name,Weight
            A-1,Heron,940
            A-2,Egret,1200
            A-3,Teal,780
            """);
    ColumnReading weight = reading.columns().get(2);
    assertThat(weight.meaning().code()).isEqualTo("weight");
    assertThat(weight.holdsUp()).isTrue();
    assertThat(weight.units()).contains("g", "kg");
  }

  @Test
  void three_hundred_columns_without_names_are_kept_back_all_but_the_codes() throws Exception {
    StringBuilder csv = new StringBuilder();
    csv.append(
        String.join(",", IntStream.rangeClosed(1, 300).mapToObj(i -> "A" + i).toList()) + "\n");
    for (int row = 0; row < 5; row++) {
      int r = row;
      csv.append(
          String.join(",", IntStream.range(0, 300).mapToObj(i -> "v" + r * 7 + i).toList()) + "\n");
    }
    Reading reading = read(csv.toString());
    assertThat(reading.columns()).hasSize(300);
    assertThat(reading.columns().stream().map(c -> c.meaning().role()).distinct())
        .isSubsetOf(Role.SKU, Role.NAME, Role.KEEP, Role.EXTRA);
  }

  @Test
  void a_heading_of_500_characters_and_one_that_comes_five_times_are_kept_apart() throws Exception {
    String longest = "what the customer said about it ".repeat(17).strip();
    Reading reading =
        read(
            "SKU,Name,Size,Size,Size,Size,Size,\"%s\"\nA-1,Heron,S,M,L,XL,36,so so\nA-2,Egret,S,M,L,XL,38,fine\n"
                .formatted(longest));
    assertThat(reading.columns().stream().map(ColumnReading::heading))
        .contains("Size", "Size (2)", "Size (5)", longest)
        .doesNotHaveDuplicates();
    assertThat(reading.columns().getLast().meaning().role()).isIn(Role.EXTRA, Role.KEEP);
  }

  @Test
  void quotes_around_every_cell_change_nothing() throws Exception {
    String plain = "SKU,Name,Weight,Material\nA-1,Heron,2 kg,oak\nA-2,Egret,3 kg,ash\n";
    String quoted =
        plain.lines().map(l -> "\"" + l.replace(",", "\",\"") + "\"\n").reduce("", String::concat);
    assertThat(codes(read(quoted))).isEqualTo(codes(read(plain)));
  }

  /** A least that is told as a most is a lie about the thing. */
  @Test
  void the_least_there_may_be_is_neither_the_things_own_nor_the_most() throws Exception {
    Reading pumps =
        read(
            """
            SKU,Name,Min. pressure bar,Max. pressure bar,Flow l/min,Weight kg
            A-1,Heron,0.5,10,12,4.2
            A-2,Egret,1,8,20,5.1
            A-3,Teal,0.2,6,16,3.9
            """);
    assertThat(codes(pumps).get(2)).isEqualTo("extra");
    assertThat(codes(pumps).get(3)).isEqualTo("max_pressure");
    assertThat(codes(pumps).get(5)).isEqualTo("weight");
    Reading harnesses =
        read(
            """
            SKU;Name;Minimum weight kg;Lowest height cm;Age from
            B-1;Sorrel;15;90;6
            B-2;Umber;20;110;8
            B-3;Ochre;25;120;10
            """);
    assertThat(codes(harnesses).subList(2, 4)).containsOnly("extra");
    Reading pumpen =
        read(
            """
            Artikelnummer;Bezeichnung;Mindestdruck (bar);Gewicht (kg)
            C-1;Reiher;0,5;4,2
            C-2;Kranich;1;5,1
            C-3;Storch;0,2;3,9
            """);
    assertThat(codes(pumpen).get(2)).isEqualTo("extra");
    Reading climbs =
        read(
            """
            SKU,Name,Type,Min age,Max participants,Min participants
            D-1,Heron walk,Guided walk,12,10,4
            D-2,Egret climb,Guided walk,16,6,2
            """);
    assertThat(codes(climbs).get(3)).isEqualTo("min_age");
    assertThat(codes(climbs).get(5)).isEqualTo("extra");
  }
}
