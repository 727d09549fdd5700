package rhetor.core.language;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import morfologik.stemming.Dictionary;
import morfologik.stemming.DictionaryLookup;
import morfologik.stemming.WordData;

/**
 * English word forms. Parts of speech and countability come from the English dictionary of the
 * LanguageTool project, whose tags are those of the Penn Treebank with {@code NN:U} for mass nouns.
 */
public final class English {
  private static final Pattern AFTERTHOUGHT =
      Pattern.compile(
          ", (?:not|which|but|though|with|without|except|including|for|to|from|in|by) ");

  private static final Dictionary DICTIONARY = load();
  private static final ThreadLocal<DictionaryLookup> LOOKUP =
      ThreadLocal.withInitial(() -> new DictionaryLookup(DICTIONARY));

  /** Nouns that take no article, and of which the dictionary knows a countable sense as well. */
  private static final Set<String> MASS =
      Set.of(
          "linen",
          "bedding",
          "footwear",
          "furniture",
          "jewellery",
          "clothing",
          "equipment",
          "cutlery",
          "hire",
          "breakfast",
          "food");

  private static final Memo<Set<String>> TAGS = new Memo<>(English::lookUpTags);
  private static final Memo<String> ARTICLES = new Memo<>(English::findArticle);
  private static final Memo<String> PLURALS = new Memo<>(English::makePlural);
  private static final Memo<String> SINGULARS = new Memo<>(English::makeSingular);
  private static final Memo<Boolean> ARE_PLURAL = new Memo<>(English::findPlural);
  private static final Memo<String> MID_SENTENCE = new Memo<>(English::makeMidSentence);
  private static final Memo<String> LOWER = new Memo<>(English::makeLowerCommon);
  private static final Memo<String> THIRD_PERSONS = new Memo<>(English::makeThirdPerson);
  private static final Memo<String> PARTICIPLES = new Memo<>(English::makeParticiple);
  private static final Memo<String> STEMS = new Memo<>(English::findStem);

  private static final Pattern CONTRACTIBLE =
      Pattern.compile(
          "\\b([Ii]t(?= is)|[Tt]here(?= is)|[Tt]hat(?= is)|[Hh]ere(?= is)|[Tt]hey(?= are)|[Yy]ou(?= are| will)|does(?= not)|do(?= not)) (is|are|will|not)\\b(?= [\\p{L}\\d])");

  private static final Pattern VOWEL_SOUND =
      Pattern.compile(
          "(?i)^(?:[aeio]|u(?!ni(?![nm])|s[aeiub]|k\\b|k[eu]l|t[eio]|biq|ran|rol)|hour|honest|honou?r|heir|8|11(?!\\d)|18(?!\\d)|11[,.]\\d{3}|18[,.]\\d{3}|8[05]\\d).*");
  private static final Pattern CONSONANT_SOUND =
      Pattern.compile("(?i)^(?:one\\b|once\\b|eu|ewe|ouija|U-|U\\b).*");

  /** "LCD", and "S" of "S-hook". */
  private static final Pattern SPELLED =
      Pattern.compile("^(?=[A-Z]{2,}(?:\\b|\\d)|[A-Z]$)[AEFHILMNORSX](?![a-z]).*");

  private static final Pattern SPELLED_CONSONANT =
      Pattern.compile("^(?=[A-Z]{2,}(?:\\b|\\d)|[A-Z]$)[BCDGJKPQTUVWYZ].*");

  /** Abbreviations said as words. */
  private static final Set<String> SAID = Set.of("LED", "NASA", "RAM", "LAN", "HEPA", "MIPS");

  private static final Map<String, String> IRREGULAR_THIRD =
      Map.of("be", "is", "have", "has", "do", "does", "go", "goes");
  private static final Map<String, String> IRREGULAR_PLURAL =
      Map.of(
          "knife",
          "knives",
          "shelf",
          "shelves",
          "leaf",
          "leaves",
          "foot",
          "feet",
          "person",
          "people",
          "child",
          "children",
          "loaf",
          "loaves",
          "scarf",
          "scarves",
          "tooth",
          "teeth");
  private static final List<String> NUMBER_WORDS =
      List.of(
          "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
          "eleven", "twelve");

