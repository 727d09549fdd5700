package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Styles;

class InstructionsTest {
  private static Instructions.Reading read(String line) {
    return Instructions.read(List.of(line), Style.standard());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "no more than 80 words | Description: at most 80 words. | {'lengths': {'description': {'mostWords': 80}}}",
        "Keep titles under 60 characters. | Title: at most 60 characters. | {'lengths': {'title': {'mostCharacters': 60}}}",
        "The meta description has at most 150 characters | Meta description: at most 150 characters. | {'lengths': {'meta_description': {'mostCharacters': 150}}}",
        "At least forty words | Description: at least 40 words. | {'lengths': {'description': {'leastWords': 40}}}",
        "sentences of at most 14 words | Sentences have up to 14 words. | {'tuning': {'sentenceWords': 14}}",
        "No sentence over 16 words | Sentences have up to 16 words. | {'tuning': {'sentenceWords': 16}}",
        "Use short sentences | Sentences have up to 12 words. | {'tuning': {'sentenceWords': 12}}",
        "do not mention the price | No text says \"price\". | {'banned': [{'word': 'price'}]}",
        "Don’t use the word \"rugged\" | No text says \"rugged\". | {'banned': [{'word': 'rugged'}]}",
        "never call it indestructible | No text says \"indestructible\". | {'banned': [{'word': 'indestructible'}]}",
        "say backpack instead of rucksack | Texts say \"backpack\" and not \"rucksack\". | {'banned': [{'word': 'rucksack', 'instead': 'backpack'}]}",
        "replace 'cheap' with 'low-priced' | Texts say \"low-priced\" and not \"cheap\". | {'banned': [{'word': 'cheap', 'instead': 'low-priced'}]}",
        "write bicycle, not bike | Texts say \"bicycle\" and not \"bike\". | {'banned': [{'word': 'bike', 'instead': 'bicycle'}]}",
        "never say rugged, say strong instead | Texts say \"strong\" and not \"rugged\". | {'banned': [{'word': 'rugged', 'instead': 'strong'}]}",
        "Don't write bike; write bicycle | Texts say \"bicycle\" and not \"bike\". | {'banned': [{'word': 'bike', 'instead': 'bicycle'}]}",
        "say that spare parts are kept | Every description ends: \"Spare parts are kept.\" | {'always': ['Spare parts are kept.']}",
        "write for people who ride all winter | Texts are for people who ride all winter. | {'audience': 'people who ride all winter'}",
        "use American spelling | Texts are spelt in American English. | {'spelling': 'AMERICAN'}",
        "Write British English | Texts are spelt in British English. | {}",
        "no exclamation marks | Texts have no exclamation marks. | {}",
        "Use exclamation marks | Exclamation marks may stand in texts. | {'exclamations': true}",
        "emoji are fine | Emoji may stand in texts. | {'emoji': true}",
        "no contractions | Verbs are written out. | {'tuning': {'contractions': 'NEVER'}}",
        "never address the reader | Nobody is addressed. | {'tuning': {'person': 'NOBODY'}}",
        "Speak to the reader | The reader is addressed. | {'tuning': {'person': 'YOU'}}",
        "sound very formal | Texts sound very formal. | {'tuning': {'formality': 2}}",
        "be friendly | Texts sound rather friendly. | {'tuning': {'warmth': 1}}",
        "keep colours out of titles | Titles never have \"colours\". | {'notInTitles': ['colours']}",
        "Always mention \"touring\" | Every description has \"touring\". | {'required': ['touring']}"
      })
  void what_is_understood_becomes_a_rule_and_is_said_back(String line, String rule, String style) {
    Instructions.Reading reading = read(line);
    assertThat(reading.lines()).containsExactly(new Instructions.Understood(line, rule, ""));
    assertThat(reading.style()).isEqualTo(Styles.of(style));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Make it sing like a blackbird in spring.",
        "do not mention anything that our competitors might find interesting",
        "think of the sea",
        "no more than many words"
      })
  void what_is_not_understood_is_kept_for_text_models(String line) {
    Instructions.Reading reading = read(line);
    assertThat(reading.lines().getFirst().becameRule()).isFalse();
    assertThat(reading.style())
        .isEqualTo(Style.standard().with(p -> p.instructions = List.of(line)));
  }

  @Test
  void what_contradicts_the_style_is_said_and_left_out() {
    Style house =
        Styles.of("{'required': ['spare parts'], 'lengths': {'description': {'leastWords': 60}}}");
    Instructions.Reading reading =
        Instructions.read(
            List.of("never mention spare parts", "no more than 40 words", "no contractions"),
            house);
    assertThat(reading.lines().get(0).problem()).contains("wanted in every description");
    assertThat(reading.lines().get(1).problem()).contains("at least 60 words and at most 40");
    assertThat(reading.lines().get(2).problem()).isEmpty();
    assertThat(reading.style().banned()).isEmpty();
    assertThat(reading.style().tuning().contractions()).isEqualTo(Tuning.Contractions.NEVER);
  }

  @Test
  void a_hostile_line_is_read_in_no_time() {
    String hostile = "never ".repeat(40) + "say ".repeat(10);
    assertThat(read(hostile).lines()).hasSize(1);
    assertThat(read("use " + "a ".repeat(140) + "instead of").lines()).hasSize(1);
    assertThat(read("x".repeat(5_000)).lines().getFirst().becameRule()).isFalse();
  }
}
