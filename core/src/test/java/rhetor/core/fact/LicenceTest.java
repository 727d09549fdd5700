package rhetor.core.fact;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.Products;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Knowledge;

/** A claim needs its fact, and no less. */
class LicenceTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static List<String> licensed(String category, String heading, String cell) {
    ProductFacts product =
        Products.of("SKU,Name,Category," + heading, "A-1,Fen 3," + category + ",\"" + cell + "\"");
    return product.facts().stream()
        .flatMap(f -> Licence.in(KNOWLEDGE).of(f, product.productClass()).stream())
        .map(Claim::id)
        .toList();
  }

  @ParameterizedTest
  @CsvSource({
    "Scarves,Material,linen,linen-dries",
    "Lamps,Dimmable,yes,dimmable-mood",
    "Pans,Hobs,'gas, induction',hobs-induction",
    "Headphones,Connectivity,Bluetooth 5.3,connect-bluetooth",
    "Rear lights,Charging,USB-C,usb-c-common",
    "Panniers,Closure,roll-top,rain-stays-out-rolltop",
    "Panniers,IP rating,IPX6,jet-proof",
    "Panniers,IP rating,IP67,ip6x-dust"
  })
  void a_value_that_says_it_licenses_it(
      String category, String heading, String cell, String claim) {
    assertThat(licensed(category, heading, cell)).contains(claim);
  }

  @ParameterizedTest
  @CsvSource({
    "Chairs,Material,washed cotton,ash-springy",
    "Bottles,Material,fibreglass,glass-shows",
    "Wallets,Material,faux leather,leather-softens",
    "Rings,Material,gold-plated brass,gold-tarnish",
    "Rings,Material,gold-coloured brass,gold-tarnish",
    "Lamps,Dimmable,no,dimmable-mood",
    "Shirts,Care,no machine wash,care-machine",
    "Shirts,Care,do not tumble dry,care-tumble",
    "Shirts,Material,'cotton, polyester',cotton-breathes",
    "Panniers,IP rating,IPX4,waterproof-by-rating",
    "Creams,Free from,nothing perfumed,free-perfume"
  })
  void what_is_denied_imitated_blended_or_only_spelt_alike_does_not(
      String category, String heading, String cell, String claim) {
    assertThat(licensed(category, heading, cell)).doesNotContain(claim);
  }

  @ParameterizedTest
  @CsvSource({
    "Headphones,Runtime,600 min,day-runtime,true",
    "Headphones,Runtime,12 h,day-runtime,true",
    "Headphones,Runtime,240 min,day-runtime,false",
    "Headphones,Runtime,up to 12 h,day-runtime,false",
    "Candles,Burn time,at least 45 h,burn-long,true",
    "Lamps,Colour temperature,2700 K,warm-light,true",
    "Lamps,Colour temperature,4000 K,warm-light,false",
    "Courses,Max group size,6,group-small,true",
    "Jackets,Water column,10 m,column-steady,true",
    "Jackets,Water column,1.5 m,column-steady,false"
  })
  void amounts_are_compared_in_one_unit_and_only_as_far_as_they_go(
      String category, String heading, String cell, String claim, boolean holds) {
    assertThat(licensed(category, heading, cell).contains(claim)).isEqualTo(holds);
  }

  @Test
  void a_claim_for_one_class_is_not_made_for_another() {
    assertThat(licensed("Front lights", "Lumens", "400 lm")).contains("bright-road");
    assertThat(licensed("Rear lights", "Lumens", "400 lm")).doesNotContain("bright-road");
  }
}
