package rhetor.core.support;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.support.JudgedTexts.Judged;

/** Fits the weights of {@link OpenWords} by gradient ascent, held near zero. */
public final class JudgeFit {
  private static final int ROUNDS = 4000;
  private static final double STEP = 0.3;
  private static final double HELD = 0.005;

  private JudgeFit() {}

  private record Example(Map<String, Double> features, boolean isLie) {}

  /** Weights with the sentence model and without. */
  public static Map<String, Double> of(List<Judged> judged, Knowledge knowledge) {
    Map<String, Double> all = new TreeMap<>();
    for (Nearness nearness : List.of(Nearness.NONE, Nearness.SHIPPED)) {
      List<Example> examples = new ArrayList<>();
      for (Judged each : judged) {
        Optional<OpenWords.Features> features =
            new Judge(each.product(), knowledge, nearness).features(each.text());
        features
            .filter(f -> f.open() > 0)
            .ifPresent(f -> examples.add(new Example(f.named(), !each.isTrue())));
      }
      all.putAll(climbed(examples));
    }
    return all;
  }

  private static Map<String, Double> climbed(List<Example> examples) {
    Map<String, Double> weights = new LinkedHashMap<>();
    examples.getFirst().features.keySet().forEach(f -> weights.put(f, 0.0));
    for (int i = 0; i < ROUNDS; i++) {
      Map<String, Double> gradient = new LinkedHashMap<>();
      for (Example example : examples) {
        double off = (example.isLie ? 1 : 0) - new OpenWords(weights).probability(example.features);
        example.features.forEach((f, v) -> gradient.merge(f, off * v, Double::sum));
      }
      weights.replaceAll((f, w) -> w + STEP * (gradient.get(f) / examples.size() - HELD * w));
    }
    weights.replaceAll((f, w) -> Math.round(w * 1000) / 1000.0);
    return weights;
  }
}
