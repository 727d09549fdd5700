package rhetor.app.audit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** What is counted quickly is always up to date; nobody waits for what takes long. */
class CountingTest {
  /** A clock that goes on when it is told to. */
  private static final class Watch extends Clock {
    private Instant now = Instant.parse("2027-01-01T00:00:00Z");

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    @Override
    public synchronized Instant instant() {
      return now;
    }

    synchronized void goOn(Duration by) {
      now = now.plus(by);
    }
  }

  private final Watch watch = new Watch();
  private final AtomicInteger counted = new AtomicInteger();

  @Test
  void a_quick_count_is_made_anew_each_time() {
    Counting<Integer> counting = new Counting<>(counted::incrementAndGet, watch);
    assertThat(counting.get().value()).isEqualTo(1);
    assertThat(counting.get()).matches(c -> c.value() == 2 && c.isLatest());
  }

  @Test
  void a_slow_count_answers_with_the_last_one_and_goes_on_in_the_background_after_a_rest()
      throws InterruptedException {
    CountDownLatch second = new CountDownLatch(1);
    Counting<Integer> counting =
        new Counting<>(
            () -> {
              watch.goOn(Duration.ofMillis(500));
              int n = counted.incrementAndGet();
              if (n == 2) {
                second.countDown();
              }
              return n;
            },
            watch);
    assertThat(counting.get()).matches(c -> c.value() == 1 && c.isLatest());
    assertThat(counting.get()).matches(c -> c.value() == 1 && !c.isLatest());
    assertThat(counted).as("it rests").hasValue(1);
    watch.goOn(Duration.ofSeconds(5));
    assertThat(counting.get().value()).isEqualTo(1);
    assertThat(second.await(20, TimeUnit.SECONDS)).isTrue();
    for (int i = 0; i < 200 && counting.get().value() == 1; i++) {
      Thread.sleep(10);
    }
    assertThat(counting.get().value()).isEqualTo(2);
  }
}
