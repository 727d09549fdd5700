package rhetor.core.support;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Holds the numbers of a sentence against those of a row: each belongs to what it measures. */
final class NumberJudge {
  private static final Pattern ABOUT =
      Pattern.compile(
          "(?i)\\b(?:about|around|nearly|almost|just under|just over|roughly|some|over|under|more than|less than|a little (?:over|under)|close to|well over) ?$");

  /** What is hardly ever given without its unit where the heading doesn't say what it is. */
  private static final Set<String> MEASURED_BY_UNIT =
      Set.of("volume", "mass", "power", "pressure", "voltage");

  private static final Pattern DEGREES = Pattern.compile("(?i)degrees?|°");
  private static final Pattern DEGREES_BEHIND = Pattern.compile("(?i)[ -]?(?:degrees?|°)");

  /** Stems of what columns are headed by that have degrees. */
  private static final Set<String> OF_DEGREES =
      Set.of("wash", "washing", "temperature", "temp", "heat", "angle", "tilt", "comfort");

  private static final double NEAR = 0.006;

  /** Two or three of what no cell counts may be a manner of speaking. */
  private static final int FEW = 3;

  private static final String MINUS = "minus ";

  /** "Kcal/100g": of so much of it. */
  private static final Pattern PER_SO_MANY = Pattern.compile("(?i)(?:/|\\bper) ?100 ?(?:g|ml)\\b");

  /** "A portion has", "per serving". */
  private static final Pattern PORTION =
      Pattern.compile("(?i)\\b(?:a|an|one|each|every|per) (?<w>\\p{L}{3,})\\b");

  /** Metres, minutes, or months. */
  private static final Pattern BARE_M = Pattern.compile("\\s*\\d+ ?m\\s*");

  private static final Pattern NAMED = Pattern.compile(" \\p{L}{3,}");

  private static final Pattern COUNT = Pattern.compile("\\d{1,2}");

  private static final Pattern SEVERAL = Pattern.compile(" (?:and|or) ");

  /** So many characters have the word after a number. */
  private static final int NEXT_WORD = 40;

  private static final Pattern IN_LENGTH =
      Pattern.compile("(?i) in (?:length|width|height|depth|diameter)\\b");

  private static final Set<String> SIDES =
      Set.of(
          "high",
          "tall",
          "height",
          "wide",
          "width",
          "deep",
          "depth",
          "long",
          "length",
          "across",
          "diameter");

  /** Words for one and the same side of a thing. */
  private static final List<Set<String>> SIDES_ALIKE =
      List.of(
          Set.of("high", "tall", "height"),
          Set.of("wide", "width"),
          Set.of("deep", "depth"),
          Set.of("long", "length"),
          Set.of("across", "diameter"));

  private final Knowledge knowledge;
  private final Row row;
  private final CountJudge counts;
  private final String name;

  /** Stem of the noun for what the product is. */
  private final String kind;

  private final JudgeWords words = JudgeWords.shipped();
  private final Lexicon lexicon = Lexicon.shipped();

  NumberJudge(Row row, ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    this.row = row;
    this.counts = new CountJudge(row, knowledge);
    this.name = product.name();
    this.kind = English.stem(English.lastWord(product.kindNoun()));
  }

