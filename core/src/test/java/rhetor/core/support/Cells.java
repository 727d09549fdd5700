package rhetor.core.support;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;

/** A product of a few cells as they stand in a sheet, and a judge of texts about it. */
final class Cells {
  private Cells() {}

  /**
   * A judge of a product.
   *
   * @param concepts ids of the kinds of facts that some headings name
   * @param cells each "Heading: what it says"
   */
  static Judge judge(String name, String kind, Map<String, String> concepts, List<String> cells) {
    List<Fact> facts = new ArrayList<>();
    for (String cell : cells) {
      String[] parts = cell.split(": ", 2);
      facts.add(
          new Fact(
              "f" + facts.size(),
              concepts.getOrDefault(parts[0], ""),
              parts[0],
              new Value.Words(parts[1]),
              List.of(new Source("goods.csv", 2, parts[0], parts[1])),
              false));
    }
    ProductFacts product =
        new ProductFacts("G-1", name, "", kind, facts, List.of(), "", "", List.of());
    return new Judge(product, Knowledge.standard());
  }
}
