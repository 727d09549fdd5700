package rhetor.core.knowledge;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.language.English;

/**
 * The concepts of what things are or aren't: "foldable", "non-slip", "nickel-free". Their names say
 * all of it, and a sheet answers yes or no.
 */
final class Qualities {
  private static final String START = "quality_";
  private static final int WEIGHT = 40;
  private static final int LONGEST = 3;

  /** As long as these are the syllables that stand before any word; "hand" and "self" don't. */
  private static final String NON = "non";

  /**
   * What a data file knows of qualities.
   *
   * @param endings of words that say what a thing is like: "able"
   * @param behind words that do so behind another: "free" of "nickel free"
   * @param before words that do so before another: "non"
   * @param words that do so by themselves
   * @param not what looks like one and is about the trade: "available", "tax free"
   */
  record Known(
      List<String> endings,
      Set<String> behind,
      Set<String> before,
      Set<String> words,
      Set<String> not) {}

  private final Known known;

  Qualities(Known known) {
    this.known = known;
  }

  /**
   * The quality that a heading names.
   *
   * @param heading in lower case
   */
  Optional<Concept> named(String heading) {
    String words = heading.strip().replace('_', ' ');
    return isOne(words) ? concept(START + words.replaceAll("[ -]+", "_")) : Optional.empty();
  }

  /** The concept of an id, if it is one of a quality. */
  Optional<Concept> concept(String id) {
    if (!id.startsWith(START)) {
      return Optional.empty();
    }
    // Anybody may ask for anything, so none is kept.
    String words = id.substring(START.length()).replace('_', ' ');
    return isOne(words) ? Optional.of(of(id, words.replace(' ', '-'))) : Optional.empty();
  }

  private boolean isOne(String words) {
    String[] all = words.toLowerCase(Locale.ROOT).split("[ -]+");
    if (all.length > LONGEST || known.not.contains(words) || known.not.contains(all[0])) {
      return false;
    }
    String last = all[all.length - 1];
    if (all.length == 1) {
      return known.words.contains(last) || isDescribing(last) && hasEnding(last);
    }
    return known.behind.contains(last) && isNamed(all)
        || all.length == 2 && known.before.contains(all[0]) && isSaidBehind(all[0], last)
        || known.words.contains(String.join(" ", all));
  }

  /** "Made" of "hand made", "slip" of "non-slip". */
  private static boolean isSaidBehind(String before, String word) {
    Set<String> tags = English.tags(word);
    return before.length() <= NON.length()
        ? English.isNoun(word) || tags.contains("VB") || tags.contains("JJ")
        : tags.contains("JJ") || tags.contains("VBN");
  }

  private boolean hasEnding(String word) {
    return !known.not.contains(word)
        && known.endings.stream().anyMatch(e -> word.length() > e.length() + 2 && word.endsWith(e));
  }

  private static boolean isDescribing(String word) {
    Set<String> tags = English.tags(word);
    return tags.isEmpty() || tags.contains("JJ");
  }

  /** "Nickel", "bpa" of what is free of it. */
  private static boolean isNamed(String[] all) {
    for (int i = 0; i < all.length - 1; i++) {
      boolean isInitials = English.isInitials(all[i].toUpperCase(Locale.ROOT));
      if (!isInitials && !English.isNoun(all[i])) {
        return false;
      }
    }
    return true;
  }

  private static Concept of(String id, String quality) {
    int first = quality.indexOf('-');
    // "BPA-free".
    String said =
        first < 0
            ? quality
            : English.withInitials(quality.substring(0, first)) + quality.substring(first);
    return new Concept(
        id,
        English.capitalise(said),
        "what it is like",
        Map.of("en", List.of(said.toLowerCase(Locale.ROOT))),
        Concept.Kind.FLAG,
        "",
        "",
        "features",
        WEIGHT,
        "",
        List.of(),
        List.of(),
        List.of(),
        false,
        Map.of("adj", List.of(said)),
        List.of(),
        List.of(),
        List.of(),
        Map.of());
  }
}
