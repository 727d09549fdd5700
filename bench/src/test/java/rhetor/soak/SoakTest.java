package rhetor.soak;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A short soak with each test; a long one is {@code ./rhetor soak}. */
class SoakTest {
  /**
   * Two minutes of work, three starts, and a look at all that is left: a slow machine takes long.
   */
  @Test
  @Timeout(value = 25, unit = TimeUnit.MINUTES)
  void a_house_keeps_its_word_under_all_kinds_of_work_and_through_crashes() throws Exception {
    assertThat(new Soak(Duration.ofMinutes(2), Path.of(".."), System.out).run()).isEmpty();
  }
}
