package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Programs work in the house with tokens, and do no more than those allow. */
@ExtendWith(RunningRhetor.class)
class TokensTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final HttpClient http = HttpClient.newHttpClient();
  private final RunningRhetor.House house;
  private final Visitor owner;

  TokensTest(RunningRhetor.House house) {
    this.house = house;
    this.owner = house.as(Role.OWNER);
  }

  private String token(String role) {
    return owner
        .post("/api/tokens", Map.of("name", "Night import", "role", role, "days", 30))
        .expect(200)
        .body()
        .path("token")
        .asString();
  }

  private HttpResponse<String> call(String token, String method, String path, Object body)
      throws IOException, InterruptedException {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(house.url() + path))
            .header("Authorization", "Bearer " + token)
            .header("Content-Type", "application/json")
            .method(
                method,
                body == null
                    ? BodyPublishers.noBody()
                    : BodyPublishers.ofString(JSON.writeValueAsString(body)));
    return http.send(request.build(), BodyHandlers.ofString());
  }

  /** The five calls that the guide for programs shows. */
  @Test
  void a_script_has_a_sheet_written_in_five_calls() throws Exception {
    String token = token("WRITER");
    String boundary = "x-rhetor";
    String form =
        """
        --x-rhetor\r
        Content-Disposition: form-data; name="supplier"\r
        \r
        Tolvane\r
        --x-rhetor\r
        Content-Disposition: form-data; name="file"; filename="TOK.csv"\r
        Content-Type: text/csv\r
        \r
        SKU,Name,Type,Brand,Material,Weight
        TOK-1,Lane Pannier,Panniers,Tolvane,canvas,810 g
        \r
        --x-rhetor--\r
        """;
    HttpRequest upload =
        HttpRequest.newBuilder(URI.create(house.url() + "/api/intakes"))
            .header("Authorization", "Bearer " + token)
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(BodyPublishers.ofString(form, StandardCharsets.UTF_8))
            .build();
    long intake =
        JSON.readTree(http.send(upload, BodyHandlers.ofString()).body()).path("id").asLong();
    call(token, "PUT", "/api/intakes/" + intake + "/seen", null);
    assertThat(call(token, "POST", "/api/intakes/" + intake + "/take", Map.of()).statusCode())
        .isEqualTo(200);
    long run =
        JSON.readTree(call(token, "POST", "/api/runs", Visitor.wish(List.of(), intake)).body())
            .path("id")
            .asLong();
    JsonNode seen;
    do {
      seen = JSON.readTree(call(token, "GET", "/api/runs/" + run, null).body()).path("run");
    } while (!seen.path("status").asString().equals("DONE"));
    assertThat(call(token, "GET", "/api/intakes/" + intake + "/sheet", null).body())
        .contains("TOK-1,Lane Pannier", "<p>");
    assertThat(owner.get("/api/tokens").body().path(0).path("usedAt").asString())
        .doesNotStartWith("1970");
  }

  @Test
  void a_token_does_no_more_than_it_may() throws Exception {
    String reader = token("READER");
    assertThat(call(reader, "GET", "/api/products", null).statusCode()).isEqualTo(200);
    assertThat(call(reader, "POST", "/api/runs", Visitor.wish(List.of(), 0)).statusCode())
        .isEqualTo(403);
    String editor = token("EDITOR");
    assertThat(call(editor, "GET", "/api/people", null).statusCode()).isEqualTo(403);
    assertThat(
            call(editor, "POST", "/api/tokens", Map.of("name", "More", "role", "EDITOR", "days", 1))
                .statusCode())
        .isEqualTo(403);
    Map<String, Object> password =
        Map.of("now", RunningRhetor.PASSWORD, "next", "another password altogether");
    assertThat(call(editor, "PUT", "/api/me/password", password).statusCode()).isEqualTo(401);
  }

  @Test
  void what_is_no_token_or_has_ended_opens_nothing() throws Exception {
    String token = token("WRITER");
    long id = owner.get("/api/tokens").body().path(0).path("id").asLong();
    assertThat(call(token + "x", "GET", "/api/products", null).statusCode()).isEqualTo(401);
    JdbcClient jdbc = house.bean(JdbcClient.class);
    jdbc.sql("update token set ends_at = dateadd(day, -1, current_timestamp) where id = ?")
        .param(id)
        .update();
    assertThat(call(token, "GET", "/api/products", null).statusCode()).isEqualTo(401);
    owner.delete("/api/tokens/" + id).expect(200);
    owner.delete("/api/tokens/" + id).expect(404);
    assertThat(
            jdbc.sql("select count(*) from token where hash = ? or name = ?")
                .params(token, token)
                .query(Integer.class)
                .single())
        .isZero();
  }

  /** A page elsewhere can't send a token, and one that is no token is no way around the check. */
  @Test
  void a_made_up_token_does_not_let_a_forged_request_through() throws Exception {
    Visitor forged = house.as(Role.OWNER);
    assertThat(
            forged
                .withHeader("Authorization", "Bearer made up")
                .withoutToken()
                .post("/api/tokens", Map.of("name", "Forged", "role", "EDITOR", "days", 1))
                .status())
        .isEqualTo(401);
  }

  @Test
  void tokens_that_can_not_be_are_refused() {
    for (Map<String, Object> wrong :
        List.<Map<String, Object>>of(
            Map.of("name", " ", "role", "WRITER", "days", 1),
            Map.of("name", "All", "role", "OWNER", "days", 1),
            Map.of("name", "Ever", "role", "WRITER", "days", 10_000))) {
      owner.post("/api/tokens", wrong).expect(422);
    }
    house.as(Role.EDITOR).get("/api/tokens").expect(403);
  }
}
