package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Kinds;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.ClassCheck;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.style.Field;
import rhetor.core.text.Support;

/** Titles that follow a pattern of the house's for a kind of product. */
class TitlePatternTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts PANNIER =
      Products.of(
          "SKU,Name,Category,Brand,Colour,Weight,Capacity,Tarp grade",
          "P,Roll 20,Panniers,Tolvane,moss green,940 g,20 l,T3");
  private static final ProductFacts PLAIN =
      Products.of("SKU,Name,Category,Colour", "Q,Ochre Roll,Panniers,ochre");
  private static final ProductFacts LAMP =
      Products.of("SKU,Name,Category,Weight", "L,Fenlight,Front lights,86 g");

  private static ProductClass pannier(String title) {
    return Kinds.pannier(List.of(), List.of(), title);
  }

  private static String title(String pattern, ProductFacts product) {
    Knowledge house = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(), List.of(pannier(pattern)));
    return new Composer(house, 1).compose(Brief.of(product)).plain(Field.TITLE);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "{{brand}} {{name}}, {{capacity}} – {{colour}};Tolvane Roll 20, 20 l – moss green",
        "{{name}} | {{kind}} · {{weight}};Roll 20 | pannier · 940 g",
        "{{ name }}, {{tarp_grade}};Roll 20, T3",
        "{{name}} in {{colour}}, {{lining}}, {{weight}};Roll 20 in moss green, 940 g"
      })
  void the_slots_are_filled_and_parts_without_a_value_go(String pattern, String title) {
    assertThat(title(pattern, PANNIER)).isEqualTo(title);
  }

  @Test
  void a_product_without_a_maker_has_none_and_what_its_name_says_is_not_said_twice() {
    assertThat(title("{{brand}} {{name}}, {{colour}}", PLAIN)).isEqualTo("Ochre Roll");
  }

  @Test
  void what_the_name_says_of_its_kind_is_left_out_beside_a_fact() {
    ProductFacts said = Products.of("SKU,Name,Category,Capacity", "R,Roll Pannier,Panniers,20 l");
    assertThat(title("{{name}} – {{capacity}} {{kind}}, {{kind}}", said))
        .isEqualTo("Roll Pannier – 20 l");
    assertThat(title("{{name}} – {{capacity}} {{kind}}", PANNIER))
        .isEqualTo("Roll 20 – 20 l pannier");
  }

  @Test
  void other_kinds_have_the_usual_titles() {
    assertThat(title("{{name}} of the house", LAMP)).doesNotContain("of the house");
  }

  @Test
  void a_title_keeps_its_length_by_leaving_parts_out() {
    String pattern =
        "{{name}}, {{colour}}, a bag for whoever rides a very long way every single day of the year, {{weight}}";
    assertThat(title(pattern, PANNIER))
        .isEqualTo("Roll 20, moss green, 940 g")
        .hasSizeLessThanOrEqualTo(Field.TITLE.most());
  }

  @Test
  void it_rests_on_the_facts_that_it_names() {
    Knowledge house =
        KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(), List.of(pannier("{{name}}, {{capacity}}")));
    assertThat(
            new Composer(house, 1)
                .compose(Brief.of(PANNIER))
                .sentences(Field.TITLE)
                .getFirst()
                .support())
        .contains(Support.fact("capacity"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"{{name}", "{{colour}}, {{name}}", "Our best", "{{name}} {{{colour}}}"})
  void a_pattern_that_makes_no_title_is_refused_with_what_to_do(String pattern) {
    assertThat(ClassCheck.problems(pannier(pattern), KNOWLEDGE)).isNotEmpty();
  }

  @Test
  void none_and_a_good_one_stand() {
    assertThat(ClassCheck.problems(pannier(""), KNOWLEDGE)).isEmpty();
    assertThat(ClassCheck.problems(pannier("{{brand}} {{name}}, {{size}}"), KNOWLEDGE)).isEmpty();
    assertThat(ClassCheck.problems(pannier("{{name}}" + " and more".repeat(40)), KNOWLEDGE))
        .isNotEmpty();
  }
}
