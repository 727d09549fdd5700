package rhetor.core.knowledge;

import java.math.BigDecimal;
import java.util.List;

/**
 * A unit of measurement and how it is written.
 *
 * @param dimension what it measures, such as {@code mass}; units of one dimension can be compared
 * @param factor how many of the dimension's base unit it is
 * @param symbols ways to write it in a sheet
 * @param one word or symbol for one of it in running text
 * @param many word or symbol for several of it in running text
 */
public record Unit(
    String id, String dimension, BigDecimal factor, List<String> symbols, String one, String many) {

  public Unit {
    symbols = symbols == null ? List.of() : List.copyOf(symbols);
    factor = factor == null ? BigDecimal.ONE : factor;
    one = one == null ? id : one;
    many = many == null ? one : many;
  }

  /** Whether running text has a word for it ("20 litres") rather than its symbol ("940 g"). */
  public boolean isWord() {
    return !one.equals(id);
  }
}
