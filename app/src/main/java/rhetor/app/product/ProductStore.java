package rhetor.app.product;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.IntSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.fact.ProductFacts;

/** Keeps products and what was said of them. */
@Repository
class ProductStore {
  private static final String SIGNED = " and p.stage in ('SIGNED_OFF', 'PUBLISHED')";

  private static final Logger LOG = LoggerFactory.getLogger(ProductStore.class);
  private static final long ROWS_OF_AN_INTAKE = 10_000_000;
  private static final int LONGEST_NAME = 400;
  private static final int BATCH = 500;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final ProductCounts counts;
  private final ProductNames names;
  private final Clock clock;
  private final StoredFacts stored;

  ProductStore(
      JdbcClient jdbc,
      JdbcTemplate template,
      ProductCounts counts,
      ProductNames names,
      Clock clock,
      StoredFacts stored) {
    this.counts = counts;
    this.names = names;
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
    this.stored = stored;
  }

  /** What is kept of a product besides its facts. */
  record State(
      long id,
      String sku,
      Stage stage,
      String keyword,
      long textId,
      Instant signedAt,
      String page,
      String shopVersion) {}

  Optional<State> state(long id) {
    return jdbc.sql(
            "select id, sku, stage, keyword, text_id, signed_at, page, shop_version from product where id = ?")
        .param(id)
        .query(
            (rs, row) ->
                new State(
                    rs.getLong("id"),
                    rs.getString("sku"),
                    Stage.valueOf(rs.getString("stage")),
                    rs.getString("keyword"),
                    rs.getLong("text_id"),
                    Optional.ofNullable(rs.getTimestamp("signed_at"))
                        .map(Timestamp::toInstant)
                        .orElse(Instant.EPOCH),
                    Objects.requireNonNullElse(rs.getString("page"), ""),
                    Objects.requireNonNullElse(rs.getString("shop_version"), "")))
        .optional();
  }

  /** What each supplier said last of a product, the first supplier first. */
  List<ProductFacts> sources(long id) {
    Map<String, byte[]> last = new LinkedHashMap<>();
    jdbc.sql(
            """
            select i.supplier, s.facts from product_source s join intake i on i.id = s.intake_id
            where s.product_id = ? and not s.withdrawn order by s.id""")
        .param(id)
        .query(
            rs -> {
              last.put(rs.getString(1), rs.getBytes(2));
            });
    return last.values().stream().map(stored::unpack).toList();
  }

  /**
   * What is stored of a product that a sheet names again.
   *
   * @param facts what its supplier said last, empty if only others named it
   */
  record Known(long id, Stage stage, Optional<ProductFacts> facts) {}

  Map<String, Known> known(String supplier, List<String> skus) {
    Map<String, Known> known = new HashMap<>();
    jdbc.sql(
            """
            select p.id, p.sku, p.stage,
              (select s.facts from product_source s join intake i on i.id = s.intake_id
               where s.product_id = p.id and i.supplier = :supplier and not s.withdrawn order by s.id desc limit 1) as facts
            from product p where p.sku in (:skus)""")
        .param("supplier", supplier)
        .param("skus", skus)
        .query(
            rs -> {
              byte[] facts = rs.getBytes("facts");
              known.put(
                  rs.getString("sku"),
                  new Known(
                      rs.getLong("id"),
                      Stage.valueOf(rs.getString("stage")),
                      Optional.ofNullable(facts).map(stored::unpack)));
            });
    return known;
  }

  /** SKUs and names of the products that an intake named. */
  void named(long intake, BiConsumer<String, String> consumer) {
    jdbc.sql(
            "select p.sku, p.name from product_source s join product p on p.id = s.product_id where s.id between ? and ? and not s.withdrawn order by s.id")
        .params(sourceId(intake, 0), sourceId(intake + 1, -1))
        .query(
            rs -> {
              consumer.accept(rs.getString(1), rs.getString(2));
            });
  }

  /** One product of an intake; of a new one the id is yet to be given. */
  record Row(long id, ProductFacts facts, int rowNumber, int missing) {}

  /** What a row of an intake said of a product, packed. */
  record Said(int rowNumber, long product, byte[] facts) {}

  /** What a row says of its product, as it is stored. */
  Said said(Row row) {
    return new Said(row.rowNumber, row.id, stored.pack(row.facts));
  }

