package rhetor.app.edition;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Clock;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.product.Product;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.Stage;
import rhetor.app.proof.ProofService;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.compose.Draft;
import rhetor.core.compose.Sentence;
import rhetor.core.exchange.Html;
import rhetor.core.style.Field;

/** Publishes signed-off texts, and nothing else. */
@Service
public class EditionService {
  private static final TaskDescriptor<Long> TASK = TaskDescriptor.of("publish-edition", Long.class);
  private static final int CHUNK = 20;

  private final EditionStore editions;
  private final ProductService products;
  private final ProofService proofs;
  private final ShopClient shop;
  private final HouseStyle style;
  private final SchedulerClient scheduler;
  private final TransactionTemplate transaction;
  private final Clock clock;

  EditionService(
      EditionStore editions,
      ProductService products,
      ProofService proofs,
      ShopClient shop,
      HouseStyle style,
      @Lazy SchedulerClient scheduler,
      TransactionTemplate transaction,
      Clock clock) {
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
      return Tasks.oneTime(TASK)
          .execute((instance, context) -> editions.carryOut(instance.getData()));
    }
  }

  List<Edition> latest() {
    return editions.latest();
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
    scheduler.scheduleIfNotExists(
        TASK.instance(String.valueOf(id)).data(id).build(), clock.instant());
    return get(id);
  }

  /** Whether something in a product's text must be fixed, signed off or not. */
  private boolean isHeld(long product) {
    return products.line(product).mustFix() > 0;
  }

  void carryOut(long id) {
    editions.setStatus(id, Edition.Status.RUNNING);
    for (List<EditionStore.Pending> next = editions.next(id, CHUNK);
        !next.isEmpty();
        next = editions.next(id, CHUNK)) {
      next.forEach(item -> publish(id, item));
    }
    editions.setStatus(id, Edition.Status.DONE);
  }

  private void publish(long edition, EditionStore.Pending item) {
    Product product = products.get(item.productId());
    if (product.textId() != item.textId()
        || product.stage() != Stage.SIGNED_OFF && product.stage() != Stage.PUBLISHED) {
      editions.setItem(
          edition,
          item.productId(),
          "FAILED",
          "The text was changed after it was signed off. Sign it off again.",
          null);
      return;
    }
    if (isHeld(item.productId())) {
      editions.setItem(
          edition,
          item.productId(),
          "FAILED",
          "Something in the text must be fixed first: what the house decides has changed.",
          null);
      return;
    }
    try {
      String sku = product.facts().sku();
      String version =
          shop.version(sku)
              .map(v -> product.shopVersion().isEmpty() ? v : product.shopVersion())
              .orElse("");
      ShopClient.Published published =
          shop.put(sku, content(proofs.text(item.textId()).draft()), version);
      transaction.executeWithoutResult(
          t -> {
            products.setPublished(
                item.productId(), item.textId(), published.page(), published.version());
            editions.setItem(edition, item.productId(), "PUBLISHED", null, published.page());
          });
    } catch (ShopClient.ShopRefused e) {
      editions.setItem(edition, item.productId(), "FAILED", e.getMessage(), null);
    }
  }

  private ShopClient.Content content(Draft draft) {
    return new ShopClient.Content(
        draft.plain(Field.TITLE),
        draft.plain(Field.SHORT_DESCRIPTION),
        Html.of(draft.blocks(Field.DESCRIPTION), style.current().structure().headingLevel()),
        draft.plain(Field.META_TITLE),
        draft.plain(Field.META_DESCRIPTION),
        draft.sentences(Field.TAGS).stream().map(Sentence::text).toList(),
        draft.plain(Field.IMAGE_ALT));
  }
}
