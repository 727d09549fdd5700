package rhetor.core.support;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Term;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/** What a product's public cells say, ready to be asked: words, numbers, yes and no. */
final class Row {
  private static final Pattern NO =
      Pattern.compile(
          "(?i)(?:no|n|none|without|nein|non|not|false|free|excl\\.?|✗|–|-)(?:[ ,;(/].*)?");
  private static final Pattern YES =
      Pattern.compile("(?i)(?:yes|y|x|ja|oui|true|✓|✔|incl\\.?)(?:[ ,;(/].*)?");
  private static final Pattern CUT = Pattern.compile("(?<!\\p{L})(\\p{L}{3,})\\.(?! ?\\p{Lu})");
  private static final Pattern PARTS = Pattern.compile("\\s*[,;/+&]\\s*|\\s+and\\s+");
  private static final Set<String> ENDINGS =
      Set.of(
          "", "s", "es", "ed", "d", "ing", "able", "ible", "y", "ly", "ness", "ment", "ion", "ions",
          "ation", "en", "al", "ful", "less", "ish", "e");

  private static final Pattern GROUPED =
      Pattern.compile("(?<![\\d.,])\\d{1,3}(?:[.,]\\d{3})+(?![\\d.,])");

  /** "55% LI", "rec. PES": fibres by their codes. */
  private static final Pattern FIBRE = Pattern.compile("(?:%|rec\\.) ?(\\p{Lu}{2,3})(?!\\p{L})");

  private static final Pattern THOUSANDS = Pattern.compile("(?<![\\d.,])(\\d{1,4})[kK](?!\\p{L})");
  private static final Pattern ORDER =
      Pattern.compile("(?<!\\p{L})[hwdlbt](?: ?[x×] ?[hwdlbt]){1,2}(?!\\p{L})");
  private static final Pattern LENGTHS =
      Pattern.compile("\\d+(?:[.,]\\d+)?(?: ?[x×*] ?\\d+(?:[.,]\\d+)?){1,2}");
  private static final Map<String, Set<String>> SIDES =
      Map.of(
          "h", Set.of("height", "high", "tall"),
          "w", Set.of("width", "wide", "across"),
          "b", Set.of("width", "wide", "across"),
          "d", Set.of("depth", "deep"),
          "t", Set.of("depth", "deep"),
          "l", Set.of("length", "long"));

  private static final Map<String, Set<String>> AUDIENCES =
      Map.of(
          "m", Set.of("man"),
          "w", Set.of("woman"),
          "f", Set.of("woman"),
          "u", Set.of("man", "woman"));

  private static final int LONGEST = 400;

  private static final int MOST_KINDS = 400;

  /** What a cell says to whether something is so. */
  enum Answer {
    YES,
    NO,
    NEITHER
  }

  /**
   * A number of a cell.
   *
   * @param dimension what it measures, empty if nothing says
   * @param base the value in the dimension's base unit
   * @param side stems for the side that it is of, where the heading gives their order; else empty
   */
  record Number(double value, String dimension, double base, Set<String> side) {
    Number(double value, String dimension, double base) {
      this(value, dimension, base, Set.of());
    }
  }

  /**
   * A public cell.
   *
   * @param words for people: its heading and what it says
   * @param names stems of each way to call it: its heading, and its concept's names
   * @param label all of them
   * @param said stems of what it says
   * @param parts how many things it lists
   */
  record Cell(
      String words,
      List<Set<String>> names,
      Set<String> label,
      Set<String> said,
      List<Number> numbers,
      int parts,
      Answer answer) {}

  private final Knowledge knowledge;
  private final List<Cell> cells = new ArrayList<>();
  private final Set<String> names = new HashSet<>();
  private final Set<String> told = new HashSet<>();
  private final Set<String> prose = new HashSet<>();
  private final Set<String> promises = new HashSet<>();
  private final Set<String> nouns = new HashSet<>();
  private final Set<String> saidNouns = new HashSet<>();
  private final Map<String, Boolean> known = new HashMap<>();

  /** What full stops cut off: "adj." may be adjustable or adjusted. */
  private final Set<String> cutOff = new HashSet<>();

  private final String text;
  private final List<String> sentences = new ArrayList<>();
  private final List<Double> proseNumbers = new ArrayList<>();

