package rhetor.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.context.ConfigurableApplicationContext;
import rhetor.standins.harrowmere.SheetGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fifty people who read in a house of 200,000 products while a run writes, against one who reads in
 * it alone, and against the run alone.
 */
final class CrowdBench {
  private static final int PRODUCTS = 200_000;
  private static final int READERS = 50;
  private static final Duration LONG = Duration.ofSeconds(60);

  /** How long somebody looks at a page before the next one. */
  private static final int THINKS_MILLIS = 1_000;

  private static final JsonMapper JSON = JsonMapper.builder().build();

  private static final List<String> PAGES =
      List.of(
          "/api/products",
          "/api/products?order=NAME",
          "/api/products?state=PROOF&order=LEAST_READY&limit=60",
          "/api/products?state=UNWRITTEN",
          "/api/products?search=lane",
          "/api/waiting",
          "/api/waiting",
          "/api/waiting",
          "/api/runs",
          "/api/editions",
          "/api/intakes",
          "/api/variants",
          "PROOF",
          "PRODUCT");

  private CrowdBench() {}

  static void run(Path folder) throws IOException, InterruptedException {
    Path sheet = folder.resolve("crowd.csv");
    new SheetGenerator(1).write(PRODUCTS, sheet);
    try (ConfigurableApplicationContext app = IntakeBench.start(folder)) {
      IntakeBench.Browser owner = IntakeBench.owner(app);
      IntakeBench.take(owner, sheet);
      Files.delete(sheet);
      // Some texts to read, and the code warm.
      write(owner, Duration.ofSeconds(20));
      double alone = write(owner, LONG);
      Map<String, Queue> one = new ConcurrentHashMap<>();
      AtomicBoolean goesOn = new AtomicBoolean(true);
      Thread reader = read(owner, 0, goesOn, one);
      Thread.sleep(Duration.ofSeconds(20));
      goesOn.set(false);
      reader.join();
      Map<String, Queue> all = new ConcurrentHashMap<>();
      goesOn.set(true);
      List<Thread> readers = new ArrayList<>();
      for (int i = 0; i < READERS; i++) {
        readers.add(read(owner, i, goesOn, all));
      }
      double together = write(owner, LONG);
      goesOn.set(false);
      for (Thread r : readers) {
        r.join();
      }
      Bench.print("crowd-p95", "ms", p95(all), p95(one));
      Bench.print("crowd-run", "products-per-s", together, alone);
      new TreeMap<>(all)
          .forEach(
              (page, times) ->
                  System.out.printf("crowd p95-ms=%.0f of %s%n", percentile(times), page));
    }
  }

  private static final class Queue extends ConcurrentLinkedQueue<Double> {}

  private static Thread read(
      IntakeBench.Browser browser, int number, AtomicBoolean goesOn, Map<String, Queue> times) {
    Random random = new Random(number);
    return Thread.ofVirtual()
        .start(
            () -> {
              try {
                while (goesOn.get()) {
                  Thread.sleep(random.nextInt(2 * THINKS_MILLIS));
                  String page = PAGES.get(random.nextInt(PAGES.size()));
                  String path =
                      switch (page) {
                        case "PROOF" -> "/api/proofs/" + (1 + random.nextInt(500));
                        case "PRODUCT" -> "/api/products/" + (1 + random.nextInt(PRODUCTS));
                        default -> page;
                      };
                  long start = System.nanoTime();
                  browser.get(path);
                  times
                      .computeIfAbsent(page, p -> new Queue())
                      .add((System.nanoTime() - start) / 1e6);
                }
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
            });
  }

  /** Products that a run writes in a second. */
  private static double write(IntakeBench.Browser owner, Duration time)
      throws InterruptedException {
    JsonNode run =
        JSON.readTree(
            owner.post(
                "/api/runs",
                "{\"products\":[],\"search\":\"\",\"state\":\"UNWRITTEN\",\"intake\":0,\"leaveSignedOff\":true,\"seed\":1}"));
    String path = "/api/runs/" + run.path("id").asLong();
    // A composer first looks through the whole range.
    while (written(owner, path) == 0) {
      Thread.sleep(100);
    }
    int before = written(owner, path);
    long start = System.nanoTime();
    Thread.sleep(time);
    int after = written(owner, path);
    double seconds = (System.nanoTime() - start) / 1e9;
    owner.post(path + "/stop", "{}");
    return (after - before) / seconds;
  }

  private static int written(IntakeBench.Browser owner, String path) {
    return JSON.readTree(owner.get(path)).path("run").path("written").asInt();
  }

  private static double p95(Map<String, Queue> times) {
    Queue all = new Queue();
    times.values().forEach(all::addAll);
    return percentile(all);
  }

  private static double percentile(Queue times) {
    double[] sorted = times.stream().mapToDouble(Double::doubleValue).toArray();
    Arrays.sort(sorted);
    return sorted.length == 0 ? 0 : sorted[(int) (0.95 * (sorted.length - 1))];
  }
}
