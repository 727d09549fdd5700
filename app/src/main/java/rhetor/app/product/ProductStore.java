package rhetor.app.product;

import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.fact.ProductFacts;

/** Keeps products. Lists are paged by key. */
@Repository
class ProductStore {
  private static final String LINE =
      "p.id, p.sku, p.name, p.brand, p.kind, p.stage, p.failed, p.stale, p.readiness, p.must_fix, p.keyword, p.page";

  /** The facts that count: those of the last intake that named the product. */
  private static final String FACTS =
      "(select s.facts from product_source s where s.product_id = p.id order by s.id desc limit 1) as facts";

  private static final long ROWS_OF_AN_INTAKE = 10_000_000;
  private static final int LONGEST_NAME = 400;
  private static final int BATCH = 500;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;

  ProductStore(JdbcClient jdbc, JdbcTemplate template) {
    this.jdbc = jdbc;
    this.template = template;
  }

  /** An order of products: the column it sorts by, and its direction. */
  enum Order {
    NAME("n.name", "n.product_id", false),
    LEAST_READY("p.readiness", "p.id", false),
    MOST_READY("p.readiness", "p.id", true),
    SHEET("p.id", "p.id", false);

    private final String column;
    private final String id;
    private final boolean descending;

    Order(String column, String id, boolean descending) {
      this.column = column;
      this.id = id;
      this.descending = descending;
    }

    private String from() {
      return this == NAME ? "product_name n join product p on p.id = n.product_id" : "product p";
    }
  }

  private record Where(String sql, List<Object> params) {}

  private static Where where(ProductFilter filter) {
    StringBuilder sql = new StringBuilder("true");
    List<Object> params = new ArrayList<>();
    if (!filter.search().isEmpty()) {
      sql.append(" and (lower(p.name) like ? escape '\\' or lower(p.sku) like ? escape '\\')");
      String part =
          "%"
              + filter
                  .search()
                  .toLowerCase(Locale.ROOT)
                  .replace("\\", "\\\\")
                  .replace("%", "\\%")
                  .replace("_", "\\_")
              + "%";
      params.addAll(List.of(part, part));
    }
    if (filter.intake() != 0) {
      sql.append(
          " and p.id in (select s.product_id from product_source s where s.id between ? and ?)");
      params.addAll(List.of(sourceId(filter.intake(), 0), sourceId(filter.intake() + 1, -1)));
    }
    switch (filter.state()) {
      case "ALL" -> {}
      case "FIX" -> sql.append(" and must_fix > 0");
      case "FAILED" -> sql.append(" and failed is not null");
      case "STALE" -> sql.append(" and stale");
      case "READY" -> sql.append(" and stage in ('DRAFTED', 'IN_PROOF') and must_fix = 0");
      case "PROOF" -> sql.append(" and stage in ('DRAFTED', 'IN_PROOF')");
      default -> {
        sql.append(" and stage = ?");
        params.add(Stage.valueOf(filter.state()).name());
      }
    }
    return new Where(sql.toString(), params);
  }

  ProductPage page(ProductFilter filter, Order order, String after, int limit) {
    Where where = where(filter);
    long total =
        jdbc.sql("select count(*) from product p where " + where.sql)
            .params(where.params)
            .query(Long.class)
            .single();
    List<Object> params = new ArrayList<>(where.params);
    String sql = "select " + LINE + " from " + order.from() + " where " + where.sql;
    if (!after.isEmpty()) {
      String[] key =
          new String(Base64.getUrlDecoder().decode(after), StandardCharsets.UTF_8).split("\n", 2);
      String compare = order.descending ? "<" : ">";
      sql +=
          " and (%1$s %2$s ? or %1$s = ? and %3$s > ?)".formatted(order.column, compare, order.id);
      Object value = order == Order.NAME ? key[1] : Long.parseLong(key[1]);
      params.addAll(List.of(value, value, Long.parseLong(key[0])));
    }
    sql +=
        " order by "
            + order.column
            + (order.descending ? " desc" : "")
            + ", "
            + order.id
            + " limit "
            + (limit + 1);
    List<ProductLine> lines = jdbc.sql(sql).params(params).query(ProductStore::line).list();
    boolean more = lines.size() > limit;
    List<ProductLine> items = more ? lines.subList(0, limit) : lines;
    return new ProductPage(items, total, more ? key(items.getLast(), order) : "");
  }

