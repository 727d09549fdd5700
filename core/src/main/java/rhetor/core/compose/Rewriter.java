package rhetor.core.compose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.language.Words;
import rhetor.core.plan.Message;
import rhetor.core.plan.PageFacts;
import rhetor.core.plan.Planner;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.Opening;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.SentenceWriter;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.support.Judge;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Writes a text again, whole or in part, whoever wrote it: what it says that facts bear out is said
 * anew; what they don't is kept word for word, for a person to decide. Not safe for several
 * threads.
 */
public final class Rewriter {
  /** Facts that naming a product rests on, and not what is said of it. */
  private static final Set<String> NAMING = Set.of("name", "brand", "category");

  private static final int ADDED = 3;

  private final Knowledge knowledge;
  private final Planner planner;
  private final ValueText values;
  private final SupportFinder supports;
  private final Rotation rotation;
  private final RangeFigures range;
  private final HouseRules rules;

  /** What a passage is to become. */
  public enum Way {
    PLAINER("plainer"),
    SHORTER("shorter"),
    LONGER("longer"),
    REWORDED("reworded"),
    IN_VOICE("in another voice");

    private final String label;

    Way(String label) {
      this.label = label;
    }

    /** How it reads after "make it". */
    public String label() {
      return label;
    }
  }

  /**
   * What is asked for.
   *
   * @param voice the voice it is to be in; plainer texts are in the plain one whatever it says
   * @param take any number: another take gives other words
   */
  public record Order(Way way, Voice voice, int take) {}

  public Rewriter(Knowledge knowledge, long seed) {
    this(knowledge, seed, new RangeFigures(knowledge), Style.standard());
  }

  /**
   * @param range what the product is compared with
   * @param style what the house has decided
   */
  public Rewriter(Knowledge knowledge, long seed, RangeFigures range, Style style) {
    this.rules = HouseRules.of(style);
    this.knowledge = knowledge;
    this.planner = new Planner(knowledge, new Wording(knowledge));
    this.values = new ValueText(knowledge);
    this.supports = new SupportFinder(knowledge);
    this.rotation = new Rotation(seed);
    this.range = range;
  }

  /**
   * The field's blocks with the passage rewritten.
   *
   * @param selected indexes of sentences in the field, from 0; empty for all
   * @throws IllegalArgumentException if the field is no prose, or none of the passage rests on a
   *     fact
   */
  public List<Block> rewrite(
      List<Block> blocks,
      Field field,
      Set<Integer> selected,
      ProductFacts product,
      String keyword,
      Order order) {
    if (PageFacts.isPage(product)) {
      throw new IllegalArgumentException(
          "This page shows several products, and its sentences are made from all of them. Have it written anew, with another wording, or change it by hand.");
    }
    if (field == Field.TITLE) {
      return title(product, keyword, order);
    }
    if (!isProse(field)) {
      throw new IllegalArgumentException(
          field.label() + " has no sentences to rewrite; change it by hand.");
    }
    List<Block> known = supports.attach(blocks, List.of(), product, keyword);
    Passage passage =
        new Passage(blocks, known, selected, product, new Judge(product, knowledge, Nearness.NONE));
    if (passage.facts.isEmpty()) {
      throw new IllegalArgumentException(
          "Nothing in this passage rests on a fact of the product, so there is nothing to write it anew from. It stays as it is; change it by hand, or add the facts.");
    }
    Voice voice =
        switch (order.way) {
          case PLAINER -> Voices.plain().withoutBenefits();
          case SHORTER -> order.voice.withoutBenefits();
          default -> order.voice;
        };
    rotation.start(product.sku(), order.take + order.way.ordinal() * 31);
    Pen pen = new Pen(rules.style().bend(voice), rules, rotation, Variety.ofFew(), values, range);
    StyleFinish finish = new StyleFinish(rules, product);
    // The old words are what the new ones have to differ from.
    pen.variety().add(passage.before, 1);
    List<Message> all = planner.messages(product, pen.choice());
    List<Message> messages = chosen(all, passage, order.way);
    while (true) {
      List<Block> written =
          passage.with(finish.said(field, write(passage, messages, product, keyword, pen)));
      if (rules.style().fits(field, Draft.text(written)) || messages.size() < 2) {
        return written;
      }
      messages = messages.subList(0, messages.size() - 1);
    }
  }

  private static boolean isProse(Field field) {
    return field == Field.DESCRIPTION
        || field == Field.SHORT_DESCRIPTION
        || field == Field.META_DESCRIPTION;
  }

  private List<Block> title(ProductFacts product, String keyword, Order order) {
    Pen pen = new Pen(order.voice, rules, rotation, Variety.none(), values, range);
    rotation.start(product.sku(), order.take);
    Titles titles =
        new Titles(
            knowledge,
            values,
            product,
            Subject.of(product),
            KeywordUse.of(keyword, product, new Judge(product, knowledge, Nearness.NONE)),
            planner.messages(product, pen.choice()),
            rules,
            List.of());
    return new StyleFinish(rules, product)
        .of(
            Field.TITLE,
            List.of(new Block(Block.Kind.PARAGRAPH, List.of(titles.title(order.take + 1)))));
  }

