package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;

@ExtendWith(RunningRhetor.class)
class SafetyTest {
  private static final Map<String, Object> RUN =
      Map.of(
          "products",
          List.of(999_999L),
          "search",
          "",
          "state",
          "ALL",
          "intake",
          0,
          "leaveSignedOff",
          true,
          "seed",
          1);

  @ParameterizedTest
  @ValueSource(
      strings = {
        "/api/products",
        "/api/intakes",
        "/api/runs",
        "/api/editions",
        "/api/waiting",
        "/api/people",
        "/api/proofs/1",
        "/api/description"
      })
  void strangers_see_nothing(String path, House house) {
    assertThat(house.visitor().get(path).expect(401).detail()).contains("Sign in");
  }

  /** What each role may do: the status tells a refusal (403) from a request that gets through. */
  @ParameterizedTest
  @CsvSource({
    "READER,200,403,403,403,403",
    "WRITER,200,404,403,403,403",
    "EDITOR,200,404,404,404,403",
    "OWNER,200,404,404,404,200"
  })
  void each_role_may_do_its_own_and_no_more(
      Role role, int read, int write, int signOff, int publish, int people, House house) {
    Visitor visitor = house.as(role);
    visitor.get("/api/products").expect(read);
    visitor.seen(1, "PUT", "/api/proofs/999999/fields/title", Map.of("text", "x")).expect(write);
    visitor.seen(1, "POST", "/api/proofs/999999/sign-off", Map.of()).expect(signOff);
    visitor.post("/api/editions", Map.of("products", List.of(999_999))).expect(publish);
    visitor.get("/api/people").expect(people);
  }

  @Test
  void readers_take_nothing_in_and_start_no_run(House house) {
    Visitor reader = house.as(Role.READER);
    reader.upload("a.csv", "sku,name\nA,Lamp\n").expect(403);
    reader.post("/api/runs", RUN).expect(403);
    reader.delete("/api/intakes/1").expect(403);
  }

  @Test
  void a_request_without_the_token_against_forgery_is_refused(House house) {
    house.as(Role.OWNER).withoutToken().post("/api/runs", RUN).expect(403);
  }

  @Test
  void a_change_of_role_counts_at_once(House house) {
    Visitor owner = house.as(Role.OWNER);
    long id =
        owner
            .post(
                "/api/people",
                Map.of(
                    "email",
                    "short@test.example",
                    "name",
                    "Short Time",
                    "role",
                    "WRITER",
                    "password",
                    RunningRhetor.PASSWORD))
            .expect(200)
            .id();
    Visitor writer = house.visitor().signIn("short@test.example", RunningRhetor.PASSWORD);
    writer.post("/api/runs/999999/stop", Map.of()).expect(404);
    owner.put("/api/people/" + id + "/role", Map.of("role", "READER")).expect(200);
    writer.post("/api/runs/999999/stop", Map.of()).expect(403);
  }

  @Test
  void the_last_owner_stays_owner(House house) {
    Visitor owner = house.as(Role.OWNER);
    long id = owner.get("/api/people").body().get(0).path("id").asLong();
    assertThat(
            owner.put("/api/people/" + id + "/role", Map.of("role", "READER")).expect(409).detail())
        .contains("needs an owner");
  }

  @Test
  void nobody_becomes_owner_of_a_house_that_has_one(House house) {
    Visitor visitor = house.visitor();
    visitor.get("/api/session");
    visitor
        .post(
            "/api/owner",
            Map.of(
                "email",
                "x@test.example",
                "name",
                "X",
                "role",
                "OWNER",
                "password",
                "long enough password"))
        .expect(409);
  }

  @Test
  void passwords_are_kept_as_hashes_and_short_ones_refused(House house) {
    List<String> stored =
        house.bean(JdbcClient.class).sql("select password from person").query(String.class).list();
    assertThat(stored)
        .allSatisfy(
            p ->
                assertThat(p).startsWith("{sha256-bcrypt}").doesNotContain(RunningRhetor.PASSWORD));
    Visitor owner = house.as(Role.OWNER);
    assertThat(
            owner
                .post(
                    "/api/people",
                    Map.of(
                        "email",
                        "y@test.example",
                        "name",
                        "Y",
                        "role",
                        "READER",
                        "password",
                        "short"))
                .expect(422)
                .detail())
        .contains("5 characters", "at least 12");
    owner
        .post(
            "/api/people",
            Map.of(
                "email",
                "no-address",
                "name",
                "Y",
                "role",
                "READER",
                "password",
                "long enough password"))
        .expect(400);
  }

  @Test
  void guessing_a_password_is_slowed_down(House house) {
    Visitor visitor = house.visitor();
    visitor.get("/api/session");
    Map<String, String> wrong = Map.of("email", "guess@test.example", "password", "wrong");
    for (int i = 0; i < 6; i++) {
      visitor.post("/api/session", wrong).expect(401);
    }
    assertThat(visitor.post("/api/session", wrong).expect(429).detail()).contains("Wait 2 seconds");
  }

  @Test
  void signing_in_changes_the_session_and_signing_out_ends_it(House house) {
    Visitor visitor = house.as(Role.READER);
    visitor.get("/api/products").expect(200);
    visitor.delete("/api/session").expect(200);
    visitor.get("/api/products").expect(401);
  }

  @ParameterizedTest
  @ValueSource(strings = {"/", "/products", "/proofs/7", "/intake/3"})
  void the_page_comes_with_a_strict_policy_and_a_fresh_nonce(String path, House house) {
    var first = house.visitor().get(path).expect(200);
    var second = house.visitor().get(path).expect(200);
    String policy = first.response().headers().firstValue("Content-Security-Policy").orElseThrow();
    assertThat(policy)
        .contains("default-src 'none'", "script-src 'self';", "frame-ancestors 'none'")
        .doesNotContain("unsafe");
    assertThat(policy)
        .isNotEqualTo(
            second.response().headers().firstValue("Content-Security-Policy").orElseThrow());
    assertThat(first.response().headers().firstValue("X-Content-Type-Options")).contains("nosniff");
  }

  @ParameterizedTest
  @EnumSource(Role.class)
  void the_session_says_who_is_signed_in(Role role, House house) {
    assertThat(house.as(role).get("/api/session").body().path("role").asString())
        .isEqualTo(role.name());
  }
}
