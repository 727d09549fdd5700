package rhetor.standins.shop;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.standins.Weather;

/** The shop's HTTP API: bearer token, products with versions, and settings for bad weather. */
@RestController
@RequestMapping("/api")
class ShopApi {
  private final GoodsStore goods;
  private final Calls calls;
  private final Weather weather = new Weather();
  private final byte[] token;

  ShopApi(GoodsStore goods, Calls calls, @Value("${standins.token}") String token) {
    this.goods = goods;
    this.calls = calls;
    this.token = ("Bearer " + token).getBytes(StandardCharsets.UTF_8);
  }

  record Stored(String sku, String page, long version) {}

  /** What a proxy before the shop says of a server that it can't reach. */
  private Optional<ResponseEntity<Object>> broken(String sku) {
    String broken = weather.settings().broken();
    return broken.isEmpty() || !sku.equals(broken)
        ? Optional.empty()
        : Optional.of(
            ResponseEntity.status(HttpStatus.BAD_GATEWAY)
                .contentType(MediaType.TEXT_HTML)
                .body("<html><h1>502 Bad Gateway</h1></html>"));
  }

  private Optional<ResponseEntity<Object>> obstacle(String authorization)
      throws InterruptedException {
    if (!MessageDigest.isEqual(token, authorization.getBytes(StandardCharsets.UTF_8))) {
      return Optional.of(
          ResponseEntity.status(HttpStatus.UNAUTHORIZED)
              .body(Map.of("detail", "The token is wrong or missing.")));
    }
    return switch (weather.obstacle()) {
      case 429 ->
          Optional.of(
              ResponseEntity.status(429)
                  .header("Retry-After", "1")
                  .body(Map.of("detail", "Too many requests; wait a second.")));
      case 503 ->
          Optional.of(
              ResponseEntity.status(503).body(Map.of("detail", "The shop is being repaired.")));
      default -> Optional.empty();
    };
  }

  @GetMapping("/products")
  ResponseEntity<Object> list(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "50") int limit)
      throws InterruptedException {
    return obstacle(authorization)
        .orElseGet(
            () -> ResponseEntity.ok(Map.of("items", goods.page(after, Math.clamp(limit, 1, 200)))));
  }

  @GetMapping("/categories")
  ResponseEntity<Object> categories(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "50") int limit)
      throws InterruptedException {
    return obstacle(authorization)
        .orElseGet(
            () ->
                ResponseEntity.ok(
                    Map.of(
                        "items",
                        Category.all().stream()
                            .filter(c -> c.key().compareTo(after) > 0)
                            .limit(Math.clamp(limit, 1, 200))
                            .map(
                                c ->
                                    goods.find(c.sku()).map(g -> c.with(g.description())).orElse(c))
                            .toList())));
  }

  @GetMapping("/products/{sku}")
  ResponseEntity<Object> get(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @PathVariable String sku)
      throws InterruptedException {
    return read(authorization, sku);
  }

  @GetMapping("/categories/{key}")
  ResponseEntity<Object> getCategory(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @PathVariable String key)
      throws InterruptedException {
    return read(authorization, Category.SKU + key);
  }

  private ResponseEntity<Object> read(String authorization, String sku)
      throws InterruptedException {
    return obstacle(authorization)
        .or(() -> broken(sku))
        .orElseGet(
            () ->
                goods
                    .find(sku)
                    .<ResponseEntity<Object>>map(g -> ResponseEntity.ok().eTag(g.etag()).body(g))
                    .orElse(ResponseEntity.notFound().build()));
  }

  @PutMapping("/products/{sku}")
  ResponseEntity<Object> put(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestHeader(name = "If-Match", defaultValue = "") String ifMatch,
      @RequestHeader(name = "If-None-Match", defaultValue = "") String ifNoneMatch,
      @PathVariable String sku,
      @RequestBody Goods.Texts texts,
      HttpServletRequest request)
      throws InterruptedException {
    return write(authorization, new Expected(ifMatch, ifNoneMatch), sku, texts, request);
  }

  @PutMapping("/categories/{key}")
  ResponseEntity<Object> putCategory(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestHeader(name = "If-Match", defaultValue = "") String ifMatch,
      @RequestHeader(name = "If-None-Match", defaultValue = "") String ifNoneMatch,
      @PathVariable String key,
      @RequestBody Goods.Texts texts,
      HttpServletRequest request)
      throws InterruptedException {
    return write(
        authorization, new Expected(ifMatch, ifNoneMatch), Category.SKU + key, texts, request);
  }

  /** The version that who writes expects, and the one that there must not be. */
  private record Expected(String version, String none) {
    boolean isOther(Optional<Goods> before) {
      return before.isPresent()
          ? none.equals("*") || !version.isEmpty() && !version.equals(before.get().etag())
          : !version.isEmpty();
    }
  }

  private ResponseEntity<Object> write(
      String authorization,
      Expected expected,
      String sku,
      Goods.Texts texts,
      HttpServletRequest request)
      throws InterruptedException {
    Optional<ResponseEntity<Object>> obstacle = obstacle(authorization);
    if (obstacle.isPresent()) {
      return obstacle.get();
    }
    Optional<Goods> before = goods.find(sku);
    if (expected.isOther(before)) {
      return ResponseEntity.status(HttpStatus.PRECONDITION_FAILED)
          .body(Map.of("detail", "The page has another version."));
    }
    Goods now = goods.put(sku, texts);
    calls.changed(sku);
    String page =
        "http://"
            + request.getServerName()
            + ":"
            + request.getServerPort()
            + (sku.startsWith(Category.SKU)
                ? "/categories/" + sku.substring(Category.SKU.length())
                : "/products/" + now.slug());
    return ResponseEntity.status(before.isPresent() ? HttpStatus.OK : HttpStatus.CREATED)
        .eTag(now.etag())
        .body(new Stored(sku, page, now.version()));
  }

  @PutMapping(path = "/products/{sku}/picture", consumes = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<Object> putPicture(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @PathVariable String sku,
      @RequestBody byte[] png)
      throws InterruptedException {
    return obstacle(authorization)
        .orElseGet(
            () -> {
              goods.putPicture(sku, png);
              calls.changed(sku);
              return ResponseEntity.noContent().build();
            });
  }

  /** Whom to call when a page changes; an empty address is nobody. */
  @PutMapping("/calls")
  ResponseEntity<Object> setCalls(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestBody Calls.Wish wish) {
    if (!MessageDigest.isEqual(token, authorization.getBytes(StandardCharsets.UTF_8))) {
      return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
    }
    calls.set(wish);
    return ResponseEntity.noContent().build();
  }

  @GetMapping("/weather")
  Weather.Settings weather() {
    return weather.settings();
  }

  @PutMapping("/weather")
  ResponseEntity<Object> setWeather(
      @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
      @RequestBody Weather.Settings settings) {
    if (!MessageDigest.isEqual(token, authorization.getBytes(StandardCharsets.UTF_8))) {
      return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
    }
    weather.set(settings);
    return ResponseEntity.ok(settings);
  }
}
