package rhetor.app.run;

import java.time.Duration;
import java.util.random.RandomGenerator;

/**
 * How many questions a service is asked at once: one more while all goes well, half as many when it
 * says that it is too much, and none when it has gone silent.
 */
final class Pace {
  private static final int FIRST = 4;
  private static final int MOST = 16;

  /** So many questions in a row without an answer: it is the service, not the question. */
  private static final int SILENT = 6;

  private static final Duration SHORTEST = Duration.ofMillis(500);
  private static final int DOUBLINGS = 6;

  private final RandomGenerator chance;
  private int atOnce = FIRST;
  private int answeredSince;
  private int troubles;

  Pace(RandomGenerator chance) {
    this.chance = chance;
  }

  int atOnce() {
    return atOnce;
  }

  void answered() {
    troubles = 0;
    if (++answeredSince >= atOnce && atOnce < MOST) {
      atOnce++;
      answeredSince = 0;
    }
  }

  void tooMuch() {
    troubles++;
    answeredSince = 0;
    atOnce = Math.max(1, atOnce / 2);
  }

  void silent() {
    troubles++;
    answeredSince = 0;
  }

  boolean isSilent() {
    return troubles >= SILENT;
  }

  /**
   * How long to wait before the next question: twice as long after each trouble, and by chance up
   * to twice that, so that many don't come back at the same moment.
   *
   * @param asked how long the service asks to be left alone
   */
  Duration pause(Duration asked) {
    Duration own = SHORTEST.multipliedBy(1L << Math.min(troubles, DOUBLINGS));
    Duration least = asked.compareTo(own) > 0 ? asked : own;
    return least.plusMillis(chance.nextLong(own.toMillis() + 1));
  }
}
