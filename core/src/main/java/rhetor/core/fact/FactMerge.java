package rhetor.core.fact;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * Brings facts of one product together, whatever cell or supplier they come from: what agrees
 * becomes one fact, what contradicts is set apart.
 */
public final class FactMerge {
  private static final int MOST_SOURCES = 4;

  private final Knowledge knowledge;
  private final BaseUnits units;
  private final Map<String, Fact> facts = new LinkedHashMap<>();
  private final Map<String, List<Fact>> disputed = new LinkedHashMap<>();

  public FactMerge(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.units = new BaseUnits(knowledge);
  }

  /** Adds a fact; one with the same id agrees with it or contradicts it. */
  public void add(Fact fact) {
    List<Fact> versions = disputed.get(fact.id());
    if (versions != null) {
      if (versions.stream().noneMatch(v -> agree(v.value(), fact.value()).isPresent())) {
        versions.add(fact);
      }
      return;
    }
    Fact known = facts.get(fact.id());
    if (known == null) {
      facts.put(fact.id(), fact);
      return;
    }
    Optional<Value> merged = agree(known.value(), fact.value());
    if (merged.isPresent()) {
      List<Source> sources = new ArrayList<>(known.sources());
      sources.addAll(fact.sources());
      facts.put(
          fact.id(),
          new Fact(
              known.id(),
              known.concept(),
              known.label(),
              merged.get(),
              sources.stream().distinct().limit(MOST_SOURCES).toList(),
              known.foreign()));
    } else {
      facts.remove(fact.id());
      disputed.put(fact.id(), new ArrayList<>(List.of(known, fact)));
    }
  }

  /** Adds sources that disagree already. */
  public void add(Contradiction contradiction) {
    contradiction.versions().forEach(this::add);
  }

  /** Puts a fact in the place of whatever was said under its id. */
  public void settle(Fact fact) {
    disputed.remove(fact.id());
    facts.put(fact.id(), fact);
  }

  /** Leaves out whatever was said under an id. */
  void leaveOut(String id) {
    disputed.remove(id);
    facts.remove(id);
  }

  /** The disputed versions of a fact; empty if it isn't disputed. */
  public List<Fact> versions(String id) {
    return disputed.getOrDefault(id, List.of());
  }

  /** Ids of the facts that stand. */
  public Set<String> ids() {
    return facts.keySet();
  }

  /** The facts that stand, in the order in which they were first added. */
  public List<Fact> facts() {
    return List.copyOf(facts.values());
  }

  /** What is disputed. */
  public List<Contradiction> contradictions() {
    return disputed.isEmpty()
        ? List.of()
        : disputed.values().stream().map(Contradiction::new).toList();
  }

  /** The value that two agreeing ones make, or nothing if they contradict each other. */
  Optional<Value> agree(Value a, Value b) {
    if (a.equals(b)) {
      return Optional.of(a);
    }
    return switch (a) {
      case Value.Quantity p when b instanceof Value.Quantity q ->
          same(p, q) ? Optional.of(a) : Optional.empty();
      case Value.Sides p when b instanceof Value.Sides q ->
          units.same(p, q) ? Optional.of(a) : Optional.empty();
      case Value.Terms(List<String> x) when b instanceof Value.Terms(List<String> y) ->
          x.stream().anyMatch(i -> y.stream().anyMatch(j -> overlap(i, j)))
              ? Optional.of(a)
              : Optional.empty();
      case Value.Words(String x) when b instanceof Value.Words(String y) ->
          overlap(x, y) ? Optional.of(x.length() >= y.length() ? a : b) : Optional.empty();
      default -> Optional.empty();
    };
  }

  private boolean same(Value.Quantity p, Value.Quantity q) {
    Optional<Unit> u = knowledge.unit(p.unit());
    Optional<Unit> v = knowledge.unit(q.unit());
    if (u.isEmpty() || v.isEmpty()) {
      return p.amount().compareTo(q.amount()) == 0;
    }
    double x = p.amount().multiply(u.get().factor()).doubleValue();
    double y = q.amount().multiply(v.get().factor()).doubleValue();
    // Suppliers round in prose: "about 1.2 kg" for 1180 g is the same statement.
    double tolerance = p.qualifier().equals(q.qualifier()) ? 0.005 : 0.05;
    return Math.abs(x - y) <= tolerance * Math.max(Math.abs(x), Math.abs(y));
  }

  private static boolean overlap(String a, String b) {
    return a.equalsIgnoreCase(b) || contains(a, b) || contains(b, a);
  }

  private static boolean contains(String whole, String part) {
    return (" " + whole.toLowerCase(Locale.ROOT) + " ")
        .contains(" " + part.toLowerCase(Locale.ROOT) + " ");
  }
}
