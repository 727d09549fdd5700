package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Cells of many products' texts corrected in a table, and taken back, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class TextTableTest {
  private Visitor writer;
  private Visitor editor;
  private List<Long> products;
  private long intake;
  private int round;

  @BeforeEach
  void texts(RunningRhetor.House house) {
    writer = house.as(Role.WRITER);
    editor = house.as(Role.EDITOR);
    round++;
    StringBuilder rows = new StringBuilder("SKU,Name,Category,Brand,Weight\n");
    for (int i = 1; i <= 24; i++) {
      rows.append("TT%d-%d,Lund Bag %d,Panniers,Skaftwick,%d g%n".formatted(round, i, i, 700 + i));
    }
    intake = writer.upload("table-" + round + ".csv", rows.toString()).expect(200).id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    writer.write(List.of(), intake, "plain");
    products = new ArrayList<>();
    table("").forEach(r -> products.add(r.path("product").path("id").asLong()));
  }

  private List<JsonNode> table(String more) {
    return writer
        .get("/api/texts?limit=40&intake=" + intake + more)
        .expect(200)
        .body()
        .path("rows")
        .valueStream()
        .toList();
  }

  private JsonNode row(long product) {
    return table("").stream()
        .filter(r -> r.path("product").path("id").asLong() == product)
        .findFirst()
        .orElseThrow();
  }

  private String cell(long product, String field) {
    return row(product).path("cells").path(field).asString();
  }

  private Map<String, Object> correction(long product, String field, String text) {
    return Map.of(
        "product", product,
        "revision", row(product).path("revision").asLong(),
        "field", field,
        "text", text);
  }

  private Visitor.Answer correct(long act, List<Map<String, Object>> cells) {
    return writer.post("/api/texts/corrections", Map.of("act", act, "cells", cells));
  }

  @Test
  void a_page_has_all_fields_of_each_product_and_the_key_of_the_next() {
    JsonNode page = writer.get("/api/texts?limit=10&intake=" + intake).expect(200).body();
    assertThat(page.path("rows")).hasSize(10);
    assertThat(page.path("total").asInt()).isEqualTo(24);
    assertThat(page.path("next").asString()).isNotEmpty();
    JsonNode cells = page.path("rows").get(0).path("cells");
    assertThat(cells.path("title").asString()).contains("Lund Bag 1");
    assertThat(cells.path("meta_description").asString()).isNotEmpty();
    assertThat(cells.path("description").asString()).contains("\n").doesNotContain("<");
    writer.get("/api/texts?state=NO_SUCH_STATE").expect(422);
  }

  @Test
  void corrected_cells_are_one_act_that_is_taken_back_as_one() {
    long first = products.get(0);
    long second = products.get(1);
    String before = cell(first, "title");
    JsonNode done =
        correct(
                0,
                List.of(
                    correction(first, "title", "Lund Bag 1, the light one"),
                    correction(first, "meta_title", "Lund Bag 1 by Skaftwick"),
                    correction(second, "title", "Lund Bag 2, the other one")))
            .expect(200)
            .body();
    assertThat(done.path("texts").asInt()).isEqualTo(2);
    assertThat(done.path("rows")).hasSize(2);
    assertThat(cell(first, "title")).isEqualTo("Lund Bag 1, the light one");
    assertThat(cell(first, "meta_title")).isEqualTo("Lund Bag 1 by Skaftwick");
    JsonNode proof = writer.get("/api/proofs/" + first).expect(200).body();
    assertThat(proof.path("history").toString()).contains("Title, Meta title corrected in a table");
    assertThat(proof.path("line").path("stage").asString() + proof.path("product").toString())
        .contains("IN_PROOF");

    long act = done.path("act").asLong();
    // The act is the person's who did it.
    editor.post("/api/texts/corrections/" + act + "/take-back", Map.of()).expect(409);
    JsonNode back =
        writer.post("/api/texts/corrections/" + act + "/take-back", Map.of()).expect(200).body();
    assertThat(back.path("texts").asInt()).isEqualTo(2);
    // What was taken back comes along, so that nothing else has to be read anew.
    assertThat(back.path("rows").findValuesAsString("title")).hasSize(2).contains(before);
    assertThat(cell(first, "title")).isEqualTo(before);
    writer.post("/api/texts/corrections/" + act + "/take-back", Map.of()).expect(409);
    correct(act, List.of(correction(first, "title", "Once more"))).expect(409);
  }

  @Test
  void more_rows_than_one_request_takes_go_on_with_the_act() {
    List<Map<String, Object>> all =
        products.stream().map(p -> correction(p, "tags", "bags, lund")).toList();
    assertThat(correct(0, all).expect(422).detail()).contains("1 to 20");
    JsonNode some = correct(0, all.subList(0, 20)).expect(200).body();
    correct(some.path("act").asLong(), all.subList(20, 24)).expect(200);
    assertThat(table(""))
        .allSatisfy(
            r -> assertThat(r.path("cells").path("tags").asString()).isEqualTo("bags, lund"));
    JsonNode acts = editor.get("/api/acts").expect(200).body();
    assertThat(acts.get(0).path("texts").asInt()).isEqualTo(24);
    assertThat(acts.get(0).path("deed").asString()).isEqualTo("CORRECT");
    assertThat(acts.get(0).path("what").asString()).isEqualTo("Tags");
  }

  @Test
  void what_somebody_changed_meanwhile_stays_and_keeps_no_other() {
    long contested = products.get(2);
    Map<String, Object> late = correction(contested, "title", "Typed too late");
    editor
        .seen(
            row(contested).path("revision").asLong(),
            "PUT",
            "/api/proofs/" + contested + "/fields/title",
            Map.of("text", "Lund Bag 3, by the editor"))
        .expect(200);
    JsonNode done =
        correct(0, List.of(late, correction(products.get(3), "title", "Lund Bag 4, roomy")))
            .expect(200)
            .body();
    assertThat(done.path("texts").asInt()).isEqualTo(1);
    assertThat(done.path("left").get(0).path("product").asLong()).isEqualTo(contested);
    assertThat(done.path("left").get(0).path("why").asString()).isNotEmpty();
    assertThat(cell(contested, "title")).isEqualTo("Lund Bag 3, by the editor");
    assertThat(cell(products.get(3), "title")).isEqualTo("Lund Bag 4, roomy");
  }

  @Test
  void a_description_keeps_its_headings_and_lists() {
    long one = products.get(4);
    String lines = cell(one, "description");
    String html = description(one);
    String begin = lines.lines().findFirst().orElseThrow();
    JsonNode done =
        correct(0, List.of(correction(one, "description", lines.replace(begin, "It is a bag."))))
            .expect(200)
            .body();
    assertThat(done.path("texts").asInt()).isEqualTo(1);
    assertThat(description(one))
        .startsWith("<p>It is a bag.</p>")
        .endsWith(html.substring(html.indexOf("</p>") + 4));
  }

  private String description(long product) {
    return writer
        .get("/api/proofs/" + product)
        .expect(200)
        .body()
        .path("fields")
        .valueStream()
        .filter(f -> f.path("code").asString().equals("description"))
        .findFirst()
        .orElseThrow()
        .path("html")
        .asString();
  }

  @Test
  void a_cell_that_says_the_same_leaves_no_act_and_a_hostile_one_is_text() {
    long one = products.get(5);
    JsonNode same =
        correct(0, List.of(correction(one, "title", cell(one, "title")))).expect(200).body();
    assertThat(same.path("act").asLong()).isZero();
    assertThat(same.path("texts").asInt()).isZero();
    correct(0, List.of(correction(one, "title", "<script>alert(1)</script> Bag"))).expect(200);
    assertThat(cell(one, "title")).isEqualTo("<script>alert(1)</script> Bag");
    correct(0, List.of(correction(one, "no_such_field", "x"))).expect(404);
    correct(0, List.of()).expect(422);
    Map<String, Object> stranger =
        Map.of("product", 4_711_000, "revision", 1, "field", "title", "text", "x");
    correct(0, List.of(correction(one, "meta_title", "Beside a stranger"), stranger)).expect(404);
    assertThat(cell(one, "meta_title")).doesNotContain("stranger");
    JsonNode long50 =
        correct(0, List.of(correction(one, "description", "word ".repeat(30_000))))
            .expect(200)
            .body();
    assertThat(long50.path("left").get(0).path("why").asString()).contains("characters");
  }
}
