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

/** A word that people change the same way again and again is offered as the house's, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class WordHabitsTest {
  private static final String SHEET =
      "SKU,Name,Category,Weight\nWH-1,Reedling,Baskets,900 g\nWH-2,Bittern,Baskets,700 g\nWH-3,Bulrush,Baskets,500 g\n";

  private Visitor editor;
  private Visitor writer;
  private final List<Long> products = new ArrayList<>();

  @BeforeAll
  void texts_are_written(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    products.addAll(editor.takeIn("WH.csv", SHEET));
    editor.write(products, 0, "plain");
  }

  private void save(Visitor who, long product, String text) {
    long revision = who.get("/api/proofs/" + product).expect(200).body().path("revision").asLong();
    who.seen(
            revision,
            "PUT",
            "/api/proofs/" + product + "/fields/short_description",
            Map.of("text", text))
        .expect(200);
  }

  private void change(Visitor who, long product, String before, String after) {
    save(who, product, "It is a " + before + " basket for a day out.");
    save(who, product, "It is a " + after + " basket for a day out.");
  }

  private List<JsonNode> offered(String word) {
    List<JsonNode> all = new ArrayList<>();
    editor
        .get("/api/style/habits")
        .expect(200)
        .body()
        .forEach(
            h -> {
              if (h.path("word").asString().equals(word)) {
                all.add(h);
              }
            });
    return all;
  }

  @Test
  void what_is_changed_in_three_texts_is_offered_until_it_is_left() {
    change(editor, products.get(0), "roomy", "spacious");
    change(writer, products.get(1), "roomy", "spacious");
    // The same text again is no third one.
    change(writer, products.get(1), "roomy", "spacious");
    assertThat(offered("roomy")).isEmpty();
    change(writer, products.get(2), "roomy", "spacious");
    assertThat(offered("roomy"))
        .singleElement()
        .satisfies(
            h -> {
              assertThat(h.path("instead").asString()).isEqualTo("spacious");
              assertThat(h.path("texts").asInt()).isEqualTo(3);
              assertThat(h.path("people").size()).isEqualTo(2);
            });
    Map<String, String> pair = Map.of("word", "roomy", "instead", "spacious");
    writer.post("/api/style/habits/left", pair).expect(403);
    editor.post("/api/style/habits/left", pair).expect(200);
    editor.post("/api/style/habits/left", pair).expect(200);
    assertThat(offered("roomy")).isEmpty();
  }

  @Test
  void a_fact_that_is_corrected_is_no_habit() {
    products.forEach(p -> change(editor, p, "900 g", "700 g"));
    for (long product : products) {
      save(editor, product, "Reedling weighs next to nothing.");
      save(editor, product, "Bittern weighs next to nothing.");
    }
    assertThat(offered("reedling")).isEmpty();
  }

  @Test
  void a_pair_without_words_is_refused() {
    assertThat(
            editor
                .post("/api/style/habits/left", Map.of("word", "", "instead", "spacious"))
                .status())
        .isEqualTo(400);
  }
}
