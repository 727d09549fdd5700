package rhetor.core.support;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.language.English;
import rhetor.core.language.Nearness;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * Weighs whether a sentence of whose words some stand nowhere in the row states what isn't so: a
 * logistic regression (Cox 1958) on how many they are and how near the sentence comes to what the
 * row says. What ships is fitted on labelled sentences.
 */
public final class OpenWords {
  /** From here on a sentence is worth a look. */
  private static final double WORTH = 0.6;

  /** Without a sentence model more is asked, so that no more passes. */
  private static final double WORTH_UNPLACED = 0.42;

  private static final int MOST = 4;

  private static final class Shipped {
    static final OpenWords WEIGHTS = read();

    private static OpenWords read() {
      try (InputStream in = OpenWords.class.getResourceAsStream("/judge/weights.yaml")) {
        return new OpenWords(
            YAMLMapper.builder()
                .build()
                .readValue(in, new TypeReference<Map<String, Double>>() {}));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private final Map<String, Double> weights;

  /** Weights by feature, see {@link Features#named}. */
  public OpenWords(Map<String, Double> weights) {
    this.weights = Map.copyOf(weights);
  }

  /** Those that ship with Rhetor. */
  static OpenWords shipped() {
    return Shipped.WEIGHTS;
  }

  /**
   * What is known of a sentence.
   *
   * @param open how many of its words stand nowhere in the row
   * @param things how many of those are nouns and nothing else: what is done matters less
   * @param words how many it has
   * @param nearest cosine of the sentence with what comes nearest of what the row says; nothing
   *     where no model tells
   * @param farthest cosine of the open word that is farthest from all that the row says
   */
  public record Features(
      int open, int things, int words, Optional<Double> nearest, Optional<Double> farthest) {
    /** The features by their names; of two sets, with the model and without. */
    public Map<String, Double> named() {
      double share = words == 0 ? 0 : (double) open / words;
      double some = Math.min(open, MOST);
      double nouns = Math.min(things, MOST);
      return nearest.isPresent()
          ? Map.of(
              "near.always",
              1.0,
              "near.open",
              some,
              "near.share",
              share,
              "near.things",
              nouns,
              "near.nearest",
              nearest.get(),
              "near.farthest",
              farthest.orElse(1.0))
          : Map.of(
              "plain.always", 1.0, "plain.open", some, "plain.share", share, "plain.things", nouns);
    }

    /** Of a sentence and its open words, beside what the row says. */
    static Features of(
        String sentence, List<String> open, int words, List<String> said, Nearness by) {
      Optional<float[]> placed = by.of(sentence);
      int things = (int) open.stream().filter(Features::isThing).count();
      if (placed.isEmpty() || said.isEmpty()) {
        return new Features(open.size(), things, words, Optional.empty(), Optional.empty());
      }
      List<float[]> cells = by.ofAll(said);
      double farthest = by.ofAll(open).stream().mapToDouble(w -> nearest(w, cells)).min().orElse(1);
      return new Features(
          open.size(),
          things,
          words,
          Optional.of(nearest(placed.get(), cells)),
          Optional.of(farthest));
    }

    private static boolean isThing(String word) {
      return English.isNoun(word) && English.tags(word).stream().allMatch(t -> t.startsWith("NN"));
    }

    private static double nearest(float[] vector, List<float[]> cells) {
      return cells.stream().mapToDouble(c -> Nearness.cosine(vector, c)).max().orElse(0);
    }
  }

  private double probability(Features features) {
    return probability(features.named());
  }

  /** How likely a sentence of these features states what isn't so, 0 to 1. */
  double probability(Map<String, Double> features) {
    double sum = 0;
    for (Map.Entry<String, Double> each : features.entrySet()) {
      sum += weights.getOrDefault(each.getKey(), 0.0) * each.getValue();
    }
    return 1 / (1 + Math.exp(-sum));
  }

  /** Whether a sentence is worth a look. */
  boolean isWorthALook(Features features) {
    double worth = features.nearest.isPresent() ? WORTH : WORTH_UNPLACED;
    return features.open > 0 && probability(features) >= worth;
  }
}
