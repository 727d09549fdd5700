package rhetor.soak;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;

/** A short soak with each test; a long one is {@code ./rhetor soak}. */
class SoakTest {
  @Test
  void a_house_keeps_its_word_under_all_kinds_of_work_and_through_crashes() throws Exception {
    assertThat(new Soak(Duration.ofMinutes(2), Path.of(".."), System.out).run()).isEmpty();
  }
}
