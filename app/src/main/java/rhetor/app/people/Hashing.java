package rhetor.app.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Map;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import rhetor.app.web.Refused;

/**
 * Hashes passwords, one at a time: hashing is slow on purpose, and however many try to sign in, it
 * takes no more than one core from those who work.
 */
@Component
class Hashing {
  private static final long LONGEST_WAIT_SECONDS = 5;

  private final Semaphore place = new Semaphore(1, true);
  private final PasswordEncoder encoder;

  Hashing() {
    BCryptPasswordEncoder bcrypt = new BCryptPasswordEncoder();
    // Bcrypt looks at 72 bytes; a digest of the password is shorter, however long that is.
    encoder =
        new DelegatingPasswordEncoder(
            "sha256-bcrypt",
            Map.of(
                "sha256-bcrypt",
                new PasswordEncoder() {
                  @Override
                  public String encode(CharSequence password) {
                    return bcrypt.encode(digest(password));
                  }

                  @Override
                  public boolean matches(CharSequence password, String hash) {
                    return bcrypt.matches(digest(password), hash);
                  }
                },
                "bcrypt",
                bcrypt));
  }

  private static String digest(CharSequence password) {
    try {
      return Base64.getEncoder()
          .encodeToString(
              MessageDigest.getInstance("SHA-256")
                  .digest(password.toString().getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  String encode(String password) {
    return alone(() -> encoder.encode(password));
  }

  boolean matches(String password, String hash) {
    return alone(() -> encoder.matches(password, hash));
  }

  private <T> T alone(Supplier<T> work) {
    try {
      if (!place.tryAcquire(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS)) {
        throw Refused.tooMany("Too many people are signing in at this moment. Try again.");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw Refused.tooMany("Signing in was interrupted. Try again.");
    }
    try {
      return work.get();
    } finally {
      place.release();
    }
  }
}
