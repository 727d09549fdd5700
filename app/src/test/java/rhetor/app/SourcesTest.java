package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What suppliers send again, and what people say about it. */
@ExtendWith(RunningRhetor.class)
class SourcesTest {
  private static final Map<String, Object> NO_RULES = Map.of();
  private final Visitor writer;
  private final House house;

  SourcesTest(House house) {
    this.house = house;
    this.writer = house.as(Role.WRITER);
  }

  private JsonNode drop(String supplier, String file, String text) {
    return writer.upload(supplier, file, text.getBytes(StandardCharsets.UTF_8)).expect(200).body();
  }

  private JsonNode take(JsonNode intake) {
    return writer
        .post("/api/intakes/" + intake.path("id").asLong() + "/take", NO_RULES)
        .expect(200)
        .body();
  }

  private JsonNode line(String sku) {
    JsonNode items = writer.get("/api/products?search=" + sku).expect(200).body().path("items");
    return items.isEmpty() ? null : items.get(0);
  }

  private JsonNode product(String sku) {
    return writer.get("/api/products/" + line(sku).path("id").asLong()).expect(200).body();
  }

  private static String value(JsonNode product, String fact) {
    for (JsonNode f : product.path("facts")) {
      if (f.path("id").asString().equals(fact)) {
        return f.path("value").asString();
      }
    }
    return "";
  }

  private static List<String> outcomes(JsonNode dryRun) {
    List<String> outcomes = new ArrayList<>();
    for (JsonNode l : dryRun.path("lines")) {
      outcomes.add(l.path("outcome").asString() + " " + l.path("sku").asString());
    }
    return outcomes;
  }

  /** Has a text written for a product. */
  private void write(long product) {
    long run =
        writer
            .post(
                "/api/runs",
                Map.of(
                    "products",
                    List.of(product),
                    "search",
                    "",
                    "state",
                    "ALL",
                    "intake",
                    0,
                    "leaveSignedOff",
                    true,
                    "seed",
                    1))
            .expect(200)
            .id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
  }

  private static final String LAST =
      """
      SKU,Name,Category,Weight,Material,Shelf
      KN-1,Roll Pannier,Panniers,940 g,nylon,R1
      KN-2,Tour Pannier,Panniers,1120 g,nylon,R2
      """;

  @Test
  void a_known_layout_is_recognised_and_read_as_it_was_corrected() {
    String own = LAST.replace("Name,", "Knowle name,").replace("Weight", "Knowle weight");
    JsonNode first = drop("Knowle", "knowle-may.csv", own);
    writer
        .put(
            "/api/intakes/" + first.path("id").asLong() + "/columns",
            Map.of(
                "columns",
                List.of(
                    Map.of("column", 1, "meaning", "name"),
                    Map.of("column", 3, "meaning", "weight"),
                    Map.of("column", 5, "meaning", "keep"))))
        .expect(200);
    take(first);
    JsonNode second =
        drop("", "something-else.csv", own.replace("KN-", "KM-").replace("Shelf", "shelf"));
    assertThat(second.path("supplier").asString()).isEqualTo("Knowle");
    assertThat(second.path("columns").get(5).path("meaning").asString()).isEqualTo("keep");
    assertThat(second.path("hasToBeSeen").asBoolean()).isFalse();
    take(second);
  }

