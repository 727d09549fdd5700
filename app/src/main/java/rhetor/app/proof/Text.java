package rhetor.app.proof;

import java.time.Instant;
import rhetor.core.check.Audit;
import rhetor.core.text.Draft;

/**
 * One revision of all texts of a product. Revisions are never changed; each names the one before
 * it.
 *
 * @param parentId the revision it came from, 0 for none
 * @param note what was done
 */
public record Text(
    long id,
    long productId,
    long parentId,
    String author,
    Origin origin,
    String note,
    Draft draft,
    Audit audit,
    Instant createdAt) {}
