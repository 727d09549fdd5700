package rhetor.core.image;

/** Says why a picture can't be used, and what to do about it. */
public final class PictureException extends RuntimeException {
  public PictureException(String message) {
    super(message);
  }
}
