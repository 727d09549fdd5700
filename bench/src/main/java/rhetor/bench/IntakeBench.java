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
  private static final int WIDE_SMALL = 10_000;
  private static final int WIDE_LARGE = 100_000;
  private static final int MORE_COLUMNS = 11;

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
    try (ConfigurableApplicationContext app = start(folder)) {
      Browser browser = owner(app);
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

  /**
   * Sheets of thirty columns as text and as a workbook: 100,000 rows against parsing and inserting
   * the same cells, and against 10,000 rows.
   */
  static void runFormats(Path folder, List<String> formats)
      throws IOException, InterruptedException {
    try (ConfigurableApplicationContext app = start(folder)) {
      Browser browser = owner(app);
      int round = 0;
      for (String format : formats) {
        Path warm = wide(folder, WIDE_SMALL, 100 + round, format);
        take(browser, warm);
        plain(warm, folder.resolve("warm-" + format));
        Path small = wide(folder, WIDE_SMALL, 200 + round, format);
        long start = System.nanoTime();
        take(browser, small);
        double ofSmall = (System.nanoTime() - start) / 1e6;
        double[] ours = new double[ROUNDS];
        double[] bare = new double[ROUNDS];
        double heap = 0;
        for (int i = 0; i < ROUNDS; i++) {
          Path large = wide(folder, WIDE_LARGE, 300 + 10 * round + i, format);
          long[] end = new long[1];
          long from = System.nanoTime();
          heap =
              Math.max(
                  heap,
                  Bench.peakHeap(
                      () -> {
                        take(browser, large);
                        end[0] = System.nanoTime();
                      }));
          ours[i] = (end[0] - from) / 1e6;
          long plainFrom = System.nanoTime();
          plain(large, folder.resolve("plain-" + format + i));
          bare[i] = (System.nanoTime() - plainFrom) / 1e6;
          Files.delete(large);
        }
        System.out.printf(
            "formats-%s-%d rounds=%s baselines=%s%n",
            format, WIDE_LARGE, rounded(ours), rounded(bare));
        Arrays.sort(ours);
        Arrays.sort(bare);
        double ofLarge = ours[ROUNDS / 2];
        double ofPlain = bare[ROUNDS / 2];
        Bench.print("formats-" + format + "-" + WIDE_LARGE, "ms", ofLarge, ofPlain);
        Bench.print(
            "formats-" + format + "-" + WIDE_LARGE, "ms-against-" + WIDE_SMALL, ofLarge, ofSmall);
        System.out.printf("formats-%s-%d peak-heap-mb=%.0f%n", format, WIDE_LARGE, heap);
        round++;
      }
    }
  }

  /** A generated sheet with eleven more columns. */
  private static Path wide(Path folder, int rows, int seed, String format) throws IOException {
    Path narrow = folder.resolve("narrow-" + seed + ".csv");
    new SheetGenerator(seed).write(rows, narrow);
    Path wide = folder.resolve("wide-" + seed + "." + format);
    try (CsvReader<CsvRecord> reader = CsvReader.builder().ofCsvRecord(narrow)) {
      if (format.equals("csv")) {
        try (var out = Files.newBufferedWriter(wide)) {
          int n = 0;
          for (CsvRecord row : reader) {
            List<String> cells = widened(row, n++, seed);
            out.write(
                String.join(
                        ",", cells.stream().map(c -> '"' + c.replace("\"", "\"\"") + '"').toList())
                    + "\n");
          }
        }
      } else {
        try (var out = Files.newOutputStream(wide);
            var book = new org.dhatim.fastexcel.Workbook(out, "bench", "1.0")) {
          var sheet = book.newWorksheet("Goods");
          int n = 0;
          for (CsvRecord row : reader) {
            List<String> cells = widened(row, n, seed);
            for (int c = 0; c < cells.size(); c++) {
              sheet.value(n, c, cells.get(c));
            }
            if (++n % 500 == 0) {
              sheet.flush();
            }
          }
        }
      }
    }
    Files.delete(narrow);
    return wide;
  }

  private static List<String> widened(CsvRecord row, int n, int seed) {
    List<String> cells = new ArrayList<>(row.getFields());
    if (n > 0) {
      cells.set(0, "W" + seed + "-" + n);
    }
    for (int c = 0; c < MORE_COLUMNS; c++) {
      cells.add(
          n == 0
              ? "Trait " + (c + 1)
              : c % 3 == 0 ? (n * 7 + c) % 90 + " mm" : "kind " + (n + c) % 40);
    }
    return cells;
  }

  /** Parses a sheet and inserts its cells, no more. */
  private static void plain(Path sheet, Path database) throws IOException {
    if (sheet.toString().endsWith(".csv")) {
      try (CsvReader<CsvRecord> rows = CsvReader.builder().ofCsvRecord(sheet)) {
        insert(rows.stream().map(CsvRecord::getFields), database);
      }
      return;
    }
    try (var book = new org.dhatim.fastexcel.reader.ReadableWorkbook(sheet.toFile());
        var rows = book.getFirstSheet().openStream()) {
      insert(
          rows.map(
              r -> {
                List<String> cells = new ArrayList<>();
                r.forEach(c -> cells.add(c == null ? "" : c.getText()));
                return cells;
              }),
          database);
    }
  }

  private static void insert(java.util.stream.Stream<List<String>> rows, Path database) {
    int width = SheetGenerator.HEADINGS.size() + MORE_COLUMNS;
    try (Connection c =
        DriverManager.getConnection("jdbc:h2:file:" + database + ";WRITE_DELAY=0", "sa", "")) {
      c.setAutoCommit(false);
      c.createStatement()
          .execute(
              "create table plain (id bigint generated always as identity primary key"
                  + java.util.stream.IntStream.range(0, width)
                      .mapToObj(i -> ", c" + i + " varchar(1000)")
                      .collect(java.util.stream.Collectors.joining())
                  + ")");
      try (PreparedStatement s =
          c.prepareStatement(
              "insert into plain values (default, "
                  + String.join(", ", Collections.nCopies(width, "?"))
                  + ")")) {
        int n = 0;
        for (var all = rows.iterator(); all.hasNext(); ) {
          List<String> cells = all.next();
          for (int i = 0; i < width; i++) {
            s.setString(i + 1, i < cells.size() ? cells.get(i) : "");
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

  static ConfigurableApplicationContext start(Path folder) {
    return SpringApplication.run(
        Rhetor.class,
        "--rhetor.port=0",
        "--rhetor.data=" + folder.resolve("data"),
        "--logging.level.root=error",
        "--logging.level.rhetor=error");
  }

  static Browser owner(ConfigurableApplicationContext app) {
    Browser browser =
        new Browser("http://127.0.0.1:" + app.getEnvironment().getProperty("local.server.port"));
    browser.post(
        "/api/owner",
        "{\"email\":\"b@bench.example\",\"name\":\"B\",\"role\":\"OWNER\",\"password\":\"a bench password\"}");
    return browser;
  }

  private static String rounded(double[] values) {
    return Arrays.stream(values).mapToObj(v -> String.valueOf(Math.round(v))).toList().toString();
  }

  static void take(Browser browser, Path sheet) {
    String answer = browser.upload(sheet);
    String id = answer.replaceFirst("(?s).*?\"id\":(\\d+).*", "$1");
    browser.put("/api/intakes/" + id + "/seen");
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
  static final class Browser {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String url;

    Browser(String url) {
      this.url = url;
      send(request("/api/session").GET());
    }

    String post(String path, String json) {
      return send(
          request(path)
              .header("Content-Type", "application/json")
              .POST(BodyPublishers.ofString(json)));
    }

    String get(String path) {
      return send(request(path).GET());
    }

    void put(String path) {
      put(path, "{}");
    }

    void put(String path, String json) {
      send(
          request(path)
              .header("Content-Type", "application/json")
              .PUT(BodyPublishers.ofString(json)));
    }

    String upload(Path sheet) {
      try {
        String boundary = "----rhetor-bench";
        byte[] head =
            ("--"
                    + boundary
                    + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"bench.sheet\"\r\n\r\n")
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
