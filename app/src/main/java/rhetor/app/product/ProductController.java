package rhetor.app.product;

import java.util.ArrayList;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.compose.ValueText;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.Source;

/** Lists of products, and one product's facts, over HTTP. */
@RestController
class ProductController {
  private static final int MOST = 200;

  private final ProductService products;
  private final ValueText values;

  ProductController(ProductService products, Knowledge knowledge) {
    this.products = products;
    this.values = new ValueText(knowledge);
  }

  /** A fact as a person reads it, with the cells that say so. */
  record FactView(String id, String label, String value, List<Source> sources, boolean foreign) {}

  record ContradictionView(String label, List<Source> sources) {}

  record ProductView(
      ProductLine line, List<FactView> facts, List<ContradictionView> contradictions) {}

  @GetMapping("/api/products")
  ProductPage page(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "ALL") String state,
      @RequestParam(defaultValue = "0") long intake,
      @RequestParam(defaultValue = "SHEET") ProductStore.Order order,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "50") int limit) {
    return products.page(
        new ProductFilter(search, state, intake), order, after, Math.clamp(limit, 1, MOST));
  }

  @GetMapping("/api/products/{id}")
  ProductView get(@PathVariable long id) {
    Product product = products.get(id);
    List<FactView> facts = new ArrayList<>();
    for (Fact f : product.facts().facts()) {
      facts.add(new FactView(f.id(), f.label(), values.spec(f.value()), f.sources(), f.foreign()));
    }
    List<ContradictionView> contradictions =
        product.facts().contradictions().stream()
            .map(c -> new ContradictionView(c.label(), c.sources()))
            .toList();
    return new ProductView(products.line(id), facts, contradictions);
  }
}
