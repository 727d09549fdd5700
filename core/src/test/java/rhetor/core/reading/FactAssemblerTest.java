package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.fact.CellInWords;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.HouseName;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Settlement;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;

class FactAssemblerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final FactAssembler assembler = new FactAssembler(KNOWLEDGE);

  private static final ProductFacts TOLVANE =
      Products.of(
          "SKU,Name,Category,Weight,Material,Colour",
          "A-1,Roll Pannier,Panniers,940 g,recycled polyester,moss");
  private static final ProductFacts WHOLESALER =
      Products.of("SKU,Title,Weight,Closure,Colour", "A-1,PANNIER ROLL,1.2 kg,roll-top,moss");

  private ProductFacts assemble(
      List<ProductFacts> suppliers,
      List<Fact> typed,
      List<Settlement> settled,
      HouseName... names) {
    return assembler.assemble(
        suppliers, typed, settled, new HouseNames(KNOWLEDGE, List.of(names), List.of()));
  }

  private static Value value(ProductFacts product, String concept) {
    return product.fact(concept).orElseThrow().value();
  }

  private static Value.Quantity grams(String amount) {
    return new Value.Quantity(new BigDecimal(amount), "g", "");
  }

  @Test
  void two_suppliers_add_to_each_other_and_what_they_disagree_about_is_set_apart() {
    ProductFacts both = assemble(List.of(TOLVANE, WHOLESALER), List.of(), List.of());
    assertThat(both.name()).isEqualTo("Roll Pannier");
    assertThat(value(both, "closure")).isEqualTo(new Value.Terms(List.of("roll-top")));
    assertThat(both.fact("weight")).isEmpty();
    assertThat(both.contradictions()).hasSize(1);
    Contradiction weight = both.contradictions().getFirst();
    assertThat(weight.label()).isEqualTo("Weight");
    assertThat(weight.versions()).extracting(Fact::value).contains(grams("940"));
    assertThat(both.fact("colour").orElseThrow().sources()).hasSize(2);
  }

  @Test
  void a_settlement_counts_as_long_as_a_source_still_says_so() {
    Settlement settled = new Settlement("weight", grams("940"));
    ProductFacts product = assemble(List.of(TOLVANE, WHOLESALER), List.of(), List.of(settled));
    assertThat(value(product, "weight")).isEqualTo(grams("940"));
    assertThat(product.contradictions()).isEmpty();
    ProductFacts heavier =
        Products.of("SKU,Name,Category,Weight", "A-1,Roll Pannier,Panniers,980 g");
    assertThat(assemble(List.of(heavier, WHOLESALER), List.of(), List.of(settled)).contradictions())
        .hasSize(1);
  }

  @Test
  void what_people_type_in_counts_before_any_sheet() {
    Fact typed = assembler.typed("weight", "Weight", "1 kg", "wren");
    ProductFacts product = assemble(List.of(TOLVANE, WHOLESALER), List.of(typed), List.of());
    assertThat(value(product, "weight")).isEqualTo(new Value.Quantity(BigDecimal.ONE, "kg", ""));
    assertThat(product.fact("weight").orElseThrow().source().column())
        .isEqualTo("typed in by wren");
    Fact name = assembler.typed("name", "Name", "Rollo", "wren");
    assertThat(assemble(List.of(TOLVANE), List.of(name), List.of()).name()).isEqualTo("Rollo");
  }

  @ParameterizedTest
  @CsvSource({
    "weight,heavy,amount with its unit",
    "weight,940,amount with its unit",
    "dimensions,large,two or three lengths",
    "water_rating,good,such as IPX6",
    "hood,perhaps,yes or no"
  })
  void what_can_not_be_read_is_refused_with_an_example(String concept, String text, String hint) {
    assertThatThrownBy(() -> assembler.typed(concept, concept, text, "wren"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(text)
        .hasMessageContaining(hint);
  }

  @Test
  void essential_facts_that_no_source_gives_are_missing() {
    assertThat(assembler.missing(TOLVANE)).contains("capacity", "mount").doesNotContain("weight");
  }

  @Test
  void the_houses_own_names_stand_in_for_the_suppliers() {
    ProductFacts product =
        assemble(
            List.of(TOLVANE),
            List.of(),
            List.of(),
            new HouseName(HouseName.Kind.COLOUR, "Moss", "fern green"),
            new HouseName(HouseName.Kind.MATERIAL, "recycled polyester", "recycled PET"),
            new HouseName(HouseName.Kind.UNIT, "g", "kg"));
    assertThat(value(product, "colour")).isEqualTo(new Value.Terms(List.of("fern green")));
    assertThat(value(product, "material")).isEqualTo(new Value.Terms(List.of("recycled PET")));
    assertThat(value(product, "weight"))
        .isEqualTo(new Value.Quantity(new BigDecimal("0.94"), "kg", ""));
    assertThat(product.fact("colour").orElseThrow().source().raw()).isEqualTo("moss");
  }

  @Test
  void a_unit_can_only_be_given_in_one_that_measures_the_same() {
    assertThatThrownBy(
            () ->
                new HouseNames(
                    KNOWLEDGE, List.of(new HouseName(HouseName.Kind.UNIT, "g", "cm")), List.of()))
        .hasMessageContaining("measures mass")
        .hasMessageContaining("measures length");
  }

  private static ProductFacts inWords(
      ProductFacts product, String fact, String cell, String words) {
    return new HouseNames(KNOWLEDGE, List.of(), List.of(new CellInWords(fact, cell, words)))
        .apply(product);
  }

  @Test
  void a_cell_that_the_house_has_put_in_words_is_read_as_if_it_said_them() {
    ProductFacts cheese =
        Products.of("SKU,Name,Milk,Weight,Shelf life", "C-1,Wennel,\"goat, past.\",ca 150,28d cut");
    ProductFacts milk = inWords(cheese, "extra:milk", "Goat, PAST. ", "pasteurised goat's milk");
    Fact fact =
        milk.facts().stream().filter(f -> f.id().equals("extra:milk")).findFirst().orElseThrow();
    assertThat(fact.value()).isEqualTo(new Value.Words("pasteurised goat's milk"));
    assertThat(fact.source().raw()).isEqualTo("goat, past.");
    assertThat(fact.isInWords()).isTrue();
    assertThat(value(inWords(cheese, "shelf_life", "28d cut", "28 days"), "shelf_life"))
        .isEqualTo(new Value.Quantity(new BigDecimal("28"), "d", ""));
    // Another column's cell that says the same means what it meant.
    assertThat(inWords(cheese, "extra:rind", "goat, past.", "goat")).isEqualTo(cheese);
    assertThatThrownBy(() -> new CellInWords("weight", "150", " "))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void a_product_stays_what_its_sheet_said_that_it_is_whatever_names_the_house_has() {
    ProductFacts table =
        new ProductFacts(
            "T-1",
            "Presswell Table",
            "",
            "ironing board",
            TOLVANE.facts(),
            List.of(),
            "",
            "",
            List.of());
    assertThat(
            assemble(
                    List.of(table),
                    List.of(),
                    List.of(),
                    new HouseName(HouseName.Kind.COLOUR, "moss", "fern"))
                .kindNoun())
        .isEqualTo("ironing board");
    Fact renamed = assembler.typed("name", "Name", "Walnut Table", "wren");
    assertThat(assemble(List.of(table), List.of(renamed), List.of()).kindNoun())
        .isNotEqualTo("ironing board");
  }
}
