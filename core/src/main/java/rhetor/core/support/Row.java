package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/** What a product's public cells say, ready to be asked: words, numbers, yes and no. */
final class Row {
  private static final Set<String> ENDINGS =
      Set.of(
          "", "s", "es", "ed", "d", "ing", "able", "ible", "y", "ly", "ness", "ment", "ion", "ions",
          "ation", "ive", "en", "al", "ful", "less", "ish", "e");

  private static final List<String> VERBAL = List.of("able", "ible", "ing", "ed", "ive");

  /** A sentence model takes milliseconds for each. */
  private static final int MOST_SAID = 100;

  private static final int MOST_KINDS = 400;

  private static final Pattern HANDS =
      Pattern.compile(
          "\\bBY HAND\\b|\\bHAND[ -]?(?:MADE|CRAFTED|WOVEN|SEWN|KNITTED|KNOTTED|PAINTED|THROWN|FINISHED|BUILT|CUT|STITCHED|TURNED|CARVED|FORGED|DRAWN|ASSEMBLED)\\b");

  private static final Pattern COMES_WITH =
      Pattern.compile(
          "(?i)\\b(?:incl|included?|includes|including|supplied|comes? with|in the box)\\b");

  private static final Pattern PENDING =
      Pattern.compile("(?i)\\b(?:pending|applied|expected|planned|in progress|not yet|tbc)\\b");

  /** "Veg." may be of vegetables, vegetarian or vegan: too little to hold somebody to. */
  private static final int SHORTEST_CUT = 4;

  private static final int SHORTEST_VERB = 3;

  private static final Pattern VOWELS = Pattern.compile("[aeiouy]");

  /** "N assembled", "no (sherry)": what is so instead, or why it isn't. */
  private static final Pattern INSTEAD =
      Pattern.compile("(?:N\\b[ ,;(]+|(?i:no)[,;] ?|(?i:no) \\()(?<what>\\p{L}[^)]*)\\)?");

  private static final Pattern LETTERS = Pattern.compile("\\p{Lu}(?:[ ,/+&]+\\p{Lu})+");

  private static final Pattern PIECE = Pattern.compile("[,;/.]");

  private static final Pattern POSSESSIVE = Pattern.compile("['’]s$");

  private final Knowledge knowledge;
  private final List<Cell> cells = new ArrayList<>();
  private final Set<String> names = new HashSet<>();
  private final Set<String> told = new HashSet<>();
  private final Set<String> prose = new HashSet<>();
  private final Set<String> searched = new HashSet<>();
  private final Set<String> promises = new HashSet<>();
  private final Set<String> nouns = new HashSet<>();
  private final Set<String> saidNouns = new HashSet<>();
  private final Map<String, Boolean> known = new HashMap<>();

  /** What full stops cut off: "adj." may be adjustable or adjusted. */
  private final Set<String> cutOff = new HashSet<>();

  /** "W'proof", "w'nty". */
  private final Set<String> contracted = new HashSet<>();

  /** Capitals in headings and cells, each with the cells that it heads or stands in. */
  private final Map<String, Set<Cell>> acronyms = new LinkedHashMap<>();

  private final String text;
  private final List<String> sentences = new ArrayList<>();
  private final List<Double> proseNumbers = new ArrayList<>();

  Row(ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    KnownWords wordings = knowledge.index(KnownWords.class, KnownWords::new);
    for (String name : product.names()) {
      for (Word word : Words.of(name)) {
        names.add(word.text());
        names.add(POSSESSIVE.matcher(word.text()).replaceFirst(""));
      }
    }
    CellReader reader = knowledge.index(CellReader.class, CellReader::new);
    for (Fact fact : product.facts()) {
      Cell cell = reader.read(fact);
      cells.add(cell);
      for (Source source : fact.sources()) {
        Acronyms.in(source.heading() + " " + source.raw()).stream()
            .filter(a -> !English.isKnown(a) && knowledge.unitWritten(a).isEmpty())
            .forEach(a -> acronyms.computeIfAbsent(a, k -> new LinkedHashSet<>()).add(cell));
      }
      for (Claim claim : Licence.in(knowledge).of(fact, product.productClass())) {
        promises.addAll(wordings.ofClaim(claim.id()).stems());
      }
      if (!(fact.value() instanceof Value.YesNo(boolean yes)) || yes) {
        String as =
            knowledge.toldAs(fact.concept(), fact.label()).map(Concept::id).orElse(fact.concept());
        told.addAll(wordings.ofConcept(as).stems());
      }
    }
    told.addAll(Stems.of(product.kindNoun()));
    nouns.addAll(Stems.of(product.kindNoun()));
    searched.addAll(Stems.of(product.keyword()));
    prose.addAll(Stems.of(product.supplierText()));
    if (!product.supplierText().isBlank()) {
      sentences.addAll(List.of(product.supplierText().split("(?<=[.!?])\\s+")));
    }
    Amount.in(product.supplierText(), knowledge).forEach(a -> proseNumbers.add(a.value()));
    proseNumbers.addAll(CellReader.grouped(product.supplierText()));
    StringBuilder all =
        new StringBuilder(product.name())
            .append(' ')
            .append(product.kindNoun())
            .append(' ')
            .append(product.supplierText());
    product.facts().forEach(f -> f.sources().forEach(c -> all.append(' ').append(c.raw())));
    product.facts().forEach(f -> f.sources().forEach(c -> all.append(' ').append(c.heading())));
    text = all.toString().toUpperCase(Locale.ROOT);
    for (Cell cell : cells) {
      told.addAll(cell.toldByItself());
      cutOff.addAll(cell.cutOff());
      cell.label().stream().filter(s -> s.indexOf('\'') > 0).forEach(contracted::add);
      cell.numbers().forEach(n -> told.addAll(JudgeWords.shipped().measures(n.dimension())));
      Matcher instead = INSTEAD.matcher(cell.value().strip());
      if (instead.matches()) {
        told.addAll(Stems.of(instead.group("what")));
      }
      if (cell.answer() != Cell.Answer.NO) {
        told.addAll(cell.said());
        saidNouns.addAll(cell.said());
      }
    }
  }

