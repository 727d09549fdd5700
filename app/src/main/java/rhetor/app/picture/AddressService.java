package rhetor.app.picture;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.picture.AddressStore.HostCount;
import rhetor.app.picture.AddressStore.Unfetched;
import rhetor.app.picture.AddressStore.Waiting;
import rhetor.app.web.Refused;
import rhetor.core.image.PictureException;

/** Fetches the pictures that sources name by address, in the background and one after another. */
@Service
class AddressService {
  private static final Logger LOG = LoggerFactory.getLogger(AddressService.class);
  private static final int TRIES = 4;
  private static final int TROUBLES_SHOWN = 50;
  private static final Duration LOOK = Duration.ofSeconds(2);

  /** Between two pictures of one host. */
  private static final Duration PAUSE = Duration.ofMillis(200);

  private static final Duration FIRST_WAIT = Duration.ofSeconds(5);

  private final AddressStore store;
  private final PictureFetcher fetcher;
  private final PictureService pictures;
  private final TransactionTemplate transaction;

  AddressService(
      AddressStore store,
      PictureFetcher fetcher,
      PictureService pictures,
      TransactionTemplate transaction) {
    this.store = store;
    this.fetcher = fetcher;
    this.pictures = pictures;
    this.transaction = transaction;
  }

  @Configuration
  static class Background {
    @Bean
    Task<Void> fetchPictures(AddressService addresses) {
      return Tasks.recurring("fetch-pictures", FixedDelay.of(LOOK))
          .execute((instance, context) -> addresses.fetchAll());
    }
  }

  /** Fetches what may be fetched, until nothing is left whose time has come. */
  void fetchAll() {
    Map<String, Long> asked = new HashMap<>();
    for (Optional<Waiting> next = store.next(fetcher.trusted());
        next.isPresent() && !Thread.currentThread().isInterrupted();
        next = store.next(fetcher.trusted())) {
      Waiting address = next.get();
      pause(asked.get(address.host()));
      PictureFetcher.Outcome outcome = fetcher.fetch(address.address(), store::isAllowed);
      asked.put(address.host(), System.nanoTime());
      try {
        transaction.executeWithoutResult(t -> keep(address, outcome));
      } catch (RuntimeException e) {
        // One picture that can't be kept must not hold up all that come after it.
        LOG.warn("the picture at {} could not be kept", address.address(), e);
        store.failed(address.id(), "It came, but could not be kept; the log says why.");
      }
    }
  }

  private static void pause(Long last) {
    long left = last == null ? 0 : PAUSE.toNanos() - (System.nanoTime() - last);
    if (left > 0) {
      try {
        Thread.sleep(Duration.ofNanos(left));
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
  }

  private void keep(Waiting address, PictureFetcher.Outcome outcome) {
    switch (outcome) {
      case PictureFetcher.Outcome.Bytes came -> {
        try {
          store.fetched(
              address.id(),
              pictures.fetched(
                  AddressStore.fileName(address.address()),
                  came.bytes(),
                  address.productId(),
                  address.namedBy()));
        } catch (PictureException e) {
          store.failed(address.id(), e.getMessage());
        }
      }
      case PictureFetcher.Outcome.Failed failed -> store.failed(address.id(), failed.reason());
      case PictureFetcher.Outcome.Later later -> {
        if (address.tries() + 1 >= TRIES) {
          store.failed(address.id(), later.reason() + " It was tried " + TRIES + " times.");
        } else {
          Duration ours = FIRST_WAIT.multipliedBy(1L << 2 * address.tries());
          store.later(
              address, later.least().compareTo(ours) > 0 ? later.least() : ours, later.reason());
        }
      }
    }
  }

  /**
   * How the pictures that sources name stand.
   *
   * @param hosts by host; those that are named by file name only, under an empty one
   */
  record Addresses(List<HostCount> hosts, List<Unfetched> troubles) {}

  Addresses all() {
    List<String> trusted = fetcher.trusted();
    return new Addresses(
        store.hosts().stream()
            .map(
                h ->
                    new HostCount(
                        h.host(),
                        h.allowed() || trusted.contains(h.host()),
                        h.waiting(),
                        h.fetched(),
                        h.failed()))
            .toList(),
        store.troubles(TROUBLES_SHOWN));
  }

  /** Says whether pictures may be fetched from a host. */
  Addresses allow(String host, boolean allowed, String by) {
    String clean = host.strip().toLowerCase(Locale.ROOT);
    if (!AddressStore.host("https://" + clean + "/").equals(clean)) {
      throw Refused.invalid(
          "\"" + host.strip() + "\" is no host. Write it as it stands in the addresses.");
    }
    if (allowed) {
      store.allow(clean, by);
    } else {
      store.disallow(clean);
    }
    return all();
  }

  Addresses retry() {
    store.retry();
    return all();
  }
}
