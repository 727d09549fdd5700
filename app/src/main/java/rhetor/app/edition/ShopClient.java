package rhetor.app.edition;

import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.http.converter.HttpMessageConversionException;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import org.springframework.web.util.UriBuilder;
import rhetor.app.category.Categories;
import rhetor.app.house.ShopConnections;

/** Talks to the shop's HTTP API; waits when asked to, and tries again when the shop stumbles. */
@Component
class ShopClient {
  private static final int TRIES = 5;
  private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

  private final ShopConnections shops;
  private final JdkClientHttpRequestFactory factory;

  ShopClient(ShopConnections shops) {
    this.shops = shops;
    factory =
        new JdkClientHttpRequestFactory(
            java.net.http.HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build());
    factory.setReadTimeout(Duration.ofSeconds(15));
  }

  private RestClient http() {
    ShopConnections.ShopConnection shop = shops.current();
    if (shop.address().isEmpty()) {
      throw new ShopRefused(
          "No shop is connected. The owner says under Connections where it is.", true);
    }
    return RestClient.builder()
        .requestFactory(factory)
        .baseUrl(shop.address())
        .defaultHeader(HttpHeaders.AUTHORIZATION, "Bearer " + shop.token())
        .build();
  }

  /** Where the product's page is, and the version it has now. */
  record Published(String page, String version) {}

  /** Says that the shop didn't take a text, and why. */
  static final class ShopRefused extends RuntimeException {
    private final boolean outage;

    /**
     * What is told to people.
     *
     * @param outage whether the shop as a whole doesn't answer, whatever it is asked
     */
    ShopRefused(String message, boolean outage) {
      super(message);
      this.outage = outage;
    }

    boolean isOutage() {
      return outage;
    }
  }

  private record Answer(int status, String version, String page, long retryAfterSeconds) {}

  /** What the shop shows of a product now, and the version tag of that. */
  record Standing(String version, ShopContent content) {}

  /**
   * What stands in the shop of a product; empty if the shop doesn't have it.
   *
   * @throws ShopRefused if the shop doesn't say
   */
  Optional<Standing> find(String sku) {
    ShopContent[] content = new ShopContent[1];
    Answer answer =
        patiently(
            () ->
                http()
                    .get()
                    .uri(place(sku))
                    .exchange(
                        (q, r) -> {
                          content[0] = body(r, ShopContent.class).orElse(null);
                          return answer(r.getStatusCode(), r.getHeaders(), null);
                        }));
    return switch (answer.status) {
      case 200 ->
          Optional.of(
              new Standing(
                  answer.version,
                  Optional.ofNullable(content[0]).orElseThrow(ShopClient::unreadable)));
      case 404 -> Optional.empty();
      default -> throw refused(answer.status);
    };
  }

  /** Where the shop keeps what is shown of a product, or of a category page. */
  private static Function<UriBuilder, URI> place(String sku) {
    return uri ->
        Categories.keyOf(sku)
            .map(key -> uri.path("/api/categories/{key}").build(key))
            .orElseGet(() -> uri.path("/api/products/{sku}").build(sku));
  }

  private static ShopRefused unreadable() {
    return new ShopRefused(
        "The shop's answer can't be read: it is no JSON of the kind that its API gives. Check the connection's address.",
        false);
  }

  /** What a good answer says; empty for an error, whose body may be anything. */
  private static <T> Optional<T> body(
      RestClient.RequestHeadersSpec.ConvertibleClientHttpResponse response, Class<T> type)
      throws IOException {
    if (!response.getStatusCode().is2xxSuccessful()) {
      return Optional.empty();
    }
    try {
      return Optional.ofNullable(response.bodyTo(type));
    } catch (RestClientException | HttpMessageConversionException e) {
      throw unreadable();
    }
  }

  /**
   * Puts a product's texts into the shop.
   *
   * @param version the version tag that the shop is expected to have; empty if it has none yet
   * @return empty if the shop has another version
   * @throws ShopRefused if it doesn't take the text
   */
  Optional<Published> put(String sku, ShopContent content, String version) {
    Answer answer =
        patiently(
            () ->
                http()
                    .put()
                    .uri(place(sku))
                    .headers(
                        h -> {
                          if (version.isEmpty()) {
                            h.setIfNoneMatch("*");
                          } else {
                            h.setIfMatch(version);
                          }
                        })
                    .contentType(MediaType.APPLICATION_JSON)
                    .body(content)
                    .exchange(
                        (q, r) ->
                            answer(
                                r.getStatusCode(),
                                r.getHeaders(),
                                body(r, Page.class).orElse(null))));
    return switch (answer.status) {
      case 200, 201 -> Optional.of(new Published(answer.page, answer.version));
      case 412 -> Optional.empty();
      default -> throw refused(answer.status);
    };
  }

