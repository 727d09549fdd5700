package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Products that compete for a keyword, ways out, and keywords by rule, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class KeywordsTest {
  private Visitor writer;

  @BeforeAll
  void somebody_comes_in(RunningRhetor.House house) {
    writer = house.as(Role.WRITER);
  }

  private List<Long> takeIn(String prefix, String keyword, String... colours) {
    StringBuilder sheet =
        new StringBuilder("Référence,Désignation,Catégorie,Matière,Couleur,Poids,Mot-clé\n");
    for (int i = 0; i < colours.length; i++) {
      sheet.append(
          "%s-%d,%s %d,Panniers,canvas,%s,%d g,%s\n"
              .formatted(prefix, i, prefix, i, colours[i], 800 + i, keyword));
    }
    return writer.takeIn(prefix + ".csv", sheet.toString());
  }

  private JsonNode clash(String keyword) {
    for (JsonNode c : writer.get("/api/keywords").body().path("clashes")) {
      if (c.path("keyword").asString().equalsIgnoreCase(keyword)) {
        return c;
      }
    }
    return null;
  }

  @Test
  void products_that_compete_are_set_apart_by_longer_keywords() {
    List<Long> ids = takeIn("KWX", "canvas commuter pannier", "black", "moss green", "red");
    writer.write(ids, 0, "plain");
    assertThat(clash("canvas commuter pannier").path("products").asInt()).isEqualTo(3);
    JsonNode rivals =
        writer.get("/api/keywords/rivals?keyword=canvas+commuter+pannier").expect(200).body();
    Map<String, String> chosen = new HashMap<>();
    Set<String> distinct = new HashSet<>();
    for (JsonNode r : rivals) {
      assertThat(r.path("proposal").asString()).contains("canvas commuter pannier");
      distinct.add(r.path("proposal").asString());
      chosen.put(r.path("product").asString(), r.path("proposal").asString());
    }
    assertThat(distinct).hasSize(3);
    assertThat(
            writer
                .post("/api/keywords/assign", Map.of("keywords", chosen))
                .expect(200)
                .body()
                .path("products")
                .asInt())
        .isEqualTo(3);
    assertThat(clash("canvas commuter pannier")).isNull();
    assertThat(writer.get("/api/products?state=STALE&search=KWX").body().path("items").size())
        .isEqualTo(3);
  }

  @Test
  void phrases_of_a_kind_are_proposed_where_facts_bear_them_out_and_shown_as_said_or_missing() {
    List<Long> ids =
        writer.takeIn(
            "KWP.csv",
            """
            Item no,Product name,Category,Material,Colour,Closure,Meant for
            KWP-1,Stowe 1,Saddle bags,waxed canvas,black,leather strap,weekend saddle bag
            KWP-2,Stowe 2,Saddle bags,waxed canvas,red,leather strap,weekend saddle bag
            KWP-3,Stowe 3,Saddle bags,nylon,red,zip,weekend saddle bag
            """);
    writer.write(ids, 0, "plain");
    JsonNode first = writer.get("/api/products/" + ids.get(0) + "/phrases").expect(200).body();
    Map<String, String> forms = new HashMap<>();
    first
        .path("phrases")
        .forEach(p -> forms.put(p.path("words").asString(), p.path("form").asString()));
    assertThat(forms).containsKeys("waxed canvas", "leather strap", "weekend saddle bag");
    assertThat(forms.get("waxed canvas")).isEqualTo("WORD_FOR_WORD");
    Set<String> third = new HashSet<>();
    writer
        .get("/api/products/" + ids.get(2) + "/phrases")
        .body()
        .path("phrases")
        .forEach(p -> third.add(p.path("words").asString()));
    assertThat(third)
        .contains("weekend saddle bag")
        .doesNotContain("waxed canvas", "leather strap");
    assertThat(writer.get("/api/products/99999999/phrases").status()).isEqualTo(404);
  }

  @Test
  void a_range_of_some_size_has_phrases_of_its_own() {
    List<Long> ids =
        writer.takeIn(
            "KWR.csv",
            """
            Item no,Product name,Category,Material,Colour,Meant for
            KWR-1,Fleet 1,Saddle bags,tarpaulin,black,winter gravel tour
            KWR-2,Fleet 2,Saddle bags,tarpaulin,red,winter gravel tour
            KWR-3,Fleet 3,Saddle bags,tarpaulin,blue,winter gravel tour
            KWR-4,Fleet 4,Saddle bags,tarpaulin,blue,summer market trip
            """);
    long range = writer.post("/api/ranges", Map.of("name", "Gravel")).expect(200).id();
    writer
        .post("/api/ranges/" + range + "/products", Map.of("products", ids.subList(0, 3)))
        .expect(200);
    JsonNode inRange = writer.get("/api/products/" + ids.getFirst() + "/phrases").body();
    assertThat(inRange.path("range").asString()).isEqualTo("Gravel");
    assertThat(inRange.path("phrases").toString())
        .contains("winter gravel tour")
        .doesNotContain("summer");
    inRange.path("phrases").forEach(p -> assertThat(p.path("texts").asInt()).isLessThan(4));
    JsonNode outside = writer.get("/api/products/" + ids.getLast() + "/phrases").body();
    assertThat(outside.path("range").asString()).isEmpty();
  }

  @Test
  void a_keyword_that_is_too_long_is_refused_and_nothing_is_given() {
    takeIn("KWY", "long keyword pannier", "black", "red");
    JsonNode rivals = writer.get("/api/keywords/rivals?keyword=long+keyword+pannier").body();
    Map<String, String> chosen = new HashMap<>();
    chosen.put(rivals.get(0).path("product").asString(), "short pannier");
    chosen.put(rivals.get(1).path("product").asString(), "x".repeat(101));
    assertThat(
            writer
                .post("/api/keywords/assign", Map.of("keywords", chosen))
                .expect(422)
                .body()
                .path("detail")
                .asString())
        .contains("101 characters; up to 100");
    assertThat(clash("long keyword pannier").path("products").asInt()).isEqualTo(2);
  }

  @Test
  void a_rule_is_seen_first_and_then_gives_all_that_have_none_a_keyword() {
    long first = Collections.min(takeIn("KWZ", "", "black", "moss green"));
    int without = writer.get("/api/keywords").body().path("without").asInt();
    Map<String, Object> order = new HashMap<>();
    order.put("concepts", List.of("colour", "material"));
    order.put("after", first - 1);
    order.put("keep", false);
    JsonNode seen = writer.post("/api/keywords/rule", order).expect(200).body();
    assertThat(seen.path("given").asInt()).isPositive();
    assertThat(seen.path("examples").get(0).path("keyword").asString()).isNotBlank();
    assertThat(writer.get("/api/keywords").body().path("without").asInt()).isEqualTo(without);
    order.put("keep", true);
    int given = 0;
    do {
      JsonNode step = writer.post("/api/keywords/rule", order).expect(200).body();
      given += step.path("given").asInt();
      order.put("after", step.path("after").asLong());
    } while ((long) order.get("after") != 0);
    assertThat(writer.get("/api/keywords").body().path("without").asInt())
        .isEqualTo(without - given);
    assertThat(
            writer
                .get("/api/products?search=KWZ-1")
                .body()
                .path("items")
                .get(0)
                .path("keyword")
                .asString())
        .contains("moss green", "canvas", "pannier");
    order.put("concepts", List.of("nonsense"));
    assertThat(
            writer.post("/api/keywords/rule", order).expect(422).body().path("detail").asString())
        .contains("no kind of fact called nonsense");
  }

  private Visitor.Answer searchData(String csv) {
    return writer.postBytes(
        "/api/keywords/search-data?fileName=search.csv",
        csv.getBytes(java.nio.charset.StandardCharsets.UTF_8));
  }

  @Test
  void search_data_propose_keywords_that_facts_bear_out_and_nobody_else_has() {
    List<Long> ids = takeIn("KSD", "", "amber", "violet");
    JsonNode came =
        searchData(
                """
                Query,Page,Impressions,Clicks,Position
                KSD canvas amber pannier,https://shop.example/amber,"1,200",30,4.2
                KSD waterproof amber pannier,,9000,10,8
                KSD canvas violet pannier,,700,3,12
                garden hose,,50000,3,12
                KSD violet pannier,,lots,3,12
                """)
            .expect(200)
            .body();
    assertThat(came.path("rows").asInt()).isEqualTo(5);
    assertThat(came.path("matched").asInt()).isEqualTo(3);
    assertThat(came.path("unmatched").asInt()).isEqualTo(1);
    assertThat(came.path("troubles").toString()).contains("6", "lots", "impressions");

    JsonNode first = null;
    for (JsonNode p : writer.get("/api/keywords/proposals?limit=50").expect(200).body()) {
      first = p.path("product").asLong() == ids.getFirst() ? p : first;
    }
    assertThat(first).isNotNull();
    Map<String, String> conflicts = new HashMap<>();
    first
        .path("queries")
        .forEach(q -> conflicts.put(q.path("query").asString(), q.path("conflict").asString()));
    assertThat(conflicts)
        .containsEntry("KSD waterproof amber pannier", "waterproof")
        .containsEntry("KSD canvas amber pannier", "");

    assertThat(
            writer
                .post("/api/keywords/adopt", Map.of("after", 0, "keep", true))
                .expect(200)
                .body()
                .path("given")
                .asInt())
        .isEqualTo(2);
    assertThat(
            writer
                .get("/api/products/" + ids.getFirst())
                .body()
                .path("line")
                .path("keyword")
                .asString())
        .isEqualTo("KSD canvas amber pannier");

    searchData(
            "Query,Page,Impressions,Position\nksd canvas amber pannier,https://shop.example/amber,1200,4.2\n")
        .expect(200);
    assertThat(
            writer
                .get("/api/keywords/pages?keyword=KSD+canvas+amber+pannier")
                .body()
                .get(0)
                .path("page")
                .asString())
        .isEqualTo("https://shop.example/amber");
  }

  @Test
  void search_data_that_make_no_sense_are_refused_and_those_before_stay() {
    searchData("Query,Impressions\nanything at all,3\n").expect(200);
    assertThat(searchData("SKU,Price\nA,3\n").expect(422).detail())
        .contains("No column holds the queries");
    assertThat(searchData("").expect(422).detail()).isNotBlank();
    assertThat(
            writer.get("/api/keywords/search-data").body().path("last").get(0).path("rows").asInt())
        .isEqualTo(1);
  }

  @Test
  void a_product_has_supporting_keywords_and_required_words_beside_the_primary_one() {
    long id = takeIn("KSU", "canvas pannier", "teal").getFirst();
    writer.write(List.of(id), 0, "plain");
    String path = "/api/products/" + id + "/keywords";
    Map<String, Object> order =
        Map.of(
            "keyword", "canvas pannier",
            "supporting", List.of("teal bike bag"),
            "required", List.of("zircon"));
    JsonNode kept = writer.put(path, order).expect(200).body();
    assertThat(kept.path("supporting").get(0).asString()).isEqualTo("teal bike bag");
    assertThat(writer.get("/api/proofs/" + id).body().toString())
        .contains("supporting keyword \\\"teal bike bag\\\"", "The house wants \\\"zircon\\\"");
    assertThat(
            writer
                .put(
                    path,
                    Map.of(
                        "keyword", "canvas pannier",
                        "supporting", List.of("a", "b", "c"),
                        "required", List.of()))
                .expect(422)
                .detail())
        .contains("up to 2 supporting keywords; there are 3");
    writer.put(
        path, Map.of("keyword", "canvas pannier", "supporting", List.of(), "required", List.of()));
    assertThat(writer.get("/api/proofs/" + id).body().toString()).doesNotContain("zircon");
  }

  @Test
  void a_keyword_that_facts_do_not_bear_out_is_relieved_by_cause_and_the_text_can_be_signed_off() {
    long id = takeIn("KRL", "waterproof canvas pannier", "ivory").getFirst();
    writer.write(List.of(id), 0, "plain");
    assertThat(writer.get("/api/proofs/" + id).body().toString()).contains("keyword conflict");
    JsonNode seen =
        writer.post("/api/keywords/relieve", Map.of("after", 0, "keep", false)).expect(200).body();
    assertThat(seen.toString()).contains("canvas pannier");
    writer.post("/api/keywords/relieve", Map.of("after", 0, "keep", true)).expect(200);
    JsonNode proof = writer.get("/api/proofs/" + id).body();
    assertThat(proof.toString()).doesNotContain("keyword conflict");
    assertThat(writer.get("/api/products/" + id).body().path("line").path("keyword").asString())
        .isEqualTo("canvas pannier");
  }
}
