package rhetor.app.knowledge;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.knowledge.Verdicts;
import rhetor.core.text.Support;
import tools.jackson.databind.json.JsonMapper;

/**
 * What Rhetor knows, as this house has it: claims, kinds of facts and kinds of products that ship,
 * as far as the house hasn't banned or changed them, and its own.
 */
@Service
public class HouseKnowledge {
  /** How long another process's decision may go unseen. */
  private static final Duration FRESH = Duration.ofSeconds(2);

  private final KnowledgeStore store;
  private final Knowledge standard;
  private final JsonMapper json;
  private final Clock clock;
  private volatile Read read;

  private record Read(
      Knowledge knowledge, List<KnowledgeStore.Decision> decisions, Verdicts verdicts, Instant at) {
    Read stale() {
      return new Read(knowledge, decisions, verdicts, Instant.MIN);
    }
  }

  HouseKnowledge(KnowledgeStore store, Knowledge standard, JsonMapper json, Clock clock) {
    this.store = store;
    this.standard = standard;
    this.json = json;
    this.clock = clock;
    this.read = new Read(standard, List.of(), Verdicts.NONE, Instant.MIN);
  }

  /** A part of the knowledge that the house decides about, and where it is among what ships. */
  public record Part<T>(String kind, Class<T> type, Function<Knowledge, Map<String, T>> shipped) {}

  public static final Part<Claim> CLAIMS =
      new Part<>("CLAIM", Claim.class, k -> byId(k.claims(), Claim::id));
  public static final Part<Concept> CONCEPTS =
      new Part<>("CONCEPT", Concept.class, k -> byId(k.concepts(), Concept::id));
  public static final Part<ProductClass> CLASSES =
      new Part<>("CLASS", ProductClass.class, k -> byId(k.classes(), ProductClass::id));

  private static <T> Map<String, T> byId(Iterable<T> all, Function<T, String> id) {
    Map<String, T> map = new LinkedHashMap<>();
    all.forEach(t -> map.put(id.apply(t), t));
    return map;
  }

  /**
   * A piece of knowledge and what the house decided about it.
   *
   * @param by who decided, empty if nobody has
   */
  public record Decided<T>(String id, T item, Standing state, String by) {}

  /** What holds in this house now. */
  public Knowledge current() {
    Read now = read;
    if (now.at.plus(FRESH).isBefore(clock.instant())) {
      List<KnowledgeStore.Decision> decisions = store.all();
      Verdicts verdicts = store.verdicts();
      boolean isSame = decisions.equals(now.decisions) && verdicts.equals(now.verdicts);
      Knowledge knowledge = isSame ? now.knowledge : knowledge(decisions).judged(verdicts);
      now = new Read(knowledge, decisions, verdicts, clock.instant());
      read = now;
    }
    return now.knowledge;
  }

  /**
   * What holds in this house, read anew: for whoever adds to it and had to wait for somebody who
   * did the same.
   */
  public Knowledge anew() {
    read = read.stale();
    return current();
  }

  /** What ships. */
  public Knowledge standard() {
    return standard;
  }

  private Knowledge knowledge(List<KnowledgeStore.Decision> decisions) {
    return standard.with(
        held(CLAIMS, decisions), held(CONCEPTS, decisions), held(CLASSES, decisions));
  }

  private <T> List<T> held(Part<T> part, List<KnowledgeStore.Decision> decisions) {
    return decided(part, decisions).values().stream()
        .filter(d -> d.state() != Standing.BANNED)
        .map(Decided::item)
        .toList();
  }

  private <T> Map<String, Decided<T>> decided(
      Part<T> part, List<KnowledgeStore.Decision> decisions) {
    Map<String, Decided<T>> all = new LinkedHashMap<>();
    part.shipped()
        .apply(standard)
        .forEach((id, t) -> all.put(id, new Decided<>(id, t, Standing.AS_DELIVERED, "")));
    decisions.stream()
        .filter(d -> d.kind().equals(part.kind()))
        .forEach(
            d ->
                all.put(
                    d.id(),
                    new Decided<>(
                        d.id(), json.readValue(d.body(), part.type()), d.state(), d.by())));
    return all;
  }

  /** All of a part, as decided; what ships first. */
  public <T> List<Decided<T>> all(Part<T> part) {
    return List.copyOf(decided(part, store.all()).values());
  }

  /** One of a part, as decided. */
  public <T> Optional<Decided<T>> find(Part<T> part, String id) {
    return Optional.ofNullable(decided(part, store.all()).get(id));
  }

  /** Whether one of that id ships. */
  public <T> boolean isShipped(Part<T> part, String id) {
    return part.shipped().apply(standard).containsKey(id);
  }

  /** Products whose text rests on a fact or claim. */
  public List<Long> productsTelling(Support.Kind kind, String id) {
    return store.productsTelling("{\"kind\":\"" + kind.name() + "\",\"id\":\"" + id + "\"");
  }

  /** Products of a class that have a text. */
  public List<Long> writtenOfClass(String productClass) {
    return store.writtenOfClass(productClass);
  }

  /** Keeps a decision; it holds from now on. */
  public <T> void decide(Part<T> part, String id, T item, Standing state, String by) {
    store.put(part.kind(), id, state, json.writeValueAsString(item), by);
    forget();
  }

  /**
   * One of a part as it was decided once.
   *
   * @param number the later, the greater
   */
  public record Version<T>(long number, T item, String by, Instant at) {}

  /** All that was ever decided about one of a part, the latest first; a hundred at most. */
  public <T> List<Version<T>> versions(Part<T> part, String id) {
    return store.versions(part.kind(), id).stream()
        .map(
            v ->
                new Version<>(
                    v.number(),
                    json.readValue(v.decision().body(), part.type()),
                    v.decision().by(),
                    v.decision().at()))
        .toList();
  }

  /** Takes the house's decision back: what ships is as delivered, its own is gone. */
  public <T> void restore(Part<T> part, String id) {
    store.remove(part.kind(), id);
    forget();
  }

  /**
   * What somebody thinks of a wording.
   *
   * @param product in whose text it stood
   * @param concept id of the kind of fact that it tells
   * @param form the place in a sentence
   * @param why what is wrong with it, or empty
   * @param sentence what the text said
   */
  public record WordingVerdict(
      long product,
      String concept,
      String form,
      String wording,
      boolean isGood,
      String why,
      String sentence,
      String by,
      Instant at) {}

  /** Keeps what somebody thinks of a wording; it counts from now on. */
  public void put(WordingVerdict opinion) {
    store.put(opinion);
    forget();
  }

  /** Takes back what somebody thinks of a wording in a product's text. */
  public void removeVerdict(long product, String concept, String wording, String by) {
    store.removeVerdict(product, concept, wording, by);
    forget();
  }

  /** Forgets all that people think of a wording. */
  public void removeVerdicts(String concept, String wording) {
    store.removeVerdicts(concept, wording);
    forget();
  }

  /** What people think of wordings, the latest first. */
  public List<WordingVerdict> wordingVerdicts(int most) {
    return store.wordingVerdicts(most);
  }

  /** What was read before the decision is committed must not be kept as what holds after it. */
  private void forget() {
    Runnable stale = () -> read = read.stale();
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
