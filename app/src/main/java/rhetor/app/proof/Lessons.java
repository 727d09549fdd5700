package rhetor.app.proof;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import rhetor.app.concept.StruckFacts;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.style.WordHabits;
import rhetor.app.template.Templates;
import rhetor.app.web.Refused;
import rhetor.core.check.Mark;
import rhetor.core.compose.LeftOut;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.Words;
import rhetor.core.plan.Telling;
import rhetor.core.plan.Untold;
import rhetor.core.say.en.Learner;
import rhetor.core.style.Field;
import rhetor.core.style.WordChange;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * What people's changes by hand teach: words that they put for others, facts that they strike out,
 * and how they put facts.
 */
@Component
class Lessons {
  /** So many changes by hand one after another are looked through. */
  private static final int MOST_CHANGES = 50;

  /** What is read as sentences on a product's page. */
  private static final List<Field> PROSE = List.of(Field.DESCRIPTION, Field.SHORT_DESCRIPTION);

  private final TextStore texts;
  private final HouseKnowledge knowledge;
  private final Templates templates;
  private final WordHabits habits;
  private final StruckFacts struck;

  Lessons(
      TextStore texts,
      HouseKnowledge knowledge,
      Templates templates,
      WordHabits habits,
      StruckFacts struck) {
    this.texts = texts;
    this.knowledge = knowledge;
    this.templates = templates;
    this.habits = habits;
    this.struck = struck;
  }

  /** Notes what a change by hand tells of the words that people want. */
  void note(Product product, Draft before, Draft after, String author) {
    habits.note(
        product.id(),
        WordChange.between(sentences(before), sentences(after), own(product.facts())),
        author);
    struck.note(product.id(), struck(product, before, after), author);
  }

  /**
   * The kinds of facts that no sentence tells any more, where sentences were struck out and none
   * were added: who writes a sentence anew may put the fact elsewhere.
   */
  private Set<Concept> struck(Product product, Draft before, Draft after) {
    List<String> were = sentences(before);
    List<String> are = sentences(after);
    Set<Concept> struck = new LinkedHashSet<>();
    if (are.size() >= were.size() || !were.containsAll(are)) {
      return struck;
    }
    Set<String> lost = new HashSet<>(told(before));
    lost.removeAll(told(after));
    for (Fact fact : product.facts().facts()) {
      if (lost.contains(fact.id())) {
        knowledge.current().toldAs(fact.concept(), fact.label()).ifPresent(struck::add);
      }
    }
    return struck;
  }

  /** The ids of facts that sentences rest on; what is listed is told in none. */
  private static Set<String> told(Draft draft) {
    return PROSE.stream()
        .flatMap(f -> draft.blocks(f).stream())
        .filter(b -> b.kind() == Block.Kind.PARAGRAPH)
        .flatMap(b -> b.sentences().stream())
        .flatMap(s -> s.support().stream())
        .filter(s -> s.kind() == Support.Kind.FACT)
        .map(Support::id)
        .collect(Collectors.toSet());
  }

  /** The words of a product's names and values. */
  private static Set<String> own(ProductFacts product) {
    return Stream.concat(
            product.names().stream(),
            product.facts().stream().flatMap(f -> f.sources().stream()).map(Source::raw))
        .flatMap(text -> Words.of(text).stream())
        .map(Words.Word::text)
        .collect(Collectors.toSet());
  }

  /**
   * How a person put a fact, so that others can be told so.
   *
   * @param heading its column, or what its kind is called
   * @param concept id of its kind, empty if no wording tells it
   * @param kind id of the kind of product that it would be told so of, empty if it isn't known
   * @param of what products of that kind are called, empty if it isn't known
   * @param sentence what they wrote
   */
  record Learnable(
      String heading,
      String concept,
      String kind,
      String of,
      String sentence,
      String form,
      String wording) {}

