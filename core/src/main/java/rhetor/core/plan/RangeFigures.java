package rhetor.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.knowledge.Unit;

/**
 * What the products of a range have in common and what sets them apart, by class: from it follows
 * which facts say little, and what may be called lighter or brighter than most. Not safe for
 * several threads.
 */
public final class RangeFigures {
  /** Fewer products of a class don't make a range to compare with. */
  private static final int LEAST = 8;

  /** A comparison holds for the products that this share of the others lies beyond. */
  private static final double MOST = 0.75;

  private static final double COMMON = 0.9;
  private static final double RARE = 0.15;
  private static final int VALUES_KEPT = 2_000;

  private final Knowledge knowledge;
  private final Map<String, Map<String, Figures>> byClass = new HashMap<>();

  /** Amounts in base units, and how often each value occurs. */
  private static final class Figures {
    private final List<Double> amounts = new ArrayList<>();
    private final Map<Value, Integer> values = new HashMap<>();
    private int products;
    private volatile double[] sorted = {};

    /** The amounts in order; sorted anew when there are more of them. */
    private double[] sorted() {
      double[] now = sorted;
      if (now.length != amounts.size()) {
        now = amounts.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        sorted = now;
      }
      return now;
    }

    /** How many amounts are less. */
    private int below(double amount) {
      double[] all = sorted();
      int from = 0;
      int to = all.length;
      while (from < to) {
        int middle = (from + to) >>> 1;
        if (all[middle] < amount) {
          from = middle + 1;
        } else {
          to = middle;
        }
      }
      return from;
    }
  }

  /** Figures of no products yet. */
  public RangeFigures(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** The figures of these products. */
  public static RangeFigures of(Iterable<ProductFacts> products, Knowledge knowledge) {
    RangeFigures figures = new RangeFigures(knowledge);
    products.forEach(figures::add);
    return figures;
  }

  /** Takes a product of a known class into account; others are not compared. */
  public void add(ProductFacts product) {
    if (product.productClass().isEmpty()) {
      return;
    }
    for (Fact fact : product.facts()) {
      if (fact.concept().isEmpty()) {
        continue;
      }
      Figures figures =
          byClass
              .computeIfAbsent(product.productClass(), c -> new HashMap<>())
              .computeIfAbsent(fact.concept(), c -> new Figures());
      figures.products++;
      if (figures.values.size() < VALUES_KEPT || figures.values.containsKey(fact.value())) {
        figures.values.merge(fact.value(), 1, Integer::sum);
      }
      amount(fact.value()).ifPresent(figures.amounts::add);
    }
  }

  private Optional<Double> amount(Value value) {
    if (!(value instanceof Value.Quantity q) || !q.qualifier().isEmpty()) {
      return Optional.empty();
    }
    double factor = knowledge.unit(q.unit()).map(Unit::factor).map(Number::doubleValue).orElse(1.0);
    return Optional.of(q.amount().doubleValue() * factor);
  }

  /** How much more or less a fact says than its kind usually does, in points of salience. */
  public double distinctiveness(Fact fact, String productClass) {
    double share = share(fact, productClass);
    return share >= COMMON ? -14 : share > 0 && share <= RARE ? 6 : 0;
  }

  /** Whether nearly all of the class say the same, so that it tells nobody which to choose. */
  public boolean isCommon(Fact fact, String productClass) {
    return share(fact, productClass) >= COMMON;
  }

  /** The share of the class that has the same value; 0 if too few are known. */
  private double share(Fact fact, String productClass) {
    Figures figures = byClass.getOrDefault(productClass, Map.of()).get(fact.concept());
    return figures == null || figures.products < LEAST
        ? 0
        : figures.values.getOrDefault(fact.value(), 1) / (double) figures.products;
  }

  /**
   * What sets a fact's amount apart.
   *
   * @param words what may be said of the product, such as "less than most backpacks of the range"
   * @param grounds the figures that it rests on
   */
  public record Contrast(String words, String grounds) {}

  /** The contrast that a fact's amount makes with the range, if most of the others lie beyond. */
  public Optional<Contrast> contrast(Fact fact, String productClass) {
    Figures figures = byClass.getOrDefault(productClass, Map.of()).get(fact.concept());
    Concept concept = knowledge.concept(fact.concept()).orElse(null);
    Optional<Double> amount = amount(fact.value());
    if (figures == null
        || concept == null
        || concept.compare().isEmpty()
        || amount.isEmpty()
        || figures.amounts.size() < LEAST) {
      return Optional.empty();
    }
    String plural =
        knowledge.productClass(productClass).map(ProductClass::plural).orElse("products");
    int more = figures.amounts.size() - figures.below(amount.get() * 1.001);
    int less = figures.below(amount.get() * 0.999);
    int others = figures.amounts.size() - 1;
    String word =
        more >= MOST * others
            ? concept.compare().get("less")
            : less >= MOST * others ? concept.compare().get("more") : null;
    if (word == null) {
      return Optional.empty();
    }
    int beyond = Math.max(more, less);
    return Optional.of(
        new Contrast(
            word + " than most " + plural + " of the range",
            "%d of %d other %s of the house have a %s figure: %s."
                .formatted(
                    beyond,
                    others,
                    plural,
                    more >= less ? "higher" : "lower",
                    concept.label().toLowerCase(java.util.Locale.ROOT))));
  }
}