  @Test
  void a_changed_layout_has_to_be_looked_at_before_it_is_taken_in() {
    take(drop("Shifty", "shifty-may.csv", LAST.replace("KN-", "SH-")));
    JsonNode now =
        drop(
            "Shifty",
            "shifty-june.csv",
            """
            SKU,Name,Category,Weight,Fabric,Hood
            SH-1,Roll Pannier,Panniers,0.94 kg,nylon,no
            SH-2,Tour Pannier,Panniers,1.12 kg,nylon,no
            """);
    List<String> changes = new ArrayList<>();
    now.path("changes")
        .forEach(
            c ->
                changes.add(
                    c.path("change").asString()
                        + " "
                        + c.path("before").asString()
                        + ">"
                        + c.path("now").asString()));
    assertThat(changes)
        .contains(
            "OTHER_VALUES Weight>Weight", "RENAMED Material>Fabric", "NEW >Hood", "GONE Shelf>");
    String path = "/api/intakes/" + now.path("id").asLong();
    assertThat(writer.post(path + "/take", NO_RULES).expect(409).detail())
        .contains("not like the last one of Shifty");
    writer.put(path + "/seen", Map.of()).expect(200);
    writer.post(path + "/take", NO_RULES).expect(200);
    assertThat(value(product("SH-1"), "weight")).isEqualTo("0.94 kg");
  }

  @Test
  void a_dry_run_says_what_would_happen_and_stores_nothing() {
    take(
        drop(
            "Drey",
            "drey-may.csv",
            LAST.replace("KN-", "DR-") + "DR-9,Old Bag,Panniers,1 kg,nylon,R\n"));
    JsonNode now =
        drop(
            "Drey",
            "drey-june.csv",
            """
            SKU,Name,Category,Weight,Material,Shelf
            DR-1,Roll Pannier,Panniers,980 g,nylon,R1
            DR-2,Tour Pannier,Panniers,1120 g,nylon,R2
            DR-3,Bar Bag,Handlebar bags,410 g,nylon,R3
            DR-3,Bar Bag,Handlebar bags,410 g,nylon,R3
            ,No Code,Panniers,1 kg,nylon,R4
            Total,,,,,
            """);
    String path = "/api/intakes/" + now.path("id").asLong();
    JsonNode dry = writer.post(path + "/dry-run", NO_RULES).expect(200).body();
    assertThat(outcomes(dry))
        .containsExactlyInAnyOrder(
            "CHANGED DR-1",
            "UNCHANGED DR-2",
            "NEW DR-3",
            "DUPLICATE ",
            "REJECTED ",
            "REJECTED ",
            "GONE DR-9");
    JsonNode change =
        dry.path("lines")
            .valueStream()
            .filter(l -> l.path("outcome").asString().equals("CHANGED"))
            .findFirst()
            .orElseThrow();
    assertThat(change.path("changes").get(0).path("label").asString()).isEqualTo("Weight");
    assertThat(change.path("changes").get(0).path("before").asString()).isEqualTo("940 g");
    assertThat(change.path("changes").get(0).path("after").asString()).isEqualTo("980 g");
    assertThat(line("DR-3")).isNull();
    assertThat(value(product("DR-1"), "weight")).isEqualTo("940 g");
    String rejected =
        new String(writer.get(path + "/rejected").expect(200).bytes(), StandardCharsets.UTF_8);
    assertThat(rejected.lines().toList())
        .hasSize(4)
        .first()
        .isEqualTo("SKU,Name,Category,Weight,Material,Shelf,reason");
    assertThat(rejected).contains(",No Code,Panniers,1 kg,nylon,R4,The SKU is missing.");
  }

  @Test
  void an_intake_can_be_taken_back_as_if_it_had_never_been() {
    take(drop("Backe", "backe-may.csv", LAST.replace("KN-", "BK-")));
    JsonNode june =
        drop(
            "Backe",
            "backe-june.csv",
            LAST.replace("KN-", "BK-").replace("940 g", "990 g")
                + "BK-3,New Bag,Panniers,1 kg,nylon,R\n");
    take(june);
    assertThat(value(product("BK-1"), "weight")).isEqualTo("990 g");
    String path = "/api/intakes/" + june.path("id").asLong();
    JsonNode back = writer.post(path + "/take-back", Map.of()).expect(200).body();
    assertThat(back.path("removed").asInt()).isEqualTo(1);
    assertThat(back.path("restored").asInt()).isEqualTo(2);
    assertThat(value(product("BK-1"), "weight")).isEqualTo("940 g");
    assertThat(line("BK-3")).isNull();
    assertThat(writer.post(path + "/take-back", Map.of()).expect(409).detail())
        .contains("Only a sheet that has been taken in");
    house.as(Role.READER).post(path + "/take-back", Map.of()).expect(403);
  }

