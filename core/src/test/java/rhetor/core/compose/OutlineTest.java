package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rhetor.core.Products;
import rhetor.core.Styles;
import rhetor.core.check.Checker;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.PromptWriter;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.template.Part;
import rhetor.core.template.Question;
import rhetor.core.template.StartingTemplates;
import rhetor.core.template.Template;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Texts are built as their template sets out, from the facts and nothing else. */
class OutlineTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final ProductFacts pannier =
      Products.of(
          "SKU,Name,Category,Brand,Capacity,Weight,Material,Water rating,Closure,Care,Included,Origin,Colour",
          "A,Roll Pannier 20,Panniers,Tolvane,20 l,940 g,recycled polyester,IPX6,roll-top,wipe clean,shoulder strap,Portugal,moss green");

  private Draft write(Template template, Style style) {
    return new Composer(KNOWLEDGE, 1)
        .compose(Brief.of(pannier).under(template.style().over(style)).after(template));
  }

  private static Template outlined(Part... parts) {
    return new Template("", List.of(), List.of(parts), Map.of(), StyleLayer.NOTHING, List.of(), "");
  }

  private static List<String> shape(Draft draft) {
    return draft.blocks(Field.DESCRIPTION).stream()
        .map(
            b ->
                b.kind() == Block.Kind.HEADING
                    ? b.sentences().getFirst().text()
                    : b.kind().name().toLowerCase(java.util.Locale.ROOT))
        .toList();
  }

  @Test
  void blocks_come_in_the_order_and_under_the_headings_of_the_outline() {
    Draft draft =
        write(
            outlined(
                new Part(Part.Kind.SPECIFICATION, "Facts", ""),
                Part.of(Part.Kind.OPENING),
                new Part(Part.Kind.CARE, "Looking after it", ""),
                new Part(Part.Kind.BOX, "In the box", "")),
            Style.standard());
    assertThat(shape(draft))
        .containsExactly(
            "Facts",
            "list",
            "paragraph",
            "Looking after it",
            "paragraph",
            "In the box",
            "paragraph");
    assertThat(draft.blocks(Field.DESCRIPTION).getLast().sentences().getFirst().text())
        .contains("shoulder strap");
  }

  @Test
  void what_has_no_block_is_not_told() {
    assertThat(write(outlined(Part.of(Part.Kind.OPENING)), Style.standard()).prose())
        .doesNotContain("wip")
        .doesNotContain("Portugal");
  }

  @Test
  void own_words_stand_with_their_facts_and_the_house_ends_the_prose() {
    Template template =
        new Template(
            "",
            List.of(new Question("rack", "Which racks?", "mount", "Ask us about your rack.")),
            List.of(
                Part.of(Part.Kind.OPENING),
                new Part(
                    Part.Kind.OWN,
                    "Good to know",
                    "It weighs {{weight}}. {{length}} long. {{rack}}"),
                Part.of(Part.Kind.SPECIFICATION)),
            Map.of(Field.META_TITLE, "{{brand}} {{name}}", Field.TITLE, "{{name}} for {{fits}}"),
            StyleLayer.NOTHING,
            List.of(),
            "");
    Draft draft = write(template, Styles.of("{'always': ['We keep spare parts.']}"));
    assertThat(shape(draft))
        .containsExactly(
            "paragraph", "Good to know", "paragraph", "paragraph", "Specification", "list");
    List<Sentence> own = draft.blocks(Field.DESCRIPTION).get(2).sentences();
    assertThat(own)
        .extracting(Sentence::text)
        .containsExactly("It weighs 940 g.", "Ask us about your rack.");
    assertThat(own.getFirst().support()).containsExactly(Support.fact("weight"));
    assertThat(draft.plain(Field.META_TITLE)).isEqualTo("Tolvane Roll Pannier 20");
    assertThat(draft.plain(Field.TITLE)).as("no slot, so composed").startsWith("Tolvane");
    assertThat(draft.prose()).endsWith("We keep spare parts.");
  }

  @Test
  void what_own_words_promise_is_held_to_the_facts() {
    Template template =
        outlined(
            Part.of(Part.Kind.OPENING),
            new Part(Part.Kind.OWN, "", "It comes with a lifetime warranty."));
    assertThat(
            new Checker(KNOWLEDGE).check(write(template, Style.standard()), pannier, "").mustFix())
        .extracting(m -> m.check())
        .containsOnly("support");
  }

  static List<StartingTemplates.Starting> starting() {
    return StartingTemplates.all();
  }

  @ParameterizedTest
  @MethodSource("starting")
  void each_starting_template_gives_a_text_with_nothing_to_fix_and_a_whole_prompt(
      StartingTemplates.Starting starting) {
    Draft draft = write(starting.template(), Style.standard());
    assertThat(
            new Checker(KNOWLEDGE, starting.template().style().over(Style.standard()))
                .check(draft, pannier, "")
                .mustFix())
        .isEmpty();
    assertThat(draft.prose()).contains("Roll Pannier 20");
    String prompt =
        new PromptWriter(KNOWLEDGE).prompt(Brief.of(pannier).after(starting.template()));
    assertThat(prompt)
        .contains("Product: Roll Pannier 20 by Tolvane", "- Weight: 940 g", "Voice: Plain")
        .doesNotContain("{{")
        .doesNotContain("\uE000");
  }
}
