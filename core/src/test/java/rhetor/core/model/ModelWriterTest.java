package rhetor.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.Styles;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Extent;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Support;

class ModelWriterTest {
  private static final ProductFacts PANNIER =
      Products.of(
          "SKU,Name,Brand,Category,Material,Weight,Keyword",
          "R-20,Roll Pannier 20,Tolvane,Pannier,Recycled polyester,940 g,commuter pannier");

  private static final String GOOD =
      """
      {"title": "Roll Pannier 20 Commuter Pannier", "short_description": "A commuter pannier of recycled polyester by Tolvane.",
       "description": "<p>The Roll Pannier 20 is a commuter pannier by Tolvane. It is made of recycled polyester and weighs 940 g.</p>",
       "meta_title": "Roll Pannier 20 Commuter Pannier", "meta_description": "The Roll Pannier 20 is a commuter pannier of recycled polyester that weighs 940 g.",
       "tags": ["pannier"], "image_alt": "Roll Pannier 20, a pannier by Tolvane"}
      """;

  private final List<List<Turn>> heard = new ArrayList<>();

  private ModelWriter writer(String... answers) {
    return new ModelWriter(
        Knowledge.standard(),
        turns -> {
          heard.add(turns);
          return answers[heard.size() - 1];
        });
  }

  @Test
  void a_good_answer_is_kept_at_once_with_what_it_rests_on() {
    ModelWriter.Written written = writer(GOOD).write(Brief.of(PANNIER));
    assertThat(written.audit().mustFix()).isEmpty();
    assertThat(written.sentBack()).isEmpty();
    assertThat(heard).hasSize(1);
    assertThat(written.draft().sentences(Field.DESCRIPTION).get(1).support())
        .extracting(Support::id)
        .contains("material", "weight");
  }

  @Test
  void what_the_facts_do_not_bear_out_is_sent_back_once_with_the_findings() {
    String invented = GOOD.replace("weighs 940 g.</p>", "weighs 640 g. It is made of leather.</p>");
    ModelWriter.Written written = writer(invented, GOOD).write(Brief.of(PANNIER));
    assertThat(written.audit().mustFix()).isEmpty();
    assertThat(written.sentBack()).anyMatch(w -> w.contains("leather"));
    assertThat(heard).hasSize(2);
    List<Turn> second = heard.get(1);
    assertThat(second).extracting(Turn::answered).containsExactly(false, true, false);
    assertThat(second.get(2).text())
        .contains("“It is made of leather.”", "leather", "640 g")
        .endsWith(PromptWriter.form(Extent.ALL));
  }

  @Test
  void what_still_must_be_fixed_is_held_and_the_better_answer_kept() {
    String bad = GOOD.replace("weighs 940 g.</p>", "is made of leather.</p>");
    String worse =
        bad.replace("by Tolvane\"", "of steel\"")
            .replace("Tolvane.", "Tolvane for life, guaranteed.");
    ModelWriter.Written written = writer(bad, worse).write(Brief.of(PANNIER));
    assertThat(written.audit().mustFix()).isNotEmpty();
    assertThat(written.draft().plain(Field.IMAGE_ALT)).doesNotContain("steel");
    assertThat(heard).hasSize(2);
  }

  @Test
  void fields_that_the_second_answer_leaves_out_stay() {
    String without = GOOD.replace("\"meta_title\"", "\"other\"");
    ModelWriter.Written written =
        writer(without, "{\"meta_title\": \"Roll Pannier 20 Commuter Pannier\"}")
            .write(Brief.of(PANNIER));
    assertThat(written.audit().mustFix()).isEmpty();
    assertThat(written.draft().plain(Field.DESCRIPTION)).contains("940 g");
  }

  @Test
  void an_answer_that_says_nothing_is_asked_for_again_and_then_refused() {
    ModelWriter.Written written = writer("I'd rather not.", GOOD).write(Brief.of(PANNIER));
    assertThat(written.sentBack()).hasSize(1).first().asString().contains("I'd rather not.");
    heard.clear();
    assertThatThrownBy(() -> writer("No.", "Still no.").write(Brief.of(PANNIER)))
        .isInstanceOf(UnreadableAnswer.class)
        .hasMessageContaining("Still no.");
    heard.clear();
    String bad = GOOD.replace("weighs 940 g.</p>", "is made of leather.</p>");
    assertThat(writer(bad, "Sorry?").write(Brief.of(PANNIER)).draft().plain(Field.TITLE))
        .isEqualTo("Roll Pannier 20 Commuter Pannier");
  }

  @Test
  void the_houses_rules_are_kept_without_asking_again() {
    Brief brief =
        Brief.of(PANNIER)
            .under(
                Styles.of(
                    "{'banned': [{'word': 'pannier', 'instead': 'bike bag'}], 'always': ['Spare parts are kept.']}"));
    String answer = GOOD.replace("\"A commuter pannier of", "\"A bag for the pannier rack of");
    ModelWriter.Written written = writer(answer, answer, answer).write(brief);
    assertThat(written.draft().plain(Field.SHORT_DESCRIPTION)).contains("bike bag rack");
    assertThat(written.draft().plain(Field.DESCRIPTION)).contains("Spare parts are kept.");
    assertThat(written.notes())
        .contains("What the house’s rules say how to put right was put right.");
  }

  @Test
  void the_prompt_says_how_to_answer_even_where_a_template_has_its_own() {
    assertThat(Arrays.asList(PromptWriter.USUAL.split("\n"))).noneMatch(l -> l.contains("JSON"));
    assertThat(new PromptWriter(Knowledge.standard()).prompt(Brief.of(PANNIER)))
        .contains("- Weight: 940 g")
        .endsWith(PromptWriter.form(Extent.ALL));
  }
}
