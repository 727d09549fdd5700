package rhetor.app.style;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.check.Checker;
import rhetor.core.check.Mark;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Draft;
import rhetor.core.compose.Variety;
import rhetor.core.fact.ProductFacts;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
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
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private volatile Read read = new Read(0, Style.standard(), Instant.MIN);

  private record Read(long version, Style style, Instant at) {}

  HouseStyle(
      StyleStore store,
      ProductService products,
      HouseKnowledge knowledge,
      ApplicationEventPublisher events,
      Clock clock) {
    this.store = store;
    this.products = products;
    this.knowledge = knowledge;
    this.events = events;
    this.clock = clock;
  }

  /** What holds now. */
  public Style current() {
    return read().style;
  }

  /** The number of what holds now, 0 if the house has decided nothing. */
  public long version() {
    return read().version;
  }

  private Read read() {
    Read now = read;
    if (now.at.plus(FRESH).isBefore(clock.instant())) {
      long newest = store.newest();
      Style style = newest == now.version ? now.style : style(newest);
      now = new Read(newest, style, clock.instant());
      read = now;
    }
    return now;
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
    Style now = current();
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
                                worded(facts, now),
                                worded(facts, style)))
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
    events.publishEvent(new StyleChanged(version));
    return version;
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
    note(changed, "spelling", before.spelling() == after.spelling());
    note(
        changed,
        "signs",
        before.emoji() == after.emoji() && before.exclamations() == after.exclamations());
    note(changed, "lengths", before.lengths().equals(after.lengths()));
    note(changed, "the sample", before.sample().equals(after.sample()));
    note(changed, "instructions", before.instructions().equals(after.instructions()));
    return rhetor.core.language.English.capitalise(String.join(", ", changed)) + " changed";
  }

  private static void note(List<String> changed, String what, boolean same) {
    if (!same) {
      changed.add(what);
    }
  }

  private void forget() {
    Runnable stale = () -> read = new Read(read.version, read.style, Instant.MIN);
    stale.run();
    if (TransactionSynchronizationManager.isSynchronizationActive()) {
      TransactionSynchronizationManager.registerSynchronization(
          new TransactionSynchronization() {
            @Override
            public void afterCommit() {
              stale.run();
            }
          });
    }
  }
}
