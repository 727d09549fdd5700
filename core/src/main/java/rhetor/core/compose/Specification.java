package rhetor.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.language.English;

/** Writes the list of a product's facts, with symbols and without sentences. */
final class Specification {
  private static final Set<String> NOT_SPECIFIED =
      Set.of("name", "features", "included", "not_included", "category");
  private static final int LONGEST_ENTRY = 160;

  private final Knowledge knowledge;
  private final ValueText values;
  private final ProductFacts product;
  private final List<Message> messages;

  Specification(
      Knowledge knowledge, ValueText values, ProductFacts product, List<Message> messages) {
    this.knowledge = knowledge;
    this.values = values;
    this.product = product;
    this.messages = messages;
  }

  List<Sentence> entries() {
    List<Sentence> entries = new ArrayList<>();
    for (Fact fact : product.facts()) {
      if (NOT_SPECIFIED.contains(fact.concept())) {
        boolean listed = !fact.concept().equals("name") && !fact.concept().equals("category");
        if (listed && !isSaidWhole(fact)) {
          entries.add(entry(fact));
        }
        continue;
      }
      String value = values.spec(fact.value());
      boolean unitless =
          fact.value() instanceof Value.Quantity q
              && q.unit().isEmpty()
              && knowledge.concept(fact.concept()).map(c -> !c.dimension().isEmpty()).orElse(false);
      if (!value.isEmpty() && value.length() <= LONGEST_ENTRY && !unitless) {
        entries.add(entry(fact));
      }
    }
    return entries;
  }

  /** Whether every item of a list of things found a place in prose. */
  private boolean isSaidWhole(Fact fact) {
    return messages.stream().anyMatch(m -> m.fact() == fact)
        && fact.value() instanceof Value.Terms(List<String> items)
        && items.size() <= 6
        && items.stream().allMatch(i -> Wording.nounPhrase(i).isPresent());
  }

  private Sentence entry(Fact fact) {
    String label =
        fact.concept().isEmpty() || fact.concept().startsWith("extra:")
            ? English.capitalise(HeadingWording.label(fact.label()))
            : fact.label();
    return new Sentence(label + ": " + values.spec(fact.value()), List.of(Support.fact(fact.id())));
  }
}
