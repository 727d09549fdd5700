package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.ClaimCheck;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.plan.Message;
import rhetor.core.reading.Measure;
import rhetor.core.say.en.Framing;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Voices;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;

/** Finds what keeps a kind of fact from being read from sheets and put into words. */
public final class ConceptCheck {
  private static final Pattern ID = Pattern.compile("[a-z][a-z0-9]*(?:_[a-z0-9]+)*");
  private static final Pattern SLOT = Pattern.compile("\\{([a-z]*)(?::[a-z ]+)?}");

  /** Slots that each say the whole value. */
  private static final Set<String> VALUES = Set.of("v", "asis", "a", "np", "anv");

  /** A word with a capital in the midst: "like the Dipper". */
  private static final Pattern NAME = Pattern.compile("(?<=[\\p{Ll},] )\\p{Lu}\\p{Ll}{2,}");

  private static final Pattern STRAY = Pattern.compile("[{}<>\\[\\]|\\\\]");
  private static final int LONGEST = 120;
  private static final int MOST_WORDINGS = 20;

  /** What stands in for a value when a wording is looked through for what it promises. */
  private static final String VALUE = "this";

  /** A product of which nothing is known: what is said of it rests on nothing. */
  private static final ProductFacts NOTHING =
      new ProductFacts("-", "", "", "", List.of(), List.of(), "", "", List.of());

  private ConceptCheck() {}

  /**
   * What is wrong with it, each with what to do; nothing if it can stand.
   *
   * @param knowledge what ships; a concept of the same id there is the one that is changed
   */
  public static List<String> problems(Concept concept, Knowledge knowledge) {
    List<String> problems = new ArrayList<>();
    Optional<Concept> shipped = knowledge.concept(concept.id());
    if (!ID.matcher(concept.id()).matches() || concept.id().length() > 60) {
      problems.add(
          "The short name may have small letters, digits and underscores, such as burn_time.");
    }
    if (concept.label().isBlank() || concept.label().length() > 60) {
      problems.add("Say what the specification list calls it, in at most 60 characters.");
    }
    if (concept.weight() < 0 || concept.weight() > 100) {
      problems.add("How much it matters is a number from 0 to 100.");
    }
    if (!concept.unit().isEmpty() && knowledge.unit(concept.unit()).isEmpty()) {
      problems.add("There is no unit called \"" + concept.unit() + "\".");
    }
    names(concept, shipped, knowledge, problems);
    concept
        .say()
        .forEach((form, wordings) -> wordings(form, wordings, concept, knowledge, problems));
    Stream.concat(concept.sayOf().stream(), concept.taught().stream())
        .forEach(
            of -> {
              classes(of.classes(), knowledge, problems);
              of.say()
                  .forEach(
                      (form, wordings) -> wordings(form, wordings, concept, knowledge, problems));
            });
    classes(concept.notOf(), knowledge, problems);
    return problems;
  }

  private static void classes(List<String> ids, Knowledge knowledge, List<String> problems) {
    ids.stream()
        .filter(id -> knowledge.productClass(id).isEmpty())
        .forEach(id -> problems.add("There is no kind of product called \"" + id + "\"."));
  }

  private static void names(
      Concept concept, Optional<Concept> shipped, Knowledge knowledge, List<String> problems) {
    List<String> names = concept.names().getOrDefault("en", List.of());
    if (names.isEmpty()) {
      problems.add("Say what sheets call it: a heading a line, such as \"burn time\".");
    }
    Set<String> before =
        new HashSet<>(shipped.map(c -> c.names().getOrDefault("en", List.of())).orElse(List.of()));
    if (shipped.isEmpty() && concept.id().startsWith(Knowledge.OWN)) {
      // A heading that another kind of thing has, too: it is told so where it stands for itself.
      return;
    }
    for (String name : names) {
      String lower = name.toLowerCase(Locale.ROOT);
      knowledge.concepts().stream()
          .filter(c -> !c.id().equals(concept.id()) && !before.contains(lower))
          .filter(c -> c.names().getOrDefault("en", List.of()).contains(lower))
          .findFirst()
          .ifPresent(
              c ->
                  problems.add(
                      "A column headed \"%s\" is read as %s already. Choose another heading."
                          .formatted(name, c.label())));
    }
  }

  private static void wordings(
      String form,
      List<String> wordings,
      Concept concept,
      Knowledge knowledge,
      List<String> problems) {
    boolean known =
        Arrays.stream(Message.Form.values())
            .anyMatch(f -> f.name().toLowerCase(Locale.ROOT).equals(form));
    if (!known) {
      problems.add("There is no place in a sentence called \"" + form + "\".");
      return;
    }
    if (wordings.size() > MOST_WORDINGS) {
      problems.add("More than " + MOST_WORDINGS + " wordings for one place are too many.");
    }
    List<String> delivered =
        knowledge.concept(concept.id()).map(Concept::wordings).orElse(Stream.empty()).toList();
    for (String wording : wordings) {
      if (!delivered.contains(wording)) {
        wording(form, wording, concept, knowledge, problems);
      }
    }
  }

