package rhetor.app.product;

import jakarta.annotation.PostConstruct;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import rhetor.app.web.AfterCommit;

/**
 * Keeps how many products are in each stage and how many need something, so that the numbers beside
 * the line of work cost nothing to show. Counted once at the start; from then on each change of a
 * product is noted when it commits.
 */
@Component
class ProductCounts {
  private final JdbcClient jdbc;
  private Map<String, Integer> counts;
  private long factsRevision;

  ProductCounts(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** What is counted of one product. */
  record Counted(Stage stage, boolean toFix, boolean failed, boolean disputed, boolean missing) {
    private static final Counted NEW = new Counted(Stage.UNWRITTEN, false, false, false, false);

    /** A product that has just come, by what its facts lack. */
    static Counted fresh(int disputed, int missing) {
      return new Counted(NEW.stage, false, false, disputed > 0, missing > 0);
    }
  }

  /** How many there are of each, by stage and by {@code FIX}, {@code FAILED} and so on. */
  synchronized Map<String, Integer> all() {
    return new LinkedHashMap<>(counts);
  }

  /** Before anybody can change anything: later, what commits meanwhile would count twice. */
  @PostConstruct
  void countOnce() {
    counts = count();
  }

  private Map<String, Integer> count() {
    Map<String, Integer> fresh = new LinkedHashMap<>();
    for (Stage stage : Stage.values()) {
      fresh.put(stage.name(), 0);
    }
    jdbc.sql("select stage, count(*) from product group by stage")
        .query(
            rs -> {
              fresh.put(rs.getString(1), rs.getInt(2));
            });
    jdbc.sql(
            """
            select count(*), coalesce(sum(case when must_fix > 0 then 1 else 0 end), 0),
              coalesce(sum(case when failed is not null then 1 else 0 end), 0),
              coalesce(sum(case when disputed > 0 then 1 else 0 end), 0),
              coalesce(sum(case when missing > 0 then 1 else 0 end), 0) from product""")
        .query(
            rs -> {
              fresh.put("ALL", rs.getInt(1));
              fresh.put("FIX", rs.getInt(2));
              fresh.put("FAILED", rs.getInt(3));
              fresh.put("DISPUTED", rs.getInt(4));
              fresh.put("INCOMPLETE", rs.getInt(5));
            });
    return fresh;
  }

  /** Notes that a product has come, when that commits. */
  void came(Counted product) {
    onceKept(() -> add(product, 1));
  }

  /** Notes that a product is another than before, when that commits. */
  void changed(Counted before, Counted now) {
    if (!before.equals(now)) {
      onceKept(
          () -> {
            add(now, 1);
            add(before, -1);
          });
    }
  }

  /** Notes that products have another stage and are otherwise as before, when that commits. */
  void moved(int products, Stage from, Stage to) {
    onceKept(
        () -> {
          add(from.name(), true, -products);
          add(to.name(), true, products);
        });
  }

  /** Notes that what is known of products has changed, when that commits. */
  void factsChanged() {
    onceKept(() -> factsRevision++);
  }

  /** A number that is another whenever what is known of products has changed. */
  synchronized long factsRevision() {
    return factsRevision;
  }

  /** Notes that a product has gone, when that commits. */
  void went(Counted product) {
    onceKept(() -> add(product, -1));
  }

  private void add(Counted product, int by) {
    add(product.stage.name(), true, by);
    add("ALL", true, by);
    add("FIX", product.toFix, by);
    add("FAILED", product.failed, by);
    add("DISPUTED", product.disputed, by);
    add("INCOMPLETE", product.missing, by);
  }

  private void add(String what, boolean counts, int by) {
    if (counts) {
      this.counts.merge(what, by, Integer::sum);
    }
  }

  private synchronized void now(Runnable change) {
    change.run();
  }

  private void onceKept(Runnable change) {
    AfterCommit.run(() -> now(change));
  }
}