  /** Adds new products; their rows with ids, whose sources are left to be added. */
  List<Row> insert(List<Row> rows) {
    List<Long> ids =
        jdbc.sql("select next value for product_id from system_range(1, ?)")
            .param(rows.size())
            .query(Long.class)
            .list();
    List<Row> numbered = new ArrayList<>();
    for (Row row : rows) {
      numbered.add(new Row(ids.get(numbered.size()), row.facts, row.rowNumber, row.missing));
    }
    template.batchUpdate(
        "insert into product (name, brand, kind, product_class, missing, disputed, keyword, id, sku, stage) values (?, ?, ?, ?, ?, ?, ?, ?, ?, 'UNWRITTEN')",
        numbered,
        numbered.size(),
        (s, r) -> {
          setCommon(s, r.facts, r.missing);
          s.setString(7, cut(r.facts.keyword(), 400));
          s.setLong(8, r.id);
          s.setString(9, r.facts.sku());
        });
    numbered.forEach(
        r -> counts.came(ProductCounts.Counted.fresh(r.facts.contradictions().size(), r.missing)));
    names.named(numbered.stream().map(r -> called(r.id, r.facts)).toList());
    counts.factsChanged();
    return numbered;
  }

  /**
   * Notes what a product's facts come to now, and that its text, if it has one, was written from
   * others.
   */
  void setFacts(long id, ProductFacts facts, int missing) {
    counts.factsChanged();
    changing(
        id,
        () ->
            template.update(
                "update product set name = ?, brand = ?, kind = ?, product_class = ?, missing = ?, disputed = ?, stale = text_id is not null where id = ?",
                s -> {
                  setCommon(s, facts, missing);
                  s.setLong(7, id);
                }));
    names.named(List.of(called(id, facts)));
    recheck(id);
  }

  private static ProductNames.Named called(long id, ProductFacts facts) {
    return new ProductNames.Named(id, facts.sku(), cut(facts.name(), LONGEST_NAME));
  }

  /** Notes an intake that has no sheet; its id. */
  long addIntake(String kind, String supplier, String what, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into intake (kind, supplier, file_name, status, created_by, created_at) values (?, ?, ?, 'TAKEN', ?, ?)")
        .params(kind, supplier, cut(what, 255), by, Timestamp.from(clock.instant()))
        .update(key, "id");
    return key.getKey().longValue();
  }

  Optional<Long> findSku(String sku) {
    return jdbc.sql("select id from product where sku = ?").param(sku).query(Long.class).optional();
  }

  /** Takes a product's id, SKU and name. */
  interface NameConsumer {
    void accept(long id, String sku, String name);
  }

  void eachName(NameConsumer consumer) {
    jdbc.sql("select id, sku, name from product order by id")
        .query(
            rs -> {
              consumer.accept(rs.getLong(1), rs.getString(2), rs.getString(3));
            });
  }

  /** Notes that an intake names products. */
  void addSources(long intake, List<Said> rows) {
    template.batchUpdate(
        "insert into product_source (id, product_id, facts) values (?, ?, ?)",
        rows,
        rows.size(),
        (s, r) -> {
          s.setLong(1, sourceId(intake, r.rowNumber));
          s.setLong(2, r.product);
          s.setBytes(3, r.facts);
        });
  }

  /** Removes what an intake that came to nothing said of products. */
  void removeSources(long intake) {
    long first = sourceId(intake, 0);
    long last = sourceId(intake + 1, -1);
    jdbc.sql("delete from product_source where id between ? and ?").params(first, last).update();
  }

  /** Id of what an intake's row said. */
  static long sourceId(long intake, int row) {
    return intake * ROWS_OF_AN_INTAKE + row;
  }

  private static void setCommon(PreparedStatement s, ProductFacts facts, int missing)
      throws SQLException {
    String brand = facts.fact("brand").map(f -> f.source().raw()).orElse("");
    s.setString(1, cut(facts.name(), LONGEST_NAME));
    s.setString(2, cut(brand, 120));
    s.setString(3, cut(facts.kindNoun(), 120));
    s.setString(4, facts.productClass());
    s.setInt(5, missing);
    s.setInt(6, facts.contradictions().size());
  }

  private static String cut(String text, int most) {
    return text.length() <= most ? text : text.substring(0, most);
  }

  /**
   * Notes that a product has a new text, if the one that was seen still counts.
   *
   * @param seen the product with the text that was seen
   * @return whether it did, at the same stage
   */
  boolean setText(Product seen, long textId, Stage stage, int readiness, int mustFix) {
    return changing(
            seen.id(),
            () ->
                jdbc.sql(
                        """
                        update product set text_id = ?, stage = ?, readiness = ?, must_fix = ?, failed = null, stale = false
                        where id = ? and coalesce(text_id, 0) = ? and stage = ?""")
                    .params(
                        textId,
                        stage.name(),
                        readiness,
                        mustFix,
                        seen.id(),
                        seen.textId(),
                        seen.stage().name())
                    .update())
        == 1;
  }

