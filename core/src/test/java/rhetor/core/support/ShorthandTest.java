package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.core.Products;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.support.Assertion.Kind;

/** A lantern on a sheet full of shorthand, and what may be said of it in whole words. */
class ShorthandTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String heading, String raw) {
    Value value =
        switch (raw) {
          case "Y" -> new Value.YesNo(true);
          case "N" -> new Value.YesNo(false);
          default -> new Value.Words(raw);
        };
    facts.add(
        new Fact(
            "f" + facts.size(),
            "",
            heading,
            value,
            List.of(new Source("lanterns.csv", 2, heading, raw)),
            false));
  }

  private List<Assertion> judged(String sentence) {
    cell("SW", "N");
    cell("QR", "Y");
    cell("Fill wt", "300 g");
    cell("Wt", "780 g");
    cell("Hood", "rPET");
    cell("Inlet", "3/8\"");
    cell("Ribs", "8, fibreglass");
    cell("Pole", "steel");
    cell("Type", "bagged");
    cell("Persons", "2");
    cell("Burns min", "45");
    cell("Charge h", "4.5");
    cell("Incl. cells", "N");
    cell("Oil", "unscented");
    cell("Fold", "one hand");
    cell("T comf °C", "4");
    cell("Burners", "4 + side");
    cell("Hooks", "4 double");
    cell("Ohm", "32");
    cell("Composition", "cotton");
    cell("Details", "slow burner, 45 mm brass collar");
    cell("FSC", "100% cert. pending");
    cell("Fuel", "lamp oil, oats, rice");
    cell("Seal", "PE7");
    cell("Wick cl", "clothbound");
    cell("Stand", "N");
    cell("Height", "78 cm");
    cell("Covers off", "N");
    cell("Grip", "soft");
    cell("Made in", "CZ");
    cell("Runs", "1h40");
    return new Judge(
            new ProductFacts("L-1", "Wick", "", "lantern", facts, List.of(), "", "", List.of()),
            KNOWLEDGE)
        .judge(sentence);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "It is not meant for salt water.",
        "Quick release makes for easy changes.",
        "It weighs 780 g with 300 g of filling.",
        "Its hood is of recycled PET.",
        "The inlet takes 3/8 inch.",
        "It burns for three quarters of an hour.",
        "A charge of four and a half hours is enough.",
        "Cells drive it.",
        "It is for two persons.",
        "Its brass collar measures 45 mm in height.",
        "The wick is bound in cloth.",
        "Its seal is a PE 7.",
        "It isn't free of grain.",
        "It comes from the Czech Republic.",
        "It runs for 1 hour and 40 minutes.",
        "At 4 °C it is still in comfort.",
        "It has four hooks.",
        "Its impedance is 32 ohms.",
        "It stands 78 cm high."
      })
  void whole_words_rest_on_their_shorthand(String sentence) {
    assertThat(judged(sentence)).filteredOn(Assertion::isHeld).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It is at home in salt water.|ANSWER",
        "It has no quick release.|ANSWER",
        "It weighs 300 g.|NUMBER",
        "The inlet takes 8 inches.|NUMBER",
        "The ribs are of tempered steel.|MATERIAL",
        "It is a bagless lantern.|ANSWER",
        "There is room for three.|NUMBER",
        "It burns for an hour and a half.|NUMBER",
        "Cells are included.|ANSWER",
        "The oil is scented.|ANSWER",
        "You need both hands to fold it.|ANSWER",
        "A side burner is not part of it.|ANSWER",
        "Two hooks hold it.|NUMBER",
        "It is for children of three.|NUMBER",
        "It lowers blood pressure.|HEALTH",
        "It eases headaches.|HEALTH",
        "The globe is cut from plywood.|MATERIAL",
        "The globe has a champagne sheen.|COLOUR",
        "After a fire you get a new one.|GUARANTEE",
        "The cover comes off.|ANSWER",
        "No other lantern shines as far.|COMPARATIVE",
        "Nothing on sale shines longer.|COMPARATIVE",
        "It gives more light than any other.|COMPARATIVE",
        "The hood is sewn by hand.|PROPERTY",
        "A trivet and a snuffer complete the set.|INCLUSION",
        "It measures 45 mm in length.|NUMBER",
        "All of it is FSC certified.|CERTIFICATE",
        "It does without any grain.|ANSWER",
        "It burns five gallons an hour.|NUMBER",
        "Its shade is a sheet of paper.|MATERIAL",
        "It has the softest grip.|COMPARATIVE",
        "It is certified to GOTS.|CERTIFICATE"
      })
  void what_shorthand_denies_is_held_against_its_kind(String sentence, Kind kind) {
    assertThat(judged(sentence))
        .as(sentence)
        .anySatisfy(
            a -> {
              assertThat(a.kind()).isEqualTo(kind);
              assertThat(a.isHeld()).isTrue();
            });
  }

  @Test
  void what_is_of_another_cell_names_the_cell_that_is_meant() {
    assertThat(judged("It weighs 300 g."))
        .singleElement()
        .satisfies(
            a -> {
              assertThat(a.against()).isEqualTo("Wt: 780 g");
              assertThat(a.instead()).isEqualTo("780 g");
            });
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Soot free|Y|It is free of soot.|true",
        "Soot free|Y|It burns free from soot.|true",
        "Soot free|Y|It is soot-free.|true",
        "Soot free|Y|It isn’t free of soot.|false",
        "Soot free|Y|It is not soot-free.|false",
        "Soot free|N|It is free of soot.|false",
        "Soot free|N|It is soot-free.|false",
        "Soot free|N|It is not free of soot.|true"
      })
  void a_column_that_asks_whether_it_is_free_of_something_is_answered_so(
      String heading, String answer, String sentence, boolean isBorneOut) {
    cell(heading, answer);
    assertThat(judged(sentence).stream().noneMatch(Assertion::isHeld))
        .as(sentence)
        .isEqualTo(isBorneOut);
  }

  @Test
  void of_a_product_without_a_name_numbers_are_judged_all_the_same() {
    ProductFacts nameless =
        new ProductFacts("L-2", "", "", "", List.of(), List.of(), "", "", List.of());
    assertThat(new Judge(nameless, KNOWLEDGE).judge("It weighs 60 g."))
        .anySatisfy(a -> assertThat(a.kind()).isEqualTo(Kind.NUMBER));
  }

  @ParameterizedTest
  @CsvSource({
    "bone, wood, false",
    "glass, metal, false",
    "calf, metal, false",
    "calf, leather, true",
    "brass, metal, true",
    "oak, wood, true"
  })
  void a_column_of_materials_bears_out_what_stands_in_it(
      String material, String said, boolean isBorneOut) {
    ProductFacts lamp = Products.of("SKU,Name,Category,Material", "L-3,Ollan,Lamps," + material);
    assertThat(
            new Judge(lamp, KNOWLEDGE)
                .judge("It is made of " + said + ".").stream().noneMatch(Assertion::isHeld))
        .isEqualTo(isBorneOut);
  }
}
