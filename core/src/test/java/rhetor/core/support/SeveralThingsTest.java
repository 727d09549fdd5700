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

/** A spinning wheel: cells that say one thing of one part and another of the next, or leave out. */
class SeveralThingsTest {
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String heading, String raw) {
    Source source = new Source("wheels.csv", 2, heading, raw);
    facts.add(
        new Fact("f" + facts.size(), "", heading, new Value.Words(raw), List.of(source), false));
  }

  private List<Assertion> judged(String sentence) {
    cell("Stuff", "beech treadle, brass flyer");
    cell("Upkeep", "spindle may be washed in the dishwasher, belt hand wash");
    cell("Supplied with", "two extra bobbins");
    cell("Included", "needle, sponge");
    cell("Mind", "stool not included; distaff sold separately; not for jute");
    cell("Keep off", "no paraffin");
    cell("Bands", "oat/rust; oat/navy; moss/oat");
    cell("Users", "age 11 to 16, schools");
    cell("Rest", "run no longer than 4 h at a time; belt stretches a little");
    ProductFacts wheel =
        new ProductFacts(
            "W-1", "Ashmere", "", "spinning wheel", facts, List.of(), "", "", List.of());
    return new Judge(wheel, Knowledge.standard()).judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "The treadle is made of beech.",
        "The spindle can go into the dishwasher.",
        "Wash the belt by hand.",
        "A stool isn't included.",
        "Two extra bobbins are included.",
        "The distaff is sold separately.",
        "It takes no jute and no paraffin.",
        "It is meant for children from eleven to sixteen.",
        "Don't run it for longer than four hours.",
        "Let it run no longer than an hour.",
        "Its brass flyer turns.",
        "Wipe it, and never use paraffin.",
        "Choose among three bands, oat and rust, oat and navy, or moss and oat.",
        "The bobbins are in the box.",
        "A needle is included.",
        "The belt stretches a little."
      })
  void what_is_so_passes(String sentence) {
    assertThat(judged(sentence)).filteredOn(Assertion::isHeld).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Never use a wire brush on the flyer.",
        "Never leave it beside a radiator.",
        "Avoid damp cellars."
      })
  void what_people_are_to_leave_says_nothing_of_it(String sentence) {
    assertThat(judged(sentence)).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"Never dull, it gleams like a mirror.", "It is kept beside a radiator."})
  void what_it_is_said_to_be_is_asked_for(String sentence) {
    assertThat(judged(sentence)).isNotEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "The treadle is made of brass.|MATERIAL",
        "The belt can go into the dishwasher.|PROPERTY",
        "The belt is machine washable.|ANSWER",
        "A stool is included.|ANSWER",
        "The distaff is in the box.|ANSWER",
        "Fill it with jute.|ANSWER",
        "Use paraffin on it.|ANSWER",
        "Children from eight can use it.|NUMBER",
        "The belt doesn't stretch.|ANSWER",
        "It turns more slowly, and is steadier than a rival.|COMPARATIVE",
        "Moths can't get at it.|PROPERTY",
        "It turns well, and never squeaks.|ABSOLUTE",
        "There are five bands.|NUMBER",
        "A second needle is included.|INCLUSION",
        "Rain does it no harm.|PROPERTY"
      })
  void what_a_cell_says_of_something_else_or_leaves_out_is_marked(String sentence, Kind kind) {
    assertThat(judged(sentence)).extracting(Assertion::kind).contains(kind);
  }
}
