package rhetor.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Finds the headings of a table by how its rows look: the first row that fills most of the width
 * with words, none of them twice, names the columns; what stands above it is preamble.
 */
final class ShapeFinder {
  /** How many rows at the top of a file are looked at. */
  static final int LOOKED_AT = 60;

  private static final double FILLED = 0.5;
  private static final double WORDS = 0.7;
  private static final double DISTINCT = 0.8;
  private static final int LONGEST_HEADING = 60;

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
    int at = 0;
    while (at < rows.size() && !isHeading(rows.get(at), width)) {
      at++;
    }
    if (at == rows.size()) {
      // Nothing looks like headings: the first row that has anything is taken, as ever.
      at = 0;
      while (at < rows.size() - 1 && rows.get(at).isBlank()) {
        at++;
      }
    }
    SheetRow heading = rows.get(at);
    if (at > 0 && isGroups(rows.get(at - 1), heading)) {
      return new SheetShape(worksheet, rows.get(at - 1).number(), 2, heading.number() + 1);
    }
    if (at + 1 < rows.size() && isSubHeadings(heading, rows.get(at + 1))) {
      return new SheetShape(worksheet, heading.number(), 2, heading.number() + 2);
    }
    return new SheetShape(worksheet, heading.number(), 1, heading.number() + 1);
  }

  private static int filled(SheetRow row) {
    return (int) row.cells().stream().filter(c -> !c.isBlank()).count();
  }

  private static boolean isHeading(SheetRow row, int width) {
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
        && distinct.size() >= DISTINCT * filled;
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
