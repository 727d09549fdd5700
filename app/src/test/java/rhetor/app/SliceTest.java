package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.RunningRhetor.House;
import rhetor.app.Visitor.Answer;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** The slice over HTTP: sheet, run, proof, sign-off, edition, export. */
@ExtendWith(RunningRhetor.class)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SliceTest {
  private static final HttpClient HTTP = HttpClient.newHttpClient();
  private final House house;

  SliceTest(House house) {
    this.house = house;
  }

  @AfterEach
  void fairWeather() throws Exception {
    weather(0, 0, 0);
  }

  private void weather(int latency, int perSecond, int failEvery) throws Exception {
    String body =
        "{\"latencyMillis\":%d,\"perSecond\":%d,\"failEvery\":%d}"
            .formatted(latency, perSecond, failEvery);
    shop("PUT", "/api/weather", body, Map.of());
  }

  private java.net.http.HttpResponse<String> shop(
      String method, String path, String body, Map<String, String> headers) throws Exception {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(path.startsWith("http") ? path : house.shop() + path))
            .header("Authorization", "Bearer " + RunningRhetor.TOKEN)
            .header("Content-Type", "application/json");
    headers.forEach(request::header);
    return HTTP.send(
        request.method(method, HttpRequest.BodyPublishers.ofString(body)).build(),
        BodyHandlers.ofString());
  }

  /** Takes a sheet in and writes for it; the products' ids in the sheet's order. */
  private List<Long> written(Visitor writer, String file, String text) {
    long intake = writer.upload(file, text).expect(200).id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    writer.write(List.of(), intake, "plain");
    return writer
        .get("/api/products?intake=" + intake)
        .body()
        .path("items")
        .findValuesAsString("id")
        .stream()
        .map(Long::valueOf)
        .toList();
  }

  private static JsonNode field(JsonNode proof, String code) {
    for (JsonNode field : proof.path("fields")) {
      if (field.path("code").asString().equals(code)) {
        return field;
      }
    }
    throw new AssertionError("no field " + code);
  }

  @Test
  void from_a_suppliers_sheet_to_a_live_page_and_back_into_the_sheet() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    String demo = Files.readString(Path.of("../demo/sheets/kestering-locks.csv"));
    byte[] sheet = demo.replace("KL-", "KS-").getBytes(StandardCharsets.UTF_8);
    long intake = editor.upload("Kestering Locks", "kestering-locks.csv", sheet).expect(200).id();
    assertThat(
            editor
                .post("/api/intakes/" + intake + "/take", Map.of())
                .expect(200)
                .body()
                .path("result")
                .path("added")
                .asInt())
        .isEqualTo(40);
    Answer forecast =
        editor.post("/api/runs/forecast", Visitor.wish(List.of(), intake)).expect(200);
    assertThat(forecast.body().path("toWrite").asInt()).isEqualTo(40);
    long run = editor.post("/api/runs", Visitor.wish(List.of(), intake)).expect(200).id();
    JsonNode done =
        editor
            .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
            .body();
    assertThat(done.path("run").path("written").asInt()).isEqualTo(40);

    long product =
        editor.get("/api/products?search=KS-2001").body().path("items").get(0).path("id").asLong();
    JsonNode proof = editor.get("/api/proofs/" + product).expect(200).body();
    JsonNode description = field(proof, "description");
    assertThat(description.path("html").asString())
        .contains("<p>", "<h3>Specification</h3>", "14 mm");
    JsonNode note = description.path("footnotes").get(0).path("sources").get(0);
    assertThat(note.path("sheet").asString()).isEqualTo("kestering-locks.csv");
    assertThat(note.path("row").asInt()).isEqualTo(2);
    long revision = proof.path("revision").asLong();
    editor.seen(revision, "POST", "/api/proofs/" + product + "/sign-off", Map.of()).expect(200);

    long edition =
        editor.post("/api/editions", Map.of("products", List.of(product))).expect(200).id();
    JsonNode out =
        editor
            .until("/api/editions/" + edition, e -> e.path("status").asString().equals("DONE"))
            .body();
    String page = out.path("items").get(0).path("page").asString();
    assertThat(page).startsWith(house.shop());
    assertThat(shop("GET", page, "", Map.of()).body()).contains("Bastion U-Lock 14", "14 mm");
    assertThat(
            editor
                .get("/api/products?search=KS-2001")
                .body()
                .path("items")
                .get(0)
                .path("stage")
                .asString())
        .isEqualTo("PUBLISHED");

    Answer all = editor.get("/api/intakes/" + intake + "/sheet").expect(200);
    String text = new String(all.bytes(), StandardCharsets.UTF_8);
    String[] before = new String(sheet, StandardCharsets.UTF_8).split("\n");
    String[] after = text.split("\n");
    for (int i = 0; i < before.length; i++) {
      assertThat(after[i]).startsWith(before[i]);
    }
    assertThat(after[1]).contains("Kestering Bastion U-Lock 14");
    String signedOnly =
        new String(
            editor.get("/api/intakes/" + intake + "/sheet?signedOnly=true").bytes(),
            StandardCharsets.UTF_8);
    assertThat(signedOnly.split("\n")[1]).contains("Kestering Bastion U-Lock 14");
    assertThat(signedOnly.split("\n")[2]).endsWith(",,,,,,,,,");
  }

  @Test
  void what_is_typed_is_looked_at_without_being_kept() {
    Visitor writer = house.as(Role.WRITER);
    long product =
        written(writer, "typed.csv", "SKU,Name,Category,Weight\nTY-1,Lane 23,Backpacks,840 g\n")
            .getFirst();
    String marks = "/api/proofs/" + product + "/fields/description/marks";
    JsonNode seen =
        writer
            .post(
                marks, Map.of("text", "<p>It weighs 840 g. It weighs 2 kg, and is waterproof.</p>"))
            .expect(200)
            .body();
    assertThat(seen.findValuesAsString("words")).contains("2 kg", "waterproof");
    assertThat(seen.findValuesAsString("sentence")).contains("It weighs 2 kg, and is waterproof.");
    assertThat(writer.get("/api/proofs/" + product).body().toString())
        .doesNotContain("and is waterproof");
    assertThat(writer.post(marks, Map.of("text", "x".repeat(40_001))).expect(422).body().toString())
        .contains("more than 40,000 characters");
    house.as(Role.READER).post(marks, Map.of("text", "<p>It is red.</p>")).expect(403);
    writer.post("/api/proofs/" + product + "/fields/nose/marks", Map.of("text", "a")).expect(404);
  }

  @Test
  void a_change_by_hand_is_a_new_revision_that_is_checked_and_can_be_undone() {
    Visitor writer = house.as(Role.WRITER);
    long product =
        written(writer, "hand.csv", "SKU,Name,Category,Weight\nHD-1,Lane 22,Backpacks,830 g\n")
            .getFirst();
    JsonNode before = writer.get("/api/proofs/" + product).body();
    long first = before.path("revision").asLong();
    JsonNode changed =
        writer
            .seen(
                first,
                "PUT",
                "/api/proofs/" + product + "/fields/description",
                Map.of(
                    "text",
                    "<p onclick=x>It weighs 830 g<script>alert(1)</script>. It is waterproof.</p>"))
            .expect(200)
            .body();
    assertThat(field(changed, "description").path("html").asString())
        .isEqualTo("<p>It weighs 830 g. It is waterproof.</p>");
    assertThat(
            field(changed, "description")
                .path("blocks")
                .get(0)
                .path("sentences")
                .get(0)
                .path("footnotes"))
        .hasSize(1);
    assertThat(changed.path("product").path("mustFix").asInt()).isEqualTo(1);
    assertThat(changed.path("product").path("stage").asString()).isEqualTo("IN_PROOF");
    assertThat(
            house
                .as(Role.EDITOR)
                .seen(
                    changed.path("revision").asLong(),
                    "POST",
                    "/api/proofs/" + product + "/sign-off",
                    Map.of())
                .expect(409)
                .detail())
        .contains("waterproof");
    JsonNode undone =
        writer
            .seen(
                changed.path("revision").asLong(),
                "POST",
                "/api/proofs/" + product + "/undo",
                Map.of())
            .expect(200)
            .body();
    assertThat(undone.path("revision").asLong()).isEqualTo(first);
    assertThat(undone.path("history")).hasSize(2);
    assertThat(field(undone, "description")).isEqualTo(field(before, "description"));
    JsonNode again =
        writer
            .seen(
                first,
                "POST",
                "/api/proofs/" + product + "/restore",
                Map.of("revision", changed.path("revision").asLong()))
            .expect(200)
            .body();
    assertThat(field(again, "description").path("html").asString()).contains("waterproof");
  }

  @Test
  void a_keyword_that_conflicts_with_the_facts_can_be_exchanged_and_the_text_signed_off() {
    Visitor editor = house.as(Role.EDITOR);
    long product =
        written(
                editor,
                "kw.csv",
                "SKU,Name,Category,Weight,IP rating,Keyword\nKW-1,Lane 22,Backpacks,830 g,IPX4,waterproof backpack\n")
            .getFirst();
    JsonNode proof = editor.get("/api/proofs/" + product).body();
    assertThat(proof.path("product").path("mustFix").asInt()).isEqualTo(1);
    JsonNode changed =
        editor
            .seen(
                proof.path("revision").asLong(),
                "PUT",
                "/api/proofs/" + product + "/keyword",
                Map.of("keyword", "splash-proof backpack"))
            .expect(200)
            .body();
    assertThat(changed.path("product").path("mustFix").asInt()).isZero();
    assertThat(changed.path("product").path("keyword").asString())
        .isEqualTo("splash-proof backpack");
    editor
        .seen(
            changed.path("revision").asLong(),
            "POST",
            "/api/proofs/" + product + "/sign-off",
            Map.of())
        .expect(200);
  }

  @Test
  void the_second_of_two_who_change_a_text_is_told_and_nothing_is_overwritten() {
    Visitor writer = house.as(Role.WRITER);
    Visitor editor = house.as(Role.EDITOR);
    long product =
        written(writer, "two.csv", "SKU,Name,Category,Weight\nTW-1,Lane 22,Backpacks,830 g\n")
            .getFirst();
    long seen = writer.get("/api/proofs/" + product).body().path("revision").asLong();
    writer
        .seen(
            seen,
            "PUT",
            "/api/proofs/" + product + "/fields/title",
            Map.of("text", "Lane 22, first"))
        .expect(200);
    assertThat(
            editor
                .seen(
                    seen,
                    "PUT",
                    "/api/proofs/" + product + "/fields/title",
                    Map.of("text", "Lane 22, second"))
                .expect(412)
                .detail())
        .contains("writer@test.example changed this text");
    editor.seen(seen, "POST", "/api/proofs/" + product + "/sign-off", Map.of()).expect(412);
    assertThat(field(editor.get("/api/proofs/" + product).body(), "title").path("html").asString())
        .isEqualTo("Lane 22, first");
  }

  @Test
  void nothing_goes_out_that_is_not_signed_off_or_was_changed_since() {
    Visitor editor = house.as(Role.EDITOR);
    long product =
        written(editor, "unsigned.csv", "SKU,Name,Category,Weight\nUS-1,Lane 22,Backpacks,830 g\n")
            .getFirst();
    assertThat(
            editor.post("/api/editions", Map.of("products", List.of(product))).expect(409).detail())
        .contains("not signed off");
    long seen = editor.get("/api/proofs/" + product).body().path("revision").asLong();
    editor.seen(seen, "POST", "/api/proofs/" + product + "/sign-off", Map.of()).expect(200);
    editor
        .seen(seen, "PUT", "/api/proofs/" + product + "/fields/title", Map.of("text", "Lane 22"))
        .expect(200);
    editor.post("/api/editions", Map.of("products", List.of(product))).expect(409);
  }

  @Test
  void a_run_leaves_signed_off_texts_alone_and_says_so() {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products =
        written(
            editor,
            "leave.csv",
            "SKU,Name,Category,Weight\nLV-1,Lane 22,Backpacks,830 g\nLV-2,Lane 30,Backpacks,930 g\n");
    long seen = editor.get("/api/proofs/" + products.get(0)).body().path("revision").asLong();
    editor.seen(seen, "POST", "/api/proofs/" + products.get(0) + "/sign-off", Map.of()).expect(200);
    JsonNode forecast = editor.post("/api/runs/forecast", Visitor.wish(products, 0)).body();
    assertThat(
            List.of(
                forecast.path("chosen").asInt(),
                forecast.path("toWrite").asInt(),
                forecast.path("signedOff").asInt()))
        .containsExactly(2, 1, 1);
    assertThat(
            editor
                .post("/api/runs", Visitor.wish(List.of(products.get(0)), 0))
                .expect(409)
                .detail())
        .contains("left alone");
  }

  @Test
  void several_that_were_read_are_signed_off_together_but_not_what_must_be_fixed_or_has_changed() {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products =
        written(
            editor,
            "several.csv",
            """
            SKU,Name,Category,Weight,Capacity,Keyword
            SV-1,Lane 22,Backpacks,830 g,22 l,
            SV-2,Lane 26,Backpacks,890 g,26 l,waterproof backpack
            SV-3,Lane 30,Backpacks,930 g,30 l,
            """);
    Map<String, Long> read = new java.util.HashMap<>();
    for (long id : products) {
      read.put(
          String.valueOf(id),
          editor.get("/api/proofs/" + id).expect(200).body().path("revision").asLong());
    }
    // Somebody changes the third after it was read.
    editor
        .seen(
            read.get(String.valueOf(products.get(2))),
            "PUT",
            "/api/proofs/" + products.get(2) + "/fields/title",
            Map.of("text", "Lane 30 backpack"))
        .expect(200);
    house.as(Role.WRITER).post("/api/proofs/sign-off", Map.of("revisions", read)).expect(403);
    Answer answer = editor.post("/api/proofs/sign-off", Map.of("revisions", read)).expect(200);
    assertThat(answer.body().path("count").asInt()).isEqualTo(1);
    assertThat(stages(editor, "SV-")).containsExactly("SIGNED_OFF", "DRAFTED", "IN_PROOF");
  }

  private static List<String> stages(Visitor visitor, String search) {
    return visitor
        .get("/api/products?search=" + search)
        .body()
        .path("items")
        .findValuesAsString("stage");
  }

  @Test
  void the_alphabet_follows_names_that_a_later_sheet_changes() {
    Visitor writer = house.as(Role.WRITER);
    for (String second : List.of("Zander Case", "Amber Case")) {
      long intake =
          writer
              .upload(
                  "Abc",
                  "abc.csv",
                  ("SKU,Name,Weight\nAB-1,Moor Case,1 kg\nAB-2," + second + ",2 kg\n")
                      .getBytes(StandardCharsets.UTF_8))
              .expect(200)
              .id();
      writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
      JsonNode byName = writer.get("/api/products?search=AB-&order=NAME").body().path("items");
      assertThat(byName.findValuesAsString("sku"))
          .containsExactlyElementsOf(
              second.startsWith("Z") ? List.of("AB-1", "AB-2") : List.of("AB-2", "AB-1"));
    }
  }

  @Test
  void products_of_one_name_get_titles_that_tell_them_apart() {
    Visitor writer = house.as(Role.WRITER);
    long intake =
        writer
            .upload(
                "hooks.csv",
                "SKU,Name,Category,Hook for,Weight\nTWIN-1,Tarn,Backpacks,salmon,830 g\nTWIN-2,Tarn,Backpacks,trout,830 g\nTWIN-3,Fleet,Backpacks,salmon,830 g\n")
            .expect(200)
            .id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    long run = writer.post("/api/runs", Visitor.wish(List.of(), intake)).expect(200).id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    JsonNode items = writer.get("/api/products?order=NAME&intake=" + intake).body().path("items");
    assertThat(title(writer, items.get(0))).startsWith("Fleet").doesNotContain("salmon");
    assertThat(title(writer, items.get(1))).startsWith("Tarn").contains("salmon");
    assertThat(title(writer, items.get(2))).startsWith("Tarn").contains("trout");
  }

  private String title(Visitor visitor, JsonNode product) {
    JsonNode proof = visitor.get("/api/proofs/" + product.path("id").asLong()).body();
    return field(proof, "title").path("html").asString();
  }

  @Test
  void one_product_that_can_not_be_written_for_fails_alone_with_its_reason() {
    Visitor writer = house.as(Role.WRITER);
    long intake =
        writer
            .upload(
                "fail.csv",
                "SKU,Name,Category,Weight\nFL-1,Lane 22,Backpacks,830 g\nFL-2,Lane 30,Backpacks,930 g\n")
            .expect(200)
            .id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    house
        .bean(JdbcClient.class)
        .sql(
            "update product_source set facts = X'00' where product_id = (select id from product where sku = 'FL-1')")
        .update();
    long run = writer.post("/api/runs", Visitor.wish(List.of(), intake)).expect(200).id();
    JsonNode done =
        writer
            .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"))
            .body();
    assertThat(
            List.of(
                done.path("run").path("written").asInt(), done.path("run").path("failed").asInt()))
        .containsExactly(1, 1);
    assertThat(done.path("troubles").get(0).path("sku").asString()).isEqualTo("FL-1");
    assertThat(writer.get("/api/products?state=FAILED&search=FL-1").body().path("total").asInt())
        .isEqualTo(1);
  }

  @Test
  void a_strict_and_faulty_shop_gets_everything_in_the_end() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    StringBuilder text = new StringBuilder("SKU,Name,Category,Weight\n");
    for (int i = 0; i < 6; i++) {
      text.append("WX-")
          .append(i)
          .append(",Lane ")
          .append(i)
          .append(",Backpacks,83")
          .append(i)
          .append(" g\n");
    }
    List<Long> products = written(editor, "weather.csv", text.toString());
    sign(editor, products);
    weather(20, 5, 4);
    long edition = editor.post("/api/editions", Map.of("products", products)).expect(200).id();
    JsonNode out =
        editor
            .until("/api/editions/" + edition, e -> e.path("status").asString().equals("DONE"))
            .body();
    assertThat(out.path("published").asInt()).isEqualTo(6);
  }

  private static void sign(Visitor editor, List<Long> products) {
    for (long product : products) {
      long seen = editor.get("/api/proofs/" + product).body().path("revision").asLong();
      editor.seen(seen, "POST", "/api/proofs/" + product + "/sign-off", Map.of()).expect(200);
    }
  }

  @Test
  void what_somebody_changed_in_the_shop_meanwhile_is_not_overwritten() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products =
        written(
            editor, "meanwhile.csv", "SKU,Name,Category,Weight\nMW-1,Lane 22,Backpacks,830 g\n");
    sign(editor, products);
    long first = editor.post("/api/editions", Map.of("products", products)).expect(200).id();
    editor.until("/api/editions/" + first, e -> e.path("status").asString().equals("DONE"));
    String other =
        "{\"title\":\"Changed in the shop\",\"shortDescription\":\"\",\"description\":\"\",\"metaTitle\":\"\",\"metaDescription\":\"\",\"tags\":[],\"imageAlt\":\"\"}";
    assertThat(shop("PUT", "/api/products/MW-1", other, Map.of()).statusCode()).isEqualTo(200);
    long second = editor.post("/api/editions", Map.of("products", products)).expect(200).id();
    JsonNode out =
        editor
            .until("/api/editions/" + second, e -> e.path("status").asString().equals("DONE"))
            .body();
    assertThat(out.path("items").get(0).path("status").asString()).isEqualTo("FAILED");
    assertThat(out.path("items").get(0).path("reason").asString())
        .contains("changed it in the shop (title");
    assertThat(shop("GET", "/api/products/MW-1", "", Map.of()).body())
        .contains("Changed in the shop");
  }

  @Test
  void a_wrong_token_is_refused_by_the_shop() throws Exception {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(house.shop() + "/api/products"))
            .header("Authorization", "Bearer wrong")
            .build();
    assertThat(HTTP.send(request, BodyHandlers.ofString()).statusCode()).isEqualTo(401);
  }

  @Test
  void progress_comes_as_events_until_the_run_has_ended() throws Exception {
    Visitor writer = house.as(Role.WRITER);
    long intake =
        writer
            .upload("events.csv", "SKU,Name,Category,Weight\nEV-1,Lane 22,Backpacks,830 g\n")
            .expect(200)
            .id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    long run = writer.post("/api/runs", Visitor.wish(List.of(), intake)).expect(200).id();
    String events =
        new String(
            writer.get("/api/runs/" + run + "/events").expect(200).bytes(), StandardCharsets.UTF_8);
    assertThat(events).contains("data:").contains("\"status\":\"DONE\"");
    assertThat(writer.post("/api/runs/" + run + "/stop", Map.of()).expect(409).detail())
        .contains("ended already");
  }

  /** Last, because the shop has products of the sheets that other tests take in as new. */
  @Test
  @Order(Integer.MAX_VALUE)
  void the_shops_products_are_pulled_in_page_by_page_and_a_pull_that_failed_goes_on()
      throws Exception {
    Visitor writer = house.as(Role.WRITER);
    house.as(Role.READER).post("/api/pulls", Map.of()).expect(403);
    weather(0, 0, 1);
    writer.post("/api/pulls", Map.of()).expect(200);
    JsonNode failed =
        writer.until("/api/pulls/latest", p -> p.path("status").asString().equals("FAILED")).body();
    assertThat(failed.path("trouble").asString()).contains("shop answered with an error");
    weather(0, 0, 0);
    writer.post("/api/pulls", Map.of()).expect(200);
    JsonNode done =
        writer.until("/api/pulls/latest", p -> p.path("status").asString().equals("DONE")).body();
    assertThat(done.path("pulled").asInt()).isGreaterThan(30);
    JsonNode line = writer.get("/api/products?search=tv-1003").body().path("items").get(0);
    JsonNode product = writer.get("/api/products/" + line.path("id").asLong()).expect(200).body();
    assertThat(product.toString()).contains("page in the shop");
    assertThat(done.path("categories").asInt()).isGreaterThan(5);
    JsonNode categories = writer.get("/api/categories").expect(200).body();
    assertThat(categories.toString()).contains("\"Panniers\"", "Bags that hang on the rack");
    writer.until(
        "/api/pictures?status=PROPOSED",
        p -> p.toString().contains("The shop names it by its address."));
  }

  /** What pages in the shop say of several products is offered, and kept as any other wording. */
  @Test
  @Order(Integer.MAX_VALUE)
  void the_houses_own_pages_teach() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    String sheet =
        """
        SKU,Name,Category,Brand,Weight,Crown finish LT
        LP-1,Chapel,Cow bells,Heddle,60 g,hammered copper
        LP-2,Byre,Cow bells,Heddle,90 g,brushed brass
        LP-3,Alp,Cow bells,Heddle,140 g,plain steel
        """;
    long intake = editor.upload("LP.csv", sheet).expect(200).id();
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    goods("LP-1", "Chapel", "A bell for the meadow. It is crowned with hammered copper.");
    goods("LP-2", "Byre", "It is crowned with brushed brass. Made to be heard.");
    editor.post("/api/pulls", Map.of()).expect(200);
    editor.until("/api/pulls/latest", p -> p.path("status").asString().equals("DONE"));

    assertThat(editor.get("/api/concepts/untold").body().toString()).contains("Crown finish LT");
    JsonNode page =
        editor
            .get("/api/concepts/own-pages")
            .expect(200)
            .body()
            .valueStream()
            .filter(p -> p.path("heading").asString().equals("Crown finish LT"))
            .findFirst()
            .orElseThrow();
    assertThat(page.path("pages").asInt()).isEqualTo(2);
    JsonNode wording = page.path("wording");
    assertThat(wording.path("problems")).isEmpty();
    assertThat(wording.path("wording").asString()).isEqualTo("crowned with {asis}");
    editor
        .post(
            "/api/concepts/wordings",
            Map.of(
                "wordings",
                List.of(
                    Map.of(
                        "heading", "Crown finish LT",
                        "concept", "",
                        "kind", "",
                        "form", wording.path("form").asString(),
                        "wording", wording.path("wording").asString()))))
        .expect(200);
    assertThat(editor.get("/api/concepts/own-pages").body().toString())
        .doesNotContain("Crown finish LT");
    editor.post("/api/concepts/own_crown_finish_lt/restore", Map.of()).expect(200);
  }

  /** Puts a product into the shop. */
  private void goods(String sku, String title, String text) throws Exception {
    HttpResponse<String> put =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create(house.shop() + "/api/products/" + sku))
                    .header("Authorization", "Bearer " + RunningRhetor.TOKEN)
                    .header("Content-Type", "application/json")
                    .header("If-None-Match", "*")
                    .PUT(
                        HttpRequest.BodyPublishers.ofString(
                            """
                            {"title": "%s", "shortDescription": "", "description": "<p>%s</p>",
                             "metaTitle": "", "metaDescription": "", "tags": [], "imageAlt": ""}
                            """
                                .formatted(title, text)))
                    .build(),
                BodyHandlers.ofString());
    assertThat(put.statusCode()).as(put.body()).isEqualTo(201);
  }

  @Test
  void the_front_ends_description_of_the_api_is_current() throws Exception {
    JsonNode now = house.as(Role.READER).get("/api/description").expect(200).body();
    Path kept = Path.of("../web/openapi.json");
    var json = tools.jackson.databind.json.JsonMapper.builder().build();
    if (Boolean.getBoolean("describe")) {
      Files.writeString(kept, json.writerWithDefaultPrettyPrinter().writeValueAsString(now) + "\n");
    }
    assertThat(json.readTree(Files.readString(kept)))
        .as("%s is out of date; run this test with -Ddescribe=true", kept)
        .isEqualTo(now);
  }
}
