package rhetor.core.compose;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Nearness;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.plan.PageFacts;
import rhetor.core.plan.Planner;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.say.en.Framing;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.NounPhrase;
import rhetor.core.say.en.Opening;
import rhetor.core.say.en.PageWriter;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.SentenceWriter;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.support.Judge;
import rhetor.core.template.OwnText;
import rhetor.core.template.Slot;
import rhetor.core.template.Template;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Writes all texts of a product from its facts, without network or cost. Every sentence carries
 * what it rests on; a field for which there are no facts stays empty.
 *
 * <p>A description too like its supplier's, or another that this composer has written or was shown,
 * is composed again. The same briefs in the same order with the same seed give the same texts. Not
 * safe for several threads.
 */
public final class Composer {
  /** Share of five-word runs in common with another text above which it is composed again. */
  private static final double TOO_LIKE = 0.17;

  private static final int ATTEMPTS = 4;

  /** An opening of more words is one too many for a reader. */
  private static final int LONG_OPENING = 24;

  /** Takes of further attempts lie beyond those that people ask for. */
  private static final int ATTEMPT = 100;

  /** Most takes of one product. */
  public static final int MOST_TAKES = 10;

  /** Facts that make sentences worth reading where nobody knows what the thing is. */
  private static final int LEAST_OF_UNKNOWN = 2;

  /** Facts that prose tells at least before it makes room by leaving the specification out. */
  private static final int TOLD = 4;

  private final Knowledge knowledge;
  private final Wording phrasebook;
  private final Planner planner;
  private final ValueText values;
  private final Rotation rotation;
  private final Variety variety;
  private final RangeFigures range;

  /** Templates' words made ready, by their source. */
  private final Map<String, OwnText> ownTexts = new HashMap<>();

  private HouseRules rules = HouseRules.of(Style.standard());
  private int written;

  /** A composer for a house that has no texts yet. */
  public Composer(Knowledge knowledge, long seed) {
    this(knowledge, seed, new Variety(), new RangeFigures(knowledge));
  }

  /**
   * A composer whose texts differ from those that {@code variety} has seen; it adds its own there.
   *
   * @param range what products are compared with; figures of no products compare nothing
   */
  public Composer(Knowledge knowledge, long seed, Variety variety, RangeFigures range) {
    this.knowledge = knowledge;
    this.phrasebook = new Wording(knowledge);
    this.planner = new Planner(knowledge, phrasebook);
    this.values = new ValueText(knowledge);
    this.rotation = new Rotation(seed);
    this.variety = variety;
    this.range = range;
  }

  /** Writes every field that the product's facts allow. */
  public Draft compose(Brief brief) {
    if (!brief.style().equals(rules.style())) {
      rules = HouseRules.of(brief.style());
    }
    if (PageFacts.isPage(brief.product())) {
      return page(brief);
    }
    KeywordUse keyword = keywordUse(brief);
    if (!brief.product().supplierText().isBlank()) {
      // The supplier's words stand in every shop that sells the product.
      variety.add(brief.product().supplierText(), ++written);
    }
    Draft best = null;
    double least = 2;
    Job job = null;
    for (int attempt = 0; attempt < ATTEMPTS && least > TOO_LIKE; attempt++) {
      rotation.start(brief.product().sku(), brief.take() + attempt * ATTEMPT);
      job = job == null ? new Job(brief, keyword) : job.again();
      Draft draft = best == null ? job.write() : best.with(Field.DESCRIPTION, job.finished(best));
      double likeness = variety.likeness(draft.prose());
      if (likeness < least) {
        best = draft;
        least = likeness;
      }
    }
    written++;
    variety.add(best.prose(), written);
    variety.add(best.plain(Field.SHORT_DESCRIPTION), written);
    return best;
  }

  /** The texts of a page that shows several products. */
  private Draft page(Brief brief) {
    rotation.start(brief.product().sku(), brief.take());
    Pen pen = new Pen(brief.voice(), rules, rotation, variety, values, range);
    Draft draft = new PageWriter(knowledge, phrasebook, pen, brief.product()).write();
    StyleFinish finish = new StyleFinish(rules, brief.product());
    for (Field field : draft.fields().keySet()) {
      List<Block> blocks = finish.of(field, draft.blocks(field));
      draft = draft.with(field, field == Field.DESCRIPTION ? finish.setOut(blocks) : blocks);
    }
    written++;
    variety.add(draft.prose(), written);
    return draft;
  }