  /** What stands in the shop of one product. */
  record Goods(String sku, String title, String shortDescription, String description) {}

  private record GoodsPage(List<Goods> items) {}

  private record CategoryPage(List<Categories.Pulled> items) {}

  /**
   * A page of the shop's products, in order of their SKUs.
   *
   * @param after the last SKU of the page before, or empty
   * @throws ShopRefused if the shop doesn't give it
   */
  List<Goods> page(String after, int limit) {
    return page("/api/products", after, limit, GoodsPage.class, GoodsPage::items);
  }

  /**
   * A page of the shop's categories, in order of their keys.
   *
   * @param after the last key of the page before, or empty
   * @throws ShopRefused if the shop doesn't give it
   */
  List<Categories.Pulled> categories(String after, int limit) {
    return page("/api/categories", after, limit, CategoryPage.class, CategoryPage::items);
  }

  private <P, T> List<T> page(
      String path, String after, int limit, Class<P> type, Function<P, List<T>> items) {
    List<T> page = new ArrayList<>();
    Answer answer =
        patiently(
            () ->
                http()
                    .get()
                    .uri(path + "?after={after}&limit={limit}", after, limit)
                    .exchange(
                        (q, r) -> {
                          if (r.getStatusCode().is2xxSuccessful()) {
                            page.clear();
                            body(r, type).map(items).ifPresent(page::addAll);
                          }
                          return answer(r.getStatusCode(), r.getHeaders(), null);
                        }));
    if (answer.status != 200) {
      throw refused(answer.status);
    }
    return page;
  }

  /** Where a link that stands on a page of the shop leads. */
  String absolute(String link) {
    try {
      return URI.create(shops.current().address() + "/")
          .resolve(link.replace(" ", "%20"))
          .toString();
    } catch (IllegalArgumentException e) {
      return link;
    }
  }

  private record Page(String page) {}

  private static Answer answer(HttpStatusCode status, HttpHeaders headers, Page page) {
    String wait = headers.getFirst(HttpHeaders.RETRY_AFTER);
    return new Answer(
        status.value(),
        Optional.ofNullable(headers.getETag()).orElse(""),
        page == null || page.page() == null ? "" : page.page(),
        wait == null || !wait.matches("\\d{1,4}") ? -1 : Long.parseLong(wait));
  }

  private static ShopRefused refused(int status) {
    return new ShopRefused(
        switch (status) {
          case 401, 403 -> "The shop doesn't accept the token. Check the connection.";
          case 429 ->
              "The shop is still asking to wait after " + TRIES + " tries. Publish again later.";
          case 0 -> "The shop can't be reached. Check that it is running, then publish again.";
          default ->
              "The shop answered with an error ("
                  + status
                  + ") after "
                  + TRIES
                  + " tries. Publish again later.";
        },
        status == 0 || status == 401 || status == 403 || status == 429 || status >= 500);
  }

  private interface Call {
    Answer send();
  }

  private static Answer patiently(Call call) {
    Answer answer = new Answer(0, "", "", -1);
    for (int i = 0; i < TRIES; i++) {
      try {
        answer = call.send();
      } catch (ShopRefused e) {
        throw e;
      } catch (RestClientException e) {
        // No connection, or an answer that is no HTTP.
        answer = new Answer(0, "", "", -1);
      }
      boolean again = answer.status == 0 || answer.status == 429 || answer.status >= 500;
      if (!again || i == TRIES - 1) {
        return answer;
      }
      Duration wait =
          answer.retryAfterSeconds >= 0
              ? Duration.ofSeconds(answer.retryAfterSeconds)
              : Duration.ofMillis(200L << i);
      sleep(wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait);
    }
    return answer;
  }

  private static void sleep(Duration time) {
    try {
      Thread.sleep(time);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new ShopRefused("Publishing was interrupted.", true);
    }
  }
}
