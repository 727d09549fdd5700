package rhetor.app.kind;

import static rhetor.app.knowledge.HouseKnowledge.CLASSES;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.SpecificationList;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.ClassCheck;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.style.Field;

/** The kinds of products, and what the house decides about what is known and listed of them. */
@Service
public class HouseKinds {
  private static final int EXAMPLES = 3;

  /** Looking at more products than these while somebody waits would take too long. */
  private static final int LOOKED_AT = 20_000;

  /** What names a product is never listed below it. */
  private static final Set<String> NAMING = Set.of("name", "category");

  private final HouseKnowledge house;
  private final ProductService products;

  HouseKinds(HouseKnowledge house, ProductService products) {
    this.house = house;
    this.products = products;
  }

  /** A kind and how many products the house has of it. */
  record Counted(Decided<ProductClass> kind, int products) {}

  /**
   * Kinds that products can be of, those that the house has most products of first.
   *
   * @param search words of their names; empty for all
   */
  List<Counted> list(String search) {
    Map<String, Integer> counts = products.countByClass();
    String words = search.strip().toLowerCase(Locale.ROOT);
    return house.all(CLASSES).stream()
        .filter(d -> d.item().isConcrete())
        .filter(d -> words.isEmpty() || text(d.item()).contains(words))
        .map(d -> new Counted(d, counts.getOrDefault(d.id(), 0)))
        .sorted(
            Comparator.comparingInt(Counted::products)
                .reversed()
                .thenComparing(c -> c.kind.item().plural(), String.CASE_INSENSITIVE_ORDER))
        .toList();
  }

  private static String text(ProductClass c) {
    return (c.noun() + " " + c.plural() + " " + c.names().values() + " " + c.kinds())
        .toLowerCase(Locale.ROOT);
  }

  Decided<ProductClass> get(String id) {
    return house
        .find(CLASSES, id)
        .orElseThrow(() -> Refused.notFound("There is no kind of product called " + id + "."));
  }

  /** The class that ships under an id, if one does. */
  Optional<ProductClass> shipped(String id) {
    return house.standard().productClass(id);
  }

  /** A fact that products of a kind have, and how many of them. */
  record KindFact(String id, String label, int products) {}

  /**
   * What is known of the house's products of a kind, in the order of their sources, and what ought
   * to be.
   */
  List<KindFact> facts(ProductClass kind) {
    Map<String, String> labels = new LinkedHashMap<>();
    Map<String, Integer> counts = new HashMap<>();
    Map<String, Integer> places = new HashMap<>();
    products.eachSource(
        kind.id(),
        0,
        LOOKED_AT,
        (product, text, facts) -> {
          int place = 0;
          for (Fact f : facts.facts()) {
            labels.putIfAbsent(f.id(), f.label());
            counts.merge(f.id(), 1, Integer::sum);
            places.merge(f.id(), place++, Integer::sum);
          }
        });
    Knowledge knowledge = house.current();
    List<String> named = new ArrayList<>(kind.specification());
    named.addAll(kind.unspecified());
    named.addAll(kind.essential());
    named.forEach(
        id ->
            labels.putIfAbsent(
                id, knowledge.concept(id).map(Concept::label).orElse(Fact.labelOf(id))));
    return labels.keySet().stream()
        .filter(id -> !NAMING.contains(id))
        .map(
            id ->
                new KindFact(
                    id,
                    knowledge.concept(id).map(Concept::label).orElse(labels.get(id)),
                    counts.getOrDefault(id, 0)))
        .sorted(
            Comparator.comparingDouble(
                f -> f.products == 0 ? Double.MAX_VALUE : places.get(f.id) / (double) f.products))
        .toList();
  }

  /** The title and the specification list of a product, as they are and as they would be. */
  record KindExample(
      long product,
      String sku,
      String name,
      String titleNow,
      String titleThen,
      List<String> now,
      List<String> then) {}

  /**
   * What a decision about a kind would do.
   *
   * @param problems why it can't stand, each with what to do
   * @param texts how many texts would be stale
   */
  record KindTrial(List<String> problems, int texts, List<KindExample> examples) {}

  /** Tries a kind on real products and keeps nothing. */
  KindTrial tryOut(ProductClass kind) {
    List<String> problems = ClassCheck.problems(kind, house.current());
    int texts = house.writtenOfClass(kind.id()).size();
    if (!problems.isEmpty()) {
      return new KindTrial(problems, texts, List.of());
    }
    Knowledge current = house.current();
    SpecificationList now = new SpecificationList(current);
    Knowledge changed = current.with(current.claims(), List.of(), List.of(kind));
    SpecificationList then = new SpecificationList(changed);
    List<KindExample> examples = new ArrayList<>();
    products.eachSource(
        kind.id(),
        0,
        EXAMPLES,
        (product, text, facts) ->
            examples.add(
                new KindExample(
                    product,
                    facts.sku(),
                    facts.name(),
                    title(facts, current),
                    title(facts, changed),
                    now.of(facts),
                    then.of(facts))));
    return new KindTrial(problems, texts, examples);
  }

  private static String title(ProductFacts facts, Knowledge knowledge) {
    return new Composer(knowledge, 1).compose(Brief.of(facts)).plain(Field.TITLE);
  }

  /** Adds a kind, or changes one; returns how many texts of its products are stale now. */
  @Transactional
  public int put(ProductClass kind, String by) {
    List<String> problems = ClassCheck.problems(kind, house.current());
    if (!problems.isEmpty()) {
      throw Refused.invalid(String.join(" ", problems));
    }
    boolean shipped = house.isShipped(CLASSES, kind.id());
    house.decide(CLASSES, kind.id(), kind, shipped ? Standing.CHANGED : Standing.OWN, by);
    return stale(kind.id());
  }

  /** Takes the house's decision back; returns how many texts of its products are stale now. */
  @Transactional
  public int restore(String id) {
    get(id);
    house.restore(CLASSES, id);
    return stale(id);
  }

  private int stale(String id) {
    List<Long> touched = house.writtenOfClass(id);
    products.markStale(touched);
    return touched.size();
  }
}
