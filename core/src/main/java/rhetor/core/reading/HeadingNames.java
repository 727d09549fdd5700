package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.reading.Meaning.Role;

/** What headings call columns, in all languages that Rhetor knows, and what comes close to that. */
final class HeadingNames {
  private static final Set<String> NEUTRAL =
      Set.of(
          "product", "item", "main", "total", "overall", "approx", "ca", "the", "of", "article",
          "net", "no");

  /** Jaro-Winkler likeness (Winkler 1990) from which one heading is taken for another misspelt. */
  private static final double MISSPELT = 0.94;

  private static final int SHORTEST_MISSPELT = 5;

  private final Knowledge knowledge;

  /** What a name means, and in which languages. */
  private final Map<String, Map<Meaning, Set<String>>> meanings = new HashMap<>();

  private final Map<Role, List<String>> ranks = new HashMap<>();

  HeadingNames(Knowledge knowledge) {
    this.knowledge = knowledge;
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
                n ->
                    meanings
                        .computeIfAbsent(n, k -> new LinkedHashMap<>())
                        .computeIfAbsent(meaning, k -> new HashSet<>())
                        .add(language)));
  }

  /** The language that most of a sheet's headings are in, as an ISO 639-1 code. */
  String language(List<Heading> headings) {
    Map<String, Integer> counts = new HashMap<>();
    for (Heading heading : headings) {
      Set<String> languages = new HashSet<>();
      meanings.getOrDefault(heading.name(), Map.of()).values().forEach(languages::addAll);
      languages.forEach(l -> counts.merge(l, 1, Integer::sum));
    }
    int english = counts.getOrDefault("en", 0);
    return counts.entrySet().stream()
        .filter(e -> !e.getKey().equals("en") && e.getValue() > english)
        .max(
            Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
        .map(Map.Entry::getKey)
        .orElse("en");
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

  /**
   * What a heading means; nothing if it is like no known name.
   *
   * @param language the sheet's language
   */
  Optional<Match> find(Heading heading, String language) {
    String name = heading.name();
    Optional<Match> exact = named(name, How.EXACT, language);
    if (exact.isPresent()) {
      return exact;
    }
    if (name.contains("/ ")) {
      // "Light / Run time" is first looked up as "light run time", then as "run time". A name or
      // code inside a group is the group's, not the product's.
      return named(name.replace(" / ", " "), How.EXACT, language)
          .or(() -> named(heading.ownName(), How.WITHOUT_FILLING, language))
          .filter(
              m ->
                  m.meanings.getFirst().role() != Role.SKU
                      && m.meanings.getFirst().role() != Role.NAME);
    }
    return named(withoutFilling(name), How.WITHOUT_FILLING, language)
        .or(() -> named(name + "s", How.WITHOUT_FILLING, language))
        .or(
            () ->
                name.endsWith("s")
                    ? named(name.substring(0, name.length() - 1), How.WITHOUT_FILLING, language)
                    : Optional.empty())
        .or(() -> abbreviated(name, language))
        .or(() -> misspelt(name, language));
  }

  private Optional<Match> named(String name, How how, String language) {
    List<Meaning> found = new ArrayList<>();
    meanings
        .getOrDefault(name, Map.of())
        .forEach(
            (meaning, languages) -> {
              if (isMeant(name, meaning, languages, language)) {
                found.add(meaning);
              }
            });
    return found.isEmpty() ? Optional.empty() : Optional.of(new Match(name, how, found));
  }

  /**
   * Whether a name is said in the sheet's language or in English. A name of a third language counts
   * if it has a word that English hasn't: "Art" on an English sheet is not the German for a kind.
   */
  private static boolean isMeant(
      String name, Meaning meaning, Set<String> languages, String language) {
    return meaning.role() != Role.CONCEPT && meaning.role() != Role.SKU
        || languages.contains("en")
        || languages.contains(language)
        || Arrays.stream(name.split(" ")).anyMatch(w -> !English.isKnown(w));
  }

  /** "Mat." for material: words that are short for others, from the list of the language. */
  private Optional<Match> abbreviated(String name, String language) {
    List<String> words = new ArrayList<>();
    for (String word : name.split(" ")) {
      String whole = knowledge.abbreviations(language).get(word);
      words.add(whole != null ? whole : knowledge.abbreviations("en").getOrDefault(word, word));
    }
    words.removeIf(String::isEmpty);
    String whole = String.join(" ", words);
    return whole.equals(name)
        ? Optional.empty()
        : named(whole, How.ABBREVIATED, language)
            .or(() -> named(withoutFilling(whole), How.ABBREVIATED, language));
  }

  private Optional<Match> misspelt(String name, String language) {
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
    return best.isEmpty() ? Optional.empty() : named(best, How.MISSPELT, language);
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
