package rhetor.core.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EnglishTest {
  @ParameterizedTest
  @CsvSource({
    "pannier,a",
    "20-litre pannier,a",
    "18-litre pannier,an",
    "8 mm shackle,an",
    "800-lumen light,an",
    "11-page book,an",
    "1.1-litre pot,a",
    "110-gram tin,a",
    "IPX6 rating,an",
    "LED lamp,an",
    "USB port,a",
    "U-lock,a",
    "hour,an",
    "hourglass,an",
    "umbrella,an",
    "unit,a",
    "uniform,a",
    "used bag,a",
    "one-day course,a",
    "European plug,a",
    "honest text,an",
    "oak table,an",
    "unisex jacket,a",
    "uninsulated bottle,an",
    "ukulele,a",
    "utensil,a",
    "usb cable,a",
    "utter fake,an"
  })
  void the_article_follows_the_sound(String words, String article) {
    assertThat(English.article(words)).isEqualTo(article);
  }

  @ParameterizedTest
  @CsvSource({
    "pannier,panniers",
    "saddle bag,saddle bags",
    "torch,torches",
    "battery,batteries",
    "knife,knives",
    "species,species",
    "trousers,trousers",
    "multi-tool,multi-tools",
    "day ride,day rides"
  })
  void plurals_and_back(String one, String many) {
    assertThat(English.plural(one)).isEqualTo(many);
    if (!one.equals(many)) {
      assertThat(English.singular(many)).isEqualTo(one);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "weigh 940 g,weighs 940 g",
    "be rated IPX6,is rated IPX6",
    "have a hood,has a hood",
    "attach with hooks,attaches with hooks",
    "carry loads,carries loads"
  })
  void verbs_agree_with_a_singular(String base, String agreed) {
    assertThat(English.agree(base, false)).isEqualTo(agreed);
  }

  @Test
  void verbs_agree_with_a_plural() {
    assertThat(English.agree("be made of wool", true)).isEqualTo("are made of wool");
    assertThat(English.agree("weigh 95 g", true)).isEqualTo("weigh 95 g");
  }

  @ParameterizedTest
  @CsvSource({
    "Full sun,full sun",
    "Recycled polyester,recycled polyester",
    "Sennick Quarry,Sennick Quarry",
    "March,March",
    "Portugal,Portugal",
    "USB-C,USB-C",
    "U-lock,U-lock",
    "BLACK,black",
    "Cordura,Cordura",
    "iPhone mount,iPhone mount"
  })
  void common_words_lose_their_capital_and_names_keep_it(String cell, String mid) {
    assertThat(English.midSentence(cell)).isEqualTo(mid);
  }

  @Test
  void names_in_capitals_are_set_like_names() {
    assertThat(English.titleCase("HARBOUR MUG SET OF 4")).isEqualTo("Harbour Mug Set of 4");
    assertThat(English.titleCase("USB LAMP")).contains("Lamp");
  }

  @Test
  void a_word_with_a_capital_of_its_own_keeps_it_at_the_start_of_a_sentence() {
    assertThat(English.capitalise("eBook readers fit.")).isEqualTo("eBook readers fit.");
    assertThat(English.capitalise("a USB cable fits.")).isEqualTo("A USB cable fits.");
    assertThat(English.capitalise("x-Ray")).isEqualTo("X-Ray");
  }

  @Test
  void words_of_titles_get_capitals_but_small_words_units_and_codes_do_not() {
    assertThat(English.capitaliseWords("waterproof pannier of 20 l in moss green, rated IPX6"))
        .isEqualTo("Waterproof Pannier of 20 l in Moss Green, Rated IPX6");
    assertThat(English.capitaliseWords("eBook reader")).isEqualTo("eBook Reader");
    assertThat(English.capitaliseWords("")).isEmpty();
  }

  @Test
  void lists_take_a_comma_before_and_only_where_an_item_has_its_own() {
    assertThat(English.list(List.of("a", "b", "c"))).isEqualTo("a, b and c");
    assertThat(English.list(List.of("oak and steel", "wool"))).isEqualTo("oak and steel, and wool");
    assertThat(English.list(List.of("a"))).isEqualTo("a");
  }

  @Test
  void what_nobody_uses_singly_is_sold_in_the_plural() {
    assertThat(English.asSold("binocular")).isEqualTo("binoculars");
    assertThat(English.asSold("swim goggle")).isEqualTo("swim goggles");
    assertThat(English.asSold("wine glass")).isEqualTo("wine glass");
    assertThat(English.asSold("")).isEmpty();
  }

  @Test
  void mass_nouns_take_no_article() {
    assertThat(English.isCountable("polyester")).isFalse();
    assertThat(English.isCountable("harness")).isTrue();
  }
}
