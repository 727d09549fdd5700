package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;

class KeptVectorsTest {
  @Test
  void all_glosses_and_things_ship_with_their_vectors() {
    assertThat(VectorsToKeep.of(Knowledge.standard()))
        .as("changed since ./rhetor bench reading-vectors wrote them")
        .allMatch(Nearness::isKept);
    assertThat(Nearness.isKept("a phrase that nobody keeps")).isFalse();
  }

  @Test
  void what_ships_is_what_the_model_computes() throws IOException {
    List<String> phrases = VectorsToKeep.of(Knowledge.standard()).subList(0, 12);
    ByteArrayOutputStream computed = new ByteArrayOutputStream();
    Nearness.SHIPPED.keep(phrases, computed);
    try (var shipped = Nearness.class.getResourceAsStream("/knowledge/vectors.bin")) {
      byte[] kept = shipped.readNBytes(computed.size());
      for (int i = 0; i < kept.length; i++) {
        // Another processor may round otherwise.
        assertThat(kept[i] - computed.toByteArray()[i]).as("byte %d", i).isBetween(-1, 1);
      }
    }
  }

  @Test
  void kept_vectors_of_like_things_are_near() {
    float[] machine = Nearness.SHIPPED.of("espresso machine").orElseThrow();
    double coffee = Nearness.cosine(machine, Nearness.SHIPPED.of("coffee grinder").orElseThrow());
    double ladder = Nearness.cosine(machine, Nearness.SHIPPED.of("ladder").orElseThrow());
    assertThat(Nearness.cosine(machine, machine)).isBetween(0.98, 1.02);
    assertThat(coffee).isGreaterThan(ladder + 0.2);
  }
}
