package rhetor.core.support;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Holds turns of phrase against cells that say the contrary: "every" against "most". */
final class ContraryJudge {
  private static final String FREE = "-free";
  private static final String MACHINE = "machine";
  private static final String CARE = "care";

  /** "Can be adjusted". */
  private static final Pattern CAN_BE =
      Pattern.compile("(?i)\\bcan be (?<v>\\p{L}{2,}?)(?:ed|d)\\b");

  private static final int MOST_DESCRIBING = 2;
  private static final int SHORTEST_NEGATED = 4;
  private static final int SHORTEST_ROOT = 3;

  /** What can't both be so: pairs of what says the one, and what says the other. */
  private static final List<List<List<String>>> OPPOSITES =
      JudgeWords.shipped().of("opposites").stream()
          .map(pair -> Arrays.stream(pair.split(" / ")).map(s -> List.of(s.split(", "))).toList())
          .toList();

  private static final Set<String> OF_OPPOSITES =
      OPPOSITES.stream()
          .flatMap(List::stream)
          .flatMap(List::stream)
          .map(p -> AnswerJudge.firstPart(p.substring(p.lastIndexOf(' ') + 1)))
          .collect(Collectors.toSet());

  /** "Every airline", "all hobs". */
  private static final Pattern EVERY =
      Pattern.compile(
          "(?i)\\b(?:every|each|all|any)(?: (?:of )?(?:the|these|kind of|type of|sort of))? (?<w>\\p{L}{3,})(?: (?<next>\\p{L}{3,}))?");

  /** What is praised is the contrary of one of these. */
  private static final Set<String> NOTHING_MUCH =
      Set.of("ugly", "ordinary", "displeasing", "hateful", "second-rate");

  private static final Set<String> BEFORE_THING = Set.of("its", "the", "their");
  private static final Set<String> ONE = Set.of("a", "an");
  private static final Set<String> BEING = Set.of("is", "are", "was", "were");
  private static final Set<String> EVERYTHING = Set.of("every", "each", "all", "any");
  private static final Set<String> NOTHING = Set.of("no", "without");

  private static final Pattern DONE = Pattern.compile("(?i)\\p{L}{2,}ed");

  private static final List<String> NOT_EVERY =
      List.of("most", "some", "many", "few", "selected", "certain");

  /** "Is tanned with oak bark", "was finished in oil". */
  private static final Pattern DONE_WITH =
      Pattern.compile("(?i)\\b(?<v>\\p{L}{2,}ed) (?:with|by|in|using) (?<w>\\p{L}[\\p{L} -]*)");

  /** "Catch tray" is a tray. */
  private static final Pattern HAS_NO =
      Pattern.compile(
          "(?i)\\b(?:(?:has|have|is|are|comes?|with|there (?:is|are)) no|without(?: an?| any)?) (?<w>\\p{L}{3,})(?! \\p{L}+(?<!in|on|for|to|and|or|of|at|but)\\b)");

  /** Whether a cell has a word such as "unscented", so that its opposite would be wrong. */
  private final boolean hasNegatives;

  /** Cells that are headed "tanned" and the like. */
  private final List<Cell> done;

  /** Cells of one or two words that may describe the thing. */
  private final List<Cell> describing;

  /** Cells that say yes to what is headed "cordless" and the like. */
  private final List<Cell> without;

  private final Row row;
  private final AnswerJudge answers;

