package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.compose.Message.Form;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Concept;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductClass;
import rhetor.core.fact.ProductFacts;

/**
 * Decides what to say of a product: which facts, how much each matters, and which belong together.
 */
final class Planner {
  /** Themes in the order in which a description takes them up. */
  private static final List<String> THEMES =
      List.of(
          "course",
          "use",
          "performance",
          "power",
          "growing",
          "build",
          "looks",
          "size",
          "fit",
          "handling",
          "features",
          "extra",
          "place",
          "pack",
          "included",
          "origin",
          "care");

  private static final Set<String> CLOSING = Set.of("place", "pack", "included", "origin", "care");
  private static final Set<String> ALONE = Set.of("care", "included");
  private static final Set<String> NEVER_SAID = Set.of("name", "brand", "category", "season");
  private static final int SENTENCE_FACTS = 3;
  private static final double EXTRA_WEIGHT = 42;
  private static final int MOST_SAID = 18;

  private final Knowledge knowledge;
  private final Wording wording;

  Planner(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.wording = new Wording(knowledge);
  }

  /** The facts that can be said, the most salient first. */
  List<Message> messages(ProductFacts product, Rotation rotation) {
    List<Message> messages = new ArrayList<>();
    Optional<ProductClass> productClass = knowledge.productClass(product.productClass());
    for (Fact fact : product.facts()) {
      if (NEVER_SAID.contains(fact.concept())) {
        continue;
      }
      Optional<Concept> concept = knowledge.concept(fact.concept());
      double weight =
          productClass
              .map(c -> c.matters().get(fact.concept()))
              .map(Integer::doubleValue)
              .orElseGet(() -> concept.map(c -> (double) c.weight()).orElse(EXTRA_WEIGHT));
      // Of facts that matter alike, the supplier's order decides: the telling columns come first.
      double salience = weight - messages.size() * 0.01;
      Map<Form, String> phrases = wording.phrases(fact, product.productClass(), rotation);
      Message message =
          new Message(
              fact,
              concept.map(Concept::theme).orElse("extra"),
              salience,
              phrases,
              claims(fact, product));
      if (message.sayable() || message.has(Form.PP) || message.has(Form.ADJ)) {
        messages.add(message);
      }
    }
    messages.sort(Comparator.comparingDouble(Message::salience).reversed());
    return messages.size() > MOST_SAID ? messages.subList(0, MOST_SAID) : messages;
  }

  private List<Claim> claims(Fact fact, ProductFacts product) {
    return knowledge.licence().of(fact, product.productClass());
  }

  /** Messages grouped into sentences, and the sentences into the body and the closing paragraph. */
  record Outline(List<List<Message>> body, List<List<Message>> closing) {}

  /** Groups what is left to say after the opening. */
  Outline outline(List<Message> messages) {
    Map<String, List<Message>> byTheme = new LinkedHashMap<>();
    THEMES.forEach(t -> byTheme.put(t, new ArrayList<>()));
    messages.stream()
        .filter(Message::sayable)
        .forEach(m -> byTheme.computeIfAbsent(m.theme(), t -> new ArrayList<>()).add(m));
    List<List<Message>> body = new ArrayList<>();
    List<List<Message>> closing = new ArrayList<>();
    byTheme.forEach(
        (theme, list) -> (CLOSING.contains(theme) ? closing : body).addAll(chunks(list)));
    return new Outline(joinSingles(body), joinSingles(closing));
  }

  private static List<List<Message>> chunks(List<Message> list) {
    List<List<Message>> chunks = new ArrayList<>();
    int sentences = (list.size() + SENTENCE_FACTS - 1) / SENTENCE_FACTS;
    int from = 0;
    for (int i = 0; i < sentences; i++) {
      int to = from + (list.size() - from + sentences - i - 1) / (sentences - i);
      chunks.add(new ArrayList<>(list.subList(from, to)));
      from = to;
    }
    return chunks;
  }

  /** A lone fact joins a neighbour, so that a text isn't a row of one-fact sentences. */
  private static List<List<Message>> joinSingles(List<List<Message>> groups) {
    List<List<Message>> joined = new ArrayList<>();
    for (List<Message> group : groups) {
      List<Message> last = joined.isEmpty() ? null : joined.getLast();
      boolean alone =
          ALONE.contains(group.getFirst().theme())
              || last != null && ALONE.contains(last.getFirst().theme());
      boolean sameKind =
          last != null && (group.getFirst().verb() == null) == (last.getFirst().verb() == null);
      if (last != null
          && !alone
          && sameKind
          && group.size() + last.size() <= SENTENCE_FACTS
          && (group.size() == 1 || last.size() == 1)) {
        last.addAll(group);
      } else {
        joined.add(new ArrayList<>(group));
      }
    }
    return joined;
  }
}
