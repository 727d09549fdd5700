package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;

class NamesakesTest {
  private static final String HEADINGS = "SKU,Name,Category,Colour,Hook for,Shank,Barbed,Wire";
  private static final ProductFacts SALMON = of("H-1,Tarn,fish hook,black,salmon,6,Y,steel");
  private static final ProductFacts SMALL = of("H-2,Tarn,fish hook,black,salmon,9,N,steel");
  private static final ProductFacts TROUT = of("H-3,Tarn,fish hook,black,trout,9,Y,steel");
  private static final ProductFacts RED = of("H-4,Tarn,fish hook,red,salmon,6,Y,steel");

  private static ProductFacts of(String row) {
    return Products.of(HEADINGS, row);
  }

  private static String title(ProductFacts product, ProductFacts... all) {
    List<ProductFacts> others = new ArrayList<>(List.of(all));
    others.remove(product);
    return new Composer(Knowledge.standard(), 1)
        .compose(Brief.of(product).apartBy(Namesakes.apart(product, others)))
        .plain(Field.TITLE);
  }

  @Test
  void titles_of_one_name_say_what_the_products_can_be_told_by() {
    assertThat(title(SALMON, SALMON, SMALL, TROUT)).contains("Tarn", "salmon", "shank 6");
    assertThat(title(SMALL, SALMON, SMALL, TROUT)).contains("Tarn", "salmon", "shank 9");
    assertThat(title(TROUT, SALMON, SMALL, TROUT)).contains("trout").doesNotContain("shank");
  }

  @Test
  void a_measure_needs_no_heading_and_a_bare_figure_does() {
    ProductFacts light = Products.of("SKU,Name,Category,Weight", "L-1,Mere,anchor,830 g");
    ProductFacts heavy = Products.of("SKU,Name,Category,Weight", "L-2,Mere,anchor,2 kg");
    assertThat(title(light, light, heavy)).endsWith("830 g").doesNotContain("weight");
  }

  @Test
  void a_colour_tells_first_and_once() {
    assertThat(Namesakes.apart(RED, List.of(SALMON))).containsExactly("colour");
    assertThat(title(RED, RED, SALMON)).containsOnlyOnce("red").doesNotContain("shank");
  }

  @Test
  void a_name_of_its_own_needs_nothing_more() {
    assertThat(Namesakes.apart(SALMON, List.of())).isEmpty();
    assertThat(title(SALMON, SALMON)).doesNotContain("shank", "salmon");
  }

  @Test
  void answers_and_what_the_other_does_not_say_tell_nothing() {
    ProductFacts silent = of("H-5,Tarn,fish hook,black,salmon,,N,steel");
    assertThat(Namesakes.apart(SALMON, List.of(silent))).isEmpty();
  }
}
