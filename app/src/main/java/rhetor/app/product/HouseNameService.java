package rhetor.app.product;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.web.AfterCommit;
import rhetor.app.web.Refused;
import rhetor.core.fact.Fact;
import rhetor.core.fact.HouseName;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.HouseNames;
import rhetor.core.say.en.ValueText;

/** The house's own names for what suppliers call otherwise, and what it says that cells mean. */
@Service
class HouseNameService {
  /** How long another process's change may go unseen. */
  private static final Duration FRESH = Duration.ofSeconds(2);

  private static final int EXAMPLES = 6;

  private final FactStore facts;
  private final ProductStore products;
  private final Knowledge knowledge;
  private final Clock clock;
  private volatile Read read;

  private record Read(HouseNames names, Instant at) {}

  HouseNameService(FactStore facts, ProductStore products, Knowledge knowledge, Clock clock) {
    this.facts = facts;
    this.products = products;
    this.knowledge = knowledge;
    this.clock = clock;
    drop();
  }

  /** The names are read anew once what was decided is stored, and by whoever decides it at once. */
  void forget() {
    drop();
    AfterCommit.run(this::drop);
  }

  private void drop() {
    read = new Read(new HouseNames(knowledge, List.of(), List.of()), Instant.MIN);
  }

  List<FactStore.Kept> all() {
    return facts.houseNames();
  }

  /** All names, ready to be applied. */
  HouseNames names() {
    Read now = read;
    if (now.at.plus(FRESH).isBefore(clock.instant())) {
      List<HouseName> all = facts.houseNames().stream().map(FactStore.Kept::name).toList();
      now = new Read(new HouseNames(knowledge, all, facts.cellsInWords()), clock.instant());
      read = now;
    }
    return now.names;
  }

  /** One value before and after a name is applied, on a real product. */
  record Example(String sku, String name, String label, String before, String after) {}

  /**
   * What a name would do.
   *
   * @param products how many products it touches
   * @param texts how many of them have a text
   */
  record Trial(int products, int texts, List<Example> examples) {}

  /** Tries a name on all products' facts and keeps nothing. */
  Trial tryOut(HouseName name) {
    HouseNames only = only(name);
    ValueText text = new ValueText(knowledge);
    List<Example> examples = new ArrayList<>();
    int[] counts = new int[2];
    products.eachSource(
        (product, sources) -> {
          boolean touched = false;
          for (Fact fact : sources.facts()) {
            Fact after = only.apply(fact);
            if (after != fact) {
              touched = true;
              if (examples.size() < EXAMPLES) {
                examples.add(
                    new Example(
                        sources.sku(),
                        sources.name(),
                        fact.label(),
                        text.spec(fact.value()),
                        text.spec(after.value())));
              }
            }
          }
          counts[0] += touched ? 1 : 0;
          counts[1] += touched && product.textId() != 0 ? 1 : 0;
        });
    return new Trial(counts[0], counts[1], examples);
  }

  private HouseNames only(HouseName name) {
    try {
      return new HouseNames(knowledge, List.of(name), List.of());
    } catch (IllegalArgumentException e) {
      throw Refused.invalid(e.getMessage());
    }
  }

  /** Adds a name, or gives a known one another print; texts it touches are stale from now on. */
  @Transactional
  void add(HouseName name) {
    HouseNames only = only(name);
    facts.addHouseName(name);
    markStale(only);
    forget();
  }

  @Transactional
  void remove(long id) {
    HouseName gone =
        facts.houseNames().stream()
            .filter(k -> k.id() == id)
            .map(FactStore.Kept::name)
            .findFirst()
            .orElseThrow(() -> Refused.notFound("That name has been taken away already."));
    facts.removeHouseName(id);
    markStale(only(gone));
    forget();
  }

  private void markStale(HouseNames names) {
    List<Long> touched = new ArrayList<>();
    products.eachSource(
        (product, sources) -> {
          if (product.textId() != 0
              && sources.facts().stream().anyMatch(f -> names.apply(f) != f)) {
            touched.add(product.id());
          }
        });
    products.markStale(touched);
  }
}
