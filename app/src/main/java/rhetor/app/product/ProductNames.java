package rhetor.app.product;

import jakarta.annotation.PostConstruct;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ConcurrentSkipListSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import rhetor.app.web.AfterCommit;

/**
 * Finds products by a part of their name or SKU, and tells their alphabet. Names and SKUs are held
 * in memory, some 300 bytes a product: no index of the database finds what stands within a word,
 * and one of long names would cost an intake more than all else that it keeps of a product.
 */
@Component
class ProductNames {
  private final JdbcClient jdbc;
  private final Map<Long, Called> names = new ConcurrentSkipListMap<>();
  private final NavigableSet<Place> alphabet =
      new ConcurrentSkipListSet<>(Comparator.comparing(Place::name).thenComparing(Place::id));

  /** A product's place in the alphabet, by the order of Unicode's characters. */
  record Place(String name, long id) {}

  /** What a product is called, and its SKU and name as they are searched. */
  private record Called(String name, String searched) {}

  /** What a product is called, as it is stored. */
  record Named(long id, String sku, String name) {}

  ProductNames(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Before anybody can change anything: later, what commits meanwhile would be overwritten. */
  @PostConstruct
  void readOnce() {
    jdbc.sql("select id, sku, name from product")
        .query(
            rs -> {
              put(new Named(rs.getLong(1), rs.getString(2), rs.getString(3)));
            });
  }

  private void put(Named product) {
    String name = product.name;
    String searched = (product.sku + "\n" + name).toLowerCase(Locale.ROOT);
    Called before = names.put(product.id, new Called(name, searched));
    // Added first: a list must not miss a product that is only called otherwise.
    alphabet.add(new Place(name, product.id));
    if (before != null && !before.name.equals(name)) {
      alphabet.remove(new Place(before.name, product.id));
    }
  }

  /** Notes what products are called, when that commits. */
  void named(List<Named> products) {
    AfterCommit.run(() -> products.forEach(this::put));
  }

  /** Notes that products have gone, when that commits. */
  void went(List<Long> products) {
    AfterCommit.run(
        () -> {
          for (long id : products) {
            Called before = names.remove(id);
            if (before != null) {
              alphabet.remove(new Place(before.name, id));
            }
          }
        });
  }

  /**
   * The next places in the alphabet.
   *
   * @param after the place before them; empty for the first
   */
  List<Place> inAlphabet(Optional<Place> after, int most) {
    return after.map(place -> alphabet.tailSet(place, false)).orElse(alphabet).stream()
        .limit(most)
        .toList();
  }

  /** Ids of the products that have just this name, the first ones. */
  List<Long> called(String name, int most) {
    return alphabet.tailSet(new Place(name, Long.MIN_VALUE)).stream()
        .takeWhile(p -> p.name.equals(name))
        .limit(most)
        .map(Place::id)
        .toList();
  }

  /**
   * Ids of the products in whose SKU or name a text stands, upper or lower case, in their order.
   *
   * @param most looked for no further than this many
   */
  List<Long> find(String part, int most) {
    String searched = part.toLowerCase(Locale.ROOT);
    List<Long> found = new ArrayList<>();
    for (Map.Entry<Long, Called> name : names.entrySet()) {
      if (name.getValue().searched.contains(searched)) {
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
