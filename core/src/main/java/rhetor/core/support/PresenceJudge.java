package rhetor.core.support;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;
import rhetor.core.support.NounPhrases.Begin;
import rhetor.core.support.NounPhrases.Phrase;
import rhetor.core.support.NounPhrases.Role;

/** Holds the parts that a sentence takes to be there against a row that says no to them. */
final class PresenceJudge {
  /** "The bag that comes with it", "an outdoor run is part of it". */
  private static final Pattern IS_THERE =
      Pattern.compile(
          "(?i) (?:(?:that|which) )?(?:comes? with|goes with|belongs? to|is part of|are part of|is built in|is fitted|is there|are there)\\b");

  /** So much of a word's senses names what is sold. */
  private static final double SOLD = 0.25;

  private static final List<String> FOODS = List.of("food");
  private static final double MOSTLY = 0.5;

  private final Row row;
  private final AnswerJudge answers;
  private final List<Cell> refusing;
  private final JudgeWords words = JudgeWords.shipped();

  PresenceJudge(Row row, AnswerJudge answers) {
    this.row = row;
    this.answers = answers;
    this.refusing = row.cells().stream().filter(c -> c.answer() == Cell.Answer.NO).toList();
  }

  /**
   * "Its light has a warm glow", where a cell says that there is none; and what acts on the thing,
   * or what it has, that stands nowhere: "a hand brake slows it".
   *
   * @param found what else is found: words that stand nowhere are held here
   */
  void judge(String sentence, List<Word> all, List<Assertion> found) {
    if (row.cells().isEmpty()) {
      return;
    }
    for (Phrase phrase : NounPhrases.of(sentence, all)) {
      Word head = phrase.head();
      boolean isSettled =
          found.stream()
              .anyMatch(a -> a.isHeld() && a.start() <= head.start() && a.end() > head.start());
      if (isSettled || answers.isDenied(sentence, head)) {
        continue;
      }
      boolean isTakenToBeThere =
          phrase.begin() == Begin.ITS
              || phrase.role() != Role.OTHER
              || IS_THERE.matcher(sentence).region(head.end(), sentence.length()).lookingAt();
      Optional<Cell> no =
          isTakenToBeThere
              ? refusing.stream()
                  .filter(c -> isMeant(c, phrase))
                  .findFirst()
                  .or(() -> answers.leavingOut(English.stem(head.text())))
              : Optional.empty();
      if (no.isPresent()) {
        found.add(Assertion.of(Kind.ANSWER, sentence, head.start(), head.end(), no.get().words()));
      } else if (isSaidToBeThere(phrase) && isPart(head)) {
        found.replaceAll(
            a ->
                a.kind() == Kind.OPEN && a.start() == head.start()
                    ? Assertion.of(Kind.INCLUSION, sentence, a.start(), a.end(), "")
                    : a);
      }
    }
  }

  private static boolean isSaidToBeThere(Phrase phrase) {
    return (phrase.begin() == Begin.ONE || phrase.begin() == Begin.NOTHING)
        && phrase.role() != Role.OTHER;
  }

  /** Whether a word names a thing that can be a part of another. */
  private boolean isPart(Word head) {
    return English.isNoun(head.text())
        && !words.isHarmless(head.text())
        && Lexicon.shipped().goods(English.singular(head.text())) >= SOLD
        && Lexicon.shipped().shareOfSenses(English.singular(head.text()), FOODS) < MOSTLY;
  }

  /**
   * Whether a cell that says no is headed by what a phrase names, and no other cell has it; or by
   * all of the phrase: "child lock" is what "kids lock" asks for.
   */
  private boolean isMeant(Cell cell, Phrase phrase) {
    String stem = English.stem(phrase.head().text());
    String title = cell.title().toLowerCase(Locale.ROOT);
    if (!English.stem(English.lastWord(title)).equals(stem)) {
      return false;
    }
    List<String> others =
        Stems.of(title).stream().filter(s -> !s.equals(stem) && !words.isFunction(s)).toList();
    List<String> said =
        phrase.words().stream()
            .map(w -> English.stem(w.text()))
            .filter(s -> !s.equals(stem))
            .toList();
    boolean isWhole =
        !others.isEmpty()
            && others.stream().allMatch(o -> said.stream().anyMatch(s -> areAlike(o, s)));
    boolean isElsewhere =
        row.cells().stream()
            .anyMatch(
                c ->
                    c.answer() != Cell.Answer.NO
                        && (c.label().contains(stem) || c.said().contains(stem)));
    return isWhole || !isElsewhere && (others.isEmpty() || said.isEmpty());
  }

  private static boolean areAlike(String one, String other) {
    return Row.areOfOneRoot(one, other)
        || Lexicon.shipped().isKindOf(other, one)
        || Lexicon.shipped().synonyms(one).contains(other);
  }
}
