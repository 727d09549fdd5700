package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Texts that a run wrote anew, of which a house would rather keep the old ones. */
@ExtendWith(RunningRhetor.class)
class OldTextsKeptTest {
  private Visitor editor;
  private Map<String, Object> all;

  private JsonNode forecast() {
    return editor
        .post("/api/acts/forecast", Map.of("deed", "KEEP_OLD", "which", all, "seen", 0))
        .expect(200)
        .body();
  }

  private long revision(long product) {
    return editor.get("/api/proofs/" + product).expect(200).body().path("revision").asLong();
  }

  private String opening(long product) {
    return editor.get("/api/proofs/" + product).body().path("text").toString();
  }

  @Test
  void the_texts_before_a_run_count_again_and_the_act_is_taken_back(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    Visitor writer = house.as(Role.WRITER);
    List<Long> products =
        writer.takeIn(
            "kept-old.csv",
            """
            SKU,Name,Category,Brand,Material,Capacity,Weight
            KO-1,Grebe Bag,Panniers,Ardle,canvas,18 l,900 g
            KO-2,Teal Bag,Panniers,Ardle,canvas,20 l,950 g
            KO-3,Smew Bag,Panniers,Ardle,polyester,22 l,990 g
            KO-4,Scaup Bag,Panniers,Ardle,polyester,24 l,970 g
            """);
    long intake =
        editor
            .get("/api/intakes")
            .body()
            .valueStream()
            .filter(i -> i.path("fileName").asString().equals("kept-old.csv"))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asLong();
    all = Map.of("intake", intake, "state", "ALL");
    writer.write(products.subList(0, 3), intake, "plain");
    assertThat(forecast().path("texts").asInt()).isZero();
    assertThat(forecast().path("left").path("NO_OLDER").asInt()).isEqualTo(3);
    assertThat(forecast().path("left").path("UNWRITTEN").asInt()).isEqualTo(1);

    List<Long> old = products.subList(0, 3).stream().map(this::revision).toList();
    String oldText = opening(products.get(0));
    writer.write(products, intake, "warm");
    // Somebody works on the new text of one, and signs that of another off.
    editor
        .seen(
            revision(products.get(1)),
            "PUT",
            "/api/proofs/" + products.get(1) + "/fields/title",
            Map.of("text", "Teal Bag, a pannier of canvas"))
        .expect(200);
    List<Long> fresh = products.subList(0, 3).stream().map(this::revision).toList();
    assertThat(fresh).doesNotContainAnyElementsOf(old);
    editor
        .seen(fresh.get(2), "POST", "/api/proofs/" + products.get(2) + "/sign-off", Map.of())
        .expect(200);

    JsonNode would = forecast();
    assertThat(would.path("texts").asInt()).isEqualTo(1);
    assertThat(would.path("left").path("NO_OLDER").asInt()).isEqualTo(2);
    assertThat(would.path("left").path("SIGNED_OFF").asInt()).isEqualTo(1);
    JsonNode example = would.path("examples").get(0);
    assertThat(example.path("product").path("sku").asString()).isEqualTo("KO-1");
    assertThat(example.path("then").asString())
        .isNotEmpty()
        .isNotEqualTo(example.path("opening").asString());

    house
        .as(Role.WRITER)
        .post("/api/acts", Map.of("deed", "KEEP_OLD", "which", all, "seen", 1))
        .expect(403);
    editor.post("/api/acts", Map.of("deed", "KEEP_OLD", "which", all, "seen", 2)).expect(412);
    long act =
        editor
            .post("/api/acts", Map.of("deed", "KEEP_OLD", "which", all, "seen", 1))
            .expect(200)
            .id();
    assertThat(revision(products.get(0))).isEqualTo(old.get(0));
    assertThat(opening(products.get(0))).isEqualTo(oldText);
    assertThat(revision(products.get(1))).isEqualTo(fresh.get(1));
    assertThat(revision(products.get(2))).isEqualTo(fresh.get(2));

    editor.post("/api/acts/" + act + "/take-back", Map.of()).expect(200);
    assertThat(revision(products.get(0))).isEqualTo(fresh.get(0));
    editor.post("/api/acts/" + act + "/take-back", Map.of()).expect(409);
  }
}
