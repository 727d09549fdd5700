package rhetor.app.intake;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;

/** Sheets to fill in, for a class of products. */
final class BlankSheets {
  /** What is asked of everything, behind what is essential for the class. */
  private static final List<String> COMMON =
      List.of(
          "brand", "material", "colour", "size", "weight", "dimensions", "use", "features", "care");

  private BlankSheets() {}

  /**
   * Headings and a row with the class filled in, as CSV with a byte order mark for spreadsheets.
   */
  static String csv(ProductClass productClass, Knowledge knowledge) {
    Set<String> concepts = new LinkedHashSet<>(productClass.essential());
    concepts.addAll(productClass.matters().keySet());
    concepts.addAll(COMMON);
    StringBuilder headings = new StringBuilder("\uFEFFSKU,Name,Category");
    List<Concept> columns = concepts.stream().flatMap(c -> knowledge.concept(c).stream()).toList();
    columns.forEach(c -> headings.append(',').append(heading(c)));
    return headings
        + ",Description,Keyword\r\n,,"
        + productClass.noun()
        + ",".repeat(columns.size() + 2)
        + "\r\n";
  }

  /** The first English name: it is understood whatever else stands in the sheet. */
  private static String heading(Concept concept) {
    String name = concept.names().get("en").getFirst();
    return Character.toUpperCase(name.charAt(0)) + name.substring(1);
  }
}
