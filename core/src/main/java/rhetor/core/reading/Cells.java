package rhetor.core.reading;

import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Locale.IsoCountryCode;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.sheet.SheetRow;

/** What the cells of a column look like, without those that say nothing. */
final class Cells {
  private static final Pattern PRICE =
      Pattern.compile(
          "(?:[£$€]|EUR|GBP|USD)\\s*\\d+(?:[.,]\\d{1,2})?|\\d+(?:[.,]\\d{1,2})?\\s*(?:[£$€]|EUR|GBP|USD)");
  private static final Pattern ADDRESS =
      Pattern.compile("(?i)(?:https?://|www\\.)\\S+|\\S+\\.(?:png|jpe?g|gif|webp|tiff?|svg|pdf)");
  private static final Pattern PICTURE =
      Pattern.compile("(?i)\\S.*\\.(?:png|jpe?g|gif|webp|tiff?|bmp)(?:[?#]\\S*)?");
  private static final Pattern UNIT_AT_END = Pattern.compile(".*\\d\\s?([A-Za-z°%²/\"″µ³]{1,12})");
  private static final Pattern AMOUNT =
      Pattern.compile(
          "[<>~±]?\\s*\\d[\\d.,]*(?:\\s*[x×*/–-]\\s*\\d[\\d.,]*){0,3}\\s?([A-Za-z°%²/\"″µ³]{1,12})");
  private static final Pattern NUMBER = Pattern.compile("[<>~±]?\\s*\\d[\\d.,]*");
  private static final Pattern COUNT = Pattern.compile("\\d{1,6}(?:\\s*/\\s*\\d{1,6})?");

  /** "30 x 20 x 10", as the sides of a thing are written. */
  private static final Pattern SIDES =
      Pattern.compile(
          "(?:[hwdlbt] ?)?\\d[\\d.,]*(?: ?[a-z]{1,2})?(?:\\s*[x×*]\\s*(?:[hwdlbt] ?)?\\d[\\d.,]*(?: ?[a-z]{1,2})?){1,2}\\b.*",
          Pattern.CASE_INSENSITIVE);

  private static final Pattern GTIN = Pattern.compile("\\d{8}|\\d{12,14}");
  private static final Pattern CENTS = Pattern.compile("\\d+[.,]\\d{2}");
  private static final Pattern CODE = Pattern.compile("(?=.*\\d)[\\p{L}\\d][\\p{L}\\d._/ -]{1,30}");

  /** "EdP", "BxH": shorthand. */
  private static final Pattern MIXED = Pattern.compile("\\p{Lu}\\p{Ll}\\p{Lu}");

  private static final Pattern STEM = Pattern.compile("\\p{L}+[-._/]");
  private static final Pattern LIST_PARTS = Pattern.compile("[,;](?!\\d)|[/|+·•]");
  private static final Pattern SENTENCE_ENDS_WITHIN = Pattern.compile("[.!?]\\s+\\p{Lu}\\p{Ll}");
  private static final int FEWEST_LISTED = 3;
  private static final Pattern NUMBER_WITHIN = Pattern.compile("\\d+(?:[.,]\\d+)?");
  private static final int WORDS_FOR_A_NUMBER = 5;
  private static final int MOST_WORDS_OF_A_PART = 3;
  private static final int SHORTEST_STEM = 3;
  private static final int SEVERAL = 3;
  private static final Pattern CAPITALS = Pattern.compile("[\\p{Lu}\\d]+(?:[-./_][\\p{Lu}\\d]+)*");

  /** A place in a warehouse, an article of somebody else's: letters and digits, no word. */
  private static final Pattern UPPER_CODE =
      Pattern.compile("(?=.*\\d)(?=.*\\p{Lu})[\\p{Lu}\\d]+(?:[-./_][\\p{Lu}\\d]+)*");

  /** "low-tide-grey", as a page's address ends. */
  private static final Pattern SLUG = Pattern.compile("\\p{Ll}{3,}(?:-[\\p{Ll}\\d]+)+");

