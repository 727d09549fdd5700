package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Phrases of like meaning lie near each other. */
class NearnessTest {
  private static double between(String a, String b) {
    return Nearness.cosine(
        Nearness.SHIPPED.of(a).orElseThrow(), Nearness.SHIPPED.of(b).orElseThrow());
  }

  @Test
  void what_means_the_same_is_nearer_than_what_does_not() {
    assertThat(between("how heavy it is", "weight: 3 kg"))
        .isGreaterThan(between("how heavy it is", "colour: red") + 0.1);
    assertThat(between("a lamp", "a lamp")).isCloseTo(1, within(1e-5));
  }

  @Test
  void together_or_one_by_one_the_vectors_are_the_same() {
    List<float[]> all =
        Nearness.SHIPPED.ofAll(List.of("steel kettle", "oak stool", "steel kettle"));
    assertThat(all).hasSize(3);
    assertThat(all.get(2)).isEqualTo(all.get(0));
    assertThat(Nearness.cosine(all.get(1), Nearness.SHIPPED.of("oak stool").orElseThrow()))
        .isCloseTo(1, within(1e-5));
  }

  @Test
  void nothing_is_near_without_words_or_without_a_model() {
    assertThat(Nearness.SHIPPED.of("  ")).isEmpty();
    assertThat(Nearness.NONE.of("kettle")).isEmpty();
    assertThat(Nearness.NONE.ofAll(List.of("kettle"))).isEmpty();
  }

  @Test
  void a_long_text_is_placed_by_its_start() {
    assertThat(Nearness.SHIPPED.of("kettle ".repeat(20_000))).isPresent();
  }
}
