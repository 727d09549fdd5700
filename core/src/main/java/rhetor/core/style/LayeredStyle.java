package rhetor.core.style;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A style with where each of its settings comes from.
 *
 * @param style what holds in the end
 * @param from what decided a setting, by the setting's name as in {@link StyleLayer#decided}: the
 *     last layer, or of settings that add up all layers; settings that are not in it are the
 *     house's own
 */
public record LayeredStyle(Style style, Map<String, String> from) {
  public LayeredStyle {
    from = Map.copyOf(from);
  }

  /** The house's own style. */
  public static LayeredStyle of(Style house) {
    return new LayeredStyle(house, Map.of());
  }

  /**
   * The style with another layer on top.
   *
   * @param name what the layer is called where it is shown, such as the range's name
   */
  public LayeredStyle under(String name, StyleLayer layer) {
    Map<String, String> sources = new LinkedHashMap<>(from);
    Style whole = layer.over(style);
    List<String> below = Setting.of(style, from).stream().map(Setting::name).toList();
    for (String setting : layer.decided()) {
      boolean both = StyleLayer.ADDING.contains(setting) && below.contains(setting);
      sources.put(
          setting, both ? from.getOrDefault(setting, Setting.HOUSE) + " and " + name : name);
    }
    return new LayeredStyle(whole, sources);
  }

  /** The style with a line that holds for the time being. */
  public LayeredStyle withAngle(String line) {
    return new LayeredStyle(style.withAngles(List.of(line)), from);
  }

  /** All that the style decides, in words, each with what decided it. */
  public List<Setting> settings() {
    return Setting.of(style, from);
  }
}
