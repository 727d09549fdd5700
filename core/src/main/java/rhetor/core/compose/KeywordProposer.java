package rhetor.core.compose;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.language.Words;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.plan.Planner;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.say.en.Echo;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Voices;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;

/**
 * Proposes keywords that facts bear out: by rule, and longer ones where products compete for one.
 */
public final class KeywordProposer {
  /** Longest keyword that is proposed: people search in few words. */
  private static final int MOST_WORDS = 6;

  private final Knowledge knowledge;
  private final Planner planner;

  public KeywordProposer(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.planner = new Planner(knowledge, new Wording(knowledge));
  }

  /**
   * Longer keywords for products that all have the same, each borne out by its product's facts and
   * proposed for no other; nothing for a product that no fact sets apart.
   *
   * @param rivals the products
   * @param taken keywords that other products have, in lower case
   * @return one for each of the rivals, in their order
   */
  public List<Optional<String>> apart(
      List<ProductFacts> rivals, String keyword, Set<String> taken) {
    List<Set<String>> longer = new ArrayList<>();
    Map<String, Integer> wanted = new HashMap<>();
    for (ProductFacts rival : rivals) {
      Set<String> own = longer(rival, keyword);
      longer.add(own);
      own.forEach(k -> wanted.merge(k, 1, Integer::sum));
    }
    List<Optional<String>> proposals = new ArrayList<>();
    for (Set<String> own : longer) {
      proposals.add(
          own.stream()
              .filter(k -> wanted.get(k) == 1 && !taken.contains(k.toLowerCase(Locale.ROOT)))
              .findFirst());
    }
    return proposals;
  }

  /** The keyword with one more of the product's facts, then with two, what matters most first. */
  private Set<String> longer(ProductFacts product, String keyword) {
    Judge judge = new Judge(product, knowledge, Nearness.NONE);
    Set<String> one = new LinkedHashSet<>();
    Set<String> two = new LinkedHashSet<>();
    List<Message> messages = messages(product);
    for (Message m : messages) {
      extended(keyword, m, product, judge).ifPresent(one::add);
    }
    for (String k : one) {
      for (Message m : messages) {
        extended(k, m, product, judge).ifPresent(two::add);
      }
    }
    one.addAll(two);
    return one;
  }

  private List<Message> messages(ProductFacts product) {
    Rotation rotation = new Rotation(1);
    rotation.start(product.sku(), 0);
    Pen pen =
        Pen.of(
            Voices.plain(),
            rotation,
            Variety.none(),
            new ValueText(knowledge),
            new RangeFigures(knowledge));
    return planner.messages(product, pen.choice());
  }

  private static Optional<String> extended(
      String keyword, Message m, ProductFacts product, Judge judge) {
    String phrase;
    if (m.has(Form.ADJ) && !Echo.overlaps(m.get(Form.ADJ), keyword)) {
      phrase = m.get(Form.ADJ) + " " + keyword;
    } else if (m.has(Form.PP) && !Echo.overlaps(m.get(Form.PP), keyword)) {
      phrase = keyword + " " + m.get(Form.PP);
    } else {
      return Optional.empty();
    }
    boolean fits = phrase.split(" ").length <= MOST_WORDS;
    return fits && KeywordUse.of(phrase, product, judge).conflicts().isEmpty()
        ? Optional.of(phrase)
        : Optional.empty();
  }

  /**
   * A keyword made of some of a product's facts and what kind of thing it is: "canvas pannier",
   * "canvas pannier in moss green".
   *
   * @param concepts the facts, in the order in which they stand
   * @return nothing if the kind is unknown, a fact is missing or has no such words
   */
  public Optional<String> byRule(ProductFacts product, List<String> concepts) {
    String kind = Subject.of(product).kind();
    if (kind.isEmpty()) {
      return Optional.empty();
    }
    List<Message> messages = messages(product);
    StringBuilder before = new StringBuilder();
    StringBuilder after = new StringBuilder();
    for (String concept : concepts) {
      Optional<Message> message =
          messages.stream().filter(m -> m.fact().concept().equals(concept)).findFirst();
      if (message.isEmpty()) {
        return Optional.empty();
      }
      if (message.get().has(Form.ADJ)) {
        String adjective = message.get().get(Form.ADJ);
        before.append(Echo.overlaps(adjective, kind) ? "" : adjective + " ");
      } else if (message.get().has(Form.PP)) {
        after.append(' ').append(message.get().get(Form.PP));
      } else {
        return Optional.empty();
      }
    }
    String keyword = before + kind + after;
    return isBorneOut(product, keyword) ? Optional.of(keyword) : Optional.empty();
  }

  /** Whether nothing in a keyword goes against the product's facts or beyond them. */
  public boolean isBorneOut(ProductFacts product, String keyword) {
    return KeywordUse.of(keyword, product, new Judge(product, knowledge, Nearness.NONE))
        .conflicts()
        .isEmpty();
  }

  /**
   * A keyword without the words that no fact of the product bears out: "waterproof pannier" becomes
   * "pannier" where nothing makes it waterproof.
   *
   * @return nothing if the keyword is borne out as it is, or nothing would be left of it
   */
  public Optional<String> borneOut(ProductFacts product, String keyword) {
    Judge judge = new Judge(product, knowledge, Nearness.NONE);
    String rest = keyword;
    for (Assertion conflict : KeywordUse.of(keyword, product, judge).conflicts()) {
      int at = Words.find(conflict.words(), rest);
      if (at >= 0) {
        rest = rest.substring(0, at) + rest.substring(at + conflict.words().length());
      }
    }
    String left = rest.replaceAll("\\s+", " ").strip();
    boolean better =
        !Words.of(left).isEmpty()
            && !left.equals(keyword)
            && KeywordUse.of(left, product, judge).conflicts().isEmpty();
    return better ? Optional.of(left) : Optional.empty();
  }
}
