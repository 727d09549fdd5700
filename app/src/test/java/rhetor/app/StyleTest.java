package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.audit.GrammarWork;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** The house's style over HTTP, what texts do about it, and the audit that mends them. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class StyleTest {
  /** In French, so that nobody else's sheet is taken for one like it. */
  private static final String HEADINGS =
      "Référence,Désignation,Catégorie,Marque,Matière,Poids,Couleur\n";

  private RunningRhetor.House house;
  private Visitor editor;

  @BeforeAll
  void somebody_comes_in(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
  }

  /** The other tests' house has decided nothing. */
  @AfterEach
  void as_delivered() {
    put(style(Map.of())).expect(200);
    checked();
  }

  private Map<String, Object> style(Map<String, Object> decided) {
    Map<String, Object> style = new HashMap<>();
    style.put("voice", "plain");
    style.put(
        "tuning",
        Map.of(
            "formality",
            0,
            "warmth",
            0,
            "energy",
            0,
            "person",
            "AS_THE_VOICE",
            "contractions",
            "AS_THE_VOICE",
            "sentenceWords",
            0));
    style.put("audience", "");
    for (String list : List.of("banned", "required", "notInTitles", "always", "instructions")) {
      style.put(list, List.of());
    }
    style.put("spelling", "BRITISH");
    style.put("emoji", false);
    style.put("exclamations", false);
    style.put("lengths", Map.of());
    style.put("sample", editor.get("/api/style/versions/0").body().path("style").path("sample"));
    style.putAll(decided);
    return style;
  }

  private static List<Map<String, String>> banned(String word, String instead) {
    return List.of(Map.of("word", word, "instead", instead));
  }

  private Visitor.Answer put(Map<String, Object> style) {
    return put(style, editor.get("/api/style").body().path("version").asLong());
  }

  private Visitor.Answer put(Map<String, Object> style, long seen) {
    return editor.put("/api/style", Map.of("seen", seen, "note", "", "style", style));
  }

  /** Waits until all texts have been held to the style. */
  private void checked() {
    editor.until("/api/audit", a -> !a.path("underWay").asBoolean());
  }

  /** Products with texts, by their ids. */
  private List<Long> written(String prefix, int number) {
    StringBuilder sheet = new StringBuilder(HEADINGS);
    for (int i = 0; i < number; i++) {
      sheet.append(
          "%s-%d,%s %d,Panniers,Tolvane,canvas,%d g,grey\n"
              .formatted(prefix, i, prefix, i, 800 + i));
    }
    List<Long> ids = editor.takeIn(prefix + ".csv", sheet.toString());
    editor.write(ids, 0, "plain");
    return ids;
  }

  private String text(long product, String field) {
    for (JsonNode f : editor.get("/api/proofs/" + product).body().path("fields")) {
      if (f.path("code").asString().equals(field)) {
        return f.path("html").asString();
      }
    }
    throw new AssertionError(field);
  }

  private JsonNode cause(String cause) {
    for (JsonNode c : editor.get("/api/audit").body().path("causes")) {
      if (c.path("cause").asString().equals(cause)) {
        return c;
      }
    }
    return null;
  }

  @Test
  void what_is_written_from_then_on_obeys() {
    put(style(
            Map.of(
                "banned",
                banned("pannier", "bike bag"),
                "spelling",
                "AMERICAN",
                "always",
                List.of("Spare parts are kept."))))
        .expect(200);
    checked();
    long product = written("Obeying", 1).getFirst();
    assertThat(text(product, "description"))
        .contains("bike bag", "gray", "Spare parts are kept.")
        .doesNotContain("pannier", "grey");
    editor.post("/api/proofs/" + product + "/takes", Map.of("voice", "warm", "takes", 1));
  }

  @Test
  void a_style_is_tried_on_real_products_before_it_holds() {
    written("TriedStyle", 2);
    JsonNode trial =
        editor
            .post(
                "/api/style/try",
                style(Map.of("banned", banned("canvas", "cloth"), "voice", "lively")))
            .expect(200)
            .body();
    assertThat(trial.path("problems")).isEmpty();
    assertThat(trial.path("examples").size()).isBetween(1, 3);
    for (JsonNode example : trial.path("examples")) {
      assertThat(example.path("then").path("description").asString())
          .isNotEqualTo(example.path("now").path("description").asString())
          .doesNotContain("canvas");
    }
    assertThat(editor.get("/api/style").body().path("style").path("banned")).isEmpty();
  }

  @Test
  void what_cannot_be_obeyed_is_refused_at_its_place_and_nothing_is_kept() {
    Map<String, Object> impossible =
        style(
            Map.of(
                "required", List.of("canvas bag"),
                "banned", banned("canvas", "")));
    JsonNode trial = editor.post("/api/style/try", impossible).expect(200).body();
    assertThat(trial.path("problems").get(0).path("where").asString()).isEqualTo("required");
    long version = editor.get("/api/style").body().path("version").asLong();
    assertThat(put(impossible).expect(422).body().path("detail").asString())
        .contains("\"canvas\" is banned");
    assertThat(editor.get("/api/style").body().path("version").asLong()).isEqualTo(version);
    assertThat(
            put(style(
                    Map.of(
                        "lengths",
                        Map.of(
                            "subtitle",
                            Map.of(
                                "leastCharacters",
                                0,
                                "mostCharacters",
                                9,
                                "leastWords",
                                0,
                                "mostWords",
                                0)))))
                .expect(422)
                .body()
                .path("detail")
                .asString())
        .contains("no field called subtitle");
  }

  @Test
  void two_people_do_not_overwrite_one_another_and_every_version_stays() {
    long seen = editor.get("/api/style").body().path("version").asLong();
    long version =
        put(style(Map.of("voice", "warm")), seen).expect(200).body().path("version").asLong();
    assertThat(version).isGreaterThan(seen);
    assertThat(
            put(style(Map.of("voice", "expert")), seen)
                .expect(412)
                .body()
                .path("detail")
                .asString())
        .contains("changed the style meanwhile");
    assertThat(editor.get("/api/style").body().path("style").path("voice").asString())
        .isEqualTo("warm");
    JsonNode newest = editor.get("/api/style/versions").body().get(0);
    assertThat(newest.path("note").asString()).isEqualTo("Voice changed");
    if (seen > 0) {
      assertThat(
              editor
                  .get("/api/style/versions/" + seen)
                  .body()
                  .path("style")
                  .path("voice")
                  .asString())
          .isEqualTo("plain");
    }
  }

  @Test
  void only_editors_decide() {
    house
        .as(Role.WRITER)
        .put("/api/style", Map.of("seen", 0, "note", "", "style", style(Map.of())))
        .expect(403);
  }

  @Test
  void texts_that_no_longer_obey_are_found_marked_and_mended_by_cause() {
    List<Long> products = written("StyleMend", 5);
    put(style(Map.of("banned", banned("pannier", "bike bag")))).expect(200);
    checked();
    JsonNode cause = cause("banned word");
    assertThat(cause.path("weight").asString()).isEqualTo("MUST_FIX");
    assertThat(cause.path("products").asInt()).isGreaterThanOrEqualTo(5);
    assertThat(cause.path("mendable").asInt()).isGreaterThanOrEqualTo(5);
    assertThat(editor.get("/api/products?state=STALE&search=StyleMend").body().path("items").size())
        .isEqualTo(5);
    long product = products.getFirst();
    long revision = editor.get("/api/proofs/" + product).body().path("revision").asLong();
    JsonNode instance =
        editor
            .get(
                "/api/audit/instances?cause=banned+word&weight=MUST_FIX&field=description&after="
                    + (product - 1)
                    + "&limit=1")
            .body()
            .get(0);
    assertThat(instance.path("before").asString()).contains("pannier");
    assertThat(instance.path("after").asString()).contains("bike bag");
    assertThat(cause.path("fields").get(0).path("products").asInt()).isGreaterThanOrEqualTo(5);
    assertThat(editor.mend("banned word", "MUST_FIX", "")).isGreaterThanOrEqualTo(5);
    assertThat(cause("banned word")).isNull();
    assertThat(editor.mend("banned word", "MUST_FIX", "")).as("a second click").isZero();
    assertThat(text(product, "description")).contains("bike bag").doesNotContain("pannier");
    assertThat(editor.get("/api/proofs/" + product).body().path("revision").asLong())
        .isGreaterThan(revision);
  }

  @Test
  void plain_words_become_rules_or_are_said_not_to() {
    JsonNode read =
        editor
            .post(
                "/api/style/read",
                Map.of(
                    "lines",
                    List.of("no more than 80 words", "think of the sea"),
                    "style",
                    style(Map.of())))
            .expect(200)
            .body();
    assertThat(read.path("lines").get(0).path("rule").asString())
        .isEqualTo("Description: at most 80 words.");
    assertThat(read.path("lines").get(1).path("rule").asString()).isEmpty();
    assertThat(read.path("style").path("lengths").path("description").path("mostWords").asInt())
        .isEqualTo(80);
    assertThat(read.path("style").path("instructions").get(0).asString())
        .isEqualTo("think of the sea");
  }

  @Test
  void texts_that_the_house_likes_propose_its_voice_with_the_evidence() {
    written("SampleStyle", 3);
    String liked =
        "You’ll like this bag! It’s light, and it’s yours for years. Don’t worry about rain.\n\n"
            + "Your books stay dry. You’ve room for two. It’s got a strap, so you’re free!";
    JsonNode proposal =
        editor
            .post("/api/style/sample", Map.of("texts", liked, "style", style(Map.of())))
            .expect(200)
            .body();
    JsonNode tuning = proposal.path("style").path("tuning");
    assertThat(tuning.path("person").asString()).isEqualTo("YOU");
    assertThat(tuning.path("contractions").asString()).isEqualTo("ALWAYS");
    assertThat(proposal.path("style").path("exclamations").asBoolean()).isTrue();
    assertThat(proposal.path("evidence").toString()).contains("words a sentence", "contracted");
    assertThat(
            editor
                .post("/api/style/sample", Map.of("texts", "Short.", "style", style(Map.of())))
                .expect(422)
                .body()
                .path("detail")
                .asString())
        .contains("5 sentences or more; there are 1");
  }

  @Test
  void the_audit_can_be_taken_along_short_and_detailed_and_no_cell_is_a_formula() {
    String sheet = HEADINGS + "=EXP-0,=HYPERLINK(0),Panniers,Tolvane,canvas,800 g,grey\n";
    long intake = editor.upload("EXP.csv", sheet).expect(200).id();
    editor.put("/api/intakes/" + intake + "/seen", Map.of());
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    editor.write(List.of(), intake, "plain");
    put(style(Map.of("required", List.of("zircon")))).expect(200);
    checked();
    String shortOne = editor.get("/api/audit/export").text();
    assertThat(shortOne).startsWith("Cause,Weight,Field,Texts").contains("required word,weigh");
    String detailed = editor.get("/api/audit/export?detailed=true").text();
    assertThat(detailed)
        .startsWith("SKU,Name,Field,Cause,Weight,Words,Why,Mended")
        .contains("'=EXP-0,'=HYPERLINK(0),Description,required word,weigh,zircon,");
    assertThat(detailed.lines()).noneMatch(l -> l.startsWith("="));
  }

  @Test
  void descriptions_are_set_out_anew_once_the_house_wants_no_list() {
    List<Long> products = written("StyleSetOut", 2);
    String first = "/api/proofs/" + products.getFirst();
    assertThat(editor.get(first).text()).contains("<h3>Specification</h3>");
    Map<String, Object> structure =
        Map.of("specification", false, "paragraphSentences", 2, "headingLevel", 2);
    put(style(Map.of("structure", structure))).expect(200);
    checked();
    assertThat(editor.get(first).text()).contains("no list of facts");
    assertThat(editor.mend("structure", "WEIGH", "description")).isGreaterThanOrEqualTo(2);
    assertThat(editor.get(first).text()).doesNotContain("Specification", "\"structure\"");
    Map<String, Object> never =
        Map.of("specification", true, "paragraphSentences", 99, "headingLevel", 3);
    assertThat(put(style(Map.of("structure", never))).expect(422).detail())
        .contains("1 to 12 sentences");
  }

  @Test
  void fields_that_have_become_too_long_are_written_again_with_less_to_say() {
    List<Long> products = written("StyleFit", 3);
    Map<String, Integer> nine =
        Map.of("leastCharacters", 0, "mostCharacters", 0, "leastWords", 0, "mostWords", 9);
    put(style(Map.of("lengths", Map.of("short_description", nine)))).expect(200);
    checked();
    long product = products.getFirst();
    JsonNode instance =
        editor
            .get(
                "/api/audit/instances?cause=length&weight=MUST_FIX&field=short_description&after="
                    + (product - 1)
                    + "&limit=1")
            .body()
            .get(0);
    assertThat(instance.path("before").asString().split(" ")).hasSizeGreaterThan(9);
    assertThat(instance.path("after").asString().split(" ")).hasSizeBetween(4, 9);
    assertThat(editor.mend("length", "MUST_FIX", "short_description")).isGreaterThanOrEqualTo(3);
    for (long p : products) {
      String proof = editor.get("/api/proofs/" + p).text();
      assertThat(proof).contains("\"marks\":[").doesNotContain("\"check\":\"length\"");
    }
  }

  @Test
  void readiness_weighs_what_the_house_says_and_the_points_make_a_hundred() {
    long product = written("WGH", 1).getFirst();
    Map<String, Integer> weights =
        Map.of(
            "FIELDS", 0, "SUPPORT", 0, "LENGTHS", 0, "ESSENTIALS", 100, "KEYWORD", 0, "WORDING", 0);
    put(style(Map.of("weights", weights))).expect(200);
    checked();
    JsonNode readiness = editor.get("/api/proofs/" + product).body().path("readiness");
    int sum = 0;
    for (JsonNode f : readiness.path("factors")) {
      boolean essential = f.path("name").asString().equals("Essential facts");
      assertThat(f.path("most").asInt()).isEqualTo(essential ? 100 : 0);
      sum += f.path("points").asInt();
    }
    assertThat(readiness.path("score").asInt()).isEqualTo(sum);
    assertThat(put(style(Map.of("weights", Map.of("FIELDS", 60)))).expect(422).detail())
        .contains("60 points together; they have to make 100");
  }

  @Test
  void grammar_is_checked_in_the_background_and_mended_by_cause() {
    long product = written("GRM", 1).getFirst();
    JsonNode proof = editor.get("/api/proofs/" + product).body();
    assertThat(proof.toString()).doesNotContain("\"grammar\"");
    editor
        .seen(
            proof.path("revision").asLong(),
            "PUT",
            "/api/proofs/" + product + "/fields/description",
            Map.of("text", "<p>The GRM 0 is made of canvas and have teh colour grey.</p>"))
        .expect(200);
    assertThat(house.bean(GrammarWork.class).next(1, () -> false)).isEqualTo(1);
    JsonNode marked = editor.get("/api/proofs/" + product).body();
    assertThat(marked.toString()).contains("\\\"teh\\\" is in no dictionary");
    assertThat(cause("grammar").path("mendable").asInt()).isPositive();
  }
}
