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

/** A tea urn whose cells a sentence calls by other words than their headings do. */
class CalledOtherwiseTest {
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String heading, String raw) {
    Source source = new Source("urns.csv", 2, heading, raw);
    facts.add(
        new Fact("f" + facts.size(), "", heading, new Value.Words(raw), List.of(source), false));
  }

  private List<Assertion> judged(String sentence) {
    cell("Screw-free assembly", "N");
    cell("Chain lid fix", "Y");
    cell("Mag base", "Y");
    cell("Toaster", "N");
    cell("Cordless", "Y");
    cell("Drip shelf", "Y");
    cell("Rotates", "N");
    cell("Tap incl.", "N");
    cell("Guests ok", "most, not toddlers");
    cell("Dyed", "indigo");
    cell("Mounting", "40 min");
    cell("Weighs", "N");
    cell("Weight", "3 kg");
    cell("Fold", "Y");
    cell("HS top", "200");
    cell("HS side", "700");
    cell("Never on", "not induction");
    ProductFacts urn =
        new ProductFacts("U-1", "Tarn", "", "urn", facts, List.of(), "", "", List.of());
    return new Judge(urn, Knowledge.standard()).judge(sentence);
  }

  @ParameterizedTest
  @CsvSource({
    "'Its assembly takes place without screws.', Screw-free assembly: N",
    "'The lid isn’t fastened with a chain.', Chain lid fix: Y",
    "'It has no magnetic base.', Mag base: Y",
    "'Toast your bread in it.', Toaster: N",
    "'A cord runs to the wall.', Cordless: Y",
    "'Drops fall on the table, as it has no shelf.', Drip shelf: Y",
    "'It rotates.', Rotates: N",
    "'A tap is packed with it.', Tap incl.: N",
    "'All guests may use it.', 'Guests ok: most, not toddlers'",
    "'It is dyed with madder.', Dyed: indigo",
    "'It arrives ready mounted.', Mounting: 40 min",
    "'The top stands 700 mm of water.', HS top: 200"
  })
  void is_held_against_the_cell(String sentence, String cell) {
    assertThat(judged(sentence))
        .anySatisfy(
            a -> {
              assertThat(a.isHeld()).isTrue();
              assertThat(a.against()).isEqualTo(cell);
            });
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Its assembly doesn't do without screws.",
        "The lid is fastened with a chain.",
        "It has a magnetic base.",
        "No cord runs to the wall.",
        "It weighs 3 kg.",
        "Most guests may use it.",
        "It is dyed with indigo.",
        "It folds when it isn't needed.",
        "The top and the side stand 200 and 700 mm of water.",
        "It has no business on induction.",
      })
  void stands(String sentence) {
    assertThat(judged(sentence).stream().filter(Assertion::isHeld)).isEmpty();
  }

  /** "AC" beside a number is no Ascension Island. */
  @ParameterizedTest
  @CsvSource({"8-12 V AC, 'It was made on an island.'", "CR2032, 'It comes from Costa Rica.'"})
  void a_code_in_a_measure_is_no_country(String cell, String sentence) {
    cell("Supply", cell);
    assertThat(judged(sentence)).isNotEmpty();
  }

  /** Hardly anybody says "set" for "hardened": what says the one bears the other out no more. */
  @ParameterizedTest
  @ValueSource(strings = {"The knob is of hardened glass.", "It is cut from full-grain leather."})
  void a_rare_sense_bears_nothing_out(String sentence) {
    cell("Pcs/set", "2");
    cell("Width", "30 cm");
    assertThat(judged(sentence)).isNotEmpty();
  }
}
