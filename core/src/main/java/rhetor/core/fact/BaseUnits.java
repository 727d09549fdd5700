package rhetor.core.fact;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/** Compares measured values whatever unit they are written in: 940 g is 0.94 kg. */
public final class BaseUnits {
  private final Knowledge knowledge;

  public BaseUnits(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** Whether two values are the same, exactly, once both are in their dimension's base unit. */
  public boolean same(Value a, Value b) {
    return a.equals(b) || of(a).equals(of(b));
  }

  /** The value in its dimension's base unit, named by the dimension; others as they are. */
  public Value of(Value value) {
    return switch (value) {
      case Value.Quantity(BigDecimal amount, String unit, String qualifier) ->
          new Value.Quantity(base(amount, unit), dimension(unit), qualifier);
      case Value.Range(BigDecimal from, BigDecimal to, String unit) ->
          new Value.Range(base(from, unit), base(to, unit), dimension(unit));
      case Value.Sides(List<BigDecimal> lengths, String unit) ->
          new Value.Sides(lengths.stream().map(l -> base(l, unit)).toList(), dimension(unit));
      default -> value;
    };
  }

  private BigDecimal base(BigDecimal amount, String unit) {
    Optional<Unit> known = knowledge.unit(unit);
    return amount.multiply(known.map(Unit::factor).orElse(BigDecimal.ONE)).stripTrailingZeros();
  }

  private String dimension(String unit) {
    return knowledge.unit(unit).map(Unit::dimension).orElse(unit);
  }
}
