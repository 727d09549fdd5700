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
import tools.jackson.databind.json.JsonMapper;

/** Keeps products. Lists are paged by key. */
@Repository
class ProductStore {
  private static final String LINE =
      "id, sku, name, brand, kind, stage, failed, stale, readiness, must_fix, keyword, page";

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final StoredFacts facts;

  ProductStore(JdbcClient jdbc, JdbcTemplate template, JsonMapper json) {
    this.jdbc = jdbc;
    this.template = template;
    this.facts = new StoredFacts(json);
  }

  /** An order of products: the column it sorts by, and its direction. */
  enum Order {
    NAME("name", false),
    LEAST_READY("readiness", false),
    MOST_READY("readiness", true),
    SHEET("id", false);

    private final String column;
    private final boolean descending;

    Order(String column, boolean descending) {
      this.column = column;
      this.descending = descending;
    }
  }

  private record Where(String sql, List<Object> params) {}

  private static Where where(ProductFilter filter) {
    StringBuilder sql = new StringBuilder("true");
    List<Object> params = new ArrayList<>();
    if (!filter.search().isEmpty()) {
      sql.append(" and search like ? escape '\\'");
      params.add(
          "%"
              + filter
                  .search()
                  .toLowerCase(Locale.ROOT)
                  .replace("\\", "\\\\")
                  .replace("%", "\\%")
                  .replace("_", "\\_")
              + "%");
    }
    if (filter.intake() != 0) {
      sql.append(" and intake_id = ?");
      params.add(filter.intake());
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
        jdbc.sql("select count(*) from product where " + where.sql)
            .params(where.params)
            .query(Long.class)
            .single();
    List<Object> params = new ArrayList<>(where.params);
    String sql = "select " + LINE + " from product where " + where.sql;
    if (!after.isEmpty()) {
      String[] key =
          new String(Base64.getUrlDecoder().decode(after), StandardCharsets.UTF_8).split("\n", 2);
      String compare = order.descending ? "<" : ">";
      sql += " and (" + order.column + " " + compare + " ? or " + order.column + " = ? and id > ?)";
      Object value = order == Order.NAME ? key[1] : Long.parseLong(key[1]);
      params.addAll(List.of(value, value, Long.parseLong(key[0])));
    }
    sql +=
        " order by "
            + order.column
            + (order.descending ? " desc" : "")
            + ", id limit "
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
    return jdbc.sql("select id from product where " + where.sql + " order by id")
        .params(where.params)
        .query(Long.class)
        .list();
  }

  Optional<ProductLine> line(long id) {
    return jdbc.sql("select " + LINE + " from product where id = ?")
        .param(id)
        .query(ProductStore::line)
        .optional();
  }

  Optional<Product> find(long id) {
    return jdbc.sql(
            "select id, stage, facts, keyword, text_id, page, shop_version from product where id = ?")
        .param(id)
        .query(this::product)
        .optional();
  }

  private Product product(ResultSet rs, int row) throws SQLException {
    return new Product(
        rs.getLong("id"),
        Stage.valueOf(rs.getString("stage")),
        facts.unpack(rs.getBytes("facts")),
        rs.getString("keyword"),
        rs.getLong("text_id"),
        orEmpty(rs.getString("page")),
        orEmpty(rs.getString("shop_version")));
  }

  /** What is stored of a product that a sheet names again. */
  record Known(long id, ProductFacts facts) {}

  Map<String, Known> known(List<String> skus) {
    Map<String, Known> known = new HashMap<>();
    jdbc.sql("select id, sku, facts from product where sku in (:skus)")
        .param("skus", skus)
        .query(
            rs -> {
              known.put(
                  rs.getString("sku"),
                  new Known(rs.getLong("id"), facts.unpack(rs.getBytes("facts"))));
            });
    return known;
  }

  boolean isEmpty() {
    return jdbc.sql("select not exists (select 1 from product)").query(Boolean.class).single();
  }

  /** One row to be inserted or to replace another. */
  record Row(long id, ProductFacts facts, byte[] packed, int rowNumber) {}

  void insert(long intake, List<Row> rows) {
    template.batchUpdate(
        "insert into product (sku, name, brand, kind, intake_id, row_no, facts, keyword, stage, search) values (?, ?, ?, ?, ?, ?, ?, ?, 'UNWRITTEN', ?)",
        rows,
        rows.size(),
        (s, r) -> {
          s.setString(1, r.facts.sku());
          setCommon(s, r, intake, 2);
        });
  }

  void update(long intake, List<Row> rows) {
    template.batchUpdate(
        "update product set name = ?, brand = ?, kind = ?, intake_id = ?, row_no = ?, facts = ?, keyword = ?, search = ?, stale = text_id is not null where id = ?",
        rows,
        rows.size(),
        (s, r) -> {
          setCommon(s, r, intake, 1);
          s.setLong(9, r.id);
        });
  }

  private static void setCommon(java.sql.PreparedStatement s, Row r, long intake, int at)
      throws SQLException {
    String brand = r.facts.fact("brand").map(f -> f.source().raw()).orElse("");
    s.setString(at, cut(r.facts.name(), 400));
    s.setString(at + 1, cut(brand, 120));
    s.setString(at + 2, cut(r.facts.kindNoun(), 120));
    s.setLong(at + 3, intake);
    s.setInt(at + 4, r.rowNumber);
    s.setBytes(at + 5, r.packed);
    s.setString(at + 6, cut(r.facts.keyword(), 400));
    s.setString(at + 7, cut((r.facts.name() + " " + r.facts.sku()).toLowerCase(Locale.ROOT), 600));
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
            "select p.row_no, t.draft, t.audit from product p join text t on t.id = p.text_id where p.intake_id = ?"
                + (signedOnly ? " and p.stage in ('SIGNED_OFF', 'PUBLISHED')" : ""))
        .param(intake)
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
