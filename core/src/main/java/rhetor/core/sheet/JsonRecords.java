package rhetor.core.sheet;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.cfg.JsonNodeFeature;
import tools.jackson.databind.json.JsonMapper;

/** The objects of a JSON list (RFC 8259), or of JSON Lines, one value on a line. */
final class JsonRecords implements RecordStream {
  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(40)
                          .maxStringLength(4_000_000)
                          .build())
                  .build())
          // "1.50" stays "1.50".
          .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
          .disable(JsonNodeFeature.STRIP_TRAILING_BIGDECIMAL_ZEROES)
          .build();

  private final JsonParser parser;
  private final boolean lines;

  JsonRecords(Path file, boolean lines) {
    this.lines = lines;
    try {
      InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16);
      parser = JSON.createParser(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    if (!lines) {
      findList();
    }
  }

  /**
   * Whether a file that starts with an object has more after it, or one that is a product itself.
   */
  static boolean isLines(Path file) {
    try (JsonRecords records = new JsonRecords(file, true)) {
      JsonNode first = records.next();
      return first != null && (records.next() != null || !hasList(first));
    } catch (SheetException e) {
      // Broken later on: what is wrong is said when it is read.
      return e.problem().row() > 1;
    }
  }

  private static boolean hasList(JsonNode node) {
    return node.isArray()
        ? !node.isEmpty() && node.get(0).isObject()
        : node.valueStream().anyMatch(JsonRecords::hasList);
  }

  /** Goes into the first list of objects, at the root or below it. */
  private void findList() {
    try {
      for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
        if (token == JsonToken.START_ARRAY) {
          JsonToken first = parser.nextToken();
          if (first == JsonToken.START_OBJECT) {
            return;
          }
        }
      }
    } catch (JacksonException e) {
      throw broken(e);
    }
    throw new SheetException(
        SheetProblem.ofSheet(
            "no-list",
            "The JSON file has no list of objects in it.",
            "Put the products into a list: [{\"sku\": \"A-1\", \"name\": \"Lamp\"}, …]."));
  }

  @Override
  public JsonNode next() {
    try {
      JsonToken token =
          lines || parser.currentToken() != JsonToken.START_OBJECT
              ? parser.nextToken()
              : parser.currentToken();
      if (token == null || token == JsonToken.END_ARRAY) {
        return null;
      }
      JsonNode node = parser.readValueAsTree();
      parser.clearCurrentToken();
      return node;
    } catch (JacksonException e) {
      throw broken(e);
    }
  }

  private static SheetException broken(JacksonException e) {
    long line = e.getLocation() == null ? 0 : e.getLocation().getLineNr();
    boolean large = e instanceof StreamConstraintsException;
    return new SheetException(
        new SheetProblem(
            large ? "too-large" : "broken-json",
            Math.max(line, 0),
            "",
            large
                ? "A value is far longer, or nested far deeper, than a product's field can be."
                : "The JSON is broken here: " + e.getOriginalMessage() + ".",
            large
                ? "Leave that field out and drop the file again."
                : "Ask for the file once more, or mend it with an editor that checks JSON."));
  }

  @Override
  public void close() {
    parser.close();
  }
}
