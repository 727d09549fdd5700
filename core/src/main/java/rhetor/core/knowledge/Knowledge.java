package rhetor.core.knowledge;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rhetor.core.reading.Meaning;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** What Rhetor knows of products in general, read from the data files under {@code knowledge/}. */
public final class Knowledge {
  /** Room for a number behind an id made from a heading. */
  private static final int LONGEST_OWN = 36;

  private static final YAMLMapper YAML =
      YAMLMapper.builder()
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .build();

  private final Map<String, Unit> units = new LinkedHashMap<>();
  private final Map<String, Unit> unitsBySymbol = new LinkedHashMap<>();
  private final Map<String, Concept> concepts = new LinkedHashMap<>();
  private final Map<String, ProductClass> classes = new LinkedHashMap<>();
  private final List<Claim> claims = new ArrayList<>();
  private final List<Term> terms = new ArrayList<>();
  private final Set<String> things = new LinkedHashSet<>();
  private final Map<String, Map<String, List<String>>> roles = new LinkedHashMap<>();
  private final Map<String, Map<String, String>> abbreviations = new LinkedHashMap<>();
  private final Map<String, Map<String, List<String>>> bounds = new LinkedHashMap<>();
  private final Map<String, Magnitude> magnitudes = new LinkedHashMap<>();
  private final Map<String, Set<String>> roleWords = new LinkedHashMap<>();
  private final Map<String, List<String>> roleGlosses = new LinkedHashMap<>();

  /** What the ids of kinds of facts begin with that the house has for headings of its own. */
  public static final String OWN = "own_";

  /** What the house has added, by the headings that it gave for it. */
  private final Map<String, Concept> ownByName = new LinkedHashMap<>();

  private final Set<String> vague = new LinkedHashSet<>();
  private final Set<String> coined = new LinkedHashSet<>();
  private final Map<String, Map<String, Term>> termsByName = new LinkedHashMap<>();
  private final Map<String, Claim> claimsById = new LinkedHashMap<>();
  private final PartConcepts parts;
  private final Qualities qualities;
  private final Verdicts verdicts;
  private final Map<Class<?>, Object> indexes = new ConcurrentHashMap<>();

  /** The contents of one data file. */
  record File(
      List<Unit> units,
      List<Concept> concepts,
      List<ProductClass> classes,
      List<Claim> claims,
      List<Term> terms,
      List<String> things,
      Map<String, Map<String, List<String>>> roles,
      Map<String, Map<String, List<String>>> roleWords,
      Map<String, List<String>> roleGlosses,
      List<String> vague,
      List<String> coined,
      Map<String, Map<String, String>> abbreviations,
      Map<String, Map<String, List<String>>> bounds,
      Map<String, List<String>> magnitudes,
      PartConcepts.Known parts,
      Qualities.Known qualities) {}

  private Knowledge(
      Knowledge from,
      List<Claim> claims,
      Collection<Concept> otherConcepts,
      Collection<ProductClass> otherClasses,
      Verdicts verdicts) {
    this.verdicts = verdicts;
    parts = from.parts;
    qualities = from.qualities;
    units.putAll(from.units);
    unitsBySymbol.putAll(from.unitsBySymbol);
    concepts.putAll(from.concepts);
    otherConcepts.forEach(c -> concepts.put(c.id(), c));
    ownByName.putAll(from.ownByName);
    for (Concept own : otherConcepts) {
      if (!from.concepts.containsKey(own.id())) {
        own.names()
            .getOrDefault("en", List.of())
            .forEach(n -> ownByName.put(n.toLowerCase(Locale.ROOT), own));
      }
    }
    classes.putAll(from.classes);
    otherClasses.forEach(c -> classes.put(c.id(), c));
    terms.addAll(from.terms);
    things.addAll(from.things);
    roles.putAll(from.roles);
    abbreviations.putAll(from.abbreviations);
    bounds.putAll(from.bounds);
    magnitudes.putAll(from.magnitudes);
    roleWords.putAll(from.roleWords);
    roleGlosses.putAll(from.roleGlosses);
    vague.addAll(from.vague);
    coined.addAll(from.coined);
    termsByName.putAll(from.termsByName);
    this.claims.addAll(claims);
    this.claims.forEach(c -> claimsById.put(c.id(), c));
  }

