package rhetor.core.compose;

import rhetor.core.fact.ProductFacts;

/**
 * What a text is to be written from and for.
 *
 * @param product the product and its facts
 * @param keyword the primary keyword, or empty
 */
public record Brief(ProductFacts product, String keyword) {

  /** A brief with the keyword that the product's sheet asks for. */
  public static Brief of(ProductFacts product) {
    return new Brief(product, product.keyword());
  }
}
