package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.plan.Message;
import rhetor.core.say.en.Caution;
import rhetor.core.say.en.ItemPhrase;
import rhetor.core.say.en.ValueText;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Writes the list of a product's facts, with symbols and without sentences. */
final class Specification {
  /** Lists of things; they are listed again only if prose couldn't tell them whole. */
  private static final Set<String> THINGS = Set.of("features", "included", "not_included");

  private static final int LONGEST_ENTRY = 160;

  private final Knowledge knowledge;
  private final ValueText values;
  private final ProductFacts product;
  private final List<Message> messages;

  /**
   * @param messages what prose may tell of the product
   */
  Specification(
      Knowledge knowledge, ValueText values, ProductFacts product, List<Message> messages) {
    this.knowledge = knowledge;
    this.values = values;
    this.product = product;
    this.messages = messages;
  }

  /**
   * The entries: what nobody may miss, then in the order that the product's class gives and in the
   * sources' own.
   */
  List<Sentence> entries() {
    ProductClass productClass = knowledge.productClass(product.productClass()).orElse(null);
    List<String> first = productClass == null ? List.of() : productClass.specification();
    List<String> none = productClass == null ? List.of() : productClass.unspecified();
    List<Fact> facts = new ArrayList<>(product.facts());
    facts.removeIf(f -> none.contains(f.id()));
    if (!first.isEmpty()) {
      facts.sort(
          Comparator.comparingInt(
              f -> first.contains(f.id()) ? first.indexOf(f.id()) : first.size()));
    }
    // What somebody would send it back for stands first, unless the house has put it elsewhere.
    facts.sort(Comparator.comparing(f -> first.contains(f.id()) || !Caution.isOne(f)));
    List<Sentence> entries = new ArrayList<>(facts.size());
    // What the house has put in the list by name stands there, told in prose or not.
    facts.forEach(f -> entry(f, first.contains(f.id())).ifPresent(entries::add));
    return entries;
  }

  private Optional<Sentence> entry(Fact fact, boolean wanted) {
    if (fact.concept().equals("name") || fact.concept().equals("category")) {
      return Optional.empty();
    }
    Optional<Concept> concept = knowledge.concept(fact.concept());
    String value =
        concept.isEmpty() && fact.value() instanceof Value.Words(String asItStands)
            ? asItStands
            : isNone(fact) ? fact.source().raw().strip() : values.spec(fact.value());
    boolean unitless =
        fact.value() instanceof Value.Quantity q
            && q.unit().isEmpty()
            && concept.isPresent()
            && !concept.get().dimension().isEmpty();
    // "Pockets: 0" tells a buyer of what there isn't.
    boolean nothing =
        fact.value() instanceof Value.Quantity q
            && q.amount().signum() == 0
            && concept.filter(c -> c.kind() == Concept.Kind.COUNT).isPresent();
    if (nothing) {
      return Optional.empty();
    }
    boolean listed =
        THINGS.contains(fact.concept())
            ? wanted || !isSaidWhole(fact)
            : !value.isEmpty() && value.length() <= LONGEST_ENTRY && !unitless;
    if (!listed) {
      return Optional.empty();
    }
    // An amount that stands as it was typed may have its unit in the heading alone.
    String label =
        concept
            .filter(c -> c.dimension().isEmpty() || !(fact.value() instanceof Value.Words))
            .or(() -> knowledge.toldAs("", fact.label()))
            .map(Concept::label)
            .orElse(fact.label());
    return Optional.of(new Sentence(label + ": " + value, List.of(Support.fact(fact.id()))));
  }

  /** "Coating: none" has none; "coating: no" would be the answer to another question. */
  private static boolean isNone(Fact fact) {
    return fact.value() instanceof Value.YesNo(boolean yes)
        && !yes
        && fact.source().raw().strip().equalsIgnoreCase("none");
  }

  /** Whether every item of a list of things found a place in prose. */
  private boolean isSaidWhole(Fact fact) {
    return messages.stream().anyMatch(m -> m.fact() == fact)
        && fact.value() instanceof Value.Terms(List<String> items)
        && items.size() <= 6
        && items.stream().allMatch(i -> ItemPhrase.of(i).isPresent());
  }
}
