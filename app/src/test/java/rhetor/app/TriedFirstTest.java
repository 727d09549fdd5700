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

/** Runs that write for a few products and wait until somebody has read those. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class TriedFirstTest {
  private Visitor writer;

  @BeforeAll
  void somebody_writes(RunningRhetor.House house) {
    writer = house.as(Role.WRITER);
  }

  private List<Long> eight(String which) {
    StringBuilder sheet = new StringBuilder("SKU,Name,Category,Material,Capacity,Weight\n");
    for (int i = 1; i <= 8; i++) {
      sheet.append(
          "TF-%s%d,Dunlin %s%d,Panniers,canvas,%d l,%d g%n"
              .formatted(which, i, which, i, 12 + i, 800 + i));
    }
    return writer.takeIn("tried-first-" + which + ".csv", sheet.toString());
  }

  private Visitor.Answer start(List<Long> chosen, int tries) {
    Map<String, Object> order = new HashMap<>();
    order.put("products", chosen);
    order.put("search", "");
    order.put("state", "ALL");
    order.put("intake", 0);
    order.put("leaveSignedOff", true);
    order.put("seed", 1);
    order.put("voice", "");
    order.put("tries", tries);
    return writer.post("/api/runs", order);
  }

  private JsonNode until(long run, String status) {
    return writer
        .until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals(status))
        .body()
        .path("run");
  }

  private List<Long> written(List<Long> products) {
    return products.stream()
        .filter(p -> !writer.get("/api/products/" + p).body().toString().contains("\"UNWRITTEN\""))
        .toList();
  }

  @Test
  void it_writes_for_three_spread_over_all_and_goes_on_when_told_to() {
    List<Long> products = eight("A");
    long run = start(products, 3).expect(200).id();
    JsonNode tried = until(run, "PAUSED");
    assertThat(tried.path("written").asInt()).isEqualTo(3);
    assertThat(tried.path("total").asInt()).isEqualTo(8);
    assertThat(tried.path("trouble").asString()).contains("Read their texts");
    assertThat(written(products))
        .containsExactly(products.get(0), products.get(2), products.get(4));

    writer.post("/api/runs/" + run + "/go-on", Map.of("most", 0)).expect(200);
    JsonNode done = until(run, "DONE");
    assertThat(done.path("written").asInt()).isEqualTo(8);
    assertThat(done.path("trouble").asString()).isEmpty();
    assertThat(written(products)).hasSize(8);
  }

  @Test
  void one_that_is_stopped_after_the_trial_can_be_taken_up() {
    List<Long> products = eight("B");
    long run = start(products, 2).expect(200).id();
    until(run, "PAUSED");
    writer.post("/api/runs/" + run + "/stop", Map.of()).expect(200);
    assertThat(until(run, "STOPPED").path("left").asInt()).isEqualTo(6);
    writer.post("/api/runs/" + run + "/take-up", Map.of()).expect(200);
    assertThat(until(run, "DONE").path("written").asInt()).isEqualTo(8);
  }

  @Test
  void a_run_of_no_more_than_are_tried_asks_nobody() {
    List<Long> products = eight("C");
    long run = start(products.subList(0, 2), 3).expect(200).id();
    assertThat(until(run, "DONE").path("written").asInt()).isEqualTo(2);
  }

  @Test
  void nobody_can_ask_to_see_a_thousand_first() {
    List<Long> products = eight("D");
    start(products, 1000).expect(400);
    start(products, -1).expect(400);
  }
}
