package rhetor.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.List;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;

/** Signing in and out, and the people of the house. */
@RestController
class PeopleController {
  private final PeopleService people;
  private final SecurityContextRepository contexts;
  private final Sessions sessions;
  private final HouseLog log;

  PeopleController(
      PeopleService people, SecurityContextRepository contexts, Sessions sessions, HouseLog log) {
    this.sessions = sessions;
    this.log = log;
    this.people = people;
    this.contexts = contexts;
  }

  /**
   * Who is signed in.
   *
   * @param needsOwner whether nobody is there yet
   * @param needsCode whether the password was right, and a code of the second factor is wanted
   * @param house which house it is, so that a browser tells apart what it keeps of several
   */
  record Session(
      boolean signedIn,
      boolean needsOwner,
      boolean needsCode,
      String email,
      String name,
      Role role,
      boolean secondFactor,
      String house) {
    static Session nobody(boolean needsOwner, boolean needsCode) {
      return new Session(false, needsOwner, needsCode, "", "", Role.READER, false, "");
    }
  }

  /** Somebody who wants in; {@code code} only where a second factor is asked for. */
  record SignIn(
      @NotBlank @Size(max = 200) String email,
      @NotBlank @Size(max = 1000) String password,
      @Size(max = 40) String code) {}

  record NewPerson(
      @NotBlank @Email @Size(max = 200) String email,
      @NotBlank @Size(max = 120) String name,
      @NotNull Role role,
      @NotBlank @Size(max = 1000) String password) {}

  record NewRole(@NotNull Role role) {}

  @GetMapping("/api/session")
  Session session(Principal principal) {
    return principal == null
        ? Session.nobody(people.needsOwner(), false)
        : people
            .find(principal.getName())
            .map(this::session)
            .orElseGet(() -> Session.nobody(false, false));
  }

  private Session session(Person person) {
    return new Session(
        true,
        false,
        false,
        person.email(),
        person.name(),
        person.role(),
        people.hasSecondFactor(person.email()),
        people.house());
  }

  @PostMapping("/api/session")
  Session signIn(
      @Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
    String code = signIn.code() == null ? "" : signIn.code();
    return people
        .signIn(signIn.email(), signIn.password(), code, request.getRemoteAddr())
        .person()
        .map(
            person -> {
              start(person, request, response);
              return session(person);
            })
        .orElseGet(() -> Session.nobody(false, true));
  }

  /** Signs out; the browser forgets what it has kept of the house. */
  @DeleteMapping("/api/session")
  void signOut(HttpServletRequest request, HttpServletResponse response, Principal person) {
    var session = request.getSession(false);
    if (session != null) {
      session.invalidate();
      if (person != null) {
        log.note(person.getName(), Event.SIGNED_OUT, "", "");
      }
    }
    SecurityContextHolder.clearContext();
    response.setHeader("Clear-Site-Data", "\"cache\"");
  }

  @PostMapping("/api/owner")
  Session createOwner(
      @Valid @RequestBody NewPerson owner,
      HttpServletRequest request,
      HttpServletResponse response) {
    Person person = people.createOwner(owner.email(), owner.name(), owner.password());
    start(person, request, response);
    return session(person);
  }

  private void start(Person person, HttpServletRequest request, HttpServletResponse response) {
    request.getSession(true);
    // A session id from before signing in must not live on (session fixation).
    request.changeSessionId();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(PersonAuthentication.of(person));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    sessions.began(person.email(), request);
  }

  @GetMapping("/api/people")
  List<Person> people() {
    return people.all();
  }

  @PostMapping("/api/people")
  Person add(@Valid @RequestBody NewPerson person, Principal by) {
    return people.add(
        person.email(), person.name(), person.role(), person.password(), by.getName());
  }

  @PutMapping("/api/people/{id}/role")
  Person setRole(@PathVariable long id, @Valid @RequestBody NewRole role, Principal by) {
    return people.setRole(id, role.role(), by.getName());
  }

  @DeleteMapping("/api/people/{id}")
  void remove(@PathVariable long id, Principal by) {
    sessions.endAll(people.remove(id, by.getName()).email());
  }

  /** Lets people sign in again at once who had to wait after wrong tries. */
  @PostMapping("/api/people/forgive")
  void forgive() {
    people.forgive();
  }

  /** Lets somebody in again who has lost their device and their recovery codes. */
  @DeleteMapping("/api/people/{id}/second-factor")
  void removeSecondFactor(@PathVariable long id, Principal by) {
    sessions.endAll(people.removeSecondFactor(id, by.getName()).email());
  }

  record NewPassword(
      @NotBlank @Size(max = 1000) String now, @NotBlank @Size(max = 1000) String next) {}

  /** Changes one's own password; one's other sessions end. */
  @PutMapping("/api/me/password")
  void changePassword(
      @Valid @RequestBody NewPassword wish, Principal person, HttpServletRequest request) {
    people.changePassword(person.getName(), wish.now(), wish.next(), request.getRemoteAddr());
    sessions.endOthers(person.getName(), request);
  }

  @GetMapping("/api/me/sessions")
  List<Sessions.OwnSession> sessions(Principal person, HttpServletRequest request) {
    return sessions.of(person.getName(), request);
  }

  @DeleteMapping("/api/me/sessions/{handle}")
  void endSession(@PathVariable String handle, Principal person) {
    sessions.end(person.getName(), handle);
    log.note(person.getName(), Event.SESSION_ENDED, "", "");
  }

  /**
   * A second factor that a device can be given.
   *
   * @param secret in base 32, to be typed in
   * @param uri the same as a link that apps open
   */
  record OfferedFactor(String secret, String uri) {}

  @PostMapping("/api/me/second-factor")
  OfferedFactor offerSecondFactor(Principal person) {
    String secret = people.offerSecondFactor();
    return new OfferedFactor(
        secret,
        "otpauth://totp/Rhetor:%s?secret=%s&issuer=Rhetor"
            .formatted(URLEncoder.encode(person.getName(), StandardCharsets.UTF_8), secret));
  }

  record ConfirmedFactor(
      @NotBlank @Size(max = 1000) String password,
      @NotBlank @Size(max = 64) String secret,
      @NotBlank @Size(max = 40) String code) {}

  record RecoveryCodes(List<String> codes) {}

  @PutMapping("/api/me/second-factor")
  RecoveryCodes confirmSecondFactor(
      @Valid @RequestBody ConfirmedFactor factor, Principal person, HttpServletRequest request) {
    return new RecoveryCodes(
        people.confirmSecondFactor(
            person.getName(),
            factor.password(),
            factor.secret(),
            factor.code(),
            request.getRemoteAddr()));
  }

  record OwnPassword(@NotBlank @Size(max = 1000) String password) {}

  @PostMapping("/api/me/second-factor/off")
  void removeSecondFactor(
      @Valid @RequestBody OwnPassword own, Principal person, HttpServletRequest request) {
    people.removeSecondFactor(person.getName(), own.password(), request.getRemoteAddr());
  }

  @GetMapping("/api/house/sessions")
  Sessions.SessionLimits limits() {
    return sessions.limits();
  }

  @PutMapping("/api/house/sessions")
  Sessions.SessionLimits setLimits(
      @Valid @RequestBody Sessions.SessionLimits limits, Principal person) {
    sessions.setLimits(limits);
    log.note(
        person.getName(),
        Event.SETTING_CHANGED,
        "sessions",
        "%d minutes idle, %d hours".formatted(limits.idleMinutes(), limits.hours()));
    return sessions.limits();
  }
}
