package rhetor.core.sheet;

import java.math.BigDecimal;

/** How a number of a file is written in a cell. */
final class PlainNumber {
  /** Zeros that a number may be written out with; {@code 1e999999999} would fill the memory. */
  private static final int MOST_ZEROS = 60;

  private PlainNumber() {}

  /** Written out where that is short, else with its exponent. */
  static String of(BigDecimal number) {
    long zeros = Math.max(number.scale(), -(long) number.scale());
    return zeros > MOST_ZEROS + (long) number.precision()
        ? number.toString()
        : number.toPlainString();
  }
}
