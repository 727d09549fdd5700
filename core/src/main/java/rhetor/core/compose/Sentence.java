package rhetor.core.compose;

import java.util.LinkedHashSet;
import java.util.List;

/** A sentence, title or list entry, with what it rests on. */
public record Sentence(String text, List<Support> support) {
  public Sentence {
    support = support.size() < 2 ? List.copyOf(support) : List.copyOf(new LinkedHashSet<>(support));
  }
}
