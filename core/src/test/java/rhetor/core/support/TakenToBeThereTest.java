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

/** A garden swing of which sentences take parts to be there, and claim what is so of everything. */
class TakenToBeThereTest {
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String heading, String raw) {
    Source source = new Source("swings.csv", 2, heading, raw);
    facts.add(
        new Fact("f" + facts.size(), "", heading, new Value.Words(raw), List.of(source), false));
  }

  private List<Assertion> judged(String sentence) {
    cell("Roof", "N");
    cell("Carry strap", "N");
    cell("Dog gate", "N");
    cell("Garden gate", "Y");
    cell("Play", "N");
    cell("Radio", "Y");
    cell("Seats", "4");
    cell("Size H/W/D", "190 / 140 / 110");
    cell("Mix", "70% ash, 30% birch");
    cell("Not for", "balconies");
    cell("Feel", "rough");
    cell("Auto lock", "Y");
    cell("Max rpm", "90");
    cell("kJ/100g", "800");
    cell("Slice", "25 g");
    cell("Sets up w/o spanner", "Y");
    cell("Canopy", "yes (poles not incl.)");
    cell("Rope post", "10 m");
    cell("Rope", "6 m");
    cell("Size w x l", "120 x 90 cm");
    cell("Max bar", "80");
    cell("Headrest", "N");
    cell("Backs", "fixed");
    cell("Care", "hand wash");
    cell("Paint added", "none");
    cell("Paints", "3");
    ProductFacts swing =
        new ProductFacts("W-1", "Endless", "", "swing", facts, List.of(), "", "", List.of());
    return new Judge(swing, Knowledge.standard()).judge(sentence);
  }

  @ParameterizedTest
  @CsvSource({
    "'Its roof gives shade.', ANSWER, Roof: N",
    "'Lift it by the strap that comes with it.', ANSWER, Carry strap: N",
    "'A puppy gate is fitted.', ANSWER, Dog gate: N",
    "'A steep roof is part of it.', ANSWER, Roof: N",
    "'A pulley raises it.', INCLUSION, ''",
    "'It has an awning for hot days.', INCLUSION, ''",
    "'Copper chains carry it.', MATERIAL, ''",
    "'You can ride it.', PROPERTY, ''",
    "'It can be galvanised.', PROPERTY, ''",
    "'It suits every pony.', COMPARATIVE, ''",
    "'No swing at this price has such comfort.', COMPARATIVE, ''",
    "'It is 140 deep.', NUMBER, Size H/W/D: 190 / 140 / 110",
    "'It is made of 70 % birch.', NUMBER, 'Mix: 70% ash, 30% birch'",
    "'Hang it up on balconies.', ANSWER, Not for: balconies",
    "'It feels smooth.', ANSWER, Feel: rough",
    "'Each slice has 800 kJ.', NUMBER, kJ/100g: 800",
    "'It swings for four years.', NUMBER, ''",
    "'Its poles stand by themselves.', ANSWER, Canopy: yes (poles not incl.)",
    "'A rest for the head is part of it.', ANSWER, Headrest: N",
    "'The backs can be adjusted.', ANSWER, Backs: fixed",
    "'Wash it in the machine.', ANSWER, Care: hand wash",
    "'A spanner is needed to set it up.', ANSWER, Sets up w/o spanner: Y"
  })
  void what_the_row_says_no_to_or_nothing_of_is_held(String sentence, Kind kind, String against) {
    assertThat(judged(sentence))
        .filteredOn(a -> a.kind() == kind)
        .isNotEmpty()
        .first()
        .satisfies(a -> assertThat(a.against()).isEqualTo(against));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "It has no roof.",
        "A radio set comes with it.",
        "The lock closes by itself.",
        "It locks itself.",
        "It turns 90 times a minute at most.",
        "It is 140 wide and 190 high.",
        "It is 70 % ash and 30 % birch.",
        "Four people have a seat on it.",
        "Keep it off balconies.",
        "It sets up without a spanner.",
        "The post, where the seat hangs, has ten metres of rope.",
        "It takes 120 by 90 cm of lawn.",
        "The bar is 80 cm long.",
        "No paint is added.",
        "It may be added that it has four seats.",
        "Endless needs no end.",
        "No roof keeps the sun off it."
      })
  void what_the_row_bears_out_stands(String sentence) {
    assertThat(judged(sentence)).noneMatch(Assertion::isHeld);
  }
}