  /**
   * Several texts for one product that differ in plan and wording.
   *
   * @param number 1 to {@link #MOST_TAKES}
   */
  public List<Draft> takes(Brief brief, int number) {
    if (number < 1 || number > MOST_TAKES) {
      throw new IllegalArgumentException("takes: 1 to " + MOST_TAKES + ", not " + number);
    }
    List<Draft> takes = new ArrayList<>();
    for (int take = 0; take < number; take++) {
      takes.add(compose(brief.take(brief.take() + take)));
    }
    return takes;
  }

  private KeywordUse keywordUse(Brief brief) {
    return brief.keyword().isBlank()
        ? KeywordUse.NONE
        : KeywordUse.of(
            brief.keyword(), brief.product(), new Judge(brief.product(), knowledge, Nearness.NONE));
  }

  private OwnText ownText(String source) {
    return ownTexts.computeIfAbsent(source, OwnText::of);
  }

  private static void put(Map<Field, List<Block>> fields, Field field, List<Block> blocks) {
    if (!blocks.isEmpty()) {
      fields.put(field, blocks);
    }
  }

  private static List<Block> prose(List<Sentence> sentences) {
    return sentences.isEmpty() ? List.of() : List.of(paragraph(sentences));
  }

  private SupportingKeywords supporting(Brief brief, Subject subject) {
    List<String> keywords = brief.style().supporting();
    if (keywords.isEmpty()) {
      return new SupportingKeywords(List.of(), subject);
    }
    Judge judge = new Judge(brief.product(), knowledge, Nearness.NONE);
    return new SupportingKeywords(
        keywords.stream().map(k -> KeywordUse.of(k, brief.product(), judge)).toList(), subject);
  }

  private static List<Block> list(List<Sentence> entries) {
    return entries.isEmpty() ? List.of() : List.of(new Block(Block.Kind.LIST, entries));
  }

  private static Block paragraph(List<Sentence> sentences) {
    return new Block(Block.Kind.PARAGRAPH, sentences);
  }

  /** The writing of one product. */
  private final class Job {
    private final ProductFacts product;
    private final KeywordUse keyword;
    private final int take;
    private final Template template;
    private final List<String> apart;
    private final Map<String, Slot> slots;
    private final Subject subject;
    private final Pen pen;
    private final StyleFinish finish;
    private final SupportingKeywords supporting;
    private final List<Message> messages;

    /** What a text may open with: nobody begins with the washing. */
    private final List<Message> mayOpen;

    Job(Brief brief, KeywordUse keyword) {
      this.product = brief.product();
      this.keyword = keyword;
      this.take = brief.take();
      this.template = brief.template();
      this.apart = brief.apart();
      this.slots =
          template == Template.NONE
              ? Map.of()
              : Slots.of(product, brief.keyword(), values, template.questions());
      this.subject = Subject.of(product);
      this.pen = new Pen(brief.voice(), rules, rotation, variety, values, range);
      this.finish = new StyleFinish(rules, product);
      this.supporting = supporting(brief, subject);
      this.messages = planner.messages(product, pen.choice());
      this.mayOpen = messages.stream().filter(Job::mayOpen).toList();
    }

    /** The same product with the next of each fact's wordings. */
    private Job(Job before) {
      this.product = before.product;
      this.keyword = before.keyword;
      this.take = before.take;
      this.template = before.template;
      this.apart = before.apart;
      this.slots = before.slots;
      this.subject = before.subject;
      this.pen = before.pen;
      this.finish = before.finish;
      this.supporting = before.supporting;
      this.messages =
          before.messages.stream().map(m -> m.withTurn(rotation.turn(m.fact().concept()))).toList();
      this.mayOpen = messages.stream().filter(Job::mayOpen).toList();
    }

    Job again() {
      return new Job(this);
    }

