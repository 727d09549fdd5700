package rhetor.app.audit;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;

/**
 * Counts something that takes longer the larger a house is, without letting anybody wait: what is
 * quickly counted is counted at once; what takes long is counted in the background while the last
 * count answers, so that counting takes no more than a tenth of the time.
 *
 * @param <T> what is counted
 */
final class Counting<T> {
  /** Counts that take no longer are made at once. */
  private static final Duration QUICK = Duration.ofMillis(60);

  private static final int TENTH = 10;

  private final Supplier<T> count;
  private final Clock clock;
  private final AtomicBoolean underWay = new AtomicBoolean();
  private final ReentrantLock first = new ReentrantLock();
  private volatile Counted<T> last;

  /**
   * A count.
   *
   * @param at when it was begun
   * @param isLatest whether nothing can have changed since; else it is being counted anew
   */
  record Counted<T>(T value, Instant at, Duration took, boolean isLatest) {
    private Counted<T> old() {
      return new Counted<>(value, at, took, false);
    }
  }

  Counting(Supplier<T> count, Clock clock) {
    this.count = count;
    this.clock = clock;
  }

  /** The count, or the last one if it takes long. */
  Counted<T> get() {
    Counted<T> now = last;
    if (now == null) {
      first.lock();
      try {
        return last == null ? counted() : last.old();
      } finally {
        first.unlock();
      }
    }
    if (now.took.compareTo(QUICK) <= 0) {
      return counted();
    }
    boolean rested =
        Duration.between(now.at, clock.instant()).compareTo(now.took.multipliedBy(TENTH)) >= 0;
    if (rested && underWay.compareAndSet(false, true)) {
      // One that was under way may have ended since, and has to rest first.
      if (last == now) {
        Thread.ofPlatform().daemon().name("counting").start(this::countOn);
      } else {
        underWay.set(false);
      }
    }
    return now.old();
  }

  private void countOn() {
    try {
      counted();
    } finally {
      underWay.set(false);
    }
  }

  private Counted<T> counted() {
    Instant begun = clock.instant();
    T value = count.get();
    Counted<T> counted =
        new Counted<>(value, begun, Duration.between(begun, clock.instant()), true);
    last = counted;
    return counted;
  }
}
