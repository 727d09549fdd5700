package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.house.Sha256;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Runs begin by themselves, once for each time that they are due. */
@ExtendWith(RunningRhetor.class)
class SchedulesTest {
  private final RunningRhetor.House house;
  private final Visitor writer;

  SchedulesTest(RunningRhetor.House house) {
    this.house = house;
    this.writer = house.as(Role.WRITER);
  }

  @AfterEach
  void nothing_begins() {
    writer
        .get("/api/schedules")
        .body()
        .forEach(s -> writer.delete("/api/schedules/" + s.path("id").asLong()).expect(200));
  }

  private static Map<String, Object> order(List<Long> products, Map<String, Object> changes) {
    Map<String, Object> order = new HashMap<>();
    order.put("order", Visitor.wish(products, 0));
    order.put("rhythm", "DAILY");
    order.put("weekday", "MONDAY");
    order.put("time", "02:00");
    order.put("zone", "Europe/London");
    order.putAll(changes);
    return order;
  }

  /** As if its time had come. */
  private void due() {
    house
        .bean(JdbcClient.class)
        .sql("update schedule set next_at = dateadd(hour, -30, current_timestamp)")
        .update();
  }

  private JsonNode only() {
    return writer.get("/api/schedules").expect(200).body().path(0);
  }

