package rhetor.app.concept;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.core.knowledge.Concept;

/** Facts whose sentences people struck out in several texts, to be offered to be told no more. */
@Repository
public class StruckFacts {
  /** Out of so many products' texts: no accident. */
  private static final int OFTEN = 3;

  private static final int MOST = 50;

  private final JdbcClient jdbc;
  private final HouseKnowledge house;
  private final Clock clock;

  StruckFacts(JdbcClient jdbc, HouseKnowledge house, Clock clock) {
    this.jdbc = jdbc;
    this.house = house;
    this.clock = clock;
  }

  /**
   * What people strike out again and again.
   *
   * @param concept id of the kind of fact
   * @param texts out of how many products' texts
   * @param people who
   */
  record Struck(String concept, String label, int texts, List<String> people) {}

  /** Notes what somebody struck out of the text of a product; the same again changes nothing. */
  public void note(long product, Collection<Concept> struck, String by) {
    for (Concept concept : struck) {
      jdbc.sql(
              "merge into struck_fact (product_id, concept, label, struck_by, struck_at) key (product_id, concept) values (?, ?, ?, ?, ?)")
          .params(
              product, concept.id(), concept.label(), by, clock.instant().atOffset(ZoneOffset.UTC))
          .update();
    }
  }

  /** What was struck often and is told still, the oftenest first, without what was left alone. */
  List<Struck> offered() {
    return jdbc
        .sql(
            """
            select s.concept, max(s.label), count(*) texts, listagg(distinct s.struck_by, char(10))
            from struck_fact s
            where not exists (select 1 from struck_fact_left l where l.concept = s.concept)
            group by s.concept having count(*) >= :often order by texts desc, s.concept limit :most""")
        .param("often", OFTEN)
        .param("most", MOST)
        .query(
            (r, n) ->
                new Struck(
                    r.getString(1), r.getString(2), r.getInt(3), r.getString(4).lines().toList()))
        .list()
        .stream()
        .filter(s -> house.current().concept(s.concept).filter(Concept::isWorded).isPresent())
        .toList();
  }

  /** Doesn't offer a kind of fact again; a second click changes nothing. */
  void leave(String concept, String by) {
    jdbc.sql("merge into struck_fact_left (concept, left_by) key (concept) values (?, ?)")
        .params(concept, by)
        .update();
  }
}
