package rhetor.app.product;

import java.time.Instant;
import rhetor.core.fact.ProductFacts;

/**
 * A product with its facts.
 *
 * @param textId id of the text that counts, 0 if there is none
 * @param signedAt when somebody last put their word to it
 * @param shopVersion the shop's version tag of what was last published there, empty if never
 */
public record Product(
    long id,
    Stage stage,
    ProductFacts facts,
    String keyword,
    long textId,
    Instant signedAt,
    String page,
    String shopVersion) {}
