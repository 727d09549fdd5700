package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Sentence;

/** How a person of the house put a fact is said in place of what ships. */
class TaughtWordingTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts LAMP =
      Products.of("SKU,Name,Category,Weight", "L,Fenlight,Front lights,86 g");
  private static final ProductFacts JACKET =
      Products.of("SKU,Name,Category,Weight", "J,Brack,Rain jackets,310 g");
  private static final ProductFacts STRANGE =
      Products.of("SKU,Name,Material,Colour,Weight", "S,Oompler,brass,green,200 g");

  private static Concept weight() {
    return KNOWLEDGE.concept("weight").orElseThrow();
  }

  private static String text(ProductFacts product, Concept... taught) {
    Knowledge house = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(taught), KNOWLEDGE.classes());
    return new Composer(house, 1)
        .compose(Brief.of(product)).sentences(Field.DESCRIPTION).stream()
            .map(Sentence::text)
            .collect(Collectors.joining(" "));
  }

  @Test
  void of_its_kind_only_and_before_all_others() {
    Concept taught = weight().taughtOf(LAMP.productClass(), "verb", "tip the scales at {v}");
    assertThat(text(LAMP)).contains("86 g").doesNotContain("the scales");
    assertThat(text(LAMP, taught)).contains("tips the scales at 86 g");
    assertThat(text(JACKET, taught)).contains("310 g").doesNotContain("the scales");
    assertThat(text(STRANGE, taught)).contains("200 g").doesNotContain("the scales");
  }

  @Test
  void of_things_of_no_known_kind_if_it_was_taught_of_one() {
    assertThat(STRANGE.productClass()).isEmpty();
    Concept taught = weight().taughtOf("", "verb", "tip the scales at {v}");
    assertThat(text(STRANGE, taught)).contains("tips the scales at 200 g");
    assertThat(text(LAMP, taught)).doesNotContain("the scales");
  }

  @Test
  void the_latest_wins_and_the_one_before_comes_back_with_its_going() {
    String lamp = LAMP.productClass();
    Concept first = weight().taughtOf(lamp, "verb", "tip the scales at {v}");
    Concept second = first.taughtOf(lamp, "verb", "come to {v}");
    assertThat(text(LAMP, second)).contains("comes to 86 g").doesNotContain("the scales");
    assertThat(second.untaught(lamp, "verb", "come to {v}")).isEqualTo(first);
    assertThat(first.untaught(lamp, "verb", "tip the scales at {v}")).isEqualTo(weight());
  }

  @Test
  void what_has_no_place_for_a_value_leaves_it_to_the_words_that_ship() {
    // "{innoun}" takes words that are a noun, and no amount.
    Concept taught = weight().taughtOf(LAMP.productClass(), "verb", "have the heft of {innoun}");
    assertThat(text(LAMP, taught)).contains("86 g").doesNotContain("heft");
  }
}