    Draft write() {
      Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
      Titles titles =
          new Titles(knowledge, values, product, subject, keyword, messages, rules, apart);
      put(fields, Field.TITLE, prose(List.of(titles.title(take))));
      put(fields, Field.SHORT_DESCRIPTION, prose(shortDescription()));
      fields.replaceAll(finish::of);
      put(fields, Field.DESCRIPTION, finished(new Draft(fields)));
      put(fields, Field.HIGHLIGHTS, list(new Highlights(subject, messages, pen).entries()));
      put(fields, Field.META_TITLE, prose(List.of(titles.metaTitle())));
      put(fields, Field.META_DESCRIPTION, prose(metaDescription()));
      put(
          fields,
          Field.TAGS,
          prose(new Tags(values, product, subject, keyword, messages, rules.style()).tags()));
      put(fields, Field.IMAGE_ALT, prose(List.of(titles.imageAlt())));
      put(fields, Field.INCLUDED, list(items("included")));
      put(fields, Field.NOT_INCLUDED, list(items("not_included")));
      template.fields().forEach((field, text) -> ownWords(field, text, fields));
      fields.replaceAll((field, blocks) -> within(field, finish.of(field, blocks)));
      return new Draft(fields);
    }

    /** A list that the house's words made too long loses its last entries. */
    private List<Block> within(Field field, List<Block> blocks) {
      if (blocks.size() != 1
          || !field.isList() && field != Field.TAGS
          || rules.words(field).isIdle()) {
        return blocks;
      }
      List<Sentence> entries = new ArrayList<>(blocks.getFirst().sentences());
      Draft draft = new Draft(Map.of(field, blocks));
      while (entries.size() > 1 && !rules.style().fits(field, draft.plain(field))) {
        entries.removeLast();
        draft = draft.with(field, List.of(new Block(blocks.getFirst().kind(), entries)));
      }
      return draft.blocks(field);
    }

    /** A field in the template's words, if its slots can be filled and it isn't too long so. */
    private void ownWords(Field field, String text, Map<Field, List<Block>> fields) {
      List<Sentence> own = OutlineWriter.own(ownText(text), slots);
      if (!own.isEmpty() && fits(own, field)) {
        put(fields, field, prose(own));
      }
    }

    /** The things that a fact lists, each an entry. */
    private List<Sentence> items(String concept) {
      return product
          .fact(concept)
          .map(
              f ->
                  values.items(f.value()).stream()
                      .map(i -> new Sentence(English.capitalise(i), List.of(Support.fact(f.id()))))
                      .toList())
          .orElse(List.of());
    }

    private static boolean mayOpen(Message m) {
      // Nor with how long it is guaranteed for.
      return !m.theme().equals("care") && (!m.theme().equals("origin") || m.has(Form.PP));
    }

    private List<Sentence> shortDescription() {
      if (isThin()) {
        return bare();
      }
      for (int size : new int[] {2, 1}) {
        Opening.Result opening = new Opening(subject, keyword, mayOpen, pen).write(size);
        if (opening == null) {
          continue;
        }
        List<Sentence> sentences = new ArrayList<>(opening.sentences());
        if (fits(sentences, Field.SHORT_DESCRIPTION)) {
          second(opening.said(), sentences, Field.SHORT_DESCRIPTION, pen);
          // The description right below doesn't open with the same words.
          variety.add(opening.text(), written + 1);
          return sentences;
        }
      }
      return bare();
    }

    /** Adds a second sentence of two facts or one, if it fits. */
    private void second(Set<Message> said, List<Sentence> sentences, Field field, Pen with) {
      List<Message> rest = new ArrayList<>(2);
      for (Message m : messages) {
        if (rest.size() < 2 && m.sayable() && !Planner.isAlone(m) && !said.contains(m)) {
          rest.add(m);
        }
      }
      for (int count = rest.size(); count > 0; count--) {
        if (!hasRoom(sentences, rest.subList(0, count), field)) {
          continue;
        }
        List<Sentence> more =
            new SentenceWriter(subject, with, "").write(rest.subList(0, count), false);
        List<Sentence> both = new ArrayList<>(sentences);
        both.addAll(more);
        if (fits(both, field)) {
          sentences.addAll(more);
          return;
        }
      }
    }

    /** Whether a sentence of the messages could fit at all: it has no fewer letters than they. */
    private boolean hasRoom(List<Sentence> sentences, List<Message> more, Field field) {
      int most = rules.style().length(field).mostCharacters();
      int least = 0;
      for (Sentence sentence : sentences) {
        least += sentence.text().length() + 1;
      }
      for (Message m : more) {
        least += m.verb() == null ? m.get(Form.CLAUSE).length() : m.verb().length();
      }
      return most == 0 || least <= most;
    }

