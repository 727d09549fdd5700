package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Knowledge;

class VerdictsTest {
  private static VerdictMeasure measured() throws Exception {
    Knowledge knowledge = Knowledge.standard();
    Path resources = Path.of(VerdictsTest.class.getResource("/verdicts").toURI()).getParent();
    return new VerdictMeasure(
        Verdicts.in(resources.resolve("verdicts"), resources.resolve("unprepared"), knowledge),
        knowledge);
  }

  @Test
  void readiness_tells_what_an_editor_publishes_from_what_goes_back() throws Exception {
    VerdictMeasure measure = measured();
    assertThat(measure.area()).as(String.join("\n", measure.lines())).isGreaterThan(0.9);
    assertThat(measure.marked("BAD")).isGreaterThan(82);
    assertThat(measure.marked("OK")).isLessThan(5.1);
  }
}
