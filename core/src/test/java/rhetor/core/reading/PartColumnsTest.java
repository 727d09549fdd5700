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
    String[] each = cells.split(";", -1);
    List<SheetRow> rows = new ArrayList<>();
    for (int i = 0; i < each.length; i++) {
      rows.add(
          new SheetRow(
              i + 2,
              List.of("Q-" + i, "Marlow " + i, each[i].strip(), i + 3 + " kg"),
              new BitSet()));
    }
    return LabelledSheets.label(
                PROPOSER
                    .propose(
                        List.of("SKU", "Name", heading, "Weight"), rows, HeadingAnswers.NONE, title)
                    .columns()
                    .get(2))
            .equals("part")
        ? PROPOSER
            .propose(List.of("SKU", "Name", heading, "Weight"), rows, HeadingAnswers.NONE, title)
            .columns()
            .get(2)
            .meaning()
            .concept()
        : "no part";
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
    "Compass, Y; N; N, part_fitted_compass",
    "Thermometer incl., yes; no; -, part_fitted_thermometer"
  })
  void a_part_and_what_the_cells_say_of_it(String heading, String cells, String concept) {
    assertThat(read("", heading, cells)).isEqualTo(concept);
  }

  /** What the cells don't bear out, what isn't a part, and what doesn't say of how many. */
  @ParameterizedTest
  @CsvSource({
    "'', Mast, tall; short; none",
    // Tips are gratuities and hints, fronts are of the weather.
    "'', Tips, 2; 4; 1",
    "'', Fronts, 3; 5; 2",
    "'', Mast, Y; N; Y",
    "'', Rungs, 3 plastic; 2 wood; 4 steel",
    "'', Hinge, brass; steel; steel",
    "'', Wheel diameter, 20 cm; 25 cm; 30 cm",
    "'', Burners, large; small; large",
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