  /**
   * The numbers that no cell has, or that a cell has otherwise.
   *
   * @param spoken its words
   */
  void judge(String sentence, Set<String> spoken, List<Assertion> found) {
    List<Amount> amounts = Amount.in(sentence, knowledge);
    counts.judge(sentence, spoken, !amounts.isEmpty(), found);
    for (Amount amount : amounts) {
      if (isInName(sentence, amount) || isCountOfNamed(sentence, amount)) {
        continue;
      }
      boolean isAbout = ABOUT.matcher(sentence.substring(0, amount.start())).find();
      String clause = Clauses.at(sentence, amount.start());
      List<Cell> saying =
          row.cells().stream()
              .filter(c -> AmountMatch.says(c, amount, isAbout))
              .filter(c -> !isOfSubject(sentence, amount) || counts(c, amount))
              .filter(c -> !isBelowZero(sentence, amount) || isBelowZero(c, amount))
              .filter(c -> isOfItsUnits(c, amount) && isOfDegrees(c, sentence, amount))
              .filter(c -> mayMeasure(c, amount, clause) || isWritten(c, sentence, amount))
              .toList();
      boolean isSpokenOf =
          saying.stream().anyMatch(c -> isWhollySpokenOf(c, clause) || isQuoted(c, clause))
              || isOneOfSeveral(sentence, amount, amounts)
                  && saying.stream().anyMatch(c -> isSpokenOf(c, sentence));
      Optional<Cell> meant =
          isSpokenOf
              ? Optional.empty()
              : meant(sentence, amount, amounts).filter(c -> isNoOther(c, saying, amount, clause));
      boolean isElse =
          meant.isPresent()
              && !saying.contains(meant.get())
              && (saying.stream().noneMatch(c -> isSpokenOfBeside(c, meant.get(), sentence))
                  || areExchanged(sentence, amount, amounts, saying))
              && meant.get().numbers().stream().anyMatch(n -> isMeasuredAs(n, amount));
      isElse |=
          isOtherSide(sentence, amount, saying)
              || isOfSomethingElse(sentence, amount, saying)
              || isOtherCount(sentence, amount, meant)
              || isOtherBare(amount, meant, saying, clause)
              || isShareOfOther(sentence, amount, saying)
              || isPerOther(clause, saying)
              || !saying.isEmpty()
                  && saying.stream().allMatch(c -> isUnderContrary(c, sentence, clause));
      Optional<Cell> ofSameThing = ofSameThing(sentence, amount, saying);
      if (isElse || ofSameThing.isPresent()) {
        String cell =
            ofSameThing.or(() -> meant).or(() -> saying.stream().findFirst()).orElseThrow().words();
        found.add(
            Assertion.of(Kind.NUMBER, sentence, amount.start(), amount.end(), cell)
                .righted(meant.map(c -> instead(c, amount)).orElse("")));
      } else if (saying.isEmpty()
          && !isCounted(amount, sentence)
          && !row.proseNumbers().contains(amount.value())) {
        boolean isFew =
            amount.isWord()
                && !isOfSubject(sentence, amount)
                && amount.unit().isEmpty()
                && amount.value() >= 1
                && amount.value() <= FEW;
        boolean isSaid =
            row.cells().stream().anyMatch(c -> isSpokenOf(c, Clauses.at(sentence, amount.start())));
        found.add(
            Assertion.of(
                isFew && !isSaid ? Kind.OPEN : Kind.NUMBER,
                sentence,
                amount.start(),
                amount.end(),
                against(amount)));
      }
    }
  }

  /** "Three compartments keep things apart": it counts parts of the thing, and begins with that. */
  private static boolean isOfSubject(String sentence, Amount amount) {
    return amount.isWord()
        && sentence.substring(0, amount.start()).isBlank()
        && Words.of(sentence).size() > 1
        && English.tags(Words.of(sentence).get(1).text()).contains("NNS");
  }

  /**
   * Whether a cell is meant rather than one that has the amount as it stands and is spoken of, too:
   * "one charge lasts 21 days" is of "Use per charge", and not of "Charge h".
   */
  private boolean isNoOther(Cell meant, List<Cell> saying, Amount amount, String clause) {
    return saying.contains(meant)
        || saying.stream()
            .noneMatch(
                c ->
                    isSpokenOf(c, clause)
                        && c.numbers().stream()
                            .anyMatch(n -> n.value() == amount.value() && isIn(n, amount)));
  }

  /**
   * Whether a number stands in the unit of an amount, and not in one that only comes to as much.
   */
  private static boolean isIn(Cell.Number number, Amount amount) {
    return amount.unit().isPresent()
        && number.dimension().equals(amount.dimension())
        && number.base() == amount.base();
  }

  /**
   * The cell that has another number of the same things: "8 cups" where a sentence has twelve. None
   * if a cell that has the number speaks of them.
   */
  private Optional<Cell> ofSameThing(String sentence, Amount amount, List<Cell> saying) {
    Optional<String> thing = behind(sentence, amount);
    if (amount.unit().isPresent() || thing.isEmpty()) {
      return Optional.empty();
    }
    String stem = thing.get();
    boolean isSaid =
        saying.stream().anyMatch(c -> c.label().contains(stem) || c.said().contains(stem));
    return isSaid
        ? Optional.empty()
        : row.cells().stream()
            .filter(c -> c.said().contains(stem) && c.parts() == 1)
            .filter(
                c ->
                    Amount.in(c.value(), knowledge).stream()
                        .anyMatch(a -> behind(c.value(), a).filter(stem::equals).isPresent()))
            .findFirst();
  }