  /**
   * What the changes by hand of the text that counts teach: of facts that no wording tells, and of
   * those that the text told otherwise before.
   *
   * @param marks what the checks found in it
   */
  List<Learnable> of(Product product, Text text, List<Mark> marks) {
    if (text.origin() != Origin.HAND || text.parentId() == 0) {
      return List.of();
    }
    Learner learner = new Learner(knowledge.current());
    // Neither what stood before teaches anything, nor what no cell bears out.
    Draft written = written(text).draft();
    Set<String> before = new HashSet<>(sentences(written));
    marks.stream()
        .filter(Mark::mayBeStated)
        .forEach(m -> before.add(m.of(text.draft()).sentence()));
    List<String> changed =
        sentences(text.draft()).stream().filter(s -> !before.contains(s)).toList();
    Stream<Fact> untold =
        new LeftOut(knowledge.current())
            .of(product.facts(), templates.style(product.id()).ownVoice()).stream()
                .filter(t -> t.untold().orElseThrow().cause() == Untold.Cause.NO_WORDING)
                .map(Telling::fact);
    return Stream.concat(untold, toldOtherwise(written, text.draft(), product.facts()))
        .flatMap(
            fact ->
                changed.stream()
                    .flatMap(
                        s ->
                            learner.learn(s, fact, product.facts()).stream()
                                .map(l -> learnable(l, s, product.facts())))
                    .limit(1))
        .toList();
  }

  /**
   * How a fact would be told by a sentence that somebody types for it.
   *
   * @param why what is in the way and what to do, empty if it is understood
   */
  record Typed(Optional<Learnable> learnable, String why) {}

  /**
   * Reads a sentence that is to teach how one fact of a product is put.
   *
   * @param heading the fact's column, or what its kind is called
   */
  Typed typed(Product product, String heading, String sentence) {
    ProductFacts facts = product.facts();
    Fact fact =
        facts.facts().stream()
            .filter(f -> f.label().equals(heading))
            .findFirst()
            .orElseThrow(
                () -> Refused.notFound("The product has no fact called “%s”.".formatted(heading)));
    Learner.Lesson read = new Learner(knowledge.current()).read(sentence, fact, facts);
    return new Typed(read.learned().map(l -> learnable(l, sentence, facts)), read.why());
  }

  private Learnable learnable(Learner.Learned learned, String sentence, ProductFacts product) {
    String kind = product.productClass();
    return new Learnable(
        learned.fact().label(),
        learned.fact().concept(),
        kind,
        knowledge.current().productClass(kind).map(ProductClass::plural).orElse(""),
        sentence,
        learned.form().name().toLowerCase(Locale.ROOT),
        learned.wording());
  }

  /** The facts of known kinds that stood in sentences which have gone. */
  private Stream<Fact> toldOtherwise(Draft before, Draft now, ProductFacts product) {
    Set<String> stay = new HashSet<>(sentences(now));
    Set<String> told = new HashSet<>();
    PROSE.stream()
        .flatMap(f -> before.sentences(f).stream())
        .filter(s -> !stay.contains(s.text()))
        .flatMap(s -> s.support().stream())
        .filter(s -> s.kind() == Support.Kind.FACT)
        .forEach(s -> told.add(s.id()));
    return product.facts().stream()
        .filter(f -> told.contains(f.id()))
        .filter(f -> knowledge.current().concept(f.concept()).stream().anyMatch(Concept::isWorded));
  }

  /** The text that people have changed since; the first one if people wrote that too. */
  private Text written(Text changed) {
    Text before = text(changed.parentId());
    for (int i = 0; i < MOST_CHANGES && before.origin() == Origin.HAND; i++) {
      if (before.parentId() == 0) {
        break;
      }
      before = text(before.parentId());
    }
    return before;
  }

  private static List<String> sentences(Draft draft) {
    return PROSE.stream().flatMap(f -> draft.sentences(f).stream()).map(Sentence::text).toList();
  }

  private Text text(long id) {
    return texts.find(id).orElseThrow(() -> Refused.notFound("There is no such text."));
  }
}
