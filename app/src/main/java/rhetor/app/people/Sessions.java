package rhetor.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.servlet.http.HttpSessionEvent;
import jakarta.servlet.http.HttpSessionListener;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import rhetor.app.house.OwnersChoice;
import rhetor.app.web.Refused;

/**
 * Who is signed in where, and for how long: a session ends when nothing was done in it for a while,
 * and some hours after it began whatever is done in it (OWASP ASVS 4.0, 3.3).
 */
@Component
class Sessions implements HttpSessionListener {
  private static final int USUAL_IDLE_MINUTES = 30;
  private static final int USUAL_HOURS = 12;
  private static final int MOST_IDLE_MINUTES = 7 * 24 * 60;
  private static final int MOST_HOURS = 30 * 24;

  /** What windows ask for by themselves says nothing of whether somebody sits before them. */
  private static final Set<String> ASKED_BY_ITSELF = Set.of("/api/waiting", "/api/session");

  private final OwnersChoice choice;
  private final Clock clock;
  private final Map<String, Seat> seats = new ConcurrentHashMap<>();
  private volatile SessionLimits limits;

  private record Seat(
      String handle,
      String email,
      HttpSession session,
      Instant began,
      Instant acted,
      String address,
      String browser) {
    Seat at(Instant now) {
      return new Seat(handle, email, session, began, now, address, browser);
    }
  }

  /**
   * How long sessions last.
   *
   * @param idleMinutes without anything done
   * @param hours at most
   */
  record SessionLimits(int idleMinutes, int hours) {}

  /**
   * A session of a person's, as they see it.
   *
   * @param handle what it is ended by; no key to it
   * @param here whether it is the one that asks
   */
  record OwnSession(
      String handle, Instant began, Instant acted, String address, String browser, boolean here) {}

  Sessions(OwnersChoice choice, Clock clock) {
    this.choice = choice;
    this.clock = clock;
  }

  SessionLimits limits() {
    SessionLimits now = limits;
    if (now == null) {
      now =
          new SessionLimits(
              number("session idle minutes", USUAL_IDLE_MINUTES),
              number("session hours", USUAL_HOURS));
      limits = now;
    }
    return now;
  }

  private int number(String name, int usual) {
    return choice.find(name).map(Integer::parseInt).orElse(usual);
  }

  void setLimits(SessionLimits wished) {
    if (wished.idleMinutes < 1
        || wished.idleMinutes > MOST_IDLE_MINUTES
        || wished.hours < 1
        || wished.hours > MOST_HOURS) {
      throw Refused.invalid(
          "A session lasts 1 to %,d minutes without anything done, and 1 to %d hours in all."
              .formatted(MOST_IDLE_MINUTES, MOST_HOURS));
    }
    choice.put("session idle minutes", String.valueOf(wished.idleMinutes));
    choice.put("session hours", String.valueOf(wished.hours));
    limits = wished;
  }

  /** Notes that somebody has signed in; the session has its final id by now. */
  void began(String email, HttpServletRequest request) {
    HttpSession session = request.getSession();
    Instant now = clock.instant();
    String browser = String.valueOf(request.getHeader("User-Agent"));
    seats.put(
        session.getId(),
        new Seat(
            UUID.randomUUID().toString(),
            email,
            session,
            now,
            now,
            request.getRemoteAddr(),
            browser.length() > 200 ? browser.substring(0, 200) : browser));
  }

  /** Whether the session that a request comes in is still good; one that isn't ends. */
  boolean isGood(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    Seat seat = session == null ? null : seats.get(session.getId());
    if (seat == null) {
      return false;
    }
    Instant now = clock.instant();
    SessionLimits last = limits();
    if (seat.acted.plus(Duration.ofMinutes(last.idleMinutes)).isBefore(now)
        || seat.began.plus(Duration.ofHours(last.hours)).isBefore(now)) {
      end(seat);
      return false;
    }
    String path = request.getRequestURI();
    if (!ASKED_BY_ITSELF.contains(path) && !path.endsWith("/events")) {
      seats.computeIfPresent(session.getId(), (id, s) -> s.at(now));
    }
    return true;
  }

  List<OwnSession> of(String email, HttpServletRequest request) {
    HttpSession here = request.getSession(false);
    return seats.entrySet().stream()
        .filter(e -> e.getValue().email.equals(email))
        .map(
            e ->
                new OwnSession(
                    e.getValue().handle,
                    e.getValue().began,
                    e.getValue().acted,
                    e.getValue().address,
                    e.getValue().browser,
                    here != null && e.getKey().equals(here.getId())))
        .sorted(Comparator.comparing(OwnSession::acted).reversed())
        .toList();
  }

  /** Ends one of a person's sessions. */
  void end(String email, String handle) {
    end(
        seats.values().stream()
            .filter(s -> s.email.equals(email) && s.handle.equals(handle))
            .findFirst()
            .orElseThrow(() -> Refused.notFound("That session has ended already.")));
  }

  /** Ends all of a person's sessions but the one that a request comes in. */
  void endOthers(String email, HttpServletRequest request) {
    HttpSession here = request.getSession(false);
    seats.forEach(
        (id, seat) -> {
          if (seat.email.equals(email) && (here == null || !id.equals(here.getId()))) {
            end(seat);
          }
        });
  }

  /** Ends all of a person's sessions. */
  void endAll(String email) {
    seats.values().stream().filter(s -> s.email.equals(email)).toList().forEach(this::end);
  }

  private void end(Seat seat) {
    seats.values().remove(seat);
    try {
      seat.session.invalidate();
    } catch (IllegalStateException e) {
      // It has ended by itself.
    }
  }

  @Override
  public void sessionDestroyed(HttpSessionEvent event) {
    seats.remove(event.getSession().getId());
  }
}
