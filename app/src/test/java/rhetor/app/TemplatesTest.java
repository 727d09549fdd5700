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

/** Templates are tried, kept in versions, and built after, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class TemplatesTest {
  private RunningRhetor.House house;
  private Visitor writer;
  private List<Long> products;

  @BeforeAll
  void somebody_takes_a_sheet_in(RunningRhetor.House house) {
    this.house = house;
    writer = house.as(Role.WRITER);
    String sheet =
        """
        Codice,Denominazione,Tipo,Marca,Materiale,Peso,Colore,Attacco,Contenuto
        TPL-1,Fell Pannier,Panniers,Tolvane,canvas,800 g,grey,rails of 8 to 11 mm,shoulder strap
        TPL-2,Moor Pannier,Panniers,Tolvane,nylon,900 g,red,,
        """;
    products = writer.takeIn("TPL.csv", sheet);
    assertThat(products).hasSize(2);
  }

  static Map<String, Object> template(Map<String, Object> decided) {
    Map<String, Object> layer = new HashMap<>(Map.of("voice", "", "audience", ""));
    for (String list : List.of("banned", "required", "notInTitles", "always", "instructions")) {
      layer.put(list, List.of());
    }
    layer.put("lengths", Map.of());
    Map<String, Object> template = new HashMap<>();
    template.put("about", "");
    template.put("questions", List.of());
    template.put("outline", List.of());
    template.put("fields", Map.of());
    template.put("style", layer);
    template.put("instructions", List.of());
    template.put("prompt", "");
    template.putAll(decided);
    return template;
  }

  private static Map<String, String> part(String kind, String heading, String text) {
    return Map.of("kind", kind, "heading", heading, "text", text);
  }

  private JsonNode tried(long id, int version, long product, Map<String, Object> template) {
    return writer
        .post(
            "/api/templates/try",
            Map.of("id", id, "version", version, "product", product, "template", template))
        .expect(200)
        .body();
  }

  private static String field(JsonNode text, String label) {
    for (JsonNode f : text.path("fields")) {
      if (f.path("label").asString().equals(label)) {
        return f.path("html").asString();
      }
    }
    return "";
  }

  @Test
  void a_template_is_tried_kept_written_after_and_compared_with_its_version_before() {
    Map<String, Object> first =
        template(
            Map.of(
                "outline",
                List.of(
                    part("OPENING", "", ""),
                    part("OWN", "On the rack", "It weighs {{weight}}."),
                    part("SPECIFICATION", "All facts", ""))));
    JsonNode trial = tried(0, 0, products.getFirst(), first);
    assertThat(trial.path("problems")).isEmpty();
    assertThat(field(trial.path("then"), "Description"))
        .contains("<h3>On the rack</h3>", "It weighs 800 g.", "<h3>All facts</h3>");
    assertThat(trial.path("prompt").asString()).contains("Fell Pannier", "It weighs 800 g.");
    assertThat(tried(0, 0, products.getFirst(), first)).as("the same again").isEqualTo(trial);

    long id =
        writer
            .post("/api/templates", Map.of("seen", 0, "name", "Racks TPL", "template", first))
            .expect(200)
            .id();
    Map<String, Object> wish = new HashMap<>(Visitor.wish(products, 0));
    wish.put("template", id);
    long run = writer.post("/api/runs", wish).expect(200).id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    JsonNode proof = writer.get("/api/proofs/" + products.getFirst()).body();
    assertThat(proof.path("fields").toString()).contains("On the rack", "It weighs 800 g.");

    Map<String, Object> second =
        template(Map.of("outline", List.of(part("OPENING", "", ""), part("STORY", "", ""))));
    JsonNode compared = tried(id, 1, products.getFirst(), second);
    assertThat(field(compared.path("before"), "Description")).contains("On the rack");
    assertThat(field(compared.path("then"), "Description")).doesNotContain("On the rack");
    Map<String, Object> order = Map.of("seen", 1, "name", "Racks TPL", "template", second);
    writer.put("/api/templates/" + id, order).expect(200);
    assertThat(writer.put("/api/templates/" + id, order).expect(412).detail())
        .contains("changed this template meanwhile");
    assertThat(writer.get("/api/templates/" + id + "/versions").body()).hasSize(2);
    assertThat(writer.get("/api/templates/" + id + "/versions/1").body().path("outline").toString())
        .contains("All facts");
    assertThat(line(id).path("texts").asInt()).isEqualTo(2);

    writer.delete("/api/templates/" + id).expect(403);
    house.as(Role.EDITOR).delete("/api/templates/" + id).expect(200);
    assertThat(writer.get("/api/proofs/" + products.getFirst()).status()).isEqualTo(200);
  }

  private JsonNode line(long id) {
    for (JsonNode t : writer.get("/api/templates").body().path("own")) {
      if (t.path("id").asLong() == id) {
        return t;
      }
    }
    throw new AssertionError(id);
  }

  @Test
  void what_cannot_be_obeyed_is_told_at_its_place_and_not_kept() {
    Map<String, Object> odd =
        template(
            Map.of(
                "outline", List.of(part("OWN", "", "One line.\nIt weighs {{wieght}}.")),
                "fields", Map.of("title", "{{> other}}")));
    JsonNode problems = tried(0, 0, products.getFirst(), odd).path("problems");
    assertThat(problems.toString()).contains("fields.title", "can't include");
    JsonNode slot = problems.get(0);
    assertThat(slot.path("where").asString()).isEqualTo("outline.0");
    assertThat(slot.path("line").asInt()).isEqualTo(2);
    assertThat(slot.path("column").asInt()).isEqualTo(13);
    assertThat(
            writer
                .post("/api/templates", Map.of("seen", 0, "name", "Odd TPL", "template", odd))
                .expect(422)
                .detail())
        .contains("perhaps \"weight\" is meant");
    assertThat(writer.get("/api/templates").body().path("own").toString())
        .doesNotContain("Odd TPL");
  }

  @Test
  void the_limits_of_a_template_hold_for_the_texts_built_after_it() {
    Map<String, Object> body = template(Map.of("outline", List.of(part("OPENING", "", ""))));
    @SuppressWarnings("unchecked")
    Map<String, Object> layer = new HashMap<>((Map<String, Object>) body.get("style"));
    layer.put("always", List.of("Built after a template."));
    body.put("style", layer);
    long id =
        writer
            .post("/api/templates", Map.of("seen", 0, "name", "Strict TPL", "template", body))
            .expect(200)
            .id();
    Map<String, Object> wish = new HashMap<>(Visitor.wish(products.subList(1, 2), 0));
    wish.put("template", id);
    long run = writer.post("/api/runs", wish).expect(200).id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    JsonNode proof = writer.get("/api/proofs/" + products.get(1)).body();
    assertThat(proof.toString()).contains("Built after a template.");
    assertThat(proof.toString()).doesNotContain("house sentence over");
    house.as(Role.EDITOR).delete("/api/templates/" + id).expect(200);
  }

  @Test
  void slots_are_offered_those_first_that_the_product_fills() {
    JsonNode slots = writer.get("/api/templates/slots?product=" + products.getFirst()).body();
    assertThat(slots.get(0).path("name").asString()).isEqualTo("name");
    assertThat(slots.get(0).path("value").asString()).isEqualTo("Fell Pannier");
    assertThat(slots.toString()).contains("800 g");
    assertThat(slots.get(slots.size() - 1).path("value").asString()).isEmpty();
    assertThat(writer.get("/api/templates").body().path("starting").size())
        .isGreaterThanOrEqualTo(12);
  }

  /** A template's style, looser than the house in three ways. */
  private static Map<String, Object> loose() {
    Map<String, Object> template = template(Map.of());
    Map<String, Object> style = new HashMap<>();
    ((Map<?, ?>) template.get("style")).forEach((k, v) -> style.put((String) k, v));
    style.put("exclamations", true);
    style.put("emoji", true);
    style.put(
        "lengths",
        Map.of(
            "title",
            Map.of("leastCharacters", 0, "mostCharacters", 300, "leastWords", 0, "mostWords", 0)));
    template.put("style", style);
    return template;
  }

  @Test
  void what_a_writer_makes_is_no_looser_than_the_house_until_an_editor_approves_it() {
    JsonNode kept =
        writer
            .post("/api/templates", Map.of("seen", 0, "name", "Loud", "template", loose()))
            .expect(200)
            .body();
    long id = kept.path("id").asLong();
    assertThat(kept.path("approved").asBoolean()).isFalse();
    assertThat(kept.path("looser").toString())
        .contains("emoji", "exclamation marks", "another length of the title");
    List<Long> products = writer.takeIn("loud.csv", "SKU,Name,Weight\nLD-1,Quay Bag,3 kg\n");
    Map<String, Object> wish = new HashMap<>(Visitor.wish(products, 0));
    wish.put("template", id);
    long run = writer.post("/api/runs", wish).expect(200).id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    String proof = "/api/proofs/" + products.getFirst();
    long seen = writer.get(proof).body().path("revision").asLong();
    writer
        .seen(seen, "PUT", proof + "/fields/title", Map.of("text", "Quay Bag, what a bag!"))
        .expect(200);
    assertThat(writer.get(proof).body().path("fields").get(0).path("marks").toString())
        .contains("exclamation");
    writer.post("/api/templates/" + id + "/approve", Map.of("seen", 1)).expect(403);
    Visitor editor = house.as(Role.EDITOR);
    editor.post("/api/templates/" + id + "/approve", Map.of("seen", 7)).expect(412);
    editor.post("/api/templates/" + id + "/approve", Map.of("seen", 1)).expect(200);
    assertThat(writer.get(proof).body().path("fields").get(0).path("marks").toString())
        .doesNotContain("exclamation");
    // What a writer changes afterwards waits for an editor again.
    assertThat(
            writer
                .put(
                    "/api/templates/" + id,
                    Map.of("seen", 1, "name", "Louder", "template", loose()))
                .expect(200)
                .body()
                .path("approved")
                .asBoolean())
        .isFalse();
  }
}
