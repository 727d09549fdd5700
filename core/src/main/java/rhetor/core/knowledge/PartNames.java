package rhetor.core.knowledge;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/**
 * Tells names of two words or three that name a part of a thing, such as "needle threader" and "pet
 * door", by their last word and by what the words before it are.
 */
final class PartNames {
  private static final String PERSON = "person";

  /**
   * Of these a thing has no part: "car seat" says where it fits, "dishwasher basket" where it goes.
   */
  private static final List<String> ELSEWHERE =
      List.of("vehicle", "home appliance", "furniture", "building", "room", PERSON, "computer");

  private static final String ARTIFACT = "artifact";
  private static final double OFTEN = 0.3;
  private static final double HALF = 0.5;
  private static final int LONGEST = 3;

  private static final Set<String> WHERE_TO =
      Set.of("out", "on", "off", "up", "down", "in", "over", "away", "through");

  private PartNames() {}

  /**
   * Whether words name a part.
   *
   * @param name in lower case, of one
   * @param isHead whether a noun names parts by itself, or with words before it
   * @param motions verbs that, before a word for where to, say how a part is fastened or opened
   * @param notLike words that don't say which part it is
   */
  static boolean isOne(
      String name, Predicate<String> isHead, Set<String> motions, Set<String> notLike) {
    String[] words = name.split(" ");
    if (words.length < 2 || words.length > LONGEST || !name.matches("[\\p{L} -]+")) {
      return false;
    }
    String head = words[words.length - 1];
    String two = words[words.length - 2] + " " + head;
    boolean isKnown = isHead.test(head) || words.length > 2 && isHead.test(two) || isDoing(head);
    // "Pull out tray", "clip on light".
    boolean isMoved = motions.contains(words[0]) && WHERE_TO.contains(words[1]);
    // "Hair dryer" names a thing of its own.
    boolean isElsewhere = ELSEWHERE.stream().anyMatch(e -> Lexicon.shipped().isKindOf(name, e));
    return isKnown
        && !isElsewhere
        && Arrays.stream(words, isMoved ? 2 : 0, words.length - 1)
            .allMatch(w -> !notLike.contains(w) && tellsWhich(w));
  }

  /** "Threader", "holder": what does something. */
  private static boolean isDoing(String noun) {
    return English.isDoer(noun)
        && (Lexicon.shipped().senses(noun) == 0
            || Lexicon.shipped().shareOfSenses(noun, List.of(ARTIFACT)) > OFTEN)
        && ELSEWHERE.stream()
            .filter(e -> !e.equals(PERSON))
            .noneMatch(e -> Lexicon.shipped().shareOfSenses(noun, List.of(e)) > HALF);
  }

  private static boolean tellsWhich(String word) {
    Set<String> tags = English.tags(word);
    return !tags.contains("IN")
        && !tags.contains("RP")
        && tags.stream()
            .anyMatch(
                t -> t.startsWith("NN") || t.equals("JJ") || t.equals("VBN") || t.equals("VBG"))
        && ELSEWHERE.stream()
            .allMatch(e -> Lexicon.shipped().shareOfSenses(word, List.of(e)) < OFTEN);
  }
}
