package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ImperativeTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "Wash by hand in lukewarm water",
        "wipe with a dry cloth",
        "Keep out of the sun",
        "oil the hinge twice a year",
        "store dry",
        "do not use bleach or soap"
      })
  void what_reads_as_a_sentence_is_whole(String order) {
    assertThat(Imperative.isWhole(order)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"wipe", "polish with soft cloth", "store in box", "oil hinge", "30 degrees wash"})
  void notes_and_other_things_are_not(String order) {
    assertThat(Imperative.isWhole(order)).isFalse();
  }
}