  private Knowledge(Collection<File> files) {
    verdicts = Verdicts.NONE;
    parts =
        files.stream()
            .map(File::parts)
            .filter(Objects::nonNull)
            .findFirst()
            .map(PartConcepts::new)
            .orElseThrow();
    qualities =
        files.stream()
            .map(File::qualities)
            .filter(Objects::nonNull)
            .findFirst()
            .map(Qualities::new)
            .orElseThrow();
    for (File file : files) {
      each(file.units, u -> put(units, u.id(), u));
      each(file.concepts, c -> put(concepts, c.id(), c));
      each(file.classes, c -> put(classes, c.id(), c));
      each(file.claims, claims::add);
      each(file.terms, terms::add);
      each(file.things, things::add);
      each(file.vague, vague::add);
      each(file.coined, coined::add);
      if (file.roles != null) {
        roles.putAll(file.roles);
      }
      if (file.roleGlosses != null) {
        roleGlosses.putAll(file.roleGlosses);
      }
      if (file.bounds != null) {
        bounds.putAll(file.bounds);
      }
      if (file.abbreviations != null) {
        abbreviations.putAll(file.abbreviations);
      }
      if (file.roleWords != null) {
        file.roleWords.forEach(
            (of, words) ->
                roleWords.put(
                    of, words.values().stream().flatMap(List::stream).collect(Collectors.toSet())));
      }
    }
    classes.replaceAll((id, c) -> inherited(c));
    for (Unit unit : units.values()) {
      unitsBySymbol.put(unit.id(), unit);
      unit.symbols().forEach(s -> unitsBySymbol.putIfAbsent(s, unit));
      unit.symbols().forEach(s -> unitsBySymbol.putIfAbsent(s.toLowerCase(Locale.ROOT), unit));
    }
    for (File file : files) {
      if (file.magnitudes != null) {
        file.magnitudes.forEach((of, ends) -> put(magnitudes, of, magnitude(of, ends)));
      }
    }
    for (Term term : terms) {
      Map<String, Term> names =
          termsByName.computeIfAbsent(term.type(), t -> new LinkedHashMap<>());
      names.put(term.en().toLowerCase(Locale.ROOT), term);
      term.also().forEach(n -> names.put(n.toLowerCase(Locale.ROOT), term));
      term.names()
          .values()
          .forEach(l -> l.forEach(n -> names.putIfAbsent(n.toLowerCase(Locale.ROOT), term)));
    }
    claims.forEach(c -> claimsById.put(c.id(), c));
  }

  private Magnitude magnitude(String concept, List<String> ends) {
    if (ends.size() != 2 || !concepts.containsKey(concept)) {
      throw new IllegalStateException("no magnitude of a concept: " + concept + " " + ends);
    }
    List<Unit> in = ends.stream().map(e -> units.get(e.substring(e.indexOf(' ') + 1))).toList();
    List<BigDecimal> amounts =
        IntStream.of(0, 1)
            .mapToObj(
                i ->
                    new BigDecimal(ends.get(i).substring(0, ends.get(i).indexOf(' ')))
                        .multiply(in.get(i).factor()))
            .toList();
    return new Magnitude(in.getFirst().dimension(), amounts.getFirst(), amounts.getLast());
  }

  private ProductClass inherited(ProductClass c) {
    if (c.parent().isEmpty()) {
      return c;
    }
    ProductClass parent = classes.get(c.parent());
    if (parent == null) {
      throw new IllegalStateException(c.id() + " has a parent that is not there: " + c.parent());
    }
    return c.inheriting(inherited(parent));
  }

  private static <T> void each(List<T> list, java.util.function.Consumer<T> action) {
    if (list != null) {
      list.forEach(action);
    }
  }

  private static <T> void put(Map<String, T> map, String id, T item) {
    if (map.put(id, item) != null) {
      throw new IllegalStateException("defined twice: " + id);
    }
  }

  private static final class Standard {
    static final Knowledge KNOWLEDGE = load();

