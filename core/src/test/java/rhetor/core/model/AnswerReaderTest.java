package rhetor.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;

class AnswerReaderTest {

  private static String text(Answer answer, Field field) {
    return new Draft(answer.fields()).plain(field);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"title\": \"Moss Lamp\", \"tags\": [\"lamp\", \"moss\"]}",
        "Sure! Here are your texts:\n```json\n{\"title\": \"Moss Lamp\", \"tags\": [\"lamp\", \"moss\"]}\n```\nLet me know what you think.",
        "{\"product\": {\"Title\": \"“Moss Lamp”\", \"tags\": \"#lamp, #moss\", \"colour\": 3}}",
        "{\"name\": \"Lamp\", \"title\": \"Moss Lamp\", \"tags\": \"lamp, moss\"}",
        "{'title': 'Moss Lamp', tags: ['lamp', 'moss',],}",
        "{\"title\": \"**Moss Lamp**\", \"tags\": \"- lamp\\n- moss\"}",
        "{\"title\": \"Title: Moss Lamp\", \"tags\": [\"lamp\", \"moss\"]",
        "{\"title\": \"<b>Moss</b> Lamp\", \"tags\": [\"lamp\", \"moss\"], \"short_description\": \"A lamp that",
        "{\"title\": \"Moss\nLamp\", \"tags\": \"lamp,moss\"}",
        "Of course.\n\n**Title:** Moss Lamp\n\n**Tags:** lamp, moss\n\nLet me know if you need more.",
        "## Title\nMoss Lamp\n\n---\n\n## Tags\nlamp, moss\n",
        "I {really} mean it: {\"title\": \"Moss Lamp\", \"tags\": [\"lamp\", \"moss\"]}",
      })
  void what_a_field_was_meant_to_be_is_found_in_whatever_wraps_it(String raw) {
    Answer answer = AnswerReader.read(raw);
    assertThat(text(answer, Field.TITLE)).isEqualTo("Moss Lamp");
    assertThat(text(answer, Field.TAGS)).isEqualTo("lamp, moss");
    assertThat(answer.fields()).doesNotContainKey(Field.SHORT_DESCRIPTION);
  }

  @Test
  void what_was_left_out_is_told() {
    Answer chatty =
        AnswerReader.read("Sure! Here they are: {\"title\": \"Moss Lamp\"} Anything else?");
    assertThat(chatty.notes())
        .containsExactly(
            "What stood around the fields was left out: “Sure! Here they are: Anything else?”");
    Answer cut = AnswerReader.read("{\"title\": \"Moss Lamp\", \"description\": \"<p>It shi");
    assertThat(cut.fields()).containsOnlyKeys(Field.TITLE);
    assertThat(cut.notes()).contains("“description” breaks off, so it was left out.");
    assertThat(AnswerReader.read("{\"title\": \"Moss Lamp\"}").notes()).isEmpty();
  }

  @Test
  void quotes_that_break_the_json_cost_no_text() {
    Answer answer =
        AnswerReader.read(
            """
            {"title": "The "Moss" Lamp", "description": "<p class="lead">It has a 12" shade, so it's "wide".</p>", "tags": ["lamp"]}
            """);
    assertThat(text(answer, Field.TITLE)).isEqualTo("The \"Moss\" Lamp");
    assertThat(text(answer, Field.DESCRIPTION)).isEqualTo("It has a 12\" shade, so it's \"wide\".");
    assertThat(text(answer, Field.TAGS)).isEqualTo("lamp");
  }

  @Test
  void a_description_may_come_as_markdown_and_loses_its_page_heading() {
    Answer answer =
        AnswerReader.read(
            """
            {"title": "Moss Lamp", "description": "Here is the description:\\n# Moss Lamp\\n\\nIt is **green**. It glows.\\n\\n## Care\\n\\n- Wipe it\\n- Dry it\\n\\n***\\nI hope this helps!"}
            """);
    assertThat(answer.fields().get(Field.DESCRIPTION))
        .extracting(Block::kind)
        .containsExactly(Block.Kind.PARAGRAPH, Block.Kind.HEADING, Block.Kind.LIST);
    assertThat(text(answer, Field.DESCRIPTION))
        .isEqualTo("It is green. It glows.\nCare\nWipe it\nDry it");
    assertThat(answer.notes()).hasSize(3).anyMatch(n -> n.contains("page’s heading"));
    Answer twice =
        AnswerReader.read(
            "{\"title\": \"Moss Lamp\", \"description\": \"<h2>Moss lamp</h2><p>It glows.</p>\"}");
    assertThat(text(twice, Field.DESCRIPTION)).isEqualTo("It glows.");
  }

  @Test
  void scripts_and_attributes_do_not_come_through() {
    Answer answer =
        AnswerReader.read(
            "{\"description\": \"<p onclick='steal()'>It glows.<script>steal()</script></p><iframe src='x'></iframe>\", \"title\": \"<script>x</script>Lamp\"}");
    assertThat(text(answer, Field.DESCRIPTION)).isEqualTo("It glows.");
    assertThat(text(answer, Field.TITLE)).isEqualTo("Lamp");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "   ",
        "I can't help with that.",
        "{\"answer\": \"none\"}",
        "{\"title\": \"\"}",
        "{{{{{{",
        "Note: a lamp is a lamp.",
        "[1, 2, 3]"
      })
  void an_answer_without_fields_is_refused_with_its_beginning(String raw) {
    assertThatThrownBy(() -> AnswerReader.read(raw))
        .isInstanceOf(UnreadableAnswer.class)
        .hasMessageContaining(raw.isBlank() ? "answered nothing" : raw.substring(0, 4));
  }

  @Test
  void an_answer_that_goes_on_and_on_is_read_in_time() {
    String raw = "{\"title\": \"Lamp\", \"description\": \"" + "{\"a ".repeat(100_000);
    assertThat(text(AnswerReader.read(raw), Field.TITLE)).isEqualTo("Lamp");
    assertThatThrownBy(() -> AnswerReader.read("{".repeat(300_000)))
        .isInstanceOf(UnreadableAnswer.class);
  }

  @Test
  void a_text_that_begins_like_chatter_is_a_text() {
    Answer answer =
        AnswerReader.read(
            """
            {"short_description": "Here is a lamp by Tolvane: the Moss Lamp.",
             "description": "Here’s the text you asked for.\n\nHere is a lamp for the porch."}""");
    assertThat(new Draft(answer.fields()).plain(Field.SHORT_DESCRIPTION))
        .isEqualTo("Here is a lamp by Tolvane: the Moss Lamp.");
    assertThat(new Draft(answer.fields()).plain(Field.DESCRIPTION))
        .isEqualTo("Here is a lamp for the porch.");
  }
}
