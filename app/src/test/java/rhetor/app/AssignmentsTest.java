package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Texts given to people to read, in equal shares, over HTTP. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class AssignmentsTest {
  private Visitor owner;
  private Visitor editor;
  private Visitor writer;
  private List<Long> products;
  private int round;

  @BeforeEach
  void texts(RunningRhetor.House house) {
    owner = house.as(Role.OWNER);
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    round++;
    StringBuilder rows = new StringBuilder("SKU,Name,Category,Brand,Weight\n");
    for (int i = 1; i <= 7; i++) {
      rows.append("AS%d-%d,Orme Bag %d,Panniers,Skaftwick,%d g%n".formatted(round, i, i, 600 + i));
    }
    products = writer.takeIn("assigned-" + round + ".csv", rows.toString());
    writer.write(products, 0, "plain");
  }

  private long person(String name) {
    String email = name.toLowerCase(java.util.Locale.ROOT) + round + "@bench.example";
    owner
        .post(
            "/api/people",
            Map.of(
                "email",
                email,
                "name",
                name + round,
                "role",
                "WRITER",
                "password",
                "an honest password of " + name))
        .expect(200);
    return owner
        .get("/api/people")
        .body()
        .valueStream()
        .filter(p -> p.path("email").asString().equals(email))
        .findFirst()
        .orElseThrow()
        .path("id")
        .asLong();
  }

  private JsonNode give(List<Long> readers) {
    return editor
        .post(
            "/api/readers/assignments",
            Map.of("readers", readers, "which", Map.of("products", products)))
        .expect(200)
        .body();
  }

  private List<Long> of(long reader) {
    return writer
        .get("/api/products?search=AS" + round + "-&reader=" + reader)
        .expect(200)
        .body()
        .path("items")
        .valueStream()
        .map(p -> p.path("id").asLong())
        .toList();
  }

  @Test
  void a_pile_is_shared_out_evenly_and_each_finds_their_own() {
    long ida = person("Ida");
    long olle = person("Olle");
    assertThat(of(-1)).hasSize(7);
    JsonNode shares = give(List.of(ida, olle));
    assertThat(shares.get(0).path("texts").asInt() + shares.get(1).path("texts").asInt())
        .isEqualTo(7);
    assertThat(of(ida)).hasSize(3).doesNotContainAnyElementsOf(of(olle));
    assertThat(of(olle)).hasSize(4);
    assertThat(of(-1)).isEmpty();
    assertThat(of(0)).hasSize(7);
    assertThat(writer.get("/api/proofs/" + of(ida).getFirst()).body().path("reader").asString())
        .isEqualTo("Ida" + round);
    assertThat(editor.get("/api/readers").expect(200).body().valueStream())
        .anySatisfy(
            r -> {
              assertThat(r.path("name").asString()).isEqualTo("Olle" + round);
              assertThat(r.path("texts").asInt()).isEqualTo(4);
            });

    // Given anew, a text has one reader; given to nobody, none.
    give(List.of(olle));
    assertThat(of(ida)).isEmpty();
    assertThat(of(olle)).hasSize(7);
    give(List.of());
    assertThat(of(-1)).hasSize(7);
  }

  @Test
  void what_somebody_who_leaves_had_is_free_again() {
    long ida = person("Ada");
    give(List.of(ida));
    assertThat(of(-1)).isEmpty();
    owner.delete("/api/people/" + ida).expect(200);
    assertThat(of(-1)).hasSize(7);
  }

  @Test
  void an_act_on_ones_own_texts_leaves_the_others_alone() {
    long ida = person("Una");
    long olle = person("Ove");
    give(List.of(ida, olle));
    JsonNode forecast =
        editor
            .post(
                "/api/acts/forecast",
                Map.of("deed", "SIGN_OFF", "seen", 0, "which", Map.of("reader", ida)))
            .expect(200)
            .body();
    assertThat(forecast.path("texts").asInt()).isLessThanOrEqualTo(3);
    assertThat(
            writer
                .post(
                    "/api/runs/forecast",
                    Map.of(
                        "reader",
                        olle,
                        "state",
                        "ALL",
                        "intake",
                        0,
                        "leaveSignedOff",
                        false,
                        "seed",
                        1))
                .expect(200)
                .body()
                .path("chosen")
                .asInt())
        .isEqualTo(4);
  }

  @Test
  void nothing_is_given_to_a_stranger_and_only_editors_give() {
    give(List.of());
    assertThat(
            editor
                .post(
                    "/api/readers/assignments",
                    Map.of("readers", List.of(4_711_000), "which", Map.of("products", products)))
                .expect(422)
                .detail())
        .contains("Load the page again");
    writer
        .post(
            "/api/readers/assignments",
            Map.of("readers", List.of(), "which", Map.of("products", products)))
        .expect(403);
    assertThat(of(-1)).hasSize(7);
  }
}
