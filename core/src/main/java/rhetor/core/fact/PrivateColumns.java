package rhetor.core.fact;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Tells which columns look as if they were for the house alone: remarks, prices, stock. In doubt a
 * column is kept back, and a person is asked.
 */
final class PrivateColumns {
  private static final Pattern MONEY = Pattern.compile("[£$€¥]");

  private static final Pattern WORD = Pattern.compile("[^\\p{L}\\p{N}']+");

  /** A place in a warehouse, an article of somebody else's: letters and digits, no word. */
  private static final Pattern CODE =
      Pattern.compile("(?=.*\\d)(?=.*\\p{Lu})[\\p{Lu}\\d]+(?:[-./_][\\p{Lu}\\d]+)*");

  /** A cell of as many words, one of them of speech, is a remark. */
  private static final int REMARK = 4;

  private static final double SOME = 0.25;
  private static final double MOST = 0.8;

  private final Set<String> trade;
  private final Set<String> remark;
  private final Set<String> speech;

  PrivateColumns(Knowledge knowledge) {
    this.trade = knowledge.privateWords("trade");
    this.remark = knowledge.privateWords("remark");
    this.speech = knowledge.privateWords("speech");
  }

  /** Why a column that no name or form gives away looks private; nothing if it doesn't. */
  Optional<ColumnReading> find(String raw, List<String> values) {
    return byHeading(raw).or(() -> byCells(values)).map(why -> keptBack(raw, why));
  }

  /** Whether a heading that is no known name says that it is the house's own. */
  Optional<String> byHeading(String raw) {
    if (MONEY.matcher(raw).find()) {
      return Optional.of("The heading names a currency.");
    }
    List<String> words = words(raw);
    boolean isRemark = !words.isEmpty() && remark.containsAll(words);
    return words.stream()
        .filter(w -> trade.contains(w) || isRemark)
        .findFirst()
        .map(w -> "\"" + w + "\" in the heading may mean that it is for the house alone.");
  }

  private Optional<String> byCells(List<String> values) {
    if (CellProposer.share(values, this::isRemark, SOME)) {
      return Optional.of("The cells are remarks, and nothing says that they are for buyers.");
    }
    boolean differ = Set.copyOf(values).size() == values.size() && values.size() > 2;
    return differ && CellProposer.share(values, v -> CODE.matcher(v).matches(), MOST)
        ? Optional.of("The cells are codes.")
        : Optional.empty();
  }

  private boolean isRemark(String cell) {
    List<String> words = words(cell);
    return words.size() >= REMARK && words.stream().anyMatch(speech::contains);
  }

  private static List<String> words(String text) {
    return WORD.splitAsStream(text.toLowerCase(Locale.ROOT))
        .filter(w -> w.chars().anyMatch(Character::isLetter))
        .toList();
  }

  static ColumnReading keptBack(String raw, String why) {
    return new ColumnReading(raw, Meaning.KEEP, "", 0.5, why)
        .asking(List.of(Meaning.KEEP, Meaning.EXTRA, Meaning.PROSE));
  }
}
