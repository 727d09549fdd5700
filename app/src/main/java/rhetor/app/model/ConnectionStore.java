package rhetor.app.model;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.house.Vault;
import rhetor.app.web.Refused;

/** Keeps connections, and what was answered over them. */
@Repository
class ConnectionStore {
  private final JdbcClient jdbc;
  private final Vault vault;
  private final Clock clock;

  ConnectionStore(JdbcClient jdbc, Vault vault, Clock clock) {
    this.vault = vault;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  List<Connection> all() {
    return jdbc.sql("select * from model_connection order by name_key")
        .query((rs, i) -> connection(rs))
        .list();
  }

  Optional<Connection> find(long id) {
    return jdbc.sql("select * from model_connection where id = ?")
        .param(id)
        .query((rs, i) -> connection(rs))
        .optional();
  }

  private Connection connection(ResultSet rs) throws SQLException {
    return new Connection(
        rs.getLong("id"),
        rs.getString("name"),
        rs.getString("address"),
        rs.getString("model"),
        vault.open(rs.getString("secret")),
        rs.getBigDecimal("price_asked"),
        rs.getBigDecimal("price_answered"),
        rs.getBigDecimal("monthly_most"),
        rs.getBoolean("takes_pictures"));
  }

  long add(Connection c, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    unique(
        c,
        () ->
            jdbc.sql(
                    "insert into model_connection (name, address, model, secret, price_asked, price_answered, monthly_most, takes_pictures, made_by, made_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                    c.name(),
                    c.address(),
                    c.model(),
                    vault.seal(c.secret()),
                    c.priceAsked(),
                    c.priceAnswered(),
                    c.monthlyMost(),
                    c.takesPictures(),
                    by,
                    Timestamp.from(clock.instant()))
                .update(key, "id"));
    return key.getKey().longValue();
  }

  void put(Connection c) {
    unique(
        c,
        () ->
            jdbc.sql(
                    "update model_connection set name = ?, address = ?, model = ?, secret = ?, price_asked = ?, price_answered = ?, monthly_most = ?, takes_pictures = ? where id = ?")
                .params(
                    c.name(),
                    c.address(),
                    c.model(),
                    vault.seal(c.secret()),
                    c.priceAsked(),
                    c.priceAnswered(),
                    c.monthlyMost(),
                    c.takesPictures(),
                    c.id())
                .update());
  }

  private static void unique(Connection c, Runnable change) {
    try {
      change.run();
    } catch (DuplicateKeyException e) {
      throw Refused.conflict("There is a connection called \"%s\" already.".formatted(c.name()));
    }
  }

  /** Seals keys that an earlier version kept as they were. */
  void sealOld() {
    jdbc.sql(
            "select id, secret from model_connection where secret <> '' and secret not like 'sealed:%'")
        .query((rs, i) -> Map.entry(rs.getLong(1), rs.getString(2)))
        .list()
        .forEach(
            old ->
                jdbc.sql("update model_connection set secret = ? where id = ?")
                    .params(vault.seal(old.getValue()), old.getKey())
                    .update());
  }

  /** Hosts that models may be asked at, each with its port if it has one. */
  List<String> hosts() {
    return jdbc.sql("select host from model_host order by host").query(String.class).list();
  }

  void allow(String host, String by) {
    jdbc.sql("merge into model_host (host, allowed_by, allowed_at) key (host) values (?, ?, ?)")
        .params(host, by, Timestamp.from(clock.instant()))
        .update();
  }

  void forbid(String host) {
    jdbc.sql("delete from model_host where host = ?").param(host).update();
  }

  void remove(long id) {
    jdbc.sql("delete from model_connection where id = ?").param(id).update();
  }

  /** What was answered to a question, if it was asked before. */
  Optional<Reply> reply(String hash) {
    return jdbc.sql("select answer, tokens_asked, tokens_answered from model_answer where hash = ?")
        .param(hash)
        .query(
            (rs, i) ->
                new Reply(rs.getString(1), rs.getInt(2), rs.getInt(3), BigDecimal.ZERO, true))
        .optional();
  }

  /** Keeps an answer and what it cost; the bill first, since it is owed even if all else fails. */
  void keep(String hash, Connection connection, Reply reply, Payer payer) {
    jdbc.sql(
            "insert into model_call (connection_id, tokens_asked, tokens_answered, cost, asked_by, asked_at, run_id) values (?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                connection.id(),
                reply.tokensAsked(),
                reply.tokensAnswered(),
                reply.cost(),
                payer.by(),
                Timestamp.from(clock.instant()),
                payer.run() == 0 ? null : payer.run()))
        .update();
    jdbc.sql(
            "merge into model_answer (hash, answer, tokens_asked, tokens_answered) key (hash) values (?, ?, ?, ?)")
        .params(hash, reply.text(), reply.tokensAsked(), reply.tokensAnswered())
        .update();
  }

  /**
   * What was spent over a connection.
   *
   * @param answers how many questions were answered
   */
  record Spent(int answers, BigDecimal cost) {}

  Spent spent(long connection, Instant since) {
    return jdbc.sql(
            "select count(*), coalesce(sum(cost), 0) from model_call where connection_id = ? and asked_at >= ?")
        .params(connection, Timestamp.from(since))
        .query((rs, i) -> new Spent(rs.getInt(1), rs.getBigDecimal(2)))
        .single();
  }

  /** What a run has spent so far. */
  BigDecimal spentIn(long run) {
    return jdbc.sql("select coalesce(sum(cost), 0) from model_call where run_id = ?")
        .param(run)
        .query(BigDecimal.class)
        .single();
  }
}
