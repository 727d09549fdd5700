package rhetor.core.knowledge;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/**
 * A kind of fact: how sheets name it, how its values are read, and how it can be put in words.
 *
 * @param label how a specification list names it
 * @param gloss what it is, in a few words
 * @param names what headings call it, by language
 * @param kind how its values are read
 * @param dimension what its unit measures, for quantities
 * @param unit unit id taken when neither cell nor heading gives one, or empty
 * @param theme facts of one theme share a sentence
 * @param weight how much it matters to a buyer, 0 to 100, unless the class says otherwise
 * @param terms kind of word list its values come from, or empty
 * @param hypernyms nouns that words for it are kinds of, by a lexicon: steel is a metal
 * @param cues words that, near a value in prose, show that it belongs to this concept
 * @param classes classes of things that can have it, with those that belong to them; empty for all
 * @param sayOf further wordings, for things of some classes only: a bag holds 20 litres, paint
 *     doesn't
 * @param taught how people of the house put it, the latest first: where one of these fits a value
 *     of such a thing, no other wording is used; of no classes, it is said of things of no known
 *     kind
 * @param notOf classes of things that its general wordings aren't said of: nobody picks a wine in
 *     white
 * @param compare the word before "than most" for an amount that is less or more than most of its
 *     kind have, where that is a reason to buy it: {@code {less: less}} for a weight
 * @param anyOrder whether the items of a list may stand in any order: features, but not ingredients
 * @param say wordings by form: adj, pp, part, with, verb, clause; see {@code docs/architecture.md}
 */
public record Concept(
    String id,
    String label,
    String gloss,
    Map<String, List<String>> names,
    Kind kind,
    String dimension,
    String unit,
    String theme,
    int weight,
    String terms,
    List<String> hypernyms,
    List<String> cues,
    List<String> classes,
    boolean anyOrder,
    Map<String, List<String>> say,
    List<SayOf> sayOf,
    List<SayOf> taught,
    List<String> notOf,
    Map<String, String> compare) {

  /** What a fact of one's own matters: no less than most. */
  private static final int USUAL_WEIGHT = 50;

  /**
   * Wordings for things of some classes.
   *
   * @param classes with those that belong to them
   * @param say wordings by form
   */
  public record SayOf(List<String> classes, Map<String, List<String>> say) {
    public SayOf {
      classes = List.copyOf(classes);
      say = Map.copyOf(say);
    }
  }

  /** A kind of fact that one heading names and that no words tell yet. */
  static Concept unworded(String id, String heading) {
    return new Concept(
        id,
        heading,
        "",
        Map.of("en", List.of(heading.toLowerCase(Locale.ROOT))),
        Kind.WORDS,
        "",
        "",
        "features",
        USUAL_WEIGHT,
        "",
        List.of(),
        List.of(),
        List.of(),
        false,
        Map.of(),
        List.of(),
        List.of(),
        List.of(),
        Map.of());
  }

  /** The same concept with other general wordings. */
  public Concept saying(Map<String, List<String>> other) {
    return new Concept(
        id, label, gloss, names, kind, dimension, unit, theme, weight, terms, hypernyms, cues,
        classes, anyOrder, other, sayOf, taught, notOf, compare);
  }

  /** The same concept with other wordings of all sorts. */
  Concept saidAs(Map<String, List<String>> other, List<SayOf> ofSome, List<SayOf> byPeople) {
    return new Concept(
        id, label, gloss, names, kind, dimension, unit, theme, weight, terms, hypernyms, cues,
        classes, anyOrder, other, ofSome, byPeople, notOf, compare);
  }

  /** The same concept, called otherwise in lists. */
  public Concept labelled(String other) {
    return new Concept(
        id, other, gloss, names, kind, dimension, unit, theme, weight, terms, hypernyms, cues,
        classes, anyOrder, say, sayOf, taught, notOf, compare);
  }

  /** Whether the house calls a heading of its own otherwise in lists. */
  public boolean isRenamed() {
    return id.startsWith(Knowledge.OWN)
        && !names.getOrDefault("en", List.of()).contains(label.toLowerCase(Locale.ROOT));
  }

  /** The same concept that no sentence tells: its facts stay in the list. */
  public Concept silent() {
    return new Concept(
        id, label, gloss, names, kind, dimension, unit, theme, weight, terms, hypernyms, cues,
        classes, anyOrder, Map.of(), List.of(), List.of(), notOf, compare);
  }

  private Concept taught(List<SayOf> other) {
    return new Concept(
        id, label, gloss, names, kind, dimension, unit, theme, weight, terms, hypernyms, cues,
        classes, anyOrder, say, sayOf, other, notOf, compare);
  }

  /**
   * The same concept as a person puts it of things of one class, before all that it was taught
   * before.
   *
   * @param productClass id of the class, empty for things of no known kind
   */
  public Concept taughtOf(String productClass, String form, String wording) {
    SayOf first = taughtWording(productClass, form, wording);
    return taught(
        Stream.concat(Stream.of(first), taught.stream().filter(t -> !t.equals(first))).toList());
  }

  /** The same concept without what {@link #taughtOf} added. */
  public Concept untaught(String productClass, String form, String wording) {
    SayOf out = taughtWording(productClass, form, wording);
    return taught(taught.stream().filter(t -> !t.equals(out)).toList());
  }

  private static SayOf taughtWording(String productClass, String form, String wording) {
    return new SayOf(
        productClass.isEmpty() ? List.of() : List.of(productClass), Map.of(form, List.of(wording)));
  }

  /** Whether there are words to tell its facts in. */
  public boolean isWorded() {
    return wordings().findAny().isPresent();
  }

  /** The dimension of what its values measure, empty if they measure nothing. */
  public String measures() {
    return kind == Kind.SIDES ? "length" : dimension;
  }

  /** Whether its values are names of makers, which no dictionary has. */
  public boolean isMaker() {
    return hypernyms.contains("company");
  }

  /** All wordings, whatever they are said of. */
  public Stream<String> wordings() {
    return Stream.concat(
            Stream.of(say), Stream.concat(sayOf.stream(), taught.stream()).map(SayOf::say))
        .flatMap(s -> s.values().stream())
        .flatMap(List::stream);
  }

  /** How a concept's values are read. */
  public enum Kind {
    QUANTITY,
    COUNT,
    SIDES,
    RATING,
    TERMS,
    FLAG,
    WORDS
  }

  public Concept {
    gloss = gloss == null ? "" : gloss;
    names = names == null ? Map.of() : Map.copyOf(names);
    dimension = dimension == null ? "" : dimension;
    unit = unit == null ? "" : unit;
    terms = terms == null ? "" : terms;
    hypernyms = hypernyms == null ? List.of() : List.copyOf(hypernyms);
    cues = cues == null ? List.of() : List.copyOf(cues);
    classes = classes == null ? List.of() : List.copyOf(classes);
    say = say == null ? Map.of() : Map.copyOf(say);
    sayOf = sayOf == null ? List.of() : List.copyOf(sayOf);
    taught = taught == null ? List.of() : List.copyOf(taught);
    notOf = notOf == null ? List.of() : List.copyOf(notOf);
    compare = compare == null ? Map.of() : Map.copyOf(compare);
  }
}
