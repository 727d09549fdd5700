package rhetor.core.compose;

import java.util.List;

/** A sentence, title or list entry, with what it rests on. */
public record Sentence(String text, List<Support> support) {
  public Sentence {
    support = support.stream().distinct().toList();
  }
}
