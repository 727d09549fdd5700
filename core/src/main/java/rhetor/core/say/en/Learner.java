package rhetor.core.say.en;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.plan.Message;
import rhetor.core.style.Voices;

/**
 * Learns from a sentence that a person wrote how a fact can be put: "It rings in A sharp" of a bell
 * whose pitch is A sharp gives "ring in {asis}".
 */
public final class Learner {
  /** Where the value goes, as it stands. */
  public static final String SLOT = "{asis}";

  /** More words say more than the one fact. */
  private static final int MOST_WORDS = 12;

  private static final int SHORTEST_VALUE = 2;

  private static final Pattern DENIAL =
      Pattern.compile(
          "(?i)\\b(?:not|no|non|never|without|nor|neither|none|nothing|hardly|scarcely|anything but|except|free|excl(?:uding|uded)?)\\b|n[’']t\\b");

  private static final Pattern SUBJECT =
      Pattern.compile("(?i)(?:it|they|this|the [\\p{L} -]{2,30}?) ");

  /** "A bell, Chapel": what it is stands before its name. */
  private static final Pattern KIND_FIRST = Pattern.compile("An? [^,]{2,60}, (?=\\p{Lu})");

  private static final Pattern MAKER =
      Pattern.compile("by \\p{Lu}\\S*(?: (?:& )?\\p{Lu}\\S*){0,3} ");

  /** Where another verb begins, of the same thing. */
  private static final Pattern NEXT_VERB =
      Pattern.compile(",? and (?:it )?(?=(?:is|has|are|have|\\p{Ll}{2,}[^s\\P{Ll}]s) )");

  /** Tags of prepositions, articles and conjunctions. */
  private static final Set<String> JOINING = Set.of("IN", "TO", "DT", "CC");

  /** Where it begins how, by whom or for how long something is done. */
  private static final Pattern BEFORE_HOW =
      Pattern.compile(" (?=(?:by|with|for|from|in|on|at|of|to) )");

  /** What begins another statement, or says another figure. */
  private static final Pattern FIGURE = Pattern.compile("\\d+");

  private static final Pattern MORE =
      Pattern.compile("[,;:.!?]|\\b(?:and it|but|which|because|so)\\b|\\d");

  private final ValueText values;
  private final Wording said;

  public Learner(Knowledge knowledge) {
    this.values = new ValueText(knowledge);
    this.said = new Wording(knowledge);
  }

  /**
   * A wording that a sentence taught.
   *
   * @param form the place in a sentence that it fits
   * @param wording with {@code {asis}} where the value goes, or {@code {v}} for one that isn't
   *     words
   */
  public record Learned(Fact fact, Message.Form form, String wording) {}

  /**
   * What became of a sentence that somebody wrote to teach how a fact is put.
   *
   * @param why what is in the way and what to do, empty if it is understood
   */
  public record Lesson(Optional<Learned> learned, String why) {
    private static Lesson of(Learned learned) {
      return new Lesson(Optional.of(learned), "");
    }

    private static Lesson not(String why) {
      return new Lesson(Optional.empty(), why);
    }
  }

  /**
   * Reads a sentence that somebody wrote of a product to teach how one fact of it is put. Where the
   * cell says yes or no, it is one for yes.
   */
  public Lesson read(String sentence, Fact fact, ProductFacts product) {
    if (fact.value() instanceof Value.YesNo) {
      return flag(sentence, fact, product)
          .map(Lesson::of)
          .orElseGet(
              () ->
                  Lesson.not(
                      "Say in one sentence what is so where the cell says yes: “It is …”, “It has …”, without “not”."));
    }
    // Who names the fact may mean a single figure.
    Optional<Learned> learned = learn(sentence, fact, product, 1);
    if (learned.isPresent()) {
      return Lesson.of(learned.get());
    }
    Optional<String> value =
        spellings(fact).stream().filter(v -> Words.find(v, sentence) >= 0).findFirst();
    if (value.isEmpty()) {
      return Lesson.not(
          "“%s” has to stand in it, as it does in the cell."
              .formatted(fact.source().raw().strip()));
    }
    int at = Words.find(value.get(), sentence);
    String around =
        sentence.substring(0, at) + SLOT + sentence.substring(at + value.get().length());
    return Lesson.not(
        turnsRound(around, fact.label())
            ? "It says what is not so. A wording is for every product that has such a value."
            : "Begin with “It” and a verb, and say this one thing: “It has …”, “It is …”, “It runs …”.");
  }

