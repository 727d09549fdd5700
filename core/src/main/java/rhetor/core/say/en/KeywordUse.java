package rhetor.core.say.en;

import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import rhetor.core.fact.ProductFacts;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;

/**
 * Where grammar and facts let a keyword stand.
 *
 * @param keyword the keyword as given, empty if there is none to write
 * @param told the keyword without words that only searches put behind the noun
 * @param nounPhrase the keyword as what the product <i>is</i> ("waterproof commuter pannier"), or
 *     empty
 * @param conflicts what the keyword states that no fact bears out; if any, it isn't written at all
 */
public record KeywordUse(
    String keyword, String told, String nounPhrase, List<Assertion> conflicts) {
  /** "Screen print print": where search words were put together, one may stand twice. */
  private static final Pattern TWICE = Pattern.compile("(?i)(?<!\\p{L})(\\p{L}{3,}) \\1(?!\\p{L})");

  /** What goes on after the noun: "bag <i>for laptops</i>". */
  private static final Pattern AFTER =
      Pattern.compile("\\s+(?:for|with|in|of|to|from|without|on)\\s+");

  /** "Left and right, pair", "boots (pr)": an item of a cell of its own. */
  private static final Pattern PAIR =
      Pattern.compile("(?i)(?:^|[,;/(]\\s*)(?:1 |one |[a-z]+ )?(?:pair|pr)\\.?\\s*(?:$|[,;/)])");

  /** What at least two words have behind them. */
  private static final Pattern FIGURES = Pattern.compile("(?<=\\p{L} \\p{L}{2,40})(?: [\\d.,]+)+$");

  public static final KeywordUse NONE = new KeywordUse("", "", "", List.of());

  /**
   * Decides how a keyword can be used for a product.
   *
   * @param judge of the product
   */
  public static KeywordUse of(String keyword, ProductFacts product, Judge judge) {
    String words = keyword.strip();
    if (words.isEmpty()) {
      return NONE;
    }
    String told =
        English.withInitials(
            TWICE
                .matcher(withoutName(upToKind(words, product.kindNoun()), product))
                .replaceAll("$1"));
    List<Assertion> conflicts =
        judge.held(told, Words.of(told)).stream().filter(Assertion::isHeld).toList();
    if (!conflicts.isEmpty()) {
      return new KeywordUse(words, told, "", conflicts);
    }
    String head = AFTER.split(told, 2)[0];
    if (!endsInKind(head, product.kindNoun())) {
      return new KeywordUse(words, told, "", List.of());
    }
    boolean pluralThing =
        English.isPluralOnly(product.kindNoun()) || English.isPlural(product.kindNoun());
    boolean fits = pluralThing || !English.isPlural(head);
    String phrase =
        fits
            ? told
            : isSoldInPairs(words, product)
                ? "pair of " + told
                : English.singular(head) + told.substring(head.length());
    return new KeywordUse(words, told, English.midSentence(phrase), List.of());
  }

  /** Whether the keyword's last word or a cell says that two are sold together: "(pr)". */
  private static boolean isSoldInPairs(String keyword, ProductFacts product) {
    return English.lastWord(keyword).equalsIgnoreCase("pair")
        || product.facts().stream().anyMatch(f -> PAIR.matcher(f.source().raw()).find());
  }

  private static boolean endsInKind(String words, String kind) {
    return !kind.isEmpty()
        && English.stem(English.lastWord(words)).equals(English.stem(English.lastWord(kind)));
  }

  /**
   * A keyword as prose can have it: people search for "spinning reel 2500", and what stands behind
   * the noun without anything to join it is left out. Where the noun isn't in it, only figures at
   * its end are: "tea bricks 85".
   */
  private static String upToKind(String words, String kind) {
    String[] each = words.split(" ");
    String head = AFTER.split(words, 2)[0];
    if (endsInKind(head, kind)) {
      return words;
    }
    for (int i = head.split(" ").length - 1; i >= 1; i--) {
      String start = String.join(" ", List.of(each).subList(0, i));
      if (endsInKind(start, kind)) {
        return start;
      }
    }
    return head.equals(words) ? FIGURES.matcher(words).replaceFirst("") : words;
  }

  /**
   * "1000 piece jigsaw" of "1000 piece jigsaw harbour" where "Harbour at Six" is sought: behind the
   * noun stands what the name has said.
   */
  private static String withoutName(String words, ProductFacts product) {
    String last = English.lastWord(words);
    String before = words.substring(0, words.length() - last.length()).strip();
    List<Words.Word> name = Words.of(product.name());
    boolean isInName =
        name.stream()
            .limit(Math.max(0, name.size() - 1))
            .anyMatch(w -> English.stem(w.text()).equals(English.stem(last)));
    return isInName
            && !endsInKind(words, product.kindNoun())
            && before.split(" ").length > 1
            && English.isNoun(English.lastWord(before))
            && !AFTER.matcher(" " + words).find()
        ? before
        : words;
  }

  public boolean usable() {
    return !keyword.isEmpty() && conflicts.isEmpty();
  }

  public boolean isIn(String text) {
    return text.toLowerCase(Locale.ROOT).contains(told.toLowerCase(Locale.ROOT));
  }
}
