package rhetor.app.run;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.edition.PullService;
import rhetor.app.web.Refused;
import tools.jackson.databind.json.JsonMapper;

/** Runs that begin by themselves, once or again and again, in a time zone of their own. */
@Component
public class Schedules {
  private static final Logger LOG = LoggerFactory.getLogger(Schedules.class);
  private static final int MOST = 100;
  private static final int LONGEST = 1000;

  private final JdbcClient jdbc;
  private final RunService runs;
  private final PullService pulls;
  private final Ideas ideas;
  private final Clock clock;
  private final JsonMapper json = JsonMapper.builder().build();
  private final Duration quiet;

  /**
   * @param quiet how long the shop's calls are collected before something begins
   */
  Schedules(
      JdbcClient jdbc,
      RunService runs,
      PullService pulls,
      Ideas ideas,
      Clock clock,
      @Value("${rhetor.shop-calls-for:10s}") Duration quiet) {
    this.quiet = quiet;
    this.jdbc = jdbc;
    this.runs = runs;
    this.pulls = pulls;
    this.ideas = ideas;
    this.clock = clock;
  }

  @Configuration
  static class Rounds {
    @Bean
    Task<Void> beginSchedules(
        Schedules schedules, @Value("${rhetor.schedules-every:20s}") Duration every) {
      return Tasks.recurring("begin-schedules", FixedDelay.of(every))
          .execute((instance, context) -> schedules.beginDue());
    }
  }

  /**
   * A run that begins by itself.
   *
   * @param order what it writes, and how
   * @param time such as 02:00
   * @param zone such as Europe/London
   * @param pullsFirst whether the shop's products are pulled in before it begins
   * @param takesIdeas whether it writes the next idea rather than what its order says
   * @param nextAt when it begins next, the epoch if never again
   * @param lastAt when it last was due, the epoch if it wasn't yet
   * @param lastRun the run that began then, 0 if none did
   * @param lastSaid why none did, empty if one did
   */
  record Schedule(
      long id,
      RunController.WriteOrder order,
      Rhythm rhythm,
      DayOfWeek weekday,
      String time,
      String zone,
      boolean pullsFirst,
      boolean takesIdeas,
      Instant nextAt,
      Instant lastAt,
      long lastRun,
      String lastSaid,
      String setBy) {}

  List<Schedule> all() {
    return jdbc.sql(
            "select * from schedule order by coalesce(next_at, timestamp '9999-01-01 00:00:00'), id desc limit ?")
        .param(MOST)
        .query((rs, i) -> schedule(rs))
        .list();
  }

  private Schedule schedule(ResultSet rs) throws SQLException {
    return new Schedule(
        rs.getLong("id"),
        json.readValue(rs.getString("wanted"), RunController.WriteOrder.class),
        Rhythm.valueOf(rs.getString("rhythm")),
        DayOfWeek.of(rs.getInt("weekday")),
        rs.getString("at_time"),
        rs.getString("zone"),
        rs.getBoolean("pulls_first"),
        rs.getBoolean("takes_ideas"),
        instant(rs.getTimestamp("next_at")),
        instant(rs.getTimestamp("last_at")),
        rs.getLong("last_run"),
        rs.getString("last_said"),
        rs.getString("set_by"));
  }

  private static Instant instant(Timestamp at) {
    return at == null ? Instant.EPOCH : at.toInstant();
  }

