package rhetor.core.language;

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
  public static final Nearness SHIPPED = new Nearness(SentenceModel::new, true);

  /** Vectors of nothing: as on a platform that can't run the model. */
  public static final Nearness NONE =
      new Nearness(
          () -> {
            throw new IllegalStateException("no model is wanted");
          },
          false);

  private final Supplier<SentenceModel> load;
  private final boolean keeps;
  private final Memo<Optional<float[]>> vectors = new Memo<>(this::embed, LONGEST);
  private SentenceModel model;
  private boolean loaded;

  private Nearness(Supplier<SentenceModel> load, boolean keeps) {
    this.load = load;
    this.keeps = keeps;
  }

  /** Loads the model if it isn't yet, so that the first who asks needn't wait. */
  public void load() {
    model();
  }

  /**
   * Waits for what is being computed or loaded, and lets nothing begin any more: for a process that
   * is about to end, since one that ends under the model crashes.
   */
  public static void end() {
    SentenceModel.end();
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
      Optional<SentenceModel> model = model();
      if (model.isEmpty()) {
        return List.of();
      }
      fresh.parallelStream().forEach(p -> vectors.put(p, Optional.of(model.get().vector(p))));
    }
    List<float[]> all = new ArrayList<>();
    for (String phrase : phrases) {
      of(phrase).ifPresent(all::add);
    }
    return all;
  }

  /** Cosine of the angle between two vectors of length one: 1 for the same meaning. */
  public static double cosine(float[] a, float[] b) {
    // Four sums that don't wait for each other.
    float first = 0;
    float second = 0;
    float third = 0;
    float fourth = 0;
    int i = 0;
    for (; i + 3 < a.length; i += 4) {
      first += a[i] * b[i];
      second += a[i + 1] * b[i + 1];
      third += a[i + 2] * b[i + 2];
      fourth += a[i + 3] * b[i + 3];
    }
    double sum = (double) first + second + third + fourth;
    for (; i < a.length; i++) {
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
    return model().map(m -> m.vector(phrase));
  }

  private static String shortened(String phrase) {
    return phrase.length() > LONGEST ? phrase.substring(0, LONGEST) : phrase;
  }

  private synchronized Optional<SentenceModel> model() {
    if (!loaded) {
      loaded = true;
      try {
        model = load.get();
      } catch (RuntimeException | LinkageError e) {
        // A platform without the native library reads by words alone.
        if (keeps) {
          System.getLogger(Nearness.class.getName())
              .log(
                  System.Logger.Level.WARNING,
                  "The sentence model can't be run here: more columns will be asked about.",
                  e);
        }
        model = null;
      }
    }
    return Optional.ofNullable(model);
  }
}
