package rhetor.app.product;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps what an intake says of new products on a thread of its own and in parts, while the intake's
 * own transaction adds the products. Nobody sees the parts before that transaction ends, as nothing
 * leads to them but their products; if it fails, whoever began the intake removes them.
 */
final class SourcesAside implements AutoCloseable {
  private static final int PART = 2_000;

  private final ProductStore store;
  private final TransactionTemplate transaction;
  private final long intake;
  private final Runnable closed;
  private final ExecutorService thread =
      Executors.newSingleThreadExecutor(
          Thread.ofPlatform().daemon().name("sources-aside").factory());
  private List<ProductStore.Said> part = new ArrayList<>();
  private Future<?> writing;

  SourcesAside(ProductStore store, TransactionTemplate transaction, long intake, Runnable closed) {
    this.store = store;
    this.transaction = transaction;
    this.intake = intake;
    this.closed = closed;
  }

  /** Keeps rows, at the latest when it is finished. */
  void add(List<ProductStore.Said> rows) {
    part.addAll(rows);
    if (part.size() >= PART) {
      write();
    }
  }

  /** Keeps what is left; afterwards all of it is in the database. */
  void finish() {
    write();
    await();
  }

  private void write() {
    // One part is filled while another is written, and no more wait.
    await();
    List<ProductStore.Said> full = part;
    part = new ArrayList<>();
    writing =
        thread.submit(() -> transaction.executeWithoutResult(t -> store.addSources(intake, full)));
  }

  private void await() {
    if (writing == null) {
      return;
    }
    try {
      writing.get();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException reason) {
        throw reason;
      }
      throw new IllegalStateException(e.getCause());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("interrupted", e);
    }
  }

  /** Waits for what is under way, so that nothing is written afterwards. */
  @Override
  public void close() {
    thread.close();
    closed.run();
  }
}
