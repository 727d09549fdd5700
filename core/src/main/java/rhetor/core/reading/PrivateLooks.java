package rhetor.core.reading;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.ColumnMatcher.Likely;
import rhetor.core.reading.Meaning.Role;

/** Tells what looks as if it were for the house alone: in doubt a column is private. */
final class PrivateLooks {
  private static final double SOME_REMARKS = 0.25;

  /** The same where cells speak to somebody. */
  private static final double SPOKEN_OF = 0.05;

  /** Where a heading has one of these, its column is kept back in doubt. */
  private static final Set<Evidence> PRIVATE_WORDS =
      EnumSet.of(
          Evidence.TRADE_WORD,
          Evidence.REMARK_WORD,
          Evidence.MONEY,
          Evidence.CODE_OF,
          Evidence.PACKING);

  /** On a narrower sheet it isn't told by its place whether a column is notes. */
  static final int WIDE = 10;

  private static final double WRITTEN = 0.9;
  private static final double HALF = 0.5;

  /** What is for the house alone stands together, a few columns of it. */
  private static final int BEHIND = 2;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final Set<String> trade;

  PrivateLooks(Knowledge knowledge, HeadingNames names) {
    this.knowledge = knowledge;
    this.names = names;
    this.trade = knowledge.roleWords("trade");
  }

  /**
   * Whether a heading is a name of the products' codes, which another column has; words that stand
   * in many rows are no codes.
   */
  boolean isSecondCode(SheetColumn column, SheetColumns sheet, Set<String> taken) {
    Cells cells = column.cells();
    return taken.contains("sku")
        && (cells.different() >= WRITTEN || cells.lettered() < WRITTEN)
        && !knowledge.vague().contains(column.heading().name())
        && names.exact(column.heading(), sheet.language()).stream()
            .anyMatch(m -> m.role() == Role.SKU);
  }

  /**
   * Whether nearly every product has sentences that begin and end as such, and few speak of prices
   * or suppliers: remarks aren't like that.
   */
  boolean isWritten(SheetColumn column) {
    Cells cells = column.cells();
    return cells.sentences() >= WRITTEN && cells.filled() >= WRITTEN && !speaksOfTrade(column);
  }

  /** Whether a column stands behind one that is likely for the house alone, or behind the next. */
  static boolean isBehindPrivate(List<List<Likely>> likely, int column) {
    return IntStream.rangeClosed(1, BEHIND)
        .map(away -> column - away)
        .filter(i -> i >= 0)
        .mapToObj(i -> likely.get(i).getFirst())
        .anyMatch(l -> l.meaning().role() == Role.KEEP && l.probability() >= HALF);
  }

  /**
   * Whether words under a heading that nobody knows stand behind several columns in a row that are
   * for the house alone: such a sheet has come to its remarks.
   */
  static boolean isAmongPrivate(List<List<Likely>> likely, SheetColumn column) {
    int index = column.index();
    return index >= BEHIND
        && column.cells().lettered() >= HALF
        && IntStream.rangeClosed(1, BEHIND)
            .mapToObj(away -> likely.get(index - away).getFirst())
            .allMatch(l -> l.meaning().role() == Role.KEEP && l.probability() >= HALF);
  }

  /** Whether words of trade stand in many of a column's cells. */
  boolean speaksOfTrade(SheetColumn column) {
    return column.cells().speakOf(trade) >= SOME_REMARKS;
  }

  /** Whether a heading says that its column is a text. */
  static boolean isCalledText(Likely prose) {
    return prose.candidate().evidence().containsKey(Evidence.TEXT_WORD)
        || !prose.candidate().name().isEmpty();
  }

  /**
   * Whether a word of trade, a remark, a currency, or codes of which the SKU is another column
   * speak for a column's being private: then in doubt it is.
   */
  static boolean looksPrivate(List<Likely> likely, SheetColumns sheet) {
    return likely.stream()
        .filter(l -> l.meaning().role() == Role.KEEP)
        .anyMatch(
            l ->
                looksPrivate(l.candidate().evidence())
                    || saysRemarks(l.candidate().evidence())
                        && (l.probability() >= SPOKEN_OF || sheet.columns().size() < WIDE));
  }

  private static boolean looksPrivate(Map<Evidence, Double> evidence) {
    return PRIVATE_WORDS.stream().anyMatch(evidence::containsKey)
        || evidence.getOrDefault(Evidence.CODES, 0.0) >= WRITTEN
        || evidence.getOrDefault(Evidence.LONG_CODES, 0.0) >= WRITTEN;
  }

  private static boolean saysRemarks(Map<Evidence, Double> evidence) {
    return evidence.getOrDefault(Evidence.REMARKS, 0.0) >= SOME_REMARKS;
  }

  /**
   * Whether people speak to one another in the cells, or the heading says so: notes, however well
   * they are written. Where every cell is sentences it takes a word of trade in them: copy speaks,
   * too.
   */
  boolean areRemarks(List<Likely> likely, SheetColumn column) {
    Map<Evidence, Double> evidence =
        likely.stream()
            .filter(l -> l.meaning().role() == Role.KEEP)
            .map(l -> l.candidate().evidence())
            .findFirst()
            .orElse(Map.of());
    Cells cells = column.cells();
    boolean isCopy = cells.sentences() == 1 && cells.questions() < 1 && !speaksOfTrade(column);
    return evidence.containsKey(Evidence.REMARK_WORD) || !isCopy && saysRemarks(evidence);
  }
}
