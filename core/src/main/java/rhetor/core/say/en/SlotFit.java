package rhetor.core.say.en;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.MadeThing;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/**
 * Whether words have the part of speech that a wording's slot wants: a thing or stuff after "made
 * of", what describes before a noun or after "is".
 */
public final class SlotFit {
  private static final Pattern PREPOSITION =
      Pattern.compile(
          "for|with|of|in|on|to|from|at|by|without|into|like|through|between|against|around|under");

  private static final Set<String> BE = Set.of("is", "are", "be");

  private static final Pattern DETERMINED =
      Pattern.compile(
          "(?i)(?:an?|the|two|three|four|five|six|all|each|every|some|one|its|\\d\\S*)\\s.+");

  /** "All" of what? "10 things" are as many riddles. */
  private static final Pattern ALONE =
      Pattern.compile(
          "(?i)all|both|any|some|each|every|others?|various|several|(?:\\d+ )?(?:things?|items?)");

  /** "Foam 10 cm": a size behind a thing, as lists have it. */
  private static final Pattern MEASURED =
      Pattern.compile("\\p{L}.* \\d[\\d.,x×–-]*(?: ?\\p{L}{1,3})?");

  /** What nouns name of which one says "of oak" and "in moss", without an article. */
  private static final List<String> STUFFS =
      List.of(
          "material", "substance", "fabric", "food", "wood", "color", "metal", "sport", "activity");

  /** "Sweet" is a taste itself: nothing tastes of it. */
  private static final String TASTE = "taste";

  private static final int LONGEST_BEFORE = 3;
  private static final int MOST_QUALITIES = 3;
  private static final int SHORTEST_DENIAL = 5;

  private final Knowledge knowledge;

