package rhetor.app.style;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.style.BannedWord;
import rhetor.core.style.WordChange;

/** Words that people put for others in several texts, to be offered as the house's own. */
@Repository
public class WordHabits {
  /** In so many products the same words were put for others: a habit, and no accident. */
  private static final int OFTEN = 3;

  private static final int LONGEST = 100;
  private static final int MOST = 50;

  private final JdbcClient jdbc;
  private final HouseStyle style;
  private final Clock clock;

  WordHabits(JdbcClient jdbc, HouseStyle style, Clock clock) {
    this.jdbc = jdbc;
    this.style = style;
    this.clock = clock;
  }

  /**
   * What people do again and again.
   *
   * @param word what they take out
   * @param instead what they put there
   * @param texts in how many products' texts
   * @param people who
   */
  record Habit(String word, String instead, int texts, List<String> people) {}

  /** Notes what somebody put for what in the text of a product; the same again changes nothing. */
  public void note(long product, List<WordChange> changes, String by) {
    for (WordChange change : changes) {
      if (change.word().length() <= LONGEST && change.instead().length() <= LONGEST) {
        jdbc.sql(
                "merge into word_change (product_id, word, instead, done_by, done_at) key (product_id, word, instead) values (?, ?, ?, ?, ?)")
            .params(
                product,
                change.word(),
                change.instead(),
                by,
                clock.instant().atOffset(ZoneOffset.UTC))
            .update();
      }
    }
  }

  /** What was done often, the oftenest first, without what the house says already or left alone. */
  List<Habit> offered() {
    Set<String> known =
        style.current().banned().stream()
            .map(BannedWord::word)
            .map(w -> w.toLowerCase(Locale.ROOT))
            .collect(Collectors.toSet());
    return jdbc
        .sql(
            """
            select c.word, c.instead, count(*) texts, listagg(distinct c.done_by, char(10)) people
            from word_change c
            where not exists (select 1 from word_change_left l where l.word = c.word and l.instead = c.instead)
            group by c.word, c.instead having count(*) >= :often order by texts desc, c.word limit :most""")
        .param("often", OFTEN)
        .param("most", MOST)
        .query(
            (r, n) ->
                new Habit(
                    r.getString(1), r.getString(2), r.getInt(3), r.getString(4).lines().toList()))
        .list()
        .stream()
        .filter(h -> !known.contains(h.word))
        .toList();
  }

  /** Doesn't offer a pair of words again; a second click changes nothing. */
  void leave(WordChange pair, String by) {
    jdbc.sql(
            "merge into word_change_left (word, instead, left_by) key (word, instead) values (?, ?, ?)")
        .params(pair.word(), pair.instead(), by)
        .update();
  }
}
