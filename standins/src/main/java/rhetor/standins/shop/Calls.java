package rhetor.standins.shop;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Duration;
import java.util.HexFormat;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Calls a program whenever a page of the shop has changed, signed, and three times if need be. */
@Component
class Calls {
  private static final Logger LOG = LoggerFactory.getLogger(Calls.class);
  private static final int TRIES = 3;
  private static final Duration PATIENCE = Duration.ofSeconds(5);

  /**
   * Whom to call.
   *
   * @param address empty for nobody
   * @param secret what calls are signed with
   */
  record Wish(String address, String secret) {}

  private final HttpClient http = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
  private final ExecutorService calling =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "calls");
            thread.setDaemon(true);
            return thread;
          });
  private volatile Wish wish = new Wish("", "");

  void set(Wish wanted) {
    wish = wanted;
  }

  /** Says that the page of a product or a category has changed; returns before it is said. */
  void changed(String sku) {
    Wish now = wish;
    if (!now.address().isEmpty()) {
      String number = UUID.randomUUID().toString();
      String body = "{\"changed\":[\"" + sku.replace("\\", "").replace("\"", "") + "\"]}";
      calling.execute(() -> call(now, number, body));
    }
  }

  private void call(Wish whom, String number, String body) {
    for (int tries = 0; tries < TRIES; tries++) {
      try {
        HttpRequest request =
            HttpRequest.newBuilder(URI.create(whom.address()))
                .timeout(PATIENCE)
                .header("Content-Type", "application/json")
                .header("Shop-Delivery", number)
                .header("Shop-Signature", "sha256=" + signature(whom.secret(), number + "." + body))
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        int status = http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
        if (status / 100 == 2) {
          return;
        }
        LOG.warn("{} answered a call with {}", whom.address(), status);
      } catch (IOException | IllegalArgumentException e) {
        LOG.warn("{} could not be called", whom.address(), e);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }

  private static String signature(String secret, String text) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every JDK has HmacSHA256", e);
    }
  }
}
