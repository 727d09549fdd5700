package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import rhetor.core.style.Spelling;

/** Mistakes that people make by hand are found; names and the trade's words are none. */
class GrammarCheckTest {
  private static GrammarCheck british;

  @BeforeAll
  static void load() {
    british = new GrammarCheck(Spelling.BRITISH);
  }

  @Test
  void mistakes_come_with_their_place_and_what_belongs_there() {
    String text = "It weigh 940 g and holds teh laptop.";
    List<GrammarCheck.Mistake> mistakes = british.of(text, "");
    assertThat(mistakes)
        .anySatisfy(
            m -> {
              assertThat(text.substring(m.start(), m.end())).isEqualTo("teh");
              assertThat(m.instead()).isEqualTo("the");
              assertThat(m.spelling()).isTrue();
            })
        .anyMatch(m -> !m.spelling());
  }

  @Test
  void names_codes_and_the_supplier_s_own_words_are_right() {
    assertThat(
            british.of(
                "Tolvane’s Roll Pannier 20 has a drawcord and is made of zyloprene.",
                "Material: Zyloprene"))
        .isEmpty();
    assertThat(british.of("It is made of zyloprene.", "")).hasSize(1);
    assertThat(british.of("It is a small saddle bag.", "Wedge Saddle Bag 1")).isEmpty();
    assertThat(british.of("It has a zip, so what is inside stays inside.", "")).isEmpty();
  }

  /** A lock that is black, and of hardened steel. */
  @Test
  void words_that_each_stand_in_the_data_are_not_joined() {
    String own = "Colour: black. Material: hardened steel.";
    assertThat(british.of("It is a black hardened steel lock.", own))
        .noneMatch(m -> m.instead().contains("-"));
  }

  @Test
  void american_houses_have_their_own_dictionary() {
    assertThat(british.of("It has a grey colour.", "")).isEmpty();
    assertThat(new GrammarCheck(Spelling.AMERICAN).of("It has a lovely colour.", "")).isNotEmpty();
  }
}
