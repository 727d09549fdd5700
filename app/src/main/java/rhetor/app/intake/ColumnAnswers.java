package rhetor.app.intake;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import rhetor.app.web.Refused;
import rhetor.core.reading.HeadingAnswers;
import rhetor.core.reading.Meaning;

/** What people said that columns are, kept for like columns of any supplier's sheets. */
@Service
class ColumnAnswers {
  /** A longer heading is a text, and comes but once. */
  private static final int LONGEST = 200;

  private final JdbcClient jdbc;
  private final Clock clock;

  ColumnAnswers(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** One answer, as it is listed. */
  record ColumnAnswer(
      long id, String heading, String meaning, String supplier, String by, Instant at) {}

  /** All that was said, for reading sheets by. */
  HeadingAnswers all() {
    return new HeadingAnswers(
        jdbc.sql("select heading, meaning, supplier from column_answer order by said_at, id")
            .query(
                (rs, i) ->
                    new HeadingAnswers.Answer(
                        rs.getString(1), Meaning.parse(rs.getString(2)), rs.getString(3)))
            .list());
  }

  /**
   * Answers in the order of their headings.
   *
   * @param afterKey only what comes behind this answer's heading, empty for the first page
   * @param afterId and behind this answer, where headings are the same
   */
  List<ColumnAnswer> page(String search, String afterKey, long afterId, int most) {
    return jdbc.sql(
            """
            select id, heading, meaning, supplier, said_by, said_at from column_answer
            where (lower(heading) like :search escape '!' or lower(supplier) like :search escape '!')
              and (heading_key > :key or heading_key = :key and id > :id)
            order by heading_key, id limit :most
            """)
        .param(
            "search",
            "%" + search.strip().toLowerCase(Locale.ROOT).replaceAll("([!%_])", "!$1") + "%")
        .param("key", HeadingAnswers.key(afterKey))
        .param("id", afterId)
        .param("most", most)
        .query(
            (rs, i) ->
                new ColumnAnswer(
                    rs.getLong(1),
                    rs.getString(2),
                    rs.getString(3),
                    rs.getString(4),
                    rs.getString(5),
                    rs.getTimestamp(6).toInstant()))
        .list();
  }

  /**
   * Keeps what a person says of a column. Which column is the code and which the name is a
   * supplier's own affair, and remembered with its sheets.
   */
  void remember(String heading, Meaning meaning, String supplier, String by) {
    String key = HeadingAnswers.key(heading);
    boolean isSupplierOwn =
        meaning.role() == Meaning.Role.SKU || meaning.role() == Meaning.Role.NAME;
    if (key.isEmpty() || heading.length() > LONGEST || supplier.length() > LONGEST) {
      return;
    }
    if (isSupplierOwn) {
      // It isn't any more what was said of it before.
      jdbc.sql("delete from column_answer where heading_key = ? and supplier = ?")
          .params(key, supplier)
          .update();
      return;
    }
    jdbc.sql(
            """
            merge into column_answer (heading, heading_key, meaning, supplier, said_by, said_at)
            key (heading_key, supplier) values (?, ?, ?, ?, ?, ?)
            """)
        .params(heading, key, meaning.code(), supplier, by, Timestamp.from(clock.instant()))
        .update();
  }

  /** Takes an answer back: sheets that come from now on are read as if it hadn't been said. */
  void forget(long id) {
    if (jdbc.sql("delete from column_answer where id = ?").param(id).update() == 0) {
      throw Refused.notFound("There is no such answer. It may have been taken back already.");
    }
  }
}
