package rhetor.app.run;

/** Who writes the texts of a run. */
public enum Engine {
  /** Rhetor itself: no network, no cost. */
  COMPOSER,
  /** A text model. */
  MODEL,
  /** Rhetor, and a text model for what it can tell too little of. */
  BOTH
}
