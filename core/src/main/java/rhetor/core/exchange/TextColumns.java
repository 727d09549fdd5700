package rhetor.core.exchange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.check.Audit;
import rhetor.core.style.Field;
import rhetor.core.style.Structure;
import rhetor.core.text.Draft;

/** The columns that Rhetor adds to a sheet. */
public final class TextColumns {
  /** Their headings, in order. */
  public static final List<String> HEADINGS =
      Stream.concat(
              Arrays.stream(Field.values()).map(TextColumns::heading),
              Stream.of("readiness", "must_fix"))
          .toList();

  private TextColumns() {}

  /** The heading of a field's column. */
  public static String heading(Field field) {
    return "new_" + field.code();
  }

  /**
   * The cells of one product, with markup.
   *
   * @param headingLevel of the description's headings; see {@link Structure}
   */
  public static List<String> of(Draft draft, Audit audit, int headingLevel) {
    return cells(
        draft, audit, field -> Html.of(draft.blocks(field), headingLevel).replace("\n", ""));
  }

  /** The cells of one product in plain lines, for where no markup is taken. */
  public static List<String> plain(Draft draft, Audit audit) {
    return cells(draft, audit, draft::plain);
  }

  private static List<String> cells(Draft draft, Audit audit, Function<Field, String> structured) {
    List<String> cells = new ArrayList<>();
    for (Field field : Field.values()) {
      cells.add(
          field == Field.DESCRIPTION || field.isList()
              ? structured.apply(field)
              : draft.plain(field));
    }
    cells.add(String.valueOf(audit.readiness().score()));
    cells.add(
        audit.mustFix().stream()
            .map(m -> m.field().label() + ": " + m.why())
            .distinct()
            .collect(Collectors.joining(" | ")));
    return cells;
  }

  /** The cells of a row that has no texts, with the reason. */
  public static List<String> none(String reason) {
    List<String> cells = new ArrayList<>(java.util.Collections.nCopies(HEADINGS.size(), ""));
    cells.set(HEADINGS.size() - 2, reason.isEmpty() ? "" : "0");
    cells.set(HEADINGS.size() - 1, reason);
    return cells;
  }
}
