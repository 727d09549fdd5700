package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.OddModel.Said;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** A text model writes runs, whatever it does, for no more money than it may cost. */
@ExtendWith(RunningRhetor.class)
class ModelRunsTest {
  private static final AtomicInteger SHEETS = new AtomicInteger();

  private final OddModel model = new OddModel();
  private final RunningRhetor.House house;
  private final Visitor owner;
  private final Visitor writer;
  private long connection;

  ModelRunsTest(RunningRhetor.House house) {
    this.house = house;
    this.owner = house.as(Role.OWNER);
    this.writer = house.as(Role.WRITER);
  }

  /** A thousand questions and answers cost three each. */
  @BeforeEach
  void connect() {
    connection = connect(RunningRhetor.TOKEN);
  }

  private long connect(String key) {
    return connect(key, false);
  }

  private long connect(String key, boolean takesPictures) {
    String host = java.net.URI.create(model.address()).getAuthority();
    owner.put("/api/connections/hosts", Map.of("host", host, "allowed", true)).expect(200);
    return owner
        .post(
            "/api/connections",
            Map.of(
                "name",
                "Odd " + System.nanoTime(),
                "address",
                model.address(),
                "model",
                "odd-1",
                "key",
                key,
                "priceAsked",
                1000,
                "priceAnswered",
                1000,
                "monthlyMost",
                0,
                "takesPictures",
                takesPictures))
        .expect(200)
        .id();
  }

  @AfterEach
  void disconnect() {
    owner.delete("/api/connections/" + connection);
    model.close();
  }

  private List<Long> products(int number) {
    String sheet = "MRU" + SHEETS.incrementAndGet();
    StringBuilder rows = new StringBuilder("SKU,Name,Type,Brand,Material,Weight\n");
    for (int i = 1; i <= number; i++) {
      rows.append(
          "%s-%d,Weir Pannier %d,Panniers,Tolvane,canvas,%d g\n".formatted(sheet, i, i, 700 + i));
    }
    return writer.takeIn(sheet + ".csv", rows.toString());
  }

  private Map<String, Object> wish(List<Long> products, Map<String, Object> changes) {
    Map<String, Object> asked =
        new HashMap<>(
            Map.of(
                "connection",
                connection,
                "engine",
                "MODEL",
                "amends",
                "COMPOSE",
                "most",
                0,
                "fallsBack",
                false));
    asked.putAll(changes);
    Map<String, Object> wish = new HashMap<>(Visitor.wish(products, 0));
    wish.put("author", asked);
    return wish;
  }

  private long run(List<Long> products, Map<String, Object> changes) {
    return writer.post("/api/runs", wish(products, changes)).expect(200).id();
  }

