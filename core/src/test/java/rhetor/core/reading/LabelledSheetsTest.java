package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.LabelledSheets.Labelled;

/** Sheets of trades that nobody prepared Rhetor for are read right or not at all. */
class LabelledSheetsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static ReadingMeasure measured(List<Labelled> sheets) {
    ReadingProposer proposer = new ReadingProposer(KNOWLEDGE);
    ReadingMeasure measure = new ReadingMeasure(KNOWLEDGE);
    sheets.forEach(s -> measure.add(s, l -> l.proposedBy(proposer, l.title())));
    return measure;
  }

  /** Each sheet by what was learned from the others: nothing is judged by what it taught. */
  @Test
  void columns_are_read_right_or_not_at_all() throws Exception {
    ReadingMeasure measure =
        EvidenceFit.crossed(LabelledSheets.in("/labelled"), KNOWLEDGE).titled();
    assertThat(measure.wrong()).as("of 326 read").hasSizeLessThanOrEqualTo(3);
    assertThat(measure.wrongKinds()).isEmpty();
    assertThat(measure.told()).isEmpty();
    assertThat(measure.wrongNames()).as("of 103 sheets").hasSizeLessThanOrEqualTo(1);
    assertThat(measure.calibrationError()).isLessThan(0.03);
  }

  /** Nothing has learned from these, and nothing may. The "Drop" of a glove is told. */
  @ParameterizedTest
  @CsvSource({
    "kept-back, 1",
    "kept-back-2, 0",
    "kept-back-3, 0",
    "kept-back-4, 0",
    "kept-back-5, 0",
    "kept-back-6, 0",
    "kept-back-7, 0",
    "kept-back-8, 0",
    "kept-back-9, 0",
    "kept-back-10, 0",
    "kept-back-11, 0",
    "kept-back-12, 0",
    "kept-back-14, 0",
    "unprepared, 0"
  })
  void sheets_that_nothing_was_learned_from_are_not_read_wrong(String folder, int told)
      throws Exception {
    ReadingMeasure measure = measured(LabelledSheets.in("/" + folder));
    assertThat(measure.wrong()).isEmpty();
    assertThat(measure.wrongKinds()).isEmpty();
    assertThat(measure.wrongNames()).isEmpty();
    assertThat(measure.told()).hasSizeLessThanOrEqualTo(told);
    assertThat(measure.rolesRight()).isGreaterThan(0.94);
    // Of two hundred columns that were sure of just what they say it would be 0.04.
    assertThat(measure.calibrationError()).isLessThan(0.09);
  }
}