  @Test
  void products_that_were_written_for_stay_when_their_intake_is_taken_back() {
    JsonNode intake = drop("Stay", "stay.csv", LAST.replace("KN-", "ST-"));
    take(intake);
    long id = line("ST-1").path("id").asLong();
    write(id);
    JsonNode back =
        writer
            .post("/api/intakes/" + intake.path("id").asLong() + "/take-back", Map.of())
            .expect(200)
            .body();
    assertThat(back.path("kept").asInt()).isEqualTo(1);
    assertThat(back.path("removed").asInt()).isEqualTo(1);
    assertThat(writer.get("/api/proofs/" + id).expect(200).body().path("fields").size())
        .isPositive();
  }

  @Test
  void signed_off_products_can_be_left_alone() {
    take(drop("Alone", "alone.csv", LAST.replace("KN-", "AL-")));
    long id = line("AL-1").path("id").asLong();
    Visitor editor = house.as(Role.EDITOR);
    write(id);
    long revision = editor.get("/api/proofs/" + id).body().path("revision").asLong();
    editor.seen(revision, "POST", "/api/proofs/" + id + "/sign-off", Map.of()).expect(200);
    JsonNode june =
        drop("Alone", "alone-june.csv", LAST.replace("KN-", "AL-").replace(" g,", "0 g,"));
    String path = "/api/intakes/" + june.path("id").asLong();
    writer.put(path + "/seen", Map.of());
    JsonNode result =
        writer
            .post(path + "/take", Map.of("leaveSignedOff", true))
            .expect(200)
            .body()
            .path("result");
    assertThat(result.path("left").asInt()).isEqualTo(1);
    assertThat(result.path("changed").asInt()).isEqualTo(1);
    assertThat(value(product("AL-1"), "weight")).isEqualTo("940 g");
    assertThat(value(product("AL-2"), "weight")).isEqualTo("11,200 g");
  }

  @Test
  void two_suppliers_that_disagree_are_settled_by_a_person_once() {
    take(drop("Maker", "maker.csv", LAST.replace("KN-", "ZW-")));
    take(
        drop(
            "Wholesale",
            "wholesale.csv",
            "Code,Title,Weight,Closure\nZW-1,PANNIER ROLL,1.2 kg,roll-top\n"));
    JsonNode product = product("ZW-1");
    assertThat(product.path("line").path("name").asString()).isEqualTo("Roll Pannier");
    assertThat(product.path("line").path("disputed").asInt()).isEqualTo(1);
    assertThat(value(product, "closure")).isEqualTo("roll-top");
    JsonNode dispute = product.path("contradictions").get(0);
    assertThat(dispute.path("id").asString()).isEqualTo("weight");
    assertThat(dispute.path("versions").findValuesAsString("value"))
        .containsExactly("940 g", "1.2 kg");
    assertThat(writer.get("/api/products?state=DISPUTED&search=ZW-").body().path("total").asInt())
        .isEqualTo(1);
    String path =
        "/api/products/" + product.path("line").path("id").asLong() + "/settlements/weight";
    writer.put(path, Map.of("version", 7)).expect(422);
    JsonNode settled = writer.put(path, Map.of("version", 0)).expect(200).body();
    assertThat(value(settled, "weight")).isEqualTo("940 g");
    assertThat(settled.path("contradictions").size()).isZero();
    assertThat(writer.put(path, Map.of("version", 0)).expect(409).detail()).contains("settled");
    assertThat(writer.delete(path).expect(200).body().path("contradictions").size()).isEqualTo(1);
  }