  /** Makes another text count, none if it is 0, in place of one that nobody has signed off. */
  boolean takeTextBack(long id, long text, long before, Stage stage, int readiness, int mustFix) {
    boolean done =
        changing(
                id,
                () ->
                    jdbc.sql(
                            """
                            update product set text_id = ?, stage = ?, readiness = ?, must_fix = ?, failed = null, stale = false
                            where id = ? and text_id = ? and stage in ('DRAFTED', 'IN_PROOF')""")
                        .params(
                            Arrays.asList(
                                before == 0 ? null : before,
                                stage.name(),
                                readiness,
                                mustFix,
                                id,
                                text))
                        .update())
            == 1;
    if (done && before != 0) {
      recheck(id);
    }
    return done;
  }

  /** What a text rests on may be another by now: what was found in it has to be found anew. */
  private void recheck(long id) {
    jdbc.sql(
            "merge into to_recheck (product_id) key (product_id) select id from product where id = ? and text_id is not null")
        .param(id)
        .update();
  }

  void setAudit(long id, long text, int readiness, int mustFix, boolean stale) {
    changing(
        id,
        () ->
            jdbc.sql(
                    "update product set readiness = ?, must_fix = ?, stale = stale or ? where id = ? and text_id = ?")
                .params(readiness, mustFix, stale, id, text)
                .update());
  }

  List<Long> written(long after, int limit) {
    return jdbc.sql(
            "select id from product where id > ? and text_id is not null order by id limit ?")
        .params(after, limit)
        .query(Long.class)
        .list();
  }

  /** Products whose texts are to be checked again, a few of them. */
  List<Long> toRecheck(int limit) {
    return jdbc.sql("select product_id from to_recheck order by product_id limit ?")
        .param(limit)
        .query(Long.class)
        .list();
  }

  void rechecked(long id) {
    jdbc.sql("delete from to_recheck where product_id = ?").param(id).update();
  }

  void setKeyword(long id, String keyword) {
    jdbc.sql("update product set keyword = ? where id = ?").params(cut(keyword, 400), id).update();
  }

  /**
   * Puts a person's word to a text, if it still counts; one that is out stays published.
   *
   * @return whether it did
   */
  boolean signOff(long id, long text) {
    return changing(
            id,
            () ->
                jdbc.sql(
                        """
                        update product set stage = case when stage = 'PUBLISHED' then stage else 'SIGNED_OFF' end, signed_at = ?
                        where id = ? and text_id = ?""")
                    .params(Timestamp.from(clock.instant()), id, text)
                    .update())
        == 1;
  }

  /** Takes a person's word for a text back, if it still counts; whether it did. */
  boolean sendBack(long id, long text) {
    return changing(
            id,
            () ->
                jdbc.sql("update product set stage = 'IN_PROOF' where id = ? and text_id = ?")
                    .params(id, text)
                    .update())
        == 1;
  }

  /**
   * Gives many texts another stage, those that still count and have the stage they had; nothing
   * that must be fixed by now is signed off.
   */
  List<Long> move(Map<Long, Long> texts, Stage from, Stage to) {
    Timestamp now = Timestamp.from(clock.instant());
    List<Map.Entry<Long, Long>> all = List.copyOf(texts.entrySet());
    int[] done =
        template.batchUpdate(
            "update product set stage = ?, signed_at = case when ? then ? else signed_at end where id = ? and text_id = ? and stage = ? and (? <> 'SIGNED_OFF' or must_fix = 0)",
            all.stream()
                .map(
                    t ->
                        new Object[] {
                          to.name(),
                          to == Stage.SIGNED_OFF,
                          now,
                          t.getKey(),
                          t.getValue(),
                          from.name(),
                          to.name()
                        })
                .toList());
    List<Long> moved = new ArrayList<>();
    for (int i = 0; i < done.length; i++) {
      if (done[i] == 1) {
        moved.add(all.get(i).getKey());
      }
    }
    counts.moved(moved.size(), from, to);
    return moved;
  }

  void setShopVersion(long id, String version) {
    jdbc.sql("update product set shop_version = ? where id = ?").params(version, id).update();
  }

  void setFailed(long id, String reason) {
    changing(
        id,
        () ->
            jdbc.sql("update product set failed = ? where id = ?")
                .params(cut(reason, 1000), id)
                .update());
  }

