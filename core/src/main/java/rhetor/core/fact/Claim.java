package rhetor.core.fact;

import java.util.List;

/**
 * What a fact lets a shop say for the buyer.
 *
 * @param concept the concept whose fact licenses it
 * @param contains words of which the fact's value has to contain one, or empty
 * @param atLeast least amount or rating number, in the concept's own unit, or null
 * @param classes classes it holds for; empty for all
 * @param adj adjectives it licenses, such as {@code waterproof}
 * @param so clauses that may follow the fact: ", so rain stays out"
 * @param text the claim in words, for the list of sources
 */
public record Claim(
    String id,
    String concept,
    List<String> contains,
    Double atLeast,
    List<String> classes,
    List<String> adj,
    List<String> so,
    String text) {
  public Claim {
    contains = contains == null ? List.of() : List.copyOf(contains);
    classes = classes == null ? List.of() : List.copyOf(classes);
    adj = adj == null ? List.of() : List.copyOf(adj);
    so = so == null ? List.of() : List.copyOf(so);
  }

  /** Whether {@code fact} of a product of {@code productClass} licenses the claim. */
  public boolean isLicensedBy(Fact fact, String productClass, String wording) {
    if (!fact.concept().equals(concept)
        || !classes.isEmpty() && !classes.contains(productClass)
        || fact.value() instanceof Value.YesNo(boolean yes) && !yes) {
      return false;
    }
    String lower = wording.toLowerCase(java.util.Locale.ROOT);
    if (!contains.isEmpty() && contains.stream().noneMatch(lower::contains)) {
      return false;
    }
    return atLeast == null || amount(fact.value()) >= atLeast;
  }

  private static double amount(Value value) {
    return switch (value) {
      case Value.Quantity q -> q.amount().doubleValue();
      case Value.Rating(String code) -> waterDigit(code);
      default -> Double.NEGATIVE_INFINITY;
    };
  }

  /** The second digit of an IP code (IEC 60529), which grades protection against water. */
  private static double waterDigit(String code) {
    boolean graded =
        code.length() >= 4 && code.startsWith("IP") && Character.isDigit(code.charAt(3));
    return graded ? code.charAt(3) - '0' : Double.NEGATIVE_INFINITY;
  }
}
