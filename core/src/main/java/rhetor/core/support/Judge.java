package rhetor.core.support;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/**
 * Says of any sentence about a product, whoever wrote it, what in it no public cell bears out and
 * what a cell contradicts.
 */
public final class Judge {
  private static final int LONGEST = 800;

  private final NumberJudge numbers;
  private final AnswerJudge answers;
  private final ContraryJudge contraries;
  private final Portions portions;
  private final WordJudge words;
  private final PresenceJudge presence;
  private final StrongClaims strong;
  private final List<String> said;
  private final OpenWords weights;
  private final Nearness nearness;

  /** A judge that asks no sentence model, for many texts at once. */
  public Judge(ProductFacts product, Knowledge knowledge) {
    this(product, knowledge, Nearness.NONE);
  }

  /** A judge of texts about a product; what the model says of a sentence is remembered. */
  public Judge(ProductFacts product, Knowledge knowledge, Nearness nearness) {
    this(product, knowledge, nearness, OpenWords.shipped());
  }

  Judge(ProductFacts product, Knowledge knowledge, Nearness nearness, OpenWords weights) {
    Row row = new Row(product, knowledge);
    this.said = row.said();
    this.nearness = nearness;
    this.weights = weights;
    this.numbers = new NumberJudge(row, product, knowledge);
    this.answers = new AnswerJudge(row);
    this.contraries = new ContraryJudge(row, answers);
    this.words = new WordJudge(row, answers, knowledge);
    this.presence = new PresenceJudge(row, answers);
    this.strong = new StrongClaims(row);
    this.portions = new Portions(row, knowledge.index(WordKinds.class, WordKinds::new));
  }

  /** What a sentence states that no cell bears out, or that one contradicts, in its order. */
  public List<Assertion> judge(String sentence) {
    return judge(sentence, Words.of(sentence));
  }

  /**
   * What a sentence states that no cell bears out, or that one contradicts, in its order.
   *
   * @param all its words, for callers that have them
   */
  public List<Assertion> judge(String sentence, List<Word> all) {
    if (sentence.length() > LONGEST) {
      return inPieces(sentence, this::judge);
    }
    List<Assertion> found = all(sentence, all);
    boolean isHeld = found.stream().anyMatch(Assertion::isHeld);
    // A sentence that can't stand needn't be asked about word by word.
    if (isHeld || isWorthless(sentence, all, found)) {
      found.removeIf(a -> a.kind() == Kind.OPEN);
    }
    return found;
  }

  /**
   * What of a sentence is held against the shop by itself: all but words that stand nowhere, where
   * somebody answers for the wording. No sentence model is asked.
   *
   * @param all its words
   */
  public List<Assertion> held(String sentence, List<Word> all) {
    if (sentence.length() > LONGEST) {
      return inPieces(sentence, piece -> held(piece, Words.of(piece)));
    }
    List<Assertion> found = all(sentence, all);
    found.removeIf(a -> a.kind() == Kind.OPEN);
    return found;
  }

  private List<Assertion> all(String sentence, List<Word> all) {
    List<Assertion> found = new ArrayList<>();
    Set<String> spoken = new HashSet<>();
    all.forEach(w -> spoken.add(w.text()));
    numbers.judge(sentence, spoken, found);
    answers.judge(sentence, all, found);
    contraries.judge(sentence, all, spoken, found);
    portions.judge(sentence, answers::isDenied, found);
    words.judge(sentence, all, spoken, found);
    presence.judge(sentence, all, found);
    strong.judge(sentence, spoken, found);
    found.sort(Comparator.comparingInt(Assertion::start));
    return joined(sentence, found);
  }

  /** Words side by side that are held against the same are one: "laptop sleeve". */
  private static List<Assertion> joined(String sentence, List<Assertion> found) {
    List<Assertion> joined = new ArrayList<>();
    for (Assertion next : found) {
      Assertion last = joined.isEmpty() ? null : joined.getLast();
      boolean isOfLast =
          last != null
              && last.kind() == next.kind()
              && last.kind() != Kind.OPEN
              && last.kind() != Kind.NUMBER
              && next.start() - last.end() == 1
              && last.against().equals(next.against());
      if (isOfLast) {
        joined.set(
            joined.size() - 1,
            Assertion.of(last.kind(), sentence, last.start(), next.end(), last.against()));
      } else {
        joined.add(next);
      }
    }
    return joined;
  }

  /**
   * Of a sentence without an end each piece is judged by itself: time doesn't grow with its square.
   */
  private static List<Assertion> inPieces(
      String sentence, Function<String, List<Assertion>> judge) {
    List<Assertion> all = new ArrayList<>();
    for (int from = 0; from < sentence.length(); ) {
      int to = Math.min(sentence.length(), from + LONGEST);
      int space = to < sentence.length() ? sentence.lastIndexOf(' ', to) : to;
      to = space > from ? space : to;
      for (Assertion a : judge.apply(sentence.substring(from, to))) {
        all.add(a.movedBy(from));
      }
      from = to;
    }
    return all;
  }

  /** Whether the words that stand nowhere in the row are mild ones, or say it otherwise. */
  private boolean isWorthless(String sentence, List<Word> all, List<Assertion> found) {
    return found.stream().anyMatch(a -> a.kind() == Kind.OPEN)
        && !weights.isWorthALook(features(sentence, all, found));
  }

  private OpenWords.Features features(String sentence, List<Word> all, List<Assertion> found) {
    List<String> open =
        found.stream()
            .filter(a -> a.kind() == Kind.OPEN)
            .map(a -> a.words().toLowerCase(Locale.ROOT))
            .toList();
    return OpenWords.Features.of(sentence, open, all.size(), said, nearness);
  }

  /** What is known of a sentence of which nothing is held against the shop; nothing of others. */
  Optional<OpenWords.Features> features(String sentence) {
    List<Word> all = Words.of(sentence);
    List<Assertion> found = all(sentence, all);
    boolean isOpen = found.stream().allMatch(a -> a.kind() == Kind.OPEN);
    return isOpen ? Optional.of(features(sentence, all, found)) : Optional.empty();
  }
}
