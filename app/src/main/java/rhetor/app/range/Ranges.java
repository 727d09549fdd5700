package rhetor.app.range;

import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;

/** The house's ranges, and which products are in them. */
@Service
public class Ranges {
  private static final int LONGEST_NAME = 80;

  private final RangeStore store;
  private final ProductService products;
  private final ApplicationEventPublisher events;

  Ranges(RangeStore store, ProductService products, ApplicationEventPublisher events) {
    this.store = store;
    this.products = products;
    this.events = events;
  }

  /**
   * A named set of products that are worked on together.
   *
   * @param products how many are in it
   */
  public record Range(long id, String name, int products) {}

  /** All ranges. */
  public List<Range> all() {
    return store.all();
  }

  /** A range by its id. */
  public Range get(long id) {
    return find(id).orElseThrow(() -> Refused.notFound("There is no such range."));
  }

  /** A range by its id, if there is one. */
  public Optional<Range> find(long id) {
    return store.find(id);
  }

  /** The range a product is in, 0 if in none. */
  public long of(long product) {
    return store.of(product).orElse(0L);
  }

  @Transactional
  public Range add(String name, String by) {
    return get(store.add(clean(name), by));
  }

  @Transactional
  public Range rename(long id, String name) {
    get(id);
    store.rename(id, clean(name));
    return get(id);
  }

  /** Takes a range away; its products stay, under the house's style. */
  @Transactional
  public void remove(long id) {
    get(id);
    store.remove(id);
    events.publishEvent(new RangeChanged(id));
  }

  /**
   * Puts products into a range; they leave the one they were in.
   *
   * @param ids the products; all that match if there are none
   */
  @Transactional
  public int put(long id, List<Long> ids, ProductFilter filter) {
    get(id);
    List<Long> meant = meant(ids, filter);
    store.put(id, meant);
    events.publishEvent(new RangeChanged(id));
    return meant.size();
  }

  /** Takes products out of a range. */
  @Transactional
  public int takeOut(long id, List<Long> ids, ProductFilter filter) {
    get(id);
    List<Long> meant = meant(ids, filter);
    store.takeOut(id, meant);
    events.publishEvent(new RangeChanged(id));
    return meant.size();
  }

  private List<Long> meant(List<Long> ids, ProductFilter filter) {
    List<Long> meant = ids.isEmpty() ? products.ids(filter) : ids;
    if (meant.isEmpty()) {
      throw Refused.conflict("No product matches, so nothing was moved.");
    }
    ids.forEach(products::line);
    return meant;
  }

  private static String clean(String name) {
    String clean = name.strip();
    if (clean.isEmpty() || clean.length() > LONGEST_NAME) {
      throw Refused.invalid("A range needs a name of up to %d characters.".formatted(LONGEST_NAME));
    }
    return clean;
  }
}
