package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

class SupportFinderTest {
  private final ProductFacts product =
      Products.of(
          "SKU,Name,Category,Weight,Material,Keyword",
          "A,Lane 22,Backpacks,830 g,recycled nylon,cycling backpack");
  private final SupportFinder finder = new SupportFinder(Knowledge.standard());

  private List<Support> find(String sentence) {
    return support(sentence, product);
  }

  private List<Support> support(String sentence, ProductFacts product) {
    return finder
        .attach(Html.parse("<p>" + sentence + "</p>"), List.of(), product, product.keyword())
        .getFirst()
        .sentences()
        .getFirst()
        .support();
  }

  @Test
  void a_sentence_rests_on_the_facts_whose_values_it_states() {
    assertThat(find("At 830 g it is no burden.")).containsExactly(Support.fact("weight"));
    assertThat(find("Sewn from recycled nylon.")).contains(Support.fact("material"));
    assertThat(find("A cycling backpack for every day."))
        .contains(Support.keyword("cycling backpack"));
    assertThat(find("It looks good.")).isEmpty();
  }

  @Test
  void a_number_of_its_name_says_nothing_of_a_fact() {
    ProductFacts tour = Products.of("SKU,Name,Category,Hd sq in", "A,Tour 98,Rackets,98");
    List<Support> named = support("Tour 98 is a racket.", tour);
    assertThat(named).hasSize(1);
    assertThat(support("Tour 98 has a head of 98 square inches.", tour))
        .hasSizeGreaterThan(named.size());
  }

  @Test
  void what_it_has_and_what_is_counted_and_what_that_is_good_for_rest_on_facts_too() {
    ProductFacts lane =
        Products.of(
            "SKU,Name,Category,Pockets,Reflective details,IP rating",
            "A,Lane 22,Panniers,2,yes,IPX6");
    assertThat(support("There are two pockets inside.", lane))
        .containsExactly(Support.fact("pockets"));
    assertThat(support("With 2 zipped pockets.", lane)).containsExactly(Support.fact("pockets"));
    assertThat(support("In 12 pockets.", lane)).isEmpty();
    assertThat(support("It has details that reflect light.", lane))
        .containsExactly(Support.fact("reflective"));
    assertThat(support("This means it shows up in headlights.", lane))
        .extracting(Support::kind)
        .containsExactly(Support.Kind.FACT, Support.Kind.CLAIM);
    assertThat(support("A waterproof bag.", lane))
        .contains(Support.fact("water_rating"))
        .extracting(Support::kind)
        .contains(Support.Kind.CLAIM);
    assertThat(support("Protection against water: IPX6", lane))
        .contains(Support.fact("water_rating"));
  }

  @Test
  void a_number_inside_another_is_not_the_fact() {
    assertThat(find("It cost 1830 grams of gold.")).isEmpty();
  }

  @Test
  void a_sentence_that_stood_there_before_keeps_its_support() {
    List<Sentence> before =
        List.of(new Sentence("It looks good.", List.of(Support.fact("colour"))));
    assertThat(
            finder
                .attach(Html.parse("<p>It looks good.</p>"), before, product, "")
                .getFirst()
                .sentences()
                .getFirst()
                .support())
        .containsExactly(Support.fact("colour"));
  }
}
