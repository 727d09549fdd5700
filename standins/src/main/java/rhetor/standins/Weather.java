package rhetor.standins;

import java.util.concurrent.atomic.AtomicInteger;

/** How well a service is today: slow, strict or faulty on demand. */
public final class Weather {
  /**
   * The settings.
   *
   * @param latencyMillis how long every answer takes
   * @param perSecond most API requests in a second, 0 for any number
   * @param failEvery every so many requests fail, 0 for none
   * @param broken what can't be asked for at all: a word of the address that is answered with an
   *     error page; empty for none
   */
  public record Settings(int latencyMillis, int perSecond, int failEvery, String broken) {
    public Settings {
      broken = broken == null ? "" : broken;
    }
  }

  private volatile Settings settings = new Settings(0, 0, 0, "");
  private final AtomicInteger requests = new AtomicInteger();
  private long second;
  private int inSecond;

  /** As it is now. */
  public Settings settings() {
    return settings;
  }

  /** Makes it so. */
  public void set(Settings changed) {
    settings = changed;
  }

  /** The status to answer with instead of doing the work: 0 for none, 429 or 503. */
  public int obstacle() throws InterruptedException {
    Settings now = settings;
    if (now.latencyMillis > 0) {
      Thread.sleep(now.latencyMillis);
    }
    if (now.failEvery > 0 && requests.incrementAndGet() % now.failEvery == 0) {
      return 503;
    }
    return now.perSecond > 0 && isTooMany(now.perSecond) ? 429 : 0;
  }

  private synchronized boolean isTooMany(int perSecond) {
    long now = System.nanoTime() / 1_000_000_000L;
    inSecond = now == second ? inSecond + 1 : 1;
    second = now;
    return inSecond > perSecond;
  }
}
