package rhetor.core.reading;

import java.util.ArrayList;
import java.util.List;
import rhetor.core.knowledge.Knowledge;

/** The phrases whose vectors ship: what concepts and roles are, nouns for things, headings. */
public final class VectorsToKeep {
  private VectorsToKeep() {}

  /** All of them, in an order that stays. */
  public static List<String> of(Knowledge knowledge) {
    List<String> all = new ArrayList<>();
    Glosses.all(knowledge).values().forEach(all::addAll);
    all.addAll(ThingOfSheet.nouns(knowledge));
    all.addAll(HeadingMemory.shipped().headings());
    return all;
  }
}
