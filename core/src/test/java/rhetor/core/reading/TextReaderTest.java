package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;

class TextReaderTest {
  private final TextReader reader = new TextReader(Knowledge.standard());

  private ProductFacts read(String text) {
    return reader.read("P-1", "Roll Pannier", text, "pasted by wren");
  }

  private static Value value(ProductFacts product, String id) {
    return product.facts().stream()
        .filter(f -> f.id().equals(id))
        .findFirst()
        .orElseThrow()
        .value();
  }

  @Test
  void a_description_gives_facts_from_its_lines_and_its_prose() {
    ProductFacts product =
        read(
            """
                A roomy bag for the daily ride. It weighs 940 g and is made of recycled polyester.

                Capacity: 20 l
                Closure: roll-top
                Shelf life of the reflective print: five years
                Price: 89.00
                """);
    assertThat(value(product, "weight"))
        .isEqualTo(new Value.Quantity(new BigDecimal("940"), "g", ""));
    assertThat(value(product, "material"))
        .isEqualTo(new Value.Terms(List.of("recycled polyester")));
    assertThat(value(product, "capacity"))
        .isEqualTo(new Value.Quantity(new BigDecimal("20"), "l", ""));
    assertThat(value(product, "closure")).isEqualTo(new Value.Terms(List.of("roll-top")));
    assertThat(product.facts()).noneMatch(f -> f.label().equals("Price"));
    assertThat(product.productClass()).isEqualTo("pannier");
    assertThat(product.supplierText()).startsWith("A roomy bag").doesNotContain("Capacity");
    assertThat(product.fact("weight").orElseThrow().source().column()).isEqualTo("pasted by wren");
  }

  @Test
  void a_web_page_gives_its_table_and_its_pictures_and_runs_nothing() {
    ProductFacts product =
        read(
            """
            <div><script>steal()</script><h1>Roll Pannier</h1><p>Keeps rain out.</p>
            <table><tr><th>Weight</th><td>0.94 kg</td></tr><tr><td>Colour</td><td>moss</td></tr></table>
            <dl><dt>Capacity</dt><dd>20 litres</dd></dl>
            <img src="https://pictures.example/a.jpg"><img src="data:image/png;base64,AAAA"></div>
            """);
    assertThat(value(product, "weight"))
        .isEqualTo(new Value.Quantity(new BigDecimal("0.94"), "kg", ""));
    assertThat(value(product, "capacity")).isInstanceOf(Value.Quantity.class);
    assertThat(product.pictures()).containsExactly("https://pictures.example/a.jpg");
    assertThat(product.supplierText()).contains("Keeps rain out.").doesNotContain("steal");
  }

  @Test
  void what_contradicts_itself_is_set_apart() {
    assertThat(read("Weight: 940 g\nIt weighs 1200 g in all.\n").contradictions()).hasSize(1);
  }
}
