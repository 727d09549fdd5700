package rhetor.app.product;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;

class StoredFactsTest {
  /** What a version that shared strings within a product's bytes made of {@link #lamp}. */
  private static final String FORMER =
      "3a290a03f8424c2d31444c756d656e436c616d7003466d61792e637376cef8f84a65787472613a73"
          + "6861646520445368616465f844776f726473f8496f70616c20676c617373f9f9f8f84001c10608f9"
          + "f923f9f845636f6c6f75720909f8447465726d73f8f84272656443626c7565f9f9f9f8f809c14543"
          + "6f6c6f7572477265642f626c7565f9f922f9f84964696d656e73696f6e73094353697a65f8447369"
          + "646573f8f82a808100012a82810c01f941636df9f9f8f809c1114931207820322e3520636df9f922"
          + "f9f8426167650942416765f84472616e6765f82a808100012a808105004379656172f9f9f8f809c1"
          + "404143312d3130f9f922f9f84b77617465725f726174696e6709414950f845726174696e67f84349"
          + "503434f9f9f8f809c11c413434f9f922f9f844766567616e0909f8447965736e6ff823f9f9f8f809"
          + "c144566567616e4059f9f922f9f8456f726967696e09464d61646520696ef807f84553776564656e"
          + "f9f9f8f809c146436f756e747279415345f9f922f9f9f8f8f8f8457765696768740909f847717561"
          + "6e74697479f82a84813c00416b674461626f7574f9f9f8f809c14257742e4a63612e20312e323020"
          + "6b67f9f922f9f8ec280909f8ec29f82a8082016100406720f9f9f8f8476a756e652e637376c64557"
          + "6569676874443930302067f9f809d0ec3042393030f9f922f9f9f9f94641206c616d702e48646573"
          + "6b206c616d70f8486c756d656e2e6a7067f9f9";

  private final StoredFacts stored = new StoredFacts(Knowledge.standard());

  private static Fact fact(String id, String label, Value value, String column, String raw) {
    return new Fact(id, id, label, value, List.of(new Source("may.csv", 7, column, raw)), false);
  }

  private static ProductFacts lamp() {
    Fact own =
        new Fact(
            "extra:shade",
            "",
            "Shade",
            new Value.Words("opal glass"),
            List.of(new Source("may.csv", 7, "Shade", "opal glass")),
            true);
    Fact heavy =
        fact(
            "weight",
            "Weight",
            new Value.Quantity(new BigDecimal("1.20"), "kg", "about"),
            "Wt.",
            "ca. 1.20 kg");
    Fact light =
        new Fact(
            "weight",
            "weight",
            "Weight",
            new Value.Quantity(new BigDecimal("900"), "g", ""),
            List.of(
                new Source("june.csv", 3, "Weight", "900 g"),
                new Source("may.csv", 8, "Weight", "900")),
            false);
    return new ProductFacts(
        "L-1",
        "Lumen",
        "lamp",
        "lamp",
        List.of(
            own,
            fact("colour", "Colour", new Value.Terms(List.of("red", "blue")), "Colour", "red/blue"),
            fact("dimensions", "Size", sides(), "Size", "1 x 2.5 cm"),
            fact(
                "age", "Age", new Value.Range(BigDecimal.ONE, BigDecimal.TEN, "year"), "A", "1-10"),
            fact("water_rating", "IP", new Value.Rating("IP44"), "IP", "44"),
            fact("vegan", "Vegan", new Value.YesNo(true), "Vegan", "Y"),
            fact("origin", "Made in", new Value.Words("Sweden"), "Country", "SE")),
        List.of(new Contradiction(List.of(heavy, light))),
        "A lamp.",
        "desk lamp",
        List.of("lumen.jpg"));
  }

  private static Value sides() {
    return new Value.Sides(List.of(BigDecimal.ONE, new BigDecimal("2.5")), "cm");
  }

  @Test
  void facts_come_back_as_they_were() {
    assertThat(stored.unpack(stored.pack(lamp()))).isEqualTo(lamp());
  }

  @Test
  void facts_that_a_former_version_stored_come_back() {
    assertThat(stored.unpack(HexFormat.of().parseHex(FORMER))).isEqualTo(lamp());
  }

  @Test
  void words_of_a_cell_are_kept_once() {
    Fact told = fact("extra:a", "A", new Value.Words("w".repeat(500)), "A", "w".repeat(500));
    ProductFacts product =
        new ProductFacts("1", "N", "", "", List.of(told), List.of(), "", "", List.of());
    assertThat(stored.pack(product)).hasSizeLessThan(600);
  }

  @Test
  void damaged_facts_say_what_to_do() {
    assertThatThrownBy(() -> stored.unpack(new byte[] {0}))
        .isInstanceOf(IllegalStateException.class)
        .hasMessageContaining("Take its sheet in again");
  }
}
