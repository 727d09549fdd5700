package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TimeOfYearTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          Mar - May | March to May | from March to May
          early spring | early spring | in early spring
          mid-June to Aug. | mid-June to August | from mid-June to August
          April or Sept | April or September | in April or in September
          May, Jul-Aug | May and July to August | in May and from July to August
          """)
  void months_and_seasons_are_spelled_out(String cell, String span, String when) {
    assertThat(TimeOfYear.span(cell)).isEqualTo(span);
    assertThat(TimeOfYear.when(cell)).isEqualTo(when);
  }

  @ParameterizedTest
  @ValueSource(strings = {"soon", "12 weeks", "March to May to June", "spring, later"})
  void what_is_no_time_of_the_year_is_not_told_as_one(String cell) {
    assertThat(TimeOfYear.span(cell)).isNull();
    assertThat(TimeOfYear.when(cell)).isNull();
  }

  @Test
  void the_whole_year_needs_no_months() {
    assertThat(TimeOfYear.when("All year")).isEqualTo("all year round");
    assertThat(TimeOfYear.when("every month")).isEqualTo("all year round");
  }
}
