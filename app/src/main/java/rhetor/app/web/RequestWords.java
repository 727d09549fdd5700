package rhetor.app.web;

import rhetor.core.style.Field;

/** Reads what requests name: fields of a text, and the revision that somebody saw. */
public final class RequestWords {
  private RequestWords() {}

  /**
   * The field that goes by a code.
   *
   * @throws Refused if none does
   */
  public static Field field(String code) {
    try {
      return Field.parse(code);
    } catch (IllegalArgumentException e) {
      throw Refused.notFound("There is no field called " + code + ".");
    }
  }

  /**
   * The revision that an ETag stands for.
   *
   * @throws Refused if it stands for none
   */
  public static long revision(String etag) {
    try {
      return Long.parseLong(etag.replaceAll("^W/|\"", ""));
    } catch (NumberFormatException e) {
      throw Refused.invalid("If-Match has to be the revision's ETag.");
    }
  }
}
