package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;
import rhetor.core.text.Support;

/** How parts of a thing are told, read as a shopper would. */
class PartsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final int SEEDS = 8;

  private static List<Draft> drafts(String headings, String cells) {
    ProductFacts product =
        Products.of("SKU,Name,Category,Weight," + headings, "T-1,Marlow,Trolleys,9 kg," + cells);
    return IntStream.range(0, SEEDS)
        .mapToObj(seed -> new Composer(KNOWLEDGE, seed).compose(Brief.of(product)))
        .toList();
  }

  private static String prose(String headings, String cells) {
    return drafts(headings, cells).stream()
        .map(d -> d.prose().split("Specification")[0])
        .collect(Collectors.joining("\n"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "Castors,Castor material;4,nylon;four nylon castors",
        "Wheels,Wheels material;1,rubber;a rubber wheel",
        "Chassis,Base plate,Axle;steel,steel,brass;base plate are (?:of|made of) steel",
        "Canopy width;1.2 m;1\\.2 m",
        "Basin ltr;8;an 8-litre basin",
        "Hose m;15;a hose 15 metres long",
        "Shelves;3 wooden;three wooden shelves",
        "Tray;pull-out;a pull-out tray",
        "Stile;\"pine, lacquered\";lacquered pine stiles",
        "Umbrella holder;\"Y, lockable\";a lockable umbrella holder",
        "Rain cover;Y;comes? with a rain cover",
        "Rain cover,Tool;Y,Y;a rain cover and a tool",
        "Suspension;front;front suspension",
        "Foldable;Y;foldable",
        "BPA free;Y;BPA-free",
        "Brake;yes;a brake",
        "Fabric,Chassis;canvas,steel;(?:a canvas fabric|a fabric of canvas)"
      })
  void parts_are_told(String headings, String cells, String said) {
    assertThat(prose(headings, cells)).containsPattern(said);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Castors,Castor material|4,nylon|castors of nylon",
        "Brake|no|brake",
        // That there is one is no news, and what lies in the box is told once.
        "Heads incl.|1|head",
        "Included,Repair kit|repair kit,Y|(?s)repair kit[^\\n]*repair kit",
        // Nobody knows how many.
        "Strap|padded|padded",
        "Sensor|dusk|dusk",
        "Stand|extra|stand",
        "Handle|2 x 30 mm|handle",
        "Fabric,Chassis|canvas,steel|canvas trolley",
        "Canopies,Canopies width|2,1.2 m|1\\.2 m"
      })
  void nothing_is_said_of_a_part_twice(String headings, String cells, String notSaid) {
    assertThat(prose(headings, cells)).doesNotContainPattern(notSaid);
  }

  @Test
  void a_sentence_of_several_parts_rests_on_each() {
    for (Draft draft : drafts("Chassis,Mast", "steel,steel")) {
      List<Support> support =
          draft.sentences(Field.DESCRIPTION).stream()
              .filter(s -> s.text().contains("chassis"))
              .flatMap(s -> s.support().stream())
              .toList();
      assertThat(support)
          .contains(Support.fact("part_material_chassis"), Support.fact("part_material_mast"));
    }
  }
}
