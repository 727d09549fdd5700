package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.language.English;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/**
 * Tells what a cell says of one thing from what it says of another: of "lid maple, base cork" the
 * base is no maple.
 */
final class Portions {
  private static final Pattern ENDS =
      Pattern.compile("(?:\\s*(?:[;/]|,(?!\\d))\\s*|\\s+and\\s+)(?![^(]*\\))");

  /** "The lid is", "its base goes". */
  private static final Pattern SUBJECT =
      Pattern.compile(
          "(?i)\\b(?:the|its|their)(?: \\p{L}+)?? (?<s>\\p{L}{3,}) (?:is|are|has|have|goes|go|comes|takes|may|can|could|should|must)\\b");

  private static final int LONGEST = 400;

  /** "Maple" alone is said of no part. */
  private static final int FEWEST_WORDS = 2;

  /**
   * What stands between two signs that part a cell.
   *
   * @param stems of all that says something
   * @param things stems of its first and its last noun, one of which it is said of
   */
  private record Portion(Set<String> stems, Set<String> things) {}

  private record Parted(Cell cell, List<Portion> portions) {}

  private static final Memo<List<Portion>> PORTIONS = new Memo<>(Portions::find, LONGEST);

  private final List<Parted> cells = new ArrayList<>();
  private final Row row;
  private final WordKinds kinds;

  Portions(Row row, WordKinds kinds) {
    this.row = row;
    this.kinds = kinds;
    for (Cell cell : row.cells()) {
      List<Portion> portions =
          cell.answer() == Cell.Answer.NEITHER && cell.parts() > 1
              ? PORTIONS.of(cell.value())
              : List.of();
      if (portions.size() > 1) {
        cells.add(new Parted(cell, portions));
      }
    }
  }

  private static List<Portion> find(String value) {
    List<Portion> portions = new ArrayList<>();
    for (String piece : ENDS.split(value.strip())) {
      List<String> telling =
          Words.of(piece).stream().map(Word::text).filter(Portions::isTelling).toList();
      List<String> nouns =
          telling.stream().filter(English::isNoun).map(English::stem).distinct().toList();
      if (telling.size() >= FEWEST_WORDS && !nouns.isEmpty()) {
        Set<String> stems = new HashSet<>();
        telling.forEach(w -> stems.add(English.stem(w)));
        Set<String> things = new HashSet<>(List.of(nouns.getFirst()));
        things.add(nouns.getLast());
        portions.add(new Portion(stems, things));
      }
    }
    return portions;
  }

  private static boolean isTelling(String word) {
    return word.length() > 2 && !JudgeWords.shipped().isFunction(word);
  }

  /** Whether a portion of a cell speaks of a thing that is spoken of, and has one of some words. */
  static boolean says(String value, Set<String> spoken, List<String> oneOf) {
    return value.length() < LONGEST
        && PORTIONS.of(value).stream()
            .filter(p -> p.things.stream().anyMatch(spoken::contains))
            .anyMatch(p -> oneOf.stream().map(English::stem).anyMatch(p.stems::contains));
  }

  /**
   * What a sentence says of one thing, and a cell of another.
   *
   * @param isDenied whether a clause denies what it speaks of
   */
  void judge(String sentence, Predicate<String> isDenied, List<Assertion> found) {
    if (cells.isEmpty()) {
      return;
    }
    Matcher m = SUBJECT.matcher(sentence);
    while (m.find()) {
      int end = Clauses.end(sentence, m.end());
      String clause = sentence.substring(m.start(), end);
      if (isDenied.test(clause)) {
        continue;
      }
      String subject = English.stem(m.group("s").toLowerCase(Locale.ROOT));
      int from = m.end();
      Words.of(sentence).stream()
          .filter(w -> w.start() >= from && w.end() <= end && isTelling(w.text()))
          .forEach(
              w ->
                  ofAnother(subject, w.text(), Stems.of(clause))
                      .ifPresent(c -> found.add(held(sentence, w, c))));
    }
  }

  private Assertion held(String sentence, Word word, Cell cell) {
    boolean isStuff = kinds.made(word.text()).filter(k -> k == Kind.MATERIAL).isPresent();
    return Assertion.of(
        isStuff ? Kind.MATERIAL : Kind.PROPERTY, sentence, word.start(), word.end(), cell.words());
  }

  /** The only cell that has a word, if it has it of something that isn't spoken of. */
  private Optional<Cell> ofAnother(String subject, String word, Set<String> spoken) {
    String stem = English.stem(word);
    if (stem.equals(subject) || JudgeWords.shipped().isHarmless(word)) {
      return Optional.empty();
    }
    List<Cell> having = row.cells().stream().filter(c -> c.said().contains(stem)).toList();
    return cells.stream()
        .filter(p -> having.equals(List.of(p.cell)))
        .filter(p -> p.portions.stream().anyMatch(q -> q.things.contains(subject)))
        .filter(p -> having(p, stem).allMatch(q -> isOfAnother(q, subject, stem, spoken)))
        .map(Parted::cell)
        .findFirst();
  }

  private static Stream<Portion> having(Parted cell, String stem) {
    return cell.portions.stream().filter(q -> q.stems.contains(stem));
  }

  private static boolean isOfAnother(
      Portion portion, String subject, String stem, Set<String> spoken) {
    return !portion.stems.contains(subject)
        && portion.things.stream().anyMatch(t -> !t.equals(stem) && !spoken.contains(t));
  }
}
