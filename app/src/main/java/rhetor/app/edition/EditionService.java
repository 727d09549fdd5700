package rhetor.app.edition;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.house.LastingTask;
import rhetor.app.house.Turns;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.Product;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.proof.ProofService;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** Publishes signed-off texts, and nothing else. */
@Service
public class EditionService {
  private static final TaskDescriptor<Long> TASK = TaskDescriptor.of("publish-edition", Long.class);
  private static final Logger LOG = LoggerFactory.getLogger(EditionService.class);
  private static final int CHUNK = 20;
  private static final int PAGE = 50;

  /** Texts in a row that the shop leaves unanswered before an edition gives up. */
  private static final int MOST_OUTAGES = 5;

  private static final ShopContent NOTHING = new ShopContent("", "", "", "", "", List.of(), "");

  private final EditionStore editions;
  private final ProductService products;
  private final ProofService proofs;
  private final ShopClient shop;
  private final HouseStyle style;
  private final SchedulerClient scheduler;
  private final TransactionTemplate transaction;
  private final SentTexts sent;
  private final Turns turns;
  private final HouseLog log;
  private final Clock clock;

  EditionService(
      EditionStore editions,
      ProductService products,
      ProofService proofs,
      ShopClient shop,
      HouseStyle style,
      @Lazy SchedulerClient scheduler,
      TransactionTemplate transaction,
      SentTexts sent,
      Turns turns,
      HouseLog log,
      Clock clock) {
    this.log = log;
    this.sent = sent;
    this.turns = turns;
    this.editions = editions;
    this.products = products;
    this.proofs = proofs;
    this.shop = shop;
    this.style = style;
    this.scheduler = scheduler;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** The background task that publishes; it survives a restart of the server. */
  @Configuration
  static class PublishTask {
    @Bean
    Task<Long> publishEdition(EditionService editions) {
      return LastingTask.of(TASK, editions::carryOut);
    }
  }

  /**
   * Editions without their items, the last first.
   *
   * @param before id of the last one of the page before, 0 for the first page
   */
  List<Edition> page(long before) {
    return editions.page(before, PAGE);
  }

  Edition get(long id) {
    return editions.find(id).orElseThrow(() -> Refused.notFound("There is no such edition."));
  }

  /**
   * Publishes the products named, or all that are signed off if none is.
   *
   * @throws Refused if one of those named is not signed off, or there is nothing to publish
   */
  @Transactional
  public Edition publish(List<Long> ids, String by) {
    turns.take(Turns.Turn.EDITION);
    List<Long> chosen =
        ids.isEmpty()
            ? products.ids(new ProductFilter("", Stage.SIGNED_OFF.name(), 0))
            : ids.stream().distinct().toList();
    Set<Long> busy = new HashSet<>(editions.busy());
    List<Long> held = chosen.stream().filter(this::isHeld).toList();
    if (!held.isEmpty() && !ids.isEmpty()) {
      Product first = products.get(held.getFirst());
      throw Refused.conflict(
          "%s (%s) has something that must be fixed first: what the house decides has changed since it was signed off."
              .formatted(first.facts().name(), first.facts().sku()));
    }
    List<EditionStore.Pending> items =
        chosen.stream()
            .filter(id -> !busy.contains(id) && !held.contains(id))
            .map(products::get)
            .peek(
                p -> {
                  if (p.stage() != Stage.SIGNED_OFF && p.stage() != Stage.PUBLISHED) {
                    throw Refused.conflict(
                        p.facts().name()
                            + " ("
                            + p.facts().sku()
                            + ") is not signed off, so it can't go out.");
                  }
                })
            .map(p -> new EditionStore.Pending(p.id(), p.textId()))
            .toList();
    if (items.isEmpty()) {
      throw Refused.conflict(
          chosen.isEmpty()
              ? "No text is signed off, so there is nothing to publish."
              : held.isEmpty()
                  ? "These texts are on their way already."
                  : "Nothing can go out: %d signed-off texts have something that must be fixed first."
                      .formatted(held.size()));
    }
    long id = editions.add(items, by);
    log.note(by, Event.EDITION_STARTED, "edition " + id, items.size() + " texts");
    scheduler.scheduleIfNotExists(
        TASK.instance(String.valueOf(id)).data(id).build(), clock.instant());
    return get(id);
  }

  /** Whether something in a product's text must be fixed, signed off or not. */
  private boolean isHeld(long product) {
    return products.line(product).mustFix() > 0;
  }

  /** Publishes an edition, or what is left of it; whether all of it has an outcome. */
  boolean carryOut(long id, BooleanSupplier stops) {
    editions.setStatus(id, Edition.Status.RUNNING);
    int outages = 0;
    for (List<EditionStore.Pending> next = editions.next(id, CHUNK);
        !next.isEmpty();
        next = editions.next(id, CHUNK)) {
      for (EditionStore.Pending item : next) {
        if (stops.getAsBoolean()) {
          return false;
        }
        outages =
            outages >= MOST_OUTAGES ? skip(id, item, outages) : publish(id, item, outages, stops);
        if (outages < 0) {
          return false;
        }
      }
    }
    editions.setStatus(id, Edition.Status.DONE);
    return true;
  }

  /** After so many that the shop didn't answer, the others needn't wait for it one by one. */
  private int skip(long edition, EditionStore.Pending item, int outages) {
    fail(
        edition,
        item,
        "The shop didn't answer for the %d texts before this one. Publish again later."
            .formatted(MOST_OUTAGES));
    return outages;
  }

  /**
   * Publishes one text, whatever becomes of the others.
   *
   * @return how many in a row the shop left unanswered; less than 0 if the server is being stopped
   *     and the text still waits
   */
  private int publish(long edition, EditionStore.Pending item, int outages, BooleanSupplier stops) {
    try {
      publish(edition, item);
      return 0;
    } catch (ShopClient.ShopRefused e) {
      if (stops.getAsBoolean()) {
        return -1;
      }
      fail(edition, item, e.getMessage());
      return e.isOutage() ? outages + 1 : 0;
    } catch (RuntimeException e) {
      if (stops.getAsBoolean()) {
        return -1;
      }
      LOG.error("publishing product {} failed", item.productId(), e);
      fail(
          edition,
          item,
          "Something went wrong that Rhetor didn't foresee. Publish again; if it stays, look into the log.");
      return 0;
    }
  }

  private void publish(long edition, EditionStore.Pending item) {
    Product product = products.get(item.productId());
    ShopContent ours = content(proofs.text(item.textId()).draft());
    if (sent.isOurs(product.id(), ours) && isThereAlready(edition, item, product, ours)) {
      return;
    }
    if (product.textId() != item.textId()
        || product.stage() != Stage.SIGNED_OFF && product.stage() != Stage.PUBLISHED) {
      fail(edition, item, "The text was changed after it was signed off. Sign it off again.");
      return;
    }
    if (isHeld(item.productId())) {
      fail(
          edition,
          item,
          "Something in the text must be fixed first: what the house decides has changed.");
      return;
    }
    Optional<ShopClient.Standing> there = shop.find(product.facts().sku());
    if (there.isPresent() && isStrange(product, there.get())) {
      String reason = reason(product, there.get());
      transaction.executeWithoutResult(
          t -> editions.changedThere(edition, item.productId(), there.get(), reason));
      return;
    }
    sent.note(item.productId(), item.textId(), ours);
    Optional<ShopClient.Published> now =
        shop.put(product.facts().sku(), ours, there.map(ShopClient.Standing::version).orElse(""));
    if (now.isPresent()) {
      published(edition, item, now.get().page(), now.get().version());
    } else if (!isThereAlready(edition, item, product, ours)) {
      fail(
          edition,
          item,
          "Somebody changed this product in the shop at this very moment. Publish it again.");
    }
  }

  /**
   * Whether a text that was sent before stands in the shop: an edition that was broken off, or an
   * answer that was lost, has brought it, whatever has become of the text since.
   */
  private boolean isThereAlready(
      long edition, EditionStore.Pending item, Product product, ShopContent ours) {
    String sku = product.facts().sku();
    Optional<ShopClient.Standing> there =
        shop.find(sku).filter(t -> t.content().hash().equals(ours.hash()));
    if (there.isEmpty()) {
      return false;
    }
    String version = there.get().version();
    if (!product.page().isEmpty()) {
      published(edition, item, product.page(), version);
      return true;
    }
    // Only an answer to what is put says where the page is.
    Optional<ShopClient.Published> again = shop.put(sku, ours, version);
    again.ifPresent(now -> published(edition, item, now.page(), now.version()));
    return again.isPresent();
  }

  private void fail(long edition, EditionStore.Pending item, String reason) {
    transaction.executeWithoutResult(t -> editions.fail(edition, item.productId(), reason));
  }

  private void published(long edition, EditionStore.Pending item, String page, String version) {
    transaction.executeWithoutResult(
        t -> {
          products.setPublished(item.productId(), item.textId(), page, version);
          editions.published(edition, item.productId(), page);
        });
  }

  /**
   * Whether what stands in the shop is neither what Rhetor knows nor what it sent. What stood there
   * before the first text went out is what the texts are written to replace.
   */
  private boolean isStrange(Product product, ShopClient.Standing there) {
    return !product.shopVersion().isEmpty()
        && !product.shopVersion().equals(there.version())
        && !sent.isOurs(product.id(), there.content());
  }

  private String reason(Product product, ShopClient.Standing there) {
    String changed =
        sent.of(product.id()).stream()
            .findFirst()
            .map(
                last ->
                    last.differences(there.content()).stream()
                        .map(f -> f.label().toLowerCase(Locale.ROOT))
                        .collect(Collectors.joining(", ")))
            .filter(f -> !f.isEmpty())
            .orElse("page");
    return "Somebody changed it in the shop (%s). Compare the two, then take theirs, replace it, or merge."
        .formatted(changed);
  }

  private ShopContent content(Draft draft) {
    return ShopContent.of(draft, style.current().structure().headingLevel());
  }

  /**
   * A field of a product's page beside what would be published.
   *
   * @param field its code
   * @param ours what would go out
   * @param theirs what stands in the shop
   */
  record FieldThere(String field, String label, String ours, String theirs, boolean differs) {}

  /**
   * What stands in the shop of a product.
   *
   * @param version the shop's version tag; empty if the shop doesn't have it
   * @param changedThere whether somebody changed it there since Rhetor last published it
   */
  record There(String version, boolean changedThere, List<FieldThere> fields) {}

  /** What stands in the shop of a product now, beside what would be published. */
  There there(long productId) {
    Product product = products.get(productId);
    if (product.textId() == 0) {
      throw Refused.notFound("Nothing has been written for this product yet.");
    }
    ShopContent ours = content(proofs.text(product.textId()).draft());
    try {
      Optional<ShopClient.Standing> there = shop.find(product.facts().sku());
      ShopContent theirs = there.map(ShopClient.Standing::content).orElse(NOTHING);
      List<Field> differ = ours.differences(theirs);
      Map<Field, String> shown = theirs.fields();
      List<FieldThere> fields = new ArrayList<>();
      ours.fields()
          .forEach(
              (field, words) ->
                  fields.add(
                      new FieldThere(
                          field.code(),
                          field.label(),
                          words,
                          shown.get(field),
                          differ.contains(field))));
      return new There(
          there.map(ShopClient.Standing::version).orElse(""),
          there.filter(t -> isStrange(product, t)).isPresent(),
          fields);
    } catch (ShopClient.ShopRefused e) {
      throw Refused.outside(e.getMessage());
    }
  }

  /**
   * Decides what becomes of a page that somebody changed in the shop: the fields named are taken
   * from there as a new revision, which somebody signs off as any other; none leaves ours as it is.
   * Either way the next edition replaces the page.
   *
   * @param version the shop's version that the person saw
   * @param revision the text that the person saw
   * @throws Refused if either is another by now
   */
  @Transactional
  public void settle(
      long productId, String version, long revision, Set<Field> fromThere, String by) {
    Product product = products.get(productId);
    ShopClient.Standing there;
    try {
      there =
          shop.find(product.facts().sku())
              .filter(t -> t.version().equals(version))
              .orElseThrow(
                  () ->
                      Refused.changedMeanwhile(
                          "The page was changed in the shop once more. Look at it again."));
    } catch (ShopClient.ShopRefused e) {
      throw Refused.outside(e.getMessage());
    }
    Map<Field, String> theirs = new EnumMap<>(there.content().fields());
    theirs.keySet().retainAll(fromThere);
    proofs.takeOver(productId, theirs, revision, by, "Taken over from the shop");
    products.setShopVersion(productId, version);
    log.note(
        by,
        Event.SHOP_SETTLED,
        product.facts().sku(),
        theirs.isEmpty()
            ? "ours replaces theirs"
            : theirs.keySet().stream().map(Field::label).collect(Collectors.joining(", "))
                + " taken from there",
        productId);
  }
}
