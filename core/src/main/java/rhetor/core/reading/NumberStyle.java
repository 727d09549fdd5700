package rhetor.core.reading;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Pattern;

/** Which character a sheet puts before the decimals; the other one groups thousands. */
public enum NumberStyle {
  POINT('.', ','),
  COMMA(',', '.');

  /** A number as a sheet may write it, thousands grouped or not. */
  public static final String NUMBER =
      "[-−+]?(?:\\d{1,3}(?:[., '’\u00A0\u202F]\\d{3})+(?!\\d)(?:[.,]\\d+)?|\\d+(?:[.,]\\d+)?)";

  private static final Pattern ONLY_COMMA =
      Pattern.compile("(?<![\\d.,])\\d+,(\\d{1,2}|\\d{4,})(?![\\d,.])");
  private static final Pattern ONLY_POINT =
      Pattern.compile("(?<![\\d.,])\\d+\\.(\\d{1,2}|\\d{4,})(?![\\d,.])");

  /** Characters of a number; what is longer measures nothing. */
  private static final int LONGEST = 40;

  private static final Pattern GROUPING = Pattern.compile("[ '’\u00A0\u202F+]");

  private final char decimal;
  private final char group;

  NumberStyle(char decimal, char group) {
    this.decimal = decimal;
    this.group = group;
  }

  /** Counts evidence over cells and decides at the end. */
  public static final class Evidence {
    private int comma;
    private int point;

    /** Takes note of how one cell writes its numbers. */
    public void add(String cell) {
      if (cell.length() > 60) {
        return;
      }
      if (cell.indexOf(',') >= 0 && ONLY_COMMA.matcher(cell).find()) {
        comma++;
      }
      if (cell.indexOf('.') >= 0 && ONLY_POINT.matcher(cell).find()) {
        point++;
      }
    }

    /** The style with more evidence; {@code POINT} when there is none. */
    public NumberStyle decide() {
      return comma > point ? COMMA : POINT;
    }
  }

  /** Reads a number that matches {@link #NUMBER}; empty if its separators make no sense. */
  public Optional<BigDecimal> parse(String text) {
    if (text.length() > LONGEST) {
      return Optional.empty();
    }
    String plain = GROUPING.matcher(text.replace('−', '-')).replaceAll("");
    int decimals = plain.lastIndexOf(decimal);
    int groups = plain.lastIndexOf(group);
    boolean onlyGroup = decimals < 0 && groups >= 0;
    if (onlyGroup) {
      String tail = plain.substring(groups + 1);
      boolean oneGroup = plain.indexOf(group) == groups;
      // "0.75" in a sheet with decimal commas can't be grouped thousands.
      plain =
          tail.length() == 3 && !plain.startsWith("0") || !oneGroup
              ? plain.replace(String.valueOf(group), "")
              : plain.replace(group, '.');
    } else {
      plain = plain.replace(String.valueOf(group), "").replace(decimal, '.');
    }
    try {
      return Optional.of(new BigDecimal(plain));
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }
}
