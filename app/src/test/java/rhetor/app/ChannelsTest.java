package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

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

/** Channels and languages decide otherwise than the house, and get sheets in words of their own. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class ChannelsTest {
  private Visitor editor;
  private Visitor writer;
  private long intake;
  private List<Long> products;

  @BeforeAll
  void a_sheet_is_taken_in_and_written_for(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    String sheet =
        """
        Ref,Name,Category,Brand,Material,Weight,Colour,Closure
        CHN-1,Scar Pannier,Panniers,Tolvane,canvas,810 g,grey,roll-top
        CHN-2,Tarn Pannier,Panniers,Tolvane,nylon,920 g,green,zip
        CHN-3,Rigg Pannier,Panniers,Tolvane,canvas,1030 g,grey,roll-top
        """;
    products = writer.takeIn("CHN.csv", sheet);
    writer.write(products.subList(0, 2), 0, "plain");
    for (JsonNode i : writer.get("/api/intakes").body()) {
      intake = i.path("fileName").asString().equals("CHN.csv") ? i.path("id").asLong() : intake;
    }
    assertThat(intake).isPositive();
  }

  @AfterEach
  void as_it_was() {
    for (JsonNode c : editor.get("/api/channels").body()) {
      editor.delete("/api/channels/" + c.path("id").asLong()).expect(200);
    }
    decide("language/american", Map.of());
    editor.until("/api/audit", a -> !a.path("underWay").asBoolean());
  }

  private long channel(String name, String spelling, boolean takesMarkup) {
    Map<String, Object> order =
        spelling.isEmpty()
            ? Map.of("name", name, "takesMarkup", takesMarkup)
            : Map.of("name", name, "spelling", spelling, "takesMarkup", takesMarkup);
    return editor.post("/api/channels", order).expect(200).id();
  }

  private void decide(String owner, Map<String, Object> decided) {
    int seen = editor.get("/api/layers/" + owner).expect(200).body().path("version").asInt();
    editor
        .put("/api/layers/" + owner, Map.of("seen", seen, "layer", RangesTest.layer(decided)))
        .expect(200);
  }

  private List<String> sheet(long channel) {
    return writer
        .get("/api/intakes/" + intake + "/sheet?channel=" + channel)
        .expect(200)
        .text()
        .lines()
        .toList();
  }

  @Test
  void each_layer_comes_on_top_of_those_before_and_says_so() {
    long channel = channel("Pedalhouse", "AMERICAN", true);
    decide("channel/" + channel, Map.of("voice", "lively", "required", List.of("pannier")));
    decide(
        "language/american", Map.of("banned", List.of(Map.of("word", "grey", "instead", "gray"))));
    long range = editor.post("/api/ranges", Map.of("name", "Fell bags")).expect(200).id();
    editor.post("/api/ranges/" + range + "/products", Map.of("products", products)).expect(200);
    decide("range/" + range, Map.of("voice", "warm", "audience", "walkers"));
    JsonNode there =
        writer.get("/api/products/" + products.getFirst() + "/style?channel=" + channel).body();
    assertThat(there.toString())
        .contains("\"Lively\",\"from\":\"Pedalhouse\"")
        .contains("\"walkers\",\"from\":\"Fell bags\"")
        .contains("\"American\",\"from\":\"Pedalhouse\"")
        .contains("\"grey → gray\",\"from\":\"American English\"");
    String here = writer.get("/api/products/" + products.getFirst() + "/style").body().toString();
    assertThat(here)
        .contains("\"Warm\",\"from\":\"Fell bags\"", "\"British\",\"from\":\"the house\"")
        .doesNotContain("gray", "Pedalhouse");
    editor.delete("/api/ranges/" + range).expect(200);
    assertThat(writer.get("/api/layers/range/" + range).expect(404).detail()).contains("no such");
  }

  @Test
  void its_sheet_has_the_houses_columns_and_texts_in_its_own_words() {
    long channel = channel("Reseller", "AMERICAN", false);
    decide("channel/" + channel, Map.of("always", List.of("Delivered in two days.")));
    List<String> own = sheet(0);
    List<String> theirs = sheet(channel);
    assertThat(theirs.getFirst()).isEqualTo(own.getFirst());
    String text = String.join("\n", theirs);
    assertThat(text)
        .contains("CHN-1,Scar Pannier,Panniers,Tolvane,canvas,810 g,grey,roll-top,")
        .contains("gray", "Delivered in two days.")
        .doesNotContain("<p>", "<li>");
    assertThat(String.join("\n", own)).contains("<p>").doesNotContain("Delivered in two days.");
    // What isn't written for the shop isn't sent elsewhere, and the same again is the same.
    assertThat(text).doesNotContain("The Rigg Pannier");
    assertThat(sheet(channel)).isEqualTo(theirs);
    assertThat(
            writer
                .get("/api/intakes/" + intake + "/sheet?signedOnly=true&channel=" + channel)
                .text())
        .doesNotContain("Delivered in two days.");
  }

  @Test
  void a_channels_style_is_tried_on_products_before_it_is_kept() {
    long channel = channel("Trial", "", true);
    JsonNode trial =
        writer
            .post(
                "/api/layers/channel/" + channel + "/try",
                RangesTest.layer(Map.of("always", List.of("Ask us for spare hooks."))))
            .expect(200)
            .body();
    assertThat(trial.path("examples")).isNotEmpty();
    for (JsonNode example : trial.path("examples")) {
      assertThat(example.path("then").path("description").asString())
          .contains("Ask us for spare hooks.");
      assertThat(example.path("now").path("description").asString())
          .doesNotContain("Ask us for spare hooks.");
    }
    JsonNode language =
        writer
            .post(
                "/api/layers/language/american/try",
                RangesTest.layer(Map.of("spelling", "BRITISH")))
            .expect(200)
            .body();
    assertThat(language.path("problems").toString()).contains("spelled in one way only");
  }

  @Test
  void what_was_decided_before_can_be_looked_at_and_kept_again() {
    long channel = channel("Versions", "", true);
    String owner = "channel/" + channel;
    decide(owner, Map.of("voice", "warm"));
    decide(owner, Map.of("voice", "lively", "audience", "walkers"));
    JsonNode versions = writer.get("/api/layers/" + owner + "/versions").expect(200).body();
    assertThat(versions).hasSize(2);
    assertThat(versions.get(0).path("note").asString()).isEqualTo("Voice, audience changed");
    assertThat(
            writer
                .get("/api/layers/" + owner + "/versions/1")
                .expect(200)
                .body()
                .path("voice")
                .asString())
        .isEqualTo("warm");
    writer.get("/api/layers/" + owner + "/versions/7").expect(404);
    // Whoever saw the first decision doesn't overwrite the second.
    editor
        .put("/api/layers/" + owner, Map.of("seen", 1, "layer", RangesTest.layer(Map.of())))
        .expect(412);
    writer.get("/api/products/99999999/style").expect(404);
  }

  @Test
  void what_the_houses_language_decides_holds_for_its_own_texts_too() {
    decide("language/british", Map.of("always", List.of("Kept in stock.")));
    try {
      editor.until("/api/audit", a -> !a.path("underWay").asBoolean());
      assertThat(writer.get("/api/proofs/" + products.getFirst()).body().toString())
          .contains("Kept in stock.");
    } finally {
      decide("language/british", Map.of());
    }
  }

  @Test
  void only_editors_decide_and_only_about_what_there_is() {
    long channel = channel("Guarded", "", true);
    Map<String, Object> nothing = Map.of("seen", 0, "layer", RangesTest.layer(Map.of()));
    writer.put("/api/layers/channel/" + channel, nothing).expect(403);
    writer.post("/api/channels", Map.of("name", "Mine", "takesMarkup", true)).expect(403);
    editor.put("/api/layers/channel/999999", nothing).expect(404);
    editor.put("/api/layers/planet/1", nothing).expect(404);
    editor.put("/api/layers/range/one", nothing).expect(404);
    writer.get("/api/intakes/" + intake + "/sheet?channel=999999").expect(404);
    editor.post("/api/channels", Map.of("name", "guarded", "takesMarkup", true)).expect(409);
    editor.post("/api/channels", Map.of("name", " ", "takesMarkup", true)).expect(422);
    assertThat(
            editor
                .put(
                    "/api/layers/channel/" + channel,
                    Map.of(
                        "seen",
                        0,
                        "layer",
                        RangesTest.layer(
                            Map.of(
                                "required",
                                List.of("sturdy"),
                                "banned",
                                List.of(Map.of("word", "sturdy", "instead", ""))))))
                .expect(422)
                .detail())
        .contains("sturdy");
  }

  @Test
  void a_channel_that_goes_takes_its_style_with_it() {
    long channel = channel("Passing", "", true);
    decide("channel/" + channel, Map.of("voice", "lively"));
    editor.delete("/api/channels/" + channel).expect(200);
    writer.get("/api/layers/channel/" + channel).expect(404);
    assertThat(writer.get("/api/products/" + products.getFirst() + "/style").body().toString())
        .doesNotContain("Passing");
  }
}
