package rhetor.app.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rhetor.app.intake.IntakeTaking.FactChange;
import rhetor.core.fact.BaseUnits;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;

/** Tells field by field how what a supplier says of a product differs from what it said before. */
final class FactDifference {
  private final ValueText values;
  private final BaseUnits units;

  FactDifference(Knowledge knowledge) {
    this.values = new ValueText(knowledge);
    this.units = new BaseUnits(knowledge);
  }

  List<FactChange> between(ProductFacts before, ProductFacts after) {
    Map<String, List<Value>> then = told(before);
    Map<String, List<Value>> now = told(after);
    List<FactChange> changes = new ArrayList<>();
    if (!before.keyword().equals(after.keyword())) {
      changes.add(new FactChange("Keyword", before.keyword(), after.keyword()));
    }
    now.forEach(
        (label, values) -> {
          List<Value> old = then.getOrDefault(label, List.of());
          if (!inBaseUnits(old).equals(inBaseUnits(values))) {
            changes.add(new FactChange(label, inWords(old), inWords(values)));
          }
        });
    then.forEach(
        (label, values) -> {
          if (!now.containsKey(label)) {
            changes.add(new FactChange(label, inWords(values), ""));
          }
        });
    return changes;
  }

  private List<Value> inBaseUnits(List<Value> versions) {
    return versions.stream().map(units::of).toList();
  }

  private String inWords(List<Value> versions) {
    return String.join(" or ", versions.stream().map(values::spec).toList());
  }

  /** What is said under each label: one value, or several where sources disagree. */
  private static Map<String, List<Value>> told(ProductFacts product) {
    Map<String, List<Value>> told = new LinkedHashMap<>();
    for (Fact fact : product.facts()) {
      told.put(fact.label(), List.of(fact.value()));
    }
    for (Contradiction c : product.contradictions()) {
      told.put(c.label(), c.versions().stream().map(Fact::value).toList());
    }
    return told;
  }
}
