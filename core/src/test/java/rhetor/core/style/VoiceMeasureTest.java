package rhetor.core.style;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;

class VoiceMeasureTest {
  private static final List<ProductFacts> PRODUCTS =
      IntStream.range(0, 80).mapToObj(VoiceMeasureTest::product).toList();

  private static final Map<String, VoiceMeasure> VOICES = new LinkedHashMap<>();

  static {
    Voices.all().forEach(v -> VOICES.put(v.id(), VoiceMeasure.of(written(v, 0))));
  }

  private static ProductFacts product(int i) {
    return Products.of(
        "SKU,Name,Type,Brand,Colour,Weight,Capacity,Material,Closure,IP rating,Pockets,Care",
        "P%d,Lane %d,Panniers,Tolvane,grey,%d g,%d l,canvas,roll-top,IPX6,2,wipe clean"
            .formatted(i, i, 700 + i, 10 + i));
  }

  /** Forty texts. */
  private static List<String> written(Voice voice, int from) {
    Composer composer = new Composer(Knowledge.standard(), 1);
    return PRODUCTS.subList(from, from + 40).stream()
        .map(p -> composer.compose(Brief.of(p).in(voice)).prose())
        .toList();
  }

  @Test
  void the_figures_are_what_can_be_counted_by_hand() {
    VoiceMeasure m =
        VoiceMeasure.of(
            List.of("You don’t need it. It is big! Is it yours? A cat sat on the mat."));
    assertThat(m.sentences()).isEqualTo(4);
    assertThat(m.sentenceWords()).isEqualTo(16 / 4.0);
    assertThat(m.spread()).isCloseTo(Math.sqrt(1.5), within(1e-9));
    assertThat(m.address()).isCloseTo(200 / 16.0, within(1e-9));
    assertThat(m.contractions()).isEqualTo(0.5);
    assertThat(m.exclamations()).isEqualTo(25);
    assertThat(m.questions()).isEqualTo(25);
    assertThat(m.readingEase()).isCloseTo(206.835 - 1.015 * 4 - 84.6 * 16 / 16, within(0.01));
  }

  @Test
  void nothing_measures_as_nothing() {
    assertThat(VoiceMeasure.of(List.of("", "  ")).suffices()).isFalse();
    assertThat(VoiceMeasure.NONE.sentences()).isZero();
  }

  @Test
  void formal_prose_measures_more_formal_than_talk() {
    VoiceMeasure formal =
        VoiceMeasure.of(
            List.of(
                "The construction of the bag from waxed canvas is of high durability in rain."));
    VoiceMeasure talk =
        VoiceMeasure.of(
            List.of("So I went and got it, and then we really loved how it just works."));
    assertThat(formal.formality()).isGreaterThan(talk.formality() + 10);
  }

  @ParameterizedTest
  @ValueSource(strings = {"plain", "warm", "lively", "expert", "playful", "refined"})
  void a_voice_is_known_again_by_texts_of_other_products(String voice) {
    VoiceMeasure texts = VoiceMeasure.of(written(Voices.find(voice).orElseThrow(), 40));
    VoiceProposal proposal = VoiceProposal.of(texts, VOICES, Style.standard());
    assertThat(proposal.style().voice()).isEqualTo(voice);
    assertThat(texts.distance(VOICES.get(voice))).isLessThan(0.6);
    assertThat(StyleProblem.of(proposal.style())).isEmpty();
    assertThat(proposal.style().sample()).isEqualTo(texts);
    assertThat(proposal.evidence()).extracting(VoiceProposal.Evidence::setting).contains("voice");
  }

  @Test
  void what_is_proposed_brings_texts_nearer_to_those_liked() {
    List<String> liked =
        List.of(
            "You’ll find it light. It’s made to last, and you’re free to fold it. Your back says thanks.",
            "You’ve two pockets. They’re deep. It’s dry inside when it pours, and you won’t notice the weight.");
    VoiceMeasure measure = VoiceMeasure.of(liked);
    Style proposed = VoiceProposal.of(measure, VOICES, Style.standard()).style();
    double before = measure.distance(VoiceMeasure.of(written(Voices.plain(), 0)));
    double after = measure.distance(VoiceMeasure.of(written(proposed.ownVoice(), 0)));
    assertThat(after).isLessThan(before);
  }

  @Test
  void the_figure_that_is_farthest_is_named_with_both_values() {
    VoiceMeasure calm = VoiceMeasure.of(List.of("It is big. It is green. It is here."));
    VoiceMeasure loud = VoiceMeasure.of(List.of("It is big! It is green! It is here!"));
    assertThat(loud.farthest(calm)).isEqualTo("100 of 100 sentences exclaiming against 0");
  }

  @Test
  void pasted_texts_are_parted_by_empty_lines() {
    assertThat(VoiceMeasure.parts(" One.\nStill one.\n\n \nTwo.\n"))
        .containsExactly("One.\nStill one.", "Two.");
  }
}
