package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What nouns name, in all their senses. */
class LexiconTest {
  private final Lexicon lexicon = Lexicon.shipped();

  @ParameterizedTest
  @ValueSource(strings = {"chisel", "Boat", "cheese", "tulip", "hair dryer"})
  void things_that_are_made_grown_or_eaten_are_goods(String noun) {
    assertThat(lexicon.isGoods(noun)).isTrue();
    assertThat(lexicon.senses(noun)).isPositive();
  }

  @Test
  void what_the_dictionary_has_not_together_is_no_kind_of_its_first_word() {
    assertThat(lexicon.senses("dog bed")).isZero();
    assertThat(lexicon.isKindOf("dog bed", "animal")).isFalse();
    assertThat(lexicon.isKindOf("ice cream maker", "food")).isFalse();
    assertThat(lexicon.isKindOf("ice cream", "food")).isTrue();
    assertThat(lexicon.isAdjective("wooden spoon")).isFalse();
    // What sort of thing it is tells its head.
    assertThat(lexicon.isGoods("dog bed")).isTrue();
    assertThat(lexicon.sorts("dog bed")).contains("noun.artifact").doesNotContain("noun.animal");
  }

  @ParameterizedTest
  @ValueSource(strings = {"warranty", "origin", "unisex", "", "zzgrmpf"})
  void properties_and_no_words_are_none(String noun) {
    assertThat(lexicon.isGoods(noun)).isFalse();
    assertThat(lexicon.goods(noun)).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "chisel, tool, true",
    "kayak, boat, true",
    "kettle, kettle, true",
    "boat, kayak, false",
    "saw, food, false"
  })
  void what_is_a_kind_of_what_is_known(String noun, String other, boolean is) {
    assertThat(lexicon.isKindOf(noun, other)).isEqualTo(is);
  }

  @Test
  void words_of_one_sense_are_synonyms() {
    assertThat(lexicon.synonyms("flashlight")).contains("torch", "flashlight");
  }

  @Test
  void nouns_for_hundreds_of_kinds_of_things_are_told_from_those_for_few() {
    for (String narrow : List.of("ladder", "chair", "watch", "boat", "oil")) {
      assertThat(Lexicon.shipped().kinds(narrow)).as(narrow).isBetween(1, 150);
    }
    for (String wide : List.of("machine", "instrument", "device", "vehicle", "food")) {
      assertThat(Lexicon.shipped().kinds(wide)).as(wide).isGreaterThan(150);
    }
    assertThat(Lexicon.shipped().kinds("swiftly")).isZero();
  }

  @Test
  void places_are_instances_of_what_they_are() {
    assertThat(Lexicon.shipped().isKindOf("Denmark", "country")).isTrue();
    assertThat(Lexicon.shipped().isKindOf("steel", "metal")).isTrue();
    assertThat(Lexicon.shipped().isKindOf("Denmark", "metal")).isFalse();
  }
}
