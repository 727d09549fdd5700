package rhetor.core.model;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.compose.ConceptCheck;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Words;
import rhetor.core.plan.Message;
import rhetor.core.reading.CellText;
import rhetor.core.say.en.EnglishProse;
import rhetor.core.say.en.Fault;
import rhetor.core.say.en.Learner;
import rhetor.core.say.en.PlainLanguage;
import rhetor.core.say.en.ValueText;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;

/**
 * Asks a text model how a shop would say what stands under a heading, and holds what it proposes to
 * grammar, support and plain language on real products. Nothing counts before a person approves it.
 */
public final class WordingTeacher {
  private static final Pattern FILLED = Pattern.compile("\\{[a-z]+(?::[a-z ]+)?}");

  private static final int MOST_VALUES = 8;
  private static final int MOST_PRODUCTS = 2;
  private static final int MOST_FACTS = 8;
  private static final int LONGEST_CELL = 80;
  private static final int MOST_PROPOSALS = 3;
  private static final int MOST_EXAMPLES = 3;

  /** On so many products with different values a wording is tried. */
  private static final int MOST_TRIED = 40;

  /** A sentence with a slot for the value, wherever in an answer it stands. */
  private static final Pattern WORDED =
      Pattern.compile("[^\"“”\\n]*\\{\\s*(?:v|value)\\s*}[^\"“”\\n]*");

  private static final Pattern SLOT = Pattern.compile("\\{\\s*(?:v|value)\\s*}");
  private static final Pattern MARKUP = Pattern.compile("[<>*_#`|]|&\\w+;");
  private static final Pattern BULLET = Pattern.compile("^(?:[-•*–]|\\d{1,2}[.)])\\s+");

  private static final Pattern GOOD_FOR =
      Pattern.compile(
          "\"?good[_ ]for\"?\\s*[:=]\\s*\"?([^\"\\n}]{3,160})", Pattern.CASE_INSENSITIVE);

  private final Knowledge knowledge;
  private final Learner learner;
  private final ValueText values;
  private final EnglishProse prose;
  private final PlainLanguage plain;

  public WordingTeacher(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.learner = new Learner(knowledge);
    this.values = new ValueText(knowledge);
    this.prose = new EnglishProse(knowledge);
    this.plain = knowledge.index(PlainLanguage.class, PlainLanguage::new);
  }

  /**
   * A wording that a model proposes.
   *
   * @param sentence what the model said
   * @param form the place in a sentence that it fits, as {@link Concept#say} has it; empty if it
   *     isn't understood
   * @param examples how it reads of real products
   * @param problems why it can't stand; empty if it can
   * @param fits how many of the different values tried it can tell
   * @param tried how many were tried
   */
  public record ProposedWording(
      String sentence,
      String form,
      String wording,
      List<String> examples,
      List<String> problems,
      int fits,
      int tried) {}

  /**
   * What a model says of a heading.
   *
   * @param goodFor what the fact is good for, in the model's words, for whoever decides; or empty
   */
  public record Taught(List<ProposedWording> proposals, String goodFor) {}

  /**
   * What is asked about a heading: once for all products that have it.
   *
   * @param products some that have it; what is shown of them is public
   */
  public String prompt(String heading, List<ProductFacts> products, String voice) {
    Set<String> cells = new LinkedHashSet<>();
    Set<String> things = new LinkedHashSet<>();
    for (ProductFacts product : products) {
      of(heading, product).ifPresent(f -> cells.add(shortened(f.source().raw())));
      if (!product.kindNoun().isEmpty()) {
        things.add(product.kindNoun());
      }
    }
    StringJoiner lines = new StringJoiner("\n");
    lines.add("How would a shop say what stands under this heading of a supplier’s sheet?");
    lines.add("");
    lines.add("Heading: " + heading);
    lines.add("Products: " + (things.isEmpty() ? "unknown" : String.join(", ", things)));
    lines.add("Values: " + String.join(" | ", cells.stream().limit(MOST_VALUES).toList()));
    products.stream().limit(MOST_PRODUCTS).map(this::sheet).forEach(lines::add);
    lines.add("Voice: " + voice);
    lines.add("");
    lines.add(
        """
        Give two or three sentences that begin with "It" and have {v} once, where the value goes. \
        Each has to be true of every product with such a value, say nothing else, and read well \
        with all the values above. Don't use the heading as a noun if people wouldn't. \
        Say also in a few words what a buyer learns from it.
        Answer with a JSON object and nothing else: \
        {"wordings": ["It …{v}…"], "good_for": "…"}""");
    return lines.toString();
  }

  private String sheet(ProductFacts product) {
    StringJoiner facts = new StringJoiner("; ");
    product.facts().stream()
        .limit(MOST_FACTS)
        .forEach(f -> facts.add(f.label() + ": " + shortened(values.spec(f.value()))));
    return "One of them: " + product.name() + ". " + facts;
  }

  private static String shortened(String cell) {
    String clean = CellText.clean(cell);
    return clean.length() > LONGEST_CELL ? clean.substring(0, LONGEST_CELL) + "…" : clean;
  }

  /**
   * Reads an answer, however it is wrapped, and tries each proposal on real products.
   *
   * @param products some that have the heading, among them its different values
   */
  public Taught read(String answer, String heading, List<ProductFacts> products) {
    String text = answer.substring(0, Math.min(answer.length(), AnswerReader.LONGEST));
    Map<String, ProposedWording> proposals = new LinkedHashMap<>();
    Matcher worded = WORDED.matcher(text);
    while (worded.find() && proposals.size() < MOST_PROPOSALS) {
      String sentence = BULLET.matcher(worded.group().strip()).replaceFirst("").strip();
      proposals.computeIfAbsent(sentence, s -> tried(s, heading, products));
    }
    Matcher good = GOOD_FOR.matcher(text);
    return new Taught(
        List.copyOf(proposals.values()), good.find() ? CellText.clean(good.group(1)) : "");
  }

