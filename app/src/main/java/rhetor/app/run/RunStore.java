package rhetor.app.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;

/** Keeps runs and what became of each product in them. */
@Repository
class RunStore {
  private static final int BATCH = 1000;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final Clock clock;

  RunStore(JdbcClient jdbc, JdbcTemplate template, Clock clock) {
    this.jdbc = jdbc;
    this.template = template;
    this.clock = clock;
  }

  long add(
      long seed,
      String voice,
      long builtAfter,
      boolean leavesSigned,
      List<Long> products,
      String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into run (status, seed, voice, template_id, leaves_signed, total, created_by, created_at) values ('WAITING', ?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                seed,
                voice,
                builtAfter == 0 ? null : builtAfter,
                leavesSigned,
                products.size(),
                by,
                now()))
        .update(key, "id");
    long id = key.getKey().longValue();
    template.batchUpdate(
        "insert into run_item (run_id, product_id, status) values (?, ?, 'WAITING')",
        products,
        BATCH,
        (s, p) -> {
          s.setLong(1, id);
          s.setLong(2, p);
        });
    return id;
  }

  private Timestamp now() {
    return Timestamp.from(clock.instant());
  }

  /** Products of an unfinished run. */
  List<Long> busy() {
    return jdbc.sql(
            "select i.product_id from run_item i join run r on r.id = i.run_id where i.status = 'WAITING' and r.status in ('WAITING', 'RUNNING')")
        .query(Long.class)
        .list();
  }

  Optional<Run> find(long id) {
    return jdbc.sql(
            "select r.*, coalesce(t.name, '') as template_name from run r left join template t on t.id = r.template_id where r.id = ?")
        .param(id)
        .query((rs, i) -> run(rs, counts(id)))
        .optional();
  }

  List<Run> latest() {
    List<Long> ids =
        jdbc.sql("select id from run order by id desc limit 50").query(Long.class).list();
    return ids.stream().map(id -> find(id).orElseThrow()).toList();
  }

  private static Run run(ResultSet rs, Map<String, Integer> counts) throws SQLException {
    Timestamp finished = rs.getTimestamp("finished_at");
    return new Run(
        rs.getLong("id"),
        Run.Status.valueOf(rs.getString("status")),
        rs.getString("voice"),
        rs.getLong("template_id"),
        rs.getString("template_name"),
        rs.getBoolean("leaves_signed"),
        rs.getInt("total"),
        counts.getOrDefault("WRITTEN", 0),
        counts.getOrDefault("FAILED", 0),
        counts.getOrDefault("LEFT", 0),
        rs.getString("created_by"),
        rs.getTimestamp("created_at").toInstant(),
        finished == null ? Instant.EPOCH : finished.toInstant());
  }

  private Map<String, Integer> counts(long id) {
    Map<String, Integer> counts = new HashMap<>();
    jdbc.sql("select status, count(*) from run_item where run_id = ? group by status")
        .param(id)
        .query(
            rs -> {
              counts.put(rs.getString(1), rs.getInt(2));
            });
    return counts;
  }

  long seed(long id) {
    return jdbc.sql("select seed from run where id = ?").param(id).query(Long.class).single();
  }

  int active() {
    return jdbc.sql("select count(*) from run where status in ('WAITING', 'RUNNING')")
        .query(Integer.class)
        .single();
  }

  /**
   * The next products to write for; the row that names them is not locked: one worker has a run.
   */
  List<Long> next(long id, int limit) {
    return jdbc.sql(
            "select product_id from run_item where run_id = ? and status = 'WAITING' order by product_id limit ?")
        .params(id, limit)
        .query(Long.class)
        .list();
  }

  void setItem(long run, long product, String status, String reason) {
    jdbc.sql("update run_item set status = ?, reason = ? where run_id = ? and product_id = ?")
        .params(java.util.Arrays.asList(status, reason, run, product))
        .update();
  }

  boolean setStatus(long id, Run.Status from, Run.Status to) {
    return jdbc.sql("update run set status = ? where id = ? and status = ?")
            .params(to.name(), id, from.name())
            .update()
        == 1;
  }

  void finish(long id, Run.Status status) {
    jdbc.sql("update run set status = ?, finished_at = ? where id = ?")
        .params(status.name(), now(), id)
        .update();
  }

  void leaveRest(long id) {
    jdbc.sql(
            "update run_item set status = 'LEFT', reason = 'The run was stopped.' where run_id = ? and status = 'WAITING'")
        .param(id)
        .update();
  }

  /** Why a product failed or was left alone. */
  record Trouble(long productId, String sku, String name, String status, String reason) {}

  List<Trouble> troubles(long id) {
    return jdbc.sql(
            "select p.id as product_id, p.sku, p.name, i.status, i.reason from run_item i join product p on p.id = i.product_id where i.run_id = ? and i.status in ('FAILED', 'LEFT') order by i.status, p.id limit 500")
        .param(id)
        .query(Trouble.class)
        .list();
  }

  List<Long> failed(long id) {
    return jdbc.sql(
            "select product_id from run_item where run_id = ? and status = 'FAILED' order by product_id")
        .param(id)
        .query(Long.class)
        .list();
  }
}
