package rhetor.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.check.Checker;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.style.Voices;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

class RangeFiguresTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static ProductFacts backpack(int grams, String closure) {
    return Products.of(
        "SKU,Name,Category,Material,Capacity,Weight,Closure",
        "B-%d,Ridge %d,Backpacks,nylon,22 l,%d g,%s".formatted(grams, grams, grams, closure));
  }

  private static List<ProductFacts> range(int number) {
    List<ProductFacts> range = new ArrayList<>();
    for (int i = 0; i < number; i++) {
      range.add(backpack(900 + i * 40, i == 3 ? "roll-top" : "zip"));
    }
    return range;
  }

  private static Draft write(ProductFacts product, List<ProductFacts> range) {
    return new Composer(KNOWLEDGE, 3, new Variety(), RangeFigures.of(range, KNOWLEDGE))
        .compose(Brief.of(product).in(Voices.find("warm").orElseThrow()));
  }

  @Test
  void the_lightest_of_twelve_weighs_less_than_most_and_says_on_what_grounds() {
    List<ProductFacts> range = range(12);
    Draft draft = write(range.getFirst(), range);
    assertThat(draft.prose()).contains("less than most backpacks of the range");
    assertThat(draft.sentences(Field.DESCRIPTION))
        .anySatisfy(
            s ->
                assertThat(s.support())
                    .contains(
                        Support.range(
                            "11 of 11 other backpacks of the house have a higher figure: weight.")));
    assertThat(new Checker(KNOWLEDGE).check(draft, range.getFirst(), "").mustFix()).isEmpty();
  }

  @Test
  void the_heaviest_is_not_called_anything_and_neither_is_one_of_a_few() {
    List<ProductFacts> range = range(12);
    assertThat(write(range.getLast(), range).prose()).doesNotContain("than most");
    assertThat(write(range.get(6), range).prose()).doesNotContain("than most");
    assertThat(write(range.getFirst(), range(5)).prose()).doesNotContain("than most");
  }

  @Test
  void what_all_share_matters_less_and_what_sets_one_apart_more() {
    List<ProductFacts> range = range(12);
    RangeFigures figures = RangeFigures.of(range, KNOWLEDGE);
    ProductFacts odd = range.get(3);
    assertThat(figures.distinctiveness(odd.fact("closure").orElseThrow(), "backpack")).isPositive();
    assertThat(figures.distinctiveness(odd.fact("capacity").orElseThrow(), "backpack"))
        .isNegative();
  }

  @Test
  void what_nearly_all_share_is_left_to_the_specification_if_enough_is_left_to_tell() {
    String headings =
        "SKU,Name,Category,Material,Capacity,Weight,Closure,Pockets,Colour,Care,Features";
    List<ProductFacts> range = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      range.add(
          Products.of(
              headings,
              "B-%d,Ridge %d,Backpacks,%s,%d l,%d g,%s,%d,%s,Hand wash only,chest strap; rain cover"
                  .formatted(
                      i,
                      i,
                      List.of("nylon", "canvas", "felt").get(i % 3),
                      18 + i,
                      900 + i,
                      List.of("zip", "roll-top").get(i % 2),
                      1 + i % 4,
                      List.of("red", "black", "green").get(i / 4))));
    }
    for (ProductFacts product : range) {
      Draft draft = write(product, range);
      assertThat(draft.prose().toLowerCase()).doesNotContain("hand wash", "by hand");
      assertThat(draft.prose()).doesNotContain("chest strap");
      assertThat(draft.plain(Field.DESCRIPTION))
          .contains("Care: Hand wash only", "Features: chest strap, rain cover");
    }
    // On its own there is no range, and all of it is told.
    assertThat(write(range.getFirst(), List.of()).prose().toLowerCase())
        .containsAnyOf("hand wash", "by hand");
  }

  @Test
  void a_comparison_that_no_figures_bear_out_must_be_fixed() {
    ProductFacts product = backpack(900, "zip");
    Draft draft = write(product, range(12));
    Draft typed =
        draft.with(
            Field.SHORT_DESCRIPTION,
            List.of(
                new Block(
                    Block.Kind.PARAGRAPH,
                    List.of(
                        new Sentence(
                            "It is lighter than most backpacks of the range.", List.of())))));
    assertThat(new Checker(KNOWLEDGE).check(typed, product, "").mustFix())
        .anyMatch(m -> m.words().startsWith("lighter than"));
  }
}
