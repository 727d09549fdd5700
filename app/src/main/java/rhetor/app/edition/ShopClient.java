package rhetor.app.edition;

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
import org.springframework.stereotype.Component;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
import rhetor.app.category.Categories;
import rhetor.app.house.HouseSettings;

/** Talks to the shop's HTTP API; waits when asked to, and tries again when the shop stumbles. */
@Component
class ShopClient {
  private static final int TRIES = 5;
  private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

  private final RestClient http;
  private final URI url;

  ShopClient(HouseSettings settings) {
    JdkClientHttpRequestFactory factory =
        new JdkClientHttpRequestFactory(
            java.net.http.HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build());
    factory.setReadTimeout(Duration.ofSeconds(15));
    url = URI.create(settings.shop().url() + "/");
    http =
        RestClient.builder()
            .requestFactory(factory)
            .baseUrl(settings.shop().url())
            .defaultHeader(HttpHeaders.AUTHORIZATION, "Bearer " + settings.shop().token())
            .build();
  }

  /** What the shop is to show of a product. */
  record Content(
      String title,
      String shortDescription,
      String description,
      String metaTitle,
      String metaDescription,
      List<String> tags,
      String imageAlt) {}

  /** Where the product's page is, and the version it has now. */
  record Published(String page, String version) {}

  /** Says that the shop didn't take a text, and why. */
  static final class ShopRefused extends RuntimeException {
    ShopRefused(String message) {
      super(message);
    }
  }

  private record Answer(int status, String version, String page, long retryAfterSeconds) {}

  /** The version tag of a product in the shop; empty if the shop doesn't have it. */
  Optional<String> version(String sku) {
    Answer answer =
        patiently(
            () ->
                http.get()
                    .uri("/api/products/{sku}", sku)
                    .exchange((q, r) -> answer(r.getStatusCode(), r.getHeaders(), null)));
    return switch (answer.status) {
      case 200 -> Optional.of(answer.version);
      case 404 -> Optional.empty();
      default -> throw refused(answer.status);
    };
  }

  /**
   * Puts a product's texts into the shop.
   *
   * @param version the version tag that the shop is expected to have; empty if it has none yet
   * @throws ShopRefused if the shop's version is another, or it doesn't take the text
   */
  Published put(String sku, Content content, String version) {
    Answer answer =
        patiently(
            () ->
                http.put()
                    .uri("/api/products/{sku}", sku)
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
                        (q, r) -> answer(r.getStatusCode(), r.getHeaders(), r.bodyTo(Page.class))));
    return switch (answer.status) {
      case 200, 201 -> new Published(answer.page, answer.version);
      case 412 ->
          throw new ShopRefused(
              "Somebody changed this product in the shop since it was last published from here. Look at it there; publish again to replace it.");
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
                http.get()
                    .uri(path + "?after={after}&limit={limit}", after, limit)
                    .exchange(
                        (q, r) -> {
                          if (r.getStatusCode().is2xxSuccessful()) {
                            page.clear();
                            page.addAll(items.apply(r.bodyTo(type)));
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
      return url.resolve(link.replace(" ", "%20")).toString();
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
        });
  }

  private interface Call {
    Answer send();
  }

  private static Answer patiently(Call call) {
    Answer answer = new Answer(0, "", "", -1);
    for (int i = 0; i < TRIES; i++) {
      try {
        answer = call.send();
      } catch (ResourceAccessException e) {
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
      throw new ShopRefused("Publishing was interrupted.");
    }
  }
}
