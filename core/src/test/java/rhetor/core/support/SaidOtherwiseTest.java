package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.support.Assertion.Kind;

/** A cider vinegar in its crate: what its cells say in one word, and what a text makes of that. */
class SaidOtherwiseTest {
  private final Judge judge =
      Cells.judge(
          "Orrin",
          "vinegar",
          Map.of(),
          List.of(
              "Taste: sharp",
              "Neck: narrow",
              "Refillable: N",
              "Handles: 0",
              "Crate L/W/H: 40 x 30 x 25",
              "Bottle cm: 36",
              "Opened for: 6 m",
              "Steep in: 3 jars",
              "Corks: 2",
              "Spare corks: 4",
              "Filtered: fine",
              "Stirring: drip-free",
              "Sulphite-free: Y",
              "Coloured: veg.",
              "Net wt: 9 kg",
              "Empty tare: 2 kg",
              "Carafes: 4 + 4",
              "BRC: Y",
              "Sweetened: cane",
              "Halal: N (cider)",
              "Lid: N, corked",
              "Stppr: glass",
              "Hue: dark amber"));

  private List<Assertion> judged(String sentence) {
    return judge.judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Its taste is sharp.",
        "The neck is narrow.",
        "It cannot be filled again.",
        "Steep it in three jars.",
        "The crate is 40 cm long.",
        "Two corks come with it.",
        "It is coloured with plants.",
        "You pour it without a drip, for salads or sauces.",
        "All eight carafes come with it.",
        "It is BRC-certified.",
        "Empty it weighs 2 kg.",
        "It is corked."
      })
  void lets_pass_what_is_so(String sentence) {
    assertThat(judged(sentence)).noneMatch(Assertion::isHeld);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Its taste is bitter. | Taste: sharp",
        "It has a bitter taste. | Taste: sharp",
        "Full it weighs 2 kg. | Net wt: 9 kg",
        "It is left unsweetened. | Sweetened: cane",
        "The neck is wide. | Neck: narrow",
        "The handles are strong. | Handles: 0",
        "The crate is 36 cm long. | Crate L/W/H: 40 x 30 x 25",
        "Three wide corks come with it. | Corks: 2"
      })
  void says_which_cell_it_contradicts(String sentence, String cell) {
    assertThat(judged(sentence))
        .anySatisfy(
            a -> {
              assertThat(a.isHeld()).isTrue();
              assertThat(a.against()).isEqualTo(cell);
            });
  }

  /** "6 m" of what is opened are months, if not metres. */
  @ParameterizedTest
  @ValueSource(strings = {"It is ready in six minutes."})
  void takes_months_for_no_minutes(String sentence) {
    assertThat(judged(sentence)).anyMatch(a -> a.kind() == Kind.NUMBER);
  }

  /** Praise says nothing of which of two it is. */
  @ParameterizedTest
  @ValueSource(strings = {"Its taste is wonderful.", "The neck is lovely."})
  void does_not_hold_praise_against_a_cell(String sentence) {
    assertThat(judged(sentence)).noneMatch(a -> a.kind() == Kind.ANSWER);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "It has passed a purity test.",
        "It is harmless to the stomach.",
        "A funnel comes along.",
        "It is black."
      })
  void holds_what_no_cell_says(String sentence) {
    assertThat(judged(sentence)).anyMatch(Assertion::isHeld);
  }
}
