package rhetor.app.keyword;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import rhetor.core.keyword.SearchHarvest;
import rhetor.core.keyword.SearchRow;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what search data say about the house's products. */
@Repository
class SearchStore {
  private static final int BATCH = 1_000;

  private final JdbcClient jdbc;
  private final JdbcTemplate template;
  private final JsonMapper json;
  private final Clock clock;

  SearchStore(JdbcClient jdbc, JdbcTemplate template, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.template = template;
    this.json = json;
    this.clock = clock;
  }

  /** A row that was left out. */
  record SearchTrouble(int row, String why) {}

  /**
   * What a taking-in of search data came to.
   *
   * @param matched rows about a product
   * @param general rows that fit so many products that they are about a kind of thing
   * @param unmatched rows about nothing that the house sells
   * @param skipped rows that could not be read
   * @param troubles the first of these
   */
  record SearchIntake(
      String fileName,
      long rows,
      long matched,
      long general,
      long unmatched,
      long skipped,
      List<SearchTrouble> troubles,
      String by,
      Instant at) {}

  /** A page that is found by a keyword. */
  record RankingPage(String keyword, String page, double position, long clicks) {}

  /** Puts new search data in the place of those before. */
  void replace(
      SearchIntake intake, Map<Long, List<SearchHarvest.Kept>> kept, List<RankingPage> pages) {
    jdbc.sql("delete from search_query").update();
    jdbc.sql("delete from ranking_page").update();
    record Line(long product, int place, SearchHarvest.Kept kept) {}
    List<Line> lines = new ArrayList<>();
    kept.forEach(
        (product, queries) -> {
          for (int i = 0; i < queries.size(); i++) {
            lines.add(new Line(product, i, queries.get(i)));
          }
        });
    template.batchUpdate(
        "insert into search_query (product_id, place, query, page, impressions, clicks, mean_position, volume, competition, relevance) select id, ?, ?, ?, ?, ?, ?, ?, ?, ? from product where id = ?",
        lines,
        BATCH,
        (s, l) -> {
          SearchRow row = l.kept.row();
          s.setInt(1, l.place);
          s.setString(2, row.query());
          s.setString(3, row.page().length() > 2000 ? row.page().substring(0, 2000) : row.page());
          s.setLong(4, row.impressions());
          s.setLong(5, row.clicks());
          s.setDouble(6, row.position());
          s.setLong(7, row.volume());
          s.setDouble(8, row.competition());
          s.setDouble(9, l.kept.relevance());
          s.setLong(10, l.product);
        });
    template.batchUpdate(
        "merge into ranking_page (keyword, page, mean_position, clicks) key (keyword, page) values (?, ?, ?, ?)",
        pages,
        BATCH,
        (s, p) -> {
          s.setString(1, p.keyword());
          s.setString(2, p.page());
          s.setDouble(3, p.position());
          s.setLong(4, p.clicks());
        });
    jdbc.sql(
            "insert into search_intake (file_name, rows_read, matched, general, unmatched, skipped, troubles, taken_by, taken_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            intake.fileName(),
            intake.rows(),
            intake.matched(),
            intake.general(),
            intake.unmatched(),
            intake.skipped(),
            json.writeValueAsString(intake.troubles()),
            intake.by(),
            Timestamp.from(clock.instant()))
        .update();
  }

  Optional<SearchIntake> last() {
    return jdbc.sql("select * from search_intake order by id desc limit 1")
        .query(
            (rs, i) ->
                new SearchIntake(
                    rs.getString("file_name"),
                    rs.getLong("rows_read"),
                    rs.getLong("matched"),
                    rs.getLong("general"),
                    rs.getLong("unmatched"),
                    rs.getLong("skipped"),
                    json.readValue(
                        rs.getString("troubles"), new TypeReference<List<SearchTrouble>>() {}),
                    rs.getString("taken_by"),
                    rs.getTimestamp("taken_at").toInstant()))
        .optional();
  }

  /** The queries that matter most to a product. */
  List<SearchHarvest.Kept> of(long product) {
    return jdbc.sql("select * from search_query where product_id = ? order by place")
        .param(product)
        .query(
            (rs, i) ->
                new SearchHarvest.Kept(
                    new SearchRow(
                        rs.getString("query"),
                        rs.getString("page"),
                        rs.getLong("impressions"),
                        rs.getLong("clicks"),
                        rs.getDouble("mean_position"),
                        rs.getLong("volume"),
                        rs.getDouble("competition")),
                    rs.getDouble("relevance")))
        .list();
  }

  /**
   * Products that search data have queries for, by their ids.
   *
   * @param without only those without a keyword
   */
  List<Long> products(boolean without, long after, int limit) {
    return jdbc.sql(
            "select p.id from product p where p.id > ? and p.id in (select q.product_id from search_query q)"
                + (without ? " and p.keyword = ''" : "")
                + " order by p.id limit ?")
        .params(after, limit)
        .query(Long.class)
        .list();
  }

  /** Pages that are found by a keyword already, the best placed first. */
  List<RankingPage> pages(String keyword) {
    return jdbc.sql(
            "select keyword, page, mean_position, clicks from ranking_page where keyword = lower(?) order by mean_position, page limit 10")
        .param(keyword)
        .query(
            (rs, i) ->
                new RankingPage(rs.getString(1), rs.getString(2), rs.getDouble(3), rs.getLong(4)))
        .list();
  }
}
