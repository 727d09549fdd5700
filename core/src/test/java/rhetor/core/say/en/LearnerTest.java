package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

class LearnerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts BELL =
      Products.of(
          "SKU,Name,Category,Brand,Strike tone,Weight",
          "B,Chapel,Bicycle bells,Heddle,bright and long,60 g");

  private static Fact fact(String label) {
    return BELL.facts().stream().filter(f -> f.label().equals(label)).findFirst().orElseThrow();
  }

  private static String learned(String sentence) {
    return new Learner(KNOWLEDGE)
        .learn(sentence, fact("Strike tone"), BELL)
        .map(l -> l.form() + " " + l.wording())
        .orElse("");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It rings bright and long.|VERB ring {asis}",
        "Chapel rings bright and long.|VERB ring {asis}",
        "The bell has a tone that is bright and long.|WITH a tone that is {asis}",
        "They are bright and long to the ear.|PART {asis} to the ear",
        "It carries bright and long over water.|VERB carry {asis} over water",
        "It is tuned to bright and long by Heddle.|PART tuned to {asis}",
        "It is made by Heddle with bright and long sound.|PART made with {asis} sound",
        "It weighs 60 g and rings bright and long.|VERB ring {asis}",
        "It rings bright and long, and weighs 60 g.|VERB ring {asis}",
        "A bicycle bell, Chapel by Heddle rings bright and long and weighs 60 g.|VERB ring {asis}",
        "Chapel by Heddle is bright and long to the ear.|PART {asis} to the ear"
      })
  void a_sentence_with_the_value_in_it_gives_a_wording(String sentence, String wording) {
    assertThat(learned(sentence)).isEqualTo(wording);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It rings short and dull.",
        "It rings bright and longest of all.",
        "It rings bright and long, which wakes the neighbours.",
        "Bright and long is how we like it.",
        "Nobody rings bright and long.",
        "It has a Heddle ring that is bright and long.",
        "It never rings bright and long.",
        "It isn't bright and long.",
        "It is not bright and long.",
        "It has no bright and long tone.",
        "It rings without a bright and long tone.",
        "It rings anything but bright and long.",
        "It hardly rings bright and long."
      })
  void a_sentence_that_says_more_or_something_else_teaches_nothing(String sentence) {
    assertThat(learned(sentence)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It is cured for 18 to 20 months.|18-20 mths|PART cured for {asis}",
        "It is cured for 18-20 mths.|18-20 mths|PART cured for {asis}",
        "It is cured for two weeks.|2 wk|PART cured for {asis}",
        "It is cured for three weeks.|2 wk|"
      })
  void a_measure_is_found_as_prose_has_it(String sentence, String cell, String wording) {
    ProductFacts ham = Products.of("SKU,Name,Category,Cure", "H,Ollan,Hams," + cell);
    Fact cure =
        ham.facts().stream().filter(f -> f.label().equals("Cure")).findFirst().orElseThrow();
    assertThat(
            new Learner(KNOWLEDGE)
                .learn(sentence, cure, ham)
                .map(l -> l.form() + " " + l.wording())
                .orElse(""))
        .isEqualTo(wording == null ? "" : wording);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It tips the scales at 60 g.|VERB tip the scales at {v}",
        "Chapel is a bell of 60 g.|PART a bell of {v}",
        "It weighs 60 g.|",
        "It rings for 60 g.|VERB ring for {v}",
      })
  void what_is_told_already_can_be_put_otherwise(String sentence, String wording) {
    assertThat(
            new Learner(KNOWLEDGE)
                .learn(sentence, fact("Weight"), BELL)
                .map(l -> l.form() + " " + l.wording())
                .orElse(""))
        .isEqualTo(wording == null ? "" : wording);
  }

  @Test
  void what_the_house_added_for_a_heading_is_told_of_columns_that_nobody_could_place() {
    Concept own =
        new Concept(
            "strike_tone",
            "Strike tone",
            "",
            Map.of("en", List.of("strike tone")),
            Concept.Kind.WORDS,
            "",
            "",
            "performance",
            80,
            "",
            List.of(),
            List.of(),
            List.of(),
            false,
            Map.of("verb", List.of("ring {asis}")),
            List.of(),
            List.of(),
            List.of(),
            Map.of());
    Knowledge house = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(own), List.of());
    assertThat(fact("Strike tone").concept()).isEmpty();
    assertThat(text(KNOWLEDGE)).doesNotContain("bright and long. ");
    assertThat(text(house)).contains("rings bright and long");
    assertThat(house.toldAs("", "Strike tone")).isEqualTo(Optional.of(own));
    assertThat(KNOWLEDGE.toldAs("", "weight")).isEmpty();
  }

  private static String text(Knowledge knowledge) {
    return new Composer(knowledge, 1).compose(Brief.of(BELL)).prose();
  }
}
