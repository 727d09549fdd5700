package rhetor.app.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import rhetor.app.model.Connection;
import rhetor.app.model.Conversation;
import rhetor.app.model.TextModels;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.check.LetBe;
import rhetor.core.fact.Fact;
import rhetor.core.model.SecondOpinion;
import rhetor.core.model.Turn;

/**
 * Asks a text model about sentences of which some words stand in no cell, a product's at once. A
 * mark that it answers with a cell is let be as long as the cell says so; what contradicts a cell,
 * or has to rest on one of its own, it isn't asked about.
 */
@Service
class SecondOpinions {
  /** So many texts are asked about at once. */
  private static final int MOST_TEXTS = 100;

  /** About so many characters answer for a sentence. */
  private static final int ANSWER = 32;

  private final ProofService proofs;
  private final ProductService products;
  private final TextModels models;

  SecondOpinions(ProofService proofs, ProductService products, TextModels models) {
    this.proofs = proofs;
    this.products = products;
    this.models = models;
  }

  /**
   * What became of a sentence.
   *
   * @param cell the heading of the cell that bears it out; empty if none does
   */
  record Answered(long product, String sentence, String cell) {}

  /**
   * What was asked, or would be.
   *
   * @param sentences that are open, of all texts
   * @param estimate about what asking costs for those that it hasn't been asked about
   * @param cost what it cost this time
   * @param failed why some couldn't be asked about, or empty
   */
  record Opinion(
      int sentences,
      BigDecimal estimate,
      BigDecimal cost,
      List<Answered> answered,
      String failed) {}

  /**
   * Asks about the open sentences of some texts.
   *
   * @param isAsking whether the model may be asked; if not, only what it would cost is said
   * @throws Refused if there are none or too many texts
   */
  Opinion of(long connectionId, List<Long> texts, boolean isAsking, String by) {
    if (texts.isEmpty() || texts.size() > MOST_TEXTS) {
      throw Refused.invalid("Ask about 1 to %d texts at a time.".formatted(MOST_TEXTS));
    }
    Connection connection = models.get(connectionId);
    int sentences = 0;
    BigDecimal estimate = BigDecimal.ZERO;
    BigDecimal cost = BigDecimal.ZERO;
    List<Answered> answered = new ArrayList<>();
    String failed = "";
    for (long id : texts) {
      Product product = products.get(id);
      Map<String, List<LetBe>> open = proofs.open(product);
      List<String> all = List.copyOf(open.keySet());
      sentences += all.size();
      for (int from = 0; from < all.size(); from += SecondOpinion.MOST) {
        List<String> some = all.subList(from, Math.min(all.size(), from + SecondOpinion.MOST));
        String prompt = SecondOpinion.prompt(product.facts(), some);
        // A model that is away or out of money isn't asked about the next text.
        Conversation conversation =
            isAsking && failed.isEmpty()
                ? models.conversation(connection, false, by)
                : models.again(connection);
        try {
          String answer = conversation.answer(List.of(new Turn(false, prompt)));
          cost = cost.add(conversation.cost());
          if (isAsking) {
            answered.addAll(keep(product, some, open, answer, connection.name(), by));
          }
        } catch (TextModels.NotAsked e) {
          estimate =
              estimate.add(models.estimate(connection, prompt.length(), ANSWER * some.size()));
        } catch (Refused e) {
          failed = e.getMessage();
        }
      }
    }
    return new Opinion(sentences, estimate, cost, answered, failed);
  }

  private List<Answered> keep(
      Product product,
      List<String> sentences,
      Map<String, List<LetBe>> open,
      String answer,
      String model,
      String by) {
    Map<Integer, Fact> borneOut = SecondOpinion.read(answer, product.facts(), sentences.size());
    Map<LetBe, Fact> settled = new HashMap<>();
    List<Answered> answered = new ArrayList<>();
    for (int i = 0; i < sentences.size(); i++) {
      Fact cell = borneOut.get(i);
      answered.add(new Answered(product.id(), sentences.get(i), cell == null ? "" : cell.label()));
      if (cell != null) {
        open.get(sentences.get(i)).forEach(mark -> settled.put(mark, cell));
      }
    }
    proofs.settle(product.id(), settled, model, by);
    return answered;
  }
}
