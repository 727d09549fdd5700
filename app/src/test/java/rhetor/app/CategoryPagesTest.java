package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;
import rhetor.core.language.English;
import tools.jackson.databind.JsonNode;

/** Category pages: written from what stands on them, proofed and published as products are. */
@ExtendWith(RunningRhetor.class)
class CategoryPagesTest {
  private static final String PAGE = "saddle-bags";

  private final House house;

  CategoryPagesTest(House house) {
    this.house = house;
  }

  @BeforeEach
  void pulled() {
    Visitor editor = house.as(Role.EDITOR);
    if (editor.get("/api/categories").expect(200).body().isEmpty()) {
      editor.post("/api/pulls", Map.of()).expect(200);
      editor.until("/api/pulls/latest", p -> p.path("status").asString().equals("DONE"));
    }
  }

  private static JsonNode line(Visitor visitor, String key) {
    return StreamSupport.stream(
            visitor.get("/api/categories").expect(200).body().spliterator(), false)
        .filter(c -> c.path("key").asString().equals(key))
        .findFirst()
        .orElseThrow();
  }

  private static JsonNode take(Visitor writer, String... keys) {
    return writer.post("/api/categories/taken", Map.of("keys", List.of(keys))).expect(200).body();
  }

  @Test
  void a_page_is_written_signed_off_and_stands_in_the_shop() throws Exception {
    Visitor editor = house.as(Role.EDITOR);
    int products = line(editor, PAGE).path("products").asInt();
    long page = take(editor, PAGE).path("products").get(0).asLong();
    // Nobody knows anything of these products yet; what a person says of the page is so of each.
    editor
        .put(
            "/api/products/" + page + "/facts/material",
            Map.of("label", "Material", "text", "waxed cotton"))
        .expect(200);
    editor.write(List.of(page), 0, "plain");
    JsonNode proof = editor.get("/api/proofs/" + page).expect(200).body();
    assertThat(proof.toString()).contains("saddle bags");
    assertThat(proof.path("mustFix").asInt()).isZero();
    assertThat(line(editor, PAGE).path("stage").asString()).isEqualTo("DRAFTED");
    long revision = proof.path("revision").asLong();
    editor.seen(revision, "POST", "/api/proofs/" + page + "/sign-off", Map.of()).expect(200);
    long edition = editor.post("/api/editions", Map.of("products", List.of(page))).expect(200).id();
    JsonNode done =
        editor
            .until("/api/editions/" + edition, e -> e.path("status").asString().equals("DONE"))
            .body();
    assertThat(done.toString()).contains("/categories/" + PAGE);
    String shown =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create(house.shop() + "/categories/" + PAGE)).build(),
                BodyHandlers.ofString())
            .body();
    assertThat(shown)
        .contains(English.number(products) + " saddle bags")
        .contains("waxed cotton")
        .contains("/products/");
    assertThat(line(editor, PAGE).path("stage").asString()).isEqualTo("PUBLISHED");
  }

  @Test
  void taking_it_again_changes_nothing_while_nothing_has_changed() {
    Visitor writer = house.as(Role.WRITER);
    take(writer, "panniers");
    JsonNode again = take(writer, "panniers", "panniers");
    assertThat(again.path("unchanged").asInt()).isEqualTo(1);
    assertThat(again.path("added").asInt() + again.path("changed").asInt()).isZero();
    assertThat(again.path("products")).hasSize(1);
  }

  @Test
  void what_makes_no_sense_is_refused_with_a_reason() {
    Visitor writer = house.as(Role.WRITER);
    assertThat(
            writer
                .post("/api/categories/taken", Map.of("keys", List.of("no-such-page")))
                .expect(404)
                .detail())
        .contains("no-such-page");
    writer.post("/api/categories/taken", Map.of()).expect(400);
    writer.post("/api/categories/taken", Map.of("keys", List.of(" "))).expect(400);
    house.as(Role.READER).post("/api/categories/taken", Map.of("keys", List.of())).expect(403);
  }
}