  /** The messages to say, the most salient first. */
  private static List<Message> chosen(List<Message> all, Passage passage, Way way) {
    List<Message> said = all.stream().filter(m -> passage.facts.contains(m.fact().id())).toList();
    return switch (way) {
      case SHORTER -> said.subList(0, Math.max(1, (said.size() * 3 + 2) / 5));
      case LONGER -> {
        List<Message> more = new ArrayList<>(said);
        all.stream()
            .filter(m -> m.sayable() && !passage.elsewhere.contains(m.fact().id()))
            .filter(m -> !said.contains(m))
            .limit(ADDED)
            .forEach(more::add);
        yield more;
      }
      default -> said;
    };
  }

  private List<Sentence> write(
      Passage passage, List<Message> messages, ProductFacts product, String keyword, Pen pen) {
    Subject subject = Subject.of(product);
    Set<Message> benefits =
        planner.benefits(messages, keyword.isBlank() ? subject.kind() : keyword, pen.choice());
    List<Sentence> sentences = new ArrayList<>();
    Set<Message> said = new HashSet<>();
    String written = passage.precedes;
    if (passage.opens) {
      KeywordUse use =
          keyword.isBlank()
              ? KeywordUse.NONE
              : KeywordUse.of(keyword, product, new Judge(product, knowledge, Nearness.NONE));
      Opening.Result opening =
          new Opening(
                  subject, use, messages.stream().filter(m -> !benefits.contains(m)).toList(), pen)
              .write(2);
      if (opening != null) {
        sentences.addAll(opening.sentences());
        said.addAll(opening.said());
        written = opening.text();
      }
    }
    Planner.Outline outline =
        planner.outline(
            messages.stream().filter(m -> !said.contains(m)).toList(), benefits, pen.choice());
    SentenceWriter writer = new SentenceWriter(subject, pen, written);
    List<List<Message>> groups = new ArrayList<>(outline.body());
    groups.addAll(outline.closing());
    sentences.addAll(writer.writeAll(groups, sentences.isEmpty()));
    return sentences;
  }

  /** What is to be rewritten, taken apart into what facts bear out and what they don't. */
  private static final class Passage {
    private final List<Block> blocks;
    private final List<Boolean> rewritten = new ArrayList<>();
    private final Set<String> facts = new LinkedHashSet<>();

    /** Facts that the text says outside of the passage. */
    private final Set<String> elsewhere = new HashSet<>();

    private final boolean opens;
    private final String before;
    private final String precedes;

    /**
     * @param known the same blocks, with what their words state
     */
    Passage(
        List<Block> blocks,
        List<Block> known,
        Set<Integer> selected,
        ProductFacts product,
        Judge judge) {
      Set<String> naming = new HashSet<>();
      product.facts().stream()
          .filter(f -> NAMING.contains(f.concept()))
          .forEach(f -> naming.add(f.id()));
      this.blocks = blocks;
      StringBuilder old = new StringBuilder();
      String last = "";
      String preceding = "";
      boolean first = false;
      int index = 0;
      for (int b = 0; b < blocks.size(); b++) {
        for (int s = 0; s < blocks.get(b).sentences().size(); s++) {
          Sentence sentence = blocks.get(b).sentences().get(s);
          Set<String> told = new LinkedHashSet<>(told(sentence, naming));
          told.addAll(told(known.get(b).sentences().get(s), naming));
          boolean chosen =
              blocks.get(b).kind() == Block.Kind.PARAGRAPH
                  && (selected.isEmpty() || selected.contains(index));
          // A sentence that also says what nothing bears out is for a person to decide.
          boolean again =
              chosen
                  && !told.isEmpty()
                  && judge.held(sentence.text(), Words.of(sentence.text())).isEmpty();
          rewritten.add(again);
          if (again) {
            first |= index == 0;
            if (facts.isEmpty()) {
              preceding = last;
            }
            facts.addAll(told);
            old.append(sentence.text()).append(' ');
          } else if (blocks.get(b).kind() == Block.Kind.PARAGRAPH) {
            elsewhere.addAll(told);
          }
          last = sentence.text();
          index++;
        }
      }
      facts.removeAll(elsewhere);
      opens = first;
      before = old.toString();
      precedes = preceding;
    }

    /** The facts that a sentence tells, besides naming the product. */
    private static List<String> told(Sentence sentence, Set<String> naming) {
      return sentence.support().stream()
          .filter(s -> s.kind() == Support.Kind.FACT && !naming.contains(s.id()))
          .map(Support::id)
          .toList();
    }

    /** The blocks with the new sentences where the first of the old ones stood. */
    List<Block> with(List<Sentence> sentences) {
      List<Block> result = new ArrayList<>();
      boolean put = false;
      int index = 0;
      for (Block block : blocks) {
        List<Sentence> kept = new ArrayList<>();
        for (Sentence sentence : block.sentences()) {
          if (!rewritten.get(index++)) {
            kept.add(sentence);
          } else if (!put) {
            kept.addAll(sentences);
            put = true;
          }
        }
        if (!kept.isEmpty()) {
          result.add(new Block(block.kind(), kept));
        }
      }
      return result;
    }
  }
}