  void setPublished(long id, long textId, String page, String version) {
    // What was changed while it was on its way is not what went out.
    changing(
        id,
        () ->
            jdbc.sql(
                    "update product set stage = case when text_id = ? and stage = 'SIGNED_OFF' then 'PUBLISHED' else stage end, page = ?, shop_version = ? where id = ?")
                .params(textId, page, version, id)
                .update());
  }

  Map<String, Integer> incomplete() {
    Map<String, Integer> classes = new LinkedHashMap<>();
    jdbc.sql(
            "select product_class, count(*) from product where missing > 0 group by product_class order by count(*) desc, product_class")
        .query(
            rs -> {
              classes.put(rs.getString(1), rs.getInt(2));
            });
    return classes;
  }

  List<Long> incomplete(String productClass, long after, int limit) {
    return jdbc.sql(
            "select id from product where missing > 0 and product_class = ? and id > ? order by id limit ?")
        .params(productClass, after, limit)
        .query(Long.class)
        .list();
  }

  /** A product and whether it has a text. */
  record Written(long id, long textId) {}

  Map<String, Integer> countByClass() {
    Map<String, Integer> counts = new HashMap<>();
    jdbc.sql(
            "select product_class, count(*) from product where product_class <> '' group by product_class")
        .query(
            rs -> {
              counts.put(rs.getString(1), rs.getInt(2));
            });
    return counts;
  }

  /** How many sources are in memory at once. */
  private static final int SOURCES_AT_ONCE = 500;

  private static final String SOURCE =
      """
      select p.id, p.text_id, s.facts from product p join product_source s on s.product_id = p.id
      join intake i on i.id = s.intake_id
      where not s.withdrawn and not exists (
        select 1 from product_source o join intake oi on oi.id = o.intake_id
        where o.product_id = s.product_id and not o.withdrawn
          -- A page of the shop says less than the sheet that it was written from.
          and case when oi.kind = i.kind or oi.kind <> 'SHOP' and i.kind <> 'SHOP' then o.id > s.id
                else i.kind = 'SHOP' end)
      """;

  /** The texts that products' pages in the shop had when they were pulled last. */
  Map<Long, String> pages(List<Long> products) {
    Map<Long, String> pages = new HashMap<>();
    if (!products.isEmpty()) {
      jdbc.sql(
              """
              select s.product_id id, null text_id, s.facts from product_source s join intake i on i.id = s.intake_id
              where not s.withdrawn and i.kind = 'SHOP' and s.product_id in (:products) order by s.id
              """)
          .param("products", products)
          .query(Source.class)
          .list()
          .forEach(s -> read(s, (product, facts) -> pages.put(product.id, facts.supplierText())));
    }
    return pages;
  }

  /** Goes through what every supplier said last of every product, one at a time. */
  void eachSource(BiConsumer<Written, ProductFacts> consumer) {
    eachSource("", 0, Integer.MAX_VALUE, consumer);
  }

  /**
   * Goes through what suppliers said last of products, one at a time.
   *
   * @param productClass only its products; empty for all
   * @param range only products of the range; 0 for all
   * @param most only as many
   */
  void eachSource(
      String productClass, long range, int most, BiConsumer<Written, ProductFacts> consumer) {
    long after = 0;
    for (int left = most; left > 0; left -= SOURCES_AT_ONCE) {
      int page = Math.min(left, SOURCES_AT_ONCE);
      List<Source> sources =
          jdbc.sql(
                  SOURCE
                      + """
                       and (:class = '' or p.product_class = :class)
                      and (:range = 0 or p.id in (select i.product_id from in_range i where i.range_id = :range))
                      and p.id > :after order by p.id fetch first :page rows only""")
              .param("class", productClass)
              .param("range", range)
              .param("after", after)
              .param("page", page)
              .query(Source.class)
              .list();
      sources.forEach(source -> read(source, consumer));
      if (sources.size() < page) {
        return;
      }
      after = sources.getLast().id;
    }
  }

  /** Goes through what suppliers said last of these products. */
  void eachSource(List<Long> products, BiConsumer<Written, ProductFacts> consumer) {
    if (!products.isEmpty()) {
      jdbc.sql(SOURCE + " and p.id in (:products)")
          .param("products", products)
          .query(Source.class)
          .list()
          .forEach(source -> read(source, consumer));
    }
  }

  /** What was said last of a product, packed. */
  private record Source(long id, Long textId, byte[] facts) {}

  private void read(Source source, BiConsumer<Written, ProductFacts> consumer) {
    ProductFacts unpacked;
    try {
      unpacked = stored.unpack(source.facts);
    } catch (IllegalStateException e) {
      LOG.warn("product {} is passed over", source.id, e);
      return;
    }
    consumer.accept(new Written(source.id, source.textId == null ? 0 : source.textId), unpacked);
  }

