package rhetor.core.knowledge;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import rhetor.core.language.English;

/** The concepts of parts of things: what is known of any part, said of each. */
final class PartConcepts {
  private static final String ONE = "<part>";
  private static final String SEVERAL = "<parts>";

  /** Names of several words are many; few of them are on one house's sheets. */
  private static final int MOST_KEPT = 5_000;

  /**
   * What is known of any part under one aspect.
   *
   * @param label how a specification list names it
   * @param one wordings by form, of one
   * @param all wordings by form, of all of several; none where that is never said
   */
  record Template(
      String label,
      Concept.Kind kind,
      String dimension,
      String terms,
      List<String> hypernyms,
      String theme,
      int weight,
      Map<String, List<String>> one,
      Map<String, List<String>> all) {
    Template {
      dimension = dimension == null ? "" : dimension;
      terms = terms == null ? "" : terms;
      hypernyms = hypernyms == null ? List.of() : List.copyOf(hypernyms);
      all = all == null ? Map.of() : Map.copyOf(all);
    }
  }

  /**
   * What a data file knows of parts.
   *
   * @param names of parts, one of each
   * @param fittings parts that a thing may or may not have
   * @param several parts that things mostly have several of
   * @param oneOrMore parts that things have one or several of
   * @param heads of names of two words or three that name a part, besides parts and fittings
   * @param loose what lies beside a thing and comes with it
   * @param motions verbs that, before a word for where to, say how a part is fastened or opened
   * @param uncounted parts that nobody says "a" of
   * @param notLike words that don't say what a part is like, though they may stand before it
   * @param notMade classes of things that have no parts that somebody made
   */
  record Known(
      Set<String> names,
      Set<String> fittings,
      Set<String> several,
      Set<String> oneOrMore,
      Set<String> heads,
      Set<String> loose,
      Set<String> motions,
      Set<String> uncounted,
      Set<String> notLike,
      Map<PartAspect, Template> aspects,
      List<String> notMade) {}

  private final Known known;
  private final Map<String, Optional<Concept>> byId = new ConcurrentHashMap<>();

  PartConcepts(Known known) {
    this.known = known;
  }

  /**
   * What there is to say of a part that is known: of all of them where there are several.
   *
   * @param part what it is called, in lower case, in the plural or not
   */
  Optional<Concept> concept(String part, PartAspect aspect) {
    String one = one(part);
    boolean isOfAny = !known.aspects.get(aspect).all.isEmpty();
    boolean isOfAll = isOfAny && (!one.equals(part) || known.several.contains(one));
    // What a row says of such a part may tell how many there are.
    boolean isLike = aspect == PartAspect.LIKE;
    return isOfAny && !isOfAll && !isLike && known.oneOrMore.contains(one)
        ? Optional.empty()
        : concept(aspect.start() + (isOfAll ? several(part) : one).replace(' ', '_'));
  }

  /**
   * The part that a concept says something of, one of it: by its id, or because its label names a
   * part and its values are stuffs.
   */
  Optional<String> partOf(Concept concept) {
    String id = concept.id();
    if (id.startsWith(PartAspect.PART)) {
      String rest = id.substring(PartAspect.PART.length());
      return Optional.of(one(rest.substring(rest.indexOf('_') + 1).replace('_', ' ')));
    }
    String label = one(concept.label().toLowerCase(Locale.ROOT));
    return Optional.of(label)
        .filter(l -> concept.terms().equals("material") && known.names.contains(l));
  }

  /** The part of which each row says another thing under a concept, in the plural where it is. */
  Optional<String> partLike(Concept concept) {
    String start = PartAspect.LIKE.start();
    return concept.id().startsWith(start)
        ? Optional.of(concept.id().substring(start.length()).replace('_', ' '))
        : Optional.empty();
  }

  private static String one(String part) {
    return English.isPlural(part) && !English.isPluralOnly(part) ? English.singular(part) : part;
  }

  /** In the plural, as it is written if it is: perches are no perch. */
  private static String several(String part) {
    return English.isPlural(part) ? part : English.plural(part);
  }

  /** The concept of an id, if it is one of a part that is known. */
  Optional<Concept> concept(String id) {
    if (!id.startsWith(PartAspect.PART)) {
      return Optional.empty();
    }
    Optional<Concept> before = byId.get(id);
    if (before == null) {
      before = find(id);
      // What nobody knows isn't kept: anybody may ask for anything.
      before.filter(c -> byId.size() < MOST_KEPT).ifPresent(c -> byId.put(id, Optional.of(c)));
    }
    return before;
  }

  private Optional<Concept> find(String id) {
    for (Map.Entry<PartAspect, Template> each : known.aspects.entrySet()) {
      PartAspect aspect = each.getKey();
      if (id.startsWith(aspect.start())) {
        String part = id.substring(aspect.start().length()).replace('_', ' ');
        String one = one(part);
        boolean isKnown =
            switch (aspect) {
              case FITTED -> known.fittings.contains(part);
              case LIKE ->
                  isHead(one) && !known.heads.contains(one)
                      || PartNames.isOne(one, this::isHead, known.motions, known.notLike);
              default -> isName(one);
            };
        return isKnown ? Optional.of(of(id, part, each.getValue())) : Optional.empty();
      }
    }
    return Optional.empty();
  }

  private boolean isName(String one) {
    return known.names.contains(one) || known.fittings.contains(one);
  }

  /** Whether it lies beside a thing and comes with it, by its name or by the last word of that. */
  boolean isLoose(String part) {
    String one = one(part);
    return known.loose.contains(one) || known.loose.contains(English.lastWord(one));
  }

  private boolean isHead(String noun) {
    return isName(noun) || known.loose.contains(noun) || known.heads.contains(noun);
  }

  /** Whether a sheet answers with yes or no that a thing has it, and with nothing else. */
  boolean mayBeMissing(String part) {
    String one = one(part);
    return known.fittings.contains(one)
        || isLoose(one)
        || one.indexOf(' ') > 0
        || !one.equals(part);
  }

  /** Whether things have one of it or several, so that its name doesn't say how many. */
  boolean isOneOrMore(String part) {
    return known.oneOrMore.contains(part);
  }

  /** Whether things mostly have several of it, or its name is in the plural. */
  boolean areSeveral(String part) {
    return !one(part).equals(part) || known.several.contains(part);
  }

  /** Whether nobody says "a" of it. */
  boolean isUncounted(String part) {
    return known.uncounted.contains(part);
  }

  boolean isNotLike(String word) {
    return known.notLike.contains(word);
  }

  private Concept of(String id, String part, Template template) {
    boolean isOfAll = English.isPlural(part) && !template.all.isEmpty();
    boolean isNamedByAll = isOfAll && template.label.equals(ONE);
    String label = English.capitalise(filled(isNamedByAll ? SEVERAL : template.label, part));
    return new Concept(
        id,
        label,
        "what a part of it is like",
        Map.of("en", List.of(label.toLowerCase(Locale.ROOT))),
        template.kind,
        template.dimension,
        "",
        template.theme,
        template.weight,
        template.terms,
        template.hypernyms,
        List.of(),
        List.of(),
        false,
        (isOfAll ? template.all : template.one)
            .entrySet().stream()
                .collect(
                    Collectors.toMap(
                        Map.Entry::getKey,
                        e -> e.getValue().stream().map(w -> filled(w, part)).toList())),
        List.of(),
        List.of(),
        known.notMade,
        Map.of());
  }

  private static String filled(String words, String part) {
    String one = one(part);
    String several = English.isPluralOnly(one) ? one : several(part);
    return words.replace(ONE, one).replace(SEVERAL, several);
  }
}
