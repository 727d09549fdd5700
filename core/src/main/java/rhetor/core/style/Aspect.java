package rhetor.core.style;

/** What readiness is made up of; a house may weigh the parts otherwise than is usual. */
public enum Aspect {
  FIELDS("All fields written", 20),
  SUPPORT("Statements supported", 30),
  LENGTHS("Lengths", 15),
  ESSENTIALS("Essential facts", 15),
  KEYWORD("Keyword", 10),
  WORDING("Wording", 10);

  private final String label;
  private final int usual;

  Aspect(String label, int usual) {
    this.label = label;
    this.usual = usual;
  }

  /** The name that people read. */
  public String label() {
    return label;
  }

  /** Points of a hundred that it gives at most if the house has not said otherwise. */
  public int usual() {
    return usual;
  }
}
