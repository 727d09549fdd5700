package rhetor.app.product;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps what an intake says of new products on a thread of its own and in parts, while the intake's
 * own transaction adds the products. Nobody sees the parts before that transaction ends, as they
 * count only with their products; if it fails, whoever began the intake removes them.
 */
final class SourcesAside implements AutoCloseable {
  private static final int PART = 3_000;

  /** Batches that wait for the thread. */
  private static final int WAITING = 4;

  private final ProductStore store;
  private final TransactionTemplate transaction;
  private final long intake;
  private final Runnable closed;
  private final ExecutorService thread =
      Executors.newSingleThreadExecutor(
          Thread.ofPlatform().daemon().name("sources-aside").factory());
  private final Semaphore room = new Semaphore(WAITING);
  private final AtomicReference<RuntimeException> failure = new AtomicReference<>();

  /** Only the thread's own. */
  private final List<ProductStore.Said> part = new ArrayList<>();

  SourcesAside(ProductStore store, TransactionTemplate transaction, long intake, Runnable closed) {
    this.store = store;
    this.transaction = transaction;
    this.intake = intake;
    this.closed = closed;
  }

  /** Keeps rows, at the latest when it is finished. */
  void add(List<ProductStore.Row> rows) {
    run(
        () -> {
          // Packed here: whoever hands rows on has more to do than this thread.
          rows.stream().map(store::said).forEach(part::add);
          if (part.size() >= PART) {
            write();
          }
        });
  }

  /** Keeps what is left; afterwards all of it is in the database. */
  void finish() {
    run(this::write);
    room.acquireUninterruptibly(WAITING);
    room.release(WAITING);
    throwFailure();
  }

  private void write() {
    transaction.executeWithoutResult(t -> store.addSources(intake, part));
    part.clear();
  }

  /** Does work once there is room for it, unless some before it failed. */
  private void run(Runnable work) {
    room.acquireUninterruptibly();
    throwFailure();
    thread.execute(
        () -> {
          try {
            if (failure.get() == null) {
              work.run();
            }
          } catch (RuntimeException e) {
            failure.set(e);
          } finally {
            room.release();
          }
        });
  }

  private void throwFailure() {
    RuntimeException reason = failure.get();
    if (reason != null) {
      throw reason;
    }
  }

  /** Waits for what is under way, so that nothing is written afterwards. */
  @Override
  public void close() {
    thread.close();
    closed.run();
  }
}