  Row(ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    KnownWords wordings = knowledge.index(KnownWords.class, KnownWords::new);
    for (String name : product.names()) {
      Words.of(name).forEach(w -> names.add(w.text()));
    }
    for (Fact fact : product.facts()) {
      cells.add(cell(fact, product.name()));
      for (Claim claim : Licence.in(knowledge).of(fact, product.productClass())) {
        promises.addAll(wordings.ofClaim(claim.id()).stems());
      }
      if (!(fact.value() instanceof Value.YesNo(boolean yes)) || yes) {
        told.addAll(wordings.ofConcept(fact.concept()).stems());
      }
    }
    add(told, product.kindNoun());
    nouns.addAll(stems(product.kindNoun()));
    add(prose, product.supplierText());
    if (!product.supplierText().isBlank()) {
      sentences.addAll(List.of(product.supplierText().split("(?<=[.!?])\\s+")));
    }
    Amount.in(product.supplierText(), knowledge).forEach(a -> proseNumbers.add(a.value()));
    StringBuilder all =
        new StringBuilder(product.name()).append(' ').append(product.supplierText());
    product.facts().forEach(f -> f.sources().forEach(c -> all.append(' ').append(c.raw())));
    product.facts().forEach(f -> f.sources().forEach(c -> all.append(' ').append(c.column())));
    text = all.toString().toUpperCase(Locale.ROOT);
    for (Cell cell : cells) {
      told.addAll(cell.label);
      if (cell.answer != Answer.NO) {
        told.addAll(cell.said);
        saidNouns.addAll(cell.said);
      }
    }
  }

  private Cell cell(Fact fact, String name) {
    List<Set<String>> names = new ArrayList<>(List.of(plain(fact.label())));
    for (Source source : fact.sources()) {
      cutOff(source.column());
      Set<String> heading = plain(source.column());
      expand(source.column(), heading);
      names.add(heading);
    }
    knowledge
        .concept(fact.concept())
        .map(Concept::names)
        .map(n -> n.getOrDefault("en", List.of()))
        .ifPresent(all -> all.forEach(n -> names.add(plain(n))));
    names.removeIf(Set::isEmpty);
    Set<String> label = new HashSet<>();
    names.forEach(label::addAll);
    Set<String> said = new HashSet<>();
    List<Number> numbers = new ArrayList<>();
    List<String> raws = fact.sources().stream().map(Source::raw).distinct().toList();
    Unit headingUnit = headingUnit(fact);
    Answer answer = Answer.NEITHER;
    int parts = 1;
    for (String raw : raws) {
      said.addAll(stems(raw));
      expand(raw, said);
      cutOff(raw);
      for (Amount amount : Amount.in(raw, knowledge)) {
        numbers.add(number(amount, headingUnit));
      }
      sides(fact, raw, numbers);
      Matcher thousands = THOUSANDS.matcher(raw);
      while (thousands.find()) {
        double value = 1000 * Double.parseDouble(thousands.group(1));
        numbers.add(new Number(value, "", value));
      }
      Matcher grouped = GROUPED.matcher(raw);
      while (grouped.find()) {
        // "60.000" may be sixty thousand.
        double value = Double.parseDouble(grouped.group().replaceAll("[.,]", ""));
        numbers.add(new Number(value, "", value));
      }
      if (fact.concept().equals("audience")) {
        said.addAll(AUDIENCES.getOrDefault(raw.strip().toLowerCase(Locale.ROOT), Set.of()));
      }
      if (raw.length() < 200) {
        parts = Math.max(parts, PARTS.split(raw.strip()).length);
      }
      if (YES.matcher(raw.strip()).matches()) {
        answer = Answer.YES;
      } else if (NO.matcher(raw.strip()).matches()) {
        answer = Answer.NO;
      }
    }
    switch (fact.value()) {
      case Value.YesNo(boolean yes) -> answer = yes ? Answer.YES : Answer.NO;
      case Value.Quantity q -> add(numbers, q.amount().doubleValue(), q.unit());
      case Value.Range r -> {
        add(numbers, r.from().doubleValue(), r.unit());
        add(numbers, r.to().doubleValue(), r.unit());
      }
      case Value.Sides s -> s.lengths().forEach(l -> add(numbers, l.doubleValue(), s.unit()));
      case Value.Terms(List<String> items) -> {
        items.forEach(i -> said.addAll(stems(i)));
        parts = Math.max(parts, items.size());
      }
      case Value.Words(String text) -> said.addAll(stems(text));
      case Value.Rating(String code) -> said.addAll(stems(code));
    }
    for (Source source : fact.sources()) {
      for (Amount amount : Amount.in(source.column(), knowledge)) {
        numbers.add(number(amount, null));
      }
    }
    numbers.forEach(n -> told.addAll(JudgeWords.shipped().measures(n.dimension())));
    String words = fact.label() + ": " + raws.getFirst();
    return new Cell(words, names, label, said, numbers, parts, answer);
  }

