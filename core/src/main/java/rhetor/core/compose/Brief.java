package rhetor.core.compose;

import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;

/**
 * What a text is to be written from and for.
 *
 * @param product the product and its facts
 * @param keyword the primary keyword, or empty
 * @param voice how it is to sound
 * @param take which of several texts for the product it is, from 0; takes differ in plan and words
 */
public record Brief(ProductFacts product, String keyword, Voice voice, int take) {

  /** A first take in the plain voice, with the keyword that the product's sheet asks for. */
  public static Brief of(ProductFacts product) {
    return new Brief(product, product.keyword(), Voices.plain(), 0);
  }

  /** The same brief in another voice. */
  public Brief in(Voice other) {
    return new Brief(product, keyword, other, take);
  }

  /** The same brief for another take. */
  public Brief take(int other) {
    return new Brief(product, keyword, voice, other);
  }
}
