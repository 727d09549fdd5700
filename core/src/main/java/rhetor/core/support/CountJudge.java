package rhetor.core.support;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.support.Assertion.Kind;

/**
 * Holds words for how many and how much of all against a row: one, both, half, wholly, for three.
 */
final class CountJudge {
  private static final Pattern HALF_OF =
      Pattern.compile(
          "(?i)\\bhalf (?:of (?:its|the|all) )?(?!an?\\b|the\\b|of\\b)(?<w>\\p{L}{3,})");

  /** One of these stands where {@link #ENTIRELY} is. */
  private static final Set<String> WHOLLY =
      Set.of("entirely", "wholly", "completely", "fully", "purely", "solely", "nothing", "hundred");

  /** One of these stands where {@link #SINGLE} is. */
  private static final Set<String> OF_ONE = Set.of("single", "just", "only", "one");

  private static final Pattern ENTIRELY =
      Pattern.compile(
          "(?i)\\b(?:entirely|wholly|completely|fully|purely|solely|nothing but|a hundred per cent)(?= )");

  /** For how many people it is. */
  private static final Pattern FOR_SO_MANY =
      Pattern.compile(
          "(?i)\\b(?:room|space|places?|seats|sleeps|holds|takes|carries|enough)(?: for)?(?: up to)? (?<n>\\p{L}+|\\d+)(?: (?:people|persons|adults|riders|of you))?(?=[.,;!?]|$)");

  /** From what age on it is for somebody. */
  private static final Pattern OF_AGE =
      Pattern.compile(
          "(?i)\\b(?:people|children|child|kids|adults|toddlers|babies|boys|girls|anyone|players|riders) (?:of|from|aged|over|above)(?: the age of)? (?<n>\\p{L}+|\\d+)(?! ?(?:cm|kg|m|kilos?|centimetres)\\b)");

  /** Stems of what columns are headed by that say for what age. */
  private static final Set<String> AGES =
      Set.of("age", "year", "month", "child", "from", "use", "audience");

  /** Stems of what cells say of an age under any heading: "age 9 to 14". */
  private static final Set<String> AGES_SAID = Set.of("age", "year", "month");

  /** Stems of what columns are headed by that count people. */
  private static final Set<String> PEOPLE =
      Set.of(
          "person", "people", "seat", "berth", "sleep", "rider", "passenger", "paddler", "player");

  /** In hundred. */
  private static final double HALF = 50;

  private static final double NEAR_HALF = 5;

  /** What stands where two are spoken of. */
  private static final String BOTH = "both";

  private static final Pattern BOTH_OF =
      Pattern.compile("(?i)\\bboth (?:of (?:its|the|their) |its |the )?(?<w>\\p{L}{2,})");

  private static final Pattern SINGLE =
      Pattern.compile(
          "(?i)\\b(?:a single|just one|only one|^one(?= \\p{L}+ (?:is|comes))) (?<w>\\p{L}{2,})");

  private static final double WHOLE = 100;

  private final Row row;
  private final Knowledge knowledge;

  CountJudge(Row row, Knowledge knowledge) {
    this.row = row;
    this.knowledge = knowledge;
  }

  /**
   * What a cell counts otherwise.
   *
   * @param spoken its words
   * @param hasAmounts whether there is a number among them
   */
  void judge(String sentence, Set<String> spoken, boolean hasAmounts, List<Assertion> found) {
    if (!Collections.disjoint(WHOLLY, spoken)) {
      wholly(sentence, found);
    }
    halves(sentence, found);
    if (!Collections.disjoint(OF_ONE, spoken)) {
      single(sentence, found);
    }
    if (spoken.contains(BOTH)) {
      both(sentence, found);
    }
    if (hasAmounts) {
      people(sentence, found);
    }
    if (hasAmounts || sentence.contains(" one")) {
      ages(sentence, found);
    }
  }

  /** "Entirely organic" where a cell has 95 in a hundred. */
  private void wholly(String sentence, List<Assertion> found) {
    Matcher m = ENTIRELY.matcher(sentence);
    while (m.find()) {
      Set<String> of = Stems.of(sentence.substring(m.end(), Clauses.end(sentence, m.end())));
      row.cells().stream()
          .filter(c -> c.words().indexOf('%') >= 0 && c.parts() == 1 && !c.numbers().isEmpty())
          .filter(c -> c.numbers().stream().allMatch(n -> n.value() < WHOLE))
          .filter(c -> c.names().stream().anyMatch(n -> !n.isEmpty() && of.containsAll(n)))
          .findFirst()
          .ifPresent(
              c -> found.add(Assertion.of(Kind.NUMBER, sentence, m.start(), m.end(), c.words())));
    }
  }

