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

/** Marks that a person overrules, and what is left out of a text, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class OverrulingTest {
  private static final String SHEET =
      "SKU,Name,Category,Brand,Material,Weight,Finish,Flange\n"
          + "OV-1,Larder,Storage boxes,Heddle,steel,900 g,matt (powder),42/3 rh\n";

  private RunningRhetor.House house;
  private Visitor editor;
  private Visitor writer;
  private long product;

  @BeforeAll
  void a_text_is_written(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    long intake = editor.upload("OV.csv", SHEET).expect(200).id();
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    editor.write(List.of(), intake, "plain");
    product =
        editor
            .get("/api/products?intake=" + intake)
            .body()
            .path("items")
            .get(0)
            .path("id")
            .asLong();
  }

  private JsonNode proof() {
    return editor.get("/api/proofs/" + product).expect(200).body();
  }

  private static List<JsonNode> marks(JsonNode proof, String check) {
    List<JsonNode> marks = new ArrayList<>();
    for (JsonNode field : proof.path("fields")) {
      for (JsonNode mark : field.path("marks")) {
        if (mark.path("check").asString().equals(check)
            && field.path("code").asString().equals("short_description")) {
          marks.add(mark);
        }
      }
    }
    return marks;
  }

  private Visitor.Answer save(String text) {
    return editor.seen(
        proof().path("revision").asLong(),
        "PUT",
        "/api/proofs/" + product + "/fields/short_description",
        Map.of("text", text));
  }

  private Visitor.Answer letBe(Visitor who, JsonNode mark) {
    return who.seen(
        proof().path("revision").asLong(),
        "POST",
        "/api/proofs/" + product + "/let-be",
        Map.of(
            "field", "short_description",
            "sentence", mark.path("sentence").asInt(),
            "check", mark.path("check").asString(),
            "words", mark.path("words").asString()));
  }

  @Test
  void a_mark_that_somebody_lets_be_is_not_raised_again_for_that_sentence() {
    save("Larder is a storage box of oak. It weighs 900 g.").expect(200);
    List<JsonNode> before = marks(proof(), "support");
    assertThat(before)
        .singleElement()
        .satisfies(m -> assertThat(m.path("words").asString()).isEqualTo("oak"));

    letBe(writer, before.getFirst()).expect(403);
    JsonNode after = letBe(editor, before.getFirst()).expect(200).body();
    assertThat(marks(after, "support")).isEmpty();
    assertThat(after.path("overruled")).hasSize(1);
    letBe(editor, before.getFirst()).expect(404);

    // The sentence stands as it stood, whatever happens beside it.
    save("Larder is a storage box of oak. It weighs just 900 g.").expect(200);
    assertThat(marks(proof(), "support")).isEmpty();
    // Another sentence is another matter.
    save("Larder is a storage box made of oak. It weighs 900 g.").expect(200);
    assertThat(marks(proof(), "support")).hasSize(1);

    long overruled = proof().path("overruled").get(0).path("id").asLong();
    editor.post("/api/proofs/" + product + "/raise-again", Map.of("id", overruled)).expect(200);
    editor.post("/api/proofs/" + product + "/raise-again", Map.of("id", overruled)).expect(404);
    assertThat(proof().path("overruled")).isEmpty();
  }

  /** A text model is asked which cell bears out what stands in none by its words. */
  @Test
  void a_second_opinion_names_a_cell_and_holds_as_long_as_the_cell_does() {
    Visitor owner = house.as(Role.OWNER);
    long connection = house.connectFoolscap();
    save("Larder is a storage box of oak. The flange shoos mice and moths off the biscuits. Squirrels envy hedgehogs.")
        .expect(200);
    assertThat(marks(proof(), "no source")).hasSizeGreaterThan(1);
    Map<String, Object> shown =
        Map.of("connection", connection, "products", List.of(product), "ask", false);
    Map<String, Object> asked =
        Map.of("connection", connection, "products", List.of(product), "ask", true);

    JsonNode before = editor.post("/api/proofs/second-opinion", shown).expect(200).body();
    assertThat(before.path("sentences").asInt()).isEqualTo(2);
    assertThat(before.path("estimate").asDouble()).isPositive();
    assertThat(before.path("answered")).isEmpty();
    writer.post("/api/proofs/second-opinion", asked).expect(403);

    JsonNode opinion = editor.post("/api/proofs/second-opinion", asked).expect(200).body();
    assertThat(opinion.path("cost").asDouble()).isPositive();
    assertThat(opinion.path("answered").valueStream().map(a -> a.path("cell").asString()))
        .containsExactly("Flange", "");
    JsonNode after = proof();
    // What is of a closed kind, and what no cell bears out, stays.
    assertThat(marks(after, "support")).hasSize(1);
    assertThat(marks(after, "no source"))
        .allSatisfy(m -> assertThat(m.path("sentence").asInt()).isEqualTo(2));
    assertThat(after.path("overruled").get(0).path("opinionOf").asString()).isEqualTo("Foolscap");
    assertThat(after.path("overruled").get(0).path("cell").asString()).isEqualTo("42/3 rh");
    JsonNode again = editor.post("/api/proofs/second-opinion", shown).expect(200).body();
    assertThat(again.path("sentences").asInt()).isEqualTo(1);

    // The cell says something else now: the mark is raised again.
    long next = editor.upload("OV.csv", SHEET.replace("42/3 rh", "43/3 rh")).expect(200).id();
    editor.post("/api/intakes/" + next + "/take", Map.of()).expect(200);
    assertThat(marks(proof(), "no source"))
        .anySatisfy(m -> assertThat(m.path("sentence").asInt()).isEqualTo(1));
    assertThat(proof().path("overruled")).isEmpty();

    assertThat(
            editor
                .post(
                    "/api/proofs/second-opinion",
                    Map.of("connection", connection, "products", List.of(), "ask", true))
                .expect(422)
                .detail())
        .contains("1 to 100");
    owner.delete("/api/connections/" + connection).expect(200);
  }

  private Visitor.Answer thisIsSo(Visitor who, JsonNode mark, String label, String value) {
    return who.seen(
        proof().path("revision").asLong(),
        "POST",
        "/api/proofs/" + product + "/this-is-so",
        Map.of(
            "mark",
            Map.of(
                "field", "short_description",
                "sentence", mark.path("sentence").asInt(),
                "check", mark.path("check").asString(),
                "words", mark.path("words").asString()),
            "label",
            label,
            "value",
            value));
  }

  @Test
  void what_somebody_states_becomes_a_fact_with_their_name() {
    save("Larder is a storage box. Its lid is copper.").expect(200);
    JsonNode mark =
        marks(proof(), "support").stream()
            .filter(m -> m.path("words").asString().contains("copper"))
            .findFirst()
            .orElseThrow();
    assertThat(mark.path("mayBeStated").asBoolean()).isTrue();
    thisIsSo(writer, mark, "Lid", "copper").expect(403);
    assertThat(thisIsSo(editor, mark, " ", "copper").expect(422).detail()).contains("Say what");

    JsonNode after = thisIsSo(editor, mark, "Lid", "copper").expect(200).body();
    assertThat(marks(after, "support")).isEmpty();
    JsonNode facts = editor.get("/api/products/" + product).expect(200).body();
    assertThat(facts.toString()).contains("copper");
    thisIsSo(editor, mark, "Lid", "copper").expect(404);
    // It is a fact now, and bears out other sentences, too.
    save("Larder is a storage box with a copper lid.").expect(200);
    assertThat(marks(proof(), "support")).isEmpty();
    save("Larder is a storage box.").expect(200);
  }

  @Test
  void what_follows_from_the_house_s_rules_is_not_overruled() {
    JsonNode whole =
        proof()
            .path("fields")
            .valueStream()
            .flatMap(f -> f.path("marks").valueStream())
            .filter(m -> !m.path("mayBeOverruled").asBoolean())
            .findFirst()
            .orElse(null);
    if (whole == null) {
      save("Larder.").expect(200);
      whole =
          proof()
              .path("fields")
              .valueStream()
              .flatMap(f -> f.path("marks").valueStream())
              .filter(m -> !m.path("mayBeOverruled").asBoolean())
              .findFirst()
              .orElseThrow();
    }
    JsonNode mark = whole;
    editor
        .seen(
            proof().path("revision").asLong(),
            "POST",
            "/api/proofs/" + product + "/let-be",
            Map.of(
                "field", code(mark.path("field").asString()),
                "sentence", mark.path("sentence").asInt(),
                "check", mark.path("check").asString(),
                "words", mark.path("words").asString()))
        .expect(409);
  }

  private static String code(String field) {
    return field.toLowerCase(java.util.Locale.ROOT);
  }

  @Test
  void what_is_left_out_says_why_and_what_would_bring_it_in() {
    JsonNode leftOut = proof().path("leftOut");
    assertThat(leftOut)
        .anySatisfy(
            f -> {
              assertThat(f.path("label").asString()).isEqualTo("Finish");
              assertThat(f.path("why").asString()).contains("signs that nobody reads aloud");
              assertThat(f.path("remedy").asString()).isNotBlank();
            })
        .anySatisfy(
            f -> {
              assertThat(f.path("label").asString()).isEqualTo("Flange");
              // No words would help a value like that.
              assertThat(f.path("why").asString()).contains("aren't of one kind");
              assertThat(f.path("wantsWords").asBoolean()).isFalse();
            });
    assertThat(leftOut)
        .noneSatisfy(f -> assertThat(f.path("label").asString()).isEqualTo("Weight"));
  }
}
