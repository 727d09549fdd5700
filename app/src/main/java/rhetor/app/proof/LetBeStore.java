package rhetor.app.proof;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.check.LetBe;

/** The marks that people have overruled, product by product. */
@Repository
class LetBeStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  LetBeStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** An overruled mark, and who overruled it. */
  record Overruled(long id, String check, String sentence, String words, String by, Instant at) {}

  List<Overruled> of(long product) {
    return jdbc.sql(
            """
            select id, check_name, sentence, words, said_by, said_at
            from let_be where product_id = ? order by id
            """)
        .param(product)
        .query(
            (r, n) ->
                new Overruled(
                    r.getLong(1),
                    r.getString(2),
                    r.getString(3),
                    r.getString(4),
                    r.getString(5),
                    r.getObject(6, OffsetDateTime.class).toInstant()))
        .list();
  }

  Set<LetBe> letBe(long product) {
    Set<LetBe> all = new HashSet<>();
    of(product).forEach(o -> all.add(new LetBe(o.check, o.sentence, o.words)));
    return all;
  }

  /** Keeps one; a second click changes nothing. */
  void add(long product, LetBe mark, String by) {
    jdbc.sql(
            """
            merge into let_be (product_id, check_name, sentence, words, said_by, said_at)
            key (product_id, check_name, sentence, words) values (?, ?, ?, ?, ?, ?)
            """)
        .params(
            product,
            mark.check(),
            mark.sentence(),
            mark.words(),
            by,
            OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
        .update();
  }

  boolean remove(long product, long id) {
    return jdbc.sql("delete from let_be where product_id = ? and id = ?")
            .params(product, id)
            .update()
        > 0;
  }
}