  /** The stem of the noun right behind a number. */
  private static Optional<String> behind(String text, Amount amount) {
    String after = text.substring(amount.end(), Math.min(text.length(), amount.end() + NEXT_WORD));
    return Words.of(after).stream()
        .findFirst()
        .filter(w -> w.start() <= 1 && English.isNoun(w.text()))
        .map(w -> English.stem(w.text()));
  }

  /** "Minus ten" of which a cell with ten says nothing. */
  private static boolean isBelowZero(String sentence, Amount amount) {
    return sentence.regionMatches(true, amount.start() - MINUS.length(), MINUS, 0, MINUS.length());
  }

  private static boolean isBelowZero(Cell cell, Amount amount) {
    return cell.value().matches(".*(?:[-–−] ?|minus )" + (int) amount.value() + "(?!\\d).*");
  }

  /** Whether a cell has the number of an amount without a unit: "2 h" are no two wheels. */
  private static boolean counts(Cell cell, Amount amount) {
    return amount.unit().isPresent()
        || cell.numbers().stream()
            .anyMatch(n -> n.dimension().isEmpty() && n.value() == amount.value());
  }

  /** Whether a number measures what an amount does; sides are lengths, whatever their unit. */
  private static boolean isMeasuredAs(Cell.Number number, Amount amount) {
    return !amount.dimension().isEmpty()
        && (number.dimension().equals(amount.dimension())
            || amount.dimension().equals("length") && !number.side().isEmpty());
  }

  /** The only amount of the cell, in the unit that the sentence has; empty if there are several. */
  private static String instead(Cell cell, Amount amount) {
    List<Double> bases =
        cell.numbers().stream()
            .filter(n -> n.dimension().equals(amount.dimension()))
            .map(Cell.Number::base)
            .distinct()
            .toList();
    if (bases.size() != 1 || amount.unit().isEmpty()) {
      return "";
    }
    Unit unit = amount.unit().get();
    BigDecimal value =
        BigDecimal.valueOf(bases.getFirst())
            .divide(unit.factor(), MathContext.DECIMAL32)
            .stripTrailingZeros();
    boolean isOne = value.compareTo(BigDecimal.ONE) == 0;
    return value.toPlainString() + " " + (isOne ? unit.one() : unit.many());
  }

  private String against(Amount amount) {
    return amount.dimension().isEmpty()
        ? ""
        : row.cells().stream()
            .filter(
                c -> c.numbers().stream().anyMatch(n -> n.dimension().equals(amount.dimension())))
            .map(Cell::words)
            .findFirst()
            .orElse("");
  }

  private boolean isInName(String sentence, Amount amount) {
    // What has no name yet has none that a number could be of.
    int at = name.isEmpty() ? -1 : sentence.indexOf(name);
    while (at >= 0) {
      if (amount.start() >= at && amount.start() < at + name.length()) {
        return true;
      }
      at = sentence.indexOf(name, at + 1);
    }
    return false;
  }

  /**
   * "Sixteen day rides" where a cell says 16 and another "day rides": what looks like the number's
   * unit begins the name of what is counted.
   */
  private boolean isCountOfNamed(String sentence, Amount amount) {
    if (amount.unit().isEmpty()) {
      return false;
    }
    int unit = sentence.lastIndexOf(' ', amount.end() - 1) + 1;
    Matcher next = NAMED.matcher(sentence).region(amount.end(), sentence.length());
    if (unit <= amount.start() || !next.lookingAt()) {
      return false;
    }
    String named = sentence.substring(unit, next.end());
    return row.cells().stream().anyMatch(c -> Words.find(named, c.value()) >= 0)
        && row.cells().stream()
            .flatMap(c -> c.numbers().stream())
            .anyMatch(n -> n.dimension().isEmpty() && n.value() == amount.value());
  }

