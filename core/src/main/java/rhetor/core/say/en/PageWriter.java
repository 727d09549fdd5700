package rhetor.core.say.en;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.plan.Message.Form;
import rhetor.core.plan.PageFacts;
import rhetor.core.plan.Phrasebook;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Writes the texts of a page that shows several products: how many there are and whose, what they
 * have in common, how far they differ and which of them has the most.
 */
public final class PageWriter {
  private static final String PRODUCTS = "products";

  /** Larger numbers are written in figures. */
  private static final int LARGEST_WORD = 12;

  private static final Pattern WORDS = Pattern.compile("\\D+");
  private static final Set<String> ARTICLES = Set.of("a", "an");

  private static final Pattern LIMITED =
      Pattern.compile("\\b(?:up to|at most|at least|no more than|from) ");

  /** Figures that one sentence takes. */
  private static final int TOGETHER = 2;

  private final Knowledge knowledge;
  private final Phrasebook phrasebook;
  private final Pen pen;
  private final ProductFacts page;
  private final String noun;
  private final String productClass;
  private final BigDecimal count;
  private final boolean isOne;

  /** Whether one can say how many of them there are: not of boots, and not of coffee. */
  private final boolean isCounted;

  /** Whether they are "they": one kettle isn't, nor is any amount of coffee. */
  private final boolean isPlural;

  /**
   * A writer of one page.
   *
   * @param page facts of {@link PageFacts}
   */
  public PageWriter(Knowledge knowledge, Phrasebook phrasebook, Pen pen, ProductFacts page) {
    this.knowledge = knowledge;
    this.phrasebook = phrasebook;
    this.pen = pen;
    this.page = page;
    String kind = words(PageFacts.KIND);
    this.noun = kind.isEmpty() ? PRODUCTS : kind;
    this.productClass =
        knowledge.classes().stream()
            .filter(c -> c.plural().equals(kind))
            .map(ProductClass::id)
            .findFirst()
            .orElse("");
    this.count =
        own(PageFacts.PRODUCTS)
            .map(f -> f.value() instanceof Value.Quantity q ? q.amount() : BigDecimal.ONE)
            .orElse(BigDecimal.ONE);
    this.isOne = count.compareTo(BigDecimal.ONE) == 0;
    boolean areSeveral = English.isPlural(noun) || English.isPluralOnly(noun);
    this.isCounted =
        areSeveral
            && knowledge
                .productClass(productClass)
                .map(c -> !c.noun().equals(c.plural()))
                .orElse(!English.isPluralOnly(noun));
    this.isPlural = areSeveral && !(isOne && isCounted);
  }

  /** All fields that the page's facts allow; what would be too long for its field is left out. */
  public Draft write() {
    Sentence opening = opening();
    List<Sentence> rest = figures();
    Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
    put(fields, Field.TITLE, named(page.name()));
    put(fields, Field.META_TITLE, metaTitle());
    put(fields, Field.IMAGE_ALT, named(page.name()));
    put(fields, Field.TAGS, tags());
    // "Compare seven chain locks" tells nobody anything.
    if (!rest.isEmpty() || own(PageFacts.MAKERS).isPresent() || own(PageFacts.KINDS).isPresent()) {
      for (Field field :
          List.of(Field.SHORT_DESCRIPTION, Field.META_DESCRIPTION, Field.DESCRIPTION)) {
        put(fields, field, fitting(field, opening, rest));
      }
    }
    return new Draft(fields);
  }

  private static void put(Map<Field, List<Block>> fields, Field field, List<Sentence> sentences) {
    if (!sentences.isEmpty()) {
      fields.put(field, List.of(new Block(Block.Kind.PARAGRAPH, sentences)));
    }
  }

  private List<Sentence> named(String words) {
    return List.of(new Sentence(words, List.of(Support.fact("name"))));
  }

