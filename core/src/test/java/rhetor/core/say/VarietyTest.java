package rhetor.core.say;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class VarietyTest {
  private static final String ROLL = "The pannier shuts with a roll-top, so rain stays out.";

  private final Variety variety = new Variety();

  @Test
  void runs_of_five_words_are_known_again_whatever_case_and_signs_they_have() {
    assertThat(variety.repeated("", ROLL)).isZero();
    variety.add(ROLL, 1);
    assertThat(variety.repeated("", ROLL)).isEqualTo(7);
    assertThat(variety.repeated("", "THE PANNIER SHUTS WITH A")).isEqualTo(1);
    assertThat(variety.repeated("", "The pannier shuts with one roll-top")).isZero();
    assertThat(variety.repeated("", "Rain stays out.")).isZero();
  }

  @Test
  void a_run_may_begin_in_the_sentence_before() {
    variety.add(ROLL, 1);
    assertThat(variety.repeated("Indeed, rain", "stays out.")).isZero();
    assertThat(variety.repeated("a roll-top, so", "rain stays out.")).isEqualTo(3);
  }

  @Test
  void likeness_is_to_the_one_text_that_has_most_in_common() {
    variety.add("one two three four five six seven", 1);
    variety.add("eleven twelve thirteen fourteen fifteen sixteen", 2);
    assertThat(variety.likeness("one two three four five six nine")).isEqualTo(2 / 3.0);
    assertThat(
            variety.likeness(
                "one two three four five. eleven twelve thirteen fourteen fifteen sixteen"))
        .isEqualTo(2 / 7.0);
    assertThat(variety.likeness("too short")).isZero();
  }

  @Test
  void its_room_is_fixed_and_older_runs_give_way() {
    Variety few = Variety.ofFew();
    few.add(ROLL, 1);
    for (int i = 0; i < 20_000; i++) {
      few.add("filler number %d of a great many texts".formatted(i), i + 2);
    }
    assertThat(few.repeated("", ROLL)).isLessThan(7);
    assertThat(few.repeated("", "filler number 19999 of a great many texts")).isPositive();
    Variety none = Variety.none();
    none.add(ROLL, 1);
    assertThat(none.likeness(ROLL)).isLessThan(0.2);
  }
}