  private void add(List<Number> numbers, double value, String unit) {
    numbers.add(
        knowledge
            .unit(unit)
            .map(u -> new Number(value, u.dimension(), value * u.factor().doubleValue()))
            .orElse(new Number(value, "", value)));
  }

  /** "H x W x D" over "110x115x55": which is which. */
  private static void sides(Fact fact, String raw, List<Number> numbers) {
    for (Source source : fact.sources()) {
      Matcher order = ORDER.matcher(source.column().toLowerCase(Locale.ROOT));
      Matcher lengths = LENGTHS.matcher(raw);
      if (!order.find() || !lengths.find()) {
        continue;
      }
      String[] letters = order.group().split(" ?[x×] ?");
      String[] values = lengths.group().split(" ?[x×*] ?");
      for (int i = 0; i < Math.min(letters.length, values.length); i++) {
        double value = Double.parseDouble(values[i].replace(',', '.'));
        Set<String> side = SIDES.getOrDefault(letters[i].substring(0, 1), Set.of());
        for (int n = 0; n < numbers.size(); n++) {
          Number number = numbers.get(n);
          if (number.value == value && number.side.isEmpty()) {
            numbers.set(n, new Number(value, number.dimension, number.base, side));
            break;
          }
        }
      }
    }
  }

  private static Number number(Amount amount, Unit headingUnit) {
    if (amount.unit().filter(u -> u.id().equals("m")).isPresent()) {
      // Metres, months or minutes.
      return new Number(amount.value(), "", amount.value());
    }
    if (amount.unit().isEmpty() && headingUnit != null) {
      return new Number(
          amount.value(),
          headingUnit.dimension(),
          amount.value() * headingUnit.factor().doubleValue());
    }
    return new Number(amount.value(), amount.dimension(), amount.base());
  }

  /** The unit that a heading ends in: "Weight kg". */
  private Unit headingUnit(Fact fact) {
    for (Source source : fact.sources()) {
      if (source.column().matches(".*(?:/|\\bper\\b).*")) {
        // Of each of something else.
        continue;
      }
      String[] words = source.column().replaceAll("[()\\[\\]]", " ").strip().split("[ _/]+");
      String last = words[words.length - 1];
      if (words.length > 1 || last.length() > 1) {
        Unit unit = knowledge.unitWritten(last).orElse(null);
        if (unit != null && !(last.length() == 1 && !"glmWVh%".contains(last))) {
          return unit;
        }
      }
    }
    return null;
  }

  private void cutOff(String text) {
    Matcher m = CUT.matcher(text.toLowerCase(Locale.ROOT));
    while (m.find()) {
      cutOff.add(m.group(1));
    }
  }

  /** "Alu" is aluminium, and "PL" Poland. */
  private void expand(String raw, Set<String> said) {
    Matcher fibre = FIBRE.matcher(raw);
    while (fibre.find()) {
      JudgeWords.shipped().fibre(fibre.group(1)).forEach(f -> said.add(English.stem(f)));
    }
    for (String token : raw.split("[^\\p{L}]+")) {
      String lower = token.toLowerCase(Locale.ROOT);
      for (String type : List.of("material", "colour")) {
        knowledge.term(type, lower).map(Term::en).ifPresent(en -> said.addAll(stems(en)));
      }
      String whole = knowledge.abbreviations("en").get(lower);
      if (whole != null) {
        said.addAll(stems(whole));
      }
      if (token.length() == 2 && token.equals(token.toUpperCase(Locale.ROOT))) {
        String country = Locale.of("", token).getDisplayCountry(Locale.ENGLISH);
        if (!country.equals(token)) {
          said.addAll(stems(country));
        }
      }
    }
  }

  /** The stems of a name that say something. */
  private Set<String> plain(String name) {
    Set<String> stems = new HashSet<>(stems(name));
    stems.removeIf(w -> JudgeWords.shipped().isFunction(w) || knowledge.unitWritten(w).isPresent());
    return stems;
  }

