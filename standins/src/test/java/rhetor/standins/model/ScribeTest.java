package rhetor.standins.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.Amender;
import rhetor.core.model.Amends;
import rhetor.core.model.AnswerReader;
import rhetor.core.model.ModelWriter;
import rhetor.core.model.PromptWriter;
import rhetor.core.model.Turn;
import rhetor.core.model.UnreadableAnswer;
import rhetor.core.plan.RangeFigures;
import rhetor.core.reading.TextReader;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;
import tools.jackson.databind.json.JsonMapper;

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
    return ask(turns, 0);
  }

  private String ask(List<Turn> turns, int misbehaves) {
    return scribe.answer(
        turns.stream()
            .map(t -> new ModelApi.Message(t.answered() ? "assistant" : "user", t.text()))
            .toList(),
        misbehaves);
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

  @Test
  void it_does_not_write_the_same_twice_for_things_alike() {
    long openings =
        IntStream.range(20, 40)
            .mapToObj(size -> new ModelWriter(KNOWLEDGE, this::ask).write(brief(size)))
            .map(w -> w.draft().sentences(Field.DESCRIPTION).getFirst().text())
            .map(t -> t.replaceAll("\\d+", ""))
            .distinct()
            .count();
    assertThat(openings).isGreaterThan(2);
  }

  @Test
  void whatever_it_answers_can_go_out_or_is_said_to_be_no_answer() {
    int unreadable = 0;
    for (int size = 20; size < 80; size++) {
      Brief brief = brief(size);
      Draft composed =
          new Composer(KNOWLEDGE, 1, Variety.ofFew(), new RangeFigures(KNOWLEDGE)).compose(brief);
      try {
        ModelWriter.Written written =
            new ModelWriter(KNOWLEDGE, turns -> ask(turns, 100)).write(brief);
        Amender.Amended amended =
            new Amender(KNOWLEDGE, Amends.COMPOSE).amended(written, composed, brief);
        assertThat(amended.audit().mustFix()).isEmpty();
        assertThat(amended.draft().fields().keySet()).containsAll(composed.fields().keySet());
        assertThat(amended.draft().plain(Field.DESCRIPTION))
            .contains("Fell Pannier " + size)
            .doesNotContain("schön", "Qualität", "lovely text", "reasoning");
      } catch (UnreadableAnswer e) {
        unreadable++;
      }
    }
    assertThat(unreadable).isBetween(1, 20);
  }

  @Test
  void what_it_invents_does_not_get_through() {
    Brief brief = brief(21);
    Draft composed =
        new Composer(KNOWLEDGE, 1, Variety.ofFew(), new RangeFigures(KNOWLEDGE)).compose(brief);
    JsonMapper json = JsonMapper.builder().build();
    List<String> through =
        Copywriter.INVENTED.stream()
            .filter(
                invented ->
                    new Amender(KNOWLEDGE, Amends.LEAVE_OUT)
                        .amended(
                            new ModelWriter(
                                    KNOWLEDGE,
                                    turns ->
                                        json.writeValueAsString(
                                            new Copywriter(turns.getFirst().text(), new Random(7))
                                                .texts(invented)))
                                .write(brief),
                            composed,
                            brief)
                        .draft()
                        .plain(Field.DESCRIPTION)
                        .contains(invented))
            .toList();
    assertThat(through).isEmpty();
  }
}
