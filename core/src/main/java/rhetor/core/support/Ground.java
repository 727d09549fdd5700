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

  /** Words that state a property which a shop may be held to, by what they promise. */
  private static final Map<String, Assertion.Kind> PROMISES = new HashMap<>();

  private static void promise(Assertion.Kind kind, String words) {
    for (String word : words.split(" ")) {
      PROMISES.put(word, kind);
    }
  }

  static {
    promise(
        Assertion.Kind.PROPERTY,
        "waterproof water-resistant water-repellent windproof splash-proof shockproof breathable insulated vegan handmade hand-made bpa-free unbreakable indestructible rustproof stainless lightweight ultralight durable hardwearing hard-wearing heavy-duty rechargeable washable adjustable foldable removable reversible padded reflective anti-theft burglar-proof certified tested award-winning patented dishwasher-safe microwave-safe oven-safe oven-proof food-safe fireproof flame-retardant uv-resistant scratch-resistant crease-resistant stain-resistant pvc-free free one-handed tool-free childproof child-safe airtight leakproof leak-proof edible perennial annual hardy frost-hardy wireless cordless silent noiseless seamless non-stick non-slip machine-washable genuine authentic original");
    promise(
        Assertion.Kind.ENVIRONMENT,
        "recycled recyclable organic sustainable sustainably eco-friendly eco green-energy environmentally biodegradable compostable carbon-neutral climate-neutral carbon-free plastic-free zero-waste fair-trade fairtrade upcycled renewable cruelty-free");
    promise(
        Assertion.Kind.HEALTH,
        "hypoallergenic non-toxic antibacterial antimicrobial healthy healthier medical medicinal therapeutic heals heal healing cures cure relieves relieve soothes soothe detox detoxifies immunity anti-inflammatory anti-ageing anti-aging rejuvenates orthopaedic orthopedic ergonomic dermatologically clinically");
    promise(
        Assertion.Kind.GUARANTEE,
        "warranty guarantee guaranteed guarantees lifetime refund refunds refundable money-back");
    promise(
        Assertion.Kind.ABSOLUTE,
        "always never forever impossible completely totally absolutely everything everyone");
    promise(
        Assertion.Kind.SUPERLATIVE,
        "best finest strongest lightest fastest safest cheapest toughest brightest smallest largest greatest softest warmest quietest thinnest ultimate perfect unbeatable unrivalled unmatched unsurpassed leading number-one world-class unique incomparable");
  }

  /** "Lighter than", "more durable than": what it is set against has to be a fact too. */
  private static final Pattern COMPARATIVE =
      Pattern.compile(
          "\\b(?:(?<w>\\p{Ll}{2,}(?<!oth|rath|und|ov|aft|numb|nev|ev|eith|neith|wheth|furth|togeth|lat|form)er)|(?:more|less) (?<a>\\p{Ll}+)) than\\b|\\b(?:more|less|fewer|longer|better) than (?:most|others?|any|all|comparable|ordinary|usual)\\b");

  private static final Pattern ORIGIN =
      Pattern.compile(
          "\\b(?i:made|produced|manufactured|sewn|woven|crafted|grown|roasted|designed|built|assembled) (?:by hand )?in (?:the )?(?<w>\\p{Lu}[\\p{L}-]+(?: \\p{Lu}[\\p{L}-]+)*)");

  private static final Pattern COMPATIBILITY =
      Pattern.compile(
          "\\b(?i:fits|fit|suits|suit|compatible with|works with|work with|suitable for|works on) (?<w>(?i:all|any|every|most)\\b(?: \\p{Ll}+)?|\\p{Lu}[\\p{L}\\d-]+(?: [\\p{Lu}\\d][\\p{L}\\d-]*)*)");

  private static final Pattern INCLUSION =
      Pattern.compile(
          "\\b(?i:includes|include|including|comes with|come with|supplied with|complete with|delivered with) (?<w>[\\p{L} -]{3,60}?)(?=[,.;:!?)]|$| and | or | for | that | which | so )");

  private static final List<String> THAN = List.of(" than");
  private static final List<String> MADE =
      List.of(
          "ade in",
          "ade by hand in",
          "oduced in",
          "factured in",
          "ewn in",
          "oven in",
          "rafted in",
          "rown in",
          "oasted in",
          "igned in",
          "uilt in",
          "sembled in");
  private static final List<String> FITS =
      List.of(
          " fits ",
          " fit ",
          "Fits ",
          "uits ",
          "uit ",
          "ompatible ",
          "ork with",
          "orks with",
          "uitable for",
          "orks on");
  private static final List<String> COMES =
      List.of("nclud", "ome with", "omes with", "upplied with", "omplete with", "elivered with");

  private static final Pattern NOT_BEFORE =
      Pattern.compile("(?i)\\b(?:not|no|non)[ -](?:\\p{L}+ )?$");
  private static final Pattern NO_AFTER = Pattern.compile("[^:.\n]{0,40}: no\\b");

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

  /** Stems of what a fact says no to, with the fact in words. */
  private final Map<String, String> denied = new HashMap<>();

  /** What facts say of a dimension, a material or a colour, in words. */
  private final Map<String, String> said = new HashMap<>();

  private static Set<String> words(String list) {
    return Set.copyOf(Arrays.asList(list.split(" ")));
  }

  public Ground(ProductFacts product, Knowledge knowledge) {
    this.knowledge = knowledge;
    for (Fact fact : product.facts()) {
      if (fact.value() instanceof Value.YesNo(boolean yes) && !yes) {
        deny(fact);
        continue;
      }
      addValue(fact.value());
      addKnown(fact.label());
      note(fact);
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

  /** A fact that says no licenses none of its words, and contradicts them. */
  private void deny(Fact fact) {
    String words = fact.label() + ": " + fact.source().raw();
    for (String stem : KNOWN.of(fact.label())) {
      denied.put(stem, words);
    }
    knowledge
        .concept(fact.concept())
        .ifPresent(
            c ->
                c.say()
                    .values()
                    .forEach(l -> l.forEach(w -> KNOWN.of(w).forEach(x -> denied.put(x, words)))));
  }

  private void note(Fact fact) {
    String words = fact.label() + ": " + fact.source().raw();
    String key =
        switch (fact.value()) {
          case Value.Quantity q -> dimension(q.unit());
          case Value.Range r -> dimension(r.unit());
          case Value.Sides x -> dimension(x.unit());
          case Value.Rating r -> "rating";
          case Value.Terms t -> knowledge.concept(fact.concept()).map(c -> c.terms()).orElse("");
          default -> "";
        };
    if (!key.isEmpty()) {
      said.merge(key, words, (a, b) -> a.length() + b.length() > 120 ? a : a + "; " + b);
    }
  }

  private String dimension(String unit) {
    return knowledge.unit(unit).map(Unit::dimension).orElse("");
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
    return find(text, false);
  }

  /** All that {@code text} states of the kinds that can be told, with what facts say to it. */
  public List<Assertion> statements(String text) {
    return find(text, true);
  }

  private List<Assertion> find(String text, boolean all) {
    Found found = new Found(text, all, new ArrayList<>());
    List<Word> words = Words.of(text);
    if (hasDigit(text)) {
      numbers(text, found);
      Matcher rating = RATING.matcher(text);
      while (rating.find()) {
        found.add(
            Assertion.Kind.RATING,
            rating.start(),
            rating.end(),
            ratings.contains(rating.group()),
            said.getOrDefault("rating", ""));
      }
    }
    Set<Integer> taken = new HashSet<>();
    terms(words, MATERIALS, Assertion.Kind.MATERIAL, "material", taken, found);
    terms(words, COLOURS, Assertion.Kind.COLOUR, "colour", taken, found);
    for (Word word : words) {
      word(word, taken, found);
    }
    phrases(COMPARATIVE, Assertion.Kind.COMPARATIVE, THAN, found);
    phrases(ORIGIN, Assertion.Kind.ORIGIN, MADE, found);
    phrases(COMPATIBILITY, Assertion.Kind.COMPATIBILITY, FITS, found);
    phrases(INCLUSION, Assertion.Kind.INCLUSION, COMES, found);
    found.list.sort(Comparator.comparingInt(Assertion::start));
    return found.list;
  }

  /** Collects what is found in a text; what facts bear out only where all is asked for. */
  private record Found(String text, boolean all, List<Assertion> list) {
    void add(Assertion.Kind kind, int start, int end, boolean borne, String against) {
      if (borne && !all) {
        return;
      }
      Assertion.Verdict verdict =
          borne
              ? Assertion.Verdict.SUPPORTED
              : against.isEmpty() ? Assertion.Verdict.UNSUPPORTED : Assertion.Verdict.CONTRADICTED;
      list.add(
          new Assertion(
              kind, text.substring(start, end).strip(), start, end, verdict, borne ? "" : against));
    }

    boolean overlaps(int start, int end) {
      return list.stream().anyMatch(a -> a.start() < end && start < a.end());
    }
  }

  /**
   * Statements that take several words.
   *
   * @param hints words of which a text has to have one for the pattern to be worth trying
   */
  private void phrases(Pattern pattern, Assertion.Kind kind, List<String> hints, Found found) {
    if (hints.stream().noneMatch(found.text::contains)) {
      return;
    }
    Matcher m = pattern.matcher(found.text);
    while (m.find()) {
      String what = m.group("w");
      if (what == null && kind == Assertion.Kind.COMPARATIVE) {
        what = m.group("a") == null ? m.group() : m.group("a");
      }
      // Of an inclusion the thing counts: "comes with a padded strap".
      String asked =
          kind == Assertion.Kind.INCLUSION
              ? English.lastWord(what.strip()).toLowerCase(Locale.ROOT)
              : what.toLowerCase(Locale.ROOT);
      if (kind == Assertion.Kind.COMPARATIVE || !found.overlaps(m.start(), m.end())) {
        found.add(kind, m.start(), m.end(), isKnown(asked), "");
      }
    }
  }

  private void numbers(String text, Found found) {
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
          (m.group("u") == null || word
                  ? Optional.<Unit>empty()
                  : knowledge.unitWritten(m.group("u")))
              .filter(Ground::isMeasure);
      boolean borne = unit.map(u -> isMeasured(n, u)).orElseGet(() -> numbers.contains(n));
      found.add(
          Assertion.Kind.NUMBER,
          m.start(),
          m.end(),
          borne,
          unit.map(u -> said.getOrDefault(u.dimension(), "")).orElse(""));
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
      List<Word> words,
      TermIndex terms,
      Assertion.Kind kind,
      String list,
      Set<Integer> taken,
      Found found) {
    for (TermIndex.Place place : terms.in(words)) {
      if (taken.add(place.start())) {
        String term = found.text.substring(place.start(), place.end()).toLowerCase(Locale.ROOT);
        found.add(kind, place.start(), place.end(), isKnown(term), said.getOrDefault(list, ""));
      }
    }
  }

  private void word(Word word, Set<Integer> taken, Found found) {
    String w = word.text();
    Double number = NUMBER_WORDS.get(w.indexOf('-') > 0 ? w.substring(0, w.indexOf('-')) : w);
    if (number != null) {
      found.add(Assertion.Kind.NUMBER, word.start(), word.end(), numbers.contains(number), "");
      return;
    }
    Assertion.Kind kind = PROMISES.get(w);
    if (kind != null && !taken.contains(word.start())) {
      String no = denied.getOrDefault(English.stem(w), "");
      if (no.isEmpty() && w.indexOf('-') > 0) {
        no = denied.getOrDefault(English.stem(w.substring(0, w.indexOf('-'))), "");
      }
      boolean borne = no.isEmpty() ? isKnown(w) : isDenying(found.text, word);
      found.add(kind, word.start(), word.end(), borne, no);
    }
  }

  /** "Dishwasher safe: no", "not dishwasher-safe". */
  private static boolean isDenying(String text, Word word) {
    String before = text.substring(Math.max(0, word.start() - 12), word.start());
    return NOT_BEFORE.matcher(before).find()
        || NO_AFTER.matcher(text).region(word.end(), text.length()).lookingAt();
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
