package rhetor.core.template;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The templates that Rhetor ships with, to start from: {@code templates/starting.yaml}. */
public final class StartingTemplates {
  private StartingTemplates() {}

  /** A template to start from, and what it is called. */
  public record Starting(String name, Template template) {}

  private static final class Standard {
    static final List<Starting> ALL = load();

    private static List<Starting> load() {
      YAMLMapper yaml =
          YAMLMapper.builder().enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();
      try (InputStream in =
          StartingTemplates.class.getResourceAsStream("/templates/starting.yaml")) {
        return List.copyOf(yaml.readValue(in, new TypeReference<List<Starting>>() {}));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** All of them. */
  public static List<Starting> all() {
    return Standard.ALL;
  }
}
