package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.plan.Untold;
import rhetor.core.say.en.Fault.Kind;

/**
 * Finds what an editor would send an English sentence back for, whoever wrote it: shorthand, codes
 * and signs, headings as nouns, answers of cells, lists of unlike things, words twice.
 */
public final class PlainLanguage {
  private static final Pattern PLACEHOLDER =
      Pattern.compile(
          "\\{[^{}]*}|\\[[^\\]]*]|<[^<>]*>|(?i:\\b(?:lorem|todo|tbc|tba|xxx+|n/a|insert [a-z]+ here)\\b)");

  /** "A N waste", "a water column of no": a cell's answer where a word should stand. */
  private static final Pattern ANSWER =
      Pattern.compile(
          "\\b(?:an?|the) (?:Y|N|J) |\\b(?:of|with|is|are|by) (?:Y|N|ok|none|no|yes)(?=[ ,.;]?$|[,.;]| and | or )|\\b(?:of|with|by) (?:yes|ok|none)\\b");

  private static final Pattern SIGN =
      Pattern.compile(
          "[±<>=*#_|~≤≥≈\\\\^{}\\[\\]]|Ø ?\\d|\\p{L}\\(|(?<=\\p{L}) / (?=\\p{L})|(?<![\\d.])\\d+,\\d{1,2}(?![\\d,])(?= ?(?:mm|cm|m|kg|g|l|ml|%|\\())");

  private static final Pattern DOUBLED = Pattern.compile("(?i)\\b(\\p{L}+(?: \\p{L}+)?) \\1\\b");

  private static final Pattern ARTICLE = Pattern.compile("(?i)\\b(an?) (\\p{L}[\\p{L}-]*)");

  private static final Pattern COMPOUND = Pattern.compile("\\p{L}{2,}-\\p{L}+");

  /** "A pair of", "a set of three": what is sold comes after it. */
  private static final Pattern SOME_OF =
      Pattern.compile("(?i)^.*\\b(?:pair|set|bunch|bundle) of (?!\\d)(?:\\w+ (?=\\w+s\\b))?");

  /** "Bears up to 110 and weighs", "by 1 and 2": a number of nothing. */
  private static final Pattern BARE =
      Pattern.compile(
          "\\b(?:and|by|of|up to|with) \\d[\\d.,]*(?=[.;]?$|[,.;] | and | or )(?!(?:,? ?(?:and |or )?\\d[\\d.,]*)+ ?\\p{L})");

  /** "Pockets (2!)": a list's figure in brackets. */
  private static final Pattern BRACKETED = Pattern.compile("\\(\\d{1,3}[!x×]*\\)");

  /** "Made from canvas waxed": a list's order of words. */
  private static final Pattern POSTPOSED =
      Pattern.compile(
          "(?i)\\b(?:made|built|cut|sewn) (?:of|from|in) (?:\\p{L}+ ){0,2}(?<stuff>\\p{L}{3,}) (?<done>\\p{L}{3,}(?:ised|ized|ated|ed))(?=[.]?$|,? (?:and|with|in) )");

  /** "A kind of two pieces": what says nothing. */
  private static final Pattern OF_A_KIND =
      Pattern.compile("(?i)\\b(?:has|have|with) an? (?:kind|type|sort|style|version|model) of ");

  /** What is a number by itself. */
  private static final List<String> NUMBERS = List.of("number", "ratio", "index", "score");

  private static final Pattern NUMBERED =
      Pattern.compile(
          "(?i)\\b(?:sizes?|ages?|aged|grades?|models?|numbers?|no|class|level|from|between|scale|RAL|rated|for|EN|ISO|ratio|pack|packs|set|boxes)\\b");

  /** "A taped seams": a plural behind the article of one thing. */
  private static final Pattern ONE_OF_MANY =
      Pattern.compile(
          "(?i)\\ban? ((?:\\p{L}[\\p{L}-]* ){0,2}?)(\\p{L}{3,}s)(?= (?:and|which|that|is|are)\\b|[,.;]|$)");

  /** "Size M", "vitamin C": single letters that are names. */
  private static final Pattern LETTERED =
      Pattern.compile(
          "(?i)sizes?|vitamins?|grade|class|type|category|cup|plan|usb|omega|group|and|or|to|model");

