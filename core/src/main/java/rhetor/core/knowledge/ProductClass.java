package rhetor.core.knowledge;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A kind of product.
 *
 * @param noun what one is called in running text
 * @param plural what several are called; equal to {@code noun} for things sold as pairs or sets
 * @param names what suppliers call it, by language
 * @param kinds narrower things that count as this class and are called by their own noun
 * @param hypernyms nouns that other things of the class are kinds of, by a lexicon
 * @param parent id of the class that it inherits what matters from, or empty
 * @param essential concepts that a buyer must be told
 * @param matters how much a concept matters to its buyers, 0 to 100, where that differs from the
 *     rest
 * @param specification what the specification list says first, in this order: ids of facts; all
 *     others follow in the order of the sources
 * @param unspecified ids of facts that the specification list leaves out
 * @param title how its titles are built, see {@link TitlePattern}; empty for the usual way
 * @param tells concepts that hardly any other class has: two of them say what a product is where
 *     neither name nor category does
 */
public record ProductClass(
    String id,
    String noun,
    String plural,
    Map<String, List<String>> names,
    List<String> kinds,
    List<String> hypernyms,
    String parent,
    List<String> essential,
    Map<String, Integer> matters,
    List<String> specification,
    List<String> unspecified,
    String title,
    List<String> tells) {
  public ProductClass {
    plural = plural == null ? noun + "s" : plural;
    names = names == null ? Map.of() : Map.copyOf(names);
    kinds = kinds == null ? List.of() : List.copyOf(kinds);
    hypernyms = hypernyms == null ? List.of() : List.copyOf(hypernyms);
    parent = parent == null ? "" : parent;
    essential = essential == null ? List.of() : List.copyOf(essential);
    matters = matters == null ? Map.of() : Map.copyOf(matters);
    specification = specification == null ? List.of() : List.copyOf(specification);
    unspecified = unspecified == null ? List.of() : List.copyOf(unspecified);
    title = title == null ? "" : title.strip();
    tells = tells == null ? List.of() : List.copyOf(tells);
  }

  /** Whether products can be of this class, and not only of those below it. */
  public boolean isConcrete() {
    return !names.isEmpty();
  }

  /** The same class with what matters to its parent's buyers, where it doesn't say otherwise. */
  ProductClass inheriting(ProductClass from) {
    Map<String, Integer> all = new HashMap<>(from.matters);
    all.putAll(matters);
    return new ProductClass(
        id,
        noun,
        plural,
        names,
        kinds,
        hypernyms,
        parent,
        essential,
        all,
        specification.isEmpty() ? from.specification : specification,
        unspecified.isEmpty() ? from.unspecified : unspecified,
        title.isEmpty() ? from.title : title,
        tells);
  }
}
