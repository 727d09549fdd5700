package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rhetor.core.sheet.SheetRow;

/**
 * Finds what tells rows apart that have one code or name: a style has a row for each colour, or for
 * each colour and size.
 */
final class VariantColumns {
  /** What rows of one style differ in, the most usual first. */
  private static final List<String> AXES = List.of("colour", "size");

  private VariantColumns() {}

  /**
   * The columns that, behind the code or the name, tell all rows apart.
   *
   * @return headings; empty if the code or the name alone does, or nothing does
   */
  static List<String> of(List<ColumnReading> columns, int key, int name, List<SheetRow> sample) {
    if (key < 0) {
      return List.of();
    }
    Map<String, List<SheetRow>> rows =
        sample.stream()
            .filter(r -> !CellText.saysNothing(CellText.clean(r.cell(key))))
            .collect(Collectors.groupingBy(r -> CellText.clean(r.cell(key))));
    List<List<SheetRow>> several = rows.values().stream().filter(r -> r.size() > 1).toList();
    boolean areOneThing =
        name < 0
            || several.stream()
                .allMatch(r -> r.stream().map(s -> s.cell(name)).distinct().count() == 1);
    if (several.isEmpty() || !areOneThing) {
      return List.of();
    }
    List<Integer> axes = new ArrayList<>();
    for (String axis : AXES) {
      for (int i = 0; i < columns.size(); i++) {
        if (columns.get(i).meaning().concept().equals(axis)) {
          axes.add(i);
          if (several.stream().allMatch(r -> areApart(r, axes))) {
            return axes.stream().map(c -> columns.get(c).heading()).toList();
          }
        }
      }
    }
    return List.of();
  }

  /** Whether all rows have cells in these columns, and other ones each. */
  private static boolean areApart(List<SheetRow> rows, List<Integer> columns) {
    Set<List<String>> seen = new HashSet<>();
    return rows.stream()
        .allMatch(
            r -> {
              List<String> cells = columns.stream().map(c -> CellText.clean(r.cell(c))).toList();
              return cells.stream().noneMatch(CellText::saysNothing) && seen.add(cells);
            });
  }
}