  private static final Pattern SPOKEN_ADJECTIVE =
      Pattern.compile("^(?:The|This) (\\p{L}+) (?:is|are|has|have|comes|weighs|measures|holds)\\b");

  private static final Pattern SMALL_START = Pattern.compile("(?<=\\p{L}{3}[.!?] )\\p{Ll}\\p{L}*");

  private static final Pattern TOKEN = Pattern.compile("[^\\s,;:!?()“”]+");

  private static final Set<String> NO_STUFF = Set.of("RB", "VBN");

  private static final Pattern LIST =
      Pattern.compile(
          "(?<intro>\\b(?:of|with|from|by|are|in) )(?<list>[^,.;]{2,40}(?:, [^,.;]{2,40})*,? and [^,.;]{2,40})");

  /** "A strong, bitter-sweet taste": words that describe one thing together. */
  private static final Pattern ADJECTIVES =
      Pattern.compile("(\\ban? ([\\p{L}-]+)), (?=[\\p{L}-]+ [\\p{L}-]+)");

  private static final Pattern OPEN = Pattern.compile("an? [\\p{L}-]+");

  /** "The milks are", "the style is": a heading, perhaps made plural, as what is spoken of. */
  private static final Pattern MADE_SO =
      Pattern.compile("(?i) ?(?:of|made|cut|turned|woven|sewn|forged|cast)\\b");

  private static final Pattern SPOKEN_OF =
      Pattern.compile("(?i)(?:^|, and |\\. |; )the ([\\p{L} /.-]{2,30}?) (is|are) ");

  /** Function words that English hasn't. */
  private static final Set<String> FOREIGN =
      Set.of(
          "und", "mit", "für", "der", "das", "ist", "nicht", "aus", "ein", "eine", "avec", "les",
          "des", "une", "est", "pour", "dans", "con", "para", "los", "una", "del", "het", "een",
          "voor", "met", "niet", "och", "med", "til");

  private static final int FOREIGN_WORDS = 2;

  /** Standards whose numbers belong to their names. */
  private static final Set<String> STANDARDS =
      Set.of("EN", "ISO", "DIN", "BS", "IEC", "ASTM", "RAL", "IP", "IK", "ANSI", "UN", "ECE");

  /** "PE 0.8": capitals before a number. */
  private static final Pattern GRADE =
      Pattern.compile("\\b\\p{Lu}{2,4} (\\d+(?:[.,]\\d+)?)(?![\\d\\p{L}])");

  private static final String NEUTRAL = "Rhetor";

  /** Initials of which there are several: "LEDs". */
  private static final Pattern PLURAL_INITIALS = Pattern.compile("\\p{Lu}{2,}s");

  /** What makes a clause of words, and no name. */
  private static final Pattern FINITE =
      Pattern.compile("\\b(?:is|are|was|were|has|have|had|can|may|will|must)\\b");

  private static final Pattern RATING = Pattern.compile("IPX?\\d{1,2}K?|IK\\d{2}|SPF\\d+|[A-D]\\d");

  private static final Pattern SIZE = Pattern.compile("\\d{0,2}[XSML]{1,4}(?:[-–][XSML]{1,4})?");

  private static final Pattern AMOUNT =
      Pattern.compile(
          "[~€£$]?\\d[\\d.,–-]*(?:\\p{L}{1,4}|°C?|%|[\"″]|\\p{L}{1,3}²)?[.]?|\\d+[x×+:]\\d+|\\d+/\\d+[\"″]?|\\d+(?:st|nd|rd|th)|½|¼|¾");

  /** Words after which a code stands as a value of its own. */
  private static final Set<String> BEFORE_VALUE =
      Set.of("is", "are", "of", "and", "by", "with", "in", "from", "or", "a", "an");

  /** "R." of "R. Vale". */
  private static final Pattern INITIAL = Pattern.compile("\\p{Lu}[.]?");

  private static final Pattern VOWEL = Pattern.compile("(?i)[aeiouyäöüéèåøæ]");
  private static final int INITIALS = 3;
  private static final int SHORT = 4;

  private static final int LONGEST_SPOKEN = 4;
  private static final int LONGEST_LISTED = 4;