  /** What it says, a cell or a sentence of the supplier's each. */
  List<String> said() {
    List<String> said = new ArrayList<>();
    cells.forEach(c -> said.add(c.words()));
    said.addAll(sentences);
    return said.size() > MOST_SAID ? said.subList(0, MOST_SAID) : said;
  }

  List<Cell> cells() {
    return cells;
  }

  /** The words of a sentence that capitals of the sheet stand for, with the cells of those. */
  Map<Cell, List<Word>> spelledOut(List<Word> all) {
    if (acronyms.isEmpty()) {
      return Map.of();
    }
    Map<Cell, List<Word>> found = new LinkedHashMap<>();
    acronyms.forEach(
        (capitals, of) -> {
          List<Word> words = Acronyms.find(capitals, all);
          if (!words.isEmpty()) {
            of.forEach(c -> found.put(c, words));
          }
        });
    return found;
  }

  /**
   * Whether a cell has the first letter of a name among letters that stand alone, as "P, S, D" of
   * valves, in a sentence that speaks of them.
   *
   * @param spoken the sentence's words
   */
  boolean isInitialOf(String name, Set<String> spoken) {
    char first = Character.toUpperCase(name.charAt(0));
    for (Cell cell : cells) {
      String value = cell.value().strip();
      boolean has = LETTERS.matcher(value).matches() && value.indexOf(first) >= 0;
      if (has && spoken.stream().anyMatch(w -> cell.label().contains(English.stem(w)))) {
        return true;
      }
    }
    return false;
  }

  List<Double> proseNumbers() {
    return proseNumbers;
  }

  /** Whether the house's people let shoppers find it by a word. */
  boolean isSearched(String word) {
    return searched.contains(English.stem(word));
  }

  boolean isName(String word) {
    return names.contains(word)
        || word.endsWith("'s") && isName(word.substring(0, word.length() - 2));
  }

  /** Whether a public cell, a heading, the kind or a licensed claim has a word, or its like. */
  boolean says(String word) {
    return known.computeIfAbsent(word, this::find);
  }

  private boolean find(String written) {
    String word = written.endsWith("'s") ? written.substring(0, written.length() - 2) : written;
    if (in(told, word)
        || in(promises, word)
        || contracted.stream().anyMatch(c -> isContracted(c, word))
        || told.stream().anyMatch(t -> t.length() >= SHORTEST_VERB && isFrameOf(t, word))
        || cutOff.stream().anyMatch(word::startsWith)) {
      return true;
    }
    if (word.indexOf('-') > 0 && in(told, word.replace("-", ""))) {
      return true;
    }
    if (word.indexOf('-') > 0) {
      return java.util.Arrays.stream(word.split("-"))
          .allMatch(p -> p.length() < 3 || in(told, p) || JudgeWords.shipped().isHarmless(p));
    }
    String stem = English.stem(word);
    if (word.length() >= SHORTEST_CUT && told.stream().anyMatch(t -> isEndOf(word, t))) {
      return true;
    }
    for (String told : saidNouns) {
      // What is narrower in the row is the wider word too: merino is wool.
      if (Lexicon.shipped().isKindOf(told, stem) && Lexicon.shipped().kinds(stem) < MOST_KINDS) {
        return true;
      }
    }
    for (String noun : nouns) {
      if (Lexicon.shipped().isKindOf(noun, stem)) {
        return true;
      }
    }
    return false;
  }

