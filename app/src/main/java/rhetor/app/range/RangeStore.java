package rhetor.app.range;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.web.Refused;

/** Keeps ranges and which products are in them. */
@Repository
class RangeStore {
  private static final int BATCH = 500;
  private static final String RANGES =
      """
      select r.id, r.name, r.kind, r.brand, r.is_aside, coalesce(n.products, 0) as products,
        coalesce(n.written, 0) as written, coalesce(n.signed_off, 0) as signed_off,
        coalesce(n.live, 0) as live
      from product_range r left join (
        select i.range_id, count(*) as products, count(p.text_id) as written,
          count(case when p.stage = 'SIGNED_OFF' then 1 end) as signed_off,
          count(case when p.stage = 'PUBLISHED' then 1 end) as live
        from in_range i join product p on p.id = i.product_id group by i.range_id) n
        on n.range_id = r.id""";

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final Clock clock;

  RangeStore(JdbcClient jdbc, JdbcTemplate template, Clock clock) {
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
  }

  long add(String name, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    unique(
        name,
        () ->
            jdbc.sql("insert into product_range (name, made_by, made_at) values (?, ?, ?)")
                .params(name, by, Timestamp.from(clock.instant()))
                .update(key, "id"));
    return key.getKey().longValue();
  }

  void rename(long id, String name) {
    unique(
        name,
        () -> jdbc.sql("update product_range set name = ? where id = ?").params(name, id).update());
  }

  private static void unique(String name, Runnable change) {
    try {
      change.run();
    } catch (DuplicateKeyException e) {
      throw Refused.conflict("There is a range called \"%s\" already.".formatted(name));
    }
  }

  void remove(long id) {
    jdbc.sql("delete from product_range where id = ?").param(id).update();
  }

  List<Ranges.Range> all() {
    return jdbc.sql(RANGES + " order by r.name_key").query(Ranges.Range.class).list();
  }

  Optional<Ranges.Range> find(long id) {
    return jdbc.sql(RANGES + " where r.id = ?").param(id).query(Ranges.Range.class).optional();
  }

  /** Puts products into a range; they leave the one they were in. */
  void put(long range, List<Long> products) {
    template.batchUpdate(
        "merge into in_range (product_id, range_id) key (product_id) values (?, ?)",
        products,
        BATCH,
        (s, p) -> {
          s.setLong(1, p);
          s.setLong(2, range);
        });
  }

  void setRule(long id, String kind, String brand) {
    jdbc.sql("update product_range set kind = ?, brand = ? where id = ?")
        .params(kind, brand, id)
        .update();
  }

  void putAside(long id, boolean isAside) {
    jdbc.sql("update product_range set is_aside = ? where id = ?").params(isAside, id).update();
  }

  /** Ranges that products come into by themselves, the oldest first. */
  List<Long> withRule() {
    return jdbc.sql(
            "select id from product_range where (kind <> '' or brand <> '') and not is_aside order by id")
        .query(Long.class)
        .list();
  }

  /** Puts those products into a range that its rule names and that are in none; how many. */
  int fill(long range) {
    return jdbc.sql(
            """
            insert into in_range (product_id, range_id)
            select p.id, r.id from product_range r join product p
              on (r.kind = '' or p.kind = r.kind) and (r.brand = '' or p.brand = r.brand)
            where r.id = ? and (r.kind <> '' or r.brand <> '') and not r.is_aside
              and not exists (select 1 from in_range i where i.product_id = p.id)""")
        .param(range)
        .update();
  }

  void takeOut(long range, List<Long> products) {
    template.batchUpdate(
        "delete from in_range where product_id = ? and range_id = ?",
        products,
        BATCH,
        (s, p) -> {
          s.setLong(1, p);
          s.setLong(2, range);
        });
  }

  /** The range a product is in. */
  Optional<Long> of(long product) {
    return jdbc.sql("select range_id from in_range where product_id = ?")
        .param(product)
        .query(Long.class)
        .optional();
  }
}
