package rhetor.core.style;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Which English a house spells. */
public enum Spelling {
  BRITISH("British"),
  AMERICAN("American");

  private final String label;

  Spelling(String label) {
    this.label = label;
  }

  /** What screens call it. */
  public String label() {
    return label;
  }

  /** What the language is called: "British English". */
  public String language() {
    return label + " English";
  }

  private static final class Pairs {
    static final Map<String, String> TO_AMERICAN = new HashMap<>();
    static final Map<String, String> TO_BRITISH = new HashMap<>();

    static {
      try (BufferedReader lines =
          new BufferedReader(
              new InputStreamReader(
                  Spelling.class.getResourceAsStream("/language/spelling.txt"),
                  StandardCharsets.UTF_8))) {
        lines
            .lines()
            .filter(l -> !l.isBlank() && !l.startsWith("#"))
            .map(l -> l.split(" "))
            .forEach(
                pair -> {
                  TO_AMERICAN.put(pair[0], pair[1]);
                  if (pair.length == 2) {
                    TO_BRITISH.putIfAbsent(pair[1], pair[0]);
                  }
                });
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** The word as the other of the two spells it, if they differ. */
  public static Optional<String> otherwise(String lowerCaseWord) {
    return AMERICAN.of(lowerCaseWord).or(() -> BRITISH.of(lowerCaseWord));
  }

  /** The word as this English spells it, if the other spells it so. */
  public Optional<String> of(String lowerCaseWord) {
    Map<String, String> pairs = this == AMERICAN ? Pairs.TO_AMERICAN : Pairs.TO_BRITISH;
    return Optional.ofNullable(pairs.get(lowerCaseWord));
  }
}
