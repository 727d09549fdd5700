package rhetor.app.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
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
        .query((rs, i) -> run(rs))
        .optional();
  }

  List<Run> latest() {
    return jdbc.sql(
            "select r.*, coalesce(t.name, '') as template_name from run r left join template t on t.id = r.template_id order by r.id desc limit 50")
        .query((rs, i) -> run(rs))
        .list();
  }

  private static Run run(ResultSet rs) throws SQLException {
    Timestamp finished = rs.getTimestamp("finished_at");
    return new Run(
        rs.getLong("id"),
        Run.Status.valueOf(rs.getString("status")),
        rs.getString("voice"),
        rs.getLong("template_id"),
        rs.getString("template_name"),
        rs.getBoolean("leaves_signed"),
        rs.getInt("total"),
        rs.getInt("written"),
        rs.getInt("failed"),
        rs.getInt("left_alone"),
        rs.getString("created_by"),
        rs.getTimestamp("created_at").toInstant(),
        finished == null ? Instant.EPOCH : finished.toInstant());
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
            "select product_id from run_item where run_id = ? and status = 'WAITING' order by run_id, status, product_id limit ?")
        .params(id, limit)
        .query(Long.class)
        .list();
  }

  /** What became of a product in a run. */
  enum Outcome {
    WRITTEN("written"),
    FAILED("failed"),
    LEFT("left_alone");

    private final String column;

    Outcome(String column) {
      this.column = column;
    }
  }

  /** Keeps others from a product's item until the transaction ends; whether it still waits. */
  boolean claim(long run, long product) {
    return jdbc.sql("select status from run_item where run_id = ? and product_id = ? for update")
        .params(run, product)
        .query(String.class)
        .single()
        .equals("WAITING");
  }

  /** Notes what became of a product; the first word counts. */
  void setItem(long run, long product, Outcome outcome, String reason) {
    int noted =
        jdbc.sql(
                "update run_item set status = ?, reason = ? where run_id = ? and product_id = ? and status = 'WAITING'")
            .params(java.util.Arrays.asList(outcome.name(), reason, run, product))
            .update();
    count(run, outcome, noted);
  }

  private void count(long run, Outcome outcome, int more) {
    jdbc.sql("update run set %1$s = %1$s + ? where id = ?".formatted(outcome.column))
        .params(more, run)
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
    count(
        id,
        Outcome.LEFT,
        jdbc.sql(
                "update run_item set status = 'LEFT', reason = 'The run was stopped.' where run_id = ? and status = 'WAITING'")
            .param(id)
            .update());
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
