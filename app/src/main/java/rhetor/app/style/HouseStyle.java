package rhetor.app.style;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.range.Ranges;
import rhetor.app.web.Refused;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Draft;
import rhetor.core.compose.Variety;
import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Field;
import rhetor.core.style.LayeredStyle;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.style.StyleProblem;
import rhetor.core.style.Voice;
import rhetor.core.style.VoiceMeasure;
import rhetor.core.style.VoiceProposal;
import rhetor.core.style.Voices;

/** The house's style: what holds now, its versions, and what another would do. */
@Service
public class HouseStyle {
  /** How long another process's decision may go unseen. */
  private static final Duration FRESH = Duration.ofSeconds(2);

  private static final int EXAMPLES = 3;
  private static final int MEASURED = 20;
  private static final int LONGEST_SAMPLE = 200_000;

  private final StyleStore store;
  private final AngleStore angles;
  private final Ranges ranges;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final AtomicLong changed = new AtomicLong();
  private volatile Read read =
      new Read(0, Style.standard(), Map.of(), Map.of(), Map.of(), Instant.MIN);

  /**
   * What was read last.
   *
   * @param layers what ranges decide, by the range's id
   * @param lines the lines that hold today, by the range's id, 0 for the house's
   */
  private record Read(
      long version,
      Style style,
      Map<Long, StyleStore.RangeLayer> layers,
      Map<Long, String> lines,
      Map<Long, LayeredStyle> made,
      Instant at) {
    /** A style with what a range decides on top, and the line that holds for it. */
    LayeredStyle layered(Style house, long range) {
      LayeredStyle whole = LayeredStyle.of(house);
      StyleStore.RangeLayer layer = layers.get(range);
      if (layer != null) {
        whole = whole.under(layer.name(), layer.layer());
      }
      String line = lines.getOrDefault(range, lines.getOrDefault(0L, ""));
      return line.isEmpty() ? whole : whole.withAngle(line);
    }
  }

  HouseStyle(
      StyleStore store,
      AngleStore angles,
      Ranges ranges,
      ProductService products,
      HouseKnowledge knowledge,
      ApplicationEventPublisher events,
      Clock clock) {
    this.store = store;
    this.angles = angles;
    this.ranges = ranges;
    this.products = products;
    this.knowledge = knowledge;
    this.events = events;
    this.clock = clock;
  }

  /** What the house has decided for all. */
  public Style current() {
    return read().style;
  }

  /** What a product's texts obey now: the house's style, its range's, and the line of the day. */
  public Style of(long product) {
    return layered(product).style();
  }

  /** The same with what decided each setting. */
  public LayeredStyle layered(long product) {
    LayeredStyle ofRange = ofRange(ranges.of(product));
    return store.words(product).map(w -> ofRange.under("this product", w)).orElse(ofRange);
  }

  /** Supporting keywords and required words of one product alone. */
  public StyleLayer words(long product) {
    return store.words(product).orElse(StyleLayer.NOTHING);
  }

  /**
   * Keeps supporting keywords and required words of one product.
   *
   * @throws Refused if they can't be obeyed
   */
  public void putWords(long product, List<String> supporting, List<String> required) {
    StyleLayer words = StyleLayer.ofWords(supporting, required);
    List<StyleProblem> problems = StyleProblem.of(words.over(ofRange(ranges.of(product)).style()));
    if (!problems.isEmpty()) {
      throw Refused.invalid(
          String.join(" ", problems.stream().map(StyleProblem::why).limit(3).toList()));
    }
    store.putWords(product, words);
  }

  /**
   * What holds for a range now, with where it comes from.
   *
   * @param range the range's id, 0 for products in none
   */
  LayeredStyle ofRange(long range) {
    Read now = read();
    return now.made.computeIfAbsent(range, r -> now.layered(now.style, r));
  }

  /** The number of what holds now, 0 if the house has decided nothing. */
  public long version() {
    return read().version;
  }

  private Read read() {
    Read now = read;
    long changes = changed.get();
    if (now.at.plus(FRESH).isBefore(clock.instant())) {
      long newest = store.newest();
      Style style = newest == now.version ? now.style : style(newest);
      Map<Long, String> lines = new HashMap<>();
      LocalDate today = LocalDate.now(clock);
      angles.all().stream()
          .filter(a -> a.angle().holdsOn(today))
          .forEach(a -> lines.put(a.range(), a.angle().line()));
      now =
          new Read(
              newest, style, store.layers(), lines, new ConcurrentHashMap<>(), clock.instant());
      keep(now, changes);
    }
    return now;
  }

