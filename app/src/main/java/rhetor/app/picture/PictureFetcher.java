package rhetor.app.picture;

import jakarta.annotation.PreDestroy;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.Header;
import org.apache.hc.core5.util.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import rhetor.app.house.HouseSettings;
import rhetor.app.house.ShopConnections;
import rhetor.core.image.PictureReader;

/**
 * Fetches pictures from the web: within limits of size, time and redirects, only from hosts that
 * are allowed, and never from inside a private network.
 */
@Component
class PictureFetcher {
  private static final int MOST_REDIRECTS = 3;
  private static final Duration PATIENCE = Duration.ofSeconds(30);
  private static final Timeout SILENCE = Timeout.ofSeconds(10);
  private static final Duration LONGEST_WAIT = Duration.ofHours(1);

  /** Top-level domain that is reserved for examples and never resolves (RFC 2606). */
  private static final String INVENTED = ".example";

  private final CloseableHttpClient guarded = client(new PublicOnly());
  private final CloseableHttpClient open = client(SystemDefaultDnsResolver.INSTANCE);
  private final Duration patience;
  private final Supplier<String> shop;
  private final String standIn;

  @Autowired
  PictureFetcher(HouseSettings settings, ShopConnections shops) {
    this(settings.pictures().standIn(), () -> shops.current().address(), PATIENCE);
  }

  PictureFetcher(String standIn, Supplier<String> shop, Duration patience) {
    this.patience = patience;
    this.shop = shop;
    this.standIn = standIn;
  }

  @PreDestroy
  void close() throws IOException {
    guarded.close();
    open.close();
  }

  private static CloseableHttpClient client(DnsResolver resolver) {
    return HttpClients.custom()
        .setConnectionManager(
            PoolingHttpClientConnectionManagerBuilder.create()
                .setDnsResolver(resolver)
                .setDefaultConnectionConfig(
                    ConnectionConfig.custom()
                        .setConnectTimeout(Timeout.ofSeconds(5))
                        .setSocketTimeout(SILENCE)
                        .build())
                .build())
        .setDefaultRequestConfig(RequestConfig.custom().setResponseTimeout(SILENCE).build())
        .setUserAgent("Rhetor/1.0 (fetches pictures that a supplier's sheet names)")
        .disableRedirectHandling()
        .disableCookieManagement()
        .disableAuthCaching()
        .disableAutomaticRetries()
        .build();
  }

  /** Hosts that need nobody's leave: the connected shop, which the owner has set up. */
  List<String> trusted() {
    String address = shop.get();
    return address.isEmpty() ? List.of() : List.of(AddressStore.authority(URI.create(address)));
  }

  /** What came of fetching. */
  sealed interface Outcome {
    /** The picture's bytes; whether they are a picture is yet to be seen. */
    record Bytes(byte[] bytes) implements Outcome {}

    /** The host can't give it now. */
    record Later(Duration least, String reason) implements Outcome {}

    /** It can't be had, and trying again won't help. */
    record Failed(String reason) implements Outcome {}
  }

  /** Refuses every host of which one address is not on the public internet. */
  private static final class PublicOnly implements DnsResolver {
    @Override
    public InetAddress[] resolve(String host) throws UnknownHostException {
      InetAddress[] all = SystemDefaultDnsResolver.INSTANCE.resolve(host);
      for (InetAddress address : all) {
        if (isPrivate(address)) {
          throw new PrivateNetwork(host);
        }
      }
      return all;
    }

    @Override
    public String resolveCanonicalHostname(String host) throws UnknownHostException {
      return SystemDefaultDnsResolver.INSTANCE.resolveCanonicalHostname(host);
    }
  }

  private static final class PrivateNetwork extends UnknownHostException {
    PrivateNetwork(String host) {
      super(host);
    }
  }

  /** Special-purpose addresses that are not globally reachable (RFC 6890). */
  static boolean isPrivate(InetAddress address) {
    byte[] b = address.getAddress();
    int first = b[0] & 0xFF;
    int second = b[1] & 0xFF;
    boolean special =
        b.length == 4
            ? first == 0
                || first >= 240
                || first == 100 && second >= 64 && second < 128
                || first == 192 && second == 0 && b[2] == 0
                || first == 198 && (second == 18 || second == 19)
            : (first & 0xFE) == 0xFC
                || first == 0x20 && second == 0x02
                || first == 0 && b[1] == 0x64;
    return special
        || address.isLoopbackAddress()
        || address.isAnyLocalAddress()
        || address.isLinkLocalAddress()
        || address.isSiteLocalAddress()
        || address.isMulticastAddress();
  }

