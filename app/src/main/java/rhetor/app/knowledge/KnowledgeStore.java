package rhetor.app.knowledge;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.knowledge.Verdicts;

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

  /** Keeps what somebody thinks of a wording; another opinion on the same text takes its place. */
  void put(HouseKnowledge.WordingVerdict o) {
    jdbc.sql(
            """
            merge into wording_verdict
              (product_id, concept, form, wording, good, why, sentence, given_by, given_at)
            key (product_id, concept, wording, given_by) values (?, ?, ?, ?, ?, ?, ?, ?, ?)""")
        .params(
            o.product(),
            o.concept(),
            o.form(),
            o.wording(),
            o.isGood(),
            o.why(),
            o.sentence(),
            o.by(),
            Timestamp.from(o.at()))
        .update();
  }

  /** Takes back what somebody thinks of a wording in a product's text. */
  void removeVerdict(long product, String concept, String wording, String by) {
    jdbc.sql(
            "delete from wording_verdict where product_id = ? and concept = ? and wording = ? and given_by = ?")
        .params(product, concept, wording, by)
        .update();
  }

  void removeVerdicts(String concept, String wording) {
    jdbc.sql("delete from wording_verdict where concept = ? and wording = ?")
        .params(concept, wording)
        .update();
  }

  /** What people think of wordings, the latest first. */
  List<HouseKnowledge.WordingVerdict> wordingVerdicts(int most) {
    return jdbc.sql(
            """
            select product_id, concept, form, wording, good, why, sentence, given_by, given_at
            from wording_verdict order by given_at desc, concept, wording limit ?""")
        .param(most)
        .query(
            (rs, i) ->
                new HouseKnowledge.WordingVerdict(
                    rs.getLong(1),
                    rs.getString(2),
                    rs.getString(3),
                    rs.getString(4),
                    rs.getBoolean(5),
                    rs.getString(6),
                    rs.getString(7),
                    rs.getString(8),
                    rs.getTimestamp(9).toInstant()))
        .list();
  }

  /** How many more people like each wording than don't. */
  Verdicts verdicts() {
    Map<String, Map<String, Integer>> scores = new HashMap<>();
    jdbc.sql(
            """
            select concept, wording, sum(case when good then 1 else -1 end)
            from wording_verdict group by concept, wording""")
        .query(
            rs -> {
              scores
                  .computeIfAbsent(rs.getString(1), c -> new HashMap<>())
                  .put(rs.getString(2), rs.getInt(3));
            });
    return new Verdicts(scores);
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
