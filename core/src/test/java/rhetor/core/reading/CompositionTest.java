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
        "55% LI 45% CO|55% linen, 45% cotton",
        "98 CO 2 EL|98% cotton, 2% elastane",
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
        "85% WO merino mulesing-free, 15% SE",
        "100% recycled",
        "velvet 100 PES (recycled 65)",
        "55% li 45% co",
        "cotton",
        "100",
        ""
      })
  void what_is_no_whole_of_known_fibres_stays_as_it_is(String label) {
    assertThat(COMPOSITION.read(label)).isEmpty();
  }
}
