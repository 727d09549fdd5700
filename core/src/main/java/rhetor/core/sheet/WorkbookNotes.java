package rhetor.core.sheet;

import java.util.ArrayList;
import java.util.List;

/** Counts what a person should know about a workbook before its rows are taken in. */
final class WorkbookNotes {
  private int hidden;
  private int formulas;
  private int errors;
  private int longNumbers;

  void hiddenRow() {
    hidden++;
  }

  void formula() {
    formulas++;
  }

  void error() {
    errors++;
  }

  void longNumber() {
    longNumbers++;
  }

  List<String> inWords() {
    List<String> notes = new ArrayList<>();
    note(notes, hidden, "%,d hidden rows are read like the others.");
    note(notes, formulas, "%,d cells are formulas; what they last showed is read.");
    note(notes, errors, "%,d cells show an error such as #REF!; they are read as empty.");
    note(
        notes,
        longNumbers,
        "%,d numbers have more than 15 digits; the spreadsheet program has rounded them, so codes among them are wrong.");
    return notes;
  }

  private static void note(List<String> notes, int count, String words) {
    if (count > 0) {
      notes.add(words.formatted(count));
    }
  }
}
