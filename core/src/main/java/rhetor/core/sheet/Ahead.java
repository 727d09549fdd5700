package rhetor.core.sheet;

import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;

/** Work that one thread does some items ahead of the one that needs them. */
public final class Ahead<T> implements AutoCloseable {
  private static final Object END = new Object();

  private final BlockingQueue<Object> queue;
  private Thread worker;
  private volatile RuntimeException failure;

  /** Where the worker puts what it has done; waits while the reader is far behind. */
  public interface Sink<T> {
    void put(T item) throws InterruptedException;
  }

  /** What the worker does. */
  public interface Work<T> {
    void run(Sink<T> sink) throws InterruptedException;
  }

  /** Room for so many items between the two threads. */
  public Ahead(int items) {
    queue = new ArrayBlockingQueue<>(items);
  }

  /** Begins the work on a thread of its own. */
  public void start(Work<T> work) {
    worker =
        Thread.ofPlatform()
            .daemon()
            .name("ahead")
            .start(
                () -> {
                  try {
                    try {
                      work.run(queue::put);
                    } catch (RuntimeException e) {
                      failure = e;
                    }
                    queue.put(END);
                  } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                  }
                });
  }

  /**
   * The next item, or null after the last.
   *
   * @throws RuntimeException what the worker failed with
   */
  @SuppressWarnings("unchecked")
  public T next() {
    try {
      Object item = queue.take();
      if (item != END) {
        return (T) item;
      }
      if (failure != null) {
        throw failure;
      }
      return null;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("interrupted", e);
    }
  }

  @Override
  public void close() {
    if (worker == null) {
      return;
    }
    worker.interrupt();
    try {
      worker.join();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
