package rhetor.app.product;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.web.Refused;
import rhetor.core.fact.VariantFinder;
import rhetor.core.fact.VariantFinder.Group;
import rhetor.core.fact.VariantFinder.Item;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;

/** Proposes which products are variants of one thing, and keeps what people say about it. */
@Service
class VariantService {
  /** How long somebody waits for proposals before they see those of before. */
  private static final Duration PATIENCE = Duration.ofSeconds(1);

  /** How many times as long as it is looked for it isn't. */
  private static final int RESTS = 10;

  private static final int FAMILIES_AT_ONCE = 500;

  /** How many proposals are kept with their matrices. */
  private static final int SHOWN = 100;

  private final VariantStore variants;
  private final ProductStore store;
  private final ProductService products;
  private final VariantFinder finder;
  private final ValueText values;
  private final ProductCounts counts;
  private final AtomicLong groupsRevision = new AtomicLong();
  private CompletableFuture<Void> looking;
  private volatile Found found = new Found(-1, List.of(), 0, 0, 0);

  /**
   * Proposals, and what they were found in.
   *
   * @param took how long that was looked for, in nanoseconds
   */
  private record Found(long revision, List<Group> shown, int all, long at, long took) {
    /** Whether it is too early to look again: that would be all that is done. */
    boolean rests() {
      return System.nanoTime() - at < RESTS * took;
    }

    Proposals proposals(boolean isLooking) {
      return new Proposals(shown, all, isLooking);
    }
  }

  /** Products that may be variants of one thing. */
  private record Proposal(String name, List<Long> members) {}

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
   * @param shown the first {@value #SHOWN} of them
   * @param isLooking whether products have changed since and are being looked through
   */
  record Proposals(List<Group> shown, int all, boolean isLooking) {}

  /** What was found last; looked for anew, by one at a time, when products have changed since. */
  Proposals proposals() {
    long now = counts.factsRevision() + groupsRevision.get();
    Found last = found;
    if (last.revision == now) {
      return last.proposals(false);
    }
    CompletableFuture<Void> search;
    synchronized (this) {
      // Only who has it begun waits a little: in a large house the others would wait for nothing.
      if (looking != null && !looking.isDone() || last.rests()) {
        return last.proposals(true);
      }
      looking =
          CompletableFuture.runAsync(
              () -> found = find(now),
              r -> Thread.ofPlatform().daemon().priority(Thread.MIN_PRIORITY).start(r));
      search = looking;
    }
    try {
      search.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
    } catch (TimeoutException e) {
      return found.proposals(true);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException e) {
      throw new IllegalStateException(e.getCause());
    }
    return found.proposals(false);
  }

  private Found find(long revision) {
    long start = System.nanoTime();
    List<Proposal> proposals = look();
    List<Group> shown = groups(proposals.stream().limit(SHOWN).toList());
    long end = System.nanoTime();
    return new Found(revision, shown, proposals.size(), end, end - start);
  }

  /** A product, and what it has in common with variants of the same thing. */
  private record Relative(int family, long product) {}

  /**
   * Looks through all products, first for those that may belong together and then at these, so that
   * a large house needn't be held in memory.
   */
  private List<Proposal> look() {
    Set<Long> grouped = new HashSet<>(variants.grouped());
    List<Relative> all = new ArrayList<>();
    store.eachSource(
        (product, facts) -> {
          if (!grouped.contains(product.id())) {
            all.add(new Relative(finder.family(facts), product.id()));
          }
        });
    all.sort(Comparator.comparingInt(Relative::family).thenComparingLong(Relative::product));
    List<Proposal> proposals = new ArrayList<>();
    List<Long> next = new ArrayList<>();
    for (int i = 0; i < all.size(); ) {
      int end = i + 1;
      while (end < all.size() && all.get(end).family == all.get(i).family) {
        end++;
      }
      if (end - i > 1) {
        all.subList(i, end).forEach(r -> next.add(r.product));
      }
      if (next.size() >= FAMILIES_AT_ONCE) {
        propose(next, proposals);
        next.clear();
      }
      i = end;
    }
    propose(next, proposals);
    proposals.sort(Comparator.comparingInt(p -> -p.members.size()));
    return proposals;
  }

  private void propose(List<Long> products, List<Proposal> proposals) {
    for (Group group : finder.propose(items(products))) {
      proposals.add(new Proposal(group.name(), group.members().stream().map(Item::id).toList()));
    }
  }

  private List<Item> items(List<Long> products) {
    List<Item> items = new ArrayList<>();
    store.eachSource(
        products, (product, facts) -> items.add(Item.of(product.id(), facts, values::spec)));
    items.sort(Comparator.comparingLong(Item::id));
    return items;
  }

  /** Proposals with their matrices. */
  private List<Group> groups(List<Proposal> proposals) {
    Map<Long, Item> items =
        items(proposals.stream().flatMap(p -> p.members.stream()).toList()).stream()
            .collect(Collectors.toMap(Item::id, i -> i));
    // What has gone or was taken back since leaves a gap.
    return proposals.stream()
        .map(
            p ->
                finder.group(
                    p.name, p.members.stream().map(items::get).filter(Objects::nonNull).toList()))
        .filter(g -> g.members().size() > 1)
        .toList();
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
    List<Proposal> proposals = look();
    groupsRevision.incrementAndGet();
    for (Proposal proposal : proposals) {
      variants.join(variants.add(proposal.name), proposal.members);
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
