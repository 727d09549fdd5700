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
   * @param notMade classes of things that have no parts that somebody made
   */
  record Known(
      Set<String> names,
      Set<String> fittings,
      Set<String> several,
      Set<String> oneOrMore,
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
    return isOfAny && !isOfAll && known.oneOrMore.contains(one)
        ? Optional.empty()
        : concept(aspect.start() + (isOfAll ? English.plural(one) : one).replace(' ', '_'));
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

  private static String one(String part) {
    return English.isPlural(part) && !English.isPluralOnly(part) ? English.singular(part) : part;
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
      before.ifPresent(c -> byId.put(id, Optional.of(c)));
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
            aspect == PartAspect.FITTED
                ? known.fittings.contains(part)
                : known.names.contains(one) || known.fittings.contains(one);
        return isKnown ? Optional.of(of(id, part, each.getValue())) : Optional.empty();
      }
    }
    return Optional.empty();
  }

  private Concept of(String id, String part, Template template) {
    boolean isOfAll = English.isPlural(part) && !template.all.isEmpty();
    String label = English.capitalise(filled(template.label, part));
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
    String several = English.isPluralOnly(one) ? one : English.plural(one);
    return words.replace(ONE, one).replace(SEVERAL, several);
  }
}
