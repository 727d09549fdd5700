package rhetor.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Finds the headings of a table by how its rows look: the first row that fills most of the width
 * with words, none of them twice, and isn't written like the rows below it, names the columns; what
 * stands above it is preamble. Where every row is written like the next, none names them.
 */
final class ShapeFinder {
  /** How many rows at the top of a file are looked at. */
  static final int LOOKED_AT = 60;

  private static final double FILLED = 0.5;
  private static final double WORDS = 0.7;
  private static final double DISTINCT = 0.8;

  /** Of the first row that fills the width, some may come again: a column for each size. */
  private static final double DISTINCT_FIRST = 0.5;

  private static final int LONGEST_HEADING = 60;

  /** From this share of columns on a row is written like those below, and is a product. */
  private static final double ALIKE = 0.8;

  /** From this share on it may be. */
  private static final double PERHAPS_ALIKE = 0.4;

  private static final int FEW = 2;

  private ShapeFinder() {}

  /**
   * Where the table stands among the first rows of a file.
   *
   * @param worksheet the worksheet's name, or empty
   */
  static SheetShape find(String worksheet, List<SheetRow> rows) {
    if (rows.isEmpty()) {
      return new SheetShape(worksheet, 1, 1, 2);
    }
    int width = rows.stream().mapToInt(ShapeFinder::filled).max().orElse(0);
    int first = 0;
    while (first < rows.size() - 1 && filled(rows.get(first)) < FILLED * width) {
      first++;
    }
    if (alike(rows, first) >= ALIKE) {
      return SheetShape.withoutHeadings(worksheet, rows.get(first).number());
    }
    int at = first;
    while (at < rows.size()
        && !isHeading(rows.get(at), width, at == first ? DISTINCT_FIRST : DISTINCT)) {
      at++;
    }
    // Where nothing looks like headings the first row is taken, as ever.
    at = at == rows.size() ? first : at;
    SheetRow heading = rows.get(at);
    if (at > 0 && isGroups(rows.get(at - 1), heading)) {
      return new SheetShape(worksheet, rows.get(at - 1).number(), 2, heading.number() + 1);
    }
    if (at + 1 < rows.size() && isSubHeadings(heading, rows.get(at + 1))) {
      return new SheetShape(worksheet, heading.number(), 2, heading.number() + 2);
    }
    return new SheetShape(worksheet, heading.number(), 1, heading.number() + 1);
  }

  /**
   * How much a row is written like those below it, 0 to 1: the share of the columns with digits in
   * nearly every cell in which it has a digit too, or the very cell that stands below. A word over
   * digits is a heading, however many sizes follow it: "SKU, 36, 37, 38".
   */
  private static double alike(List<SheetRow> rows, int at) {
    List<SheetRow> below = rows.subList(Math.min(at + 1, rows.size()), rows.size());
    SheetRow row = rows.get(at);
    int telling = 0;
    int alike = 0;
    boolean isNamed = false;
    for (int i = 0; i < row.cells().size(); i++) {
      int column = i;
      String cell = row.cell(i).strip();
      List<String> cells =
          below.stream().map(r -> r.cell(column).strip()).filter(c -> !c.isEmpty()).toList();
      long digits = cells.stream().filter(ShapeFinder::hasDigit).count();
      if (cell.isEmpty() || cells.size() < FEW) {
        continue;
      }
      if (digits >= ALIKE * cells.size()) {
        telling++;
        alike += hasDigit(cell) ? 1 : 0;
        isNamed |= !hasDigit(cell);
      } else if (cells.contains(cell)) {
        telling++;
        alike++;
      }
    }
    double share = telling < FEW ? 0 : (double) alike / telling;
    return isNamed ? Math.min(share, PERHAPS_ALIKE) : share;
  }

  private static boolean hasDigit(String cell) {
    return cell.chars().anyMatch(Character::isDigit);
  }

  /** What a person should know of how the headings were found; empty if they are plain. */
  static String note(SheetShape shape, List<SheetRow> rows) {
    if (shape.headingRow() == 0) {
      return "No row names the columns: row %d is written like those below it, so it is taken for a product. If a row has the headings, say which."
          .formatted(shape.firstRow());
    }
    for (int i = 0; i < rows.size(); i++) {
      if (rows.get(i).number() == shape.headingRow() && alike(rows, i) >= PERHAPS_ALIKE) {
        return "Row %d may be a product and no headings: it is written much like the rows below it."
            .formatted(shape.headingRow());
      }
    }
    return "";
  }

  private static int filled(SheetRow row) {
    return (int) row.cells().stream().filter(c -> !c.isBlank()).count();
  }

  private static boolean isHeading(SheetRow row, int width, double different) {
    Set<String> distinct = new HashSet<>();
    int filled = 0;
    int words = 0;
    for (String cell : row.cells()) {
      if (!cell.isBlank()) {
        filled++;
        words += isWords(cell) ? 1 : 0;
        distinct.add(cell.strip().toLowerCase(Locale.ROOT));
      }
    }
    return filled > 0
        && filled >= FILLED * width
        && words >= WORDS * filled
        && distinct.size() >= different * filled;
  }

  private static boolean isWords(String cell) {
    String text = cell.strip();
    return text.length() <= LONGEST_HEADING
        && text.chars().anyMatch(Character::isLetter)
        && !Character.isDigit(text.charAt(0));
  }

  /**
   * A sparse row of words right above the headings, none of it in the first column, groups them.
   */
  private static boolean isGroups(SheetRow above, SheetRow heading) {
    int filled = filled(above);
    return above.number() == heading.number() - 1
        && filled > 0
        && above.cell(0).isBlank()
        && filled < filled(heading)
        && above.cells().stream().filter(c -> !c.isBlank()).allMatch(ShapeFinder::isWords);
  }

  /** A row of words that fills only gaps of the headings, and what stands under their left ends. */
  private static boolean isSubHeadings(SheetRow heading, SheetRow below) {
    boolean fillsGap = false;
    for (int i = 0; i < Math.max(heading.cells().size(), below.cells().size()); i++) {
      boolean sub = !below.cell(i).isBlank();
      boolean gap = heading.cell(i).isBlank();
      boolean gapFollows = heading.cell(i + 1).isBlank() && !below.cell(i + 1).isBlank();
      if (sub && !isWords(below.cell(i)) || sub && !gap && !gapFollows) {
        return false;
      }
      fillsGap |= sub && gap;
    }
    return fillsGap;
  }

  /**
   * The columns' names from one heading row or two. A group's name is carried over the empty cells
   * to its right, as a merged cell reads, and stands before the column's: "Light / Run time".
   */
  static List<String> headings(SheetRow upper, SheetRow lower) {
    if (lower == null) {
      return upper.cells();
    }
    int width = Math.max(upper.cells().size(), lower.cells().size());
    List<String> names = new ArrayList<>();
    String group = "";
    boolean several = filled(upper) > 1;
    for (int i = 0; i < width; i++) {
      String above = upper.cell(i).strip();
      String below = lower.cell(i).strip();
      if (!above.isEmpty()) {
        group = above;
      } else if (!several && !group.isEmpty()) {
        // One group alone: how far it reaches can't be seen, so it names its own column only.
        group = "";
      }
      names.add(
          below.isEmpty()
              ? above
              : group.isEmpty() || group.equals(below) ? below : group + " / " + below);
    }
    return names;
  }
}
