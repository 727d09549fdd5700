package rhetor.core.fact;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.math.BigDecimal;
import java.util.List;

/** What a fact says: a quantity, a range, sides, a list, a rating, yes or no, or words. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = Value.Quantity.class, name = "quantity"),
  @JsonSubTypes.Type(value = Value.Range.class, name = "range"),
  @JsonSubTypes.Type(value = Value.Sides.class, name = "sides"),
  @JsonSubTypes.Type(value = Value.Terms.class, name = "terms"),
  @JsonSubTypes.Type(value = Value.Rating.class, name = "rating"),
  @JsonSubTypes.Type(value = Value.YesNo.class, name = "yesno"),
  @JsonSubTypes.Type(value = Value.Words.class, name = "words")
})
public sealed interface Value {

  /**
   * An amount of a unit.
   *
   * @param unit id of the unit, empty for a bare number
   * @param qualifier {@code up to}, {@code at least}, {@code about} or empty
   */
  record Quantity(BigDecimal amount, String unit, String qualifier) implements Value {}

  /** From one amount to another of the same unit. */
  record Range(BigDecimal from, BigDecimal to, String unit) implements Value {}

  /** Lengths of two or three sides in one unit. */
  record Sides(List<BigDecimal> lengths, String unit) implements Value {
    public Sides {
      lengths = List.copyOf(lengths);
    }
  }

  /** Several things of a kind. */
  record Terms(List<String> items) implements Value {
    public Terms {
      items = List.copyOf(items);
    }
  }

  /** A grade of a published scale, such as IPX6. */
  record Rating(String code) implements Value {}

  /** Whether something is so. */
  record YesNo(boolean yes) implements Value {}

  /** Words that are taken as they are. */
  record Words(String text) implements Value {}
}
