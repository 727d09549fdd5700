package rhetor.core.plan;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;

/**
 * What a page that shows several products says of itself: facts computed from theirs, each with the
 * products that it is taken from, so that the page is written, judged and published as a product
 * is.
 */
public final class PageFacts {
  /** The class of all such pages. */
  public static final String PAGE = "category_page";

  /** How many products stand on the page. */
  public static final String PRODUCTS = "Products";

  /** What all of them are, in the plural. */
  public static final String KIND = "Kind of products";

  /** What they are where they are of several kinds, in the plural. */
  public static final String KINDS = "Kinds of products";

  /** Who makes them. */
  public static final String MAKERS = "Makers";

  /** Of which of a page's products a fact is said. */
  public enum Reach {
    /** The page itself, or a count of what stands on it. */
    PAGE("the page"),
    /** All of them say the same. */
    EACH("each of its products"),
    /** Each of them has one of what is listed, or an amount between the two. */
    ONE_EACH("its products, each with one of these"),
    /** Some of them have several of what is listed, or of some nobody knows. */
    SOME("its products, taken together");

    private final String source;

    Reach(String source) {
      this.source = source;
    }

    /** The reach of a page's fact; what a person typed in is said of each. */
    public static Reach of(Fact fact) {
      return Arrays.stream(values())
          .filter(r -> r.source.equals(fact.source().sheet()))
          .findFirst()
          .orElse(EACH);
    }
  }

  private static final Set<String> OF_EACH =
      Set.of("name", "brand", "category", "season", "included", "not_included", "model", "ean");

  /** Among fewer products nobody asks which has the most. */
  private static final int FEW = 3;

  private static final String FEATURES = "features";

  /** Of more kinds of a thing than these nobody reads the list. */
  private static final int MOST_TERMS = 6;

  private static final int MOST_MAKERS = 5;

  private final Knowledge knowledge;

  public PageFacts(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** Whether a product is such a page. */
  public static boolean isPage(ProductFacts product) {
    return product.productClass().equals(PAGE);
  }

  /**
   * The facts of a page.
   *
   * @param sku what the house calls the page by
   * @param name the page's heading
   * @param products what stands on it, at least one
   * @throws IllegalArgumentException if nothing stands on it
   */
  public ProductFacts of(String sku, String name, List<ProductFacts> products) {
    if (products.isEmpty()) {
      throw new IllegalArgumentException("Nothing stands on the page " + name);
    }
    List<Fact> facts = new ArrayList<>();
    facts.add(naming("name", "Name", name));
    String page = knowledge.productClass(PAGE).map(ProductClass::noun).orElse("category page");
    facts.add(naming("category", "Category", page));
    int count = products.size();
    facts.add(
        own(
            PRODUCTS,
            new Value.Quantity(BigDecimal.valueOf(count), "", ""),
            String.valueOf(count)));
    String noun = noun(products);
    List<String> kinds = kinds(products);
    if (!noun.isEmpty()) {
      facts.add(own(KIND, new Value.Words(noun), noun));
    } else if (!kinds.isEmpty() && kinds.size() <= MOST_TERMS) {
      facts.add(own(KINDS, new Value.Terms(kinds), String.join(", ", kinds)));
    }
    List<String> makers = makers(products);
    if (!makers.isEmpty() && makers.size() <= MOST_MAKERS) {
      facts.add(own(MAKERS, new Value.Terms(makers), String.join(", ", makers)));
    }
    for (Concept concept : concepts(products)) {
      figure(concept, products).ifPresent(facts::add);
      furthest(concept, products).ifPresent(facts::add);
    }
    return new ProductFacts(sku, name, PAGE, page, facts, List.of(), "", "", List.of());
  }

  /** What all of them are called in the plural; empty if they are of several kinds. */
  private String noun(List<ProductFacts> products) {
    Set<String> nouns =
        products.stream().map(ProductFacts::kindNoun).collect(Collectors.toUnmodifiableSet());
    Set<String> classes =
        products.stream().map(ProductFacts::productClass).collect(Collectors.toUnmodifiableSet());
    Optional<ProductClass> one =
        classes.size() == 1 ? knowledge.productClass(classes.iterator().next()) : Optional.empty();
    if (nouns.size() > 1 || nouns.contains("")) {
      return one.map(ProductClass::plural).orElse("");
    }
    // Coffee and bed linen have no plural; the class knows.
    String noun = nouns.iterator().next();
    return one.filter(c -> c.noun().equals(noun))
        .map(ProductClass::plural)
        .orElseGet(() -> English.isPlural(noun) ? noun : English.plural(noun));
  }

  /** What they are, those of most products first; empty if nobody knows what one of them is. */
  private List<String> kinds(List<ProductFacts> products) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (ProductFacts product : products) {
      counts.merge(noun(List.of(product)), 1, Integer::sum);
    }
    return counts.containsKey("") ? List.of() : mostFirst(counts);
  }

