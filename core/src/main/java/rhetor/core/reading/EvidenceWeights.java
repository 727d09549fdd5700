package rhetor.core.reading;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What each kind of evidence is worth, in log odds. The weights are data, fitted on labelled sheets
 * by {@code ./rhetor bench reading-fit}.
 */
record EvidenceWeights(Map<Evidence, Double> of) {
  private static final class Shipped {
    static final EvidenceWeights WEIGHTS = read();

    private static EvidenceWeights read() {
      try (InputStream in = EvidenceWeights.class.getResourceAsStream("/knowledge/evidence.yaml")) {
        return new EvidenceWeights(
            YAMLMapper.builder()
                .build()
                .readValue(in, new TypeReference<EnumMap<Evidence, Double>>() {}));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** The weights that ship with Rhetor. */
  static EvidenceWeights shipped() {
    return Shipped.WEIGHTS;
  }

  /** How much all that is known of a meaning speaks for it; the meaning "its own heading" has 0. */
  double score(Map<Evidence, Double> evidence) {
    double score = 0;
    for (Map.Entry<Evidence, Double> e : evidence.entrySet()) {
      score += of.getOrDefault(e.getKey(), 0.0) * e.getValue();
    }
    return score;
  }

  /** The evidence with a reason that spoke loudest, if any did. */
  Optional<Evidence> loudest(Map<Evidence, Double> evidence) {
    Evidence loudest = null;
    double most = 0;
    for (Map.Entry<Evidence, Double> e : evidence.entrySet()) {
      // What weighs nothing may still be all there is to say.
      double says = (of.getOrDefault(e.getKey(), 0.0) + 0.01) * e.getValue();
      if (says > most && !e.getKey().reason().isEmpty()) {
        loudest = e.getKey();
        most = says;
      }
    }
    return Optional.ofNullable(loudest);
  }
}
