package rhetor.standins.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import rhetor.core.compose.Brief;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.AnswerReader;
import rhetor.core.model.ModelWriter;
import rhetor.core.model.PromptWriter;
import rhetor.core.model.Turn;
import rhetor.core.reading.TextReader;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** What the simulated model writes, asked the way Rhetor asks. */
class ScribeTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private final Scribe scribe = new Scribe();

  private static Brief brief(int size) {
    ProductFacts facts =
        new TextReader(KNOWLEDGE)
            .read(
                "F-" + size,
                "Fell Pannier " + size,
                "Pannier",
                "Brand: Tolvane\nMaterial: Recycled polyester\nCapacity: %d l\nWeight: %d g"
                    .formatted(size, 700 + size),
                "a test");
    return Brief.of(facts, "touring pannier");
  }

  private String ask(List<Turn> turns) {
    return scribe.answer(
        turns.stream()
            .map(t -> new ModelApi.Message(t.answered() ? "assistant" : "user", t.text()))
            .toList());
  }

  @Test
  void it_writes_all_fields_from_the_facts_of_the_prompt() {
    String prompt = new PromptWriter(KNOWLEDGE).prompt(brief(21));
    Draft draft = new Draft(AnswerReader.read(ask(List.of(new Turn(false, prompt)))).fields());
    assertThat(draft.fields())
        .containsOnlyKeys(
            Field.TITLE,
            Field.SHORT_DESCRIPTION,
            Field.DESCRIPTION,
            Field.META_TITLE,
            Field.META_DESCRIPTION,
            Field.TAGS,
            Field.IMAGE_ALT);
    assertThat(draft.plain(Field.DESCRIPTION)).contains("Fell Pannier 21", "recycled polyester");
    assertThat(draft.plain(Field.TITLE)).contains("Fell Pannier 21");
    assertThat(ask(List.of(new Turn(false, prompt))))
        .isEqualTo(ask(List.of(new Turn(false, prompt))));
  }

  @Test
  void it_chats_and_makes_things_up_at_times_and_mostly_takes_them_back() {
    List<ModelWriter.Written> written =
        IntStream.range(20, 60)
            .mapToObj(size -> new ModelWriter(KNOWLEDGE, this::ask).write(brief(size)))
            .toList();
    long chatty = written.stream().filter(w -> w.notes().toString().contains("Sure!")).count();
    long sentBack = written.stream().filter(w -> !w.sentBack().isEmpty()).count();
    long held = written.stream().filter(w -> !w.audit().mustFix().isEmpty()).count();
    assertThat(chatty).isBetween(3L, 30L);
    assertThat(sentBack).isBetween(4L, 30L);
    assertThat(held).isLessThan(sentBack / 2);
  }
}