  private static final Pattern CLAUSE =
      Pattern.compile(
          "\\b(?:is|are|was|that|which|who|you|one|it|they|can|has|have|the|with|by|for|to|at|from)\\b");

  // A product's names come again with each of its sentences.

  private static final Memo<Pattern> WHOLE =
      new Memo<>(
          name ->
              Pattern.compile(
                  "(?<![\\p{L}\\d])" + Pattern.quote(name) + "(?![\\p{L}\\d])",
                  Pattern.CASE_INSENSITIVE));

  /** What stands before "by" its maker, or behind the maker's name. */
  private static final Memo<Pattern> NAMED_OF =
      new Memo<>(
          brand ->
              Pattern.compile(
                  "^((?:The )?[\\p{Lu}\\d][^.;:]{1,60}?) by %1$s\\b|^%1$s[’']s? ([\\p{Lu}\\d][^.;:]{1,60}?) (?:is|are|has)\\b"
                      .formatted(Pattern.quote(brand))));

  /** What a thing of a name is called: "Wren, a loom", "a loom, Wren". */
  private static final Memo<Pattern> CALLED =
      new Memo<>(
          name ->
              Pattern.compile(
                  "(?:%1$s(?: by [\\p{L}&’' ]+?)?(?: is|,) an? (?<after>[^,.;:]+)|^An? (?<before>[^,.;:]+), (?:the )?%1$s)"
                      .formatted(Pattern.quote(name))));

  /** Of the longest sentence that is remembered, in characters. */
  private static final int LONGEST = 800;

  private final Knowledge knowledge;
  private final PlainWords plain;

  /** Lists of facts, and texts that are typed, have the same sentences again and again. */
  private final Memo<Look> looks = new Memo<>(this::look, LONGEST);

  public PlainLanguage(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.plain = new PlainWords(knowledge);
  }

  /** What is wrong with a sentence of a product's text; nothing if it reads well. */
  public List<Fault> faults(String sentence, ProductFacts product) {
    Look look = looks.of(withoutNames(sentence, product));
    List<Fault> faults = new ArrayList<>(look.faults);
    if (!look.odd.isEmpty()) {
      Set<String> named = nameWords(product);
      look.odd.stream()
          .filter(o -> !named.contains(lower(o.word)))
          .forEach(o -> faults.add(o.fault));
    }
    headings(sentence, product, faults);
    named(sentence, product).or(() -> thing(sentence, product)).ifPresent(faults::add);
    return faults;
  }

  /** Whether a sentence reads well whatever product it is of. */
  boolean isPlain(String sentence) {
    Look look = looks.of(sentence);
    return look.faults.isEmpty() && look.odd.isEmpty();
  }

  /**
   * What a look at a text shows, whatever product it is of.
   *
   * @param odd its words that are at fault unless they are of the product's names
   */
  private record Look(List<Fault> faults, List<OddWord> odd) {}

  private record OddWord(String word, Fault fault) {}

  private Look look(String text) {
    List<Fault> faults = new ArrayList<>();
    find(PLACEHOLDER, text, Kind.PLACEHOLDER, faults);
    find(ANSWER, text, Kind.ANSWER, faults);
    find(SIGN, text, Kind.SIGN, faults);
    if (mayBeDoubled(text)) {
      find(DOUBLED, text, Kind.DOUBLED, faults);
    }
    if (text.indexOf('(') >= 0) {
      find(BRACKETED, text, Kind.SIGN, faults);
    }
    if (text.contains(" of ")) {
      find(OF_A_KIND, text, Kind.HEADING, faults);
    }
    Matcher postposed = POSTPOSED.matcher(text);
    if (text.contains("ed")
        && postposed.find()
        // "Come dressed" is no stuff that is dressed, nor "only waxed".
        && Collections.disjoint(English.tags(lower(postposed.group("stuff"))), NO_STUFF)) {
      faults.add(
          new Fault(Kind.UNLIKE_LIST, postposed.group("stuff") + " " + postposed.group("done")));
    }
    find(SMALL_START, text, Kind.SMALL_START, faults);
    if (!NUMBERED.matcher(text).find()) {
      bare(text, faults);
    }
    articles(text, faults);
    unlikeLists(text, faults);
    List<OddWord> odd = words(text, faults);
    return new Look(List.copyOf(faults), List.copyOf(odd));
  }

