package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class VectorTableTest {
  @Test
  void theCosinesAreThoseOfEachVectorInTheOrderGiven() {
    VectorTable table =
        new VectorTable(
            List.of(new float[] {1, 0, 0}, new float[] {0, 1, 0}, new float[] {-0.6f, 0.8f, 0}));
    float[] cosines = table.cosines(new float[] {0.6f, 0.8f, 0});
    assertThat(table.size()).isEqualTo(3);
    assertThat(cosines).containsExactly(new float[] {0.6f, 0.8f, 0.28f}, within(1e-6f));
  }

  @Test
  void noVectorsHaveNoCosines() {
    assertThat(new VectorTable(List.of()).cosines(new float[] {1, 0})).isEmpty();
  }
}
