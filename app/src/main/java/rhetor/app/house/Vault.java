package rhetor.app.house;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import javax.crypto.Cipher;
import javax.crypto.SecretKey;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/**
 * Seals secrets with a key that stands in a file beside the database, so that a copy of the
 * database tells none (AES-256 in GCM, NIST SP 800-38D).
 */
@Component
public class Vault {
  private static final String SEALED = "sealed:";
  private static final int KEY_BYTES = 32;
  private static final int NONCE_BYTES = 12;
  private static final int TAG_BITS = 128;

  private final SecureRandom random = new SecureRandom();
  private final SecretKey key;

  Vault(HouseSettings settings) throws IOException {
    key = new SecretKeySpec(key(settings.data()), "AES");
  }

  private byte[] key(Path data) throws IOException {
    Path file = data.resolve("secrets.key");
    if (!Files.exists(file)) {
      byte[] fresh = new byte[KEY_BYTES];
      random.nextBytes(fresh);
      IncomingFiles.write(data, file, fresh);
    }
    byte[] bytes = Files.readAllBytes(file);
    if (bytes.length != KEY_BYTES) {
      throw new IllegalStateException(
          "The file secrets.key in the data folder is damaged. Put it back from a backup; without it the keys of text models and of the shop have to be typed again.");
    }
    return bytes;
  }

  /** Whether a secret is sealed, or was kept by an earlier version as it is. */
  public static boolean isSealed(String secret) {
    return secret.startsWith(SEALED);
  }

  /** Seals a secret; an empty one stays empty. */
  public String seal(String secret) {
    if (secret.isEmpty()) {
      return "";
    }
    byte[] nonce = new byte[NONCE_BYTES];
    random.nextBytes(nonce);
    byte[] sealed = run(Cipher.ENCRYPT_MODE, nonce, secret.getBytes(StandardCharsets.UTF_8));
    byte[] all = Arrays.copyOf(nonce, nonce.length + sealed.length);
    System.arraycopy(sealed, 0, all, nonce.length, sealed.length);
    return SEALED + Base64.getEncoder().encodeToString(all);
  }

  /**
   * Opens a sealed secret; one that was never sealed is given back as it is.
   *
   * @throws IllegalStateException if it was sealed with another key
   */
  public String open(String sealed) {
    if (!isSealed(sealed)) {
      return sealed;
    }
    byte[] all = Base64.getDecoder().decode(sealed.substring(SEALED.length()));
    return new String(
        run(
            Cipher.DECRYPT_MODE,
            Arrays.copyOf(all, NONCE_BYTES),
            Arrays.copyOfRange(all, NONCE_BYTES, all.length)),
        StandardCharsets.UTF_8);
  }

  private byte[] run(int mode, byte[] nonce, byte[] bytes) {
    try {
      Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
      cipher.init(mode, key, new GCMParameterSpec(TAG_BITS, nonce));
      return cipher.doFinal(bytes);
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(
          "A secret was sealed with another key than the one in secrets.key. Put that file back from a backup, or type the secret again.",
          e);
    }
  }
}