  /** "Bound" of "clothbound": the second of two words in one. */
  private static boolean isEndOf(String word, String compound) {
    return compound.endsWith(word)
        && compound.length() - word.length() >= SHORTEST_CUT
        && English.isNoun(compound.substring(0, compound.length() - word.length()));
  }

  private static boolean in(Set<String> stems, String word) {
    if (stems.contains(English.stem(word))) {
      return true;
    }
    for (String each : stems) {
      if (areOfOneRoot(each, word)) {
        return true;
      }
    }
    if (JudgeWords.shipped().is("cleaned", word)) {
      // To wash and to dry-clean are two things, though both clean.
      return false;
    }
    for (String kin : Lexicon.shipped().kin(English.stem(word))) {
      if (stems.contains(English.stem(kin))) {
        return true;
      }
    }
    return false;
  }

  /** "Fold" and "foldable", "clean" and "cleaning": one begins the other. */
  static boolean areOfOneRoot(String a, String b) {
    if (a.isEmpty() || b.isEmpty() || a.charAt(0) != b.charAt(0)) {
      return false;
    }
    String shorter = a.length() < b.length() ? a : b;
    String longer = a.length() < b.length() ? b : a;
    return begins(shorter, longer)
        || shorter.length() == longer.length() && begins(longer, shorter)
        || root(a).length() >= 4 && root(a).equals(root(b))
        || shorter.length() >= SHORTEST_VERB && root(longer).equals(shorter)
        || isAbleTo(a, b)
        || isAbleTo(b, a);
  }

  /** "Cuttable" is what can be cut. */
  static boolean isAbleTo(String able, String verb) {
    if (!able.endsWith("able") && !able.endsWith("ible")) {
      return false;
    }
    String root = root(able);
    int last = root.length() - 1;
    boolean isDoubled = last > 1 && root.charAt(last) == root.charAt(last - 1);
    return verb.length() >= SHORTEST_VERB
        && (root.equals(verb)
            || verb.equals(root + "e")
            || isDoubled && root.substring(0, last).equals(verb));
  }

  private static boolean begins(String shorter, String longer) {
    String root = shorter.endsWith("e") ? shorter.substring(0, shorter.length() - 1) : shorter;
    return root.length() >= 4
        && longer.startsWith(root)
        && ENDINGS.contains(longer.substring(root.length()));
  }

  /** "Wash" of "washed" and "washable". */
  private static String root(String word) {
    for (String ending : VERBAL) {
      if (word.endsWith(ending)) {
        return word.substring(0, word.length() - ending.length());
      }
    }
    return word;
  }

  /** Whether a cell that doesn't say no has just this word: "soft" isn't "softest". */
  boolean hasExactly(String word) {
    return cells.stream()
        .filter(c -> c.answer() != Cell.Answer.NO && !c.isName())
        .anyMatch(c -> Words.find(word, c.value()) >= 0);
  }

  /** Whether a cell, the supplier's prose or the name has a code as it stands. */
  boolean hasCode(String code) {
    return text.contains(code.toUpperCase(Locale.ROOT));
  }

  /** Whether a cell, the kind, a licensed claim or the supplier's prose has a stuff or a thing. */
  boolean has(String word) {
    return isInCells(word) || isInProse(word);
  }

  /** Whether a thing comes with it: a cell has it, or a sentence of the supplier's says so. */
  boolean comesWith(String word) {
    String stem = English.stem(word);
    boolean isRefused =
        cells.stream().anyMatch(c -> c.answer() == Cell.Answer.NO && hasRoot(c.heading(), word));
    return !isRefused && isInCells(word)
        || sentences.stream()
            .anyMatch(s -> Stems.of(s).contains(stem) && COMES_WITH.matcher(s).find());
  }

  /**
   * Whether a heading, a cell, the kind or a licensed claim has a stuff or a thing, or a narrower
   * one. Words for them have kin of other sorts: a paper is a composition, too.
   */
  private boolean isInCells(String word) {
    String stem = English.stem(word);
    Set<String> alike = new HashSet<>(Lexicon.shipped().synonyms(stem));
    alike.removeIf(s -> s.indexOf(' ') >= 0);
    return Stream.of(nouns, promises).anyMatch(of -> hasRoot(of, word))
        // A column of materials may be headed "wood" or "metal"; this one says so or doesn't.
        || cells.stream().anyMatch(c -> hasRoot(c.heading(), word))
        || saidNouns.stream()
            .anyMatch(
                s ->
                    areOfOneRoot(s, word)
                        || alike.contains(s)
                        || Lexicon.shipped().isKindOf(s, stem)
                            && Lexicon.shipped().kinds(stem) < MOST_KINDS);
  }

  private static boolean hasRoot(Set<String> stems, String word) {
    return stems.stream().anyMatch(s -> s.equals(English.stem(word)) || areOfOneRoot(s, word));
  }

