package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What somebody put in place of what, in a sentence about a basket. */
class WordChangeTest {
  private static final Set<String> OWN = Set.of("willow", "sallow", "heron");

  private static List<WordChange> between(String before, String after) {
    return WordChange.between(List.of(before), List.of(after), OWN);
  }

  @ParameterizedTest
  @CsvSource({
    "It is a roomy basket of willow.,It is a spacious basket of willow.,roomy,spacious",
    "It comes in at 900 g in all.,It weighs 900 g in all.,comes in at,weighs",
    "The basket wants washing by hand.,The basket needs washing by hand.,wants,needs",
    "Roomy and light and strong.,Spacious and light and strong.,roomy,spacious"
  })
  void a_word_or_a_few_in_a_sentence_that_else_stands(
      String before, String after, String word, String instead) {
    assertThat(between(before, after)).containsExactly(new WordChange(word, instead));
  }

  @ParameterizedTest
  @CsvSource({
    // A fact corrected, grammar, another sentence, words added, words struck, nothing left to
    // stand.
    "It is a basket of willow.,It is a basket of sallow.",
    "It is a basket of willow.,It is the basket of willow.",
    "It is a roomy basket of willow.,Twigs were cut in winter for this one.",
    "It is a basket of willow.,It is a roomy basket of willow.",
    "It is a roomy basket of willow.,It is a basket of willow.",
    "Roomy basket.,Spacious basket.",
    "It is a roomy basket.,It is a roomy basket."
  })
  void everything_else_is_no_change_of_words(String before, String after) {
    assertThat(between(before, after)).isEmpty();
  }

  @Test
  void sentences_that_stand_in_both_are_not_compared() {
    assertThat(
            WordChange.between(
                List.of("It is a roomy basket for two.", "It is a roomy hamper for two."),
                List.of("It is a roomy hamper for two.", "It is a spacious basket for two."),
                OWN))
        .containsExactly(new WordChange("roomy", "spacious"));
  }
}
