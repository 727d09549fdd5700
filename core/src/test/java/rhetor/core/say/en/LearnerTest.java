package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
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
import rhetor.core.style.Field;

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

  private static final ProductFacts WHISTLE =
      Products.of("SKU,Name,Category,Pealess,Floats,Trills,Notes/10 s", "W,Ollan,Whistles,Y,N,2,8");

  private static Learner.Lesson read(String heading, String sentence) {
    Fact fact =
        WHISTLE.facts().stream().filter(f -> f.label().equals(heading)).findFirst().orElseThrow();
    return new Learner(KNOWLEDGE).read(sentence, fact, WHISTLE);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Pealess|It works without a pea.|",
        "Pealess|It is pealess.|PART pealess",
        "Pealess|It has a body in one piece.|WITH a body in one piece",
        "Floats|It stays on the water.|VERB stay on the water",
        "Trills|It has 2 trills.|WITH {asis} trills",
        "Notes/10 s|It plays 8 notes in 10 seconds.|VERB play {asis} notes in 10 seconds",
        "Notes/10 s|It plays 8 notes in 12 seconds.|"
      })
  void who_names_the_fact_can_say_it_in_a_sentence_of_their_own(
      String heading, String sentence, String wording) {
    assertThat(
            read(heading, sentence).learned().map(l -> l.form() + " " + l.wording()).orElse(null))
        .isEqualTo(wording);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Pealess|It is not so.|where the cell says yes",
        "Trills|It has several trills.|“2” has to stand in it",
        "Trills|It has no 2 trills.|what is not so",
        "Trills|Loud, with 2 trills.|Begin with “It” and a verb"
      })
  void a_sentence_that_is_not_understood_says_why(String heading, String sentence, String why) {
    assertThat(read(heading, sentence).learned()).isEmpty();
    assertThat(read(heading, sentence).why()).contains(why);
  }

  @Test
  void of_a_heading_with_words_for_yes_only_what_says_yes_is_told() {
    Concept floats = KNOWLEDGE.own("Floats").saying(Map.of("verb", List.of("stay on the water")));
    Knowledge taught = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(floats), KNOWLEDGE.classes());
    assertThat(
            Stream.of("N", "Y", "with its cork on")
                .map(cell -> Products.of("SKU,Name,Category,Floats", "W,Ollan,Whistles," + cell))
                .map(p -> description(p, taught).contains("on the water")))
        .containsExactly(false, true, false);
  }

  @Test
  void a_bare_number_is_told_with_the_unit_that_its_heading_gives() {
    assertThat(fat("45", "have {v} fat in dry matter")).contains("has 45% fat");
    assertThat(fat("at least 50%", "have {v} fat in dry matter")).contains("has at least 50% fat");
    // Whoever has typed the unit beside the value doesn't get it twice.
    assertThat(fat("45", "have {asis}% fat in dry matter")).contains("has 45% fat");
  }

  @Test
  void small_words_that_stand_in_other_cells_too_stay_in_a_wording() {
    ProductFacts curtain =
        Products.of(
            "SKU,Name,Category,W x D (per panel),Weave",
            "C,Natt,Curtains,140 by 245,satin in a triple weave");
    Fact size =
        curtain.facts().stream().filter(f -> f.label().contains("panel")).findFirst().orElseThrow();
    assertThat(
            new Learner(KNOWLEDGE)
                .read("It comes in panels of 140 by 245.", size, curtain)
                .learned()
                .map(Learner.Learned::wording))
        .contains("come in panels of {asis}");
  }

  @Test
  void a_wording_for_things_is_not_said_of_a_bare_number() {
    Concept cartridge =
        KNOWLEDGE.own("Cartr.").saying(Map.of("with", List.of("a(n) {asis}", "a {asis}")));
    Knowledge taught = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(cartridge), KNOWLEDGE.classes());
    assertThat(
            Stream.of("35 mm ceramic cartridge", "35")
                .map(cell -> Products.of("SKU,Name,Category,Cartr.", "T,Nevra,Taps," + cell))
                .map(p -> description(p, taught).contains("35")))
        .containsExactly(true, false);
  }

  @Test
  void a_small_word_is_no_unit() {
    Concept retrieve =
        KNOWLEDGE.own("Retrieve cm").saying(Map.of("verb", List.of("take in {asis} with a turn")));
    Knowledge taught = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(retrieve), KNOWLEDGE.classes());
    assertThat(
            description(
                Products.of("SKU,Name,Category,Retrieve cm", "R,Nevra,Fishing reels,73"), taught))
        .contains("takes in 73 cm with a turn");
  }

  private static String fat(String cell, String wording) {
    Concept fat = KNOWLEDGE.own("FDM %").saying(Map.of("verb", List.of(wording)));
    Knowledge taught = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(fat), KNOWLEDGE.classes());
    return description(Products.of("SKU,Name,Category,FDM %", "C,Wennel,Cheeses," + cell), taught);
  }

  private static String description(ProductFacts product, Knowledge knowledge) {
    return new Composer(knowledge, 1).compose(Brief.of(product)).plain(Field.DESCRIPTION);
  }

  @Test
  void no_change_by_hand_teaches_a_flag_but_in_words_of_its_heading() {
    Fact pealess =
        WHISTLE.facts().stream().filter(f -> f.label().equals("Pealess")).findFirst().orElseThrow();
    Learner learner = new Learner(KNOWLEDGE);
    assertThat(learner.learn("It is a joy to hear.", pealess, WHISTLE)).isEmpty();
    assertThat(learner.learn("It is pealess.", pealess, WHISTLE)).isPresent();
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
