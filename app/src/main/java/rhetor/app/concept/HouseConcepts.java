package rhetor.app.concept;

import static rhetor.app.knowledge.HouseKnowledge.CONCEPTS;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.house.Turns;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.knowledge.HouseKnowledge.Decided;
import rhetor.app.knowledge.Standing;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.product.ProductService.Look;
import rhetor.app.product.Stage;
import rhetor.app.web.Refused;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.ConceptCheck;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.model.WordingTeacher;
import rhetor.core.plan.Message;
import rhetor.core.say.Variety;
import rhetor.core.say.en.Learner;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** The kinds of facts that the house knows, and what it decides about their names and words. */
@Service
public class HouseConcepts {
  private static final int EXAMPLES = 4;
  private static final int SAMPLES = 3;

  /** On so many products with different values a wording is tried. */
  private static final int MOST_TRIED = 40;

  private static final int MOST_HEADINGS = 200;

  private static final int LONGEST_LABEL = 60;

  private static final Pattern PLAIN_LABEL =
      Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N} ,.%°²³/()&'’–-]*");

  private final HouseKnowledge house;
  private final ProductService products;
  private final Turns turns;

  HouseConcepts(HouseKnowledge house, ProductService products, Turns turns) {
    this.turns = turns;
    this.house = house;
    this.products = products;
  }

  /**
   * Kinds of facts in the order of their labels.
   *
   * @param search words of their labels, headings or wordings; empty for all
   * @param standing only those, or null
   */
  List<Decided<Concept>> list(String search, Standing standing) {
    String words = search.strip().toLowerCase(Locale.ROOT);
    return house.all(CONCEPTS).stream()
        .filter(d -> standing == null || d.state() == standing)
        .filter(d -> words.isEmpty() || text(d.item()).contains(words))
        .sorted(Comparator.comparing(d -> d.item().label()))
        .toList();
  }

  private static String text(Concept c) {
    return (c.id() + " " + c.label() + " " + c.names().values() + " " + c.wordings().toList())
        .toLowerCase(Locale.ROOT);
  }

  private Decided<Concept> get(String id) {
    return house
        .find(CONCEPTS, id)
        .orElseThrow(() -> Refused.notFound("There is no kind of fact called " + id + "."));
  }

  /** The concept that ships under an id, if one does. */
  Optional<Concept> shipped(String id) {
    return house.standard().concept(id);
  }

  /** What ships, with the kinds of products that the house has. */
  private Knowledge checkedAgainst() {
    Knowledge standard = house.standard();
    return standard.with(standard.claims(), List.of(), house.current().classes());
  }

  /** Why a kind of fact can't stand, each with what to do. */
  private List<String> problems(Concept concept) {
    List<String> problems = new ArrayList<>(ConceptCheck.problems(concept, checkedAgainst()));
    if (concept.id().startsWith(Knowledge.OWN)) {
      concept
          .wordings()
          .filter(w -> w.indexOf('{') < 0)
          .findFirst()
          .filter(w -> !saysYes(concept))
          .ifPresent(
              w ->
                  problems.add(
                      "\"%s\" doesn't say the value: put {v} where it goes. Words without it are for a column that says yes."
                          .formatted(w)));
    }
    return problems;
  }

  /** Whether a cell under a heading that nobody knows says yes. */
  private boolean saysYes(Concept concept) {
    return products
            .look(
                facts ->
                    WordingTeacher.of(concept.label(), facts)
                        .filter(f -> f.value() instanceof Value.YesNo(boolean yes) && yes)
                        .isPresent(),
                (product, facts) -> Optional.empty(),
                0)
            .concerned()
        > 0;
  }

  /** A kind of fact as the house has had it, the latest first; nothing if it never decided. */
  List<HouseKnowledge.Version<Concept>> versions(String id) {
    return house.versions(CONCEPTS, id);
  }

  /** How a fact of a product would be told. */
  record ConceptExample(
      long product, String sku, String name, String raw, List<String> sentences) {}

  /**
   * What a kind of fact would do.
   *
   * @param problems why it can't stand, each with what to do
   * @param have how many of the products looked at have such a fact, or a column that would be one
   * @param all whether those are all products
   * @param texts how many texts tell such a fact now
   */
  record ConceptTrial(
      List<String> problems,
      int have,
      int lookedAt,
      boolean all,
      int texts,
      List<ConceptExample> examples) {}

  /** Tries a kind of fact on real products and keeps nothing. */
  ConceptTrial tryOut(Concept concept) {
    List<String> problems = problems(concept);
    int texts = house.productsTelling(Support.Kind.FACT, concept.id()).size();
    if (!problems.isEmpty()) {
      return new ConceptTrial(problems, 0, 0, false, texts, List.of());
    }
    Set<String> shown = new HashSet<>();
    Look<ConceptExample> look =
        products.look(
            facts -> ConceptCheck.fact(concept, facts).isPresent(),
            (product, facts) ->
                ConceptCheck.fact(concept, facts)
                    .map(f -> f.source().raw())
                    .filter(shown::add)
                    .map(
                        raw ->
                            new ConceptExample(
                                product,
                                facts.sku(),
                                facts.name(),
                                raw,
                                ConceptCheck.examples(concept, facts, house.current()))),
            EXAMPLES);
    return new ConceptTrial(
        problems, look.concerned(), look.lookedAt(), look.all(), texts, look.examples());
  }

  /** Adds a kind of fact, or changes one; returns how many texts are stale now. */
  @Transactional
  public int put(Concept concept, String by) {
    List<String> problems = problems(concept);
    if (!problems.isEmpty()) {
      throw Refused.invalid(String.join(" ", problems));
    }
    boolean shipped = house.isShipped(CONCEPTS, concept.id());
    Set<Long> all = new LinkedHashSet<>(house.productsTelling(Support.Kind.FACT, concept.id()));
    if (concept.isWorded()) {
      // Those that only list it until now may tell it.
      Set<String> headings = new HashSet<>();
      concept.names().getOrDefault("en", List.of()).forEach(n -> headings.add(key(n)));
      all.addAll(
          having(
              p ->
                  p.facts().stream()
                      .anyMatch(f -> f.concept().isEmpty() && headings.contains(key(f.label())))));
    }
    List<Long> touched = List.copyOf(all);
    house.decide(CONCEPTS, concept.id(), concept, shipped ? Standing.CHANGED : Standing.OWN, by);
    products.markStale(touched);
    return touched.size();
  }

  /**
   * A heading that no sentence tells yet.
   *
   * @param products how many of the products looked at have it
   * @param values a few of its cells, all different
   * @param product one that has the first of them
   */
  record UntoldHeading(String heading, int products, List<String> values, long product) {}

  /**
   * Headings whose facts no wording tells, those of most products first; none of other languages.
   */
  List<UntoldHeading> untold() {
    Knowledge knowledge = house.current();
    Map<String, Set<String>> values = new LinkedHashMap<>();
    Map<String, Integer> counts = new HashMap<>();
    Map<String, Long> having = new HashMap<>();
    products.look(
        facts -> true,
        (product, facts) -> {
          for (Fact fact : facts.facts()) {
            if (fact.concept().isEmpty()
                && !fact.foreign()
                && knowledge
                    .toldAs("", fact.label())
                    .filter(c -> c.isWorded() || !c.isRenamed())
                    .isEmpty()) {
              counts.merge(fact.label(), 1, Integer::sum);
              having.putIfAbsent(fact.label(), product);
              Set<String> some = values.computeIfAbsent(fact.label(), l -> new LinkedHashSet<>());
              if (some.size() < SAMPLES) {
                some.add(fact.source().raw());
              }
            }
          }
          return Optional.empty();
        },
        1);
    return counts.entrySet().stream()
        .sorted(
            Map.Entry.<String, Integer>comparingByValue()
                .reversed()
                .thenComparing(Map.Entry.comparingByKey()))
        .limit(MOST_HEADINGS)
        .map(
            e ->
                new UntoldHeading(
                    e.getKey(),
                    e.getValue(),
                    List.copyOf(values.get(e.getKey())),
                    having.get(e.getKey())))
        .toList();
  }

  /**
   * How facts are told: those under a heading that is no known kind of fact, or those of a kind, of
   * products of one kind.
   *
   * @param concept id of the kind of fact, or empty
   * @param kind id of the kind of product, empty for those of no known kind
   * @param form the place in a sentence
   */
  record Worded(String heading, String concept, String kind, String form, String wording) {
    /** The fact of a product that would be told so, if it has one. */
    private Optional<Fact> fact(ProductFacts product) {
      if (concept.isEmpty()) {
        return WordingTeacher.of(heading, product);
      }
      return product.productClass().equals(kind)
          ? product.fact(concept).filter(f -> !f.foreign())
          : Optional.empty();
    }
  }

  /**
   * What was learned.
   *
   * @param texts how many texts of products with such facts are stale now
   * @param products those of them that nobody has changed by hand, so that they can be written anew
   */
  record Learned(int texts, List<Long> products) {}

  /**
   * Keeps how headings' facts are told from now on, beside what the house has for them already: all
   * of it or nothing.
   *
   * @throws Refused if a wording can't stand, with what to do
   */
  @Transactional
  public Learned learn(List<Worded> learned, String by) {
    turns.take(Turns.Turn.WORDS);
    house.anew();
    Collection<Concept> concepts = saying(learned);
    concepts.forEach(c -> house.decide(CONCEPTS, c.id(), c, standing(c), by));
    List<Long> having = having(p -> has(p, learned));
    products.markStale(having);
    return new Learned(having.size(), asWritten(having));
  }

  /**
   * Takes back what was learned, and nothing else that the house decided meanwhile; returns how
   * many texts are stale now.
   */
  @Transactional
  public int unlearn(List<Worded> learned, String by) {
    turns.take(Turns.Turn.WORDS);
    house.anew();
    Map<String, Concept> concepts = new LinkedHashMap<>();
    for (Worded one : learned) {
      house
          .current()
          .toldAs(one.concept, one.heading)
          .map(c -> unsaying(one, concepts.getOrDefault(c.id(), c)))
          .ifPresent(c -> concepts.put(c.id(), c));
    }
    for (Concept c : concepts.values()) {
      boolean isAsShipped = shipped(c.id()).filter(c::equals).isPresent();
      if (isAsShipped || standing(c) == Standing.OWN && !c.isWorded() && !c.isRenamed()) {
        house.restore(CONCEPTS, c.id());
      } else {
        house.decide(CONCEPTS, c.id(), c, standing(c), by);
      }
    }
    List<Long> having = having(p -> has(p, learned));
    products.markStale(having);
    return having.size();
  }

  /**
   * Calls a heading otherwise in lists from now on; called as it is headed again, it is as before.
   *
   * @throws Refused if the name is no plain one
   */
  @Transactional
  public Learned call(String heading, String label, String by) {
    if (heading.isEmpty()
        || label.isEmpty()
        || label.length() > LONGEST_LABEL
        || !PLAIN_LABEL.matcher(label).matches()) {
      throw Refused.invalid(
          "A name in lists has up to %d letters, figures and spaces: Fat in dry matter."
              .formatted(LONGEST_LABEL));
    }
    turns.take(Turns.Turn.WORDS);
    house.anew();
    Concept called = house.current().own(heading).labelled(label);
    if (called.isWorded() || called.isRenamed()) {
      house.decide(CONCEPTS, called.id(), called, standing(called), by);
    } else {
      house.find(CONCEPTS, called.id()).ifPresent(c -> house.restore(CONCEPTS, called.id()));
    }
    List<Long> having =
        having(
            p ->
                p.facts().stream()
                    .anyMatch(f -> f.concept().isEmpty() && key(f.label()).equals(key(heading))));
    products.markStale(having);
    return new Learned(having.size(), asWritten(having));
  }

  private Standing standing(Concept concept) {
    return house.isShipped(CONCEPTS, concept.id()) ? Standing.CHANGED : Standing.OWN;
  }

  /** The kinds of facts with words added. */
  private Collection<Concept> saying(List<Worded> learned) {
    if (learned.isEmpty() || learned.size() > MOST_HEADINGS) {
      throw Refused.invalid("Keep 1 to %d wordings at a time.".formatted(MOST_HEADINGS));
    }
    Knowledge knowledge = house.current();
    Map<String, Concept> concepts = new LinkedHashMap<>();
    for (Worded one : learned) {
      Concept after = saying(one, knowledge);
      List<String> problems = problems(after);
      if (!problems.isEmpty()) {
        throw Refused.invalid(one.heading + ": " + String.join(" ", problems));
      }
      concepts.put(after.id(), after);
      // The next heading gets another short name.
      knowledge = knowledge.with(knowledge.claims(), List.of(after), knowledge.classes());
    }
    return concepts.values();
  }

  private static Concept saying(Worded one, Knowledge knowledge) {
    if (!one.concept.isEmpty()) {
      return knowledge
          .concept(one.concept)
          .orElseThrow(
              () -> Refused.invalid("There is no kind of fact called " + one.concept + "."))
          .taughtOf(one.kind, one.form, one.wording);
    }
    Concept before = knowledge.own(one.heading);
    List<String> wordings = new ArrayList<>(before.say().getOrDefault(one.form, List.of()));
    if (!wordings.contains(one.wording)) {
      wordings.addFirst(one.wording);
    }
    return saying(before, one.form, wordings);
  }

  private static Concept unsaying(Worded one, Concept before) {
    if (!one.concept.isEmpty()) {
      return before.untaught(one.kind, one.form, one.wording);
    }
    List<String> wordings = new ArrayList<>(before.say().getOrDefault(one.form, List.of()));
    wordings.remove(one.wording);
    return saying(before, one.form, wordings);
  }

  private static Concept saying(Concept before, String form, List<String> wordings) {
    Map<String, List<String>> say = new LinkedHashMap<>(before.say());
    if (wordings.isEmpty()) {
      say.remove(form);
    } else {
      say.put(form, wordings);
    }
    return before.saying(say);
  }

  /** The products with a text whose facts are such. */
  private List<Long> having(Predicate<ProductFacts> such) {
    List<Long> having = new ArrayList<>();
    products.eachSource(
        (product, text, facts) -> {
          if (text != 0 && such.test(facts) && (having.isEmpty() || having.getLast() != product)) {
            having.add(product);
          }
        });
    return having;
  }

  /** Those whose texts are as they were written. */
  private List<Long> asWritten(List<Long> ids) {
    Set<Long> drafted = new HashSet<>(products.ids(new ProductFilter("", Stage.DRAFTED.name(), 0)));
    return ids.stream().filter(drafted::contains).toList();
  }

  private static boolean has(ProductFacts product, List<Worded> learned) {
    return learned.stream().anyMatch(w -> w.fact(product).isPresent());
  }

  /**
   * What a product's description would say.
   *
   * @param now its sentences by the words that there are
   * @param then by those with the new ones
   */
  record LearnedExample(
      long product, String sku, String name, List<String> now, List<String> then) {}

  /**
   * What words for headings would do.
   *
   * @param problems why it can't be told so, each once
   * @param fits how many of the different values that were tried can be told so; the others stay in
   *     the list
   * @param texts how many texts of products with such facts there are
   * @param asWritten how many of them nobody has changed by hand
   * @param examples products whose descriptions would change, a few
   */
  record LearnedTrial(
      List<String> problems,
      int fits,
      int tried,
      int texts,
      int asWritten,
      List<LearnedExample> examples) {}

  /**
   * Tries how headings' facts would be told and keeps nothing.
   *
   * @throws Refused if a wording can't stand, with what to do
   */
  LearnedTrial tryOut(List<Worded> learned) {
    Collection<Concept> concepts = saying(learned);
    Knowledge now = house.current();
    Knowledge then = now.with(now.claims(), concepts, now.classes());
    List<LearnedExample> examples =
        products
            .look(
                facts -> has(facts, learned),
                (product, facts) -> example(product, facts, now, then),
                SAMPLES)
            .examples();
    List<Long> having = having(p -> has(p, learned));
    List<WordingTeacher.ProposedWording> tried = learned.stream().map(this::tried).toList();
    return new LearnedTrial(
        tried.stream().flatMap(t -> t.problems().stream()).distinct().toList(),
        tried.stream().mapToInt(WordingTeacher.ProposedWording::fits).sum(),
        tried.stream().mapToInt(WordingTeacher.ProposedWording::tried).sum(),
        having.size(),
        asWritten(having).size(),
        examples);
  }

  /** How a wording reads of products with different values. */
  private WordingTeacher.ProposedWording tried(Worded worded) {
    Set<String> cells = new HashSet<>();
    List<ProductFacts> some =
        products
            .look(
                facts -> worded.fact(facts).isPresent(),
                (product, facts) ->
                    worded.fact(facts).filter(f -> cells.add(f.source().raw())).map(f -> facts),
                MOST_TRIED)
            .examples();
    return new WordingTeacher(house.current())
        .tried(
            "",
            new Learner.Worded(
                Message.Form.valueOf(worded.form.toUpperCase(Locale.ROOT)), worded.wording),
            worded.heading,
            worded::fact,
            saying(worded, house.current()),
            some);
  }

  private Optional<LearnedExample> example(
      long product, ProductFacts facts, Knowledge now, Knowledge then) {
    List<String> before = sentences(facts, now);
    List<String> after = sentences(facts, then);
    return before.equals(after)
        ? Optional.empty()
        : Optional.of(new LearnedExample(product, facts.sku(), facts.name(), before, after));
  }

  private List<String> sentences(ProductFacts facts, Knowledge knowledge) {
    return new Composer(knowledge, 1, Variety.ofFew(), products.figures(facts.productClass()))
        .compose(Brief.of(facts)).blocks(Field.DESCRIPTION).stream()
            .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
            .flatMap(b -> b.sentences().stream())
            .map(Sentence::text)
            .toList();
  }

  /**
   * Leaves a kind of fact to the list: no sentence tells it until the decision is taken back;
   * returns how many texts that tell it are stale now.
   */
  @Transactional
  public int silence(String id, String by) {
    Decided<Concept> told = get(id);
    List<Long> touched = house.productsTelling(Support.Kind.FACT, id);
    house.decide(
        CONCEPTS,
        id,
        told.item().silent(),
        house.isShipped(CONCEPTS, id) ? Standing.CHANGED : Standing.OWN,
        by);
    products.markStale(touched);
    return touched.size();
  }

  private static String key(String heading) {
    return heading.strip().toLowerCase(Locale.ROOT);
  }

  /**
   * Takes the house's decision back; returns how many texts that tell the fact are stale now.
   *
   * @throws Refused if it is the house's own and a kind of product or a claim still needs it
   */
  @Transactional
  public int restore(String id) {
    if (get(id).state() == Standing.OWN) {
      requireUnused(id);
    }
    List<Long> touched = house.productsTelling(Support.Kind.FACT, id);
    house.restore(CONCEPTS, id);
    products.markStale(touched);
    return touched.size();
  }

  private void requireUnused(String id) {
    List<String> users = new ArrayList<>();
    house.current().classes().stream()
        .filter(c -> c.essential().contains(id) || c.matters().containsKey(id))
        .forEach(c -> users.add(c.plural() + " set it as something to know or that matters"));
    house.current().claims().stream()
        .filter(c -> c.concept().equals(id))
        .forEach(c -> users.add("the claim " + c.id() + " rests on it"));
    if (!users.isEmpty()) {
      throw Refused.conflict(
          "It is still needed: " + String.join(", ", users) + ". Take it out there first.");
    }
  }
}
