package rhetor.core.say.en;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;

/** Makes noun phrases of a list's items: "lid" is "a lid", "3 x clips" "3 clips". */
public final class ItemPhrase {
  /** What follows the head of a phrase. */
  public static final Pattern HEAD =
      Pattern.compile(
          "\\s+(?:for|with|of|in|on|to|from|at|by|per|without|inside|under|between|and|that|which|who)\\s+.*|\\s*[(,].*");

  private static final Pattern PREPOSITION =
      Pattern.compile("for|with|of|in|on|to|from|at|by|without|into|like|as|up|down|out|off");

  /** Words that describe although the dictionary knows them as nouns too. */
  public static final Pattern DESCRIBING =
      Pattern.compile(
          "(?i)vegan|vegetarian|organic|.*(?:proof|able|ible|ive|resistant|repellent|free|safe|ed|ing)");

  private static final Pattern SIZED =
      Pattern.compile("^(\\p{L}[\\p{L} -]*\\p{Ll}) ([\\d.,–]+ ?(?:mm|cm|m|in|ml|cl|l|g|kg))$");

  private static final int LONGEST_PHRASE = 60;

  static final Pattern DETERMINED =
      Pattern.compile(
          "(?i)(?:an?|the|two|three|four|five|six|seven|eight|nine|ten|all|no|each|every|some|one|its|\\d+\\s*[x×]?|\\d\\S*)\\s.*");

  private static final Pattern WITH =
      Pattern.compile("(?i)^(?:with|incl\\.?|including|includes|inkl\\.?)\\s+");
  private static final Pattern STOPS = Pattern.compile("[.;,]+$");
  private static final Pattern TIMES = Pattern.compile("^(\\d+)\\s*[x×]\\s*");

  /** "3 AA": sizes of cells and the like, which buyers know and sentences don't. */
  private static final Pattern SHORTHAND = Pattern.compile("(?:^| )\\p{Lu}{1,3}$");

  /** What is poured and not counted: oil, wax. */
  private static final List<String> STUFFS = List.of("substance", "foodstuff");

  private static final double MOSTLY = 0.5;

  private static final Pattern SPAN = Pattern.compile("(?<=\\d)-(?=\\d)");

  private ItemPhrase() {}

  /** An item of a list as a noun phrase: with an article if it can be counted. */
  public static Optional<String> of(String item) {
    String words =
        English.midSentence(
            STOPS.matcher(WITH.matcher(item).replaceFirst("")).replaceAll("").strip());
    words = TIMES.matcher(words).replaceFirst("$1 ");
    words = SPAN.matcher(words).replaceAll("–");
    // "Clamp 22–35 mm" is a clamp of that size.
    words = SIZED.matcher(words).replaceFirst("$1 of $2");
    if (words.isEmpty() || words.length() > LONGEST_PHRASE) {
      return Optional.empty();
    }
    if (SHORTHAND.matcher(words).find()) {
      return Optional.empty();
    }
    if (DETERMINED.matcher(words).matches()) {
      return Optional.of(words);
    }
    String head = HEAD.matcher(words).replaceFirst("");
    if (!English.isNoun(head)) {
      return Optional.empty();
    }
    String noun = English.lastWord(head).toLowerCase(Locale.ROOT);
    Set<String> tags = English.tags(noun);
    String[] inHead = words.split(" ");
    if (inHead.length > 1 && isVerbPhrase(inHead)) {
      return Optional.empty();
    }
    boolean isSaidBehind =
        inHead.length > 1 && English.isPlural(inHead[inHead.length - 2]) && tags.contains("JJ");
    if (isSaidBehind || tags.contains("JJ") && Lexicon.shipped().isKindOf(noun, "color")) {
      // "Plates black", "white": no things, but what they are like.
      return Optional.empty();
    }
    // "Adjustable", "washable", "quick drying": said of the thing, not things it has.
    boolean thing =
        tags.stream().anyMatch(t -> t.equals("NN") || t.startsWith("NN:"))
            && (!tags.contains("JJ")
                || Lexicon.shipped().senses(English.lastWord(head).toLowerCase(Locale.ROOT)) > 0);
    if (!head.contains(" ") && tags.contains("JJ") && (!thing || DESCRIBING.matcher(head).matches())
        || tags.contains("VBN") && !tags.contains("NN")
        || tags.contains("VBG")
            && !tags.contains("NN")
            && !tags.contains("NN:UN")
            && !tags.contains("NN:U")) {
      return Optional.empty();
    }
    boolean article =
        !English.isPlural(head)
            && English.isCountable(head)
            && (!tags.contains("NN:U") || tags.contains("NN") || head.endsWith(" board"))
            && !(tags.contains("NN:U") && Lexicon.shipped().shareKindOf(noun, STUFFS) >= MOSTLY)
            && !(tags.contains("NN:UN") && Lexicon.shipped().shareKindOf(noun, STUFFS) >= MOSTLY)
            && !head.endsWith("media")
            && !head.endsWith("data");
    return Optional.of(article ? English.withArticle(words) : words);
  }

  /** "Works with pencil" is said of the thing; it is no thing. */
  private static boolean isVerbPhrase(String[] words) {
    // "Hooks for rails" are things, "works for rails" is none.
    boolean things = words[1].equals("for") && !words[0].matches("works|fits|suits|goes|runs");
    return !things
        && English.tags(words[0]).contains("VBZ")
        && (PREPOSITION.matcher(words[1]).matches()
            || DETERMINED.matcher(words[1] + " ").matches());
  }
}
