package rhetor.app.proof;

/** Who made a revision of a text. */
public enum Origin {
  COMPOSER,
  /** A text model; what it couldn't tell rightly may be the composer's. */
  MODEL,
  /** A person. */
  HAND
}
