package rhetor.core.reading;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;

/**
 * Finds what a column is for that no known name gives away: the house alone (remarks, prices,
 * stock), searches, or a text. In doubt a column is kept back, and a person is asked.
 */
final class RoleFinder {
  private static final Pattern MONEY = Pattern.compile("[£$€¥]");

  private static final Pattern WORD = Pattern.compile("[^\\p{L}\\p{N}']+");

  /** What people type into a search: a few words without signs. */
  private static final Pattern PHRASE =
      Pattern.compile("[\\p{L}\\p{N}'-]+(?: [\\p{L}\\p{N}'-]+){1,7}");

  /** A place in a warehouse, an article of somebody else's: letters and digits, no word. */
  private static final Pattern CODE =
      Pattern.compile("(?=.*\\d)(?=.*\\p{Lu})[\\p{Lu}\\d]+(?:[-./_][\\p{Lu}\\d]+)*");

  /** A cell of as many words, one of them of speech, is a remark. */
  private static final int REMARK = 3;

  private static final int LONGEST_PHRASE = 90;
  private static final int LONGEST_CODE = 40;

  private static final double SOME = 0.25;
  private static final double MOST = 0.8;

  private final Set<String> trade;
  private final Set<String> remark;
  private final Set<String> perhaps;
  private final Set<String> keyword;
  private final Set<String> prose;
  private final Set<String> speech;

  RoleFinder(Knowledge knowledge) {
    this.trade = knowledge.roleWords("trade");
    this.remark = knowledge.roleWords("remark");
    this.perhaps = knowledge.roleWords("perhaps");
    this.keyword = knowledge.roleWords("keyword");
    this.prose = knowledge.roleWords("prose");
    this.speech = knowledge.roleWords("speech");
  }

  /** Why a column that no name or form gives away looks private; nothing if it doesn't. */
  Optional<ColumnReading> find(String raw, List<String> values) {
    return byHeading(raw, values).or(() -> byCells(values)).map(why -> keptBack(raw, why));
  }

  /** What a heading that is no known name says of a column's use: private, keyword or prose. */
  Optional<ColumnReading> ofHeading(String raw, List<String> values) {
    Optional<String> why = byHeading(raw, values);
    if (why.isPresent()) {
      return Optional.of(keptBack(raw, why.get()));
    }
    List<String> words = words(raw);
    if (words.stream().anyMatch(keyword::contains)) {
      return Optional.of(
          values.isEmpty() || CellProposer.share(values, RoleFinder::isPhrase, MOST)
              ? new ColumnReading(
                  raw, Meaning.KEYWORD, "", 0.8, "The heading and the cells are about searches.")
              : keptBack(raw, "The heading is about searches, and the cells are no phrases."));
    }
    return words.stream().anyMatch(prose::contains)
        ? Optional.of(
            new ColumnReading(raw, Meaning.PROSE, "", 0.8, "The heading says that it is a text."))
        : Optional.empty();
  }

  private Optional<String> byHeading(String raw, List<String> values) {
    if (MONEY.matcher(raw).find()) {
      return Optional.of("The heading names a currency.");
    }
    List<String> words = words(raw);
    boolean alone = !words.isEmpty() && words.stream().allMatch(w -> perhaps.contains(w));
    boolean speaks = alone || CellProposer.share(values, this::isRemark, SOME);
    return words.stream()
        .filter(w -> trade.contains(w) || remark.contains(w) || speaks && perhaps.contains(w))
        .findFirst()
        .map(w -> "\"" + w + "\" in the heading may mean that it is for the house alone.");
  }

  private Optional<String> byCells(List<String> values) {
    if (CellProposer.share(values, this::isRemark, SOME)) {
      return Optional.of("The cells are remarks, and nothing says that they are for buyers.");
    }
    boolean differ = Set.copyOf(values).size() == values.size() && values.size() > 2;
    return differ
            && CellProposer.share(
                values, v -> v.length() <= LONGEST_CODE && CODE.matcher(v).matches(), MOST)
        ? Optional.of("The cells are codes.")
        : Optional.empty();
  }

  private static boolean isPhrase(String cell) {
    return cell.length() <= LONGEST_PHRASE && PHRASE.matcher(cell).matches();
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
