package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a verb agrees with is the noun that a phrase is about, and not its last one. */
class HeadOfPhraseTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "details that reflect light | details",
        "a pocket which closes with zips | a pocket",
        "hooks for rails | hooks",
        "two pockets | two pockets"
      })
  void the_head_stands_before_whatever_describes_it(String phrase, String head) {
    assertThat(ItemPhrase.HEAD.matcher(phrase).replaceFirst("")).isEqualTo(head);
  }
}