  /** Spares most sentences an expression that looks back from each of their words. */
  private static boolean mayBeDoubled(String text) {
    List<Words.Word> words = Words.of(text);
    for (int i = 0; i + 1 < words.size(); i++) {
      String word = words.get(i).text();
      boolean isNext = words.get(i + 1).text().startsWith(word);
      boolean isNextButOne = i + 2 < words.size() && words.get(i + 2).text().startsWith(word);
      if (isNext
          || isNextButOne
          || words.get(i + 1).text().indexOf('-') >= 0
          || word.indexOf('-') >= 0) {
        return true;
      }
    }
    return false;
  }

  /** "Teak grade A by Hollin & Vesk" of a table that has another name. */
  private static Optional<Fault> named(String sentence, ProductFacts product) {
    String brand =
        product
            .fact("brand")
            .map(f -> f.value() instanceof Value.Words(String b) ? b : "")
            .orElse("");
    if (brand.length() < 2 || sentence.toLowerCase(Locale.ROOT).contains(lower(product.name()))) {
      return Optional.empty();
    }
    Matcher m = NAMED_OF.of(brand).matcher(sentence);
    if (!m.find()) {
      return Optional.empty();
    }
    String called = m.group(1) == null ? m.group(2) : m.group(1);
    // "A bag by Tolvane" and a shortened name call nothing else so.
    boolean isKind = called.matches("(?:An?|The|This|These|Made|With) .*");
    boolean isShort = lower(product.name()).contains(lower(called.split(" ")[0]));
    return isKind || isShort || FINITE.matcher(called).find()
        ? Optional.empty()
        : Optional.of(new Fault(Kind.NOT_ITS_NAME, called));
  }

  /**
   * Names are the maker's, however odd they look, and so is what a cell calls a size or a grade
   * ("PE 0.8"); a neutral name stands for each.
   */
  private static String withoutNames(String sentence, ProductFacts product) {
    String text = sentence;
    for (String name : product.names()) {
      if (name.length() > 1) {
        text = WHOLE.of(name).matcher(text).replaceAll(NEUTRAL);
      }
    }
    return GRADE
        .matcher(text)
        .replaceAll(
            m ->
                product.facts().stream()
                        .map(f -> f.source().raw())
                        // "PE3/450" writes it without the space.
                        .anyMatch(
                            r -> r.contains(m.group()) || r.contains(m.group().replace(" ", "")))
                    ? NEUTRAL + " " + m.group(1)
                    : Matcher.quoteReplacement(m.group()));
  }

  /** Numbers of nothing; "a thread count of 233" is one of threads. */
  private static void bare(String text, List<Fault> faults) {
    Matcher m = BARE.matcher(text);
    while (m.find()) {
      String before = English.lastWord(text.substring(0, m.start()).strip());
      boolean isCounted =
          m.group().startsWith("of ")
              && NUMBERS.stream().anyMatch(n -> Lexicon.shipped().isKindOf(before, n));
      // "16 by 19".
      boolean isCrossed =
          m.group().startsWith("by ") && !before.isEmpty() && Character.isDigit(before.charAt(0));
      if (!isCounted && !isCrossed) {
        faults.add(new Fault(Kind.CODE, m.group().strip()));
        return;
      }
    }
  }

  private static void find(Pattern pattern, String text, Kind kind, List<Fault> faults) {
    Matcher m = pattern.matcher(text);
    if (m.find()) {
      faults.add(new Fault(kind, m.group().strip()));
    }
  }

