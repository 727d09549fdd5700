package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
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

  /** "Baskets for snow sold separately", "stand not included": what isn't there at first. */
  private static final Pattern LEFT_OUT =
      Pattern.compile(
          "(?i)(?:^|[,;.(])\\s*(?<x>\\p{L}[\\p{L} -]{2,40}?) (?:is |are )?(?:not (?:included|supplied|incl\\.?)|(?:sold |available |ordered )?separately|excluded|excl\\.?)(?<but>)\\s*(?=[,;.()]|$)");

  /** "Not for peanuts", "no honey": what it is no use for. */
  private static final Pattern NOT_FOR =
      Pattern.compile(
          "(?i)(?:^|[,;.])\\s*(?:not(?: for)?|no|never)(?: the)? (?<x>\\p{L}{4,})(?<but>)\\s*(?=[,;.(]|$)");

  /** A heading over what a thing is not for. */
  private static final Pattern HEADS_NOT_FOR =
      Pattern.compile("(?i)(?:not|never|unsuitable|no)(?: suitable| intended| recommended)? for");

  private static final Pattern ITEM = Pattern.compile("\\s*[,;/]\\s*");

  private static final List<Pattern> PATTERNS = List.of(REFUSED, REFUSED_TOO, LEFT_OUT, NOT_FOR);

  /** What is done with a thing. */
  private static final Pattern USED =
      Pattern.compile(
          "(?i)\\b(?:fill|fills|use|uses|put|feed|takes?|suits?|goes|go|works?|made for|meant for|ideal|perfect|good|safe|fits?|may|can|for)\\b");

  /** "The only protein" says that it is a single one. */
  private static final Pattern ONLY = Pattern.compile("(?i)\\b(?:the only|sole|solely|alone)\\b");

  /**
   * What a part of a cell says no to.
   *
   * @param what stems of what it is
   * @param but stems of what it says yes to all the same
   * @param by how it says no
   */
  private record Refusal(Set<String> what, Set<String> but, Pattern by, Cell cell) {}

  private final Row row;
  private final List<Refusal> refusals;

  Refusals(Row row) {
    this.row = row;
    this.refusals = found(row.cells());
  }

  private static List<Refusal> found(List<Cell> cells) {
    List<Refusal> all = new ArrayList<>();
    for (Cell cell : cells) {
      if (HEADS_NOT_FOR.matcher(cell.title()).matches()) {
        ITEM.splitAsStream(cell.value().strip())
            .map(Refusals::telling)
            .filter(what -> !what.isEmpty())
            .forEach(what -> all.add(new Refusal(what, Set.of(), HEADS_NOT_FOR, cell)));
      }
      boolean isAnswer = cell.answer() != Cell.Answer.NEITHER;
      for (Pattern pattern : isAnswer ? List.of(LEFT_OUT, NOT_FOR) : PATTERNS) {
        Matcher m = pattern.matcher(cell.value());
        while (m.find()) {
          Set<String> what = telling(m.group("x"));
          if (!what.isEmpty()) {
            String but = m.group("but");
            all.add(new Refusal(what, but == null ? Set.of() : telling(but), pattern, cell));
          }
        }
      }
    }
    return all;
  }

  /** Whether a part of a cell says no to it. */
  boolean isOf(String stem) {
    return refusals.stream().anyMatch(r -> r.what.contains(stem));
  }

  /** The cell that says of a thing that it doesn't come with it. */
  Optional<Cell> leavingOut(String stem) {
    return refusals.stream()
        .filter(r -> r.by == LEFT_OUT && r.what.equals(Set.of(stem)))
        .map(Refusal::cell)
        .findFirst();
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
            .filter(w -> isAffirmed(refusal, Clauses.at(sentence, w.start())))
            .ifPresent(
                w ->
                    found.add(
                        Assertion.of(
                            Kind.ANSWER, sentence, w.start(), w.end(), refusal.cell.words())));
      }
    }
  }

  /** Whether a clause says that what is left out is there, or what it is not for may be used. */
  private static boolean isAffirmed(Refusal refusal, String clause) {
    if (refusal.by == LEFT_OUT) {
      return JudgeWords.shipped().of("inclusion").stream()
          .anyMatch(w -> Words.find(w, clause) >= 0);
    }
    return refusal.by != NOT_FOR || USED.matcher(clause).find();
  }
}
