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

/** Takes side by side, lines of several in one text, and rewriting, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class TakesTest {
  private Visitor writer;
  private long product;

  @BeforeAll
  void a_product_has_texts_in_a_warm_voice(RunningRhetor.House house) {
    writer = house.as(Role.WRITER);
    long intake =
        writer
            .upload(
                "takes.csv",
                "SKU,Name,Category,Brand,Material,Capacity,Weight,Closure,IP rating,Colour\n"
                    + "TK-1,Wharf Pannier,Panniers,Tolvane,recycled polyester,20 l,940 g,roll-top,IPX6,black\n")
            .expect(200)
            .id();
    writer.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    long run = writer.write(List.of(), intake, "warm");
    assertThat(writer.get("/api/runs/" + run).body().path("run").path("voice").asString())
        .isEqualTo("warm");
    product =
        writer
            .get("/api/products?intake=" + intake)
            .body()
            .path("items")
            .get(0)
            .path("id")
            .asLong();
  }

  private String proofs() {
    return "/api/proofs/" + product;
  }

  private JsonNode proof() {
    return writer.get(proofs()).expect(200).body();
  }

  /** Sends a wish with the revision that counts now. */
  private Visitor.Answer wish(String path, Object body) {
    return writer.seen(proof().path("revision").asLong(), "POST", proofs() + path, body);
  }

  private static JsonNode field(JsonNode owner, String code) {
    for (JsonNode field : owner.path("fields")) {
      if (field.path("code").asString().equals(code)) {
        return field;
      }
    }
    throw new AssertionError("no field " + code);
  }

  private static List<String> sentences(JsonNode field) {
    List<String> sentences = new ArrayList<>();
    field
        .path("blocks")
        .forEach(b -> b.path("sentences").forEach(s -> sentences.add(s.path("text").asString())));
    return sentences;
  }

  private JsonNode takes() {
    return writer.get(proofs() + "/takes?voice=lively&number=3").expect(200).body();
  }

  @Test
  void takes_differ_carry_footnotes_and_are_the_same_when_asked_for_again() {
    JsonNode takes = takes();
    assertThat(takes.findValuesAsString("numeral")).containsExactly("I", "II", "III");
    assertThat(sentences(field(takes.get(0), "description")))
        .isNotEqualTo(sentences(field(takes.get(1), "description")));
    assertThat(field(takes.get(0), "description").path("footnotes").size()).isGreaterThan(3);
    assertThat(takes()).isEqualTo(takes);
  }

  @Test
  void a_take_can_be_made_the_text_that_counts_and_taken_back() {
    JsonNode before = field(proof(), "description");
    JsonNode second = field(takes().get(1), "description");
    wish("/takes", Map.of("voice", "lively", "take", 2, "fields", List.of("description")))
        .expect(200);
    assertThat(sentences(field(proof(), "description"))).isEqualTo(sentences(second));
    assertThat(proof().path("history").get(0).path("note").asString())
        .isEqualTo("Description of take II, lively");
    wish("/undo", Map.of()).expect(200);
    assertThat(sentences(field(proof(), "description"))).isEqualTo(sentences(before));
  }

  @Test
  void lines_of_several_takes_make_one_text_with_their_sources() {
    JsonNode takes = takes();
    List<String> second = sentences(field(takes.get(1), "description"));
    List<String> now = sentences(field(proof(), "description"));
    JsonNode proof =
        wish(
                "/lines",
                Map.of(
                    "field",
                    "description",
                    "voice",
                    "lively",
                    "lines",
                    List.of(
                        Map.of("take", 2, "sentence", 0, "text", second.get(0)),
                        Map.of("take", 0, "sentence", 1, "text", now.get(1)))))
            .expect(200)
            .body();
    JsonNode description = field(proof, "description");
    assertThat(sentences(description).get(0)).isEqualTo(second.get(0));
    assertThat(description.path("blocks").get(0).path("sentences").get(1).path("footnotes").size())
        .isPositive();
    assertThat(sentences(description)).as("the specification stays").contains("Specification");
  }

  @Test
  void a_line_that_is_written_otherwise_by_now_is_refused() {
    assertThat(
            wish(
                    "/lines",
                    Map.of(
                        "field",
                        "description",
                        "voice",
                        "lively",
                        "lines",
                        List.of(Map.of("take", 1, "sentence", 0, "text", "It flies."))))
                .expect(412)
                .body()
                .path("detail")
                .asString())
        .contains("It flies.");
  }

  @Test
  void what_a_rewriting_shows_is_what_is_kept_and_nothing_is_kept_before() {
    List<String> before = sentences(field(proof(), "description"));
    Map<String, Object> wish =
        Map.of("field", "description", "way", "SHORTER", "voice", "plain", "take", 0);
    List<String> shown = sentences(writer.post(proofs() + "/rewriting", wish).expect(200).body());
    assertThat(sentences(field(proof(), "description"))).isEqualTo(before);
    assertThat(shown).isNotEqualTo(before);
    JsonNode kept = wish("/rewritten", wish).expect(200).body();
    assertThat(sentences(field(kept, "description"))).isEqualTo(shown);
  }

  @Test
  void bad_wishes_are_refused_with_what_to_do() {
    assertThat(
            writer.get(proofs() + "/takes?number=11").expect(422).body().path("detail").asString())
        .contains("1 to 10");
    assertThat(
            writer
                .get(proofs() + "/takes?voice=shrill")
                .expect(422)
                .body()
                .path("detail")
                .asString())
        .contains("shrill");
    assertThat(
            writer
                .post(
                    proofs() + "/rewriting",
                    Map.of("field", "tags", "way", "LONGER", "voice", "plain", "take", 0))
                .expect(422)
                .body()
                .path("detail")
                .asString())
        .contains("by hand");
    writer
        .seen(
            1,
            "POST",
            proofs() + "/takes",
            Map.of("voice", "plain", "take", 1, "fields", List.of()))
        .expect(412);
  }
}
