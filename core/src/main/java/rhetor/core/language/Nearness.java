package rhetor.core.language;

import dev.langchain4j.data.embedding.Embedding;
import dev.langchain4j.data.segment.TextSegment;
import dev.langchain4j.model.embedding.onnx.allminilml6v2q.AllMiniLmL6V2QuantizedEmbeddingModel;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * Places phrases by their meaning: the nearer two vectors, the more alike what they mean. The model
 * ships inside (all-MiniLM-L6-v2, English; Reimers and Gurevych 2019); where a platform can't run
 * it, there are no vectors and everything else goes on. Safe for several threads.
 */
public final class Nearness {
  private static final int LONGEST = 200;

  /** The model that ships with Rhetor, loaded when it is first asked. */
  public static final Nearness SHIPPED =
      new Nearness(AllMiniLmL6V2QuantizedEmbeddingModel::new, true);

  /** Vectors of nothing: as on a platform that can't run the model. */
  public static final Nearness NONE =
      new Nearness(
          () -> {
            throw new IllegalStateException("no model is wanted");
          },
          false);

  private final Supplier<AllMiniLmL6V2QuantizedEmbeddingModel> load;
  private final boolean keeps;
  private final Memo<Optional<float[]>> vectors = new Memo<>(this::embed, LONGEST);
  private AllMiniLmL6V2QuantizedEmbeddingModel model;
  private boolean loaded;

  private Nearness(Supplier<AllMiniLmL6V2QuantizedEmbeddingModel> load, boolean keeps) {
    this.load = load;
    this.keeps = keeps;
  }

  /** Loads the model if it isn't yet, so that the first who asks needn't wait. */
  public void load() {
    model();
  }

  /** The vector of a phrase, of length one; nothing for no words or without a model. */
  public Optional<float[]> of(String phrase) {
    return phrase.isBlank() ? Optional.empty() : vectors.of(shortened(phrase));
  }

  /**
   * The vectors of phrases in their order, computed together; empty without a model.
   *
   * @param phrases none of them blank
   */
  public List<float[]> ofAll(List<String> phrases) {
    List<String> fresh =
        phrases.stream()
            .map(Nearness::shortened)
            .distinct()
            .filter(p -> !vectors.has(p) && kept(p).isEmpty())
            .toList();
    if (!fresh.isEmpty()) {
      if (model().isEmpty()) {
        return List.of();
      }
      List<Embedding> found =
          model().get().embedAll(fresh.stream().map(TextSegment::from).toList()).content();
      for (int i = 0; i < found.size(); i++) {
        vectors.put(fresh.get(i), Optional.of(unit(found.get(i).vector())));
      }
    }
    List<float[]> all = new ArrayList<>();
    for (String phrase : phrases) {
      of(phrase).ifPresent(all::add);
    }
    return all;
  }

  /** Cosine of the angle between two vectors of length one: 1 for the same meaning. */
  public static double cosine(float[] a, float[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }

  /**
   * Writes the vectors of phrases that are known beforehand, to be shipped and kept; a hundredth of
   * a vector's length may be lost.
   */
  public void keep(Collection<String> phrases, OutputStream to) throws IOException {
    Map<String, float[]> computed = new LinkedHashMap<>();
    for (String phrase : phrases) {
      computed.computeIfAbsent(shortened(phrase), p -> computed(p).orElseThrow());
    }
    KeptVectors.write(computed, to);
  }

  /** Whether the vector of a phrase ships, so that no model is asked for it. */
  public static boolean isKept(String phrase) {
    return KeptVectors.shipped().of(shortened(phrase)).isPresent();
  }

  private Optional<float[]> kept(String phrase) {
    return keeps ? KeptVectors.shipped().of(phrase) : Optional.empty();
  }

  private Optional<float[]> embed(String phrase) {
    return kept(phrase).or(() -> computed(phrase));
  }

  /** The vector as the model computes it now. */
  private Optional<float[]> computed(String phrase) {
    return model().map(m -> unit(m.embed(phrase).content().vector()));
  }

  private static String shortened(String phrase) {
    return phrase.length() > LONGEST ? phrase.substring(0, LONGEST) : phrase;
  }

  private static float[] unit(float[] vector) {
    double length = Math.sqrt(cosine(vector, vector));
    float[] unit = new float[vector.length];
    for (int i = 0; i < unit.length; i++) {
      unit[i] = (float) (vector[i] / length);
    }
    return unit;
  }

  private synchronized Optional<AllMiniLmL6V2QuantizedEmbeddingModel> model() {
    if (!loaded) {
      loaded = true;
      try {
        model = load.get();
      } catch (RuntimeException | LinkageError e) {
        // A platform without the native library reads by words alone.
        model = null;
      }
    }
    return Optional.ofNullable(model);
  }
}
