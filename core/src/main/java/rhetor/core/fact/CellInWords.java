package rhetor.core.fact;

/**
 * What the house says that a cell of one kind of fact means, in words that are read as a cell would
 * be: "pasteurised goat's milk" for "goat, past.".
 *
 * @param factId id of the fact that such cells are read as
 * @param written what the cell says, whatever its case
 * @param words what it means
 */
public record CellInWords(String factId, String written, String words) {
  public CellInWords {
    if (factId.isBlank() || written.isBlank() || words.isBlank()) {
      throw new IllegalArgumentException("A cell in words needs its fact, the cell and the words.");
    }
  }
}
