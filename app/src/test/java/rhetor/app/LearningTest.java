package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
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

  private Visitor editor;
  private Visitor writer;
  private long intake;

  @BeforeAll
  void texts_are_written(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    intake = editor.upload("LT.csv", SHEET).expect(200).id();
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    editor.write(List.of(), intake, "plain");
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

    Map<String, String> wording =
        Map.of("heading", "Strike tone LT", "form", "verb", "wording", "ring {asis}");
    writer.post("/api/concepts/wordings", wording).expect(403);
    int texts =
        editor.post("/api/concepts/wordings", wording).expect(200).body().path("texts").asInt();
    assertThat(texts).isEqualTo(3);
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
  void headings_that_begin_alike_or_have_no_latin_letters_are_kept_apart() {
    String begins = "How far the clapper swings from one side ";
    List<String> headings = List.of(begins + "to the left", begins + "to the right", "Звон", "Тон");
    headings.forEach(
        h ->
            editor
                .post(
                    "/api/concepts/wordings",
                    Map.of("heading", h, "form", "verb", "wording", "swing {asis}"))
                .expect(200));
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
                  .post(
                      "/api/concepts/wordings",
                      Map.of("heading", "Clapper LT", "form", "verb", "wording", wrong))
                  .expect(422)
                  .detail())
          .as(wrong)
          .isNotBlank();
    }
    editor
        .post(
            "/api/concepts/wordings",
            Map.of("heading", "Clapper LT", "form", "shout", "wording", "ring {asis}"))
        .expect(422);
  }
}
