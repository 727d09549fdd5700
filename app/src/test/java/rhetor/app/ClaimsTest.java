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

/** The house's claims over HTTP: tried on real products, added, changed, approved, banned. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class ClaimsTest {
  private RunningRhetor.House house;
  private Visitor editor;
  private long intake;
  private long product;

  @BeforeAll
  void a_product_is_taken_in(RunningRhetor.House house) {
    this.house = house;
    editor = house.as(Role.EDITOR);
    intake =
        editor
            .upload(
                "claims.csv",
                "SKU,Name,Category,Brand,Material,Weight\n"
                    + "CL-1,Fen Blanket,Blankets,Heddle,nettle cloth,940 g\n")
            .expect(200)
            .id();
    editor.put("/api/intakes/" + intake + "/seen", Map.of());
    editor.post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    product =
        editor
            .get("/api/products?intake=" + intake)
            .body()
            .path("items")
            .get(0)
            .path("id")
            .asLong();
  }

  private static Map<String, Object> claim(String id, String phrase, String so) {
    Map<String, Object> claim = new HashMap<>();
    claim.put("id", id);
    claim.put("concept", "material");
    claim.put("contains", List.of(phrase));
    claim.put("classes", List.of());
    claim.put("adj", List.of());
    claim.put("so", List.of(so));
    claim.put("text", "Nettle fibre is strong.");
    return claim;
  }

  private JsonNode write() {
    editor.write(List.of(product), intake, "warm");
    return editor.get("/api/proofs/" + product).expect(200).body();
  }

  @Test
  void from_a_trial_to_a_text_that_makes_it_to_a_ban_that_holds_the_text() {
    Map<String, Object> claim = claim("nettle-lasts", "nettle", "{it} ~wear slowly");
    JsonNode trial = editor.post("/api/claims/try", claim).expect(200).body();
    assertThat(trial.path("licensed").asInt()).isEqualTo(1);
    assertThat(trial.path("examples").get(0).path("sentence").asString())
        .contains("wears slowly")
        .contains("nettle cloth");
    assertThat(write().toString()).as("nothing is kept by trying").doesNotContain("wears slowly");
    editor.put("/api/claims/nettle-lasts", claim).expect(200);
    JsonNode proof = write();
    assertThat(proof.toString()).contains("wears slowly", "Nettle fibre is strong.");
    assertThat(
            editor
                .post("/api/claims/nettle-lasts/ban", Map.of())
                .expect(200)
                .body()
                .path("texts")
                .asInt())
        .isEqualTo(1);
    assertThat(
            editor
                .seen(
                    proof.path("revision").asLong(),
                    "POST",
                    "/api/proofs/" + product + "/sign-off",
                    Map.of())
                .expect(409)
                .detail())
        .contains("no longer makes the claim");
    assertThat(editor.get("/api/products?state=STALE&intake=" + intake).body().path("items").size())
        .isEqualTo(1);
    assertThat(write().toString()).doesNotContain("wears slowly");
    editor.post("/api/claims/nettle-lasts/restore", Map.of()).expect(200);
    editor.post("/api/claims/nettle-lasts/ban", Map.of()).expect(404);
  }

  @Test
  void claims_that_ship_can_be_approved_and_changed_and_put_back() {
    editor.post("/api/claims/linen-dries/approve", Map.of()).expect(200);
    editor.post("/api/claims/linen-dries/approve", Map.of()).expect(409);
    editor
        .put("/api/claims/linen-dries", claim("linen-dries", "linen", "a line dries it in an hour"))
        .expect(200);
    assertThat(editor.get("/api/claims?state=CHANGED").body().findValuesAsString("id"))
        .containsExactly("linen-dries");
    editor.post("/api/claims/linen-dries/restore", Map.of()).expect(200);
    assertThat(editor.get("/api/claims?state=CHANGED").body().path("items").size()).isZero();
  }

  @Test
  void the_list_goes_on_where_it_ended_and_finds_words() {
    JsonNode first = editor.get("/api/claims").expect(200).body();
    JsonNode second = editor.get("/api/claims?after=" + first.path("next").asString()).body();
    assertThat(first.path("items").size()).isEqualTo(60);
    assertThat(second.path("items").get(0).path("claim").path("id").asString())
        .isGreaterThan(first.path("items").get(59).path("claim").path("id").asString());
    assertThat(editor.get("/api/claims?search=headlights").body().findValuesAsString("id"))
        .contains("seen-at-night");
  }

  @Test
  void claims_that_no_careful_shop_could_make_are_refused_with_what_to_do() {
    Map<String, Object> boast = claim("boast", "nettle", "{it} ~be the best of all");
    assertThat(editor.put("/api/claims/boast", boast).expect(422).detail()).contains("\"best\"");
    Map<String, Object> unconditional = claim("always", "x", "it lasts");
    unconditional.put("contains", List.of());
    assertThat(editor.put("/api/claims/always", unconditional).expect(422).detail())
        .contains("when it holds");
    Map<String, Object> unknown = claim("unknown", "x", "it lasts");
    unknown.put("concept", "aura");
    assertThat(
            editor
                .post("/api/claims/try", unknown)
                .expect(200)
                .body()
                .path("problems")
                .get(0)
                .asString())
        .contains("aura");
    assertThat(editor.put("/api/claims/other", boast).expect(422).detail())
        .contains("can't be changed");
  }

  @Test
  void a_writer_may_try_but_not_decide() {
    Visitor writer = house.as(Role.WRITER);
    writer.post("/api/claims/try", claim("nettle-two", "nettle", "it lasts")).expect(200);
    writer.put("/api/claims/nettle-two", claim("nettle-two", "nettle", "it lasts")).expect(403);
    writer.post("/api/claims/linen-dries/ban", Map.of()).expect(403);
  }
}