    /** Whether sentences fit as the house says them: its words may be longer. */
    private boolean fits(List<Sentence> sentences, Field field) {
      return rules.style().fits(field, Draft.text(finish.of(field, prose(sentences))));
    }

    /** What can be said when there is nothing but name and kind; nothing if not even that. */
    private List<Sentence> bare() {
      boolean nothing = product.facts().stream().allMatch(f -> f.concept().equals("name"));
      if (nothing
          || subject.kind().isEmpty()
          || subject.nameHasKind() && subject.brand().isEmpty()) {
        return List.of();
      }
      NounPhrase kind = NounPhrase.of(subject, keyword, List.of(), 0, 0);
      boolean tells =
          keyword.usable() && !keyword.nounPhrase().isEmpty() || !subject.brand().isEmpty();
      if (!tells) {
        // "Lumis 85 is a lens" tells nobody anything.
        return List.of();
      }
      String words =
          subject.nameHasKind() && !kind.isInformative()
              ? subject.shortReference() + " comes from " + subject.brand()
              : subject.fullReference() + (subject.plural() ? " are " : " is ") + kind.words();
      return List.of(
          new Sentence(Framing.finish(words, pen.voice()), subject.kindSupport(product)));
    }

    /**
     * The description as the house says it. One that is too long is written again with less to say,
     * of the least important first; where that leaves too little, the specification gives way.
     *
     * @param others the texts so far; a description doesn't open as the short one above it does
     */
    List<Block> finished(Draft others) {
      List<Message> telling = planner.telling(messages, product, pen.choice());
      List<Block> shortest = List.of();
      boolean[] specifying =
          rules.style().structure().specification()
              ? new boolean[] {true, false}
              : new boolean[] {false};
      for (boolean specified : specifying) {
        int least = specified ? Math.min(TOLD, telling.size()) : Math.min(1, telling.size());
        for (int told = telling.size(); told >= least; told--) {
          List<Block> closed =
              finish.setOut(
                  finish.of(
                      Field.DESCRIPTION,
                      supporting.in(description(others, telling.subList(0, told), specified))));
          if (rules.style().fits(Field.DESCRIPTION, Draft.text(closed))) {
            return closed;
          }
          shortest = closed;
        }
      }
      return shortest;
    }

    private List<Block> description(Draft others, List<Message> telling, boolean specified) {
      List<Block> blocks = new ArrayList<>();
      if (isThin() && template.outline().isEmpty()) {
        blocks.addAll(prose(bare()));
        addSpecification(blocks, specified, telling);
        return blocks;
      }
      Set<Message> said = new LinkedHashSet<>();
      List<Sentence> first = new ArrayList<>();
      Set<Message> benefits =
          planner.benefits(
              telling, keyword.usable() ? keyword.keyword() : subject.kind(), pen.choice());
      Opening.Result opening =
          opening(
              telling.stream().filter(m -> !benefits.contains(m) && mayOpen(m)).toList(), others);
      if (opening != null) {
        first.addAll(opening.sentences());
        said.addAll(opening.said());
      }
      List<Message> rest = telling.stream().filter(m -> !said.contains(m)).toList();
      SentenceWriter writer =
          new SentenceWriter(subject, pen, opening == null ? "" : opening.text());
      if (!template.outline().isEmpty()) {
        return new OutlineWriter(template, slots, planner, pen, writer, Composer.this::ownText)
            .write(
                first.isEmpty() ? bare() : first,
                rest,
                benefits,
                specified ? specification(telling) : List.of());
      }
      Planner.Outline outline = planner.outline(rest, benefits, pen.choice());
      List<List<Message>> body = new ArrayList<>(outline.body());
      if (!body.isEmpty()) {
        first.addAll(writer.write(body.removeFirst(), first.isEmpty()));
      }
      List<List<Sentence>> paragraphs = new ArrayList<>();
      paragraphs.add(first);
      paragraphs.add(writer.writeAll(body, body.size() > 1 && first.size() > 1));
      paragraphs.add(
          writer.writeAll(outline.closing(), outline.closing().size() > 1 && body.size() > 1));
      joinShort(paragraphs).forEach(p -> blocks.add(paragraph(p)));
      if (blocks.isEmpty()) {
        blocks.addAll(prose(bare()));
      }
      addSpecification(blocks, specified, telling);
      return blocks;
    }

