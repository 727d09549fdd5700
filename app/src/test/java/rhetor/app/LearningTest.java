package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What a person's correction teaches, and headings that have no words yet, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class LearningTest {
  private static final String SHEET =
      """
      SKU,Name,Category,Brand,Weight,Strike tone LT
      LT-1,Chapel,Cow bells,Heddle,60 g,bright and long
      LT-2,Byre,Cow bells,Heddle,90 g,low and warm
      LT-3,Alp,Cow bells,Heddle,140 g,deep and slow
      """;

  private RunningRhetor.House house;
  private Visitor editor;
  private Visitor writer;
  private long intake;

  @BeforeAll
  void texts_are_written(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    intake = editor.upload("LT.csv", SHEET).expect(200).id();
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    editor.write(List.of(), intake, "plain");
  }

  private static Map<String, Object> words(String heading, String form, String wording) {
    return Map.of("wordings", List.of(word(heading, form, wording)));
  }

  private static Map<String, String> word(String heading, String form, String wording) {
    return Map.of("heading", heading, "concept", "", "kind", "", "form", form, "wording", wording);
  }

  private List<Long> products() {
    return editor
        .get("/api/products?intake=" + intake)
        .body()
        .path("items")
        .valueStream()
        .map(p -> p.path("id").asLong())
        .toList();
  }

  private JsonNode proof(long product) {
    return editor.get("/api/proofs/" + product).expect(200).body();
  }

  private static String shortText(JsonNode proof) {
    for (JsonNode field : proof.path("fields")) {
      if (field.path("code").asString().equals("description")) {
        return field.path("html").asString();
      }
    }
    return "";
  }

  @Test
  void a_cell_is_put_in_words_once_for_all_products_that_have_it_and_that_is_taken_back() {
    long sheet =
        editor
            .upload(
                "LT-milk.csv",
                """
                SKU,Name,Category,Milk LT,Weight
                LTM-1,Wennel,Cheeses,"goat, past.",150 g
                LTM-2,Wold Ash,Cheeses,"Goat, past.",180 g
                LTM-3,Marrick,Cheeses,"cow, raw",22 kg
                """)
            .expect(200)
            .id();
    editor.post("/api/intakes/" + sheet + "/take", Map.of()).expect(200);
    editor.write(List.of(), sheet, "plain");
    long first =
        editor.get("/api/products?intake=" + sheet).body().path("items").get(0).path("id").asLong();
    JsonNode left = leftOut(first, "Milk LT");
    assertThat(left.path("wantsCellInWords").asBoolean()).isTrue();
    assertThat(left.path("why").asString()).contains("several things");
    String fact = left.path("fact").asString();
    JsonNode cells = editor.get("/api/cells?fact=" + fact.replace(" ", "%20")).expect(200).body();
    assertThat(cells.get(0).path("products").asInt()).isEqualTo(2);
    assertThat(cells).hasSize(2);

    JsonNode done =
        writer.put("/api/cells", cell(fact, "goat, past.", "pasteurised goat’s milk")).body();
    assertThat(done.path("texts").asInt()).isEqualTo(2);
    assertThat(done.path("products")).hasSize(2);
    assertThat(done.path("before").get(0).path("cells").get(0).path("words").asString()).isEmpty();
    JsonNode tried =
        editor
            .post("/api/concepts/wordings/try", words("Milk LT", "part", "made from {v}"))
            .expect(200)
            .body();
    assertThat(tried.path("examples").toString()).contains("made from pasteurised goat’s milk");
    // Two ways to write one cell fit, "cow, raw" doesn’t.
    assertThat(tried.path("fits").asInt()).isEqualTo(2);
    assertThat(leftOut(first, "Milk LT").path("value").asString())
        .isEqualTo("pasteurised goat’s milk");

    writer.put("/api/cells", Map.of("facts", done.path("before"))).expect(200);
    assertThat(leftOut(first, "Milk LT").path("value").asString()).startsWith("goat, past");
  }

  @Test
  void a_heading_is_called_otherwise_in_lists_and_still_has_no_words() {
    long sheet =
        editor
            .upload(
                "LT-fat.csv", "SKU,Name,Category,Weight,FDM LT %\nLTF-1,Wold Fat,Cheeses,150 g,50")
            .expect(200)
            .id();
    editor.post("/api/intakes/" + sheet + "/take", Map.of()).expect(200);
    long product =
        editor.get("/api/products?intake=" + sheet).body().path("items").get(0).path("id").asLong();
    Map<String, String> called = Map.of("heading", "FDM LT %", "label", "Fat in dry matter, %");
    assertThat(listed(sheet, product)).contains("FDM LT %: 50");
    JsonNode done = editor.post("/api/concepts/headings", called).expect(200).body();
    assertThat(done.path("texts").asInt()).isEqualTo(1);
    assertThat(listed(sheet, product)).contains("Fat in dry matter, %: 50");
    JsonNode left = leftOut(product, "FDM LT %");
    assertThat(left.path("isOfHeading").asBoolean()).isTrue();
    assertThat(left.path("wantsWords").asBoolean()).isTrue();

    writer.post("/api/concepts/headings", called).expect(403);
    editor
        .post("/api/concepts/headings", Map.of("heading", "FDM LT %", "label", "Fat: {v}"))
        .expect(422);
    editor
        .post("/api/concepts/headings", Map.of("heading", "FDM LT %", "label", "FDM LT %"))
        .expect(200);
    assertThat(listed(sheet, product)).contains("FDM LT %: 50");
  }

  private String listed(long sheet, long product) {
    editor.write(List.of(), sheet, "plain");
    return shortText(proof(product));
  }

  private JsonNode leftOut(long product, String label) {
    return proof(product)
        .path("leftOut")
        .valueStream()
        .filter(f -> f.path("label").asString().equals(label))
        .findFirst()
        .orElseThrow();
  }

  private static Map<String, Object> cell(String fact, String written, String words) {
    return Map.of(
        "facts", List.of(cells(fact, List.of(Map.of("written", written, "words", words)))));
  }

  private static Map<String, Object> cells(String fact, List<Map<String, String>> cells) {
    return Map.of("fact", fact, "cells", cells);
  }

  @Test
  void words_that_are_no_such_fact_are_refused_and_nothing_is_kept() {
    Visitor.Answer refused =
        writer.put(
            "/api/cells",
            Map.of(
                "facts",
                List.of(
                    cells("weight", List.of(Map.of("written", "ca. 1k", "words", "1 kg"))),
                    // What another kind of fact can't be takes the first with it.
                    cells("height", List.of(Map.of("written", "hvy", "words", "heavy"))))));
    refused.expect(422);
    assertThat(refused.body().toString()).contains("hvy").contains("amount with its unit");
    assertThat(editor.get("/api/cells?fact=weight").body().toString())
        .doesNotContain("\"words\":\"1 kg\"");
    writer.put("/api/cells", Map.of("facts", List.of(cells("weight", List.of())))).expect(422);
    writer.put("/api/cells", Map.of("facts", List.of())).expect(422);
    house.as(Role.READER).put("/api/cells", cell("weight", "x", "1 kg")).expect(403);
  }

  @Test
  void one_correction_is_told_of_all_products_that_have_such_a_fact() {
    List<Long> products = products();
    JsonNode wanted = editor.get("/api/concepts/untold").expect(200).body();
    assertThat(wanted.valueStream())
        .anySatisfy(
            w -> {
              assertThat(w.path("heading").asString()).isEqualTo("Strike tone LT");
              assertThat(w.path("products").asInt()).isEqualTo(3);
              assertThat(w.path("values")).hasSize(3);
            });
    long first = products.getFirst();
    String value = proof(first).path("leftOut").get(0).path("value").asString();
    editor
        .seen(
            proof(first).path("revision").asLong(),
            "PUT",
            "/api/proofs/" + first + "/fields/description",
            Map.of("text", "<p>It rings " + value + ".</p>"))
        .expect(200);
    JsonNode learnable = proof(first).path("learnable");
    assertThat(learnable).hasSize(1);
    assertThat(learnable.get(0).path("wording").asString()).isEqualTo("ring {asis}");

    Map<String, Object> wording = words("Strike tone LT", "verb", "ring {asis}");
    JsonNode tried = editor.post("/api/concepts/wordings/try", wording).expect(200).body();
    assertThat(tried.path("texts").asInt()).isEqualTo(3);
    // What somebody wrote by hand is not written over.
    assertThat(tried.path("asWritten").asInt()).isEqualTo(2);
    assertThat(tried.path("examples")).hasSize(3);
    assertThat(tried.path("examples").valueStream())
        .allSatisfy(
            e -> {
              assertThat(e.path("now").toString()).doesNotContain("ring");
              assertThat(e.path("then").toString()).containsPattern("\\bring");
            });
    assertThat(tried.path("problems")).isEmpty();
    // What only one of them has is told of none.
    editor
        .post("/api/concepts/wordings/try", words("Strike tone LT", "verb", "ring {asis} at 60 g"))
        .expect(422);
    // Nothing was kept.
    assertThat(editor.get("/api/concepts/untold").body().toString()).contains("Strike tone LT");

    writer.post("/api/concepts/wordings", wording).expect(403);
    JsonNode learned = editor.post("/api/concepts/wordings", wording).expect(200).body();
    assertThat(learned.path("texts").asInt()).isEqualTo(3);
    assertThat(learned.path("products").valueStream().map(JsonNode::asLong))
        .containsExactlyInAnyOrderElementsOf(products.subList(1, 3));
    assertThat(editor.get("/api/concepts/untold").body().toString())
        .doesNotContain("Strike tone LT");
    // Twice the same teaches nothing new.
    editor.post("/api/concepts/wordings", wording).expect(200);

    editor.write(products.subList(1, 3), 0, "plain");
    assertThat(shortText(proof(products.get(1)))).contains("rings ");
    assertThat(shortText(proof(products.get(2)))).contains("rings ");

    // Taken back, nothing is told so any more.
    editor.post("/api/concepts/own_strike_tone_lt/restore", Map.of()).expect(200);
    assertThat(editor.get("/api/concepts/untold").body().toString()).contains("Strike tone LT");
  }

  @Test
  void what_is_told_already_can_be_put_otherwise_for_all_of_its_kind() {
    String sheet =
        """
        SKU,Name,Category,Weight
        TO-1,Fenlight,Front lights,86 g
        TO-2,Moorlight,Front lights,120 g
        TO-3,Brack,Rain jackets,310 g
        """;
    long others = editor.upload("TO.csv", sheet).expect(200).id();
    editor.post("/api/intakes/" + others + "/take", Map.of()).expect(200);
    editor.write(List.of(), others, "plain");
    List<Long> ids =
        editor
            .get("/api/products?intake=" + others + "&order=NAME")
            .body()
            .path("items")
            .valueStream()
            .map(p -> p.path("id").asLong())
            .toList();
    long fenlight = ids.get(1);
    assertThat(shortText(proof(fenlight))).contains("86 g").doesNotContain("scales");
    editor
        .seen(
            proof(fenlight).path("revision").asLong(),
            "PUT",
            "/api/proofs/" + fenlight + "/fields/description",
            Map.of("text", "<p>It tips the scales at 86 g.</p>"))
        .expect(200);
    JsonNode learnable = proof(fenlight).path("learnable");
    assertThat(learnable).hasSize(1);
    JsonNode offer = learnable.get(0);
    assertThat(offer.path("concept").asString()).isEqualTo("weight");
    assertThat(offer.path("wording").asString()).isEqualTo("tip the scales at {v}");
    assertThat(offer.path("of").asString()).isNotEmpty();

    Map<String, Object> worded =
        Map.of(
            "wordings",
            List.of(
                Map.of(
                    "heading", "Weight",
                    "concept", "weight",
                    "kind", offer.path("kind").asString(),
                    "form", "verb",
                    "wording", "tip the scales at {v}")));
    JsonNode tried = editor.post("/api/concepts/wordings/try", worded).expect(200).body();
    assertThat(tried.path("problems")).isEmpty();
    JsonNode learned = editor.post("/api/concepts/wordings", worded).expect(200).body();
    assertThat(learned.path("products").valueStream().map(JsonNode::asLong))
        .contains(ids.get(2))
        .doesNotContain(fenlight, ids.getFirst());
    editor.write(List.of(ids.getFirst(), ids.get(2)), 0, "plain");
    assertThat(shortText(proof(ids.get(2)))).contains("tips the scales at 120 g");
    assertThat(shortText(proof(ids.getFirst()))).contains("310 g").doesNotContain("scales");

    writer.post("/api/concepts/wordings/take-back", worded).expect(403);
    editor.post("/api/concepts/wordings/take-back", worded).expect(200);
    editor.write(List.of(ids.get(2)), 0, "plain");
    assertThat(shortText(proof(ids.get(2)))).contains("120 g").doesNotContain("scales");
    assertThat(editor.get("/api/concepts?search=scales").expect(200).body()).isEmpty();
  }

  @Test
  void two_people_who_teach_one_heading_at_once_both_are_heard() throws Exception {
    editor.write(
        editor.takeIn("LW.csv", SHEET.replace("Strike", "Yoke").replace("LT-", "LW-")), 0, "plain");
    Visitor other = house.as(Role.EDITOR);
    var first =
        CompletableFuture.supplyAsync(
            () ->
                editor.post(
                    "/api/concepts/wordings", words("Yoke tone LT", "verb", "sound {asis}")));
    var second =
        CompletableFuture.supplyAsync(
            () ->
                other.post("/api/concepts/wordings", words("Yoke tone LT", "verb", "ring {asis}")));
    first.get().expect(200);
    second.get().expect(200);
    JsonNode kept =
        editor
            .get("/api/concepts?search=yoke&state=OWN")
            .expect(200)
            .body()
            .get(0)
            .path("concept")
            .path("say");
    assertThat(kept.toString()).contains("sound {asis}", "ring {asis}");
    editor.post("/api/concepts/own_yoke_tone_lt/restore", Map.of()).expect(200);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ring {asis} and {asis}|says the value twice",
        "ring [{asis}|a bracket is left over",
        "ring as the Dace does, {asis}|is a name",
        "ring|doesn't say the value",
        "ring {it} {asis}|nothing called {it}",
        "bells {asis}|begin with the verb"
      })
  void words_that_cannot_stand_are_refused_with_the_reason(String wording, String why) {
    assertThat(
            editor
                .post("/api/concepts/wordings", words("Strike tone LT", "verb", wording))
                .expect(422)
                .detail())
        .contains(why);
    assertThat(editor.get("/api/concepts/untold").body().toString()).contains("Strike tone LT");
  }

  @Test
  void thousands_of_wordings_at_once_are_refused_and_none_is_kept() {
    List<Map<String, String>> many =
        IntStream.range(0, 5_000).mapToObj(n -> word("Peal " + n, "verb", "ring {asis}")).toList();
    assertThat(editor.post("/api/concepts/wordings", Map.of("wordings", many)).expect(422).detail())
        .contains("at a time");
    assertThat(editor.get("/api/concepts?search=peal&state=OWN").body()).isEmpty();
  }

  /** Said of one product where the text is read, a fact is told so of all that have it. */
  @Test
  void a_sentence_typed_for_a_fact_is_read_or_says_what_is_in_the_way() {
    List<Long> whistles =
        editor.takeIn(
            "LW.csv",
            """
            SKU,Name,Category,Brand,Afloat,Trills
            LW-1,Ollan,Whistles,Heddle,N,2
            LW-2,Tarn,Whistles,Heddle,Y,3
            """);
    editor.write(whistles, 0, "plain");
    JsonNode left = proof(whistles.get(0)).path("leftOut");
    assertThat(left.findValuesAsString("label")).contains("Afloat", "Trills");
    assertThat(left.path(0).path("wantsWords").asBoolean()).isTrue();
    String at = "/api/proofs/" + whistles.get(0) + "/wording";
    JsonNode not =
        editor
            .post(at, Map.of("heading", "Trills", "sentence", "It has many trills."))
            .expect(200)
            .body();
    assertThat(not.path("learnable")).isEmpty();
    assertThat(not.path("why").asString()).contains("“2” has to stand in it");
    editor.post(at, Map.of("heading", "Shape", "sentence", "It is round.")).expect(404);
    List<Object> wordings = new ArrayList<>();
    for (Map.Entry<String, String> said :
        Map.of("Trills", "It has 2 trills.", "Afloat", "It stays on the water.").entrySet()) {
      JsonNode read =
          editor
              .post(at, Map.of("heading", said.getKey(), "sentence", said.getValue()))
              .expect(200)
              .body()
              .path("learnable")
              .path(0);
      wordings.add(
          Map.of(
              "heading", read.path("heading").asString(),
              "concept", read.path("concept").asString(),
              "kind", read.path("kind").asString(),
              "form", read.path("form").asString(),
              "wording", read.path("wording").asString()));
    }
    editor.post("/api/concepts/wordings", Map.of("wordings", wordings)).expect(200);
    editor.write(whistles, 0, "plain");
    assertThat(proof(whistles.get(0)).toString())
        .contains("2 trills")
        .doesNotContain("on the water");
    assertThat(proof(whistles.get(1)).toString()).contains("3 trills", "on the water");
    editor.post("/api/concepts/wordings/take-back", Map.of("wordings", wordings)).expect(200);
  }

  /** Words for figures under a heading that means something else of other things. */
  @Test
  void figures_are_told_as_somebody_says_whatever_else_the_heading_may_mean() {
    List<Long> reels =
        editor.takeIn(
            "LR.csv",
            """
            SKU,Name,Category,Brand,Ratio
            LR-1,Dace,Bobbin winders,Heddle,5.2:1
            LR-2,Chub,Bobbin winders,Heddle,6:1
            LR-3,Rudd,Bobbin winders,Heddle,4+1
            """);
    editor.write(reels, 0, "plain");
    Map<String, Object> wording = words("Ratio", "with", "a winding ratio of {asis}");
    JsonNode tried = editor.post("/api/concepts/wordings/try", wording).expect(200).body();
    assertThat(tried.path("problems")).isEmpty();
    editor.post("/api/concepts/wordings", wording).expect(200);
    editor.write(reels, 0, "plain");
    assertThat(shortText(proof(reels.get(0)))).contains("a winding ratio of 5.2:1");
    assertThat(shortText(proof(reels.get(2)))).contains("a winding ratio of 4+1");
    // What others send under that heading is still read as what it is.
    JsonNode climbing =
        editor
            .upload(
                "LS.csv",
                "SKU,Name,Category,Ratio\nLS-1,Learn to Lead,Courses,6 per guide\nLS-2,First Steps,Courses,4 per guide\n")
            .expect(200)
            .body();
    assertThat(climbing.path("columns").get(3).path("meaning").asString())
        .doesNotContain("own_ratio");
    editor.post("/api/concepts/own_ratio/restore", Map.of()).expect(200);
  }

  /** Asked once for a column, a text model's wordings are written for all products under it. */
  @Test
  void a_run_can_be_taken_back_but_for_what_people_have_changed() {
    long sheet =
        editor
            .upload(
                "Unwin",
                "UN.csv",
                "Art,Bell,Clapper,Crown,Heft\nUN-1,Chapel cow bell,iron,flat,60 g\nUN-2,Byre cow bell,iron,round,90 g\nUN-3,Alp cow bell,brass,round,140 g\n"
                    .getBytes(java.nio.charset.StandardCharsets.UTF_8))
            .expect(200)
            .id();
    editor.post("/api/intakes/" + sheet + "/take", Map.of()).expect(200);
    List<Long> all =
        editor
            .get("/api/products?intake=" + sheet)
            .body()
            .path("items")
            .valueStream()
            .map(p -> p.path("id").asLong())
            .toList();
    editor.write(all.subList(0, 2), 0, "plain");
    long before = proof(all.getFirst()).path("revision").asLong();
    editor.write(all, 0, "warm");
    long run = editor.get("/api/runs").body().get(0).path("id").asLong();
    // Of the second one somebody has changed the text since.
    editor
        .seen(
            proof(all.get(1)).path("revision").asLong(),
            "PUT",
            "/api/proofs/" + all.get(1) + "/fields/title",
            Map.of("text", "Byre, a cow bell"))
        .expect(200);
    assertThat(editor.get("/api/runs/" + run).body().path("undoable").asInt()).isEqualTo(2);

    house.as(Role.READER).post("/api/runs/" + run + "/take-back", Map.of()).expect(403);
    int back =
        writer
            .post("/api/runs/" + run + "/take-back", Map.of())
            .expect(200)
            .body()
            .path("texts")
            .asInt();

    assertThat(back).isEqualTo(2);
    assertThat(proof(all.getFirst()).path("revision").asLong()).isEqualTo(before);
    assertThat(proof(all.get(1)).toString()).contains("Byre, a cow bell");
    assertThat(editor.get("/api/products/" + all.get(2)).body().toString()).contains("UNWRITTEN");
    editor.get("/api/proofs/" + all.get(2)).expect(404);
    // Once more there is nothing left to take back.
    assertThat(
            writer
                .post("/api/runs/" + run + "/take-back", Map.of())
                .expect(200)
                .body()
                .path("texts")
                .asInt())
        .isZero();
  }

  @Test
  void a_text_model_proposes_and_a_person_keeps() {
    Visitor owner = house.as(Role.OWNER);
    long connection = house.connectFoolscap();
    Map<String, Object> shown =
        Map.of("connection", connection, "headings", List.of("Clapper tone LT"), "ask", false);
    Map<String, Object> asked =
        Map.of("connection", connection, "headings", List.of("Clapper tone LT"), "ask", true);
    long more =
        editor
            .upload("LU.csv", SHEET.replace("Strike", "Clapper").replace("LT-", "LU-"))
            .expect(200)
            .id();
    editor.post("/api/intakes/" + more + "/take", Map.of()).expect(200);

    JsonNode before = editor.post("/api/concepts/proposals", shown).expect(200).body();
    assertThat(before.path("unasked").asInt()).isEqualTo(1);
    assertThat(before.path("estimate").asDouble()).isPositive();
    writer.post("/api/concepts/proposals", asked).expect(403);

    JsonNode after = editor.post("/api/concepts/proposals", asked).expect(200).body();
    assertThat(after.path("cost").asDouble()).isPositive();
    JsonNode proposed = after.path("headings").get(0);
    assertThat(proposed.path("goodFor").asString()).isNotBlank();
    List<JsonNode> standing =
        proposed.path("proposals").valueStream().filter(p -> p.path("problems").isEmpty()).toList();
    assertThat(standing).isNotEmpty();
    assertThat(standing.getFirst().path("fits").asInt()).isEqualTo(3);
    assertThat(standing.getFirst().path("examples").get(0).asString()).matches("The bells? .+\\.");
    // Asked again, it is what was answered before, and costs nothing.
    JsonNode again = editor.post("/api/concepts/proposals", asked).expect(200).body();
    assertThat(again.path("headings")).isEqualTo(after.path("headings"));
    assertThat(again.path("cost").asDouble()).isZero();

    JsonNode kept = standing.getFirst();
    editor
        .post(
            "/api/concepts/wordings",
            words("Clapper tone LT", kept.path("form").asString(), kept.path("wording").asString()))
        .expect(200);
    editor.write(List.of(), more, "plain");
    long product =
        editor.get("/api/products?intake=" + more).body().path("items").get(0).path("id").asLong();
    assertThat(shortText(proof(product))).contains("bright and long");
    // One that can't stand keeps the others from being kept, too.
    editor
        .post(
            "/api/concepts/wordings",
            Map.of(
                "wordings",
                List.of(word("Peal LT", "verb", "ring {asis}"), word("Clang LT", "verb", "rings"))))
        .expect(422);
    assertThat(editor.get("/api/concepts?state=OWN").body().toString()).doesNotContain("Peal LT");
    editor.post("/api/concepts/own_clapper_tone_lt/restore", Map.of()).expect(200);
    owner.delete("/api/connections/" + connection).expect(200);
  }

  @Test
  void asking_about_nothing_or_about_what_no_product_has_says_so() {
    Map<String, Object> none = Map.of("connection", 1, "headings", List.of(), "ask", false);
    assertThat(editor.post("/api/concepts/proposals", none).expect(422).detail())
        .contains("1 to 60");
    Map<String, Object> unknown =
        Map.of("connection", 4_000_000, "headings", List.of("Peal"), "ask", false);
    editor.post("/api/concepts/proposals", unknown).expect(404);
  }

  @Test
  void headings_that_begin_alike_or_have_no_latin_letters_are_kept_apart() {
    String begins = "How far the clapper swings from one side ";
    List<String> headings = List.of(begins + "to the left", begins + "to the right", "Звон", "Тон");
    headings.forEach(
        h -> editor.post("/api/concepts/wordings", words(h, "verb", "swing {asis}")).expect(200));
    JsonNode own = editor.get("/api/concepts?state=OWN").expect(200).body();
    assertThat(own.valueStream().map(c -> c.path("concept").path("label").asString()))
        .containsAll(headings);
    own.valueStream()
        .map(c -> c.path("concept").path("id").asString())
        .forEach(id -> editor.post("/api/concepts/" + id + "/restore", Map.of()).expect(200));
  }

  @Test
  void a_wording_that_cannot_stand_is_refused_with_what_to_do() {
    for (String wrong :
        List.of("rings {asis}", "ring", "ring {asis} like the best", "<b>{asis}</b>")) {
      assertThat(
              editor
                  .post("/api/concepts/wordings", words("Clapper LT", "verb", wrong))
                  .expect(422)
                  .detail())
          .as(wrong)
          .isNotBlank();
    }
    editor.post("/api/concepts/wordings", words("Clapper LT", "shout", "ring {asis}")).expect(422);
  }
}
