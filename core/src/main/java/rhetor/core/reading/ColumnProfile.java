package rhetor.core.reading;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * What a column's cells look like, so that a later sheet whose column of the same name holds
 * something else is noticed.
 *
 * @param kind what most cells are
 * @param unit id of the unit that most amounts carry; empty if they carry none
 * @param median the middle one of the amounts; 0 if there are none
 */
public record ColumnProfile(Kind kind, String unit, double median) {
  private static final Pattern AMOUNT =
      Pattern.compile(
          "(?:(?i:up to|at least|max\\.?|min\\.?|ca\\.?|approx\\.?|about|bis|ab)\\s*|[<>~≤≥£$€Ø±]\\s*){0,2}(?<n>"
              + NumberStyle.NUMBER
              + ")\\s*(?<u>[A-Za-z°%²/\"]{0,12})\\.?.{0,8}");
  private static final int PROSE = 90;

  /** Amounts this many times larger or smaller mean another unit, not other products. */
  private static final double FAR = 20;

  /** What most cells of a column are. */
  public enum Kind {
    EMPTY,
    AMOUNTS,
    ANSWERS,
    WORDS,
    PROSE
  }

  /** The profile of a column's first cells; a few hundred are plenty. */
  static ColumnProfile of(
      List<String> values, String headingUnit, NumberStyle numbers, Knowledge knowledge) {
    if (values.isEmpty()) {
      return new ColumnProfile(Kind.EMPTY, "", 0);
    }
    if (values.stream().mapToInt(String::length).average().orElse(0) > PROSE) {
      return new ColumnProfile(Kind.PROSE, "", 0);
    }
    long answers =
        values.stream()
            .filter(v -> v.matches("(?i)yes|no|ja|nein|true|false|y|n|oui|non|sí"))
            .count();
    if (answers * 10 >= values.size() * 9L) {
      return new ColumnProfile(Kind.ANSWERS, "", 0);
    }
    Map<String, Integer> units = new HashMap<>();
    List<Double> amounts =
        values.stream()
            .map(AMOUNT::matcher)
            .filter(Matcher::matches)
            .map(
                m -> {
                  units.merge(
                      knowledge.unitWritten(m.group("u")).map(Unit::id).orElse(headingUnit),
                      1,
                      Integer::sum);
                  return numbers.parse(m.group("n"));
                })
            .flatMap(Optional::stream)
            .map(BigDecimal::doubleValue)
            .sorted()
            .toList();
    if (amounts.size() * 10 < values.size() * 8L) {
      return new ColumnProfile(Kind.WORDS, "", 0);
    }
    String unit =
        units.entrySet().stream()
            .max(Map.Entry.comparingByValue())
            .map(Map.Entry::getKey)
            .orElse("");
    return new ColumnProfile(Kind.AMOUNTS, unit, amounts.get(amounts.size() / 2));
  }

  /** The same profile with bare numbers taken to be in this unit. */
  ColumnProfile in(String usual) {
    return kind == Kind.AMOUNTS && unit.isEmpty() ? new ColumnProfile(kind, usual, median) : this;
  }

  /** How a column differs from what it was, in words; empty if it holds the same sort of thing. */
  Optional<String> differenceFrom(ColumnProfile before) {
    if (kind == Kind.EMPTY || before.kind == Kind.EMPTY) {
      return kind == before.kind
          ? Optional.empty()
          : Optional.of("used to hold " + before.inWords() + ", now " + inWords());
    }
    boolean far =
        kind == Kind.AMOUNTS
            && before.kind == Kind.AMOUNTS
            && median > 0
            && before.median > 0
            && Math.max(median / before.median, before.median / median) >= FAR;
    boolean otherUnit = kind == Kind.AMOUNTS && !unit.equals(before.unit);
    return kind != before.kind || otherUnit || far && unit.isEmpty() || far
        ? Optional.of("used to hold " + before.inWords() + ", now " + inWords())
        : Optional.empty();
  }

  /** The profile for people: "amounts in g, around 940". */
  public String inWords() {
    return switch (kind) {
      case EMPTY -> "nothing";
      case ANSWERS -> "yes or no";
      case WORDS -> "words";
      case PROSE -> "prose";
      case AMOUNTS ->
          (unit.isEmpty() ? "bare numbers" : "amounts in " + unit)
              + ", around "
              + new java.text.DecimalFormat(
                      "#,##0.###", java.text.DecimalFormatSymbols.getInstance(Locale.UK))
                  .format(median);
    };
  }
}
