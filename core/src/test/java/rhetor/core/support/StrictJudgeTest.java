package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
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

/** A garden swing: parts of their own stuffs, mixed stuffs, looks, refusals, and units. */
class StrictJudgeTest {
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String concept, String heading, String raw, Value value) {
    facts.add(
        new Fact(
            "f" + facts.size(),
            concept,
            heading,
            value,
            List.of(new Source("swings.csv", 2, heading, raw)),
            false));
  }

  private void cell(String heading, String raw) {
    cell("", heading, raw, new Value.Words(raw));
  }

  private List<Assertion> judged(String sentence) {
    cell("Frame", "powder-coated aluminium");
    cell("Chains", "galvanised steel");
    cell("Cushion", "55% linen, 45% cotton");
    cell("Canopy", "cotton");
    cell("Armrests", "pine, teak-look stain");
    cell("Details", "hood detachable; taped seams NO (critical only); 2 cup holders");
    cell("Pump l/min", "5.0");
    cell("Rope mm/m", "8/150");
    cell("", "Cuttable", "Y", new Value.YesNo(true));
    cell("", "Cover off", "Y", new Value.YesNo(true));
    cell("Wash °C", "30");
    cell("", "L", "60", new Value.Words("60"));
    cell("weight", "kg", "22", new Value.Quantity(new BigDecimal("22"), "kg", ""));
    cell("Colours", "sage, indigo");
    cell("Award", "Silver 23");
    cell("Filling", "blended, NOT single fibre!");
    ProductFacts swing =
        new ProductFacts(
            "S-1",
            "Larkrise",
            "",
            "swing",
            facts,
            List.of(),
            "Needs floor anchors.",
            "",
            List.of());
    return new Judge(swing, Knowledge.standard()).judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "The frame is aluminium and the chains are steel.",
        "The cushion is 55% linen.",
        "The canopy is pure cotton.",
        "The armrests have the look of teak.",
        "Its critical seams are taped.",
        "The pump moves five litres a minute.",
        "The rope is 8 mm thick and 150 m long.",
        "It can be cut.",
        "The cover comes off.",
        "The cover comes off, but it cannot be washed above 30 degrees.",
        "It weighs 22 kg.",
        "Choose the sage one.",
        "It won silver in 2023.",
        "It comes in sage and indigo, and in handy.",
        "The chains hang from the swing itself.",
        "Two cup holders are fixed to the frame itself."
      })
  void what_is_so_passes(String sentence) {
    assertThat(judged(sentence)).filteredOn(Assertion::isHeld).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "A galvanised steel frame holds it.|MATERIAL",
        "The frame is of steel.|MATERIAL",
        "The cushion is pure linen.|MATERIAL",
        "The cushion is linen and nothing else.|MATERIAL",
        "The armrests are solid teak.|MATERIAL",
        "Every seam is taped.|ANSWER",
        "Linen is its only fibre, a single fibre.|ANSWER",
        "The pump moves five gallons a minute.|NUMBER",
        "The rope is 150 yards long.|NUMBER",
        "It weighs 22 pounds.|NUMBER",
        "It cannot be cut.|ANSWER",
        "The cover is sewn on and cannot come off.|ANSWER",
        "Wash the cover at 60 degrees.|NUMBER",
        "Choose the mustard version.|COLOUR",
        "A footrest and a side table complete the set.|INCLUSION",
        "A blanket comes in the same box.|INCLUSION",
        "The floor anchors come with it.|INCLUSION",
        "Put the cushion in the dishwasher.|PROPERTY",
        "The canopy repels water.|PROPERTY",
        "Its rocking strengthens the heart.|HEALTH",
        "It cleans the blood.|HEALTH",
        "It is safe for babies.|HEALTH",
        "It comes in oxide.|COLOUR",
        "The canopy folds itself up.|PROPERTY",
        "The cushion is stuffed with feathers.|MATERIAL"
      })
  void what_is_not_so_is_held_against_its_kind(String sentence, Kind kind) {
    assertThat(judged(sentence))
        .filteredOn(Assertion::isHeld)
        .extracting(Assertion::kind)
        .contains(kind);
  }
}