  /** A wording without a value, for where a cell says yes: "It is fit for salt water". */
  private Optional<Learned> flag(String sentence, Fact fact, ProductFacts product) {
    String text = sentence.strip().replaceAll("[.!]$", "");
    if (turnsRound(text, fact.label())) {
      return Optional.empty();
    }
    return predicate(text, product.names(), fact.label())
        .filter(p -> !tellsAnother(p, fact, product))
        .flatMap(Learner::flagWording)
        .map(w -> new Learned(fact, w.form, w.wording.replace(" " + SLOT, "")));
  }

  private static Optional<Worded> flagWording(String predicate) {
    return predicate.contains(" ") ? wording(predicate + " " + SLOT) : Optional.empty();
  }

  /**
   * What a sentence teaches of a fact; nothing if the value doesn't stand in it, if it says more
   * than that, if its verb isn't understood, or if the fact is told so already.
   *
   * @param product whose text the sentence stands in
   */
  public Optional<Learned> learn(String sentence, Fact fact, ProductFacts product) {
    if (fact.value() instanceof Value.YesNo(boolean yes)) {
      // Which column it tells, only words of its heading say.
      boolean isOfHeading =
          Words.of(sentence).stream()
              .map(w -> English.stem(w.text()))
              .anyMatch(stems(fact.label())::contains);
      return yes && isOfHeading ? flag(sentence, fact, product) : Optional.empty();
    }
    return learn(sentence, fact, product, SHORTEST_VALUE);
  }

  private Optional<Learned> learn(
      String sentence, Fact fact, ProductFacts product, int shortestValue) {
    String text = sentence.strip().replaceAll("[.!]$", "");
    for (String value : spellings(fact)) {
      // "Soft" doesn't stand in "softest".
      int at = Words.find(value, text);
      if (value.length() < shortestValue || at < 0) {
        continue;
      }
      String around = text.substring(0, at) + SLOT + text.substring(at + value.length());
      if (turnsRound(around, fact.label())) {
        continue;
      }
      Optional<String> predicate =
          predicateAmongOthers(around, product.names(), fact.label())
              .map(p -> tellsAnother(p, fact, product) ? withSlotOnly(p) : p)
              .filter(p -> !tellsAnother(p, fact, product));
      if (predicate.isPresent()) {
        return predicate
            .flatMap(Learner::wording)
            .filter(w -> !isSaidSo(w, value, fact, product))
            .map(w -> new Learned(fact, w.form, w.wording.replace(SLOT, slot(fact))));
      }
    }
    return Optional.empty();
  }

  private boolean isSaidSo(Worded worded, String value, Fact fact, ProductFacts product) {
    String phrase = worded.wording.replace(SLOT, value);
    return said
        .phrases(fact, product.productClass(), Voices.plain())
        .getOrDefault(worded.form, List.of())
        .stream()
        .anyMatch(phrase::equalsIgnoreCase);
  }

  /** Words stand as they are; what was read as an amount, a list or a rating is printed as one. */
  private static String slot(Fact fact) {
    return fact.concept().isEmpty() || fact.value() instanceof Value.Words ? SLOT : "{v}";
  }

  /** How a text may write a value: as it was typed, as prose has it, with a point for a comma. */
  private Set<String> spellings(Fact fact) {
    String raw = fact.source().raw().strip();
    Set<String> all = new LinkedHashSet<>(List.of(raw, values.prose(fact.value())));
    ValueText.withPoint(raw).ifPresent(all::add);
    return all;
  }

  /**
   * Whether a wording denies what a heading affirms: "has no {asis} tone" is right of one product
   * that a person knows, and wrong of all others. A column headed "Free from" is told so.
   */
  public static boolean turnsRound(String wording, String heading) {
    return DENIAL.matcher(wording).find() && !DENIAL.matcher(heading).find();
  }

  /**
   * A wording, and the place in a sentence that it fits.
   *
   * @param wording with {@link #SLOT} where the value goes
   */
  public record Worded(Message.Form form, String wording) {}

  /**
   * The wording of a sentence about any product that has {@link #SLOT} for the value; nothing if it
   * says more than one thing, or if its verb isn't understood.
   */
  public Optional<Worded> worded(String sentence) {
    return predicate(sentence.strip().replaceAll("[.!]$", ""), List.of(), "")
        .flatMap(Learner::wording);
  }

  /**
   * Whether what surrounds the slot tells another fact of this product, which others haven't: "made
   * by {asis} with animal rennet".
   */
  private static boolean tellsAnother(String predicate, Fact fact, ProductFacts product) {
    Set<String> own = stems(fact.label() + " " + product.kindNoun());
    Set<String> others = new HashSet<>();
    product.facts().stream()
        .filter(f -> f != fact)
        .flatMap(f -> f.sources().stream())
        .forEach(s -> others.addAll(stems(s.raw())));
    return Words.of(predicate.replace(SLOT, " ")).stream()
        .map(Words.Word::text)
        .filter(Learner::isContent)
        .map(English::stem)
        .anyMatch(w -> others.contains(w) && !own.contains(w));
  }

