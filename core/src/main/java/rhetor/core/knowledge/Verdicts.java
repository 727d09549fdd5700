package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What people of the house think of wordings: those that they like are said twice as often, those
 * that they don't only where there is no other.
 *
 * @param scores by id of a concept and by its wording, how many more people like it than don't;
 *     negative where fewer do
 */
public record Verdicts(Map<String, Map<String, Integer>> scores) {
  /** Nobody has said anything. */
  public static final Verdicts NONE = new Verdicts(Map.of());

  /** What makes a sentence by itself; the others only stand in one. */
  private static final Set<String> SENTENCES = Set.of("verb", "with", "part", "clause");

  public Verdicts {
    scores = Map.copyOf(scores);
  }

  /** What becomes of a wording. */
  public enum Effect {
    /** Nobody has said anything, or as many like it as don't. */
    AS_BEFORE,
    SAID_MORE,
    SAID_NO_MORE,
    /** It isn't liked, and there is no other to tell the fact in. */
    NO_OTHER
  }

  /** A concept's wordings as they are said by what people think of them. */
  public Concept weighed(Concept concept) {
    Map<String, Integer> of = scores.get(concept.id());
    if (of == null || of.isEmpty()) {
      return concept;
    }
    Map<String, List<String>> say = weighed(concept.id(), concept.say(), false);
    boolean isSaid = tells(say, of);
    return concept.saidAs(
        say,
        concept.sayOf().stream().map(s -> weighed(concept, s, isSaid)).toList(),
        concept.taught().stream().map(s -> weighed(concept, s, isSaid)).toList());
  }

  private Concept.SayOf weighed(Concept concept, Concept.SayOf wordings, boolean mayGo) {
    return new Concept.SayOf(wordings.classes(), weighed(concept.id(), wordings.say(), mayGo));
  }

  /**
   * Wordings by form as they are said.
   *
   * @param mayGo whether all of them may go, since others tell the fact; else the last that makes a
   *     sentence stays
   */
  public Map<String, List<String>> weighed(
      String concept, Map<String, List<String>> wordings, boolean mayGo) {
    Map<String, Integer> of = scores.get(concept);
    if (of == null || of.isEmpty() || !mayGo && !tells(wordings, of)) {
      return wordings;
    }
    Map<String, List<String>> weighed = new LinkedHashMap<>();
    wordings.forEach(
        (form, all) -> {
          List<String> said = new ArrayList<>();
          for (String wording : all) {
            int score = of.getOrDefault(wording, 0);
            for (int i = 0; i < times(score); i++) {
              said.add(wording);
            }
          }
          if (!said.isEmpty()) {
            weighed.put(form, said);
          }
        });
    return weighed;
  }

  private static int times(int score) {
    return score < 0 ? 0 : score == 0 ? 1 : 2;
  }

  /** Whether a wording that people don't dislike makes a sentence. */
  private static boolean tells(Map<String, List<String>> wordings, Map<String, Integer> of) {
    return wordings.entrySet().stream()
        .filter(e -> SENTENCES.contains(e.getKey()))
        .flatMap(e -> e.getValue().stream())
        .anyMatch(w -> of.getOrDefault(w, 0) >= 0);
  }

  /** What becomes of one of a concept's wordings. */
  public Effect effect(Concept concept, String wording) {
    int score = scores.getOrDefault(concept.id(), Map.of()).getOrDefault(wording, 0);
    if (score == 0) {
      return Effect.AS_BEFORE;
    }
    if (score > 0) {
      return Effect.SAID_MORE;
    }
    return weighed(concept).wordings().anyMatch(wording::equals)
        ? Effect.NO_OTHER
        : Effect.SAID_NO_MORE;
  }
}
