package rhetor.app.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Tokens over HTTP. */
@RestController
class TokenController {
  private final Tokens tokens;

  TokenController(Tokens tokens) {
    this.tokens = tokens;
  }

  /**
   * A token to make.
   *
   * @param name what it is for
   * @param role what a program may do with it
   * @param days how long it lasts
   */
  record TokenOrder(@NotNull @Size(max = 200) String name, @NotNull Role role, int days) {}

  /**
   * A token that was made.
   *
   * @param token the token itself, shown this once
   */
  record Made(String token, List<Tokens.Token> all) {}

  @GetMapping("/api/tokens")
  List<Tokens.Token> all() {
    return tokens.all();
  }

  @PostMapping("/api/tokens")
  Made make(@Valid @RequestBody TokenOrder order, Principal person) {
    String token = tokens.make(order.name(), order.role(), order.days(), person.getName());
    return new Made(token, tokens.all());
  }

  @DeleteMapping("/api/tokens/{id}")
  List<Tokens.Token> end(@PathVariable long id, Principal person) {
    tokens.end(id, person.getName());
    return tokens.all();
  }
}
