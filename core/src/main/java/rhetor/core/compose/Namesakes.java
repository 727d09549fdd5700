package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;

/**
 * Tells what sets a product apart from others of the same name, so that their titles differ: "Sele,
 * reed, alto sax, strength 2".
 */
public final class Namesakes {
  /** What people know variants by. */
  private static final List<String> KNOWN_BY = List.of("size", "colour");

  private static final Set<String> NAMING = Set.of("name", "brand", "category", "season");

  /** A title has no room for more. */
  private static final int MOST = 2;

  private static final int LONGEST = 24;

  private Namesakes() {}

  /**
   * Ids of the facts, two at most, that tell a product from the others: sizes and colours first,
   * then in the sheet's order, for suppliers put first what a thing is chosen by. A fact that
   * another product has no value for tells nothing.
   *
   * @param others products of the same name
   */
  public static List<String> apart(ProductFacts product, List<ProductFacts> others) {
    List<ProductFacts> left = new ArrayList<>(others);
    List<String> apart = new ArrayList<>();
    product.facts().stream()
        .filter(Namesakes::mayTell)
        .sorted(Comparator.comparingInt(Namesakes::rank))
        .takeWhile(f -> !left.isEmpty() && apart.size() < MOST)
        .forEachOrdered(
            f -> {
              if (left.removeIf(o -> tells(f, o))) {
                apart.add(f.id());
              }
            });
    return apart;
  }

  private static boolean tells(Fact fact, ProductFacts other) {
    return other.facts().stream()
        .anyMatch(f -> f.id().equals(fact.id()) && !f.value().equals(fact.value()));
  }

  private static boolean mayTell(Fact fact) {
    boolean isOne = !(fact.value() instanceof Value.Terms(List<String> items)) || items.size() == 1;
    return isOne
        && !fact.foreign()
        && !NAMING.contains(fact.concept())
        && !(fact.value() instanceof Value.YesNo)
        && !fact.source().raw().isBlank()
        && fact.source().raw().strip().length() <= LONGEST;
  }

  private static int rank(Fact fact) {
    int known = KNOWN_BY.indexOf(fact.concept());
    return known < 0 ? KNOWN_BY.size() : known;
  }
}
