package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;

/**
 * Proposes what a column may be whose heading says nothing ("Column 3"), from its cells alone. It
 * is kept back, and a person is asked.
 */
final class SilentHeadings {
  private static final Pattern TELLS_NOTHING =
      Pattern.compile(
          "(?i)(?:column|col|value|attribute|attr|field|feature|detail|spec|info|data|property|param|parameter|extra|misc|custom|user"
              + "|spalte|merkmal|wert|eigenschaft|feld|champ|valeur|attribut|campo|valor|atributo|kolom|waarde|veld|[a-z])?[\\s_.-]*\\d{0,3}");
  private static final Pattern AMOUNT_WITH_UNIT =
      Pattern.compile("[^\\d]{0,3}\\d[\\d.,]*\\s?([A-Za-z°%²/]{1,12})\\.?");
  private static final Pattern SIDES =
      Pattern.compile(
          "(?i)\\d[\\d.,]*(?:\\s*[a-z]{0,2}\\s*[x×*]\\s*\\d[\\d.,]*){1,2}\\s*[a-z]{0,2}");
  private static final Pattern RATING = Pattern.compile("(?i)IP ?[X0-9][X0-9]B?");
  private static final double MOST = 0.8;
  private static final int FEW_MEANINGS = 4;
  private static final int PROSE = 90;

  /** Cells from here on are like names, see {@link Cells#nameLike}. */
  private static final double NAMES = 1.3;

  private final Knowledge knowledge;

  SilentHeadings(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** Whether a heading says nothing of what its column is, unless it is nothing but a unit. */
  boolean isSilent(SheetColumn column) {
    return TELLS_NOTHING.matcher(column.heading().name()).matches()
        && column.heading().unit().isEmpty()
        && knowledge.unitWritten(column.raw().strip()).isEmpty();
  }

  /**
   * What the cells look like.
   *
   * @param taken concepts that other columns are
   */
  ColumnReading propose(SheetColumn column, Set<String> taken) {
    Cells cells = column.cells();
    String raw = column.raw();
    if (cells.averageLength() > PROSE) {
      return new ColumnReading(raw, Meaning.PROSE, "", 0.75, "The cells are prose.");
    }
    if (!taken.contains("colour")
        && cells.terms(knowledge, "colour") >= MOST
        && cells.answers() < MOST) {
      return guess(raw, "colour", "The cells are colours.");
    }
    if (!taken.contains("material") && cells.terms(knowledge, "material") >= MOST) {
      return guess(raw, "material", "The cells are materials.");
    }
    if (!taken.contains("water_rating") && cells.mostly(MOST, v -> RATING.matcher(v).matches())) {
      return guess(raw, "water_rating", "The cells are IP codes.");
    }
    if (!taken.contains("dimensions") && cells.mostly(MOST, v -> SIDES.matcher(v).matches())) {
      return guess(raw, "dimensions", "The cells are lengths, width by height.");
    }
    return quantity(raw, cells, taken)
        .orElseGet(
            () ->
                new ColumnReading(
                        raw,
                        Meaning.KEEP,
                        "",
                        0.5,
                        "Neither the heading nor the cells say what it is.")
                    .asking(
                        !taken.contains("name") && cells.nameLike() >= NAMES
                            ? List.of(Meaning.KEEP, Meaning.NAME, Meaning.EXTRA)
                            : List.of(Meaning.KEEP, Meaning.EXTRA)));
  }

  private static ColumnReading guess(String raw, String concept, String reason) {
    return new ColumnReading(raw, Meaning.KEEP, "", 0.5, reason)
        .asking(List.of(Meaning.parse(concept), Meaning.KEEP, Meaning.EXTRA));
  }

  /** Amounts of one dimension: a person says which they are. */
  private Optional<ColumnReading> quantity(String raw, Cells cells, Set<String> taken) {
    if (!cells.mostly(MOST, v -> AMOUNT_WITH_UNIT.matcher(v).matches())) {
      return Optional.empty();
    }
    Set<String> dimensions = new HashSet<>(cells.dimensions(knowledge, ""));
    if (dimensions.size() != 1) {
      return Optional.empty();
    }
    String dimension = dimensions.iterator().next();
    List<Meaning> meanings = new ArrayList<>();
    knowledge.concepts().stream()
        .filter(c -> c.dimension().equals(dimension) && c.classes().isEmpty())
        .filter(c -> !taken.contains(c.id()))
        .limit(FEW_MEANINGS)
        .map(Meaning::of)
        .forEach(meanings::add);
    meanings.addFirst(Meaning.KEEP);
    meanings.add(Meaning.EXTRA);
    return Optional.of(
        new ColumnReading(
                raw,
                Meaning.KEEP,
                "",
                0.5,
                "The cells measure " + dimension + "; the heading doesn't say of what.")
            .asking(meanings));
  }
}