  private static String key(ProductLine last, Order order) {
    String value =
        switch (order) {
          case NAME -> last.name();
          case LEAST_READY, MOST_READY -> String.valueOf(last.readiness());
          case SHEET -> String.valueOf(last.id());
        };
    return Base64.getUrlEncoder()
        .withoutPadding()
        .encodeToString((last.id() + "\n" + value).getBytes(StandardCharsets.UTF_8));
  }

  private static ProductLine line(ResultSet rs, int row) throws SQLException {
    return new ProductLine(
        rs.getLong("id"),
        rs.getString("sku"),
        rs.getString("name"),
        rs.getString("brand"),
        rs.getString("kind"),
        Stage.valueOf(rs.getString("stage")),
        orEmpty(rs.getString("failed")),
        rs.getBoolean("stale"),
        rs.getInt("readiness"),
        rs.getInt("must_fix"),
        rs.getString("keyword"),
        orEmpty(rs.getString("page")));
  }

  private static String orEmpty(String text) {
    return text == null ? "" : text;
  }

  /** Ids of all products that match, in order of their id. */
  List<Long> ids(ProductFilter filter) {
    Where where = where(filter);
    return jdbc.sql("select p.id from product p where " + where.sql + " order by p.id")
        .params(where.params)
        .query(Long.class)
        .list();
  }

  Optional<ProductLine> line(long id) {
    return jdbc.sql("select " + LINE + " from product p where p.id = ?")
        .param(id)
        .query(ProductStore::line)
        .optional();
  }

  Optional<Product> find(long id) {
    return jdbc.sql(
            "select p.id, p.stage, "
                + FACTS
                + ", p.keyword, p.text_id, p.page, p.shop_version from product p where p.id = ?")
        .param(id)
        .query(ProductStore::product)
        .optional();
  }

  private static Product product(ResultSet rs, int row) throws SQLException {
    return new Product(
        rs.getLong("id"),
        Stage.valueOf(rs.getString("stage")),
        StoredFacts.unpack(rs.getBytes("facts")),
        rs.getString("keyword"),
        rs.getLong("text_id"),
        orEmpty(rs.getString("page")),
        orEmpty(rs.getString("shop_version")));
  }

  /** What is stored of a product that a sheet names again. */
  record Known(long id, ProductFacts facts) {}

  Map<String, Known> known(List<String> skus) {
    Map<String, Known> known = new HashMap<>();
    jdbc.sql("select p.id, p.sku, " + FACTS + " from product p where p.sku in (:skus)")
        .param("skus", skus)
        .query(
            rs -> {
              known.put(
                  rs.getString("sku"),
                  new Known(rs.getLong("id"), StoredFacts.unpack(rs.getBytes("facts"))));
            });
    return known;
  }

  /** A product's place in the alphabet. */
  record Name(String name, long id) {}

  private static List<Name> names(List<Row> rows) {
    return rows.stream().map(r -> new Name(cut(r.facts.name(), LONGEST_NAME), r.id)).toList();
  }

  /** One product of an intake; of a new one the id is yet to be given. */
  record Row(long id, ProductFacts facts, byte[] packed, int rowNumber) {}

  /** Adds new products, and what the intake says of them; their names are left to be added. */
  List<Name> insert(long intake, List<Row> rows) {
    List<Long> ids =
        jdbc.sql("select next value for product_id from system_range(1, ?)")
            .param(rows.size())
            .query(Long.class)
            .list();
    List<Row> numbered = new ArrayList<>();
    for (Row row : rows) {
      numbered.add(new Row(ids.get(numbered.size()), row.facts, row.packed, row.rowNumber));
    }
    template.batchUpdate(
        "insert into product (name, brand, kind, keyword, id, sku, stage) values (?, ?, ?, ?, ?, ?, 'UNWRITTEN')",
        numbered,
        numbered.size(),
        (s, r) -> {
          setCommon(s, r);
          s.setLong(5, r.id);
          s.setString(6, r.facts.sku());
        });
    addSources(intake, numbered);
    return names(numbered);
  }

