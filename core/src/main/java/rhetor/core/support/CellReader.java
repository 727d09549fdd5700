package rhetor.core.support;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Term;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;

/** Makes cells of facts, ready to be asked; like cells of other products are remembered. */
final class CellReader {
  private static final Pattern VOWEL = Pattern.compile("[aeiouy]");

  private static final Pattern CUT = Pattern.compile("(?<!\\p{L})(\\p{L}{3,})\\.(?! ?\\p{Lu})");

  private static final Pattern NO =
      Pattern.compile(
          "(?i)(?:no|n|none|without|nein|non|not(?! (?:for|suitable|intended|recommended)\\b)|false|free|excl\\.?|✗|–|-)(?:[ ,;(/].*)?");

  private static final Pattern YES =
      Pattern.compile("(?i)(?:yes|y|x|ja|oui|true|✓|✔|incl\\.?)(?:[ ,;(/].*)?");

  /** A comma among digits parts no list. */
  private static final Pattern PARTS =
      Pattern.compile("\\s*(?:[;/+&]|,(?!\\d{3}(?!\\d)))\\s*|\\s+and\\s+");

  /** "rPET": what is recycled. */
  private static final Pattern RECYCLED = Pattern.compile("r(\\p{Lu}{2,5})");

  /** "PE3" is a three of its kind, as "PE 3" is. */
  private static final Pattern CODED =
      Pattern.compile("(?<![\\p{L}\\d])\\p{Lu}{1,4}(\\d{1,4}(?:\\.\\d+)?)(?![\\p{L}\\d.,])");

  private static final Pattern GROUPED =
      Pattern.compile("(?<![\\d.,])\\d{1,3}(?:[.,]\\d{3})+(?![\\d.,])");

  private static final Map<String, Set<String>> AUDIENCES =
      Map.of(
          "m", Set.of("man"),
          "w", Set.of("woman"),
          "f", Set.of("woman"),
          "u", Set.of("man", "woman"));

  private static final Pattern ORDER =
      Pattern.compile("(?<!\\p{L})[hwdlbt](?: ?[x×/] ?[hwdlbt]){1,2}(?!\\p{L})");

  private static final Pattern LENGTHS =
      Pattern.compile("\\d+(?:[.,]\\d+)?(?: ?[x×*/] ?\\d+(?:[.,]\\d+)?){1,2}");

  private static final Map<String, Set<String>> SIDES =
      Map.of(
          "h", Set.of("height", "high", "tall"),
          "w", Set.of("width", "wide", "across"),
          "b", Set.of("width", "wide", "across"),
          "d", Set.of("depth", "deep"),
          "t", Set.of("depth", "deep"),
          "l", Set.of("length", "long"));

  private static final Pattern THOUSANDS = Pattern.compile("(?<![\\d.,])(\\d{1,4})[kK](?!\\p{L})");

  private static final Pattern TWO_UNITS =
      Pattern.compile("(?<!\\p{L})([\\p{L}°%]+) ?(?:/|\\bper\\b) ?([\\p{L}°%]+)(?!\\p{L})");

  private static final Pattern EITHER = Pattern.compile("\\p{L}{3,}(?: ?/ ?\\p{L}{3,})+\\??");

  /** What people call a country besides its name in lists (ISO 3166-1). */
  private static final Map<String, List<String>> CALLED =
      Map.of(
          "CZ", List.of("Czech Republic"),
          "GB", List.of("Britain", "British", "UK"),
          "US", List.of("America", "USA"),
          "NL", List.of("Holland"),
          "TR", List.of("Turkey"),
          "KR", List.of("Korea"));

  /** What ends a word that says how something is. */
  private static final Set<String> ENDINGS =
      Set.of("less", "able", "proof", "free", "like", "tight", "ness", "ment");

  /** "10 + 10". */
  private static final Pattern SUM = Pattern.compile("(\\d{1,3}) ?\\+ ?(\\d{1,3})");

  private static final Pattern COUNTED = Pattern.compile(" \\p{L}{3,}");

  /** "Length\"". */
  private static final Pattern INCH_SIGN = Pattern.compile(" ?[\"″”]$");

  private static final Pattern WITHOUT = Pattern.compile("(?i)\\bw/o\\b");

  private static final Set<String> LIMITS = Set.of("min", "max", "minimum", "maximum");

