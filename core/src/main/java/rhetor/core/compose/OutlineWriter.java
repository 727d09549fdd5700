package rhetor.core.compose;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import rhetor.core.plan.Message;
import rhetor.core.plan.Planner;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.SentenceWriter;
import rhetor.core.template.OwnText;
import rhetor.core.template.Part;
import rhetor.core.template.Part.Kind;
import rhetor.core.template.Slot;
import rhetor.core.template.Template;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Writes a description in the blocks of a template's outline. */
final class OutlineWriter {
  private static final Map<String, Kind> BY_THEME =
      Map.of(
          "course", Kind.USE,
          "use", Kind.USE,
          "care", Kind.CARE,
          "included", Kind.BOX,
          "pack", Kind.BOX,
          "origin", Kind.CLOSING,
          "place", Kind.CLOSING);

  private final Template template;
  private final Map<String, Slot> slots;
  private final Planner planner;
  private final Pen pen;
  private final SentenceWriter writer;
  private final Function<String, OwnText> ownTexts;
  private final List<Block> blocks = new ArrayList<>();

  OutlineWriter(
      Template template,
      Map<String, Slot> slots,
      Planner planner,
      Pen pen,
      SentenceWriter writer,
      Function<String, OwnText> ownTexts) {
    this.template = template;
    this.slots = slots;
    this.planner = planner;
    this.pen = pen;
    this.writer = writer;
    this.ownTexts = ownTexts;
  }

  /**
   * The blocks that there is something to say in.
   *
   * @param opening the sentences that the text opens with
   * @param messages what is left to tell
   * @param benefits those told together with what they are good for
   * @param specification the entries of the list; empty for no list
   */
  List<Block> write(
      List<Sentence> opening,
      List<Message> messages,
      Set<Message> benefits,
      List<Sentence> specification) {
    Map<Kind, List<Message>> byKind = new EnumMap<>(Kind.class);
    messages.forEach(
        m -> {
          Kind kind = kind(m, benefits);
          if (template.has(kind)) {
            byKind.computeIfAbsent(kind, k -> new ArrayList<>()).add(m);
          }
        });
    for (Part part : template.outline()) {
      switch (part.kind()) {
        case OPENING -> add(part, Block.Kind.PARAGRAPH, opening);
        case SPECIFICATION ->
            add(
                part.heading().isEmpty() ? new Part(part.kind(), "Specification", "") : part,
                Block.Kind.LIST,
                specification);
        case OWN -> add(part, Block.Kind.PARAGRAPH, own(ownTexts.apply(part.text()), slots));
        default ->
            add(
                part,
                Block.Kind.PARAGRAPH,
                told(byKind.getOrDefault(part.kind(), List.of()), benefits, part));
      }
    }
    return blocks;
  }

  /** The block that tells a message; what has none of its own is part of the story. */
  private Kind kind(Message m, Set<Message> benefits) {
    if (benefits.contains(m) && template.has(Kind.BENEFITS)) {
      return Kind.BENEFITS;
    }
    Kind own = BY_THEME.getOrDefault(m.theme(), Kind.STORY);
    if (template.has(own)) {
      return own;
    }
    // Care and origin are left out where nobody asks for them; what comes with it is not.
    return own == Kind.BOX || own == Kind.USE ? Kind.STORY : own;
  }

  private List<Sentence> told(List<Message> messages, Set<Message> benefits, Part part) {
    Planner.Outline outline = planner.outline(messages, benefits, pen.choice());
    List<List<Message>> groups = new ArrayList<>(outline.body());
    groups.addAll(outline.closing());
    return writer.writeAll(groups, !part.heading().isEmpty() || blocks.isEmpty());
  }

  /** The sentences of the house's own words that can be said. */
  static List<Sentence> own(OwnText text, Map<String, Slot> slots) {
    return text.lines(slots).stream()
        .map(
            line ->
                new Sentence(
                    line.text(),
                    line.facts().isEmpty()
                        ? List.of(Support.template(line.text()))
                        : line.facts().stream().map(Support::fact).toList()))
        .toList();
  }

  private void add(Part part, Block.Kind kind, List<Sentence> sentences) {
    if (sentences.isEmpty()) {
      return;
    }
    if (!part.heading().isEmpty()) {
      blocks.add(new Block(Block.Kind.HEADING, List.of(new Sentence(part.heading(), List.of()))));
    }
    Block last = blocks.isEmpty() ? null : blocks.getLast();
    boolean joins =
        kind == Block.Kind.PARAGRAPH
            && last != null
            && last.kind() == kind
            && (sentences.size() == 1 || last.sentences().size() == 1);
    if (joins) {
      List<Sentence> both = new ArrayList<>(last.sentences());
      both.addAll(sentences);
      blocks.set(blocks.size() - 1, new Block(kind, both));
    } else {
      blocks.add(new Block(kind, sentences));
    }
  }
}
