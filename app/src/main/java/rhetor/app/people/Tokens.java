package rhetor.app.people;

import jakarta.servlet.http.HttpServletRequest;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Sha256;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.web.Refused;

/**
 * What lets programs work in the house (bearer tokens, RFC 6750): each in the name of the person
 * who made it, with no more rights than that person has, and with an end.
 */
@Component
class Tokens {
  private static final String PREFIX = "rhetor_";
  private static final String BEARER = "Bearer ";
  private static final int BYTES = 32;
  private static final int MOST_DAYS = 730;
  private static final int LONGEST_NAME = 80;
  private static final Duration NOTED = Duration.ofMinutes(1);

  private final JdbcClient jdbc;
  private final HouseLog log;
  private final Clock clock;
  private final SecureRandom random = new SecureRandom();

  Tokens(JdbcClient jdbc, HouseLog log, Clock clock) {
    this.jdbc = jdbc;
    this.log = log;
    this.clock = clock;
  }

  /**
   * A token as it is shown.
   *
   * @param usedAt when a program last came with it, the epoch if none did
   */
  record Token(
      long id,
      String name,
      Role role,
      String madeBy,
      Instant madeAt,
      Instant endsAt,
      boolean hasEnded,
      Instant usedAt) {}

  List<Token> all() {
    return jdbc.sql(
            """
            select t.*, p.email from token t join person p on p.id = t.made_by_id order by t.id desc""")
        .query(
            (rs, i) ->
                new Token(
                    rs.getLong("id"),
                    rs.getString("name"),
                    Role.valueOf(rs.getString("role")),
                    rs.getString("email"),
                    rs.getTimestamp("made_at").toInstant(),
                    rs.getTimestamp("ends_at").toInstant(),
                    rs.getTimestamp("ends_at").toInstant().isBefore(clock.instant()),
                    Optional.ofNullable(rs.getTimestamp("used_at"))
                        .map(Timestamp::toInstant)
                        .orElse(Instant.EPOCH)))
        .list();
  }

  /**
   * Makes a token.
   *
   * @param days how long it lasts
   * @return the token itself, which is never shown again
   */
  @Transactional
  public String make(String name, Role role, int days, String by) {
    String clean = name.strip();
    if (clean.isEmpty() || clean.length() > LONGEST_NAME) {
      throw Refused.invalid(
          "Say what the token is for, in up to %d characters.".formatted(LONGEST_NAME));
    }
    if (role == Role.OWNER) {
      throw Refused.invalid("A program can’t own the house: let it read, write or sign off.");
    }
    if (days < 1 || days > MOST_DAYS) {
      throw Refused.invalid("A token lasts 1 to %d days.".formatted(MOST_DAYS));
    }
    byte[] bytes = new byte[BYTES];
    random.nextBytes(bytes);
    String token = PREFIX + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    Instant now = clock.instant();
    jdbc.sql(
            "insert into token (name, hash, role, made_by_id, made_at, ends_at) select ?, ?, ?, id, ?, ? from person where email = ?")
        .params(
            clean,
            Sha256.hex(token),
            role.name(),
            Timestamp.from(now),
            Timestamp.from(now.plus(Duration.ofDays(days))),
            by)
        .update();
    log.note(
        by, Event.TOKEN_CHANGED, clean, "made, " + role.name().toLowerCase(java.util.Locale.ROOT));
    return token;
  }

  /** Ends a token at once. */
  @Transactional
  public void end(long id, String by) {
    String name =
        jdbc.sql("select name from token where id = ?")
            .param(id)
            .query(String.class)
            .optional()
            .orElseThrow(() -> Refused.notFound("There is no such token."));
    jdbc.sql("delete from token where id = ?").param(id).update();
    log.note(by, Event.TOKEN_CHANGED, name, "ended");
  }

  /** Whether a request comes with a token; then its session counts for nothing. */
  static boolean isCarriedBy(HttpServletRequest request) {
    String header = request.getHeader(HttpHeaders.AUTHORIZATION);
    return header != null && header.startsWith(BEARER);
  }

  private record Known(
      long id, String email, String name, Role role, Role ofPerson, Instant used) {}

  /**
   * The person in whose name a request comes, with the rights of its token; nobody if it isn't
   * known or has ended.
   */
  Optional<Person> bearer(HttpServletRequest request) {
    String token = request.getHeader(HttpHeaders.AUTHORIZATION).substring(BEARER.length()).strip();
    Instant now = clock.instant();
    Optional<Known> known =
        jdbc.sql(
                """
                select t.id, t.role, t.used_at, p.email, p.name, p.role as person_role
                from token t join person p on p.id = t.made_by_id where t.hash = ? and t.ends_at > ?""")
            .params(Sha256.hex(token), Timestamp.from(now))
            .query(
                (rs, i) ->
                    new Known(
                        rs.getLong("id"),
                        rs.getString("email"),
                        rs.getString("name"),
                        Role.valueOf(rs.getString("role")),
                        Role.valueOf(rs.getString("person_role")),
                        Optional.ofNullable(rs.getTimestamp("used_at"))
                            .map(Timestamp::toInstant)
                            .orElse(Instant.EPOCH)))
            .optional();
    known
        .filter(k -> k.used.plus(NOTED).isBefore(now))
        .ifPresent(
            k ->
                jdbc.sql("update token set used_at = ? where id = ?")
                    .params(Timestamp.from(now), k.id)
                    .update());
    return known.map(
        k ->
            new Person(0, k.email, k.name, k.role.compareTo(k.ofPerson) < 0 ? k.role : k.ofPerson));
  }
}
