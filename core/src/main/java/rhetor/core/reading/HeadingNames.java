package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
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

  /** A word of three letters or more that a full stop cuts off. */
  private static final Pattern CUT = Pattern.compile("(\\p{L}{3,})\\.");

  private final Knowledge knowledge;

  /** What a name means, and in which languages. */
  private final Map<String, Map<Meaning, Set<String>>> meanings = new HashMap<>();

  private final Map<Role, List<String>> ranks = new HashMap<>();

  /** Names that are long enough to be misspelt. */
  private final Map<Character, List<String>> byFirstLetter;

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
    List<Concept> houses = new ArrayList<>();
    for (Concept concept : knowledge.concepts()) {
      if (concept.id().startsWith(Knowledge.OWN)) {
        houses.add(concept);
      } else {
        add(Meaning.of(concept), names(concept, n -> true));
      }
    }
    // What the house has words for under a heading of its own may mean something known elsewhere.
    Set<String> known = Set.copyOf(meanings.keySet());
    houses.forEach(c -> add(Meaning.of(c), names(c, n -> !known.contains(n))));
    // What a specification list calls it, where no heading means something else by that.
    for (Concept concept : knowledge.concepts()) {
      String label = Heading.of(concept.label(), knowledge).name();
      if (!meanings.containsKey(label)) {
        add(Meaning.of(concept), Map.of("en", List.of(label)));
      }
    }
    byFirstLetter =
        meanings.keySet().stream()
            .filter(n -> n.length() >= SHORTEST_MISSPELT)
            .collect(Collectors.groupingBy(n -> n.charAt(0)));
  }

  private Map<String, List<String>> names(Concept concept, Predicate<String> which) {
    Map<String, List<String>> names = new HashMap<>();
    concept
        .names()
        .forEach(
            (language, all) ->
                names.put(
                    language,
                    all.stream().map(n -> Heading.of(n, knowledge).name()).filter(which).toList()));
    return names;
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

  /** How a heading was found, the surest first. */
  enum How {
    EXACT,
    WITHOUT_FILLING,
    ABBREVIATED,
    CUT_OFF,
    ENDS_WITH,
    BEGINS_WITH,
    MISSPELT
  }

  /**
   * What a heading may mean.
   *
   * @param name the known name it was found by
   * @param meanings at least one
   */
  record Match(String name, How how, List<Meaning> meanings) {}

  /**
   * All that a heading may mean, each by the surest way.
   *
   * @param raw the heading as it stands
   * @param language the sheet's language
   */
  Map<Meaning, Match> all(Heading heading, String raw, String language) {
    Map<Meaning, Match> all = new LinkedHashMap<>();
    String name = heading.name();
    add(all, named(name, How.EXACT, language));
    if (name.contains("/ ")) {
      // "Light / Run time" is first looked up as "light run time", then as "run time". A name or
      // code inside a group is the group's, not the product's.
      add(all, named(name.replace(" / ", " "), How.EXACT, language));
      add(all, named(heading.ownName(), How.WITHOUT_FILLING, language));
      all.keySet().removeIf(m -> m.role() == Role.SKU || m.role() == Role.NAME);
      return all;
    }
    String bare = withoutFilling(name);
    add(all, named(bare, How.WITHOUT_FILLING, language));
    add(all, named(bare + "s", How.WITHOUT_FILLING, language));
    if (bare.endsWith("s")) {
      add(all, named(bare.substring(0, bare.length() - 1), How.WITHOUT_FILLING, language));
    }
    add(all, inOne(bare, language));
    Optional<Match> listed = abbreviated(name, language);
    add(all, listed);
    if (listed.isEmpty()) {
      cutOff(raw, language).forEach(m -> add(all, Optional.of(m)));
    }
    String[] words = bare.split(" ");
    for (int i = 1; i < words.length; i++) {
      add(all, named(join(words, i, words.length), How.ENDS_WITH, language));
      add(all, named(join(words, 0, words.length - i), How.BEGINS_WITH, language));
    }
    if (all.isEmpty()) {
      add(all, misspelt(name, language));
    }
    return all;
  }

  /** "key words", "hand-wash": what others write as one word. */
  private Optional<Match> inOne(String name, String language) {
    String one = name.replace(" ", "");
    return one.equals(name)
        ? Optional.empty()
        : named(one, How.EXACT, language)
            .or(() -> named(English.singular(one), How.WITHOUT_FILLING, language));
  }

  /** Whether a heading is an English name of a concept whose values are read in this way. */
  boolean isNameOf(String heading, Concept.Kind kind) {
    return named(heading, How.EXACT, "en").stream()
        .flatMap(m -> m.meanings.stream())
        .flatMap(m -> knowledge.concept(m.concept()).stream())
        .anyMatch(c -> c.kind() == kind);
  }

  private static String join(String[] words, int from, int to) {
    return String.join(" ", Arrays.copyOfRange(words, from, to));
  }

  private static void add(Map<Meaning, Match> all, Optional<Match> match) {
    match.ifPresent(m -> m.meanings.forEach(meaning -> all.putIfAbsent(meaning, m)));
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

  /**
   * "Dishw." for dishwasher: names of the sheet's language or English that go on where a full stop
   * cuts the heading off.
   */
  private List<Match> cutOff(String raw, String language) {
    Matcher cut = CUT.matcher(raw.strip());
    if (!cut.matches()) {
      return List.of();
    }
    String start = cut.group(1).toLowerCase(Locale.ROOT);
    List<Match> found = new ArrayList<>();
    for (String name : meanings.keySet()) {
      if (name.startsWith(start) && name.length() > start.length()) {
        named(name, How.CUT_OFF, language)
            .map(
                m ->
                    new Match(
                        name,
                        How.CUT_OFF,
                        m.meanings.stream()
                            .filter(
                                k ->
                                    meanings.get(name).get(k).contains(language)
                                        || meanings.get(name).get(k).contains("en"))
                            .toList()))
            .ifPresent(found::add);
      }
    }
    // "Long." is short for one word before it is for "longueur du câble".
    return found.stream().anyMatch(m -> m.name.indexOf(' ') < 0)
        ? found.stream().filter(m -> m.name.indexOf(' ') < 0).toList()
        : found;
  }

  /** A name that is nearly the same and begins alike: few misspell the first letter. */
  private Optional<Match> misspelt(String name, String language) {
    if (name.length() < SHORTEST_MISSPELT) {
      return Optional.empty();
    }
    JaroWinklerSimilarity likeness = new JaroWinklerSimilarity();
    String best = "";
    double bestLikeness = MISSPELT;
    for (String known : byFirstLetter.getOrDefault(name.charAt(0), List.of())) {
      double alike = Math.abs(known.length() - name.length()) > 2 ? 0 : likeness.apply(name, known);
      if (alike > bestLikeness || alike == bestLikeness && known.compareTo(best) < 0) {
        best = known;
        bestLikeness = alike;
      }
    }
    return best.isEmpty() ? Optional.empty() : named(best, How.MISSPELT, language);
  }

  /** What a heading means by a name of the sheet's language or English, and by nothing less. */
  List<Meaning> exact(Heading heading, String language) {
    return named(heading.name(), How.EXACT, language).map(Match::meanings).orElse(List.of());
  }

  /** Whether a heading is a known name of a role or a concept in any language. */
  boolean isKnown(String name) {
    return meanings.containsKey(name) || meanings.containsKey(withoutFilling(name));
  }

  /** Whether a heading is a known name as it stands, in any language. */
  boolean isName(String name) {
    return meanings.containsKey(name);
  }

  /** Whether a heading is a name of a role in any language: "product" says no more than that. */
  boolean isRole(String name) {
    return meanings.getOrDefault(name, Map.of()).keySet().stream()
        .anyMatch(m -> m.role() != Role.CONCEPT);
  }

  /** How sure a name is for a role, 0 the surest. */
  int rank(Role role, String name) {
    List<String> names = ranks.get(role);
    int rank = names.indexOf(name);
    return rank < 0 ? names.size() : rank;
  }

  /** Whether a name is of a third language, neither the sheet's nor English. */
  boolean isForeign(String name, Meaning meaning, String language) {
    Set<String> languages = meanings.getOrDefault(name, Map.of()).getOrDefault(meaning, Set.of());
    return !languages.contains("en") && !languages.contains(language);
  }

  static String withoutFilling(String name) {
    List<String> words = new ArrayList<>(Arrays.asList(name.split(" ")));
    words.removeIf(NEUTRAL::contains);
    return String.join(" ", words);
  }
}
