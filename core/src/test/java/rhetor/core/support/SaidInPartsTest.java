package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.support.Assertion.Kind;

/** A hammock: what a text says in one word and a cell in several, and where denial ends. */
class SaidInPartsTest {
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String heading, String raw, Value value) {
    Source source = new Source("hammocks.csv", 2, heading, raw);
    facts.add(new Fact("f" + facts.size(), "", heading, value, List.of(source), false));
  }

  private List<Assertion> judged(String care, String sentence) {
    cell("Care", care, new Value.Words(care));
    cell("Cushion frost proof to", "-12 °C", new Value.Words("-12 °C"));
    cell("Min hire", "2 nights", new Value.Words("2 nights"));
    cell("Vegan", "yes", new Value.YesNo(true));
    ProductFacts hammock =
        new ProductFacts(
            "H-1", "Widow's Drift", "", "hammock", facts, List.of(), "", "", List.of());
    return new Judge(hammock, Knowledge.standard()).judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "The hammock is machine-washable.",
        "The cushion is frost-proof to -12 °C.",
        "The shortest hire is two nights.",
        "Meet Widow's Drift.",
        "It is a vegan hammock without a bar."
      })
  void what_is_so_passes(String sentence) {
    assertThat(judged("machine wash 40°; do not bleach", sentence))
        .filteredOn(Assertion::isHeld)
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "hand wash, machine embroidered|The hammock is machine-washable.|PROPERTY",
        "do not machine wash|The hammock is machine-washable.|ANSWER",
        "hand wash|The cushion is oven-proof to -12 °C.|PROPERTY",
        "hand wash|It is the shortest.|COMPARATIVE",
        "hand wash|It is a hammock without a vegan cover.|ANSWER",
        "hand wash|It isn't vegan.|ANSWER"
      })
  void what_is_not_so_is_marked(String care, String sentence, Kind kind) {
    assertThat(judged(care, sentence)).extracting(Assertion::kind).contains(kind);
  }
}
