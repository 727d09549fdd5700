package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody who talks to Rhetor over HTTP, with cookies and the token against forged requests. */
final class Visitor {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final String url;
  private boolean sendsToken = true;
  private final Map<String, String> headers = new HashMap<>();

  Visitor(String url) {
    this.url = url;
  }

  /** An answer; {@code body} is empty JSON when there is none. */
  record Answer(int status, JsonNode body, byte[] bytes, HttpResponse<byte[]> response) {
    Answer expect(int expected) {
      assertThat(status).as("%s", new String(bytes, StandardCharsets.UTF_8)).isEqualTo(expected);
      return this;
    }

    /** What came, as text. */
    String text() {
      return new String(bytes, StandardCharsets.UTF_8);
    }

    String detail() {
      return body.path("detail").asString("");
    }

    long id() {
      return body.path("id").asLong();
    }
  }

  Visitor withHeader(String name, String value) {
    headers.put(name, value);
    return this;
  }

  Visitor withoutToken() {
    sendsToken = false;
    return this;
  }

  Visitor signIn(String email, String password) {
    get("/api/session");
    post("/api/session", Map.of("email", email, "password", password)).expect(200);
    return this;
  }

  Answer get(String path) {
    return send(request(path).GET());
  }

  Answer post(String path, Object body) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .POST(BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  /** Sends an order with a key of its own, so that it is carried out once. */
  Answer once(String key, String path, Object body) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .header("Idempotency-Key", key)
            .POST(BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  /** Sends a file as it is. */
  Answer postBytes(String path, byte[] bytes) {
    return send(
        request(path)
            .header("Content-Type", "application/octet-stream")
            .POST(BodyPublishers.ofByteArray(bytes)));
  }

  Answer put(String path, Object body) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .PUT(BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  Answer delete(String path) {
    return send(request(path).DELETE());
  }

  /** A request that says which revision was seen. */
  Answer seen(long revision, String method, String path, Object body) {
    return send(
        request(path)
            .header("Content-Type", "application/json")
            .header("If-Match", "\"" + revision + "\"")
            .method(method, BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  Answer upload(String supplier, String fileName, byte[] bytes) {
    return uploadTo("/api/intakes", supplier, fileName, bytes);
  }

  Answer uploadTo(String path, String supplier, String fileName, byte[] bytes) {
    String boundary = "----rhetor-test";
    var head =
        "--"
            + boundary
            + "\r\nContent-Disposition: form-data; name=\"supplier\"\r\n\r\n"
            + supplier
            + "\r\n--"
            + boundary
            + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\""
            + fileName
            + "\"\r\nContent-Type: text/csv\r\n\r\n";
    var out = new java.io.ByteArrayOutputStream();
    out.writeBytes(head.getBytes(StandardCharsets.UTF_8));
    out.writeBytes(bytes);
    out.writeBytes(("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
    return send(
        request(path)
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(BodyPublishers.ofByteArray(out.toByteArray())));
  }

  /**
   * Uploads a sheet of a supplier who is called as the file is, so that no other test's is taken
   * for its own.
   */
  Answer upload(String fileName, String text) {
    String supplier = fileName.replaceFirst("\\.\\w+$", "");
    return upload(supplier, fileName, text.getBytes(StandardCharsets.UTF_8));
  }

  /** Mends a cause of the audit from its first product to its last; how many texts were mended. */
  int mend(String cause, String weight, String field) {
    int mended = 0;
    long after = 0;
    do {
      JsonNode step =
          post(
                  "/api/audit/mend",
                  Map.of("cause", cause, "weight", weight, "field", field, "after", after))
              .expect(200)
              .body();
      mended += step.path("mended").asInt();
      after = step.path("after").asLong();
    } while (after > 0);
    return mended;
  }

  /** Takes a sheet in; the ids of its products. */
  List<Long> takeIn(String fileName, String csv) {
    long intake = upload(fileName, csv).expect(200).id();
    put("/api/intakes/" + intake + "/seen", Map.of());
    post("/api/intakes/" + intake + "/take", Map.of()).expect(200);
    List<Long> ids = new ArrayList<>();
    get("/api/products?intake=" + intake)
        .body()
        .path("items")
        .forEach(p -> ids.add(p.path("id").asLong()));
    return ids;
  }

  /** The wish to have texts written for products, or for all of an intake if none is named. */
  static Map<String, Object> wish(List<Long> products, long intake) {
    return Map.of(
        "products",
        products,
        "search",
        "",
        "state",
        "ALL",
        "intake",
        intake,
        "leaveSignedOff",
        true,
        "seed",
        1);
  }

  /** Rhetor writes by itself. */
  static final Map<String, Object> RHETOR =
      Map.of(
          "engine",
          "COMPOSER",
          "connection",
          0,
          "amends",
          "COMPOSE",
          "most",
          0,
          "fallsBack",
          false);

  /** Has texts written and waits. */
  long write(List<Long> products, long intake, String voice) {
    Map<String, Object> wish = new HashMap<>(wish(products, intake));
    wish.put("voice", voice);
    long run = post("/api/runs", wish).expect(200).id();
    until("/api/runs/" + run, r -> r.path("run").path("status").asString().equals("DONE"));
    return run;
  }

  /** Asks again until the answer is as wanted, for ninety seconds at most. */
  Answer until(String path, Predicate<JsonNode> wanted) {
    long end = System.nanoTime() + Duration.ofSeconds(90).toNanos();
    while (true) {
      Answer answer = get(path).expect(200);
      if (wanted.test(answer.body)) {
        return answer;
      }
      assertThat(System.nanoTime()).as("still not so: %s", answer.body).isLessThan(end);
      sleep();
    }
  }

  private static void sleep() {
    try {
      Thread.sleep(100);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private HttpRequest.Builder request(String path) {
    HttpRequest.Builder builder = HttpRequest.newBuilder(URI.create(url + path));
    headers.forEach(builder::header);
    if (sendsToken) {
      cookies.getCookieStore().getCookies().stream()
          .filter(c -> c.getName().equals("XSRF-TOKEN"))
          .findFirst()
          .ifPresent(c -> builder.header("X-XSRF-TOKEN", c.getValue()));
    }
    return builder;
  }

  private Answer send(HttpRequest.Builder request) {
    try {
      HttpResponse<byte[]> response = http.send(request.build(), BodyHandlers.ofByteArray());
      String type = response.headers().firstValue("Content-Type").orElse("");
      JsonNode body =
          type.contains("json") && response.body().length > 0
              ? JSON.readTree(response.body())
              : JSON.createObjectNode();
      return new Answer(response.statusCode(), body, response.body(), response);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