  private List<OddWord> words(String text, List<Fault> faults) {
    List<OddWord> odd = new ArrayList<>();
    List<String> words = new ArrayList<>();
    Matcher m = TOKEN.matcher(text);
    while (m.find()) {
      words.add(m.group());
    }
    int foreign = 0;
    for (int i = 0; i < words.size(); i++) {
      String before = i == 0 ? "" : words.get(i - 1);
      String after = i + 1 < words.size() ? words.get(i + 1) : "";
      // A full stop at the end of a sentence is no sign of shorthand.
      boolean isLast = after.isEmpty() || Character.isUpperCase(after.charAt(0));
      if (INITIAL.matcher(words.get(i)).matches() && isLast && !after.isEmpty()) {
        continue;
      }
      String word = isLast ? words.get(i).replaceFirst("[.]$", "") : words.get(i);
      foreign += FOREIGN.contains(word.toLowerCase(Locale.ROOT)) ? 1 : 0;
      if (word.isEmpty() || isFine(word, before, after)) {
        continue;
      }
      Optional<Untold> inTheWay = plain.inTheWay(word, before, after, w -> false);
      inTheWay
          .filter(u -> !isPartOfCompound(u.words(), word))
          .flatMap(u -> fault(u, before))
          .ifPresent(f -> odd.add(new OddWord(word, f)));
    }
    if (foreign >= FOREIGN_WORDS) {
      faults.add(new Fault(Kind.OTHER_LANGUAGE, text));
    }
    return odd;
  }

  /** "USB-C" and "hi-vis" are words that people say, whatever their halves are. */
  private static boolean isPartOfCompound(String part, String word) {
    return COMPOUND.matcher(word).matches() && part.length() < word.length();
  }

  /**
   * The fault that a word is. A code that stands behind its noun names a part ("the box AQ-9001"),
   * initials of three letters and more may be the trade's, and a rare word need not be shorthand.
   */
  private static Optional<Fault> fault(Untold untold, String before) {
    String word = untold.words();
    String one =
        PLURAL_INITIALS.matcher(word).matches() ? word.substring(0, word.length() - 1) : word;
    boolean isWithoutNoun = before.isEmpty() || BEFORE_VALUE.contains(lower(before));
    return switch (untold.cause()) {
      case CODE ->
          isWithoutNoun
                  || word.length() == 1
                      && Character.isUpperCase(word.charAt(0))
                      && !LETTERED.matcher(before).matches()
              ? Optional.of(new Fault(Kind.CODE, word))
              : Optional.empty();
      default -> {
        boolean isCapitals = one.equals(one.toUpperCase(Locale.ROOT));
        boolean isShort =
            isCapitals
                ? one.length() < INITIALS
                : word.length() <= SHORT || !VOWEL.matcher(word).find();
        boolean isKnown =
            isCapitals
                ? English.tags(one).stream().anyMatch(t -> !t.startsWith("NNP"))
                : English.isKnown(word);
        yield word.endsWith(".") || isShort && !isKnown
            ? Optional.of(new Fault(Kind.SHORTHAND, word))
            : Optional.empty();
      }
    };
  }

  private static boolean isFine(String word, String before, String after) {
    if (PlainWords.isSmall(word)) {
      return false;
    }
    boolean isOfStandard =
        STANDARDS.contains(before) && word.chars().anyMatch(Character::isDigit)
            || STANDARDS.contains(word) && after.chars().anyMatch(Character::isDigit);
    boolean isSized =
        SIZE.matcher(word).matches()
            && (before.toLowerCase(Locale.ROOT).startsWith("size")
                || before.endsWith("and")
                || !after.isEmpty());
    return isOfStandard
        || isSized
        || AMOUNT.matcher(word).matches()
        || RATING.matcher(word).matches()
        || word.matches("I|A|[–—-]+|’|…")
        || word.matches("\\p{L}+[’']\\p{L}{1,2}|\\p{L}+s[’']");
  }

  private Set<String> nameWords(ProductFacts product) {
    Set<String> words = new HashSet<>();
    for (String name : product.names()) {
      for (String word : name.split("[\\s/-]+")) {
        words.add(lower(word));
      }
    }
    return words;
  }

  private static String lower(String word) {
    return word.toLowerCase(Locale.ROOT);
  }