  private List<Sentence> metaTitle() {
    String words = "%s: %s to choose from".formatted(page.name(), number());
    return isOne || !pen.style().fits(Field.META_TITLE, words)
        ? named(page.name())
        : List.of(new Sentence(words, List.of(Support.fact("name"), support(PageFacts.PRODUCTS))));
  }

  private List<Sentence> tags() {
    List<Sentence> tags = new ArrayList<>(named(page.name()));
    own(PageFacts.MAKERS)
        .filter(f -> f.value() instanceof Value.Terms)
        .ifPresent(
            f ->
                ((Value.Terms) f.value())
                    .items()
                    .forEach(m -> tags.add(new Sentence(m, List.of(Support.fact(f.id()))))));
    return tags;
  }

  /** The opening and as many sentences as the field takes. */
  private List<Sentence> fitting(Field field, Sentence opening, List<Sentence> rest) {
    List<Sentence> fitting = new ArrayList<>(List.of(opening));
    int most = field == Field.DESCRIPTION ? rest.size() : 1;
    for (Sentence next : rest) {
      List<Sentence> more = new ArrayList<>(fitting);
      more.add(next);
      String text = Draft.text(List.of(new Block(Block.Kind.PARAGRAPH, more)));
      if (fitting.size() <= most && pen.style().fits(field, text)) {
        fitting = more;
      }
    }
    return fitting;
  }

  /** "Choose from 24 panniers by Tolvane and Wrenfield." */
  private Sentence opening() {
    List<Support> support = new ArrayList<>(List.of(support(PageFacts.PRODUCTS)));
    own(PageFacts.KIND).ifPresent(f -> support.add(Support.fact(f.id())));
    String by = "";
    Optional<Fact> makers = own(PageFacts.MAKERS);
    if (makers.isPresent() && makers.get().value() instanceof Value.Terms(List<String> items)) {
      by = " by " + English.list(items);
      support.add(Support.fact(makers.get().id()));
    }
    Optional<Fact> kinds = own(PageFacts.KINDS);
    if (kinds.isPresent() && kinds.get().value() instanceof Value.Terms(List<String> items)) {
      by += ": " + English.list(items);
      support.add(Support.fact(kinds.get().id()));
    }
    return sentence(best(turns(by)), support);
  }

  private List<String> turns(String by) {
    if (isOne) {
      String one = English.withArticle(English.singular(noun)) + by;
      return isCounted
          ? List.of("here is " + one, "this is the place for " + one)
          : List.of("here you find " + noun + by);
    }
    if (!isCounted) {
      // Sixteen boots are eight pairs, and nobody counts coffee.
      return List.of(
          noun + by + ": there are " + number() + " to choose from",
          "choose from " + number() + " here: " + noun + by,
          noun + by + ", " + number() + " of them to compare");
    }
    String several = number() + " " + noun + by;
    return by.contains(":")
        ? List.of("choose from " + several, "here are " + several)
        : List.of(
            "choose from " + several,
            "here are " + several,
            "there are " + several + " to choose from",
            "compare " + several);
  }

  private String number() {
    return count.scale() <= 0 && count.intValue() <= LARGEST_WORD
        ? English.number(count.intValue())
        : count.toPlainString();
  }

  /** How they differ, what is so of each, and which has the most. */
  private List<Sentence> figures() {
    List<Said> ofEach = new ArrayList<>();
    List<Said> differing = new ArrayList<>();
    List<Sentence> furthest = new ArrayList<>();
    for (Fact fact : page.facts()) {
      Optional<Concept> concept = knowledge.toldAs(fact.concept(), fact.label());
      if (concept.isEmpty()) {
        continue;
      }
      if (PageFacts.Reach.of(fact) == PageFacts.Reach.EACH) {
        said(fact).ifPresent(verb -> ofEach.add(new Said(verb, fact)));
      } else {
        differing(fact).ifPresent(verb -> differing.add(new Said(verb, fact)));
      }
      furthest(concept.get(), fact).ifPresent(furthest::add);
    }
    List<Sentence> sentences = new ArrayList<>();
    String they = isPlural ? "they" : "it";
    sentences.addAll(told(they, differing));
    String all = isPlural ? (count.intValue() > 2 ? "all of them" : "both of them") : "all of it";
    sentences.addAll(told(isOne ? they : all, ofEach));
    sentences.addAll(furthest);
    return sentences;
  }

