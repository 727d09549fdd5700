package rhetor.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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

/** Signing in and out, and the people of the house. */
@RestController
class PeopleController {
  private final PeopleService people;
  private final SecurityContextRepository contexts;

  PeopleController(PeopleService people, SecurityContextRepository contexts) {
    this.people = people;
    this.contexts = contexts;
  }

  /** Who is signed in. */
  record Session(boolean signedIn, boolean needsOwner, String email, String name, Role role) {}

  record SignIn(
      @NotBlank @Size(max = 200) String email, @NotBlank @Size(max = 200) String password) {}

  record NewPerson(
      @NotBlank @Email @Size(max = 200) String email,
      @NotBlank @Size(max = 120) String name,
      @NotNull Role role,
      @NotBlank @Size(max = 200) String password) {}

  record NewRole(@NotNull Role role) {}

  @GetMapping("/api/session")
  Session session(Principal principal) {
    return principal == null
        ? new Session(false, people.needsOwner(), "", "", Role.READER)
        : people
            .find(principal.getName())
            .map(PeopleController::session)
            .orElse(new Session(false, false, "", "", Role.READER));
  }

  private static Session session(Person person) {
    return new Session(true, false, person.email(), person.name(), person.role());
  }

  @PostMapping("/api/session")
  Session signIn(
      @Valid @RequestBody SignIn signIn, HttpServletRequest request, HttpServletResponse response) {
    Person person = people.signIn(signIn.email(), signIn.password(), request.getRemoteAddr());
    start(person, request, response);
    return session(person);
  }

  @DeleteMapping("/api/session")
  void signOut(HttpServletRequest request) {
    var session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
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
  }

  @GetMapping("/api/people")
  List<Person> people() {
    return people.all();
  }

  @PostMapping("/api/people")
  Person add(@Valid @RequestBody NewPerson person) {
    return people.add(person.email(), person.name(), person.role(), person.password());
  }

  @PutMapping("/api/people/{id}/role")
  Person setRole(@PathVariable long id, @Valid @RequestBody NewRole role) {
    return people.setRole(id, role.role());
  }
}