  /**
   * What is done, and the slot with the small word before it, without what else is said of how:
   * "made by {asis}" of "made by {asis} with animal rennet".
   */
  private static String withSlotOnly(String predicate) {
    List<String> parts = List.of(BEFORE_HOW.split(predicate));
    return parts.stream()
        .filter(p -> p.equals(parts.getFirst()) || p.contains(SLOT))
        .collect(Collectors.joining(" "));
  }

  /** Verbs and small words are of no product. */
  private static boolean isContent(String word) {
    Set<String> tags = English.tags(word.toLowerCase(Locale.ROOT));
    return tags.isEmpty()
        // "In" may be an adjective, but hardly is.
        || Collections.disjoint(tags, JOINING)
            && tags.stream()
                .anyMatch(t -> t.startsWith("NN") || t.startsWith("JJ") || t.equals("CD"));
  }

  private static Set<String> stems(String text) {
    return Words.of(text).stream().map(w -> English.stem(w.text())).collect(Collectors.toSet());
  }

  /** What is said of the thing, without what it is called; nothing if it is more than one thing. */
  private static Optional<String> predicate(String sentence, List<String> names, String heading) {
    return named(sentence, names).map(sentence::substring).filter(p -> isOne(p, heading));
  }

  /**
   * What is said of the thing with the slot in it, of several statements: of "A steel bell, Chapel
   * by Heddle rings {asis} and weighs 60 g" it is "rings {asis}".
   */
  private static Optional<String> predicateAmongOthers(
      String sentence, List<String> names, String heading) {
    return named(sentence, names)
        .map(sentence::substring)
        .flatMap(
            rest -> Arrays.stream(NEXT_VERB.split(rest)).filter(p -> p.contains(SLOT)).findFirst())
        .filter(p -> isOne(p, heading));
  }

  /** Whether it says one thing; a figure of the heading, as in "kcal per 100 g", is no other. */
  private static boolean isOne(String predicate, String heading) {
    String rest = predicate.replace(SLOT, "");
    for (String figure : FIGURE.matcher(heading).results().map(MatchResult::group).toList()) {
      rest = rest.replaceFirst("(?<!\\d)" + figure + "(?!\\d)", "");
    }
    return predicate.split(" ").length <= MOST_WORDS && !MORE.matcher(rest).find();
  }

  /** Where a sentence has called the thing, and begins to say something of it. */
  private static Optional<Integer> named(String sentence, List<String> names) {
    Matcher kind = KIND_FIRST.matcher(sentence);
    int start = kind.lookingAt() ? kind.end() : 0;
    int end = 0;
    for (String name : names) {
      if (sentence.regionMatches(true, start, name + " ", 0, name.length() + 1)) {
        end = start + name.length() + 1;
      }
    }
    if (end > 0) {
      Matcher maker = MAKER.matcher(sentence).region(end, sentence.length());
      return Optional.of(maker.lookingAt() ? maker.end() : end);
    }
    Matcher subject = SUBJECT.matcher(sentence);
    return subject.lookingAt() ? Optional.of(subject.end()) : Optional.empty();
  }

  private static Optional<Worded> wording(String predicate) {
    String verb = English.firstWord(predicate);
    String rest = predicate.substring(verb.length()).strip();
    if (!rest.contains(SLOT)) {
      return Optional.empty();
    }
    return switch (verb.toLowerCase(Locale.ROOT)) {
      case "is", "are" -> Optional.of(new Worded(Message.Form.PART, rest));
      case "has", "have" -> Optional.of(new Worded(Message.Form.WITH, rest));
      default -> base(verb).map(b -> new Worded(Message.Form.VERB, b + " " + rest));
    };
  }

  /** The base form of a verb in the third person, or of one that is in it already. */
  private static Optional<String> base(String verb) {
    String lower = verb.toLowerCase(Locale.ROOT);
    for (String candidate :
        List.of(
            lower.replaceFirst("ies$", "y"),
            lower.replaceFirst("es$", ""),
            lower.replaceFirst("s$", ""),
            lower)) {
      if (English.tags(candidate).contains("VB")
          && (candidate.equals(lower) || English.thirdPerson(candidate).equals(lower))) {
        return Optional.of(candidate);
      }
    }
    return Optional.empty();
  }
}
