package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import rhetor.core.Products;
import rhetor.core.compose.Rewriter.Order;
import rhetor.core.compose.Rewriter.Way;
import rhetor.core.exchange.Html;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Words;
import rhetor.core.say.en.LineJoiner;
import rhetor.core.style.Field;
import rhetor.core.style.Voices;
import rhetor.core.support.Judge;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

class RewriterTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final ProductFacts pannier =
      Products.of(
          "SKU,Name,Category,Brand,Material,Capacity,Weight,Closure,IP rating,Colour",
          "TV1,Roll Pannier 20,Panniers,Tolvane,recycled polyester,20 l,940 g,roll-top,IPX6,moss green");
  private final Draft draft = new Composer(KNOWLEDGE, 7).compose(Brief.of(pannier));
  private final Rewriter rewriter = new Rewriter(KNOWLEDGE, 7);

  private List<Block> rewrite(List<Block> blocks, Set<Integer> selected, Way way, int take) {
    return rewriter.rewrite(
        blocks,
        Field.DESCRIPTION,
        selected,
        pannier,
        "",
        new Order(way, Voices.find("warm").orElseThrow(), take));
  }

  private static String prose(List<Block> blocks) {
    StringBuilder text = new StringBuilder();
    blocks.stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .forEach(b -> b.sentences().forEach(s -> text.append(s.text()).append(' ')));
    return text.toString();
  }

  private static int words(List<Block> blocks) {
    return prose(blocks).split("\\s+").length;
  }

  private static Set<Support> told(List<Block> blocks) {
    Set<Support> told = new HashSet<>();
    blocks.stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .forEach(b -> b.sentences().forEach(s -> told.addAll(s.support())));
    told.removeIf(s -> s.kind() != Support.Kind.FACT);
    return told;
  }

  @ParameterizedTest
  @EnumSource(Way.class)
  void a_rewritten_text_states_only_what_facts_bear_out(Way way) {
    List<Block> before = draft.blocks(Field.DESCRIPTION);
    List<Block> after = rewrite(before, Set.of(), way, 1);
    assertThat(prose(after)).isNotEqualTo(prose(before));
    Judge judge = new Judge(pannier, KNOWLEDGE);
    after.stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .flatMap(b -> b.sentences().stream())
        .forEach(s -> assertThat(judge.held(s.text(), Words.of(s.text()))).as(s.text()).isEmpty());
    after.stream()
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .flatMap(b -> b.sentences().stream())
        .forEach(s -> assertThat(s.support()).as(s.text()).isNotEmpty());
    assertThat(after.getLast()).as("the specification stays").isEqualTo(before.getLast());
  }

  @Test
  void shorter_is_shorter_and_reworded_says_the_same() {
    List<Block> before = draft.blocks(Field.DESCRIPTION);
    assertThat(words(rewrite(before, Set.of(), Way.SHORTER, 0))).isLessThan(words(before));
    assertThat(told(rewrite(before, Set.of(), Way.REWORDED, 0))).isEqualTo(told(before));
    assertThat(prose(rewrite(before, Set.of(), Way.REWORDED, 0)))
        .isNotEqualTo(prose(rewrite(before, Set.of(), Way.REWORDED, 1)));
  }

  @Test
  void longer_adds_facts_that_the_passage_left_out() {
    List<Block> little = Html.parse("<p>The Roll Pannier 20 by Tolvane weighs 940 g.</p>");
    List<Block> more = rewrite(little, Set.of(), Way.LONGER, 0);
    assertThat(told(more)).hasSizeGreaterThan(told(little).size() + 2);
    assertThat(prose(more)).contains("940 g").contains("20");
  }

  @Nested
  class ASelection {
    private final List<Block> blocks =
        Html.parse(
            "<p>The Roll Pannier 20 is a pannier for wet roads. It is made of recycled polyester. It weighs 940 g and is rated IPX6. Our workshop loves it.</p>");

    @Test
    void leaves_the_rest_word_for_word() {
      List<Block> after = rewrite(blocks, Set.of(2), Way.REWORDED, 0);
      assertThat(prose(after))
          .startsWith(
              "The Roll Pannier 20 is a pannier for wet roads. It is made of recycled polyester.")
          .endsWith("Our workshop loves it. ")
          .contains("940 g")
          .contains("IPX6")
          .doesNotContain("It weighs 940 g and is rated IPX6.");
    }

    @Test
    void that_rests_on_nothing_is_refused_with_the_reason() {
      assertThatThrownBy(() -> rewrite(blocks, Set.of(3), Way.PLAINER, 0))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("rests on a fact");
    }
  }

  @Test
  void what_nothing_bears_out_is_neither_dropped_nor_made_smooth() {
    List<Block> foreign =
        Html.parse(
            "<p>Meet the best pannier in the world! Made from recycled polyester, it weighs 940 g. It is made of titanium and lasts for ever.</p>");
    List<Block> after = rewrite(foreign, Set.of(), Way.REWORDED, 0);
    assertThat(prose(after))
        .contains("Meet the best pannier in the world!")
        .contains("It is made of titanium and lasts for ever.")
        .contains("940 g")
        .doesNotContain("Made from recycled polyester, it weighs 940 g.");
  }

  @Test
  void short_fields_keep_their_limits_however_long_they_are_to_be() {
    List<Block> meta = draft.blocks(Field.META_DESCRIPTION);
    List<Block> longer =
        rewriter.rewrite(
            meta,
            Field.META_DESCRIPTION,
            Set.of(),
            pannier,
            "",
            new Order(Way.LONGER, Voices.plain(), 0));
    assertThat(
            new Draft(java.util.Map.of(Field.META_DESCRIPTION, longer))
                .plain(Field.META_DESCRIPTION))
        .hasSizeLessThanOrEqualTo(Field.META_DESCRIPTION.most());
  }

  @Test
  void tags_have_no_sentences_to_rewrite() {
    assertThatThrownBy(
            () ->
                rewriter.rewrite(
                    draft.blocks(Field.TAGS),
                    Field.TAGS,
                    Set.of(),
                    pannier,
                    "",
                    new Order(Way.PLAINER, Voices.plain(), 0)))
        .hasMessageContaining("by hand");
  }

  @Nested
  class LinesOfSeveralTakes {
    @Test
    void make_one_text_that_names_the_product_first_and_says_nothing_twice() {
      Sentence weight = new Sentence("It weighs 940 g.", List.of(Support.fact("weight")));
      Sentence rating = new Sentence("It’s rated IPX6.", List.of(Support.fact("rating")));
      Sentence material =
          new Sentence("The pannier is made of canvas.", List.of(Support.fact("material")));
      List<Sentence> joined = LineJoiner.join(List.of(weight, rating, weight, material), pannier);
      assertThat(joined)
          .extracting(Sentence::text)
          .containsExactly(
              "The Roll Pannier 20 by Tolvane weighs 940 g.",
              "It’s rated IPX6.",
              "The pannier is made of canvas.");
      assertThat(joined.getFirst().support())
          .contains(Support.fact("weight"))
          .hasSizeGreaterThan(1);
    }

    @Test
    void do_not_begin_with_a_pronoun_twice_in_a_row() {
      List<Sentence> lines =
          List.of(
              new Sentence("Made of canvas, the Roll Pannier 20 weighs 940 g.", List.of()),
              new Sentence("It’s rated IPX6.", List.of()),
              new Sentence("It closes with a roll-top.", List.of()));
      assertThat(LineJoiner.join(lines, pannier).getLast().text())
          .isEqualTo("The pannier closes with a roll-top.");
    }
  }
}