  /** "EC000200": what lists of the trade are numbered with. */
  private static final Pattern LONG_CODE = Pattern.compile("\\p{Lu}{0,4}[-.]?\\d[\\d .]{4,}\\d");

  /** What people type into a search: a few words without signs. */
  private static final Pattern PHRASE =
      Pattern.compile("[\\p{Ll}\\p{N}'-]+(?: [\\p{Ll}\\p{N}'-]+){1,7}");

  /** What describes a thing rather than names it: lists, and measures. */
  private static final Pattern DESCRIBES =
      Pattern.compile(".*[,;:].*|.*\\d\\s?(?:[a-zµ]{1,3}|[%\"°]).*");

  private static final Pattern SENTENCE = Pattern.compile("\\p{Lu}.*\\p{L}.*[.!?][\"'”]?");
  private static final Pattern ANSWER =
      Pattern.compile("(?i)(?:yes|no|true|false|y|n|j|ja|nein|oui|non|sí|nee|x|✓|✔)(?:[ ,(].*)?");

  /** "PT" is a country (ISO 3166-1, of two letters or three). */
  private static final String COUNTRY = "country";

  private static final Set<String> COUNTRIES =
      Stream.of(IsoCountryCode.PART1_ALPHA2, IsoCountryCode.PART1_ALPHA3)
          .flatMap(part -> Locale.getISOCountries(part).stream())
          .map(code -> code.toLowerCase(Locale.ROOT))
          .collect(Collectors.toSet());

  private static final Pattern WORD = Pattern.compile("[^\\p{L}\\p{N}']+");

  private static final Pattern PARTS = Pattern.compile("\\s*[,/&+]\\s*");

  /** "Hopp 244", as the models of a series are called. */
  private static final Pattern WORD_AND_NUMBER = Pattern.compile("\\p{Lu}\\p{L}{2,} \\d{1,4}");

  private static final Pattern NO_LETTER = Pattern.compile("[^\\p{L}']+");

  private static final int ENOUGH = 400;
  private static final int LONGEST_NAME = 90;
  private static final int LONGEST_MAKER = 30;
  private static final int WORDS_OF_A_NAME = 6;

  /** A cell of as many words, one of them of speech, is a remark. */
  private static final int REMARK = 3;

  private final List<String> values;

  /** Each row's cell, empty where it says nothing. */
  private final List<String> byRow;

  /** How often each of the values stands there. */
  private final Map<String, Integer> counts = new LinkedHashMap<>();

  /** What the cells with a unit end in; found when it is first asked for. */
  private List<String> units;

  private final Map<String, Double> shares = new ConcurrentHashMap<>();

  /** So many different values are looked at for a share. */
  private final int telling;

  /** So many different values show a share to one in fifty. */
  private static final int TELLING = 50;

  /** Of a sheet of very many columns, so many values show what each is: to one in twenty. */
  private static final int FEWEST = 20;

  /** So many values of all columns together are looked at. */
  private static final int MOST = 6000;

  private Cells(List<String> byRow, int telling) {
    this.byRow = byRow;
    this.telling = telling;
    this.values = byRow.stream().filter(v -> !v.isEmpty()).toList();
    values.forEach(v -> counts.merge(v, 1, Integer::sum));
  }

  /**
   * The cells of a column of a sheet's first rows.
   *
   * @param columns how many columns the sheet has
   */
  static Cells of(List<SheetRow> sample, int column, int columns) {
    return new Cells(
        sample.stream()
            .map(r -> CellText.clean(start(r.cell(column))))
            .map(v -> CellText.saysNothing(v) ? "" : v)
            .toList(),
        Math.clamp(MOST / Math.max(1, columns), FEWEST, TELLING));
  }

  /** What a column is shows at the start of its cells, however long they are. */
  private static String start(String cell) {
    return cell.length() > ENOUGH ? cell.substring(0, ENOUGH) : cell;
  }

  List<String> values() {
    return values;
  }

