package rhetor.app.grammar;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import rhetor.app.house.Sha256;
import rhetor.core.check.GrammarCheck;
import rhetor.core.check.GrammarCheck.Mistake;
import rhetor.core.check.Mark;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Field;
import rhetor.core.style.Spelling;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * Grammar and spelling of texts: what is known of their sentences at once, and what is not in the
 * background. The checker takes much room, so it is there only while there is something to check.
 */
@Service
public class Grammar {
  /** Fields that are written in sentences. */
  private static final List<Field> PROSE =
      List.of(Field.SHORT_DESCRIPTION, Field.DESCRIPTION, Field.META_DESCRIPTION);

  private final GrammarStore store;
  private Spelling loaded;
  private GrammarCheck checker;

  Grammar(GrammarStore store) {
    this.store = store;
  }

  /** A sentence with its place. */
  private record Placed(Field field, int index, String text, String hash) {}

  private static List<Placed> sentences(Draft draft, Spelling spelling) {
    List<Placed> placed = new ArrayList<>();
    for (Field field : PROSE) {
      int index = 0;
      for (Block block : draft.blocks(field)) {
        for (Sentence sentence : block.sentences()) {
          if (block.kind() == Block.Kind.PARAGRAPH) {
            placed.add(new Placed(field, index, sentence.text(), hash(sentence.text(), spelling)));
          }
          index++;
        }
      }
    }
    return placed;
  }

  private static String hash(String sentence, Spelling spelling) {
    return Sha256.hex(spelling.name() + "\n" + sentence);
  }

  /** What is known to be wrong with a draft; sentences that nobody has checked yet have nothing. */
  public List<Mark> marks(Draft draft, Spelling spelling) {
    List<Placed> sentences = sentences(draft, spelling);
    Map<String, List<Mistake>> found =
        store.found(sentences.stream().map(Placed::hash).distinct().toList());
    List<Mark> marks = new ArrayList<>();
    for (Placed sentence : sentences) {
      for (Mistake mistake : found.getOrDefault(sentence.hash, List.of())) {
        marks.add(mark(sentence, mistake));
      }
    }
    return marks;
  }

  private static Mark mark(Placed sentence, Mistake mistake) {
    String words = sentence.text.substring(mistake.start(), mistake.end());
    String fix =
        mistake.instead().isEmpty()
            ? ""
            : sentence.text.substring(0, mistake.start())
                + mistake.instead()
                + sentence.text.substring(mistake.end());
    return new Mark(
        Mark.Weight.WEIGH,
        "grammar",
        sentence.field,
        sentence.index,
        words,
        mistake.spelling()
            ? "\"%s\" is in no dictionary%s."
                .formatted(
                    words,
                    mistake.instead().isEmpty()
                        ? ""
                        : "; perhaps \"" + mistake.instead() + "\" is meant")
            : mistake.message(),
        fix);
  }

  /** Products whose text that counts has not been checked, the newest text first. */
  public List<Long> unchecked(int limit) {
    return store.unchecked(limit);
  }

  /**
   * Checks those of a text's sentences that are new, and keeps what was found.
   *
   * @return whether anything was found in it
   */
  public synchronized boolean check(
      long text, Draft draft, ProductFacts product, Spelling spelling) {
    List<Placed> sentences = sentences(draft, spelling);
    Map<String, List<Mistake>> found =
        store.found(sentences.stream().map(Placed::hash).distinct().toList());
    boolean any = found.values().stream().anyMatch(m -> !m.isEmpty());
    String own = own(product);
    for (Placed sentence : sentences) {
      if (!found.containsKey(sentence.hash)) {
        List<Mistake> mistakes = checker(spelling).of(sentence.text, own);
        store.put(sentence.hash, mistakes);
        found.put(sentence.hash, mistakes);
        any |= !mistakes.isEmpty();
      }
    }
    store.checked(text);
    return any;
  }

  /** The product's names and data in one text. */
  private static String own(ProductFacts product) {
    StringBuilder own = new StringBuilder(product.name()).append('\n').append(product.kindNoun());
    for (Fact fact : product.facts()) {
      fact.sources().forEach(s -> own.append('\n').append(s.raw()));
    }
    return own.toString();
  }

  private GrammarCheck checker(Spelling spelling) {
    if (checker == null || loaded != spelling) {
      checker = new GrammarCheck(spelling);
      loaded = spelling;
    }
    return checker;
  }

  /** Leaves a text unchecked for good. */
  public void leave(long text) {
    store.checked(text);
  }

  /** Has all texts looked at again: another English may hold; what is known of a sentence stays. */
  public void again() {
    store.forgetTexts();
  }

  /** Lets the checker go until there is something to check again. */
  public synchronized void rest() {
    checker = null;
  }
}
