package rhetor.app.people;

import java.util.Arrays;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;

/** A person as Spring Security knows them: a role grants all roles below it. */
final class PersonAuthentication {
  private PersonAuthentication() {}

  static Authentication of(Person person) {
    List<SimpleGrantedAuthority> granted =
        Arrays.stream(Role.values())
            .filter(r -> r.compareTo(person.role()) <= 0)
            .map(r -> new SimpleGrantedAuthority("ROLE_" + r))
            .toList();
    return UsernamePasswordAuthenticationToken.authenticated(person.email(), null, granted);
  }
}
