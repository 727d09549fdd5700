package rhetor.app;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A text model that answers as a test wants it, over real HTTP. */
final class OddModel implements AutoCloseable {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final Pattern NAME = Pattern.compile("(?m)^Product: (.+?)(?: by .+)?$");
  private static final Pattern WEIGHT = Pattern.compile("(?m)^- Weight: (.+)$");

  /** What comes back; any status but 200 is an error. */
  record Said(int status, String text, Map<String, String> headers) {
    static Said text(String text) {
      return new Said(200, text, Map.of());
    }

    static Said error(int status) {
      return new Said(status, "", Map.of());
    }
  }

  private final HttpServer server;
  private final ExecutorService threads = Executors.newCachedThreadPool();
  private final AtomicInteger asked = new AtomicInteger();
  private final AtomicInteger shown = new AtomicInteger();
  private final AtomicInteger atOnce = new AtomicInteger();
  private final AtomicInteger mostAtOnce = new AtomicInteger();
  private volatile Function<String, Said> manner = OddModel::good;

  OddModel() {
    try {
      server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    server.setExecutor(threads);
    server.createContext("/", this::answer);
    server.start();
  }

  /** From now on it answers so. */
  void answers(Function<String, Said> how) {
    manner = how;
  }

  String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort() + "/v1";
  }

  int asked() {
    return asked.get();
  }

  /** How many pictures came with questions. */
  int shown() {
    return shown.get();
  }

  /** Waits until it was asked so often. */
  void awaitAsked(int times) {
    while (asked() < times) {
      LockSupport.parkNanos(1_000_000);
    }
  }

  int mostAtOnce() {
    return mostAtOnce.get();
  }

  private void answer(HttpExchange x) throws IOException {
    asked.incrementAndGet();
    mostAtOnce.accumulateAndGet(atOnce.incrementAndGet(), Math::max);
    try (x) {
      JsonNode content =
          JSON.readTree(x.getRequestBody().readAllBytes()).path("messages").path(0).path("content");
      content.forEach(part -> shown.addAndGet(part.has("image_url") ? 1 : 0));
      String prompt =
          content.isArray() ? content.path(0).path("text").asString() : content.asString();
      Said said = manner.apply(prompt);
      said.headers.forEach(x.getResponseHeaders()::set);
      x.getResponseHeaders().set("Content-Type", "application/json");
      // This server closes what has been idle for half a minute: a question must not go that way.
      x.getResponseHeaders().set("Connection", "close");
      byte[] body =
          (said.status == 200
                  ? JSON.writeValueAsString(
                      Map.of(
                          "choices",
                          List.of(
                              Map.of(
                                  "index",
                                  0,
                                  "message",
                                  Map.of("role", "assistant", "content", said.text),
                                  "finish_reason",
                                  "stop")),
                          "usage",
                          Map.of(
                              "prompt_tokens",
                              1000,
                              "completion_tokens",
                              500,
                              "total_tokens",
                              1500)))
                  : "{\"error\":{\"message\":\"not now\"}}")
              .getBytes(StandardCharsets.UTF_8);
      x.sendResponseHeaders(said.status, body.length);
      x.getResponseBody().write(body);
    } finally {
      atOnce.decrementAndGet();
    }
  }

  /** A short answer that the facts of a canvas pannier with a weight bear out. */
  static Said good(String prompt) {
    return Said.text(JSON.writeValueAsString(fields(prompt)));
  }

  /** The same with a sentence that nothing bears out. */
  static Said invented(String prompt) {
    return Said.text(
        JSON.writeValueAsString(fields(prompt)).replace("</p>", " It is made of leather.</p>"));
  }

  private static Map<String, Object> fields(String prompt) {
    String name = first(NAME, prompt);
    String weight = first(WEIGHT, prompt);
    return Map.of(
        "title",
        name + ", canvas pannier",
        "short_description",
        "A canvas pannier by Tolvane that weighs " + weight + ".",
        "description",
        "<p>The %s is a pannier of canvas. It weighs %s.</p>".formatted(name, weight),
        "meta_title",
        name + ", canvas pannier",
        "meta_description",
        "The %s by Tolvane is a pannier of canvas that weighs %s.".formatted(name, weight),
        "tags",
        List.of("pannier"),
        "image_alt",
        name + ", a canvas pannier");
  }

  private static String first(Pattern pattern, String text) {
    Matcher m = pattern.matcher(text);
    return m.find() ? m.group(1) : "";
  }

  @Override
  public void close() {
    server.stop(0);
    threads.shutdownNow();
  }
}
