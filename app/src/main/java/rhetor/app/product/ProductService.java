package rhetor.app.product;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.web.Refused;
import rhetor.core.check.Audit;
import rhetor.core.compose.Namesakes;
import rhetor.core.exchange.TextColumns;
import rhetor.core.fact.BaseUnits;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Settlement;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.plan.RangeFigures;
import rhetor.core.reading.FactAssembler;
import rhetor.core.text.Draft;
import tools.jackson.databind.json.JsonMapper;

/** Products, and what changes about them as their texts go along. */
@Service
public class ProductService {
  private static final int LONGEST_FACT = 4_000;

  /** The readiness of what has no text. */
  private static final int UNWRITTEN = -1;

  private static final Logger LOG = LoggerFactory.getLogger(ProductService.class);

  /** Products of one name that are looked at; what tells most of a dozen apart tells the others. */
  private static final int MOST_NAMESAKES = 12;

  private final ProductStore store;
  private final ProductLists lists;
  private final FactStore facts;

  /** Looking at more products than these while somebody types would take too long. */
  private static final int LOOKED_AT = 20_000;

  /** How long the figures of a class are good enough for a comparison. */
  private static final Duration FRESH = Duration.ofMinutes(1);

  private final Map<String, Figures> figures = new ConcurrentHashMap<>();

  /** How many intakes at once may hold a second connection: few, so that others get one. */
  private final Semaphore asides = new Semaphore(3);

  private record Figures(RangeFigures range, Instant at) {}

  private final HouseKnowledge knowledge;
  private final TransactionTemplate transaction;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final BaseUnits units;
  private final HouseNameService houseNames;
  private final NamedPictures pictures;
  private final ProductCounts counts;
  private final ProductNames names;
  private final JsonMapper json;

  ProductService(
      ProductStore store,
      ProductLists lists,
      FactStore facts,
      HouseKnowledge knowledge,
      HouseNameService houseNames,
      NamedPictures pictures,
      ProductCounts counts,
      ProductNames names,
      JsonMapper json,
      TransactionTemplate transaction,
      ApplicationEventPublisher events,
      Clock clock) {
    this.store = store;
    this.transaction = transaction;
    this.lists = lists;
    this.counts = counts;
    this.names = names;
    this.facts = facts;
    this.knowledge = knowledge;
    this.units = new BaseUnits(knowledge.standard());
    this.houseNames = houseNames;
    this.pictures = pictures;
    this.json = json;
    this.events = events;
    this.clock = clock;
  }

  /** Tells others of this house what happened to products. */
  void tell(ProductsTakenIn what) {
    events.publishEvent(what);
  }

  private FactAssembler assembler() {
    return knowledge.current().index(FactAssembler.class, FactAssembler::new);
  }

  /** Notes an intake that has no sheet; its id. */
  public long newIntake(String kind, String supplier, String what, String by) {
    return store.addIntake(kind, supplier, what, by);
  }

  /** Begins to take the products of an intake in. */
  public ProductIntake intake(long intakeId, String supplier, ProductIntake.LeaveAlone leaveAlone) {
    return new ProductIntake(
        store, this, intakeId, supplier, leaveAlone, Optional.empty(), Optional.empty());
  }

  /**
   * Begins to take the products of a whole sheet in. To be closed; if it comes to nothing, {@link
   * #removeSources} has to follow, after a crash too.
   */
  public ProductIntake sheetIntake(
      long intakeId, String supplier, ProductIntake.LeaveAlone leaveAlone) {
    Optional<SourcesAside> aside =
        asides.tryAcquire()
            ? Optional.of(new SourcesAside(store, transaction, intakeId, asides::release))
            : Optional.empty();
    return new ProductIntake(store, this, intakeId, supplier, leaveAlone, Optional.empty(), aside);
  }

  /** Removes what an intake that came to nothing said of products. */
  public void removeSources(long intakeId) {
    store.removeSources(intakeId);
  }

