package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/**
 * What a cell says of a part of a thing: that it is there, how many there are, what it is like and
 * of what: "Y", "3 plastic", "oak, oiled", "Y, zip-off".
 *
 * @param count how many; 0 if the cell doesn't say
 * @param like words before the part's name that say what it is like
 * @param stuffs what it is made of
 */
public record PartCell(int count, List<String> like, List<String> stuffs) {
  private static final Pattern THERE =
      Pattern.compile("(?i)(?:y|yes|✓|x|true|incl(?:\\.|uded)?)(?:[,;:]? +(?<rest>.+))?");
  private static final Pattern COUNTED =
      Pattern.compile("(?<count>[1-9]\\d?)(?: ?x)?(?: (?<rest>.+))?");
  private static final Pattern SEVERAL = Pattern.compile("\\s*(?:,|&|\\+|\\band\\b)\\s*");
  private static final Pattern WORDS = Pattern.compile("[\\p{L}-]+(?: [\\p{L}-]+){0,3}");

  /** "Pull-out", "clip-on". */
  private static final Pattern DONE_WITH =
      Pattern.compile("\\p{L}{3,}-(?:out|on|off|up|down|in|back|through|over|away)");

  private static final String MATERIAL = "material";
  private static final String COLOUR = "colour";
  private static final List<String> STUFFS =
      List.of(
          "material", "fabric", "metal", "alloy", "wood", "leather", "plastic", "rubber", "stone");

  private static final double MOSTLY = 0.5;
  private static final int SHORTEST_STUFF = 3;
  private static final int MOST = 3;
  private static final int LONGEST = 60;

  public PartCell {
    like = List.copyOf(like);
    stuffs = List.copyOf(stuffs);
  }

  /** Whether it says no more than that the part is there. */
  public boolean saysOnlyThere() {
    return count == 0 && like.isEmpty() && stuffs.isEmpty();
  }

  /**
   * Reads a cell; empty if it says anything else, or anything that can't stand before the part's
   * name.
   *
   * @param part one of it, in lower case
   */
  public static Optional<PartCell> of(String cell, String part, Knowledge knowledge) {
    String rest = cell.strip();
    if (rest.length() > LONGEST) {
      return Optional.empty();
    }
    Matcher there = THERE.matcher(rest);
    boolean isThere = there.matches();
    if (isThere) {
      rest = there.group("rest") == null ? "" : there.group("rest");
    }
    int count = 0;
    Matcher counted = COUNTED.matcher(rest);
    if (counted.matches()) {
      count = Integer.parseInt(counted.group("count"));
      rest = counted.group("rest") == null ? "" : counted.group("rest");
    }
    if (rest.isEmpty()) {
      return isThere || count > 0
          ? Optional.of(new PartCell(count, List.of(), List.of()))
          : Optional.empty();
    }
    List<String> like = new ArrayList<>();
    List<String> stuffs = new ArrayList<>();
    for (String each : SEVERAL.split(rest)) {
      String words = withoutPart(lower(each.strip()), part);
      if (!words.isEmpty() && !take(words, part, knowledge, like, stuffs)) {
        return Optional.empty();
      }
    }
    boolean saysNothing = count == 0 && like.isEmpty() && stuffs.isEmpty() && !isThere;
    return saysNothing || like.size() + stuffs.size() > MOST
        ? Optional.empty()
        : Optional.of(new PartCell(count, like, stuffs));
  }

  private static boolean take(
      String words, String part, Knowledge knowledge, List<String> like, List<String> stuffs) {
    // "Y-pegs" are some of the pegs' own kind, and no stuff.
    boolean isNamedAgain = English.singular(English.lastWord(words)).equals(part);
    if (isNamedAgain || !WORDS.matcher(words).matches()) {
      return false;
    }
    String[] all = words.split(" ");
    boolean isStuff = isStuff(words, knowledge) || isStuff(all[all.length - 1], knowledge);
    for (int i = 0; i < all.length - (isStuff ? 1 : 0); i++) {
      if (!describes(all[i], knowledge) && !(isStuff && isStuff(all[i], knowledge))) {
        // "Drip" of a tray: the two name a part together.
        boolean isName =
            all.length == 1 && knowledge.ofPart(words + " " + part, PartAspect.FITTED).isPresent();
        if (!isName) {
          return isStuff && isStuff(words, knowledge) && stuffs.add(words);
        }
      }
    }
    return isStuff ? stuffs.add(words) : like.add(words);
  }

  private static boolean isStuff(String words, Knowledge knowledge) {
    return knowledge.term(MATERIAL, words).isPresent()
        || words.length() >= SHORTEST_STUFF
            && words.indexOf(' ') < 0
            && Lexicon.shipped().shareOfSenses(words, STUFFS) >= MOSTLY;
  }

  /** Whether a word says by itself what a part is like; "extra" says that there is none. */
  private static boolean describes(String word, Knowledge knowledge) {
    Set<String> tags = English.tags(word);
    // "On" of "sewn on" is tagged as describing, too.
    if (knowledge.saysNotWhatAPartIsLike(word) || tags.contains("IN") || tags.contains("RP")) {
      return false;
    }
    return knowledge.term(COLOUR, word).isPresent()
        || DONE_WITH.matcher(word).matches()
        // The dictionary calls many nouns adjectives, too: "dusk".
        || tags.contains("JJ")
            && (tags.stream().noneMatch(t -> t.startsWith("NN"))
                || Lexicon.shipped().isAdjective(word))
        || tags.contains("VBG") && tags.stream().noneMatch(t -> t.startsWith("NN"))
        || tags.contains("VBN") && tags.stream().noneMatch(t -> t.equals("VB") || t.equals("NNS"))
        || tags.isEmpty()
            && word.indexOf('-') > 0
            && English.tags(English.lastWord(word)).stream()
                .anyMatch(t -> t.equals("JJ") || t.equals("VBN"));
  }

  private static String withoutPart(String words, String part) {
    for (String name : List.of(part, English.plural(part))) {
      if (words.equals(name)) {
        return "";
      }
      if (words.endsWith(" " + name)) {
        return words.substring(0, words.length() - name.length() - 1);
      }
    }
    return words;
  }

  /** In lower case, but for initials. */
  private static String lower(String words) {
    return English.withInitials(words.toLowerCase(Locale.ROOT));
  }
}
