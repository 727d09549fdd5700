package rhetor.core.reading;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * What a cell measures that is nothing but an amount, a range or sides with their unit, whatever it
 * is headed: "18-20 mths" are 18 to 20 months.
 */
public final class Measure {
  private static final int LONGEST = 40;
  private static final Pattern NUMBER = Pattern.compile("\\d{1,7}(?:[.,]\\d{1,3})?");

  private Measure() {}

  /**
   * The measure that a cell is; nothing if it says anything besides, gives no unit, gives one that
   * stands for two ("m" for metres and months), or can be read as two numbers ("1.200 g").
   */
  public static Optional<Value> of(String cell, Knowledge knowledge) {
    if (cell.length() > LONGEST || cell.chars().noneMatch(c -> c >= '0' && c <= '9')) {
      return Optional.empty();
    }
    Optional<Value> point = new ValueReader(knowledge, NumberStyle.POINT).measure(cell);
    return point
        .filter(v -> isClear(v, cell, knowledge))
        .filter(v -> new ValueReader(knowledge, NumberStyle.COMMA).measure(cell).equals(point));
  }

  /**
   * What a bare number measures under a heading that gives its unit: 45 under "Fat %" is 45 %.
   * Nothing if the heading gives none, or the cell says anything besides.
   */
  public static Optional<Value> under(String heading, String cell, Knowledge knowledge) {
    return NUMBER.matcher(cell.strip()).matches()
        ? unit(heading, knowledge).flatMap(u -> of(cell.strip() + " " + u.id(), knowledge))
        : Optional.empty();
  }

  /** The unit that a heading gives its cells: bars of "Min. bar". */
  public static Optional<Unit> unit(String heading, Knowledge knowledge) {
    return knowledge.unit(Heading.of(heading, knowledge).unit()).filter(u -> !u.id().isEmpty());
  }

  private static boolean isClear(Value value, String cell, Knowledge knowledge) {
    String unit =
        switch (value) {
          case Value.Quantity q -> q.unit();
          case Value.Range r -> r.unit();
          case Value.Sides s -> s.unit();
          default -> "";
        };
    String lower = cell.strip().toLowerCase(Locale.ROOT).replaceAll("[.]$", "");
    return !unit.isEmpty()
        && knowledge.units().stream()
                .filter(u -> u.symbols().stream().anyMatch(s -> endsIn(lower, s)))
                .map(Unit::dimension)
                .distinct()
                .limit(2)
                .count()
            == 1;
  }

  private static boolean endsIn(String cell, String symbol) {
    String lower = symbol.toLowerCase(Locale.ROOT);
    int before = cell.length() - lower.length() - 1;
    return cell.endsWith(lower) && (before < 0 || !Character.isLetter(cell.charAt(before)));
  }
}
