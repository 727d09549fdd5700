package rhetor.core.check;

import java.util.List;

/**
 * How ready a product's texts are, 0 to 100, with the factors that make it up.
 *
 * @param score the sum of the factors' points, rounded
 */
public record Readiness(int score, List<Factor> factors) {

  /**
   * One part of the score.
   *
   * @param name the factor's name
   * @param points what it got
   * @param most what it could get
   * @param why what keeps it from getting all, in a sentence; empty if it does
   */
  public record Factor(String name, int points, int most, String why) {
    public Factor {
      why = why == null ? "" : why;
    }
  }

  static Readiness of(List<Factor> factors) {
    return new Readiness(factors.stream().mapToInt(Factor::points).sum(), List.copyOf(factors));
  }
}
