package rhetor.core.compose;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.say.en.ValueText;
import rhetor.core.template.Question;
import rhetor.core.template.Slot;

/** What a product has to fill the slots of a template's words with. */
public final class Slots {
  private Slots() {}

  /** The name of the slot that a fact fills: its concept, or its heading in small letters. */
  public static String name(Fact fact) {
    return fact.concept().isEmpty()
        ? fact.label().toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "_")
        : fact.concept();
  }

  /**
   * The product's slots by their names, as running text has the values; what a fact says no to
   * fills none.
   *
   * @param questions what is asked besides
   */
  public static Map<String, Slot> of(
      ProductFacts product, String keyword, ValueText values, List<Question> questions) {
    Map<String, Slot> slots = new LinkedHashMap<>();
    slots.put("name", new Slot(product.name(), id(product, "name")));
    // In running text a lone word loses its capital; names keep theirs.
    product.fact("brand").ifPresent(f -> put(slots, "brand", values.spec(f.value()), f.id()));
    put(slots, "kind", product.kindNoun(), id(product, "category"));
    put(slots, "keyword", keyword, "");
    put(slots, "sku", product.sku(), "");
    for (Fact fact : product.facts()) {
      boolean no = fact.value() instanceof Value.YesNo(boolean yes) && !yes;
      if (!no && !slots.containsKey(name(fact))) {
        put(slots, name(fact), values.prose(fact.value()), fact.id());
      }
    }
    for (Question question : questions) {
      Slot answer = slots.get(question.fact());
      if (answer != null) {
        slots.put(question.key(), answer);
      } else {
        put(slots, question.key(), question.otherwise(), "");
      }
    }
    return slots;
  }

  private static String id(ProductFacts product, String concept) {
    return product.fact(concept).map(Fact::id).orElse("");
  }

  private static void put(Map<String, Slot> slots, String name, String value, String fact) {
    if (value != null && !value.isBlank()) {
      slots.put(name, new Slot(value, fact));
    }
  }
}