  /**
   * Whether a cell may have an amount: its bare number is one of gallons only if its heading
   * measures a volume or is spoken of.
   */
  private boolean mayMeasure(Cell cell, Amount amount, String clause) {
    String dimension = amount.dimension();
    if (amount.unit().isPresent() && !dimension.equals("count") && isCount(cell, dimension)) {
      return false;
    }
    boolean mayBeMonths =
        amount.unit().filter(u -> u.id().equals("min")).isPresent()
            && BARE_M.matcher(cell.value()).matches();
    if (mayBeMonths) {
      return isSpokenOf(cell, clause);
    }
    return !MEASURED_BY_UNIT.contains(dimension)
        || cell.numbers().stream().anyMatch(n -> n.dimension().equals(dimension))
        || words.measures(dimension).stream().anyMatch(cell.label()::contains)
        || Words.of(clause).stream()
            .filter(w -> !words.isFunction(w.text()))
            .map(w -> English.stem(w.text()))
            .anyMatch(s -> cell.label().contains(s) || cell.said().contains(s));
  }

  /** "Full it weighs" as much as the cell of its weight says that is headed "empty". */
  private boolean isUnderContrary(Cell cell, String sentence, String clause) {
    if (cell.heading().size() < 2) {
      return false;
    }
    Set<String> spoken = new HashSet<>();
    Words.of(clause).forEach(w -> spoken.add(w.text()));
    return cell.heading().stream()
        .filter(h -> Words.find(h, sentence) < 0)
        .anyMatch(
            h ->
                lexicon.contraries(h).stream()
                    .anyMatch(c -> spoken.contains(c) && lexicon.contraries(c).contains(h)));
  }

  /** "Speeds: 5" counts speeds, and says nothing of five years. */
  private boolean isCount(Cell cell, String dimension) {
    String heading = cell.title().toLowerCase(Locale.ROOT);
    String last = English.lastWord(heading);
    return English.isPlural(last)
        && English.isNoun(last)
        && COUNT.matcher(cell.value().strip()).matches()
        && cell.numbers().stream().allMatch(n -> n.dimension().isEmpty())
        && knowledge.unitWritten(last).isEmpty()
        && words.measures(dimension).stream().noneMatch(cell.label()::contains);
  }

  /** Whether a cell may have degrees, where another has some: sixty of "L" are none. */
  private boolean isOfDegrees(Cell cell, String sentence, Amount amount) {
    boolean areDegrees =
        DEGREES.matcher(sentence.substring(amount.start(), amount.end())).find()
            || DEGREES_BEHIND.matcher(sentence).region(amount.end(), sentence.length()).lookingAt();
    return !areDegrees
        || hasDegrees(cell)
        || row.cells().stream().noneMatch(NumberJudge::hasDegrees);
  }

  private static boolean hasDegrees(Cell cell) {
    return cell.words().indexOf('°') >= 0
        || cell.label().stream().anyMatch(OF_DEGREES::contains)
        || cell.numbers().stream().anyMatch(n -> n.dimension().equals("temperature"));
  }

  /**
   * Whether an amount is one of the units that the cell's heading has, or comes to as much: five of
   * "l/min" are litres, and no gallons.
   */
  private static boolean isOfItsUnits(Cell cell, Amount amount) {
    List<Unit> units =
        cell.units().stream().filter(u -> u.dimension().equals(amount.dimension())).toList();
    boolean isWritten =
        cell.numbers().stream()
            .anyMatch(
                n -> n.dimension().equals(amount.dimension()) && isNear(n.base(), amount.base()));
    return units.isEmpty()
        || isWritten
        || units.stream()
            .map(u -> u.factor().doubleValue())
            .anyMatch(
                factor ->
                    cell.numbers().stream()
                        .anyMatch(n -> isNear(n.value() * factor, amount.base())));
  }

  private static boolean isNear(double mine, double theirs) {
    return Math.abs(mine - theirs) <= NEAR * Math.max(Math.abs(mine), Math.abs(theirs));
  }

  /**
   * Whether a cell has an amount as the sentence writes it ("300 mg" of "300mg/kg"), or its heading
   * has the unit ("g per l").
   */
  private static boolean isWritten(Cell cell, String sentence, Amount amount) {
    String written = sentence.substring(amount.start(), amount.end()).replace(" ", "");
    String heading = cell.words().substring(0, cell.words().indexOf(':'));
    return cell.words().replace(" ", "").contains(written)
        || amount.unit().stream()
            .flatMap(u -> u.symbols().stream())
            .anyMatch(s -> Words.find(s, heading) >= 0);
  }

