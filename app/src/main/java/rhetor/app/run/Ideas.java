package rhetor.app.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.order.Orders;
import rhetor.app.web.Refused;
import rhetor.core.order.Order;

/** What is to be written one day, as orders in plain words: the next one each time, none twice. */
@Service
class Ideas {
  private static final int MOST = 1_000;
  private static final int SHOWN = 200;
  private static final int LONGEST = 500;
  private static final int LONGEST_SAID = 1_000;

  private final JdbcClient jdbc;
  private final Orders orders;
  private final Clock clock;

  Ideas(JdbcClient jdbc, Orders orders, Clock clock) {
    this.jdbc = jdbc;
    this.orders = orders;
    this.clock = clock;
  }

  /**
   * An idea.
   *
   * @param takenAt when its turn came, the epoch if it hasn't yet
   * @param run the run that it became, 0 if none
   * @param said why it became none, empty if it did
   */
  record Idea(long id, String words, String addedBy, Instant takenAt, long run, String said) {}

  /**
   * Those whose turn is still to come, in their order, then those that have been, the last first.
   */
  List<Idea> all() {
    return jdbc.sql(
            """
            select * from idea
            order by case when taken_at is null then 0 else 1 end,
              case when taken_at is null then id else -id end
            limit ?
            """)
        .param(SHOWN)
        .query(Ideas::read)
        .list();
  }

  private static Idea read(ResultSet rs, int row) throws SQLException {
    Timestamp taken = rs.getTimestamp("taken_at");
    return new Idea(
        rs.getLong("id"),
        rs.getString("words"),
        rs.getString("added_by"),
        taken == null ? Instant.EPOCH : taken.toInstant(),
        rs.getLong("run"),
        rs.getString("said"));
  }

  /**
   * Adds ideas at the end of the list, a line each; all of them or none.
   *
   * @throws Refused if one is no order to write something, with the words that were not understood
   */
  @Transactional
  public void add(String lines, String by) {
    List<String> ideas = lines.lines().map(String::strip).filter(l -> !l.isEmpty()).toList();
    int waiting =
        jdbc.sql("select count(*) from idea where taken_at is null").query(Integer.class).single();
    if (ideas.isEmpty() || waiting + ideas.size() > MOST) {
      throw Refused.invalid(
          "Type an idea a line; up to %,d may wait for their turn.".formatted(MOST));
    }
    for (String idea : ideas) {
      if (idea.length() > LONGEST) {
        throw Refused.invalid("An idea has at most %d characters.".formatted(LONGEST));
      }
      why(orders.read(idea))
          .ifPresent(
              why -> {
                throw Refused.invalid("\"%s\" can't be an idea: %s".formatted(idea, why));
              });
    }
    for (String idea : ideas) {
      jdbc.sql("insert into idea (words, added_by, added_at) values (?, ?, ?)")
          .params(idea, by, Timestamp.from(clock.instant()))
          .update();
    }
  }

  /** Why an order is none to write something; empty if it is one. */
  private static Optional<String> why(Order order) {
    if (!order.isClear()) {
      return Optional.of(
          "nobody here is known by "
              + order.left().stream()
                  .map(l -> "\"" + l.words() + "\"")
                  .collect(Collectors.joining(" and "))
              + ".");
    }
    return order.verb() == Order.Verb.WRITE
        ? Optional.empty()
        : Optional.of("it writes nothing. Begin it with \"write\" or \"rewrite\".");
  }

  /** Takes an idea off the list; one whose turn has been stays as it was. */
  @Transactional
  public void remove(long id) {
    if (jdbc.sql("delete from idea where id = ? and taken_at is null").param(id).update() == 0) {
      throw Refused.notFound("There is no such idea whose turn is still to come.");
    }
  }

  /** The next one, whose turn has been from now on; empty if none is left. */
  @Transactional
  public Optional<Idea> take() {
    Optional<Idea> next =
        jdbc.sql("select * from idea where taken_at is null order by id limit 1 for update")
            .query(Ideas::read)
            .optional();
    next.ifPresent(
        idea ->
            jdbc.sql("update idea set taken_at = ? where id = ?")
                .params(Timestamp.from(clock.instant()), idea.id)
                .update());
    return next;
  }

  /**
   * An idea as a run's order; what it doesn't say is as another order has it.
   *
   * @throws Refused if it isn't understood any more
   */
  RunController.WriteOrder order(Idea idea, RunController.WriteOrder otherwise) {
    Order order = orders.read(idea.words);
    why(order)
        .ifPresent(
            why -> {
              throw Refused.invalid("\"%s\": %s".formatted(idea.words, why));
            });
    return new RunController.WriteOrder(
        List.of(),
        order.search(),
        order.state(),
        number(order.sheet()),
        number(order.range()),
        order.kind(),
        order.brand(),
        order.atLeast(),
        order.below(),
        0L,
        0L,
        otherwise.leaveSignedOff(),
        otherwise.seed(),
        order.voice().isEmpty() ? otherwise.voice() : order.voice(),
        otherwise.template(),
        otherwise.author(),
        order.fields(),
        order.mostCharacters(),
        order.mostWords(),
        0);
  }

  private static long number(String value) {
    return value.isEmpty() ? 0 : Long.parseLong(value);
  }

  /** Notes what became of an idea. */
  void became(long id, long run, String said) {
    jdbc.sql("update idea set run = ?, said = ? where id = ?")
        .params(
            Arrays.asList(
                run == 0 ? null : run,
                said.length() > LONGEST_SAID ? said.substring(0, LONGEST_SAID) : said,
                id))
        .update();
  }
}
