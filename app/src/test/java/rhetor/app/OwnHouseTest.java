package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/** A house of its own, behind a proxy that speaks TLS, from its first minute on. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class OwnHouseTest {
  @TempDir static Path data;
  private static ConfigurableApplicationContext application;
  private static int port;

  @BeforeAll
  static void start() throws IOException {
    // As an earlier version, or a careless copy, may have left it.
    Files.createDirectories(data.resolve("pictures"));
    Files.writeString(data.resolve("pictures").resolve("incoming123.part"), "half");
    Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwxr-xr-x"));
    application = RunningRhetor.open(data, "", "--spring.profiles.active=https");
    port = Integer.parseInt(application.getEnvironment().getProperty("local.server.port"));
  }

  @AfterAll
  static void stop() {
    application.close();
  }

  private static HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
        .header("X-Forwarded-Proto", "https");
  }

  private static HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
    return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  private static String owner(int i) {
    return "{\"email\":\"o%d@test.example\",\"name\":\"Somebody\",\"role\":\"OWNER\",\"password\":\"%s\"}"
        .formatted(i, RunningRhetor.PASSWORD);
  }

  private static HttpRequest.Builder withToken(HttpRequest.Builder request, String token) {
    return request
        .header("Content-Type", "application/json")
        .header("Cookie", "XSRF-TOKEN=" + token)
        .header("X-XSRF-TOKEN", token);
  }

  @Test
  @Order(1)
  void of_several_first_visitors_at_once_one_becomes_the_owner() throws Exception {
    String token = "2f2bd3a5-8a1c-4b3b-9b0a-0123456789ab";
    List<Future<Integer>> answers = new ArrayList<>();
    try (var together = Executors.newCachedThreadPool()) {
      for (int i = 0; i < 6; i++) {
        int visitor = i;
        answers.add(
            together.submit(
                () ->
                    send(withToken(request("/api/owner"), token)
                            .POST(HttpRequest.BodyPublishers.ofString(owner(visitor))))
                        .statusCode()));
      }
    }
    List<Integer> statuses = new ArrayList<>();
    for (Future<Integer> answer : answers) {
      statuses.add(answer.get());
    }
    assertThat(statuses).containsOnlyOnce(200).containsOnly(200, 409);
    assertThat(
            application
                .getBean(JdbcClient.class)
                .sql("select count(*) from person")
                .query(Integer.class)
                .single())
        .isEqualTo(1);
  }

  @Test
  @Order(2)
  void cookies_go_over_tls_alone_and_browsers_are_told_to_keep_to_it() throws Exception {
    String token = "2f2bd3a5-8a1c-4b3b-9b0a-0123456789ab";
    String email =
        application
            .getBean(JdbcClient.class)
            .sql("select email from person")
            .query(String.class)
            .single();
    HttpResponse<String> signedIn =
        send(
            withToken(request("/api/session"), token)
                .POST(
                    HttpRequest.BodyPublishers.ofString(
                        "{\"email\":\"%s\",\"password\":\"%s\"}"
                            .formatted(email, RunningRhetor.PASSWORD))));
    assertThat(signedIn.statusCode()).isEqualTo(200);
    assertThat(signedIn.headers().allValues("Set-Cookie"))
        .anySatisfy(
            c ->
                assertThat(c)
                    .startsWith("__Host-RHETOR=")
                    .contains("Secure", "HttpOnly", "Path=/", "SameSite=Lax"));
    assertThat(signedIn.headers().firstValue("Strict-Transport-Security")).isPresent();
    HttpResponse<String> page = send(request("/api/session").GET());
    assertThat(page.headers().allValues("Set-Cookie"))
        .allSatisfy(c -> assertThat(c).contains("Secure"));
  }

  @Test
  @Order(3)
  void the_data_folder_is_its_owners_alone_and_nothing_is_left_half_written() throws IOException {
    try (Stream<Path> all = Files.walk(data)) {
      assertThat(all.toList())
          .hasSizeGreaterThan(2)
          .allSatisfy(
              p ->
                  assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(p)))
                      .as("%s", p)
                      .isEqualTo(Files.isDirectory(p) ? "rwx------" : "rw-------"));
    }
    assertThat(data.resolve("pictures")).isEmptyDirectory();
    assertThat(data.resolve("secrets.key")).hasSize(32);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "/", "/api/products", "/api/none", "/assets/none.js", "/none/none", "/favicon.svg",
        "/error", "//", "/a;b=c", "/api/products%2f", "/..%2f..%2fetc", "/api/session"
      })
  @Order(4)
  void every_answer_has_the_headers_that_keep_browsers_safe(String path) throws Exception {
    HttpResponse<String> answer = send(request(path).GET());
    for (String header :
        List.of(
            "Content-Security-Policy",
            "X-Content-Type-Options",
            "X-Frame-Options",
            "Referrer-Policy",
            "Permissions-Policy")) {
      assertThat(answer.headers().allValues(header)).as("%s of %s", header, path).hasSize(1);
    }
    assertThat(answer.body()).doesNotContain("Tomcat", "Whitelabel", "Exception");
  }

  private static String raw(String request) throws IOException {
    try (Socket socket = new Socket("127.0.0.1", port)) {
      socket.setSoTimeout(5_000);
      socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
      socket.getOutputStream().flush();
      InputStream in = socket.getInputStream();
      byte[] answer = in.readNBytes(4_000);
      return new String(answer, StandardCharsets.ISO_8859_1);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "GET /<script> HTTP/1.1\r\nHost: a\r\nConnection: close\r\n\r\n",
        "GARBAGE\r\n\r\n",
        "TRACE / HTTP/1.1\r\nHost: a\r\nConnection: close\r\n\r\n",
        "GET / HTTP/1.1\r\nConnection: close\r\n\r\n",
        "GET /%00 HTTP/1.1\r\nHost: a\r\nConnection: close\r\n\r\n"
      })
  @Order(5)
  void what_the_container_refuses_tells_nothing_of_it(String request) throws IOException {
    assertThat(raw(request))
        .startsWith("HTTP/1.1 4")
        .doesNotContain("Tomcat", "Exception", "<script>");
  }

  @Test
  @Order(6)
  void without_a_shop_an_edition_says_so() {
    assertThat(
            application
                .getBean(JdbcClient.class)
                .sql("select count(*) from shop_connection")
                .query(Integer.class)
                .single())
        .isZero();
  }
}
