package rhetor.app.people;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Which passwords are good enough (OWASP ASVS 4.0, 2.1): long rather than odd, none that is guessed
 * first, and none with the person's own name in it.
 */
final class PasswordRules {
  static final int LEAST = 12;
  private static final int MOST = 128;
  private static final int LEAST_DISTINCT = 5;
  private static final int SHORTEST_NAME = 4;

  /** What is guessed first, with digits and signs around it or put in its letters' places. */
  private static final Set<String> GUESSED =
      Set.of(
          "password",
          "passwort",
          "passphrase",
          "passwordpassword",
          "letmein",
          "letmeinplease",
          "welcome",
          "welcomehome",
          "administrator",
          "admin",
          "adminadmin",
          "changeme",
          "changemeplease",
          "iloveyou",
          "iloveyouforever",
          "trustnoone",
          "trustno",
          "sunshine",
          "princess",
          "football",
          "baseball",
          "superman",
          "batman",
          "dragon",
          "monkey",
          "shadow",
          "master",
          "michael",
          "jennifer",
          "whatever",
          "starwars",
          "pokemon",
          "computer",
          "internet",
          "correcthorsebatterystaple",
          "abcdefghijkl",
          "secret",
          "secretpassword",
          "mypassword",
          "defaultpassword",
          "rhetor",
          "rhetorrhetor",
          "testtesttest",
          "testpassword",
          "thisismypassword",
          "guest",
          "hello",
          "helloworld",
          "freedom",
          "liverpool",
          "arsenal");

  private static final List<String> RUNS =
      List.of(
          "01234567890",
          "abcdefghijklmnopqrstuvwxyz",
          "qwertyuiop",
          "asdfghjkl",
          "zxcvbnm",
          "qwertzuiop",
          "azertyuiop",
          "1qaz2wsx3edc4rfv5tgb6yhn7ujm8ik9ol0p");

  private PasswordRules() {}

  /**
   * Why a password isn't good enough; empty if it is.
   *
   * @param names what the person and the house are called
   */
  static Optional<String> problem(String password, String email, List<String> names) {
    int length = password.codePointCount(0, password.length());
    if (length < LEAST) {
      return Optional.of(
          "The password has %d characters; use at least %d. A few words are easier to keep than odd signs."
              .formatted(length, LEAST));
    }
    if (length > MOST) {
      return Optional.of(
          "The password has %d characters; up to %d are taken.".formatted(length, MOST));
    }
    String lower = password.toLowerCase(Locale.ROOT);
    if (lower.chars().distinct().count() < LEAST_DISTINCT
        || longestRun(lower) * 2 > length
        || isRepeated(lower)
        || GUESSED.contains(letters(lower))) {
      return Optional.of("This password is among those that are guessed first. Take another one.");
    }
    String local = email.toLowerCase(Locale.ROOT).replaceFirst("@.*", "");
    for (String name : names) {
      for (String part : name.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
        if (part.length() >= SHORTEST_NAME && lower.contains(part)) {
          return Optional.of("The password has your own name in it. Take another one.");
        }
      }
    }
    return local.length() >= SHORTEST_NAME && lower.contains(local)
        ? Optional.of("The password has your own address in it. Take another one.")
        : Optional.empty();
  }

  /** The letters alone, with those that digits and signs usually stand for. */
  private static String letters(String lower) {
    return lower
        .replaceAll("^[^\\p{L}]+|[^\\p{L}]+$", "")
        .replace('0', 'o')
        .replace('1', 'i')
        .replace('3', 'e')
        .replace('4', 'a')
        .replace('5', 's')
        .replace('$', 's')
        .replace('@', 'a')
        .replaceAll("[^\\p{L}]", "");
  }

  /** The longest run of a keyboard or an alphabet, forwards or backwards. */
  private static int longestRun(String lower) {
    int longest = 0;
    for (String row : RUNS) {
      String back = new StringBuilder(row).reverse().toString();
      for (int from = 0; from < lower.length(); from++) {
        int to = from + longest + 1;
        while (to <= lower.length()
            && (row.contains(lower.substring(from, to))
                || back.contains(lower.substring(from, to)))) {
          longest = to - from;
          to++;
        }
      }
    }
    return longest;
  }

  /** Whether a few characters make all of it, said again and again. */
  private static boolean isRepeated(String lower) {
    for (int part = 1; part <= 4; part++) {
      String said = lower.substring(0, part);
      if (said.repeat(lower.length() / part + 1).startsWith(lower)) {
        return true;
      }
    }
    return false;
  }
}
