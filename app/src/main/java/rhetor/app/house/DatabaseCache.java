package rhetor.app.house;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Lets the database keep more of its pages in memory while very much is stored in one go, and gives
 * the memory back afterwards.
 */
@Component
public class DatabaseCache {
  /** What H2 takes of the heap by itself, as a divisor. */
  private static final int ORDINARY = 16;

  /** With a fifth of the heap the pages of 100,000 products are written once, not several times. */
  private static final int WIDE = 5;

  private final JdbcClient jdbc;
  private int using;

  DatabaseCache(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * Does work with a wide cache; others may do so at the same moment. Must not be called within a
   * transaction, which would be committed.
   */
  public void widened(Runnable work) {
    change(1);
    try {
      work.run();
    } finally {
      change(-1);
    }
  }

  private synchronized void change(int more) {
    int before = using;
    using += more;
    if (before == 0 || using == 0) {
      long kilobytes = Runtime.getRuntime().maxMemory() / 1024 / (using == 0 ? ORDINARY : WIDE);
      jdbc.sql("set cache_size " + kilobytes).update();
    }
  }
}
