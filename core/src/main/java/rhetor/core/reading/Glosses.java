package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.language.VectorTable;
import rhetor.core.reading.Meaning.Role;

/** Tells how near headings come to what concepts and roles are, by a sentence of each. */
final class Glosses {
  /** Cosines from here on say anything at all (headings against glosses, measured). */
  private static final double LEAST = 0.2;

  /** So many concepts that a heading comes near are looked at. */
  private static final int MOST = 5;

  private static final int SHOWN_CELLS = 2;
  private static final int SHOWN = 60;

  private final Knowledge knowledge;
  private final Nearness nearness;
  private final HeadingMemory memory;
  private volatile Placed glosses = Placed.NOTHING;

  /** The vectors of all glosses, and the meaning that each is of. */
  private record Placed(List<Meaning> meanings, VectorTable vectors) {
    static final Placed NOTHING = new Placed(List.of(), new VectorTable(List.of()));

    /** How near a heading comes to each meaning by the nearest of its glosses. */
    Map<Meaning, Double> cosines(float[] heading) {
      float[] each = vectors.cosines(heading);
      Map<Meaning, Double> all = new LinkedHashMap<>();
      for (int i = 0; i < each.length; i++) {
        all.merge(meanings.get(i), (double) each[i], Math::max);
      }
      return all;
    }
  }

  Glosses(Knowledge knowledge, Nearness nearness, HeadingMemory memory) {
    this.knowledge = knowledge;
    this.nearness = nearness;
    this.memory = memory;
  }

  /**
   * How near a heading comes to each meaning.
   *
   * @param cosines of the heading with its first cells and a meaning's gloss; empty if nothing is
   *     known
   * @param nearest the concepts that it comes nearest to, the nearest first
   * @param before what columns were before whose headings come near, as shares of one
   */
  record Near(Map<Meaning, Double> cosines, List<Meaning> nearest, Map<Meaning, Double> before) {
    static final Near NOTHING = new Near(Map.of(), List.of(), Map.of());

    /** Of columns whose headings come near, this share was for the house alone as a rule. */
    private static final double USUALLY_PRIVATE = 0.15;

    /** The concepts that columns were before whose headings come near, of some share at least. */
    List<Meaning> wereBefore() {
      return before.entrySet().stream()
          .filter(e -> e.getKey().role() == Role.CONCEPT && e.getValue() >= LEAST)
          .map(Map.Entry::getKey)
          .toList();
    }

    /** Adds what nearness says of a meaning. */
    void say(Meaning meaning, Map<Evidence, Double> evidence) {
      if (meaning.role() == Role.KEEP && !nearest.isEmpty()) {
        evidence.put(Evidence.LIKE_A_PROPERTY, above(nearest.getFirst()));
      }
      double share = before.getOrDefault(meaning, 0.0);
      if (meaning.role() == Role.CONCEPT) {
        evidence.put(Evidence.LIKE_BEFORE, share);
      } else if (meaning.role() == Role.KEEP && !before.isEmpty()) {
        // That others were private says no more than words of trade and glosses do.
        evidence.put(
            Evidence.UNLIKE_PRIVATE_BEFORE, Math.max(0, logOdds(USUALLY_PRIVATE) - logOdds(share)));
      }
      if (!cosines.containsKey(meaning)) {
        return;
      }
      if (meaning.role() != Role.CONCEPT) {
        evidence.put(Evidence.NEAR_ROLE, above(meaning));
        return;
      }
      evidence.put(Evidence.NEAR, above(meaning));
      if (!nearest.isEmpty() && nearest.getFirst().equals(meaning)) {
        double next = nearest.size() > 1 ? cosines.get(nearest.get(1)) : LEAST;
        evidence.put(Evidence.NEAREST, 5 * (cosines.get(meaning) - next));
      }
    }

    /** As if one heading more had been asked, with the usual answer. */
    private static double logOdds(double share) {
      double smoothed =
          (share * HeadingMemory.NEAREST + USUALLY_PRIVATE) / (HeadingMemory.NEAREST + 1);
      return Math.log(smoothed / (1 - smoothed));
    }

    private double above(Meaning meaning) {
      return 2 * Math.max(0, cosines.get(meaning) - LEAST);
    }
  }

  /** For each column of a sheet how near it comes; nothing where the model can't tell. */
  List<Near> near(SheetColumns sheet) {
    List<Near> all = new ArrayList<>();
    sheet.columns().forEach(c -> all.add(Near.NOTHING));
    // The model knows English.
    if (!sheet.language().equals("en")) {
      return all;
    }
    Placed glosses = glosses();
    if (glosses.meanings.isEmpty()) {
      return all;
    }
    List<SheetColumn> said =
        sheet.columns().stream()
            .filter(c -> c.raw().chars().anyMatch(Character::isLetter))
            .toList();
    List<float[]> vectors = nearness.ofAll(said.stream().map(Glosses::inWords).toList());
    memory.load(nearness);
    List<Near> near = vectors.parallelStream().map(v -> near(v, glosses)).toList();
    for (int i = 0; i < near.size(); i++) {
      all.set(said.get(i).index(), near.get(i));
    }
    return all;
  }

  private Near near(float[] vector, Placed glosses) {
    Map<Meaning, Double> cosines = glosses.cosines(vector);
    return new Near(
        cosines,
        cosines.entrySet().stream()
            .filter(e -> e.getKey().role() == Role.CONCEPT && e.getValue() > LEAST)
            .sorted(Map.Entry.<Meaning, Double>comparingByValue(Comparator.reverseOrder()))
            .limit(MOST)
            .map(Map.Entry::getKey)
            .toList(),
        memory.near(vector, nearness));
  }

  private static String inWords(SheetColumn column) {
    String cells =
        String.join(", ", column.cells().values().stream().distinct().limit(SHOWN_CELLS).toList());
    String heading = column.heading().label();
    return cells.length() > SHOWN ? heading : heading + ": " + cells;
  }

  /** A sentence for each concept, one or several for each role. */
  static Map<Meaning, List<String>> all(Knowledge knowledge) {
    Map<Meaning, List<String>> all = new LinkedHashMap<>();
    for (Concept concept : knowledge.concepts()) {
      if (!concept.gloss().isEmpty()) {
        all.put(Meaning.of(concept), List.of(concept.label() + ": " + concept.gloss()));
      }
    }
    knowledge.roleGlosses().forEach((role, gloss) -> all.put(Meaning.parse(role), gloss));
    return all;
  }

  /**
   * Vectors of what concepts and roles are; looked up when they are first needed, without a lock:
   * who waits for vectors that others compute must hold none.
   */
  private Placed glosses() {
    if (glosses.meanings.isEmpty()) {
      Map<Meaning, List<String>> all = all(knowledge);
      List<float[]> vectors = nearness.ofAll(all.values().stream().flatMap(List::stream).toList());
      if (!vectors.isEmpty()) {
        List<Meaning> meanings = new ArrayList<>();
        all.forEach((of, glosses) -> meanings.addAll(Collections.nCopies(glosses.size(), of)));
        glosses = new Placed(meanings, new VectorTable(vectors));
      }
    }
    return glosses;
  }
}
