package rhetor.core.support;

/** Whether a number of a cell is the amount that a sentence has, as far as people round. */
final class AmountMatch {
  private static final int FIRST_YEAR = 1950;
  private static final int LAST_YEAR = 2100;
  private static final int CENTURY = 100;

  /** Twenty-four months are two years, nearly to the day. */
  private static final double NEARLY_THE_DAY = 0.02;

  private static final double NEARLY = 0.1;
  private static final double NEAR = 0.006;
  private static final double WHOLE = 100;

  private AmountMatch() {}

  /** Whether a cell has an amount, or about as much. */
  static boolean says(Cell cell, Amount amount, boolean isAbout) {
    return cell.numbers().stream().anyMatch(n -> isSame(n, amount, isAbout));
  }

  static boolean isSame(Cell.Number n, Amount a, boolean isAbout) {
    boolean areBoth = !n.dimension().isEmpty() && !a.dimension().isEmpty();
    if (areBoth && !n.dimension().equals(a.dimension())) {
      return false;
    }
    double mine = areBoth ? a.base() : a.value();
    double theirs = areBoth ? n.base() : n.value();
    double share = a.value() * WHOLE;
    boolean isShare =
        a.isWord()
            && a.value() < 1
            && Math.abs(share - n.value()) < (isAbout ? Math.max(1, NEARLY * n.value()) : 1);
    // "Gold 23" was won in 2023.
    boolean isYear =
        a.unit().isEmpty()
            && !areBoth
            && a.value() >= FIRST_YEAR
            && a.value() < LAST_YEAR
            && n.dimension().isEmpty()
            && a.value() % CENTURY == n.value();
    double off = Math.abs(mine - theirs);
    // What has no unit was not converted, and so not rounded.
    double allowed =
        isAbout ? NEARLY : !areBoth ? 0 : n.dimension().equals("time") ? NEARLY_THE_DAY : NEAR;
    return isShare || isYear || off <= allowed * Math.max(Math.abs(mine), Math.abs(theirs));
  }
}
