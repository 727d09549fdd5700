package rhetor.app.style;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rhetor.app.channel.Channel;
import rhetor.app.channel.ChannelChanged;
import rhetor.app.channel.Channels;
import rhetor.app.house.Turns;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.range.RangeChanged;
import rhetor.app.range.Ranges;
import rhetor.app.web.Refused;
import rhetor.core.language.English;
import rhetor.core.style.LayeredStyle;
import rhetor.core.style.Spelling;
import rhetor.core.style.Style;
import rhetor.core.style.StyleLayer;
import rhetor.core.style.StyleProblem;

/** The house's style: what holds now for whom, and its versions. */
@Service
public class HouseStyle {
  /** Most characters of what was changed, for the history. */
  private static final int LONGEST_NOTE = 180;

  /** How long another process's decision may go unseen. */
  private static final Duration FRESH = Duration.ofSeconds(2);

  private final StyleStore store;
  private final AngleStore angles;
  private final Ranges ranges;
  private final Channels channels;
  private final ApplicationEventPublisher events;
  private final Turns turns;
  private final HouseLog log;
  private final Clock clock;
  private final AtomicLong changed = new AtomicLong();
  private volatile Read read =
      new Read(0, Style.standard(), Map.of(), Map.of(), Map.of(), Map.of(), Instant.MIN);

  /**
   * What was read last.
   *
   * @param layers what parts of the house decide
   * @param channels the channels by their ids
   * @param lines the lines that hold today, by the range's id, 0 for the house's
   * @param made what was put together of it
   */
  private record Read(
      long version,
      Style style,
      Map<LayerOwner, StyleStore.KeptLayer> layers,
      Map<Long, Channel> channels,
      Map<Long, String> lines,
      Map<Place, LayeredStyle> made,
      Instant at) {}

  /**
   * Whose texts, and where they go.
   *
   * @param range the range's id, 0 for products in none
   * @param channel the channel's id, 0 for the house's own shop
   */
  private record Place(long range, long channel) {}

  /**
   * A style with all layers on top, in order: range, channel, language; and the line of the day.
   *
   * @param language the language to write in; empty for the channel's, or else the style's
   */
  private LayeredStyle layered(
      Read now,
      Style house,
      Map<LayerOwner, StyleStore.KeptLayer> layers,
      Place place,
      Optional<Spelling> language) {
    LayeredStyle whole = LayeredStyle.of(house);
    whole = under(whole, layers, LayerOwner.range(place.range));
    whole = under(whole, layers, LayerOwner.channel(place.channel));
    Spelling written =
        language
            .or(
                () ->
                    Optional.ofNullable(now.channels.get(place.channel)).flatMap(Channel::spelling))
            .orElse(whole.style().spelling());
    if (written != whole.style().spelling()) {
      String by = name(LayerOwner.channel(place.channel)).orElseGet(written::language);
      whole = whole.under(by, StyleLayer.ofSpelling(written));
    }
    whole = under(whole, layers, LayerOwner.language(written));
    String line = now.lines.getOrDefault(place.range, now.lines.getOrDefault(0L, ""));
    return line.isEmpty() ? whole : whole.withAngle(line);
  }

  private LayeredStyle under(
      LayeredStyle below, Map<LayerOwner, StyleStore.KeptLayer> layers, LayerOwner owner) {
    StyleStore.KeptLayer kept = layers.get(owner);
    return kept == null || kept.layer().equals(StyleLayer.NOTHING)
        ? below
        : name(owner).map(name -> below.under(name, kept.layer())).orElse(below);
  }

  /** What a part of the house is called where it is shown; nothing if it has gone. */
  private Optional<String> name(LayerOwner owner) {
    return switch (owner.kind()) {
      case RANGE -> ranges.find(owner.id()).map(Ranges.Range::name);
      case CHANNEL -> channels.find(owner.id()).map(Channel::name);
      case LANGUAGE -> Optional.of(owner.language().language());
    };
  }

  /** Refuses a part of the house that there isn't. */
  void require(LayerOwner owner) {
    if (name(owner).isEmpty()) {
      throw Refused.notFound("There is no such range, channel or language.");
    }
  }

