package rhetor.app.keyword;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Finds products by their keywords. */
@Repository
class KeywordStore {
  private final JdbcClient jdbc;

  KeywordStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * A keyword that several products have.
   *
   * @param products how many
   */
  record KeywordClash(String keyword, int products) {}

  /** Keywords that several products have, those of most first. */
  List<KeywordClash> clashes(int limit) {
    return jdbc.sql(
            """
            select min(keyword), count(*) from product where keyword <> ''
            group by lower(keyword) having count(*) > 1
            order by count(*) desc, lower(keyword) limit ?
            """)
        .param(limit)
        .query((rs, i) -> new KeywordClash(rs.getString(1), rs.getInt(2)))
        .list();
  }

  List<Long> having(String keyword, int limit) {
    return jdbc.sql("select id from product where lower(keyword) = lower(?) order by id limit ?")
        .params(keyword, limit)
        .query(Long.class)
        .list();
  }

  /** All keywords in use, in lower case. */
  Set<String> taken() {
    return new HashSet<>(
        jdbc.sql("select distinct lower(keyword) from product where keyword <> ''")
            .query(String.class)
            .list());
  }

  int without() {
    return jdbc.sql("select count(*) from product where keyword = ''")
        .query(Integer.class)
        .single();
  }

  /** Products without a keyword, by their ids. */
  List<Long> without(long after, int limit) {
    return jdbc.sql("select id from product where keyword = '' and id > ? order by id limit ?")
        .params(after, limit)
        .query(Long.class)
        .list();
  }
}
