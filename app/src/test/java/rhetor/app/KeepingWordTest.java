package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.RunningRhetor.House;
import rhetor.app.Visitor.Answer;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What a person has put their word to stays what it is, whoever does what at the same moment. */
@ExtendWith(RunningRhetor.class)
class KeepingWordTest {
  private static final HttpClient HTTP = HttpClient.newHttpClient();
  private static int sheets;

  private final House house;
  private final ExecutorService together = Executors.newFixedThreadPool(4);

  KeepingWordTest(House house) {
    this.house = house;
  }

  @AfterEach
  void end() throws Exception {
    together.shutdownNow();
    weather("");
  }

  private void weather(String broken) throws Exception {
    shop(
        "PUT",
        "/api/weather",
        "{\"latencyMillis\":0,\"perSecond\":0,\"failEvery\":0,\"broken\":\"%s\"}"
            .formatted(broken));
  }

  private String shop(String method, String path, String body) throws Exception {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(house.shop() + path))
            .header("Authorization", "Bearer " + RunningRhetor.TOKEN)
            .header("Content-Type", "application/json")
            .method(method, HttpRequest.BodyPublishers.ofString(body))
            .build();
    return HTTP.send(request, HttpResponse.BodyHandlers.ofString()).body();
  }

  /** Does several things at the same moment. */
  @SafeVarargs
  private <T> List<T> together(Callable<T>... things) throws Exception {
    CyclicBarrier start = new CyclicBarrier(things.length);
    List<Future<T>> futures = new ArrayList<>();
    for (Callable<T> thing : things) {
      futures.add(
          together.submit(
              () -> {
                start.await();
                return thing.call();
              }));
    }
    List<T> done = new ArrayList<>();
    for (Future<T> future : futures) {
      done.add(future.get());
    }
    return done;
  }

  /** Products with texts, of a sheet of their own. */
  private List<Long> written(Visitor writer, String sku, int number) {
    StringBuilder csv = new StringBuilder("SKU,Name,Category,Weight,Material\n");
    for (int i = 0; i < number; i++) {
      csv.append("%s-%d,Lane %d,Backpacks,%d g,nylon%n".formatted(sku, i, 20 + i, 800 + i));
    }
    List<Long> ids = writer.takeIn("word-" + sheets++ + ".csv", csv.toString());
    assertThat(ids).hasSize(number);
    writer.write(ids, 0, "plain");
    return ids;
  }

  private static JsonNode proof(Visitor visitor, long product) {
    return visitor.get("/api/proofs/" + product).expect(200).body();
  }

  private static long revision(Visitor visitor, long product) {
    return proof(visitor, product).path("revision").asLong();
  }

  private static String stage(Visitor visitor, long product) {
    return proof(visitor, product).path("product").path("stage").asString();
  }

  private static Answer sign(Visitor editor, long product, long seen) {
    return editor.seen(seen, "POST", "/api/proofs/" + product + "/sign-off", Map.of());
  }

  private static Answer change(Visitor writer, long product, long seen, String title) {
    return writer.seen(
        seen, "PUT", "/api/proofs/" + product + "/fields/title", Map.of("text", title));
  }

  private JsonNode published(Visitor editor, List<Long> products) {
    long edition = editor.post("/api/editions", Map.of("products", products)).expect(200).id();
    return editor
        .until("/api/editions/" + edition, e -> e.path("status").asString().equals("DONE"))
        .body();
  }

  private int count(String sql, Object... params) {
    return house.bean(JdbcClient.class).sql(sql).params(params).query(Integer.class).single();
  }

  @Test
  void of_a_sign_off_and_a_change_at_once_nobody_signs_what_they_did_not_see() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = written(writer, "KW-S", 40);
    for (long product : products) {
      long seen = revision(editor, product);
      List<Answer> answers =
          together(
              () -> sign(editor, product, seen),
              () -> change(writer, product, seen, "Lane with words that nobody has seen"));
      assertThat(answers).allSatisfy(a -> assertThat(a.status()).isIn(200, 412));
      assertThat(answers).anySatisfy(a -> assertThat(a.status()).isEqualTo(200));
      boolean changed = answers.get(1).status() == 200;
      assertThat(stage(editor, product)).isEqualTo(changed ? "IN_PROOF" : "SIGNED_OFF");
      assertThat(revision(editor, product) == seen).isEqualTo(!changed);
    }
  }

  @Test
  void of_two_changes_with_one_etag_one_is_told_of_the_other() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    Visitor writer = house.as(Role.WRITER);
    for (long product : written(writer, "KW-E", 20)) {
      long seen = revision(editor, product);
      List<Answer> answers =
          together(
              () -> change(editor, product, seen, "Lane of the editor"),
              () -> change(writer, product, seen, "Lane of the writer"));
      assertThat(answers).extracting(Answer::status).containsExactlyInAnyOrder(200, 412);
      assertThat(count("select count(*) from text where parent_id = ?", seen)).isEqualTo(1);
    }
  }

  @Test
  void a_run_leaves_alone_what_is_signed_off_while_it_waits_for_its_turn() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-R", 40);
    Map<Long, Long> seen = new HashMap<>();
    products.forEach(p -> seen.put(p, revision(editor, p)));
    long run = editor.post("/api/runs", Visitor.wish(products, 0)).expect(200).id();
    Map<Long, Integer> signed = new HashMap<>();
    for (long product : products.reversed()) {
      signed.put(product, sign(editor, product, seen.get(product)).status());
    }
    editor.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    assertThat(signed.values()).contains(200);
    for (long product : products) {
      if (signed.get(product) == 200) {
        assertThat(stage(editor, product)).isEqualTo("SIGNED_OFF");
        assertThat(revision(editor, product)).isEqualTo(seen.get(product));
      }
    }
  }

  @Test
  void the_same_order_twice_at_once_is_one_run_and_one_edition() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-O", 30);
    Map<String, Object> wish = Visitor.wish(products, 0);
    List<Answer> runs =
        together(
            () -> editor.once("run-key-1", "/api/runs", wish),
            () -> editor.once("run-key-1", "/api/runs", wish));
    assertThat(runs).extracting(Answer::status).containsExactly(200, 200);
    assertThat(runs.get(0).id()).isEqualTo(runs.get(1).id());
    editor.until(
        "/api/runs/" + runs.get(0).id(),
        r -> r.path("run").path("status").asString().equals("DONE"));
    products.forEach(p -> sign(editor, p, revision(editor, p)).expect(200));
    Map<String, Object> order = Map.of("products", products);
    List<Answer> editions =
        together(
            () -> editor.once("edition-key", "/api/editions", order),
            () -> editor.once("edition-key", "/api/editions", order));
    assertThat(editions.get(0).id()).isEqualTo(editions.get(1).id());
    assertThat(
            count(
                "select count(*) from edition_item where product_id in (select id from product where sku like 'KW-O-%')"))
        .isEqualTo(30);
  }

  @Test
  void two_orders_for_the_same_products_at_once_write_and_publish_each_once() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-T", 30);
    Map<String, Object> wish = Visitor.wish(products, 0);
    List<Answer> runs =
        together(() -> editor.post("/api/runs", wish), () -> editor.post("/api/runs", wish));
    assertThat(runs).extracting(Answer::status).containsExactlyInAnyOrder(200, 409);
    Answer run = runs.get(0).status() == 200 ? runs.get(0) : runs.get(1);
    editor.until(
        "/api/runs/" + run.id(), r -> r.path("run").path("status").asString().equals("DONE"));
    products.forEach(p -> sign(editor, p, revision(editor, p)).expect(200));
    Map<String, Object> order = Map.of("products", products);
    List<Answer> editions =
        together(
            () -> editor.post("/api/editions", order), () -> editor.post("/api/editions", order));
    assertThat(editions).extracting(Answer::status).containsExactlyInAnyOrder(200, 409);
    editor.until(
        "/api/waiting",
        w ->
            count(
                    "select count(*) from edition_item i join product p on p.id = i.product_id where p.sku like 'KW-T-%' and i.status = 'WAITING'")
                == 0);
    assertThat(shop("GET", "/api/products/KW-T-7", "")).contains("\"version\":1");
  }

  @Test
  void a_key_is_for_one_order() {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-K", 2);
    Answer first = editor.once("one-order", "/api/runs", Visitor.wish(products, 0)).expect(200);
    assertThat(editor.once("one-order", "/api/runs", Visitor.wish(products, 0)).expect(200).id())
        .isEqualTo(first.id());
    assertThat(editor.once("one-order", "/api/editions", Map.of("products", List.of())).detail())
        .contains("another request");
    editor.once("short", "/api/runs", Visitor.wish(products, 0)).expect(400);
    assertThat(house.as(Role.WRITER).once("one-order", "/api/runs", Map.of("state", "ALL")).id())
        .isNotEqualTo(first.id());
  }

  @Test
  void a_refusal_is_remembered_like_any_answer() {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-N", 1);
    Map<String, Object> order = Map.of("products", products);
    String why = editor.once("refused-one", "/api/editions", order).expect(409).detail();
    assertThat(why).contains("not signed off");
    sign(editor, products.getFirst(), revision(editor, products.getFirst())).expect(200);
    assertThat(editor.once("refused-one", "/api/editions", order).expect(409).detail())
        .isEqualTo(why);
    editor.once("refused-two", "/api/editions", order).expect(200);
  }

  private static String theirs(String title) {
    return "{\"title\":\"%s\",\"shortDescription\":\"Their own line.\",\"description\":\"<p>Their own page.</p>\",\"metaTitle\":\"\",\"metaDescription\":\"\",\"tags\":[],\"imageAlt\":\"\"}"
        .formatted(title);
  }

  private JsonNode changedThere(Visitor editor, String sku) throws Exception {
    List<Long> products = written(editor, sku, 1);
    long product = products.getFirst();
    sign(editor, product, revision(editor, product)).expect(200);
    assertThat(published(editor, products).path("published").asInt()).isEqualTo(1);
    shop("PUT", "/api/products/" + sku + "-0", theirs("Changed in the shop"));
    JsonNode item = published(editor, products).path("items").get(0);
    assertThat(item.path("status").asString()).isEqualTo("FAILED");
    assertThat(item.path("changedThere").asBoolean()).isTrue();
    assertThat(item.path("reason").asString())
        .contains("title, short description, description")
        .contains("take theirs, replace it, or merge");
    JsonNode there = editor.get("/api/products/" + product + "/shop").expect(200).body();
    assertThat(there.path("changedThere").asBoolean()).isTrue();
    assertThat(there.path("fields").get(0).path("theirs").asString())
        .isEqualTo("Changed in the shop");
    return there;
  }

  private long productOf(Visitor editor, String sku) {
    return editor
        .get("/api/products?search=" + sku)
        .body()
        .path("items")
        .get(0)
        .path("id")
        .asLong();
  }

  private void settle(Visitor editor, long product, JsonNode there, List<String> fields) {
    editor
        .seen(
            revision(editor, product),
            "POST",
            "/api/products/" + product + "/shop",
            Map.of("version", there.path("version").asString(), "fields", fields))
        .expect(200);
  }

  @Test
  void what_was_changed_in_the_shop_can_be_replaced() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    JsonNode there = changedThere(editor, "KW-REP");
    long product = productOf(editor, "KW-REP-0");
    String title = there.path("fields").get(0).path("ours").asString();
    settle(editor, product, there, List.of());
    assertThat(published(editor, List.of(product)).path("published").asInt()).isEqualTo(1);
    assertThat(shop("GET", "/api/products/KW-REP-0", "")).contains(title);
  }

  @Test
  void what_was_changed_in_the_shop_can_be_taken_over_field_by_field() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    JsonNode there = changedThere(editor, "KW-MRG");
    long product = productOf(editor, "KW-MRG-0");
    settle(editor, product, there, List.of("short_description"));
    JsonNode proof = proof(editor, product);
    assertThat(proof.path("product").path("stage").asString()).isEqualTo("IN_PROOF");
    assertThat(proof.toString()).contains("Their own line.").doesNotContain("Their own page.");
    assertThat(proof.path("history").get(0).path("note").asString())
        .isEqualTo("Taken over from the shop");
  }

  @Test
  void a_settling_of_what_has_changed_once_more_is_refused() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    JsonNode there = changedThere(editor, "KW-ONC");
    long product = productOf(editor, "KW-ONC-0");
    shop("PUT", "/api/products/KW-ONC-0", theirs("Changed once more"));
    assertThat(
            editor
                .seen(
                    revision(editor, product),
                    "POST",
                    "/api/products/" + product + "/shop",
                    Map.of("version", there.path("version").asString(), "fields", List.of()))
                .expect(412)
                .detail())
        .contains("changed in the shop once more");
  }

  /** As after a crash between the shop's answer and the house's note of it. */
  @Test
  void what_an_edition_brought_before_it_was_broken_off_counts_as_published() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-CR", 2);
    products.forEach(p -> sign(editor, p, revision(editor, p)).expect(200));
    published(editor, products);
    JdbcClient jdbc = house.bean(JdbcClient.class);
    change(editor, products.get(0), revision(editor, products.get(0)), "Lane brought late");
    sign(editor, products.get(0), revision(editor, products.get(0))).expect(200);
    String before =
        jdbc.sql("select shop_version from product where id = ?")
            .param(products.get(0))
            .query(String.class)
            .single();
    published(editor, List.of(products.get(0)));
    jdbc.sql("update product set shop_version = ?, stage = 'SIGNED_OFF' where id = ?")
        .params(before, products.get(0))
        .update();
    JsonNode again = published(editor, List.of(products.get(0)));
    assertThat(again.path("published").asInt()).isEqualTo(1);
    assertThat(shop("GET", "/api/products/KW-CR-0", "")).contains("\"version\":2");
    // And a later text goes out although the version in between was never noted.
    jdbc.sql("update product set shop_version = ? where id = ?")
        .params(before, products.get(0))
        .update();
    change(editor, products.get(0), revision(editor, products.get(0)), "Lane later still");
    sign(editor, products.get(0), revision(editor, products.get(0))).expect(200);
    assertThat(published(editor, List.of(products.get(0))).path("published").asInt()).isEqualTo(1);
    assertThat(shop("GET", "/api/products/KW-CR-0", "")).contains("Lane later still");
  }

  @Test
  void one_page_that_the_shop_cannot_serve_stops_no_other() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-502", 4);
    products.forEach(p -> sign(editor, p, revision(editor, p)).expect(200));
    weather("KW-502-1");
    JsonNode edition = published(editor, products);
    assertThat(edition.path("published").asInt()).isEqualTo(3);
    assertThat(edition.path("failed").asInt()).isEqualTo(1);
    assertThat(edition.toString()).contains("answered with an error (502)");
  }

  @Test
  void of_two_owners_who_demote_each_other_one_stays() throws Exception {
    Visitor owner = house.as(Role.OWNER);
    long first = owner.get("/api/people").body().get(0).path("id").asLong();
    for (int i = 0; i < 5; i++) {
      String email = "second" + i + "@test.example";
      long second =
          owner
              .post(
                  "/api/people",
                  Map.of(
                      "email",
                      email,
                      "name",
                      "Second",
                      "role",
                      "OWNER",
                      "password",
                      RunningRhetor.PASSWORD))
              .expect(200)
              .id();
      Visitor other = house.visitor().signIn(email, RunningRhetor.PASSWORD);
      List<Answer> answers =
          together(
              () -> owner.put("/api/people/" + second + "/role", Map.of("role", "READER")),
              () -> other.put("/api/people/" + first + "/role", Map.of("role", "READER")));
      assertThat(answers).anySatisfy(a -> assertThat(a.status()).isNotEqualTo(200));
      assertThat(count("select count(*) from person where role = 'OWNER'")).isPositive();
      // Whoever stayed owner puts things back.
      Visitor left = answers.get(0).status() == 200 ? owner : other;
      left.put("/api/people/" + first + "/role", Map.of("role", "OWNER"));
      left.put("/api/people/" + second + "/role", Map.of("role", "READER"));
      owner.put("/api/people/" + second + "/role", Map.of("role", "READER"));
      assertThat(count("select count(*) from person where role = 'OWNER'")).isEqualTo(1);
    }
  }

  @Test
  void an_intake_that_fails_leaves_those_alone_that_are_being_taken() {
    Visitor writer = house.as(Role.WRITER);
    long busy = writer.upload("busy.csv", "SKU,Name\nKW-B1,Lamp\n").expect(200).id();
    JdbcClient jdbc = house.bean(JdbcClient.class);
    jdbc.sql("update intake set status = 'TAKING' where id = ?").param(busy).update();
    long failing = writer.upload("failing.csv", "SKU,Name\nKW-B2,Lamp\n").expect(200).id();
    String stored =
        jdbc.sql("select stored_as from intake where id = ?")
            .param(failing)
            .query(String.class)
            .single();
    house.data().resolve("sheets").resolve(stored).toFile().delete();
    writer.post("/api/intakes/" + failing + "/take", Map.of()).expect(500);
    assertThat(count("select count(*) from intake where id = ? and status = 'TAKING'", busy))
        .isEqualTo(1);
    assertThat(count("select count(*) from intake where id = ? and status = 'PROPOSED'", failing))
        .isEqualTo(1);
    jdbc.sql("delete from intake where id in (?, ?)").params(busy, failing).update();
  }

  @Test
  void a_keyword_however_long_stops_no_intake() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products =
        writer.takeIn(
            "keyword.csv",
            "SKU,Name,Keyword\nKW-L1,Lamp,\"" + "very ".repeat(200) + "long lamp\"\n");
    assertThat(products).hasSize(1);
    // Taken again, changed and written.
    writer.takeIn(
        "keyword.csv", "SKU,Name,Keyword\nKW-L1,Lamps,\"" + "so ".repeat(300) + "long lamp\"\n");
    writer.write(products, 0, "plain");
    writer.get("/api/proofs/" + products.getFirst()).expect(200);
  }

  @Test
  void the_houses_own_words_pulled_from_the_shop_are_no_evidence() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = written(editor, "KW-P", 2);
    products.forEach(p -> sign(editor, p, revision(editor, p)).expect(200));
    published(editor, products);
    String partly = shop("GET", "/api/products/KW-P-1", "");
    shop(
        "PUT",
        "/api/products/KW-P-1",
        partly.replace(
            "\"description\":\"", "\"description\":\"<p>Weight: 5 kg. Sold by us alone.</p>"));
    List<Integer> before = disputes(products);
    editor.post("/api/pulls", Map.of()).expect(200);
    editor.until("/api/pulls/latest", p -> p.path("status").asString().equals("DONE"));
    assertThat(
            count(
                "select count(*) from product_source s join intake i on i.id = s.intake_id where i.kind = 'SHOP' and s.product_id = ?",
                products.get(0)))
        .isZero();
    assertThat(stale(products.get(0))).isFalse();
    assertThat(proof(editor, products.get(0)).toString()).doesNotContain("other shops print");
    // What a stranger added there is a source as any other.
    assertThat(disputes(products)).isNotEqualTo(before);
    assertThat(proof(editor, products.get(1)).path("supplierText").asString())
        .contains("Sold by us alone.")
        .doesNotContain("Lane");
  }

  private boolean stale(long product) {
    return count("select count(*) from product where id = ? and stale", product) == 1;
  }

  private List<Integer> disputes(List<Long> products) {
    return products.stream()
        .map(p -> count("select disputed from product where id = ?", p))
        .toList();
  }

  /** The sheet that a product came with, with the texts that were written. */
  private String exported(Visitor visitor, long product) {
    long intake =
        house
            .bean(JdbcClient.class)
            .sql("select max(intake_id) from product_source where product_id = ?")
            .param(product)
            .query(Long.class)
            .single();
    return visitor.get("/api/intakes/" + intake + "/sheet").expect(200).text();
  }

  @Test
  void the_houses_own_exported_sheet_brings_no_facts_of_its_texts() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = written(writer, "KW-X", 3);
    String sheet = exported(writer, products.getFirst());
    assertThat(sheet).contains("new_title", "readiness");
    List<Long> again = writer.takeIn("again.csv", sheet);
    assertThat(again).hasSize(3);
    JsonNode facts = writer.get("/api/products/" + products.getFirst()).expect(200).body();
    assertThat(IntStream.range(0, facts.path("facts").size()))
        .noneMatch(
            i ->
                facts.path("facts").get(i).toString().matches("(?i).*(new_|readiness|must_fix).*"));
  }

  @Test
  void what_was_edited_in_the_houses_own_sheet_becomes_proofs() {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = written(writer, "KW-E", 3);
    String sheet = exported(writer, products.getFirst());
    String title = title(writer, products.getFirst());
    // An encoding that lacks dashes and quotation marks makes no edits.
    String latin = rhetor.core.exchange.Encodable.text(sheet, StandardCharsets.ISO_8859_1);
    assertThat(latin).isNotEqualTo(sheet);
    long old =
        writer
            .upload("", "latin.csv", latin.getBytes(StandardCharsets.ISO_8859_1))
            .expect(200)
            .body()
            .path("id")
            .asLong();
    assertThat(writer.get("/api/intakes/" + old + "/texts").body().path("texts").asInt()).isZero();
    // The second text is changed in the house after the sheet was written; its cell wasn't edited.
    JsonNode proof = writer.get("/api/proofs/" + products.get(1)).expect(200).body();
    writer
        .seen(
            proof.path("revision").asLong(),
            "PUT",
            "/api/proofs/" + products.get(1) + "/fields/title",
            Map.of("text", "Changed in the house"))
        .expect(200);
    String edited = sheet.replaceFirst(Pattern.quote(title), "Edited in a sheet");
    assertThat(edited).isNotEqualTo(sheet);

    Answer dropped =
        writer.upload("", "edited.csv", edited.getBytes(StandardCharsets.UTF_8)).expect(200);
    long id = dropped.body().path("id").asLong();
    assertThat(dropped.body().path("hasTexts").asBoolean()).isTrue();
    JsonNode found = writer.get("/api/intakes/" + id + "/texts").expect(200).body();
    assertThat(found.path("texts").asInt()).isEqualTo(1);
    assertThat(found.path("products").asInt()).isEqualTo(1);
    assertThat(found.path("older").asInt()).isEqualTo(1);
    assertThat(found.path("examples").get(0).path("house").asString()).isEqualTo(title);
    assertThat(found.path("examples").get(0).path("sheet").asString())
        .isEqualTo("Edited in a sheet");
    assertThat(title(writer, products.getFirst())).isEqualTo(title);

    JsonNode taken = writer.post("/api/intakes/" + id + "/texts", Map.of()).expect(200).body();
    assertThat(taken.path("texts").asInt()).isEqualTo(1);
    assertThat(title(writer, products.getFirst())).isEqualTo("Edited in a sheet");
    assertThat(title(writer, products.get(1))).isEqualTo("Changed in the house");
    JsonNode history = writer.get("/api/proofs/" + products.getFirst()).expect(200).body();
    assertThat(history.path("history").get(0).path("note").asString())
        .isEqualTo("Edited in the sheet edited.csv");
    // Taken over once, nothing is left to take over.
    assertThat(writer.get("/api/intakes/" + id + "/texts").body().path("texts").asInt()).isZero();
    // A sheet that Rhetor wrote nothing into has no such texts.
    long plain =
        writer
            .upload("", "plain.csv", "sku,name\nKW-E1,Lamp\n".getBytes(StandardCharsets.UTF_8))
            .expect(200)
            .body()
            .path("id")
            .asLong();
    writer.get("/api/intakes/" + plain + "/texts").expect(422);
  }

  private static String title(Visitor visitor, long product) {
    JsonNode fields = visitor.get("/api/proofs/" + product).expect(200).body().path("fields");
    for (JsonNode field : fields) {
      if (field.path("code").asString().equals("title")) {
        return field.path("html").asString();
      }
    }
    throw new AssertionError("no title in " + fields);
  }
}
