package rhetor.core.support;

import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;

/**
 * Tells what would be one more of what a cell lists: gas, where the fuels are wood and charcoal.
 */
final class ListJudge {
  /** "It fits the tenor as well": one more than those that are given. */
  private static final Set<String> ONE_MORE = Set.of("too", "also", "well");

  /** What has more kinds below it heads no list of them. */
  private static final int MOST_KINDS = 1500;

  private static final double MOSTLY = 0.5;

  private static final Pattern SIDE_BY_SIDE =
      Pattern.compile(
          "(?i)\\b(?:in|of|for|from|both) (?<a>\\p{L}{3,}),? (?:and|or) (?<b>\\p{L}{3,})(?=[.,;!?]|$| (?:is|are|has|have|can)\\b)");

  /** A cell of more words is no list. */
  private static final int MOST_SAID = 8;

  /** Of two nouns with a tab between them. */
  private static final Memo<Boolean> MOSTLY_OF = new Memo<>(ListJudge::findMostly);

  private static final Memo<Integer> KINDS = new Memo<>(h -> Lexicon.shipped().kinds(h));

  private final Row row;
  private final Map<Cell, List<String>> heads = new IdentityHashMap<>();

  ListJudge(Row row) {
    this.row = row;
  }

  /**
   * The cell that lists others of its kind and not this one: its heading is what it is, and what it
   * lists is so, too. Where a sentence adds to what there is, a sister of what is listed is enough.
   *
   * @param noun one that nothing in the row has
   * @param spoken the sentence's words
   */
  Optional<Cell> without(String noun, Set<String> spoken) {
    String singular = English.singular(noun);
    if (!English.isNoun(singular)) {
      return Optional.empty();
    }
    boolean isAdded = !Collections.disjoint(spoken, ONE_MORE);
    return row.cells().stream()
        .filter(c -> c.answer() == Cell.Answer.NEITHER && !c.isName())
        .filter(c -> isOfHeading(c, singular) || isAdded && hasSister(c, singular))
        .findFirst();
  }

  /**
   * The cell that has one of two things named side by side, and not the other: "in navy or
   * burgundy", where it has navy.
   *
   * @param at where the other one starts
   */
  Optional<Cell> besideOneOf(String sentence, int at, String noun) {
    if (!English.isNoun(noun)) {
      return Optional.empty();
    }
    Matcher m = SIDE_BY_SIDE.matcher(sentence);
    while (m.find()) {
      boolean isSecond = m.start("b") == at;
      if (isSecond || m.start("a") == at) {
        String one = English.stem(m.group(isSecond ? "a" : "b").toLowerCase(Locale.ROOT));
        return row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.NEITHER && !c.isName())
            .filter(c -> c.said().contains(one) && c.said().size() <= MOST_SAID)
            .findFirst();
      }
    }
    return Optional.empty();
  }

  private boolean isOfHeading(Cell cell, String noun) {
    return heads.computeIfAbsent(cell, ListJudge::heads).stream()
        .filter(h -> isMostly(noun, h))
        .anyMatch(h -> cell.said().stream().anyMatch(s -> isMostly(s, h) && !isMostly(s, noun)));
  }

  /** The words of a cell's heading that what it lists are kinds of. */
  private static List<String> heads(Cell cell) {
    return cell.heading().stream()
        .filter(h -> KINDS.of(h) < MOST_KINDS)
        .filter(h -> cell.said().stream().anyMatch(s -> isMostly(s, h)))
        .toList();
  }

  /** Whether most senses of a noun are kinds of another: a wash is a finish in one of many. */
  private static boolean isMostly(String noun, String of) {
    return !noun.equals(of) && MOSTLY_OF.of(noun + '\t' + of);
  }

  private static boolean findMostly(String both) {
    int tab = both.indexOf('\t');
    return Lexicon.shipped().shareOfSenses(both.substring(0, tab), List.of(both.substring(tab + 1)))
        >= MOSTLY;
  }

  private static boolean hasSister(Cell cell, String noun) {
    return cell.said().stream().anyMatch(s -> Lexicon.shipped().areSisters(noun, s));
  }
}
