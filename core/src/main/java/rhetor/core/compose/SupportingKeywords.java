package rhetor.core.compose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.language.English;
import rhetor.core.say.en.Echo;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.Subject;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Puts supporting keywords where a description speaks of "the pannier": "The touring pannier has
 * two pockets." Where grammar gives no such place, or facts don't bear a keyword out, it isn't
 * forced.
 */
final class SupportingKeywords {
  /** Sentences that begin so speak of the product itself, whatever stood before. */
  private static final Pattern PRONOUN =
      Pattern.compile(
          "^(?:It|They)(?= (?:has|have|weighs?|measures?|comes?|holds?|carr(?:y|ies)|mounts?|shuts?|closes?|takes?|fits?|is made|are made|is meant|are meant)\\b)");

  private final List<KeywordUse> uses;
  private final Subject subject;

  SupportingKeywords(List<KeywordUse> uses, Subject subject) {
    this.uses = uses.stream().filter(use -> use.usable() && !use.nounPhrase().isEmpty()).toList();
    this.subject = subject;
  }

  /** The description with each keyword once; its first sentence has the primary one. */
  List<Block> in(List<Block> description) {
    List<Block> blocks = description;
    Set<Integer> taken = new HashSet<>(Set.of(0));
    for (KeywordUse use : uses) {
      if (KeywordMatch.find(use.keyword(), Draft.text(blocks)).form()
          == KeywordMatch.Form.MISSING) {
        blocks = with(use, blocks, taken);
      }
    }
    return blocks;
  }

  private List<Block> with(KeywordUse use, List<Block> blocks, Set<Integer> taken) {
    for (Pattern place : List.of(noun(), PRONOUN)) {
      List<Block> changed = new ArrayList<>();
      int index = 0;
      boolean placed = false;
      for (Block block : blocks) {
        List<Sentence> sentences = new ArrayList<>();
        for (Sentence sentence : block.sentences()) {
          boolean free = block.kind() == Block.Kind.PARAGRAPH && !taken.contains(index);
          Sentence now = !placed && free ? named(sentence, use, place) : sentence;
          if (now != sentence) {
            placed = true;
            taken.add(index);
          }
          sentences.add(now);
          index++;
        }
        changed.add(new Block(block.kind(), sentences));
      }
      if (placed) {
        return changed;
      }
    }
    return blocks;
  }

  private Pattern noun() {
    return subject.noun().isEmpty()
        ? PRONOUN
        : Pattern.compile(
            "(?<!\\p{L})[Tt]he %s(?![\\p{L}’'-])".formatted(Pattern.quote(subject.noun())));
  }

  /** The sentence with the keyword for the product; itself if it says the same already. */
  private Sentence named(Sentence sentence, KeywordUse use, Pattern place) {
    Matcher there = place.matcher(sentence.text());
    String own = use.nounPhrase().toLowerCase(Locale.ROOT).replace(subject.noun(), "");
    if (!there.find() || Echo.overlaps(own, sentence.text())) {
      return sentence;
    }
    String the = Character.isUpperCase(there.group().charAt(0)) ? "The " : "the ";
    String text =
        sentence.text().substring(0, there.start())
            + the
            + use.nounPhrase()
            + sentence.text().substring(there.end());
    List<Support> support = new ArrayList<>(sentence.support());
    support.add(Support.keyword(use.keyword()));
    return new Sentence(English.capitalise(text), support);
  }
}
