package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.support.Assertion.Kind;
import rhetor.core.support.Assertion.Verdict;

/** What any text states, and what a product's facts say to it. */
class GroundTest {
  private final Ground ground =
      new Ground(
          Products.of(
              "SKU,Name,Category,Brand,Material,Capacity,Weight,IP rating,Colour,Made in,Included,Dishwasher safe,Pockets",
              "A,Fen Bottle,Bottles,Tolvane,stainless steel,0.75 l,310 g,IPX4,black,Portugal,\"carry loop, spare seal\",no,2"),
          Knowledge.standard());

  @ParameterizedTest
  @CsvSource({
    "It weighs 310 g., NUMBER, 310 g",
    "It holds 750 ml., NUMBER, 750 ml",
    "The bottle is rated IPX4., RATING, IPX4",
    "Stainless steel through and through., MATERIAL, Stainless steel",
    "A black bottle., COLOUR, black",
    "Made in Portugal., ORIGIN, Made in Portugal",
    "It comes with a spare seal., INCLUSION, comes with a spare seal",
    "It has two pockets., NUMBER, two",
  })
  void what_a_fact_says_is_supported(String text, Kind kind, String words) {
    assertThat(ground.statements(text))
        .anySatisfy(
            a -> {
              assertThat(a.kind()).isEqualTo(kind);
              assertThat(a.words()).isEqualTo(words);
              assertThat(a.verdict()).isEqualTo(Verdict.SUPPORTED);
            });
    assertThat(ground.unsupported(text)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "It weighs 290 g., NUMBER, 290 g, 310 g",
    "It holds 1 litre., NUMBER, 1 litre, 0.75 l",
    "The bottle is rated IPX6., RATING, IPX6, IPX4",
    "An aluminium bottle., MATERIAL, aluminium, stainless steel",
    "A red bottle., COLOUR, red, black",
    "It is dishwasher-safe., PROPERTY, dishwasher-safe, no",
  })
  void what_a_fact_says_otherwise_is_contradicted_with_the_fact(
      String text, Kind kind, String words, String against) {
    assertThat(ground.unsupported(text))
        .anySatisfy(
            a -> {
              assertThat(a.kind()).isEqualTo(kind);
              assertThat(a.words()).isEqualTo(words);
              assertThat(a.verdict()).isEqualTo(Verdict.CONTRADICTED);
              assertThat(a.against()).contains(against);
            });
  }

  @ParameterizedTest
  @CsvSource({
    "It keeps drinks hot for 12 hours., NUMBER, 12 hours",
    "A vegan bottle., PROPERTY, vegan",
    "Made in Germany., ORIGIN, Made in Germany",
    "It comes with a cleaning brush., INCLUSION, comes with a cleaning brush",
    "It fits all cages., COMPATIBILITY, fits all cages",
    "Compatible with Brompton T-Line., COMPATIBILITY, Compatible with Brompton T-Line",
    "It is lighter than glass., COMPARATIVE, lighter than",
    "It is more durable than plastic., COMPARATIVE, more durable than",
    "It weighs less than most others., COMPARATIVE, less than most",
    "With a lifetime guarantee., GUARANTEE, lifetime",
    "An eco-friendly choice., ENVIRONMENT, eco-friendly",
    "It relieves stress., HEALTH, relieves",
    "It never leaks., ABSOLUTE, never",
    "The best bottle., SUPERLATIVE, best",
    "It has three pockets., NUMBER, three",
  })
  void what_no_fact_says_is_unsupported(String text, Kind kind, String words) {
    assertThat(ground.unsupported(text))
        .anySatisfy(
            a -> {
              assertThat(a.kind()).isEqualTo(kind);
              assertThat(a.words()).isEqualTo(words);
              assertThat(text.substring(a.start(), a.end()).strip()).isEqualTo(words);
            });
  }

  @Test
  void small_talk_states_nothing() {
    for (String text :
        List.of(
            "Rather than carry two, take one.",
            "Later than usual, the sun came out.",
            "Fill it, close it, go.",
            "Other than that, there is little to say.")) {
      assertThat(ground.statements(text)).as(text).allMatch(a -> a.kind() == Kind.NUMBER);
    }
  }
}
