package rhetor.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.EnglishProse;

class TellerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static Telling telling(String heading, String cell) {
    ProductFacts product =
        Products.of(
            "SKU,Name,Category," + heading,
            "T-1,Fen 3,Jackets,\"" + cell.replace("\"", "\"\"") + "\"");
    Fact fact =
        product.facts().stream()
            .filter(f -> !f.concept().equals("name") && !f.concept().equals("category"))
            .findFirst()
            .orElseThrow();
    return new Teller(KNOWLEDGE, new EnglishProse(KNOWLEDGE)).telling(fact);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Material|merino wool",
        "Material|70% HA 30% CO",
        "Colour|fern, slate and plum",
        "Material|18 carat gold",
        "Material|316 stainless steel",
        "Weight|420 g",
        "Finish|satin white",
        "Closure|two-way zip",
        "Care|machine wash at 30 °C"
      })
  void what_a_stranger_could_read_aloud_is_told(String heading, String cell) {
    assertThat(telling(heading, cell).untold()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Crank arm|bright|NO_WORDING",
        "Waterproof|no|SAYS_NO",
        "Hood|no|SAYS_NO",
        "Lining|not padded|SAYS_NO",
        "Weight|pair about 3 kg|NOT_OF_ITS_KIND",
        "Finish|satin (two coats)|SIGNS",
        "Finish|satin wht.|SHORTHAND",
        "Material|RPQ vulcanised|SHORTHAND",
        "Finish|type 4|CODE",
        "Material|3 plastic|NOT_OF_ITS_KIND",
        "Lining|see outer|NOT_OF_ITS_KIND",
        "Finish|as above|NOT_OF_ITS_KIND",
        "Material|hide, waxed edge, hand sewn|SEVERAL_THINGS",
        "Finish|gloss / hammered / bare|SEVERAL_THINGS"
      })
  void what_nobody_could_is_listed_and_says_why(String heading, String cell, Untold.Cause cause) {
    Telling telling = telling(heading, cell);
    assertThat(telling.untold()).isPresent();
    assertThat(telling.untold().orElseThrow().cause()).isEqualTo(cause);
    assertThat(telling.untold().orElseThrow().why()).doesNotContain("%s").isNotBlank();
  }
}