  /** Headings, cells and sentences come again. */
  private static final Memo<Set<String>> STEMS = new Memo<Set<String>>(Row::findStems, LONGEST);

  private static Set<String> findStems(String text) {
    Set<String> stems = new HashSet<>();
    add(stems, text);
    return Set.copyOf(stems);
  }

  private static Set<String> stems(String text) {
    return STEMS.of(text);
  }

  private static void add(Set<String> stems, String text) {
    for (Word word : Words.of(text)) {
      stems.add(English.stem(word.text()));
      if (word.text().indexOf('-') > 0) {
        for (String part : word.text().split("-")) {
          stems.add(English.stem(part));
        }
      }
    }
  }

  /** What it says, a cell or a sentence of the supplier's each. */
  List<String> said() {
    List<String> said = new ArrayList<>();
    cells.forEach(c -> said.add(c.words));
    sentences.forEach(said::add);
    return said;
  }

  List<Cell> cells() {
    return cells;
  }

  List<Double> proseNumbers() {
    return proseNumbers;
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
    if (in(told, word) || in(promises, word) || cutOff.stream().anyMatch(word::startsWith)) {
      return true;
    }
    if (word.indexOf('-') > 0) {
      return java.util.Arrays.stream(word.split("-"))
          .allMatch(p -> p.length() < 3 || in(told, p) || JudgeWords.shipped().isHarmless(p));
    }
    String stem = English.stem(word);
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

  private static boolean in(Set<String> stems, String word) {
    if (stems.contains(English.stem(word))) {
      return true;
    }
    for (String each : stems) {
      if (areOfOneRoot(each, word)) {
        return true;
      }
    }
    for (String kin : Lexicon.shipped().kin(English.stem(word))) {
      if (stems.contains(English.stem(kin))) {
        return true;
      }
    }
    return false;
  }

  /** "Fold" and "foldable", "clean" and "cleaning": one begins the other. */
  private static boolean areOfOneRoot(String a, String b) {
    String shorter = a.length() < b.length() ? a : b;
    String longer = a.length() < b.length() ? b : a;
    String root = shorter.endsWith("e") ? shorter.substring(0, shorter.length() - 1) : shorter;
    return root.length() >= 4
        && longer.startsWith(root)
        && ENDINGS.contains(longer.substring(root.length()));
  }

  /** Whether a cell that doesn't say no has just this word. */
  boolean hasExactly(String word) {
    String stem = English.stem(word);
    return cells.stream()
        .filter(c -> c.answer != Answer.NO)
        .anyMatch(c -> c.said.contains(stem) || c.label.contains(stem));
  }

  /** Whether a cell, the supplier's prose or the name has a code as it stands. */
  boolean hasCode(String code) {
    return text.contains(code.toUpperCase(Locale.ROOT));
  }

  /** Whether a word is for what the product is. */
  boolean isOfKind(String word) {
    String stem = English.stem(word);
    return nouns.stream().anyMatch(n -> n.equals(stem) || Lexicon.shipped().isKindOf(n, stem));
  }

  /** Whether a cell says a property, says yes to it, or licenses a claim of it. */
  boolean affirms(String word) {
    String stem = English.stem(word);
    Set<String> stems = stems(word);
    return promises.contains(stem)
        || cells.stream()
            .filter(c -> c.answer != Answer.NO)
            .anyMatch(
                c ->
                    c.said.contains(stem)
                        || c.said.containsAll(stems)
                        || c.answer == Answer.YES
                            && c.names.stream()
                                .anyMatch(
                                    n ->
                                        n.contains(stem)
                                            || n.stream().allMatch(s -> isAmong(s, stems))));
  }

  /** Whether a name's stem is one of some words, or begins like one, or says the same. */
  boolean isAmong(String stem, Set<String> words) {
    if (words.contains(stem)) {
      return true;
    }
    for (String word : words) {
      if (areOfOneRoot(stem, word) || cutOff.contains(stem) && word.startsWith(stem)) {
        return true;
      }
    }
    return false;
  }

  /** The stems of a text, of its words with hyphens also the parts. */
  static Set<String> stemsOf(String text) {
    return stems(text);
  }

  /** Whether the supplier's prose has a word, or its like. */
  boolean isInProse(String word) {
    return in(prose, word);
  }
}
