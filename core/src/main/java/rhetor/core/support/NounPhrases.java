package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.language.English;
import rhetor.core.language.Words.Word;

/**
 * The noun phrases of a sentence, by dictionary tags, and what they do in it: those behind an
 * article or the like, and the one that it begins with.
 */
final class NounPhrases {
  /** What a phrase does in its sentence. */
  enum Role {
    /** A clause begins with it, and a verb comes behind: "a hand brake slows it". */
    ACTS,
    /** The thing has it, or comes with it. */
    IS_HAD,
    OTHER
  }

  /** What stands before a phrase and says something of it. */
  enum Begin {
    ONE,
    /** Nothing, at the head of a sentence: "galvanised wire keeps". */
    NOTHING,
    ITS,
    THE
  }

  /**
   * A noun phrase.
   *
   * @param words without the article; the last one is the thing
   */
  record Phrase(Begin begin, List<Word> words, Role role) {
    Word head() {
      return words.getLast();
    }
  }

  private static final Map<String, Begin> BEGINNINGS = beginnings();

  private static final Set<String> OF_ONE = Set.of("a", "an", "one");

  private static final Set<String> HAVING = Set.of("has", "have", "features", "boasts", "includes");

  private static final Set<String> LINKS = Set.of("with", "is", "are");

  private static final Set<String> BEFORE_LINKS =
      Set.of("with", "fitted", "equipped", "comes", "come", "there");

  private static final Set<String> NOUNS = Set.of("NN", "NNS", "NN:U", "NN:UN");

  private static final Set<String> VERBS = Set.of("VBZ", "VBP", "VBD", "VB", "MD");

  private static final Set<String> JOINING = Set.of("IN", "MD", "CC");

  private static final Set<String> OBJECTS = Set.of("it", "them", "you", "your");

  private static final Set<String> BEING =
      Set.of("is", "are", "was", "were", "can", "may", "will", "have", "has");

  private static final int MOST_WORDS = 8;

  private NounPhrases() {}

  private static Map<String, Begin> beginnings() {
    Map<String, Begin> all = new HashMap<>();
    List.of("a", "an", "one", "two", "three", "four").forEach(w -> all.put(w, Begin.ONE));
    List.of("its", "their").forEach(w -> all.put(w, Begin.ITS));
    List.of("the", "this", "these").forEach(w -> all.put(w, Begin.THE));
    return all;
  }

  /** All of them, in their order. */
  static List<Phrase> of(String sentence, List<Word> all) {
    List<Phrase> phrases = new ArrayList<>();
    bare(sentence, all).ifPresent(phrases::add);
    for (int i = 0; i + 1 < all.size(); i++) {
      Begin begin = BEGINNINGS.get(all.get(i).text());
      int end = begin == null ? 0 : end(sentence, all, i);
      if (end > i + 1) {
        phrases.add(new Phrase(begin, all.subList(i + 1, end), role(sentence, all, i, end)));
      }
    }
    return phrases;
  }

  /** What a sentence begins with, if nothing tells which and how many, and it does something. */
  private static Optional<Phrase> bare(String sentence, List<Word> all) {
    for (int i = 1; i < Math.min(all.size(), MOST_WORDS); i++) {
      if (!Clauses.areJoined(sentence, all.get(i - 1), all.get(i))) {
        return Optional.empty();
      }
      String before = all.get(i - 1).text();
      if (!isNoun(before) && !isModifier(before)) {
        return Optional.empty();
      }
      // "Spare parts are there" has several things, and "bike lights" are.
      boolean isDoing =
          has(all.get(i), "VBZ") && i + 1 < all.size() && isObject(sentence, all, i + 1);
      if (isNoun(before) && isDoing) {
        return Optional.of(new Phrase(Begin.NOTHING, all.subList(0, i), Role.ACTS));
      }
    }
    return Optional.empty();
  }

  private static boolean isObject(String sentence, List<Word> all, int at) {
    String word = all.get(at).text();
    return Clauses.areJoined(sentence, all.get(at - 1), all.get(at))
        && (BEGINNINGS.containsKey(word)
            || OBJECTS.contains(word)
            || has(all.get(at), "NNS") && !BEING.contains(word));
  }

  private static boolean has(Word word, String tag) {
    return English.tags(word.text()).contains(tag);
  }

  private static boolean isNoun(String word) {
    Set<String> tags = English.tags(word);
    return tags.stream().anyMatch(NOUNS::contains)
        && tags.stream().noneMatch(JOINING::contains)
        && !BEGINNINGS.containsKey(word);
  }

  private static boolean isModifier(String word) {
    Set<String> tags = English.tags(word);
    return (tags.contains("JJ") || tags.contains("VBN") || word.endsWith("ing"))
        && !BEGINNINGS.containsKey(word);
  }

  /** Behind the last word of the phrase that a word begins. */
  private static int end(String sentence, List<Word> all, int from) {
    boolean isOne = OF_ONE.contains(all.get(from).text());
    int end = from + 1;
    for (int i = from + 1; i < Math.min(all.size(), from + 1 + MOST_WORDS); i++) {
      String word = all.get(i).text();
      boolean isOfIt = Clauses.areJoined(sentence, all.get(i - 1), all.get(i));
      isOfIt &= isNoun(word) || isModifier(word);
      // "A battery drives": one is no several, so that is what it does.
      boolean isDoing = isOne && i > from + 1 && word.endsWith("s") && has(all.get(i), "VBZ");
      if (!isOfIt || isDoing || isVerbHere(sentence, all, i, from)) {
        break;
      }
      if (isNoun(word)) {
        end = i + 1;
      }
    }
    return end;
  }

  /** "Its lid opens the way", "its poles stand": a verb that may be a noun. */
  private static boolean isVerbHere(String sentence, List<Word> all, int at, int from) {
    if (at < from + 2 || at + 1 >= all.size()) {
      return false;
    }
    Set<String> tags = English.tags(all.get(at).text());
    if (has(all.get(at - 1), "NNS") && (tags.contains("VBP") || tags.contains("VB"))) {
      // Of several things the last one stands alone.
      return true;
    }
    String next = all.get(at + 1).text();
    return tags.stream().anyMatch(VERBS::contains)
        && (BEGINNINGS.containsKey(next) || OBJECTS.contains(next))
        && Clauses.areJoined(sentence, all.get(at), all.get(at + 1));
  }

  private static Role role(String sentence, List<Word> all, int from, int end) {
    int start = Clauses.start(sentence, all.get(from).start());
    boolean isFirst = sentence.substring(start, all.get(from).start()).isBlank();
    boolean isBeforeVerb =
        end < all.size()
            && Clauses.areJoined(sentence, all.get(end - 1), all.get(end))
            && English.tags(all.get(end).text()).stream().anyMatch(VERBS::contains);
    if (isFirst && isBeforeVerb) {
      return Role.ACTS;
    }
    if (from == 0 || !Clauses.areJoined(sentence, all.get(from - 1), all.get(from))) {
      return Role.OTHER;
    }
    String before = all.get(from - 1).text();
    boolean isLinked =
        LINKS.contains(before) && from > 1 && BEFORE_LINKS.contains(all.get(from - 2).text());
    return HAVING.contains(before) || isLinked ? Role.IS_HAD : Role.OTHER;
  }
}
