package rhetor.app.concept;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.model.Connection;
import rhetor.app.model.Conversation;
import rhetor.app.model.TextModels;
import rhetor.app.product.ProductService;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.Turn;
import rhetor.core.model.WordingTeacher;
import rhetor.core.style.Voice;

/**
 * Has a text model propose how headings are told: once for each heading and all products under it.
 * Nothing it says counts before a person keeps it.
 */
@Service
class WordingProposals {
  private static final int MOST_HEADINGS = 60;

  /** So many products with different values of a heading are looked at. */
  private static final int MOST_SAMPLES = 40;

  /** About as long as three wordings and what they are good for. */
  private static final int ANSWER = 320;

  private final HouseKnowledge house;
  private final HouseStyle style;
  private final ProductService products;
  private final TextModels models;

  WordingProposals(
      HouseKnowledge house, HouseStyle style, ProductService products, TextModels models) {
    this.house = house;
    this.style = style;
    this.products = products;
    this.models = models;
  }

  /**
   * What a model proposes for a heading.
   *
   * @param isAnswered whether it has been asked
   * @param failed why it couldn't be asked, or empty
   */
  record ProposedFor(
      String heading,
      boolean isAnswered,
      String goodFor,
      List<WordingTeacher.ProposedWording> proposals,
      String failed) {}

  /**
   * What a model proposes.
   *
   * @param estimate about what asking costs for those that it hasn't been asked about
   * @param unasked how many those are
   * @param cost what it cost this time
   */
  record ProposedAll(
      List<ProposedFor> headings, int unasked, BigDecimal estimate, BigDecimal cost) {}

  /**
   * What a model proposes for headings, in their order. What it answered before it isn't asked
   * again; one that fails doesn't keep the others from being asked.
   *
   * @param isAsking whether it may be asked; if not, only what it answered before is shown
   */
  ProposedAll propose(long connectionId, List<String> headings, boolean isAsking, String by) {
    if (headings.isEmpty() || headings.size() > MOST_HEADINGS) {
      throw Refused.invalid("Ask about 1 to %d headings at a time.".formatted(MOST_HEADINGS));
    }
    Connection connection = models.get(connectionId);
    Knowledge knowledge = house.current();
    WordingTeacher teacher = new WordingTeacher(knowledge);
    Voice voice = style.current().ownVoice();
    String spoken = voice.label() + ". " + voice.about();
    Map<String, List<ProductFacts>> having = having(headings);
    List<ProposedFor> all = new ArrayList<>();
    BigDecimal estimate = BigDecimal.ZERO;
    BigDecimal cost = BigDecimal.ZERO;
    int unasked = 0;
    String failed = "";
    for (String heading : headings) {
      List<ProductFacts> under = having.getOrDefault(key(heading), List.of());
      if (under.isEmpty()) {
        all.add(
            new ProposedFor(
                heading, false, "", List.of(), "No product has this heading any more."));
        continue;
      }
      String prompt = teacher.prompt(heading, under, spoken);
      // A model that is away or out of money isn't asked about the next one.
      Conversation conversation =
          isAsking && failed.isEmpty()
              ? models.conversation(connection, false, by)
              : models.again(connection);
      try {
        String answer = conversation.answer(List.of(new Turn(false, prompt)));
        WordingTeacher.Taught taught = teacher.read(answer, heading, under);
        all.add(new ProposedFor(heading, true, taught.goodFor(), taught.proposals(), ""));
        cost = cost.add(conversation.cost());
      } catch (TextModels.NotAsked e) {
        unasked++;
        estimate = estimate.add(models.estimate(connection, prompt.length(), ANSWER));
        all.add(new ProposedFor(heading, false, "", List.of(), failed));
      } catch (Refused e) {
        failed = e.getMessage();
        unasked++;
        all.add(new ProposedFor(heading, false, "", List.of(), failed));
      }
    }
    return new ProposedAll(all, unasked, estimate, cost);
  }

  /** Products with different values under each of the headings. */
  private Map<String, List<ProductFacts>> having(List<String> headings) {
    Map<String, List<ProductFacts>> having = new LinkedHashMap<>();
    Map<String, Set<String>> values = new LinkedHashMap<>();
    headings.forEach(h -> having.put(key(h), new ArrayList<>()));
    products.look(
        facts -> {
          for (Fact fact : facts.facts()) {
            List<ProductFacts> under =
                fact.concept().isEmpty() && !fact.foreign() ? having.get(key(fact.label())) : null;
            if (under != null
                && under.size() < MOST_SAMPLES
                && values
                    .computeIfAbsent(key(fact.label()), k -> new LinkedHashSet<>())
                    .add(fact.source().raw())) {
              under.add(facts);
            }
          }
          return false;
        },
        (product, facts) -> Optional.empty(),
        0);
    return having;
  }

  private static String key(String heading) {
    return heading.strip().toLowerCase(Locale.ROOT);
  }
}
