package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Styles;

class StyleProblemTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{'voice': 'booming'} | voice | no voice called \"booming\"",
        "{'required': ['spare parts'], 'banned': [{'word': 'spare'}]} | required | and \"spare\" is banned",
        "{'always': ['Spare parts are kept.'], 'banned': [{'word': 'part'}]} | always | and \"parts\" is banned",
        "{'always': ['Spare parts are kept']} | always | ends with a full stop",
        "{'banned': [{'word': 'good', 'instead': 'nice'}, {'word': 'nice'}]} | banned | \"nice\" is banned too",
        "{'banned': [{'word': 'good', 'instead': 'good'}]} | banned | \"good\" is banned too",
        "{'banned': [{'word': '!!'}]} | banned | at least a letter",
        "{'banned': [{'word': 'Good'}, {'word': 'good'}]} | banned | banned twice",
        "{'lengths': {'title': {'leastCharacters': 60, 'mostCharacters': 40}}} | lengths.title | at least 60 characters and at most 40",
        "{'lengths': {'title': {'leastCharacters': 90}}} | lengths.title | at least 90 characters and at most 80",
        "{'lengths': {'description': {'leastWords': 90, 'mostWords': 80}}} | lengths.description | at least 90 words and at most 80",
        "{'lengths': {'description': {'leastCharacters': 900, 'mostWords': 8}}} | lengths.description | in 8 words",
        "{'lengths': {'title': {'mostCharacters': -4}}} | lengths.title | not -4",
        "{'tuning': {'warmth': 3}} | tuning.warmth | from -2 to 2, not to 3",
        "{'tuning': {'sentenceWords': 3}} | tuning.sentenceWords | 3 is none of them"
      })
  void what_cannot_be_obeyed_is_said_at_its_place(String style, String where, String why) {
    assertThat(StyleProblem.of(Styles.of(style)))
        .anySatisfy(
            p -> {
              assertThat(p.where()).isEqualTo(where);
              assertThat(p.why()).contains(why);
            });
  }

  @Test
  void a_style_that_can_be_obeyed_has_none() {
    assertThat(StyleProblem.of(Style.standard())).isEmpty();
    assertThat(
            StyleProblem.of(
                Styles.of(
                    "{'voice': 'warm', 'tuning': {'formality': 1, 'sentenceWords': 16}, 'banned': [{'word': 'cheap', 'instead': 'low-priced'}],"
                        + "'required': ['cycling'], 'always': ['Spare parts are kept.'], 'lengths': {'title': {'mostCharacters': 60}}}")))
        .isEmpty();
  }

  @Test
  void too_many_banned_words_are_refused_as_a_whole() {
    List<BannedWord> many =
        IntStream.rangeClosed(0, StyleProblem.MOST_BANNED)
            .mapToObj(i -> new BannedWord("word" + (char) ('a' + i % 26) + i, ""))
            .toList();
    assertThat(StyleProblem.of(Style.standard().withBanned(many)))
        .singleElement()
        .satisfies(p -> assertThat(p.why()).contains("5,001", "5,000"));
  }

  @Test
  void what_every_description_ends_with_leaves_room_for_the_description() {
    String style =
        "{'always': ['%s.'], 'lengths': {'DESCRIPTION': {'leastCharacters': 0, 'mostCharacters': 0, 'leastWords': 0, 'mostWords': 40}}}";
    assertThat(StyleProblem.of(Styles.of(style.formatted("word ".repeat(25).strip()))))
        .singleElement()
        .satisfies(p -> assertThat(p.why()).contains("25 words, more than half of the 40"));
    assertThat(StyleProblem.of(Styles.of(style.formatted("We keep the spare parts")))).isEmpty();
  }
}
