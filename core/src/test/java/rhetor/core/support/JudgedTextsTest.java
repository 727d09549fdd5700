package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.support.JudgedTexts.Judged;

/** True sentences and lies of twenty trades; of those tested with, nothing is fitted. */
class JudgedTextsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @Test
  void true_sentences_pass_and_lies_are_marked() throws IOException {
    List<Judged> tested = JudgedTexts.half(JudgedTexts.all(KNOWLEDGE), false);
    JudgeMeasure measure = new JudgeMeasure(tested, KNOWLEDGE, Nearness.SHIPPED);
    assertThat(measure.falseAlarms()).as("true ones that must be fixed").isLessThan(2);
    assertThat(measure.trueMarked()).as("true ones marked").isLessThan(8);
    assertThat(measure.liesMarked()).as("lies marked").isGreaterThan(92);
    assertThat(measure.closedToFix()).as("lies of closed kinds").isGreaterThan(85);
  }

  @Test
  void without_the_sentence_model_more_is_asked_and_nothing_passes_that_did_not()
      throws IOException {
    List<Judged> tested = JudgedTexts.half(JudgedTexts.all(KNOWLEDGE), false);
    JudgeMeasure measure = new JudgeMeasure(tested, KNOWLEDGE, Nearness.NONE);
    assertThat(measure.falseAlarms()).isLessThan(2);
    assertThat(measure.liesMarked()).isGreaterThan(92);
  }
}
