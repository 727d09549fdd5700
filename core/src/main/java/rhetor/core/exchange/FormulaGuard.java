package rhetor.core.exchange;

/** Keeps cells from being run by the spreadsheet that opens them. */
public final class FormulaGuard {
  private FormulaGuard() {}

  /**
   * A cell that no spreadsheet runs as a formula: one that starts with a character that begins a
   * formula gets an apostrophe in front (OWASP, CSV injection), unless it is a number below zero.
   */
  public static String neutral(String cell) {
    return !cell.isEmpty()
            && "=+-@\t\r\uFF1D\uFF0B\uFF0D\uFF20".indexOf(cell.charAt(0)) >= 0
            && !cell.matches("-\\d{1,15}(?:[.,]\\d{1,15})?")
        ? "'" + cell
        : cell;
  }
}