  /** Keeps what was read, unless something has changed since reading began. */
  private synchronized void keep(Read now, long changes) {
    if (changed.get() == changes) {
      read = now;
    }
  }

  private synchronized void makeStale() {
    changed.incrementAndGet();
    read = new Read(read.version, read.style, read.layers, read.lines, read.made, Instant.MIN);
  }

  private Style style(long version) {
    return version == 0 ? Style.standard() : store.find(version).orElseGet(Style::standard);
  }

  List<StyleStore.StyleVersion> history() {
    return store.history();
  }

  Style version(long version) {
    if (version == 0) {
      return Style.standard();
    }
    return store
        .find(version)
        .orElseThrow(() -> Refused.notFound("There is no version " + version + " of the style."));
  }

  /** One product's texts as they would be written under two styles. */
  record StyleExample(long product, String sku, String name, Worded now, Worded then) {}

  /**
   * What of a product's texts shows a style.
   *
   * @param marks what the style's checks say of it
   */
  record Worded(String title, String shortDescription, String description, List<String> marks) {}

  /**
   * What a style would do.
   *
   * @param problems why it can't be obeyed, at its place
   */
  record StyleTrial(List<StyleProblem> problems, List<StyleExample> examples) {}

  /** Tries a style on three products of different kinds and keeps nothing. */
  StyleTrial tryOut(Style style) {
    List<StyleProblem> problems = StyleProblem.of(style);
    if (!problems.isEmpty()) {
      return new StyleTrial(problems, List.of());
    }
    Set<String> kinds = new HashSet<>();
    Read now = read();
    List<StyleExample> examples =
        products
            .look(
                facts -> facts.facts().size() > 4,
                (product, facts) ->
                    kinds.add(facts.productClass())
                        ? Optional.of(
                            new StyleExample(
                                product,
                                facts.sku(),
                                facts.name(),
                                worded(facts, now, now.style, product),
                                worded(facts, now, style, product)))
                        : Optional.empty(),
                EXAMPLES)
            .examples();
    return new StyleTrial(problems, examples);
  }

  /**
   * The style that comes nearest to texts which the house likes.
   *
   * @param pasted the texts, parted by empty lines
   */
  VoiceProposal sample(String pasted, Style style) {
    if (pasted.length() > LONGEST_SAMPLE) {
      throw Refused.invalid(
          "The texts have %,d characters; up to %,d are measured."
              .formatted(pasted.length(), LONGEST_SAMPLE));
    }
    VoiceMeasure measure = VoiceMeasure.of(VoiceMeasure.parts(pasted));
    if (!measure.suffices()) {
      throw Refused.invalid(
          "A voice is told from %d sentences or more; there are %d. Paste some more."
              .formatted(VoiceMeasure.FEWEST, measure.sentences()));
    }
    return VoiceProposal.of(measure, voices(), style);
  }

  /** How the voices sound on products of the house. */
  private Map<String, VoiceMeasure> voices() {
    List<ProductFacts> some =
        products
            .look(f -> f.facts().size() > 4, (id, facts) -> Optional.of(facts), MEASURED)
            .examples();
    Map<String, VoiceMeasure> measures = new LinkedHashMap<>();
    for (Voice voice : Voices.all()) {
      Composer composer = new Composer(knowledge.current(), 1);
      measures.put(
          voice.id(),
          VoiceMeasure.of(
              some.stream().map(f -> composer.compose(Brief.of(f).in(voice)).prose()).toList()));
    }
    return some.isEmpty() ? Map.of() : measures;
  }

  private Worded worded(ProductFacts facts, Read now, Style house, long product) {
    return worded(facts, now.layered(house, ranges.of(product)).style());
  }

  private Worded worded(ProductFacts facts, Style style) {
    Draft draft =
        new Composer(
                knowledge.current(), 1, Variety.ofFew(), products.figures(facts.productClass()))
            .compose(Brief.of(facts).under(style));
    List<String> marks =
        new Checker(knowledge.current(), style)
            .check(draft, facts, facts.keyword()).marks().stream().map(Mark::why).toList();
    return new Worded(
        draft.plain(Field.TITLE), draft.plain(Field.SHORT_DESCRIPTION), draft.prose(), marks);
  }

