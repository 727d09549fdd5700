package rhetor.app.run;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.model.Connection;
import rhetor.app.model.TextModels;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Extent;
import rhetor.core.model.ModelWriter;
import rhetor.core.model.PromptWriter;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** Tells what a run will take, from some of its products and from the runs before it. */
@Component
class Forecasts {
  private static final int LOOKED_AT = 9;

  /** One text in three is sent back to a model once, with all that was said before. */
  private static final double TURNS = 2.0;

  private final RunStore runs;
  private final ProductService products;
  private final RunBriefs briefs;
  private final HouseKnowledge knowledge;
  private final TextModels models;

  Forecasts(
      RunStore runs,
      ProductService products,
      RunBriefs briefs,
      HouseKnowledge knowledge,
      TextModels models) {
    this.runs = runs;
    this.products = products;
    this.briefs = briefs;
    this.knowledge = knowledge;
    this.models = models;
  }

  /**
   * What a run is expected to take.
   *
   * @param seconds how long it lasts, -1 if nothing like it was ever written
   * @param cost about what the text model's answers cost
   * @param ofModel about how many of its products the model is asked about
   * @param spent what was spent over the connection this month
   * @param monthlyMost what may be spent over it in a month, 0 for no limit
   */
  record Expected(
      long seconds, BigDecimal cost, int ofModel, BigDecimal spent, BigDecimal monthlyMost) {}

  Expected expected(
      List<Long> toWrite, String voice, long template, Authorship authorship, Extent extent) {
    OptionalDouble each = runs.secondsOfEach(authorship.engine(), authorship.connection());
    long seconds = each.isPresent() ? Math.round(each.getAsDouble() * toWrite.size()) : -1;
    if (!authorship.asksModel() || toWrite.isEmpty() || !ModelWriter.writes(extent)) {
      return new Expected(seconds, BigDecimal.ZERO, 0, BigDecimal.ZERO, BigDecimal.ZERO);
    }
    Connection connection = models.get(authorship.connection());
    PromptWriter prompts = new PromptWriter(knowledge.current());
    BigDecimal sum = BigDecimal.ZERO;
    int asked = 0;
    int looked = Math.min(LOOKED_AT, toWrite.size());
    for (int i = 0; i < looked; i++) {
      Product product = products.get(toWrite.get((int) ((long) i * toWrite.size() / looked)));
      Brief brief = briefs.of(product, voice, template, extent);
      Draft draft =
          new Composer(
                  knowledge.current(),
                  1,
                  Variety.ofFew(),
                  products.figures(product.facts().productClass()))
              .compose(brief);
      if (authorship.engine() == Engine.BOTH && !ModelRuns.isThin(draft, brief)) {
        continue;
      }
      int answer = 0;
      for (Field field : Field.values()) {
        answer += extent.has(field) ? draft.plain(field).length() : 0;
      }
      sum = sum.add(models.estimate(connection, prompts.prompt(brief).length(), answer));
      asked++;
    }
    BigDecimal cost =
        sum.multiply(BigDecimal.valueOf(TURNS * toWrite.size() / looked))
            .setScale(2, RoundingMode.UP);
    return new Expected(
        seconds,
        cost,
        Math.round((float) asked * toWrite.size() / looked),
        models.spentThisMonth(connection.id()),
        connection.monthlyMost());
  }
}
