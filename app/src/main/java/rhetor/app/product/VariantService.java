package rhetor.app.product;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.web.Refused;
import rhetor.core.compose.ValueText;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.VariantFinder;
import rhetor.core.fact.VariantFinder.Group;
import rhetor.core.fact.VariantFinder.Item;

/** Proposes which products are variants of one thing, and keeps what people say about it. */
@Service
class VariantService {
  /** How long somebody waits for proposals before they see those of before. */
  private static final Duration PATIENCE = Duration.ofSeconds(1);

  private final VariantStore variants;
  private final ProductStore store;
  private final ProductService products;
  private final VariantFinder finder;
  private final ValueText values;
  private final ProductCounts counts;
  private final AtomicLong groupsRevision = new AtomicLong();
  private CompletableFuture<Void> looking;
  private volatile Found found = new Found(-1, List.of());

  /** Proposals, and what they were found in. */
  private record Found(long revision, List<Group> groups) {}

  VariantService(
      VariantStore variants,
      ProductStore store,
      ProductService products,
      ProductCounts counts,
      Knowledge knowledge) {
    this.counts = counts;
    this.variants = variants;
    this.store = store;
    this.products = products;
    this.finder = new VariantFinder(knowledge);
    this.values = new ValueText(knowledge);
  }

  /** Kept groups, the last first, before one of them; 0 for the first page. */
  List<VariantStore.Line> page(long before, int limit) {
    return variants.page(before, limit);
  }

  int count() {
    return variants.count();
  }

  /**
   * Groups of products that are in none yet, the largest first.
   *
   * @param isLooking whether products have changed since and are being looked through
   */
  record Proposals(List<Group> groups, boolean isLooking) {}

  /** What was found last; looked for anew, by one at a time, when products have changed since. */
  Proposals proposals() {
    long now = counts.factsRevision() + groupsRevision.get();
    Found last = found;
    if (last.revision == now) {
      return new Proposals(last.groups, false);
    }
    CompletableFuture<Void> search;
    synchronized (this) {
      if (looking == null || looking.isDone()) {
        looking =
            CompletableFuture.runAsync(
                () -> found = new Found(now, look()), r -> Thread.ofVirtual().start(r));
      }
      search = looking;
    }
    try {
      search.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
    } catch (TimeoutException e) {
      return new Proposals(found.groups, true);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      throw new IllegalStateException(e.getCause());
    }
    return new Proposals(found.groups, false);
  }

  private List<Group> look() {
    Set<Long> grouped = new HashSet<>(variants.grouped());
    List<Item> items = new ArrayList<>();
    store.eachSource(
        (product, facts) -> {
          if (!grouped.contains(product.id())) {
            items.add(Item.of(product.id(), facts, values::spec));
          }
        });
    return finder.propose(items);
  }

  /** A kept group with its matrix. */
  Group get(long id) {
    List<Long> members = variants.members(id);
    if (members.isEmpty()) {
      throw Refused.notFound("There is no such group of variants.");
    }
    return finder.group(
        variants.name(id),
        members.stream().map(m -> Item.of(m, products.get(m).facts(), values::spec)).toList());
  }

  /** Makes a group of products; those that are in another already are left there. */
  @Transactional
  long add(String name, List<Long> members) {
    groupsRevision.incrementAndGet();
    if (members.stream().distinct().count() < 2) {
      throw Refused.invalid("It takes two products or more to make a group of variants.");
    }
    members.forEach(products::line);
    long id = variants.add(name);
    if (variants.join(id, members) < 2) {
      throw Refused.conflict("These products are in groups already; somebody was quicker.");
    }
    return id;
  }

  /** Keeps all proposals; how many groups that makes. */
  @Transactional
  int addAll() {
    List<Group> proposals = look();
    groupsRevision.incrementAndGet();
    for (Group group : proposals) {
      variants.join(variants.add(group.name()), group.members().stream().map(Item::id).toList());
    }
    return proposals.size();
  }

  @Transactional
  void join(long group, long product) {
    groupsRevision.incrementAndGet();
    get(group);
    products.line(product);
    if (variants.join(group, List.of(product)) == 0) {
      throw Refused.conflict("This product is in a group already; take it out there first.");
    }
  }

  @Transactional
  void leave(long group, long product) {
    groupsRevision.incrementAndGet();
    variants.leave(group, product);
  }

  @Transactional
  void remove(long group) {
    groupsRevision.incrementAndGet();
    variants.remove(group);
  }
}
