package rhetor.soak;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jsoup.Jsoup;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Looks into a house that has been shut whether what it told people is so. */
final class Word implements AutoCloseable {
  private static final HttpClient HTTP = HttpClient.newHttpClient();
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** One for all that is asked: the last one closed would close the database, and compact it. */
  private final SingleConnectionDataSource database;

  private final JdbcClient jdbc;
  private final String shop;
  private final String token;
  private final Hand.Faults faults;

  Word(Path house, String shop, String token, Hand.Faults faults) {
    this.database =
        new SingleConnectionDataSource(
            "jdbc:h2:file:" + house.resolve("rhetor").toAbsolutePath(), "rhetor", "", true);
    this.jdbc = JdbcClient.create(database);
    this.shop = shop;
    this.token = token;
    this.faults = faults;
  }

  @Override
  public void close() {
    database.destroy();
  }

  /**
   * Checks everything.
   *
   * @param taken SKUs of which the house said that they were taken in
   * @param told how many products the house said there are in each stage
   */
  void check(Set<String> taken, Map<String, Integer> told) {
    none(
        "a product without outcome in a run that has ended",
        "select concat(i.run_id, '/', i.product_id) from run_item i join run r on r.id = i.run_id where i.status = 'WAITING' and r.status in ('DONE', 'STOPPED')");
    none(
        "a run that is not done",
        "select concat(id, ' ', status) from run where status not in ('DONE', 'STOPPED')");
    none(
        "a run whose counts are not its items'",
        """
        select concat(r.id, '') from run r where r.written <> (select count(*) from run_item i where i.run_id = r.id and i.status = 'WRITTEN')
          or r.failed <> (select count(*) from run_item i where i.run_id = r.id and i.status = 'FAILED')
          or r.left_alone <> (select count(*) from run_item i where i.run_id = r.id and i.status = 'LEFT')
          or r.total <> r.written + r.failed + r.left_alone""");
    none(
        "a run that wrote a product twice",
        "select concat(run_id, '/', product_id) from text where run_id is not null group by run_id, product_id having count(*) > 1");
    none(
        "a text without outcome in an edition",
        "select concat(edition_id, '/', product_id) from edition_item where status = 'WAITING'");
    none(
        "an edition whose counts are not its items'",
        """
        select concat(e.id, '') from edition e where e.published <> (select count(*) from edition_item i where i.edition_id = e.id and i.status = 'PUBLISHED')
          or e.failed <> (select count(*) from edition_item i where i.edition_id = e.id and i.status = 'FAILED')
          or e.total <> e.published + e.failed""");
    none(
        "a text that went out though nobody had signed it off",
        """
        select concat(i.edition_id, '/', i.product_id) from edition_item i where i.status = 'PUBLISHED'
          and not exists (select 1 from log_entry l where l.product_id = i.product_id and l.event = 'SIGNED_OFF' and l.detail = concat('revision ', i.text_id))""");
    none(
        "a text that counts as signed off though nobody has signed it",
        """
        select p.sku from product p where p.stage in ('SIGNED_OFF', 'PUBLISHED')
          and not exists (select 1 from log_entry l where l.product_id = p.id and l.event = 'SIGNED_OFF' and l.detail = concat('revision ', p.text_id))""");
    none(
        "a text of another product",
        "select p.sku from product p join text t on t.id = p.text_id where t.product_id <> p.id");
    none("an intake that hangs", "select concat(id, '') from intake where status = 'TAKING'");
    none("two products of one SKU", "select sku from product group by sku having count(*) > 1");
    for (String sku : taken) {
      if (jdbc.sql("select count(*) from product where sku = ?")
              .param(sku)
              .query(Integer.class)
              .single()
          != 1) {
        faults.fault("taken in and not there: " + sku);
      }
    }
    jdbc.sql("select stage, count(*) from product group by stage")
        .query(
            rs -> {
              if (told.getOrDefault(rs.getString(1), 0) != rs.getInt(2)) {
                faults.fault(
                    "the house said there were %s of %s, and there are %d"
                        .formatted(told.get(rs.getString(1)), rs.getString(1), rs.getInt(2)));
              }
            });
    shopHoldsWhatTheHouseSays();
  }

  private void none(String what, String sql) {
    List<String> found = jdbc.sql(sql).query(String.class).list();
    if (!found.isEmpty()) {
      faults.fault(what + ": " + found.size() + ", such as " + found.getFirst());
    }
  }

  private record Out(String sku, String content) {}

  private void shopHoldsWhatTheHouseSays() {
    List<Out> all =
        jdbc.sql(
                """
                select p.sku, s.content from
                  (select product_id, max(edition_id) as edition_id from edition_item where status = 'PUBLISHED' group by product_id) last
                join edition_item i on i.edition_id = last.edition_id and i.product_id = last.product_id
                join product p on p.id = i.product_id
                join sent_text s on s.product_id = i.product_id and s.text_id = i.text_id""")
            .query(Out.class)
            .list();
    int different = 0;
    for (Out out : all) {
      JsonNode said = JSON.readTree(out.content);
      JsonNode there = JSON.readTree(shop(shop, token, "GET", "/api/products/" + out.sku, ""));
      if (!said.path("title").equals(there.path("title")) || !words(said).equals(words(there))) {
        different++;
        if (different < 4) {
          faults.fault(
              "the shop has \"%s\" of %s, and the house says \"%s\""
                  .formatted(
                      there.path("title").asString(), out.sku, said.path("title").asString()));
        }
      }
    }
  }

  /** A description's words; shops write markup in their own way. */
  private static String words(JsonNode content) {
    return Jsoup.parse(content.path("description").asString("")).text();
  }

  /** What the shop answers. */
  static String shop(String url, String token, String method, String path, String body) {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url + path))
            .timeout(Duration.ofSeconds(60))
            .header("Authorization", "Bearer " + token)
            .header("Content-Type", "application/json")
            .method(method, HttpRequest.BodyPublishers.ofString(body))
            .build();
    try {
      return HTTP.send(request, HttpResponse.BodyHandlers.ofString()).body();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return "{}";
    }
  }
}