  @Test
  void a_run_begins_when_it_is_due_and_the_next_time_is_set() {
    List<Long> products =
        writer.takeIn(
            "SCH.csv",
            "SKU,Name,Type,Brand,Material,Weight\nSCH-1,Ford Pannier 1,Panniers,Tolvane,canvas,810 g\n");
    writer.post("/api/schedules", order(products, Map.of())).expect(200);
    String first = only().path("nextAt").asString();
    due();
    JsonNode began =
        writer.until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > 0).body().path(0);
    assertThat(began.path("nextAt").asString()).isEqualTo(first);
    long run = began.path("lastRun").asLong();
    JsonNode done =
        writer
            .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
            .body();
    assertThat(done.path("run").path("unattended").asBoolean()).isTrue();
    assertThat(done.path("run").path("written").asInt()).isEqualTo(1);
  }

  @Test
  void what_has_nothing_to_write_says_so_and_one_for_once_begins_never_again() {
    Map<String, Object> nothing = new HashMap<>(Visitor.wish(List.of(), 0));
    nothing.put("search", "no product is called so");
    writer
        .post("/api/schedules", order(List.of(), Map.of("order", nothing, "rhythm", "ONCE")))
        .expect(200);
    due();
    JsonNode began =
        writer
            .until("/api/schedules", s -> !s.path(0).path("lastSaid").asString().isEmpty())
            .body()
            .path(0);
    assertThat(began.path("lastSaid").asString()).contains("nothing to write");
    assertThat(began.path("nextAt").asString()).startsWith("1970");
  }

  @Test
  void the_shops_products_are_pulled_in_before_where_that_is_wanted() {
    List<Long> products =
        writer.takeIn(
            "SCP.csv",
            "SKU,Name,Type,Brand,Material,Weight\nSCP-1,Weald Pannier 1,Panniers,Tolvane,canvas,815 g\n");
    int pulled = writer.get("/api/pulls/latest").body().path("pulled").asInt();
    writer.post("/api/schedules", order(products, Map.of("pullsFirst", true))).expect(200);
    assertThat(only().path("pullsFirst").asBoolean()).isTrue();
    due();
    writer.until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > 0);
    JsonNode pull = writer.get("/api/pulls/latest").body();
    assertThat(pull.path("status").asString()).isEqualTo("DONE");
    assertThat(pull.path("pulled").asInt()).isGreaterThanOrEqualTo(Math.max(1, pulled));
  }

  @Test
  void the_next_idea_of_the_list_is_written_each_time_and_none_twice() {
    writer.takeIn(
        "IDE.csv",
        "SKU,Name,Type,Brand,Material,Weight\nIDE-1,Combe 1,Panniers,Ideafold,canvas,801 g\n");
    assertThat(writer.post("/api/ideas", Map.of("lines", "show the panniers")).expect(422).detail())
        .contains("it writes nothing");
    assertThat(
            writer
                .post("/api/ideas", Map.of("lines", "rewrite Ideafold\nwrite the zorbles"))
                .expect(422)
                .detail())
        .contains("zorbles");
    assertThat(writer.get("/api/ideas").body()).isEmpty();
    house.as(Role.READER).post("/api/ideas", Map.of("lines", "rewrite Ideafold")).expect(403);
    writer
        .post(
            "/api/ideas",
            Map.of(
                "lines",
                "rewrite Ideafold\n\nshorten the meta descriptions of Ideafold to 120 characters\n"))
        .expect(200);
    writer.post("/api/schedules", order(List.of(), Map.of("takesIdeas", true))).expect(200);
    long first = begun(0);
    long second = begun(first);
    JsonNode ideas = writer.get("/api/ideas").expect(200).body();
    assertThat(ideas.findValuesAsString("words"))
        .containsExactly(
            "shorten the meta descriptions of Ideafold to 120 characters", "rewrite Ideafold");
    assertThat(ideas.path(0).path("run").asLong()).isEqualTo(second);
    assertThat(ideas.path(1).path("run").asLong()).isEqualTo(first);
    due();
    JsonNode said =
        writer
            .until("/api/schedules", s -> !s.path(0).path("lastSaid").asString().isEmpty())
            .body()
            .path(0);
    assertThat(said.path("lastSaid").asString()).isEqualTo("No idea is left on the list.");
    writer.delete("/api/ideas/" + ideas.path(0).path("id").asLong()).expect(404);
  }

  /** The run that begins when the only schedule is due, once it is over. */
  private long begun(long before) {
    due();
    long run =
        writer
            .until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > before)
            .body()
            .path(0)
            .path("lastRun")
            .asLong();
    JsonNode done =
        writer
            .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
            .body();
    assertThat(done.path("run").path("written").asInt()).isEqualTo(1);
    return run;
  }

  @Test
  void a_shop_that_does_not_answer_is_told_of_and_nothing_begins() {
    Visitor owner = house.as(Role.OWNER);
    owner
        .put("/api/house/shop", Map.of("address", "http://127.0.0.1:1", "token", "none"))
        .expect(200);
    try {
      writer
          .post("/api/schedules", order(List.of(), Map.of("pullsFirst", true, "rhythm", "ONCE")))
          .expect(200);
      due();
      JsonNode said =
          writer
              .until("/api/schedules", s -> !s.path(0).path("lastSaid").asString().isEmpty())
              .body()
              .path(0);
      assertThat(said.path("lastSaid").asString())
          .contains("couldn't be pulled in")
          .contains("can't be reached");
      assertThat(said.path("lastRun").asLong()).isZero();
    } finally {
      owner
          .put("/api/house/shop", Map.of("address", house.shop(), "token", RunningRhetor.TOKEN))
          .expect(200);
    }
  }

  @Test
  void a_signed_call_of_the_shop_begins_what_waits_for_it_and_once_only() {
    Visitor owner = house.as(Role.OWNER);
    Map<String, Object> shop =
        Map.of("address", house.shop(), "token", RunningRhetor.TOKEN, "signs", "fen and ford");
    assertThat(owner.put("/api/house/shop", shop).expect(200).body().path("signs").asBoolean())
        .isTrue();
    List<Long> products =
        writer.takeIn(
            "SCN.csv",
            "SKU,Name,Type,Brand,Material,Weight\nSCN-1,Down Pannier 1,Panniers,Tolvane,canvas,805 g\n");
    writer.post("/api/schedules", order(products, Map.of("rhythm", "SHOP_NEWS"))).expect(200);
    assertThat(only().path("nextAt").asString()).startsWith("1970");
    assertThat(only().path("pullsFirst").asBoolean()).isTrue();
    String body = "{\"changed\":[\"TV-1001\"]}";
    assertThat(called("n-1", body, "another secret").expect(401).detail())
        .contains("Shop-Signature is not that of this call");
    Visitor.Answer first = called("n-1", body, "fen and ford").expect(202);
    assertThat(first.body().path("begins").asInt()).isEqualTo(1);
    assertThat(called("n-1", body, "fen and ford").expect(202).body().path("begins").asInt())
        .isZero();
    assertThat(called("n".repeat(201), body, "fen and ford").expect(422).detail())
        .contains("Shop-Delivery");
    JsonNode began =
        writer.until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > 0).body().path(0);
    assertThat(began.path("nextAt").asString()).startsWith("1970");
    assertThat(writer.get("/api/pulls/latest").body().path("status").asString()).isEqualTo("DONE");
    assertThat(called("n-2", body, "fen and ford").expect(202).body().path("begins").asInt())
        .isEqualTo(1);
  }

  /** The shop that ships with Rhetor calls whenever a page of it has changed. */
  @Test
  void what_changes_in_the_shop_is_pulled_in_and_written_without_anybody() {
    Map<String, Object> shop =
        Map.of("address", house.shop(), "token", RunningRhetor.TOKEN, "signs", "marsh and moor");
    house.as(Role.OWNER).put("/api/house/shop", shop).expect(200);
    Map<String, Object> unwritten = new HashMap<>(Visitor.wish(List.of(), 0));
    unwritten.put("search", "SCW-1");
    writer
        .post("/api/schedules", order(List.of(), Map.of("order", unwritten, "rhythm", "SHOP_NEWS")))
        .expect(200);
    Visitor inTheShop =
        new Visitor(house.shop()).withHeader("Authorization", "Bearer " + RunningRhetor.TOKEN);
    inTheShop
        .put(
            "/api/calls",
            Map.of("address", house.url() + "/api/shop/changed", "secret", "marsh and moor"))
        .expect(204);
    try {
      inTheShop
          .put(
              "/api/products/SCW-1",
              Map.of(
                  "title", "Wold Pannier 1",
                  "shortDescription", "",
                  "description", "<p>A pannier of canvas.</p>",
                  "metaTitle", "",
                  "metaDescription", "",
                  "tags", List.of(),
                  "imageAlt", ""))
          .expect(201);
      long run =
          writer
              .until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > 0)
              .body()
              .path(0)
              .path("lastRun")
              .asLong();
      JsonNode done =
          writer
              .until(
                  "/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
              .body();
      assertThat(done.path("run").path("written").asInt()).isEqualTo(1);
    } finally {
      inTheShop.put("/api/calls", Map.of("address", "", "secret", "")).expect(204);
    }
  }

  @Test
  void what_the_shop_calls_about_during_a_pull_is_brought_in_by_the_next_one() throws Exception {
    Map<String, Object> shop =
        Map.of("address", house.shop(), "token", RunningRhetor.TOKEN, "signs", "dale and down");
    house.as(Role.OWNER).put("/api/house/shop", shop).expect(200);
    List<Long> products =
        writer.takeIn(
            "SCD.csv",
            "SKU,Name,Type,Brand,Material,Weight\nSCD-1,Dale Pannier 1,Panniers,Tolvane,canvas,799 g\n");
    writer.post("/api/pulls", Map.of());
    writer.until("/api/pulls/latest", p -> !p.path("status").asString().equals("RUNNING"));
    JdbcClient jdbc = house.bean(JdbcClient.class);
    long before = lastPull(jdbc);
    jdbc.sql("update pull set status = 'RUNNING' where id = ?").param(before).update();
    writer.post("/api/schedules", order(products, Map.of("rhythm", "SHOP_NEWS"))).expect(200);
    called("d-1", "{}", "dale and down").expect(202);
    Thread.sleep(1_500);
    assertThat(only().path("nextAt").asString()).doesNotStartWith("1970");
    jdbc.sql("update pull set status = 'DONE' where id = ?").param(before).update();
    writer.until("/api/schedules", s -> s.path(0).path("lastRun").asLong() > 0);
    assertThat(lastPull(jdbc)).isGreaterThan(before);
  }

  private static long lastPull(JdbcClient jdbc) {
    return jdbc.sql("select max(id) from pull").query(Long.class).single();
  }

  private Visitor.Answer called(String number, String body, String secret) {
    String signature =
        "sha256="
            + Sha256.signature(secret, (number + "." + body).getBytes(StandardCharsets.UTF_8));
    return house
        .visitor()
        .withoutToken()
        .withHeader("Shop-Delivery", number)
        .withHeader("Shop-Signature", signature)
        .postBytes("/api/shop/changed", body.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void what_makes_no_sense_is_refused() {
    for (Map<String, Object> wrong :
        List.<Map<String, Object>>of(
            Map.of("time", "25:00"), Map.of("time", "2"), Map.of("zone", "Europe/Harrowmere"))) {
      writer.post("/api/schedules", order(List.of(), wrong)).expect(422);
    }
    writer.post("/api/schedules", order(List.of(), Map.of("rhythm", "SOMETIMES"))).expect(400);
    Map<String, Object> unknown = new HashMap<>(Visitor.wish(List.of(), 0));
    unknown.put("template", 999_999);
    writer.post("/api/schedules", order(List.of(), Map.of("order", unknown))).expect(404);
    house.as(Role.READER).post("/api/schedules", order(List.of(), Map.of())).expect(403);
    writer.delete("/api/schedules/999999").expect(404);
    assertThat(writer.get("/api/schedules").body()).isEmpty();
  }
}