  /** "Seven sizes" of a list of seven. */
  private boolean isCounted(Amount amount, String sentence) {
    if (amount.unit().isPresent()) {
      return false;
    }
    String clause = Clauses.at(sentence, amount.start());
    return row.cells().stream()
        .filter(c -> c.parts() > 1)
        .filter(c -> c.parts() == (int) amount.value() || pairs(c) == (int) amount.value())
        .anyMatch(
            c ->
                Words.of(clause).stream()
                    .anyMatch(
                        w ->
                            !words.isFunction(w.text())
                                && c.label().stream()
                                    .anyMatch(s -> row.isAmong(s, Stems.of(w.text())))));
  }

  /** How many "oat/rust; oat/navy" are, each of several. */
  private static int pairs(Cell cell) {
    return cell.words().indexOf('/') < 0 ? 0 : cell.words().split("[;,]").length;
  }

  private boolean isOf(Cell cell, String word) {
    // What says little by itself has kin everywhere: "take" is akin to "charge" and "fill".
    return !words.isHarmless(word)
            && lexicon.kin(English.stem(word)).stream().anyMatch(cell.label()::contains)
        || words.measuresLike(word).stream().anyMatch(cell.label()::contains);
  }

  /** The cell that the nearest word names of those in its clause that are no other number's. */
  private Optional<Cell> meant(String sentence, Amount amount, List<Amount> amounts) {
    int from = Clauses.start(sentence, amount.start());
    int to = Clauses.end(sentence, amount.end());
    for (Amount other : amounts) {
      if (other.end() <= amount.start()) {
        from = Math.max(from, other.end());
      } else if (other.start() >= amount.end()) {
        to = Math.min(to, other.start());
      }
    }
    List<Word> near = new ArrayList<>();
    for (Word word : Words.of(sentence)) {
      boolean isInside = word.start() >= amount.start() && word.start() < amount.end();
      if (word.start() >= from && word.end() <= to && !isInside) {
        near.add(word);
      }
    }
    near.sort(Comparator.comparingInt(w -> distance(w, amount)));
    List<Cell> named = List.of();
    for (Word word : near) {
      // "The lock measures 83 mm" is about the lock, and not about what its column "Lock" says.
      if (words.isFunction(word.text()) || English.stem(word.text()).equals(kind)) {
        continue;
      }
      List<Cell> among = named.isEmpty() ? row.cells() : named;
      List<Cell> these =
          among.stream()
              .filter(c -> !c.numbers().isEmpty())
              .filter(c -> c.label().contains(English.stem(word.text())))
              .toList();
      if (these.isEmpty()) {
        these =
            among.stream()
                .filter(c -> !c.numbers().isEmpty())
                .filter(c -> isOf(c, word.text()))
                .toList();
      }
      named = these.isEmpty() ? named : these;
      if (named.size() == 1) {
        return Optional.of(named.getFirst());
      }
    }
    return whole(named, near);
  }

  /**
   * Of several cells the only one of which every word is spoken of: "weighs" is of the weight, not
   * of the filling's.
   */
  private Optional<Cell> whole(List<Cell> named, List<Word> near) {
    Set<String> spoken = new HashSet<>();
    for (Word word : near) {
      spoken.add(English.stem(word.text()));
      spoken.addAll(lexicon.kin(English.stem(word.text())));
      spoken.addAll(words.measuresLike(word.text()));
    }
    List<Cell> whole =
        named.stream().filter(c -> c.names().stream().anyMatch(spoken::containsAll)).toList();
    return whole.size() == 1 ? Optional.of(whole.getFirst()) : Optional.empty();
  }

  /** Whether a clause has a word of the cell's heading. */
  private boolean isSpokenOf(Cell cell, String clause) {
    return Words.of(clause).stream()
        .filter(w -> !words.isFunction(w.text()))
        .anyMatch(w -> cell.label().contains(English.stem(w.text())));
  }

  /** Whether another amount is said to be what the cells are that have this one. */
  private boolean areExchanged(
      String sentence, Amount amount, List<Amount> amounts, List<Cell> saying) {
    return amounts.stream()
        .filter(a -> a != amount)
        .anyMatch(a -> meant(sentence, a, amounts).filter(saying::contains).isPresent());
  }

