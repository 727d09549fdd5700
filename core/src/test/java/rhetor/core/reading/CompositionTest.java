package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;

class CompositionTest {
  private static final Composition COMPOSITION = new Composition(Knowledge.standard());

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "60% HA 40% LI|60% hemp, 40% linen",
        "94 CV 6 EL|94% viscose, 6% elastane",
        "100 % Baumwolle|100% cotton",
        "80% wool / 20% nylon|80% wool, 20% nylon",
        "70% PES + 30% CV|70% polyester, 30% viscose",
        "92,5% CO, 7,5% EA|92.5% cotton, 7.5% elastane"
      })
  void a_label_is_read_by_its_codes_and_names(String label, String fibres) {
    assertThat(COMPOSITION.read(label).map(f -> String.join(", ", f))).contains(fibres);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "60% CO 30% LI",
        "70% WO from Wales, 30% SE",
        "100% recycled",
        "plush 100 PES (half recycled)",
        "60% ha 40% li",
        "cotton",
        "100",
        ""
      })
  void what_is_no_whole_of_known_fibres_stays_as_it_is(String label) {
    assertThat(COMPOSITION.read(label)).isEmpty();
  }
}
