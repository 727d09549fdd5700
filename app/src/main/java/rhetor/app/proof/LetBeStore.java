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
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;

/** The marks that people have overruled, product by product. */
@Repository
class LetBeStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  LetBeStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  private static final int LONGEST_LABEL = 300;
  private static final int LONGEST_CELL = 1000;

  /**
   * An overruled mark, and who overruled it.
   *
   * @param opinionOf the text model that named a cell; empty if a person let it be
   * @param label what the cell is headed
   * @param cell what it says
   */
  record Overruled(
      long id,
      String check,
      String sentence,
      String words,
      String by,
      Instant at,
      String opinionOf,
      String label,
      String cell) {
    private boolean rests(ProductFacts facts) {
      return opinionOf.isEmpty()
          || facts.facts().stream()
              .anyMatch(f -> labelOf(f).equals(label) && cellOf(f).equals(cell));
    }
  }

  private static String labelOf(Fact fact) {
    return start(fact.label(), LONGEST_LABEL);
  }

  private static String cellOf(Fact fact) {
    return start(fact.source().raw(), LONGEST_CELL);
  }

  private static String start(String text, int most) {
    return text.length() > most ? text.substring(0, most) : text;
  }

  /** Those that hold: what rested on a cell does as long as the cell says so. */
  List<Overruled> of(long product, ProductFacts facts) {
    return all(product).stream().filter(o -> o.rests(facts)).toList();
  }

  private List<Overruled> all(long product) {
    return jdbc.sql(
            """
            select id, check_name, sentence, words, said_by, said_at, opinion_of, cell_label, cell
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
                    r.getObject(6, OffsetDateTime.class).toInstant(),
                    r.getString(7),
                    r.getString(8),
                    r.getString(9)))
        .list();
  }

  Set<LetBe> letBe(long product, ProductFacts facts) {
    Set<LetBe> all = new HashSet<>();
    of(product, facts).forEach(o -> all.add(new LetBe(o.check, o.sentence, o.words)));
    return all;
  }

  /** Keeps one that a person lets be; a second click changes nothing. */
  void add(long product, LetBe mark, String by) {
    keep(product, mark, by, "", "", "");
  }

  /** Keeps one that a cell answers, by the opinion of a text model that a person asked. */
  void add(long product, LetBe mark, Fact cell, String model, String by) {
    keep(product, mark, by, model, labelOf(cell), cellOf(cell));
  }

  private void keep(
      long product, LetBe mark, String by, String opinionOf, String label, String cell) {
    jdbc.sql(
            """
            merge into let_be (product_id, check_name, sentence, words, said_by, said_at,
              opinion_of, cell_label, cell)
            key (product_id, check_name, sentence, words) values (?, ?, ?, ?, ?, ?, ?, ?, ?)
            """)
        .params(
            product,
            mark.check(),
            mark.sentence(),
            mark.words(),
            by,
            OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC),
            opinionOf,
            label,
            cell)
        .update();
  }

  boolean remove(long product, long id) {
    return jdbc.sql("delete from let_be where product_id = ? and id = ?")
            .params(product, id)
            .update()
        > 0;
  }
}
