package rhetor.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.reading.LabelledSheets;
import rhetor.core.reading.SettledReading;
import rhetor.core.say.Variety;
import rhetor.core.style.Style;
import rhetor.core.text.Draft;

/**
 * What is composed for sheets of many trades against what the judge says of it: each was made apart
 * from the other, and where they differ one of them is wrong.
 */
class SheetsOfAnybodyTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final Set<String> SAID = Set.of("support", "plain language");

  /** Which of the two is wrong is left open: an LED in a keyword, and a verb taken for a thing. */
  private static final int LEFT = 3;

  @Test
  void what_is_composed_of_any_sheet_is_borne_out_and_reads_plainly() throws IOException {
    List<String> held = new ArrayList<>();
    int texts = 0;
    for (String folder : List.of("/labelled", "/kept-back-4", "/unprepared")) {
      for (LabelledSheets.Labelled sheet : LabelledSheets.in(folder)) {
        List<ProductFacts> products =
            List.copyOf(SettledReading.products(sheet, KNOWLEDGE).values());
        Composer composer =
            new Composer(KNOWLEDGE, 1, new Variety(), RangeFigures.of(products, KNOWLEDGE));
        Checker checker = new Checker(KNOWLEDGE, Style.standard());
        for (ProductFacts product : products) {
          Draft draft = composer.compose(Brief.of(product));
          texts++;
          checker.check(draft, product, product.keyword()).marks().stream()
              .filter(m -> m.weight() == Mark.Weight.MUST_FIX && SAID.contains(m.check()))
              .forEach(m -> held.add(sheet + " " + product.sku() + ": " + m.why()));
        }
      }
    }
    assertThat(texts).isGreaterThan(400);
    assertThat(held).hasSizeLessThanOrEqualTo(LEFT);
  }
}
