package rhetor.app.web;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Keeps what requests with keys of their own were answered. */
@Repository
class DoneRequestStore {
  private static final Duration KEPT = Duration.ofDays(1);

  private final JdbcClient jdbc;
  private final Clock clock;

  DoneRequestStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * A request that was seen before.
   *
   * @param request its method and address
   * @param status what it was answered, 0 while it is being carried out
   */
  record Done(String request, int status, String contentType, String body) {}

  /** Notes that a request is being carried out; false if one with its key is there already. */
  boolean begin(String person, String key, String request) {
    try {
      jdbc.sql(
              """
              insert into done_request (person, request_key, request, status, content_type, body, made_at)
              values (?, ?, ?, 0, '', '', ?)""")
          .params(person, key, request, Timestamp.from(clock.instant()))
          .update();
      return true;
    } catch (DuplicateKeyException e) {
      return false;
    }
  }

  Optional<Done> find(String person, String key) {
    return jdbc.sql(
            "select request, status, content_type, body from done_request where person = ? and request_key = ?")
        .params(person, key)
        .query(Done.class)
        .optional();
  }

  void finish(String person, String key, int status, String contentType, String body) {
    jdbc.sql(
            "update done_request set status = ?, content_type = ?, body = ? where person = ? and request_key = ?")
        .params(status, contentType, body, person, key)
        .update();
  }

  /** Forgets a request that failed, so that it can be sent again. */
  void forget(String person, String key) {
    jdbc.sql("delete from done_request where person = ? and request_key = ?")
        .params(person, key)
        .update();
  }

  /** Forgets what a crash broke off. */
  void forgetBroken() {
    jdbc.sql("delete from done_request where status = 0").update();
  }

  /** Forgets what nobody will send again. */
  void forgetOld() {
    jdbc.sql("delete from done_request where made_at < ?")
        .param(Timestamp.from(clock.instant().minus(KEPT)))
        .update();
  }
}
