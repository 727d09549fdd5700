package rhetor.soak;

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
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody who works with the house over HTTP, and signs in again when a session is gone. */
final class Hand {
  static final String PASSWORD = "a word for the long run";
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final Duration PATIENCE = Duration.ofSeconds(60);

  private final String url;
  private final String email;
  private final Faults faults;
  private CookieManager cookies = new CookieManager();
  private HttpClient http;

  Hand(String url, String email, Faults faults) {
    this.url = url;
    this.email = email;
    this.faults = faults;
    this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
  }

  /** Gathers what must not be. */
  interface Faults {
    void fault(String what);

    AtomicLong requests();
  }

  /**
   * An answer.
   *
   * @param status 0 if none came
   */
  record Answer(int status, JsonNode body) {
    boolean isGood() {
      return status == 200;
    }
  }

  private static final Answer NONE = new Answer(0, JSON.createObjectNode());

  Answer signIn(String password) {
    send("GET", "/api/session", null, Map.of());
    return send("POST", "/api/session", Map.of("email", email, "password", password), Map.of());
  }

  Answer get(String path) {
    return again("GET", path, null, Map.of());
  }

  Answer post(String path, Object body, Map<String, String> headers) {
    return again("POST", path, body, headers);
  }

  Answer put(String path, Object body, Map<String, String> headers) {
    return again("PUT", path, body, headers);
  }

  /** Once more after signing in, where the session has ended with the server. */
  private Answer again(String method, String path, Object body, Map<String, String> headers) {
    Answer answer = send(method, path, body, headers);
    if (answer.status == 401) {
      signIn(PASSWORD);
      answer = send(method, path, body, headers);
    }
    return answer;
  }

  /** Sends a file. */
  Answer upload(String path, String name, byte[] bytes) {
    String boundary = "----soak" + System.nanoTime();
    String head =
        "--%s\r\nContent-Disposition: form-data; name=\"supplier\"\r\n\r\nSoak\r\n--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\n\r\n"
            .formatted(boundary, boundary, name);
    byte[] start = head.getBytes(StandardCharsets.UTF_8);
    byte[] end = ("\r\n--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8);
    byte[] all = new byte[start.length + bytes.length + end.length];
    System.arraycopy(start, 0, all, 0, start.length);
    System.arraycopy(bytes, 0, all, start.length, bytes.length);
    System.arraycopy(end, 0, all, start.length + bytes.length, end.length);
    return again(
        "POST", path, all, Map.of("Content-Type", "multipart/form-data; boundary=" + boundary));
  }

  private Answer send(String method, String path, Object body, Map<String, String> headers) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(url + path)).timeout(PATIENCE);
    cookies.getCookieStore().getCookies().stream()
        .filter(c -> c.getName().equals("XSRF-TOKEN"))
        .findFirst()
        .ifPresent(c -> request.header("X-XSRF-TOKEN", c.getValue()));
    headers.forEach(request::header);
    if (body instanceof byte[] bytes) {
      request.method(method, BodyPublishers.ofByteArray(bytes));
    } else if (body != null) {
      request
          .header("Content-Type", "application/json")
          .method(method, BodyPublishers.ofString(JSON.writeValueAsString(body)));
    } else {
      request.method(method, BodyPublishers.noBody());
    }
    faults.requests().incrementAndGet();
    try {
      HttpResponse<String> response = http.send(request.build(), BodyHandlers.ofString());
      // 502 is the shop's doing.
      if (response.statusCode() >= 500 && response.statusCode() != 502) {
        faults.fault(response.statusCode() + " " + method + " " + path + " " + response.body());
      }
      boolean json = response.headers().firstValue("Content-Type").orElse("").contains("json");
      return new Answer(
          response.statusCode(),
          json && !response.body().isEmpty()
              ? JSON.readTree(response.body())
              : JSON.createObjectNode());
    } catch (IOException e) {
      // The server is being killed or started.
      return NONE;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return NONE;
    }
  }
}
