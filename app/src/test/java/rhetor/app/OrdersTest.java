package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestInstance.Lifecycle;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Orders in plain words are read by what this house has. */
@ExtendWith(RunningRhetor.class)
@TestInstance(Lifecycle.PER_CLASS)
class OrdersTest {
  private Visitor editor;
  private long range;

  @BeforeAll
  void the_house_has_lanterns(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    editor.takeIn(
        "orders.csv",
        """
        SKU,Name,Category,Brand,Weight
        OR-1,Gorse,Lanterns,Heddle Works,400 g
        OR-2,Whin,Lanterns,Heddle Works,420 g
        """);
    range = editor.post("/api/ranges", Map.of("name", "Dark evenings")).expect(200).id();
  }

  private JsonNode read(String words) {
    return editor
        .get("/api/orders?words=" + URLEncoder.encode(words, StandardCharsets.UTF_8))
        .expect(200)
        .body();
  }

  @Test
  void kinds_makers_and_ranges_of_the_house_are_known() {
    JsonNode order =
        read("sign off the lanterns by Heddle Works of the dark evenings range over 80");
    assertThat(order.path("verb").asString()).isEqualTo("SIGN_OFF");
    assertThat(order.path("kind").asString()).isEqualTo("lantern");
    assertThat(order.path("brand").asString()).isEqualTo("Heddle Works");
    assertThat(order.path("range").asString()).isEqualTo(String.valueOf(range));
    assertThat(order.path("atLeast").asInt()).isEqualTo(81);
    assertThat(order.path("left").size()).isZero();
  }

  @Test
  void what_another_house_has_is_said_to_be_unknown() {
    JsonNode order = read("show submarines by Heddle Works");
    assertThat(order.path("left").get(0).path("words").asString()).isEqualTo("submarines");
    assertThat(read("submarines").path("search").asString()).isEqualTo("submarines");
  }

  @Test
  void products_without_a_keyword_are_listed() {
    assertThat(read("show lanterns without a keyword").path("state").asString())
        .isEqualTo("NO_KEYWORD");
    assertThat(
            editor
                .get("/api/products?state=NO_KEYWORD&kind=lantern&brand=Heddle%20Works")
                .expect(200)
                .body()
                .path("total")
                .asInt())
        .isEqualTo(2);
  }

  @Test
  void what_is_typed_is_completed() {
    String completions =
        editor.get("/api/orders/completions?words=show%20lan").expect(200).body().toString();
    assertThat(completions).contains("show lanterns");
  }
}
