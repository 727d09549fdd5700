package rhetor.app.knowledge;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Keeps what the house decided about what Rhetor knows. */
@Repository
class KnowledgeStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  KnowledgeStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * One decision.
   *
   * @param body the claim, concept or class as JSON
   */
  record Decision(String kind, String id, Standing state, String body, String by, Instant at) {}

  List<Decision> all() {
    return jdbc.sql(
            "select kind, id, state, body, decided_by, decided_at from house_knowledge order by kind, id")
        .query(
            (rs, i) ->
                new Decision(
                    rs.getString(1),
                    rs.getString(2),
                    Standing.valueOf(rs.getString(3)),
                    rs.getString(4),
                    rs.getString(5),
                    rs.getTimestamp(6).toInstant()))
        .list();
  }

  void put(String kind, String id, Standing state, String body, String by) {
    Timestamp now = Timestamp.from(clock.instant());
    jdbc.sql(
            "merge into house_knowledge (kind, id, state, body, decided_by, decided_at) key (kind, id) values (?, ?, ?, ?, ?, ?)")
        .params(kind, id, state.name(), body, by, now)
        .update();
    jdbc.sql(
            "insert into knowledge_version (kind, id, state, body, decided_by, decided_at) values (?, ?, ?, ?, ?, ?)")
        .params(kind, id, state.name(), body, by, now)
        .update();
  }

  /** A decision that was made once, whether it holds still or not. */
  record Version(long number, Decision decision) {}

  /** All that was ever decided about one, the latest first. */
  List<Version> versions(String kind, String id) {
    return jdbc.sql(
            """
            select version, state, body, decided_by, decided_at
            from knowledge_version where kind = ? and id = ? order by version desc limit 100""")
        .params(kind, id)
        .query(
            (rs, i) ->
                new Version(
                    rs.getLong(1),
                    new Decision(
                        kind,
                        id,
                        Standing.valueOf(rs.getString(2)),
                        rs.getString(3),
                        rs.getString(4),
                        rs.getTimestamp(5).toInstant())))
        .list();
  }

  /**
   * Products whose text rests on something.
   *
   * @param support how the support starts in a stored draft
   */
  List<Long> productsTelling(String support) {
    return jdbc.sql(
            "select p.id from product p join text t on t.id = p.text_id where position(? in t.draft) > 0")
        .param(support)
        .query(Long.class)
        .list();
  }

  /** Products of a class that have a text. */
  List<Long> writtenOfClass(String productClass) {
    return jdbc.sql("select id from product where product_class = ? and text_id is not null")
        .param(productClass)
        .query(Long.class)
        .list();
  }

  void remove(String kind, String id) {
    jdbc.sql("delete from house_knowledge where kind = ? and id = ?").params(kind, id).update();
  }
}
