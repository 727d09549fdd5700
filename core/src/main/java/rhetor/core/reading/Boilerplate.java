package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/** Sentences that a supplier puts into most of its texts, and that say nothing of the product. */
final class Boilerplate {
  private static final int LEAST = 5;
  private static final double MOST_TEXTS = 0.5;
  private static final int SHORTEST = 12;

  private Boilerplate() {}

  /**
   * The sentences that stand in at least half of the texts, and in five.
   *
   * @param telling whether a sentence tells a fact; such ones are kept, however often they stand
   */
  static List<String> in(List<String> texts, Predicate<String> telling) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    for (String text : texts) {
      new HashSet<>(sentences(text)).forEach(s -> counts.merge(s, 1, Integer::sum));
    }
    double least = Math.max(LEAST, MOST_TEXTS * texts.size());
    return counts.entrySet().stream()
        .filter(e -> e.getValue() >= least && e.getKey().length() >= SHORTEST)
        .map(Map.Entry::getKey)
        .filter(telling.negate())
        .toList();
  }

  /** The text without these sentences; its lines stay lines. */
  static String strip(String text, Collection<String> boilerplate) {
    if (boilerplate.isEmpty()) {
      return text;
    }
    Set<String> out = new HashSet<>(boilerplate);
    List<String> lines = new ArrayList<>();
    for (String line : text.split("\n")) {
      List<String> kept = sentences(line).stream().filter(s -> !out.contains(s)).toList();
      if (!kept.isEmpty()) {
        lines.add(String.join(" ", kept));
      }
    }
    return String.join("\n", lines);
  }

  private static List<String> sentences(String text) {
    List<String> sentences = new ArrayList<>();
    for (String sentence : text.split("(?<=[.!?])\\s+|\n")) {
      if (!sentence.isBlank()) {
        sentences.add(sentence.strip());
      }
    }
    return sentences;
  }
}
