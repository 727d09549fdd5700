package rhetor.app.product;

import jakarta.annotation.PostConstruct;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import rhetor.app.web.AfterCommit;

/**
 * Finds products by a part of their name or SKU. Names and SKUs are held in memory, some 150 bytes
 * a product, since no index of the database finds what stands within a word.
 */
@Component
class ProductNames {
  private final JdbcClient jdbc;
  private final Map<Long, String> names = new ConcurrentSkipListMap<>();

  ProductNames(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Before anybody can change anything: later, what commits meanwhile would be overwritten. */
  @PostConstruct
  void readOnce() {
    jdbc.sql("select id, sku, name from product")
        .query(
            rs -> {
              names.put(rs.getLong(1), searched(rs.getString(2), rs.getString(3)));
            });
  }

  private static String searched(String sku, String name) {
    return (sku + "\n" + name).toLowerCase(Locale.ROOT);
  }

  /** Notes what a product is called, when that commits. */
  void named(long id, String sku, String name) {
    AfterCommit.run(() -> names.put(id, searched(sku, name)));
  }

  /** Notes that a product has gone, when that commits. */
  void went(long id) {
    AfterCommit.run(() -> names.remove(id));
  }

  /**
   * Ids of the products in whose SKU or name a text stands, upper or lower case, in their order.
   *
   * @param most looked for no further than this many
   */
  List<Long> find(String part, int most) {
    String searched = part.toLowerCase(Locale.ROOT);
    List<Long> found = new ArrayList<>();
    for (Map.Entry<Long, String> name : names.entrySet()) {
      if (name.getValue().contains(searched)) {
        found.add(name.getKey());
        if (found.size() == most) {
          break;
        }
      }
    }
    return found;
  }

  /** How many products there are in whose SKU or name a text stands. */
  int count(String part) {
    return find(part, Integer.MAX_VALUE).size();
  }
}
