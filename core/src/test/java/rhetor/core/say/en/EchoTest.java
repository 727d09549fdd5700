package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EchoTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          last 60 hours | it lasts many evenings | true
          be suitable for gas hobs | a gas flame is fine | true
          for commuting | a waterproof commuter pannier | true
          roll-top | the Roll Pannier | true
          weigh 940 g | it dries fast | false
          have room for 4 people | with a lid | false
          come from Spain | a Spanish chorizo ring | true
          come from Spain | a Danish chair | false
          be made of linen | it made no noise | false
          """)
  void a_word_that_says_something_is_found_again_in_any_form(
      String phrase, String text, boolean echoes) {
    assertThat(Echo.overlaps(phrase, text)).isEqualTo(echoes);
  }

  @Test
  void the_items_of_a_list_are_words_of_their_own() {
    String hobs = "work on " + String.join(Framing.ITEM, "gas", "induction", "ceramic hobs");
    assertThat(Echo.overlaps(hobs, "gas is fine")).isTrue();
  }
}
