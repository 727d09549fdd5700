package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
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

/** Ranges with a style of their own, and lines that hold for a time, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class RangesTest {
  private RunningRhetor.House house;
  private Visitor editor;

  @BeforeAll
  void somebody_comes_in(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
  }

  /** Products by their ids; not written yet. */
  private List<Long> takenIn(String prefix, int number) {
    StringBuilder sheet =
        new StringBuilder("Nr,Bezeichnung,Warengruppe,Hersteller,Material,Gewicht,Farbe\n");
    for (int i = 0; i < number; i++) {
      sheet.append(
          "%s-%d,%s %d,Panniers,Tolvane,canvas,%d g,grey\n"
              .formatted(prefix, i, prefix, i, 800 + i));
    }
    return editor.takeIn(prefix + ".csv", sheet.toString());
  }

  private long range(String name, List<Long> products) {
    long range = editor.post("/api/ranges", Map.of("name", name)).expect(200).id();
    assertThat(
            editor
                .post("/api/ranges/" + range + "/products", Map.of("products", products))
                .expect(200)
                .body()
                .path("products")
                .asInt())
        .isEqualTo(products.size());
    return range;
  }

  static Map<String, Object> layer(Map<String, Object> decided) {
    Map<String, Object> layer = new HashMap<>(Map.of("voice", "", "audience", ""));
    for (String list : List.of("banned", "required", "notInTitles", "always", "instructions")) {
      layer.put(list, List.of());
    }
    layer.put("lengths", Map.of());
    layer.putAll(decided);
    return layer;
  }

  private Visitor.Answer putLayer(long range, int seen, Map<String, Object> decided) {
    return editor.put("/api/layers/range/" + range, Map.of("seen", seen, "layer", layer(decided)));
  }

  private void checked() {
    editor.until("/api/audit", a -> !a.path("underWay").asBoolean());
  }

  private JsonNode field(long product, String code) {
    for (JsonNode f : editor.get("/api/proofs/" + product).body().path("fields")) {
      if (f.path("code").asString().equals(code)) {
        return f;
      }
    }
    throw new AssertionError(code);
  }

  private List<String> marks(long product) {
    List<String> marks = new ArrayList<>();
    field(product, "description").path("marks").forEach(m -> marks.add(m.path("check").asString()));
    return marks;
  }

  private boolean isStale(long product) {
    return editor.get("/api/products/" + product).body().path("line").path("stale").asBoolean();
  }

  private static String from(JsonNode settings, String name) {
    for (JsonNode setting : settings) {
      if (setting.path("name").asString().equals(name)) {
        return setting.path("from").asString();
      }
    }
    return "nothing";
  }

  @Test
  void a_range_decides_otherwise_and_says_where_each_setting_comes_from() {
    List<Long> ids = takenIn("RGA", 4);
    long range = range("Tours RGA", ids.subList(0, 2));
    JsonNode view =
        putLayer(
                range,
                0,
                Map.of(
                    "voice", "playful",
                    "always", List.of("It goes on tour."),
                    "banned", List.of(Map.of("word", "pannier", "instead", "bike bag"))))
            .expect(200)
            .body();
    assertThat(from(view.path("settings"), "voice")).isEqualTo("Tours RGA");
    assertThat(from(view.path("settings"), "spelling")).isEqualTo("the house");
    assertThat(view.path("style").path("voice").asString()).isEqualTo("playful");
    assertThat(putLayer(range, 0, Map.of("voice", "warm")).status()).isEqualTo(412);

    JsonNode ofProduct = editor.get("/api/products/" + ids.get(0) + "/style").body();
    assertThat(from(ofProduct, "banned")).isEqualTo("Tours RGA");
    assertThat(from(editor.get("/api/products/" + ids.get(3) + "/style").body(), "banned"))
        .isEqualTo("nothing");

    editor.write(ids, 0, "");
    assertThat(field(ids.get(0), "description").path("html").asString())
        .contains("It goes on tour.")
        .doesNotContainIgnoringCase("pannier");
    assertThat(field(ids.get(3), "description").path("html").asString())
        .doesNotContain("It goes on tour.")
        .containsIgnoringCase("pannier");
  }

  @Test
  void a_text_that_comes_into_a_range_is_held_to_its_style() {
    List<Long> ids = takenIn("RGB", 2);
    editor.write(ids, 0, "");
    long range = editor.post("/api/ranges", Map.of("name", "Strict RGB")).expect(200).id();
    putLayer(range, 0, Map.of("always", List.of("We keep spare parts."))).expect(200);
    assertThat(isStale(ids.get(0))).isFalse();
    editor.post("/api/ranges/" + range + "/products", Map.of("products", ids.subList(0, 1)));
    checked();
    assertThat(marks(ids.get(0))).contains("house sentence");
    assertThat(isStale(ids.get(0))).isTrue();
    assertThat(isStale(ids.get(1))).isFalse();
    assertThat(editor.get("/api/products?range=" + range).body().path("total").asInt())
        .isEqualTo(1);
    editor.delete("/api/ranges/" + range).expect(200);
    checked();
    assertThat(marks(ids.get(0))).doesNotContain("house sentence");
  }

  @Test
  void what_a_range_cannot_obey_is_refused() {
    long range = range("Odd RGC", takenIn("RGC", 1));
    assertThat(
            putLayer(
                    range,
                    0,
                    Map.of(
                        "required", List.of("rugged"),
                        "banned", List.of(Map.of("word", "rugged", "instead", ""))))
                .expect(422)
                .detail())
        .contains("\"rugged\" is wanted in every description");
    assertThat(editor.get("/api/layers/range/" + range).body().path("version").asInt()).isZero();
    assertThat(editor.post("/api/ranges", Map.of("name", "odd rgc")).expect(409).detail())
        .contains("There is a range called");
    assertThat(editor.post("/api/ranges", Map.of("name", "  ")).expect(422).detail())
        .contains("needs a name");
    Visitor writer = house.as(Role.WRITER);
    writer
        .put("/api/layers/range/" + range, Map.of("seen", 0, "layer", layer(Map.of())))
        .expect(403);
    writer.delete("/api/ranges/" + range).expect(403);
  }

  private static Map<String, Object> angle(long range, String line, int from, int to) {
    LocalDate today = LocalDate.now();
    return Map.of(
        "range",
        range,
        "name",
        "For a time",
        "line",
        line,
        "first",
        today.plusDays(from).toString(),
        "last",
        today.plusDays(to).toString());
  }

  @Test
  void a_line_that_holds_for_a_time_is_written_and_makes_texts_stale_when_it_ends() {
    List<Long> ids = takenIn("RGD", 2);
    long range = range("Dark RGD", ids);
    editor.write(ids.subList(0, 1), 0, "");
    long angle =
        editor.post("/api/angles", angle(range, "Made for dark days.", -3, 3)).expect(200).id();
    checked();
    assertThat(marks(ids.get(0))).contains("angle");
    assertThat(isStale(ids.get(0))).isTrue();
    editor.write(ids.subList(1, 2), 0, "");
    assertThat(field(ids.get(1), "description").path("html").asString())
        .contains("Made for dark days.");
    assertThat(marks(ids.get(1))).isEmpty();
    assertThat(
            editor
                .post("/api/angles", angle(range, "Made for bright days.", 3, 9))
                .expect(422)
                .detail())
        .contains("Two angles at once");
    editor.post("/api/angles", angle(range, "Made for bright days.", 4, 9)).expect(200);

    editor.put("/api/angles/" + angle, angle(range, "Made for dark days.", -3, -1)).expect(200);
    checked();
    assertThat(marks(ids.get(1))).contains("house sentence over");
    assertThat(isStale(ids.get(1))).isTrue();
    assertThat(marks(ids.get(0))).doesNotContain("angle");
    assertThat(editor.mend("house sentence over", "MUST_FIX", "")).isPositive();
    assertThat(field(ids.get(1), "description").path("html").asString())
        .doesNotContain("Made for dark days.");
  }

  @Test
  void a_signed_off_text_whose_line_is_over_does_not_go_out() {
    List<Long> ids = takenIn("RGE", 1);
    long product = ids.getFirst();
    long range = range("Sale RGE", ids);
    long angle =
        editor.post("/api/angles", angle(range, "Less until Sunday.", -3, 3)).expect(200).id();
    editor.write(ids, 0, "");
    long revision = editor.get("/api/proofs/" + product).body().path("revision").asLong();
    editor.seen(revision, "POST", "/api/proofs/" + product + "/sign-off", Map.of()).expect(200);
    editor.put("/api/angles/" + angle, angle(range, "Less until Sunday.", -3, -1)).expect(200);
    checked();
    assertThat(editor.post("/api/editions", Map.of("products", ids)).expect(409).detail())
        .contains("RGE-0", "must be fixed first");
  }

  private JsonNode named(String range) {
    return editor
        .get("/api/ranges")
        .body()
        .valueStream()
        .filter(r -> r.path("name").asString().equals(range))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void products_come_into_a_range_by_its_rule_unless_they_are_in_another() {
    String sheet =
        """
        SKU,Name,Category,Brand,Material,Weight
        %1$s-1,Plover %1$s 1,Panniers,Quenby,canvas,900 g
        %1$s-2,Plover %1$s 2,Panniers,Quenby,canvas,910 g
        %1$s-3,Plover %1$s 3,Panniers,Ablett,canvas,920 g
        """;
    List<Long> first = editor.takeIn("rule-a.csv", sheet.formatted("RA"));
    range("Kept by hand", List.of(first.get(1)));
    long range = editor.post("/api/ranges", Map.of("name", "All Quenby")).expect(200).id();
    assertThat(
            editor
                .put("/api/ranges/" + range + "/rule", Map.of("kind", "", "brand", "Quenby"))
                .expect(200)
                .body()
                .path("products")
                .asInt())
        .isEqualTo(1);

    editor.takeIn("rule-b.csv", sheet.formatted("RB"));
    assertThat(named("All Quenby").path("products").asInt()).isEqualTo(3);
    assertThat(named("All Quenby").path("written").asInt()).isZero();
    assertThat(named("Kept by hand").path("products").asInt()).isEqualTo(1);
    editor.write(List.of(first.get(0)), 0, "plain");
    assertThat(named("All Quenby").path("written").asInt()).isEqualTo(1);

    editor.put("/api/ranges/" + range + "/aside", Map.of("isAside", true)).expect(200);
    editor.takeIn("rule-d.csv", sheet.formatted("RD"));
    assertThat(named("All Quenby").path("products").asInt()).isEqualTo(3);
    editor
        .post("/api/ranges/" + range + "/products", Map.of("products", List.of(first.get(2))))
        .expect(409);
    editor.put("/api/ranges/" + range + "/aside", Map.of("isAside", false)).expect(200);
    editor.takeIn("rule-e.csv", sheet.formatted("RE"));
    // Those that came while it was put aside come now, too.
    assertThat(named("All Quenby").path("products").asInt()).isEqualTo(7);

    editor.put("/api/ranges/" + range + "/rule", Map.of("kind", "", "brand", "")).expect(200);
    editor.takeIn("rule-c.csv", sheet.formatted("RC"));
    assertThat(named("All Quenby").path("products").asInt()).isEqualTo(7);
    editor.put("/api/ranges/999999/rule", Map.of("kind", "", "brand", "x")).expect(404);
    editor
        .put("/api/ranges/" + range + "/rule", Map.of("kind", "", "brand", "x".repeat(300)))
        .expect(422);
  }
}
