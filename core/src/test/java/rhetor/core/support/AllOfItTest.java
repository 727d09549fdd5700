package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.support.Assertion.Kind;

/** A garden cabinet: how many of it, of what all through, by which power, of which of its parts. */
class AllOfItTest {
  private final Judge judge =
      Cells.judge(
          "Orlin",
          "cabinet",
          Map.of("Wt", "weight"),
          List.of(
              "Drawers: 3",
              "Hinges: 2 steel",
              "Solar: N",
              "Thermal: Y",
              "Lamp mm: 78x78x35",
              "Key mm: 70 x 32 x 16",
              "Max load: 400",
              "Code: 398",
              "Doors: birch veneer on MDF",
              "Frame: pine",
              "Wt: 8 kg",
              "Care: wipe down",
              "Shelf: spruce / ash",
              "Cam: 2",
              "BT: 5.2",
              "Lacquered: lid",
              "Sensors incl.: N",
              "Cert: EN 14749",
              "Feet: black",
              "Pulls: white",
              "Drop\": 28"));

  private List<Assertion> judged(String sentence) {
    return judge.judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Both hinges are of steel.",
        "Three drawers are in it.",
        "It doesn't run on the sun.",
        "The lamp measures 78 x 78 x 35 mm.",
        "The key is 70 x 32 x 16 mm.",
        "It bears a load of 400.",
        "The frame is real pine.",
        "The doors are birch veneer on MDF.",
        "Wipe it down.",
        "A spruce shelf is in it.",
        "It talks to your phone by Bluetooth 5.2.",
        "The feet are black, and the pulls are white.",
        "It meets EN 14749.",
        "It has a drop of 28 inches."
      })
  void lets_pass_what_is_so(String sentence) {
    assertThat(judged(sentence)).noneMatch(Assertion::isHeld);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Both drawers are deep. | Drawers: 3",
        "The sun feeds its lamp. | Solar: N",
        "The lamp measures 70 x 32 x 16 mm. | Lamp mm: 78x78x35",
        "The doors are solid birch. | Doors: birch veneer on MDF",
        "A paulownia shelf holds it. | Shelf: spruce / ash",
        "One camera is built in. | Cam: 2",
        "Both lid and plinth are lacquered. | Lacquered: lid",
        "The sensors come mounted. | Sensors incl.: N"
      })
  void says_which_cell_it_contradicts(String sentence, String cell) {
    assertThat(judged(sentence))
        .anySatisfy(
            a -> {
              assertThat(a.isHeld()).isTrue();
              assertThat(a.against()).isEqualTo(cell);
            });
  }

  @ParameterizedTest
  @ValueSource(strings = {"It is GS-tested.", "It bears the Green Dove."})
  void holds_a_scheme_that_no_cell_has(String sentence) {
    assertThat(judged(sentence)).anyMatch(Assertion::isHeld);
  }

  /** A weight is called "dry weight" here and there. */
  @ParameterizedTest
  @ValueSource(strings = {"Dry-clean it.", "It may go to the dry cleaner."})
  void takes_no_word_from_another_name_of_a_column(String sentence) {
    assertThat(judged(sentence)).isNotEmpty();
  }

  /** Without a unit nothing was converted that could have been rounded. */
  @ParameterizedTest
  @ValueSource(strings = {"It bears a load of 401.", "It bears a load of 398.5."})
  void takes_bare_numbers_as_they_stand(String sentence) {
    assertThat(judged(sentence)).anyMatch(a -> a.kind() == Kind.NUMBER);
  }
}
