package rhetor.app.proof;

/** Numbers takes as printers do: I, II, III. */
final class Roman {
  private static final String[] NUMERALS = {
    "", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X"
  };

  private Roman() {}

  /** The numeral of 1 to 10. */
  static String of(int number) {
    return NUMERALS[number];
  }
}
