package rhetor.core.support;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.NumberStyle;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.TermIndex;
import rhetor.core.fact.Unit;
import rhetor.core.fact.Value;
import rhetor.core.language.English;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/** What may be said of one product: its facts' numbers and words, and the claims they license. */
public final class Ground {
  private static final Pattern NUMBER =
      Pattern.compile(
          "(?<![\\p{L}\\d.,])(?<n>\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?:[ -]?(?<u>[a-zA-Z°%²]+(?:/[a-z]+| per hour)?))?");
  private static final Pattern DIGITS = Pattern.compile("\\d+(?:[.,]\\d+)*");
  private static final Pattern RATING = Pattern.compile("\\bIP[0-6X]\\d\\b");

  /** Words that state a property which a shop may be held to. */
  private static final Set<String> PROPERTIES =
      words(
          "waterproof water-resistant water-repellent windproof splash-proof shockproof breathable insulated recycled recyclable organic vegan handmade hand-made sustainable eco-friendly biodegradable compostable non-toxic bpa-free hypoallergenic unbreakable indestructible rustproof stainless lightweight ultralight durable hardwearing hard-wearing heavy-duty rechargeable washable adjustable foldable removable reversible padded reflective anti-theft burglar-proof certified tested award-winning patented dishwasher-safe food-safe fireproof uv-resistant scratch-resistant antibacterial healthy medical heals cures fair-trade fairtrade carbon-neutral plastic-free pvc-free warranty guarantee guaranteed free one-handed tool-free childproof child-safe airtight leakproof leak-proof edible perennial annual hardy frost-hardy");

  private static final Set<String> ABSOLUTES =
      words("always never forever impossible completely totally absolutely everything everyone");
  private static final Set<String> SUPERLATIVES =
      words(
          "best finest strongest lightest fastest safest cheapest toughest brightest smallest largest greatest ultimate perfect unbeatable unrivalled unmatched unsurpassed leading number-one world-class unique");
  private static final Map<String, Double> NUMBER_WORDS =
      Map.ofEntries(
          Map.entry("two", 2.0),
          Map.entry("three", 3.0),
          Map.entry("four", 4.0),
          Map.entry("five", 5.0),
          Map.entry("six", 6.0),
          Map.entry("seven", 7.0),
          Map.entry("eight", 8.0),
          Map.entry("nine", 9.0),
          Map.entry("ten", 10.0),
          Map.entry("eleven", 11.0),
          Map.entry("twelve", 12.0),
          Map.entry("dozen", 12.0),
          Map.entry("twenty", 20.0));
  private static final Set<String> SHORT_MEASURES = Set.of("g", "l", "m", "W", "V", "h", "%");

  /** Materials and colours; not the words that more often mean something else. */
  private static final TermIndex MATERIALS =
      new TermIndex(
          Knowledge.standard(),
          "material",
          Set.of(
              "lead", "alloy", "carbon", "paper", "wood", "glass", "felt", "plane", "cork",
              "plastic", "rubber", "abs"));

  private static final TermIndex COLOURS =
      new TermIndex(
          Knowledge.standard(),
          "colour",
          Set.of("clear", "natural", "sand", "cream", "orange", "transparent"));

  private static final Memo<List<String>> KNOWN = new Memo<>(Ground::knownWords);

  private final Knowledge knowledge;
  private final Map<String, List<Double>> amounts = new HashMap<>();
  private final Set<Double> numbers = new HashSet<>();
  private final Set<String> stems = new HashSet<>();
  private final Set<String> ratings = new HashSet<>();

  private static Set<String> words(String list) {
    return Set.copyOf(Arrays.asList(list.split(" ")));
  }

