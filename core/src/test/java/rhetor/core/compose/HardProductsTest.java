package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import rhetor.core.Products;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.support.Judge;
import rhetor.core.text.Draft;

/** Products that are hard to write about get honest texts, or are told what is missing. */
class HardProductsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static Arguments product(String what, String headings, String cells) {
    return Arguments.of(what, Products.of(headings, cells));
  }

  static Stream<Arguments> products() {
    StringBuilder headings = new StringBuilder("SKU,Name,Category");
    StringBuilder cells = new StringBuilder("A,Lane 22,Backpacks");
    for (int i = 0; i < 80; i++) {
      headings.append(",Detail ").append(i);
      cells.append(",value ").append((char) ('a' + i % 26)).append(i);
    }
    return Stream.of(
        product("one fact", "SKU,Name,Weight", "A,Fen,310 g"),
        product("one fact and a kind", "SKU,Name,Category,Weight", "A,Fen,Bottles,310 g"),
        product("none but a name", "SKU,Name,Category", "A,Fen,"),
        product("eighty facts", headings.toString(), cells.toString()),
        product(
            "facts in another language",
            "SKU,Name,Kategorie,Material,Besonderheit,Pflege",
            "A,Rolltasche,Packtaschen,Polyester recycelt,sehr leicht zu reinigen,nicht in den Trockner"),
        product(
            "a name in capitals",
            "SKU,Name,Category,Material,Capacity",
            "A,ROLL PANNIER 20 L,Panniers,canvas,20 l"),
        product(
            "a name that holds the whole specification",
            "SKU,Name,Category,Material,Capacity,Weight",
            "A,Roll Pannier 20 l 940 g recycled polyester black IPX6 with hooks,Panniers,recycled polyester,20 l,940 g"),
        product(
            "numbers without units",
            "SKU,Name,Category,Height (cm),Rolls,Grip",
            "A,Fen,Lamps,42,7,0.5"),
        product(
            "a cell of 4,000 characters",
            "SKU,Name,Category,Weight,Notes",
            "A,Fen,Bottles,310 g,\"" + "very long and winding ".repeat(190) + "\""),
        product(
            "right-to-left text",
            "SKU,Name,Category,Material,Note",
            "A,بقجة,Blankets,wool,صنع يدوي"),
        product(
            "emoji", "SKU,Name,Category,Material,Weight", "A,Fen 🌿 Bottle,Bottles,steel 🔥,310 g"),
        product(
            "markup",
            "SKU,Name,Category,Material,Note",
            "A,<b>Fen</b> &amp; Moor,Bottles,<i>stainless steel</i>,<script>alert(1)</script>"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("products")
  void gets_honest_texts_in_every_voice(String what, ProductFacts product) {
    Checker checker = new Checker(KNOWLEDGE);
    for (Voice voice : Voices.all()) {
      Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product).in(voice));
      Audit audit = checker.check(draft, product, "");
      for (Field field : Field.values()) {
        String text = draft.plain(field);
        assertThat(ComposerTest.held(new Judge(product, KNOWLEDGE), draft, field))
            .as("%s: %s", what, text)
            .isEmpty();
        assertThat(text)
            .as("%s in %s, %s", field, voice.id(), what)
            .hasSizeLessThanOrEqualTo(field.most())
            .doesNotContain("null", "{", "}", "<", "&amp;", "~", "\u0001", "..", "  ");
      }
      // Whatever could not be written says why; nothing else must be fixed.
      assertThat(audit.mustFix())
          .as("%s in %s", what, voice.id())
          .allMatch(m -> m.check().equals("missing") && m.why().contains("add facts"));
    }
  }

  @Test
  void contradictory_facts_are_left_out_and_shown() {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category,Material,Weight,Description",
            "A,Fen Bottle,Bottles,steel,310 g,\"A steel bottle. It weighs 450 g.\"");
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product));
    if (!product.contradictions().isEmpty()) {
      assertThat(draft.prose()).doesNotContain("310 g").doesNotContain("450 g");
      assertThat(new Checker(KNOWLEDGE).check(draft, product, "").marks())
          .anyMatch(m -> m.check().equals("contradiction"));
    }
    assertThat(product.contradictions()).isNotEmpty();
  }

  @Test
  void a_question_that_is_answered_otherwise_than_yes_is_not_taken_for_a_yes() {
    ProductFacts kite =
        Products.of("SKU,Name,Category,Framed,Weight", "A,Heron,Prints,carbon fibre,310 g");
    assertThat(kite.fact("framed")).isPresent();
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(kite));
    assertThat(draft.prose()).doesNotContain("is framed", "ready to hang", ", framed");
  }

  @Test
  void a_product_with_nothing_but_a_name_gets_a_title_and_is_told_what_is_missing() {
    ProductFacts product = Products.of("SKU,Name,Weight", "A,Fen,");
    Draft draft = new Composer(KNOWLEDGE, 3).compose(Brief.of(product));
    assertThat(draft.plain(Field.TITLE)).isEqualTo("Fen");
    assertThat(draft.plain(Field.DESCRIPTION)).isEmpty();
    assertThat(new Checker(KNOWLEDGE).check(draft, product, "").mustFix())
        .extracting(Mark::field)
        .containsAll(List.of(Field.DESCRIPTION, Field.SHORT_DESCRIPTION));
  }
}
