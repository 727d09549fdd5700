package rhetor.core.knowledge;

import java.util.List;
import java.util.Map;

/**
 * A word of a trade: a material, colour, closure and the like.
 *
 * @param type the list it belongs to
 * @param en how Rhetor writes it
 * @param also other English ways to write it
 * @param names words for it in other languages
 * @param codes what labels write for it beside a share: {@code PES}; by DIN 60001-4
 */
public record Term(
    String type,
    String en,
    List<String> also,
    Map<String, List<String>> names,
    List<String> codes) {
  public Term {
    also = also == null ? List.of() : List.copyOf(also);
    names = names == null ? Map.of() : Map.copyOf(names);
    codes = codes == null ? List.of() : List.copyOf(codes);
  }
}
