package rhetor.bench;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import rhetor.app.product.ProductService;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.say.Variety;
import rhetor.standins.harrowmere.SheetGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Runs over HTTP: 10,000 products by the composer, against composing them and inserting the same
 * rows barely; 1,000 by a text model that takes 200 ms, against the bare calls.
 */
final class RunsBench {
  private static final int PRODUCTS = 10_000;
  private static final int OF_MODEL = 1_000;
  private static final int LATENCY = 200;
  private static final int AT_ONCE = 16;
  private static final int BATCH = 500;
  private static final String TOKEN = "a token for a bench";

  private static final JsonMapper JSON = JsonMapper.builder().build();

  private RunsBench() {}

  static void run(Path folder) throws IOException, InterruptedException {
    Path sheet = folder.resolve("runs.csv");
    new SheetGenerator(1).write(PRODUCTS, sheet);
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Process outside = standins(folder, port);
    try (ConfigurableApplicationContext app = IntakeBench.start(folder)) {
      IntakeBench.Browser owner = IntakeBench.owner(app);
      IntakeBench.take(owner, sheet);
      Files.delete(sheet);
      composer(app, owner, folder);
      model("http://127.0.0.1:" + port, owner);
    } finally {
      outside.destroy();
    }
  }

  /** The text model runs in a process of its own, as it does for users. */
  private static Process standins(Path folder, int port) throws IOException {
    return new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Xmx240m",
            "-XX:+UseSerialGC",
            "-jar",
            Path.of(System.getProperty("rhetor.home"))
                .resolve("standins/target/rhetor-standins-1.0-SNAPSHOT-exec.jar")
                .toString(),
            "serve",
            "--port",
            String.valueOf(port),
            "--data",
            folder.toString(),
            "--token",
            TOKEN)
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  private static void composer(
      ConfigurableApplicationContext app, IntakeBench.Browser owner, Path folder)
      throws IOException, InterruptedException {
    AtomicBoolean goesOn = new AtomicBoolean(true);
    List<Double> pages = new ArrayList<>();
    Thread reader =
        Thread.ofPlatform()
            .start(
                () -> {
                  while (goesOn.get()) {
                    long start = System.nanoTime();
                    owner.get("/api/products?limit=60&order=NAME");
                    pages.add((System.nanoTime() - start) / 1e6);
                    pause(100);
                  }
                });
    double[] ours = new double[1];
    double heap = Bench.peakHeap(() -> ours[0] = write(owner, "", PRODUCTS));
    goesOn.set(false);
    reader.join();
    double composing =
        Bench.millis(
            0,
            1,
            () -> {
              Composer composer = composer(app);
              app.getBean(ProductService.class)
                  .eachSource((product, text, facts) -> composer.compose(Brief.of(facts)));
            });
    double inserting = Bench.millis(0, 1, () -> insert(app.getBean(JdbcTemplate.class), folder));
    Bench.print("runs-composer-" + PRODUCTS, "ms", ours[0], composing + inserting);
    System.out.printf(
        "runs-composer-%d composing-ms=%.0f inserting-ms=%.0f peak-heap-mb=%.0f%n",
        PRODUCTS, composing, inserting, heap);
    double[] sorted = pages.stream().mapToDouble(Double::doubleValue).sorted().toArray();
    System.out.printf(
        "runs-composer-%d page-p95-ms=%.0f%n",
        PRODUCTS, sorted[(int) (0.95 * (sorted.length - 1))]);
  }

  private static Composer composer(ConfigurableApplicationContext app) {
    RangeFigures range = new RangeFigures(Knowledge.standard());
    app.getBean(ProductService.class).eachSource((product, text, facts) -> range.add(facts));
    return new Composer(Knowledge.standard(), 1, new Variety(), range);
  }

