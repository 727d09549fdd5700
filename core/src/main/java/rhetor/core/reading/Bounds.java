package rhetor.core.reading;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

/**
 * Tells headings whose figures are the least or the most there may be from those whose figures are
 * the thing's own: the least pressure that a thing needs is neither its pressure nor the most that
 * it takes.
 */
final class Bounds {
  /** An end of what may be. */
  private enum Bound {
    LEAST,
    MOST
  }

  private final Map<Bound, List<String>> words;
  private final Map<String, Set<Bound>> ofConcepts;

  Bounds(Knowledge knowledge) {
    words =
        Map.of(
            Bound.LEAST, knowledge.boundWords("least"), Bound.MOST, knowledge.boundWords("most"));
    ofConcepts =
        knowledge.concepts().stream().collect(Collectors.toMap(Concept::id, this::ofConcept));
  }

  private Set<Bound> ofConcept(Concept concept) {
    EnumSet<Bound> found = of(concept.label());
    concept.names().values().forEach(names -> names.forEach(n -> found.addAll(of(n))));
    return found;
  }

  private EnumSet<Bound> of(String heading) {
    EnumSet<Bound> found = EnumSet.noneOf(Bound.class);
    String[] parts = heading.toLowerCase(Locale.ROOT).split("[^\\p{L}]+");
    words.forEach(
        (bound, all) -> {
          if (Arrays.stream(parts).anyMatch(p -> all.stream().anyMatch(w -> isOf(p, w)))) {
            found.add(bound);
          }
        });
    return found;
  }

  private static boolean isOf(String part, String word) {
    return word.endsWith("-")
        ? part.startsWith(word.substring(0, word.length() - 1))
        : part.equals(word);
  }

  /**
   * Whether figures under a heading can be a concept's. The least there may be is only what a
   * concept of the least is; the most may be what is usually given as the most.
   */
  boolean allow(Heading heading, Concept concept) {
    EnumSet<Bound> said = of(heading.name());
    // "From min to max" says both: its figures are a range of the thing's own.
    if (said.size() != 1) {
      return true;
    }
    Set<Bound> meant = ofConcepts.getOrDefault(concept.id(), Set.of());
    return said.contains(Bound.LEAST)
        ? meant.contains(Bound.LEAST)
        : meant.isEmpty() || meant.contains(Bound.MOST);
  }
}
