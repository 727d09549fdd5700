package rhetor.core.style;

/** What readiness is made up of; a house may weigh the parts otherwise than is usual. */
public enum Aspect {
  FIELDS("All fields written", 5),
  SUPPORT("Statements supported", 20),
  LANGUAGE("Plain language", 30),
  TOLD("What is told", 25),
  LENGTHS("Lengths", 5),
  ESSENTIALS("Essential facts", 5),
  KEYWORD("Keyword", 5),
  WORDING("Wording", 5);

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
