package rhetor.app.style;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.core.style.Style;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the house's style with all its versions. */
@Repository
class StyleStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  StyleStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** A version as the history lists it. */
  record StyleVersion(long version, String note, String by, Instant at) {}

  long add(Style style, String note, String by) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql("insert into house_style (body, note, made_by, made_at) values (?, ?, ?, ?)")
        .params(json.writeValueAsString(style), note, by, Timestamp.from(clock.instant()))
        .update(key, "version");
    return key.getKey().longValue();
  }

  /** The newest version's number, 0 if the house has decided nothing yet. */
  long newest() {
    return jdbc.sql("select coalesce(max(version), 0) from house_style").query(Long.class).single();
  }

  Optional<Style> find(long version) {
    return jdbc.sql("select body from house_style where version = ?")
        .param(version)
        .query((rs, i) -> json.readValue(rs.getString(1), Style.class))
        .optional();
  }

  List<StyleVersion> history() {
    return jdbc.sql(
            "select version, note, made_by, made_at from house_style order by version desc limit 100")
        .query(
            (rs, i) ->
                new StyleVersion(
                    rs.getLong(1),
                    rs.getString(2),
                    rs.getString(3),
                    rs.getTimestamp(4).toInstant()))
        .list();
  }
}
