package rhetor.app.keyword;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.range.Ranges;
import rhetor.core.compose.KeywordProposer;
import rhetor.core.fact.ProductFacts;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.keyword.PhraseHarvest;
import rhetor.core.language.English;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** Proposes keywords from the phrases that the products of a range or kind are described by. */
@Component
class Phrases {
  /** How long the phrases of a kind are good enough. */
  private static final Duration FRESH = Duration.ofMinutes(5);

  private static final int MOST = 8;

  /** Fewer products of a range don't show what they are described by; their kind does. */
  private static final int FEWEST = 3;

  /** Facts that say which product it is and not what it is like. */
  private static final Set<String> NAMING = Set.of("name", "brand", "category");

  private final ProductService products;
  private final Ranges ranges;
  private final ProofService proofs;
  private final HouseKnowledge knowledge;
  private final Clock clock;
  private final Map<Among, Heard> heard = new ConcurrentHashMap<>();

  /**
   * Whose texts the phrases are from.
   *
   * @param range the range's id, 0 for all of a class
   */
  private record Among(long range, String productClass) {}

  private record Heard(List<PhraseHarvest.Phrase> phrases, Instant at) {}

  Phrases(
      ProductService products,
      Ranges ranges,
      ProofService proofs,
      HouseKnowledge knowledge,
      Clock clock) {
    this.ranges = ranges;
    this.products = products;
    this.proofs = proofs;
    this.knowledge = knowledge;
    this.clock = clock;
  }

  /**
   * A phrase that a product could be found by.
   *
   * @param score its C-value among the texts looked at; see {@link PhraseHarvest}
   * @param texts how many of their products it is said of
   * @param form how it stands in the product's own title and description
   */
  record Proposed(String words, double score, int texts, KeywordMatch.Form form) {}

  /**
   * What a product could be found by.
   *
   * @param range the range whose texts were looked at; empty if it was the product's kind
   */
  record PhrasesView(String range, List<Proposed> phrases) {}

  /**
   * The best phrases of its range, or of its kind if it is in none of some size, that the product's
   * facts bear out; none for a product of no known kind and no range, which has no others to be
   * compared with.
   */
  PhrasesView of(long id) {
    Product product = products.get(id);
    ProductFacts facts = product.facts();
    Optional<Ranges.Range> range = ranges.find(ranges.of(id)).filter(r -> r.products() >= FEWEST);
    if (range.isEmpty() && facts.productClass().isEmpty()) {
      return new PhrasesView("", List.of());
    }
    Among among =
        range.map(r -> new Among(r.id(), "")).orElseGet(() -> new Among(0, facts.productClass()));
    String own = text(facts);
    String kind = English.lastWord(facts.kindNoun());
    KeywordProposer proposer = new KeywordProposer(knowledge.current());
    String written = product.textId() == 0 ? "" : written(proofs.text(product.textId()).draft());
    List<Proposed> proposed = new ArrayList<>();
    for (PhraseHarvest.Phrase phrase : phrases(among)) {
      boolean concerns =
          !kind.isEmpty() && English.lastWord(phrase.words()).equalsIgnoreCase(kind)
              || KeywordMatch.find(phrase.words(), own).isInARow();
      if (proposed.size() < MOST && concerns && proposer.isBorneOut(facts, phrase.words())) {
        proposed.add(
            new Proposed(
                phrase.words(),
                phrase.score(),
                phrase.texts(),
                KeywordMatch.find(phrase.words(), written).form()));
      }
    }
    return new PhrasesView(range.map(Ranges.Range::name).orElse(""), proposed);
  }

  private List<PhraseHarvest.Phrase> phrases(Among among) {
    return heard.compute(
            among,
            (a, known) -> {
              if (known != null && known.at.plus(FRESH).isAfter(clock.instant())) {
                return known;
              }
              PhraseHarvest harvest = new PhraseHarvest();
              products.eachSource(
                  a.productClass,
                  a.range,
                  PhraseHarvest.MOST_TEXTS,
                  (id, text, facts) -> harvest.add(text(facts)));
              return new Heard(harvest.phrases(), clock.instant());
            })
        .phrases;
  }

  /**
   * What is known of a product in the words that texts say it in, a clause for each fact; names
   * describe nothing.
   */
  private String text(ProductFacts facts) {
    ValueText values = new ValueText(knowledge.current());
    StringBuilder text = new StringBuilder(facts.supplierText()).append(". ");
    text.append(facts.keyword()).append(". ");
    facts.facts().stream()
        .filter(f -> !f.foreign() && !NAMING.contains(f.concept()))
        .forEach(f -> text.append(values.prose(f.value())).append(". "));
    String name = facts.name().replaceAll("[\\s\\d]+$", "");
    return name.isEmpty() ? text.toString() : text.toString().replace(name, ".");
  }

  private static String written(Draft draft) {
    return draft.plain(Field.TITLE) + ". " + draft.prose();
  }
}