  private static void wording(
      String form, String wording, Concept concept, Knowledge knowledge, List<String> problems) {
    if (wording.isBlank() || wording.length() > LONGEST) {
      problems.add("A wording has 1 to " + LONGEST + " characters: \"" + wording + "\".");
      return;
    }
    Matcher slot = SLOT.matcher(wording);
    while (slot.find()) {
      if (!Wording.SLOTS.contains(slot.group(1))) {
        problems.add(
            "\"%s\": there is nothing called %s to put in. {v} is the value."
                .formatted(wording, slot.group()));
      }
    }
    String plain = slot.replaceAll(VALUE);
    if (STRAY.matcher(plain).find()) {
      problems.add("\"" + wording + "\": a bracket is left over, or markup stands in it.");
    }
    boolean mayBeOfYes =
        concept.kind() == Concept.Kind.FLAG || concept.id().startsWith(Knowledge.OWN);
    if (plain.equals(wording) && !mayBeOfYes) {
      problems.add("\"" + wording + "\" doesn't say the value: put {v} where it goes.");
    }
    if (slot.reset().results().map(r -> r.group(1)).filter(VALUES::contains).count() > 1) {
      problems.add("\"" + wording + "\" says the value twice: put it in once.");
    }
    Matcher name = NAME.matcher(plain);
    while (name.find()) {
      boolean isOfHeading = concept.label().contains(name.group());
      if (!isOfHeading) {
        problems.add(
            "\"%s\" is a name, and the wording is for every product with this fact. Leave it out."
                .formatted(name.group()));
      }
    }
    String first = wording.split(" ", 2)[0];
    if (form.equals("verb") && !English.tags(first).contains("VB")) {
      problems.add(
          "\"%s\": begin with the verb as a dictionary has it, such as weigh, hold or come."
              .formatted(wording));
    }
    for (String word : ClaimCheck.unprovable(wording)) {
      problems.add("\"" + word + "\" is more than any fact of a product can bear out.");
    }
    promises(plain, concept, knowledge, problems);
  }

  /** "Durable {v}" would say of everything with a value what only some of it is. */
  private static void promises(
      String plain, Concept concept, Knowledge knowledge, List<String> problems) {
    Set<String> own = new HashSet<>();
    Words.of(concept.label()).forEach(w -> own.add(English.stem(w.text())));
    concept
        .names()
        .getOrDefault("en", List.of())
        .forEach(n -> Words.of(n).forEach(w -> own.add(English.stem(w.text()))));
    // What is given in bar is a pressure, whatever it is called.
    Measure.unit(concept.label(), knowledge)
        .ifPresent(u -> Words.of(u.dimension()).forEach(w -> own.add(English.stem(w.text()))));
    for (Assertion a : new Judge(NOTHING, knowledge).held(plain, Words.of(plain))) {
      boolean named =
          Words.of(a.words().replace('-', ' ')).stream()
              .allMatch(w -> own.contains(English.stem(w.text())));
      if (!named) {
        problems.add(
            "\"%s\" would be said of every product that has this fact. Make it a claim instead, with the values that license it."
                .formatted(a.words()));
      }
    }
  }

  /**
   * How a fact of the concept reads in a sentence about its product, one for each way to say it.
   */
  public static List<String> examples(Concept concept, ProductFacts product, Knowledge knowledge) {
    Knowledge changed = knowledge.with(knowledge.claims(), List.of(concept), knowledge.classes());
    Subject subject = Subject.of(product);
    Wording wording = new Wording(changed);
    List<String> examples = new ArrayList<>();
    fact(concept, product)
        .map(f -> wording.phrases(f, product.productClass(), Voices.plain()))
        .orElse(Map.of())
        .forEach((form, phrases) -> phrases.forEach(p -> examples.add(sentence(form, p, subject))));
    return examples.stream().distinct().toList();
  }

  /** The product's fact of the concept, or a column that the concept's names would make one. */
  public static Optional<Fact> fact(Concept concept, ProductFacts product) {
    List<String> names = concept.names().getOrDefault("en", List.of());
    return product
        .fact(concept.id())
        .or(
            () ->
                product.facts().stream()
                    .filter(
                        f ->
                            f.concept().isEmpty()
                                && names.contains(f.label().toLowerCase(Locale.ROOT)))
                    .map(
                        f ->
                            new Fact(
                                f.id(),
                                concept.id(),
                                concept.label(),
                                f.value(),
                                f.sources(),
                                f.foreign()))
                    .findFirst());
  }

  private static String sentence(Message.Form form, String phrase, Subject subject) {
    String noun = subject.kind().isEmpty() ? "product" : subject.kind();
    String who = subject.noun().isEmpty() ? subject.shortReference() : "the " + subject.noun();
    String thing = subject.plural() ? noun : English.withArticle(noun);
    String is = subject.plural() ? " are " : " is ";
    String words =
        switch (form) {
          case ADJ ->
              subject.plural() ? phrase + " " + noun : English.withArticle(phrase + " " + noun);
          case PP -> thing + " " + phrase;
          case PART -> who + is + phrase;
          case WITH ->
              who + (subject.plural() ? " have " : " has ") + Framing.things(List.of(phrase));
          case VERB -> who + " " + Framing.predicate(List.of(phrase), subject.plural());
          case CLAUSE -> phrase;
          case FRONT -> phrase + ", it …";
        };
    return form == Message.Form.FRONT
        ? English.capitalise(words)
        : Framing.finish(words, Voices.plain());
  }
}
