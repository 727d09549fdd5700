package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What the house decides over HTTP about kinds of facts and kinds of products. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class HouseKnowledgeTest {
  private static final String SHEET =
      "SKU,Name,Category,Brand,Material,Diameter,Bell pitch\n"
          + "%s,Chapel,Cow bells,Heddle,brass,60 mm,A sharp\n";

  private RunningRhetor.House house;
  private Visitor editor;

  @BeforeAll
  void somebody_comes_in(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
  }

  private long takeIn(String sku, String sheet) {
    long intake = editor.upload(sku + ".csv", sheet.formatted(sku)).expect(200).id();
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    return intake;
  }

  private long product(long intake) {
    return editor
        .get("/api/products?intake=" + intake)
        .body()
        .path("items")
        .get(0)
        .path("id")
        .asLong();
  }

  private static Map<String, Object> kind(String id, String noun, String... names) {
    Map<String, Object> kind = new HashMap<>();
    kind.put("id", id);
    kind.put("noun", noun);
    kind.put("plural", noun + "s");
    kind.put("names", List.of(names));
    kind.put("essential", List.of());
    kind.put("matters", Map.of());
    kind.put("specification", List.of());
    kind.put("unspecified", List.of());
    kind.put("title", "");
    return kind;
  }

  private static Map<String, Object> concept(String id, String name, String form, String wording) {
    Map<String, Object> concept = new HashMap<>();
    concept.put("id", id);
    concept.put("label", "Pitch");
    concept.put("names", List.of(name));
    concept.put("kind", "WORDS");
    concept.put("unit", "");
    concept.put("theme", "performance");
    concept.put("weight", 90);
    concept.put("anyOrder", false);
    concept.put("sayOf", List.of());
    concept.put("taught", List.of());
    concept.put("notOf", List.of());
    concept.put("say", Map.of(form, List.of(wording)));
    return concept;
  }

  @Test
  void a_kind_of_fact_and_a_kind_of_product_of_the_house_s_own_come_into_the_text() {
    long before = takeIn("HK-1", SHEET);
    Map<String, Object> pitch = concept("bell_pitch", "bell pitch", "verb", "ring in {asis}");
    JsonNode trial = editor.post("/api/concepts/try", pitch).expect(200).body();
    assertThat(trial.path("problems")).isEmpty();
    assertThat(trial.path("have").asInt()).isEqualTo(1);
    assertThat(trial.path("examples").get(0).path("sentences").get(0).asString())
        .contains("ring")
        .contains("in A sharp");
    editor.put("/api/concepts/bell_pitch", pitch).expect(200);
    Map<String, Object> bells = kind("cow_bell", "cow bell", "cow bells");
    bells.put("essential", List.of("bell_pitch", "weight"));
    bells.put("specification", List.of("bell_pitch", "diameter"));
    bells.put("unspecified", List.of("material"));
    editor.put("/api/kinds/cow_bell", bells).expect(200);
    long intake = takeIn("HK-2", SHEET);
    long product = product(intake);
    editor.write(List.of(product), intake, "plain");
    String proof = editor.get("/api/proofs/" + product).expect(200).body().toString();
    assertThat(proof).contains("rings in A sharp", "cow bell", "\"Pitch: A sharp\"");
    assertThat(proof.indexOf("Pitch: A sharp")).isLessThan(proof.indexOf("Diameter: 60 mm"));
    assertThat(proof).doesNotContain("\"Material: brass\"");
    assertThat(editor.get("/api/products/" + product).expect(200).body().path("missing").toString())
        .contains("Weight")
        .doesNotContain("Pitch");
    JsonNode view = editor.get("/api/kinds/cow_bell").expect(200).body();
    assertThat(view.path("state").asString()).isEqualTo("OWN");
    assertThat(view.path("facts").findValuesAsString("label"))
        .contains("Pitch", "Diameter", "Weight")
        .doesNotContain("Name");
    // A text of that kind is stale once the list is set otherwise.
    bells.put("unspecified", List.of());
    bells.put("title", "{{name}}, {{bell_pitch}}, {{diameter}}");
    JsonNode tried = editor.post("/api/kinds/try", bells).expect(200).body();
    assertThat(tried.path("texts").asInt()).isEqualTo(1);
    assertThat(tried.path("examples").get(0).path("now").toString()).doesNotContain("brass");
    assertThat(tried.path("examples").get(0).path("then").toString()).contains("Material: brass");
    String title = tried.path("examples").get(0).path("titleThen").asString();
    assertThat(title).endsWith(", A sharp, 60 mm");
    assertThat(tried.path("examples").get(0).path("titleNow").asString()).isNotEqualTo(title);
    assertThat(editor.put("/api/kinds/cow_bell", bells).expect(200).body().path("texts").asInt())
        .isEqualTo(1);
    assertThat(editor.get("/api/products?state=STALE&intake=" + intake).body().path("items"))
        .hasSize(1);
    editor.write(List.of(product), intake, "plain");
    assertThat(editor.get("/api/proofs/" + product).expect(200).body().toString()).contains(title);
    Map<String, Object> nameless = new HashMap<>(bells);
    nameless.put("title", "{{bell_pitch}}");
    assertThat(editor.put("/api/kinds/cow_bell", nameless).expect(422).detail())
        .contains("{{name}}");
    assertThat(editor.post("/api/concepts/bell_pitch/restore", Map.of()).expect(409).detail())
        .contains("cow bells", "Take it out there first");
    editor.get("/api/products/" + product).expect(200);
    editor.post("/api/kinds/cow_bell/restore", Map.of()).expect(200);
    editor.post("/api/concepts/bell_pitch/restore", Map.of()).expect(200);
    editor.get("/api/kinds/cow_bell").expect(404);
    assertThat(before).isLessThan(intake);
  }

  @Test
  void one_kind_of_product_has_words_of_its_own_for_a_fact() {
    long intake =
        takeIn("HK-5", "SKU,Name,Category,Material,Bulb\n%s,Lee Lamp,Table lamps,oak,E27\n");
    long product = product(intake);
    JsonNode choices = editor.get("/api/concepts/choices").expect(200).body();
    String lamp =
        choices
            .path("classes")
            .valueStream()
            .filter(c -> c.path("plural").asString().equals("lamps"))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asString();
    Map<String, Object> changed = concept("bulb", "bulb", "verb", "take {asis} bulbs");
    changed.put("label", "Lamp base");
    changed.put(
        "sayOf",
        List.of(
            Map.of(
                "classes",
                List.of(lamp),
                "say",
                Map.of("verb", List.of("glow with {asis} bulbs")))));
    changed.put("notOf", List.of(lamp));
    editor.put("/api/concepts/bulb", changed).expect(200);
    editor.write(List.of(product), intake, "plain");
    assertThat(editor.get("/api/proofs/" + product).body().toString())
        .contains("glows with E27 bulbs")
        .doesNotContain("takes E27 bulbs");
    changed.put("notOf", List.of("no_such_kind"));
    assertThat(editor.put("/api/concepts/bulb", changed).expect(422).detail())
        .contains("no_such_kind");
    editor.post("/api/concepts/bulb/restore", Map.of()).expect(200);
  }

  @Test
  void words_of_a_fact_that_ships_are_changed_for_this_house_and_put_back() {
    long intake =
        takeIn("HK-3", "SKU,Name,Category,Material,Bulb\n%s,Lee Lamp,Table lamps,oak,E27\n");
    long product = product(intake);
    JsonNode bulb =
        editor.get("/api/concepts?search=lamp+base").expect(200).body().get(0).path("concept");
    Map<String, Object> changed = concept("bulb", "bulb", "verb", "shine with {asis} bulbs");
    changed.put("label", "Lamp base");
    editor.put("/api/concepts/bulb", changed).expect(200);
    editor.write(List.of(product), intake, "plain");
    assertThat(editor.get("/api/proofs/" + product).body().toString())
        .contains("shines with E27 bulbs", "Lamp base: E27");
    assertThat(
            editor
                .post("/api/concepts/bulb/restore", Map.of())
                .expect(200)
                .body()
                .path("texts")
                .asInt())
        .isEqualTo(1);
    assertThat(
            editor.get("/api/concepts?search=lamp+base").expect(200).body().get(0).path("concept"))
        .isEqualTo(bulb);
  }

  @Test
  void what_cannot_stand_is_refused_with_what_to_do_and_nothing_is_kept() {
    assertThat(
            editor
                .put("/api/concepts/sheen", concept("sheen", "sheen", "verb", "shines at {v}"))
                .expect(422)
                .detail())
        .contains("dictionary");
    assertThat(
            editor
                .put("/api/concepts/heft", concept("heft", "weight", "with", "a heft of {v}"))
                .expect(422)
                .detail())
        .contains("read as Weight already");
    assertThat(editor.put("/api/kinds/x", kind("x", "", "lamps")).expect(422).detail())
        .contains("called in a sentence");
    Map<String, Object> both = kind("mug", "mug", "mugs");
    both.put("specification", List.of("colour"));
    both.put("unspecified", List.of("colour"));
    assertThat(editor.put("/api/kinds/mug", both).expect(422).detail()).contains("colour");
    assertThat(editor.put("/api/kinds/mug", kind("bowl", "bowl", "bowls")).expect(422).detail())
        .contains("can't be changed");
    assertThat(editor.get("/api/concepts?state=OWN").body()).isEmpty();
    assertThat(editor.get("/api/kinds/mug").body().path("state").asString())
        .isEqualTo("AS_DELIVERED");
  }

  @Test
  void only_editors_decide() {
    Visitor writer = house.as(Role.WRITER);
    writer.get("/api/kinds").expect(200);
    writer.post("/api/concepts/try", concept("p", "p", "with", "{v}")).expect(200);
    writer.put("/api/kinds/mug", kind("mug", "mug", "mugs")).expect(403);
    writer.put("/api/concepts/p", concept("p", "p", "with", "{v}")).expect(403);
    writer.post("/api/kinds/mug/restore", Map.of()).expect(403);
  }
}
