package rhetor.core.sheet;

import java.util.List;

/** The rows of a file, one after another, whatever its format. */
interface RowStream extends AutoCloseable {
  /**
   * The next row, or null after the last.
   *
   * @throws SheetException if it can't be read
   */
  SheetRow next();

  /** What was met on the way that a person should know, such as formulas or hidden rows. */
  default List<String> notes() {
    return List.of();
  }

  @Override
  void close();
}
