package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Runs that write some of the texts, or shorter ones. */
@ExtendWith(RunningRhetor.class)
class SomeFieldsTest {
  private final House house;

  SomeFieldsTest(House house) {
    this.house = house;
  }

  private static List<Long> two(Visitor writer, String which) {
    return writer.takeIn(
        "some-fields-" + which + ".csv",
        """
        SKU,Name,Brand,Category,Material,Capacity,Weight
        SF-%1$s1,Knot %1$s1,Averil,Panniers,canvas,14 l,810 g
        SF-%1$s2,Knot %1$s2,Averil,Panniers,felt,17 l,905 g
        """
            .formatted(which));
  }

  private static Map<String, Object> order(List<Long> products, Map<String, Object> extent) {
    Map<String, Object> order = new HashMap<>(Visitor.wish(products, 0));
    order.put("voice", "");
    order.putAll(extent);
    return order;
  }

  private static JsonNode run(Visitor writer, Map<String, Object> order) {
    long run = writer.post("/api/runs", order).expect(200).id();
    return writer
        .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
        .body()
        .path("run");
  }

  private static String text(Visitor writer, long product, String field) {
    JsonNode fields = writer.get("/api/proofs/" + product).expect(200).body().path("fields");
    for (JsonNode f : fields) {
      if (f.path("code").asString().equals(field)) {
        return Jsoup.parse(f.path("html").asString()).text();
      }
    }
    throw new AssertionError(field + " is not among " + fields);
  }

  @Test
  void only_the_fields_named_are_written_anew_and_no_longer_than_asked() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = two(writer, "a");
    run(writer, order(products, Map.of()));
    String title = text(writer, products.get(0), "title");
    String description = text(writer, products.get(0), "description");
    assertThat(text(writer, products.get(0), "meta_description").length()).isGreaterThan(50);

    JsonNode run =
        run(
            writer,
            order(
                products,
                Map.of("fields", List.of("meta_description"), "mostCharacters", 45, "seed", 3)));
    assertThat(run.path("extent").path("fields").get(0).asString()).isEqualTo("meta_description");
    assertThat(text(writer, products.get(0), "meta_description"))
        .hasSizeLessThanOrEqualTo(45)
        .endsWith(".");
    assertThat(text(writer, products.get(0), "title")).isEqualTo(title);
    assertThat(text(writer, products.get(0), "description")).isEqualTo(description);
  }

  @Test
  void what_tells_of_facts_that_have_changed_stays_stale() {
    Visitor writer = house.as(Role.WRITER);
    String sheet =
        """
        SKU,Name,Brand,Category,Material,Capacity,Weight
        SF-d1,Knot d1,Averil,Panniers,canvas,14 l,%s
        """;
    List<Long> products = writer.takeIn("some-fields-d.csv", sheet.formatted("810 g"));
    run(writer, order(products, Map.of()));
    assertThat(isStale(writer)).isFalse();
    writer.takeIn("some-fields-d.csv", sheet.formatted("950 g"));
    assertThat(isStale(writer)).isTrue();
    run(writer, order(products, Map.of("fields", List.of("meta_title"))));
    assertThat(isStale(writer)).isTrue();
    run(writer, order(products, Map.of("mostWords", 90)));
    assertThat(isStale(writer)).isFalse();
  }

  private static boolean isStale(Visitor writer) {
    JsonNode found = writer.get("/api/products?search=SF-d1").expect(200).body().path("items");
    assertThat(found).hasSize(1);
    return found.get(0).path("stale").asBoolean();
  }

  @Test
  void a_product_without_a_text_gets_all_of_it() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = two(writer, "b");
    run(writer, order(products, Map.of("fields", List.of("title"))));
    assertThat(text(writer, products.get(1), "description")).contains("17 l");
  }

  @Test
  void what_makes_no_sense_is_refused_with_a_reason() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = two(writer, "c");
    for (Map<String, Object> extent :
        List.<Map<String, Object>>of(
            Map.of("fields", List.of("no_such_field")),
            Map.of("mostWords", -1),
            Map.of("mostCharacters", 1_000_000))) {
      assertThat(writer.post("/api/runs", order(products, extent)).expect(400).detail())
          .isNotBlank();
    }
  }
}
