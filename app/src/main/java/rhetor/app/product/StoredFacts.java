package rhetor.app.product;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.Inflater;
import rhetor.core.fact.ProductFacts;
import tools.jackson.databind.json.JsonMapper;

/**
 * Facts as they are stored: JSON, deflated (RFC 1951). They are read whole and never searched, and
 * a sixth of the bytes means a sixth of the writing.
 */
final class StoredFacts {
  /** What all of them contain; changing it makes stored facts unreadable. */
  private static final byte[] DICTIONARY =
      """
      {"sku":"","name":"","productClass":"","kindNoun":"","facts":[{"id":"name","concept":"name","label":"Name","value":{"kind":"words","text":""},\
      "sources":[{"sheet":".csv","row":1,"column":"Name","raw":""}],"foreign":false},{"id":"extra:","concept":"","label":"","value":{"kind":"terms","items":[""]},\
      "value":{"kind":"quantity","amount":1,"unit":"","qualifier":""},"value":{"kind":"sides","lengths":[],"unit":"cm"},"value":{"kind":"yesno","yes":true},\
      "value":{"kind":"rating","code":"IPX"},"contradictions":[],"supplierText":"","keyword":""}
      """
          .getBytes(StandardCharsets.UTF_8);

  private final JsonMapper json;

  StoredFacts(JsonMapper json) {
    this.json = json;
  }

  byte[] pack(ProductFacts facts) {
    Deflater deflater = new Deflater(Deflater.BEST_SPEED, true);
    deflater.setDictionary(DICTIONARY);
    ByteArrayOutputStream bytes = new ByteArrayOutputStream(1024);
    try (DeflaterOutputStream out = new DeflaterOutputStream(bytes, deflater)) {
      out.write(json.writeValueAsBytes(facts));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      deflater.end();
    }
    return bytes.toByteArray();
  }

  /**
   * Reads what {@link #pack} made.
   *
   * @throws IllegalStateException if the bytes are damaged
   */
  ProductFacts unpack(byte[] bytes) {
    Inflater inflater = new Inflater(true);
    try {
      inflater.setDictionary(DICTIONARY);
      inflater.setInput(bytes);
      ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length * 6);
      byte[] buffer = new byte[8192];
      while (!inflater.finished()) {
        int n = inflater.inflate(buffer);
        if (n == 0 && !inflater.finished()) {
          throw new IllegalStateException(
              "The stored facts of a product are damaged. Take its sheet in again.");
        }
        out.write(buffer, 0, n);
      }
      return json.readValue(out.toByteArray(), ProductFacts.class);
    } catch (DataFormatException e) {
      throw new IllegalStateException(
          "The stored facts of a product are damaged. Take its sheet in again.", e);
    } finally {
      inflater.end();
    }
  }
}
