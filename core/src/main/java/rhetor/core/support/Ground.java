package rhetor.core.support;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
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
import rhetor.core.fact.Unit;
import rhetor.core.fact.Value;
import rhetor.core.language.English;

/** What may be said of one product: its facts' numbers and words, and the claims they license. */
public final class Ground {
  private static final Pattern NUMBER =
      Pattern.compile(
          "(?<![\\p{L}\\d.,])(?<n>\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?)(?:[ -]?(?<u>[a-zA-Z°%²]+(?:/[a-z]+| per hour)?))?");
  private static final Pattern RATING = Pattern.compile("\\bIP[0-6X]\\d\\b");
  private static final Pattern WORD = Pattern.compile("[\\p{L}][\\p{L}'’-]*");

  /** Words that state a property which a shop may be held to. */
  private static final Set<String> PROPERTIES =
      words(
          "waterproof water-resistant water-repellent windproof splash-proof shockproof breathable insulated recycled recyclable organic vegan handmade hand-made sustainable eco-friendly biodegradable compostable non-toxic bpa-free hypoallergenic unbreakable indestructible rustproof stainless lightweight ultralight durable hardwearing hard-wearing heavy-duty rechargeable washable adjustable foldable removable reversible padded reflective anti-theft burglar-proof certified tested award-winning patented dishwasher-safe food-safe fireproof uv-resistant scratch-resistant antibacterial healthy medical heals cures fair-trade fairtrade carbon-neutral plastic-free pvc-free warranty guarantee guaranteed free one-handed tool-free childproof child-safe airtight leakproof leak-proof edible perennial annual hardy frost-hardy");

  private static final Set<String> ABSOLUTES =
      words("always never forever impossible completely totally absolutely everything everyone");
  private static final Set<String> SUPERLATIVES =
      words(
          "best finest strongest lightest fastest safest cheapest toughest brightest smallest largest greatest ultimate perfect unbeatable unrivalled unmatched unsurpassed leading number-one world-class unique");
  private static final Map<String, Integer> NUMBER_WORDS =
      Map.ofEntries(
          Map.entry("two", 2),
          Map.entry("three", 3),
          Map.entry("four", 4),
          Map.entry("five", 5),
          Map.entry("six", 6),
          Map.entry("seven", 7),
          Map.entry("eight", 8),
          Map.entry("nine", 9),
          Map.entry("ten", 10),
          Map.entry("eleven", 11),
          Map.entry("twelve", 12),
          Map.entry("dozen", 12),
          Map.entry("twenty", 20));
  private static final Terms MATERIALS = new Terms("material");
  private static final Terms COLOURS = new Terms("colour");

  private final Knowledge knowledge;
  private final Map<String, List<Double>> amounts = new HashMap<>();
  private final Set<Double> numbers = new HashSet<>();
  private final Set<String> stems = new HashSet<>();
  private final String ratings;

  private static Set<String> words(String list) {
    return Set.copyOf(Arrays.asList(list.split(" ")));
  }

  /** Names of a term list, longest first, as one pattern. */
  private static final class Terms {
    private final Pattern pattern;

    Terms(String type) {
      List<String> names = new ArrayList<>();
      for (var term : Knowledge.standard().terms()) {
        if (term.type().equals(type)) {
          names.add(term.en().toLowerCase(Locale.ROOT));
          term.also().forEach(a -> names.add(a.toLowerCase(Locale.ROOT)));
        }
      }
      // Words that mean other things more often than the material or colour they also name.
      names.removeAll(
          Set.of(
              "lead", "clear", "natural", "alloy", "carbon", "paper", "wood", "glass", "felt",
              "sand", "cream", "orange", "plane", "cork", "plastic", "rubber", "abs"));
      names.sort((a, b) -> b.length() - a.length());
      pattern =
          Pattern.compile(
              "(?<![\\p{L}-])(?:"
                  + String.join("|", names.stream().map(Pattern::quote).toList())
                  + ")(?![\\p{L}])");
    }
  }

  public Ground(ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    StringBuilder ratingWords = new StringBuilder();
    for (Fact fact : product.facts()) {
      addValue(fact.value());
      addWords(fact.label());
      for (Source source : fact.sources()) {
        addWords(source.raw());
      }
      ratingWords
          .append(' ')
          .append(fact.value() instanceof Value.Rating(String code) ? code : fact.source().raw());
      for (Claim claim : knowledge.claims()) {
        if (claim.isLicensedBy(fact, product.productClass(), wordsOf(fact.value()))) {
          claim.adj().forEach(this::addWords);
          claim.so().forEach(this::addWords);
        }
      }
    }
    addWords(product.name());
    addWords(product.kindNoun());
    ratings = ratingWords.toString().toUpperCase(Locale.ROOT);
  }

