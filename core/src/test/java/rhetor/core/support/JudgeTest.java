package rhetor.core.support;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
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
import rhetor.core.support.Assertion.Verdict;

/** A folding canoe, and what may be said of it. */
class JudgeTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final List<Fact> facts = new ArrayList<>();

  private void cell(String concept, String heading, String raw, Value value) {
    facts.add(
        new Fact(
            "f" + facts.size(),
            concept,
            heading,
            value,
            List.of(new Source("canoes.csv", 2, heading, raw)),
            false));
  }

  private Judge canoe(String prose) {
    cell("weight", "Weight", "20 kg", new Value.Quantity(new BigDecimal("20"), "kg", ""));
    cell("", "Carries", "140 kg", new Value.Words("140 kg"));
    cell("", "L x W cm", "460x85", new Value.Words("460x85"));
    cell("material", "Hull", "PVC 22% recycled", new Value.Words("PVC 22% recycled"));
    cell("", "Waterproof bag", "N", new Value.YesNo(false));
    cell("", "Seats", "2, oak", new Value.Words("2, oak"));
    cell("", "Warranty", "24 months", new Value.Words("24 months"));
    cell("", "Colours", "red, moss, sand", new Value.Words("red, moss, sand"));
    cell("", "Pump", "Y", new Value.YesNo(true));
    cell("", "Drying time", "half an hour", new Value.Words("half an hour"));
    cell("", "Hatches", "2", new Value.Words("2"));
    cell("", "Sail", "optional", new Value.Words("optional"));
    cell("", "Noise", "medium", new Value.Words("medium"));
    cell("", "Drains", "automatic", new Value.Words("automatic"));
    cell("", "Bow faces", "both", new Value.Words("both"));
    cell("", "Washable cover", "30°", new Value.Words("30°"));
    cell("", "Keel", "single", new Value.Words("single"));
    cell("", "Spray deck", "poly, windproof", new Value.Words("poly, windproof"));
    cell("", "Finish", "PFC free", new Value.Words("PFC free"));
    cell("", "Rudder/skeg", "none", new Value.YesNo(false));
    cell("", "Floor", "80 larch, 20 ash", new Value.Words("80 larch, 20 ash"));
    cell("", "Bail £", "2000", new Value.Words("2000"));
    cell("", "Loot £", "20000", new Value.Words("20000"));
    cell("", "Oar", "N", new Value.YesNo(false));
    cell("", "Wind", "max 4", new Value.Words("max 4"));
    cell("", "H x W x D bag cm", "90x50x40", new Value.Words("90x50x40"));
    return new Judge(
        new ProductFacts("C-1", "Skerry 460", "", "canoe", facts, List.of(), prose, "", List.of()),
        KNOWLEDGE);
  }

  private List<Assertion> judged(String sentence) {
    return canoe("It was drawn by Ida Moll in Tarn Bay. Lifetime guarantee!").judge(sentence);
  }

  /** Who pasted a text is no heading over it. */
  @Test
  void the_name_of_whoever_said_it_bears_nothing_out() {
    facts.add(
        new Fact(
            "f0",
            "weight",
            "Weight",
            new Value.Quantity(new BigDecimal("20"), "kg", ""),
            List.of(new Source("", 0, "pasted by tested@certified.example", "20 kg")),
            false));
    assertThat(canoe("").judge("It is tested and certified."))
        .extracting(Assertion::kind)
        .containsOnly(Kind.CERTIFICATE);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "The Skerry 460 is a canoe of 20 kg.",
        "It weighs twenty kilos and carries 140.",
        "It is 460 cm long and 85 cm wide.",
        "At 4.6 m it is a long canoe.",
        "More than a fifth of the hull, 22 %, is recycled.",
        "Two seats are oak.",
        "It comes in three colours: red, moss and sand.",
        "It has a two-year warranty.",
        "There is no waterproof bag.",
        "A pump comes with it.",
        "The noise is medium.",
        "Half an hour is all it takes to dry.",
        "A sail is optional.",
        "There are two hatches in the canoe itself.",
        "Ida Moll drew it in Tarn Bay.",
        "It weighs just under 21 kg.",
        "The spray deck is windproof polyester.",
        "The finish is free from PFCs.",
        "The cover cannot be washed above 30°.",
        "It shows best in quiet use.",
        "It has a single keel.",
        "In everyday life it seats two.",
        "The bag is 90 cm high and 50 cm wide.",
        "There is neither rudder nor skeg.",
        "The floor is four fifths larch.",
        "The PFC-free canoe comes with a pump.",
        "The loot is 20,000.",
        "There is no rudder, waterproof bag or oar.",
        "It comes without a rudder, an oar or a skeg.",
        "It is dry in half an hour."
      })
  void what_cells_say_passes_in_other_words(String sentence) {
    assertThat(judged(sentence)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "It weighs 30 kg.|NUMBER",
        "It has a one-year warranty.|NUMBER",
        "It weighs 140 kg.|NUMBER",
        "It is 85 cm long.|NUMBER",
        "Five seats are oak.|NUMBER",
        "It comes with a waterproof bag.|ANSWER",
        "A pump is not included.|ANSWER",
        "The sail is fitted as standard.|ANSWER",
        "It is dry in a quarter of an hour.|NUMBER",
        "It has three hatches.|NUMBER",
        "It weighs less than any other canoe.|COMPARATIVE",
        "It is high in noise.|PROPERTY",
        "The seats are of walnut.|MATERIAL",
        "It comes in purple.|COLOUR",
        "It is made in Portugal.|ORIGIN",
        "Marlow & Finch build it.|MAKER",
        "It is guaranteed for life.|GUARANTEE",
        "It relieves back pain.|HEALTH",
        "Its paint is biodegradable.|ENVIRONMENT",
        "It is certified for rivers.|CERTIFICATE",
        "It is faster than any other canoe.|COMPARATIVE",
        "It meets IPX7.|RATING",
        "A paddle is included.|INCLUSION",
        "A carrying case is included.|INCLUSION",
        "It comes with a padded case.|INCLUSION",
        "Two paddles come free with it.|INCLUSION",
        "It comes in a wooden crate.|INCLUSION",
        "It drains by hand.|ANSWER",
        "The bow only faces forwards.|ANSWER",
        "The cover cannot be washed.|ANSWER",
        "Two keels hold it straight.|NUMBER",
        "The bag is 50 cm high and 90 cm wide.|NUMBER",
        "No other canoe is steadier.|COMPARATIVE",
        "It fits every car.|COMPATIBILITY",
        "The maker replaces what breaks.|GUARANTEE",
        "It lasts for life.|GUARANTEE",
        "A hull of walnut is quick to paddle.|MATERIAL",
        "A skeg keeps it on course.|ANSWER",
        "Its floor is half larch.|NUMBER",
        "It takes paddles of all brands.|COMPATIBILITY",
        "The bail is 20000.|NUMBER",
        "There is no rudder, but a pump and an oar.|ANSWER",
        "The seats are cast iron.|MATERIAL",
        "Beaufort built it.|MAKER"
      })
  void what_no_cell_says_is_held_against_its_kind(String sentence, Kind kind) {
    assertThat(judged(sentence)).extracting(Assertion::kind).contains(kind);
  }

  /** "An hour" is a number where it tells how long, and none in "an hour's ride". */
  @Test
  void one_of_a_time_is_a_number() {
    ProductFacts lamp = Products.of("SKU,Name,Category,Max burn", "L-1,Oriel,Lamps,3 h");
    Judge judge = new Judge(lamp, KNOWLEDGE);
    for (String lie : List.of("It burns for an hour.", "It lasts a week.", "It takes an hour.")) {
      assertThat(judge.judge(lie)).as(lie).extracting(Assertion::kind).contains(Kind.NUMBER);
    }
    for (String no : List.of("It burns for three hours.", "Look at it once a week.")) {
      assertThat(judge.judge(no)).as(no).extracting(Assertion::kind).doesNotContain(Kind.NUMBER);
    }
  }

  /** What is for one instrument is not for its sister. */
  @Test
  void a_thing_fits_what_its_cell_says_and_no_sister_of_it() {
    ProductFacts mute = Products.of("SKU,Name,Category,Suits,Stuff", "M-1,Hush,Mutes,trumpet,cork");
    Judge judge = new Judge(mute, KNOWLEDGE);
    for (String lie : List.of("It fits the trombone.", "Hush is made for a tuba.")) {
      assertThat(judge.judge(lie)).as(lie).extracting(Assertion::kind).contains(Kind.COMPATIBILITY);
    }
    for (String so : List.of("It fits the trumpet.", "It is not made for a trombone.")) {
      assertThat(judge.judge(so))
          .as(so)
          .extracting(Assertion::kind)
          .doesNotContain(Kind.COMPATIBILITY);
    }
    assertThat(judge.judge("It suits players who travel."))
        .extracting(Assertion::kind)
        .doesNotContain(Kind.COMPATIBILITY);
  }

  /** What is done by itself is automatic. */
  @Test
  void by_itself_is_what_a_column_headed_auto_asks_for() {
    cell("", "Auto bail", "N", new Value.YesNo(false));
    for (String so : List.of("It bails by itself.", "The canoe bails automatically.")) {
      assertThat(judged(so)).extracting(Assertion::kind).contains(Kind.ANSWER);
    }
    assertThat(judged("It doesn't bail by itself.")).isEmpty();
  }

  /** What stands behind a number is what it is measured in. */
  @Test
  void a_measure_is_nobodys_name() {
    assertThat(judged("It takes winds of up to 4 Beaufort."))
        .extracting(Assertion::kind)
        .doesNotContain(Kind.MAKER);
  }

  @Test
  void what_is_contradicted_names_the_cell() {
    assertThat(judged("It weighs 30 kg."))
        .singleElement()
        .satisfies(
            a -> {
              assertThat(a.verdict()).isEqualTo(Verdict.CONTRADICTED);
              assertThat(a.words()).isEqualTo("30 kg");
              assertThat(a.against()).startsWith("Weight: 20 kg");
              assertThat(a.instead()).isEqualTo("20 kg");
            });
    assertThat(judged("It comes with a waterproof bag."))
        .anySatisfy(a -> assertThat(a.against()).isEqualTo("Waterproof bag: N"));
  }

  @Test
  void a_sentence_that_cannot_stand_is_not_asked_about_word_by_word() {
    assertThat(judged("A padded laptop sleeve is included."))
        .singleElement()
        .satisfies(a -> assertThat(a.words()).isEqualTo("laptop sleeve"));
  }

  /** A supplier's prose bears out facts, and no boast. */
  @Test
  void a_suppliers_promise_bears_nothing_out() {
    assertThat(canoe("Lifetime guarantee!").judge("Never mind: a lifetime guarantee covers it."))
        .extracting(Assertion::kind)
        .contains(Kind.GUARANTEE);
  }

  /** That it folds is a fact; that it never breaks is a boast. */
  @Test
  void a_suppliers_text_bears_out_what_promises_little() {
    assertThat(canoe("A foldable, unbreakable canoe.").judge("It is a foldable canoe.")).isEmpty();
    facts.clear();
    assertThat(canoe("A foldable, unbreakable canoe.").judge("It is an unbreakable canoe."))
        .extracting(Assertion::kind)
        .contains(Kind.PROPERTY);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        " ",
        "!!!",
        "3 for 2",
        "£1,299.00 until 3/11/2026",
        "ALL CAPITALS FOR THIS CANOE OF 20 KG",
        "Dieses Kanu wiegt 20 kg.",
        "two hundred and five",
        "😀 20 kg 😀",
        "<b>20 kg</b>"
      })
  void whatever_is_typed_is_judged(String sentence) {
    assertThat(judged(sentence)).isNotNull();
  }

  @Test
  @Timeout(15)
  void a_sentence_without_an_end_is_judged_in_time() {
    assertThat(judged("It weighs 20 kg and carries 140 kg, ".repeat(1400))).isNotNull();
  }

  @Test
  void of_a_product_without_a_fact_nothing_is_borne_out() {
    Judge judge =
        new Judge(
            new ProductFacts("X", "Thing", "", "", List.of(), List.of(), "", "", List.of()),
            KNOWLEDGE);
    assertThat(judge.judge("It weighs 20 kg and is made of oak."))
        .extracting(Assertion::kind)
        .contains(Kind.NUMBER, Kind.MATERIAL);
  }
}
