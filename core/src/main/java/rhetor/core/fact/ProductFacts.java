package rhetor.core.fact;

import java.util.List;
import java.util.Optional;

/**
 * Everything a sheet's row says about one product.
 *
 * @param sku the product's code, never empty
 * @param name the product's name as it may be printed
 * @param productClass id of the class, empty if none is known
 * @param kindNoun what sort of thing it is in words ("pannier"), empty if unknown
 * @param supplierText the supplier's prose, for comparison
 * @param keyword the primary keyword the sheet asks for, or empty
 * @param pictures addresses or file names of its pictures, as they stand in the source
 */
public record ProductFacts(
    String sku,
    String name,
    String productClass,
    String kindNoun,
    List<Fact> facts,
    List<Contradiction> contradictions,
    String supplierText,
    String keyword,
    List<String> pictures) {
  public ProductFacts {
    pictures = List.copyOf(pictures);
    facts = List.copyOf(facts);
    contradictions = List.copyOf(contradictions);
  }

  /** What it and its maker are called; names stand in texts as they are. */
  public List<String> names() {
    return fact("brand").map(b -> List.of(name, b.source().raw())).orElseGet(() -> List.of(name));
  }

  /** The same product with other facts that stand. */
  public ProductFacts withFacts(List<Fact> others) {
    return new ProductFacts(
        sku, name, productClass, kindNoun, others, contradictions, supplierText, keyword, pictures);
  }

  /** The same facts with other pictures. */
  public ProductFacts withPictures(List<String> others) {
    return new ProductFacts(
        sku, name, productClass, kindNoun, facts, contradictions, supplierText, keyword, others);
  }

  /** The fact of a concept, if the product has it. */
  public Optional<Fact> fact(String concept) {
    for (Fact fact : facts) {
      if (fact.concept().equals(concept)) {
        return Optional.of(fact);
      }
    }
    return Optional.empty();
  }
}
