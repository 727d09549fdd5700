package rhetor.core.style;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A style with where each of its settings comes from.
 *
 * @param style what holds in the end
 * @param from the layer that decided a setting last, by the setting's name as in {@link
 *     StyleLayer#decided}; settings that are not in it are the house's own
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
    layer.decided().forEach(setting -> sources.put(setting, name));
    return new LayeredStyle(layer.over(style), sources);
  }
}