  boolean isEmpty() {
    return values.isEmpty();
  }

  /** The share of cells that pass; 0 of none. */
  double share(Predicate<String> test) {
    int passing = 0;
    int all = 0;
    Iterator<Map.Entry<String, Integer>> each = counts.entrySet().iterator();
    for (int i = 0; i < telling && each.hasNext(); i++) {
      Map.Entry<String, Integer> next = each.next();
      passing += test.test(next.getKey()) ? next.getValue() : 0;
      all += next.getValue();
    }
    return all == 0 ? 0 : (double) passing / all;
  }

  /**
   * The share of cells that pass, found once for all who ask for it.
   *
   * @param what a name for the test; the same for the same test alone
   */
  double once(String what, Predicate<String> test) {
    Double known = shares.get(what);
    if (known == null) {
      known = share(test);
      shares.put(what, known);
    }
    return known;
  }

  /** Whether at least this share of the cells passes, and there are any. */
  boolean mostly(double least, Predicate<String> test) {
    return !values.isEmpty() && share(test) >= least;
  }

  /** The share of rows that have a cell. */
  double filled() {
    return byRow.isEmpty() ? 0 : (double) values.size() / byRow.size();
  }

  /** The share of cells that are another each. */
  double different() {
    return values.isEmpty() ? 0 : (double) counts.size() / values.size();
  }

  /** Whether rows that agree here agree in another column, too, and the other tells fewer apart. */
  boolean determines(Cells other) {
    Map<String, String> seen = new HashMap<>();
    for (int i = 0; i < byRow.size(); i++) {
      String before = seen.putIfAbsent(byRow.get(i), other.byRow.get(i));
      if (before != null && !before.equals(other.byRow.get(i))) {
        return false;
      }
    }
    return other.counts.size() < counts.size();
  }

  /** Whether there are several cells, and all the same. */
  boolean areAlike() {
    return values.size() >= SEVERAL && counts.size() == 1;
  }

  /** The share of cells that begin with a capital. */
  double capitals() {
    return once("capitals", v -> Character.isUpperCase(v.codePointAt(0)));
  }

  /** The share of cells that are mostly letters. */
  double lettered() {
    return once("lettered", v -> v.chars().filter(Character::isLetter).count() * 2 > v.length());
  }

  double numbers() {
    return once("numbers", v -> NUMBER.matcher(v).matches());
  }

  /** The share of cells that are amounts and nothing else: "12 mm", "8-16 mm". */
  double amounts(Knowledge knowledge) {
    return once(
        "amounts",
        v -> {
          Matcher amount = AMOUNT.matcher(v);
          return amount.matches() && knowledge.unitWritten(amount.group(1)).isPresent();
        });
  }

  double prices() {
    return once("prices", v -> PRICE.matcher(v).matches());
  }

  /** Bare numbers with two places behind the point, as sums of money are written. */
  double cents() {
    return share(v -> CENTS.matcher(v).matches());
  }

  /** Whole numbers without a unit, or two with a stroke between them. */
  double counts() {
    return share(v -> COUNT.matcher(v).matches());
  }

  /** The share of cells that are two lengths or three, one by the other. */
  double sides() {
    return once("sides", v -> SIDES.matcher(v).matches());
  }

  /** How much the cells are like makers' names: coined, with capitals, the same in many rows. */
  double makers() {
    return capitals() * lettered() * (1 - different()) * (averageLength() > LONGEST_MAKER ? 0 : 1);
  }

  double addresses() {
    return share(v -> ADDRESS.matcher(v).matches());
  }

  double pictures() {
    return share(v -> PICTURE.matcher(v).matches());
  }

  double gtins() {
    return once("gtins", Cells::isGtin);
  }

  double phrases() {
    return share(v -> v.length() <= LONGEST_NAME && PHRASE.matcher(v).matches());
  }

  double sentences() {
    return share(v -> SENTENCE.matcher(v).matches() && v.split(" ").length >= 3);
  }

