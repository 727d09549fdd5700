package rhetor.app.product;

/** How far a product's texts are. */
public enum Stage {
  UNWRITTEN,
  DRAFTED,
  IN_PROOF,
  SIGNED_OFF,
  PUBLISHED
}
