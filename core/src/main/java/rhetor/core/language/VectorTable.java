package rhetor.core.language;

import java.util.List;

/**
 * Many vectors of length one, kept number by number, so that all their angles to another are found
 * in loops that a processor does eight at a time.
 */
public final class VectorTable {
  private final float[][] numbers;
  private final int count;

  /**
   * Keeps vectors in their order.
   *
   * @param vectors all of one size
   */
  public VectorTable(List<float[]> vectors) {
    count = vectors.size();
    int size = vectors.isEmpty() ? 0 : vectors.getFirst().length;
    numbers = new float[size][count];
    for (int v = 0; v < count; v++) {
      for (int n = 0; n < size; n++) {
        numbers[n][v] = vectors.get(v)[n];
      }
    }
  }

  /** How many vectors there are. */
  public int size() {
    return count;
  }

  /** The cosines of the angles between a vector of length one and each of these. */
  public float[] cosines(float[] vector) {
    float[] cosines = new float[count];
    for (int n = 0; n < numbers.length; n++) {
      float[] of = numbers[n];
      float by = vector[n];
      for (int v = 0; v < cosines.length; v++) {
        cosines[v] += of[v] * by;
      }
    }
    return cosines;
  }
}
