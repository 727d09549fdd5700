package rhetor.core.fact;

/**
 * How one column of a sheet is read.
 *
 * @param heading the column's heading, unique in the sheet
 * @param meaning what its cells mean
 * @param unit id of the unit that the heading names, or empty
 * @param confidence 0 to 1, how sure the proposal is
 * @param reason in words, why it was proposed
 */
public record ColumnReading(
    String heading, Meaning meaning, String unit, double confidence, String reason) {

  /** The same column read as something else, because a person says so. */
  public ColumnReading as(Meaning other) {
    return new ColumnReading(heading, other, unit, 1, "Chosen by hand.");
  }
}