  @Test
  void what_is_missing_is_listed_by_class_and_filled_in_from_a_spreadsheet() {
    take(drop("Missing", "missing.csv", LAST.replace("KN-", "MS-")));
    JsonNode page = writer.get("/api/missing?productClass=pannier").expect(200).body();
    assertThat(page.path("columns").findValuesAsString("id"))
        .containsExactly("capacity", "material", "mount", "weight");
    long id = line("MS-1").path("id").asLong();
    JsonNode answer =
        writer
            .post(
                "/api/missing",
                Map.of(
                    "cells",
                    List.of(
                        Map.of("product", id, "fact", "capacity", "text", "20 l"),
                        Map.of("product", id, "fact", "mount", "text", "two hooks"),
                        Map.of("product", id, "fact", "weight", "text", "rather light"))))
            .expect(200)
            .body();
    assertThat(answer.path("kept").asInt()).isEqualTo(2);
    assertThat(answer.path("refusals").get(0).path("why").asString()).contains("rather light");
    JsonNode product = product("MS-1");
    assertThat(value(product, "capacity")).isEqualTo("20 l");
    assertThat(product.path("line").path("missing").asInt()).isZero();
    assertThat(product.path("missing").size()).isZero();
    house.as(Role.READER).post("/api/missing", Map.of("cells", List.of())).expect(403);
  }

  @Test
  void a_house_name_is_tried_on_real_values_and_works_backwards() {
    take(
        drop(
            "Named",
            "named.csv",
            "SKU,Name,Category,Colour\nNM-1,Lane,Backpacks,moss\nNM-2,Lane,Backpacks,black\n"));
    Map<String, Object> name = Map.of("kind", "COLOUR", "written", "moss", "printed", "fern green");
    JsonNode trial = writer.post("/api/house-names/try", name).expect(200).body();
    assertThat(trial.path("products").asInt()).isPositive();
    assertThat(trial.path("examples").get(0).path("after").asString()).isEqualTo("fern green");
    assertThat(value(product("NM-1"), "colour")).isEqualTo("moss");
    JsonNode all = writer.post("/api/house-names", name).expect(200).body();
    assertThat(value(product("NM-1"), "colour")).isEqualTo("fern green");
    assertThat(
            writer
                .post("/api/house-names", Map.of("kind", "UNIT", "written", "g", "printed", "cm"))
                .expect(422)
                .detail())
        .contains("measures mass");
    writer.delete("/api/house-names/" + all.get(0).path("id").asLong()).expect(200);
    assertThat(value(product("NM-1"), "colour")).isEqualTo("moss");
  }

  @Test
  void every_suppliers_sheet_of_the_demo_house_comes_in_from_its_own_format() throws Exception {
    for (String file : List.of("brightwick-lighting.xlsx", "oskerby-rainwear.jsonl")) {
      byte[] bytes = Files.readAllBytes(Path.of("../demo/sheets", file));
      JsonNode intake = writer.upload("Demo " + file, file, bytes).expect(200).body();
      for (int i = 0; i < intake.path("columns").size(); i++) {
        JsonNode choices = intake.path("columns").get(i).path("choices");
        if (!choices.isEmpty()) {
          writer
              .put(
                  "/api/intakes/" + intake.path("id").asLong() + "/columns",
                  Map.of(
                      "columns",
                      List.of(Map.of("column", i, "meaning", choices.get(0).asString()))))
              .expect(200);
        }
      }
      JsonNode taken = take(intake);
      assertThat(taken.path("result").path("added").asInt()).as(file).isEqualTo(36);
      byte[] out =
          writer.get("/api/intakes/" + intake.path("id").asLong() + "/sheet").expect(200).bytes();
      assertThat(new String(out, 0, 2, StandardCharsets.ISO_8859_1))
          .isEqualTo(file.endsWith("xlsx") ? "PK" : "re");
    }
  }

