package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What people think of how texts are put, and what Rhetor makes of it, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class VerdictsTest {
  private static final String SHEET =
      "SKU,Name,Category,Tine pitch VX\nVX-1,Gorse,Hay forks,narrow and even\nVX-2,Sainfoin,Hay forks,wide and even\nVX-3,Vetch,Hay forks,close and fine\n";

  private static final String HAS = "a pitch that is {v}";
  private static final String FEELS = "feel {asis} at the tines";

  private Visitor editor;
  private Visitor other;
  private Visitor writer;
  private final List<Long> products = new ArrayList<>();
  private String concept;

  @BeforeAll
  void two_ways_to_put_it(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    other = house.as(Role.OWNER);
    writer = house.as(Role.WRITER);
    products.addAll(editor.takeIn("VX.csv", SHEET));
    editor
        .post(
            "/api/concepts/wordings",
            Map.of("wordings", List.of(word("with", HAS), word("verb", FEELS))))
        .expect(200);
    editor.write(products, 0, "plain");
  }

  private static Map<String, String> word(String form, String wording) {
    return Map.of(
        "heading", "Tine pitch VX", "concept", "", "kind", "", "form", form, "wording", wording);
  }

  @AfterEach
  void nobody_thinks_anything() {
    for (String wording : List.of(HAS, FEELS)) {
      if (concept != null) {
        editor
            .post("/api/verdicts/take-back", Map.of("concept", concept, "wording", wording))
            .expect(200);
      }
    }
  }

  private String description(long product) {
    for (JsonNode field : editor.get("/api/proofs/" + product).expect(200).body().path("fields")) {
      if (field.path("code").asString().equals("description")) {
        return field.path("html").asString();
      }
    }
    return "";
  }

  private Visitor.Answer give(Visitor who, long product, String passage, boolean isGood) {
    return who.post(
        "/api/proofs/" + product + "/verdicts",
        Map.of("field", "description", "passage", passage, "isGood", isGood, "why", "stiff"));
  }

  /** The product whose text has one of the two wordings, and words of it. */
  private long saying(String passage) {
    return products.stream()
        .filter(p -> description(p).contains(passage))
        .findFirst()
        .orElseThrow();
  }

  private List<JsonNode> judged() {
    return editor
        .get("/api/verdicts")
        .expect(200)
        .body()
        .valueStream()
        .filter(j -> j.path("label").asString().equals("Tine pitch VX"))
        .toList();
  }

  @Test
  void what_somebody_finds_badly_put_is_put_otherwise_and_that_is_taken_back() {
    long product = saying("a pitch that is ");
    JsonNode given = give(editor, product, "a pitch that is ", false).expect(200).body();
    JsonNode wording = given.path("wordings").get(0);
    concept = wording.path("concept").asString();
    assertThat(wording.path("wording").asString()).isEqualTo(HAS);
    assertThat(wording.path("effect").asString()).isEqualTo("SAID_NO_MORE");
    assertThat(given.path("products").valueStream().map(JsonNode::asLong)).contains(product);

    editor.write(products, 0, "plain");
    assertThat(products).noneMatch(p -> description(p).contains("a pitch that is "));
    assertThat(products.stream().map(this::description)).anyMatch(t -> t.contains(" at the tines"));

    // A second click counts once, another person's opinion as well as the first.
    JsonNode one = judged().getFirst();
    assertThat(one.path("bad").asInt()).isEqualTo(1);
    assertThat(one.path("verdicts").get(0).path("why").asString()).isEqualTo("stiff");
    editor
        .post(
            "/api/proofs/" + product + "/verdicts/take-back",
            Map.of("wordings", List.of(Map.of("concept", concept, "wording", HAS))))
        .expect(204);
    assertThat(judged()).isEmpty();
    assertThat(List.of("plain", "warm", "lively", "expert", "playful"))
        .as("one of several voices says it again")
        .anyMatch(
            voice -> {
              editor.write(products, 0, voice);
              return products.stream().anyMatch(p -> description(p).contains("a pitch that is "));
            });
  }

  @Test
  void opinions_of_two_people_weigh_against_each_other_and_the_last_wording_stays() {
    long product = saying("a pitch that is ");
    JsonNode given = give(editor, product, "a pitch that is ", false).expect(200).body();
    concept = given.path("wordings").get(0).path("concept").asString();
    give(editor, product, "a pitch that is ", false).expect(200);
    JsonNode both = give(other, product, "a pitch that is ", true).expect(200).body();
    assertThat(both.path("wordings").get(0).path("good").asInt()).isEqualTo(1);
    assertThat(both.path("wordings").get(0).path("bad").asInt()).isEqualTo(1);
    assertThat(both.path("wordings").get(0).path("effect").asString()).isEqualTo("AS_BEFORE");
    JsonNode liked = give(editor, product, "a pitch that is ", true).expect(200).body();
    assertThat(liked.path("wordings").get(0).path("effect").asString()).isEqualTo("SAID_MORE");
    assertThat(liked.path("products")).isEmpty();
  }

  @Test
  void what_no_wording_made_is_refused_and_nothing_is_kept() {
    long product = products.getFirst();
    String why = give(editor, product, "no such passage", false).expect(422).text();
    assertThat(why).contains("Change it by hand");
    give(editor, product, "", false).expect(422);
    give(editor, product, "a pitch ".repeat(600), false).expect(422);
    assertThat(judged()).isEmpty();
    give(writer, product, "a pitch that is ", false).expect(403);
    editor
        .post(
            "/api/proofs/" + product + "/verdicts",
            Map.of("field", "nose", "passage", "x", "isGood", true, "why", ""))
        .expect(404);
  }
}
