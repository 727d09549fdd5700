package rhetor.app.template;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.model.Connection;
import rhetor.app.model.Conversation;
import rhetor.app.model.TextModels;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.exchange.Html;
import rhetor.core.model.ModelWriter;
import rhetor.core.model.PromptWriter;
import rhetor.core.model.UnreadableAnswer;
import rhetor.core.say.Variety;
import rhetor.core.style.Field;
import rhetor.core.template.Template;
import rhetor.core.template.TemplateProblem;
import rhetor.core.text.Draft;

/** Tries templates on products with either engine and keeps no text. */
@Service
class Trials {
  private static final TriedText NONE = new TriedText(List.of(), List.of());

  private final Templates templates;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final TextModels models;

  Trials(
      Templates templates, ProductService products, HouseKnowledge knowledge, TextModels models) {
    this.templates = templates;
    this.products = products;
    this.knowledge = knowledge;
    this.models = models;
  }

  /** A field as it would read. */
  record TriedField(String label, String html) {}

  /**
   * A mark as a trial shows it.
   *
   * @param sentence the sentence it is at, empty if it is about the whole field
   */
  record TriedMark(Mark.Weight weight, String field, String sentence, String why) {}

  /** A product's texts as a template builds them, and what the checks say. */
  record TriedText(List<TriedField> fields, List<TriedMark> marks) {}

  /**
   * What a template does to a product.
   *
   * @param before the texts after the version it is compared with; the same if there is none
   * @param prompt what a text model would be asked, whole
   */
  record TemplateTrial(
      List<TemplateProblem> problems, TriedText then, TriedText before, String prompt) {}

  /**
   * What the composer makes of a template; the same template gives the same texts.
   *
   * @param compared what it is compared with
   * @param productId the product it is tried on, 0 only to find problems
   */
  TemplateTrial composed(Template template, Optional<Template> compared, long productId) {
    List<TemplateProblem> problems = templates.problems(template);
    if (!problems.isEmpty() || productId == 0) {
      return new TemplateTrial(problems, NONE, NONE, "");
    }
    Product product = products.get(productId);
    TriedText then = composed(product, template);
    return new TemplateTrial(
        problems,
        then,
        compared.filter(c -> !c.equals(template)).map(c -> composed(product, c)).orElse(then),
        new PromptWriter(knowledge.current()).prompt(templates.brief(product, template)));
  }

  private TriedText composed(Product product, Template template) {
    Brief brief = templates.brief(product, template);
    Draft draft = draft(product, brief);
    return text(
        draft,
        new Checker(knowledge.current(), brief.style())
            .check(draft, product.facts(), product.keyword()));
  }

  private Draft draft(Product product, Brief brief) {
    return new Composer(
            knowledge.current(),
            1,
            Variety.ofFew(),
            products.figures(product.facts().productClass()))
        .compose(brief);
  }

  private static TriedText text(Draft draft, Audit audit) {
    List<TriedField> fields = new ArrayList<>();
    for (Field field : Field.values()) {
      if (!draft.blocks(field).isEmpty()) {
        fields.add(
            new TriedField(
                field.label(),
                field == Field.DESCRIPTION ? Html.of(draft.blocks(field)) : draft.plain(field)));
      }
    }
    return new TriedText(
        fields,
        audit.marks().stream()
            .map(
                m ->
                    new TriedMark(
                        m.weight(),
                        m.field().label(),
                        m.sentence() < 0 ? "" : draft.sentences(m.field()).get(m.sentence()).text(),
                        m.why()))
            .toList());
  }

  /** How far a model may be asked. */
  enum Asking {
    /** Only what it answered before is shown. */
    SHOW,
    /** It is asked what it hasn't been asked. */
    ASK,
    /** It is asked again, for another answer. */
    AFRESH
  }

  /**
   * What a text model makes of a template.
   *
   * @param isAnswered whether the model has been asked; if not, only the estimate says something
   * @param estimate about what asking costs
   * @param notes what had to be put right in its answers
   * @param sentBack what was sent back to it
   * @param cost what it cost this time
   * @param isKept whether all of it was answered before
   */
  record ModelTrial(
      boolean isAnswered,
      BigDecimal estimate,
      TriedText text,
      List<String> notes,
      List<String> sentBack,
      int tokensAsked,
      int tokensAnswered,
      BigDecimal cost,
      boolean isKept) {}

  /**
   * What a text model makes of a template. What it answered before it isn't asked again.
   *
   * @param asking how far it may be asked
   */
  ModelTrial answered(
      Template template, long connectionId, long productId, Asking asking, String by) {
    Connection connection = models.get(connectionId);
    if (!templates.problems(template).isEmpty()) {
      throw Refused.invalid(
          "Nothing can be written so. What is in the way stands beside the settings.");
    }
    Product product = products.get(productId);
    Brief brief = templates.brief(product, template);
    Conversation conversation =
        asking == Asking.SHOW
            ? models.again(connection)
            : models.conversation(connection, asking == Asking.AFRESH, by);
    try {
      ModelWriter.Written written = new ModelWriter(knowledge.current(), conversation).write(brief);
      return new ModelTrial(
          true,
          BigDecimal.ZERO,
          text(written.draft(), written.audit()),
          written.notes(),
          written.sentBack(),
          conversation.tokensAsked(),
          conversation.tokensAnswered(),
          conversation.cost(),
          conversation.isKept());
    } catch (TextModels.NotAsked e) {
      return new ModelTrial(
          false,
          estimate(connection, product, brief),
          NONE,
          List.of(),
          List.of(),
          0,
          0,
          BigDecimal.ZERO,
          false);
    } catch (UnreadableAnswer e) {
      throw Refused.outside(
          e.getMessage()
              + " It was asked twice. Look at the prompt, ask afresh, or ask another model.");
    }
  }

  /** The composer's texts are about as long as the model's will be. */
  private BigDecimal estimate(Connection connection, Product product, Brief brief) {
    Draft draft = draft(product, brief);
    int answer = 0;
    for (Field field : Field.values()) {
      answer += draft.plain(field).length();
    }
    int prompt = new PromptWriter(knowledge.current()).prompt(brief).length();
    return models.estimate(connection, prompt, answer);
  }
}