  /** Whether a sentence has a word of a cell's heading that another one's hasn't. */
  private boolean isSpokenOfBeside(Cell cell, Cell other, String sentence) {
    return Words.of(sentence).stream()
        .filter(w -> !words.isFunction(w.text()))
        .map(w -> English.stem(w.text()))
        .anyMatch(s -> cell.heading().contains(s) && !other.label().contains(s));
  }

  /** Whether a clause has several words of what a cell says: "45 mm brass collar". */
  private boolean isQuoted(Cell cell, String clause) {
    return Stems.of(clause).stream()
            .filter(s -> s.length() > 2 && !words.isHarmless(s) && cell.said().contains(s))
            .count()
        > 1;
  }

  /** Whether a clause has every word of a name of the cell's. */
  private static boolean isWhollySpokenOf(Cell cell, String clause) {
    Set<String> stems = Stems.of(clause);
    return cell.names().stream().anyMatch(stems::containsAll);
  }

  /** "Three pockets" where the cell that is headed so has a bare two. */
  private boolean isOtherCount(String sentence, Amount amount, Optional<Cell> meant) {
    if (amount.unit().isPresent() || meant.filter(c -> !c.isName()).isEmpty()) {
      return false;
    }
    List<Cell.Number> counts =
        meant.get().numbers().stream().filter(n -> n.dimension().isEmpty()).distinct().toList();
    if (counts.size() != 1) {
      return false;
    }
    Cell.Number only = counts.getFirst();
    String after =
        sentence.substring(amount.end(), Math.min(sentence.length(), amount.end() + NEXT_WORD));
    return only.dimension().isEmpty()
        && only.value() != amount.value()
        && meant.get().parts() <= 1
        && counted(after).filter(w -> CountJudge.isHeadedBy(meant.get(), w.text())).isPresent();
  }

  /** What a number counts: the first noun behind it in the plural, one word between at most. */
  private static Optional<Word> counted(String after) {
    List<Word> next = Words.of(after).stream().limit(2).toList();
    boolean isSecond =
        next.size() == 2
            && !English.isPlural(next.getFirst().text())
            && English.isPlural(next.getLast().text())
            && Clauses.areJoined(after, next.getFirst(), next.getLast());
    return isSecond ? Optional.of(next.getLast()) : next.stream().findFirst();
  }

  /**
   * "Cash up to 20,000" where the cell of cash has one other number, and that of jewels this one.
   */
  private static boolean isOtherBare(
      Amount amount, Optional<Cell> meant, List<Cell> saying, String clause) {
    Set<String> spoken = new HashSet<>(Stems.of(clause));
    meant.ifPresent(c -> spoken.retainAll(c.names().getFirst()));
    return !spoken.isEmpty()
        && !amount.isWord()
        && meant.isPresent()
        && !saying.isEmpty()
        && (amount.unit().isEmpty() || saying.stream().allMatch(c -> areOfOneSort(c, meant.get())))
        && !saying.contains(meant.get())
        && meant.get().parts() == 1
        && meant.get().numbers().stream().map(Cell.Number::value).distinct().count() == 1
        && meant.get().numbers().getFirst().dimension().isEmpty();
  }

  /** "Head of water, fly" and "head of water, floor": bare figures of the same unit. */
  private static boolean areOfOneSort(Cell one, Cell other) {
    return one.numbers().stream().allMatch(n -> n.dimension().isEmpty())
        && one.names().getFirst().size() == other.names().getFirst().size()
        && !Collections.disjoint(one.names().getFirst(), other.names().getFirst());
  }

  /** "The fly and the floor stand 3,000 and 5,000 mm": the first is of the first. */
  private static boolean isOneOfSeveral(String sentence, Amount amount, List<Amount> amounts) {
    return amounts.stream()
        .filter(a -> a.start() > amount.end())
        .anyMatch(a -> SEVERAL.matcher(sentence.substring(amount.end(), a.start())).matches());
  }

