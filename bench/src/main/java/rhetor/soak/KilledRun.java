package rhetor.soak;

import java.io.IOException;
import java.io.PrintStream;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A run by a text model that misbehaves, whose server is killed at random moments: every product
 * has to end written once or failed with a reason, and what was paid has to be booked.
 */
final class KilledRun implements Hand.Faults {
  private static final String TOKEN = "token-for-the-kills";
  private static final String OWNER = "owner@soak.example";
  private static final int MISBEHAVES = 30;
  private static final int LATENCY = 100;

  /** In a million tokens, of questions and of answers. */
  private static final int PRICE_ASKED = 1;

  private static final int PRICE_ANSWERED = 2;

  /** So many milliseconds it lives at least and at most before it is killed. */
  private static final int SHORTEST_LIFE = 2_000;

  private static final int LONGEST_LIFE = 9_000;

  /** Questions that may be under way when it is killed. */
  private static final int MOST_UNDER_WAY = 64;

  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final int kills;
  private final int products;
  private final PrintStream out;
  private final Path folder;
  private final Server app;
  private final Server outside;
  private final List<String> faults = new ArrayList<>();
  private final AtomicLong requests = new AtomicLong();
  private final HttpClient http = HttpClient.newHttpClient();

  KilledRun(int kills, int products, Path jars, PrintStream out) throws IOException {
    this.kills = kills;
    this.products = products;
    this.out = out;
    this.folder = Files.createTempDirectory("rhetor-kills");
    int port = Server.freePort();
    this.outside = Server.outside(jars, folder, TOKEN, folder.resolve("outside.log"));
    this.app =
        Server.of(
            jars.resolve("app/target/rhetor-app-1.0-SNAPSHOT-exec.jar"),
            "500m",
            port,
            folder.resolve("rhetor.log"),
            List.of(
                "--rhetor.port=" + port,
                "--rhetor.data=" + folder.resolve("house"),
                "--rhetor.grammar=false"));
  }

  @Override
  public void fault(String what) {
    faults.add(what);
  }

  @Override
  public AtomicLong requests() {
    return requests;
  }

  /** Runs it; what must not be. */
  List<String> run() throws IOException, InterruptedException {
    outside.start();
    app.start();
    Hand owner = new Hand(app.url(), OWNER, this);
    owner.get("/api/session");
    owner.post(
        "/api/owner",
        Map.of("email", OWNER, "name", "Somebody", "role", "OWNER", "password", Hand.PASSWORD),
        Map.of());
    long run = begin(owner);
    Random random = new Random(kills);
    int done = 0;
    while (done < kills && !hasEnded(owner, run)) {
      Thread.sleep(random.nextInt(SHORTEST_LIFE, LONGEST_LIFE));
      app.kill();
      done++;
      app.start();
      for (int i = 0; i < 100 && !owner.get("/api/runs/" + run).isGood(); i++) {
        Thread.sleep(200);
      }
    }
    while (!hasEnded(owner, run)) {
      Thread.sleep(500);
    }
    if (done < kills) {
      fault("the run had ended after %d kills; take more products".formatted(done));
    }
    check(owner, run, done);
    app.stop();
    outside.stop();
    faults.forEach(f -> out.println("FAULT " + f));
    out.printf("kills faults=%d%n", faults.size());
    return faults;
  }