  /**
   * Fetches a picture.
   *
   * @param allowed whether a host, with its port if it is an unusual one, may be asked
   */
  Outcome fetch(String address, Predicate<String> allowed) {
    long end = System.nanoTime() + patience.toNanos();
    try {
      URI at = URI.create(address.replace(" ", "%20"));
      for (int hop = 0; hop <= MOST_REDIRECTS; hop++) {
        String refusal = refusal(at, allowed, hop > 0);
        if (!refusal.isEmpty()) {
          return new Outcome.Failed(refusal);
        }
        Answer answer = ask(at, end);
        if (answer.outcome != null) {
          return answer.outcome;
        }
        at = at.resolve(answer.leadsTo.replace(" ", "%20"));
      }
      return new Outcome.Failed(
          "The address leads on more than %d times.".formatted(MOST_REDIRECTS));
    } catch (IllegalArgumentException e) {
      return new Outcome.Failed("This is no web address. Mend it in the sheet.");
    }
  }

  private String refusal(URI at, Predicate<String> allowed, boolean redirected) {
    boolean web =
        "http".equalsIgnoreCase(at.getScheme()) || "https".equalsIgnoreCase(at.getScheme());
    if (!web || at.getHost() == null) {
      return "This is no web address. Mend it in the sheet.";
    }
    if (at.getRawUserInfo() != null) {
      return "The address has a name and a password in it. Take them out.";
    }
    String host = AddressStore.authority(at);
    return allowed.test(host) || trusted().contains(host)
        ? ""
        : redirected
            ? "The address leads on to " + host + ", which the house has not allowed."
            : "The house has not allowed " + host + ".";
  }

  /** Either an outcome, or where the address leads on to. */
  private record Answer(Outcome outcome, String leadsTo) {}

  private Answer ask(URI at, long end) {
    boolean invented =
        !standIn.isEmpty() && at.getHost().toLowerCase(Locale.ROOT).endsWith(INVENTED);
    URI real = invented ? URI.create(standIn + "/" + at.getHost() + at.getRawPath()) : at;
    boolean trusted = invented || trusted().contains(AddressStore.authority(at));
    try {
      HttpGet get = new HttpGet(real);
      ClassicHttpResponse response = (trusted ? open : guarded).executeOpen(null, get, null);
      try {
        return answer(response, end);
      } finally {
        // Before closing, which would read to its end what is too large or never ends. What has
        // come whole has let its connection go already.
        get.cancel();
        closeQuietly(response);
      }
    } catch (PrivateNetwork e) {
      return failed("The host lies in a private network, where Rhetor fetches nothing.");
    } catch (UnknownHostException e) {
      return failed("There is no host called " + at.getHost() + ".");
    } catch (InterruptedIOException e) {
      return later(Duration.ZERO, "The host did not answer in time.");
    } catch (IOException e) {
      return later(Duration.ZERO, "The host can't be reached.");
    }
  }

  private static void closeQuietly(ClassicHttpResponse response) {
    try {
      response.close();
    } catch (IOException e) {
      // The connection was cut on purpose.
    }
  }

  private static Answer failed(String reason) {
    return new Answer(new Outcome.Failed(reason), "");
  }

  private static Answer later(Duration wait, String reason) {
    return new Answer(new Outcome.Later(wait, reason), "");
  }

  private static Answer answer(ClassicHttpResponse response, long end) throws IOException {
    int status = response.getCode();
    Header location = response.getFirstHeader("Location");
    if (Stream.of(301, 302, 303, 307, 308).anyMatch(s -> s == status) && location != null) {
      return new Answer(null, location.getValue());
    }
    if (status == 429 || status >= 500) {
      return later(
          retryAfter(response),
          status == 429
              ? "The host asks to wait."
              : "The host answered with an error (" + status + ").");
    }
    if (status != 200 || response.getEntity() == null) {
      return failed(
          status == 404 || status == 410
              ? "There is nothing at this address any more (" + status + ")."
              : "The host answered " + status + " instead of a picture.");
    }
    String type =
        response.getEntity().getContentType() == null ? "" : response.getEntity().getContentType();
    if (type.startsWith("text/html")) {
      return failed("A web page stands at this address, not a picture.");
    }
    long length = response.getEntity().getContentLength();
    if (length > PictureReader.MOST_BYTES) {
      return failed(tooLarge());
    }
    InputStream in = response.getEntity().getContent();
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    byte[] buffer = new byte[16 * 1024];
    for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
      bytes.write(buffer, 0, n);
      if (bytes.size() > PictureReader.MOST_BYTES) {
        return failed(tooLarge());
      }
      if (System.nanoTime() > end) {
        return later(Duration.ZERO, "The picture did not come within the time it has.");
      }
    }
    return new Answer(new Outcome.Bytes(bytes.toByteArray()), "");
  }

  private static String tooLarge() {
    return "The picture has more than %,d MB.".formatted(PictureReader.MOST_BYTES / 1_000_000);
  }

  /** The wait that the host asks for, as seconds (RFC 9110, 10.2.3); zero if it asks for none. */
  private static Duration retryAfter(ClassicHttpResponse response) {
    Header wait = response.getFirstHeader("Retry-After");
    if (wait == null || !wait.getValue().matches("\\d{1,6}")) {
      return Duration.ZERO;
    }
    Duration asked = Duration.ofSeconds(Long.parseLong(wait.getValue()));
    return asked.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : asked;
  }
}
