package rhetor.core.reading;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import rhetor.core.fact.CellInWords;
import rhetor.core.fact.Fact;
import rhetor.core.fact.HouseName;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.Unit;

/**
 * The house's own names and words, put in the place of the suppliers' when facts are used. What the
 * sheets said stays stored, so a name that is changed or taken away works backwards at once.
 */
public final class HouseNames {
  /** A measured value is given in the house's unit as exactly as suppliers measure. */
  private static final MathContext DIGITS = new MathContext(3, RoundingMode.HALF_UP);

  private final Knowledge knowledge;
  private final ValueReader values;
  private final Map<HouseName.Kind, Map<String, String>> names = new HashMap<>();

  /** What cells say in words, by the fact that they are read as. */
  private final Map<String, Map<String, String>> cells = new HashMap<>();

  /**
   * @throws IllegalArgumentException if a unit is unknown, or two units measure different things
   */
  public HouseNames(
      Knowledge knowledge, Collection<HouseName> all, Collection<CellInWords> inWords) {
    this.knowledge = knowledge;
    this.values = new ValueReader(knowledge, NumberStyle.POINT);
    for (CellInWords cell : inWords) {
      cells
          .computeIfAbsent(cell.factId(), k -> new HashMap<>())
          .put(written(cell.written()), CellText.clean(cell.words()));
    }
    for (HouseName name : all) {
      String written = written(name.written());
      if (name.kind() == HouseName.Kind.UNIT) {
        checkUnits(name);
        written = unit(name.written()).id();
      }
      names.computeIfAbsent(name.kind(), k -> new HashMap<>()).put(written, name.printed().strip());
    }
  }

  private Unit unit(String written) {
    return knowledge
        .unitWritten(written.strip())
        .orElseThrow(() -> new IllegalArgumentException("No unit is called \"" + written + "\"."));
  }

  private void checkUnits(HouseName name) {
    Unit from = unit(name.written());
    Unit to = unit(name.printed());
    if (!from.dimension().equals(to.dimension())) {
      throw new IllegalArgumentException(
          "\"%s\" measures %s, but \"%s\" measures %s; one can't be given in the other."
              .formatted(name.written(), from.dimension(), name.printed(), to.dimension()));
    }
  }

  private static String written(String cell) {
    return cell.strip().toLowerCase(Locale.ROOT);
  }

  /** Whether there are none: facts stay as they are. */
  public boolean isEmpty() {
    return names.isEmpty() && cells.isEmpty();
  }

  /** A product's facts with the house's names in them; what sources disagree about stays. */
  public ProductFacts apply(ProductFacts product) {
    return isEmpty()
        ? product
        : product.withFacts(product.facts().stream().map(this::apply).toList());
  }

  /** The fact with the house's names in it; the same object if none applies. */
  public Fact apply(Fact fact) {
    if (isEmpty()) {
      return fact;
    }
    Fact said = inWords(fact);
    Value value = apply(said.value(), kind(fact));
    return value.equals(said.value())
        ? said
        : new Fact(fact.id(), fact.concept(), fact.label(), value, said.sources(), false);
  }

  /** What the house says that one of the fact's cells means, read as a cell in British English. */
  private Fact inWords(Fact fact) {
    Map<String, String> of = cells.getOrDefault(fact.id(), Map.of());
    if (of.isEmpty()) {
      return fact;
    }
    return fact.sources().stream()
        .map(source -> of.get(written(source.raw())))
        .filter(Objects::nonNull)
        .findFirst()
        .map(words -> fact.inWords(words, read(fact, words)))
        .orElse(fact);
  }

  private Value read(Fact fact, String words) {
    return knowledge
        .concept(fact.concept())
        .map(concept -> values.read(words, concept, ""))
        .orElseGet(
            () ->
                // What a person has put together stays together, commas and all.
                switch (values.readAny(words, false)) {
                  case Value.Terms t -> new Value.Words(words);
                  case Value other -> other;
                });
  }

  private HouseName.Kind kind(Fact fact) {
    String terms = knowledge.concept(fact.concept()).map(Concept::terms).orElse("");
    return switch (terms) {
      case "colour" -> HouseName.Kind.COLOUR;
      case "material" -> HouseName.Kind.MATERIAL;
      default -> fact.concept().equals("size") ? HouseName.Kind.SIZE : HouseName.Kind.OTHER;
    };
  }

  private Value apply(Value value, HouseName.Kind kind) {
    return switch (value) {
      case Value.Terms(List<String> items) ->
          new Value.Terms(items.stream().map(i -> name(kind, i).orElse(i)).distinct().toList());
      case Value.Words(String text) -> name(kind, text).<Value>map(Value.Words::new).orElse(value);
      case Value.Quantity q ->
          converted(q.unit())
              .<Value>map(
                  u -> new Value.Quantity(convert(q.amount(), q.unit(), u), u, q.qualifier()))
              .orElse(value);
      case Value.Range r ->
          converted(r.unit())
              .<Value>map(
                  u ->
                      new Value.Range(
                          convert(r.from(), r.unit(), u), convert(r.to(), r.unit(), u), u))
              .orElse(value);
      case Value.Sides s ->
          converted(s.unit())
              .<Value>map(
                  u ->
                      new Value.Sides(
                          s.lengths().stream().map(l -> convert(l, s.unit(), u)).toList(), u))
              .orElse(value);
      case Value.Rating r -> value;
      case Value.YesNo y -> value;
    };
  }

  private Optional<String> name(HouseName.Kind kind, String written) {
    return Optional.ofNullable(
        names.getOrDefault(kind, Map.of()).get(written.toLowerCase(Locale.ROOT)));
  }

  private Optional<String> converted(String unitId) {
    return Optional.ofNullable(names.getOrDefault(HouseName.Kind.UNIT, Map.of()).get(unitId))
        .map(to -> unit(to).id());
  }

  private BigDecimal convert(BigDecimal amount, String from, String to) {
    BigDecimal base = amount.multiply(knowledge.unit(from).orElseThrow().factor());
    BigDecimal exact =
        base.divide(knowledge.unit(to).orElseThrow().factor(), MathContext.DECIMAL64);
    BigDecimal rounded = exact.round(DIGITS);
    // Four figures that were measured stay four figures: 1,450 g is 1.45 kg, and 1,454 g is 1.454
    // kg.
    BigDecimal kept =
        amount.precision() > DIGITS.getPrecision()
            ? exact.round(new MathContext(amount.precision()))
            : rounded;
    return kept.stripTrailingZeros().scale() < 0 ? kept.setScale(0) : kept.stripTrailingZeros();
  }
}
