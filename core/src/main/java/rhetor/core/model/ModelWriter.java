package rhetor.core.model;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.check.Mending;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Extent;
import rhetor.core.compose.SupportFinder;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;

/**
 * Has a text model write, and holds what it writes to the same checks as everybody: what a rule can
 * put right is put right, what must be fixed is sent back once with the findings, and what then
 * still must be fixed stays marked.
 */
public final class ModelWriter {
  private final PromptWriter prompts;
  private final SupportFinder finder;
  private final Knowledge knowledge;
  private final TextModel model;

  public ModelWriter(Knowledge knowledge, TextModel model) {
    this.knowledge = knowledge;
    this.model = model;
    this.prompts = new PromptWriter(knowledge);
    this.finder = new SupportFinder(knowledge);
  }

  /**
   * What became of a brief.
   *
   * @param draft the texts that were found
   * @param audit what the checks say of them; the text is held if something must be fixed
   * @param notes what had to be put right in the answers, each as a sentence for a person
   * @param sentBack what was sent back, empty if the first answer would do
   */
  public record Written(Draft draft, Audit audit, List<String> notes, List<String> sentBack) {
    public Written {
      notes = List.copyOf(notes);
      sentBack = List.copyOf(sentBack);
    }
  }

  private record Round(Draft draft, Audit audit, List<String> notes) {}

  /**
   * Has a brief written, in one turn or two.
   *
   * @throws UnreadableAnswer if neither answer has any of the fields
   */
  public Written write(Brief brief) {
    return write(brief, List.of());
  }

  /**
   * Has a brief written by a model that takes pictures. They may help it to understand the facts;
   * what only they show bears nothing out.
   *
   * @param pictures of the product, PNG in Base64 (RFC 4648)
   * @throws UnreadableAnswer if neither answer has any of the fields
   */
  public Written write(Brief brief, List<String> pictures) {
    String prompt = prompts.prompt(brief);
    Turn asked =
        pictures.isEmpty()
            ? Turn.asked(prompt)
            : new Turn(false, prompt + PromptWriter.SHOWN, pictures);
    Checker checker = new Checker(knowledge, brief.style());
    String answer = model.answer(List.of(asked));
    Optional<Round> first = Optional.empty();
    String back;
    List<String> sentBack;
    try {
      Round round = round(answer, new Draft(Map.of()), brief, checker);
      List<Mark> wrong = wrong(round, brief);
      if (wrong.isEmpty()) {
        return new Written(round.draft, round.audit, round.notes, List.of());
      }
      first = Optional.of(round);
      back = prompts.correction(round.draft, wrong, brief.extent());
      sentBack = wrong.stream().map(Mark::why).distinct().toList();
    } catch (UnreadableAnswer e) {
      back = PromptWriter.form(brief.extent());
      sentBack = List.of(e.getMessage());
    }
    String again = model.answer(List.of(asked, Turn.answered(answer), Turn.asked(back)));
    Draft before = first.map(Round::draft).orElse(new Draft(Map.of()));
    try {
      Round second = round(again, before, brief, checker);
      boolean better =
          first.isEmpty() || wrong(second, brief).size() <= wrong(first.get(), brief).size();
      Round kept = better ? second : first.get();
      return new Written(kept.draft, kept.audit, kept.notes, sentBack);
    } catch (UnreadableAnswer e) {
      Round kept = first.orElseThrow(() -> e);
      return new Written(kept.draft, kept.audit, kept.notes, sentBack);
    }
  }

  /** Whether a model is asked for any of a brief's texts; others are the composer's. */
  public static boolean writes(Extent extent) {
    return PromptWriter.ASKED.stream().anyMatch(extent::has);
  }

  /** What must be fixed in the fields that it was asked for. */
  private static List<Mark> wrong(Round round, Brief brief) {
    return round.audit.mustFix().stream().filter(m -> brief.extent().has(m.field())).toList();
  }

  /** What an answer makes of the texts that are there; fields that it doesn't have stay. */
  private Round round(String text, Draft before, Brief brief, Checker checker) {
    Answer answer = AnswerReader.read(text);
    Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
    fields.putAll(before.fields());
    answer
        .fields()
        .forEach(
            (field, blocks) ->
                fields.put(
                    field, finder.attach(blocks, List.of(), brief.product(), brief.keyword())));
    Draft draft = new Draft(fields);
    Audit audit = checker.check(draft, brief.product(), brief.keyword());
    // Where a number is wrong, the sentence around it may be too: the model says it again.
    Draft mended =
        Mending.of(
            draft, audit.marks().stream().filter(m -> !m.check().equals("support")).toList());
    List<String> notes = new ArrayList<>(answer.notes());
    if (!mended.equals(draft)) {
      audit = checker.check(mended, brief.product(), brief.keyword());
      notes.add("What the house’s rules say how to put right was put right.");
    }
    return new Round(mended, audit, notes);
  }
}
