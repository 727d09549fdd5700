package rhetor.app.product;

import java.util.List;

/**
 * One page of a list of products.
 *
 * @param total how many match in all
 * @param next key of the next page, empty if this is the last
 */
public record ProductPage(List<ProductLine> items, long total, String next) {}
