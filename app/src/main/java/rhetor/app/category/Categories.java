package rhetor.app.category;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Keeps the shop's category pages as they were pulled in, and which products stand on them. */
@Repository
public class Categories {
  /** What the house writes for a page has a SKU of its own: this before the page's key. */
  private static final String SKU = "category/";

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final Clock clock;

  Categories(JdbcClient jdbc, JdbcTemplate template, Clock clock) {
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
  }

  /**
   * A category page as the shop has it.
   *
   * @param key what the shop calls it by
   * @param text HTML of its page, empty if it has none
   * @param skus the products that stand on it
   */
  public record Pulled(String key, String name, String text, List<String> skus) {}

  /** The page's key, if a SKU is that of a category page's text. */
  public static Optional<String> keyOf(String sku) {
    return sku.startsWith(SKU) ? Optional.of(sku.substring(SKU.length())) : Optional.empty();
  }

  /** The SKU that the text of a page is kept by. */
  static String sku(String key) {
    return SKU + key;
  }

  /** Keeps pages in the place of what was pulled of them before. */
  public void keep(List<Pulled> pages) {
    for (Pulled page : pages) {
      jdbc.sql(
              "merge into category (shop_key, name, text, pulled_at) key (shop_key) values (?, ?, ?, ?)")
          .params(page.key, page.name, page.text, Timestamp.from(clock.instant()))
          .update();
      jdbc.sql("delete from category_product where shop_key = ?").param(page.key).update();
      template.batchUpdate(
          "insert into category_product (shop_key, sku) values (?, ?)",
          page.skus.stream().distinct().toList(),
          200,
          (s, sku) -> {
            s.setString(1, page.key);
            s.setString(2, sku);
          });
    }
  }

  /** The category that each of these products stands in; of several, the first by name. */
  public Map<String, String> ofProducts(List<String> skus) {
    Map<String, String> names = new HashMap<>();
    if (!skus.isEmpty()) {
      jdbc.sql(
              """
              select m.sku, min(c.name) from category_product m join category c on c.shop_key = m.shop_key
              where m.sku in (:skus) group by m.sku""")
          .param("skus", skus)
          .query(
              rs -> {
                names.put(rs.getString(1), rs.getString(2));
              });
    }
    return names;
  }

  /**
   * A category page in a list.
   *
   * @param products how many products stand on it
   * @param words how many words of text it has
   * @param product id of what the house writes for it, 0 if it doesn't yet
   * @param stage how far that is, empty if it isn't
   */
  public record Line(
      String key, String name, int products, int words, String text, long product, String stage) {}

  /** SKUs of what stands on a page, in their order. */
  List<String> skus(String key) {
    return jdbc.sql("select sku from category_product where shop_key = ? order by sku")
        .param(key)
        .query(String.class)
        .list();
  }

  /** What a page is called; empty if the shop has none of that key. */
  Optional<String> name(String key) {
    return jdbc.sql("select name from category where shop_key = ?")
        .param(key)
        .query(String.class)
        .optional();
  }

  /** All category pages by name. */
  List<Line> all() {
    return jdbc.sql(
            """
            select c.shop_key, c.name, c.text,
              (select count(*) from category_product m where m.shop_key = c.shop_key), p.id, p.stage
            from category c left join product p on p.sku = ? || c.shop_key
            order by c.name, c.shop_key""")
        .param(SKU)
        .query(
            (rs, i) -> {
              String plain = Jsoup.parse(rs.getString(3)).text();
              return new Line(
                  rs.getString(1),
                  rs.getString(2),
                  rs.getInt(4),
                  plain.isBlank() ? 0 : plain.split("\\s+").length,
                  plain,
                  rs.getLong(5),
                  Objects.requireNonNullElse(rs.getString(6), ""));
            })
        .list();
  }
}
