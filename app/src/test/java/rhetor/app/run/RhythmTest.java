package rhetor.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Night after night in a house's own time, whatever is done to its clocks. */
class RhythmTest {
  @ParameterizedTest
  @CsvSource({
    // A Monday in November; London has UTC.
    "ONCE, 2026-11-30T16:00:00Z, 23:30, MONDAY, Europe/London, 2026-11-30T23:30:00Z",
    "ONCE, 2026-11-30T23:30:00Z, 23:30, MONDAY, Europe/London, 2026-12-01T23:30:00Z",
    "DAILY, 2026-11-30T16:00:00Z, 02:00, MONDAY, Europe/London, 2026-12-01T02:00:00Z",
    "DAILY, 2026-11-30T16:00:00Z, 02:00, MONDAY, America/New_York, 2026-12-01T07:00:00Z",
    "WEEKLY, 2026-11-30T16:00:00Z, 02:00, FRIDAY, Europe/Berlin, 2026-12-04T01:00:00Z",
    "WEEKLY, 2026-11-30T16:00:00Z, 18:00, MONDAY, Europe/London, 2026-11-30T18:00:00Z",
    "WEEKLY, 2026-11-30T16:00:00Z, 02:00, MONDAY, Europe/London, 2026-12-07T02:00:00Z",
    // Clocks go forward in Berlin: there is no half past two on that day.
    "DAILY, 2027-03-27T12:00:00Z, 02:30, MONDAY, Europe/Berlin, 2027-03-28T01:30:00Z",
    // They go back: half past two is twice, and it begins once.
    "DAILY, 2027-10-30T12:00:00Z, 02:30, MONDAY, Europe/Berlin, 2027-10-31T00:30:00Z",
    "DAILY, 2027-10-31T00:30:00Z, 02:30, MONDAY, Europe/Berlin, 2027-11-01T01:30:00Z"
  })
  void it_begins_next(
      Rhythm rhythm, Instant after, LocalTime time, DayOfWeek day, ZoneId zone, Instant next) {
    assertThat(rhythm.next(after, time, day, zone)).isEqualTo(next);
  }
}