  ContraryJudge(Row row, AnswerJudge answers) {
    this.row = row;
    this.answers = answers;
    this.hasNegatives =
        row.cells().stream()
            .anyMatch(c -> Words.of(c.value()).stream().anyMatch(w -> isNegative(w.text())));
    this.done =
        row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.NEITHER && c.numbers().isEmpty())
            .filter(c -> DONE.matcher(c.title()).matches())
            .toList();
    this.describing =
        row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.NEITHER && c.numbers().isEmpty() && !c.isName())
            .filter(c -> Words.of(c.value()).size() <= MOST_DESCRIBING)
            .filter(c -> Words.of(c.value()).stream().anyMatch(w -> English.isAdjective(w.text())))
            .toList();
    this.without =
        row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.YES && AnswerJudge.lacks(c).isPresent())
            .toList();
  }

  /**
   * Adds what a sentence says that a cell says the contrary of.
   *
   * @param spoken the texts of all words
   */
  void judge(String sentence, List<Word> all, Set<String> spoken, List<Assertion> found) {
    opposites(sentence, all, found);
    contrary(sentence, all, found);
    if (!describing.isEmpty()) {
      otherwise(sentence, all, found);
    }
    negated(sentence, all, found);
    onlyOne(sentence, found);
    if (!Collections.disjoint(spoken, EVERYTHING)) {
      every(sentence, found);
    }
    lacking(sentence, all, found);
    if (!Collections.disjoint(spoken, NOTHING)) {
      hasNone(sentence, found);
    }
    if (!done.isEmpty()) {
      doneWith(sentence, found);
    }
  }

  /** "Opened by hand" where the cell says that it is automatic. */
  private void opposites(String sentence, List<Word> all, List<Assertion> found) {
    boolean mayBe =
        sentence.contains("can be ")
            || all.stream().anyMatch(w -> OF_OPPOSITES.contains(AnswerJudge.firstPart(w.text())));
    if (!mayBe) {
      return;
    }
    Set<String> stems = Stems.of(sentence);
    for (List<List<String>> sides : OPPOSITES) {
      for (int i = 0; i < 2; i++) {
        List<String> said = sides.get(i);
        List<String> other = sides.get(1 - i);
        int at = first(said, sentence);
        if (at < 0
            || AnswerJudge.first(other, sentence) >= 0
            || answers.isDenied(Clauses.at(sentence, at))) {
          continue;
        }
        row.cells().stream()
            .filter(
                c ->
                    answers.isNamed(c, stems)
                        || Portions.says(c.value(), stems, other)
                        || said.contains(MACHINE) && c.label().contains(CARE))
            .filter(
                c ->
                    AnswerJudge.first(other, c.value()) >= 0
                        && AnswerJudge.first(said, c.value()) < 0)
            .filter(c -> !AnswerJudge.DENYING.matcher(c.value()).find())
            .findFirst()
            .ifPresent(
                c ->
                    found.add(
                        Assertion.of(Kind.ANSWER, sentence, at, sentence.length(), c.words())));
      }
    }
  }

  /** "It packs away small" where the cell that is headed "packed" says bulky. */
  private void contrary(String sentence, List<Word> all, List<Assertion> found) {
    int clause = -1;
    Set<String> stems = Set.of();
    for (Word word : all) {
      // Each number is contrary to "first".
      boolean mayBe = !describing.isEmpty() && !English.tags(word.text()).contains("CD");
      Set<String> contraries = mayBe ? Lexicon.shipped().contraries(word.text()) : Set.of();
      if (contraries.isEmpty()) {
        continue;
      }
      int start = Clauses.start(sentence, word.start());
      if (start != clause) {
        clause = start;
        stems = Stems.of(Clauses.at(sentence, word.start()));
      }
      for (Cell cell : describing) {
        boolean isContrary =
            Words.of(cell.value()).stream().anyMatch(w -> contraries.contains(w.text()))
                && !hasWord(cell, word.text());
        if (isContrary
            && answers.isNamed(cell, stems)
            && !answers.isDenied(sentence, word)
            && !isOfHeading(cell, word)) {
          found.add(Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), cell.words()));
          return;
        }
      }
    }
  }

  /**
   * "Its aroma is mild", "a mild aroma", where the cell that is headed so says nutty, and nothing
   * says mild.
   */
  private void otherwise(String sentence, List<Word> all, List<Assertion> found) {
    for (int i = 1; i < all.size(); i++) {
      String before = all.get(i - 1).text();
      boolean isSaidOf =
          i + 2 < all.size()
              && BEFORE_THING.contains(before)
              && BEING.contains(all.get(i + 1).text())
              && isEndOfSaying(sentence, all, i + 2);
      boolean isBefore =
          i + 1 < all.size()
              && (BEFORE_THING.contains(before) || ONE.contains(before))
              && Clauses.areJoined(sentence, all.get(i), all.get(i + 1))
              && !goesOn(sentence, all, i + 1);
      Word thing = all.get(isBefore ? i + 1 : i);
      Word how = all.get(isSaidOf ? i + 2 : i);
      if (isSaidOf == isBefore || !saysHow(how.text()) || answers.isDenied(sentence, how)) {
        continue;
      }
      describing.stream()
          .filter(c -> c.heading().equals(Set.of(English.stem(thing.text()))))
          .filter(c -> c.said().stream().noneMatch(s -> isAlike(s, how.text())))
          .filter(c -> c.cutOff().stream().noneMatch(how.text()::startsWith))
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, how.start(), how.end(), c.words())));
    }
  }

  /** "A flat roof box": the roof is no thing of its own. */
  private static boolean goesOn(String sentence, List<Word> all, int at) {
    return at + 1 < all.size()
        && Clauses.areJoined(sentence, all.get(at), all.get(at + 1))
        && English.isNoun(all.get(at + 1).text())
        && !English.tags(all.get(at + 1).text()).contains("VBZ");
  }

  private static boolean isEndOfSaying(String sentence, List<Word> all, int at) {
    return at + 1 == all.size()
        || Clauses.end(sentence, all.get(at).end()) <= all.get(at + 1).start();
  }

  /** Whether a word that no cell has says how something is, and not that it is good. */
  private boolean saysHow(String word) {
    JudgeWords words = JudgeWords.shipped();
    boolean isMeasure = words.isMeasure(word) || !words.degrees(Set.of(word)).isEmpty();
    return English.isAdjective(word)
        && (isMeasure || !words.isHarmless(word))
        && !row.hasExactly(word)
        && (isMeasure || !isHeading(word))
        && !row.isInProse(word)
        && (isMeasure || Collections.disjoint(Lexicon.shipped().contraries(word), NOTHING_MUCH));
  }

  /** Whether a cell that doesn't say no is headed by nothing but a word. */
  private boolean isHeading(String word) {
    Set<String> stem = Set.of(English.stem(word));
    return row.cells().stream()
        .anyMatch(c -> c.answer() != Cell.Answer.NO && c.heading().equals(stem));
  }

  private static boolean isAlike(String said, String word) {
    return Row.areOfOneRoot(said, word) || Lexicon.shipped().kin(word).contains(said);
  }

  /** Where one of some words stands; what can be adjusted is adjustable. */
  private static int first(List<String> said, String sentence) {
    int at = AnswerJudge.first(said, sentence);
    if (at >= 0 || said.stream().noneMatch(w -> w.endsWith("able"))) {
      return at;
    }
    Matcher m = CAN_BE.matcher(sentence);
    while (m.find()) {
      if (said.stream().anyMatch(w -> Row.isAbleTo(w, m.group("v").toLowerCase(Locale.ROOT)))) {
        return m.start();
      }
    }
    return -1;
  }

  private static boolean isOfHeading(Cell cell, Word word) {
    return cell.label().contains(English.stem(word.text()));
  }

  /** "Bagless" where a cell says that it is bagged, "scented" where one says unscented. */
  private void negated(String sentence, List<Word> all, List<Assertion> found) {
    for (Word word : all) {
      String w = word.text();
      if (w.length() < SHORTEST_NEGATED
          || !isNegative(w) && !hasNegatives
          || answers.isDenied(Clauses.at(sentence, word.start()))) {
        continue;
      }
      row.cells().stream()
          .filter(c -> saysOpposite(c, w) && !saysAlone(c, w))
          .filter(c -> row.cells().stream().noneMatch(o -> o != c && hasWord(o, w)))
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), c.words())));
    }
  }

  /** Whether a cell has a word by itself: "lead-free" doesn't have lead. */
  private static boolean saysAlone(Cell cell, String word) {
    return cell.said().contains(English.stem(word))
        && Words.of(cell.value()).stream()
            .noneMatch(w -> w.text().endsWith(FREE) && w.text().startsWith(word));
  }

  private static boolean isNegative(String word) {
    return word.endsWith("less")
        || word.endsWith(FREE)
        || word.startsWith("un")
        || word.startsWith("non-");
  }

  private static boolean saysOpposite(Cell cell, String word) {
    String root =
        word.endsWith("less")
            ? word.substring(0, word.length() - 4)
            : word.startsWith("un") && English.isKnown(word.substring(2)) ? word.substring(2) : "";
    boolean isHeaded =
        word.startsWith("un")
            && root.length() >= SHORTEST_ROOT
            && cell.heading().size() == 1
            && cell.heading().stream().anyMatch(h -> isOf(h, root));
    boolean isAffirmed =
        root.length() >= SHORTEST_ROOT
            && cell.answer() != Cell.Answer.NO
            && !AnswerJudge.DENYING.matcher(cell.value()).find()
            && (isHeaded || cell.said().stream().anyMatch(s -> isOf(s, root)));
    return isAffirmed
        || root.isEmpty()
            && List.of("un" + word, "non-" + word, word + "less", word + "-free").stream()
                .anyMatch(n -> hasWord(cell, n));
  }

  /** "Bagged" is of a bag. */
  private static boolean isOf(String said, String root) {
    String doubled = root + root.charAt(root.length() - 1);
    return said.equals(root) || Row.areOfOneRoot(said, root) || said.equals(doubled + "ed");
  }

  private static boolean hasWord(Cell cell, String word) {
    return Words.find(word, cell.value()) >= 0;
  }

  /** "Only faces forwards" where the cell says both. */
  private void onlyOne(String sentence, List<Assertion> found) {
    int at = Words.find("only", sentence);
    if (at < 0) {
      return;
    }
    Set<String> stems = Stems.of(sentence);
    row.cells().stream()
        .filter(
            c ->
                answers.isNamed(c, stems)
                    && AnswerJudge.first(List.of("both", "either", "all"), c.value()) >= 0)
        .findFirst()
        .or(() -> row.cells().stream().filter(c -> namesOneOf(c, stems)).findFirst())
        .ifPresent(c -> found.add(Assertion.of(Kind.ANSWER, sentence, at, at + 4, c.words())));
  }

  /** Whether a sentence has all of one of a cell's alternatives, and nothing of the others. */
  private boolean namesOneOf(Cell cell, Set<String> stems) {
    String[] either = cell.value().split(" ?/ ?| or ");
    if (either.length < 2) {
      return false;
    }
    List<Set<String>> all = Arrays.stream(either).map(Refusals::telling).toList();
    long named = all.stream().filter(a -> !a.isEmpty() && stems.containsAll(a)).count();
    long others =
        all.stream()
            .filter(
                a ->
                    a.stream().anyMatch(s -> s.length() > 1)
                        && a.stream().noneMatch(stems::contains))
            .count();
    return named == 1 && others == all.size() - 1;
  }

  /** "A cable runs to it" of what a cell says is wireless. */
  private void lacking(String sentence, List<Word> all, List<Assertion> found) {
    for (Cell cell : without) {
      String what = AnswerJudge.lacks(cell).orElseThrow();
      all.stream()
          .filter(w -> English.isNoun(w.text()) && Lexicon.shipped().goods(w.text()) > 0)
          .filter(
              w ->
                  English.stem(w.text()).equals(what)
                      || Lexicon.shipped().kin(what).contains(English.stem(w.text())))
          .filter(w -> !answers.isDenied(sentence, w))
          .findFirst()
          .ifPresent(
              w ->
                  found.add(Assertion.of(Kind.ANSWER, sentence, w.start(), w.end(), cell.words())));
    }
  }

  /** "Has no tray", where a cell says yes to a catch tray and none no to another. */
  private void hasNone(String sentence, List<Assertion> found) {
    Matcher m = HAS_NO.matcher(sentence);
    while (m.find()) {
      String stem = English.stem(m.group("w").toLowerCase(Locale.ROOT));
      boolean isRefused =
          row.cells().stream()
              .anyMatch(c -> c.answer() == Cell.Answer.NO && c.label().contains(stem));
      row.cells().stream()
          .filter(c -> !isRefused && c.answer() == Cell.Answer.YES)
          .filter(c -> !AnswerJudge.asksForNone(c))
          .filter(
              c ->
                  c.names().stream().anyMatch(n -> n.size() > 1 && n.contains(stem))
                      && English.stem(English.lastWord(c.title().toLowerCase(Locale.ROOT)))
                          .equals(stem))
          .filter(c -> Lexicon.shipped().goods(stem) > 0)
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, m.start("w"), m.end("w"), c.words())));
    }
  }

  /** "Every airline" where the cell says that most do. */
  private void every(String sentence, List<Assertion> found) {
    Matcher m = EVERY.matcher(sentence);
    while (m.find()) {
      Set<String> of = new HashSet<>(Stems.of(m.group("w")));
      Optional.ofNullable(m.group("next")).map(Stems::of).ifPresent(of::addAll);
      // "Every few weeks" is seldom.
      if (NOT_EVERY.contains(m.group("w").toLowerCase(Locale.ROOT))
          || answers.isDenied(Clauses.at(sentence, m.start()))) {
        continue;
      }
      row.cells().stream()
          .filter(c -> of.stream().anyMatch(s -> c.label().contains(s) || c.said().contains(s)))
          .filter(c -> AnswerJudge.first(NOT_EVERY, c.value()) >= 0)
          .findFirst()
          .ifPresent(
              c ->
                  found.add(Assertion.of(Kind.ANSWER, sentence, m.start(), m.end("w"), c.words())));
    }
  }

  /** "Tanned with oak bark" where the cell that is headed "tanned" says chrome. */
  private void doneWith(String sentence, List<Assertion> found) {
    Matcher m = DONE_WITH.matcher(sentence);
    while (m.find()) {
      String verb = English.stem(m.group("v").toLowerCase(Locale.ROOT));
      int end = Math.min(m.end(), Clauses.end(sentence, m.start("w")));
      Set<String> with =
          Refusals.telling(sentence.substring(m.start("w"), Math.max(m.start("w"), end)));
      boolean isDenied = answers.isDenied(Clauses.at(sentence, m.start()));
      done.stream()
          .filter(
              c -> !isDenied && c.cutOff().isEmpty() && c.title().equalsIgnoreCase(m.group("v")))
          .filter(c -> c.names().stream().anyMatch(n -> n.equals(Set.of(verb))))
          .filter(c -> !with.isEmpty() && with.stream().noneMatch(s -> isSaidIn(c, s)))
          .findFirst()
          .ifPresent(
              c -> found.add(Assertion.of(Kind.ANSWER, sentence, m.start(), end, c.words())));
    }
  }

  private static boolean isSaidIn(Cell cell, String stem) {
    return cell.said().stream()
        .anyMatch(
            s ->
                s.equals(stem)
                    || Row.areOfOneRoot(s, stem)
                    || s.startsWith(stem)
                    || stem.startsWith(s)
                    || Lexicon.shipped().isKindOf(s, stem)
                    || Lexicon.shipped().kin(stem).contains(s));
  }
}