  /** Plurals without a singular in use, and things sold in pairs and sets. */
  private static final Set<String> INITIALS = readInitials();

  private static final Pattern DOER = Pattern.compile("\\p{L}{3,}(?:er|or)");
  private static final Set<String> PLURAL_ONLY =
      Set.of(
          "trousers",
          "overtrousers",
          "shorts",
          "tights",
          "leggings",
          "jeans",
          "pyjamas",
          "gloves",
          "mittens",
          "shoes",
          "boots",
          "skates",
          "skis",
          "overalls",
          "dungarees",
          "briefs",
          "pants",
          "stockings",
          "overshoes",
          "socks",
          "sandals",
          "slippers",
          "scissors",
          "pliers",
          "tweezers",
          "tongs",
          "goggles",
          "glasses",
          "sunglasses",
          "binoculars",
          "headphones",
          "earphones",
          "earplugs",
          "seeds",
          "bulbs",
          "beans",
          "pedals",
          "levers",
          "waders",
          "crampons",
          "gaiters",
          "cards",
          "crisps",
          "nuts",
          "flakes",
          "pellets",
          "granules",
          "beads",
          "weights",
          "swivels",
          "hooks");

  private static final Set<String> DAYS_AND_MONTHS =
      Set.of(
          "january",
          "february",
          "march",
          "april",
          "may",
          "june",
          "july",
          "august",
          "september",
          "october",
          "november",
          "december",
          "monday",
          "tuesday",
          "wednesday",
          "thursday",
          "friday",
          "saturday",
          "sunday",
          "christmas",
          "easter");

  private static final Map<Pattern, String> EXPANSIONS = new LinkedHashMap<>();

  static {
    EXPANSIONS.put(Pattern.compile("\\b([Cc])an’t\\b"), "$1annot");
    EXPANSIONS.put(Pattern.compile("\\b([Ww])on’t\\b"), "$1ill not");
    EXPANSIONS.put(Pattern.compile("\\b(\\p{L}+)n’t\\b"), "$1 not");
    EXPANSIONS.put(Pattern.compile("(?i)\\b(it|that|there|here|what|who|he|she)’s\\b"), "$1 is");
    EXPANSIONS.put(Pattern.compile("\\b(\\p{L}+)’re\\b"), "$1 are");
    EXPANSIONS.put(Pattern.compile("\\b(\\p{L}+)’ll\\b"), "$1 will");
    EXPANSIONS.put(Pattern.compile("\\b(\\p{L}+)’ve\\b"), "$1 have");
    EXPANSIONS.put(Pattern.compile("\\b(I)’m\\b"), "$1 am");
    EXPANSIONS.put(Pattern.compile("\\b(\\p{L}+)’d\\b"), "$1 would");
  }

  private English() {}

