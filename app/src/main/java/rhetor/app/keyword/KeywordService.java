package rhetor.app.keyword;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.finding.Findings;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.check.Mark;
import rhetor.core.compose.KeywordProposer;
import rhetor.core.knowledge.Concept;
import rhetor.core.reading.CellText;
import rhetor.core.style.StyleLayer;

/** Which products compete for a keyword, ways out of it, and keywords given by rule. */
@Service
class KeywordService {
  private static final int MOST_CLASHES = 200;
  private static final int MOST_RIVALS = 40;
  private static final int LONGEST = 100;
  private static final int MOST_IN_RULE = 2;
  private static final int MOST_SUPPORTING = 2;
  static final int SHOWN = 8;
  private static final int AT_ONCE = 100;
  private static final int MOST_LOOKED_AT = 2_000;

  private final KeywordStore store;
  private final ProductService products;
  private final ProofService proofs;
  private final HouseKnowledge knowledge;
  private final HouseStyle style;
  private final Findings findings;

  KeywordService(
      KeywordStore store,
      ProductService products,
      ProofService proofs,
      HouseKnowledge knowledge,
      HouseStyle style,
      Findings findings) {
    this.findings = findings;
    this.style = style;
    this.store = store;
    this.products = products;
    this.proofs = proofs;
    this.knowledge = knowledge;
  }

  /**
   * The house's keywords in short.
   *
   * @param without products that have none
   */
  record KeywordsView(int without, List<KeywordStore.KeywordClash> clashes) {}

  KeywordsView keywords() {
    return new KeywordsView(store.without(), store.clashes(MOST_CLASHES));
  }

  /**
   * A product that competes for a keyword.
   *
   * @param page address of its live page, or empty
   * @param proposal a longer keyword that only it would have; empty if no fact sets it apart
   */
  record Rival(
      long product, String sku, String name, String page, String keyword, String proposal) {}

  /** The products that compete for a keyword, with a way out for each. */
  List<Rival> rivals(String keyword) {
    List<Product> competing =
        store.having(keyword, MOST_RIVALS).stream().map(products::get).toList();
    Set<String> taken = new HashSet<>(store.taken());
    List<Optional<String>> proposals =
        new KeywordProposer(knowledge.current())
            .apart(competing.stream().map(Product::facts).toList(), keyword, taken);
    List<Rival> rivals = new ArrayList<>();
    for (int i = 0; i < competing.size(); i++) {
      Product p = competing.get(i);
      rivals.add(
          new Rival(
              p.id(),
              p.facts().sku(),
              p.facts().name(),
              p.page() == null ? "" : p.page(),
              p.keyword(),
              proposals.get(i).orElse("")));
    }
    return rivals;
  }

  /**
   * What a product's page is to be found by.
   *
   * @param ofStyle supporting keywords and required words that its range or the house asks for
   *     besides
   */
  record ProductKeywords(
      String keyword, List<String> supporting, List<String> required, List<String> ofStyle) {}

  ProductKeywords of(long id) {
    Product product = products.get(id);
    StyleLayer own = style.words(id);
    List<String> all = new ArrayList<>(style.of(id).supporting());
    all.addAll(style.of(id).required());
    all.removeAll(own.supporting());
    all.removeAll(own.required());
    return new ProductKeywords(product.keyword(), own.supporting(), own.required(), all);
  }

  /** Gives a product its keywords; its text is checked for them at once. */
  @Transactional
  public ProductKeywords put(
      long id, String keyword, List<String> supporting, List<String> required) {
    if (supporting.size() > MOST_SUPPORTING) {
      throw Refused.invalid(
          "A product has up to %d supporting keywords; there are %d."
              .formatted(MOST_SUPPORTING, supporting.size()));
    }
    for (String word : supporting) {
      if (word.length() > LONGEST) {
        throw Refused.invalid("A supporting keyword has up to %d characters.".formatted(LONGEST));
      }
    }
    Product product = products.get(id);
    style.putWords(id, supporting, required);
    if (!product.keyword().equals(CellText.clean(keyword))) {
      assign(Map.of(id, keyword));
    } else if (product.textId() != 0) {
      proofs.recheck(id);
    }
    return of(id);
  }