  /** "Half cotton" where a cell has four fifths of it. */
  private void halves(String sentence, List<Assertion> found) {
    Matcher m = HALF_OF.matcher(sentence);
    while (sentence.contains("alf ") && m.find()) {
      String stem = English.stem(m.group("w").toLowerCase(Locale.ROOT));
      row.cells().stream()
          .filter(c -> c.said().contains(stem) || c.label().contains(stem))
          .filter(c -> c.numbers().stream().anyMatch(CountJudge::isShare))
          .filter(c -> c.numbers().stream().noneMatch(n -> Math.abs(n.value() - HALF) <= NEAR_HALF))
          .findFirst()
          .ifPresent(
              c -> found.add(Assertion.of(Kind.NUMBER, sentence, m.start(), m.end(), c.words())));
    }
  }

  /** "A single LED" where a cell has two. */
  private void single(String sentence, List<Assertion> found) {
    Matcher m = SINGLE.matcher(sentence);
    while (m.find()) {
      String what = m.group("w").toLowerCase(Locale.ROOT);
      Pattern several =
          Pattern.compile(
              "(?i)(?<![\\d.,])(?:[2-9]|\\d{2}) ?[x×]? ?" + Pattern.quote(what) + "s?\\b");
      row.cells().stream()
          .filter(c -> several.matcher(c.words()).find() || countsSeveral(c, what))
          .findFirst()
          .ifPresent(
              c -> found.add(Assertion.of(Kind.NUMBER, sentence, m.start(), m.end(), c.words())));
    }
  }

  /** "Both doors" where a cell has one of them. */
  private void both(String sentence, List<Assertion> found) {
    Matcher m = BOTH_OF.matcher(sentence);
    while (m.find()) {
      String what = m.group("w").toLowerCase(Locale.ROOT);
      Set<String> heading = Set.of(English.stem(what));
      row.cells().stream()
          .filter(c -> English.isPlural(what) && c.heading().equals(heading) && c.parts() == 1)
          .filter(
              c ->
                  c.numbers().size() == 1
                      && c.numbers().getFirst().dimension().isEmpty()
                      && c.numbers().getFirst().value() != 2)
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.NUMBER, sentence, m.start(), m.start() + 4, c.words())));
    }
  }

  /** "Wheels: 2". */
  private static boolean countsSeveral(Cell cell, String noun) {
    return cell.heading().size() == 1
        && isHeadedBy(cell, noun)
        && !cell.numbers().isEmpty()
        && cell.numbers().stream()
            .allMatch(n -> n.dimension().isEmpty() && n.value() > 1 && n.value() < WHOLE);
  }

  /** "Room for three" where a cell has two persons. */
  private void people(String sentence, List<Assertion> found) {
    Matcher m = FOR_SO_MANY.matcher(sentence);
    while (m.find()) {
      List<Amount> amounts = Amount.in(m.group("n"), knowledge);
      if (amounts.size() != 1) {
        continue;
      }
      List<Cell> of =
          row.cells().stream()
              .filter(c -> c.label().stream().anyMatch(PEOPLE::contains))
              .filter(c -> !c.numbers().isEmpty())
              .toList();
      boolean isSaid =
          row.proseNumbers().contains(amounts.getFirst().value())
              || row.cells().stream().anyMatch(c -> AmountMatch.says(c, amounts.getFirst(), false));
      if (!of.isEmpty() && !isSaid) {
        found.add(
            Assertion.of(Kind.NUMBER, sentence, m.start("n"), m.end("n"), of.getFirst().words()));
      }
    }
  }

  /** "People of 1 and over", where the one is a tap's least pressure. */
  private void ages(String sentence, List<Assertion> found) {
    Matcher m = OF_AGE.matcher(sentence);
    while (m.find()) {
      // "One" alone is more often a pronoun than an age.
      String age = m.group("n").equalsIgnoreCase("one") ? "1" : m.group("n");
      List<Amount> amounts = Amount.in(age, knowledge);
      boolean isSaid =
          amounts.size() != 1
              || row.proseNumbers().contains(amounts.getFirst().value())
              || row.cells().stream()
                  .filter(
                      c ->
                          c.label().stream().anyMatch(AGES::contains)
                              || c.said().stream().anyMatch(AGES_SAID::contains))
                  .anyMatch(c -> AmountMatch.says(c, amounts.getFirst(), false));
      if (!isSaid) {
        found.add(Assertion.of(Kind.NUMBER, sentence, m.start(), m.end("n"), ""));
      }
    }
  }

  private static boolean isShare(Cell.Number number) {
    return number.dimension().equals("share")
        || number.dimension().isEmpty() && number.value() > HALF && number.value() < WHOLE;
  }

  /** "Mic" is of microphones, too. */
  static boolean isHeadedBy(Cell cell, String noun) {
    return cell.label().contains(English.stem(noun))
        || cell.heading().size() == 1
            && AnswerJudge.isShortFor(cell.heading().iterator().next(), noun);
  }
}
