package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.sheet.SheetRow;

/** What columns of parts say, by their headings and their cells together. */
class PartColumnsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ReadingProposer PROPOSER = new ReadingProposer(KNOWLEDGE);

  /** What a column of a sheet of things that nobody knows is read as. */
  private static String read(String title, String heading, String cells) {
    ColumnReading read = column(title, heading, cells);
    return List.of("part", "quality").contains(LabelledSheets.label(read))
        ? read.meaning().concept()
        : "no part";
  }

  private static ColumnReading column(String title, String heading, String cells) {
    String[] each = cells.split(";", -1);
    List<SheetRow> rows = new ArrayList<>();
    for (int i = 0; i < each.length; i++) {
      rows.add(
          new SheetRow(
              i + 2,
              List.of("Q-" + i, "Marlow " + i, each[i].strip(), i + 3 + " kg"),
              new BitSet()));
    }
    return PROPOSER
        .propose(List.of("SKU", "Name", heading, "Weight"), rows, HeadingAnswers.NONE, title)
        .columns()
        .get(2);
  }

  @ParameterizedTest
  @CsvSource({
    "Mast, brass; aluminium; steel, part_material_mast",
    "Mast mat., carbon fibre; aluminium; pine, part_material_mast",
    "Rungs, oak; beech; steel, part_material_rungs",
    "Lid, 4 mm glass; steel; 6 mm glass, part_material_lid",
    "Rung material, oak; beech; steel, part_material_rungs",
    "Hinges, brass; steel; none, part_material_hinges",
    "Number of buttons, 4; 6; 12, part_count_button",
    "Burners, 2; 4; 1, part_count_burner",
    "Canopy width, 1.2 m; 140 cm; 90 cm, part_width_canopy",
    "Mast dia. mm, 30; 35; 40, part_diameter_mast",
    "Tank l, 10; 15; 20, part_capacity_tank",
    "Hopper ltr, 10; 15; 20, part_capacity_hopper",
    "Hose m, 10; 15; 20, part_length_hose",
    "Compass, Y; N; N, part_fitted_compass",
    "Thermometer incl., yes; no; -, part_fitted_thermometer"
  })
  void a_part_and_what_the_cells_say_of_it(String heading, String cells, String concept) {
    assertThat(read("", heading, cells)).isEqualTo(concept);
  }

  /** Each row says another thing of the part: that it is there, how many, what it is like. */
  @ParameterizedTest
  @CsvSource({
    "Mast, tall; short; none, part_like_mast",
    "Rungs, 3 plastic; 2 wood; 4 steel, part_like_rungs",
    "Perches, 2 metal; 4 wooden; Y, part_like_perches",
    "Castors, Y; N; 4 lockable, part_like_castors",
    "'Tray', 'pull-out; drip; N', part_like_tray",
    "'Stile', 'pine, lacquered; ash; oak, oiled', part_like_stiles",
    "Coin slot, Y; N; N, part_like_coin_slot",
    "Thread cutter, Y; N; Y, part_like_thread_cutter",
    "Pull-out shelf, Y; Y; N, part_like_pull_out_shelf",
    "Case, Y; N; leather, part_like_case"
  })
  void a_part_of_which_each_row_says_another_thing(String heading, String cells, String concept) {
    assertThat(read("", heading, cells)).isEqualTo(concept);
  }

  /**
   * How long one is, how much several hold together, and what only ends like what does something.
   */
  @ParameterizedTest
  @CsvSource({"Tube L, 60; 55; 70", "Trays ltr, 3; 4; 5", "Oak floor, Y; N; Y"})
  void nobody_knows_what_that_says_of_a_part(String heading, String cells) {
    assertThat(read("", heading, cells)).isEqualTo("no part");
  }

  /** A heading that says all by itself, over yes and no. */
  @ParameterizedTest
  @CsvSource({
    "Washable, Y; N; Y, quality_washable",
    "Solvent free, yes; yes; no, quality_solvent_free",
    "Rust-proof, Y; Y; N, quality_rust_proof",
    "Hand-sewn, Y; N; N, quality_hand_sewn",
    "Non-fading, Y; N; N, quality_non_fading"
  })
  void a_quality_that_a_sheet_affirms_or_denies(String heading, String cells, String concept) {
    assertThat(read("", heading, cells)).isEqualTo(concept);
  }

  @ParameterizedTest
  @CsvSource({
    "Washable, 30°; 40°; no",
    "Available, Y; N; Y",
    "Tax free, Y; N; Y",
    "Returnable, Y; Y; N",
    "Water sol., Y; N; Y"
  })
  void what_is_no_quality_of_a_thing(String heading, String cells) {
    assertThat(read("", heading, cells)).doesNotStartWith("quality_");
  }

  @ParameterizedTest
  @CsvSource({
    "overlock machines, Fabrics, cotton; denim; 'jersey, linen'",
    "sewing machines, Fabric, silk; wool; cotton"
  })
  void cloth_is_not_what_a_machine_is_made_of(String title, String heading, String cells) {
    assertThat(column(title, heading, cells).meaning().concept()).isNotEqualTo("material");
    assertThat(column("cushions", heading, cells).meaning().concept()).isEqualTo("material");
  }

  /** What the cells don't bear out, what isn't a part, and what doesn't say of how many. */
  @ParameterizedTest
  @CsvSource({
    // Tips are gratuities and hints, fronts are of the weather.
    "'', Tips, 2; 4; 1",
    "'', Fronts, 3; 5; 2",
    "'', Shades, 24; 60; 12",
    "'', Mast, Y; N; Y",
    "'', Wheel diameter, 20 cm; 25 cm; 30 cm",
    // "Body: Y" may be of a wine, and figures under "pole" how thick one is.
    "'', Body, Y; N; Y",
    "'', Pole, 9; 8; 12",
    "'', Tray, extra; optional; extra",
    "'', Grip, good; best; poor",
    "'', Coating grille, ceramic; steel; steel",
    "'', Letters on back, Y; N; Y",
    "'', Car seat, Y; N; Y",
    "'', Dishwasher basket, Y; Y; N",
    // What all is packed in.
    "'', Bag, paper; cotton; paper",
    "'', Floor, oak; pine; tiles",
    "'', Bars, 10; 4; 6",
    "'', Seats, 2; 4; 6",
    "'', Oven, Y; N; Y",
    "'', Quomp material, oak; pine; ash",
    "wall paints, Base, oil; resin; wax",
    "hinges, Hinges, 4; 2; 4",
    "hinges, Hinges material, nylon; steel; rubber",
    "hinges, Hinges thickness, 4 mm; 3 mm; 6 mm"
  })
  void what_only_looks_like_it(String title, String heading, String cells) {
    assertThat(read(title, heading, cells)).isEqualTo("no part");
  }

  @Test
  void what_a_part_is_made_of_is_not_what_the_thing_is_made_of() {
    Concept leg = KNOWLEDGE.concept("part_material_legs").orElseThrow();
    assertThat(KNOWLEDGE.partOf(leg)).contains("leg");
    assertThat(leg.label()).isEqualTo("Leg material");
    assertThat(KNOWLEDGE.concept("part_material_quomp")).isEmpty();
    assertThat(KNOWLEDGE.concept("part_fitted_axle")).isEmpty();
    assertThat(KNOWLEDGE.partOf(KNOWLEDGE.concept("material").orElseThrow())).isEmpty();
  }
}
