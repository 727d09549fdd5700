package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.Fault.Kind;

class PlainLanguageTest {
  private static final PlainLanguage PLAIN = new PlainLanguage(Knowledge.standard());
  private static final ProductFacts LOOM =
      Products.of(
          "SKU,Name,Category,Brand,Reed,Shaft,Warp beam,Yarns,HQ",
          "L-1,Wren QX4,Looms,Heddle & Sons,steel,8,sectional,up to NM 1.5 or TX30,7");

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It comes with {extras}.|PLACEHOLDER",
        "The price is TBC.|PLACEHOLDER",
        "It has a Y treadle.|ANSWER",
        "It withstands a load of no.|ANSWER",
        "The shafts are eight.|HEADING",
        "Wren QX4 is a toddler.|NO_THING",
        "Wren QX4, an outdoor, weighs 12 kg.|NO_THING",
        "Oak frame by Heddle & Sons weighs 12 kg.|NOT_ITS_NAME",
        "The model is HQ-2210.|CODE",
        "It is made of HX316 and wood.|CODE",
        "It bears up to 110 and weighs 12 kg.|CODE",
        "It has adj. legs.|SHORTHAND",
        "The yarn is RQ and soft.|SHORTHAND",
        "It takes yarn of NM 2.5.|SHORTHAND",
        "It has a reed of HQ 7.|SHORTHAND",
        "It is 60 ±2 cm wide.|SIGN",
        "It is made of oak, beech and adjustable.|UNLIKE_LIST",
        "It has a a bench.|DOUBLED",
        "It has a oak bench.|ARTICLE",
        "It has pedals (6!) and a bench.|SIGN",
        "It has a kind of two beams.|HEADING",
        "It is made of beech oiled.|UNLIKE_LIST",
        "It is made from canvas waxed and oak.|UNLIKE_LIST",
        "It has a padded straps.|ARTICLE",
        "It is quiet. the bench folds.|SMALL_START",
        "Der Webstuhl ist aus Eiche und mit Bank.|OTHER_LANGUAGE"
      })
  void what_an_editor_would_send_back_is_found(String sentence, Kind kind) {
    assertThat(PLAIN.faults(sentence, LOOM)).extracting(Fault::kind).contains(kind);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "The Wren QX4 by Heddle & Sons is a loom of oak and beech.",
        "Its eight shafts are tied up in minutes, and the bench folds away.",
        "It weighs 12.5 kg, measures 60 × 80 cm and takes warps up to 1.2 m wide.",
        "You don’t need tools: two 3/8\" bolts hold it all.",
        "Charge it by USB or take AA cells; the LED shows when it is full.",
        "It meets EN 71 and is rated IP67.",
        "It is made of oak, oiled twice, and has a reed count of 233.",
        "It is made of freshly oiled beech.",
        "It charges by USB-C and has a hi-vis strap.",
        "Wren QX4 is a pair of looms by Heddle & Sons.",
        "Sizes S, M and L share one frame.",
        "A U-shaped beater and a V-neck cloth guide come with it.",
        "It is written by R. Vale and brought out by Lantern Table.",
        "It comes in rust, moss and oat.",
        "Made of wool and cotton, it is warm, soft and light.",
        "It is a port with a stopper of cork and a dry, nutty taste.",
        "It is a port with a dry, nutty taste and a stopper of cork.",
        "There is no noise, and no oil is needed.",
        "An hour is enough for a scarf; a unit of eight takes a day.",
        "The shafts are of steel, and the reed is, too.",
        "Its pattern is 16 by 19, and it has eight shafts.",
        "It closes with a zip and hangs from two straps.",
        "The beams are 90 cm wide and weigh 3 kg.",
        "Yarn of NM 1.5 is its limit.",
        "It takes yarn of TX 30.",
        "The oil is free from PFCs.",
        "Its oak is English, and turned by hand by Heddle & Sons."
      })
  void what_reads_well_is_let_pass(String sentence) {
    assertThat(PLAIN.faults(sentence, LOOM)).isEmpty();
  }
}