  /** A fact as a verb phrase in its base form. */
  private record Said(String verb, Fact fact) {}

  /** Facts told two at a time. */
  private List<Sentence> told(String first, List<Said> said) {
    List<Sentence> sentences = new ArrayList<>();
    String thing = isOne && isCounted ? English.singular(noun) : noun;
    List<String> then = List.of("the " + thing, isPlural ? "they" : "it");
    for (int i = 0; i < said.size(); i += TOGETHER) {
      List<Said> together = said.subList(i, Math.min(said.size(), i + TOGETHER));
      String predicate = Framing.predicate(together.stream().map(Said::verb).toList(), isPlural);
      sentences.add(
          sentence(
              (i == 0 ? first : then.get(i / TOGETHER % 2 == 1 ? 0 : 1)) + " " + predicate,
              together.stream().map(s -> Support.fact(s.fact().id())).toList()));
    }
    return sentences;
  }

  private Optional<String> said(Fact fact) {
    List<String> verbs = verbs(fact);
    return verbs.isEmpty()
        ? Optional.empty()
        : Optional.of(pen.rotation().pick("page " + fact.concept(), verbs));
  }

  /** All ways to put a fact after "they", in the base form. */
  private List<String> verbs(Fact fact) {
    Map<Form, List<String>> phrases = phrasebook.phrases(fact, productClass, pen.voice());
    List<String> verbs = new ArrayList<>(phrases.getOrDefault(Form.VERB, List.of()));
    phrases.getOrDefault(Form.PART, List.of()).forEach(p -> verbs.add("be " + p));
    if (verbs.isEmpty()) {
      phrases.getOrDefault(Form.WITH, List.of()).forEach(p -> verbs.add("have " + p));
    }
    // "Up to 120 to 140 kg" is neither.
    verbs.removeIf(v -> fact.value() instanceof Value.Range && LIMITED.matcher(v).find());
    return verbs;
  }

  /** "Hold 5 to 22 litres"; "be made of canvas, nylon or leather", for none is made of all. */
  private Optional<String> differing(Fact fact) {
    if (!(fact.value() instanceof Value.Terms(List<String> items)) || items.size() < 2) {
      return said(fact);
    }
    List<String> offers = verbs(fact).stream().filter(Framing::isOffer).toList();
    if (!offers.isEmpty()) {
      return Optional.of(pen.rotation().pick("page " + fact.concept(), offers));
    }
    if (PageFacts.Reach.of(fact) != PageFacts.Reach.ONE_EACH) {
      return Optional.empty();
    }
    List<List<String>> each =
        items.stream().map(i -> verbs(fact.withValue(new Value.Terms(List.of(i))))).toList();
    int ways = each.stream().mapToInt(List::size).min().orElse(0);
    List<String> listed = new ArrayList<>();
    for (int way = 0; way < ways; way++) {
      int at = way;
      together(each.stream().map(v -> v.get(at)).toList()).ifPresent(listed::add);
    }
    return listed.isEmpty()
        ? Optional.empty()
        : Optional.of(pen.rotation().pick("page " + fact.concept(), listed));
  }

