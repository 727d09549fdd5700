package rhetor.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.web.filter.OncePerRequestFilter;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;

/** Who may do what over HTTP, and the headers that keep browsers from being talked into more. */
@Configuration
class Security {
  private static final String SHOP_CALL = "/api/shop/changed";

  private static final String[] SIGN_OFF = {
    "/api/proofs/*/sign-off",
    "/api/proofs/*/let-be",
    "/api/proofs/*/this-is-so",
    "/api/proofs/*/raise-again",
    "/api/proofs/*/verdicts",
    "/api/proofs/*/verdicts/take-back",
    "/api/verdicts/take-back",
    "/api/proofs/second-opinion",
    "/api/proofs/*/send-back",
    "/api/proofs/sign-off",
    "/api/acts/**",
    "/api/editions/**",
    "/api/products/*/shop"
  };

  @Bean
  SecurityContextRepository securityContextRepository() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http,
      SecurityContextRepository contexts,
      PeopleService people,
      Sessions sessions,
      Tokens tokens,
      HouseLog log)
      throws Exception {
    return http.securityContext(c -> c.securityContextRepository(contexts))
        // A browser sends no token of its own accord, so nobody can have it forge a request with
        // one.
        .csrf(
            c ->
                c.spa()
                    .ignoringRequestMatchers(Tokens::isCarriedBy)
                    // The shop has no session; its calls are signed.
                    .ignoringRequestMatchers(SHOP_CALL))
        .requestCache(c -> c.disable())
        .formLogin(f -> f.disable())
        .httpBasic(b -> b.disable())
        .logout(l -> l.disable())
        .authorizeHttpRequests(
            a ->
                a.requestMatchers("/api/session", "/api/owner")
                    .permitAll()
                    .requestMatchers(HttpMethod.POST, SHOP_CALL)
                    .permitAll()
                    .requestMatchers("/api/me/**")
                    .hasRole("READER")
                    .requestMatchers(
                        "/api/people/**", "/api/log", "/api/house/**", "/api/tokens/**")
                    .hasRole("OWNER")
                    .requestMatchers(HttpMethod.GET, "/api/connections")
                    .hasRole("READER")
                    .requestMatchers("/api/connections/**")
                    .hasRole("OWNER")
                    .requestMatchers(HttpMethod.POST, SIGN_OFF)
                    .hasRole("EDITOR")
                    .requestMatchers(
                        HttpMethod.PUT,
                        "/api/pictures/hosts",
                        "/api/folder",
                        "/api/claims/*",
                        "/api/concepts/*",
                        "/api/kinds/*",
                        "/api/style",
                        "/api/layers/**",
                        "/api/channels/*",
                        "/api/angles/*")
                    .hasRole("EDITOR")
                    .requestMatchers(
                        HttpMethod.DELETE,
                        "/api/ranges/*",
                        "/api/angles/*",
                        "/api/templates/*",
                        "/api/channels/*")
                    .hasRole("EDITOR")
                    .requestMatchers(
                        HttpMethod.POST,
                        "/api/templates/*/approve",
                        "/api/claims/*/approve",
                        "/api/claims/*/ban",
                        "/api/claims/*/restore",
                        "/api/concepts/*/restore",
                        "/api/concepts/*/silence",
                        "/api/concepts/*/keep-telling",
                        "/api/concepts/wordings",
                        "/api/concepts/wordings/take-back",
                        "/api/concepts/headings",
                        "/api/concepts/proposals",
                        "/api/readers/assignments",
                        "/api/style/habits/left",
                        "/api/kinds/*/restore",
                        "/api/angles",
                        "/api/channels")
                    .hasRole("EDITOR")
                    .requestMatchers(HttpMethod.GET, "/api/**")
                    .hasRole("READER")
                    .requestMatchers("/api/**")
                    .hasRole("WRITER")
                    .anyRequest()
                    .permitAll())
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                        (request, response, x) ->
                            problem(
                                response,
                                401,
                                "You are not signed in, or your session has ended. Sign in and try again."))
                    .accessDeniedHandler(
                        (request, response, x) -> {
                          note(log, request);
                          problem(
                              response,
                              403,
                              x instanceof CsrfException
                                  ? "The request came without the token against forged requests. Load the page again."
                                  : "Your role doesn't allow this. Ask the owner of the house.");
                        }))
        // The headers of every answer stand on it before anybody here sees the request.
        .headers(h -> h.disable())
        .addFilterBefore(new RoleOfToday(people, sessions, tokens), AuthorizationFilter.class)
        .build();
  }

  private static void note(HouseLog log, HttpServletRequest request) {
    if (request.getUserPrincipal() != null) {
      log.note(
          request.getUserPrincipal().getName(),
          Event.NOT_ALLOWED,
          request.getMethod() + " " + request.getRequestURI(),
          "");
    }
  }

  private static void problem(HttpServletResponse response, int status, String detail)
      throws IOException {
    response.setStatus(status);
    response.setContentType("application/problem+json");
    response.setCharacterEncoding("UTF-8");
    response.getWriter().write("{\"status\":" + status + ",\"detail\":\"" + detail + "\"}");
  }

  /**
   * Takes a person's role from the database at each request, so that a change counts at once, and
   * ends sessions that have lasted long enough. A program comes with a token instead, and does
   * nothing to the person in whose name it comes.
   */
  private static final class RoleOfToday extends OncePerRequestFilter {
    private final PeopleService people;
    private final Sessions sessions;
    private final Tokens tokens;

    RoleOfToday(PeopleService people, Sessions sessions, Tokens tokens) {
      this.people = people;
      this.sessions = sessions;
      this.tokens = tokens;
    }

    @Override
    protected void doFilterInternal(
        HttpServletRequest request, HttpServletResponse response, FilterChain chain)
        throws ServletException, IOException {
      Authentication known = SecurityContextHolder.getContext().getAuthentication();
      if (Tokens.isCarriedBy(request)) {
        var context = SecurityContextHolder.createEmptyContext();
        if (!request.getRequestURI().startsWith("/api/me")) {
          tokens
              .bearer(request)
              .map(PersonAuthentication::of)
              .ifPresent(context::setAuthentication);
        }
        SecurityContextHolder.setContext(context);
      } else if (known != null && request.getRequestURI().startsWith("/api/")) {
        Optional<Person> person =
            sessions.isGood(request) ? people.find(known.getName()) : Optional.empty();
        var context = SecurityContextHolder.createEmptyContext();
        person.map(PersonAuthentication::of).ifPresent(context::setAuthentication);
        SecurityContextHolder.setContext(context);
      }
      chain.doFilter(request, response);
    }
  }
}
