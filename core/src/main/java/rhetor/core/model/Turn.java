package rhetor.core.model;

import java.util.List;

/**
 * One turn of what is said between Rhetor and a text model.
 *
 * @param answered whether the model said it
 * @param pictures what is shown with it, PNG in Base64 (RFC 4648); of answers none
 */
public record Turn(boolean answered, String text, List<String> pictures) {
  public Turn {
    pictures = List.copyOf(pictures);
  }

  /** A turn of words alone. */
  public Turn(boolean answered, String text) {
    this(answered, text, List.of());
  }

  static Turn asked(String text) {
    return new Turn(false, text);
  }

  static Turn answered(String text) {
    return new Turn(true, text);
  }
}
