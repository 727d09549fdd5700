package rhetor.app.product;

import rhetor.core.fact.ProductFacts;

/** Is shown what each source says of each product. */
@FunctionalInterface
public interface SourceVisitor {
  /**
   * Takes one.
   *
   * @param text id of the text that counts, 0 if there is none
   */
  void visit(long product, long text, ProductFacts facts);
}
