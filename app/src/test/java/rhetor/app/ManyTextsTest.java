package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Lists narrowed by kind, maker and readiness, and what is done to all texts of one at once. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class ManyTextsTest {
  private Visitor editor;
  private Visitor writer;
  private long intake;
  private List<Long> products;

  @BeforeAll
  void six_products_have_texts(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    products =
        writer.takeIn(
            "many.csv",
            """
            SKU,Name,Category,Brand,Material,Capacity,Weight
            MN-1,Fen Bag,Panniers,Ostle,canvas,18 l,900 g
            MN-2,Marsh Bag,Panniers,Ostle,canvas,20 l,950 g
            MN-3,Ridge Bag,Panniers,Corrie,polyester,22 l,990 g
            MN-4,Lea Lamp,Front lights,Corrie,aluminium,,120 g
            MN-5,Wold Lamp,Front lights,Corrie,aluminium,,140 g
            MN-6,Beck Lamp,Front lights,Corrie,aluminium,,160 g
            """);
    intake =
        editor
            .get("/api/intakes")
            .body()
            .valueStream()
            .filter(i -> i.path("fileName").asString().equals("many.csv"))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asLong();
    writer.write(List.of(), intake, "plain");
  }

  private Map<String, Object> filter(String more, Object value) {
    return more.isEmpty()
        ? Map.of("intake", intake, "state", "PROOF")
        : Map.of("intake", intake, "state", "PROOF", more, value);
  }

  private JsonNode forecast(String deed, Map<String, Object> filter) {
    return editor
        .post("/api/acts/forecast", Map.of("deed", deed, "which", filter, "seen", 0))
        .expect(200)
        .body();
  }

  private Visitor.Answer act(String deed, Map<String, Object> filter, int seen) {
    return editor.post("/api/acts", Map.of("deed", deed, "which", filter, "seen", seen));
  }

  private List<String> listed(String query) {
    return StreamSupport.stream(
            editor
                .get("/api/products?intake=" + intake + query)
                .expect(200)
                .body()
                .path("items")
                .spliterator(),
            false)
        .map(p -> p.path("sku").asString() + " " + p.path("stage").asString())
        .toList();
  }

  private int waiting(String stage) {
    return editor.get("/api/products?state=" + stage).body().path("total").asInt();
  }

  @Test
  void a_list_is_narrowed_by_kind_maker_and_readiness() {
    assertThat(listed("&brand=Ostle")).hasSize(2).allMatch(p -> p.matches("MN-[12] .*"));
    assertThat(listed("&kind=front%20light")).hasSize(3).allMatch(p -> p.matches("MN-[456] .*"));
    assertThat(listed("&kind=front%20light&brand=Ostle")).isEmpty();
    int readiest =
        editor
            .get("/api/products?order=MOST_READY&intake=" + intake)
            .body()
            .path("items")
            .get(0)
            .path("readiness")
            .asInt();
    assertThat(listed("&atLeast=" + readiest)).isNotEmpty();
    assertThat(listed("&atLeast=" + (readiest + 1))).isEmpty();
    assertThat(listed("&below=" + (readiest + 1))).hasSize(6);
    assertThat(listed("&below=" + readiest)).hasSize(6 - listed("&atLeast=" + readiest).size());
    JsonNode choices = editor.get("/api/products/choices").expect(200).body();
    assertThat(choices.path("brands").valueStream().map(b -> b.path("name").asString()))
        .contains("Ostle", "Corrie");
    assertThat(choices.path("kinds").valueStream().map(k -> k.path("name").asString()))
        .contains("front light");
  }

  @ParameterizedTest
  @ValueSource(strings = {"SHEET", "NAME", "LEAST_READY", "MOST_READY"})
  void each_order_shows_every_product_once_page_by_page(String order) {
    List<Long> seen = new ArrayList<>();
    List<Integer> readiness = new ArrayList<>();
    String after = "";
    do {
      JsonNode page =
          editor
              .get(
                  "/api/products?limit=2&order=%s&intake=%d&after=%s"
                      .formatted(order, intake, after))
              .expect(200)
              .body();
      page.path("items").forEach(p -> seen.add(p.path("id").asLong()));
      page.path("items").forEach(p -> readiness.add(p.path("readiness").asInt()));
      after = page.path("next").asString();
    } while (!after.isEmpty() && seen.size() < 20);
    assertThat(seen).containsExactlyInAnyOrderElementsOf(products);
    if (order.endsWith("READY")) {
      List<Integer> sorted = new ArrayList<>(readiness);
      sorted.sort(order.equals("MOST_READY") ? Comparator.reverseOrder() : null);
      assertThat(readiness).isEqualTo(sorted);
    }
  }

  @Test
  void texts_are_signed_off_by_a_rule_and_that_is_taken_back_as_one_act() {
    int before = waiting("SIGNED_OFF");
    Map<String, Object> rule = filter("brand", "Corrie");
    JsonNode forecast = forecast("SIGN_OFF", rule);
    int texts = forecast.path("texts").asInt();
    assertThat(texts).isEqualTo(4);
    assertThat(forecast.path("examples").size()).isEqualTo(3);
    assertThat(forecast.path("examples").get(0).path("opening").asString()).contains("Corrie");

    Visitor.Answer done = act("SIGN_OFF", rule, texts).expect(200);
    assertThat(listed("&state=SIGNED_OFF")).hasSize(4);
    assertThat(waiting("SIGNED_OFF")).isEqualTo(before + 4);
    String history =
        editor.get("/api/proofs/" + products.get(3)).expect(200).body().path("deeds").toString();
    assertThat(history).contains("signed off with 3 others");

    // What somebody sent back by hand stays with them.
    JsonNode proof = editor.get("/api/proofs/" + products.get(4)).body();
    editor
        .seen(
            proof.path("revision").asLong(),
            "POST",
            "/api/proofs/" + products.get(4) + "/send-back",
            Map.of())
        .expect(200);
    Visitor.Answer back =
        editor.post("/api/acts/" + done.id() + "/take-back", Map.of()).expect(200);
    assertThat(back.body().path("texts").asInt()).isEqualTo(3);
    assertThat(waiting("SIGNED_OFF")).isEqualTo(before);
    assertThat(listed("&brand=Corrie"))
        .containsExactlyInAnyOrder("MN-3 DRAFTED", "MN-4 DRAFTED", "MN-5 IN_PROOF", "MN-6 DRAFTED");
    editor.post("/api/acts/" + done.id() + "/take-back", Map.of()).expect(409);
  }

  @Test
  void what_must_be_fixed_is_left_and_said_so() {
    long product = products.get(0);
    JsonNode proof = editor.get("/api/proofs/" + product).body();
    editor
        .seen(
            proof.path("revision").asLong(),
            "PUT",
            "/api/proofs/" + product + "/fields/description",
            Map.of("text", "<p>The Fen Bag weighs 2 kg.</p>"))
        .expect(200);
    Map<String, Object> rule = filter("brand", "Ostle");
    JsonNode forecast = forecast("SIGN_OFF", rule);
    assertThat(forecast.path("texts").asInt()).isEqualTo(1);
    assertThat(forecast.path("left").path("MUST_FIX").asInt()).isEqualTo(1);
    long act = act("SIGN_OFF", rule, 1).expect(200).id();
    assertThat(listed("&brand=Ostle"))
        .containsExactlyInAnyOrder("MN-1 IN_PROOF", "MN-2 SIGNED_OFF");

    Map<String, Object> signed = Map.of("intake", intake, "state", "SIGNED_OFF", "brand", "Ostle");
    assertThat(forecast("SEND_BACK", signed).path("texts").asInt()).isEqualTo(1);
    long sent = act("SEND_BACK", signed, 1).expect(200).id();
    assertThat(listed("&brand=Ostle")).contains("MN-2 IN_PROOF");
    editor.post("/api/acts/" + sent + "/take-back", Map.of()).expect(200);
    assertThat(listed("&brand=Ostle")).contains("MN-2 SIGNED_OFF");
    editor.post("/api/acts/" + act + "/take-back", Map.of()).expect(200);
  }

  @Test
  void nothing_is_done_to_other_texts_than_were_seen() {
    Map<String, Object> rule = filter("kind", "front light");
    act("SIGN_OFF", rule, 1).expect(412);
    assertThat(listed("&state=SIGNED_OFF")).noneMatch(p -> p.startsWith("MN-6"));
    act("SIGN_OFF", filter("brand", "Nobody"), 0).expect(409);
    editor.post("/api/acts", Map.of("deed", "BURN", "which", rule, "seen", 3)).expect(400);
    writer.post("/api/acts", Map.of("deed", "SIGN_OFF", "which", rule, "seen", 3)).expect(403);
  }

  @Test
  void a_product_without_its_number_is_no_order_for_all() {
    editor.get("/api/texts?products=+").expect(400);
    List<Long> nobody = new ArrayList<>();
    nobody.add(null);
    editor
        .post(
            "/api/acts",
            Map.of(
                "deed",
                "SIGN_OFF",
                "which",
                Map.of("products", nobody, "state", "PROOF"),
                "seen",
                3))
        .expect(400);
    assertThat(listed("&state=SIGNED_OFF")).noneMatch(p -> p.startsWith("MN-6"));
  }

  @Test
  void two_clicks_sign_off_once() throws Exception {
    Map<String, Object> rule = filter("kind", "front light");
    int texts = forecast("SIGN_OFF", rule).path("texts").asInt();
    List<Integer> answers = new ArrayList<>();
    try (var threads = Executors.newCachedThreadPool()) {
      List<Future<Integer>> clicks = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        clicks.add(threads.submit(() -> act("SIGN_OFF", rule, texts).status()));
      }
      for (Future<Integer> click : clicks) {
        answers.add(click.get());
      }
    }
    assertThat(answers).containsOnlyOnce(200).allMatch(a -> a == 200 || a == 409 || a == 412);
    long act = editor.get("/api/acts").body().get(0).path("id").asLong();
    editor.post("/api/acts/" + act + "/take-back", Map.of()).expect(200);
    assertThat(forecast("SIGN_OFF", rule).path("texts").asInt()).isEqualTo(texts);
  }
}
