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
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantReadWriteLock;

/**
 * The sentence model that ships inside: all-MiniLM-L6-v2, quantised to bytes (Reimers and Gurevych
 * 2019; Wang and others 2020). Safe for several threads: each text is computed by the thread that
 * asks, so that many are computed by as many threads as the machine has cores.
 */
final class SentenceModel {
  private static final String MODEL = "/all-minilm-l6-v2-q.onnx";
  private static final String TOKENIZER = "/all-minilm-l6-v2-q-tokenizer.json";

  /** As long as the library takes to load on a slow machine. */
  private static final int SECONDS_TO_END = 10;

  /**
   * Read-locked while native code runs. The library gives its memory back when the process begins
   * to end, whoever is still at work in it, and crashes; so an end in good order waits for this.
   */
  private static final ReentrantReadWriteLock AT_WORK = new ReentrantReadWriteLock();

  private final OrtEnvironment environment;
  private final OrtSession session;
  private final HuggingFaceTokenizer tokenizer;

  /**
   * Loads the model, in a second or so.
   *
   * @throws IllegalStateException if this platform can't run it, or the process ends; a {@link
   *     LinkageError} if its native library is missing
   */
  SentenceModel() {
    begin();
    // One after the other: each brings a native library, and only one thread is to load them.
    try (OrtSession.SessionOptions options = new OrtSession.SessionOptions()) {
      tokenizer = tokenizer();
      environment = OrtEnvironment.getEnvironment();
      options.setIntraOpNumThreads(1);
      options.addConfigEntry("session.intra_op.allow_spinning", "0");
      session = environment.createSession(resource(MODEL), options);
    } catch (OrtException e) {
      throw new IllegalStateException("The sentence model can't be run here.", e);
    } finally {
      AT_WORK.readLock().unlock();
    }
  }

  private static void begin() {
    if (!AT_WORK.readLock().tryLock()) {
      throw new IllegalStateException("Rhetor is about to end.");
    }
  }

  /** Waits for what runs in the native library, and lets nothing begin in it any more. */
  static void end() {
    try {
      AT_WORK.writeLock().tryLock(SECONDS_TO_END, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
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
   * @throws IllegalStateException if the process ends
   */
  float[] vector(String text) {
    begin();
    try {
      return computed(text);
    } finally {
      AT_WORK.readLock().unlock();
    }
  }

  private float[] computed(String text) {
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
