package rhetor.core.language;

import ai.djl.huggingface.tokenizers.Encoding;
import ai.djl.huggingface.tokenizers.HuggingFaceTokenizer;
import ai.onnxruntime.OnnxTensor;
import ai.onnxruntime.OrtEnvironment;
import ai.onnxruntime.OrtException;
import ai.onnxruntime.OrtSession;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.FloatBuffer;
import java.util.Map;

/**
 * The sentence model that ships inside: all-MiniLM-L6-v2, quantised to bytes (Reimers and Gurevych
 * 2019; Wang and others 2020). Safe for several threads: each text is computed by the thread that
 * asks, so that many are computed by as many threads as the machine has cores.
 */
final class SentenceModel {
  private static final String MODEL = "/all-minilm-l6-v2-q.onnx";
  private static final String TOKENIZER = "/all-minilm-l6-v2-q-tokenizer.json";

  private final OrtEnvironment environment;
  private final OrtSession session;
  private final HuggingFaceTokenizer tokenizer;

  /**
   * Loads the model, in a second or so.
   *
   * @throws IllegalStateException if this platform can't run it; a {@link LinkageError} if its
   *     native library is missing
   */
  SentenceModel() {
    // One after the other: each brings a native library, and only one thread is to load them.
    tokenizer = tokenizer();
    environment = OrtEnvironment.getEnvironment();
    try (OrtSession.SessionOptions options = new OrtSession.SessionOptions()) {
      options.setIntraOpNumThreads(1);
      options.addConfigEntry("session.intra_op.allow_spinning", "0");
      session = environment.createSession(resource(MODEL), options);
    } catch (OrtException e) {
      throw new IllegalStateException("The sentence model can't be run here.", e);
    }
  }

  private static HuggingFaceTokenizer tokenizer() {
    try (InputStream in = SentenceModel.class.getResourceAsStream(TOKENIZER)) {
      return HuggingFaceTokenizer.newInstance(in, Map.of("padding", "false"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static byte[] resource(String name) {
    try (InputStream in = SentenceModel.class.getResourceAsStream(name)) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * The vector of a text: the mean of its tokens' vectors, of length one.
   *
   * @param text not blank, of some hundred characters at most
   */
  float[] vector(String text) {
    Encoding tokens = tokenizer.encode(text, true, false);
    try (OnnxTensor ids = tensor(tokens.getIds());
        OnnxTensor mask = tensor(tokens.getAttentionMask());
        OnnxTensor types = tensor(tokens.getTypeIds());
        OrtSession.Result result =
            session.run(
                Map.of("input_ids", ids, "attention_mask", mask, "token_type_ids", types))) {
      OnnxTensor all = (OnnxTensor) result.get(0);
      int size = (int) all.getInfo().getShape()[2];
      return unit(sum(all.getFloatBuffer(), size));
    } catch (OrtException e) {
      throw new IllegalStateException("The sentence model gave no vector.", e);
    }
  }

  private OnnxTensor tensor(long[] numbers) throws OrtException {
    return OnnxTensor.createTensor(environment, new long[][] {numbers});
  }

  private static float[] sum(FloatBuffer tokens, int size) {
    float[] sum = new float[size];
    for (int at = 0; tokens.hasRemaining(); at++) {
      sum[at % size] += tokens.get();
    }
    return sum;
  }

  private static float[] unit(float[] vector) {
    double squares = 0;
    for (float number : vector) {
      squares += number * number;
    }
    double length = Math.sqrt(squares);
    for (int i = 0; i < vector.length; i++) {
      vector[i] = (float) (vector[i] / length);
    }
    return vector;
  }
}
