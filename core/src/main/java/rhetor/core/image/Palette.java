package rhetor.core.image;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The trade's names of colours, read from {@code knowledge/palette.yaml}. */
final class Palette {
  private final List<Map.Entry<String, OkLab>> colours = new ArrayList<>();

  Palette() {
    try (InputStream in = Palette.class.getResourceAsStream("/knowledge/palette.yaml")) {
      YAMLMapper.builder()
          .build()
          .readValue(in, new TypeReference<LinkedHashMap<String, List<String>>>() {})
          .forEach(
              (name, all) ->
                  all.forEach(
                      hex ->
                          colours.add(
                              Map.entry(name, OkLab.of(Integer.parseInt(hex.substring(1), 16))))));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The name of the colour that looks nearest. */
  String name(OkLab colour) {
    String best = "";
    double least = Double.MAX_VALUE;
    for (var entry : colours) {
      double distance = colour.distance(entry.getValue());
      if (distance < least) {
        least = distance;
        best = entry.getKey();
      }
    }
    return best;
  }
}
