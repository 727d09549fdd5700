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
    String page) {}