  /**
   * Sets a run to begin by itself.
   *
   * @param pullsFirst whether the shop's products are pulled in before
   * @param takesIdeas whether it writes the next idea of the list each time
   * @throws Refused if time or zone make no sense, or there are too many already
   */
  @Transactional
  public long set(
      RunController.WriteOrder order,
      Rhythm rhythm,
      DayOfWeek weekday,
      String time,
      String zone,
      boolean pullsFirst,
      boolean takesIdeas,
      String by) {
    if (all().size() >= MOST) {
      throw Refused.conflict(
          "There are %d schedules already. Take one away first.".formatted(MOST));
    }
    runs.check(order.manner());
    LocalTime at = time(time);
    ZoneId in = zone(zone);
    boolean waits = rhythm == Rhythm.SHOP_NEWS;
    Optional<Instant> next =
        waits ? Optional.empty() : Optional.of(rhythm.next(clock.instant(), at, weekday, in));
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "insert into schedule (wanted, rhythm, weekday, at_time, zone, pulls_first, takes_ideas, next_at, set_by) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                json.writeValueAsString(order),
                rhythm.name(),
                weekday.getValue(),
                time,
                zone,
                // What has changed there isn't here yet.
                pullsFirst || waits,
                takesIdeas,
                next.map(Timestamp::from).orElse(null),
                by))
        .update(key, "id");
    return key.getKey().longValue();
  }

  private static LocalTime time(String time) {
    if (!time.matches("([01]\\d|2[0-3]):[0-5]\\d")) {
      throw Refused.invalid("Type the time as hours and minutes, such as 02:00 or 23:30.");
    }
    return LocalTime.parse(time);
  }

  private static ZoneId zone(String zone) {
    if (!ZoneId.getAvailableZoneIds().contains(zone)) {
      throw Refused.invalid("There is no time zone called " + zone + ".");
    }
    return ZoneId.of(zone);
  }

  /**
   * Lets begin, in a moment, what begins when the shop calls. Calls that come in that moment begin
   * nothing more: one pull brings in what all of them are about.
   *
   * @return how many schedules begin
   */
  @Transactional
  public int shopCalled() {
    return jdbc.sql(
            "update schedule set next_at = ? where rhythm = 'SHOP_NEWS' and next_at is null")
        .param(Timestamp.from(clock.instant().plus(quiet)))
        .update();
  }

  /** Takes a schedule away; runs that it began stay. */
  @Transactional
  public void remove(long id) {
    if (jdbc.sql("delete from schedule where id = ?").param(id).update() == 0) {
      throw Refused.notFound("There is no such schedule.");
    }
  }

  /**
   * Begins what is due by now. What was due while nothing ran begins once, however often it was
   * due.
   */
  void beginDue() {
    List<Schedule> due =
        jdbc.sql("select * from schedule where next_at <= ? order by next_at")
            .param(Timestamp.from(clock.instant()))
            .query((rs, i) -> schedule(rs))
            .list();
    due.stream().filter(s -> !waitsForPull(s)).forEach(this::begin);
    pulled();
  }

  /**
   * What the shop called about may have come behind the pull that is under way: the next is its.
   */
  private boolean waitsForPull(Schedule schedule) {
    return schedule.rhythm == Rhythm.SHOP_NEWS && pulls.isUnderWay();
  }

  /** Begins what has waited for the shop's products to be pulled in. */
  private void pulled() {
    record Waiting(long id, long awaitsPull) {}
    for (Waiting waiting :
        jdbc.sql("select id, awaits_pull from schedule where awaits_pull is not null")
            .query(Waiting.class)
            .list()) {
      Optional<String> trouble = pulls.ended(waiting.awaitsPull);
      int claimed =
          trouble.isEmpty()
              ? 0
              : jdbc.sql("update schedule set awaits_pull = null where id = ? and awaits_pull = ?")
                  .params(waiting.id, waiting.awaitsPull)
                  .update();
      if (claimed == 1 && trouble.get().isEmpty()) {
        start(get(waiting.id));
      } else if (claimed == 1) {
        said(waiting.id, 0, "The shop's products couldn't be pulled in: " + trouble.get());
      }
    }
  }

  private Schedule get(long id) {
    return jdbc.sql("select * from schedule where id = ?")
        .param(id)
        .query((rs, i) -> schedule(rs))
        .single();
  }

  private void begin(Schedule schedule) {
    Instant now = clock.instant();
    Optional<Instant> next =
        !schedule.rhythm.recurs()
            ? Optional.empty()
            : Optional.of(
                schedule.rhythm.next(
                    now, time(schedule.time), schedule.weekday, zone(schedule.zone)));
    // Noted before it begins: whatever comes between, nothing begins twice.
    int claimed =
        jdbc.sql("update schedule set next_at = ?, last_at = ? where id = ? and next_at = ?")
            .params(
                Arrays.asList(
                    next.map(Timestamp::from).orElse(null),
                    Timestamp.from(now),
                    schedule.id,
                    Timestamp.from(schedule.nextAt)))
            .update();
    if (claimed == 1 && schedule.pullsFirst) {
      jdbc.sql("update schedule set awaits_pull = ? where id = ?")
          .params(pulls.begin(schedule.setBy), schedule.id)
          .update();
    } else if (claimed == 1) {
      start(schedule);
    }
  }

  private void start(Schedule schedule) {
    Optional<Ideas.Idea> idea = schedule.takesIdeas ? ideas.take() : Optional.empty();
    if (schedule.takesIdeas && idea.isEmpty()) {
      said(schedule.id, 0, "No idea is left on the list.");
      return;
    }
    long run = 0;
    String said = "";
    try {
      RunController.WriteOrder order =
          idea.map(i -> ideas.order(i, schedule.order)).orElse(schedule.order);
      run =
          runs.start(
                  order.asked().products(),
                  order.asked().filter(),
                  order.manner().whenNobodyWaits(""),
                  schedule.setBy)
              .id();
    } catch (Refused e) {
      said = e.getMessage();
    } catch (RuntimeException e) {
      LOG.warn("schedule {} could not begin", schedule.id, e);
      said = String.valueOf(e.getMessage());
    }
    said(schedule.id, run, said);
    if (idea.isPresent()) {
      ideas.became(idea.get().id(), run, said);
    }
  }

  private void said(long schedule, long run, String said) {
    jdbc.sql("update schedule set last_run = ?, last_said = ? where id = ?")
        .params(
            Arrays.asList(
                run == 0 ? null : run,
                said.length() > LONGEST ? said.substring(0, LONGEST) : said,
                schedule))
        .update();
  }
}
