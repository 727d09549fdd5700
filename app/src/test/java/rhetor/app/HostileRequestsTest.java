package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.CookieManager;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import rhetor.app.people.PeopleService;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whatever is sent to whatever operation, it is answered, and never with a fault of Rhetor's. */
class HostileRequestsTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** Bodies for each operation that takes one. */
  private static final int BODIES = Integer.getInteger("hostile.bodies", 40);

  @TempDir static Path data;
  private static ConfigurableApplicationContext application;
  private static String url;
  private static HttpClient http;
  private static HttpServer shop;
  private static String token;

  private final Random random = new Random(7);
  private final List<String> faults = new ArrayList<>();
  private JsonNode schemas;
  private int sent;

  @BeforeAll
  static void start() throws Exception {
    shop = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    shop.createContext(
        "/",
        x -> {
          x.sendResponseHeaders(404, -1);
          x.close();
        });
    shop.start();
    application = RunningRhetor.open(data, "http://127.0.0.1:" + shop.getAddress().getPort());
    url = "http://127.0.0.1:" + application.getEnvironment().getProperty("local.server.port");
    application
        .getBean(PeopleService.class)
        .createOwner("owner@test.example", "Owner", RunningRhetor.PASSWORD);
    Visitor visitor = new Visitor(url).signIn("owner@test.example", RunningRhetor.PASSWORD);
    List<Long> products =
        visitor.takeIn(
            "goods.csv",
            "SKU,Name,Category,Weight,Colour\nA-1,Lane 22,Backpacks,830 g,red\nA-2,Lane 22,Backpacks,830 g,blue\n");
    visitor.write(products, 0, "plain");
    CookieManager cookies = new CookieManager();
    http = HttpClient.newBuilder().cookieHandler(cookies).build();
    signIn(cookies);
  }

  private static void signIn(CookieManager cookies) throws Exception {
    http.send(
        HttpRequest.newBuilder(URI.create(url + "/api/session")).build(),
        BodyHandlers.discarding());
    token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .findFirst()
            .orElseThrow()
            .getValue();
    http.send(
        HttpRequest.newBuilder(URI.create(url + "/api/session"))
            .header("Content-Type", "application/json")
            .header("X-XSRF-TOKEN", token)
            .POST(
                BodyPublishers.ofString(
                    "{\"email\":\"owner@test.example\",\"password\":\"%s\"}"
                        .formatted(RunningRhetor.PASSWORD)))
            .build(),
        BodyHandlers.discarding());
  }

  @AfterAll
  static void stop() {
    application.close();
    shop.stop(0);
  }

  private static final List<String> IDS =
      List.of(
          "1",
          "0",
          "-1",
          "999999",
          "9223372036854775808",
          "x",
          "1e3",
          "%00",
          "%F0%9F%98%80",
          "a%0Ab");

  private static final List<String> WORDS =
      List.of(
          "",
          " ",
          "x",
          "ALL",
          "-1",
          "1e999999999",
          "null",
          "%",
          "'; drop table product; --",
          "\u0000",
          "\uFFFF",
          "=cmd|' /C calc'!A0",
          "<script>alert(1)</script>",
          "{{#each facts}}",
          "\u202Eabc",
          "ſtraße",
          "😀",
          "../../etc/passwd",
          "a".repeat(5_000),
          "[a-z",
          "(((((",
          "\\",
          "[\\u0300\u0300",
          "\r\nSet-Cookie: a=b");

  private static final List<String> NUMBERS =
      List.of(
          "0",
          "-1",
          "1",
          "2147483648",
          "9223372036854775807",
          "9223372036854775808",
          "1e999999999",
          "1e-999999999",
          "-1e400",
          "0.1",
          "12345678901234567890.12345678901234567890");

  /** Values of no type that is asked for, as JSON. */
  private static final List<String> ODD =
      List.of(
          "null",
          "[]",
          "{}",
          "[null]",
          "true",
          "\"x\"",
          "7",
          "\"\\ud800\"",
          "[[[[[[]]]]]]",
          "{\"\":{}}");

  @Test
  void no_operation_answers_anything_with_a_fault_of_its_own() throws Exception {
    JsonNode api = JSON.readTree(get("/api/description").body());
    schemas = api.path("components").path("schemas");
    for (Map.Entry<String, JsonNode> path : api.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
        // Whoever signs out or ends the session has nothing more to say.
        boolean leaves =
            path.getKey().equals("/api/session") && operation.getKey().equals("delete")
                || path.getKey().endsWith("/second-factor") && operation.getKey().equals("delete")
                || path.getKey().startsWith("/api/me/sessions/")
                || path.getKey().endsWith("/events");
        if (!leaves) {
          attack(operation.getKey().toUpperCase(), path.getKey(), operation.getValue());
        }
      }
    }
    assertThat(faults).as("of %d requests", sent).isEmpty();
    assertThat(sent).isGreaterThan(4_000);
    assertThat(get("/api/products").statusCode()).isEqualTo(200);
  }

  private void attack(String method, String path, JsonNode operation) throws Exception {
    JsonNode body = operation.path("requestBody").path("content");
    JsonNode schema = body.path("application/json").path("schema");
    int times = schema.isMissingNode() ? 40 : BODIES;
    for (int i = 0; i < times; i++) {
      String address = address(path, operation, i);
      String text = schema.isMissingNode() ? "" : body(schema, i);
      send(method, address, text, schema.isMissingNode() ? "" : "application/json");
    }
    if (!schema.isMissingNode()) {
      for (String type :
          List.of(
              "",
              "text/plain",
              "application/xml",
              "multipart/form-data",
              "a/b/c",
              "application/json;charset=utf-99")) {
        send(method, address(path, operation, 0), "{}", type);
      }
      for (String broken :
          List.of(
              "",
              "{",
              "[",
              "{\"a\":}",
              "\u0000",
              "nul",
              "\"",
              "1e999999999",
              "[".repeat(3_000),
              "{\"a\":".repeat(3_000),
              "{\"a\":\"" + "x".repeat(50_000) + "\"}")) {
        send(method, address(path, operation, 0), broken, "application/json");
      }
    }
  }

  private String address(String path, JsonNode operation, int i) {
    String address = path;
    StringBuilder query = new StringBuilder();
    for (JsonNode parameter : operation.path("parameters")) {
      String name = parameter.path("name").asString();
      switch (parameter.path("in").asString()) {
        case "path" ->
            address =
                address.replace(
                    "{" + name + "}", i < IDS.size() ? IDS.get(i) : random.nextInt(3) + "");
        case "query" -> {
          if (random.nextInt(3) > 0) {
            String value =
                random.nextBoolean()
                    ? WORDS.get(random.nextInt(WORDS.size()))
                    : NUMBERS.get(random.nextInt(NUMBERS.size()));
            query
                .append(query.isEmpty() ? "?" : "&")
                .append(name)
                .append('=')
                .append(
                    URLEncoder.encode(
                        value.substring(0, Math.min(200, value.length())), StandardCharsets.UTF_8));
          }
        }
        default -> {}
      }
    }
    return address + query;
  }

  /** A body of the shape that is asked for, most of it right, with something odd in it. */
  private String body(JsonNode schema, int i) {
    return i % 12 == 11 ? ODD.get(random.nextInt(ODD.size())) : value(schema, 0, i % 4);
  }

  private String value(JsonNode schema, int depth, int oddness) {
    if (oddness > 0 && random.nextInt(10 - 2 * oddness) == 0) {
      return ODD.get(random.nextInt(ODD.size()));
    }
    if (depth > 6) {
      return "null";
    }
    if (schema.has("$ref")) {
      String ref = schema.path("$ref").asString();
      return value(schemas.path(ref.substring(ref.lastIndexOf('/') + 1)), depth + 1, oddness);
    }
    if (schema.has("enum")) {
      return JSON.writeValueAsString(
          random.nextInt(5) == 0
              ? "NONE OF THESE"
              : schema.path("enum").get(random.nextInt(schema.path("enum").size())).asString());
    }
    return switch (schema.path("type").asString("object")) {
      case "string" ->
          JSON.writeValueAsString(
              random.nextInt(2) == 0 ? "ready" : WORDS.get(random.nextInt(WORDS.size())));
      case "integer", "number" ->
          random.nextInt(2) == 0 ? "1" : NUMBERS.get(random.nextInt(NUMBERS.size()));
      case "boolean" -> String.valueOf(random.nextBoolean());
      case "array" -> {
        List<String> items = new ArrayList<>();
        for (int k = random.nextInt(3); k > 0; k--) {
          items.add(value(schema.path("items"), depth + 1, oddness));
        }
        yield "[" + String.join(",", items) + "]";
      }
      default -> {
        Map<String, String> fields = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> field : schema.path("properties").properties()) {
          if (random.nextInt(12) > 0) {
            fields.put(field.getKey(), value(field.getValue(), depth + 1, oddness));
          }
        }
        if (schema.has("additionalProperties")) {
          fields.put(
              WORDS.get(random.nextInt(8)),
              value(schema.path("additionalProperties"), depth + 1, oddness));
        }
        List<String> members = new ArrayList<>();
        fields.forEach((k, v) -> members.add(JSON.writeValueAsString(k) + ":" + v));
        yield "{" + String.join(",", members) + "}";
      }
    };
  }

  private static HttpResponse<String> get(String path) throws Exception {
    return http.send(
        HttpRequest.newBuilder(URI.create(url + path)).build(), BodyHandlers.ofString());
  }

  private void send(String method, String address, String body, String type) throws Exception {
    HttpRequest.Builder request =
        HttpRequest.newBuilder(URI.create(url + address))
            .header("X-XSRF-TOKEN", token)
            .header("If-Match", random.nextInt(4) == 0 ? "W/\"x\"" : "\"1\"")
            .method(
                method, body.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(body));
    if (!type.isEmpty()) {
      request.header("Content-Type", type);
    }
    sent++;
    try {
      HttpResponse<String> answer = http.send(request.build(), BodyHandlers.ofString());
      // The shop signs its calls instead of signing in, and these are not signed.
      if (answer.statusCode() == 401
          && !address.startsWith("/api/session")
          && !address.startsWith("/api/shop/changed")) {
        faults.add("signed out: " + method + " " + address + " " + body);
      }
      // An outside service that isn't there is no fault of Rhetor's.
      if (answer.statusCode() >= 500 && answer.statusCode() != 502 && faults.size() < 150) {
        faults.add(
            answer.statusCode()
                + " "
                + method
                + " "
                + address
                + " "
                + type
                + " "
                + body.substring(0, Math.min(300, body.length())));
      }
      if (answer.statusCode() >= 400
          && answer.statusCode() < 500
          && !method.equals("HEAD")
          && answer.body().isBlank()
          && faults.size() < 150) {
        faults.add(
            "no reason: "
                + answer.statusCode()
                + " "
                + method
                + " "
                + address
                + " "
                + type
                + " "
                + body.substring(0, Math.min(200, body.length())));
      }
    } catch (IOException e) {
      faults.add("no answer: " + method + " " + address + ": " + e);
    }
  }
}
