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
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.TermIndex;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.style.Spelling;

/** What may be said of one product: its facts' numbers and words, and the claims they license. */
public final class Ground {
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

  /** Words of which a text has to have one for a pattern to be worth trying. */
  private static final Map<String, Pattern> HINTS = new HashMap<>();

  static {
    hint(COMPARATIVE, "than");
    hint(
        ORIGIN,
        "made produced manufactured sewn woven crafted grown roasted designed built assembled");
    hint(COMPATIBILITY, "fits fit suits suit compatible works work suitable");
    hint(INCLUSION, "includes include including comes come supplied complete delivered");
  }

  private static void hint(Pattern pattern, String words) {
    for (String word : words.split(" ")) {
      HINTS.put(word, pattern);
    }
  }

  private static final Pattern NOT_BEFORE =
      Pattern.compile("(?i)\\b(?:not|no|non)[ -](?:\\p{L}+ )?$");
  private static final Pattern NO_AFTER = Pattern.compile("[^:.\n]{0,40}: no\\b");

  private static final Set<String> SHORT_MEASURES = Set.of("g", "l", "m", "W", "V", "h", "%");

  /**
   * Words for materials and colours of some knowledge.
   *
   * @param telling words of which a text has one, or one with a hyphen, if it states anything but a
   *     figure
   */
  private record Terms(TermIndex materials, TermIndex colours, Set<String> telling) {
    /** Not the words that more often mean something else. */
    static Terms of(Knowledge knowledge) {
      TermIndex materials =
          new TermIndex(
              knowledge,
              "material",
              Set.of(
                  "lead", "alloy", "carbon", "paper", "wood", "glass", "felt", "plane", "cork",
                  "plastic", "rubber", "abs"));
      TermIndex colours =
          new TermIndex(
              knowledge,
              "colour",
              Set.of("clear", "natural", "sand", "cream", "orange", "transparent"));
      Set<String> telling = new HashSet<>();
      telling.addAll(materials.firstWords());
      telling.addAll(colours.firstWords());
      telling.addAll(PROMISES.keySet());
      telling.addAll(HINTS.keySet());
      telling.addAll(Vocabulary.NUMBER_WORDS.keySet());
      return new Terms(materials, colours, telling);
    }
  }