  public SlotFit(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /**
   * Whether a value's words fit.
   *
   * @param before what the wording says before the slot
   * @param following the word after it, or empty
   */
  public boolean fits(Value value, Concept concept, String before, String following) {
    List<String> items =
        switch (value) {
          case Value.Words(String text) -> List.of(text);
          case Value.Terms(List<String> all) -> all;
          default -> List.of();
        };
    if (items.isEmpty()) {
      return true;
    }
    String last = English.lastWord(before.strip()).toLowerCase(Locale.ROOT);
    boolean isBeforeNoun =
        !following.isEmpty()
            && !PREPOSITION.matcher(following).matches()
            && English.isNoun(following);
    List<String> clean = items.stream().map(i -> i.replaceFirst("[.]$", "").strip()).toList();
    boolean isOfOneKind = isOfOneKind(clean, concept);
    return clean.stream()
        .allMatch(
            i ->
                !echoesLabel(i, concept, following)
                    && fits(i, concept, last, isBeforeNoun, isOfOneKind));
  }

  /**
   * Whether a list says by most of its items what kind the others are: "tobacco" between "plum" and
   * "pear" is a taste, "brick" between "white" and "chalk" a colour.
   */
  private boolean isOfOneKind(List<String> items, Concept concept) {
    boolean isCoined = knowledge.isCoined(concept.terms());
    if (items.size() < 2 || !isCoined && !concept.anyOrder()) {
      return false;
    }
    long ofItsKind =
        items.stream()
            .filter(i -> isTerm(i, concept) || hasTerm(i, concept) || isHyponym(i, concept))
            .count();
    return isCoined ? ofItsKind > 0 : 2 * ofItsKind >= items.size();
  }

  private static boolean isHyponym(String item, Concept concept) {
    String noun = English.singular(English.lastWord(head(item)).toLowerCase(Locale.ROOT));
    return concept.hypernyms().stream().anyMatch(h -> Lexicon.shipped().isKindOf(noun, h));
  }

  private boolean fits(
      String item, Concept concept, String last, boolean isBeforeNoun, boolean isOfOneKind) {
    if (concept.terms().equals("material") && MadeThing.isOne(item, knowledge)) {
      // "Made of glass bottle" is no English.
      return false;
    }
    if (isTerm(item, concept)) {
      return isOfOneKind || !isOnlySaid(item, concept);
    }
    if (isBeforeNoun) {
      // "Plinth legs" are made of no plinth.
      return describes(item) && (isOfItsKind(item, concept) || isLike(item));
    }
    if (BE.contains(last)) {
      return isPredicate(item);
    }
    return last.isEmpty()
        ? describes(item) || isPredicate(item)
        : (knowledge.isCoined(concept.terms()) || isObject(item))
            && (isOfOneKind && isNamed(item, concept) || isOfItsKind(item, concept));
  }

  /** Whether words name a stuff, several things or a coined colour, whatever else they may be. */
  private boolean isNamed(String item, Concept concept) {
    String noun = English.lastWord(head(item)).toLowerCase(Locale.ROOT);
    return knowledge.isCoined(concept.terms())
        ? English.tags(noun).stream().anyMatch(t -> t.startsWith("NN"))
        : English.tags(noun).contains("NN:U") || English.isPlural(noun);
  }

  /** "Unlined" of a lining: there is none; and "a lined lining" says the same twice. */
  private static boolean echoesLabel(String item, Concept concept, String following) {
    String label = English.lastWord(concept.label()).toLowerCase(Locale.ROOT);
    boolean isSaidBehind = following.equals(label) && !label.equals(root(label));
    return Arrays.stream(item.toLowerCase(Locale.ROOT).split("[ -]"))
        .anyMatch(
            w ->
                w.length() > SHORTEST_DENIAL
                        && w.startsWith("un")
                        && root(w.substring(2)).equals(root(label))
                    || isSaidBehind && !w.equals(root(w)) && root(w).endsWith(root(label)));
  }

  private static String root(String word) {
    return word.replaceFirst("(?:ed|ing)$", "");
  }

  private boolean isTerm(String item, Concept concept) {
    return !concept.terms().isEmpty() && knowledge.term(concept.terms(), item).isPresent();
  }

  /** Whether words name what a concept's values are kinds of, where it says so. */
  private boolean isOfItsKind(String item, Concept concept) {
    String noun = English.lastWord(head(item)).toLowerCase(Locale.ROOT);
    if (knowledge.isCoined(concept.terms())) {
      return !isOnlySaid(item, concept);
    }
    return concept.hypernyms().isEmpty()
        || hasTerm(item, concept)
        || English.tags(noun).contains("VBG")
        || isHyponym(item, concept);
  }

  /** "In clear" is no English, "in moss" is, and natural is said as "a natural colour". */
  private boolean isOnlySaid(String item, Concept concept) {
    return knowledge.isCoined(concept.terms())
        && !item.equals("natural")
        && !isHyponym(item, concept)
        && (item.contains(" ") ? isThingOfColour(item, concept) : isDescribing(item));
  }

  /** Whether words say what something is like, and name nothing: "slim", "hand-turned". */
  private static boolean isLike(String item) {
    Set<String> tags = English.tags(English.lastWord(head(item)).toLowerCase(Locale.ROOT));
    return tags.isEmpty() || tags.stream().anyMatch(t -> t.startsWith("JJ") || t.equals("VBN"));
  }

  /**
   * "Fresh, minty": up to three words that each say what something is like, and name nothing; null
   * for other values.
   */
  static String qualities(Value value) {
    List<String> items =
        switch (value) {
          case Value.Terms(List<String> all) -> all;
          case Value.Words(String text) -> List.of(text.split(", "));
          default -> List.of();
        };
    boolean areAll =
        !items.isEmpty()
            && items.size() <= MOST_QUALITIES
            && items.stream().allMatch(SlotFit::isQuality);
    return areAll ? String.join(", ", items).toLowerCase(Locale.ROOT) : null;
  }

  /** "Mild", "bitter-sweet", "creamy". */
  private static boolean isQuality(String word) {
    return Arrays.stream(word.toLowerCase(Locale.ROOT).split("-"))
        .allMatch(w -> English.tags(w).contains("JJ") && Lexicon.shipped().isAdjective(w));
  }

  /** "Clear", "lime-washed". */
  private static boolean isDescribing(String word) {
    Set<String> tags = English.tags(word.toLowerCase(Locale.ROOT));
    Set<String> last = English.tags(English.lastWord(word).toLowerCase(Locale.ROOT));
    boolean isDone = last.contains("VBN") && last.stream().noneMatch(t -> t.startsWith("NN"));
    return tags.contains("JJ") || isDone;
  }

  /** "Red lid": a thing that has a colour, and no colour. */
  private boolean isThingOfColour(String item, Concept concept) {
    String head = head(item);
    return isTerm(English.firstWord(item), concept)
        && Lexicon.shipped()
                .goods(English.singular(English.lastWord(head).toLowerCase(Locale.ROOT)))
            > 0;
  }

  /** Whether a word says nothing by itself: "all" of what? */
  static boolean isAlone(String word) {
    return ALONE.matcher(word).matches();
  }

  private boolean hasTerm(String item, Concept concept) {
    String last = English.lastWord(head(item)).toLowerCase(Locale.ROOT);
    return !concept.terms().isEmpty()
        && (knowledge.term(concept.terms(), head(item)).isPresent()
            || knowledge.term(concept.terms(), last).isPresent());
  }

  /** Whether words can stand after a preposition or a verb: stuff, things, a name, or doing. */
  private static boolean isObject(String item) {
    if (item.isEmpty() || ALONE.matcher(item).matches() || MEASURED.matcher(item).matches()) {
      return false;
    }
    if (PREPOSITION.matcher(English.firstWord(item).toLowerCase(Locale.ROOT)).matches()) {
      // "For from 4 months" is no English.
      return false;
    }
    if (DETERMINED.matcher(item).matches()) {
      return English.isNoun(head(item));
    }
    if (item.split(" ").length > 1 && isName(item)) {
      return true;
    }
    String head = head(item);
    String noun = English.lastWord(head).toLowerCase(Locale.ROOT);
    Set<String> tags = English.tags(noun);
    if (English.isPlural(head) || tags.contains("NNS")) {
      return true;
    }
    boolean isStuff = STUFFS.stream().anyMatch(s -> Lexicon.shipped().isKindOf(noun, s));
    boolean isSaidOfThings =
        tags.contains("JJ")
            && (Lexicon.shipped().senses(noun) == 0
                || isOnlyLike(head)
                || Lexicon.shipped().isKindOf(noun, TASTE));
    return tags.contains("VBG")
        || !isSaidOfThings && (English.isMass(noun) || isStuff)
        || tags.isEmpty() && isName(item);
  }

  /** "Bitter-sweet": words that describe, joined. */
  private static boolean isOnlyLike(String head) {
    String[] parts = head.substring(head.lastIndexOf(' ') + 1).split("-");
    return parts.length > 1
        && Arrays.stream(parts)
            .allMatch(p -> English.tags(p.toLowerCase(Locale.ROOT)).contains("JJ"));
  }

  /** Whether words can stand before a noun. */
  private static boolean describes(String item) {
    String[] words = item.split(" ");
    if (words.length > LONGEST_BEFORE || head(item).length() < item.length()) {
      return false;
    }
    Set<String> tags = English.tags(words[words.length - 1].toLowerCase(Locale.ROOT));
    boolean isPluralOnly = tags.contains("NNS") && tags.size() == 1;
    return !isPluralOnly;
  }

  /** Whether words can stand after "is": they describe, or say where or for what it is. */
  private static boolean isPredicate(String item) {
    String first = English.firstWord(item).toLowerCase(Locale.ROOT);
    String last = English.lastWord(head(item)).toLowerCase(Locale.ROOT);
    Set<String> tags = English.tags(first);
    if (isAlone(item)) {
      return false;
    }
    return PREPOSITION.matcher(first).matches()
        || tags.contains("VBN")
        || English.isAdjective(last)
        || English.tags(last).contains("JJ")
        || isObject(item);
  }

  private static boolean isName(String item) {
    return List.of(item.split(" ")).stream().allMatch(w -> Character.isUpperCase(w.charAt(0)));
  }

  private static String head(String item) {
    return ItemPhrase.HEAD.matcher(item).replaceFirst("");
  }
}
