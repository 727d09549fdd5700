package rhetor.core.say.en;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/** Tells an order that reads as a sentence from one that is put as in a note. */
final class Imperative {
  private static final Pattern VERBS =
      Pattern.compile(
          "(?i)(?:(?:machine|hand|cold) )?(?:wash|wipe|dry|clean|rinse|brush|store|keep|do not|avoid|oil|wax|iron|reproof|soak|air|remove|polish|sponge|handle|protect|trim|let|allow|use|leave|hang)\\b.*");

  private static final Pattern DETERMINERS =
      Pattern.compile(
          "an?|the|its|their|your|each|every|any|all|one|no|this|\\d\\S*|two|three|four|by");

  /** What is poured and not counted. */
  private static final List<String> STUFFS = List.of("substance", "foodstuff");

  private static final double MOSTLY = 0.5;

  /** What may be no noun: "dry", "clean", "apart". */
  private static final Set<String> NO_NOUNS = Set.of("JJ", "RB", "IN");

  private Imperative() {}

  /**
   * Whether words are an order of several words in which nothing that is counted lacks its article:
   * "dust with a soft brush", and not "dust with soft brush".
   */
  static boolean isWhole(String words) {
    return words.contains(" ")
        && VERBS.matcher(words).matches()
        && !hasBareNoun(words.toLowerCase(Locale.ROOT).replaceAll("[.;,]", "").split("\\s+"));
  }

  private static boolean hasBareNoun(String[] words) {
    for (int i = 1; i < words.length; i++) {
      boolean isHead = i + 1 == words.length || !English.isNoun(words[i + 1]);
      int first = i;
      while (first > 1 && isBeforeNoun(words[first - 1])) {
        first--;
      }
      if (isHead && isCounted(words[i]) && !DETERMINERS.matcher(words[first - 1]).matches()) {
        return true;
      }
    }
    return false;
  }

  /** Whether a word names a thing that can be bought, and no stuff, whatever else it may be. */
  private static boolean isCounted(String word) {
    Set<String> tags = English.tags(word);
    return (tags.contains("NN") || tags.contains("NN:UN"))
        && !English.isPlural(word)
        && Collections.disjoint(tags, NO_NOUNS)
        && Lexicon.shipped().goods(word) >= MOSTLY
        && Lexicon.shipped().shareKindOf(word, STUFFS) < MOSTLY;
  }

  /** Whether a word may stand between an article and its noun. */
  private static boolean isBeforeNoun(String word) {
    Set<String> tags = English.tags(word);
    return !DETERMINERS.matcher(word).matches()
        && tags.stream().noneMatch(t -> t.equals("IN") || t.equals("TO"))
        && tags.stream().anyMatch(t -> t.startsWith("JJ") || t.startsWith("NN") || t.equals("VBN"));
  }
}
