package rhetor.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

class AmenderTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static final Brief BRIEF =
      Brief.of(
          Products.of(
              "SKU,Name,Brand,Category,Material,Weight,Capacity,Closure,Pockets,Keyword",
              "R-20,Roll Pannier 20,Tolvane,Pannier,Recycled polyester,940 g,20 l,Roll-top,2,commuter pannier"));

  private static final Draft COMPOSED =
      new Composer(KNOWLEDGE, 1, Variety.ofFew(), new RangeFigures(KNOWLEDGE)).compose(BRIEF);

  private static final String TITLE = "Roll Pannier 20 Commuter Pannier";

  /** What a model that can't be put right makes of a description, as the house wants it amended. */
  private static Amender.Amended amended(Amends amends, String title, String description) {
    String answer =
        """
        {"title": "%s", "short_description": "A commuter pannier of recycled polyester by Tolvane.",
         "description": "%s",
         "meta_title": "Roll Pannier 20 Commuter Pannier", "meta_description": "The Roll Pannier 20 is a commuter pannier of recycled polyester that weighs 940 g.",
         "tags": ["pannier"]}"""
            .formatted(title, description);
    ModelWriter.Written written = new ModelWriter(KNOWLEDGE, turns -> answer).write(BRIEF);
    return new Amender(KNOWLEDGE, amends).amended(written, COMPOSED, BRIEF);
  }

  private static String prose(Amender.Amended written) {
    return written.draft().prose();
  }

  @Test
  void what_can_not_stand_is_left_out_and_said() {
    Amender.Amended amended =
        amended(
            Amends.LEAVE_OUT,
            TITLE,
            "<p>The Roll Pannier 20 is a commuter pannier. It comes with a lifetime guarantee. It weighs 940 g.</p>");
    assertThat(prose(amended))
        .isEqualTo("The Roll Pannier 20 is a commuter pannier. It weighs 940 g.");
    assertThat(amended.audit().mustFix()).isEmpty();
    assertThat(amended.notes())
        .contains(
            "“It comes with a lifetime guarantee.” could not stand and was left out of the description.");
  }

  @Test
  void or_rhetor_tells_in_its_place_what_is_not_told_yet() {
    Amender.Amended amended =
        amended(
            Amends.COMPOSE,
            TITLE,
            "<p>The Roll Pannier 20 is a commuter pannier. It is made of leather. It weighs 940 g.</p>");
    assertThat(prose(amended)).doesNotContain("leather").containsOnlyOnce("940 g");
    assertThat(prose(amended)).containsAnyOf("roll-top", "two pockets");
    assertThat(amended.audit().mustFix()).isEmpty();
    assertThat(amended.notes()).anyMatch(n -> n.contains("took its place"));
  }

  @Test
  void or_it_stays_with_its_mark() {
    Amender.Amended amended =
        amended(
            Amends.HOLD,
            TITLE,
            "<p>The Roll Pannier 20 is a commuter pannier. It is made of leather.</p>");
    assertThat(prose(amended)).contains("It is made of leather.");
    assertThat(amended.audit().mustFix()).isNotEmpty();
  }

  @Test
  void a_description_always_opens_with_what_the_thing_is() {
    for (Amends amends : new Amends[] {Amends.COMPOSE, Amends.LEAVE_OUT}) {
      Amender.Amended amended =
          amended(amends, TITLE, "<p>Nothing on the market lasts longer. It weighs 940 g.</p>");
      Sentence opening = amended.draft().sentences(Field.DESCRIPTION).getFirst();
      assertThat(opening).isEqualTo(COMPOSED.sentences(Field.DESCRIPTION).getFirst());
      assertThat(amended.audit().mustFix()).isEmpty();
    }
  }

  @Test
  void a_title_that_can_not_stand_is_composed_whole() {
    Amender.Amended amended =
        amended(
            Amends.LEAVE_OUT,
            "Roll Pannier 20 in Titanium",
            "<p>The Roll Pannier 20 is a commuter pannier. It weighs 940 g.</p>");
    assertThat(amended.draft().plain(Field.TITLE)).isEqualTo(COMPOSED.plain(Field.TITLE));
    assertThat(amended.notes()).contains("Title could not stand and was composed.");
  }

  @Test
  void what_the_model_left_out_is_composed() {
    Amender.Amended amended =
        amended(
            Amends.HOLD,
            TITLE,
            "<p>The Roll Pannier 20 is a commuter pannier. It weighs 940 g.</p>");
    assertThat(amended.draft().plain(Field.IMAGE_ALT)).isEqualTo(COMPOSED.plain(Field.IMAGE_ALT));
    assertThat(amended.notes()).anyMatch(n -> n.contains("Picture alt text"));
  }

  @Test
  void a_heading_over_nothing_goes_with_what_stood_under_it() {
    Amender.Amended amended =
        amended(
            Amends.LEAVE_OUT,
            TITLE,
            "<p>The Roll Pannier 20 is a commuter pannier. It weighs 940 g.</p><h3>Why you want it</h3><p>It is made of leather.</p>");
    assertThat(amended.draft().blocks(Field.DESCRIPTION))
        .extracting(Block::kind)
        .containsExactly(Block.Kind.PARAGRAPH);
  }
}
