package rhetor.standins.shop;

import java.util.List;

/**
 * A product as the shop keeps it.
 *
 * @param slug last part of its page's address; it stays when texts change
 * @param version counts changes; its ETag
 */
record Goods(
    String sku,
    String slug,
    String title,
    String shortDescription,
    String description,
    String metaTitle,
    String metaDescription,
    List<String> tags,
    String imageAlt,
    long version) {

  /** The texts that can be put. */
  record Texts(
      String title,
      String shortDescription,
      String description,
      String metaTitle,
      String metaDescription,
      List<String> tags,
      String imageAlt) {}

  String etag() {
    return "\"" + version + "\"";
  }
}
