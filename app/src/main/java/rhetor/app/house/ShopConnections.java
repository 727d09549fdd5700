package rhetor.app.house;

import java.net.URI;
import java.sql.Timestamp;
import java.time.Clock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.web.Refused;

/** Knows where the shop is, and the word that lets Rhetor write there. */
@Service
public class ShopConnections {
  private final JdbcClient jdbc;
  private final Vault vault;
  private final HouseLog log;
  private final HouseSettings settings;
  private final Clock clock;
  private volatile ShopConnection known;

  ShopConnections(JdbcClient jdbc, Vault vault, HouseLog log, HouseSettings settings, Clock clock) {
    this.jdbc = jdbc;
    this.vault = vault;
    this.log = log;
    this.settings = settings;
    this.clock = clock;
  }

  /**
   * A shop that takes texts over its HTTP API.
   *
   * @param address where it is; empty if none is connected
   * @param token never shown again
   * @param signs what the shop signs its calls with, empty if it makes none; never shown again
   */
  public record ShopConnection(String address, String token, String signs) {
    /** Hides the token from logs. */
    @Override
    public String toString() {
      return "ShopConnection[" + address + "]";
    }

    private String host() {
      return address.isEmpty() ? "" : URI.create(address).getAuthority();
    }
  }

  /** The shop as the owner has said, else as the start said. */
  public ShopConnection current() {
    ShopConnection now = known;
    if (now == null) {
      now =
          jdbc.sql("select address, secret, signs from shop_connection")
              .query(
                  (rs, i) ->
                      new ShopConnection(
                          rs.getString(1), vault.open(rs.getString(2)), opened(rs.getString(3))))
              .optional()
              .orElseGet(
                  () -> new ShopConnection(settings.shop().url(), settings.shop().token(), ""));
      known = now;
    }
    return now;
  }

  private String opened(String sealed) {
    return sealed.isEmpty() ? "" : vault.open(sealed);
  }

  /**
   * Says where the shop is.
   *
   * @param token empty to leave the one that is there
   * @param signs likewise
   * @throws Refused if it is no web address, or a token would go to another host than it is for
   */
  @Transactional
  public ShopConnection put(String address, String token, String signs, String by) {
    String clean = address.strip().replaceFirst("/+$", "");
    if (!isWeb(clean)) {
      throw Refused.invalid(
          "The address has to begin with http:// or https:// and name a host, such as https://shop.example.");
    }
    ShopConnection before = current();
    String word = signs.isBlank() ? before.signs : signs.strip();
    ShopConnection wished = new ShopConnection(clean, token.strip(), word);
    if (token.isBlank()) {
      if (!before.token.isEmpty() && !before.host().equals(wished.host())) {
        throw Refused.invalid(
            "The address leads to another shop, which must not get this one’s token. Type the token that belongs to it.");
      }
      wished = new ShopConnection(clean, before.token, word);
    }
    jdbc.sql(
            "merge into shop_connection (id, address, secret, signs, said_by, said_at) key (id) values (1, ?, ?, ?, ?, ?)")
        .params(
            wished.address,
            vault.seal(wished.token),
            word.isEmpty() ? "" : vault.seal(word),
            by,
            Timestamp.from(clock.instant()))
        .update();
    log.note(by, Event.CONNECTION_CHANGED, "shop", wished.address);
    known = wished;
    return wished;
  }

  private static boolean isWeb(String address) {
    try {
      URI uri = URI.create(address);
      return ("http".equals(uri.getScheme()) || "https".equals(uri.getScheme()))
          && uri.getHost() != null
          && uri.getUserInfo() == null
          && address.length() <= 500;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }
}
