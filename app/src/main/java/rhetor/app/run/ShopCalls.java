package rhetor.app.run;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.Arrays;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Sha256;
import rhetor.app.house.ShopConnections;
import rhetor.app.web.Refused;

/** Holds the shop's calls against its secret, and lets begin what waits for them. */
@Service
class ShopCalls {
  private static final int LONGEST = 200;
  private static final int MOST_BYTES = 1_000_000;
  private static final Duration REMEMBERED = Duration.ofDays(90);

  private final ShopConnections shops;
  private final Schedules schedules;
  private final JdbcClient jdbc;
  private final Clock clock;

  ShopCalls(ShopConnections shops, Schedules schedules, JdbcClient jdbc, Clock clock) {
    this.shops = shops;
    this.schedules = schedules;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * Takes a call.
   *
   * @return how many schedules begin by it, none if it was here before
   * @throws Refused if it isn't the shop's, or has no number of its own
   */
  @Transactional
  public int take(String number, String signature, byte[] body) {
    String secret = shops.current().signs();
    if (secret.isEmpty()) {
      throw Refused.unknownPerson(
          "This house takes no calls from a shop: its owner has not said what they are signed with.");
    }
    if (body.length > MOST_BYTES) {
      throw Refused.invalid("A call has at most %,d bytes.".formatted(MOST_BYTES));
    }
    // The number is signed, too: nobody can send what was overheard as another call.
    String right = "sha256=" + Sha256.signature(secret, joined(bytes(number + "."), body));
    if (!MessageDigest.isEqual(bytes(right), bytes(signature))) {
      throw Refused.unknownPerson(
          "Shop-Signature is not that of this call. Sign its number, a full stop and its body with the secret that the house's owner has.");
    }
    if (number.isBlank() || number.length() > LONGEST) {
      throw Refused.invalid(
          "Shop-Delivery has to say which call this is, in 1 to %d characters.".formatted(LONGEST));
    }
    return isNew(number) ? schedules.shopCalled() : 0;
  }

  private boolean isNew(String number) {
    jdbc.sql("delete from shop_call where came_at < ?")
        .param(Timestamp.from(clock.instant().minus(REMEMBERED)))
        .update();
    try {
      jdbc.sql("insert into shop_call (number, came_at) values (?, ?)")
          .params(number, Timestamp.from(clock.instant()))
          .update();
      return true;
    } catch (DuplicateKeyException e) {
      return false;
    }
  }

  private static byte[] joined(byte[] first, byte[] second) {
    byte[] all = Arrays.copyOf(first, first.length + second.length);
    System.arraycopy(second, 0, all, first.length, second.length);
    return all;
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
