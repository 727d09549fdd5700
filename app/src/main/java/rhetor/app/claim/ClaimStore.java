package rhetor.app.claim;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.fact.Claim;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what the house decided about claims. */
@Repository
class ClaimStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  ClaimStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** One decision. */
  record Decision(Claim claim, ClaimState state, String by, Instant at) {}

  List<Decision> all() {
    return jdbc.sql("select claim, state, decided_by, decided_at from house_claim order by id")
        .query(
            (rs, i) ->
                new Decision(
                    json.readValue(rs.getString(1), Claim.class),
                    ClaimState.valueOf(rs.getString(2)),
                    rs.getString(3),
                    rs.getTimestamp(4).toInstant()))
        .list();
  }

  void put(Claim claim, ClaimState state, String by) {
    jdbc.sql(
            "merge into house_claim (id, state, claim, decided_by, decided_at) key (id) values (?, ?, ?, ?, ?)")
        .params(
            claim.id(),
            state.name(),
            json.writeValueAsString(claim),
            by,
            Timestamp.from(clock.instant()))
        .update();
  }

  void remove(String id) {
    jdbc.sql("delete from house_claim where id = ?").param(id).update();
  }

  /** Products whose text rests on the claim. */
  List<Long> productsUsing(String id) {
    return jdbc.sql(
            "select p.id from product p join text t on t.id = p.text_id where position(? in t.draft) > 0")
        .param("{\"kind\":\"CLAIM\",\"id\":\"" + id + "\"}")
        .query(Long.class)
        .list();
  }
}