  /** A value's words, for matching against what a claim asks for. */
  public static String wordsOf(Value value) {
    return switch (value) {
      case Value.Terms(List<String> items) -> String.join(", ", items);
      case Value.Words(String text) -> text;
      case Value.Rating(String code) -> code;
      default -> "";
    };
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
      case Value.Rating(String code) -> addWords(code);
      case Value.YesNo y -> {}
    }
  }

  private void addAmount(BigDecimal amount, String unitId) {
    numbers.add(Math.abs(amount.doubleValue()));
    knowledge
        .unit(unitId)
        .ifPresent(
            u ->
                amounts
                    .computeIfAbsent(u.dimension(), d -> new ArrayList<>())
                    .add(Math.abs(amount.multiply(u.factor()).doubleValue())));
  }

  private void addWords(String text) {
    Matcher words = WORD.matcher(text);
    while (words.find()) {
      String word = words.group().toLowerCase(Locale.ROOT);
      stems.add(English.stem(word));
      if (word.indexOf('-') > 0) {
        for (String part : word.split("-")) {
          stems.add(English.stem(part));
          if (NUMBER_WORDS.containsKey(part)) {
            numbers.add((double) NUMBER_WORDS.get(part));
          }
        }
      }
      Integer number = NUMBER_WORDS.get(word);
      if (number != null) {
        numbers.add((double) number);
      }
    }
    Matcher measured = NUMBER.matcher(text);
    while (measured.find()) {
      if (measured.group("u") != null) {
        double n = Double.parseDouble(measured.group("n").replace(",", ""));
        knowledge
            .unitWritten(measured.group("u"))
            .ifPresent(
                u ->
                    amounts
                        .computeIfAbsent(u.dimension(), d -> new ArrayList<>())
                        .add(n * u.factor().doubleValue()));
      }
    }
    Matcher digits = Pattern.compile("\\d+(?:[.,]\\d+)*").matcher(text);
    while (digits.find()) {
      for (NumberStyle style : NumberStyle.values()) {
        style.parse(digits.group()).ifPresent(n -> numbers.add(n.doubleValue()));
      }
    }
  }

  /** What {@code text} states that nothing bears out, in the order of the text. */
  public List<Assertion> unsupported(String text) {
    List<Assertion> found = new ArrayList<>();
    String lower = text.toLowerCase(Locale.ROOT);
    boolean[] taken = new boolean[text.length()];
    numbers(text, found);
    Matcher rating = RATING.matcher(text);
    while (rating.find()) {
      if (!ratings.replace(" ", "").contains(rating.group())) {
        found.add(
            new Assertion(Assertion.Kind.RATING, rating.group(), rating.start(), rating.end()));
      }
    }
    terms(lower, text, MATERIALS, Assertion.Kind.MATERIAL, taken, found);
    terms(lower, text, COLOURS, Assertion.Kind.COLOUR, taken, found);
    words(text, taken, found);
    found.sort(java.util.Comparator.comparingInt(Assertion::start));
    return found;
  }

  private void numbers(String text, List<Assertion> found) {
    Matcher m = NUMBER.matcher(text);
    while (m.find()) {
      double n = Double.parseDouble(m.group("n").replace(",", ""));
      // "Pannier 20 in moss green" is no length.
      boolean word = "in".equals(m.group("u")) && text.startsWith(" ", m.end());
      Optional<Unit> unit =
          m.group("u") == null || word ? Optional.empty() : knowledge.unitWritten(m.group("u"));
      boolean borne =
          unit.map(
                  u -> {
                    List<Double> known = amounts.getOrDefault(u.dimension(), List.of());
                    double base = n * u.factor().doubleValue();
                    return known.isEmpty()
                        ? numbers.contains(n)
                        : known.stream()
                                .anyMatch(k -> Math.abs(k - base) <= 0.006 * Math.max(k, base))
                            || !isMeasure(u) && numbers.contains(n);
                  })
              .orElseGet(() -> numbers.contains(n));
      if (!borne && !numbers.contains(n) || !borne && unit.isPresent() && isMeasure(unit.get())) {
        found.add(
            new Assertion(
                Assertion.Kind.NUMBER,
                m.group().strip(),
                m.start(),
                m.start() + m.group().stripTrailing().length()));
      }
    }
    Matcher w = WORD.matcher(text);
    while (w.find()) {
      Integer n = NUMBER_WORDS.get(w.group().toLowerCase(Locale.ROOT).split("-")[0]);
      if (n != null && !numbers.contains((double) n)) {
        found.add(new Assertion(Assertion.Kind.NUMBER, w.group(), w.start(), w.end()));
      }
    }
  }

  /** Single letters such as "A" or "N" are more often part of a name than a unit. */
  private static boolean isMeasure(Unit unit) {
    return unit.id().length() > 1 || Set.of("g", "l", "m", "W", "V", "h", "%").contains(unit.id());
  }

  private void terms(
      String lower,
      String text,
      Terms terms,
      Assertion.Kind kind,
      boolean[] taken,
      List<Assertion> found) {
    Matcher m = terms.pattern.matcher(lower);
    while (m.find()) {
      boolean free = true;
      for (int i = m.start(); i < m.end(); i++) {
        free &= !taken[i];
        taken[i] = true;
      }
      if (free && !isKnown(m.group())) {
        found.add(new Assertion(kind, text.substring(m.start(), m.end()), m.start(), m.end()));
      }
    }
  }

  private void words(String text, boolean[] taken, List<Assertion> found) {
    Matcher m = WORD.matcher(text);
    while (m.find()) {
      String word = m.group().toLowerCase(Locale.ROOT);
      Assertion.Kind kind =
          PROPERTIES.contains(word)
              ? Assertion.Kind.PROPERTY
              : ABSOLUTES.contains(word)
                  ? Assertion.Kind.ABSOLUTE
                  : SUPERLATIVES.contains(word) ? Assertion.Kind.SUPERLATIVE : null;
      if (kind != null && !taken[m.start()] && !isKnown(word)) {
        found.add(new Assertion(kind, m.group(), m.start(), m.end()));
      }
    }
  }

  private boolean isKnown(String words) {
    for (String word : words.split("[ ]")) {
      String stem = English.stem(word);
      if (!stems.contains(stem)
          && !(word.indexOf('-') > 0
              && Arrays.stream(word.split("-")).allMatch(p -> stems.contains(English.stem(p))))) {
        return false;
      }
    }
    return true;
  }
}
