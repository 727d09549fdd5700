package rhetor.core.style;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The voices that Rhetor ships with, each a file under {@code voices/}. */
public final class Voices {
  private static final List<String> IDS =
      List.of("plain", "warm", "lively", "expert", "playful", "refined");

  private Voices() {}

  private static final class Standard {
    static final List<Voice> ALL = IDS.stream().map(Standard::load).toList();

    private static Voice load(String id) {
      YAMLMapper yaml =
          YAMLMapper.builder().enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();
      try (InputStream in = Voices.class.getResourceAsStream("/voices/" + id + ".yaml")) {
        return yaml.readValue(in, Voice.class);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** All of them, the plain one first. */
  public static List<Voice> all() {
    return Standard.ALL;
  }

  /** The voice of an id, if there is one. */
  public static Optional<Voice> find(String id) {
    return all().stream().filter(v -> v.id().equals(id)).findFirst();
  }

  /** The voice for a house that has chosen none. */
  public static Voice plain() {
    return all().getFirst();
  }
}
