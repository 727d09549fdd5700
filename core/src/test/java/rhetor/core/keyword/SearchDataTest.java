package rhetor.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Search data are read whoever exported them, and go to the products that they are about. */
class SearchDataTest {
  private static final SearchColumns COLUMNS =
      SearchColumns.of(List.of("Top queries", "Clicks", "Impressions", "CTR", "Position"));

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "1,234 | 1234",
        "1.234 | 1234",
        "12 345 | 12345",
        "1,234,567 | 1234567",
        "90,500 | 90500",
        "0.500 | 0",
        "0 | 0",
        "– | 0",
        "12.0 | 12"
      })
  void numbers_are_read_as_exports_write_them(String cell, long impressions) {
    SearchRow row =
        COLUMNS.read(List.of("canvas pannier", "3", cell, "2 %", "4,7")).row().orElseThrow();
    assertThat(row.impressions()).isEqualTo(impressions);
    assertThat(row.position()).isEqualTo(4.7);
    assertThat(row.clicks()).isEqualTo(3);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "'' | 3 | no query",
        "pannier | many | \"many\" is no number of impressions",
        "pannier | -4 | \"-4\" is no number of impressions",
        "pannier | 1,2,3 | \"1,2,3\" is no number of impressions",
        "pannier | 99999999999999999999 | is no number of impressions"
      })
  void a_row_that_makes_no_sense_is_left_out_with_the_reason(
      String query, String impressions, String why) {
    SearchColumns.Read read = COLUMNS.read(List.of(query, "1", impressions));
    assertThat(read.row()).isEmpty();
    assertThat(read.why()).contains(why);
  }

  @Test
  void data_without_queries_or_figures_are_refused_with_what_to_do() {
    assertThatThrownBy(() -> SearchColumns.of(List.of("SKU", "Impressions")))
        .hasMessageContaining("No column holds the queries")
        .hasMessageContaining("SKU, Impressions");
    assertThatThrownBy(() -> SearchColumns.of(List.of("Suchanfrage", "Seite")))
        .hasMessageContaining("how much is searched");
    assertThat(
            SearchColumns.of(List.of("Keyword", "Avg. monthly searches", "Competition"))
                .read(List.of("roll top bag", "2.400", "0.3"))
                .row())
        .contains(new SearchRow("roll top bag", "", 0, 0, 0, 2400, 0.3));
  }

  private static QueryMatcher matcher() {
    QueryMatcher matcher = new QueryMatcher();
    String[][] products = {
      {"Roll Pannier 20", "pannier", "Tolvane", "recycled polyester, moss green, commuting"},
      {"Tour Pannier 25", "pannier", "Tolvane", "canvas, black, touring"},
      {"Pharos 2", "front light", "Brightwick", "800 lumen, USB-C"},
    };
    for (int i = 0; i < products.length; i++) {
      matcher.add(i + 1, products[i][0]);
      matcher.add(i + 1, products[i][1], 1);
      matcher.add(i + 1, products[i][2], 0.9);
      matcher.add(i + 1, products[i][3], 0.8);
    }
    return matcher;
  }

  @ParameterizedTest
  @CsvSource({
    "canvas pannier, 2",
    "best touring panniers, 2",
    "moss green commuter pannier, 1",
    "brightwick front lights uk, 3",
    "800 lumen light, 3"
  })
  void a_query_goes_to_the_product_whose_words_bear_it(String query, long product) {
    assertThat(matcher().match(query).best().getFirst().product()).isEqualTo(product);
  }

  @ParameterizedTest
  @CsvSource({"garden hose", "tolvane", "wooden canvas chair", "the best"})
  void a_query_about_something_else_or_nothing_goes_to_nobody_alone(String query) {
    QueryMatcher.Matches matches = matcher().match(query);
    assertThat(matches.best()).hasSizeBetween(0, 2);
    assertThat(matches.best()).allMatch(m -> query.equals("tolvane"));
  }

  @Test
  void the_queries_that_matter_most_are_kept_whatever_the_number_of_rows() {
    SearchHarvest harvest = new SearchHarvest(matcher());
    for (int i = 0; i < 1000; i++) {
      harvest.add(new SearchRow("canvas pannier " + "x".repeat(1 + i % 40), "", i, 0, 1, 0, 0));
      harvest.add(new SearchRow("canvas pannier", "/p" + i, i, 0, 1, 0, 0));
    }
    harvest.add(new SearchRow("black touring pannier", "", 50_000, 12, 3.2, 0, 0));
    List<SearchHarvest.Kept> kept = harvest.kept().get(2L);
    assertThat(kept).hasSizeLessThanOrEqualTo(SearchHarvest.MOST);
    assertThat(kept.getFirst().row().query()).isEqualTo("black touring pannier");
    assertThat(kept)
        .filteredOn(k -> k.row().query().equals("canvas pannier"))
        .singleElement()
        .satisfies(k -> assertThat(k.row().impressions()).isEqualTo(999));
  }

  @Test
  void a_query_that_fits_a_whole_range_is_about_its_kind() {
    QueryMatcher matcher = new QueryMatcher();
    for (int i = 0; i < 30; i++) {
      matcher.add(i, i % 2 == 0 ? "Roll Pannier" : "Pannier " + i);
    }
    SearchHarvest harvest = new SearchHarvest(matcher);
    harvest.add(new SearchRow("pannier", "", 900, 1, 2, 0, 0));
    assertThat(harvest.general()).isEqualTo(1);
    assertThat(harvest.kept()).isEmpty();
    harvest.add(new SearchRow("roll pannier", "", 900, 1, 2, 0, 0));
    assertThat(harvest.matched()).as("variants of one thing").isEqualTo(1);
  }
}
