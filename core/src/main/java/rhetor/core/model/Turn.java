package rhetor.core.model;

/**
 * One turn of what is said between Rhetor and a text model.
 *
 * @param answered whether the model said it
 */
public record Turn(boolean answered, String text) {

  static Turn asked(String text) {
    return new Turn(false, text);
  }

  static Turn answered(String text) {
    return new Turn(true, text);
  }
}