  /** "85 % down" where the cell has 85 of feather, and of down another share. */
  private boolean isShareOfOther(String sentence, Amount amount, List<Cell> saying) {
    Optional<String> thing = behind(sentence, amount);
    return amount.dimension().equals("share")
        && thing.isPresent()
        && !saying.isEmpty()
        && saying.stream()
            .allMatch(
                c -> {
                  List<String> of =
                      Arrays.stream(c.value().split("[,;/+]"))
                          .filter(p -> Stems.of(p).contains(thing.get()))
                          .toList();
                  return !of.isEmpty()
                      && of.stream()
                          .map(p -> Amount.in(p, knowledge))
                          .noneMatch(
                              all ->
                                  all.isEmpty()
                                      || all.stream().anyMatch(a -> a.value() == amount.value()));
                });
  }

  /** "A portion has 398 kcal" where that is of 100 g, and a cell says how much a portion is. */
  private boolean isPerOther(String clause, List<Cell> saying) {
    return !saying.isEmpty()
        && saying.stream().allMatch(c -> PER_SO_MANY.matcher(c.title()).find())
        && PORTION.matcher(clause).results().anyMatch(m -> isMeasured(m.group("w")));
  }

  /** Whether a cell says how much of it a word stands for. */
  private boolean isMeasured(String word) {
    String stem = English.stem(word.toLowerCase(Locale.ROOT));
    return row.cells().stream()
        .anyMatch(
            c ->
                c.names().contains(Set.of(stem))
                    && c.numbers().stream().anyMatch(n -> !n.dimension().isEmpty()));
  }

  /** "138 cm high" where the cell has it as the width. */
  private boolean isOtherSide(String sentence, Amount amount, List<Cell> saying) {
    Set<String> stems = Stems.of(Clauses.at(sentence, amount.start()));
    List<Cell.Number> same =
        saying.stream()
            .flatMap(c -> c.numbers().stream())
            .filter(n -> AmountMatch.isSame(n, amount, false))
            .toList();
    Set<String> spoken = new HashSet<>(stems);
    spoken.retainAll(SIDES);
    return !spoken.isEmpty()
            && !same.isEmpty()
            && same.stream()
                .allMatch(
                    n ->
                        !n.side().isEmpty() && spoken.stream().noneMatch(w -> n.side().contains(w)))
        || isOfOtherCell(amount, saying, spoken);
  }

  /** "9.2 cm high" where that is the diameter, and a cell of its own says how high it is. */
  private boolean isOfOtherCell(Amount amount, List<Cell> saying, Set<String> spoken) {
    for (Set<String> side : SIDES_ALIKE) {
      if (!Collections.disjoint(side, spoken)) {
        boolean isOther =
            saying.stream().allMatch(c -> Collections.disjoint(c.label(), side) && isOfSomeSide(c));
        boolean hasOwn =
            row.cells().stream()
                .filter(c -> !saying.contains(c) && !Collections.disjoint(c.label(), side))
                .anyMatch(
                    c ->
                        c.numbers().stream()
                            .anyMatch(n -> n.dimension().equals(amount.dimension())));
        return !saying.isEmpty() && isOther && hasOwn && amount.dimension().equals("length");
      }
    }
    return false;
  }

  private static boolean isOfSomeSide(Cell cell) {
    return cell.names().stream()
        .anyMatch(n -> n.size() == 1 && SIDES_ALIKE.stream().anyMatch(s -> s.containsAll(n)));
  }

  /** "45 mm in length", where the only cell that has it speaks of a "45 mm spool lip". */
  private boolean isOfSomethingElse(String sentence, Amount amount, List<Cell> saying) {
    Matcher side = IN_LENGTH.matcher(sentence).region(amount.end(), sentence.length());
    return side.lookingAt()
        && !saying.isEmpty()
        && saying.stream().allMatch(c -> saysOfSomethingElse(c, amount, Stems.of(sentence)));
  }

  private boolean saysOfSomethingElse(Cell cell, Amount amount, Set<String> spoken) {
    String text = cell.value();
    return Amount.in(text, knowledge).stream()
        .filter(a -> a.value() == amount.value())
        .anyMatch(
            a -> {
              Set<String> of =
                  new HashSet<>(Stems.of(text.substring(a.end()).split("[,;.(]", 2)[0]));
              of.removeIf(s -> s.length() <= 2 || words.isHarmless(s));
              return !of.isEmpty() && of.stream().noneMatch(spoken::contains);
            });
  }

  private static int distance(Word word, Amount amount) {
    return word.start() >= amount.end() ? word.start() - amount.end() : amount.start() - word.end();
  }
}
