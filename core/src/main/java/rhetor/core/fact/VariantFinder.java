package rhetor.core.fact;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.TermIndex;

/**
 * Finds products that are one thing in several colours, sizes or capacities: they share brand, kind
 * and the stem of their name, and differ in what such things vary in.
 */
public final class VariantFinder {
  /** What variants of one thing differ in, the most usual first. */
  private static final List<String> AXES =
      List.of(
          "colour",
          "size",
          "capacity",
          "length",
          "light_output",
          "net_contents",
          "pack_quantity",
          "format",
          "diameter",
          "material",
          "mount",
          "flavour");

  private static final Pattern SIZE_IN_NAME =
      Pattern.compile(
          "(?i)\\b(?:size )?(?:xxs|xs|s|m|l|xl|xxl|3xl|\\d+(?:[.,]\\d+)?\\s?(?:ml|cl|l|g|kg|mm|cm|m|lm|litres?|pcs)?)\\b");

  private final TermIndex colours;

  public VariantFinder(Knowledge knowledge) {
    this.colours = new TermIndex(knowledge, "colour", Set.of());
  }

  /**
   * A product as far as grouping needs it.
   *
   * @param values printed values of the facts that variants can differ in, by fact id
   */
  public record Item(
      long id, String sku, String name, String brand, String kind, Map<String, String> values) {

    /** The item of a product with these facts. */
    public static Item of(
        long id, ProductFacts product, java.util.function.Function<Value, String> printed) {
      Map<String, String> values = new HashMap<>();
      for (Fact fact : product.facts()) {
        if (AXES.contains(fact.concept())) {
          values.put(fact.concept(), printed.apply(fact.value()));
        }
      }
      return new Item(
          id, product.sku(), product.name(), brand(product), product.kindNoun(), values);
    }

    private static String brand(ProductFacts product) {
      return product
          .fact("brand")
          .map(f -> f.value() instanceof Value.Words(String b) ? b : "")
          .orElse("");
    }
  }

  /**
   * Products that are variants of one thing.
   *
   * @param name what the thing is called without what varies
   * @param axes ids of the facts that vary, at most three
   * @param gaps combinations of the axes' values that no member has
   * @param clashes members that have the same values on all axes
   */
  public record Group(
      String name,
      List<String> axes,
      List<Item> members,
      List<List<String>> gaps,
      List<List<Long>> clashes) {}

  /**
   * What variants of one thing have in common, as one number: products of which it differs are no
   * variants of one thing; of others {@link #propose} tells.
   */
  public int family(ProductFacts product) {
    return family(product.name(), Item.brand(product), product.kindNoun()).hashCode();
  }

  private String family(String name, String brand, String kind) {
    return String.join("\n", stem(name), brand, kind).toLowerCase(Locale.ROOT);
  }

  /** Proposes groups, the largest first. */
  public List<Group> propose(Iterable<Item> items) {
    Map<String, List<Item>> byStem = new LinkedHashMap<>();
    for (Item item : items) {
      byStem
          .computeIfAbsent(family(item.name(), item.brand(), item.kind()), k -> new ArrayList<>())
          .add(item);
    }
    return byStem.values().stream()
        .filter(m -> m.size() > 1)
        .map(m -> group(stem(m.getFirst().name()), m))
        .filter(g -> !g.axes.isEmpty())
        .sorted(java.util.Comparator.comparingInt((Group g) -> -g.members.size()))
        .toList();
  }

  /** A group of exactly these products, whatever they have in common. */
  public Group group(String name, List<Item> members) {
    List<String> axes = new ArrayList<>();
    for (String axis : AXES) {
      Set<String> values = values(members, axis);
      values.remove("");
      if (values.size() > 1 && axes.size() < 3 && (axes.isEmpty() || !distinct(members, axes))) {
        axes.add(axis);
      }
    }
    Map<List<String>, List<Long>> places = new LinkedHashMap<>();
    for (Item member : members) {
      places.computeIfAbsent(place(member, axes), p -> new ArrayList<>()).add(member.id());
    }
    return new Group(
        name,
        axes,
        members,
        gaps(members, axes, places.keySet()),
        axes.isEmpty()
            ? List.of()
            : places.values().stream().filter(ids -> ids.size() > 1).toList());
  }

  private static boolean distinct(List<Item> members, List<String> axes) {
    Set<List<String>> places = new HashSet<>();
    return members.stream().allMatch(m -> places.add(place(m, axes)));
  }

  private static Set<String> values(List<Item> members, String axis) {
    Set<String> values = new TreeSet<>();
    members.forEach(m -> values.add(m.values().getOrDefault(axis, "")));
    return values;
  }

  private static List<String> place(Item item, List<String> axes) {
    return axes.stream().map(a -> item.values().getOrDefault(a, "")).toList();
  }

  /** Of two axes, the pairs that nobody has; one axis alone has no gaps that could be known. */
  private static List<List<String>> gaps(
      List<Item> members, List<String> axes, Set<List<String>> taken) {
    if (axes.size() != 2) {
      return List.of();
    }
    List<List<String>> gaps = new ArrayList<>();
    for (String first : values(members, axes.get(0))) {
      for (String second : values(members, axes.get(1))) {
        List<String> pair = List.of(first, second);
        if (!taken.contains(pair)) {
          gaps.add(pair);
        }
      }
    }
    return gaps;
  }

  /** A name without colours and sizes: "Lane Shirt red M" is a "Lane Shirt". */
  String stem(String name) {
    String rest = name;
    for (TermIndex.Place place :
        new ArrayList<>(colours.in(rhetor.core.language.Words.of(name))).reversed()) {
      rest = rest.substring(0, place.start()) + rest.substring(place.end());
    }
    // A number alone is part of many names ("Roll Pannier 20"); sizes are what follows a comma or a
    // dash.
    String[] parts = rest.split("\\s*[,;/|]\\s*|\\s+[–—-]\\s+");
    Set<String> kept = new LinkedHashSet<>();
    for (String part : parts) {
      String without = SIZE_IN_NAME.matcher(part).replaceAll("").strip();
      if (kept.isEmpty()) {
        kept.add(part.replaceFirst("(?i)\\s+(?:xxs|xs|s|m|l|xl|xxl|3xl)$", "").strip());
      } else if (!without.isEmpty()) {
        kept.add(without);
      }
    }
    return String.join(", ", kept).replaceAll("\\s+", " ").strip();
  }
}