  HouseStyle(
      StyleStore store,
      AngleStore angles,
      Ranges ranges,
      Channels channels,
      ApplicationEventPublisher events,
      Turns turns,
      HouseLog log,
      Clock clock) {
    this.turns = turns;
    this.log = log;
    this.store = store;
    this.angles = angles;
    this.ranges = ranges;
    this.channels = channels;
    this.events = events;
    this.clock = clock;
  }

  /** What the house has decided for all. */
  public Style current() {
    return read().style;
  }

  /** What a product's texts obey now in the house's own shop. */
  public Style of(long product) {
    return layered(product, 0).style();
  }

  /**
   * What a product's texts obey now, with what decided each setting: the house's style, then its
   * range's, the channel's, the language's, and what is decided for this product alone.
   *
   * @param channel the channel's id, 0 for the house's own shop
   */
  public LayeredStyle layered(long product, long channel) {
    LayeredStyle whole = at(new Place(ranges.of(product), channel));
    return store.words(product).map(w -> whole.under("this product", w)).orElse(whole);
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
    return at(new Place(range, 0));
  }

  private LayeredStyle at(Place place) {
    Read now = read();
    return now.made.computeIfAbsent(
        place, p -> layered(now, now.style, now.layers, p, Optional.empty()));
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
      Map<Long, Channel> known = new HashMap<>();
      channels.all().forEach(c -> known.put(c.id(), c));
      now =
          new Read(
              newest,
              style,
              store.layers(),
              known,
              lines,
              new ConcurrentHashMap<>(),
              clock.instant());
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
    read =
        new Read(
            read.version,
            read.style,
            read.layers,
            read.channels,
            read.lines,
            read.made,
            Instant.MIN);
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
    turns.take(Turns.Turn.STYLE);
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
    log.note(by, Event.STYLE_CHANGED, "the house", what);
    forget();
    events.publishEvent(new StyleChanged("style " + version));
    return version;
  }

  /** What a part of the house decides otherwise, and the number of that decision, 0 for nothing. */
  StyleStore.KeptLayer layer(LayerOwner owner) {
    require(owner);
    return store.layer(owner).orElseGet(() -> new StyleStore.KeptLayer(0, StyleLayer.NOTHING));
  }

  /** What holds for a part of the house now, with where it comes from. */
  LayeredStyle whole(LayerOwner owner) {
    return whole(owner, owner.kind() == LayerOwner.Kind.RANGE ? owner.id() : 0);
  }

  /** What holds for products of a range, seen from a part of the house. */
  LayeredStyle whole(LayerOwner owner, long range) {
    Read now = read();
    return layered(now, now.style, now.layers, place(owner, range), language(owner));
  }

  /** What would hold if a part of the house decided so. */
  LayeredStyle supposing(LayerOwner owner, StyleLayer layer, long range) {
    Read now = read();
    Map<LayerOwner, StyleStore.KeptLayer> then = new HashMap<>(now.layers);
    then.put(owner, new StyleStore.KeptLayer(0, layer));
    return layered(now, now.style, then, place(owner, range), language(owner));
  }

  /** What would hold for products of a range if the house decided so. */
  LayeredStyle supposing(Style house, long range) {
    Read now = read();
    return layered(now, house, now.layers, new Place(range, 0), Optional.empty());
  }

  private static Place place(LayerOwner owner, long range) {
    return switch (owner.kind()) {
      case RANGE -> new Place(owner.id(), 0);
      case CHANNEL -> new Place(range, owner.id());
      case LANGUAGE -> new Place(range, 0);
    };
  }

  private static Optional<Spelling> language(LayerOwner owner) {
    return owner.kind() == LayerOwner.Kind.LANGUAGE
        ? Optional.of(owner.language())
        : Optional.empty();
  }

