package rhetor.app.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rhetor.app.intake.IntakeService.FactChange;
import rhetor.core.compose.ValueText;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductFacts;

/** Tells field by field how what a supplier says of a product differs from what it said before. */
final class FactDifference {
  private final ValueText values;

  FactDifference(Knowledge knowledge) {
    this.values = new ValueText(knowledge);
  }

  List<FactChange> between(ProductFacts before, ProductFacts after) {
    Map<String, String> then = told(before);
    Map<String, String> now = told(after);
    List<FactChange> changes = new ArrayList<>();
    if (!before.keyword().equals(after.keyword())) {
      changes.add(new FactChange("Keyword", before.keyword(), after.keyword()));
    }
    now.forEach(
        (label, value) -> {
          String old = then.getOrDefault(label, "");
          if (!old.equals(value)) {
            changes.add(new FactChange(label, old, value));
          }
        });
    then.forEach(
        (label, value) -> {
          if (!now.containsKey(label)) {
            changes.add(new FactChange(label, value, ""));
          }
        });
    return changes;
  }

  private Map<String, String> told(ProductFacts product) {
    Map<String, String> told = new LinkedHashMap<>();
    for (Fact fact : product.facts()) {
      told.put(fact.label(), values.spec(fact.value()));
    }
    for (Contradiction c : product.contradictions()) {
      told.put(
          c.label(),
          String.join(" or ", c.versions().stream().map(v -> values.spec(v.value())).toList()));
    }
    return told;
  }
}