    /** The first sentence; a fact that would be the only one left to tell goes into it. */
    private Opening.Result opening(List<Message> mayOpen, Draft others) {
      Opening opening = new Opening(subject, keyword, mayOpen, pen);
      Opening.Result two = opening.write(2, firstSentence(others));
      if (two == null || left(mayOpen, two) != 1) {
        return two;
      }
      Opening.Result three = opening.write(3, firstSentence(others));
      boolean tellsAll =
          three != null && left(mayOpen, three) == 0 && Length.words(three.text()) <= LONG_OPENING;
      return tellsAll ? three : two;
    }

    private static long left(List<Message> messages, Opening.Result opening) {
      return messages.stream()
          .filter(m -> m.sayable() && !Planner.isClosing(m) && !opening.said().contains(m))
          .count();
    }

    private void addSpecification(List<Block> blocks, boolean specified, List<Message> telling) {
      List<Sentence> specification = specified ? specification(telling) : List.of();
      if (!specification.isEmpty()) {
        blocks.add(
            new Block(Block.Kind.HEADING, List.of(new Sentence("Specification", List.of()))));
        blocks.add(new Block(Block.Kind.LIST, specification));
      }
    }

    /**
     * Whether there is too little for sentences that anybody would want to read: a single fact of a
     * thing of which it isn't even known what it is. The list says it as well.
     */
    private boolean isThin() {
      long sayable = messages.stream().filter(Message::sayable).count();
      return messages.isEmpty() || subject.kind().isEmpty() && sayable < LEAST_OF_UNKNOWN;
    }

    /** The list of facts; one entry alone is none. */
    private List<Sentence> specification(List<Message> telling) {
      List<Sentence> entries = new Specification(knowledge, values, product, telling).entries();
      return entries.size() < 2 ? List.of() : entries;
    }

    private static String firstSentence(Draft draft) {
      List<Sentence> sentences = draft.sentences(Field.SHORT_DESCRIPTION);
      return sentences.isEmpty() ? "" : sentences.getFirst().text();
    }

    /** A paragraph of one sentence looks left over; it joins the one before it. */
    private static List<List<Sentence>> joinShort(List<List<Sentence>> paragraphs) {
      List<List<Sentence>> joined = new ArrayList<>();
      for (List<Sentence> paragraph : paragraphs) {
        boolean short_ = paragraph.size() == 1 || !joined.isEmpty() && joined.getLast().size() == 1;
        if (short_ && !joined.isEmpty()) {
          joined.getLast().addAll(paragraph);
        } else if (!paragraph.isEmpty()) {
          joined.add(new ArrayList<>(paragraph));
        }
      }
      return joined;
    }

    private List<Sentence> metaDescription() {
      if (isThin()) {
        return bare();
      }
      // Search results show it beside other shops' texts, not beside the house's own.
      Pen any = pen.repeating();
      Opening opening = new Opening(subject, keyword, mayOpen, any);
      if ((subject.canBeCalledKind() || subject.isUnnamedPlural())
          && NounPhrase.of(subject, keyword, mayOpen, 2, 1).isInformative()) {
        for (int size = 3; size >= 0; size--) {
          NounPhrase kind =
              NounPhrase.of(subject, keyword, mayOpen, Math.min(2, size), Math.max(0, size - 1));
          String who =
              subject.isUnnamedPlural()
                  ? subject.name() + (subject.brand().isEmpty() ? "" : " by " + subject.brand())
                  : subject.bareFullReference();
          String words = English.capitalise(who) + ": " + kind.words();
          List<Sentence> sentences =
              new ArrayList<>(
                  List.of(new Sentence(Framing.finish(words, pen.voice()), kind.support())));
          if (fits(sentences, Field.META_DESCRIPTION)) {
            second(kind.said(), sentences, Field.META_DESCRIPTION, any);
            return sentences;
          }
        }
      }
      for (int size : new int[] {2, 1}) {
        Opening.Result result = opening.write(size);
        if (result != null && fits(result.sentences(), Field.META_DESCRIPTION)) {
          List<Sentence> sentences = new ArrayList<>(result.sentences());
          second(result.said(), sentences, Field.META_DESCRIPTION, any);
          return sentences;
        }
      }
      return bare();
    }
  }
}
