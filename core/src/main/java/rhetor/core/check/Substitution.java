package rhetor.core.check;

import java.util.ArrayList;
import java.util.List;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * Words to be put in the place of others, wherever those stand as whole words.
 *
 * @param words what is looked for, in whatever case; never empty
 * @param instead what takes its place; empty if nothing does
 */
public record Substitution(String words, String instead) {
  /**
   * @throws IllegalArgumentException if nothing is looked for
   */
  public Substitution {
    words = words.strip();
    instead = instead.strip();
    if (words.isEmpty()) {
      throw new IllegalArgumentException("nothing is looked for");
    }
  }

  /**
   * The draft with the words put in; what each sentence rests on stays.
   *
   * @param name of the product: it stays, unless all of it is looked for
   */
  public Draft in(Draft draft, String name) {
    Draft changed = draft;
    for (Field field : draft.fields().keySet()) {
      List<Block> blocks = draft.blocks(field).stream().map(b -> in(b, name)).toList();
      if (!blocks.equals(draft.blocks(field))) {
        changed =
            changed.with(field, blocks.stream().filter(b -> !b.sentences().isEmpty()).toList());
      }
    }
    return changed;
  }

  private Block in(Block block, String name) {
    List<Sentence> sentences = new ArrayList<>();
    for (Sentence sentence : block.sentences()) {
      String text = in(sentence.text(), name);
      if (text.equals(sentence.text())) {
        sentences.add(sentence);
      } else if (text.chars().anyMatch(Character::isLetterOrDigit)) {
        sentences.add(new Sentence(text, sentence.support()));
      }
    }
    return new Block(block.kind(), sentences);
  }

  /**
   * A sentence with the words put in: capitals stay where they were, an article before them goes
   * with them, and no space is left over.
   *
   * @param name of the product: it stays, unless all of it is looked for
   */
  public String in(String sentence, String name) {
    StringBuilder changed = new StringBuilder();
    String rest = sentence;
    for (int at = Words.find(words, rest); at >= 0; at = Words.find(words, rest)) {
      if (isInName(sentence, sentence.length() - rest.length() + at, name)) {
        changed.append(rest, 0, at + words.length());
        rest = rest.substring(at + words.length());
        continue;
      }
      changed.append(rest, 0, at);
      boolean isCapital = Character.isUpperCase(rest.charAt(at)) && !isNamed();
      boolean isStart = changed.isEmpty();
      rest = rest.substring(at + words.length());
      if (instead.isEmpty()) {
        rest = isStart ? English.capitalise(rest.stripLeading()) : withoutGap(changed, rest);
      } else {
        resolveArticle(changed);
        changed.append(isCapital ? English.capitalise(instead) : instead);
      }
    }
    return changed.append(rest).toString().strip();
  }

  private boolean isInName(String sentence, int at, String name) {
    if (name.length() <= words.length()) {
      return false;
    }
    for (int from = Math.max(0, at + words.length() - name.length()); from <= at; from++) {
      if (sentence.regionMatches(true, from, name, 0, name.length())) {
        return true;
      }
    }
    return false;
  }

  /** Words that are looked for with a capital are a name; what takes its place stands as typed. */
  private boolean isNamed() {
    return Character.isUpperCase(words.charAt(0));
  }

  private static String withoutGap(StringBuilder before, String after) {
    boolean isSpaced = before.charAt(before.length() - 1) == ' ';
    boolean isClosed = after.isEmpty() || ",.;:!?".indexOf(after.charAt(0)) >= 0;
    if (isSpaced && isClosed) {
      before.setLength(before.length() - 1);
      boolean isLeft = !before.isEmpty() && before.charAt(before.length() - 1) == ',';
      before.setLength(before.length() - (isLeft ? 1 : 0));
    }
    return isSpaced && !isClosed ? after.stripLeading() : after;
  }

  /** "A bag" becomes "an item", and "an item" becomes "a bag". */
  private void resolveArticle(StringBuilder before) {
    String text = before.toString();
    String last = English.lastWord(text.strip());
    boolean isArticle = last.equalsIgnoreCase("a") || last.equalsIgnoreCase("an");
    if (isArticle && text.endsWith(last + " ")) {
      String article = English.article(English.firstWord(instead));
      before.setLength(text.length() - last.length() - 1);
      before
          .append(Character.isUpperCase(last.charAt(0)) ? English.capitalise(article) : article)
          .append(' ');
    }
  }
}
