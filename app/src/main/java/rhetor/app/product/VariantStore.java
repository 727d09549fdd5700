package rhetor.app.product;

import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;

/** Keeps which products are variants of one thing. */
@Repository
class VariantStore {
  private final JdbcClient jdbc;
  private final JdbcTemplate template;

  VariantStore(JdbcClient jdbc, JdbcTemplate template) {
    this.jdbc = jdbc;
    this.template = template;
  }

  /** A group and how many products are in it. */
  record Line(long id, String name, int members) {}

  /** Groups in the order in which they were made, the last first. */
  List<Line> page(long before, int limit) {
    return jdbc.sql(
            """
            select g.id, g.name, (select count(*) from variant m where m.group_id = g.id) as members
            from variant_group g where ? = 0 or g.id < ? order by g.id desc limit ?""")
        .params(before, before, limit)
        .query(Line.class)
        .list();
  }

  int count() {
    return jdbc.sql("select count(*) from variant_group").query(Integer.class).single();
  }

  String name(long id) {
    return jdbc.sql("select name from variant_group where id = ?")
        .param(id)
        .query(String.class)
        .optional()
        .orElse("");
  }

  List<Long> members(long id) {
    return jdbc.sql("select product_id from variant where group_id = ? order by product_id")
        .param(id)
        .query(Long.class)
        .list();
  }

  /** Products that are in a group already. */
  List<Long> grouped() {
    return jdbc.sql("select product_id from variant").query(Long.class).list();
  }

  long add(String name) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql("insert into variant_group (name) values (?)").param(name).update(key, "id");
    return key.getKey().longValue();
  }

  /** Puts products into a group; those that are in one already stay there. */
  int join(long group, List<Long> products) {
    int[][] counts =
        template.batchUpdate(
            "insert into variant (group_id, product_id) select ?, id from product p where id = ? and not exists (select 1 from variant v where v.product_id = p.id)",
            products,
            500,
            (s, id) -> {
              s.setLong(1, group);
              s.setLong(2, id);
            });
    return java.util.Arrays.stream(counts).flatMapToInt(java.util.Arrays::stream).sum();
  }

  void leave(long group, long product) {
    jdbc.sql("delete from variant where product_id = ? and group_id = ?")
        .params(product, group)
        .update();
    jdbc.sql(
            "delete from variant_group where id = ? and not exists (select 1 from variant where group_id = ?)")
        .params(group, group)
        .update();
  }

  void remove(long group) {
    jdbc.sql("delete from variant_group where id = ?").param(group).update();
  }
}
