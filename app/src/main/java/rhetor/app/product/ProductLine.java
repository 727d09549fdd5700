package rhetor.app.product;

/**
 * A product as a list shows it.
 *
 * @param failed why writing failed, empty if it did not
 * @param stale whether facts changed since the text was written
 * @param readiness 0 to 100, -1 before there is a text
 * @param missing how many essential facts no source gives
 * @param disputed how many facts the sources disagree about
 * @param page address of the live page, empty before it is published
 * @param picture id of a picture that shows it, 0 if nobody has confirmed one
 */
public record ProductLine(
    long id,
    String sku,
    String name,
    String brand,
    String kind,
    Stage stage,
    String failed,
    boolean stale,
    int readiness,
    int mustFix,
    int missing,
    int disputed,
    String keyword,
    String page,
    long picture) {
  ProductLine withPicture(long id) {
    return new ProductLine(
        this.id, sku, name, brand, kind, stage, failed, stale, readiness, mustFix, missing,
        disputed, keyword, page, id);
  }
}
