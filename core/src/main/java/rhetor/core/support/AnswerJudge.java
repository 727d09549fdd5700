package rhetor.core.support;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Holds what a sentence affirms or denies, and how much of it there is, against a row's cells. */
final class AnswerJudge {
  private static final Pattern DENIAL =
      Pattern.compile(
          "(?i)\\b(?:no|without|free (?:from|of)|contains? no|neither|nor)\\b(?: (?:traces of|any|added|a|an))? (?<w>\\p{L}+)");
  private static final Pattern DENYING = Pattern.compile("(?i)\\b(?:no|not|none|free|without)\\b");

  private static final Pattern AS_STANDARD =
      Pattern.compile(
          "(?i)\\b(?:included|includes|comes with|supplied|fitted|built[- ]in|as standard|in the box)\\b");

  private static final Pattern AS_OPTION =
      Pattern.compile(
          "(?i)\\b(?:optional(?:ly)?|opt\\.|on request|sold separately|separately|extra)(?!\\p{L})");

  private final Row row;
  private final JudgeWords words = JudgeWords.shipped();

  AnswerJudge(Row row) {
    this.row = row;
  }

  /**
   * What is affirmed where a cell says no, denied where one says yes, or said in another degree.
   */
  void judge(String sentence, List<Word> all, List<Assertion> found) {
    answers(sentence, all, found);
    denials(sentence, found);
    options(sentence, found);
    degrees(sentence, found);
  }

  private void answers(String sentence, List<Word> all, List<Assertion> found) {
    Set<String> stems = Stems.of(sentence);
    for (Cell cell : row.cells()) {
      if (cell.answer() == Cell.Answer.NEITHER || !isNamed(cell, stems)) {
        continue;
      }
      Optional<Word> named =
          all.stream()
              .filter(w -> !words.isHarmless(w.text()) && isNamed(cell, w, sentence))
              .findFirst();
      if (named.isPresent()) {
        Word word = named.get();
        // "Grain-free" is what a column says that is headed so.
        boolean isFree = word.text().endsWith("-free") && isNamed(cell, word, word.text());
        boolean isDenied =
            !isFree && (isDenied(Clauses.at(sentence, word.start())) || hasNone(all));
        if (isDenied == (cell.answer() == Cell.Answer.YES)) {
          found.add(Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), cell.words()));
        }
      }
    }
  }

  private static boolean hasNone(List<Word> all) {
    return all.stream().anyMatch(w -> w.text().equals("none"));
  }

  private boolean isNamed(Cell cell, Set<String> stems) {
    return cell.names().stream().anyMatch(n -> n.stream().allMatch(s -> row.isAmong(s, stems)));
  }

  /** Whether a word is of a name of the cell whose other words stand in the sentence too. */
  private boolean isNamed(Cell cell, Word word, String sentence) {
    Set<String> stems = Stems.of(sentence);
    Set<String> own = Stems.of(word.text());
    return cell.names().stream()
        .anyMatch(
            n ->
                n.stream().anyMatch(s -> row.isAmong(s, own))
                    && n.stream().allMatch(s -> row.isAmong(s, stems)));
  }

  /** "No caffeine", "free from mustard", where a cell has some. */
  private void denials(String sentence, List<Assertion> found) {
    Matcher m = DENIAL.matcher(sentence);
    while (m.find()) {
      String stem = English.stem(m.group("w").toLowerCase(Locale.ROOT));
      if (words.isHarmless(stem)) {
        continue;
      }
      row.cells().stream()
          .filter(c -> c.answer() == Cell.Answer.NEITHER)
          .filter(
              c ->
                  c.said().contains(stem)
                      || c.names().stream()
                          .anyMatch(
                              n -> n.size() == 1 && row.isAmong(n.iterator().next(), Set.of(stem))))
          .filter(c -> !DENYING.matcher(c.words()).find())
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, m.start("w"), m.end("w"), c.words())));
    }
  }

  /** "A pickup is fitted as standard" where the cell says that it is optional. */
  private void options(String sentence, List<Assertion> found) {
    Matcher m = AS_STANDARD.matcher(sentence);
    if (!m.find() || AS_OPTION.matcher(sentence).find()) {
      return;
    }
    Set<String> stems = Stems.of(sentence);
    row.cells().stream()
        .filter(
            c ->
                AS_OPTION.matcher(c.words().substring(c.words().indexOf(':') + 1)).find()
                    && isNamed(c, stems))
        .findFirst()
        .ifPresent(
            c -> found.add(Assertion.of(Kind.ANSWER, sentence, m.start(), m.end(), c.words())));
  }

  /** "High in caffeine" where the cell says medium. */
  private void degrees(String sentence, List<Assertion> found) {
    Set<String> stems = Stems.of(sentence);
    Set<String> spoken = words.degrees(stems);
    if (spoken.size() != 1) {
      return;
    }
    for (Cell cell : row.cells()) {
      Set<String> said = words.degrees(cell.said());
      if (said.size() == 1 && isNamed(cell, stems) && !said.equals(spoken)) {
        found.add(Assertion.of(Kind.PROPERTY, sentence, 0, sentence.length(), cell.words()));
        return;
      }
    }
  }

  /** Whether a clause denies what it speaks of. */
  boolean isDenied(String clause) {
    return Words.of(clause).stream()
        .anyMatch(w -> words.is("negation", w.text()) || w.text().endsWith("-free"));
  }
}