  /** Tells what an intake would do to each product, and stores nothing. */
  public ProductIntake dryRun(
      String supplier, ProductIntake.LeaveAlone leaveAlone, ProductIntake.Listener listener) {
    return new ProductIntake(
        store, this, 0, supplier, leaveAlone, Optional.of(listener), Optional.empty());
  }

  /** SKUs and names of the products that an intake named. */
  public void named(long intake, BiConsumer<String, String> consumer) {
    store.named(intake, consumer);
  }

  /** Withdraws what an intake said; how many products went, went back, and stayed. */
  @Transactional
  public TakeBack takeBack(long intake) {
    ProductStore.TakenBack done = store.takeBack(intake);
    pictures.withdrawn(intake);
    done.restored().forEach(this::factsChanged);
    return new TakeBack(done.removed().size(), done.restored().size(), done.kept().size());
  }

  /** What taking an intake back did to its products. */
  public record TakeBack(int removed, int restored, int kept) {}

  BaseUnits units() {
    return units;
  }

  /** Notes the pictures that an intake names. */
  void named(long intake, String supplier, List<NamedPictures.OfProduct> named) {
    pictures.named(intake, supplier, named);
  }

  /** How many essential facts a product lacks. */
  int missing(ProductFacts product) {
    return assembler().missing(product).size();
  }

  /** Concepts that a product's class calls essential and that no source gives. */
  List<String> missingConcepts(ProductFacts product) {
    return assembler().missing(product);
  }

  /** How many products of each class lack something essential, the largest class first. */
  Map<String, Integer> incomplete() {
    return store.incomplete();
  }

  /** Products of a class that lack something essential, by id. */
  List<Long> incomplete(String productClass, long after, int limit) {
    return store.incomplete(productClass, after, limit);
  }

  private ProductFacts assemble(long id) {
    List<ProductFacts> sources = store.sources(id);
    if (sources.isEmpty()) {
      throw new IllegalStateException(
          "No source names this product any longer. Take its sheet in again.");
    }
    List<Fact> typed =
        facts.typed(id).stream()
            .map(t -> assembler().typed(t.factId(), t.label(), t.text(), t.typedBy()))
            .toList();
    return assembler().assemble(sources, typed, facts.settled(id), houseNames.names());
  }

  /** Makes something of each product's id, SKU and name. */
  public <T> List<T> candidates(Named<T> maker) {
    List<T> all = new java.util.ArrayList<>();
    store.eachName((id, sku, name) -> all.add(maker.of(id, sku, name)));
    return all;
  }

  /** Takes a product's id, SKU and name. */
  public interface Named<T> {
    T of(long id, String sku, String name);
  }

  /** The id of the product with this SKU; empty if there is none. */
  public Optional<Long> findSku(String sku) {
    return store.findSku(sku);
  }

  /** The product with this SKU. */
  public long bySku(String sku) {
    return store
        .findSku(sku.strip())
        .orElseThrow(() -> Refused.notFound("No product has the SKU \"" + sku.strip() + "\"."));
  }

  /** Whether no source says anything about a concept, and none disagrees about it. */
  public boolean lacks(long id, String concept) {
    ProductFacts facts = get(id).facts();
    return facts.fact(concept).isEmpty()
        && facts.contradictions().stream().noneMatch(c -> c.id().equals(concept));
  }

  /** Adds a product of which nothing is known but its name. */
  @Transactional
  public long add(String sku, String name, String by) {
    if (sku.isBlank()
        || sku.strip().length() > 64
        || name.isBlank()
        || name.strip().length() > 400) {
      throw Refused.invalid(
          "A product needs an SKU of up to 64 characters and a name of up to 400.");
    }
    if (store.findSku(sku.strip()).isPresent()) {
      throw Refused.conflict("A product with the SKU \"" + sku.strip() + "\" is there already.");
    }
    ProductFacts product = assembler().named(sku.strip(), name.strip(), by);
    ProductIntake target =
        intake(
            store.addIntake("PICTURES", "By hand", name.strip(), by),
            "By hand",
            ProductIntake.LeaveAlone.NONE);
    target.add(target.prepare(product, 1));
    target.finish();
    return bySku(sku);
  }

