package rhetor.app.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Puts the headers that keep browsers from being talked into more on every answer, those of the
 * container too, and says what the container refuses as problem details.
 */
@Configuration
class EveryAnswer {

  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> headersOfEveryAnswer() {
    return server -> server.addEngineValves(new Headers());
  }

  /** Stands before all filters; whoever knows better sets a header again. */
  private static final class Headers extends ValveBase {
    Headers() {
      super(true);
    }

    @Override
    public void invoke(Request request, Response answer) throws IOException, ServletException {
      answer.setHeader("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'");
      answer.setHeader("X-Content-Type-Options", "nosniff");
      answer.setHeader("X-Frame-Options", "DENY");
      answer.setHeader("Referrer-Policy", "same-origin");
      answer.setHeader("Permissions-Policy", "camera=(), microphone=(), geolocation=()");
      answer.setHeader("Cross-Origin-Opener-Policy", "same-origin");
      answer.setHeader("Cross-Origin-Resource-Policy", "same-origin");
      answer.setHeader("Cache-Control", "no-store");
      if (request.isSecure()) {
        answer.setHeader("Strict-Transport-Security", "max-age=31536000");
      }
      getNext().invoke(request, answer);
    }
  }

  /** What the container refuses before anybody here sees it. */
  @RestController
  static class Errors implements ErrorController {
    @RequestMapping("/error")
    ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
      Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
      HttpStatus status =
          code instanceof Integer number ? HttpStatus.resolve(number) : HttpStatus.NOT_FOUND;
      HttpStatus told = status == null ? HttpStatus.BAD_REQUEST : status;
      String what =
          switch (told) {
            case NOT_FOUND -> "There is nothing at this address.";
            case INTERNAL_SERVER_ERROR ->
                "Something went wrong that Rhetor didn't foresee; nothing was stored. Try again; if it stays, look into the log.";
            default -> "The request makes no sense to the server: " + told.getReasonPhrase() + ".";
          };
      return ResponseEntity.status(told).body(ProblemDetail.forStatusAndDetail(told, what));
    }
  }
}
