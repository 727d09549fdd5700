package rhetor.core.fact;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * One typed statement about a product, with the cells that make it.
 *
 * @param id unique within the product
 * @param concept id of the concept, or empty for a column that matches none
 * @param label what the fact is about, as a specification list names it
 * @param value what it says
 * @param sources the cells that say so, at least one
 * @param foreign whether its words are in another language than the text, so that prose leaves it
 *     out
 */
public record Fact(
    String id, String concept, String label, Value value, List<Source> sources, boolean foreign) {
  private static final String OWN = "extra:";

  public Fact {
    sources = List.copyOf(sources);
    if (sources.isEmpty()) {
      throw new IllegalArgumentException("a fact needs a source: " + label);
    }
  }

  /**
   * The id of a fact that is of no known kind: all that its heading says, its unit too, so that
   * "fruit %" and "fruit" are two.
   */
  public static String ownId(String label) {
    return OWN + label.strip().toLowerCase(Locale.ROOT);
  }

  /** What a fact of no known kind is about, by its id. */
  public static String labelOf(String ownId) {
    return ownId.startsWith(OWN) ? ownId.substring(OWN.length()) : ownId;
  }

  /** The same fact with another value. */
  public Fact withValue(Value other) {
    return new Fact(id, concept, label, other, sources, foreign);
  }

  /** The same fact as the house puts its cell: in words that it answers for. */
  public Fact inWords(String words, Value read) {
    List<Source> all = new ArrayList<>(sources);
    all.add(Source.inWords(words));
    return new Fact(id, concept, label, read, all, false);
  }

  /** Whether the value is in words that the house has put a cell in. */
  public boolean isInWords() {
    return sources.stream().anyMatch(Source::isInWords);
  }

  /** The same fact, called otherwise in lists. */
  public Fact labelled(String other) {
    return new Fact(id, concept, other, value, sources, foreign);
  }

  /** The cell that the fact is first taken from. */
  public Source source() {
    return sources.getFirst();
  }
}
