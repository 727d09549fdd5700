package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;

class MeasureTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @ParameterizedTest
  @CsvSource({
    "18-20 mths, 18 to 20 months",
    "9–14 days, 9 to 14 days",
    "3-5 wks, three to five weeks",
    "8 yrs, eight years",
    "ca 2.4 kg, about 2.4 kg",
    "30 x 20 x 10 cm, 30 × 20 × 10 cm",
    "min. 4 months, at least four months",
    "0.75 l, 0.75 litres"
  })
  void says_a_cell_that_is_nothing_but_a_measure(String cell, String said) {
    assertThat(Measure.of(cell, KNOWLEDGE).map(new ValueText(KNOWLEDGE)::prose)).contains(said);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "24 m",
        "1.200 g",
        "45",
        "30 d (opened)",
        "21d after roasting",
        "crisp, 2 layers",
        "7.5 (bare)",
        "M8 x 40",
        "A4"
      })
  void leaves_what_may_mean_another_thing(String cell) {
    assertThat(Measure.of(cell, KNOWLEDGE)).isEmpty();
  }

  @Test
  void leaves_a_long_cell_alone() {
    assertThat(Measure.of("1 kg ".repeat(1000), KNOWLEDGE)).isEmpty();
  }
}
