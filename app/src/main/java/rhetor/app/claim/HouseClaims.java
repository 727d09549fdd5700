package rhetor.app.claim;

import static rhetor.app.knowledge.HouseKnowledge.CLAIMS;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.product.ProductService;
import rhetor.app.product.ProductService.Look;
import rhetor.app.web.Refused;
import rhetor.core.compose.ClaimAtWork;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.ClaimCheck;
import rhetor.core.style.Voice;
import rhetor.core.text.Support;

/**
 * The claims that the house makes: those that ship, as far as it hasn't banned or changed them, and
 * its own. Texts that a decision touches are stale from then on.
 */
@Service
public class HouseClaims {
  private static final int EXAMPLES = 5;

  private final ProductService products;
  private final HouseKnowledge house;

  HouseClaims(ProductService products, HouseKnowledge house) {
    this.products = products;
    this.house = house;
  }

  /**
   * Claims in the order of their short names.
   *
   * @param search words of their texts, phrases, fact or short name; empty for all
   * @param state only those, or null
   * @param after the short name after which to go on, or empty
   */
  List<Decided<Claim>> list(String search, Standing state, String after, int limit) {
    String words = search.strip().toLowerCase(Locale.ROOT);
    return house.all(CLAIMS).stream()
        .filter(d -> state == null || d.state() == state)
        .filter(d -> words.isEmpty() || text(d.item()).contains(words))
        .sorted(Comparator.comparing(Decided::id))
        .filter(d -> d.id().compareTo(after) > 0)
        .limit(limit)
        .toList();
  }

  private String text(Claim c) {
    String concept = house.current().concept(c.concept()).map(x -> x.label()).orElse("");
    return String.join(
            " ",
            c.id(),
            concept,
            c.text(),
            String.join(" ", c.adj()),
            String.join(" ", c.so()),
            String.join(" ", c.contains()))
        .toLowerCase(Locale.ROOT);
  }

  private Decided<Claim> get(String id) {
    return house
        .find(CLAIMS, id)
        .orElseThrow(() -> Refused.notFound("There is no claim called " + id + "."));
  }

  /** The claim at work on one product. */
  record ClaimExample(
      long product, String sku, String name, String fact, String raw, String sentence) {}

  /**
   * What a claim would do.
   *
   * @param problems why it can't stand, each with what to do
   * @param licensed how many of the products looked at have a fact that licenses it
   * @param lookedAt how many products were looked at
   * @param all whether those are all products
   * @param texts how many texts rest on the claim of that short name now
   */
  record ClaimTrial(
      List<String> problems,
      int licensed,
      int lookedAt,
      boolean all,
      int texts,
      List<ClaimExample> examples) {}

  /** Tries a claim on real products and keeps nothing. */
  ClaimTrial tryOut(Claim claim, Voice voice) {
    List<String> problems = ClaimCheck.problems(claim, house.current());
    int texts = house.productsTelling(Support.Kind.CLAIM, claim.id()).size();
    if (!problems.isEmpty()) {
      return new ClaimTrial(problems, 0, 0, false, texts, List.of());
    }
    ClaimAtWork atWork = new ClaimAtWork(claim, house.current(), voice);
    Look<ClaimExample> look =
        products.look(
            facts -> atWork.licensedBy(facts).isPresent(),
            (product, facts) ->
                atWork
                    .on(facts)
                    .map(
                        e ->
                            new ClaimExample(
                                product,
                                facts.sku(),
                                facts.name(),
                                e.fact().label(),
                                e.fact().source().raw(),
                                e.sentence())),
            EXAMPLES);
    return new ClaimTrial(
        problems, look.concerned(), look.lookedAt(), look.all(), texts, look.examples());
  }

  /** Adds a claim of the house's own, or changes one; texts that rest on it are stale then. */
  @Transactional
  public int put(Claim claim, String by) {
    List<String> problems = ClaimCheck.problems(claim, house.current());
    if (!problems.isEmpty()) {
      throw Refused.invalid(String.join(" ", problems));
    }
    return decide(claim, house.isShipped(CLAIMS, claim.id()) ? Standing.CHANGED : Standing.OWN, by);
  }

  /** Puts a person's word to a claim that ships; nothing else changes. */
  @Transactional
  public void approve(String id, String by) {
    Decided<Claim> now = get(id);
    if (now.state() != Standing.AS_DELIVERED) {
      throw Refused.conflict("The house has decided about this claim already.");
    }
    house.decide(CLAIMS, id, now.item(), Standing.APPROVED, by);
  }

  /** Never makes a claim again; returns how many texts that make it are stale now. */
  @Transactional
  public int ban(String id, String by) {
    return decide(get(id).item(), Standing.BANNED, by);
  }

  /** Takes the house's decision back: claims that ship are as delivered, its own are gone. */
  @Transactional
  public int restore(String id) {
    get(id);
    List<Long> touched = house.productsTelling(Support.Kind.CLAIM, id);
    house.restore(CLAIMS, id);
    products.markStale(touched);
    return touched.size();
  }

  private int decide(Claim claim, Standing state, String by) {
    List<Long> touched = house.productsTelling(Support.Kind.CLAIM, claim.id());
    house.decide(CLAIMS, claim.id(), claim, state, by);
    products.markStale(touched);
    return touched.size();
  }
}
