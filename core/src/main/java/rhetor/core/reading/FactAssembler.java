package rhetor.core.reading;

import java.util.List;
import java.util.Set;
import rhetor.core.fact.Fact;
import rhetor.core.fact.FactMerge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Settlement;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * Makes a product's facts from everything that is stored about it: what each supplier said last,
 * what people typed in and settled, and the house's own names.
 */
public final class FactAssembler {
  private final Knowledge knowledge;
  private final KindFinder kinds;

  public FactAssembler(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.kinds = new KindFinder(knowledge);
  }

  /**
   * The facts that count.
   *
   * @param suppliers what each supplier said last, the first one naming the product; at least one
   * @param typed facts that people typed in; they count before any sheet
   * @param settled what people chose where sources disagree; a choice counts as long as a source
   *     still says so
   */
  public ProductFacts assemble(
      List<ProductFacts> suppliers, List<Fact> typed, List<Settlement> settled, HouseNames names) {
    ProductFacts first = suppliers.getFirst();
    if (suppliers.size() == 1 && typed.isEmpty() && settled.isEmpty() && names.isEmpty()) {
      return first;
    }
    FactMerge merge = new FactMerge(knowledge);
    for (ProductFacts supplier : suppliers) {
      supplier.facts().stream()
          .filter(f -> supplier == first || !f.concept().equals("name"))
          .forEach(merge::add);
      supplier.contradictions().forEach(merge::add);
    }
    for (Settlement settlement : settled) {
      merge.versions(settlement.factId()).stream()
          .filter(v -> v.value().equals(settlement.value()))
          .findFirst()
          .ifPresent(merge::settle);
    }
    typed.forEach(merge::settle);
    List<Fact> facts = merge.facts().stream().map(names::apply).toList();
    String name = words(typed, "name", first.name());
    KindFinder.Kind kind = kind(first, name, facts, merge.ids());
    return new ProductFacts(
        first.sku(),
        name,
        kind.productClass(),
        kind.noun(),
        facts,
        merge.contradictions(),
        String.join(
            "\n",
            suppliers.stream().map(ProductFacts::supplierText).filter(t -> !t.isEmpty()).toList()),
        suppliers.stream()
            .map(ProductFacts::keyword)
            .filter(k -> !k.isEmpty())
            .findFirst()
            .orElse(""),
        PictureLinks.together(suppliers.stream().map(ProductFacts::pictures).toList()));
  }

  /** What its sheet said that it is, unless it is called otherwise now. */
  private KindFinder.Kind kind(
      ProductFacts first, String name, List<Fact> facts, Set<String> concepts) {
    KindFinder.Kind known = new KindFinder.Kind(first.productClass(), first.kindNoun());
    String category = words(facts, "category", "");
    boolean isCalledSo =
        name.equals(first.name()) && category.equals(words(first.facts(), "category", ""));
    if (isCalledSo && !known.noun().isEmpty()) {
      return known;
    }
    KindFinder.Kind found = kinds.find(name, category, concepts);
    return found.noun().isEmpty() ? known : found;
  }

  private static String words(List<Fact> facts, String concept, String otherwise) {
    return facts.stream()
        .filter(f -> f.concept().equals(concept))
        .map(Fact::value)
        .map(v -> v instanceof Value.Words(String text) ? text : "")
        .filter(t -> !t.isEmpty())
        .findFirst()
        .orElse(otherwise);
  }

  /**
   * Concepts that the product's class calls essential and that no source gives; what sources
   * disagree about is not missing, it waits to be settled.
   */
  public List<String> missing(ProductFacts product) {
    return knowledge
        .productClass(product.productClass())
        .map(
            c ->
                c.essential().stream()
                    .filter(
                        e ->
                            product.fact(e).isEmpty()
                                && product.contradictions().stream()
                                    .noneMatch(d -> d.id().equals(e)))
                    .toList())
        .orElse(List.of());
  }

  /**
   * A fact that a person types in, read as a cell of a sheet in British English would be.
   *
   * @param factId a concept's id, or an extra fact's
   * @throws IllegalArgumentException if the text can't be read as what the concept measures
   */
  public Fact typed(String factId, String label, String text, String person) {
    String clean = CellText.clean(text);
    ValueReader values = new ValueReader(knowledge, NumberStyle.POINT);
    Concept concept = knowledge.concept(factId).orElse(null);
    Source source = new Source("", 0, "typed in by " + person, clean);
    if (factId.equals("name")) {
      return new Fact("name", "name", "Name", new Value.Words(clean), List.of(source), false);
    }
    if (concept == null) {
      return new Fact(factId, "", label, values.readAny(clean, false), List.of(source), false);
    }
    Value value = values.read(clean, concept, "");
    boolean measured =
        switch (concept.kind()) {
          case QUANTITY, COUNT, SIDES, RATING, FLAG -> true;
          case TERMS, WORDS -> false;
        };
    if (measured && value instanceof Value.Words
        || value instanceof Value.Quantity q
            && q.unit().isEmpty()
            && !concept.dimension().isEmpty()) {
      throw new IllegalArgumentException(
          "\"%s\" can't be read as %s. %s"
              .formatted(clean, concept.label().toLowerCase(java.util.Locale.ROOT), hint(concept)));
    }
    return new Fact(concept.id(), concept.id(), concept.label(), value, List.of(source), false);
  }

  /** A product of which nothing is known but what a person calls it. */
  public ProductFacts named(String sku, String name, String person) {
    KindFinder.Kind kind = kinds.find(name, "", Set.of());
    return new ProductFacts(
        sku,
        name,
        kind.productClass(),
        kind.noun(),
        List.of(typed("name", "Name", name, person)),
        List.of(),
        "",
        "",
        List.of());
  }

  private String hint(Concept concept) {
    return switch (concept.kind()) {
      case QUANTITY ->
          "Write an amount with its unit, such as 20 "
              + knowledge.units().stream()
                  .filter(u -> u.dimension().equals(concept.dimension()))
                  .map(Unit::id)
                  .findFirst()
                  .orElse("kg")
              + ".";
      case COUNT -> "Write a whole number.";
      case SIDES -> "Write two or three lengths with a unit, such as 30 x 20 x 12 cm.";
      case RATING -> "Write a rating such as IPX6.";
      case FLAG -> "Write yes or no.";
      case TERMS, WORDS -> "";
    };
  }
}