  private JsonNode until(long run, String status) {
    return writer
        .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals(status))
        .body();
  }

  private JsonNode waiting(long run) {
    return writer
        .until("/api/runs/" + run, r -> !r.path("run").path("trouble").asString().isEmpty())
        .body();
  }

  private JsonNode proof(long product) {
    return writer.get("/api/proofs/" + product).expect(200).body();
  }

  private List<String> authors(List<Long> products) {
    List<String> authors = new ArrayList<>();
    JdbcClient jdbc = house.bean(JdbcClient.class);
    for (long product : products) {
      authors.add(
          jdbc.sql("select t.origin from product p join text t on t.id = p.text_id where p.id = ?")
              .param(product)
              .query(String.class)
              .single());
    }
    return authors;
  }

  @Test
  void a_model_writes_several_at_once_and_the_bill_is_exact() {
    List<Long> products = products(30);
    JsonNode forecast =
        writer.post("/api/runs/forecast", wish(products, Map.of())).expect(200).body();
    assertThat(forecast.path("expected").path("cost").asDouble()).isGreaterThan(1);
    assertThat(forecast.path("expected").path("ofModel").asInt()).isEqualTo(30);
    model.answers(
        prompt -> {
          pause();
          return OddModel.good(prompt);
        });
    long run = run(products, Map.of());
    JsonNode done = until(run, "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(30);
    assertThat(done.path("run").path("spent").asDouble()).isEqualTo(30 * 1.5);
    assertThat(model.asked()).isEqualTo(30);
    assertThat(model.mostAtOnce()).isBetween(4, 16);
    assertThat(authors(products)).containsOnly("MODEL");
    assertThat(proof(products.getFirst()).toString()).contains("Weir Pannier 1 is a pannier of");
    // What was answered once is neither asked nor paid for again.
    long again = run(products, Map.of());
    assertThat(until(again, "DONE").path("run").path("spent").asDouble()).isZero();
    assertThat(model.asked()).isEqualTo(30);
    assertThat(
            writer
                .post("/api/runs/forecast", wish(products, Map.of()))
                .body()
                .path("expected")
                .path("seconds")
                .asLong())
        .isGreaterThanOrEqualTo(0);
  }

  private static void pause() {
    try {
      Thread.sleep(60);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void a_model_that_takes_pictures_is_shown_those_that_somebody_confirmed() throws Exception {
    List<Long> products = products(2);
    String sku =
        writer
            .get("/api/products/" + products.getFirst())
            .body()
            .path("line")
            .path("sku")
            .asString();
    byte[] png = Files.readAllBytes(Path.of("../demo/pictures/tv-1003.png"));
    long picture =
        writer
            .uploadTo("/api/pictures", "", sku + ".png", png)
            .expect(200)
            .body()
            .path("pictures")
            .path(0)
            .path("id")
            .asLong();
    owner.delete("/api/connections/" + connection).expect(200);
    connection = connect(RunningRhetor.TOKEN, true);
    until(run(products, Map.of()), "DONE");
    assertThat(model.shown()).isZero();
    writer
        .post("/api/pictures/confirm", Map.of("pictures", List.of(picture), "colours", false))
        .expect(200);
    JsonNode done = until(run(products, Map.of()), "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(2);
    // Of the other one all was asked and paid for before.
    assertThat(model.asked()).isEqualTo(3);
    assertThat(model.shown()).isEqualTo(1);
  }

  @Test
  void what_a_model_invents_is_replaced_and_said() {
    List<Long> products = products(3);
    model.answers(OddModel::invented);
    JsonNode done = until(run(products, Map.of("amends", "LEAVE_OUT")), "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(3);
    assertThat(done.path("amended")).hasSize(3);
    assertThat(done.path("amended").path(0).path("reason").asString())
        .contains("“It is made of leather.” could not stand and was left out");
    products.forEach(p -> assertThat(proof(p).path("fields").toString()).doesNotContain("leather"));
    // A house that wants to see it gets it, held.
    until(run(products, Map.of("amends", "HOLD")), "DONE");
    assertThat(proof(products.getFirst()).toString()).contains("made of leather");
  }

  @Test
  void a_service_at_capacity_is_asked_more_slowly_and_nothing_fails() {
    List<Long> products = products(12);
    AtomicInteger asked = new AtomicInteger();
    model.answers(
        prompt ->
            asked.incrementAndGet() % 4 == 0
                ? new Said(429, "", Map.of("Retry-After", "1"))
                : OddModel.good(prompt));
    JsonNode done = until(run(products, Map.of()), "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(12);
    assertThat(done.path("run").path("spent").asDouble()).isEqualTo(12 * 1.5);
  }

  @Test
  void a_silent_service_is_waited_for_and_goes_on_where_it_was() {
    List<Long> products = products(10);
    model.answers(prompt -> Said.error(503));
    long run = run(products, Map.of());
    JsonNode waits = waiting(run);
    assertThat(waits.path("run").path("trouble").asString()).contains("error of its own");
    assertThat(waits.path("run").path("status").asString()).isEqualTo("RUNNING");
    assertThat(waits.path("run").path("failed").asInt()).isZero();
    assertThat(java.time.Instant.parse(waits.path("run").path("goesOnAt").asString()))
        .isAfter(java.time.Instant.now());
    model.answers(OddModel::good);
    writer.post("/api/runs/" + run + "/go-on", Map.of("most", 0)).expect(200);
    JsonNode done = until(run, "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(10);
    assertThat(done.path("run").path("trouble").asString()).isEmpty();
  }

  @Test
  void or_rhetor_writes_itself_if_the_house_wants_it() {
    List<Long> products = products(10);
    model.answers(prompt -> Said.error(500));
    JsonNode done = until(run(products, Map.of("fallsBack", true)), "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(10);
    assertThat(authors(products)).containsOnly("COMPOSER");
    assertThat(done.path("amended").path(0).path("reason").asString()).contains("Rhetor wrote it");
  }

  @Test
  void a_run_stops_before_it_overspends_and_goes_on_with_more_money() {
    List<Long> products = products(8);
    long run = run(products, Map.of("most", 6));
    JsonNode paused = until(run, "PAUSED");
    assertThat(paused.path("run").path("trouble").asString())
        .contains("What this run may spend is spent", "of 6.00");
    assertThat(paused.path("run").path("spent").asDouble()).isLessThanOrEqualTo(6);
    assertThat(paused.path("run").path("failed").asInt()).isZero();
    writer.post("/api/runs/" + run + "/go-on", Map.of("most", -1)).expect(422);
    writer.post("/api/runs/" + run + "/go-on", Map.of("most", 1000)).expect(200);
    JsonNode done = until(run, "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(8);
    assertThat(done.path("run").path("spent").asDouble()).isEqualTo(8 * 1.5);
  }

  @Test
  void a_wrong_key_lets_the_run_wait_for_a_person() {
    List<Long> products = products(4);
    model.answers(prompt -> Said.error(401));
    long run = run(products, Map.of());
    JsonNode paused = until(run, "PAUSED");
    assertThat(paused.path("run").path("trouble").asString()).contains("doesn’t accept the key");
    assertThat(paused.path("run").path("failed").asInt()).isZero();
    writer.post("/api/runs/" + run + "/stop", Map.of()).expect(200);
    until(run, "STOPPED");
    model.answers(OddModel::good);
    writer.post("/api/runs/" + run + "/take-up", Map.of()).expect(200);
    JsonNode done = until(run, "DONE");
    assertThat(done.path("run").path("written").asInt()).isEqualTo(4);
    assertThat(done.path("run").path("left").asInt()).isZero();
    writer.post("/api/runs/" + run + "/take-up", Map.of()).expect(409);
  }

  @Test
  void answers_that_are_none_are_composed_or_fail_for_one_reason_and_are_tried_again() {
    List<Long> products = products(4);
    model.answers(prompt -> Said.text("I’m sorry, but I can’t help with that."));
    JsonNode failed = until(run(products, Map.of("amends", "HOLD")), "DONE");
    assertThat(failed.path("run").path("failed").asInt()).isEqualTo(4);
    assertThat(failed.path("reasons")).hasSize(1);
    String reason = failed.path("reasons").path(0).path("reason").asString();
    assertThat(reason).contains("gave none of the fields");
    long run = failed.path("run").path("id").asLong();
    writer.post("/api/runs/" + run + "/retry", Map.of("reason", "another")).expect(409);
    JsonNode composed = until(run(products, Map.of()), "DONE");
    assertThat(composed.path("run").path("written").asInt()).isEqualTo(4);
    assertThat(authors(products)).containsOnly("COMPOSER");
    writer.post("/api/runs/" + run + "/retry", Map.of("reason", reason)).expect(200);
  }

  @Test
  void a_paused_run_begins_nothing_and_goes_on_when_told() {
    List<Long> products = products(20);
    CountDownLatch wanted = new CountDownLatch(1);
    model.answers(
        prompt -> {
          await(wanted);
          return OddModel.good(prompt);
        });
    long run = run(products, Map.of());
    model.awaitAsked(4);
    writer.post("/api/runs/" + run + "/pause", Map.of()).expect(200);
    // On a slow day the first answers have been awaited too long by now, and asked for again.
    int asked = model.asked();
    writer.post("/api/runs/" + run + "/pause", Map.of()).expect(409);
    wanted.countDown();
    // What is under way is finished.
    writer.until("/api/runs/" + run, r -> r.path("run").path("written").asInt() == 4);
    assertThat(until(run, "PAUSED").path("run").path("trouble").asString())
        .contains("paused by writer@test.example");
    assertThat(model.asked()).isEqualTo(asked);
    writer.post("/api/runs/" + run + "/go-on", Map.of("most", 0)).expect(200);
    assertThat(until(run, "DONE").path("run").path("written").asInt()).isEqualTo(20);
    writer.post("/api/runs/" + run + "/go-on", Map.of("most", 0)).expect(409);
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Test
  void what_was_written_from_old_facts_is_written_anew() {
    List<Long> products = products(1);
    CountDownLatch changed = new CountDownLatch(1);
    model.answers(
        prompt -> {
          await(changed);
          return OddModel.good(prompt);
        });
    long run = run(products, Map.of());
    model.awaitAsked(1);
    String sheet = "MRU" + SHEETS.get();
    writer.takeIn(
        sheet + ".csv",
        "SKU,Name,Type,Brand,Material,Weight\n%s-1,Weir Pannier 1,Panniers,Tolvane,canvas,999 g\n"
            .formatted(sheet));
    changed.countDown();
    until(run, "DONE");
    assertThat(proof(products.getFirst()).toString()).contains("999 g");
    assertThat(model.asked()).isEqualTo(2);
  }

  @Test
  void only_what_rhetor_can_tell_too_little_of_is_asked_for() {
    String sheet = "MRU" + SHEETS.incrementAndGet();
    List<Long> products =
        writer.takeIn(
            sheet + ".csv",
            """
            SKU,Name,Type,Brand,Material,Weight,Capacity,Closure,Pockets,Colour,Dimensions
            %1$s-1,Weir Pannier 1,Panniers,Tolvane,canvas,701 g,,,,,
            %1$s-2,Weir Pannier 2,Panniers,Tolvane,canvas,702 g,20 l,roll-top,2,moss green,32 x 42 x 17 cm
            """
                .formatted(sheet));
    until(run(products, Map.of("engine", "BOTH")), "DONE");
    assertThat(authors(products)).containsExactlyInAnyOrder("MODEL", "COMPOSER");
    assertThat(model.asked()).isEqualTo(1);
  }

  @Test
  void readers_start_no_run_and_nobody_asks_a_model_that_there_is_not() {
    Visitor reader = house.as(Role.READER);
    List<Long> products = products(1);
    reader.post("/api/runs", wish(products, Map.of())).expect(403);
    writer.post("/api/runs", wish(products, Map.of("connection", 999_999))).expect(404);
    writer.post("/api/runs", wish(products, Map.of("most", -1))).expect(422);
    writer.post("/api/runs", wish(products, Map.of("amends", "PRAY"))).expect(400);
    for (String act : List.of("pause", "go-on", "take-up", "retry")) {
      reader.post("/api/runs/1/" + act, Map.of("most", 0, "reason", "")).expect(403);
      writer.post("/api/runs/999999/" + act, Map.of("most", 0, "reason", "")).expect(404);
    }
  }
}
