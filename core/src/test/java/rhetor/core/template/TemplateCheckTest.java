package rhetor.core.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;

/** What a template may say, and where it is told that it can't. */
class TemplateCheckTest {
  private static List<TemplateProblem> problems(Template template) {
    return TemplateCheck.problems(template, Knowledge.standard(), Style.standard(), Set.of());
  }

  private static Template own(String text) {
    return new Template(
        "",
        List.of(new Question("fixing", "How is it fixed?", "mount", "")),
        List.of(Part.of(Part.Kind.OPENING), new Part(Part.Kind.OWN, "", text)),
        Map.of(),
        StyleLayer.NOTHING,
        List.of(),
        "");
  }

  static Stream<StartingTemplates.Starting> starting() {
    return StartingTemplates.all().stream();
  }

  @ParameterizedTest
  @MethodSource("starting")
  void what_ships_can_be_obeyed(StartingTemplates.Starting starting) {
    assertThat(problems(starting.template())).isEmpty();
    assertThat(starting.template().about()).endsWith(".");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It holds {{capacty}}. | 1 | 12 | perhaps \"capacity\" is meant",
        "'One.\nIt weighs {{#if weight}}{{wieght}}{{/if}}.' | 2 | 27 | perhaps \"weight\" is meant",
        "It holds {{capacity. | 1 | 21 | can't be read here",
        "{{#if weight}}It weighs {{weight}}. | 1 | 36 | can't be read here",
        "{{> other}} | 1 | 1 | can't include another one or itself",
        "{{#> layout}}x{{/layout}} | 1 | 1 | can't include another one or itself",
        "{{*inline}} | 1 | 1 | can't include another one or itself",
        "{{include 'x'}} | 1 | 3 | no slot called \"include\"",
        "{{lookup this 'x'}} | 1 | 3 | no slot called \"lookup\"",
        "{{#each facts}}{{#each facts}}{{#each facts}}{{#each facts}}x{{/each}}{{/each}}{{/each}}{{/each}} | 1 | 46 | 3 deep at most",
        "{{#facts}}{{#facts}}{{#facts}}{{#facts}}x{{/facts}}{{/facts}}{{/facts}}{{/facts}} | 1 | 31 | 3 deep at most",
        "{{log name}} | 1 | 3 | no slot called \"log\"",
        "{{lookup facts 0}} | 1 | 3 | no slot called \"lookup\"",
        "{{#if (lookup facts 0)}}x{{/if}} | 1 | 4 | takes one slot",
        "{{=<% %>=}}<% name %> | 1 | 1 | throughout",
        "{{name 'x'}} | 1 | 3 | with its name alone",
        "{{{{raw}}}}x{{{{/raw}}}} | 1 | 1 | Raw blocks",
        "{{#if name}}{{else log name}}{{/if}} | 1 | 20 | no slot called \"log\"",
        "{{#*inline 'x'}}{{> x}}{{/inline}}{{> x}} | 1 | 1 | can't include another one or itself"
      })
  void what_cannot_be_filled_is_told_at_its_line_and_column(
      String text, int line, int column, String why) {
    assertThat(problems(own(text)))
        .first()
        .satisfies(
            p -> {
              assertThat(p.where()).isEqualTo("outline.1");
              assertThat(p.why()).contains(why);
              assertThat(List.of(p.line(), p.column())).containsExactly(line, column);
            });
  }

  @Test
  void what_a_template_asks_and_sets_out_is_checked() {
    Template odd =
        new Template(
            "",
            List.of(
                new Question("Fit", "Does it fit?", "", ""),
                new Question("name", "Its name?", "", ""),
                new Question("rack", "", "", ""),
                new Question("rack", "Which rack?", "", "")),
            List.of(
                Part.of(Part.Kind.STORY),
                Part.of(Part.Kind.STORY),
                new Part(Part.Kind.OWN, "x".repeat(81), "")),
            Map.of(Field.DESCRIPTION, "{{name}}"),
            StyleLayer.NOTHING,
            List.of(),
            "{{sheet}} {{voise}}");
    assertThat(problems(odd))
        .extracting(TemplateProblem::where)
        .containsExactlyInAnyOrder(
            "questions.0",
            "questions.1",
            "questions.2",
            "questions.3",
            "outline.1",
            "outline.2",
            "outline.2",
            "fields.description",
            "prompt");
  }

  private static final Map<String, Slot> SLOTS =
      Map.of("weight", new Slot("940 g", "weight"), "name", new Slot("Roll Pannier 20", "name"));

  @Test
  void a_sentence_with_an_empty_slot_is_left_out_whole_and_the_others_name_their_facts() {
    OwnText text =
        OwnText.of(
            "{{name}} weighs {{weight}}. It holds {{capacity}}. {{#if capacity}}Room.{{else}}Ask us.{{/if}}");
    assertThat(text.lines(SLOTS))
        .containsExactly(
            new OwnText.Line("Roll Pannier 20 weighs 940 g.", List.of("name", "weight")),
            new OwnText.Line("Ask us.", List.of()));
    assertThat(text.filled(SLOTS)).isEqualTo("Roll Pannier 20 weighs 940 g. It holds . Ask us.");
  }

  @Test
  void a_hostile_value_stays_what_it_is() {
    Map<String, Slot> slots = Map.of("name", new Slot("{{name}} <b>{{> x}}</b>", "name"));
    assertThat(OwnText.of("{{name}}").lines(slots).getFirst().text())
        .isEqualTo("{{name}} <b>{{> x}}</b>");
    assertThat(OwnText.of("{{name.class.name}}|{{name.bytes}}").filled(slots)).isEqualTo("|");
  }

  @Test
  void a_text_that_grows_beyond_all_use_is_stopped() {
    Map<String, Slot> slots = new java.util.HashMap<>();
    for (int i = 0; i < 80; i++) {
      slots.put("f" + i, new Slot("value ".repeat(200), "f" + i));
    }
    OwnText text = OwnText.of("{{#each facts}}{{value}}{{/each}}");
    assertThatThrownBy(() -> text.lines(slots))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("60,000");
  }

  private static Map<String, Slot> many() {
    Map<String, Slot> slots = new java.util.HashMap<>();
    for (int i = 0; i < 80; i++) {
      slots.put("f" + i, new Slot("v", "f" + i));
    }
    return slots;
  }

  /** Each goes through its lists so often that it would take hours and all memory. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "{{#facts}}{{#facts}}{{#facts}}{{/facts}}{{/facts}}{{/facts}}",
        "{{#each facts}}{{#each ../facts}}{{#each ../facts}}{{/each}}{{/each}}{{/each}}",
        "{{#each facts}}{{#each ../facts}}{{#each ../facts}}{{#if label}}{{/if}}{{/each}}{{/each}}{{/each}}",
        "LONG"
      })
  void a_text_that_takes_too_many_steps_is_stopped(String source) {
    OwnText text =
        OwnText.of(
            source.equals("LONG")
                ? "{{#each facts}}{{#each ../facts}}" + "word ".repeat(3_900) + "{{/each}}{{/each}}"
                : source);
    assertTimeoutPreemptively(
        Duration.ofSeconds(10),
        () ->
            assertThatThrownBy(() -> text.lines(many()))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching("(?s).*(too often|60,000).*"));
  }

  @ParameterizedTest
  @ValueSource(ints = {9, 200, 2_000})
  void a_text_nested_deeply_is_refused_before_it_is_read(int depth) {
    String nested = "{{#facts}}".repeat(depth) + "{{/facts}}".repeat(depth);
    assertTimeoutPreemptively(
        Duration.ofSeconds(10), () -> assertThat(problems(own(nested))).isNotEmpty());
    assertThatThrownBy(() -> OwnText.of(nested)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{{log name}}{{> x}}",
        "{{=<% %>=}}<% name %>",
        "{{#if (lookup facts 0)}}x{{/if}}",
        "{{#each facts as |f|}}x{{/each}}",
        "{{#*inline 'x'}}{{> x}}{{/inline}}{{> x}}"
      })
  void a_text_kept_by_an_earlier_version_is_held_to_the_same_list(String source) {
    assertThatThrownBy(() -> OwnText.of(source)).isInstanceOf(IllegalArgumentException.class);
  }
}
