package rhetor.app.proof;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Repository;
import rhetor.app.product.Stage;
import rhetor.core.check.Audit;
import rhetor.core.text.Draft;
import tools.jackson.databind.json.JsonMapper;

/** Keeps texts with all their revisions. */
@Repository
class TextStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  TextStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  long add(
      long product,
      long parent,
      Long run,
      String author,
      Origin origin,
      String note,
      Draft draft,
      Audit audit) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into text (product_id, parent_id, run_id, author, origin, note, draft, audit, created_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            java.util.Arrays.asList(
                product,
                parent == 0 ? null : parent,
                run,
                author,
                origin.name(),
                note,
                json.writeValueAsString(draft),
                json.writeValueAsString(audit),
                Timestamp.from(clock.instant())))
        .update(key, "id");
    return key.getKey().longValue();
  }

  Optional<Text> find(long id) {
    return jdbc.sql("select * from text where id = ?").param(id).query(this::read).optional();
  }

  private Text read(ResultSet rs, int row) throws SQLException {
    return new Text(
        rs.getLong("id"),
        rs.getLong("product_id"),
        rs.getLong("parent_id"),
        rs.getString("author"),
        Origin.valueOf(rs.getString("origin")),
        rs.getString("note"),
        json.readValue(rs.getString("draft"), Draft.class),
        json.readValue(rs.getString("audit"), Audit.class),
        rs.getTimestamp("created_at").toInstant());
  }

  /**
   * A text of a run that still counts and that nobody has signed off.
   *
   * @param parentId the revision before it, 0 for none
   */
  record Undoable(long id, long productId, long parentId) {}

  /** What can be taken back of a run. */
  List<Undoable> undoable(long run) {
    return jdbc.sql(
            """
            select t.id, t.product_id, coalesce(t.parent_id, 0) as parent_id
            from run_item i join product p on p.id = i.product_id join text t on t.id = p.text_id
            where i.run_id = ? and t.run_id = ? and p.stage in ('DRAFTED', 'IN_PROOF') order by t.id""")
        .params(run, run)
        .query(Undoable.class)
        .list();
  }

  /** Texts with the ones before them, by the ids of those. */
  List<Undoable> withOlder(List<Long> texts) {
    return jdbc.sql(
            """
            select t.id, t.product_id, coalesce(t.parent_id, 0) as parent_id
            from table(id bigint = ?) asked join text t on t.id = asked.id order by t.id""")
        .param(texts.toArray())
        .query(Undoable.class)
        .list();
  }

  /** What can be taken back of an act that made revisions. */
  List<Undoable> made(long act) {
    return jdbc.sql(
            """
            select t.id, t.product_id, coalesce(t.parent_id, 0) as parent_id
            from act_text a join product p on p.id = a.product_id and p.text_id = a.text_id
              join text t on t.id = a.text_id
            where a.act_id = ? and p.stage in ('DRAFTED', 'IN_PROOF') order by t.id""")
        .param(act)
        .query(Undoable.class)
        .list();
  }

  /** A text that counts and that nobody has signed off. */
  record Unsigned(long productId, String name, long id, Stage stage, Draft draft) {}

  /**
   * Those of the products' texts that nobody has signed off and that may hold some words; whoever
   * asks looks for them word by word.
   */
  void unsigned(List<Long> products, String words, Consumer<Unsigned> consumer) {
    jdbc.sql(
            """
            select p.id, p.text_id, p.stage, t.draft, p.name
            from table(id bigint = ?) asked join product p on p.id = asked.id join text t on t.id = p.text_id
            where p.stage in ('DRAFTED', 'IN_PROOF') and locate(?, lower(t.draft)) > 0 order by p.id""")
        .params(products.toArray(), asStored(words.toLowerCase(Locale.ROOT)))
        .query(
            rs -> {
              consumer.accept(
                  new Unsigned(
                      rs.getLong(1),
                      rs.getString(5),
                      rs.getLong(2),
                      Stage.valueOf(rs.getString(3)),
                      json.readValue(rs.getString(4), Draft.class)));
            });
  }

  /** Words as they stand in a stored draft: a quotation mark has a stroke before it. */
  private String asStored(String words) {
    String quoted = json.writeValueAsString(words);
    return quoted.substring(1, quoted.length() - 1);
  }

  /** Goes through the texts that count now. */
  void each(ProseReader reader) {
    jdbc.sql("select p.id, t.draft from product p join text t on t.id = p.text_id")
        .query(
            rs -> {
              String prose = json.readValue(rs.getString(2), Draft.class).prose();
              if (!prose.isEmpty()) {
                reader.read(rs.getLong(1), prose);
              }
            });
  }

  /** A revision as the history lists it. */
  record Revision(
      long id, long parentId, String author, String origin, String note, Instant createdAt) {}

  List<Revision> history(long product) {
    return jdbc.sql(
            "select id, parent_id, author, origin, note, created_at from text where product_id = ? order by id desc limit 100")
        .param(product)
        .query(
            (rs, i) ->
                new Revision(
                    rs.getLong(1),
                    rs.getLong(2),
                    rs.getString(3),
                    rs.getString(4),
                    rs.getString(5),
                    rs.getTimestamp(6).toInstant()))
        .list();
  }
}