  /** Gives known products other facts. */
  void update(long intake, List<Row> rows) {
    template.batchUpdate(
        "delete from product_name where product_id = ? and name = (select p.name from product p where p.id = ?)",
        rows,
        rows.size(),
        (s, r) -> {
          s.setLong(1, r.id);
          s.setLong(2, r.id);
        });
    template.batchUpdate(
        "update product set name = ?, brand = ?, kind = ?, keyword = ?, stale = text_id is not null where id = ?",
        rows,
        rows.size(),
        (s, r) -> {
          setCommon(s, r);
          s.setLong(5, r.id);
        });
    addNames(names(rows));
    addSources(intake, rows);
  }

  /** Notes that an intake names products. */
  void addSources(long intake, List<Row> rows) {
    template.batchUpdate(
        "insert into product_source (id, product_id, facts) values (?, ?, ?)",
        rows,
        rows.size(),
        (s, r) -> {
          s.setLong(1, sourceId(intake, r.rowNumber));
          s.setLong(2, r.id);
          s.setBytes(3, r.packed);
        });
  }

  private static long sourceId(long intake, int row) {
    return intake * ROWS_OF_AN_INTAKE + row;
  }

  /** Puts products into the alphabet; quickest when they come in its order. */
  void addNames(List<Name> names) {
    template.batchUpdate(
        "insert into product_name (name, product_id) values (?, ?)",
        names,
        BATCH,
        (s, n) -> {
          s.setString(1, n.name);
          s.setLong(2, n.id);
        });
  }

  private static void setCommon(java.sql.PreparedStatement s, Row r) throws SQLException {
    String brand = r.facts.fact("brand").map(f -> f.source().raw()).orElse("");
    s.setString(1, cut(r.facts.name(), LONGEST_NAME));
    s.setString(2, cut(brand, 120));
    s.setString(3, cut(r.facts.kindNoun(), 120));
    s.setString(4, cut(r.facts.keyword(), 400));
  }

  private static String cut(String text, int most) {
    return text.length() <= most ? text : text.substring(0, most);
  }

  /** Notes that a product has a new text. */
  void setText(long id, long textId, Stage stage, int readiness, int mustFix) {
    jdbc.sql(
            "update product set text_id = ?, stage = ?, readiness = ?, must_fix = ?, failed = null, stale = false where id = ?")
        .params(textId, stage.name(), readiness, mustFix, id)
        .update();
  }

  void setKeyword(long id, String keyword) {
    jdbc.sql("update product set keyword = ? where id = ?").params(keyword, id).update();
  }

  void setStage(long id, Stage stage) {
    jdbc.sql("update product set stage = ? where id = ?").params(stage.name(), id).update();
  }

  void setFailed(long id, String reason) {
    jdbc.sql("update product set failed = ? where id = ?").params(cut(reason, 1000), id).update();
  }

  void setPublished(long id, long textId, String page, String version) {
    // What was changed while it was on its way is not what went out.
    jdbc.sql(
            "update product set stage = case when text_id = ? and stage = 'SIGNED_OFF' then 'PUBLISHED' else stage end, page = ?, shop_version = ? where id = ?")
        .params(textId, page, version, id)
        .update();
  }

  /** Draft and audit of each text of an intake, by row. */
  void texts(long intake, boolean signedOnly, TextConsumer consumer) {
    jdbc.sql(
            "select s.row_no, t.draft, t.audit from product_source s join product p on p.id = s.product_id join text t on t.id = p.text_id where s.id between ? and ?"
                + (signedOnly ? " and p.stage in ('SIGNED_OFF', 'PUBLISHED')" : ""))
        .params(sourceId(intake, 0), sourceId(intake + 1, -1))
        .query(
            rs -> {
              consumer.accept(rs.getInt(1), rs.getString(2), rs.getString(3));
            });
  }

  /** Takes a text's row number, draft and audit. */
  interface TextConsumer {
    void accept(int row, String draft, String audit);
  }

  /** How many products are in each stage, and how many have marks or failures. */
  void counts(BiConsumer<String, Integer> counts) {
    jdbc.sql("select stage, count(*) from product group by stage")
        .query(
            rs -> {
              counts.accept(rs.getString(1), rs.getInt(2));
            });
    jdbc.sql(
            "select sum(case when must_fix > 0 then 1 else 0 end), sum(case when failed is not null then 1 else 0 end), count(*) from product")
        .query(
            rs -> {
              counts.accept("FIX", rs.getInt(1));
              counts.accept("FAILED", rs.getInt(2));
              counts.accept("ALL", rs.getInt(3));
            });
  }
}
