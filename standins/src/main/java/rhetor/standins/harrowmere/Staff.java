package rhetor.standins.harrowmere;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The invented people of the demo house, who have worked in it over its API before anybody looks:
 * so there are texts at every stage, a range, pictures, search data and an edition that is out.
 */
public final class Staff {
  private static final String PASSWORD = "panniers and rain";
  private static final Duration PATIENCE = Duration.ofMinutes(3);
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final String house;
  private final Path demo;

  /**
   * @param house address of the house
   * @param demo folder of the demo's sheets, pictures and search data
   */
  public Staff(String house, Path demo) {
    this.house = house;
    this.demo = demo;
  }

  /**
   * Does the work, unless somebody has signed texts off together before.
   *
   * @return whether anything was done
   * @throws IllegalStateException if the house refuses something, or takes minutes for it
   */
  public boolean work() throws IOException, InterruptedException {
    Person wren = new Person("wren");
    Person edwin = new Person("edwin");
    if (edwin.get("/api/acts").size() > 0) {
      return false;
    }
    wren.until("/api/runs", runs -> runs.size() > 0 && areDone(runs));
    wren.send("/api/pictures", pictures());
    wren.post("/api/pictures/confirm", Map.of("pictures", proposed(wren), "colours", false));
    wren.upload(
        "/api/keywords/search-data?fileName=queries.csv", demo.resolve("search-data/queries.csv"));

    long range = wren.post("/api/ranges", Map.of("name", "Autumn commuting")).path("id").asLong();
    wren.post("/api/ranges/" + range + "/products", Map.of("kind", "backpack"));
    wren.post("/api/ranges/" + range + "/products", Map.of("kind", "handlebar bag"));

    edwin.signOff("handlebar bag");
    edwin.post("/api/editions", Map.of("products", List.of()));
    edwin.until("/api/products?state=PUBLISHED", p -> p.path("total").asInt() > 0);
    edwin.signOff("backpack");

    // What is written again has something older to be compared with.
    wren.post(
        "/api/runs",
        Map.of(
            "intake", 0, "kind", "frame bag", "leaveSignedOff", true, "seed", 2, "voice", "warm"));
    wren.until("/api/runs", Staff::areDone);
    JsonNode pannier = wren.get("/api/products?search=TV-1101").path("items").get(0);
    wren.change(
        pannier.path("id").asLong(), "short_description", "The Tour Pannier 25 holds 25 litres.");
    edwin.comment(
        pannier.path("id").asLong(),
        "short_description",
        "holds 25 litres",
        "Is that one bag, or the pair? Let us say it.");
    return true;
  }

  private static boolean areDone(JsonNode runs) {
    return runs.valueStream().allMatch(r -> r.path("status").asString().equals("DONE"));
  }

  private static List<Long> proposed(Person person) throws IOException, InterruptedException {
    return person
        .get("/api/pictures?status=PROPOSED")
        .path("pictures")
        .valueStream()
        .map(p -> p.path("id").asLong())
        .toList();
  }

  /** All pictures of the first supplier's goods, as a form sends them. */
  private HttpRequest.Builder pictures() throws IOException {
    String boundary = "----harrowmere";
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    try (Stream<Path> files = Files.list(demo.resolve("pictures"))) {
      for (Path file :
          files.filter(f -> f.getFileName().toString().startsWith("tv-")).sorted().toList()) {
        body.writeBytes(
            "--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\nContent-Type: image/png\r\n\r\n"
                .formatted(boundary, file.getFileName())
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(Files.readAllBytes(file));
        body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
      }
    }
    body.writeBytes(("--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
    return HttpRequest.newBuilder()
        .header("Content-Type", "multipart/form-data; boundary=" + boundary)
        .POST(BodyPublishers.ofByteArray(body.toByteArray()));
  }

  /** Somebody who is signed in. */
  private final class Person {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();

    Person(String name) throws IOException, InterruptedException {
      get("/api/session");
      post("/api/session", Map.of("email", name + "@harrowmere.example", "password", PASSWORD));
    }

    JsonNode get(String path) throws IOException, InterruptedException {
      return send(path, HttpRequest.newBuilder().GET());
    }

    JsonNode post(String path, Object body) throws IOException, InterruptedException {
      return send(path, json().POST(BodyPublishers.ofString(JSON.writeValueAsString(body))));
    }

    void upload(String path, Path file) throws IOException, InterruptedException {
      BodyPublisher bytes = BodyPublishers.ofFile(file);
      send(
          path,
          HttpRequest.newBuilder().header("Content-Type", "application/octet-stream").POST(bytes));
    }

    /** Signs all texts of a kind off that have nothing to fix. */
    void signOff(String kind) throws IOException, InterruptedException {
      Map<String, Object> which = Map.of("state", "PROOF", "kind", kind);
      int texts =
          post("/api/acts/forecast", Map.of("deed", "SIGN_OFF", "which", which, "seen", 0))
              .path("texts")
              .asInt();
      if (texts > 0) {
        post("/api/acts", Map.of("deed", "SIGN_OFF", "which", which, "seen", texts));
      }
    }

    /** Changes a field of a text by hand. */
    void change(long product, String field, String text) throws IOException, InterruptedException {
      long revision = get("/api/proofs/" + product).path("revision").asLong();
      String body = JSON.writeValueAsString(Map.of("text", text));
      send(
          "/api/proofs/" + product + "/fields/" + field,
          json().header("If-Match", "\"" + revision + "\"").PUT(BodyPublishers.ofString(body)));
    }

    /** Says something of words of a text. */
    void comment(long product, String field, String passage, String said)
        throws IOException, InterruptedException {
      long revision = get("/api/proofs/" + product).path("revision").asLong();
      String body =
          JSON.writeValueAsString(Map.of("field", field, "passage", passage, "said", said));
      send(
          "/api/proofs/" + product + "/comments",
          json().header("If-Match", "\"" + revision + "\"").POST(BodyPublishers.ofString(body)));
    }

    /** Asks again until the answer is as wanted. */
    void until(String path, Predicate<JsonNode> wanted) throws IOException, InterruptedException {
      long end = System.nanoTime() + PATIENCE.toNanos();
      while (!wanted.test(get(path))) {
        if (System.nanoTime() > end) {
          throw new IllegalStateException("waited in vain for " + path);
        }
        Thread.sleep(300);
      }
    }

    private static HttpRequest.Builder json() {
      return HttpRequest.newBuilder().header("Content-Type", "application/json");
    }

    JsonNode send(String path, HttpRequest.Builder request)
        throws IOException, InterruptedException {
      cookies.getCookieStore().getCookies().stream()
          .filter(c -> c.getName().equals("XSRF-TOKEN"))
          .forEach(c -> request.header("X-XSRF-TOKEN", c.getValue()));
      HttpResponse<String> answer =
          http.send(request.uri(URI.create(house + path)).build(), BodyHandlers.ofString());
      boolean isAsked = path.equals("/api/session");
      if (answer.statusCode() >= 300 && !isAsked) {
        throw new IllegalStateException(
            "%s: %d %s".formatted(path, answer.statusCode(), answer.body()));
      }
      return answer.body().isBlank() ? JSON.nullNode() : JSON.readTree(answer.body());
    }
  }
}
