package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.sheet.SheetRow;

class ThingOfSheetTest {
  private final ReadingProposer proposer = new ReadingProposer(Knowledge.standard());

  private Reading read(String title, String headings, String... rows) {
    List<SheetRow> all = new ArrayList<>();
    for (String row : rows) {
      all.add(new SheetRow(all.size() + 2, List.of(row.split(";", -1)), new BitSet()));
    }
    return proposer.propose(List.of(headings.split(";")), all, HeadingAnswers.NONE, title);
  }

  private Reading sheet(String title, String nameHeading) {
    return read(
        title,
        "SKU;" + nameHeading + ";Colour;Remarks int.",
        "A-1;Fenwick;black;ask Bo",
        "A-2;Larkspur;red;-",
        "A-3;Hollin;green;-",
        "A-4;Tern;white;-");
  }

  @ParameterizedTest
  @CsvSource({
    "ladders_2026,ladder",
    "ladders_en,ladder",
    "Preisliste Ladders v2,ladder",
    "garden-hoses,garden hose",
    "STOCK vacuum cleaners (UK),vacuum cleaner",
    "wine glasses,wine glass",
    "ice cream makers,ice cream maker",
    "Regenschirme Regenschirm,umbrella"
  })
  void a_file_of_one_thing_is_called_after_it(String title, String thing) {
    assertThat(sheet(title, "Model").thing()).isEqualTo(thing);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "lamps and mirrors",
        "candle accessories",
        "straps for watches",
        "mugs_plates_2026",
        "price list 2026",
        "Fenwick autumn",
        // The scoops are unknown, and they are no coffee.
        "coffee scoops",
        "bread makers",
        ""
      })
  void a_title_of_several_things_or_none_says_nothing(String title) {
    assertThat(sheet(title, "Model").thing()).isEmpty();
  }

  @Test
  void what_the_sheet_says_counts_more_than_what_its_file_is_called() {
    assertThat(sheet("mirrors", "Ladder").thing()).isEqualTo("ladder");
  }

  @ParameterizedTest
  @CsvSource({
    "Krawatte,tie",
    "radiateur,radiator",
    "Werkzeugkiste,toolbox",
    "Stofzuiger,vacuum cleaner"
  })
  void a_heading_over_the_names_may_be_in_the_sheets_language(String heading, String thing) {
    String rest =
        switch (heading) {
          case "radiateur" -> "Couleur;Poids;Matière";
          case "Stofzuiger" -> "Kleur;Gewicht;Materiaal";
          default -> "Farbe;Gewicht;Material";
        };
    Reading read =
        read(
            "",
            "SKU;" + heading + ";" + rest,
            "A-1;Fenwick;x;3 kg;y",
            "A-2;Larkspur;z;4 kg;y",
            "A-3;Hollin;x;5 kg;v");
    assertThat(read.thing()).isEqualTo(thing);
  }

  /** Two of three things that are called a hose are worn. */
  @Test
  void a_word_that_means_a_class_in_some_of_its_senses_bars_no_concept() {
    Reading read =
        read(
            "",
            "SKU;Hose;Fit;Burst",
            "A-1;Fenwick 15;tap;24 bar",
            "A-2;Larkspur 15;tap;20 bar",
            "A-3;Hollin;tap;30 bar");
    assertThat(read.columns().get(2).meaning().concept()).isNotEqualTo("fit");
    assertThat(read.thing()).isEqualTo("hose");
  }
}
