package rhetor.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers as models give them, asked or not. */
class PictureQuestionTest {
  @Test
  void reads_a_line_for_each_thing_that_is_seen() {
    assertThat(PictureQuestion.lines("Kind: satchel\nColour: dark red\nClosure: two buckles"))
        .containsExactly("Kind: satchel", "Colour: dark red", "Closure: two buckles");
  }

  @Test
  void leaves_out_chatter_marks_of_lists_and_what_is_not_seen() {
    String answer =
        """
        Sure! Here is what I see: a bag.

        - **Kind:** satchel
        * Material: leather
        1. Pattern: none
        2) Closure: two buckles
        Shape: not visible
        > Colour: brown
        Colour: red
        Note: the picture is small
        """;
    assertThat(PictureQuestion.lines(answer))
        .containsExactly(
            "Kind: satchel", "Material: leather", "Closure: two buckles", "Colour: brown");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "I'm sorry, I can't help with pictures.",
        "{\"kind\": \"satchel\"}",
        "A lovely satchel of the finest leather, made to last a lifetime of journeys."
      })
  void takes_nothing_from_what_is_no_answer(String answer) {
    assertThat(PictureQuestion.lines(answer)).isEmpty();
  }

  @Test
  void takes_no_more_than_a_dozen_and_no_essays() {
    StringBuilder answer = new StringBuilder("Shape: " + "round ".repeat(40) + "\n");
    for (char c = 'a'; c <= 'z'; c++) {
      answer.append("Label ").append(c).append(": x").append('\n');
    }
    assertThat(PictureQuestion.lines(answer.toString()))
        .hasSize(12)
        .noneMatch(l -> l.startsWith("Shape"));
  }
}
