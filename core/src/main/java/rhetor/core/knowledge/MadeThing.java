package rhetor.core.knowledge;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/** Tells a part that is named with its stuff, such as "brass lid", from a stuff. */
public final class MadeThing {
  private static final String MATERIAL = "material";

  /** What names a stuff itself, so that words before it tell which: "beech plywood". */
  private static final List<String> STUFFS =
      List.of("material", "substance", "fabric", "wood", "metal", "paper", "fiber", "cord", "line");

  private static final Set<String> SMALL =
      Set.of("with", "of", "in", "on", "for", "from", "and", "or", "by", "to", "no", "not");

  private static final double MOSTLY = 0.5;
  private static final int LONGEST = 5;

  private MadeThing() {}

  /** Whether words are the name of a thing behind the name of a stuff. */
  public static boolean isOne(String words, Knowledge knowledge) {
    String[] all = words.strip().toLowerCase(Locale.ROOT).split(" ");
    if (all.length < 2
        || all.length > LONGEST
        || !Arrays.stream(all).allMatch(w -> w.matches("[\\p{L}-]{2,}") && !SMALL.contains(w))) {
      return false;
    }
    String thing = English.singular(all[all.length - 1]);
    Set<String> tags = English.tags(thing);
    boolean isCounted = tags.contains("NN") || tags.contains("NN:UN");
    return isCounted
        && !isStuff(thing, knowledge)
        && !knowledge.term(MATERIAL, words).isPresent()
        && isOfStuff(Arrays.copyOf(all, all.length - 1), knowledge);
  }

  private static boolean isStuff(String word, Knowledge knowledge) {
    return knowledge.term(MATERIAL, word).isPresent()
        || Lexicon.shipped().shareKindOf(word, STUFFS) > MOSTLY
        || Lexicon.shipped().isPlantFirst(word)
        || Lexicon.shipped().goods(word) == 0;
  }

  /** Whether words end in a stuff: "powder-coated steel", "wooden". */
  private static boolean isOfStuff(String[] words, Knowledge knowledge) {
    String last = words[words.length - 1];
    String two = words.length > 1 ? words[words.length - 2] + " " + last : last;
    String root = last.replaceFirst("en$", "");
    return knowledge.term(MATERIAL, last).isPresent()
        || knowledge.term(MATERIAL, two).isPresent()
        || !root.equals(last) && knowledge.term(MATERIAL, root).isPresent()
        || STUFFS.stream().anyMatch(s -> Lexicon.shipped().isKindOf(last, s));
  }
}
