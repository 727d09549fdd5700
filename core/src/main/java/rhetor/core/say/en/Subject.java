package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.text.Support;

/**
 * How a text refers to its product.
 *
 * @param name the product's name
 * @param brand the brand, empty if unknown or already in the name
 * @param kind what it is ("pannier"), or empty
 * @param noun short noun for later mentions ("pannier"), or empty
 * @param plural whether verbs agree with a plural
 * @param definite whether the name takes "the"
 * @param nameHasKind whether the noun stands in the name
 * @param shortReference the name, with "the" where it takes one; things in the plural get their
 *     noun behind the name
 */
public record Subject(
    String name,
    String brand,
    String kind,
    String noun,
    boolean plural,
    boolean definite,
    boolean nameHasKind,
    String shortReference,
    List<Support> nameSupport) {

  public static Subject of(ProductFacts product) {
    String name = product.name();
    String brand =
        product
            .fact("brand")
            .map(f -> f.value() instanceof Value.Words(String b) ? b : "")
            .filter(b -> b.length() <= 40)
            .orElse("");
    String lowerName = name.toLowerCase(Locale.ROOT);
    if (lowerName.contains(brand.toLowerCase(Locale.ROOT))) {
      brand = "";
    }
    String kind = product.kindNoun();
    String last = English.lastWord(kind).toLowerCase(Locale.ROOT);
    boolean isNamedSingular =
        !kind.isEmpty() && English.isPlural(kind) && isNamedSingular(lowerName, last);
    if (isNamedSingular) {
      kind = English.singular(kind);
      last = English.lastWord(kind).toLowerCase(Locale.ROOT);
    }
    boolean nameHasKind = !kind.isEmpty() && hasWord(lowerName, last);
    // A name alone doesn't tell: "Harbour Tapes" may be one record.
    boolean plural = !kind.isEmpty() && (English.isPluralOnly(kind) || English.isPlural(kind));
    List<Support> support = new ArrayList<>();
    product.fact("name").ifPresent(f -> support.add(Support.fact(f.id())));
    if (!brand.isEmpty()) {
      product.fact("brand").ifPresent(f -> support.add(Support.fact(f.id())));
    }
    // "The vegetable seeds" is a mouthful the second time; "the seeds" will do.
    String noun = last.equals("linen") || !standsForIt(product, last) ? kind : last;
    boolean named = !noun.isEmpty() && hasWord(name, noun);
    boolean definite =
        !name.startsWith("The ")
            && nameHasKind
            && !kind.equals("course")
            && !last.equals("course")
            && !last.equals("day ride");
    String thing = plural && !kind.isEmpty() && !named ? name + " " + noun : name;
    return new Subject(
        name,
        brand,
        kind,
        noun,
        plural,
        definite,
        named,
        (definite ? "the " : "") + thing,
        support);
  }

  /**
   * Whether a name calls things in the plural one: "hiking sock" a pair of socks. What is called so
   * in the plural alone may be spoken of as one, but "short" may say as well how long it is.
   */
  private static boolean isNamedSingular(String name, String plural) {
    String one = English.singular(plural);
    boolean mayBeNoNoun = English.isPluralOnly(plural) && English.isAdjective(one);
    return !mayBeNoNoun && hasWord(name, one);
  }

  /**
   * Whether a kind's last word says enough of it: a smoke alarm is an alarm, a power bank no bank.
   */
  private static boolean standsForIt(ProductFacts product, String last) {
    String one =
        English.isPlural(last) && !English.isPluralOnly(last) ? English.singular(last) : last;
    return product.kindNoun().equals(last)
        || product.productClass().endsWith(last)
        || Lexicon.shipped().senses(one) == 0
        || Lexicon.shipped().isGoodsFirst(one)
        || Lexicon.shipped().isKindOf(product.kindNoun(), one);
  }

  /** Whether the words stand in the text as whole words, whatever their case. */
  public static boolean hasWord(String text, String words) {
    return Words.find(words, text) >= 0;
  }

  /** Whether it is things in the plural that its name doesn't call so: "Stile 4", the socks. */
  public boolean isUnnamedPlural() {
    return plural && !kind.isEmpty() && !nameHasKind;
  }

  /** Whether "is a pannier" makes sense; "the Tomato seeds are seeds" doesn't. */
  public boolean canBeCalledKind() {
    return !kind.isEmpty() && (!plural || nameHasKind);
  }

  /** The first mention: "the Roll Pannier 20 by Tolvane". */
  public String fullReference() {
    return shortReference + (brand.isEmpty() ? "" : " by " + brand);
  }

  /** The name without "the", for after "Tolvane's". */
  public String bareReference() {
    return definite ? shortReference.substring("the ".length()) : shortReference;
  }

  /** The full reference without "the", for where it stands as a heading does. */
  public String bareFullReference() {
    return definite ? fullReference().substring("the ".length()) : fullReference();
  }

  /** What saying its kind rests on: its name, and the category it was filed under. */
  public List<Support> kindSupport(ProductFacts product) {
    List<Support> support = new ArrayList<>(nameSupport);
    product.fact("category").ifPresent(f -> support.add(Support.fact(f.id())));
    return support;
  }

  /** Whether the name is a mouthful. */
  public boolean isLong() {
    return name.length() > 24;
  }

  public String pronoun() {
    return plural ? "they" : "it";
  }
}
