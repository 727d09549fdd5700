package rhetor.core.sheet;

/**
 * One thing that is wrong with a sheet or a row of it.
 *
 * @param code short stable name, such as {@code unbalanced-quote}
 * @param row number of the row as a spreadsheet shows it (headings are row 1), 0 if it concerns the
 *     whole sheet
 * @param column heading or number of the column, empty if it concerns the whole row
 * @param what what was found
 * @param remedy what the person can do
 */
public record SheetProblem(String code, long row, String column, String what, String remedy) {

  static SheetProblem ofSheet(String code, String what, String remedy) {
    return new SheetProblem(code, 0, "", what, remedy);
  }

  /** Where the problem is, such as {@code row 12, column "Weight"}; empty for the whole sheet. */
  public String where() {
    String place = row == 0 ? "" : "row " + row;
    if (column.isEmpty()) {
      return place;
    }
    return (place.isEmpty() ? "" : place + ", ") + "column \"" + column + "\"";
  }

  @Override
  public String toString() {
    String place = where();
    return (place.isEmpty()
            ? ""
            : Character.toUpperCase(place.charAt(0)) + place.substring(1) + ": ")
        + what
        + " "
        + remedy;
  }
}
