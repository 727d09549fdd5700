package rhetor.app.knowledge;

/** What the house has decided about a piece of knowledge. */
public enum Standing {
  /** It ships with Rhetor, and nobody has looked at it. */
  AS_DELIVERED,
  /** It ships with Rhetor, and somebody has put their word to it. */
  APPROVED,
  /** It ships with Rhetor, and the house has it otherwise. */
  CHANGED,
  /** The house added it. */
  OWN,
  /** It is never made use of. */
  BANNED;

  /** The standing of a name, or null for ALL. */
  public static Standing named(String name) {
    try {
      return name.equals("ALL") ? null : valueOf(name);
    } catch (IllegalArgumentException e) {
      throw rhetor.app.web.Refused.invalid("There is no state called " + name + ".");
    }
  }
}
