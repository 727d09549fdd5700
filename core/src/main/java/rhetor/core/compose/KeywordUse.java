package rhetor.core.compose;

import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import rhetor.core.fact.ProductFacts;
import rhetor.core.language.English;
import rhetor.core.support.Assertion;
import rhetor.core.support.Ground;

/**
 * Where grammar and facts let a keyword stand.
 *
 * @param keyword the keyword as given, empty if there is none to write
 * @param nounPhrase the keyword as what the product <i>is</i> ("waterproof commuter pannier"), or
 *     empty
 * @param conflicts what the keyword states that no fact bears out; if any, it isn't written at all
 */
public record KeywordUse(String keyword, String nounPhrase, List<Assertion> conflicts) {
  /** What goes on after the noun: "bag <i>for laptops</i>". */
  private static final Pattern AFTER =
      Pattern.compile("\\s+(?:for|with|in|of|to|from|without|on)\\s+");

  static final KeywordUse NONE = new KeywordUse("", "", List.of());

  /** Decides how a keyword can be used for a product. */
  public static KeywordUse of(String keyword, ProductFacts product, Ground ground) {
    String words = keyword.strip();
    if (words.isEmpty()) {
      return NONE;
    }
    List<Assertion> conflicts = ground.unsupported(words);
    if (!conflicts.isEmpty()) {
      return new KeywordUse(words, "", conflicts);
    }
    String head = AFTER.split(words, 2)[0];
    boolean isKind =
        !product.kindNoun().isEmpty()
            && English.stem(English.lastWord(head))
                .equals(English.stem(English.lastWord(product.kindNoun())));
    if (!isKind) {
      return new KeywordUse(words, "", List.of());
    }
    boolean pluralThing = English.isPluralOnly(product.kindNoun());
    boolean fits = pluralThing || !English.isPlural(head);
    String phrase = fits ? words : English.singular(head) + words.substring(head.length());
    return new KeywordUse(words, English.midSentence(phrase), List.of());
  }

  boolean usable() {
    return !keyword.isEmpty() && conflicts.isEmpty();
  }

  boolean isIn(String text) {
    return text.toLowerCase(Locale.ROOT).contains(keyword.toLowerCase(Locale.ROOT));
  }
}
