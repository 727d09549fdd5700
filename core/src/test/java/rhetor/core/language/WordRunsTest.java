package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class WordRunsTest {
  @Test
  void a_text_of_n_words_has_n_minus_four_runs() {
    assertThat(WordRuns.of("one two three four")).isEmpty();
    assertThat(WordRuns.of("one two three four five")).hasSize(1);
    String words = "a longer word ".repeat(400);
    assertThat(WordRuns.of(words)).hasSize(1200 - 4);
    assertThat(Arrays.stream(WordRuns.of(words)).distinct()).hasSize(3);
  }

  @Test
  void case_and_what_stands_between_words_make_no_difference() {
    assertThat(WordRuns.of("It holds 20 litres – and more."))
        .isEqualTo(WordRuns.of("it HOLDS 20 litres, and: more"));
  }

  @Test
  void the_order_of_the_words_does() {
    assertThat(WordRuns.of("a b c d e")).doesNotContain(WordRuns.of("a b c e d"));
    assertThat(WordRuns.of("a b c d e")).doesNotContain(WordRuns.of("e d c b a"));
  }

  @Test
  void the_last_words_before_a_text_begin_runs_of_its_own() {
    WordRuns runs = new WordRuns();
    assertThat(runs.find("It is made of canvas. It holds", "20 litres.")).isEqualTo(2);
    assertThat(runs.get(0)).isEqualTo(WordRuns.of("of canvas it holds 20")[0]);
    assertThat(runs.find("", "20 litres.")).isZero();
  }
}
