package rhetor.core.reading;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.reading.Meaning.Role;

/** Gathers what speaks for a column's being a code, a name, a text, or for the house alone. */
final class RoleEvidence {
  private static final Pattern DIGITS_AND_SIGNS = Pattern.compile("[\\d.,/ -]+");
  private static final Pattern PERCENT = Pattern.compile("[\\d.,-]+ ?%");
  private static final Pattern COUNTED = Pattern.compile("(?<=\\p{L}{2})\\d{1,2}$");
  private static final Pattern MONEY = Pattern.compile("[£$€¥]");

  /** A sheet of so many columns has its private ones at the end, if any. */
  private static final double WIDE = 12;

  private static final int BESIDE = 2;

  /** Codes and names stand in so many columns in front. */
  private static final int FRONT = 3;

  private static final double SPEAKS = 0.25;
  private static final double HALF = 0.5;

  private static final double FEWER = 0.75;

  /** Cells from here on are like names, see {@link Cells#nameLike}. */
  private static final double NAMES = 1.3;

  private final Knowledge knowledge;
  private final HeadingNames names;
  private final Set<String> trade;
  private final Set<String> remark;

  /** Each column asks it of all others. */
  private final Memo<Boolean> tradeHeadings = new Memo<>(this::findTrade);

  private final Set<String> perhaps;
  private final Set<String> search;
  private final Set<String> text;
  private final Set<String> speech;
  private final Set<String> codes;
  private final Set<String> cartons;
  private final Set<String> packed;

  RoleEvidence(Knowledge knowledge, HeadingNames names) {
    this.knowledge = knowledge;
    this.names = names;
    this.trade = knowledge.roleWords("trade");
    this.remark = knowledge.roleWords("remark");
    this.perhaps = knowledge.roleWords("perhaps");
    this.search = knowledge.roleWords("keyword");
    this.text = knowledge.roleWords("prose");
    this.speech = knowledge.roleWords("speech");
    this.codes = knowledge.roleWords("codes");
    this.cartons = knowledge.roleWords("cartons");
    this.packed = knowledge.roleWords("packed");
  }

  /**
   * Adds what a column's heading, cells and place say of a role; false if the column can't have it:
   * names, texts and keywords aren't numbers, and what all products have is nobody's name.
   */
  boolean gather(
      Role role, SheetColumn column, SheetColumns sheet, Map<Evidence, Double> evidence) {
    Cells cells = column.cells();
    // "KW2" and "bullet1" are a second and a first of their kind.
    List<String> words =
        Cells.words(column.raw()).stream().map(w -> COUNTED.matcher(w).replaceFirst("")).toList();
    if ((role == Role.NAME || role == Role.PROSE || role == Role.KEYWORD)
        && (cells.numbers() > HALF || !column.unit(knowledge).isEmpty() && !cells.isEmpty())) {
      return false;
    }
    if (role == Role.NAME && isCodeOf(column)) {
      return false;
    }
    // Variants of one thing are all called alike where the heading says that it is their name.
    boolean isSaid = evidence.containsKey(Evidence.SAYS_ROLE);
    if (role == Role.NAME && !isSaid && (cells.areAlike() || groupsNames(column, sheet))) {
      return false;
    }
    switch (role) {
      case SKU -> {
        evidence.put(Evidence.ANY_SKU, 1.0);
        evidence.put(Evidence.LIKE_CODES, cells.codeLike() / 1.5);
        evidence.put(Evidence.FIRST, column.index() == 0 ? 1.0 : 0);
        evidence.put(Evidence.GTINS_AS_CODES, cells.gtins());
      }
      case NAME -> {
        evidence.put(Evidence.ANY_NAME, 1.0);
        evidence.put(Evidence.LIKE_NAMES, cells.nameLike() / 2.8);
        evidence.put(Evidence.NAMES_REPEAT, cells.isEmpty() ? 0 : 1 - cells.different());
        evidence.put(Evidence.PROPER, proper(column, sheet));
        evidence.put(Evidence.FRONT, 1.0 / (1 + Math.abs(column.index() - 1)));
        evidence.put(Evidence.THING, thing(column.heading().name(), sheet));
        evidence.put(
            Evidence.NAMES_THINGS, sheet.language().equals("en") ? cells.thingsNamed() : 0);
      }
      case PROSE -> {
        evidence.put(Evidence.ANY_PROSE, 1.0);
        evidence.put(Evidence.TEXT_WORD, words.stream().anyMatch(text::contains) ? 1.0 : 0);
        evidence.put(Evidence.LONG, Math.min(1, cells.averageLength() / 60));
        evidence.put(Evidence.SENTENCES, cells.sentences());
        evidence.put(Evidence.LISTED, cells.listed());
        evidence.put(Evidence.NUMBERED, cells.numbered());
      }
      case KEYWORD -> {
        evidence.put(Evidence.ANY_KEYWORD, 1.0);
        boolean searches =
            words.stream().anyMatch(search::contains) || search.contains(String.join("", words));
        evidence.put(Evidence.SEARCH_WORD, searches ? 1.0 : 0);
        if (!words.isEmpty() && search.containsAll(words)) {
          evidence.put(Evidence.SAYS_TEXT, 1.0);
        }
        evidence.put(Evidence.PHRASES, cells.phrases());
        evidence.put(
            Evidence.NUMBERS_AS_PHRASES, cells.share(v -> DIGITS_AND_SIGNS.matcher(v).matches()));
      }
      case PICTURE -> {
        evidence.put(Evidence.ANY_PICTURE, 1.0);
        evidence.put(Evidence.PICTURES, cells.pictures());
      }
      case KEEP -> privacy(evidence, words, column, sheet);
      case EXTRA -> {
        // What everything else is measured against.
      }
      case CONCEPT -> {
        // Each has its own evidence.
      }
    }
    return true;
  }

