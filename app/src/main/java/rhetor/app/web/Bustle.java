package rhetor.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Tells whether people are asking for something, so that work that can wait makes room for them.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class Bustle extends OncePerRequestFilter {
  /** Whoever has just asked is likely to ask again. */
  private static final Duration STILL = Duration.ofMillis(250);

  private final AtomicLong lastAsked = new AtomicLong(System.nanoTime() - STILL.toNanos());

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse answer, FilterChain chain)
      throws IOException, ServletException {
    lastAsked.set(System.nanoTime());
    chain.doFilter(request, answer);
  }

  private boolean isBusy() {
    return System.nanoTime() - lastAsked.get() < STILL.toNanos();
  }

  /**
   * Does a piece of work that nobody waits for at a screen, and then leaves the machine to those
   * who do, if there are any.
   *
   * @param times how many times as long as the work took
   * @param stops whether to wait no longer
   */
  public void giveWay(Runnable work, double times, BooleanSupplier stops) {
    long start = System.nanoTime();
    work.run();
    long end = System.nanoTime();
    long until = end + (long) (times * (end - start));
    try {
      while (isBusy() && !stops.getAsBoolean() && System.nanoTime() < until) {
        Thread.sleep(Duration.ofNanos(Math.min(5_000_000, until - System.nanoTime())));
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
