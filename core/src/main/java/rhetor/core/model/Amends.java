package rhetor.core.model;

/** What becomes of what a text model wrote and can't stand after it was sent back. */
public enum Amends {
  /** What Rhetor composes of the same facts takes its place. */
  COMPOSE,
  /** It is left out; only a field that can't do without is composed. */
  LEAVE_OUT,
  /** It stays, marked, and keeps the text from being signed off. */
  HOLD
}
