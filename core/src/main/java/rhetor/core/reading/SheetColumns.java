package rhetor.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.sheet.SheetRow;

/**
 * A sheet's columns before anybody knows what they are.
 *
 * @param columns in the sheet's order
 * @param language of the headings, as an ISO 639-1 code
 * @param numbers how its numbers are written
 * @param classes what the sheet's products are, as ids of classes; empty if nothing tells
 * @param titled the noun for its products that the file's and the worksheet's names say, or empty
 */
record SheetColumns(
    List<SheetColumn> columns,
    String language,
    NumberStyle numbers,
    Set<String> classes,
    String titled) {

  private static final int LONGEST = 150;

  /** So many rows show what a column is; more cost time and change nothing. */
  private static final int TELLING = 100;

  private static final String DIAMETER = "ø";

  private static final int BESIDE = 2;

  private static boolean isLetterOfSide(List<Heading> headings, int column) {
    String letter = headings.get(column).name();
    return SheetColumn.isLetter(letter)
        && headings
            .subList(Math.max(0, column - BESIDE), Math.min(headings.size(), column + BESIDE + 1))
            .stream()
            .map(Heading::name)
            .anyMatch(
                other ->
                    SheetColumn.isLetter(other) && !other.equals(letter)
                        || other.startsWith(DIAMETER));
  }

  /** A longer heading is a text; what it is shows at its start. */
  private static String start(String heading) {
    return heading.length() > LONGEST ? heading.substring(0, LONGEST) : heading;
  }

  /** The columns of a sheet by its headings and its first rows, of things that nobody knows. */
  static SheetColumns of(
      List<String> headings, List<SheetRow> sample, Knowledge knowledge, HeadingNames names) {
    NumberStyle.Evidence numbers = new NumberStyle.Evidence();
    sample.forEach(row -> row.cells().forEach(numbers::add));
    List<SheetRow> telling = sample.subList(0, Math.min(TELLING, sample.size()));
    List<Cells> cells =
        IntStream.range(0, headings.size())
            .mapToObj(i -> Cells.of(telling, i, headings.size()))
            .toList();
    List<Heading> parts =
        IntStream.range(0, headings.size())
            .mapToObj(i -> Heading.of(start(headings.get(i)), cells.get(i), knowledge))
            .toList();
    List<SheetColumn> columns = new ArrayList<>();
    for (int i = 0; i < headings.size(); i++) {
      columns.add(
          new SheetColumn(
              i, start(headings.get(i)), parts.get(i), cells.get(i), isLetterOfSide(parts, i)));
    }
    return new SheetColumns(columns, names.language(parts), numbers.decide(), Set.of(), "");
  }

  /** Whether its products are of a class that is known. */
  boolean isOfKnownClass() {
    return !classes.isEmpty() && !classes.contains(KindsOfSheet.NO_CLASS);
  }

  /** The same columns of things of these classes. */
  SheetColumns with(Set<String> of, String title) {
    return new SheetColumns(columns, language, numbers, of, title);
  }
}
