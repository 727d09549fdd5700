package rhetor.core.model;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Makes a text model's texts ones that can go out: fields that it didn't give are composed, and
 * what can't stand is seen to as the house wants it.
 */
public final class Amender {
  /** What goes may leave something that can't stand without it. */
  private static final int ROUNDS = 3;

  private static final int SHOWN = 90;

  private final Knowledge knowledge;
  private final Amends amends;

  public Amender(Knowledge knowledge, Amends amends) {
    this.knowledge = knowledge;
    this.amends = amends;
  }

  /**
   * Texts that were seen to.
   *
   * @param notes what was done, each as a sentence for a person
   */
  public record Amended(Draft draft, Audit audit, List<String> notes) {
    public Amended {
      notes = List.copyOf(notes);
    }
  }

  /**
   * The texts as they can go out, or, if the house wants them held, with their marks.
   *
   * @param composed what the composer makes of the same brief
   */
  public Amended amended(ModelWriter.Written written, Draft composed, Brief brief) {
    List<String> notes = new ArrayList<>();
    Checker checker = new Checker(knowledge, brief.style());
    Draft draft = whole(written.draft(), composed, notes);
    Audit audit = draft.equals(written.draft()) ? written.audit() : audit(checker, draft, brief);
    if (amends == Amends.HOLD) {
      return new Amended(draft, audit, notes);
    }
    for (int round = 0; round < ROUNDS && !audit.mustFix().isEmpty(); round++) {
      draft = without(draft, audit.mustFix(), composed, notes);
      audit = audit(checker, draft, brief);
    }
    Set<Field> unfit = new TreeSet<>();
    audit.mustFix().forEach(m -> unfit.add(m.field()));
    if (!unfit.isEmpty()) {
      for (Field field : unfit) {
        draft = composed(field, draft, composed, notes);
      }
      audit = audit(checker, draft, brief);
    }
    return new Amended(draft, audit, notes);
  }

  private static Audit audit(Checker checker, Draft draft, Brief brief) {
    return checker.check(draft, brief.product(), brief.keyword());
  }

  /** With the fields that the model didn't give. */
  private static Draft whole(Draft draft, Draft composed, List<String> notes) {
    Draft whole = draft;
    List<String> missing = new ArrayList<>();
    for (Field field : Field.values()) {
      if (draft.blocks(field).isEmpty() && !composed.blocks(field).isEmpty()) {
        whole = whole.with(field, composed.blocks(field));
        if (PromptWriter.ASKED.contains(field)) {
          missing.add(field.label());
        }
      }
    }
    if (!missing.isEmpty()) {
      notes.add("Not given by the model and composed: %s.".formatted(String.join(", ", missing)));
    }
    return whole;
  }

  private Draft without(Draft draft, List<Mark> marks, Draft composed, List<String> notes) {
    Map<Field, Set<Integer>> unfit =
        marks.stream()
            .filter(m -> m.sentence() >= 0)
            .collect(
                Collectors.groupingBy(
                    Mark::field,
                    LinkedHashMap::new,
                    Collectors.mapping(Mark::sentence, Collectors.toSet())));
    Draft kept = draft;
    for (Map.Entry<Field, Set<Integer>> entry : unfit.entrySet()) {
      Field field = entry.getKey();
      if (field == Field.DESCRIPTION) {
        kept = description(kept, entry.getValue(), composed, notes);
      } else {
        kept = shorter(kept, field, entry.getValue(), composed, notes);
      }
    }
    return kept;
  }

  /** A short field without some of its sentences, if what is left is long enough; else composed. */
  private Draft shorter(
      Draft draft, Field field, Set<Integer> unfit, Draft composed, List<String> notes) {
    List<Block> blocks = new ArrayList<>();
    List<Sentence> gone = new ArrayList<>();
    int index = 0;
    for (Block block : draft.blocks(field)) {
      List<Sentence> kept = new ArrayList<>();
      for (Sentence sentence : block.sentences()) {
        (unfit.contains(index++) ? gone : kept).add(sentence);
      }
      if (!kept.isEmpty()) {
        blocks.add(new Block(block.kind(), kept));
      }
    }
    Draft shorter = draft.with(field, blocks);
    boolean opens = unfit.contains(0) && !field.isList() && field != Field.TAGS;
    if (amends == Amends.COMPOSE && !field.isList() && field != Field.TAGS
        || opens
        || shorter.plain(field).length() < field.least()) {
      return composed(field, draft, composed, notes);
    }
    gone.forEach(s -> notes.add(leftOut(field, s)));
    return shorter;
  }

