package rhetor.core.text;

import java.util.LinkedHashSet;
import java.util.List;

/** A sentence, title or list entry, with what it rests on. */
public record Sentence(String text, List<Support> support) {
  public Sentence {
    support = List.copyOf(hasTwice(support) ? new LinkedHashSet<>(support) : support);
  }

  /** Whether something of a kind is among what it rests on. */
  public boolean restsOn(Support.Kind kind) {
    for (Support one : support) {
      if (one.kind() == kind) {
        return true;
      }
    }
    return false;
  }

  private static boolean hasTwice(List<Support> support) {
    for (int i = 1; i < support.size(); i++) {
      if (support.indexOf(support.get(i)) < i) {
        return true;
      }
    }
    return false;
  }
}