  /** The makers, those of most products first; empty if of some products nobody knows theirs. */
  private static List<String> makers(List<ProductFacts> products) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (ProductFacts product : products) {
      Optional<Fact> brand = product.fact("brand");
      if (brand.isEmpty()) {
        return List.of();
      }
      if (brand.get().value() instanceof Value.Words(String maker)) {
        counts.merge(maker, 1, Integer::sum);
      }
    }
    return mostFirst(counts);
  }

  private static List<String> mostFirst(Map<String, Integer> counts) {
    return counts.entrySet().stream()
        .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
        .map(Map.Entry::getKey)
        .toList();
  }

  /** What the products are known by, what matters most to a buyer first. */
  private List<Concept> concepts(List<ProductFacts> products) {
    Set<String> ids = new LinkedHashSet<>();
    products.forEach(p -> p.facts().forEach(f -> ids.add(f.concept())));
    ids.removeAll(OF_EACH);
    String productClass = products.getFirst().productClass();
    Map<String, Integer> matters =
        knowledge.productClass(productClass).map(ProductClass::matters).orElse(Map.of());
    return ids.stream()
        .flatMap(id -> knowledge.concept(id).stream())
        .sorted(
            Comparator.comparingInt((Concept c) -> matters.getOrDefault(c.id(), c.weight()))
                .reversed())
        .toList();
  }

  private Optional<Fact> figure(Concept concept, List<ProductFacts> products) {
    List<Fact> said = new ArrayList<>();
    for (ProductFacts product : products) {
      product.fact(concept.id()).filter(f -> !f.foreign()).ifPresent(said::add);
    }
    if (said.size() < 2) {
      return Optional.empty();
    }
    Fact first = said.getFirst();
    boolean isOfAll = said.size() == products.size();
    if (isOfAll && said.stream().allMatch(f -> f.value().equals(first.value()))) {
      return Optional.of(of(concept, Reach.EACH, first.value(), raw(first)));
    }
    return switch (first.value()) {
      // Where of one nobody knows it, from where to where they go is a guess.
      case Value.Quantity q when isOfAll -> range(concept, said);
      // "Each has a rain cover, a hip belt or a mesh back" tells nobody what there is.
      case Value.Terms t when !concept.theme().equals(FEATURES) -> terms(concept, said, isOfAll);
      default -> Optional.empty();
    };
  }

  /** From the least amount to the most, in the unit of the least. */
  private Optional<Fact> range(Concept concept, List<Fact> said) {
    Fact least = said.getFirst();
    Fact most = least;
    for (Fact fact : said) {
      if (!(fact.value() instanceof Value.Quantity q) || !q.qualifier().isEmpty()) {
        return Optional.empty();
      }
      least = base(fact.value()).compareTo(base(least.value())) < 0 ? fact : least;
      most = base(fact.value()).compareTo(base(most.value())) > 0 ? fact : most;
    }
    Value.Quantity from = (Value.Quantity) least.value();
    boolean areAlike = dimension(from).equals(dimension((Value.Quantity) most.value()));
    if (!areAlike || base(from).compareTo(base(most.value())) == 0) {
      return Optional.empty();
    }
    BigDecimal to = base(most.value()).divide(factor(from), MathContext.DECIMAL64);
    return Optional.of(
        of(
            concept,
            Reach.ONE_EACH,
            new Value.Range(
                from.amount(),
                new BigDecimal(to.stripTrailingZeros().toPlainString()),
                from.unit()),
            raw(least) + " to " + raw(most)));
  }

  /** All that any of them has, what most have first, if they are few enough to read. */
  private static Optional<Fact> terms(Concept concept, List<Fact> said, boolean isOfAll) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    Reach reach = isOfAll ? Reach.ONE_EACH : Reach.SOME;
    for (Fact fact : said) {
      if (!(fact.value() instanceof Value.Terms(List<String> items))) {
        return Optional.empty();
      }
      items.forEach(i -> counts.merge(i, 1, Integer::sum));
      reach = items.size() > 1 ? Reach.SOME : reach;
    }
    List<String> items = mostFirst(counts);
    return items.size() > MOST_TERMS
        ? Optional.empty()
        : Optional.of(of(concept, reach, new Value.Terms(items), String.join(", ", items)));
  }

  private static String raw(Fact fact) {
    return fact.source().raw().strip();
  }

  /** An amount in its dimension's base unit. */
  private BigDecimal base(Value value) {
    Value.Quantity q = (Value.Quantity) value;
    return q.amount().multiply(factor(q));
  }

  private String dimension(Value.Quantity q) {
    return knowledge.unit(q.unit()).map(Unit::dimension).orElse("");
  }

  private BigDecimal factor(Value.Quantity q) {
    return knowledge.unit(q.unit()).map(Unit::factor).orElse(BigDecimal.ONE);
  }

  /**
   * The one product that has less, or more, of it than any other, where that is a reason to buy it
   * and all of them say how much they have.
   */
  private Optional<Fact> furthest(Concept concept, List<ProductFacts> products) {
    String word = concept.compare().isEmpty() ? "" : concept.compare().keySet().iterator().next();
    if (word.isEmpty() || products.size() < FEW) {
      return Optional.empty();
    }
    ProductFacts first = null;
    Fact most = null;
    boolean isAlone = false;
    for (ProductFacts product : products) {
      Optional<Fact> fact = product.fact(concept.id());
      Value value = fact.map(Fact::value).orElse(null);
      if (!(value instanceof Value.Quantity q) || !q.qualifier().isEmpty()) {
        return Optional.empty();
      }
      int beyond = most == null ? 1 : base(q).compareTo(base(most.value()));
      beyond = word.equals("less") && most != null ? -beyond : beyond;
      isAlone = beyond > 0 || isAlone && beyond < 0;
      if (beyond > 0) {
        first = product;
        most = fact.get();
      }
    }
    if (!isAlone) {
      return Optional.empty();
    }
    String label = furthestLabel(concept);
    return Optional.of(own(label, new Value.Words(first.name()), first.name() + ": " + raw(most)));
  }

  /** "Least weight", "Most capacity". */
  public static String furthestLabel(Concept concept) {
    return (concept.compare().containsKey("less") ? "Least " : "Most ")
        + concept.label().toLowerCase(Locale.ROOT);
  }

  private static Fact of(Concept concept, Reach reach, Value value, String raw) {
    return fact(concept.id(), concept.id(), concept.label(), reach, value, raw);
  }

  private static Fact own(String label, Value value, String raw) {
    return fact(Fact.ownId(label), "", label, Reach.PAGE, value, raw);
  }

  private static Fact naming(String id, String label, String words) {
    return fact(id, id, label, Reach.PAGE, new Value.Words(words), words);
  }

  private static Fact fact(
      String id, String concept, String label, Reach reach, Value value, String raw) {
    List<Source> sources = List.of(new Source(reach.source, 1, label, raw));
    return new Fact(id, concept, label, value, sources, false);
  }
}
