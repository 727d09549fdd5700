package rhetor.app.house;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.DigestInputStream;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/** Names content by its hash (SHA-256, FIPS 180-4), in 64 small hexadecimal digits. */
public final class Sha256 {
  private static final String HMAC = "HmacSHA256";

  private Sha256() {}

  /** A digest that is fed bit by bit. */
  public static MessageDigest digest() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JDK has SHA-256", e);
    }
  }

  /** The hash of bytes. */
  public static String hex(byte[] bytes) {
    return HexFormat.of().formatHex(digest().digest(bytes));
  }

  /** The hash of a text in UTF-8. */
  public static String hex(String text) {
    return hex(text.getBytes(StandardCharsets.UTF_8));
  }

  /**
   * What shows who sent bytes: their HMAC with SHA-256 (RFC 2104), in hexadecimal digits.
   *
   * @param secret what only the two sides know, not empty
   */
  public static String signature(String secret, byte[] bytes) {
    try {
      Mac mac = Mac.getInstance(HMAC);
      mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), HMAC));
      return HexFormat.of().formatHex(mac.doFinal(bytes));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every JDK has HmacSHA256", e);
    }
  }

  /** The hash of all that a stream has left, which is read and not closed. */
  public static String hex(InputStream in) throws IOException {
    DigestInputStream digesting = new DigestInputStream(in, digest());
    digesting.transferTo(OutputStream.nullOutputStream());
    return HexFormat.of().formatHex(digesting.getMessageDigest().digest());
  }
}
