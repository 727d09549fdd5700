package rhetor.core.reading;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.Nearness;
import rhetor.core.language.VectorTable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What columns under the same heading turned out to be on the sheets before. What ships is counted
 * on the labelled sheets, each by what a person said of it.
 */
final class HeadingMemory {
  /** Of headings that nobody has seen yet, nothing is remembered. */
  static final HeadingMemory NONE = new HeadingMemory(Map.of());

  /** So many headings that mean about the same are asked, and how much more the nearer ones say. */
  static final int NEAREST = 20;

  private static final double SHARPNESS = 4;

  private static final class Shipped {
    static final HeadingMemory MEMORY = read();

    private static HeadingMemory read() {
      try (InputStream in = HeadingMemory.class.getResourceAsStream("/knowledge/headings.yaml")) {
        Map<String, Map<Meaning, Double>> counts = new HashMap<>();
        YAMLMapper.builder()
            .build()
            .readValue(in, new TypeReference<Map<String, Map<String, Double>>>() {})
            .forEach(
                (heading, of) -> {
                  Map<Meaning, Double> all = new LinkedHashMap<>();
                  of.forEach((code, count) -> all.put(Meaning.parse(code), count));
                  counts.put(heading, all);
                });
        return new HeadingMemory(counts);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private final Map<String, Map<Meaning, Double>> byHeading;
  private final Map<String, Map<Meaning, Double>> byLastWord = new HashMap<>();

  /** The headings in their order, and a vector for each; found when first asked for. */
  private final List<String> headings;

  private volatile VectorTable vectors;

  private HeadingMemory(Map<String, Map<Meaning, Double>> byHeading) {
    this.byHeading = byHeading;
    this.headings = List.copyOf(byHeading.keySet());
    byHeading.forEach(
        (heading, of) -> {
          Map<Meaning, Double> sum =
              byLastWord.computeIfAbsent(lastWord(heading), w -> new LinkedHashMap<>());
          of.forEach((meaning, count) -> sum.merge(meaning, count, Double::sum));
        });
  }

  /** What ships with Rhetor. */
  static HeadingMemory shipped() {
    return Shipped.MEMORY;
  }

  /** Counts columns, each under the heading it stands under. */
  static final class Counter {
    private final Knowledge knowledge;
    private final Map<String, Map<Meaning, Double>> counts = new TreeMap<>();

    Counter(Knowledge knowledge) {
      this.knowledge = knowledge;
    }

    /** Adds a column; of several meanings that a careful reader may say, each counts its share. */
    Counter add(String heading, Set<Meaning> meanings) {
      Map<Meaning, Double> of =
          counts.computeIfAbsent(
              key(Heading.of(heading, knowledge), knowledge), h -> new LinkedHashMap<>());
      meanings.forEach(m -> of.merge(m, 1.0 / meanings.size(), Double::sum));
      return this;
    }

    /** All counts, as they are shipped. */
    Map<String, Map<Meaning, Double>> counts() {
      return counts;
    }

    HeadingMemory memory() {
      return new HeadingMemory(counts);
    }
  }

  /** The meanings that columns under such a heading had. */
  Set<Meaning> meanings(Heading heading, Knowledge knowledge) {
    return of(heading, knowledge).keySet();
  }

  /** Adds what is remembered of a meaning; the oftener a heading was seen, the more it says. */
  void say(Heading heading, Knowledge knowledge, Meaning meaning, Map<Evidence, Double> evidence) {
    Map<Meaning, Double> of = of(heading, knowledge);
    double all = of.values().stream().mapToDouble(c -> c).sum();
    if (all == 0) {
      return;
    }
    double weight = all / (all + 1);
    double share = of.getOrDefault(meaning, 0.0) / all;
    boolean isWhole = byHeading.containsKey(key(heading, knowledge));
    evidence.put(isWhole ? Evidence.WAS_BEFORE : Evidence.ENDS_AS_BEFORE, weight * share);
    evidence.put(
        isWhole ? Evidence.WAS_ELSE_BEFORE : Evidence.ENDS_ELSE_BEFORE, weight * (1 - share));
  }

  /** All headings that are remembered. */
  List<String> headings() {
    return headings;
  }

  /**
   * What columns were whose headings come nearest in meaning to a place: for each meaning its share
   * of them, the nearer counting the more (k nearest neighbours; Cover and Hart 1967). Empty
   * without vectors.
   */
  Map<Meaning, Double> near(float[] place, Nearness nearness) {
    VectorTable all = vectors(nearness);
    if (all.size() == 0) {
      return Map.of();
    }
    float[] each = all.cosines(place);
    double[] cosines =
        IntStream.range(0, each.length).mapToDouble(i -> Math.max(0, each[i])).toArray();
    double least =
        DoubleStream.of(cosines)
            .sorted()
            .skip(Math.max(0, cosines.length - NEAREST))
            .findFirst()
            .orElse(0);
    Map<Meaning, Double> shares = new HashMap<>();
    double sum = 0;
    for (int i = 0; i < cosines.length; i++) {
      if (cosines[i] >= least) {
        double weight = Math.pow(cosines[i], SHARPNESS);
        sum += weight;
        Map<Meaning, Double> of = byHeading.get(headings.get(i));
        double count = of.values().stream().mapToDouble(c -> c).sum();
        of.forEach((meaning, c) -> shares.merge(meaning, weight * c / count, Double::sum));
      }
    }
    double weights = sum;
    shares.replaceAll((meaning, share) -> weights == 0 ? 0 : share / weights);
    return shares;
  }

  /** Finds the places of all remembered headings, so that many threads can ask what is near. */
  void load(Nearness nearness) {
    vectors(nearness);
  }

  /** Without a lock: who waits for vectors that others compute must hold none. */
  private VectorTable vectors(Nearness nearness) {
    VectorTable known = vectors;
    if (known == null) {
      known = new VectorTable(headings.isEmpty() ? List.of() : nearness.ofAll(headings));
      vectors = known;
    }
    return known;
  }

  private Map<Meaning, Double> of(Heading heading, Knowledge knowledge) {
    String key = key(heading, knowledge);
    Map<Meaning, Double> whole = byHeading.get(key);
    return whole != null ? whole : byLastWord.getOrDefault(lastWord(key), Map.of());
  }

  /** A heading's words and what its unit measures: "h (length)" is not "h (time)". */
  private static String key(Heading heading, Knowledge knowledge) {
    return heading.unit().isEmpty()
        ? heading.name()
        : heading.name()
            + knowledge
                .unit(heading.unit())
                .map(Unit::dimension)
                .map(" (%s)"::formatted)
                .orElse("");
  }

  /** The last word with what the unit measures. */
  private static String lastWord(String key) {
    int unit = key.endsWith(")") ? key.lastIndexOf(" (") : key.length();
    int space = unit < 0 ? -1 : key.lastIndexOf(' ', unit - 1);
    return key.substring(space + 1);
  }
}