  /**
   * Keeps what a part of the house decides otherwise than the layers under it.
   *
   * @param seen the number of the decision that the person saw
   */
  @Transactional
  public void putLayer(LayerOwner owner, StyleLayer layer, int seen, String by) {
    StyleStore.KeptLayer before = layer(owner);
    if (before.version() != seen) {
      throw changedMeanwhile();
    }
    List<StyleProblem> problems = problems(owner, layer);
    if (!problems.isEmpty()) {
      throw Refused.invalid(
          String.join(" ", problems.stream().map(StyleProblem::why).limit(5).toList()));
    }
    if (layer.equals(before.layer())) {
      return;
    }
    String note = changes(before.layer().over(current()), layer.over(current()));
    if (!store.putLayer(owner, new StyleStore.KeptLayer(seen + 1, layer), note, by)) {
      throw changedMeanwhile();
    }
    log.note(by, Event.STYLE_CHANGED, owner.toString(), note);
    forget();
    if (owner.kind() != LayerOwner.Kind.CHANNEL) {
      events.publishEvent(new StyleChanged("style of " + owner + " " + (seen + 1)));
    }
  }

  private static Refused changedMeanwhile() {
    return Refused.changedMeanwhile(
        "Somebody changed this style meanwhile. Look at it again before you go on; what you typed is still here.");
  }

  List<StyleStore.StyleVersion> history(LayerOwner owner) {
    require(owner);
    return store.history(owner);
  }

  StyleLayer version(LayerOwner owner, int version) {
    return store
        .layer(owner, version)
        .map(StyleStore.KeptLayer::layer)
        .orElseThrow(() -> Refused.notFound("There is no version " + version + " of it."));
  }

  /** Why what a part of the house would decide can't be obeyed. */
  List<StyleProblem> problems(LayerOwner owner, StyleLayer layer) {
    List<StyleProblem> problems = new ArrayList<>(StyleProblem.of(layer.over(current())));
    if (owner.kind() == LayerOwner.Kind.LANGUAGE && layer.spelling().isPresent()) {
      problems.add(
          new StyleProblem(
              "spelling", "", owner.language().language() + " is spelled in one way only."));
    }
    int level = current().structure().headingLevel();
    if (owner.kind() != LayerOwner.Kind.CHANNEL
        && layer.structure().filter(s -> s.headingLevel() != level).isPresent()) {
      problems.add(
          new StyleProblem(
              "structure", "", "The level of headings is the house's or a channel's to decide."));
    }
    return problems;
  }

  /** A channel or range that has gone takes its style with it. */
  @EventListener
  void channelChanged(ChannelChanged changed) {
    if (channels.all().stream().noneMatch(c -> c.id() == changed.channel())) {
      store.removeLayer(LayerOwner.channel(changed.channel()));
    }
    forget();
  }

  @EventListener
  @Order(0)
  void rangeChanged(RangeChanged changed) {
    if (ranges.find(changed.range()).isEmpty()) {
      store.removeLayer(LayerOwner.range(changed.range()));
    }
    forget();
  }

  /** What differs, in words: "Voice, banned words". */
  private static String changes(Style before, Style after) {
    List<String> changed = new ArrayList<>();
    note(changed, "voice", before.voice().equals(after.voice()));
    note(changed, "tuning", before.tuning().equals(after.tuning()));
    note(changed, "audience", before.audience().equals(after.audience()));
    note(changed, "banned words", before.banned().equals(after.banned()));
    note(changed, "required words", before.required().equals(after.required()));
    note(changed, "supporting keywords", before.supporting().equals(after.supporting()));
    note(changed, "words not in titles", before.notInTitles().equals(after.notInTitles()));
    note(changed, "what every description says", before.always().equals(after.always()));
    note(changed, "what is special about the house", before.special().equals(after.special()));
    note(changed, "how titles are set", before.titles().equals(after.titles()));
    note(changed, "how descriptions are set out", before.structure().equals(after.structure()));
    note(changed, "spelling", before.spelling() == after.spelling());
    note(
        changed,
        "signs",
        before.emoji() == after.emoji() && before.exclamations() == after.exclamations());
    note(changed, "lengths", before.lengths().equals(after.lengths()));
    note(changed, "what readiness weighs", before.weights().equals(after.weights()));
    note(changed, "the sample", before.sample().equals(after.sample()));
    note(changed, "instructions", before.instructions().equals(after.instructions()));
    String what = English.capitalise(String.join(", ", changed));
    return (what.length() > LONGEST_NOTE ? what.substring(0, LONGEST_NOTE) + "…" : what)
        + " changed";
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
