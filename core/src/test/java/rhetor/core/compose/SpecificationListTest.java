package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Kinds;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

class SpecificationListTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts PANNIER =
      Products.of(
          "SKU,Name,Category,Colour,Weight,Capacity,Features,Tarp grade",
          "P,Roll 20,Panniers,moss green,940 g,20 l,\"inner pocket; shoulder strap\",T3");

  private static Knowledge house(List<String> first, List<String> none) {
    return KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(), List.of(Kinds.pannier(first, none, "")));
  }

  private static List<String> list(Knowledge knowledge) {
    return new SpecificationList(knowledge).of(PANNIER);
  }

  @Test
  void as_delivered_the_list_follows_the_source_and_leaves_out_what_prose_tells_whole() {
    assertThat(list(KNOWLEDGE))
        .containsExactly("Colour: moss green", "Weight: 940 g", "Capacity: 20 l", "Tarp grade: T3");
  }

  @Test
  void an_amount_that_cannot_be_read_stands_under_the_heading_that_has_its_unit() {
    ProductFacts pannier =
        Products.of("SKU,Name,Category,Weight g", "P,Roll 20,Panniers,900 (950 wet)");
    assertThat(new SpecificationList(KNOWLEDGE).of(pannier))
        .containsExactly("Weight g: 900 (950 wet)");
  }

  @Test
  void a_house_puts_facts_first_and_leaves_some_out_whatever_column_they_come_from() {
    assertThat(list(house(List.of("capacity", "extra:tarp grade"), List.of("colour"))))
        .containsExactly("Capacity: 20 l", "Tarp grade: T3", "Weight: 940 g");
  }

  @Test
  void what_a_house_puts_in_by_name_stands_there_though_prose_tells_it_too() {
    assertThat(list(house(List.of("features"), List.of())))
        .startsWith("Features: inner pocket, shoulder strap");
  }

  @Test
  void a_written_description_has_the_house_s_list() {
    Knowledge house = house(List.of("capacity"), List.of("weight"));
    Draft draft = new Composer(house, 1).compose(Brief.of(PANNIER));
    List<String> entries =
        draft.blocks(Field.DESCRIPTION).getLast().sentences().stream().map(Sentence::text).toList();
    assertThat(entries).containsExactly("Capacity: 20 l", "Colour: moss green", "Tarp grade: T3");
    assertThat(house(List.of(), List.of("capacity", "colour", "extra:tarp grade", "weight")))
        .satisfies(
            k ->
                assertThat(new Composer(k, 1).compose(Brief.of(PANNIER)).blocks(Field.DESCRIPTION))
                    .noneMatch(b -> b.kind() == Block.Kind.LIST));
  }
}
