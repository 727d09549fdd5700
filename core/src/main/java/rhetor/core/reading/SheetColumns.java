package rhetor.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.sheet.SheetRow;

/**
 * A sheet's columns before anybody knows what they are.
 *
 * @param columns in the sheet's order
 * @param language of the headings, as an ISO 639-1 code
 * @param numbers how its numbers are written
 * @param classes what the sheet's products are, as ids of classes; empty if nothing tells
 */
record SheetColumns(
    List<Column> columns, String language, NumberStyle numbers, Set<String> classes) {

  private static final int LONGEST = 150;

  /**
   * One column.
   *
   * @param raw its heading as it stands
   */
  record Column(int index, String raw, Heading heading, Cells cells) {
    /** Id of the unit that the heading names, or is; empty if there is none. */
    String unit(Knowledge knowledge) {
      return heading.unit().isEmpty()
          ? knowledge.unitWritten(raw.strip()).map(Unit::id).orElse("")
          : heading.unit();
    }

    /** Whether the heading is nothing but a unit, the letter for what it measures before it. */
    boolean isUnitAlone() {
      return heading.unit().isEmpty() || raw.matches("\\p{L} .*");
    }
  }

  /** A longer heading is a text; what it is shows at its start. */
  private static String start(String heading) {
    return heading.length() > LONGEST ? heading.substring(0, LONGEST) : heading;
  }

  /** The columns of a sheet by its headings and its first rows. */
  static SheetColumns of(
      List<String> headings,
      List<SheetRow> sample,
      Knowledge knowledge,
      HeadingNames names,
      KindsOfSheet kinds) {
    NumberStyle.Evidence numbers = new NumberStyle.Evidence();
    sample.forEach(row -> row.cells().forEach(numbers::add));
    List<Heading> parts = headings.stream().map(h -> Heading.of(start(h), knowledge)).toList();
    List<Column> columns = new ArrayList<>();
    for (int i = 0; i < headings.size(); i++) {
      columns.add(new Column(i, start(headings.get(i)), parts.get(i), Cells.of(sample, i)));
    }
    String language = names.language(parts);
    return new SheetColumns(
        columns, language, numbers.decide(), kinds.of(columns, language, sample));
  }
}
