package rhetor.core.fact;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import rhetor.core.fact.Meaning.Role;

/** What headings call columns, in all languages that Rhetor knows, and what comes close to that. */
final class HeadingNames {
  private static final Set<String> NEUTRAL =
      Set.of(
          "product", "item", "main", "total", "overall", "approx", "ca", "the", "of", "article",
          "net", "no");

  /** Jaro-Winkler likeness (Winkler 1990) from which one heading is taken for another misspelt. */
  private static final double MISSPELT = 0.94;

  private static final int SHORTEST_MISSPELT = 5;
  private static final int SHORTEST_ABBREVIATION = 3;

  private final Map<String, LinkedHashSet<Meaning>> meanings = new HashMap<>();
  private final Map<String, Set<String>> languages = new HashMap<>();
  private final Map<Role, List<String>> ranks = new HashMap<>();

  HeadingNames(Knowledge knowledge) {
    knowledge
        .roles()
        .forEach(
            (role, names) -> {
              Meaning meaning = Meaning.parse(role);
              ranks.put(meaning.role(), names.values().stream().flatMap(List::stream).toList());
              add(meaning, names);
            });
    for (Concept concept : knowledge.concepts()) {
      Map<String, List<String>> names = new HashMap<>();
      concept
          .names()
          .forEach(
              (language, all) ->
                  names.put(
                      language, all.stream().map(n -> Heading.of(n, knowledge).name()).toList()));
      add(Meaning.of(concept), names);
    }
    // What a specification list calls it, where no heading means something else by that.
    for (Concept concept : knowledge.concepts()) {
      String label = Heading.of(concept.label(), knowledge).name();
      if (!meanings.containsKey(label)) {
        add(Meaning.of(concept), Map.of("en", List.of(label)));
      }
    }
  }

  private void add(Meaning meaning, Map<String, List<String>> names) {
    names.forEach(
        (language, all) ->
            all.forEach(
                n -> {
                  meanings.computeIfAbsent(n, k -> new LinkedHashSet<>()).add(meaning);
                  languages.computeIfAbsent(n, k -> new HashSet<>()).add(language);
                }));
  }

  /** How a heading was found. */
  enum How {
    EXACT,
    WITHOUT_FILLING,
    ABBREVIATED,
    MISSPELT
  }

  /**
   * What a heading may mean.
   *
   * @param name the known name it was found by
   * @param meanings at least one, the surest first
   */
  record Match(String name, How how, List<Meaning> meanings) {}

  /** What a heading means; nothing if it is like no known name. */
  Optional<Match> find(Heading heading) {
    String name = heading.name();
    Optional<Match> exact = named(name, How.EXACT);
    if (exact.isPresent()) {
      return exact;
    }
    if (name.contains("/ ")) {
      // "Light / Run time" is first looked up as "light run time", then as "run time". A name or
      // code inside a group is the group's, not the product's.
      return named(name.replace(" / ", " "), How.EXACT)
          .or(() -> named(heading.ownName(), How.WITHOUT_FILLING))
          .filter(
              m ->
                  m.meanings.getFirst().role() != Role.SKU
                      && m.meanings.getFirst().role() != Role.NAME);
    }
    return named(withoutFilling(name), How.WITHOUT_FILLING)
        .or(() -> named(name + "s", How.WITHOUT_FILLING))
        .or(
            () ->
                name.endsWith("s")
                    ? named(name.substring(0, name.length() - 1), How.WITHOUT_FILLING)
                    : Optional.empty())
        .or(() -> abbreviated(name))
        .or(() -> misspelt(name));
  }

  private Optional<Match> named(String name, How how) {
    return Optional.ofNullable(meanings.get(name))
        .map(found -> new Match(name, how, List.copyOf(found)));
  }

  /** "Mat." for material: the start of one known word, and of no other meaning's name. */
  private Optional<Match> abbreviated(String name) {
    if (name.length() < SHORTEST_ABBREVIATION || name.contains(" ")) {
      return Optional.empty();
    }
    List<String> longer =
        meanings.keySet().stream()
            .filter(n -> n.startsWith(name) && !n.contains(" "))
            .sorted(
                Comparator.comparing((String n) -> !languages(n).contains("en"))
                    .thenComparing(n -> n))
            .toList();
    List<Meaning> found = longer.stream().map(meanings::get).flatMap(Collection::stream).toList();
    List<Meaning> distinct = found.stream().distinct().toList();
    return distinct.isEmpty() || distinct.size() > 3
        ? Optional.empty()
        : Optional.of(new Match(longer.getFirst(), How.ABBREVIATED, distinct));
  }

  private Optional<Match> misspelt(String name) {
    if (name.length() < SHORTEST_MISSPELT) {
      return Optional.empty();
    }
    JaroWinklerSimilarity likeness = new JaroWinklerSimilarity();
    String best = "";
    double bestLikeness = MISSPELT;
    for (String known : meanings.keySet()) {
      double alike =
          known.length() < SHORTEST_MISSPELT || Math.abs(known.length() - name.length()) > 2
              ? 0
              : likeness.apply(name, known);
      if (alike > bestLikeness || alike == bestLikeness && known.compareTo(best) < 0) {
        best = known;
        bestLikeness = alike;
      }
    }
    return best.isEmpty() ? Optional.empty() : named(best, How.MISSPELT);
  }

  /** The languages in which this is a column's name. */
  Set<String> languages(String name) {
    return languages.getOrDefault(name, Set.of());
  }

  /** How sure a heading names this role, 0 the surest; a large number if it doesn't at all. */
  int rank(Role role, String heading, Knowledge knowledge) {
    String name = Heading.of(heading, knowledge).name();
    List<String> names = ranks.get(role);
    return Stream.of(name, withoutFilling(name))
        .mapToInt(names::indexOf)
        .filter(i -> i >= 0)
        .findFirst()
        .orElse(names.size());
  }

  private static String withoutFilling(String name) {
    List<String> words = new ArrayList<>(Arrays.asList(name.split(" ")));
    words.removeIf(NEUTRAL::contains);
    return String.join(" ", words);
  }
}
