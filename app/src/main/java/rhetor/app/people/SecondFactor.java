package rhetor.app.people;

import java.nio.ByteBuffer;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** Codes that change every half minute (TOTP, RFC 6238, with HMAC-SHA-1 and six digits). */
final class SecondFactor {
  private static final long STEP_SECONDS = 30;
  private static final int SECRET_BYTES = 20;
  private static final int RECOVERY_CODES = 10;

  /** RFC 4648, 6. */
  private static final String BASE32 = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

  private static final SecureRandom RANDOM = new SecureRandom();

  private SecondFactor() {}

  /** A new secret, in base 32 as apps take it. */
  static String secret() {
    byte[] bytes = new byte[SECRET_BYTES];
    RANDOM.nextBytes(bytes);
    StringBuilder text = new StringBuilder();
    for (int bit = 0; bit < SECRET_BYTES * 8; bit += 5) {
      int five = 0;
      for (int i = bit; i < bit + 5; i++) {
        five = five << 1 | bytes[i / 8] >> 7 - i % 8 & 1;
      }
      text.append(BASE32.charAt(five));
    }
    return text.toString();
  }

  /** Codes that are good once each, for somebody who has lost their device. */
  static List<String> recoveryCodes() {
    List<String> codes = new ArrayList<>();
    for (int i = 0; i < RECOVERY_CODES; i++) {
      StringBuilder code = new StringBuilder();
      for (int c = 0; c < 16; c++) {
        code.append(c > 0 && c % 4 == 0 ? "-" : "").append(BASE32.charAt(RANDOM.nextInt(32)));
      }
      codes.add(code.toString());
    }
    return codes;
  }

  /**
   * The time step that a code is right for, one step of clocks that differ allowed (RFC 6238, 5.2);
   * empty if it is wrong or was used before.
   *
   * @param last the last step that was accepted
   */
  static OptionalLong step(String secret, String code, Instant now, long last) {
    String digits = code.replaceAll("\\s", "");
    long current = now.getEpochSecond() / STEP_SECONDS;
    for (long step = current - 1; step <= current + 1; step++) {
      if (step > last
          && java.security.MessageDigest.isEqual(
              code(secret, step).getBytes(java.nio.charset.StandardCharsets.US_ASCII),
              digits.getBytes(java.nio.charset.StandardCharsets.UTF_8))) {
        return OptionalLong.of(step);
      }
    }
    return OptionalLong.empty();
  }

  /** The code of a time step (RFC 4226, 5.3). */
  static String code(String secret, long step) {
    try {
      Mac mac = Mac.getInstance("HmacSHA1");
      mac.init(new SecretKeySpec(bytes(secret), "HmacSHA1"));
      byte[] hash = mac.doFinal(ByteBuffer.allocate(8).putLong(step).array());
      int offset = hash[hash.length - 1] & 0xF;
      int number = ByteBuffer.wrap(hash).getInt(offset) & 0x7FFFFFFF;
      return "%06d".formatted(number % 1_000_000);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  private static byte[] bytes(String base32) {
    byte[] bytes = new byte[base32.length() * 5 / 8];
    for (int bit = 0; bit < bytes.length * 8; bit++) {
      int five = BASE32.indexOf(base32.charAt(bit / 5));
      bytes[bit / 8] |= (byte) ((five >> 4 - bit % 5 & 1) << 7 - bit % 8);
    }
    return bytes;
  }
}
