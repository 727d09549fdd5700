package rhetor.core.sheet;

import tools.jackson.databind.JsonNode;

/** Records of a file that names its own fields, one after another. */
interface RecordStream extends AutoCloseable {
  /**
   * The next record, or null after the last.
   *
   * @throws SheetException if it can't be read
   */
  JsonNode next();

  @Override
  void close();
}
