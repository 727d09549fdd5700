package rhetor.app.claim;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.compose.ClaimAtWork;
import rhetor.core.fact.Claim;
import rhetor.core.fact.ClaimCheck;
import rhetor.core.fact.Knowledge;
import rhetor.core.style.Voice;

/**
 * The claims that the house makes: those that ship, as far as it hasn't banned or changed them, and
 * its own. Texts that a decision touches are stale from then on.
 */
@Service
public class HouseClaims {
  /** How long another process's decision may go unseen. */
  private static final Duration FRESH = Duration.ofSeconds(2);

  private static final int EXAMPLES = 5;

  /** Looking at more products than these while somebody types would take too long. */
  private static final int LOOKED_AT = 20_000;

  private final ClaimStore store;
  private final ProductService products;
  private final Knowledge standard;
  private final Clock clock;
  private volatile Read read;

  private record Read(Knowledge knowledge, List<ClaimStore.Decision> decisions, Instant at) {}

  HouseClaims(ClaimStore store, ProductService products, Knowledge standard, Clock clock) {
    this.store = store;
    this.products = products;
    this.standard = standard;
    this.clock = clock;
    this.read = new Read(standard, List.of(), Instant.MIN);
  }

  /** What Rhetor knows, with the claims of this house. */
  public Knowledge knowledge() {
    Read now = read;
    if (now.at.plus(FRESH).isBefore(clock.instant())) {
      List<ClaimStore.Decision> decisions = store.all();
      Knowledge knowledge =
          decisions.equals(now.decisions)
              ? now.knowledge
              : standard.withClaims(
                  decided(decisions).values().stream()
                      .filter(d -> d.state() != ClaimState.BANNED)
                      .map(Decided::claim)
                      .toList());
      now = new Read(knowledge, decisions, clock.instant());
      read = now;
    }
    return now.knowledge;
  }

  /**
   * A claim and what the house decided about it.
   *
   * @param by who decided, empty if nobody has
   */
  record Decided(Claim claim, ClaimState state, String by) {}

  private Map<String, Decided> decided(List<ClaimStore.Decision> decisions) {
    Map<String, Decided> all = new LinkedHashMap<>();
    standard.claims().forEach(c -> all.put(c.id(), new Decided(c, ClaimState.AS_DELIVERED, "")));
    decisions.forEach(d -> all.put(d.claim().id(), new Decided(d.claim(), d.state(), d.by())));
    return all;
  }

  /**
   * Claims in the order of their short names.
   *
   * @param search words of their texts, phrases, fact or short name; empty for all
   * @param state only those, or null
   * @param after the short name after which to go on, or empty
   */
  List<Decided> list(String search, ClaimState state, String after, int limit) {
    String words = search.strip().toLowerCase(Locale.ROOT);
    return decided(store.all()).values().stream()
        .filter(d -> state == null || d.state() == state)
        .filter(d -> words.isEmpty() || text(d.claim()).contains(words))
        .sorted(java.util.Comparator.comparing(d -> d.claim().id()))
        .filter(d -> d.claim().id().compareTo(after) > 0)
        .limit(limit)
        .toList();
  }

  private String text(Claim c) {
    String concept = standard.concept(c.concept()).map(x -> x.label()).orElse("");
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

  Decided get(String id) {
    return Optional.ofNullable(decided(store.all()).get(id))
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
    List<String> problems = ClaimCheck.problems(claim, standard);
    int texts = store.productsUsing(claim.id()).size();
    if (!problems.isEmpty()) {
      return new ClaimTrial(problems, 0, 0, false, texts, List.of());
    }
    ClaimAtWork atWork = new ClaimAtWork(claim, standard, voice);
    List<ClaimExample> examples = new ArrayList<>();
    int[] counts = new int[2];
    products.eachSource(
        (product, text, facts) -> {
          if (counts[0] >= LOOKED_AT) {
            counts[0]++;
            return;
          }
          counts[0]++;
          if (atWork.licensedBy(facts).isEmpty()) {
            return;
          }
          counts[1]++;
          if (examples.size() < EXAMPLES) {
            atWork
                .on(facts)
                .ifPresent(
                    e ->
                        examples.add(
                            new ClaimExample(
                                product,
                                facts.sku(),
                                facts.name(),
                                e.fact().label(),
                                e.fact().source().raw(),
                                e.sentence())));
          }
        });
    return new ClaimTrial(
        problems,
        counts[1],
        Math.min(counts[0], LOOKED_AT),
        counts[0] <= LOOKED_AT,
        texts,
        examples);
  }

  /** Adds a claim of the house's own, or changes one; texts that rest on it are stale then. */
  @Transactional
  public int put(Claim claim, String by) {
    List<String> problems = ClaimCheck.problems(claim, standard);
    if (!problems.isEmpty()) {
      throw Refused.invalid(String.join(" ", problems));
    }
    return decide(claim, isStandard(claim.id()) ? ClaimState.CHANGED : ClaimState.OWN, by);
  }

  /** Puts a person's word to a claim that ships; nothing else changes. */
  @Transactional
  public void approve(String id, String by) {
    Decided now = get(id);
    if (now.state() != ClaimState.AS_DELIVERED) {
      throw Refused.conflict("The house has decided about this claim already.");
    }
    store.put(now.claim(), ClaimState.APPROVED, by);
    forget();
  }

  /** Never makes a claim again; returns how many texts that make it are stale now. */
  @Transactional
  public int ban(String id, String by) {
    return decide(get(id).claim(), ClaimState.BANNED, by);
  }

  /** Takes the house's decision back: claims that ship are as delivered, its own are gone. */
  @Transactional
  public int restore(String id) {
    get(id);
    List<Long> touched = store.productsUsing(id);
    store.remove(id);
    products.markStale(touched);
    forget();
    return touched.size();
  }

  private int decide(Claim claim, ClaimState state, String by) {
    List<Long> touched = store.productsUsing(claim.id());
    store.put(claim, state, by);
    products.markStale(touched);
    forget();
    return touched.size();
  }

  private boolean isStandard(String id) {
    return standard.claims().stream().anyMatch(c -> c.id().equals(id));
  }

  private void forget() {
    read = new Read(read.knowledge, read.decisions, Instant.MIN);
  }
}
