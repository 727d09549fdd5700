package rhetor.core.fact;

import java.util.List;

/**
 * Sources that disagree about one fact, so that none of them is believed until a person settles it.
 *
 * @param versions what the sources say, at least two facts of one id with different values
 */
public record Contradiction(List<Fact> versions) {
  public Contradiction {
    versions = List.copyOf(versions);
    if (versions.size() < 2) {
      throw new IllegalArgumentException("it takes two to contradict each other");
    }
  }

  /** The id of the fact that is disputed. */
  public String id() {
    return versions.getFirst().id();
  }

  public String concept() {
    return versions.getFirst().concept();
  }

  public String label() {
    return versions.getFirst().label();
  }

  /** The cells of all versions. */
  public List<Source> sources() {
    return versions.stream().flatMap(v -> v.sources().stream()).toList();
  }
}