  @Test
  void a_heading_row_can_be_chosen_and_a_wrong_choice_is_refused() {
    JsonNode intake =
        drop("Shape", "shape.csv", "Our list,for you\nSKU,Name\nSP-1,Lamp\nSP-2,Lock\n");
    String path = "/api/intakes/" + intake.path("id").asLong();
    assertThat(writer.get(path + "/top").expect(200).body().size()).isEqualTo(4);
    JsonNode shaped =
        writer
            .put(
                path + "/shape",
                Map.of("worksheet", "", "headingRow", 2, "headingRows", 1, "firstRow", 3))
            .expect(200)
            .body();
    assertThat(shaped.path("columns").findValuesAsString("heading")).containsExactly("SKU", "Name");
    assertThat(
            writer
                .put(
                    path + "/shape",
                    Map.of("worksheet", "", "headingRow", 4, "headingRows", 1, "firstRow", 2))
                .expect(422)
                .detail())
        .contains("below the headings");
    assertThat(take(intake).path("result").path("added").asInt()).isEqualTo(2);
  }

  @Test
  void variants_are_proposed_kept_corrected_and_dissolved() {
    take(
        drop(
            "Variants",
            "variants.csv",
            """
            SKU,Name,Brand,Category,Colour
            VR-1,Vesper Shirt,Oskerby,Shirts,red
            VR-2,Vesper Shirt,Oskerby,Shirts,black
            VR-3,Vesper Shirt,Oskerby,Shirts,grey
            """));
    writer.until("/api/variants", v -> !v.path("isLooking").asBoolean());
    JsonNode proposal =
        writer
            .get("/api/variants")
            .expect(200)
            .body()
            .path("proposals")
            .valueStream()
            .filter(p -> p.path("name").asString().equals("Vesper Shirt"))
            .findFirst()
            .orElseThrow();
    assertThat(proposal.path("axes").findValuesAsString("label")).containsExactly("Colour");
    List<Long> members = new ArrayList<>();
    proposal.path("members").forEach(m -> members.add(m.path("id").asLong()));
    Map<String, Object> group = Map.of("name", "Vesper Shirt", "members", members);
    long id = writer.post("/api/variants", group).expect(200).id();
    assertThat(writer.post("/api/variants", group).expect(409).detail()).contains("groups already");
    writer.delete("/api/variants/" + id + "/members/" + members.getFirst()).expect(200);
    assertThat(writer.get("/api/variants/" + id).expect(200).body().path("members").size())
        .isEqualTo(2);
    writer.put("/api/variants/" + id + "/members/" + members.getFirst(), Map.of()).expect(200);
    writer.delete("/api/variants/" + id).expect(200);
    writer.get("/api/variants/" + id).expect(404);
    house.as(Role.READER).post("/api/variants/all", Map.of()).expect(403);
  }

  @Test
  void an_outing_is_entered_by_hand_and_a_pasted_text_gives_facts() {
    assertThat(writer.get("/api/hand/sorts").expect(200).body().size()).isEqualTo(4);
    long outing =
        writer
            .post(
                "/api/hand",
                Map.of(
                    "sku", "HD-1",
                    "name", "Fen Rim Day Ride",
                    "text", "",
                    "facts",
                        List.of(
                            Map.of("fact", "category", "label", "Type", "text", "Guided rides"),
                            Map.of("fact", "distance", "label", "Distance", "text", "42 km"),
                            Map.of("fact", "", "label", "Picnic stop", "text", "Cawl Tor"))))
            .expect(200)
            .id();
    JsonNode product = writer.get("/api/products/" + outing).expect(200).body();
    assertThat(value(product, "distance")).isEqualTo("42 km");
    assertThat(value(product, "extra:picnic stop")).isEqualTo("Cawl Tor");
    Map<String, Object> paste =
        Map.of(
            "sku", "HD-2",
            "name", "Roll Pannier",
            "text", "<p>It weighs 940 g.</p><table><tr><td>Capacity</td><td>20 l</td></tr></table>",
            "facts", List.of());
    JsonNode found = writer.post("/api/hand/look", paste).expect(200).body();
    assertThat(found.path("facts").findValuesAsString("value")).contains("940 g", "20 l");
    assertThat(line("HD-2")).isNull();
    writer.post("/api/hand", paste).expect(200);
    assertThat(value(product("HD-2"), "capacity")).isEqualTo("20 l");
    assertThat(
            writer
                .post("/api/hand", Map.of("sku", " ", "name", "x", "text", "", "facts", List.of()))
                .status())
        .isIn(400, 422);
  }