  /** "A taped seams", "a orange": an article that its noun doesn't take. */
  private static void articles(String text, List<Fault> faults) {
    Matcher m = ARTICLE.matcher(text);
    while (m.find()) {
      String word = m.group(2);
      boolean isWrong =
          word.length() > 1
              && English.isKnown(word)
              && !English.article(word).equals(m.group(1).toLowerCase(Locale.ROOT));
      if (isWrong) {
        faults.add(new Fault(Kind.ARTICLE, m.group()));
      }
    }
    Matcher many = ONE_OF_MANY.matcher(text);
    while (many.find()) {
      Set<String> tags = English.tags(lower(many.group(2)));
      boolean isCounted = many.group(1).matches("(?i).*\\b(?:few|pair|set|lot|couple|of)\\b.*");
      // "A zip closes" has its noun already.
      boolean isNamed =
          List.of(many.group(1).split(" ")).stream()
              .anyMatch(w -> English.tags(lower(w)).stream().anyMatch(t -> t.startsWith("NN")));
      boolean isMany = tags.contains("NNS") && !tags.contains("NN") && !tags.contains("NN:UN");
      if (!isCounted && !isNamed && isMany) {
        faults.add(new Fault(Kind.ARTICLE, many.group()));
        return;
      }
    }
  }

  /** "Weighs 808 g", of several things "weigh 808 g": it goes on with another thing said. */
  private static boolean isVerbal(String item) {
    String first = lower(English.firstWord(item.strip()));
    Set<String> tags = English.tags(first);
    boolean isBeforeObject = item.strip().matches("\\p{L}+ (?:\\d|an? |the |its |their ).*");
    // "Mature in 60 days", "come dressed in green".
    boolean goesOn = item.strip().matches("\\p{L}+ (?:in|from|to|on|at|by|with|up|apart)\\b.*");

    return tags.contains("VBZ") && (!tags.contains("NNS") || isBeforeObject)
        || tags.contains("VBP")
            && (isBeforeObject && Lexicon.shipped().goods(first) == 0
                || goesOn && !tags.contains("NN"));
  }

  /** "Of calf, pull-up, veg tanned and 1 stitch": what is listed has to be of one kind. */
  private static void unlikeLists(String text, List<Fault> faults) {
    Matcher m = LIST.matcher(text);
    int from = 0;
    while (m.find(from)) {
      from = m.end("intro");
      String[] items = together(m.group("list")).split(", (?:and )?| and ");
      if (OPEN.matcher(items[items.length - 1]).matches() && !isNounPhrase(items)) {
        continue;
      }
      boolean isAre = m.group("intro").strip().equals("are");
      boolean isList =
          List.of(items).stream()
              .allMatch(
                  i ->
                      i.split(" ").length <= LONGEST_LISTED
                          && !CLAUSE.matcher(i).find()
                          && !isVerbal(i));
      if (!isList) {
        continue;
      }
      int things = 0;
      int said = 0;
      int measured = 0;
      for (String item : items) {
        String[] words = item.strip().split(" ");
        Set<String> last = English.tags(lower(words[words.length - 1]));
        boolean isMeasured = Character.isDigit(item.strip().charAt(0));
        boolean isOfThings = !isAre && !m.group("intro").strip().equals("in");
        String end = lower(English.lastWord(item.strip()));
        boolean isSaid =
            !isMeasured
                && (isOfThings
                        && end.length() > 2
                        && English.isAdjective(end)
                        && words.length == 1
                        && Lexicon.shipped().senses(end) == 0
                    || (last.contains("JJ") || last.contains("VBN"))
                        && last.stream().noneMatch(t -> t.startsWith("NN")));
        said += isSaid ? 1 : 0;
        measured += isMeasured ? 1 : 0;
        things += isSaid || isMeasured ? 0 : 1;
      }
      boolean isMixed = things > 0 && said > 0 && items.length > 1;
      boolean isHalfMeasured = isAre && measured > 0 && things > 0;
      if (isMixed || isHalfMeasured) {
        faults.add(new Fault(Kind.UNLIKE_LIST, m.group("list")));
        return;
      }
    }
  }

  /** The list with words that describe one thing together as one item. */
  private static String together(String list) {
    return ADJECTIVES
        .matcher(list)
        .replaceAll(
            found -> {
              Set<String> tags = English.tags(lower(found.group(2)));
              boolean describes =
                  tags.contains("JJ") && tags.stream().noneMatch(t -> t.startsWith("NN"));
              return found.group(1) + (describes ? " " : ", ");
            });
  }

  /** Whether the last item has its noun: "a strong" goes on behind a comma, "a wheel" doesn't. */
  private static boolean isNounPhrase(String[] items) {
    return English.isNoun(items[items.length - 1].strip());
  }

