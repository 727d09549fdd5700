package rhetor.app.web;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetProblem;
import tools.jackson.core.JacksonException;

/** Errors as problem details (RFC 9457) whose detail says what happened, where, and what to do. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler(Refused.class)
  ProblemDetail refused(Refused e) {
    return ProblemDetail.forStatusAndDetail(e.status(), e.getMessage());
  }

  @ExceptionHandler(SheetException.class)
  ProblemDetail sheet(SheetException e) {
    SheetProblem problem = e.problem();
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, problem.toString());
    detail.setTitle("The sheet can't be read");
    detail.setProperty("code", problem.code());
    detail.setProperty("row", problem.row());
    detail.setProperty("column", problem.column());
    return detail;
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONTENT_TOO_LARGE,
            "The file is larger than 100 MB. Split it into smaller sheets with the same headings.");
    detail.setProperty("code", "too-large");
    return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(detail);
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return ResponseEntity.badRequest()
        .body(ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, unreadable(e.getCause())));
  }

  /** Where a body can't be read, and why, in a line. */
  private static String unreadable(Throwable cause) {
    if (!(cause instanceof JacksonException broken)) {
      return "The request has no body that can be read; it has to be JSON.";
    }
    String where =
        broken.getPath().stream()
            .map(r -> r.getPropertyName() == null ? "[" + r.getIndex() + "]" : r.getPropertyName())
            .collect(java.util.stream.Collectors.joining("."));
    String why =
        broken.getOriginalMessage().replaceAll("\\s+", " ").replaceAll("`[^`]*\\.([^`.]+)`", "$1");
    return "The request can't be read%s: %s"
        .formatted(
            where.isEmpty() ? "" : " at " + where,
            why.length() > 300 ? why.substring(0, 300) + "…" : why);
  }

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    String what =
        String.join(
            " ",
            e.getFieldErrors().stream()
                .map(f -> f.getField() + ": " + f.getDefaultMessage() + ".")
                .toList());
    return ResponseEntity.badRequest()
        .body(ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, what));
  }

  /** What can't be kept, though nobody has said why more exactly before. */
  @ExceptionHandler(DataIntegrityViolationException.class)
  ProblemDetail cannotBeKept(DataIntegrityViolationException e) {
    LOG.warn("refused by the database", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "This can't be kept: something in it is too long, or names what isn't there. Nothing was stored.");
  }

  @ExceptionHandler(MultipartException.class)
  ProblemDetail multipart(MultipartException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST,
        "The file didn't come whole: its parts can't be told apart. Send it again.");
  }

  @ExceptionHandler(RequestRejectedException.class)
  ProblemDetail rejected(RequestRejectedException e) {
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.BAD_REQUEST, "The address or a header has characters that none may have.");
  }

  /** Two people were at the same thing at the same moment, and one of them had to give way. */
  @ExceptionHandler(ConcurrencyFailureException.class)
  ProblemDetail atOnce(ConcurrencyFailureException e) {
    LOG.info("given way: {}", e.getMessage());
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.CONFLICT,
        "Somebody else was at the same thing at this moment; nothing of yours was stored. Try again.");
  }

  @ExceptionHandler(Exception.class)
  ProblemDetail unexpected(Exception e) throws Exception {
    if (e instanceof org.springframework.security.core.AuthenticationException
        || e instanceof org.springframework.security.access.AccessDeniedException) {
      throw e;
    }
    LOG.error("unexpected", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "Something went wrong that Rhetor didn't foresee; nothing was stored. Try again; if it stays, look into the log.");
  }
}
