package rhetor.app.edition;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Keeps editions. */
@Repository
class EditionStore {
  private static final int LONGEST_REASON = 1_000;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final JsonMapper json;
  private final Clock clock;

  EditionStore(JdbcClient jdbc, JdbcTemplate template, JsonMapper json, Clock clock) {
    this.json = json;
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
  }

  /** A text that is to go out. */
  record Pending(long productId, long textId) {}

  long add(List<Pending> items, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into edition (status, total, created_by, created_at) values ('WAITING', ?, ?, ?)")
        .params(items.size(), by, Timestamp.from(clock.instant()))
        .update(key, "id");
    long id = key.getKey().longValue();
    template.batchUpdate(
        "insert into edition_item (edition_id, product_id, text_id, status) values (?, ?, ?, 'WAITING')",
        items,
        500,
        (s, i) -> {
          s.setLong(1, id);
          s.setLong(2, i.productId());
          s.setLong(3, i.textId());
        });
    return id;
  }

  /** Products of unfinished editions. */
  List<Long> busy() {
    return jdbc.sql("select product_id from edition_item where status = 'WAITING'")
        .query(Long.class)
        .list();
  }

  Optional<Edition> find(long id) {
    return jdbc.sql("select * from edition where id = ?")
        .param(id)
        .query((rs, n) -> edition(rs, items(id)))
        .optional();
  }

  private static Edition edition(ResultSet rs, List<Edition.Item> items) throws SQLException {
    return new Edition(
        rs.getLong("id"),
        Edition.Status.valueOf(rs.getString("status")),
        rs.getInt("total"),
        rs.getInt("published"),
        rs.getInt("failed"),
        rs.getString("created_by"),
        rs.getTimestamp("created_at").toInstant(),
        items);
  }

  /** What didn't go out first, since somebody has to look at that. */
  private List<Edition.Item> items(long id) {
    return jdbc.sql(
            """
            select p.id as product_id, p.sku, p.name, i.status, coalesce(i.reason, '') as reason,
              coalesce(i.page, '') as page, i.their_version is not null as changed_there
            from edition_item i join product p on p.id = i.product_id where i.edition_id = ?
            order by case when i.status = 'FAILED' then 0 else 1 end, p.id limit ?""")
        .params(id, Edition.SHOWN)
        .query(Edition.Item.class)
        .list();
  }

  /** Editions without their items, the last first. */
  List<Edition> page(long before, int limit) {
    return jdbc.sql("select * from edition where (? = 0 or id < ?) order by id desc limit ?")
        .params(before, before, limit)
        .query((rs, n) -> edition(rs, List.of()))
        .list();
  }

  List<Pending> next(long id, int limit) {
    return jdbc.sql(
            "select product_id, text_id from edition_item where edition_id = ? and status = 'WAITING' order by edition_id, status, product_id limit ?")
        .params(id, limit)
        .query(Pending.class)
        .list();
  }

  /** Notes that a text is out; its page's address. */
  void published(long edition, long product, String page) {
    int noted =
        jdbc.sql(
                "update edition_item set status = 'PUBLISHED', reason = null, page = ? where edition_id = ? and product_id = ? and status = 'WAITING'")
            .params(page, edition, product)
            .update();
    jdbc.sql("update edition set published = published + ? where id = ?")
        .params(noted, edition)
        .update();
  }

  /** Notes why a text didn't go out. */
  void fail(long edition, long product, String reason) {
    String cut = reason.substring(0, Math.min(LONGEST_REASON, reason.length()));
    int noted =
        jdbc.sql(
                "update edition_item set status = 'FAILED', reason = ? where edition_id = ? and product_id = ? and status = 'WAITING'")
            .params(cut, edition, product)
            .update();
    jdbc.sql("update edition set failed = failed + ? where id = ?").params(noted, edition).update();
  }

  /** Notes what somebody else had put into the shop. */
  void changedThere(long edition, long product, ShopClient.Standing theirs, String reason) {
    fail(edition, product, reason);
    jdbc.sql(
            "update edition_item set theirs = ?, their_version = ? where edition_id = ? and product_id = ?")
        .params(json.writeValueAsString(theirs.content()), theirs.version(), edition, product)
        .update();
  }

  void setStatus(long id, Edition.Status status) {
    jdbc.sql("update edition set status = ?, finished_at = ? where id = ?")
        .params(
            Arrays.asList(
                status.name(),
                status == Edition.Status.DONE ? Timestamp.from(clock.instant()) : null,
                id))
        .update();
  }
}
