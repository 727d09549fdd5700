package rhetor.app.run;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.TemporalAdjusters;

/** How often something begins by itself. */
public enum Rhythm {
  ONCE,
  DAILY,
  WEEKLY,
  /** Whenever the shop calls and says that something of it has changed. */
  SHOP_NEWS;

  /** Whether it goes by the clock, again and again. */
  boolean recurs() {
    return this == DAILY || this == WEEKLY;
  }

  /**
   * When it begins next, after a moment. Where clocks are put forward past its time, it begins as
   * much later; where they are put back, at the first of the two.
   *
   * @param weekday the day of a weekly rhythm
   * @throws IllegalStateException if it doesn't go by the clock
   */
  public Instant next(Instant after, LocalTime time, DayOfWeek weekday, ZoneId zone) {
    if (this == SHOP_NEWS) {
      throw new IllegalStateException("nobody knows when the shop calls");
    }
    ZonedDateTime now = after.atZone(zone);
    ZonedDateTime next = now.toLocalDate().atTime(time).atZone(zone);
    if (this == WEEKLY) {
      next =
          now.toLocalDate().with(TemporalAdjusters.nextOrSame(weekday)).atTime(time).atZone(zone);
    }
    if (!next.toInstant().isAfter(after)) {
      next =
          next.toLocalDate()
              .plusDays(this == WEEKLY ? DayOfWeek.values().length : 1)
              .atTime(time)
              .atZone(zone);
    }
    return next.toInstant();
  }
}