  /** The rows that the run stored, in a database of their own. */
  private static void insert(JdbcTemplate stored, Path folder) {
    try (Connection c =
        DriverManager.getConnection(
            "jdbc:h2:file:" + folder.resolve("bare").toAbsolutePath() + ";WRITE_DELAY=0",
            "sa",
            "")) {
      c.createStatement()
          .execute(
              "create table text (id bigint generated always as identity primary key, product_id bigint, draft varchar(10000000), audit varchar(10000000))");
      c.setAutoCommit(false);
      try (PreparedStatement s =
          c.prepareStatement("insert into text (product_id, draft, audit) values (?, ?, ?)")) {
        int[] n = {0};
        stored.query(
            "select product_id, draft, audit from text",
            rs -> {
              s.setLong(1, rs.getLong(1));
              s.setString(2, rs.getString(2));
              s.setString(3, rs.getString(3));
              s.addBatch();
              if (++n[0] % BATCH == 0) {
                s.executeBatch();
              }
            });
        s.executeBatch();
      }
      c.commit();
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void model(String outside, IntakeBench.Browser owner)
      throws IOException, InterruptedException {
    HttpClient http = HttpClient.newHttpClient();
    put(
        http,
        outside + "/model/weather",
        Map.of("latencyMillis", LATENCY, "perSecond", 0, "failEvery", 0));
    String host = URI.create(outside).getAuthority();
    owner.put(
        "/api/connections/hosts", JSON.writeValueAsString(Map.of("host", host, "allowed", true)));
    long connection =
        JSON.readTree(
                owner.post(
                    "/api/connections",
                    JSON.writeValueAsString(
                        Map.of(
                            "name",
                            "Foolscap",
                            "address",
                            outside + "/model/v1",
                            "model",
                            "foolscap-1",
                            "key",
                            TOKEN,
                            "priceAsked",
                            1,
                            "priceAnswered",
                            2,
                            "monthlyMost",
                            0))))
            .path("id")
            .asLong();
    String author =
        ",\"author\":{\"engine\":\"MODEL\",\"connection\":%d,\"amends\":\"COMPOSE\",\"most\":0,\"fallsBack\":false}"
            .formatted(connection);
    long start = System.nanoTime();
    double ours = write(owner, author, OF_MODEL);
    JsonNode connections = JSON.readTree(owner.get("/api/connections"));
    int answers = connections.path(0).path("answers").asInt();
    double bare = calls(http, outside, answers);
    Bench.print("runs-model-" + OF_MODEL, "ms", ours, bare);
    System.out.printf(
        "runs-model-%d answers=%d in-all-s=%.0f%n",
        OF_MODEL, answers, (System.nanoTime() - start) / 1e9);
  }

  /** As many questions as the run asked, so many at once. */
  private static double calls(HttpClient http, String outside, int number)
      throws InterruptedException {
    long start = System.nanoTime();
    try (ExecutorService threads = Executors.newFixedThreadPool(AT_ONCE)) {
      List<Callable<Integer>> all = new ArrayList<>();
      for (int i = 0; i < number; i++) {
        String prompt =
            "Product: Lane Pannier " + i + "\nIt is a pannier.\n- Weight: " + i + " g\n";
        all.add(
            () ->
                http.send(
                        HttpRequest.newBuilder(URI.create(outside + "/model/v1/chat/completions"))
                            .header("Authorization", "Bearer " + TOKEN)
                            .header("Content-Type", "application/json")
                            .POST(
                                BodyPublishers.ofString(
                                    JSON.writeValueAsString(
                                        Map.of(
                                            "model",
                                            "foolscap-1",
                                            "messages",
                                            List.of(Map.of("role", "user", "content", prompt))))))
                            .build(),
                        BodyHandlers.ofString())
                    .statusCode());
      }
      for (Future<Integer> one : threads.invokeAll(all)) {
        if (one.resultNow() != 200) {
          throw new IllegalStateException("answered with " + one.resultNow());
        }
      }
    }
    return (System.nanoTime() - start) / 1e6;
  }

  private static void put(HttpClient http, String url, Object body)
      throws IOException, InterruptedException {
    http.send(
        HttpRequest.newBuilder(URI.create(url))
            .header("Authorization", "Bearer " + TOKEN)
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(JSON.writeValueAsString(body)))
            .build(),
        BodyHandlers.discarding());
  }

  /** Has so many products written, and waits; the milliseconds that it took. */
  private static double write(IntakeBench.Browser owner, String author, int number) {
    List<Long> products = new ArrayList<>();
    if (number < PRODUCTS) {
      for (long id = 1; id <= number; id++) {
        products.add(id);
      }
    }
    long start = System.nanoTime();
    JsonNode run =
        JSON.readTree(
            owner.post(
                "/api/runs",
                "{\"products\":%s,\"search\":\"\",\"state\":\"ALL\",\"intake\":0,\"leaveSignedOff\":true,\"seed\":1%s}"
                    .formatted(products, author)));
    String path = "/api/runs/" + run.path("id").asLong();
    while (true) {
      JsonNode now = JSON.readTree(owner.get(path)).path("run");
      if (now.path("status").asString().equals("DONE")) {
        if (now.path("written").asInt() != number) {
          throw new IllegalStateException("not all was written: " + now);
        }
        return (System.nanoTime() - start) / 1e6;
      }
      if (now.path("status").asString().matches("PAUSED|STOPPED")) {
        throw new IllegalStateException("it doesn't go on: " + now);
      }
      pause(200);
    }
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