  /** The share of cells that list several things in a few words each, and say nothing of them. */
  double listed() {
    return share(
        v -> {
          String[] parts = LIST_PARTS.split(v);
          return parts.length >= FEWEST_LISTED
              && !SENTENCE_ENDS_WITHIN.matcher(v).find()
              && words(v).size() <= MOST_WORDS_OF_A_PART * parts.length;
        });
  }

  /** The share of cells that have a number for every few words, and several of them. */
  double numbered() {
    return share(
        v -> {
          long numbers = NUMBER_WITHIN.matcher(v).results().count();
          return numbers >= FEWEST_LISTED && numbers * WORDS_FOR_A_NUMBER >= words(v).size();
        });
  }

  double averageLength() {
    return values.stream().mapToInt(String::length).average().orElse(0);
  }

  /** The share of cells that speak to somebody, or ask. */
  double remarks(Set<String> speech) {
    return share(
        v -> {
          List<String> words = words(v);
          return words.size() >= REMARK
              && !ANSWER.matcher(v).matches()
              && (v.endsWith("?") || words.stream().anyMatch(speech::contains));
        });
  }

  /** The share of cells that are long numbers of somebody's, letters before them or not. */
  double longCodes() {
    return share(v -> LONG_CODE.matcher(v).matches());
  }

  /** The share of cells that end with a question mark. */
  double questions() {
    return share(v -> v.endsWith("?"));
  }

  /** The share of cells in which one of these words stands. */
  double speakOf(Set<String> words) {
    return share(v -> words(v).stream().anyMatch(words::contains));
  }

  /** The share of cells that are codes in capitals, or parts of addresses, if they differ. */
  double codes() {
    return different() < 1 || values.size() < 3
        ? 0
        : share(
            v ->
                v.length() <= LONGEST_NAME
                    && (UPPER_CODE.matcher(v).matches() || SLUG.matcher(v).matches()));
  }

  /** How much the cells are like products' codes: 0 to 1.5. */
  double codeLike() {
    String stem = stem();
    double codes =
        share(
            v ->
                CODE.matcher(v).matches() && !isGtin(v)
                    || stem.length() >= SHORTEST_STEM
                        && v.startsWith(stem)
                        && CAPITALS.matcher(v).matches());
    double filled = filled();
    return different() < 0.9 ? 0 : filled * (codes < 0.9 ? 0.5 * codes : 0.5 + codes);
  }

  /** What all cells begin with, letters and a sign after them ("ST-"); or empty. */
  private String stem() {
    Matcher start = STEM.matcher(values.isEmpty() ? "" : values.getFirst());
    return start.lookingAt() && values.stream().allMatch(v -> v.startsWith(start.group()))
        ? start.group()
        : "";
  }

  /** How much the cells are like products' names: 0 to 2.8. */
  double nameLike() {
    double letters =
        share(
            v ->
                v.length() >= 3
                        && !MIXED.matcher(v).matches()
                        && v.length() <= LONGEST_NAME
                        && v.chars().filter(Character::isLetter).count() * 2 > v.length()
                    || WORD_AND_NUMBER.matcher(v).matches());
    if (letters < 0.7 || share(v -> CODE.matcher(v).matches() && !v.contains(" ")) > 0.5) {
      return 0;
    }
    double short_ =
        share(v -> !DESCRIBES.matcher(v).matches() && v.split(" ").length <= WORDS_OF_A_NAME);
    double begins = capitals();
    double different = different();
    return filled() * (different + 0.7 * short_ + 0.5 * begins + 0.6 * begins * coined());
  }

  /** The share of cells that end in a noun for a thing after other words, if they differ. */
  double thingsNamed() {
    return different() < 0.9
        ? 0
        : share(
            v ->
                v.indexOf(' ') > 0
                    && v.length() <= LONGEST_NAME
                    && Lexicon.shipped().goods(English.lastWord(v)) >= 0.5);
  }