  private final Knowledge knowledge;
  private final KnownWords known;
  private final Terms terms;
  private final List<Vocabulary> vocabularies = new ArrayList<>();
  private final Map<String, List<Double>> amounts = new HashMap<>();
  private final Set<Double> numbers = new HashSet<>();
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
    this.known = knowledge.index(KnownWords.class, KnownWords::new);
    this.terms = knowledge.index(Terms.class, Terms::of);
    for (Fact fact : product.facts()) {
      if (fact.value() instanceof Value.YesNo(boolean yes) && !yes) {
        deny(fact);
        continue;
      }
      addValue(fact.value());
      addWords(fact.label());
      note(fact);
      vocabularies.add(known.ofConcept(fact.concept()));
      for (Source source : fact.sources()) {
        addWords(source.raw());
      }
      for (Claim claim : Licence.in(knowledge).of(fact, product.productClass())) {
        vocabularies.add(known.ofClaim(claim.id()));
      }
    }
    addWords(product.name());
    addWords(product.kindNoun());
  }

  /** A fact that says no licenses none of its words, and contradicts them. */
  private void deny(Fact fact) {
    String words = fact.label() + ": " + fact.source().raw();
    Vocabulary.of(fact.label()).stems().forEach(stem -> denied.put(stem, words));
    known.ofConcept(fact.concept()).stems().forEach(stem -> denied.put(stem, words));
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
    Vocabulary vocabulary = Vocabulary.of(text);
    vocabularies.add(vocabulary);
    for (Vocabulary.Measured m : vocabulary.measures()) {
      knowledge.unitWritten(m.unit()).ifPresent(u -> addMeasure(u, m.number()));
    }
  }

  private static int nextDigit(String text, int from) {
    int at = from;
    while (at < text.length() && !Character.isDigit(text.charAt(at))) {
      at++;
    }
    return at;
  }

  /** What {@code text} states that nothing bears out, in the order of the text. */
  public List<Assertion> unsupported(String text) {
    return find(text, Words.of(text), false);
  }

  /**
   * What {@code text} states that nothing bears out, in the order of the text.
   *
   * @param words the words of the text, for callers that have them
   */
  public List<Assertion> unsupported(String text, List<Word> words) {
    return find(text, words, false);
  }

  /** All that {@code text} states of the kinds that can be told, with what facts say to it. */
  public List<Assertion> statements(String text) {
    return find(text, Words.of(text), true);
  }

  private List<Assertion> find(String text, List<Word> words, boolean all) {
    Found found = new Found(text, all, new ArrayList<>());
    if (Vocabulary.hasDigit(text)) {
      numbers(text, found);
      ratings(text, found);
    }
    Set<Integer> taken = new HashSet<>();
    List<Word> telling = telling(words);
    if (!telling.isEmpty()) {
      terms(words, terms.materials, Assertion.Kind.MATERIAL, "material", taken, found);
      terms(words, terms.colours, Assertion.Kind.COLOUR, "colour", taken, found);
    }
    Set<Pattern> hinted = new HashSet<>();
    for (Word word : telling) {
      word(word, taken, found);
      // "Hand-sewn in" is sewn in.
      Pattern hint = HINTS.get(word.text().substring(word.text().lastIndexOf('-') + 1));
      if (hint != null) {
        hinted.add(hint);
      }
    }
    if (!hinted.isEmpty()) {
      phrases(COMPARATIVE, Assertion.Kind.COMPARATIVE, hinted, found);
      phrases(ORIGIN, Assertion.Kind.ORIGIN, hinted, found);
      phrases(COMPATIBILITY, Assertion.Kind.COMPATIBILITY, hinted, found);
      phrases(INCLUSION, Assertion.Kind.INCLUSION, hinted, found);
    }
    found.list.sort(Comparator.comparingInt(Assertion::start));
    return found.list;
  }

  private List<Word> telling(List<Word> words) {
    List<Word> telling = new ArrayList<>(words.size());
    for (Word word : words) {
      if (mayTell(word.text())) {
        telling.add(word);
      }
    }
    return telling;
  }

  private boolean mayTell(String word) {
    return terms.telling.contains(word) || word.indexOf('-') > 0;
  }

  private void ratings(String text, Found found) {
    if (!text.contains("IP")) {
      return;
    }
    Matcher rating = Vocabulary.RATING.matcher(text);
    while (rating.find()) {
      found.add(
          Assertion.Kind.RATING,
          rating.start(),
          rating.end(),
          isRated(rating.group()),
          said.getOrDefault("rating", ""));
    }
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
              kind,
              text.substring(start, end).strip(),
              start,
              end,
              verdict,
              borne ? "" : against,
              ""));
    }

    boolean overlaps(int start, int end) {
      return list.stream().anyMatch(a -> a.start() < end && start < a.end());
    }
  }

  /** Statements that take several words. */
  private void phrases(Pattern pattern, Assertion.Kind kind, Set<Pattern> hinted, Found found) {
    if (!hinted.contains(pattern)) {
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
    Matcher m = Vocabulary.NUMBER.matcher(text).useTransparentBounds(true);
    for (int at = nextDigit(text, 0); at < text.length(); at = nextDigit(text, at)) {
      m.region(at, text.length());
      if (!m.lookingAt()) {
        at++;
        continue;
      }
      at = Math.max(m.end(), at + 1);
      double n = Double.parseDouble(m.group(Vocabulary.AMOUNT).replace(",", ""));
      String written = m.group(Vocabulary.UNIT);
      // "Pannier 20 in moss green" is no length.
      boolean word = "in".equals(written) && text.startsWith(" ", m.end());
      Optional<Unit> unit =
          (written == null || word ? Optional.<Unit>empty() : knowledge.unitWritten(written))
              .filter(Ground::isMeasure);
      boolean borne = unit.map(u -> isMeasured(n, u)).orElseGet(() -> isNumber(n));
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
    for (double k : known) {
      if (Math.abs(k - base) <= 0.006 * Math.max(k, base)) {
        return true;
      }
    }
    return known.isEmpty() && isNumber(n);
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
    Double number =
        Vocabulary.NUMBER_WORDS.get(w.indexOf('-') > 0 ? w.substring(0, w.indexOf('-')) : w);
    if (number != null) {
      found.add(Assertion.Kind.NUMBER, word.start(), word.end(), isNumber(number), "");
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

  private boolean isNumber(double n) {
    if (numbers.contains(n)) {
      return true;
    }
    for (Vocabulary vocabulary : vocabularies) {
      if (vocabulary.numbers().contains(n)) {
        return true;
      }
    }
    return false;
  }

  private boolean isRated(String code) {
    return ratings.contains(code)
        || vocabularies.stream().anyMatch(v -> v.ratings().contains(code));
  }

  private boolean isKnown(String words) {
    return Arrays.stream(words.split(" "))
        .allMatch(
            word ->
                isStem(word)
                    || word.indexOf('-') > 0
                        && Arrays.stream(word.split("-")).allMatch(this::isStem));
  }

  private boolean isStem(String word) {
    return isBareStem(English.stem(word))
        || Spelling.otherwise(word).filter(w -> isBareStem(English.stem(w))).isPresent();
  }

  private boolean isBareStem(String stem) {
    for (Vocabulary vocabulary : vocabularies) {
      if (vocabulary.stems().contains(stem)) {
        return true;
      }
    }
    return false;
  }
}
