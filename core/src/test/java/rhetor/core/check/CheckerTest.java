package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.check.Mark.Weight;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

class CheckerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final ProductFacts product =
      Products.of(
          "SKU,Name,Category,Weight,Material,Mounting,IP rating,Colour,Capacity,Description",
          "A,Lane Pannier 22,Panniers,830 g,recycled nylon,two straps,IPX4,moss green,22 l,Our finest bag for the long way home in any kind of weather.");
  private final Draft draft = new Composer(KNOWLEDGE, 1).compose(Brief.of(product));
  private final Checker checker = new Checker(KNOWLEDGE);

  private Audit with(String html) {
    return checker.check(draft.with(Field.DESCRIPTION, Html.parse(html)), product, "");
  }

  private Audit with(Field field, String text) {
    return checker.check(
        draft.with(
            field,
            List.of(new Block(Block.Kind.PARAGRAPH, List.of(new Sentence(text, List.of()))))),
        product,
        "");
  }

  @Test
  void what_the_composer_writes_has_nothing_to_fix() {
    Audit audit = checker.check(draft, product, "");
    assertThat(audit.mustFix()).isEmpty();
    assertThat(audit.readiness().score()).isEqualTo(100);
  }

  @Test
  void a_sentence_that_stands_in_a_text_twice_must_be_fixed() {
    Audit audit = with("<p>It weighs 830 g. It is moss green. It weighs 830 g.</p>");
    assertThat(audit.mustFix())
        .singleElement()
        .satisfies(
            m -> {
              assertThat(m.check()).isEqualTo("repetition");
              assertThat(m.sentence()).isEqualTo(2);
              assertThat(m.why()).contains("stands here twice");
            });
    assertThat(with("<p>It weighs 830 g. It is moss green.</p>").mustFix()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It weighs 890 g.|890 g",
        "It weighs 830 kg.|830 kg",
        "It is waterproof.|waterproof",
        "Made of leather.|leather",
        "It comes in red.|red",
        "Rated IPX6.|IPX6",
        "It holds 25 litres.|25 litres",
        "It has seven pockets.|seven",
        "Guaranteed for life.|Guaranteed",
        "An eco-friendly bag.|eco-friendly",
        "A handmade bag.|handmade"
      })
  void statements_that_rest_on_nothing_must_be_fixed(String sentence, String words) {
    assertThat(with("<p>" + sentence + "</p>").mustFix())
        .anySatisfy(
            m -> {
              assertThat(m.check()).isEqualTo("support");
              assertThat(m.words()).isEqualTo(words);
              assertThat(m.sentence()).isZero();
            });
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "It weighs 0.83 kg.",
        "It holds 22 litres.",
        "Two straps hold it.",
        "Recycled nylon in moss green.",
        "IPX4 keeps splashes off."
      })
  void the_same_facts_in_other_words_are_fine(String sentence) {
    assertThat(with("<p>" + sentence + "</p>").mustFix()).isEmpty();
  }

  @Test
  void superlatives_and_empty_phrases_are_to_be_weighed() {
    assertThat(with("<p>The best pannier.</p>").marks())
        .anySatisfy(m -> assertThat(m.weight()).isEqualTo(Weight.WEIGH));
    assertThat(with("<p>Elevate your ride with this must-have bag.</p>").marks())
        .filteredOn(m -> m.check().equals("empty phrase"))
        .hasSize(2);
  }

  @Test
  void lengths_are_checked_at_the_field() {
    assertThat(with(Field.META_TITLE, "x".repeat(61)).mustFix())
        .anySatisfy(m -> assertThat(m.why()).contains("61 characters", "at most 60"));
    assertThat(with(Field.META_TITLE, "x".repeat(60)).mustFix()).isEmpty();
  }

  @Test
  void markup_in_a_text_must_be_fixed() {
    assertThat(with(Field.TITLE, "Pannier <b>22</b>").mustFix())
        .anySatisfy(m -> assertThat(m.check()).isEqualTo("markup"));
  }

  @Test
  void a_text_like_the_suppliers_is_to_be_weighed() {
    assertThat(with("<p>Our finest bag for the long way home in any kind of weather.</p>").marks())
        .anySatisfy(m -> assertThat(m.check()).isEqualTo("likeness"));
  }

  @Test
  void likeness_counts_shared_runs_of_five_words() {
    assertThat(Checker.likeness("a b c d e f", "a b c d e f")).isEqualTo(1);
    assertThat(Checker.likeness("a b c d e f", "a b c d e x")).isEqualTo(0.5);
    assertThat(Checker.likeness("a b", "a b")).isZero();
  }

  @Test
  void readiness_is_the_sum_of_its_factors() {
    Readiness readiness = with("<p>The best waterproof bag.</p>").readiness();
    assertThat(readiness.factors().stream().mapToInt(Readiness.Factor::points).sum())
        .isEqualTo(readiness.score());
    assertThat(readiness.factors().stream().mapToInt(Readiness.Factor::most).sum()).isEqualTo(100);
    assertThat(readiness.score()).isLessThan(100);
  }

  /** Whatever else is right about it: nobody would publish it by a rule for what is ready. */
  @Test
  void a_single_sentence_is_not_ready() {
    Readiness one = with("<p>Lane Pannier 22 weighs 830 g and holds 22 l.</p>").readiness();
    Readiness two = with("<p>Lane Pannier 22 weighs 830 g. It holds 22 l.</p>").readiness();
    assertThat(one.score()).isLessThan(two.score());
    assertThat(one.factors())
        .filteredOn(f -> f.name().equals("What is told"))
        .singleElement()
        .satisfies(f -> assertThat(f.why()).contains("a single sentence"));
  }
}
