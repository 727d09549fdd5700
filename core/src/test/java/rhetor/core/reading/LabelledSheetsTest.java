package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.LabelledSheets.Labelled;

/** Sheets of trades that nobody prepared Rhetor for are read right or not at all. */
class LabelledSheetsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static ReadingMeasure measured(List<Labelled> sheets) {
    ReadingProposer proposer = new ReadingProposer(KNOWLEDGE);
    ReadingMeasure measure = new ReadingMeasure(KNOWLEDGE);
    sheets.forEach(s -> measure.add(s, l -> proposer.propose(l.headings(), l.rows())));
    return measure;
  }

  @Test
  void columns_are_read_right_or_not_at_all_and_nothing_private_is_told() throws Exception {
    ReadingMeasure measure = measured(LabelledSheets.in("/labelled"));
    measure.lines().forEach(System.out::println);
    measure.differences().forEach(System.out::println);
    assertThat(measure.told()).isEmpty();
    assertThat(measure.wrong()).isEmpty();
  }
}
