package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** What parts of a row's cells say no to: "hood detachable; taped seams NO". */
final class Refusals {
  /** "Taped seams NO (critical only)": a part of a cell that says no. */
  private static final Pattern REFUSED =
      Pattern.compile(
          "(?:^|[,;])\\s*(?<x>\\p{L}[\\p{L} -]{2,40}?)[ :=]+(?i:NO|N|none|✗)(?: ?\\((?<but>[^)]*)\\))?\\s*(?=[,;]|$)");

  /** "NOT single protein", "no built-in light". */
  private static final Pattern REFUSED_TOO =
      Pattern.compile(
          "(?i)\\b(?:not|no|without) (?:an? |(?:suitable |intended |recommended )?for (?:the )?)?(?<x>[\\p{L}-]{3,} [\\p{L}-]{3,})(?<but>)\\s*(?=[,;.!)]|$)");

  /** "The only protein" says that it is a single one. */
  private static final Pattern ONLY = Pattern.compile("(?i)\\b(?:the only|sole|solely|alone)\\b");

  /**
   * What a part of a cell says no to.
   *
   * @param what stems of what it is
   * @param but stems of what it says yes to all the same
   */
  private record Refusal(Set<String> what, Set<String> but, Cell cell) {}

  private final Row row;
  private final List<Refusal> refusals;

  Refusals(Row row) {
    this.row = row;
    this.refusals = found(row.cells());
  }

  private static List<Refusal> found(List<Cell> cells) {
    List<Refusal> all = new ArrayList<>();
    for (Cell cell : cells) {
      if (cell.answer() == Cell.Answer.NEITHER) {
        for (Pattern pattern : List.of(REFUSED, REFUSED_TOO)) {
          Matcher m = pattern.matcher(cell.words().substring(cell.words().indexOf(':') + 1));
          while (m.find()) {
            Set<String> what = telling(m.group("x"));
            if (!what.isEmpty()) {
              String but = m.group("but");
              all.add(new Refusal(what, but == null ? Set.of() : telling(but), cell));
            }
          }
        }
      }
    }
    return all;
  }

  /** The stems of words that do more than join others. */
  static Set<String> telling(String text) {
    return Words.of(text).stream()
        .filter(w -> !JudgeWords.shipped().isFunction(w.text()))
        .map(w -> English.stem(w.text()))
        .collect(Collectors.toSet());
  }

  /**
   * "Every seam is taped" where a part of a cell says no to that.
   *
   * @param isDenied whether a clause denies what it speaks of
   */
  void judge(String sentence, List<Word> all, Predicate<String> isDenied, List<Assertion> found) {
    if (refusals.isEmpty()) {
      return;
    }
    Set<String> stems = new HashSet<>(Stems.of(sentence));
    if (ONLY.matcher(sentence).find()) {
      stems.addAll(Stems.of("single"));
    }
    for (Refusal refusal : refusals) {
      boolean isSpokenOf = refusal.what.stream().allMatch(s -> row.isAmong(s, stems));
      if (isSpokenOf && refusal.but.stream().noneMatch(stems::contains)) {
        all.stream()
            .filter(w -> refusal.what.stream().anyMatch(s -> row.isAmong(s, Stems.of(w.text()))))
            .findFirst()
            .filter(w -> !isDenied.test(Clauses.at(sentence, w.start())))
            .ifPresent(
                w ->
                    found.add(
                        Assertion.of(
                            Kind.ANSWER, sentence, w.start(), w.end(), refusal.cell.words())));
      }
    }
  }
}