  /** "Shut with laces or a zip" of "shut with laces" and "shut with a zip". */
  private static Optional<String> together(List<String> phrases) {
    List<List<String>> words = phrases.stream().map(p -> List.of(p.split(" "))).toList();
    int first = shared(words);
    int after = shared(words.stream().map(w -> w.subList(first, w.size()).reversed()).toList());
    // "A roll-top or a buckle", but "a silicone, beech or steel handle".
    boolean isArticle = first > 0 && ARTICLES.contains(words.getFirst().get(first - 1));
    int before = after == 0 && isArticle ? first - 1 : first;
    if (before == 0) {
      return Optional.empty();
    }
    List<String> middles =
        words.stream()
            .map(w -> String.join(" ", w.subList(before, w.size() - after)))
            .distinct()
            .sorted(Comparator.comparingInt(PageWriter::counted))
            .toList();
    // "Rails from 8 to 11 or 16 mm" has lost which goes with which.
    boolean areWords = middles.stream().allMatch(m -> WORDS.matcher(m).matches());
    if (middles.size() < 2 || !areWords) {
      return Optional.empty();
    }
    List<String> one = words.getFirst();
    String start = String.join(" ", one.subList(0, before)) + " ";
    String end = String.join(" ", one.subList(one.size() - after, one.size()));
    return Optional.of((start + either(middles) + " " + end).strip());
  }

  /** "Two or three straps": what counts stands in its order, all else as it was. */
  private static int counted(String middle) {
    int space = middle.indexOf(' ');
    String first = space < 0 ? middle : middle.substring(0, space);
    return IntStream.rangeClosed(1, LARGEST_WORD)
        .filter(n -> English.number(n).equals(first))
        .findFirst()
        .orElse(0);
  }

  private static String either(List<String> items) {
    return String.join(", ", items.subList(0, items.size() - 1)) + " or " + items.getLast();
  }

  /** How many words all of them begin with. */
  private static int shared(List<List<String>> words) {
    int shared = 0;
    while (true) {
      int at = shared;
      boolean isShared =
          words.stream().allMatch(w -> w.size() > at && w.get(at).equals(words.getFirst().get(at)));
      if (!isShared) {
        return shared;
      }
      shared++;
    }
  }

  /** "Feather weighs 240 g, less than any other here." */
  private Optional<Sentence> furthest(Concept concept, Fact range) {
    Optional<Fact> one = own(PageFacts.furthestLabel(concept));
    if (one.isEmpty()
        || concept.compare().isEmpty()
        || !(range.value() instanceof Value.Range(BigDecimal from, BigDecimal to, String unit))
        || !(one.get().value() instanceof Value.Words(String name))) {
      return Optional.empty();
    }
    boolean isLeast = concept.compare().containsKey("less");
    Value amount = new Value.Quantity(isLeast ? from : to, unit, "");
    String word = concept.compare().values().iterator().next();
    return said(range.withValue(amount))
        .map(
            verb ->
                sentence(
                    name
                        + " "
                        + Framing.predicate(List.of(verb), false)
                        + ", "
                        + word
                        + " than any other here",
                    List.of(
                        Support.fact(one.get().id()),
                        Support.fact(range.id()),
                        Support.range(
                            "Of %s %s, %s has the %s."
                                .formatted(
                                    count.toPlainString(),
                                    noun,
                                    name,
                                    PageFacts.furthestLabel(concept).toLowerCase(Locale.ROOT))))));
  }

  private Sentence sentence(String words, List<Support> support) {
    return new Sentence(Framing.finish(words, pen.voice()), support);
  }

  /** The wording that repeats least of what stands in the house's texts. */
  private String best(List<String> turns) {
    String picked = pen.rotation().pick("page", turns);
    return turns.stream()
        .min(
            Comparator.comparingInt((String t) -> pen.faults("", t))
                .thenComparing(t -> !t.equals(picked)))
        .orElseThrow();
  }

  private Optional<Fact> own(String label) {
    String id = Fact.ownId(label);
    return page.facts().stream().filter(f -> f.id().equals(id)).findFirst();
  }

  private Support support(String label) {
    return Support.fact(Fact.ownId(label));
  }

  private String words(String label) {
    return own(label)
        .map(f -> f.value() instanceof Value.Words(String words) ? words : "")
        .orElse("");
  }
}
