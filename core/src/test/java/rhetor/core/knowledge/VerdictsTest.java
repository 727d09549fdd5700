package rhetor.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Verdicts.Effect;

/** What becomes of wordings that people like or don't. */
class VerdictsTest {
  private static final Concept PEAL =
      Concept.unworded("own_peal", "Peal")
          .saying(Map.of("verb", List.of("peal {v}", "ring {v}"), "adj", List.of("{v}-pealing")));

  private static Verdicts of(Map<String, Integer> scores) {
    return new Verdicts(Map.of("own_peal", scores));
  }

  @Test
  void what_is_liked_is_said_twice_as_often() {
    Verdicts verdicts = of(Map.of("ring {v}", 2));
    assertThat(verdicts.weighed(PEAL).say().get("verb"))
        .containsExactly("peal {v}", "ring {v}", "ring {v}");
    assertThat(verdicts.effect(PEAL, "ring {v}")).isEqualTo(Effect.SAID_MORE);
    assertThat(verdicts.effect(PEAL, "peal {v}")).isEqualTo(Effect.AS_BEFORE);
  }

  @Test
  void what_is_not_liked_goes_where_another_makes_a_sentence() {
    Verdicts verdicts = of(Map.of("ring {v}", -1, "{v}-pealing", -1));
    assertThat(verdicts.weighed(PEAL).say()).isEqualTo(Map.of("verb", List.of("peal {v}")));
    assertThat(verdicts.effect(PEAL, "ring {v}")).isEqualTo(Effect.SAID_NO_MORE);
  }

  @Test
  void the_last_that_makes_a_sentence_stays() {
    Verdicts verdicts = of(Map.of("ring {v}", -1, "peal {v}", -3));
    assertThat(verdicts.weighed(PEAL)).isEqualTo(PEAL);
    assertThat(verdicts.effect(PEAL, "peal {v}")).isEqualTo(Effect.NO_OTHER);
  }

  @Test
  void what_was_taught_goes_where_the_general_words_tell_it() {
    Concept taught = PEAL.taughtOf("bell", "verb", "clang {v}");
    Verdicts verdicts = of(Map.of("clang {v}", -1));
    assertThat(verdicts.weighed(taught).wordings()).doesNotContain("clang {v}");
    Concept only = PEAL.saying(Map.of()).taughtOf("bell", "verb", "clang {v}");
    assertThat(verdicts.weighed(only).wordings()).containsExactly("clang {v}");
  }

  @Test
  void those_who_say_nothing_change_nothing() {
    assertThat(Verdicts.NONE.weighed(PEAL)).isSameAs(PEAL);
    assertThat(of(Map.of("ring {v}", 0)).weighed(PEAL)).isEqualTo(PEAL);
    assertThat(Knowledge.standard().judged(of(Map.of("a", 1))).verdicts().scores())
        .containsKey("own_peal");
  }
}