  public Ground(ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    for (Fact fact : product.facts()) {
      addValue(fact.value());
      addKnown(fact.label());
      knowledge
          .concept(fact.concept())
          .ifPresent(c -> c.say().values().forEach(l -> l.forEach(this::addKnown)));
      for (Source source : fact.sources()) {
        addWords(source.raw());
      }
      for (Claim claim : knowledge.licence().of(fact, product.productClass())) {
        claim.adj().forEach(this::addKnown);
        claim.so().forEach(this::addKnown);
      }
    }
    addWords(product.name());
    addWords(product.kindNoun());
  }

  private void addValue(Value value) {
    switch (value) {
      case Value.Quantity q -> addAmount(q.amount(), q.unit());
      case Value.Range r -> {
        addAmount(r.from(), r.unit());
        addAmount(r.to(), r.unit());
      }
      case Value.Sides s -> s.lengths().forEach(l -> addAmount(l, s.unit()));
      case Value.Terms(List<String> items) -> items.forEach(this::addWords);
      case Value.Words(String text) -> addWords(text);
      case Value.Rating(String code) -> ratings.add(code);
      case Value.YesNo y -> {}
    }
  }

  private void addAmount(BigDecimal amount, String unitId) {
    numbers.add(Math.abs(amount.doubleValue()));
    knowledge.unit(unitId).ifPresent(u -> addMeasure(u, Math.abs(amount.doubleValue())));
  }

  private void addMeasure(Unit unit, double amount) {
    amounts
        .computeIfAbsent(unit.dimension(), d -> new ArrayList<>())
        .add(amount * unit.factor().doubleValue());
  }

  private void addWords(String text) {
    for (Word word : Words.of(text)) {
      add(word.text());
      if (word.text().indexOf('-') > 0) {
        Arrays.stream(word.text().split("-")).forEach(this::add);
      }
    }
    if (hasDigit(text)) {
      addNumbers(text);
    }
  }

  /** Words that come again with every product: wordings, claims, headings. */
  private void addKnown(String text) {
    for (String word : KNOWN.of(text)) {
      stems.add(word);
      Double number = NUMBER_WORDS.get(word);
      if (number != null) {
        numbers.add(number);
      }
    }
  }

  private static List<String> knownWords(String text) {
    List<String> stems = new ArrayList<>();
    for (Word word : Words.of(text)) {
      stems.add(English.stem(word.text()));
      if (NUMBER_WORDS.containsKey(word.text())) {
        stems.add(word.text());
      }
      if (word.text().indexOf('-') > 0) {
        Arrays.stream(word.text().split("-")).map(English::stem).forEach(stems::add);
      }
    }
    return List.copyOf(stems);
  }

  private void add(String word) {
    stems.add(English.stem(word));
    Double number = NUMBER_WORDS.get(word);
    if (number != null) {
      numbers.add(number);
    }
  }

