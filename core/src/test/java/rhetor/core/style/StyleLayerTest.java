package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import rhetor.core.Styles;

/** What a range decides otherwise than the house, and lines that hold for a time. */
class StyleLayerTest {
  private static final Style HOUSE =
      Styles.of(
          "{'voice': 'warm', 'audience': 'commuting', 'banned': [{'word': 'rugged', 'instead': 'strong'}],"
              + " 'always': ['We keep the spare parts.'], 'lengths': {'TITLE': {'leastCharacters': 0, 'mostCharacters': 60, 'leastWords': 0, 'mostWords': 0}}}");

  private static StyleLayer layer(
      String voice, List<BannedWord> banned, Map<Field, Length> lengths) {
    return new StyleLayer(
        voice,
        Optional.empty(),
        "",
        banned,
        List.of(),
        List.of(),
        List.of("new"),
        List.of("It comes with a map."),
        List.of(),
        Optional.of(Spelling.AMERICAN),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        lengths,
        List.of());
  }

  @Test
  void a_layer_takes_the_place_of_settings_and_comes_on_top_of_words() {
    StyleLayer tours =
        layer(
            "refined",
            List.of(new BannedWord("Rugged", "stout"), new BannedWord("cheap", "")),
            Map.of(Field.META_TITLE, Length.ofCharacters(0, 50)));
    LayeredStyle layered = LayeredStyle.of(HOUSE).under("Tours", tours);
    Style style = layered.style();
    assertThat(style.voice()).isEqualTo("refined");
    assertThat(style.audience()).isEqualTo("commuting");
    assertThat(style.spelling()).isEqualTo(Spelling.AMERICAN);
    assertThat(style.banned())
        .containsExactly(new BannedWord("Rugged", "stout"), new BannedWord("cheap", ""));
    assertThat(style.always()).containsExactly("We keep the spare parts.", "It comes with a map.");
    assertThat(style.length(Field.TITLE).mostCharacters()).isEqualTo(60);
    assertThat(style.length(Field.META_TITLE).mostCharacters()).isEqualTo(50);
    assertThat(layered.from())
        .containsOnlyKeys(
            "voice", "banned", "notInTitles", "always", "spelling", "lengths.meta_title")
        .containsEntry("voice", "Tours");
  }

  @Test
  void the_layer_on_top_is_the_one_a_setting_comes_from() {
    LayeredStyle layered =
        LayeredStyle.of(HOUSE)
            .under("Tours", layer("refined", List.of(), Map.of()))
            .under("Long story", layer("playful", List.of(), Map.of()));
    assertThat(layered.style().voice()).isEqualTo("playful");
    assertThat(layered.from()).containsEntry("voice", "Long story");
  }

  @Test
  void every_setting_is_told_in_words_with_all_that_had_a_say_in_it() {
    LayeredStyle layered =
        LayeredStyle.of(HOUSE)
            .under(
                "Tours",
                layer(
                    "refined",
                    List.of(new BannedWord("cheap", "")),
                    Map.of(Field.META_TITLE, Length.ofCharacters(20, 50))));
    assertThat(layered.settings())
        .contains(
            new Setting("voice", "Voice", "Refined", "Tours"),
            new Setting("audience", "Readers", "commuting", "the house"),
            new Setting("lengths.meta_title", "Meta title", "20 to 50 characters", "Tours"),
            new Setting(
                "always",
                "Descriptions end with",
                "We keep the spare parts. It comes with a map.",
                "the house and Tours"));
    assertThat(layered.settings())
        .filteredOn(s -> s.name().equals("banned"))
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.value()).contains("cheap");
              assertThat(s.from()).isEqualTo("the house and Tours");
            });
  }

  @Test
  void a_layer_that_decides_nothing_changes_nothing() {
    assertThat(LayeredStyle.of(HOUSE).under("Tours", StyleLayer.NOTHING))
        .isEqualTo(LayeredStyle.of(HOUSE));
  }

  private static Angle angle(String name, String line, String first, String last) {
    return new Angle(name, line, LocalDate.parse(first), LocalDate.parse(last));
  }

  private static final Angle DARK =
      angle("Dark season", "Made for dark mornings.", "2026-11-01", "2027-02-28");

  @Test
  void an_angle_holds_from_its_first_day_to_its_last() {
    assertThat(
            List.of("2026-10-31", "2026-11-01", "2027-02-28", "2027-03-01").stream()
                .map(LocalDate::parse)
                .map(DARK::holdsOn))
        .containsExactly(false, true, true, false);
    assertThat(DARK.problems(List.of(), HOUSE)).isEmpty();
  }

  @Test
  void two_angles_at_once_are_refused_with_the_other_ones_days() {
    assertThat(
            angle("Sale", "Less this week.", "2027-02-28", "2027-03-05")
                .problems(List.of(DARK), HOUSE))
        .singleElement()
        .asString()
        .contains("\"Dark season\" holds from 2026-11-01 to 2027-02-28");
    assertThat(
            angle("Spring", "Made for spring.", "2027-03-01", "2027-05-31")
                .problems(List.of(DARK), HOUSE))
        .isEmpty();
  }

  @Test
  void an_angle_that_cannot_be_said_is_refused() {
    assertThat(angle("", "rugged", "2027-03-01", "2027-02-01").problems(List.of(), HOUSE))
        .hasSize(4)
        .anyMatch(p -> p.contains("needs a name"))
        .anyMatch(p -> p.contains("ends with a full stop"))
        .anyMatch(p -> p.contains("before it begins on 2027-03-01"))
        .anyMatch(p -> p.contains("\"rugged\", which the house doesn't say"));
    assertThat(angle("Sale", "Buy now!", "2027-03-01", "2027-03-01").problems(List.of(), HOUSE))
        .singleElement()
        .asString()
        .contains("exclamation");
  }
}
