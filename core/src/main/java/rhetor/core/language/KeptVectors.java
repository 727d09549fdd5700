package rhetor.core.language;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Vectors of phrases that are known beforehand, as they ship: computed once, so that nothing waits
 * for a model to place them again. Each number has one byte.
 */
final class KeptVectors {
  private static final String RESOURCE = "/knowledge/vectors.bin";

  private static final class Shipped {
    static final KeptVectors VECTORS = read();
  }

  private final Map<String, byte[]> byPhrase = new HashMap<>();

  private KeptVectors() {}

  /** Those that ship with Rhetor, read when they are first asked for. */
  static KeptVectors shipped() {
    return Shipped.VECTORS;
  }

  /** The vector of a phrase, nearly of length one; nothing if it isn't kept. */
  Optional<float[]> of(String phrase) {
    byte[] kept = byPhrase.get(phrase);
    if (kept == null) {
      return Optional.empty();
    }
    float[] vector = new float[kept.length];
    for (int i = 0; i < kept.length; i++) {
      vector[i] = kept[i] / (float) Byte.MAX_VALUE;
    }
    return Optional.of(vector);
  }

  /** Writes vectors of phrases, each of length one, as {@link #shipped} reads them. */
  static void write(Map<String, float[]> vectors, OutputStream to) throws IOException {
    DataOutputStream out = new DataOutputStream(to);
    for (Map.Entry<String, float[]> each : vectors.entrySet()) {
      out.writeUTF(each.getKey());
      out.writeShort(each.getValue().length);
      for (float number : each.getValue()) {
        out.writeByte(Math.round(number * Byte.MAX_VALUE));
      }
    }
    out.flush();
  }

  private static KeptVectors read() {
    KeptVectors kept = new KeptVectors();
    try (InputStream resource = KeptVectors.class.getResourceAsStream(RESOURCE)) {
      if (resource == null) {
        return kept;
      }
      DataInputStream in = new DataInputStream(new BufferedInputStream(resource));
      while (true) {
        String phrase = in.readUTF();
        byte[] vector = new byte[in.readShort()];
        in.readFully(vector);
        kept.byPhrase.put(phrase, vector);
      }
    } catch (EOFException end) {
      return kept;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