    private static Knowledge load() {
      Function<String, InputStream> open =
          name -> Knowledge.class.getResourceAsStream("/knowledge/" + name);
      try (InputStream index = open.apply("index.txt")) {
        List<File> files = new ArrayList<>();
        for (String name :
            new String(index.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8)
                .lines()
                .toList()) {
          try (InputStream in = open.apply(name)) {
            if (in == null) {
              throw new IllegalStateException("knowledge/index.txt names a missing file: " + name);
            }
            files.add(YAML.readValue(in, File.class));
          } catch (tools.jackson.core.JacksonException e) {
            throw new IllegalStateException("knowledge/" + name + ": " + e.getMessage(), e);
          }
        }
        return new Knowledge(files);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** The same knowledge with exactly these claims instead of its own. */
  public Knowledge withClaims(List<Claim> others) {
    return new Knowledge(this, others, List.of(), List.of(), verdicts);
  }

  /**
   * The same knowledge with exactly these claims, and with these concepts and classes beside its
   * own; one of the same id takes its place.
   */
  public Knowledge with(
      List<Claim> others, Collection<Concept> concepts, Collection<ProductClass> classes) {
    return new Knowledge(this, others, concepts, classes, verdicts);
  }

  /** The same knowledge with what people think of its wordings. */
  public Knowledge judged(Verdicts other) {
    return new Knowledge(this, claims, List.of(), List.of(), other);
  }

  /** What people think of its wordings. */
  public Verdicts verdicts() {
    return verdicts;
  }

  /** What another package reads out of this knowledge once and keeps with it. */
  public <T> T index(Class<T> type, Function<Knowledge, T> read) {
    Object known = indexes.get(type);
    if (known == null) {
      // No lock is held meanwhile: what is read out may ask for what others read out.
      T fresh = read.apply(this);
      Object other = indexes.putIfAbsent(type, fresh);
      known = other == null ? fresh : other;
    }
    return type.cast(known);
  }

  /** The knowledge that ships with Rhetor. */
  public static Knowledge standard() {
    return Standard.KNOWLEDGE;
  }

  public Collection<Concept> concepts() {
    return concepts.values();
  }

  public Collection<ProductClass> classes() {
    return classes.values();
  }

  public Collection<Unit> units() {
    return units.values();
  }

  public List<Claim> claims() {
    return claims;
  }

  /** The claim of an id, if it is made. */
  public Optional<Claim> claim(String id) {
    return Optional.ofNullable(claimsById.get(id));
  }

  /**
   * What headings call columns that are no facts, by {@link Meaning.Role} and language, the surest
   * first.
   */
  public Map<String, Map<String, List<String>>> roles() {
    return roles;
  }

  /**
   * Words by which a column's role is known, lower case and of all languages.
   *
   * @param of "trade", "remark", "perhaps", "keyword" and "prose" for words of headings, "speech"
   *     for words of cells
   */
  public Set<String> roleWords(String of) {
    return roleWords.getOrDefault(of, Set.of());
  }

  /** Names of columns, lower case, that mean other things as well. */
  public Set<String> vague() {
    return vague;
  }

  /** What a column of a role is, in a few words, by the role's code. */
  public Map<String, List<String>> roleGlosses() {
    return roleGlosses;
  }

  /** What words of headings are short for in a language; lower case, without a full stop. */
  public Map<String, String> abbreviations(String language) {
    return abbreviations.getOrDefault(language, Map.of());
  }

  /**
   * Words of headings whose figures are the least or the most there may be, in all languages; one
   * that ends in a hyphen begins others.
   *
   * @param bound {@code least} or {@code most}
   */
  public List<String> boundWords(String bound) {
    return bounds.getOrDefault(bound, Map.of()).values().stream()
        .flatMap(List::stream)
        .distinct()
        .toList();
  }

  /** How small and how large a concept's amounts may be, if that is known. */
  public Optional<Magnitude> magnitude(Concept concept) {
    return Optional.ofNullable(magnitudes.get(concept.id()));
  }

  /**
   * Whether a thing may have so much of what a concept measures: nothing weighs a milligram, and no
   * battery runs for ten years on one charge.
   *
   * @param unit id of the unit that the amount is in
   */
  public boolean isPlausible(Concept concept, BigDecimal amount, String unit) {
    return magnitude(concept).flatMap(m -> unit(unit).map(u -> m.holds(amount, u))).orElse(true);
  }

  /** Nouns that say what a product is when its name ends in one; singular. */
  public Set<String> things() {
    return things;
  }

  public List<Term> terms() {
    return terms;
  }

  public Optional<Concept> concept(String id) {
    Concept concept = concepts.get(id);
    return concept == null
        ? parts.concept(id).or(() -> qualities.concept(id))
        : Optional.of(concept);
  }

  /**
   * What things are or aren't, if a heading names nothing but that: "foldable", "nickel free".
   *
   * @param heading in lower case
   */
  public Optional<Concept> quality(String heading) {
    return qualities.named(heading);
  }

  /**
   * What there is to say of a part of things, if that is a part that is known.
   *
   * @param part what it is called, in lower case: "frame", "wheels" if it is of all of them
   */
  public Optional<Concept> ofPart(String part, PartAspect aspect) {
    return parts.concept(part, aspect);
  }

  /** The part of which each row says another thing under a concept, in the plural where it is. */
  public Optional<String> partLike(Concept concept) {
    return parts.partLike(concept);
  }

  /**
   * Whether a heading that names this part asks no more than whether a thing has it: "pet door",
   * "wheels", but not "body".
   */
  public boolean mayBeMissing(String part) {
    return parts.mayBeMissing(part);
  }

  /** Whether a part lies beside a thing and comes with it: a case, but not a handle. */
  public boolean isLoose(String part) {
    return parts.isLoose(part);
  }

  /** Whether things have one of a part or several, so that its name doesn't say how many. */
  public boolean isOneOrMore(String part) {
    return parts.isOneOrMore(part);
  }

  /** Whether things mostly have several of a part, or its name is in the plural. */
  public boolean areSeveral(String part) {
    return parts.areSeveral(part);
  }

  /** Whether nobody says "a" of a part: suspension, netting. */
  public boolean isUncounted(String part) {
    return parts.isUncounted(part);
  }

  /** Whether a word before a part says something else than what it is like: "extra", "suitable". */
  public boolean saysNotWhatAPartIsLike(String word) {
    return parts.isNotLike(word);
  }

  /** The part that a concept says something of, one of it: "leg"; empty if it is of the whole. */
  public Optional<String> partOf(Concept concept) {
    return parts.partOf(concept);
  }

  /**
   * The concept in whose words a fact is told: its own, or, where a column was kept under its own
   * heading, one that the house has added for that heading. No concept that ships is taken so: what
   * nobody could place is told in no words but the house's.
   *
   * @param concept the fact's concept, or empty
   * @param heading what its column is called
   */
  public Optional<Concept> toldAs(String concept, String heading) {
    return concept.isEmpty()
        ? Optional.ofNullable(ownByName.get(heading.strip().toLowerCase(Locale.ROOT)))
        : concept(concept);
  }

  /**
   * The house's own kind of fact for a heading that nobody knows; one with no words yet if it has
   * none.
   */
  public Concept own(String heading) {
    return toldAs("", heading).orElseGet(() -> Concept.unworded(ownId(heading), heading.strip()));
  }

  /**
   * Headings that begin alike, or are in letters that ids haven't, are different kinds of facts.
   */
  private String ownId(String heading) {
    String whole = (OWN + heading).toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "_");
    String cut = whole.substring(0, Math.min(whole.length(), LONGEST_OWN)).replaceAll("_+$", "");
    String id = cut;
    for (int n = 2; concept(id).isPresent(); n++) {
      id = cut + "_" + n;
    }
    return id;
  }

  public Optional<ProductClass> productClass(String id) {
    return Optional.ofNullable(classes.get(id));
  }

  /**
   * Whether things of a class can have a concept: one of its classes, or of what they belong to.
   */
  public boolean takes(Concept concept, String productClass) {
    return concept.classes().isEmpty() || isOf(productClass, concept.classes());
  }

  /** Whether a class is one of some, or belongs to one. */
  public boolean isOf(String productClass, List<String> classes) {
    String of = productClass;
    while (!of.isEmpty()) {
      if (classes.contains(of)) {
        return true;
      }
      of = productClass(of).map(ProductClass::parent).orElse("");
    }
    return false;
  }

  /** The unit with this id; a bare number for the empty id. */
  public Optional<Unit> unit(String id) {
    return Optional.ofNullable(units.get(id));
  }

  /** The unit that a sheet writes like this, upper or lower case if that leaves no doubt. */
  public Optional<Unit> unitWritten(String symbol) {
    Unit exact = unitsBySymbol.get(symbol);
    return Optional.ofNullable(
        exact != null ? exact : unitsBySymbol.get(symbol.toLowerCase(Locale.ROOT)));
  }

  /** The unit of a dimension that a sheet writes like this: "m" is a month where time is meant. */
  public Optional<Unit> unitWritten(String symbol, String dimension) {
    Optional<Unit> plain = unitWritten(symbol);
    return dimension.isEmpty() || plain.filter(u -> u.dimension().equals(dimension)).isPresent()
        ? plain
        : units.values().stream()
            .filter(u -> u.dimension().equals(dimension))
            .filter(u -> u.symbols().contains(symbol))
            .findFirst();
  }

  /** The term of a list that is written like this in any language. */
  public Optional<Term> term(String type, String name) {
    Map<String, Term> names = termsByName.get(type);
    return names == null
        ? Optional.empty()
        : Optional.ofNullable(names.get(name.toLowerCase(Locale.ROOT)));
  }

  /** Whether the words of a list of terms are coined anew by every maker, as for colours. */
  public boolean isCoined(String type) {
    return coined.contains(type);
  }

  /** The fibre that a label's code stands for, in capitals: {@code PES}. */
  public Optional<Term> fibre(String code) {
    return terms.stream().filter(t -> t.codes().contains(code)).findFirst();
  }

  /** All terms of a list by each of their names, in lower case. */
  public Map<String, Term> termsByName(String type) {
    return termsByName.getOrDefault(type, Map.of());
  }
}