  private static Dictionary load() {
    try {
      return Dictionary.read(
          English.class.getResource("/org/languagetool/resource/en/english.dict"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * The part-of-speech tags of a word as written; empty for a word that is not in the dictionary.
   */
  public static Set<String> tags(String word) {
    return TAGS.of(word);
  }

  private static Set<String> lookUpTags(String word) {
    Set<String> tags = new java.util.LinkedHashSet<>();
    for (WordData data : LOOKUP.get().lookup(word)) {
      tags.add(data.getTag().toString());
    }
    return tags;
  }

  /** Whether letters are initials that a shopper reads as a word: "USB", but not "NOS". */
  public static boolean isInitials(String word) {
    return INITIALS.contains(word);
  }

  /** The words with initials in capitals, "LED lamp" for "led lamp"; "us" stays a pronoun. */
  public static String withInitials(String words) {
    StringBuilder out = new StringBuilder();
    for (String word : words.split(" ")) {
      String capitals = word.toUpperCase(Locale.ROOT);
      boolean isWord = tags(word).stream().anyMatch(t -> !t.equals("VBD") && !t.equals("VBN"));
      out.append(out.isEmpty() ? "" : " ")
          .append((isInitials(capitals) && !isWord || isUnsayable(word)) ? capitals : named(word));
    }
    return out.toString();
  }

  /** "Fkm": a few letters that nobody can say as a word are initials. */
  private static boolean isUnsayable(String word) {
    return word.matches("[b-df-hj-np-tv-xz]{3,4}") && !isKnown(word);
  }

  private static Set<String> readInitials() {
    try (InputStream in = English.class.getResourceAsStream("/language/en-initials.txt")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines()
          .filter(l -> !l.startsWith("#"))
          .flatMap(l -> List.of(l.strip().split(" ")).stream())
          .collect(Collectors.toUnmodifiableSet());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Whether the dictionary knows the word, with or without its capital. */
  public static boolean isKnown(String word) {
    return !tags(word).isEmpty() || !tags(word.toLowerCase(Locale.ROOT)).isEmpty();
  }

  /** {@code a} or {@code an}, by the sound that the words start with. */
  public static String article(String words) {
    return ARTICLES.of(words);
  }

  private static String findArticle(String words) {
    String first = words.replaceFirst("^[^\\p{L}\\p{N}]+", "");
    String word = first.split("[ ,-]", 2)[0];
    if (CONSONANT_SOUND.matcher(first).matches()) {
      return "a";
    }
    if (!SAID.contains(word)) {
      if (SPELLED.matcher(word).matches()) {
        return "an";
      }
      if (SPELLED_CONSONANT.matcher(word).matches()) {
        return "a";
      }
    } else {
      return word.equals("LED") ? "an" : VOWEL_SOUND.matcher(word).matches() ? "an" : "a";
    }
    return VOWEL_SOUND.matcher(first).matches() ? "an" : "a";
  }

  /** The words up to the first space. */
  public static String firstWord(String words) {
    int end = words.indexOf(' ');
    return end < 0 ? words : words.substring(0, end);
  }

  /** The words with {@code a} or {@code an} before them. */
  public static String withArticle(String words) {
    return MASS.contains(lastWord(words)) ? words : article(words) + " " + words;
  }

  /** Third person singular of a verb's base form. */
  public static String thirdPerson(String base) {
    return THIRD_PERSONS.of(base);
  }

  private static String makeThirdPerson(String base) {
    String irregular = IRREGULAR_THIRD.get(base);
    if (irregular != null) {
      return irregular;
    }
    if (base.matches(".*(s|x|z|ch|sh|o)$")) {
      return base + "es";
    }
    return base.matches(".*[^aeiou]y$") ? base.substring(0, base.length() - 1) + "ies" : base + "s";
  }

  /** Speech instead of writing: "it's" for "it is", wherever a word follows that isn't stressed. */
  public static String contract(String sentence) {
    Matcher m = CONTRACTIBLE.matcher(sentence);
    if (!m.find()) {
      return sentence;
    }
    return m.replaceAll(
        r ->
            switch (r.group(2)) {
              case "is" -> r.group(1) + "’s";
              case "are" -> r.group(1) + "’re";
              case "will" -> r.group(1) + "’ll";
              default -> r.group(1) + "n’t";
            });
  }

  /** A verb that is contracted with what stands before it. */
  public static final Pattern CONTRACTED =
      Pattern.compile(
          "(?i)\\b(?:(?:it|that|there|here|what|who|he|she)[’']s|\\p{L}+[’'](?:re|ll|ve|m|d)|\\p{L}+n[’']t)\\b");

  /** "It is" for "it’s", "do not" for "don’t"; the other way round from {@link #contract}. */
  public static String expand(String sentence) {
    String text = sentence.replace('\'', '’');
    return EXPANSIONS.entrySet().stream()
        .reduce(
            text,
            (t, e) -> e.getKey().matcher(t).replaceAll(e.getValue()),
            (first, second) -> second);
  }

  /** "Tolvane's", "Fields'". */
  public static String possessive(String name) {
    return name + (name.endsWith("s") ? "’" : "’s");
  }

  /** The present participle of a verb's base form: "weighing", "running". */
  public static String participle(String base) {
    return PARTICIPLES.of(base);
  }

  private static String makeParticiple(String base) {
    if (base.matches(".*[^eoy]e") && !base.equals("be")) {
      return base.substring(0, base.length() - 1) + "ing";
    }
    boolean doubles = base.matches("[^aeiou]*[aeiou][^aeiouwxy]");
    return base + (doubles ? base.substring(base.length() - 1) : "") + "ing";
  }

  /** A verb phrase that starts with a base form, made to agree with its subject. */
  public static String agree(String verbPhrase, boolean plural) {
    int end = verbPhrase.indexOf(' ');
    String verb = end < 0 ? verbPhrase : verbPhrase.substring(0, end);
    String rest = end < 0 ? "" : verbPhrase.substring(end);
    return (plural ? verb.equals("be") ? "are" : verb : thirdPerson(verb)) + rest;
  }

  /** The plural of a noun phrase whose last word is its noun. */
  public static String plural(String noun) {
    return PLURALS.of(noun);
  }

  private static String makePlural(String noun) {
    int cut = Math.max(noun.lastIndexOf(' '), noun.lastIndexOf('-')) + 1;
    String word = noun.substring(cut);
    String lower = word.toLowerCase(Locale.ROOT);
    if (IRREGULAR_PLURAL.containsKey(lower)) {
      return noun.substring(0, cut) + IRREGULAR_PLURAL.get(lower);
    }
    if (isPlural(word) || tags(lower).contains("NNS")) {
      return noun;
    }
    if (lower.matches(".*(s|x|z|ch|sh)$")) {
      return noun + "es";
    }
    return lower.matches(".*[^aeiou]y$")
        ? noun.substring(0, noun.length() - 1) + "ies"
        : noun + "s";
  }

  /** The singular of a noun phrase whose last word is its noun; unchanged if it is none. */
  public static String singular(String noun) {
    return SINGULARS.of(noun);
  }

  private static String makeSingular(String noun) {
    int cut = Math.max(noun.lastIndexOf(' '), noun.lastIndexOf('-')) + 1;
    String word = noun.substring(cut);
    String lower = word.toLowerCase(Locale.ROOT);
    for (WordData data : LOOKUP.get().lookup(lower)) {
      if (data.getTag().toString().startsWith("NNS")) {
        return noun.substring(0, cut) + data.getStem();
      }
    }
    return lower.length() > 3 && lower.matches(".*[^su]s$") && tags(lower).isEmpty()
        ? noun.substring(0, noun.length() - 1)
        : noun;
  }

  /** Whether the last word of a noun phrase is a plural. */
  public static boolean isPlural(String noun) {
    return ARE_PLURAL.of(noun);
  }

  private static boolean findPlural(String noun) {
    String word = lastWord(noun).toLowerCase(Locale.ROOT);
    Set<String> tags = tags(word);
    if (tags.isEmpty()) {
      return word.length() > 3 && word.matches(".*[^su'’]s$");
    }
    return tags.contains("NNS")
        && tags.stream().noneMatch(t -> t.equals("NN") || t.startsWith("NN:"));
  }

  /** Whether the noun names things that are sold as a pair or a set and have no singular here. */
  public static boolean isPluralOnly(String noun) {
    String word = lastWord(noun).toLowerCase(Locale.ROOT);
    return PLURAL_ONLY.contains(word) || Lexicon.shipped().isPluralOnly(word);
  }

  /** "Goggles" for "goggle": a noun that nobody uses of one, as shops write it. */
  public static String asSold(String noun) {
    String last = lastWord(noun).toLowerCase(Locale.ROOT);
    return !last.isEmpty() && Lexicon.shipped().senses(last) == 0 && isPluralOnly(plural(last))
        ? plural(noun)
        : noun;
  }

  /** "Maker", "frother": whether a noun names what does something, somebody or a thing. */
  public static boolean isDoer(String noun) {
    if (!DOER.matcher(noun).matches()) {
      return false;
    }
    String root = noun.substring(0, noun.length() - 2);
    int last = root.length() - 1;
    boolean isDoubled = root.charAt(last) == root.charAt(last - 1);
    return isVerb(root) || isVerb(root + "e") || isDoubled && isVerb(root.substring(0, last));
  }

  private static boolean isVerb(String word) {
    return tags(word).contains("VB");
  }

  /** Whether a noun can follow {@code a}: a singular that is not a mass noun only. */
  public static boolean isCountable(String noun) {
    Set<String> tags = tags(lastWord(noun).toLowerCase(Locale.ROOT));
    return tags.contains("NN") || tags.contains("NN:UN");
  }

  /**
   * Whether a noun names a stuff: "soy wax" is one wax, but nobody buys two coffees by the kilo.
   */
  public static boolean isMass(String noun) {
    Set<String> tags = tags(lastWord(noun).toLowerCase(Locale.ROOT));
    return tags.contains("NN:U") || tags.contains("NN:UN");
  }

  /** Whether the last word can be a noun at all. */
  public static boolean isNoun(String phrase) {
    return tags(lastWord(phrase).toLowerCase(Locale.ROOT)).stream()
        .anyMatch(t -> t.startsWith("NN") && !t.startsWith("NNP"));
  }

  /** Whether a single word describes and does not name: "dotted", "dark", "floating". */
  public static boolean isAdjective(String word) {
    Set<String> tags = tags(word.toLowerCase(Locale.ROOT));
    boolean describes =
        tags.stream().anyMatch(t -> t.equals("JJ") || t.equals("VBN") || t.equals("VBG"));
    return describes && !tags.contains("NN:U") && (tags.contains("JJ") || !isNoun(word));
  }

  public static String lastWord(String phrase) {
    return phrase.substring(Math.max(phrase.lastIndexOf(' '), phrase.lastIndexOf('-')) + 1);
  }

  /**
   * Writes words as they stand in the middle of a sentence: common words lose their capital, names,
   * abbreviations and unknown words keep it.
   */
  public static String midSentence(String words) {
    return MID_SENTENCE.of(words);
  }

  private static String makeMidSentence(String words) {
    String[] parts = words.split(" ");
    // "Sennick Quarry" is a name, "Full sun" is not: all long words with a capital make a name.
    boolean name =
        parts.length > 1
            && java.util.Arrays.stream(parts)
                .allMatch(
                    p ->
                        p.length() <= 3 && !p.equals(parts[0]) && !p.equals(parts[parts.length - 1])
                            || Character.isUpperCase(p.charAt(0))
                                && !p.equals(p.toUpperCase(Locale.ROOT)));
    return name ? words : lowerCommon(words);
  }

  /** The words with every capital taken off that the dictionary doesn't ask for. */
  public static String lowerCommon(String words) {
    return LOWER.of(words);
  }

  private static String makeLowerCommon(String words) {
    List<String> out = new ArrayList<>();
    for (String word : words.split(" ")) {
      out.add(lowerIfCommon(word));
    }
    return String.join(" ", out);
  }

  private static final int SHORTEST_NAME = 4;

  /** "German silver" has the capital that somebody left out; other words stay as they are. */
  private static String named(String word) {
    String named = capitalise(word);
    boolean isName =
        word.length() >= SHORTEST_NAME
            && Character.isLowerCase(word.charAt(0))
            && tags(word).isEmpty()
            && tags(named).contains("JJ");
    return isName ? named : word;
  }

  private static String lowerIfCommon(String word) {
    if (word.isEmpty() || word.length() == 1) {
      return word;
    }
    if (!Character.isUpperCase(word.charAt(0))) {
      return named(word);
    }
    String bare = word.replaceAll("^[(\"']+|[).,;:\"']+$", "");
    if (bare.length() > 1 && bare.charAt(1) == '-') {
      // A letter that stands for its shape: D-lock, T-shirt.
      return word;
    }
    boolean capitals =
        bare.length() > 3
            && bare.equals(bare.toUpperCase(Locale.ROOT))
            && bare.chars().allMatch(Character::isLetter);
    if (bare.length() > 1
        && !bare.substring(1).equals(bare.substring(1).toLowerCase(Locale.ROOT))
        && !capitals) {
      return word;
    }
    String lower = bare.toLowerCase(Locale.ROOT);
    // A letter that shows a shape: U-lock, T-shirt.
    if (bare.length() > 1 && bare.charAt(1) == '-') {
      return word;
    }
    if (DAYS_AND_MONTHS.contains(lower)) {
      return capitals ? word.charAt(0) + word.substring(1).toLowerCase(Locale.ROOT) : word;
    }
    for (String part : lower.split("[-/]")) {
      Set<String> tags = tags(part);
      boolean isUnknown = tags.isEmpty() || tags.stream().allMatch(t -> t.startsWith("NNP"));
      if (isUnknown && !Lexicon.shipped().isCommon(part)) {
        return word;
      }
    }
    return word.toLowerCase(Locale.ROOT);
  }

  /** A name in capitals throughout, written with capitals at the start of words only. */
  public static String titleCase(String words) {
    List<String> out = new ArrayList<>();
    for (String word : words.split(" ")) {
      boolean name =
          word.length() > 3
              && word.chars().allMatch(c -> Character.isUpperCase(c) || c == '-' || c == '\'');
      boolean small =
          !out.isEmpty() && word.matches("(?i)of|and|with|for|in|the|to|or|on|a|an|at|by|from");
      out.add(
          small
              ? word.toLowerCase(Locale.ROOT)
              : name
                      || isKnown(word.toLowerCase(Locale.ROOT))
                          && word.length() > 1
                          && word.chars().allMatch(Character::isLetter)
                  ? word.charAt(0) + word.substring(1).toLowerCase(Locale.ROOT)
                  : word);
    }
    return String.join(" ", out);
  }

  /**
   * The first letter as a capital, unless the first word is written in its own way (eBook, 20 l).
   */
  public static String capitalise(String sentence) {
    if (sentence.isEmpty()
        || Character.isUpperCase(sentence.charAt(0))
        || hasCapitalInside(sentence)) {
      return sentence;
    }
    return Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1);
  }

  /** Whether a text begins with a word that is spelt with a capital of its own: "eBook". */
  private static boolean hasCapitalInside(String text) {
    for (int i = 1; i < text.length() && Character.isLetter(text.charAt(i)); i++) {
      if (Character.isUpperCase(text.charAt(i))) {
        return true;
      }
    }
    return false;
  }

  private static final Set<String> SMALL =
      Set.of(
          "a", "an", "and", "as", "at", "but", "by", "for", "from", "in", "of", "on", "or", "the",
          "to", "with");

  /**
   * Words of a title with capitals: all but the small ones, and units after their numbers. Words
   * that have a capital or a digit already stand as they are.
   */
  public static String capitaliseWords(String words) {
    StringBuilder title = new StringBuilder();
    String before = "";
    for (String word : words.split("(?<= )")) {
      String bare = word.strip();
      boolean measured = !before.isEmpty() && Character.isDigit(before.charAt(before.length() - 1));
      boolean own = bare.chars().anyMatch(c -> Character.isUpperCase(c) || Character.isDigit(c));
      boolean small = SMALL.contains(bare) && !before.isEmpty();
      title.append(own || small || measured ? word : capitalise(word));
      before = bare.isEmpty() ? before : bare;
    }
    return title.toString();
  }

  /** {@code a}, {@code a and b}, {@code a, b and c}. */
  public static String list(List<String> items) {
    return switch (items.size()) {
      case 0 -> "";
      case 1 -> items.getFirst();
      default -> {
        String last = items.getLast();
        StringBuilder list = new StringBuilder(items.getFirst());
        boolean nested = last.contains(" and ") || isNested(items.getFirst());
        for (String item : items.subList(1, items.size() - 1)) {
          list.append(", ").append(item);
          nested |= isNested(item);
        }
        yield list.append(nested ? ", and " : " and ").append(last).toString();
      }
    };
  }

  /** Whether an item is over only at a comma: "a rind of mould, not to be eaten, and a lid". */
  private static boolean isNested(String item) {
    return item.contains(" and ") || AFTERTHOUGHT.matcher(item).find();
  }

  /** A number in words up to twelve, in digits above. */
  public static String number(int n) {
    return n >= 0 && n < NUMBER_WORDS.size()
        ? NUMBER_WORDS.get(n)
        : String.format(Locale.UK, "%,d", n);
  }

  /** How words compare regardless of inflection: the dictionary's stem, else without a plural s. */
  public static String stem(String word) {
    return STEMS.of(word);
  }

  private static String findStem(String word) {
    String lower = word.toLowerCase(Locale.ROOT);
    String best = null;
    for (WordData data : LOOKUP.get().lookup(lower)) {
      String tag = data.getTag().toString();
      if (tag.startsWith("NN") || best == null) {
        best = data.getStem().toString();
        if (tag.startsWith("NN")) {
          break;
        }
      }
    }
    return best != null
        ? best.toLowerCase(Locale.ROOT)
        : lower.length() > 3 && lower.endsWith("s") && !lower.endsWith("ss")
            ? lower.substring(0, lower.length() - 1)
            : lower;
  }
}
