package rhetor.app.proof;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What people say to each other about texts, product by product. */
@Repository
class CommentStore {
  /** More are never shown of one text. */
  private static final int MOST = 200;

  private final JdbcClient jdbc;
  private final Clock clock;

  CommentStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * What somebody said of a text.
   *
   * @param revision of the text that was seen
   * @param field code of the field, empty where all of the text is meant
   * @param passage the words that it is about, empty where the field or all of the text is meant
   * @param settledBy who said that it is done, empty if nobody did
   */
  record Comment(
      long id,
      long revision,
      String field,
      String passage,
      String said,
      String by,
      Instant at,
      String settledBy) {}

  /** Those of a product that are open, then those that are settled; the last first. */
  List<Comment> of(long product) {
    return jdbc.sql(
            """
            select id, text_id, field, passage, said, said_by, said_at, settled_by
            from text_comment where product_id = ?
            order by settled_by is not null, id desc limit ?
            """)
        .params(product, MOST)
        .query(CommentStore::comment)
        .list();
  }

  private static Comment comment(ResultSet r, int n) throws SQLException {
    return new Comment(
        r.getLong(1),
        r.getLong(2),
        r.getString(3),
        r.getString(4),
        r.getString(5),
        r.getString(6),
        r.getTimestamp(7).toInstant(),
        Objects.requireNonNullElse(r.getString(8), ""));
  }

  void add(long product, long revision, String field, String passage, String said, String by) {
    jdbc.sql(
            """
            insert into text_comment (product_id, text_id, field, passage, said, said_by, said_at)
            values (?, ?, ?, ?, ?, ?, ?)
            """)
        .params(product, revision, field, passage, said, by, Timestamp.from(clock.instant()))
        .update();
  }

  /** Whether there was such a comment; one that is settled already stays so. */
  boolean settle(long product, long id, String by) {
    boolean isThere =
        jdbc.sql("select count(*) from text_comment where product_id = ? and id = ?")
                .params(product, id)
                .query(Integer.class)
                .single()
            > 0;
    jdbc.sql(
            "update text_comment set settled_by = ?, settled_at = ? where product_id = ? and id = ? and settled_by is null")
        .params(by, Timestamp.from(clock.instant()), product, id)
        .update();
    return isThere;
  }
}