  private static boolean hasDigit(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (Character.isDigit(text.charAt(i))) {
        return true;
      }
    }
    return false;
  }

  private static int nextDigit(String text, int from) {
    int at = from;
    while (at < text.length() && !Character.isDigit(text.charAt(at))) {
      at++;
    }
    return at;
  }

  private void addNumbers(String text) {
    Matcher rating = RATING.matcher(text);
    while (rating.find()) {
      ratings.add(rating.group());
    }
    Matcher measured = NUMBER.matcher(text);
    while (measured.find()) {
      if (measured.group("u") != null) {
        double n = Double.parseDouble(measured.group("n").replace(",", ""));
        knowledge.unitWritten(measured.group("u")).ifPresent(u -> addMeasure(u, n));
      }
    }
    Matcher digits = DIGITS.matcher(text);
    while (digits.find()) {
      for (NumberStyle style : NumberStyle.values()) {
        style.parse(digits.group()).ifPresent(n -> numbers.add(n.doubleValue()));
      }
    }
  }

  /** What {@code text} states that nothing bears out, in the order of the text. */
  public List<Assertion> unsupported(String text) {
    List<Assertion> found = new ArrayList<>();
    List<Word> words = Words.of(text);
    if (hasDigit(text)) {
      numbers(text, found);
      Matcher rating = RATING.matcher(text);
      while (rating.find()) {
        if (!ratings.contains(rating.group())) {
          found.add(
              new Assertion(Assertion.Kind.RATING, rating.group(), rating.start(), rating.end()));
        }
      }
    }
    Set<Integer> taken = new HashSet<>();
    terms(text, words, MATERIALS, Assertion.Kind.MATERIAL, taken, found);
    terms(text, words, COLOURS, Assertion.Kind.COLOUR, taken, found);
    for (Word word : words) {
      word(text, word, taken, found);
    }
    found.sort(Comparator.comparingInt(Assertion::start));
    return found;
  }

  private void numbers(String text, List<Assertion> found) {
    Matcher m = NUMBER.matcher(text).useTransparentBounds(true);
    for (int at = nextDigit(text, 0); at < text.length(); at = nextDigit(text, at)) {
      m.region(at, text.length());
      if (!m.lookingAt()) {
        at++;
        continue;
      }
      at = Math.max(m.end(), at + 1);
      double n = Double.parseDouble(m.group("n").replace(",", ""));
      // "Pannier 20 in moss green" is no length.
      boolean word = "in".equals(m.group("u")) && text.startsWith(" ", m.end());
      Optional<Unit> unit =
          m.group("u") == null || word ? Optional.empty() : knowledge.unitWritten(m.group("u"));
      boolean borne =
          unit.filter(Ground::isMeasure)
              .map(u -> isMeasured(n, u))
              .orElseGet(() -> numbers.contains(n));
      if (!borne) {
        found.add(new Assertion(Assertion.Kind.NUMBER, m.group().strip(), m.start(), m.end()));
      }
    }
  }

  private boolean isMeasured(double n, Unit unit) {
    List<Double> known = amounts.getOrDefault(unit.dimension(), List.of());
    double base = n * unit.factor().doubleValue();
    return known.isEmpty()
        ? numbers.contains(n)
        : known.stream().anyMatch(k -> Math.abs(k - base) <= 0.006 * Math.max(k, base));
  }

  /** Single letters such as "A" or "N" are more often part of a name than a unit. */
  private static boolean isMeasure(Unit unit) {
    return unit.id().length() > 1 || SHORT_MEASURES.contains(unit.id());
  }

  private void terms(
      String text,
      List<Word> words,
      TermIndex terms,
      Assertion.Kind kind,
      Set<Integer> taken,
      List<Assertion> found) {
    for (TermIndex.Place place : terms.in(words)) {
      if (taken.add(place.start())
          && !isKnown(text.substring(place.start(), place.end()).toLowerCase(Locale.ROOT))) {
        found.add(
            new Assertion(
                kind, text.substring(place.start(), place.end()), place.start(), place.end()));
      }
    }
  }

  private void word(String text, Word word, Set<Integer> taken, List<Assertion> found) {
    String w = word.text();
    Assertion.Kind kind =
        PROPERTIES.contains(w)
            ? Assertion.Kind.PROPERTY
            : ABSOLUTES.contains(w)
                ? Assertion.Kind.ABSOLUTE
                : SUPERLATIVES.contains(w) ? Assertion.Kind.SUPERLATIVE : null;
    Double number = NUMBER_WORDS.get(w.indexOf('-') > 0 ? w.substring(0, w.indexOf('-')) : w);
    boolean wrongNumber = number != null && !numbers.contains(number);
    if (wrongNumber || kind != null && !taken.contains(word.start()) && !isKnown(w)) {
      found.add(
          new Assertion(
              wrongNumber ? Assertion.Kind.NUMBER : kind,
              text.substring(word.start(), word.end()),
              word.start(),
              word.end()));
    }
  }

  private boolean isKnown(String words) {
    for (String word : words.split(" ")) {
      boolean known =
          stems.contains(English.stem(word))
              || word.indexOf('-') > 0
                  && Arrays.stream(word.split("-")).allMatch(p -> stems.contains(English.stem(p)));
      if (!known) {
        return false;
      }
    }
    return true;
  }
}
