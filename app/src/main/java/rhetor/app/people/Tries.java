package rhetor.app.people;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Slows down who guesses passwords: after a few wrong tries each further one has to wait twice as
 * long, counted for a person from an address, for an address, and for a person.
 */
@Component
class Tries {
  private static final int FREE_TOGETHER = 6;
  private static final int FREE_OF_ADDRESS = 20;
  private static final int FREE_OF_PERSON = 30;
  private static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
  private static final Duration FORGOTTEN = Duration.ofHours(1);
  private static final int REMEMBERED = 20_000;

  private final Clock clock;
  private final Map<String, Wrong> wrong =
      new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Wrong> eldest) {
          return size() > REMEMBERED;
        }
      };

  private record Wrong(int times, Instant last) {}

  private record Counted(String key, int free) {}

  Tries(Clock clock) {
    this.clock = clock;
  }

  private static List<Counted> counted(String email, String from) {
    String person = email.strip().toLowerCase(Locale.ROOT);
    return List.of(
        new Counted(person + "\n" + from, FREE_TOGETHER),
        new Counted("\n" + from, FREE_OF_ADDRESS),
        new Counted(person + "\n", FREE_OF_PERSON));
  }

  /** How long somebody has to wait before the next try; empty if they needn't. */
  synchronized Optional<Duration> wait(String email, String from) {
    Instant now = clock.instant();
    return counted(email, from).stream()
        .map(c -> wait(c, now))
        .max(Duration::compareTo)
        .filter(Duration::isPositive);
  }

  private Duration wait(Counted counted, Instant now) {
    Wrong known = wrong.get(counted.key);
    if (known == null || known.times < counted.free) {
      return Duration.ZERO;
    }
    int doublings = Math.min(known.times - counted.free, 20);
    Duration wait = Duration.ofSeconds(2L << doublings);
    wait = wait.compareTo(LONGEST_WAIT) > 0 ? LONGEST_WAIT : wait;
    return Duration.between(now, known.last.plus(wait));
  }

  /** Takes note of a wrong try. */
  synchronized void wrong(String email, String from) {
    Instant now = clock.instant();
    for (Counted counted : counted(email, from)) {
      Wrong known = wrong.get(counted.key);
      boolean fresh = known == null || known.last.plus(FORGOTTEN).isBefore(now);
      wrong.put(counted.key, new Wrong(fresh ? 1 : known.times + 1, now));
    }
  }

  /** Takes note of a right one; what an address tried for others stays. */
  synchronized void right(String email, String from) {
    List<Counted> all = counted(email, from);
    wrong.remove(all.get(0).key);
    wrong.remove(all.get(2).key);
  }

  /** Forgets all wrong tries. */
  synchronized void forget() {
    wrong.clear();
  }
}