  void markStale(List<Long> ids) {
    template.batchUpdate(
        "update product set stale = true where id = ?", ids, BATCH, (s, id) -> s.setLong(1, id));
  }

  /** What taking an intake back did. */
  record TakenBack(List<Long> removed, List<Long> restored, List<Long> kept) {}

  /**
   * Withdraws what an intake said. Products that nobody else named go; those that have been written
   * for stay as they are.
   */
  TakenBack takeBack(long intake) {
    long from = sourceId(intake, 0);
    long to = sourceId(intake + 1, -1);
    List<Long> kept =
        jdbc.sql(
                """
                select s.product_id from product_source s where s.id between ? and ? and not s.withdrawn
                  and not exists (select 1 from product_source o where o.product_id = s.product_id and not o.withdrawn
                                  and not o.id between ? and ?)
                  and exists (select 1 from run_item r where r.product_id = s.product_id)""")
            .params(from, to, from, to)
            .query(Long.class)
            .list();
    Set<Long> stays = new HashSet<>(kept);
    List<Long> touched =
        jdbc.sql(
                "select distinct product_id from product_source where id between ? and ? and not withdrawn")
            .params(from, to)
            .query(Long.class)
            .list();
    template.batchUpdate(
        "update product_source set withdrawn = true where product_id = ? and id between ? and ?",
        touched.stream().filter(id -> !stays.contains(id)).toList(),
        BATCH,
        (s, id) -> {
          s.setLong(1, id);
          s.setLong(2, from);
          s.setLong(3, to);
        });
    List<Long> removed = new ArrayList<>();
    List<Long> restored = new ArrayList<>();
    for (long id : touched) {
      if (!stays.contains(id)) {
        (sources(id).isEmpty() ? removed : restored).add(id);
      }
    }
    removed.forEach(id -> counted(id, " for update").ifPresent(counts::went));
    names.went(removed);
    for (String sql :
        List.of(
            "delete from product_source where product_id = ? and product_id = ?",
            "delete from product where id = ? and id = ?")) {
      template.batchUpdate(
          sql,
          removed,
          BATCH,
          (s, id) -> {
            s.setLong(1, id);
            s.setLong(2, id);
          });
    }
    counts.factsChanged();
    return new TakenBack(removed, restored, kept);
  }

  /** Draft and audit of each text of an intake, by row. */
  void texts(long intake, boolean signedOnly, TextConsumer consumer) {
    jdbc.sql(
            "select s.row_no, t.draft, t.audit from product_source s join product p on p.id = s.product_id join text t on t.id = p.text_id where s.id between ? and ?"
                + (signedOnly ? SIGNED : ""))
        .params(sourceId(intake, 0), sourceId(intake + 1, -1))
        .query(
            rs -> {
              consumer.accept(rs.getInt(1), rs.getString(2), rs.getString(3));
            });
  }

  /** The products of an intake that have a text, by row. */
  Map<Integer, Long> written(long intake, boolean signedOnly) {
    Map<Integer, Long> written = new HashMap<>();
    jdbc.sql(
            "select s.row_no, p.id from product_source s join product p on p.id = s.product_id where s.id between ? and ? and p.text_id is not null"
                + (signedOnly ? SIGNED : ""))
        .params(sourceId(intake, 0), sourceId(intake + 1, -1))
        .query(
            rs -> {
              written.put(rs.getInt(1), rs.getLong(2));
            });
    return written;
  }

  /** Takes a text's row number, draft and audit. */
  interface TextConsumer {
    void accept(int row, String draft, String audit);
  }

  /**
   * Changes a product and notes what that does to the counts. The row is locked first, so that what
   * it was before stays true.
   *
   * @return what the change returned; it is not made if the product isn't there
   */
  private int changing(long id, IntSupplier change) {
    Optional<ProductCounts.Counted> before = counted(id, " for update");
    int done = before.isPresent() ? change.getAsInt() : 0;
    if (done > 0) {
      counted(id, "").ifPresent(now -> counts.changed(before.get(), now));
    }
    return done;
  }

  private Optional<ProductCounts.Counted> counted(long id, String lock) {
    return jdbc.sql(
            "select stage, must_fix, failed, disputed, missing from product where id = ?" + lock)
        .param(id)
        .query(
            (rs, i) ->
                new ProductCounts.Counted(
                    Stage.valueOf(rs.getString(1)),
                    rs.getInt(2) > 0,
                    rs.getString(3) != null,
                    rs.getInt(4) > 0,
                    rs.getInt(5) > 0))
        .optional();
  }
}
