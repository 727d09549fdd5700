package rhetor.app.web;

import org.springframework.http.HttpStatus;

/** Says that a request can't be carried out, why, and what to do. */
public class Refused extends RuntimeException {
  private final HttpStatus status;

  protected Refused(HttpStatus status, String message) {
    super(message);
    this.status = status;
  }

  public HttpStatus status() {
    return status;
  }

  /** What is asked for doesn't exist. */
  public static Refused notFound(String message) {
    return new Refused(HttpStatus.NOT_FOUND, message);
  }

  /** The state of things doesn't allow it. */
  public static Refused conflict(String message) {
    return new Refused(HttpStatus.CONFLICT, message);
  }

  /** Somebody else changed it meanwhile. */
  public static Refused changedMeanwhile(String message) {
    return new Refused(HttpStatus.PRECONDITION_FAILED, message);
  }

  /** What was sent makes no sense. */
  public static Refused invalid(String message) {
    return new Refused(HttpStatus.UNPROCESSABLE_CONTENT, message);
  }

  /** A service outside didn't do its part. */
  public static Refused outside(String message) {
    return new Refused(HttpStatus.BAD_GATEWAY, message);
  }

  /** Too many tries. */
  public static Refused tooMany(String message) {
    return new Refused(HttpStatus.TOO_MANY_REQUESTS, message);
  }

  /** Not signed in, or wrongly. */
  public static Refused unknownPerson(String message) {
    return new Refused(HttpStatus.UNAUTHORIZED, message);
  }
}
