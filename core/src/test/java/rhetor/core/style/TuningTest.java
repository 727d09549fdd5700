package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Styles;

class TuningTest {
  private static Voice bent(String tuning, String voice) {
    return Styles.of("{'tuning': " + tuning + "}").bend(Voices.find(voice).orElseThrow());
  }

  private static int ready(Voice voice, SentenceFrame frame) {
    return voice.frames().getOrDefault(frame, 0);
  }

  @Test
  void nothing_decided_leaves_voices_as_they_are() {
    Voices.all().forEach(v -> assertThat(Tuning.NONE.bend(v)).isEqualTo(v));
  }

  @Test
  void formal_means_longer_frames_written_out_and_casual_the_contrary() {
    Voice warm = Voices.find("warm").orElseThrow();
    Voice formal = bent("{'formality': 2}", "warm");
    assertThat(formal.contractions()).isFalse();
    assertThat(ready(formal, SentenceFrame.PART_FIRST))
        .isGreaterThan(ready(warm, SentenceFrame.PART_FIRST));
    assertThat(ready(formal, SentenceFrame.LEAD)).isZero();
    assertThat(ready(formal, SentenceFrame.WHICH)).isPositive();
    Voice casual = bent("{'formality': -2}", "refined");
    assertThat(casual.contractions()).isTrue();
    assertThat(ready(casual, SentenceFrame.WHICH)).isZero();
    assertThat(ready(casual, SentenceFrame.BARE)).isPositive();
  }

  @Test
  void warmth_is_more_of_what_a_thing_is_good_for() {
    assertThat(bent("{'warmth': 2}", "plain").benefits()).isEqualTo(Voices.plain().benefits() + 2);
    assertThat(bent("{'warmth': -2}", "plain").benefits()).isZero();
  }

  @Test
  void energy_and_a_limit_for_sentences_make_them_shorter() {
    assertThat(bent("{'energy': 2}", "refined").facts()).isEqualTo(3);
    assertThat(bent("{'energy': -1}", "plain").facts()).isEqualTo(3);
    assertThat(bent("{'sentenceWords': 10}", "refined").facts()).isEqualTo(1);
  }

  @Test
  void the_reader_is_addressed_or_is_not() {
    Voice you = bent("{'person': 'YOU'}", "plain");
    assertThat(you.frames()).containsKey(SentenceFrame.YOU);
    Voice nobody = bent("{'person': 'NOBODY'}", "warm");
    assertThat(nobody.frames()).doesNotContainKey(SentenceFrame.YOU);
    assertThat(nobody.openings()).doesNotContainKey(OpeningFrame.YOU);
    assertThat(nobody.leads()).isNotEmpty().noneMatch(l -> l.contains("you"));
  }

  @ParameterizedTest
  @ValueSource(ints = {-2, -1, 0, 1, 2})
  void every_voice_bent_in_every_way_still_has_ways_to_open_and_to_go_on(int far) {
    for (Voice voice : Voices.all()) {
      for (Tuning.Person person : Tuning.Person.values()) {
        Voice bent =
            new Tuning(far, -far, far, person, Tuning.Contractions.AS_THE_VOICE, 8).bend(voice);
        assertThat(bent.frames()).isNotEmpty();
        assertThat(bent.openings()).isNotEmpty();
        assertThat(bent.facts()).isPositive();
        assertThat(bent.reasons()).isNotEmpty();
      }
    }
  }
}
