package rhetor.app.claim;

/** What the house has decided about a claim. */
public enum ClaimState {
  /** It ships with Rhetor, and nobody has looked at it. */
  AS_DELIVERED,
  /** It ships with Rhetor, and somebody has put their word to it. */
  APPROVED,
  /** It ships with Rhetor, and the house words or licenses it otherwise. */
  CHANGED,
  /** The house added it. */
  OWN,
  /** It is never made. */
  BANNED
}
