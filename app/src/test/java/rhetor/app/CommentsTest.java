package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What people say to each other about a text, and why one goes back. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class CommentsTest {
  private Visitor editor;
  private Visitor writer;
  private Visitor reader;
  private List<Long> products;

  @BeforeAll
  void four_products_have_texts(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    reader = house.as(Role.READER);
    products =
        writer.takeIn(
            "comments.csv",
            """
            SKU,Name,Category,Brand,Weight
            CM-1,Skell Bag,Panniers,Ulverne,900 g
            CM-2,Nidd Bag,Panniers,Ulverne,950 g
            CM-3,Ure Bag,Panniers,Ulverne,990 g
            CM-4,Swale Bag,Panniers,Ulverne,870 g
            """);
    writer.write(products, 0, "plain");
  }

  private static String proof(long product) {
    return "/api/proofs/" + product;
  }

  private JsonNode seen(long product) {
    return reader.get(proof(product)).expect(200).body();
  }

  private Visitor.Answer say(Visitor who, long product, String field, String passage, String said) {
    return who.seen(
        seen(product).path("revision").asLong(),
        "POST",
        proof(product) + "/comments",
        Map.of("field", field, "passage", passage, "said", said));
  }

  private List<String> commented() {
    return reader
        .get("/api/products?state=COMMENTED&brand=Ulverne")
        .expect(200)
        .body()
        .path("items")
        .valueStream()
        .map(p -> p.path("sku").asString())
        .toList();
  }

  @Test
  void a_comment_on_a_passage_is_found_by_others_until_it_is_settled() {
    long product = products.get(0);
    JsonNode said =
        say(writer, product, "description", "weighs 900 g", "Empty, or with the hooks?")
            .expect(200)
            .body()
            .path("comments");
    assertThat(said).hasSize(1);
    assertThat(said.get(0).path("passage").asString()).isEqualTo("weighs 900 g");
    assertThat(said.get(0).path("by").asString()).isEqualTo("writer@test.example");
    assertThat(commented()).containsExactly("CM-1");

    String settle = proof(product) + "/comments/" + said.get(0).path("id").asLong() + "/settle";
    editor.post(settle, Map.of()).expect(200);
    // Who was first stays.
    writer.post(settle, Map.of()).expect(200);
    assertThat(seen(product).path("comments").get(0).path("settledBy").asString())
        .isEqualTo("editor@test.example");
    assertThat(commented()).isEmpty();
  }

  @Test
  void what_is_said_of_an_older_text_says_of_which() {
    long product = products.get(1);
    long old = seen(product).path("revision").asLong();
    editor
        .seen(old, "PUT", proof(product) + "/fields/title", Map.of("text", "Ulverne Nidd Bag"))
        .expect(200);
    writer
        .seen(
            old,
            "POST",
            proof(product) + "/comments",
            Map.of("field", "", "passage", "", "said", "Too long."))
        .expect(200);
    assertThat(seen(product).path("comments").get(0).path("revision").asLong()).isEqualTo(old);
  }

  @Test
  void why_a_text_was_sent_back_stands_among_its_comments() {
    long product = products.get(2);
    long revision = seen(product).path("revision").asLong();
    editor.seen(revision, "POST", proof(product) + "/sign-off", Map.of()).expect(200);
    editor
        .seen(
            revision,
            "POST",
            proof(product) + "/send-back",
            Map.of("reason", " The maker changed the hooks. "))
        .expect(200);
    assertThat(seen(product).path("comments").get(0).path("said").asString())
        .isEqualTo("The maker changed the hooks.");
  }

  @ParameterizedTest
  @CsvSource({"'   ', title, 400", "Fine., nowhere, 404"})
  void what_says_nothing_or_of_no_field_is_refused(String said, String field, int status) {
    say(writer, products.get(3), field, "", said).expect(status);
  }

  @Test
  void who_may_only_read_says_nothing_and_no_comment_is_of_two_texts() {
    say(reader, products.get(3), "", "", "Hello.").expect(403);
    say(writer, products.get(3), "", "", "x".repeat(1001)).expect(400);
    long comment =
        say(writer, products.get(3), "", "", "<b>Shorter</b>, please.")
            .expect(200)
            .body()
            .path("comments")
            .get(0)
            .path("id")
            .asLong();
    editor.post(proof(products.get(0)) + "/comments/" + comment + "/settle", Map.of()).expect(404);
    assertThat(commented()).contains("CM-4");
  }
}
