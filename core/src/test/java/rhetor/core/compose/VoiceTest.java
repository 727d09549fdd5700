package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import rhetor.core.Products;
import rhetor.core.check.Checker;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.support.Judge;
import rhetor.core.text.Draft;

/** The same facts in six voices, and in several takes. */
class VoiceTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts PANNIER =
      Products.of(
          "SKU,Name,Category,Brand,Material,Capacity,Weight,Closure,Mounting,IP rating,Colour,Keyword",
          "TV1,Roll Pannier 20,Panniers,Tolvane,recycled polyester,20 l,940 g,roll-top,hooks for rails from 8 to 11 mm,IPX6,moss green,waterproof commuter pannier");

  static List<Voice> voices() {
    return Voices.all();
  }

  private static Draft write(ProductFacts product, Voice voice) {
    return new Composer(KNOWLEDGE, 5).compose(Brief.of(product).in(voice));
  }

  @ParameterizedTest
  @MethodSource("voices")
  void every_voice_says_only_what_facts_bear_out(Voice voice) {
    Composer composer = new Composer(KNOWLEDGE, 3);
    for (Path sheet : Products.strangeSheets()) {
      for (ProductFacts product : Products.of(sheet)) {
        Judge judge = new Judge(product, KNOWLEDGE);
        Draft draft = composer.compose(Brief.of(product).in(voice));
        for (Field field : Field.values()) {
          assertThat(ComposerTest.held(judge, draft, field))
              .as("%s of %s in %s: %s", field, product.sku(), voice.id(), draft.plain(field))
              .isEmpty();
          assertThat(draft.plain(field))
              .as("%s of %s in %s", field, product.sku(), voice.id())
              .hasSizeLessThanOrEqualTo(field.most())
              .doesNotContain("{", "}", "null", "~", "\u0001", "..", " ,");
        }
      }
    }
  }

  @ParameterizedTest
  @MethodSource("voices")
  void every_voice_keeps_the_keyword_word_for_word(Voice voice) {
    assertThat(write(PANNIER, voice).prose()).contains("waterproof commuter pannier");
  }

  @Test
  void voices_share_few_turns_of_phrase() {
    Composer composer = new Composer(KNOWLEDGE, 5);
    List<String> texts =
        Voices.all().stream().map(v -> composer.compose(Brief.of(PANNIER).in(v)).prose()).toList();
    for (int i = 1; i < texts.size(); i++) {
      for (int j = 0; j < i; j++) {
        assertThat(Checker.likeness(texts.get(i), texts.get(j)))
            .as("%s%n%s", texts.get(i), texts.get(j))
            .isLessThan(0.5);
      }
    }
  }

  @Test
  void warm_and_playful_texts_are_spoken_and_refined_and_expert_ones_are_not() {
    String spoken = "(?i)\\b(?:it|there|that|they|you)’|n’t\\b|\\byou\\b|\\boh, and\\b|\\?";
    for (Voice voice : Voices.all()) {
      boolean speaks =
          java.util.regex.Pattern.compile(spoken).matcher(write(PANNIER, voice).prose()).find();
      if (voice.id().equals("refined") || voice.id().equals("expert")) {
        assertThat(speaks).as(voice.id()).isFalse();
      }
      if (voice.id().equals("warm") || voice.id().equals("playful")) {
        assertThat(speaks).as(voice.id()).isTrue();
      }
    }
  }

  @Test
  void takes_differ_in_plan_and_words() {
    List<Draft> takes = new Composer(KNOWLEDGE, 5).takes(Brief.of(PANNIER), 6);
    assertThat(takes).extracting(Draft::prose).doesNotHaveDuplicates();
    for (int i = 1; i < takes.size(); i++) {
      for (int j = 0; j < i; j++) {
        assertThat(Checker.likeness(takes.get(i).prose(), takes.get(j).prose()))
            .as("takes %d and %d", j, i)
            .isLessThan(0.6);
      }
    }
    assertThat(takes.stream().map(t -> t.plain(Field.TITLE)).distinct()).hasSizeGreaterThan(2);
  }

  @Test
  void asking_for_no_take_or_for_eleven_is_refused() {
    Composer composer = new Composer(KNOWLEDGE, 5);
    for (int number : new int[] {0, 11}) {
      assertThatThrownBy(() -> composer.takes(Brief.of(PANNIER), number))
          .hasMessageContaining("1 to 10");
    }
  }

  @Test
  void variants_of_one_thing_get_texts_of_their_own() {
    Composer composer = new Composer(KNOWLEDGE, 5);
    List<String> texts =
        List.of("moss green", "black", "petrol", "ochre").stream()
            .map(
                colour ->
                    Products.of(
                        "SKU,Name,Category,Brand,Material,Capacity,Weight,Closure,IP rating,Colour",
                        "T-"
                            + colour
                            + ",Roll Pannier 20,Panniers,Tolvane,recycled polyester,20 l,940 g,roll-top,IPX6,"
                            + colour))
            .map(p -> composer.compose(Brief.of(p)).prose())
            .toList();
    for (int i = 1; i < texts.size(); i++) {
      for (int j = 0; j < i; j++) {
        assertThat(Checker.likeness(texts.get(i), texts.get(j)))
            .as("%s%n%s", texts.get(i), texts.get(j))
            .isLessThan(0.5);
      }
    }
  }
}
