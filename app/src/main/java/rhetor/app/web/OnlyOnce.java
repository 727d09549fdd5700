package rhetor.app.web;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Carries a request out once, however often it comes: whoever sends it again with the same {@code
 * Idempotency-Key}, after a double click or a lost answer, gets the answer to the first.
 */
@Component
class OnlyOnce extends OncePerRequestFilter {
  private static final String HEADER = "Idempotency-Key";
  private static final String KEY = "[\\x21-\\x7E]{8,100}";
  private static final Set<String> ACTS = Set.of("POST", "PUT", "DELETE");
  private static final int LONGEST_BODY = 900_000;
  private static final int LONGEST_REQUEST = 1_000;
  private static final int POLLS = 200;
  private static final Duration PAUSE = Duration.ofMillis(100);

  private final DoneRequestStore done;

  OnlyOnce(DoneRequestStore done) {
    this.done = done;
  }

  @Configuration
  static class Forgetting {
    @Bean
    Task<Void> forgetDoneRequests(DoneRequestStore done) {
      return Tasks.recurring("forget-done-requests", FixedDelay.ofHours(1))
          .execute((instance, context) -> done.forgetOld());
    }
  }

  @EventListener(ApplicationReadyEvent.class)
  void forgetBroken() {
    done.forgetBroken();
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String key = request.getHeader(HEADER);
    Principal person = request.getUserPrincipal();
    if (key == null || person == null || !ACTS.contains(request.getMethod())) {
      chain.doFilter(request, response);
      return;
    }
    String what = request.getMethod() + " " + request.getRequestURI() + query(request);
    if (!key.matches(KEY) || what.length() > LONGEST_REQUEST) {
      problem(
          response,
          400,
          HEADER + " has to be 8 to 100 printable characters, such as a random UUID.");
    } else if (done.begin(person.getName(), key, what)) {
      carryOut(person.getName(), key, request, response, chain);
    } else {
      answerAgain(person.getName(), key, what, response);
    }
  }

  private static String query(HttpServletRequest request) {
    return request.getQueryString() == null ? "" : "?" + request.getQueryString();
  }

  private void carryOut(
      String person,
      String key,
      HttpServletRequest request,
      HttpServletResponse response,
      FilterChain chain)
      throws ServletException, IOException {
    ContentCachingResponseWrapper kept = new ContentCachingResponseWrapper(response);
    boolean answered = false;
    try {
      chain.doFilter(request, kept);
      answered = kept.getStatus() < 500;
    } finally {
      if (answered) {
        String body = new String(kept.getContentAsByteArray(), StandardCharsets.UTF_8);
        String type = Optional.ofNullable(kept.getContentType()).orElse("");
        if (body.length() <= LONGEST_BODY) {
          done.finish(person, key, kept.getStatus(), type, body);
        } else {
          done.finish(person, key, 409, PROBLEM, detail(409, DONE));
        }
      } else {
        done.forget(person, key);
      }
      kept.copyBodyToResponse();
    }
  }

  private static final String PROBLEM = "application/problem+json";
  private static final String DONE = "This was carried out already. Look at what it has done.";

  private void answerAgain(String person, String key, String what, HttpServletResponse response)
      throws IOException {
    for (int i = 0; i < POLLS; i++) {
      Optional<DoneRequestStore.Done> before = done.find(person, key);
      if (before.isEmpty()) {
        problem(
            response, 409, "The same order failed a moment ago. Send it again with another key.");
        return;
      }
      if (!before.get().request().equals(what)) {
        problem(
            response,
            422,
            "This " + HEADER + " was sent with another request. Give each order a key of its own.");
        return;
      }
      if (before.get().status() != 0) {
        response.setStatus(before.get().status());
        response.setContentType(
            before.get().contentType().isEmpty() ? null : before.get().contentType());
        response.getOutputStream().write(before.get().body().getBytes(StandardCharsets.UTF_8));
        return;
      }
      pause();
    }
    problem(response, 409, "The same order is being carried out. Look again in a moment.");
  }

  private static void pause() {
    try {
      Thread.sleep(PAUSE);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static void problem(HttpServletResponse response, int status, String detail)
      throws IOException {
    response.setStatus(status);
    response.setContentType(PROBLEM);
    response.setCharacterEncoding("UTF-8");
    response.getWriter().write(detail(status, detail));
  }

  private static String detail(int status, String detail) {
    return "{\"status\":" + status + ",\"detail\":\"" + detail + "\"}";
  }
}
