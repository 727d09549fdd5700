package rhetor.core.knowledge;

import java.math.BigDecimal;

/**
 * How small and how large the amounts of a concept may be; both ends belong to it.
 *
 * @param dimension what they measure
 * @param least in the dimension's base unit
 * @param most in the dimension's base unit
 */
public record Magnitude(String dimension, BigDecimal least, BigDecimal most) {
  public Magnitude {
    if (least.compareTo(most) >= 0) {
      throw new IllegalArgumentException("nothing lies between %s and %s".formatted(least, most));
    }
  }

  /** Whether so many of a unit may be; of another dimension nothing is known against it. */
  boolean holds(BigDecimal amount, Unit unit) {
    BigDecimal base = amount.multiply(unit.factor());
    return !unit.dimension().equals(dimension)
        || base.compareTo(least) >= 0 && base.compareTo(most) <= 0;
  }
}
