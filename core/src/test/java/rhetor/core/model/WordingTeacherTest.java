package rhetor.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.WordingTeacher.ProposedWording;
import rhetor.core.model.WordingTeacher.Taught;
import rhetor.core.style.Field;

class WordingTeacherTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final WordingTeacher TEACHER = new WordingTeacher(KNOWLEDGE);
  private static final String HEADING = "Strike tone";

  private static ProductFacts bell(String name, String tone) {
    return Products.of(
        "SKU,Name,Category,Brand,Strike tone,Weight,Buying price",
        "B-%s,%s,Cow bells,Heddle,%s,60 g,4.10".formatted(name, name, tone));
  }

  private static final List<ProductFacts> BELLS =
      List.of(
          bell("Chapel", "bright and long"),
          bell("Byre", "low and warm"),
          bell("Alp", "deep and slow"));

  private static Taught taught(String answer) {
    return TEACHER.read(answer, HEADING, BELLS);
  }

  private static ProposedWording only(String sentence) {
    List<ProposedWording> proposals = taught("{\"wordings\": [\"" + sentence + "\"]}").proposals();
    assertThat(proposals).hasSize(1);
    return proposals.getFirst();
  }

  @Test
  void the_question_shows_the_heading_its_values_and_what_the_things_are() {
    String prompt = TEACHER.prompt(HEADING, BELLS, "Warm. Speaks as to a neighbour.");
    assertThat(prompt)
        .contains("Heading: Strike tone")
        .contains("bright and long | low and warm | deep and slow")
        .contains("bell")
        .contains("Warm.");
  }

  @Test
  void nothing_that_is_private_is_asked_about() {
    assertThat(TEACHER.prompt(HEADING, BELLS, "Plain."))
        .doesNotContain("4.10")
        .doesNotContain("Buying");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"wordings\": [\"It rings {v}.\"], \"good_for\": \"how it sounds\"}",
        "Sure! Here you are:\n```json\n{\"wordings\": [\"It rings {v}.\"], \"good_for\": \"how it sounds\"\n```\nLet me know!",
        "1. It rings {v}.\ngood_for: how it sounds",
        "- \"It rings { value }.\"\nGood for: how it sounds"
      })
  void a_wording_is_found_however_the_answer_is_wrapped(String answer) {
    Taught taught = taught(answer);
    assertThat(taught.goodFor()).isEqualTo("how it sounds");
    assertThat(taught.proposals())
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.problems()).isEmpty();
              assertThat(p.form()).isEqualTo("verb");
              assertThat(p.wording()).isEqualTo("ring {asis}");
              assertThat(p.examples().getFirst()).isEqualTo("The bell rings bright and long.");
              assertThat(p.fits()).isEqualTo(3);
              assertThat(p.tried()).isEqualTo(3);
            });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It is cast of bronze and rings {v}.|bronze",
        "It rings {v} and {v}.|once",
        "It rings <b>{v}</b>.|Markup",
        "The hand-cast Titan rings {v}.|short statement",
        "It rings {v} with a lifetime guarantee.|guarantee",
        "It is made of titanium and {v}.|titanium",
        "It comes with a {v}.|Say them apart"
      })
  void what_says_more_or_reads_badly_cannot_stand(String sentence, String why) {
    assertThat(String.join(" ", only(sentence).problems())).containsIgnoringCase(why);
  }

  /** "In kibble of 11": what a few cells say otherwise is left to the list. */
  @Test
  void a_value_that_makes_no_sentence_is_left_to_the_list() {
    List<ProductFacts> bells =
        Stream.of("bronze", "steel", "42", "brass")
            .map(c -> Products.of("SKU,Name,Category,Clapper LT", "B-1,Tolm,Bells," + c))
            .toList();
    ProposedWording wording =
        TEACHER.read("1. It has a clapper of {v}.", "Clapper LT", bells).proposals().getFirst();
    assertThat(wording.problems()).isEmpty();
    assertThat(wording.tried()).isEqualTo(4);
    assertThat(wording.fits()).isEqualTo(3);
    assertThat(wording.examples()).noneMatch(e -> e.contains("42"));
  }

  @Test
  void an_answer_without_a_wording_gives_none() {
    assertThat(taught("I’m sorry, I can’t help with bells.").proposals()).isEmpty();
    assertThat(taught("").proposals()).isEmpty();
  }

  @Test
  void values_that_are_no_words_for_a_sentence_are_not_told() {
    List<ProductFacts> coded = List.of(bell("Chapel", "F#4/A5"), bell("Byre", "Y"));
    ProposedWording proposal = TEACHER.read("It rings {v}.", HEADING, coded).proposals().getFirst();
    assertThat(proposal.fits()).isZero();
    assertThat(proposal.problems()).singleElement().asString().contains("None of the values");
  }

  /** What a person approved is what the composer then writes. */
  @Test
  void an_approved_wording_is_written() {
    ProposedWording proposal = only("It rings {v}.");
    Concept told =
        KNOWLEDGE.own(HEADING).saying(Map.of(proposal.form(), List.of(proposal.wording())));
    Knowledge house = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(told), KNOWLEDGE.classes());
    assertThat(new Composer(house, 1).compose(Brief.of(BELLS.getFirst())).plain(Field.DESCRIPTION))
        .contains("rings bright and long");
  }
}