  @Test
  void a_blank_sheet_that_is_filled_in_is_understood_without_a_word() {
    String blank =
        new String(
            writer.get("/api/intakes/blank?productClass=pannier").expect(200).bytes(),
            StandardCharsets.UTF_8);
    String[] lines = blank.substring(1).split("\r\n");
    assertThat(lines[0]).startsWith("SKU,Name,Category,Capacity,Material");
    assertThat(lines[1]).startsWith(",,pannier,");
    String filled =
        lines[0]
            + "\r\nBL-1,Roll Pannier,pannier,20 l,nylon"
            + ",".repeat(lines[0].split(",").length - 5);
    JsonNode intake = drop("Blank", "blank.csv", filled + "\r\n");
    assertThat(intake.path("obstacle").asString()).isEmpty();
    assertThat(intake.path("columns").findValuesAsString("meaning")).doesNotContain("extra");
    writer.get("/api/intakes/blank?productClass=nothing").expect(404);
  }

  @Test
  void what_a_person_says_a_product_is_counts_before_what_its_name_sounds_like() {
    long outing =
        writer
            .post(
                "/api/hand",
                Map.of(
                    "sku",
                    "HK-1",
                    "name",
                    "Harbour Lamp Evening",
                    "text",
                    "",
                    "sort",
                    "outing",
                    "facts",
                    List.of(Map.of("fact", "duration", "label", "Duration", "text", "3 hours"))))
            .expect(200)
            .id();
    assertThat(line("HK-1").path("kind").asString()).isEqualTo("outing");
    assertThat(writer.get("/api/products/" + outing).expect(200).text()).contains("outing");
  }

  /** A pasted text is kept as the base of a rewrite, where whoever reads the proof finds it. */
  @Test
  void a_pasted_text_is_found_beside_the_proof() {
    long id =
        writer
            .post(
                "/api/hand",
                Map.of(
                    "sku",
                    "HK-2",
                    "name",
                    "Quay Lamp",
                    "text",
                    "A lamp for the long dark. It weighs 300 g.",
                    "facts",
                    List.of()))
            .expect(200)
            .id();
    write(id);
    assertThat(writer.get("/api/proofs/" + id).expect(200).body().path("supplierText").asString())
        .contains("A lamp for the long dark.");
  }

  /** Lists and proofs say the same of a text whose facts have changed. */
  @Test
  void a_text_is_checked_again_when_its_facts_change() {
    JsonNode intake = drop("Afresh", "afresh.csv", LAST.replace("KN-", "QF-"));
    take(intake);
    long id = line("QF-1").path("id").asLong();
    write(id);
    assertThat(line("QF-1").path("mustFix").asInt()).isZero();
    writer
        .put("/api/products/" + id + "/facts/weight", Map.of("label", "Weight", "text", "5 kg"))
        .expect(200);
    writer.until(
        "/api/products?search=QF-1", p -> p.path("items").get(0).path("mustFix").asInt() > 0);
    JsonNode proof = writer.get("/api/proofs/" + id).body();
    int marks = 0;
    for (JsonNode field : proof.path("fields")) {
      for (JsonNode mark : field.path("marks")) {
        marks += mark.path("weight").asString().equals("MUST_FIX") ? 1 : 0;
      }
    }
    assertThat(line("QF-1").path("mustFix").asInt()).isEqualTo(marks);
  }
}
