package rhetor.core.fact;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.fact.VariantFinder.Group;
import rhetor.core.fact.VariantFinder.Item;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;

class VariantFinderTest {
  private final VariantFinder finder = new VariantFinder(Knowledge.standard());

  private static Item shirt(long id, String colour, String size) {
    return new Item(
        id,
        "S-" + id,
        "Lane Shirt " + colour + ", " + size,
        "Oskerby",
        "shirt",
        Map.of("colour", colour, "size", size));
  }

  @Test
  void colours_and_sizes_of_one_thing_are_a_group_with_its_gaps() {
    List<Group> groups =
        finder.propose(
            List.of(
                shirt(1, "red", "S"),
                shirt(2, "red", "M"),
                shirt(3, "black", "S"),
                new Item(9, "X", "Lane Cap", "Oskerby", "cap", Map.of())));
    assertThat(groups).hasSize(1);
    Group group = groups.getFirst();
    assertThat(group.name()).isEqualTo("Lane Shirt");
    assertThat(group.axes()).containsExactly("colour", "size");
    assertThat(group.gaps()).containsExactly(List.of("black", "M"));
    assertThat(group.clashes()).isEmpty();
  }

  @Test
  void two_members_in_one_place_clash() {
    Group group =
        finder
            .propose(List.of(shirt(1, "red", "S"), shirt(2, "red", "S"), shirt(3, "black", "S")))
            .getFirst();
    assertThat(group.clashes()).containsExactly(List.of(1L, 2L));
  }

  @Test
  void things_that_differ_in_nothing_that_varies_are_no_variants() {
    assertThat(finder.propose(List.of(shirt(1, "red", "S"), shirt(2, "red", "S")))).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "'Lane Shirt red, M', Lane Shirt",
    "'Roll Pannier 20', Roll Pannier 20",
    "'Drizzle Jacket II', Drizzle Jacket II",
    "'Honey – 250 g', Honey",
    "'Lane Shirt XL', Lane Shirt"
  })
  void a_names_stem_is_what_variants_share(String name, String stem) {
    assertThat(finder.stem(name)).isEqualTo(stem);
  }

  @Test
  void the_demo_houses_colours_are_found_in_its_own_sheet() {
    ValueText text = new ValueText(Knowledge.standard());
    List<Item> items = new ArrayList<>();
    for (ProductFacts p : Products.of(Path.of("../demo/sheets/tolvane-luggage.csv"))) {
      items.add(Item.of(items.size(), p, text::spec));
    }
    List<Group> groups = finder.propose(items);
    assertThat(groups.getFirst().members()).hasSizeGreaterThanOrEqualTo(4);
    assertThat(groups).extracting(Group::name).contains("Roll Pannier 20", "Tour Pannier 25");
    assertThat(groups).allSatisfy(g -> assertThat(g.axes()).first().isEqualTo("colour"));
  }
}
