package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Styles;

class HouseWordsTest {
  private static final Style STYLE =
      Styles.of(
          "{'banned': [{'word': 'amazing', 'instead': 'fine'}, {'word': 'rucksack', 'instead': 'backpack'},"
              + "{'word': 'state of the art', 'instead': 'recent'}, {'word': 'indestructible'},"
              + "{'word': 'buy', 'instead': 'choose'}, {'word': 'pannier', 'instead': 'bike bag'}]}");
  private final HouseWords words = new HouseWords(STYLE);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "An amazing lamp. | A fine lamp.",
        "It is an amazing rucksack. | It is a fine backpack.",
        "Amazing light! | Fine light!",
        "Two rucksacks for one | Two backpacks for one",
        "Panniers for two, a pannier for one | Bike bags for two, a bike bag for one",
        "A state-of-the-art lock | A state-of-the-art lock",
        "A state of the art lock | A recent lock",
        "Worth buying. | Worth choosing.",
        "It is indestructible. | It is indestructible.",
        "Grazing amazingly near | Grazing amazingly near",
        "It comes in gray. | It comes in grey.",
        "Its center weighs 2 kg. | Its centre weighs 2 kg."
      })
  void what_the_house_does_not_say_gives_way_to_what_it_says(String text, String said) {
    assertThat(words.said(text, List.of())).isEqualTo(said);
  }

  @Test
  void a_word_without_another_in_its_place_cannot_be_said() {
    assertThat(words.isUnsayable("Nothing is indestructible.", List.of())).isTrue();
    assertThat(words.isUnsayable("An amazing thing.", List.of())).isFalse();
  }

  @Test
  void each_place_says_what_stands_there_and_what_belongs_there() {
    String text = "Gray, amazing and indestructible.";
    assertThat(words.slips(text, List.of()))
        .containsExactly(
            new HouseWords.Slip(0, 4, "Gray", "Grey", true),
            new HouseWords.Slip(6, 13, "amazing", "fine", false),
            new HouseWords.Slip(18, 32, "indestructible", "", false));
  }

  @Test
  void names_are_spelt_as_they_are() {
    HouseWords american = new HouseWords(Styles.of("{'spelling': 'AMERICAN'}"));
    assertThat(
            american.said("Harbour Fog comes in grey, a harbour colour.", List.of("Harbour Fog")))
        .isEqualTo("Harbour Fog comes in gray, a harbor color.");
    assertThat(words.said("The Amazing Rucksack is a rucksack.", List.of("Amazing Rucksack")))
        .isEqualTo("The Amazing Rucksack is a backpack.");
    assertThat(words.isUnsayable("Indestructible 3 is strong.", List.of("Indestructible 3")))
        .isFalse();
    assertThat(american.said("It holds 20 litres of aluminium.", List.of()))
        .isEqualTo("It holds 20 liters of aluminum.");
  }

  @Test
  void words_that_both_spell_so_are_left_alone() {
    assertThat(words.slips("A draft program tires of a license check.", List.of())).isEmpty();
  }

  @Test
  void five_thousand_banned_words_are_found_as_one_is() {
    List<BannedWord> many = new ArrayList<>();
    for (int i = 0; i < StyleProblem.MOST_BANNED; i++) {
      many.add(new BannedWord("zzword" + Integer.toString(i, 26).replaceAll("\\d", "q"), ""));
    }
    many.set(0, new BannedWord("flimsy", "thin"));
    assertThat(new HouseWords(Style.standard().withBanned(many)).said("A flimsy strap.", List.of()))
        .isEqualTo("A thin strap.");
  }
}
