package rhetor.core.compose;

import java.util.List;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.Planner;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.ValueText;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Voices;
import rhetor.core.text.Sentence;

/**
 * Shows a product's specification list as a house's knowledge has it, without writing its texts.
 */
public final class SpecificationList {
  private final Knowledge knowledge;
  private final ValueText values;
  private final Planner planner;

  public SpecificationList(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.values = new ValueText(knowledge);
    this.planner = new Planner(knowledge, new Wording(knowledge));
  }

  /** The list's entries, such as "Capacity: 20 l". */
  public List<String> of(ProductFacts product) {
    Pen pen =
        Pen.of(
            Voices.plain(), new Rotation(1), Variety.none(), values, new RangeFigures(knowledge));
    return new Specification(knowledge, values, product, planner.messages(product, pen.choice()))
        .entries().stream().map(Sentence::text).toList();
  }
}
