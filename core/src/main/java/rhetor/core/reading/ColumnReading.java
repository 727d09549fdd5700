package rhetor.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * How one column of a sheet is read.
 *
 * @param heading the column's heading, unique in the sheet
 * @param meaning what its cells mean
 * @param unit id of the unit of cells that give none, or empty
 * @param confidence 0 to 1, how sure the proposal is
 * @param reason in words, why it was proposed
 * @param choices what the column may mean, the proposal first, if a person has to say; else empty
 * @param units the units that its cells may be in, if a person has to say; else empty
 */
public record ColumnReading(
    String heading,
    Meaning meaning,
    String unit,
    double confidence,
    String reason,
    List<Meaning> choices,
    List<String> units) {
  public ColumnReading {
    choices = choices == null ? List.of() : List.copyOf(choices);
    units = units == null ? List.of() : List.copyOf(units);
  }

  /** A column that asks nothing. */
  ColumnReading(String heading, Meaning meaning, String unit, double confidence, String reason) {
    this(heading, meaning, unit, confidence, reason, List.of(), List.of());
  }

  /** Whether a person has to say what the column is, or what it is measured in. */
  public boolean asks() {
    return !choices.isEmpty() || !units.isEmpty();
  }

  /**
   * Whether a sheet waits for the answer: numbers of nobody knows what unit do; what stays under
   * its own heading or is kept back meanwhile does no harm.
   */
  public boolean holdsUp() {
    return !units.isEmpty();
  }

  /** The same column read as something else, because a person says so. */
  public ColumnReading as(Meaning other) {
    return as(other, unit);
  }

  /**
   * The same column read as a person says, in that unit of its heading that measures such things:
   * "throughput l/h at 2 bar" has none in bar.
   */
  public ColumnReading as(Meaning other, Knowledge knowledge) {
    String dimension = knowledge.concept(other.concept()).map(Concept::measures).orElse("");
    boolean fits =
        dimension.isEmpty()
            || knowledge.unit(unit).filter(u -> u.dimension().equals(dimension)).isPresent();
    return fits
        ? as(other, unit)
        : as(
            other,
            Arrays.stream(heading.split("[\\s()\\[\\],_]+"))
                .map(w -> knowledge.unitWritten(w, dimension))
                .flatMap(Optional::stream)
                .filter(u -> u.dimension().equals(dimension))
                .map(Unit::id)
                .findFirst()
                .orElse(""));
  }

  /**
   * The same column read as a person says.
   *
   * @param inUnit id of the unit of cells that give none, or empty
   */
  public ColumnReading as(Meaning other, String inUnit) {
    return new ColumnReading(heading, other, inUnit, 1, "Chosen by hand.");
  }

  /** The same reading of a column of this heading. */
  ColumnReading under(String whole) {
    return new ColumnReading(whole, meaning, unit, confidence, reason, choices, units);
  }

  /** The same column, its bare numbers in this unit. */
  ColumnReading in(String cellsUnit) {
    return new ColumnReading(heading, meaning, cellsUnit, confidence, reason, choices, units);
  }

  /** The same column with one reason more. */
  ColumnReading saying(String why) {
    String all = (reason + " " + why).strip();
    return new ColumnReading(heading, meaning, unit, confidence, all, choices, units);
  }

  /** The same column, of which a person has to say which of these it is. */
  ColumnReading asking(List<Meaning> meanings) {
    return new ColumnReading(heading, meaning, unit, confidence, reason, meanings, List.of());
  }

  /** The same column, of which a person has to say what it is measured in. */
  ColumnReading askingUnit(String why, List<String> of) {
    return new ColumnReading(heading, meaning, unit, confidence, reason + " " + why, choices, of);
  }
}