  private static final int SHORTEST = 3;

  /** "Single boiler", "dual tube": how many there are. */
  private static final Map<String, Double> COUNTS =
      Map.of("single", 1.0, "dual", 2.0, "double", 2.0, "twin", 2.0, "triple", 3.0);

  /** By the unit's code. */
  private static final Map<String, String> NEXT_SMALLER = Map.of("h", "min", "min", "s");

  /** More are not remembered. */
  private static final int MOST = 20_000;

  private record Key(String concept, String label, Value value, List<String> columns) {}

  private final Knowledge knowledge;
  private final Map<Key, Cell> read = new ConcurrentHashMap<>();

  CellReader(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  Cell read(Fact fact) {
    List<String> columns = new ArrayList<>();
    fact.sources().forEach(s -> columns.add(s.heading() + '\t' + s.raw()));
    Key key = new Key(fact.concept(), fact.label(), fact.value(), columns);
    Cell known = read.get(key);
    if (known == null) {
      known = findCell(fact);
      if (read.size() >= MOST) {
        read.clear();
      }
      read.put(key, known);
    }
    return known;
  }

  private Cell findCell(Fact fact) {
    Set<String> cutOff = new HashSet<>();
    List<Set<String>> names =
        new ArrayList<>(List.of(plain(WITHOUT.matcher(fact.label()).replaceAll("without"))));
    for (Source source : fact.sources()) {
      cutOff(source.heading(), cutOff);
      begun(source.heading(), cutOff);
      String written = WITHOUT.matcher(source.heading()).replaceAll("without");
      Set<String> heading = plain(written);
      expand(written, heading);
      names.add(heading);
      names.add(inFull(written));
      if (EITHER.matcher(source.heading()).matches()) {
        // "Rudder/skeg" is of either.
        Arrays.stream(source.heading().split("/")).map(this::plain).forEach(names::add);
      }
    }
    Set<String> heading = new HashSet<>();
    names.forEach(heading::addAll);
    knowledge
        .concept(fact.concept())
        .map(Concept::names)
        .map(n -> n.getOrDefault("en", List.of()))
        .ifPresent(all -> all.forEach(n -> names.add(plain(n))));
    halves(heading).ifPresent(names::add);
    names.removeIf(Set::isEmpty);
    if (names.isEmpty()) {
      // "Unit mm" is of the unit.
      Set<String> all = new HashSet<>(Stems.of(fact.label()));
      all.removeIf(w -> knowledge.unitWritten(w).isPresent());
      names.add(all);
      heading.addAll(all);
      names.removeIf(Set::isEmpty);
    }
    Set<String> label = new HashSet<>();
    names.forEach(label::addAll);
    Set<String> said = new HashSet<>();
    List<Cell.Number> numbers = new ArrayList<>();
    List<String> raws = fact.sources().stream().map(Source::raw).distinct().toList();
    List<Unit> beside = unitsBeside(fact);
    Unit headingUnit =
        beside.isEmpty() ? unitOf(fact.value()).orElseGet(() -> headingUnit(fact)) : null;
    Cell.Answer answer = Cell.Answer.NEITHER;
    int parts = 1;
    for (String raw : raws) {
      said.addAll(Stems.of(raw));
      expand(raw, said);
      cutOff(raw, cutOff);
      for (Amount amount : Amount.in(raw, knowledge)) {
        numbers.add(number(amount, isCounted(amount, raw, headingUnit) ? null : headingUnit));
      }
      smaller(raw, numbers);
      if (Amount.in(raw, knowledge).stream().allMatch(a -> a.unit().isPresent())) {
        // "4 double" wheels are four.
        Words.of(raw).stream()
            .map(w -> COUNTS.get(w.text()))
            .filter(Objects::nonNull)
            .forEach(n -> numbers.add(new Cell.Number(n, "", n)));
      }
      Matcher thousands = THOUSANDS.matcher(raw);
      while (thousands.find()) {
        double value = 1000 * Double.parseDouble(thousands.group(1));
        numbers.add(new Cell.Number(value, "", value));
      }
      Matcher coded = CODED.matcher(raw);
      while (coded.find()) {
        double value = Double.parseDouble(coded.group(1));
        numbers.add(new Cell.Number(value, "", value));
      }
      Matcher sum = SUM.matcher(raw.strip());
      if (sum.matches()) {
        double value = Double.parseDouble(sum.group(1)) + Double.parseDouble(sum.group(2));
        numbers.add(new Cell.Number(value, "", value));
      }
      grouped(raw).forEach(value -> numbers.add(new Cell.Number(value, "", value)));
      if (fact.concept().equals("audience")) {
        said.addAll(AUDIENCES.getOrDefault(raw.strip().toLowerCase(Locale.ROOT), Set.of()));
      }
      if (raw.length() < 200) {
        parts = Math.max(parts, PARTS.split(raw.strip()).length);
      }
      if (raw.strip().equals("0") && English.isPlural(English.lastWord(fact.label()))) {
        // "Pockets: 0".
        answer = Cell.Answer.NO;
      } else if (YES.matcher(raw.strip()).matches()) {
        answer = Cell.Answer.YES;
      } else if (NO.matcher(raw.strip()).matches()) {
        answer = Cell.Answer.NO;
      }
    }
    switch (fact.value()) {
      case Value.YesNo(boolean yes) -> answer = yes ? Cell.Answer.YES : Cell.Answer.NO;
      case Value.Quantity q -> add(numbers, q.amount().doubleValue(), q.unit());
      case Value.Range r -> {
        add(numbers, r.from().doubleValue(), r.unit());
        add(numbers, r.to().doubleValue(), r.unit());
      }
      case Value.Sides s -> s.lengths().forEach(l -> add(numbers, l.doubleValue(), s.unit()));
      case Value.Terms(List<String> items) -> {
        items.forEach(i -> read(i, raws, said, numbers));
        parts = Math.max(parts, items.size());
      }
      case Value.Words(String text) -> read(text, raws, said, numbers);
      case Value.Rating(String code) -> said.addAll(Stems.of(code));
    }
    raws.forEach(raw -> sides(fact, raw, numbers));
    for (Source source : fact.sources()) {
      for (Amount amount : Amount.in(source.heading(), knowledge)) {
        numbers.add(number(amount, null));
      }
    }
    String words = fact.label() + ": " + raws.getFirst();
    return new Cell(
        words,
        names,
        heading,
        label,
        said,
        numbers,
        parts,
        answer,
        beside,
        cutOff,
        names.contains(Set.of("name")));
  }

  /** The two words that a heading of one is made of: "fairtrade". */
  private static Optional<Set<String>> halves(Set<String> heading) {
    if (heading.size() != 1) {
      return Optional.empty();
    }
    String word = heading.iterator().next();
    for (int at = SHORTEST + 1; at + SHORTEST < word.length(); at++) {
      String first = word.substring(0, at);
      String second = word.substring(at);
      if (English.isKnown(first) && English.isKnown(second) && !ENDINGS.contains(second)) {
        return Optional.of(Set.of(English.stem(first), English.stem(second)));
      }
    }
    return Optional.empty();
  }

  /** "3 min 40" and "1 h 30": what stands behind a time is of the next smaller unit. */
  private void smaller(String raw, List<Cell.Number> numbers) {
    List<Amount> amounts = Amount.in(raw, knowledge);
    for (int i = 0; i + 1 < amounts.size(); i++) {
      Amount first = amounts.get(i);
      Amount rest = amounts.get(i + 1);
      Optional<Unit> unit =
          first.unit().map(u -> NEXT_SMALLER.get(u.id())).flatMap(knowledge::unit);
      boolean isNext = raw.substring(first.end(), rest.start()).matches("\\.? ?");
      if (unit.isPresent() && rest.unit().isEmpty() && isNext) {
        add(numbers, rest.value(), unit.get().id());
        double base = rest.value() * unit.get().factor().doubleValue();
        numbers.add(new Cell.Number(first.base() + base, first.dimension(), first.base() + base));
      }
    }
  }

  /** "60.000" may be sixty thousand. */
  static List<Double> grouped(String text) {
    return GROUPED
        .matcher(text)
        .results()
        .map(m -> Double.parseDouble(m.group().replaceAll("[.,]", "")))
        .toList();
  }

  /** A value's own words, which may be a translation: "two straps" of "zwei Riemen". */
  private void read(String text, List<String> raws, Set<String> said, List<Cell.Number> numbers) {
    said.addAll(Stems.of(text));
    if (raws.stream().anyMatch(r -> r.contains(text))) {
      return;
    }
    Amount.in(text, knowledge).forEach(a -> numbers.add(number(a, null)));
  }

  private void add(List<Cell.Number> numbers, double value, String unit) {
    numbers.add(
        knowledge
            .unit(unit)
            .map(u -> new Cell.Number(value, u.dimension(), value * u.factor().doubleValue()))
            .orElse(new Cell.Number(value, "", value)));
  }

  /** "H x W x D" over "110x115x55": which is which. */
  private static void sides(Fact fact, String raw, List<Cell.Number> numbers) {
    for (Source source : fact.sources()) {
      Matcher order = ORDER.matcher(source.heading().toLowerCase(Locale.ROOT));
      Matcher lengths = LENGTHS.matcher(raw);
      if (!order.find() || !lengths.find()) {
        continue;
      }
      String[] letters = order.group().split(" ?[x×/] ?");
      String[] values = lengths.group().split(" ?[x×*/] ?");
      for (int i = 0; i < Math.min(letters.length, values.length); i++) {
        double value = Double.parseDouble(values[i].replace(',', '.'));
        Set<String> side = SIDES.getOrDefault(letters[i].substring(0, 1), Set.of());
        boolean isTwice = Collections.frequency(Arrays.asList(values), values[i]) > 1;
        if (!isTwice) {
          numbers.replaceAll(
              n -> n.value() == value ? new Cell.Number(value, n.dimension(), n.base(), side) : n);
        }
      }
    }
  }

  private Cell.Number number(Amount amount, Unit headingUnit) {
    if (amount.unit().filter(u -> u.id().equals("m")).isPresent()
        && (headingUnit == null || !headingUnit.dimension().equals("length"))
        && amount.value() == Math.rint(amount.value())) {
      // Metres, months or minutes.
      return new Cell.Number(amount.value(), "", amount.value());
    }
    if (amount.unit().isEmpty() && headingUnit != null) {
      return new Cell.Number(
          amount.value(),
          headingUnit.dimension(),
          amount.value() * headingUnit.factor().doubleValue());
    }
    return new Cell.Number(amount.value(), amount.dimension(), amount.base());
  }

  /** "Burn in: 2 fires" are fires, and no inches. */
  private static boolean isCounted(Amount amount, String raw, Unit headingUnit) {
    return headingUnit != null
        && headingUnit.id().equals("in")
        && COUNTED.matcher(raw).region(amount.end(), raw.length()).lookingAt();
  }

  /** The unit that the value was read in, whatever its cell has. */
  private Optional<Unit> unitOf(Value value) {
    return switch (value) {
      case Value.Quantity q -> knowledge.unit(q.unit());
      case Value.Range r -> knowledge.unit(r.unit());
      case Value.Sides s -> knowledge.unit(s.unit());
      default -> Optional.empty();
    };
  }

  /** "Line mm/m", "Flow l/min": the units of headings that have two. */
  private List<Unit> unitsBeside(Fact fact) {
    List<Unit> units = new ArrayList<>();
    for (Source source : fact.sources()) {
      Matcher two = TWO_UNITS.matcher(source.heading());
      while (two.find()) {
        Optional<Unit> first = knowledge.unitWritten(two.group(1));
        Optional<Unit> second = knowledge.unitWritten(two.group(2));
        if (first.isPresent() && second.isPresent()) {
          units.add(first.get());
          units.add(second.get());
        }
      }
    }
    return units;
  }

  /** The unit that a heading ends in: "Weight kg". */
  private Unit headingUnit(Fact fact) {
    for (Source source : fact.sources()) {
      String lower = source.heading().toLowerCase(Locale.ROOT).strip();
      boolean isOrder = ORDER.matcher(lower).results().anyMatch(m -> m.end() == lower.length());
      if (isOrder || source.heading().matches(".*(?:/|\\bper\\b).*")) {
        // Of each of something else; and the last letter of "w x l" is a side.
        continue;
      }
      String[] words =
          INCH_SIGN
              .matcher(source.heading().replaceAll("[()\\[\\]]", " ").strip())
              .replaceFirst(" in")
              .split("[ _/]+");
      String last = words[words.length - 1];
      if (words.length > 1 || last.length() > 1) {
        Unit unit = knowledge.unitWritten(last).orElse(null);
        if (unit != null && isThing(words)) {
          continue;
        }
        if (unit != null && !(last.length() == 1 && !"glmWVh%".contains(last))) {
          return unit;
        }
      }
    }
    return null;
  }

  /** "Min bar" is of a bar, as nothing else is there that would have a pressure. */
  private static boolean isThing(String[] heading) {
    String last = heading[heading.length - 1];
    return heading.length > 1
        && last.length() >= SHORTEST
        && Lexicon.shipped().goods(last.toLowerCase(Locale.ROOT)) > 0
        && Arrays.stream(heading)
            .limit(heading.length - 1)
            .allMatch(w -> LIMITS.contains(w.toLowerCase(Locale.ROOT).replace(".", "")));
  }

  /**
   * The materials that begin like a word that is none: "alu"; of several only where the word is
   * long enough to be meant for each of them: "poly".
   */
  private List<String> begun(String word) {
    if (word.length() < SHORTEST || Lexicon.shipped().senses(word) > 0) {
      return List.of();
    }
    List<String> begun =
        knowledge.termsByName("material").values().stream()
            .map(Term::en)
            .filter(en -> en.startsWith(word) && en.indexOf(' ') < 0)
            .distinct()
            .map(English::stem)
            .toList();
    return begun.size() == 1 || word.length() > SHORTEST ? begun : List.of();
  }

  private static void cutOff(String text, Set<String> cutOff) {
    Matcher m = CUT.matcher(text.toLowerCase(Locale.ROOT));
    while (m.find()) {
      cutOff.add(m.group(1));
    }
  }

  /** The stems of a heading whose words are in full: "Fill wt" is the filling's weight. */
  private Set<String> inFull(String heading) {
    Set<String> stems = new HashSet<>();
    for (String token : heading.split("[^\\p{L}'’]+")) {
      String lower = token.toLowerCase(Locale.ROOT);
      stems.addAll(plain(knowledge.abbreviations("en").getOrDefault(lower, lower)));
    }
    return stems;
  }

  /** "T comf" is of comfort: what is no word in a heading begins one. */
  private static void begun(String heading, Set<String> cutOff) {
    List<Words.Word> words = Words.of(heading);
    // Beside another word three letters are enough: "mag ring", "wireless chg".
    int shortest = words.size() > 1 ? SHORTEST : SHORTEST + 1;
    for (Words.Word word : words) {
      boolean isCut = !English.isKnown(word.text()) || !VOWEL.matcher(word.text()).find();
      if (word.text().length() >= shortest && isCut) {
        cutOff.add(word.text());
      }
    }
  }

  /** "Alu" is aluminium, and "PL" Poland; "AC" beside 12 V isn't Ascension Island. */
  private void expand(String raw, Set<String> said) {
    boolean isMeasure = raw.chars().anyMatch(Character::isDigit);
    for (String token : raw.split("[^\\p{L}'’]+")) {
      knowledge
          .fibre(token)
          .ifPresent(
              f -> {
                said.addAll(Stems.of(f.en()));
                f.also().forEach(a -> said.addAll(Stems.of(a)));
              });
      String lower = token.toLowerCase(Locale.ROOT);
      Matcher recycled = RECYCLED.matcher(token);
      if (recycled.matches()) {
        said.addAll(Stems.of("recycled " + recycled.group(1)));
      }
      for (String type : List.of("material", "colour")) {
        knowledge.term(type, lower).map(Term::en).ifPresent(en -> said.addAll(Stems.of(en)));
      }
      said.addAll(begun(lower));
      String whole = knowledge.abbreviations("en").get(lower);
      if (whole != null) {
        said.addAll(Stems.of(whole));
      }
      boolean mayBeCountry = !isMeasure && token.length() == 2 && knowledge.fibre(token).isEmpty();
      if (mayBeCountry && token.equals(token.toUpperCase(Locale.ROOT))) {
        String country = Locale.of("", token).getDisplayCountry(Locale.ENGLISH);
        if (!country.equals(token)) {
          said.addAll(Stems.of(country));
          CALLED.getOrDefault(token, List.of()).forEach(n -> said.addAll(Stems.of(n)));
        }
      }
    }
  }

  /** The stems of a name that say something. */
  private Set<String> plain(String name) {
    Set<String> stems = new HashSet<>(Stems.of(name));
    stems.removeIf(w -> JudgeWords.shipped().isFunction(w) || knowledge.unitWritten(w).isPresent());
    return stems;
  }
}
