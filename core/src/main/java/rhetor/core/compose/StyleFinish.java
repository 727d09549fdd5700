package rhetor.core.compose;

import java.util.ArrayList;
import java.util.List;
import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.HouseWords;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Puts composed text as the house says it: replaced words, its spelling, its own sentences. */
final class StyleFinish {
  private final HouseRules rules;
  private final List<String> names;
  private final String sku;

  StyleFinish(HouseRules rules, ProductFacts product) {
    this.rules = rules;
    this.names = product.names();
    this.sku = product.sku();
  }

  /** A field's blocks; sentences that can't be said without a banned word are left out. */
  List<Block> of(Field field, List<Block> blocks) {
    HouseWords words = rules.words(field);
    if (words.isIdle()) {
      return blocks;
    }
    List<Block> finished = new ArrayList<>();
    for (Block block : blocks) {
      List<Sentence> said = said(words, block.sentences(), finished.isEmpty());
      if (!said.isEmpty()) {
        finished.add(new Block(block.kind(), said));
      }
    }
    return finished;
  }

  /** Sentences of a field, likewise. */
  List<Sentence> said(Field field, List<Sentence> sentences) {
    return said(rules.words(field), sentences, true);
  }

  /**
   * @param open whether they begin a text, whose first sentence stays: it is marked for a person
   */
  private List<Sentence> said(HouseWords words, List<Sentence> sentences, boolean open) {
    List<Sentence> said = new ArrayList<>();
    for (Sentence sentence : sentences) {
      String text = words.said(sentence.text(), names);
      if (open && said.isEmpty() || !words.isUnsayable(text, names)) {
        said.add(text.equals(sentence.text()) ? sentence : new Sentence(text, sentence.support()));
      }
    }
    return said;
  }

  private static Sentence house(String sentence) {
    return new Sentence(sentence, List.of(Support.house(sentence)));
  }

  /** The description with the house's own sentences at the end of its prose. */
  private List<Block> closed(List<Block> description) {
    List<Sentence> own = new ArrayList<>();
    List<String> special = rules.style().special();
    if (!special.isEmpty()) {
      // Each product has one of its own, so that no two in a row say the same of the house.
      own.add(house(special.get(Math.floorMod(sku.hashCode(), special.size()))));
    }
    rules.style().ownSentences().forEach(s -> own.add(house(s)));
    if (own.isEmpty() || description.isEmpty()) {
      return description;
    }
    List<Block> closed = new ArrayList<>(description);
    closed.add(Draft.endOfProse(closed), new Block(Block.Kind.PARAGRAPH, own));
    return closed;
  }

  /** A description with the house's own sentences, in paragraphs of the length it wants. */
  List<Block> setOut(List<Block> description) {
    List<Block> closed = closed(description);
    if (rules.style().structure().paragraphSentences() == 0) {
      return closed;
    }
    List<Block> setOut = new ArrayList<>();
    for (Block block : closed) {
      if (block.kind() == Block.Kind.PARAGRAPH) {
        rules.style().structure().parts(block.sentences()).stream()
            .map(part -> new Block(Block.Kind.PARAGRAPH, part))
            .forEach(setOut::add);
      } else {
        setOut.add(block);
      }
    }
    return setOut;
  }
}