  private long begin(Hand owner) throws IOException, InterruptedException {
    put("/model/weather", Map.of("latencyMillis", LATENCY, "perSecond", 0, "failEvery", 0));
    put("/model/manners", Map.of("misbehaves", MISBEHAVES));
    owner.put(
        "/api/connections/hosts",
        Map.of("host", URI.create(outside.url()).getAuthority(), "allowed", true),
        Map.of());
    long connection =
        owner
            .post(
                "/api/connections",
                Map.of(
                    "name",
                    "Foolscap",
                    "address",
                    outside.url() + "/model/v1",
                    "model",
                    "foolscap-1",
                    "key",
                    TOKEN,
                    "priceAsked",
                    PRICE_ASKED,
                    "priceAnswered",
                    PRICE_ANSWERED,
                    "monthlyMost",
                    0),
                Map.of())
            .body()
            .path("id")
            .asLong();
    StringBuilder csv = new StringBuilder("SKU,Name,Category,Weight,Material,Colour,Capacity\n");
    for (int i = 1; i <= products; i++) {
      csv.append("K-%d,Lane %d,Panniers,%d g,canvas,moss,%d l%n".formatted(i, i, 500 + i, i));
    }
    long intake =
        owner
            .upload("/api/intakes", "kills.csv", csv.toString().getBytes(StandardCharsets.UTF_8))
            .body()
            .path("id")
            .asLong();
    owner.put("/api/intakes/" + intake + "/seen", Map.of(), Map.of());
    owner.post("/api/intakes/" + intake + "/take", Map.of(), Map.of());
    Map<String, Object> author =
        Map.of(
            "engine",
            "MODEL",
            "connection",
            connection,
            "amends",
            "COMPOSE",
            "most",
            0,
            "fallsBack",
            false);
    return owner
        .post(
            "/api/runs",
            Map.of(
                "products",
                List.of(),
                "search",
                "",
                "state",
                "ALL",
                "intake",
                intake,
                "leaveSignedOff",
                true,
                "seed",
                1,
                "author",
                author),
            Map.of())
        .body()
        .path("id")
        .asLong();
  }

  private boolean hasEnded(Hand owner, long run) {
    String status = owner.get("/api/runs/" + run).body().path("run").path("status").asString();
    return status.equals("DONE");
  }

  private void check(Hand owner, long id, int done) throws IOException, InterruptedException {
    JsonNode view = owner.get("/api/runs/" + id).body();
    JsonNode run = view.path("run");
    int written = run.path("written").asInt();
    int failed = run.path("failed").asInt();
    if (written + failed + run.path("left").asInt() != products) {
      fault("of %d products the run accounts for %s".formatted(products, run));
    }
    view.path("troubles")
        .forEach(
            t -> {
              if (t.path("reason").asString().isBlank()) {
                fault("no reason why %s failed".formatted(t.path("sku")));
              }
            });
    int texts = 0;
    for (long product = 1; product <= products; product++) {
      JsonNode history = owner.get("/api/proofs/" + product).body().path("history");
      texts += history.isEmpty() ? 0 : 1;
      if (history.size() > 1) {
        fault("product %d has %d texts of one run".formatted(product, history.size()));
      }
    }
    if (texts != written) {
      fault("%d products have a text, and the run says %d".formatted(texts, written));
    }
    JsonNode ledger = JSON.readTree(get("/model/ledger"));
    BigDecimal billed =
        BigDecimal.valueOf(ledger.path("asked").asLong() * PRICE_ASKED)
            .add(BigDecimal.valueOf(ledger.path("answered").asLong() * PRICE_ANSWERED))
            .movePointLeft(6);
    BigDecimal booked = run.path("spent").decimalValue();
    int answers = owner.get("/api/connections").body().path(0).path("answers").asInt();
    long lost = ledger.path("answers").asLong() - answers;
    if (booked.compareTo(billed) > 0 || lost < 0 || lost > (long) done * MOST_UNDER_WAY) {
      fault("billed %s, booked %s, %d answers unbooked".formatted(billed, booked, lost));
    }
    out.printf(
        "kills=%d products=%d written=%d failed=%d billed=%s booked=%s answers=%d on-their-way-when-killed=%d requests=%d%n",
        done, products, written, failed, billed, booked, answers, lost, requests.get());
  }

  private String get(String path) throws IOException, InterruptedException {
    return http.send(request(path).GET().build(), BodyHandlers.ofString()).body();
  }

  private void put(String path, Object body) throws IOException, InterruptedException {
    http.send(
        request(path)
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(JSON.writeValueAsString(body)))
            .build(),
        BodyHandlers.discarding());
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(outside.url() + path))
        .header("Authorization", "Bearer " + TOKEN);
  }
}
