package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FramingTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "be made by Ollan; be made with calf rennet|is made by Ollan with calf rennet",
        "be made from goat's milk; be made with calf rennet|is made from goat's milk with calf rennet",
        "have a rind of mould, not to be eaten; weigh 2 kg|has a rind of mould, not to be eaten, and weighs 2 kg",
        "have a strong, sweet taste; weigh 2 kg|has a strong, sweet taste and weighs 2 kg",
        "be aged for six weeks; be made by Ollan; be made in Wales|is made by Ollan in Wales and aged for six weeks",
        "be made of steel; be made of oak|is made of steel and made of oak",
        "weigh 2 kg; be made by Ollan|weighs 2 kg and is made by Ollan",
        "be lined with felt; be filled with down|is lined with felt and filled with down"
      })
  void what_was_done_is_said_once(String phrases, String said) {
    assertThat(Framing.predicate(List.of(phrases.split("; ")), false)).isEqualTo(said);
  }
}
