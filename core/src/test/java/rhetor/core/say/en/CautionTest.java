package rhetor.core.say.en;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.compose.SpecificationList;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;

class CautionTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static List<String> listed(String headings, String cells) {
    ProductFacts product = Products.of("SKU,Name,Category," + headings, "C-1,Fen 3,Lamps," + cells);
    return new SpecificationList(KNOWLEDGE).of(product);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Bulb incl|no",
        "Transformer|sold separately",
        "Fixing|requires a junction box",
        "Batteries supplied|no",
        "Warning|hot surface",
        "Oven safe|no"
      })
  void what_somebody_would_send_it_back_for_stands_first(String heading, String cell) {
    assertThat(listed("Base,Cable," + heading, "oak,brown cloth," + cell).getFirst())
        .endsWith(": " + cell);
  }

  @ParameterizedTest
  @CsvSource({"Celery", "Contains nuts", "Mustard"})
  void what_some_people_must_not_eat_stands_first_where_it_is_in(String heading) {
    assertThat(listed("Base," + heading, "oak,yes").getFirst()).endsWith(": yes");
    assertThat(listed("Base," + heading, "oak,no").getFirst()).endsWith(": oak");
    assertThat(listed("Base," + heading + " free", "oak,yes").getFirst()).endsWith(": oak");
  }

  @ParameterizedTest
  @CsvSource({"Kids,not under 36 months", "Shade,not above 40 W", "Bathroom,not in zone 1"})
  void for_whom_and_where_it_is_not_meant(String label, String cell) {
    Fact fact =
        new Fact(
            Fact.ownId(label),
            "",
            label,
            new Value.Words(cell),
            List.of(new Source("lamps.csv", 2, label, cell)),
            false);
    assertThat(Caution.isOne(fact)).isTrue();
  }

  @Test
  void what_is_merely_not_so_stays_in_its_place() {
    assertThat(listed("Base,Stackable", "oak,no").getFirst()).endsWith(": oak");
  }
}
