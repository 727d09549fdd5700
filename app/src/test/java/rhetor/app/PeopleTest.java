package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** People, their passwords, second factors and sessions, and what the log says of them. */
@ExtendWith(RunningRhetor.class)
class PeopleTest {
  private static final String NEXT = "another word for tests";
  private final House house;

  PeopleTest(House house) {
    this.house = house;
  }

  /** The next test signs in from the same address. */
  @AfterEach
  void forgive() {
    house.bean(rhetor.app.people.PeopleService.class).forgive();
  }

  private long add(String email, String role) {
    return house
        .as(Role.OWNER)
        .post(
            "/api/people",
            Map.of(
                "email",
                email,
                "name",
                "Somebody",
                "role",
                role,
                "password",
                RunningRhetor.PASSWORD))
        .expect(200)
        .id();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "short one 1 | at least 12",
        "password1234 | guessed first",
        "P@ssw0rd!!!!! | guessed first",
        "aaaaaaaaaaaaaa | guessed first",
        "abcabcabcabcabc | guessed first",
        "qwertyuiop12 | guessed first",
        "1234567890123 | guessed first",
        "my wendeline word | own name",
        "the wrenlet sings | own address"
      })
  void a_password_that_is_guessed_first_is_refused(String password, String why) {
    assertThat(
            house
                .as(Role.OWNER)
                .post(
                    "/api/people",
                    Map.of(
                        "email",
                        "wrenlet@test.example",
                        "name",
                        "Wendeline Hill",
                        "role",
                        "READER",
                        "password",
                        password))
                .expect(422)
                .detail())
        .contains(why);
  }

  /** Bcrypt alone would look at the first 72 bytes only. */
  @Test
  void all_of_a_long_password_counts() {
    String base = "öäü and a long road ".repeat(5);
    house
        .as(Role.OWNER)
        .post(
            "/api/people",
            Map.of(
                "email",
                "length@test.example",
                "name",
                "Lo Ng",
                "role",
                "READER",
                "password",
                base + "one"))
        .expect(200);
    house.visitor().signIn("length@test.example", base + "one").get("/api/products").expect(200);
    Visitor other = house.visitor();
    other.get("/api/session");
    other
        .post("/api/session", Map.of("email", "length@test.example", "password", base + "two"))
        .expect(401);
  }

  @Test
  void a_changed_password_ends_the_other_sessions() {
    add("change@test.example", "WRITER");
    Visitor here = house.visitor().signIn("change@test.example", RunningRhetor.PASSWORD);
    Visitor elsewhere = house.visitor().signIn("change@test.example", RunningRhetor.PASSWORD);
    assertThat(here.get("/api/me/sessions").expect(200).body()).hasSize(2);
    here.put("/api/me/password", Map.of("now", "not the password", "next", NEXT)).expect(422);
    here.put("/api/me/password", Map.of("now", RunningRhetor.PASSWORD, "next", NEXT)).expect(200);
    here.get("/api/products").expect(200);
    elsewhere.get("/api/products").expect(401);
    house.visitor().signIn("change@test.example", NEXT);
  }

  @Test
  void a_person_ends_a_session_of_theirs_and_nobody_elses() {
    add("seats@test.example", "READER");
    Visitor here = house.visitor().signIn("seats@test.example", RunningRhetor.PASSWORD);
    Visitor elsewhere = house.visitor().signIn("seats@test.example", RunningRhetor.PASSWORD);
    String handle = "";
    for (JsonNode s : here.get("/api/me/sessions").expect(200).body()) {
      handle = s.path("here").asBoolean() ? handle : s.path("handle").asString();
    }
    house.as(Role.WRITER).delete("/api/me/sessions/" + handle).expect(404);
    elsewhere.get("/api/products").expect(200);
    here.delete("/api/me/sessions/" + handle).expect(200);
    elsewhere.get("/api/products").expect(401);
    here.get("/api/products").expect(200);
  }

  @Test
  void a_person_who_is_removed_is_out_at_once_and_their_name_stays_on_what_they_did() {
    long id = add("gone@test.example", "WRITER");
    Visitor gone = house.visitor().signIn("gone@test.example", RunningRhetor.PASSWORD);
    gone.get("/api/products").expect(200);
    house.as(Role.EDITOR).delete("/api/people/" + id).expect(403);
    house.as(Role.OWNER).delete("/api/people/" + id).expect(200);
    gone.get("/api/products").expect(401);
    assertThat(house.as(Role.OWNER).get("/api/log?search=gone@test").expect(200).text())
        .contains("person removed", "person added");
  }

  @Test
  void the_last_owner_cannot_be_removed() {
    Visitor owner = house.as(Role.OWNER);
    long id = owner.get("/api/people").body().get(0).path("id").asLong();
    assertThat(owner.delete("/api/people/" + id).expect(409).detail()).contains("needs an owner");
  }

  /** The code of RFC 6238 for a moment, made here by its own words and not by Rhetor's. */
  private static String code(String secret, long step) throws Exception {
    String bits = "";
    for (char c : secret.toCharArray()) {
      String five = Integer.toBinaryString("ABCDEFGHIJKLMNOPQRSTUVWXYZ234567".indexOf(c));
      bits += "0".repeat(5 - five.length()) + five;
    }
    byte[] key = new java.math.BigInteger("1" + bits, 2).toByteArray();
    var mac = javax.crypto.Mac.getInstance("HmacSHA1");
    mac.init(new javax.crypto.spec.SecretKeySpec(key, 1, key.length - 1, "HmacSHA1"));
    byte[] hash = mac.doFinal(java.nio.ByteBuffer.allocate(8).putLong(step).array());
    int at = hash[19] & 15;
    int n =
        (hash[at] & 127) << 24
            | (hash[at + 1] & 255) << 16
            | (hash[at + 2] & 255) << 8
            | hash[at + 3] & 255;
    return String.format("%06d", n % 1_000_000);
  }

  @Test
  void a_second_factor_is_asked_for_and_a_code_is_good_once() throws Exception {
    long id = add("factor@test.example", "WRITER");
    Visitor person = house.visitor().signIn("factor@test.example", RunningRhetor.PASSWORD);
    String secret =
        person.post("/api/me/second-factor", Map.of()).expect(200).body().path("secret").asString();
    long step = System.currentTimeMillis() / 30_000;
    Map<String, String> wrong =
        Map.of("password", RunningRhetor.PASSWORD, "secret", secret, "code", "000000");
    person.put("/api/me/second-factor", wrong).expect(422);
    JsonNode recovery =
        person
            .put(
                "/api/me/second-factor",
                Map.of(
                    "password",
                    RunningRhetor.PASSWORD,
                    "secret",
                    secret,
                    "code",
                    code(secret, step)))
            .expect(200)
            .body()
            .path("codes");
    assertThat(recovery).hasSize(10);
    Visitor again = house.visitor();
    again.get("/api/session");
    Map<String, String> alone =
        Map.of("email", "factor@test.example", "password", RunningRhetor.PASSWORD);
    assertThat(again.post("/api/session", alone).expect(200).body().path("needsCode").asBoolean())
        .isTrue();
    again.get("/api/products").expect(401);
    // The code that turned it on was used; the next one is right.
    again.post("/api/session", with(alone, code(secret, step))).expect(401);
    again.post("/api/session", with(alone, code(secret, step + 1))).expect(200);
    again.get("/api/products").expect(200);
    Visitor lost = house.visitor();
    lost.get("/api/session");
    lost.post("/api/session", with(alone, recovery.get(3).asString())).expect(200);
    lost.post("/api/session", with(alone, recovery.get(3).asString())).expect(401);
    house.as(Role.OWNER).delete("/api/people/" + id + "/second-factor").expect(200);
    house.visitor().signIn("factor@test.example", RunningRhetor.PASSWORD);
    String kept =
        house
            .bean(JdbcClient.class)
            .sql("select count(*) from person where second_factor like ?")
            .param("%" + secret + "%")
            .query(String.class)
            .single();
    assertThat(kept).isEqualTo("0");
  }

  private static Map<String, String> with(Map<String, String> signIn, String code) {
    Map<String, String> all = new java.util.HashMap<>(signIn);
    all.put("code", code);
    return all;
  }

  @Test
  void how_long_sessions_last_is_the_owners_to_say() {
    Visitor owner = house.as(Role.OWNER);
    house
        .as(Role.EDITOR)
        .put("/api/house/sessions", Map.of("idleMinutes", 5, "hours", 1))
        .expect(403);
    assertThat(owner.get("/api/house/sessions").expect(200).body().path("idleMinutes").asInt())
        .isEqualTo(30);
    owner.put("/api/house/sessions", Map.of("idleMinutes", 0, "hours", 1)).expect(422);
    owner.put("/api/house/sessions", Map.of("idleMinutes", 60, "hours", 24)).expect(200);
    owner.put("/api/house/sessions", Map.of("idleMinutes", 30, "hours", 12)).expect(200);
    assertThat(owner.get("/api/log?search=sessions").text()).contains("60 minutes idle, 24 hours");
  }

  @Test
  void the_log_is_the_owners_and_no_word_in_it_passes_for_another_entry() {
    Visitor stranger = house.visitor();
    stranger.get("/api/session");
    stranger
        .post(
            "/api/session",
            Map.of("email", "x\n2026-01-01 owner signed in\u2028y", "password", "whatever it is"))
        .expect(401);
    house.as(Role.READER).post("/api/runs/1/stop", Map.of()).expect(403);
    house.as(Role.EDITOR).get("/api/log").expect(403);
    JsonNode log = house.as(Role.OWNER).get("/api/log").expect(200).body();
    assertThat(log)
        .allSatisfy(
            e ->
                assertThat(e.path("who").asString() + e.path("detail").asString())
                    .doesNotContain("\n", "\u2028"));
    assertThat(log.toString())
        .contains("x 2026-01-01 owner signed in y", "not allowed", "POST /api/runs/1/stop");
    assertThat(house.as(Role.OWNER).get("/api/log?search=signed%20in").body())
        .isNotEmpty()
        .anySatisfy(e -> assertThat(e.path("event").asString()).isEqualTo("signed in"));
  }

  @Test
  void who_signed_a_text_off_stands_in_its_history() {
    Visitor editor = house.as(Role.EDITOR);
    List<Long> products = editor.takeIn("history.csv", "SKU,Name,Weight\nPH-1,Lamp,3 kg\n");
    editor.write(products, 0, "plain");
    String proof = "/api/proofs/" + products.getFirst();
    long seen = editor.get(proof).body().path("revision").asLong();
    editor.seen(seen, "POST", proof + "/sign-off", Map.of()).expect(200);
    editor.seen(seen, "POST", proof + "/send-back", Map.of()).expect(200);
    JsonNode deeds = editor.get(proof).body().path("deeds");
    assertThat(deeds.get(0).path("event").asString()).isEqualTo("sent back");
    assertThat(deeds.get(1).path("event").asString()).isEqualTo("signed off");
    assertThat(deeds.get(1).path("who").asString()).isEqualTo("editor@test.example");
    assertThat(deeds.get(1).path("detail").asString()).isEqualTo("revision " + seen);
  }

  @Test
  void the_shops_token_goes_in_and_never_out() {
    Visitor owner = house.as(Role.OWNER);
    house.as(Role.EDITOR).get("/api/house/shop").expect(403);
    assertThat(owner.get("/api/house/shop").expect(200).text())
        .contains(house.shop())
        .doesNotContain(RunningRhetor.TOKEN);
    assertThat(
            owner
                .put("/api/house/shop", Map.of("address", "https://else.example", "token", ""))
                .expect(422)
                .detail())
        .contains("another shop");
    owner.put("/api/house/shop", Map.of("address", "file:///etc", "token", "x")).expect(422);
    owner
        .put("/api/house/shop", Map.of("address", house.shop(), "token", RunningRhetor.TOKEN))
        .expect(200);
    assertThat(
            house
                .bean(JdbcClient.class)
                .sql("select secret from shop_connection")
                .query(String.class)
                .single())
        .startsWith("sealed:");
  }

  @Test
  void a_flood_of_wrong_sign_ins_takes_little_from_those_who_work() throws Exception {
    Visitor reader = house.as(Role.READER);
    long end = System.nanoTime() + 4_000_000_000L;
    List<Future<Integer>> floods = new ArrayList<>();
    List<Long> millis = new ArrayList<>();
    try (var threads = Executors.newCachedThreadPool()) {
      for (int i = 0; i < 40; i++) {
        int loop = i;
        floods.add(
            threads.submit(
                () -> {
                  Visitor attacker = house.visitor();
                  attacker.get("/api/session");
                  int slowed = 0;
                  for (int n = 0; System.nanoTime() < end; n++) {
                    Map<String, String> guess =
                        Map.of(
                            "email",
                            "flood" + loop + "." + n + "@test.example",
                            "password",
                            "guess number " + n);
                    slowed += attacker.post("/api/session", guess).status() == 429 ? 1 : 0;
                  }
                  return slowed;
                }));
      }
      while (System.nanoTime() < end) {
        long begin = System.nanoTime();
        reader.get("/api/products").expect(200);
        millis.add((System.nanoTime() - begin) / 1_000_000);
        Thread.sleep(20);
      }
    }
    int slowed = 0;
    for (Future<Integer> flood : floods) {
      slowed += flood.get();
    }
    assertThat(slowed).isPositive();
    millis.sort(null);
    assertThat(millis.get(millis.size() * 9 / 10)).isLessThan(2_000);
  }

  @Test
  void somebody_who_opens_many_streams_loses_the_oldest() throws Exception {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products = writer.takeIn("streams.csv", "SKU,Name\nPS-1,Lamp\n");
    long run = writer.post("/api/runs", Visitor.wish(products, 0)).expect(200).id();
    writer.until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    house
        .bean(JdbcClient.class)
        .sql("update run set status = 'RUNNING' where id = ?")
        .param(run)
        .update();
    try (var threads = Executors.newCachedThreadPool()) {
      List<Future<Visitor.Answer>> streams = new ArrayList<>();
      try {
        for (int i = 0; i < 12; i++) {
          streams.add(threads.submit(() -> writer.get("/api/runs/" + run + "/events")));
        }
        long end = System.nanoTime() + Duration.ofSeconds(30).toNanos();
        while (ended(streams) < 6 && System.nanoTime() < end) {
          Thread.sleep(50);
        }
        Thread.sleep(500);
        assertThat(ended(streams)).isEqualTo(6);
      } finally {
        // The streams that are left end with the run; without this the threads would be waited for.
        house
            .bean(JdbcClient.class)
            .sql("update run set status = 'DONE' where id = ?")
            .param(run)
            .update();
      }
    }
  }

  private static long ended(List<Future<Visitor.Answer>> streams) {
    return streams.stream().filter(Future::isDone).count();
  }
}
