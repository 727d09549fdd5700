package rhetor.app.range;

import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.ProductsTakenIn;
import rhetor.app.web.Refused;

/** The house's ranges, and which products are in them. */
@Service
public class Ranges {
  private static final int LONGEST_NAME = 80;
  private static final int LONGEST_WORD = 200;

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
   * @param kind products of which kind come into it by themselves; empty for any
   * @param brand those of which maker do; empty for any, and with no kind either, none do
   * @param isAside whether the house is done with it: what it decides holds, and no product comes
   *     into it
   * @param products how many are in it
   * @param written how many of them have a text
   * @param signedOff how many of those are signed off, but not live
   * @param live how many are live
   */
  public record Range(
      long id,
      String name,
      String kind,
      String brand,
      boolean isAside,
      int products,
      int written,
      int signedOff,
      int live) {}

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

  /** Puts a range aside, so that no product comes into it any more, or takes it up again. */
  @Transactional
  public Range putAside(long id, boolean isAside) {
    get(id);
    store.putAside(id, isAside);
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
    if (get(id).isAside()) {
      throw Refused.conflict("This range is put aside. Take it up again first.");
    }
    List<Long> meant = meant(ids, filter);
    store.put(id, meant);
    events.publishEvent(new RangeChanged(id));
    return meant.size();
  }

  /**
   * Says which products come into a range by themselves, now and whenever some are taken in: those
   * of a kind and a maker that are in no range.
   *
   * @param kind the kind, empty for any
   * @param brand the maker, empty for any; if the kind is empty too, none come
   * @return how many came now
   */
  @Transactional
  public int setRule(long id, String kind, String brand) {
    get(id);
    store.setRule(id, word(kind), word(brand));
    return fill(id);
  }

  private static String word(String word) {
    if (word.length() > LONGEST_WORD) {
      throw Refused.invalid("A kind and a maker have up to %d characters.".formatted(LONGEST_WORD));
    }
    return word.strip();
  }

  private int fill(long id) {
    int came = store.fill(id);
    if (came > 0) {
      events.publishEvent(new RangeChanged(id));
    }
    return came;
  }

  /** Products that were taken in come into the ranges that want them; the oldest range first. */
  @EventListener
  void tookIn(ProductsTakenIn products) {
    store.withRule().forEach(this::fill);
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