  /** Notes that what is stored about a product has changed. */
  void factsChanged(long id) {
    ProductFacts now = assemble(id);
    store.setFacts(id, now, missing(now));
  }

  /** Types a fact in, which counts before any sheet; an empty text takes it away again. */
  @Transactional
  public void type(long id, String factId, String label, String text, String by) {
    line(id);
    if (text.isBlank()) {
      facts.untype(id, factId);
    } else {
      if (text.length() > LONGEST_FACT || factId.length() > 200 || label.length() > 200) {
        throw Refused.invalid("A fact has at most %,d characters.".formatted(LONGEST_FACT));
      }
      try {
        assembler().typed(factId, label, text, by);
      } catch (IllegalArgumentException e) {
        throw Refused.invalid(e.getMessage());
      }
      facts.type(id, new FactStore.Typed(factId, label, text.strip(), by));
    }
    factsChanged(id);
  }

  /** Types a fact in by what people call it: a kind of fact that is known, or a heading. */
  @Transactional
  public void state(long id, String label, String text, String by) {
    Optional<Concept> known =
        knowledge.current().concepts().stream()
            .filter(
                c ->
                    c.label().equalsIgnoreCase(label)
                        || c.names()
                            .getOrDefault("en", List.of())
                            .contains(label.toLowerCase(Locale.ROOT)))
            .findFirst();
    type(
        id,
        known.map(Concept::id).orElse(Fact.ownId(label)),
        known.map(Concept::label).orElse(label),
        text,
        by);
  }

  /** Settles what sources disagree about: the version that is right, counted from 0. */
  @Transactional
  public void settle(long id, String factId, int version, String by) {
    Contradiction contradiction =
        get(id).facts().contradictions().stream()
            .filter(c -> c.id().equals(factId))
            .findFirst()
            .orElseThrow(
                () ->
                    Refused.conflict(
                        "The sources don't disagree about this any longer, or somebody has settled it meanwhile."));
    if (version < 0 || version >= contradiction.versions().size()) {
      throw Refused.invalid("There are %d versions.".formatted(contradiction.versions().size()));
    }
    facts.settle(id, new Settlement(factId, contradiction.versions().get(version).value()), by);
    factsChanged(id);
  }

  /** Takes a settlement back, so that the sources disagree again. */
  @Transactional
  public void unsettle(long id, String factId) {
    line(id);
    facts.unsettle(id, factId);
    factsChanged(id);
  }

  /** Ids of the facts of a product that a person settled or typed in. */
  List<String> byHand(long id) {
    List<String> ids =
        new java.util.ArrayList<>(facts.settled(id).stream().map(Settlement::factId).toList());
    facts.typed(id).forEach(t -> ids.add(t.factId()));
    return ids;
  }

