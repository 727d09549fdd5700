package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.knowledge.Knowledge;

/** What a column is measured in once a person has said what it is. */
class ColumnReadingTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @ParameterizedTest
  @CsvSource({
    "Throughput l/h at 2 bar, bar, flow_rate, l/h",
    "Output (l/min) at 4 bar, bar, flow_rate, l/min",
    "Net kg, kg, weight, kg",
    "Rated at 40 bar, bar, weight, ''",
    "Shade, '', colour, ''"
  })
  void is_the_unit_of_its_heading_that_measures_such_things(
      String heading, String read, String meaning, String unit) {
    ColumnReading column = new ColumnReading(heading, Meaning.EXTRA, read, 0.4, "");
    assertThat(column.as(Meaning.parse(meaning), KNOWLEDGE).unit()).isEqualTo(unit);
  }
}
