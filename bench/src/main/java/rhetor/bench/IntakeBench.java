package rhetor.bench;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import rhetor.app.Rhetor;
import rhetor.standins.harrowmere.SheetGenerator;

/**
 * Taking a sheet in over HTTP, against parsing it and a bare JDBC batch insert of the same cells.
 */
final class IntakeBench {
  private static final int ROWS = 50_000;
  private static final int WARM_UP_ROWS = 20_000;
  private static final int ROUNDS = 3;
  private static final int BATCH = 500;

  private IntakeBench() {}

  static void run(Path folder) throws IOException, InterruptedException {
    List<Path> sheets = new ArrayList<>();
    for (int round = 0; round <= ROUNDS; round++) {
      Path sheet = folder.resolve("intake-" + round + ".csv");
      new SheetGenerator(round).write(round == 0 ? WARM_UP_ROWS : ROWS, sheet);
      // SKUs of its own, so that all rows are new.
      Files.writeString(sheet, Files.readString(sheet).replace("\nGN-", "\nI" + round + "-"));
      sheets.add(sheet);
    }
    try (ConfigurableApplicationContext app =
        SpringApplication.run(
            Rhetor.class,
            "--rhetor.port=0",
            "--rhetor.data=" + folder.resolve("data"),
            "--logging.level.root=error",
            "--logging.level.rhetor=error")) {
      String url = "http://127.0.0.1:" + app.getEnvironment().getProperty("local.server.port");
      Browser browser = new Browser(url);
      browser.post(
          "/api/owner",
          "{\"email\":\"b@bench.example\",\"name\":\"B\",\"role\":\"OWNER\",\"password\":\"a bench password\"}");
      double[] ours = new double[ROUNDS];
      double[] plain = new double[ROUNDS];
      double heap = 0;
      for (int round = 0; round <= ROUNDS; round++) {
        Path sheet = sheets.get(round);
        Path database = folder.resolve("plain-" + round);
        long[] ends = new long[2];
        long start = System.nanoTime();
        heap =
            Math.max(
                heap,
                Bench.peakHeap(
                    () -> {
                      take(browser, sheet);
                      ends[0] = System.nanoTime();
                    }));
        long next = System.nanoTime();
        insert(sheet, database);
        ends[1] = System.nanoTime();
        if (round > 0) {
          ours[round - 1] = (ends[0] - start) / 1e6;
          plain[round - 1] = (ends[1] - next) / 1e6;
        }
      }
      System.out.printf("intake-%d rounds=%s baselines=%s%n", ROWS, rounded(ours), rounded(plain));
      Arrays.sort(ours);
      Arrays.sort(plain);
      Bench.print("intake-" + ROWS, "ms", ours[ROUNDS / 2], plain[ROUNDS / 2]);
      System.out.printf("intake-%d peak-heap-mb=%.0f%n", ROWS, heap);
    }
  }

  private static String rounded(double[] values) {
    return Arrays.stream(values).mapToObj(v -> String.valueOf(Math.round(v))).toList().toString();
  }

  private static void take(Browser browser, Path sheet) {
    String answer = browser.upload(sheet);
    String id = answer.replaceFirst("(?s).*?\"id\":(\\d+).*", "$1");
    browser.post("/api/intakes/" + id + "/take", "{}");
  }

  private static void insert(Path sheet, Path database) throws IOException {
    try (Connection c =
        DriverManager.getConnection("jdbc:h2:file:" + database + ";WRITE_DELAY=0", "sa", "")) {
      c.setAutoCommit(false);
      int width = SheetGenerator.HEADINGS.size();
      String columns =
          String.join(
              ", ",
              SheetGenerator.HEADINGS.stream()
                  .map(
                      h ->
                          "c_"
                              + h.toLowerCase(java.util.Locale.ROOT).replace(' ', '_')
                              + " varchar(1000)")
                  .toList());
      c.createStatement()
          .execute(
              "create table plain (id bigint generated always as identity primary key, "
                  + columns
                  + ")");
      String sql =
          "insert into plain values (default, "
              + String.join(", ", Collections.nCopies(width, "?"))
              + ")";
      try (CsvReader<CsvRecord> rows = CsvReader.builder().ofCsvRecord(sheet);
          PreparedStatement s = c.prepareStatement(sql)) {
        int n = 0;
        for (CsvRecord row : rows) {
          for (int i = 0; i < width; i++) {
            s.setString(i + 1, row.getField(i));
          }
          s.addBatch();
          if (++n % BATCH == 0) {
            s.executeBatch();
          }
        }
        s.executeBatch();
      }
      c.commit();
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Talks to Rhetor as a browser does. */
  private static final class Browser {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String url;

    Browser(String url) {
      this.url = url;
      send(request("/api/session").GET());
    }

    void post(String path, String json) {
      send(
          request(path)
              .header("Content-Type", "application/json")
              .POST(BodyPublishers.ofString(json)));
    }

    String upload(Path sheet) {
      try {
        String boundary = "----rhetor-bench";
        byte[] head =
            ("--"
                    + boundary
                    + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"bench.csv\"\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8);
        byte[] tail = ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8);
        var body =
            BodyPublishers.concat(
                BodyPublishers.ofByteArray(head),
                BodyPublishers.ofFile(sheet),
                BodyPublishers.ofByteArray(tail));
        return send(
            request("/api/intakes")
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(body));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    private HttpRequest.Builder request(String path) {
      HttpRequest.Builder builder = HttpRequest.newBuilder(URI.create(url + path));
      cookies.getCookieStore().getCookies().stream()
          .filter(c -> c.getName().equals("XSRF-TOKEN"))
          .findFirst()
          .ifPresent(c -> builder.header("X-XSRF-TOKEN", c.getValue()));
      return builder;
    }

    private String send(HttpRequest.Builder request) {
      try {
        HttpResponse<String> response = http.send(request.build(), BodyHandlers.ofString());
        if (response.statusCode() >= 300) {
          throw new IllegalStateException(response.statusCode() + " " + response.body());
        }
        return response.body();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }
  }
}