  private static Draft composed(Field field, Draft draft, Draft composed, List<String> notes) {
    if (composed.blocks(field).equals(draft.blocks(field))) {
      return draft;
    }
    notes.add("%s could not stand and was composed.".formatted(field.label()));
    return draft.with(field, composed.blocks(field));
  }

  private Draft description(Draft draft, Set<Integer> unfit, Draft composed, List<String> notes) {
    Untold untold = new Untold(draft, unfit, composed);
    List<Block> blocks = new ArrayList<>();
    int index = 0;
    for (Block block : draft.blocks(Field.DESCRIPTION)) {
      List<Sentence> kept = new ArrayList<>();
      for (Sentence sentence : block.sentences()) {
        if (!unfit.contains(index++)) {
          kept.add(sentence);
          continue;
        }
        boolean opens = index == 1;
        Sentence instead =
            block.kind() != Block.Kind.PARAGRAPH
                ? null
                : opens
                    ? untold.opening()
                    : amends == Amends.COMPOSE ? untold.instead(sentence) : null;
        if (instead == null) {
          notes.add(leftOut(Field.DESCRIPTION, sentence));
        } else {
          kept.add(instead);
          notes.add(
              "“%s” could not stand; “%s” took its place."
                  .formatted(shown(sentence), shown(instead)));
        }
      }
      if (!kept.isEmpty()) {
        blocks.add(new Block(block.kind(), kept));
      }
    }
    return draft.with(Field.DESCRIPTION, withoutLoneHeadings(blocks));
  }

  /** A heading over nothing goes with what stood under it. */
  private static List<Block> withoutLoneHeadings(List<Block> blocks) {
    List<Block> kept = new ArrayList<>();
    for (int i = 0; i < blocks.size(); i++) {
      boolean isHeading = blocks.get(i).kind() == Block.Kind.HEADING;
      boolean isOverNothing =
          i + 1 == blocks.size() || blocks.get(i + 1).kind() == Block.Kind.HEADING;
      if (!isHeading || !isOverNothing) {
        kept.add(blocks.get(i));
      }
    }
    return kept;
  }

  private static String leftOut(Field field, Sentence sentence) {
    return "“%s” could not stand and was left out of the %s."
        .formatted(shown(sentence), field.label().toLowerCase(java.util.Locale.ROOT));
  }

  private static String shown(Sentence sentence) {
    String text = sentence.text();
    return text.length() > SHOWN ? text.substring(0, SHOWN).strip() + "…" : text;
  }

  /** Composed sentences that tell what the rest of a description doesn't, each used once. */
  private static final class Untold {
    /** Told whenever the thing is named. */
    private static final Set<String> NAMING = Set.of("name", "brand", "category");

    private final List<Sentence> sentences = new ArrayList<>();
    private final Sentence opening;
    private final Set<String> told = new HashSet<>();

    Untold(Draft draft, Set<Integer> unfit, Draft composed) {
      int index = 0;
      for (Block block : draft.blocks(Field.DESCRIPTION)) {
        for (Sentence sentence : block.sentences()) {
          if (!unfit.contains(index++) && block.kind() == Block.Kind.PARAGRAPH) {
            told.addAll(facts(sentence));
          }
        }
      }
      composed.blocks(Field.DESCRIPTION).stream()
          .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
          .forEach(b -> sentences.addAll(b.sentences()));
      opening = sentences.isEmpty() ? null : sentences.removeFirst();
    }

    /** The composed opening: it names the thing that all others speak of. */
    Sentence opening() {
      if (opening != null) {
        told.addAll(facts(opening));
      }
      return opening;
    }

    /** A sentence of the same facts if there is one, else of any that aren't told; else null. */
    Sentence instead(Sentence gone) {
      Set<String> wanted = facts(gone);
      Sentence best = null;
      for (Sentence sentence : sentences) {
        Set<String> facts = facts(sentence);
        if (facts.isEmpty() || facts.stream().anyMatch(told::contains)) {
          continue;
        }
        if (facts.stream().anyMatch(wanted::contains)) {
          best = sentence;
          break;
        }
        best = best == null ? sentence : best;
      }
      if (best != null) {
        sentences.remove(best);
        told.addAll(facts(best));
      }
      return best;
    }

    private static Set<String> facts(Sentence sentence) {
      return sentence.support().stream()
          .filter(s -> s.kind() == Support.Kind.FACT && !NAMING.contains(s.id()))
          .map(Support::id)
          .collect(Collectors.toSet());
    }
  }
}
