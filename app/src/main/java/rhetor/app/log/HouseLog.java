package rhetor.app.log;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Takes note of what people did. What is noted in a transaction stands or falls with it; entries
 * are never changed, and no word in one can pass for another entry.
 */
@Service
public class HouseLog {
  private static final String UNPRINTABLE =
      "[\\p{Cntrl}\\u2028\\u2029\\u202A-\\u202E\\u2066-\\u2069]+";

  private final JdbcClient jdbc;
  private final Clock clock;

  HouseLog(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * One thing that was done.
   *
   * @param event what, in words
   * @param about whom or what it was done to; empty if that goes without saying
   */
  public record LogEntry(
      long id, Instant at, String who, String event, String about, String detail, String address) {}

  /** Takes note of something. */
  public void note(String who, Event event, String about, String detail) {
    note(who, event, about, detail, 0);
  }

  /**
   * Takes note of something done to a product's text.
   *
   * @param product its id, 0 if it is about none
   */
  public void note(String who, Event event, String about, String detail, long product) {
    jdbc.sql(
            "insert into log_entry (noted_at, who, event, about, detail, address, product_id) values (?, ?, ?, ?, ?, ?, ?)")
        .params(
            Arrays.asList(
                Timestamp.from(clock.instant()),
                line(who, 200),
                event.name(),
                line(about, 400),
                line(detail, 2000),
                line(address(), 100),
                product == 0 ? null : product))
        .update();
  }

  private static String line(String text, int most) {
    String clean = text.replaceAll(UNPRINTABLE, " ").strip();
    return clean.length() > most ? clean.substring(0, most - 1) + "…" : clean;
  }

  /** Where the request comes from; empty for what no request asked for. */
  private static String address() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
        ? request.getRequest().getRemoteAddr()
        : "";
  }

  /**
   * Entries, the last first.
   *
   * @param search part of who, about or detail; empty for all
   * @param before only entries with a lower id; 0 for the last
   */
  List<LogEntry> page(String search, long before, int limit) {
    List<Object> params = new ArrayList<>();
    StringBuilder sql =
        new StringBuilder(
            "select id, noted_at, who, event, about, detail, address from log_entry where true");
    if (before > 0) {
      sql.append(" and id < ?");
      params.add(before);
    }
    if (!search.isBlank()) {
      List<String> events =
          Arrays.stream(Event.values())
              .filter(e -> e.label().contains(search.strip().toLowerCase(Locale.ROOT)))
              .map(Event::name)
              .toList();
      sql.append(
          " and (position(? in lower(who || ' ' || about || ' ' || detail || ' ' || address)) > 0");
      params.add(search.strip().toLowerCase(Locale.ROOT));
      if (!events.isEmpty()) {
        sql.append(" or event in (").append("?, ".repeat(events.size() - 1)).append("?)");
        params.addAll(events);
      }
      sql.append(')');
    }
    sql.append(" order by id desc limit ").append(limit);
    return jdbc.sql(sql.toString()).params(params).query((rs, i) -> entry(rs)).list();
  }

  /** What was done to a product's text, the last first. */
  public List<LogEntry> ofProduct(long product, int limit) {
    return jdbc.sql(
            "select id, noted_at, who, event, about, detail, '' as address from log_entry where product_id = ? order by id desc limit ?")
        .params(product, limit)
        .query((rs, i) -> entry(rs))
        .list();
  }

  private static LogEntry entry(ResultSet rs) throws SQLException {
    return new LogEntry(
        rs.getLong("id"),
        rs.getTimestamp("noted_at").toInstant(),
        rs.getString("who"),
        Event.valueOf(rs.getString("event")).label(),
        rs.getString("about"),
        rs.getString("detail"),
        rs.getString("address"));
  }
}
