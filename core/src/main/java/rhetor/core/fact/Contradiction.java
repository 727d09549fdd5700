package rhetor.core.fact;

import java.util.List;

/** Two cells of one product that say different things; a person has to settle it. */
public record Contradiction(String concept, String label, List<Source> sources) {
  public Contradiction {
    sources = List.copyOf(sources);
  }
}