  /**
   * Whether a column of names beside this one tells a quarter more products apart, each of which
   * has one value here: a series groups the products that the other names.
   */
  private boolean groupsNames(SheetColumn column, SheetColumns sheet) {
    return sheet.columns().stream()
        .filter(c -> c.index() != column.index())
        .filter(c -> Math.abs(c.index() - column.index()) <= BESIDE)
        .filter(
            c ->
                !isCodeOf(c)
                    && c.cells().capitals() > HALF
                    && c.cells().nameLike() >= NAMES
                    && !names.isKnown(c.heading().name()))
        .filter(c -> c.cells().determines(column.cells()))
        .anyMatch(c -> column.cells().different() <= FEWER * c.cells().different());
  }

  /** The share of cells with a capital in front, beside that of the other columns of words. */
  private static double proper(SheetColumn column, SheetColumns sheet) {
    double others =
        sheet.columns().stream()
            .filter(c -> c.index() != column.index() && c.cells().lettered() > HALF)
            .mapToDouble(c -> c.cells().capitals())
            .average()
            .orElse(1);
    return Math.max(0, column.cells().capitals() - others);
  }

  /** How surely a heading is a noun for things that are sold: "Boat" stands over boats' names. */
  private double thing(String heading, SheetColumns sheet) {
    if (!sheet.titled().isEmpty()
        && (heading.equals(sheet.titled()) || sheet.titled().endsWith(" " + heading))) {
      return 1;
    }
    return !sheet.language().equals("en") || names.isKnown(heading) || heading.split(" ").length > 2
        ? 0
        : Lexicon.shipped().goods(heading);
  }

