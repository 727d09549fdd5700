package rhetor.app.proof;

/** Reads the descriptions of a house, one after another. */
@FunctionalInterface
public interface ProseReader {
  /**
   * Takes one.
   *
   * @param prose the description's paragraphs, never empty
   */
  void read(long product, String prose);
}
