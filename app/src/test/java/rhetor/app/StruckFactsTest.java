package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What people strike out again and again is offered to be left to the list, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class StruckFactsTest {
  private static final String SHEET =
      "SKU,Name,Category,Weight,Material,Capacity\nSF-1,Sedge,Baskets,910 g,willow,20 l\nSF-2,Sallow,Baskets,710 g,willow,14 l\nSF-3,Osier,Baskets,510 g,willow,9 l\n";

  private Visitor editor;
  private Visitor writer;
  private final List<Long> products = new ArrayList<>();

  @BeforeAll
  void texts_are_written(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    products.addAll(editor.takeIn("SF.csv", SHEET));
    editor.write(products, 0, "plain");
  }

  private JsonNode proof(long product) {
    return editor.get("/api/proofs/" + product).expect(200).body();
  }

  private void save(Visitor who, long product, String field, String text) {
    who.seen(
            proof(product).path("revision").asLong(),
            "PUT",
            "/api/proofs/" + product + "/fields/" + field,
            Map.of("text", text))
        .expect(200);
  }

  /** Tells the weight once, and has it taken out of the text. */
  private void strike(Visitor who, int product, String grams, String left) {
    long id = products.get(product);
    save(who, id, "description", "<p>It is a basket.</p><ul><li>Weight: " + grams + "</li></ul>");
    save(who, id, "short_description", "It holds apples. It weighs " + grams + ".");
    save(who, id, "short_description", left);
  }

  private List<JsonNode> offered() {
    return editor
        .get("/api/concepts/struck")
        .expect(200)
        .body()
        .valueStream()
        .filter(s -> s.path("concept").asString().equals("weight"))
        .toList();
  }

  private List<JsonNode> leftOut(long product) {
    return proof(product)
        .path("leftOut")
        .valueStream()
        .filter(f -> f.path("label").asString().equals("Weight"))
        .toList();
  }

  @Test
  void what_is_struck_out_of_three_texts_is_offered_and_left_to_the_list_on_a_yes() {
    // Written anew is not struck out.
    strike(editor, 0, "910 g", "It holds pears.");
    strike(editor, 1, "710 g", "It holds apples.");
    strike(writer, 2, "510 g", "It holds apples.");
    assertThat(offered()).isEmpty();
    strike(writer, 0, "910 g", "It holds apples.");
    assertThat(offered())
        .singleElement()
        .satisfies(
            s -> {
              assertThat(s.path("label").asString()).isEqualTo("Weight");
              assertThat(s.path("texts").asInt()).isEqualTo(3);
              assertThat(s.path("people").size()).isEqualTo(2);
            });

    writer.post("/api/concepts/weight/silence", Map.of()).expect(403);
    editor.post("/api/concepts/weight/silence", Map.of()).expect(200);
    try {
      assertThat(offered()).isEmpty();
      assertThat(leftOut(products.get(1)))
          .singleElement()
          .satisfies(
              f ->
                  assertThat(f.path("why").asString()).contains("The house leaves it to the list"));
      editor.write(products, 0, "plain");
      String text = proof(products.get(1)).path("fields").toString();
      assertThat(text).contains("Weight: 710 g").doesNotContain("weighs 710 g");
    } finally {
      editor.post("/api/concepts/weight/restore", Map.of()).expect(200);
    }
    assertThat(leftOut(products.get(1))).isEmpty();
    assertThat(offered()).hasSize(1);
    // What was decided once can be seen, whether it holds or not.
    JsonNode versions = editor.get("/api/concepts/weight/versions").expect(200).body();
    assertThat(versions).isNotEmpty();
    assertThat(versions.get(0).path("concept").path("say")).isEmpty();
    assertThat(versions.get(0).path("by").asString()).contains("@");
    assertThat(editor.get("/api/concepts/no_such_thing/versions").expect(200).body()).isEmpty();

    writer.post("/api/concepts/weight/keep-telling", Map.of()).expect(403);
    editor.post("/api/concepts/weight/keep-telling", Map.of()).expect(200);
    assertThat(offered()).isEmpty();
    editor.post("/api/concepts/no_such_thing/silence", Map.of()).expect(404);
  }
}
