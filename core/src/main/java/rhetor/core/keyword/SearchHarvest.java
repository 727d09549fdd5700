package rhetor.core.keyword;

import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.PriorityQueue;

/**
 * Gathers from search data what is worth keeping: for each product the few queries that matter most
 * to it. However many rows there are, it takes room for the products alone.
 */
public final class SearchHarvest {
  /** Queries that are kept of a product. */
  public static final int MOST = 8;

  private static final Comparator<Kept> WORTH =
      Comparator.comparingDouble(Kept::worth).thenComparing(k -> k.row.query());

  private final QueryMatcher matcher;
  private final Map<Long, PriorityQueue<Kept>> kept = new HashMap<>();
  private long matched;
  private long general;
  private long unmatched;

  /**
   * A query that is about a product.
   *
   * @param relevance how much of the query the product's words bear, 0 to 1
   */
  public record Kept(SearchRow row, double relevance) {
    /** How much it matters: relevance first, and how much is searched, in orders of magnitude. */
    double worth() {
      return relevance * relevance * Math.log1p(row.demand());
    }
  }

  public SearchHarvest(QueryMatcher matcher) {
    this.matcher = matcher;
  }

  /** Takes a row in. */
  public void add(SearchRow row) {
    QueryMatcher.Matches matches = matcher.match(row.query());
    if (matches.best().isEmpty()) {
      unmatched++;
      return;
    }
    if (matches.general()) {
      general++;
      return;
    }
    matched++;
    for (QueryMatcher.Match match : matches.best()) {
      keep(match.product(), new Kept(row, match.relevance()));
    }
  }

  private void keep(long product, Kept query) {
    PriorityQueue<Kept> queue = kept.computeIfAbsent(product, p -> new PriorityQueue<>(WORTH));
    if (queue.size() == MOST && WORTH.compare(query, queue.peek()) <= 0) {
      return;
    }
    String words = query.row.query().toLowerCase(Locale.ROOT);
    Kept same =
        queue.stream()
            .filter(k -> k.row.query().toLowerCase(Locale.ROOT).equals(words))
            .findFirst()
            .orElse(null);
    if (same != null) {
      // The same query for several pages: the one that is shown most stands for it.
      if (query.row.demand() > same.row.demand()) {
        queue.remove(same);
        queue.add(query);
      }
      return;
    }
    queue.add(query);
    if (queue.size() > MOST) {
      queue.poll();
    }
  }

  /** The queries of each product, those that matter most first. */
  public Map<Long, List<Kept>> kept() {
    Map<Long, List<Kept>> all = new LinkedHashMap<>();
    kept.forEach(
        (product, queue) -> all.put(product, queue.stream().sorted(WORTH.reversed()).toList()));
    return all;
  }

  /** Rows that are about a product. */
  public long matched() {
    return matched;
  }

  /** Rows that fit so many products that they are about a kind of thing. */
  public long general() {
    return general;
  }

  /** Rows that are about nothing that the house sells. */
  public long unmatched() {
    return unmatched;
  }
}
