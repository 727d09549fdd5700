package rhetor.app.run;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.compose.Extent;
import rhetor.core.model.Amends;
import rhetor.core.style.Field;

/** Keeps runs and what became of each product in them. */
@Repository
class RunStore {
  private static final int BATCH = 1000;

  private static final String RUNS =
      """
      select r.*, coalesce(t.name, '') as template_name, coalesce(m.name, '') as model_name,
        (select coalesce(sum(c.cost), 0) from model_call c where c.run_id = r.id) as spent
      from run r left join template t on t.id = r.template_id
        left join model_connection m on m.id = r.connection_id
      """;

  /** Why products of a stopped run have no text; they can be taken up again. */
  private static final String STOPPED = "The run was stopped.";

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
      Authorship authorship,
      boolean leavesSigned,
      boolean unattended,
      String about,
      int tries,
      Extent extent,
      List<Long> products,
      String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into run (status, seed, voice, template_id, engine, connection_id, amends, most, falls_back, leaves_signed, unattended, about, tries, fields, most_characters, most_words, total, created_by, created_at) values ('WAITING', ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                seed,
                voice,
                builtAfter == 0 ? null : builtAfter,
                authorship.engine().name(),
                authorship.connection() == 0 ? null : authorship.connection(),
                authorship.amends().name(),
                authorship.most(),
                authorship.fallsBack(),
                leavesSigned,
                unattended,
                about,
                tries,
                codes(extent.fields()),
                extent.mostCharacters(),
                extent.mostWords(),
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
            "select i.product_id from run_item i join run r on r.id = i.run_id where i.status = 'WAITING' and r.status in ('WAITING', 'RUNNING', 'PAUSED')")
        .query(Long.class)
        .list();
  }

  Optional<Run> find(long id) {
    return jdbc.sql(RUNS + "where r.id = ?").param(id).query((rs, i) -> run(rs)).optional();
  }

  List<Run> latest() {
    return jdbc.sql(RUNS + "order by r.id desc limit 50").query((rs, i) -> run(rs)).list();
  }

  private static Run run(ResultSet rs) throws SQLException {
    Authorship authorship =
        new Authorship(
            Engine.valueOf(rs.getString("engine")),
            rs.getLong("connection_id"),
            Amends.valueOf(rs.getString("amends")),
            rs.getBigDecimal("most"),
            rs.getBoolean("falls_back"));
    return new Run(
        rs.getLong("id"),
        Run.Status.valueOf(rs.getString("status")),
        rs.getString("voice"),
        rs.getLong("template_id"),
        rs.getString("template_name"),
        authorship,
        rs.getString("model_name"),
        rs.getBoolean("leaves_signed"),
        rs.getInt("total"),
        rs.getInt("written"),
        rs.getInt("failed"),
        rs.getInt("left_alone"),
        rs.getBigDecimal("spent"),
        rs.getString("trouble"),
        instant(rs, "goes_on_at"),
        rs.getString("created_by"),
        rs.getTimestamp("created_at").toInstant(),
        instant(rs, "finished_at"),
        rs.getBoolean("unattended"),
        rs.getString("about"),
        rs.getInt("tries"),
        Extent.of(
            fields(rs.getString("fields")), rs.getInt("most_characters"), rs.getInt("most_words")));
  }

  private static String codes(Set<Field> fields) {
    return fields.stream().sorted().map(Field::code).collect(Collectors.joining(","));
  }

  private static List<Field> fields(String codes) {
    return codes.isEmpty() ? List.of() : Stream.of(codes.split(",")).map(Field::parse).toList();
  }

  /** The moment in a column, the epoch if there is none. */
  private static Instant instant(ResultSet rs, String column) throws SQLException {
    Timestamp at = rs.getTimestamp(column);
    return at == null ? Instant.EPOCH : at.toInstant();
  }

  Run.Status status(long id) {
    return Run.Status.valueOf(
        jdbc.sql("select status from run where id = ?").param(id).query(String.class).single());
  }

  long seed(long id) {
    return jdbc.sql("select seed from run where id = ?").param(id).query(Long.class).single();
  }

  int active() {
    return jdbc.sql("select count(*) from run where status in ('WAITING', 'RUNNING', 'PAUSED')")
        .query(Integer.class)
        .single();
  }

  /**
   * The next products to write for; the row that names them is not locked: one worker has a run. Of
   * a run that is tried first only those that it is tried on.
   */
  List<Long> next(long id, int limit) {
    int tries =
        jdbc.sql("select tries from run where id = ?").param(id).query(Integer.class).single();
    if (tries > 0) {
      return tried(id, tries);
    }
    return jdbc.sql(
            "select product_id from run_item where run_id = ? and status = 'WAITING' order by run_id, status, product_id limit ?")
        .params(id, limit)
        .query(Long.class)
        .list();
  }

  /** Those of the products that a run is tried on, spread over all of it, that still wait. */
  private List<Long> tried(long id, int tries) {
    return jdbc.sql(
            """
            select product_id from (
              select product_id, status,
                row_number() over (order by product_id) - 1 as place, count(*) over () as among
              from run_item where run_id = ?)
            where mod(place, greatest(1, among / ?)) = 0 and place / greatest(1, among / ?) < ?
              and status = 'WAITING' order by product_id""")
        .params(id, tries, tries, tries)
        .query(Long.class)
        .list();
  }

  /** Whether a run has products left besides those that it was tried on. */
  boolean isTried(long id) {
    return jdbc.sql(
                "select count(*) from run r where id = ? and tries > 0 and exists (select 1 from run_item i where i.run_id = r.id and i.status = 'WAITING')")
            .param(id)
            .query(Integer.class)
            .single()
        == 1;
  }

  /** From now on a run writes for all of its products. */
  void endTrial(long id) {
    jdbc.sql("update run set tries = 0 where id = ?").param(id).update();
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

  /** Lets a run wait for a person, who is told why. */
  void pause(long id, String why) {
    jdbc.sql(
            "update run set status = 'PAUSED', trouble = ?, goes_on_at = null where id = ? and status = 'RUNNING'")
        .params(why, id)
        .update();
  }

  /** Notes that a run goes on by itself, but not yet. */
  void await(long id, String why, Instant at) {
    jdbc.sql("update run set trouble = ?, goes_on_at = ? where id = ?")
        .params(why, Timestamp.from(at), id)
        .update();
  }

  void forgetTrouble(long id) {
    jdbc.sql("update run set trouble = '', goes_on_at = null where id = ?").param(id).update();
  }

  void letSpend(long id, BigDecimal most) {
    jdbc.sql("update run set most = ? where id = ?").params(most, id).update();
  }

  void finish(long id, Run.Status status) {
    jdbc.sql(
            "update run set status = ?, finished_at = ?, trouble = '', goes_on_at = null where id = ?")
        .params(status.name(), now(), id)
        .update();
  }

  void leaveRest(long id) {
    count(
        id,
        Outcome.LEFT,
        jdbc.sql(
                "update run_item set status = 'LEFT', reason = ? where run_id = ? and status = 'WAITING'")
            .params(STOPPED, id)
            .update());
  }

  /** Products that a stopped run didn't come to. */
  List<Long> stopped(long id) {
    return jdbc.sql(
            "select product_id from run_item where run_id = ? and status = 'LEFT' and reason = ? order by product_id")
        .params(id, STOPPED)
        .query(Long.class)
        .list();
  }

  /** Has products of a stopped run wait again. */
  void takeUp(long id, List<Long> products) {
    template.batchUpdate(
        "update run_item set status = 'WAITING', reason = null where run_id = ? and product_id = ?",
        products,
        BATCH,
        (s, p) -> {
          s.setLong(1, id);
          s.setLong(2, p);
        });
    count(id, Outcome.LEFT, -products.size());
    jdbc.sql("update run set status = 'WAITING', finished_at = null where id = ?")
        .param(id)
        .update();
  }

  /** How many products one thing became of for one reason. */
  record Reason(Outcome outcome, String reason, int products) {}

  /** What became of a run's products, by why; the commonest first. */
  List<Reason> reasons(long id) {
    return jdbc.sql(
            """
            select status as outcome, reason, count(*) as products from run_item
            where run_id = ? and status in ('FAILED', 'LEFT') group by status, reason
            order by status, count(*) desc, reason limit 100""")
        .param(id)
        .query(Reason.class)
        .list();
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

  /** What had to be put right in texts that were written, the first few hundred. */
  List<Trouble> amended(long id) {
    return jdbc.sql(
            "select p.id as product_id, p.sku, p.name, i.status, i.reason from run_item i join product p on p.id = i.product_id where i.run_id = ? and i.status = 'WRITTEN' and i.reason is not null order by p.id limit 200")
        .param(id)
        .query(Trouble.class)
        .list();
  }

  /**
   * Products that failed.
   *
   * @param reason why; empty for whatever reason
   */
  List<Long> failed(long id, String reason) {
    return jdbc.sql(
            "select product_id from run_item where run_id = ? and status = 'FAILED' and (? = '' or reason = ?) order by product_id")
        .params(id, reason, reason)
        .query(Long.class)
        .list();
  }

  /** How long a finished run of these authors took for each product, the latest that wrote some. */
  OptionalDouble secondsOfEach(Engine engine, long connection) {
    List<Double> seconds =
        jdbc.sql(
                """
                select timestampdiff(millisecond, created_at, finished_at) / 1000.0 / written from run
                where status = 'DONE' and engine = ? and coalesce(connection_id, 0) = ? and written >= 10
                order by id desc limit 1""")
            .params(engine.name(), connection)
            .query(Double.class)
            .list();
    return seconds.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(seconds.getFirst());
  }
}
