package rhetor.core.knowledge;

import java.util.List;
import rhetor.core.fact.Licence;

/**
 * What a fact lets a shop say for the buyer; {@link Licence} tells when.
 *
 * @param concept the concept whose fact licenses it
 * @param contains phrases of which the fact's value has to say one, or empty
 * @param atLeast least amount or rating number, or null
 * @param atMost greatest amount or rating number, or null
 * @param unit unit id of {@code atLeast} and {@code atMost}; empty for the concept's own
 * @param classes classes it holds for; empty for all
 * @param adj adjectives it licenses, such as {@code waterproof}
 * @param whole whether an adjective says all that the fact does, so that nothing need repeat it
 * @param so clauses that may follow the fact: ", so rain stays out"
 * @param text the claim in words, for the list of sources
 */
public record Claim(
    String id,
    String concept,
    List<String> contains,
    Double atLeast,
    Double atMost,
    String unit,
    List<String> classes,
    List<String> adj,
    boolean whole,
    List<String> so,
    String text) {
  public Claim {
    contains = contains == null ? List.of() : List.copyOf(contains);
    unit = unit == null ? "" : unit;
    classes = classes == null ? List.of() : List.copyOf(classes);
    adj = adj == null ? List.of() : List.copyOf(adj);
    so = so == null ? List.of() : List.copyOf(so);
  }
}
