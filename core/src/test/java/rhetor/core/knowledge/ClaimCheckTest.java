package rhetor.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;

class ClaimCheckTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static Claim claim(String id, String concept, String contains, String so) {
    return new Claim(
        id,
        concept,
        contains.isEmpty() ? List.of() : List.of(contains),
        null,
        null,
        "",
        List.of(),
        List.of(),
        false,
        List.of(so),
        "Because it is so.");
  }

  @Test
  void all_claims_that_ship_can_stand() {
    for (Claim claim : KNOWLEDGE.claims()) {
      assertThat(ClaimCheck.problems(claim, KNOWLEDGE)).as(claim.id()).isEmpty();
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Dries Fast|material|linen|it dries|small letters",
        "dries|aura|linen|it dries|aura",
        "dries|material||it dries|when it holds",
        "dries|material|linen|it is the best|best",
        "dries|material|linen|it dries.|ends like a sentence",
        "dries|material|linen|{name} dries|slot",
        "dries|material|linen|it <b>dries</b>|markup",
      })
  void what_keeps_a_claim_from_standing_is_said(
      String id, String concept, String contains, String so, String why) {
    assertThat(
            ClaimCheck.problems(
                claim(id, concept, contains == null ? "" : contains, so), KNOWLEDGE))
        .anyMatch(p -> p.contains(why));
  }

  @Test
  void a_least_amount_over_the_greatest_would_never_hold() {
    Claim never =
        new Claim(
            "never-holds",
            "weight",
            List.of(),
            5.0,
            2.0,
            "",
            List.of(),
            List.of("light"),
            false,
            List.of(),
            "It is light.");
    assertThat(ClaimCheck.problems(never, KNOWLEDGE)).anyMatch(p -> p.contains("never hold"));
  }

  @Test
  void digits_of_a_rating_count() {
    Fact splashed =
        new Fact(
            "water_rating",
            "water_rating",
            "Protection against water",
            new Value.Rating("IPX4"),
            List.of(new Source("s", 2, "IP", "IPX4")),
            false);
    assertThat(Licence.in(KNOWLEDGE).of(splashed, "front_light").stream().map(Claim::id))
        .contains("splashproof-by-rating")
        .doesNotContain("ip67-dip", "ip68-under", "ip6x-dust");
  }
}