  /** A page of the products that match. */
  public ProductPage page(ProductFilter filter, ProductLists.Order order, String after, int limit) {
    try {
      return lists.page(filter, order, after, limit);
    } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
      throw Refused.invalid("The list can't be shown like that: its state or page key is unknown.");
    }
  }

  /** Ids of all products that match. */
  public List<Long> ids(ProductFilter filter) {
    try {
      return lists.ids(filter);
    } catch (IllegalArgumentException e) {
      throw Refused.invalid("There is no state called " + filter.state() + ".");
    }
  }

  /** A word that lists can be narrowed by, and how many products have it. */
  public record NamedCount(String name, int products) {}

  /** What lists can be narrowed by. */
  public record Choices(List<NamedCount> kinds, List<NamedCount> brands) {}

  /** The commonest kinds and makers. */
  public Choices choices() {
    return lists.choices();
  }

  /**
   * Gives many texts another stage.
   *
   * @param texts by product, the text that has to count still
   * @param from the stage that they have to have still
   * @return the products that it was done to
   */
  public List<Long> move(Map<Long, Long> texts, Stage from, Stage to) {
    return store.move(texts, from, to);
  }

  /** A product with its facts. */
  public Product get(long id) {
    ProductStore.State state =
        store.state(id).orElseThrow(() -> Refused.notFound("There is no such product."));
    return new Product(
        id,
        state.stage(),
        assemble(id),
        state.keyword(),
        state.textId(),
        state.signedAt(),
        state.page(),
        state.shopVersion());
  }

  /**
   * Ids of the facts that tell a product from others of its name; none if it has a name of its own.
   */
  public List<String> apart(Product product) {
    List<ProductFacts> others =
        names.called(product.facts().name(), MOST_NAMESAKES).stream()
            .filter(id -> id != product.id())
            .flatMap(id -> readable(id).stream())
            .toList();
    return Namesakes.apart(product.facts(), others);
  }

  /** What is kept of a product may be damaged: that is its own trouble, and no other product's. */
  private Optional<ProductFacts> readable(long id) {
    try {
      return Optional.of(assemble(id));
    } catch (RuntimeException e) {
      LOG.warn("The facts of product {} can't be read: {}", id, e.toString());
      return Optional.empty();
    }
  }

  /** A product as lists show it. */
  public ProductLine line(long id) {
    return lists.line(id).orElseThrow(() -> Refused.notFound("There is no such product."));
  }

  /**
   * Notes that a product has a new text that counts, if the one that was seen still does: of two
   * who change it at once, the second is told.
   *
   * @param seen the product with the text that was seen
   * @return whether it did, at the same stage
   */
  public boolean setText(Product seen, long textId, Stage stage, Audit audit) {
    return store.setText(seen, textId, stage, audit.readiness().score(), audit.mustFix().size());
  }

  /**
   * Makes the text before the one that counts count again, if that one still does and nobody has
   * signed it off; its facts may have changed since, so it is checked again.
   *
   * @param before the revision before
   * @param audit what was found in that one when it was written
   * @return whether it did
   */
  public boolean takeTextBack(long id, long text, long before, Stage stage, Audit audit) {
    return store.takeTextBack(
        id, text, before, stage, audit.readiness().score(), audit.mustFix().size());
  }

  /** Takes the text that counts away, if that one still does and nobody has signed it off. */
  public boolean unwrite(long id, long text) {
    return store.takeTextBack(id, text, 0, Stage.UNWRITTEN, UNWRITTEN, 0);
  }

  /**
   * Notes what the checks say of a text now.
   *
   * @param text the text that was checked
   * @param stale whether the text no longer obeys; one that is stale already stays so
   */
  public void setAudit(long id, long text, Audit audit, boolean stale) {
    store.setAudit(id, text, audit.readiness().score(), audit.mustFix().size(), stale);
  }

  /** Ids of products that have a text, in order, after one of them. */
  public List<Long> written(long after, int limit) {
    return store.written(after, limit);
  }

  /** Products whose facts have changed since their texts were checked, a few of them. */
  public List<Long> toRecheck(int limit) {
    return store.toRecheck(limit);
  }

  /** Notes that a product's text is being checked with the facts that it has now. */
  public void rechecked(long id) {
    store.rechecked(id);
  }

  /** Gives a product another primary keyword, or none. */
  public void setKeyword(long id, String keyword) {
    store.setKeyword(id, keyword);
  }

  /** Puts a person's word to a text, if it still counts; whether it did. */
  public boolean signOff(long id, long text) {
    return store.signOff(id, text);
  }

  /** Takes a person's word for a text back, if it still counts; whether it did. */
  public boolean sendBack(long id, long text) {
    return store.sendBack(id, text);
  }

  /** Notes which version the shop has of a product, once somebody has looked at it. */
  public void setShopVersion(long id, String version) {
    store.setShopVersion(id, version);
  }

  /** Marks texts as stale: something that they rest on has changed. */
  public void markStale(List<Long> ids) {
    store.markStale(ids);
  }

  /**
   * What the products of a class have in common and what sets them apart; up to a minute old.
   *
   * @param productClass empty for a product of no known class, which is compared with nothing
   */
  public RangeFigures figures(String productClass) {
    Knowledge current = knowledge.current();
    if (productClass.isEmpty()) {
      return new RangeFigures(current);
    }
    return figures.compute(
            productClass,
            (c, known) -> {
              if (known != null && known.at.plus(FRESH).isAfter(clock.instant())) {
                return known;
              }
              RangeFigures fresh = new RangeFigures(current);
              store.eachSource(c, 0, Integer.MAX_VALUE, (product, facts) -> fresh.add(facts));
              return new Figures(fresh, clock.instant());
            })
        .range;
  }

  /** How many products there are of each class that there are any of. */
  public Map<String, Integer> countByClass() {
    return store.countByClass();
  }

  /**
   * What was seen on looking at the house's products.
   *
   * @param concerned how many of those looked at are concerned
   * @param all whether those looked at are all products
   */
  public record Look<T>(int concerned, int lookedAt, boolean all, List<T> examples) {}

  /**
   * Looks at products while somebody waits; no further than at {@value #LOOKED_AT}.
   *
   * @param isConcerned whether a product is concerned
   * @param example what is shown of one that is, by its id and facts; empty to show another
   * @param examples most examples
   */
  public <T> Look<T> look(
      Predicate<ProductFacts> isConcerned,
      BiFunction<Long, ProductFacts, Optional<T>> example,
      int examples) {
    List<T> shown = new ArrayList<>();
    int[] counts = new int[2];
    store.eachSource(
        "",
        0,
        // One more tells that there are more.
        LOOKED_AT + 1,
        (product, sources) -> {
          ProductFacts facts = houseNames.names().apply(sources);
          counts[0]++;
          if (counts[0] > LOOKED_AT || !isConcerned.test(facts)) {
            return;
          }
          counts[1]++;
          if (shown.size() < examples) {
            example.apply(product.id(), facts).ifPresent(shown::add);
          }
        });
    return new Look<>(counts[1], Math.min(counts[0], LOOKED_AT), counts[0] <= LOOKED_AT, shown);
  }

  /**
   * Goes through the facts of products as their sources gave them, in the house's names.
   *
   * @param productClass only products of the class; empty for all
   * @param range only products of the range; 0 for all
   * @param most only as many
   */
  public void eachSource(String productClass, long range, int most, SourceVisitor visitor) {
    store.eachSource(productClass, range, most, (product, facts) -> visit(product, facts, visitor));
  }

  private void visit(ProductStore.Written product, ProductFacts facts, SourceVisitor visitor) {
    visitor.visit(product.id(), product.textId(), houseNames.names().apply(facts));
  }

  /**
   * The texts that products' pages in the shop had when they were pulled last; of few at a time.
   */
  public Map<Long, String> pages(List<Long> ids) {
    return store.pages(ids);
  }

  /**
   * Goes through the products' facts as their sources gave them, in the house's names, one source
   * after another.
   */
  public void eachSource(SourceVisitor visitor) {
    store.eachSource((product, facts) -> visit(product, facts, visitor));
  }

  /** Notes that writing failed; the text that was there stays. */
  public void setFailed(long id, String reason) {
    store.setFailed(id, reason);
  }

  /** Notes that a text is live. */
  public void setPublished(long id, long textId, String page, String version) {
    store.setPublished(id, textId, page, version);
  }

  /** The products of an intake that have a text, by row. */
  public Map<Integer, Long> written(long intake, boolean signedOnly) {
    return store.written(intake, signedOnly);
  }

  /**
   * The cells to add to an intake's sheet, by row.
   *
   * @param headingLevel of the descriptions' headings
   */
  public Map<Integer, List<String>> textCells(long intake, boolean signedOnly, int headingLevel) {
    Map<Integer, List<String>> cells = new HashMap<>();
    store.texts(
        intake,
        signedOnly,
        (row, draft, audit) ->
            cells.put(
                row,
                TextColumns.of(
                    json.readValue(draft, Draft.class),
                    json.readValue(audit, Audit.class),
                    headingLevel)));
    return cells;
  }

  /** How many products are in each stage, need fixing or failed. */
  public Map<String, Integer> counts() {
    return counts.all();
  }
}
