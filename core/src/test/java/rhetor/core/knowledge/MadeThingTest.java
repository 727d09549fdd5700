package rhetor.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MadeThingTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  @ParameterizedTest
  @ValueSource(strings = {"maple lid", "brushed brass hinges", "wooden spoon", "paper shade"})
  void a_part_is_named_behind_its_stuff(String words) {
    assertThat(MadeThing.isOne(words, KNOWLEDGE)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "maple",
        "maple veneer plywood",
        "waxed cotton canvas",
        "hemp rope",
        "large lid",
        "maple with brass hinge",
        // A willow is a machine, too.
        "split bamboo willow",
        "lid 30 mm"
      })
  void a_stuff_however_it_is_called_is_no_part(String words) {
    assertThat(MadeThing.isOne(words, KNOWLEDGE)).isFalse();
  }
}
