package rhetor.core.style;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/**
 * A line that texts carry for a time: a season's, a promotion's. The house answers for what it
 * says.
 *
 * @param name what the house calls it
 * @param line a sentence
 * @param first first day on which it holds
 * @param last last day on which it holds
 */
public record Angle(String name, String line, LocalDate first, LocalDate last) {
  private static final int LONGEST_NAME = 80;
  private static final int LONGEST_LINE = 200;

  public Angle {
    name = name.strip();
    line = line.strip();
  }

  /** Whether it holds on a day. */
  public boolean holdsOn(LocalDate day) {
    return !day.isBefore(first) && !day.isAfter(last);
  }

  /**
   * Why it can't be kept; nothing if it can.
   *
   * @param others the angles that there are for the same products
   * @param style what texts have to obey besides
   */
  public List<String> problems(List<Angle> others, Style style) {
    List<String> problems = new ArrayList<>();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      problems.add("An angle needs a name of up to %d characters.".formatted(LONGEST_NAME));
    }
    if (line.length() > LONGEST_LINE || !line.matches("(?s).+[.!?]")) {
      problems.add(
          "An angle's line is a sentence of up to %d characters that ends with a full stop."
              .formatted(LONGEST_LINE));
    }
    if (last.isBefore(first)) {
      problems.add(
          "The angle ends on %s, before it begins on %s. Change one of the two days."
              .formatted(last, first));
    }
    for (Angle other : others) {
      if (!last.isBefore(other.first) && !other.last.isBefore(first)) {
        problems.add(
            "\"%s\" holds from %s to %s for the same products. Two angles at once make two lines; change the days or take the other out."
                .formatted(other.name, other.first, other.last));
      }
    }
    new HouseWords(style)
        .slips(line, List.of()).stream()
            .filter(s -> !s.spelt())
            .findFirst()
            .ifPresent(
                s ->
                    problems.add(
                        "The line says \"%s\", which the house doesn't say.".formatted(s.words())));
    if (!style.exclamations() && line.indexOf('!') >= 0) {
      problems.add("The house writes without exclamation marks, and the line has one.");
    }
    return problems;
  }
}