  /**
   * Makes a style the one that holds; texts are held to it from then on.
   *
   * @param seen the version that the person saw
   * @param note what was changed, for the history; may be empty
   */
  @Transactional
  public long put(Style style, long seen, String note, String by) {
    List<StyleProblem> problems = StyleProblem.of(style);
    if (!problems.isEmpty()) {
      throw Refused.invalid(
          String.join(" ", problems.stream().map(StyleProblem::why).limit(5).toList()));
    }
    long newest = store.newest();
    if (newest != seen) {
      throw Refused.changedMeanwhile(
          "%s changed the style meanwhile. Look at it again before you go on; what you typed is still here."
              .formatted(store.history().getFirst().by()));
    }
    Style before = style(newest);
    if (style.equals(before)) {
      return newest;
    }
    String what = note.isBlank() ? changes(before, style) : note.strip();
    long version = store.add(style, what.length() > 200 ? what.substring(0, 200) : what, by);
    forget();
    events.publishEvent(new StyleChanged("style " + version));
    return version;
  }

  /** What a range decides otherwise, and the number of that decision, 0 if it decides nothing. */
  StyleStore.RangeLayer layer(long range) {
    Ranges.Range known = ranges.get(range);
    return store
        .layer(range)
        .orElseGet(() -> new StyleStore.RangeLayer(known.name(), 0, StyleLayer.NOTHING));
  }

  /**
   * Keeps what a range decides otherwise than the house.
   *
   * @param seen the number of the decision that the person saw
   */
  @Transactional
  public void putLayer(long range, StyleLayer layer, int seen, String by) {
    StyleStore.RangeLayer before = layer(range);
    if (before.version() != seen) {
      throw Refused.changedMeanwhile(
          "Somebody changed this range's style meanwhile. Look at it again before you go on; what you typed is still here.");
    }
    List<StyleProblem> problems = StyleProblem.of(layer.over(current()));
    if (!problems.isEmpty()) {
      throw Refused.invalid(
          String.join(" ", problems.stream().map(StyleProblem::why).limit(5).toList()));
    }
    if (layer.equals(before.layer())) {
      return;
    }
    store.putLayer(range, seen + 1, layer, by);
    forget();
    events.publishEvent(new StyleChanged("range style " + range + " " + (seen + 1)));
  }

  /** Tries what a range would decide on products of it, and keeps nothing. */
  StyleTrial tryLayer(long range, StyleLayer layer) {
    Style house = current();
    List<StyleProblem> problems = StyleProblem.of(layer.over(house));
    if (!problems.isEmpty()) {
      return new StyleTrial(problems, List.of());
    }
    Style now = ofRange(range).style();
    Style then = layer.over(house).withAngles(now.angles());
    List<StyleExample> examples = new ArrayList<>();
    for (long product : products.ids(new ProductFilter("", "ALL", 0, range))) {
      ProductFacts facts = products.get(product).facts();
      if (facts.facts().size() > 2) {
        examples.add(
            new StyleExample(
                product, facts.sku(), facts.name(), worded(facts, now), worded(facts, then)));
      }
      if (examples.size() == EXAMPLES) {
        break;
      }
    }
    return new StyleTrial(problems, examples);
  }

  /** What differs, in words: "Voice, banned words". */
  private static String changes(Style before, Style after) {
    List<String> changed = new ArrayList<>();
    note(changed, "voice", before.voice().equals(after.voice()));
    note(changed, "tuning", before.tuning().equals(after.tuning()));
    note(changed, "audience", before.audience().equals(after.audience()));
    note(changed, "banned words", before.banned().equals(after.banned()));
    note(changed, "required words", before.required().equals(after.required()));
    note(changed, "words not in titles", before.notInTitles().equals(after.notInTitles()));
    note(changed, "what every description says", before.always().equals(after.always()));
    note(changed, "what is special about the house", before.special().equals(after.special()));
    note(changed, "how titles are set", before.titles().equals(after.titles()));
    note(changed, "spelling", before.spelling() == after.spelling());
    note(
        changed,
        "signs",
        before.emoji() == after.emoji() && before.exclamations() == after.exclamations());
    note(changed, "lengths", before.lengths().equals(after.lengths()));
    note(changed, "what readiness weighs", before.weights().equals(after.weights()));
    note(changed, "the sample", before.sample().equals(after.sample()));
    note(changed, "instructions", before.instructions().equals(after.instructions()));
    return rhetor.core.language.English.capitalise(String.join(", ", changed)) + " changed";
  }

  private static void note(List<String> changed, String what, boolean same) {
    if (!same) {
      changed.add(what);
    }
  }

  /** Has what holds read anew, now and after the change that is under way. */
  void forget() {
    makeStale();
    if (TransactionSynchronizationManager.isSynchronizationActive()) {
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public void afterCommit() {
              makeStale();
            }
          });
    }
  }
}
