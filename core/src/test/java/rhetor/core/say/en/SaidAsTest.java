package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Verdicts;
import rhetor.core.style.Voices;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Which wordings a sentence is made of, and that people's verdicts change what is written. */
class SaidAsTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ProductFacts TROLLEY =
      Products.of(
          "SKU,Name,Category,Weight,Material,Country of origin",
          "T-1,Marlow,Trolleys,9 kg,steel,Norway");

  private static List<String> said(String sentence, String fact) {
    Sentence of = new Sentence(sentence, List.of(Support.fact(fact)));
    return new SaidAs(KNOWLEDGE)
        .of(of, TROLLEY, Voices.all()).stream().map(SaidAs.Said::wording).toList();
  }

  @ParameterizedTest
  @CsvSource({
    "It weighs 9 kg., weight, weigh {v}",
    "Two of them weigh 9 kg., weight, weigh {v}",
    "'At 9 kg, it is light.', weight, at {v}",
    "It comes from Norway., grown_in, come from {place}",
    "'It is made of steel, and rolls.', material, made of {v}"
  })
  void a_wording_is_found_in_a_sentence(String sentence, String fact, String wording) {
    assertThat(said(sentence, fact)).containsExactly(wording);
  }

  @Test
  void what_a_person_wrote_otherwise_has_no_wording() {
    assertThat(said("Its scales stop at nine kilos.", "weight")).isEmpty();
    assertThat(said("It weighs 9 kg.", "material")).isEmpty();
  }

  @Test
  void only_what_the_passage_says_is_found() {
    Sentence both =
        new Sentence(
            "It is made of steel and weighs 9 kg.",
            List.of(Support.fact("weight"), Support.fact("material")));
    SaidAs saidAs = new SaidAs(KNOWLEDGE);
    assertThat(saidAs.of(both, "weighs 9", TROLLEY, Voices.all()))
        .extracting(SaidAs.Said::wording)
        .containsExactly("weigh {v}");
    assertThat(saidAs.of(both, TROLLEY, Voices.all())).hasSize(2);
    assertThat(saidAs.of(both, "and weighs 9 kg. It is red.", TROLLEY, Voices.all()))
        .extracting(SaidAs.Said::wording)
        .containsExactly("weigh {v}");
    assertThat(saidAs.of(both, "It is red. It is made of", TROLLEY, Voices.all()))
        .extracting(SaidAs.Said::wording)
        .containsExactly("made of {v}");
    assertThat(saidAs.of(both, "weighs 8", TROLLEY, Voices.all())).isEmpty();
    assertThat(saidAs.of(both, " ", TROLLEY, Voices.all())).isEmpty();
  }

  private static String prose(Knowledge knowledge) {
    return String.join(
        "\n",
        IntStream.range(0, 12)
            .mapToObj(i -> new Composer(knowledge, i).compose(Brief.of(TROLLEY)).prose())
            .map(text -> text.split("Specification")[0])
            .toList());
  }

  @Test
  void what_people_dislike_is_written_otherwise() {
    Knowledge judged =
        KNOWLEDGE.judged(new Verdicts(Map.of("grown_in", Map.of("from {place}", -1))));
    assertThat(prose(KNOWLEDGE)).contains("steel trolley from Norway");
    assertThat(prose(judged)).doesNotContain("trolley from Norway").contains("comes from Norway");
  }

  @Test
  void where_no_other_words_take_a_value_what_people_dislike_is_said_still() {
    ProductFacts fork =
        Products.of("SKU,Name,Category,Tine pitch", "T-2,Gorse,Hay forks,narrow and even");
    Concept pitch =
        KNOWLEDGE
            .own("Tine pitch")
            .saying(
                Map.of(
                    "with", List.of("a pitch that is {v}"),
                    // No such words stand after "feel".
                    "verb", List.of("feel {v} at the tines")));
    Knowledge own = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(pitch), KNOWLEDGE.classes());
    Knowledge judged =
        own.judged(new Verdicts(Map.of(pitch.id(), Map.of("a pitch that is {v}", -1))));
    assertThat(new Composer(judged, 1).compose(Brief.of(fork)).prose())
        .contains("a pitch that is narrow and even");
  }
}