  private ProposedWording tried(String sentence, String heading, List<ProductFacts> products) {
    if (MARKUP.matcher(SLOT.matcher(sentence).replaceAll("")).find()) {
      return refused(sentence, "Markup stands in it.");
    }
    if (SLOT.matcher(sentence).results().count() != 1) {
      return refused(sentence, "The value has to stand in it once.");
    }
    String slotted = SLOT.matcher(sentence).replaceAll(Matcher.quoteReplacement(Learner.SLOT));
    Optional<Learner.Worded> worded =
        learner.worded(slotted).or(() -> learner.worded("It " + slotted));
    if (worded.isEmpty()) {
      return refused(
          sentence,
          "It isn’t one short statement about the product: it has to begin with “It” and a verb and say nothing besides.");
    }
    return tried(sentence, worded.get(), heading, products);
  }

  /**
   * Tries a wording on real products.
   *
   * @param sentence what it was found in
   * @param products some that have the heading
   */
  public ProposedWording tried(
      String sentence, Learner.Worded worded, String heading, List<ProductFacts> products) {
    String form = worded.form().name().toLowerCase(Locale.ROOT);
    Concept concept = knowledge.own(heading).saying(Map.of(form, List.of(worded.wording())));
    return tried(sentence, worded, heading, p -> of(heading, p), concept, products);
  }

  /**
   * Tries a wording of a kind of fact on real products.
   *
   * @param sentence what it was found in
   * @param facts the fact of a product that would be told so
   * @param concept the kind of fact with the wording
   * @param products some that have such a fact
   */
  public ProposedWording tried(
      String sentence,
      Learner.Worded worded,
      String heading,
      Function<ProductFacts, Optional<Fact>> facts,
      Concept concept,
      List<ProductFacts> products) {
    String form = worded.form().name().toLowerCase(Locale.ROOT);
    List<String> problems = new ArrayList<>(ConceptCheck.problems(concept, knowledge));
    if (Learner.turnsRound(worded.wording(), heading)) {
      problems.add("“%s” denies what the column says.".formatted(worded.wording()));
    }
    List<String> examples = new ArrayList<>();
    // What a wording makes no sentence of is left to the list, unless that is most of it.
    List<String> unreadable = new ArrayList<>();
    int fits = 0;
    int all = 0;
    Set<String> seen = new LinkedHashSet<>();
    for (ProductFacts product : products) {
      Fact fact = facts.apply(product).orElse(null);
      if (fact == null || !seen.add(fact.source().raw()) || seen.size() > MOST_TRIED) {
        continue;
      }
      all++;
      if (!problems.isEmpty() || prose.inTheWay(fact, concept).isPresent()) {
        continue;
      }
      List<String> told = ConceptCheck.examples(concept, product, knowledge);
      if (told.isEmpty() && !(fact.value() instanceof Value.YesNo)) {
        unreadable.add(why(worded, fact, product));
      }
      for (String example : told) {
        Optional<String> problem = problem(example, product);
        problem.ifPresent(problems::add);
        if (problem.isEmpty()) {
          fits++;
          examples.add(example);
        }
      }
    }
    if (problems.isEmpty() && fits == 0) {
      problems.add("None of the values can be told so: they aren’t words for a sentence.");
    }
    if (unreadable.size() > fits) {
      problems.add(unreadable.getFirst());
    }
    return new ProposedWording(
        sentence,
        form,
        worded.wording(),
        examples.stream().limit(MOST_EXAMPLES).toList(),
        problems.stream().distinct().limit(2).toList(),
        fits,
        all);
  }

  /** Why a value makes no sentence with a wording. */
  private String why(Learner.Worded worded, Fact fact, ProductFacts product) {
    String filled =
        FILLED
            .matcher(worded.wording())
            .replaceAll(Matcher.quoteReplacement(values.prose(fact.value())));
    String sentence = (worded.form() == Message.Form.VERB ? "It will " : "It has ") + filled + ".";
    return plain.faults(sentence, product).stream()
        .map(f -> "“%s”: %s".formatted(filled, f.why()))
        .findFirst()
        .orElse("“%s” makes no sentence.".formatted(filled));
  }

  private static ProposedWording refused(String sentence, String why) {
    return new ProposedWording(sentence, "", "", List.of(), List.of(why), 0, 0);
  }

  /** Why a sentence about a product can't stand, if it can't. */
  private Optional<String> problem(String sentence, ProductFacts product) {
    Optional<String> unborne =
        new Judge(product, knowledge)
            .held(sentence, Words.of(sentence)).stream()
                .filter(Assertion::isHeld)
                .map(a -> "“%s” says “%s”, which stands in no cell.".formatted(sentence, a.words()))
                .findFirst();
    return unborne.or(
        () ->
            plain.faults(sentence, product).stream()
                .map(Fault::why)
                .map(w -> "“%s”: %s".formatted(sentence, w))
                .findFirst());
  }

  /** The product's fact under a heading that nobody has words for. */
  public static Optional<Fact> of(String heading, ProductFacts product) {
    return product.facts().stream()
        .filter(f -> f.concept().isEmpty() && !f.foreign())
        .filter(f -> f.label().strip().equalsIgnoreCase(heading.strip()))
        .findFirst();
  }
}
