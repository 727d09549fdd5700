package rhetor.app.model;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Holds back the money of questions that aren't answered yet, so that many asked at once don't
 * spend together what none of them would alone.
 */
@Component
class Purse {
  /** Tokens are only guessed before a service has counted them. */
  private static final BigDecimal UNKNOWN = new BigDecimal("1.5");

  private static final int DIGITS = 6;

  private final ConnectionStore store;
  private final Clock clock;
  private final Map<Month, Account> ofConnections = new HashMap<>();
  private final Map<Long, Account> ofRuns = new HashMap<>();

  /** How much dearer than expected answers of a connection have been at most. */
  private final Map<Long, BigDecimal> dearer = new HashMap<>();

  Purse(ConnectionStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  /** A calendar month of a connection, UTC. */
  private record Month(long connection, Instant begins) {}

  /** What was spent, as the database has it, and what may be spent by questions under way. */
  private static final class Account {
    private BigDecimal spent;
    private BigDecimal held = BigDecimal.ZERO;

    private Account(BigDecimal spent) {
      this.spent = spent;
    }

    private BigDecimal all() {
      return spent.add(held);
    }
  }

  /** Money that is held back until it is known what was spent. */
  final class Held implements AutoCloseable {
    private final long connection;
    private final List<Account> accounts;
    private final BigDecimal expected;
    private final BigDecimal held;

    private Held(long connection, List<Account> accounts, BigDecimal expected, BigDecimal held) {
      this.connection = connection;
      this.accounts = accounts;
      this.expected = expected;
      this.held = held;
      accounts.forEach(a -> a.held = a.held.add(held));
    }

    /** Notes what it cost, once that is kept; the next are held for as much. */
    void paid(BigDecimal cost) {
      synchronized (Purse.this) {
        accounts.forEach(a -> a.spent = a.spent.add(cost));
        learn(connection, expected, cost);
      }
    }

    @Override
    public void close() {
      synchronized (Purse.this) {
        accounts.forEach(a -> a.held = a.held.subtract(held));
      }
    }
  }

  /** What was spent over a connection in this calendar month. */
  ConnectionStore.Spent thisMonth(long connection) {
    return store.spent(connection, month(connection).begins);
  }

  private Month month(long connection) {
    return new Month(
        connection,
        clock
            .instant()
            .atOffset(ZoneOffset.UTC)
            .withDayOfMonth(1)
            .truncatedTo(ChronoUnit.DAYS)
            .toInstant());
  }

  /**
   * The sums are asked of the database once and kept: a run of thousands asks for them each time.
   */
  private Account account(Month month) {
    ofConnections
        .keySet()
        .removeIf(m -> m.connection == month.connection && !m.begins.equals(month.begins));
    return ofConnections.computeIfAbsent(
        month, m -> new Account(store.spent(m.connection, m.begins).cost()));
  }

  /**
   * Holds back what a question may cost.
   *
   * @param expected what it costs at most, as far as that can be told beforehand
   * @param goesOn whether it goes on with what a person was let begin
   * @throws ModelTrouble if that isn't there
   */
  synchronized Held hold(Connection connection, Payer payer, BigDecimal expected, boolean goesOn) {
    BigDecimal cost = expected.multiply(dearer.getOrDefault(connection.id(), UNKNOWN));
    Account month = account(month(connection.id()));
    BigDecimal monthlyMost = connection.monthlyMost();
    if (monthlyMost.signum() > 0 && !(goesOn && payer.run() == 0)) {
      // A person's question is known to be one; a run's are thousands, and its last must fit in.
      BigDecimal next = payer.run() == 0 ? BigDecimal.ZERO : cost;
      boolean isSpent = month.all().compareTo(monthlyMost) >= 0;
      if (isSpent || month.all().add(next).compareTo(monthlyMost) > 0) {
        throw none(
            "What may be spent with “%s” in a month is spent: %s of %s. The owner can raise it under Connections."
                .formatted(connection.name(), rounded(month.spent), monthlyMost));
      }
    }
    if (payer.run() == 0) {
      return new Held(connection.id(), List.of(month), expected, cost);
    }
    Account run = ofRuns.computeIfAbsent(payer.run(), id -> new Account(store.spentIn(id)));
    if (payer.most().signum() > 0 && run.all().add(cost).compareTo(payer.most()) > 0) {
      throw none(
          "What this run may spend is spent: %s of %s, and the next question could cost %s. Let it spend more, or stop it."
              .formatted(
                  rounded(run.spent), rounded(payer.most()), cost.setScale(4, RoundingMode.UP)));
    }
    return new Held(connection.id(), List.of(month, run), expected, cost);
  }

  private void learn(long connection, BigDecimal expected, BigDecimal cost) {
    if (expected.signum() > 0) {
      BigDecimal ratio = cost.divide(expected, DIGITS, RoundingMode.UP);
      dearer.merge(connection, ratio.max(UNKNOWN), BigDecimal::max);
    }
  }

  private static ModelTrouble none(String message) {
    return new ModelTrouble(ModelTrouble.Kind.MONEY, message, Duration.ZERO);
  }

  private static BigDecimal rounded(BigDecimal money) {
    return money.setScale(2, RoundingMode.HALF_UP);
  }
}