  /** A column's heading that is spoken of as if it were a part of the thing. */
  private void headings(String sentence, ProductFacts product, List<Fault> faults) {
    Matcher m = SPOKEN_OF.matcher(sentence);
    while (m.find()) {
      String noun = lower(m.group(1));
      // "The treads are of beech" is how people say it.
      boolean isPlural =
          m.group(2).equalsIgnoreCase("are")
              && !MADE_SO.matcher(sentence).region(m.end(), sentence.length()).lookingAt();
      for (Fact fact : product.facts()) {
        String label = lower(fact.label());
        boolean isMadePlural =
            isPlural
                && fact.concept().isEmpty()
                && !label.equals(noun)
                && English.plural(label).equals(noun);
        if (noun.split(" ").length <= LONGEST_SPOKEN && isMadePlural) {
          faults.add(new Fault(Kind.HEADING, m.group().strip()));
          return;
        }
      }
    }
    for (Fact fact : product.facts()) {
      String label = lower(fact.label());
      boolean isOwn = fact.concept().isEmpty() && label.contains(" ");
      if (isOwn && hasAsNoun(sentence, label, fact)) {
        faults.add(new Fault(Kind.HEADING, fact.label()));
        return;
      }
    }
  }

  /** "An all breed size", "a duck main protein": a heading behind its cell. */
  private static boolean hasAsNoun(String sentence, String label, Fact fact) {
    String raw = lower(fact.source().raw());
    return !raw.isBlank()
        && raw.length() < 40
        && (lower(sentence).contains(" " + raw + " " + label)
            || lower(sentence).contains("a " + label + " of " + raw));
  }

  /** "Rowing machine", where a cell has nothing but that. */
  private static boolean isNamedInCell(String head, ProductFacts product) {
    return head.contains(" ")
        && product.facts().stream()
            .map(f -> f.source().raw().strip())
            .anyMatch(r -> r.equalsIgnoreCase(head) || English.singular(r).equalsIgnoreCase(head));
  }

  /** "Dungaree Bram, a toddler", "it is an outdoor": what it is called is nothing that is sold. */
  private Optional<Fault> thing(String sentence, ProductFacts product) {
    Matcher spoken = SPOKEN_ADJECTIVE.matcher(sentence);
    if (spoken.find()) {
      Set<String> tags = English.tags(lower(spoken.group(1)));
      if (tags.contains("JJ") && tags.stream().noneMatch(t -> t.startsWith("NN"))) {
        return Optional.of(new Fault(Kind.NO_THING, spoken.group(1)));
      }
    }
    for (String name : product.names()) {
      Matcher m = CALLED.of(name).matcher(sentence);
      if (m.find()) {
        String words = m.group("after") == null ? m.group("before") : m.group("after");
        String head =
            SOME_OF
                .matcher(words)
                .replaceFirst("")
                .split(
                    " (?:in|with|of|for|from|that|by|which|made|rated|to|at|on|and|who|whose)\\b")[
                0];
        String noun = English.singular(lower(English.lastWord(head.strip())));
        boolean isPerson =
            Lexicon.shipped().isKindOf(noun, "person") && Lexicon.shipped().goods(noun) < 0.5;
        boolean isNothing =
            Lexicon.shipped().sorts(noun).isEmpty() && !knowledge.things().contains(noun)
                || English.tags(noun).contains("JJ") && Lexicon.shipped().goods(noun) < 0.5;
        boolean isKnown =
            lower(product.kindNoun()).endsWith(noun) || isNamedInCell(head.strip(), product);
        // "Skarn is a windproof, breathable jacket" hasn't come to its noun yet.
        boolean isUnfinished =
            m.end() < sentence.length()
                && sentence.charAt(m.end()) == ','
                && English.tags(noun).contains("JJ")
                && English.tags(noun).stream().noneMatch(t -> t.startsWith("NN"));
        if (!isKnown && !isUnfinished && (isPerson || isNothing) && English.isKnown(noun)) {
          return Optional.of(new Fault(Kind.NO_THING, head.strip()));
        }
      }
    }
    return Optional.empty();
  }
}