  /**
   * Takes from the keywords of the next products the words that no fact bears out, or shows what
   * would be left.
   *
   * @param after product after which to go on, 0 for the first
   */
  @Transactional
  public RuleStep relieve(long after, boolean keep) {
    KeywordProposer proposer = new KeywordProposer(knowledge.current());
    List<Long> next =
        findings.products(
            "keyword conflict", Mark.Weight.MUST_FIX, Optional.empty(), false, after, AT_ONCE);
    List<RuledKeyword> examples = new ArrayList<>();
    int given = 0;
    for (long id : next) {
      Product product = products.get(id);
      Optional<String> left = proposer.borneOut(product.facts(), product.keyword());
      if (left.isPresent()) {
        given++;
        examples.add(
            new RuledKeyword(id, product.facts().sku(), product.facts().name(), left.get()));
        if (keep) {
          assign(Map.of(id, left.get()));
        }
      }
    }
    return new RuleStep(
        given,
        next.size() - given,
        next.size() < AT_ONCE ? 0 : next.getLast(),
        examples.subList(0, Math.min(examples.size(), SHOWN)));
  }

  /** Gives products other keywords; their texts are stale and checked for them at once. */
  @Transactional
  public int assign(Map<Long, String> keywords) {
    for (Map.Entry<Long, String> entry : keywords.entrySet()) {
      String clean = CellText.clean(entry.getValue());
      if (clean.length() > LONGEST) {
        throw Refused.invalid(
            "The keyword \"%s\" has %d characters; up to %d are kept."
                .formatted(clean, clean.length(), LONGEST));
      }
      Product product = products.get(entry.getKey());
      products.setKeyword(product.id(), clean);
      if (product.textId() != 0) {
        proofs.recheck(product.id());
        products.markStale(List.of(product.id()));
      }
    }
    return keywords.size();
  }

  /** A keyword that a rule would give a product. */
  record RuledKeyword(long product, String sku, String name, String keyword) {}

  /**
   * What a rule would do to the next products without a keyword, or has done.
   *
   * @param given how many of those looked at get a keyword
   * @param left how many get none, because a fact is missing
   * @param after product after which to go on, 0 if all were looked at
   */
  record RuleStep(int given, int left, long after, List<RuledKeyword> examples) {}

  /**
   * Gives products without a keyword one by rule, or shows what it would be.
   *
   * @param concepts facts that stand before the kind of thing, two at most
   * @param after product after which to go on, 0 for the first
   */
  @Transactional
  public RuleStep rule(List<String> concepts, long after, boolean keep) {
    if (concepts.size() > MOST_IN_RULE) {
      throw Refused.invalid("A rule takes up to " + MOST_IN_RULE + " facts.");
    }
    for (String concept : concepts) {
      Optional<Concept> known = knowledge.current().concept(concept);
      if (known.isEmpty()) {
        throw Refused.invalid("There is no kind of fact called " + concept + ".");
      }
    }
    KeywordProposer proposer = new KeywordProposer(knowledge.current());
    List<RuledKeyword> examples = new ArrayList<>();
    int given = 0;
    int looked = 0;
    long from = after;
    List<Long> next;
    do {
      next = store.without(from, AT_ONCE);
      for (long id : next) {
        Product product = products.get(id);
        Optional<String> keyword = proposer.byRule(product.facts(), concepts);
        if (keyword.isPresent()) {
          given++;
          if (examples.size() < SHOWN) {
            examples.add(
                new RuledKeyword(id, product.facts().sku(), product.facts().name(), keyword.get()));
          }
          if (keep) {
            assign(Map.of(id, keyword.get()));
          }
        }
      }
      looked += next.size();
      from = next.isEmpty() ? 0 : next.getLast();
      // Whoever only looks wants to see some; whoever gives wants to see how far it is.
    } while (!keep && given == 0 && next.size() == AT_ONCE && looked < MOST_LOOKED_AT);
    long last = next.size() < AT_ONCE ? 0 : from;
    return new RuleStep(given, looked - given, last, examples);
  }
}
