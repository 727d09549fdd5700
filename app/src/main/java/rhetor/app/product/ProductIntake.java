package rhetor.app.product;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.fact.BaseUnits;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;

/**
 * Takes the products of one intake in, in batches; or only tells what that would do. To be used
 * inside one transaction.
 */
public final class ProductIntake implements AutoCloseable {
  private static final int BATCH = 500;

  private final ProductStore store;
  private final ProductService products;
  private final BaseUnits units;
  private final long intake;
  private final String supplier;
  private final LeaveAlone leaveAlone;
  private final Optional<Listener> dryRun;
  private final Optional<SourcesAside> aside;
  private final List<Prepared> batch = new ArrayList<>();
  private final Map<Long, String> keywords = new HashMap<>();
  private int added;
  private int changed;
  private int unchanged;
  private int left;

  /** Which products keep the facts they have. */
  public record LeaveAlone(boolean published, boolean signedOff) {
    /** No product is left alone. */
    public static final LeaveAlone NONE = new LeaveAlone(false, false);

    private boolean leaves(Stage stage) {
      return published && stage == Stage.PUBLISHED || signedOff && stage == Stage.SIGNED_OFF;
    }
  }

  /** What would become of a row. */
  public enum Outcome {
    NEW,
    CHANGED,
    UNCHANGED,
    LEFT
  }

  /** Told what would become of each product, in place of storing it. */
  public interface Listener {
    /**
     * @param before what the supplier said last, empty if it never named the product
     */
    void would(Outcome outcome, Prepared product, Optional<ProductFacts> before);
  }

  /**
   * How many products were new, had other facts than before, the same, or were left alone on
   * purpose.
   */
  public record Counts(int added, int changed, int unchanged, int left) {}

  ProductIntake(
      ProductStore store,
      ProductService products,
      long intake,
      String supplier,
      LeaveAlone leaveAlone,
      Optional<Listener> dryRun,
      Optional<SourcesAside> aside) {
    this.store = store;
    this.products = products;
    this.units = products.units();
    this.intake = intake;
    this.supplier = supplier;
    this.leaveAlone = leaveAlone;
    this.dryRun = dryRun;
    this.aside = aside;
  }

  /** A product that is ready to be stored. */
  public record Prepared(ProductFacts facts, int row, int missing) {}

  /** Makes a product ready to be stored; may be called on another thread. */
  public Prepared prepare(ProductFacts product, int row) {
    return new Prepared(product, row, products.missing(product));
  }

  /** Adds a product, or gives a known one its new facts. */
  public void add(Prepared product) {
    batch.add(product);
    if (batch.size() >= BATCH) {
      flush();
    }
  }

  /** Stores what is left. */
  public Counts finish() {
    flush();
    if (dryRun.isEmpty()) {
      aside.ifPresent(SourcesAside::finish);
      products.tell(new ProductsTakenIn(intake));
    }
    return new Counts(added, changed, unchanged, left);
  }

  /** Ends what goes on beside it. */
  @Override
  public void close() {
    aside.ifPresent(SourcesAside::close);
  }

  private void flush() {
    if (batch.isEmpty()) {
      return;
    }
    Map<String, ProductStore.Known> known =
        store.known(supplier, batch.stream().map(p -> p.facts().sku()).toList());
    List<ProductStore.Row> fresh = new ArrayList<>();
    List<ProductStore.Row> other = new ArrayList<>();
    List<ProductStore.Row> same = new ArrayList<>();
    for (Prepared product : batch) {
      ProductStore.Known before = known.get(product.facts.sku());
      Outcome outcome = outcome(before, product.facts);
      dryRun.ifPresent(
          l -> l.would(outcome, product, before == null ? Optional.empty() : before.facts()));
      long id = before == null ? 0 : before.id();
      ProductStore.Row row = new ProductStore.Row(id, product.facts, product.row, product.missing);
      switch (outcome) {
        case NEW -> fresh.add(row);
        case CHANGED -> {
          other.add(row);
          if (isOtherKeyword(before, product.facts)) {
            keywords.put(id, product.facts.keyword());
          }
        }
        case UNCHANGED -> same.add(row);
        case LEFT -> left++;
      }
    }
    added += fresh.size();
    changed += other.size();
    unchanged += same.size();
    if (dryRun.isEmpty()) {
      store(fresh, other, same);
    }
    batch.clear();
  }

  private void store(
      List<ProductStore.Row> fresh, List<ProductStore.Row> other, List<ProductStore.Row> same) {
    List<NamedPictures.OfProduct> pictures = new ArrayList<>(0);
    if (!fresh.isEmpty()) {
      List<ProductStore.Row> inserted = store.insert(fresh);
      aside.ifPresentOrElse(a -> a.add(inserted), () -> addSources(inserted));
      inserted.forEach(r -> addPictures(pictures, r.id(), r.facts()));
    }
    if (!other.isEmpty()) {
      addSources(other);
      other.forEach(r -> products.factsChanged(r.id()));
      keywords.forEach(products::setKeyword);
      keywords.clear();
    }
    if (!same.isEmpty()) {
      addSources(same);
    }
    other.forEach(r -> addPictures(pictures, r.id(), r.facts()));
    same.forEach(r -> addPictures(pictures, r.id(), r.facts()));
    if (!pictures.isEmpty()) {
      products.named(intake, supplier, pictures);
    }
  }

  private void addSources(List<ProductStore.Row> rows) {
    store.addSources(intake, rows.stream().map(store::said).toList());
  }

  private static void addPictures(
      List<NamedPictures.OfProduct> to, long product, ProductFacts facts) {
    if (!facts.pictures().isEmpty()) {
      to.add(new NamedPictures.OfProduct(product, facts.pictures()));
    }
  }

  /** A keyword that a person chose stays until the supplier asks for another one. */
  private static boolean isOtherKeyword(ProductStore.Known before, ProductFacts now) {
    return !now.keyword().isEmpty()
        && before.facts().map(ProductFacts::keyword).filter(now.keyword()::equals).isEmpty();
  }

  private Outcome outcome(ProductStore.Known before, ProductFacts now) {
    if (before == null) {
      return Outcome.NEW;
    }
    if (leaveAlone.leaves(before.stage())) {
      return Outcome.LEFT;
    }
    return before.facts().filter(f -> sameFacts(f, now)).isPresent()
        ? Outcome.UNCHANGED
        : Outcome.CHANGED;
  }

  /** Whether values are the same, wherever in the sheet and in whatever unit they stand now. */
  private boolean sameFacts(ProductFacts then, ProductFacts now) {
    return then.name().equals(now.name())
        && then.keyword().equals(now.keyword())
        && values(then).equals(values(now));
  }

  private List<String> values(ProductFacts product) {
    return java.util.stream.Stream.concat(
            product.facts().stream(),
            product.contradictions().stream().flatMap(c -> c.versions().stream()))
        .map((Fact f) -> f.id() + units.of(f.value()))
        // Columns may have changed places.
        .sorted()
        .toList();
  }
}
