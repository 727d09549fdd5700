package rhetor.core.compose;

import java.util.List;
import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.template.Template;

/**
 * What a text is to be written from and for.
 *
 * @param product the product and its facts
 * @param keyword the primary keyword, or empty
 * @param voice how it is to sound
 * @param style what the house has decided for all texts
 * @param template how its texts are built
 * @param apart ids of the facts that tell the product from others of its name, which its title
 *     needs; mostly none
 * @param extent which texts, and how long
 * @param take which of several texts for the product it is, from 0; takes differ in plan and words
 */
public record Brief(
    ProductFacts product,
    String keyword,
    Voice voice,
    Style style,
    Template template,
    List<String> apart,
    Extent extent,
    int take) {

  /** A brief that leaves it to the composer how texts are built. */
  public Brief(ProductFacts product, String keyword, Voice voice, Style style, int take) {
    this(product, keyword, voice, style, Template.NONE, List.of(), Extent.ALL, take);
  }

  /** A first take in the plain voice, with the keyword that the product's sheet asks for. */
  public static Brief of(ProductFacts product) {
    return of(product, product.keyword());
  }

  /** A first take in the plain voice. */
  public static Brief of(ProductFacts product, String keyword) {
    return new Brief(product, keyword, Voices.plain(), Style.standard(), 0);
  }

  /** The same brief for a house of this style, in its own voice. */
  public Brief under(Style house) {
    return new Brief(product, keyword, house.ownVoice(), house, template, apart, extent, take);
  }

  /** The same brief in another voice, as the house bends it. */
  public Brief in(Voice other) {
    return new Brief(product, keyword, style.bend(other), style, template, apart, extent, take);
  }

  /** The same brief for another take. */
  public Brief take(int other) {
    return new Brief(product, keyword, voice, style, template, apart, extent, other);
  }

  /** The same brief for texts built so. */
  public Brief after(Template other) {
    return new Brief(product, keyword, voice, style, other, apart, extent, take);
  }

  /** The same brief for a product that these facts tell from others of its name. */
  public Brief apartBy(List<String> facts) {
    return new Brief(product, keyword, voice, style, template, facts, extent, take);
  }

  /** The same brief for some of the texts, or shorter ones. */
  public Brief to(Extent some) {
    return new Brief(product, keyword, voice, some.bound(style), template, apart, some, take);
  }
}
