package rhetor.core.fact;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Sheets of trades that nobody prepared Rhetor for are read right or not at all. */
class LabelledSheetsTest {
  private static final Set<String> NO_FACT = Set.of("sku", "name", "prose", "keyword", "picture");

  static Stream<LabelledSheets.Read> sheets() throws Exception {
    return LabelledSheets.all();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void the_code_and_the_name_are_the_right_columns(LabelledSheets.Read sheet) {
    for (ColumnReading column : sheet.reading().columns()) {
      String label = sheet.labels().columns().get(column.heading());
      for (String role : List.of("sku", "name")) {
        assertThat(LabelledSheets.label(column).equals(role))
            .as(column.heading() + " of " + sheet.reading())
            .isEqualTo(role.equals(label));
      }
    }
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void nothing_private_becomes_a_fact(LabelledSheets.Read sheet) {
    List<String> told = new ArrayList<>();
    for (ColumnReading column : sheet.reading().columns()) {
      String label = sheet.labels().columns().get(column.heading());
      String read = LabelledSheets.label(column);
      boolean mayBeFact = !NO_FACT.contains(label) && !label.equals("private");
      boolean isFact = !NO_FACT.contains(read) && !read.equals("private");
      if (isFact && !mayBeFact || read.equals("prose") && label.equals("private")) {
        told.add(column.heading() + " read as " + read);
      }
    }
    assertThat(told).isEmpty();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void no_column_is_taken_for_what_it_is_not(LabelledSheets.Read sheet) {
    List<String> wrong = new ArrayList<>();
    for (ColumnReading column : sheet.reading().columns()) {
      String label = sheet.labels().columns().get(column.heading());
      if (column.meaning().role() == Meaning.Role.CONCEPT
          && !column.meaning().concept().equals(label)) {
        wrong.add(column.heading() + " read as " + column.meaning().concept());
      }
    }
    assertThat(wrong).isEmpty();
  }
}