  /** The share of cells that have a word of no dictionary. */
  double coined() {
    return share(
        v ->
            NO_LETTER
                .splitAsStream(v)
                .anyMatch(w -> w.length() > 2 && !English.isKnown(w.toLowerCase(Locale.ROOT))));
  }

  /** The share of cells of which each part stands in a word list. */
  double terms(Knowledge knowledge, String type) {
    return share(
        v -> {
          for (String part : PARTS.split(v.toLowerCase(Locale.ROOT))) {
            if (knowledge.term(type, part).isEmpty()) {
              return false;
            }
          }
          return true;
        });
  }

  /** The share of cells of which a part is, or ends in, a noun that is a kind of one of these. */
  double kindsOf(List<String> nouns) {
    return share(
        v ->
            PARTS
                .splitAsStream(v.toLowerCase(Locale.ROOT))
                .anyMatch(
                    part -> {
                      String last = English.lastWord(part);
                      return nouns.stream()
                          .anyMatch(
                              n ->
                                  n.equals(COUNTRY) && COUNTRIES.contains(part)
                                      || Lexicon.shipped().isKindOf(part, n)
                                      || Lexicon.shipped().isKindOf(last, n));
                    }));
  }

  double answers() {
    return share(v -> ANSWER.matcher(v).matches());
  }

  /** The share of cells with a unit, of those or of the heading, that measure a dimension. */
  double measure(Knowledge knowledge, String headingUnit, String dimension) {
    List<String> units = units(headingUnit);
    if (units.isEmpty()) {
      return 0;
    }
    Map<String, Long> counts =
        units.stream().collect(Collectors.groupingBy(u -> u, Collectors.counting()));
    long measuring =
        counts.entrySet().stream()
            .filter(
                e ->
                    knowledge
                        .unitWritten(e.getKey(), dimension)
                        .filter(k -> k.dimension().equals(dimension))
                        .isPresent())
            .mapToLong(Map.Entry::getValue)
            .sum();
    return (double) measuring / units.size();
  }

  private List<String> units(String headingUnit) {
    if (!headingUnit.isEmpty()) {
      return List.of(headingUnit);
    }
    if (units == null) {
      units =
          values.stream()
              .map(UNIT_AT_END::matcher)
              .filter(Matcher::matches)
              .map(m -> m.group(1))
              .toList();
    }
    return units;
  }

  /**
   * The dimensions that the cells, or the heading's unit, measure; one for each cell with a unit.
   */
  List<String> dimensions(Knowledge knowledge, String headingUnit) {
    return units(headingUnit).stream()
        .map(knowledge::unitWritten)
        .flatMap(Optional::stream)
        .map(Unit::dimension)
        .toList();
  }

  /** Whether a cell ends in this unit. */
  boolean haveUnit(String unit) {
    return units("").contains(unit);
  }

  /** Whether cells have units of their own, and none that measures what this unit does. */
  boolean measureOtherThan(Knowledge knowledge, String unit) {
    List<String> own = dimensions(knowledge, "");
    return !own.isEmpty()
        && own.stream()
            .noneMatch(d -> knowledge.unit(unit).filter(u -> u.dimension().equals(d)).isPresent());
  }

  /** The words of a text in lower case. */
  static List<String> words(String text) {
    return WORD.splitAsStream(text.toLowerCase(Locale.ROOT))
        .filter(w -> w.chars().anyMatch(Character::isLetter))
        .toList();
  }

  /** A GTIN-8, -12, -13 or -14 whose check digit is right (GS1 General Specifications, 7.9). */
  static boolean isGtin(String text) {
    if (!GTIN.matcher(text).matches()) {
      return false;
    }
    int sum = 0;
    for (int i = 0; i < text.length() - 1; i++) {
      int fromRight = text.length() - 1 - i;
      sum += (text.charAt(i) - '0') * (fromRight % 2 == 1 ? 3 : 1);
    }
    return (10 - sum % 10) % 10 == text.charAt(text.length() - 1) - '0';
  }
}
