package rhetor.app.product;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import rhetor.core.fact.ProductFacts;

/** Takes the products of one sheet in, in batches; to be used inside one transaction. */
public final class ProductIntake {
  private static final int BATCH = 500;

  private final ProductStore store;
  private final long intake;
  private final List<ProductStore.Row> batch = new ArrayList<>();
  private final List<ProductStore.Name> names = new ArrayList<>();
  private int added;
  private int changed;
  private int unchanged;

  /** How many products were new, had other facts than before, or the same. */
  public record Counts(int added, int changed, int unchanged) {}

  ProductIntake(ProductStore store, long intake) {
    this.store = store;
    this.intake = intake;
  }

  /** A product that is ready to be stored. */
  public record Prepared(ProductFacts facts, byte[] packed, int row) {}

  /** Makes a product ready to be stored; may be called on another thread. */
  public static Prepared prepare(ProductFacts product, int row) {
    return new Prepared(product, StoredFacts.pack(product), row);
  }

  /** Adds a product, or gives a known one its new facts. */
  public void add(Prepared product) {
    batch.add(new ProductStore.Row(0, product.facts, product.packed, product.row));
    if (batch.size() >= BATCH) {
      flush();
    }
  }

  /** Stores what is left. */
  public Counts finish() {
    flush();
    names.sort(Comparator.comparing(ProductStore.Name::name).thenComparing(ProductStore.Name::id));
    store.addNames(names);
    return new Counts(added, changed, unchanged);
  }

  private void flush() {
    if (batch.isEmpty()) {
      return;
    }
    Map<String, ProductStore.Known> known =
        store.known(batch.stream().map(r -> r.facts().sku()).toList());
    List<ProductStore.Row> fresh = new ArrayList<>();
    List<ProductStore.Row> other = new ArrayList<>();
    List<ProductStore.Row> same = new ArrayList<>();
    for (ProductStore.Row row : batch) {
      ProductStore.Known before = known.get(row.facts().sku());
      if (before == null) {
        fresh.add(row);
      } else {
        (sameFacts(before.facts(), row.facts()) ? same : other)
            .add(new ProductStore.Row(before.id(), row.facts(), row.packed(), row.rowNumber()));
      }
    }
    if (!fresh.isEmpty()) {
      names.addAll(store.insert(intake, fresh));
    }
    if (!other.isEmpty()) {
      store.update(intake, other);
    }
    if (!same.isEmpty()) {
      store.addSources(intake, same);
    }
    added += fresh.size();
    changed += other.size();
    unchanged += same.size();
    batch.clear();
  }

  /** Whether values are the same, wherever in the sheet they stand now. */
  private static boolean sameFacts(ProductFacts then, ProductFacts now) {
    return then.name().equals(now.name())
        && then.keyword().equals(now.keyword())
        && then.facts().stream()
            .map(f -> f.id() + f.value())
            .toList()
            .equals(now.facts().stream().map(f -> f.id() + f.value()).toList());
  }
}
