package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Words put for others in many texts as one act, and taken back as one. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class ManySubstitutionsTest {
  private static final int TEXTS = 24;
  private Visitor editor;
  private Visitor writer;
  private List<Long> products;
  private int round;

  /** More texts than one request changes. */
  @BeforeEach
  void texts_of_a_maker(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    round++;
    StringBuilder rows = new StringBuilder("SKU,Name,Category,Brand,Weight\n");
    for (int i = 1; i <= TEXTS; i++) {
      rows.append(
          "SB%d-%d,Ness Bag %d,Panniers,Skaftwick%d,%d g%n".formatted(round, i, i, round, 800 + i));
    }
    products = writer.takeIn("substitute-" + round + ".csv", rows.toString());
    writer.write(products, 0, "plain");
  }

  private Map<String, Object> order(long act, String words, String instead) {
    return Map.of(
        "act", act, "words", words, "instead", instead, "which", Map.of("products", products));
  }

  private JsonNode forecast(String words, String instead) {
    return editor
        .post("/api/acts/substitutions/forecast", order(0, words, instead))
        .expect(200)
        .body();
  }

  private String texts(long product) {
    return editor.get("/api/proofs/" + product).expect(200).body().path("fields").toString();
  }

  private long revision(long product) {
    return editor.get("/api/proofs/" + product).body().path("revision").asLong();
  }

  @Test
  void all_texts_have_the_words_afterwards_and_the_old_ones_once_it_is_taken_back() {
    String maker = "Skaftwick" + round;
    long signed = products.getFirst();
    editor
        .seen(revision(signed), "POST", "/api/proofs/" + signed + "/sign-off", Map.of())
        .expect(200);
    List<String> before = products.stream().map(this::texts).toList();
    JsonNode forecast = forecast(maker, "Ulf & Sons");
    assertThat(forecast.path("texts").asInt()).isEqualTo(TEXTS - 1);
    assertThat(forecast.path("examples").size()).isEqualTo(3);
    assertThat(forecast.path("examples").get(0).path("after").asString())
        .contains("Ulf & Sons")
        .doesNotContain(maker);

    JsonNode first =
        editor.post("/api/acts/substitutions", order(0, maker, "Ulf & Sons")).expect(200).body();
    assertThat(first.path("left").asInt()).isBetween(1, TEXTS);
    long act = first.path("act").asLong();
    JsonNode last = first;
    for (int i = 0; i < TEXTS && last.path("left").asInt() > 0; i++) {
      last =
          editor
              .post("/api/acts/substitutions", order(act, maker, "Ulf & Sons"))
              .expect(200)
              .body();
    }
    assertThat(last.path("texts").asInt()).isEqualTo(TEXTS - 1);
    assertThat(texts(signed)).isEqualTo(before.getFirst());
    assertThat(texts(products.get(5))).contains("Ulf & Sons");
    assertThat(forecast(maker, "x").path("texts").asInt()).isZero();
    assertThat(editor.get("/api/proofs/" + products.get(5)).body().path("history").toString())
        .contains("Put “Ulf & Sons” for “" + maker + "”");

    // What somebody goes on with stays.
    editor
        .seen(
            revision(products.get(7)),
            "PUT",
            "/api/proofs/" + products.get(7) + "/fields/title",
            Map.of("text", "Ness Bag 8, the small one"))
        .expect(200);
    JsonNode back = editor.post("/api/acts/" + act + "/take-back", Map.of()).expect(200).body();
    assertThat(back.path("texts").asInt()).isEqualTo(TEXTS - 2);
    assertThat(texts(products.get(5))).isEqualTo(before.get(5));
    assertThat(texts(products.get(7))).contains("the small one");
    editor.post("/api/acts/substitutions", order(act, maker, "Ulf & Sons")).expect(409);
  }

  @ParameterizedTest
  @CsvSource({"'  ', bag, 400", "Nobody says this, bag, 409"})
  void what_is_nowhere_is_refused(String words, String instead, int status) {
    editor.post("/api/acts/substitutions", order(0, words, instead)).expect(status);
  }

  @Test
  void markup_and_quotation_marks_are_words_like_any_other() {
    long product = products.get(1);
    editor
        .seen(
            revision(product),
            "PUT",
            "/api/proofs/" + product + "/fields/title",
            Map.of("text", "The \"Ness\" bag"))
        .expect(200);
    assertThat(forecast("\"Ness\" bag", "<b>").path("texts").asInt()).isEqualTo(1);
    editor.post("/api/acts/substitutions", order(0, "\"Ness\" bag", "<b>")).expect(200);
    JsonNode title = editor.get("/api/proofs/" + product).body().path("fields").get(0);
    assertThat(title.path("marks").toString()).contains("Markup");
  }

  @Test
  void who_may_not_sign_off_may_not_change_many_texts() {
    writer.post("/api/acts/substitutions", order(0, "bag", "sack")).expect(403);
    assertThat(IntStream.range(0, 2).mapToObj(i -> texts(products.get(i))))
        .noneMatch(t -> t.contains("sack"));
  }
}