  private void privacy(
      Map<Evidence, Double> evidence, List<String> words, SheetColumn column, SheetColumns sheet) {
    Cells cells = column.cells();
    evidence.put(Evidence.ANY_PRIVATE, 1.0);
    evidence.put(Evidence.TRADE_WORD, isTrade(column) ? 1.0 : 0);
    // "Tasting notes" tell of the thing, "notes" alone and notes that speak to somebody don't.
    boolean speaks = words.size() == 1 || cells.remarks(speech) >= SPEAKS;
    evidence.put(
        Evidence.REMARK_WORD,
        words.stream()
                .flatMap(this::inFull)
                .anyMatch(w -> remark.contains(w) || speaks && perhaps.contains(w))
            ? 1.0
            : 0);
    evidence.put(Evidence.MONEY, MONEY.matcher(column.raw()).find() ? 1.0 : 0);
    evidence.put(Evidence.PRICES, cells.prices());
    evidence.put(Evidence.CENTS, cells.cents());
    evidence.put(Evidence.GTINS, cells.gtins());
    evidence.put(Evidence.ADDRESSES, cells.pictures() > HALF ? 0 : cells.addresses());
    evidence.put(Evidence.CODES, cells.codes());
    evidence.put(Evidence.LONG_CODES, cells.longCodes());
    evidence.put(Evidence.CODE_OF, isCodeOf(column) ? 1.0 : 0);
    evidence.put(Evidence.PACKING, isPacking(column) ? 1.0 : 0);
    evidence.put(Evidence.COUNTS, column.unit(knowledge).isEmpty() ? cells.counts() : 0);
    evidence.put(Evidence.REMARKS, cells.remarks(speech));
    int last = sheet.columns().size() - 1;
    // On a narrow sheet the last column is no further from the first than from the end.
    evidence.put(
        Evidence.LATE, last <= 0 ? 0 : (double) column.index() / last * Math.min(1, last / WIDE));
    int beside = 0;
    for (SheetColumn other : sheet.columns()) {
      int away = Math.abs(other.index() - column.index());
      beside += away > 0 && away <= BESIDE && isTrade(other) ? 1 : 0;
    }
    evidence.put(Evidence.BESIDE_TRADE, beside / (2.0 * BESIDE));
    evidence.put(Evidence.AFTER_TRADE, isAfterTrade(column, sheet) ? 1.0 : 0);
    boolean measures = !cells.dimensions(knowledge, column.unit(knowledge)).isEmpty();
    evidence.put(Evidence.ANY_UNIT, measures ? 1.0 : 0);
    evidence.put(Evidence.REPEATS, cells.isEmpty() ? 0 : 1 - cells.different());
    evidence.put(Evidence.ANY_ANSWERS, cells.answers());
    evidence.put(Evidence.PERCENT, cells.share(v -> PERCENT.matcher(v).matches()));
    evidence.put(Evidence.SPARSE, cells.isEmpty() ? 0 : 1 - cells.filled());
  }

  /** Whether prices, stock or numbers for scanners stand before a column, codes in front apart. */
  private boolean isAfterTrade(SheetColumn column, SheetColumns sheet) {
    return sheet.columns().stream()
        .filter(c -> c.index() < column.index() && c.index() >= FRONT)
        .anyMatch(c -> isTrade(c) || c.cells().prices() > HALF || c.cells().gtins() > HALF);
  }

  /** Whether a heading speaks of codes of something ("colour code"), not of the products'. */
  private boolean isCodeOf(SheetColumn column) {
    List<String> heading = Cells.words(column.raw());
    return heading.size() > 1
        && codes.contains(heading.getLast())
        && !names.isName(column.heading().name());
  }

  /** Whether a heading is all about cartons and what is in them, over whole numbers. */
  private boolean isPacking(SheetColumn column) {
    List<String> heading = Cells.words(column.raw());
    return heading.stream().anyMatch(cartons::contains)
        && heading.stream().allMatch(w -> cartons.contains(w) || packed.contains(w))
        && column.cells().counts() > HALF
        && !names.isKnown(column.heading().name());
  }

  private boolean isTrade(SheetColumn column) {
    return tradeHeadings.of(column.raw());
  }

  private boolean findTrade(String heading) {
    return MONEY.matcher(heading).find()
        || Cells.words(heading).stream()
            .flatMap(this::inFull)
            .anyMatch(w -> trade.contains(w) || remark.contains(w));
  }

  /** A word, and what it may be short for. */
  private Stream<String> inFull(String word) {
    return Stream.of(word, knowledge.abbreviations("en").getOrDefault(word, word));
  }
}