  /** Whether a cell, or what its shorthand stands for, has a word and none that is only akin. */
  boolean names(String word) {
    String stem = English.stem(word);
    return cells.stream().anyMatch(c -> c.said().contains(stem));
  }

  /** Whether a cell or the supplier's text says that hands are at work on it. */
  boolean speaksOfHands() {
    return HANDS.matcher(text).find();
  }

  /** Whether a cell names a scheme, and neither says no to it nor that it is still to come. */
  boolean grants(String scheme) {
    String capitals = scheme.toUpperCase(Locale.ROOT);
    boolean isRefused =
        cells.stream()
            .filter(c -> c.words().toUpperCase(Locale.ROOT).contains(capitals))
            .anyMatch(c -> c.answer() == Cell.Answer.NO || PENDING.matcher(c.words()).find());
    return !isRefused;
  }

  /** Whether a word is for what the product is. */
  boolean isOfKind(String word) {
    String stem = English.stem(word);
    return nouns.stream().anyMatch(n -> n.equals(stem) || Lexicon.shipped().isKindOf(n, stem));
  }

  /** Whether a cell says a property, says yes to it, or licenses a claim of it. */
  boolean affirms(String word) {
    String stem = English.stem(word);
    Set<String> stems = Stems.of(word);
    return promises.contains(stem)
        || nouns.contains(stem)
        || cells.stream()
            .filter(c -> c.answer() != Cell.Answer.NO)
            .anyMatch(
                c ->
                    c.said().contains(stem)
                        || isInParts(c, word)
                        || (c.answer() == Cell.Answer.YES || isMeasured(c))
                            && c.names().stream()
                                .anyMatch(
                                    n ->
                                        n.contains(stem)
                                            || n.stream()
                                                .allMatch(
                                                    s ->
                                                        s.length() >= SHORTEST_CUT
                                                            && isAmong(s, stems))));
  }

  /** "Waterproof: 3000 mm" says how much it is. */
  private static boolean isMeasured(Cell cell) {
    return cell.parts() == 1
        && cell.numbers().stream().anyMatch(n -> n.value() > 0 && !n.dimension().isEmpty());
  }

  /**
   * Whether a cell says in several words what a text says in one, and doesn't deny it: "machine
   * wash" of what is machine-washable, a heading "oven safe to" over a number.
   */
  private static boolean isInParts(Cell cell, String word) {
    String[] parts = word.split("-");
    if (parts.length < 2) {
      return false;
    }
    int colon = cell.words().indexOf(':');
    Stream<String> pieces = PIECE.splitAsStream(cell.words().substring(colon + 1));
    Stream<String> measured =
        cell.numbers().isEmpty() ? Stream.of() : Stream.of(cell.words().substring(0, colon));
    return Stream.concat(pieces, measured)
        .map(Words::of)
        .filter(p -> p.stream().noneMatch(w -> JudgeWords.shipped().is("negation", w.text())))
        .anyMatch(p -> areSideBySide(parts, p));
  }

  private static boolean areSideBySide(String[] parts, List<Word> words) {
    for (int from = 0; from + parts.length <= words.size(); from++) {
      int at = from;
      boolean areAll = true;
      for (String part : parts) {
        String word = words.get(at++).text();
        areAll &= word.equals(part) || areOfOneRoot(English.stem(word), English.stem(part));
      }
      if (areAll) {
        return true;
      }
    }
    return false;
  }

  /** Whether a name's stem is one of some words, or begins like one, or says the same. */
  boolean isAmong(String stem, Set<String> words) {
    if (words.contains(stem)) {
      return true;
    }
    for (String word : words) {
      if (isContracted(stem, word)) {
        return true;
      }
      boolean isCutOff = cutOff.contains(stem) && (word.startsWith(stem) || isFrameOf(stem, word));
      if (isCutOff || areOfOneRoot(stem, word)) {
        return true;
      }
    }
    return false;
  }

  /** "W'proof" is "waterproof". */
  private static boolean isContracted(String stem, String word) {
    int cut = stem.indexOf('\'');
    return cut > 0
        && word.length() > stem.length()
        && word.startsWith(stem.substring(0, cut))
        && word.endsWith(stem.substring(cut + 1));
  }

  /** "Chg" is what is left of "charge" when its vowels and some more go. */
  private static boolean isFrameOf(String consonants, String word) {
    if (VOWELS.matcher(consonants).find() || word.charAt(0) != consonants.charAt(0)) {
      return false;
    }
    int at = 0;
    for (int i = 0; i < word.length() && at < consonants.length(); i++) {
      at += word.charAt(i) == consonants.charAt(at) ? 1 : 0;
    }
    return at == consonants.length();
  }

  /** Whether the supplier's prose has a word, or its like. */
  boolean isInProse(String word) {
    return in(prose, word);
  }
}
