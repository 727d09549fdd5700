package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.check.Checker;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;

class KeywordProposerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final KeywordProposer proposer = new KeywordProposer(KNOWLEDGE);

  private static ProductFacts pannier(String sku, String colour, String capacity) {
    return Products.of(
        "SKU,Name,Type,Colour,Capacity,Material,Weight",
        "%s,Lane %s,Panniers,%s,%s,canvas,900 g".formatted(sku, sku, colour, capacity));
  }

  @Test
  void products_that_compete_for_a_keyword_get_longer_ones_that_set_them_apart() {
    List<ProductFacts> rivals =
        List.of(
            pannier("A", "black", "20 l"),
            pannier("B", "black", "25 l"),
            pannier("C", "moss green", "25 l"));
    List<Optional<String>> longer = proposer.apart(rivals, "commuter pannier", Set.of());
    assertThat(longer).allSatisfy(k -> assertThat(k).isPresent());
    assertThat(longer.stream().map(Optional::get)).doesNotHaveDuplicates();
    for (int i = 0; i < rivals.size(); i++) {
      String keyword = longer.get(i).orElseThrow();
      assertThat(keyword).contains("commuter pannier");
      Draft draft =
          new Composer(KNOWLEDGE, 1)
              .compose(
                  new Brief(
                      rivals.get(i),
                      keyword,
                      Voices.plain(),
                      rhetor.core.style.Style.standard(),
                      0));
      assertThat(new Checker(KNOWLEDGE).check(draft, rivals.get(i), keyword).mustFix()).isEmpty();
    }
    assertThat(
            proposer.apart(rivals, "commuter pannier", Set.of(longer.getFirst().get())).getFirst())
        .isNotEqualTo(longer.getFirst());
  }

  @Test
  void what_no_fact_sets_apart_gets_none() {
    List<ProductFacts> twins =
        List.of(pannier("A", "black", "20 l"), pannier("B", "black", "20 l"));
    assertThat(proposer.apart(twins, "pannier", Set.of())).containsOnly(Optional.empty());
  }

  @Test
  void a_rule_makes_a_keyword_of_facts_and_kind() {
    ProductFacts product = pannier("A", "moss green", "20 l");
    assertThat(proposer.byRule(product, List.of())).contains("pannier");
    assertThat(proposer.byRule(product, List.of("material"))).contains("canvas pannier");
    assertThat(proposer.byRule(product, List.of("capacity", "material")))
        .contains("20-litre canvas pannier");
    assertThat(proposer.byRule(product, List.of("material", "colour")).orElseThrow())
        .isIn("canvas moss green pannier", "canvas pannier in moss green");
    assertThat(proposer.byRule(product, List.of("runtime"))).isEmpty();
    assertThat(proposer.byRule(Products.of("SKU,Name", "A,Thing"), List.of())).isEmpty();
  }

  @Test
  void words_that_no_fact_bears_out_are_taken_from_a_keyword() {
    ProductFacts plain =
        Products.of("SKU,Name,Category,Material", "A,Fell Pannier,Panniers,canvas");
    KeywordProposer proposer = new KeywordProposer(Knowledge.standard());
    assertThat(proposer.borneOut(plain, "waterproof canvas pannier")).contains("canvas pannier");
    assertThat(proposer.borneOut(plain, "canvas pannier")).isEmpty();
    assertThat(proposer.borneOut(plain, "waterproof")).isEmpty();
  }
}
