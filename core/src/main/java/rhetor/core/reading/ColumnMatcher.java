package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.EvidenceFinder.Candidate;
import rhetor.core.reading.Meaning.Role;

/**
 * Weighs the evidence for all columns of a sheet into probabilities (a conditional logit model,
 * McFadden 1974), and gives each single-valued meaning to the column that it fits best.
 */
final class ColumnMatcher {
  /** A column that is less likely the name or the code is neither. */
  private static final double LEAST = 0.1;

  private final Knowledge knowledge;
  private final EvidenceWeights weights;

  ColumnMatcher(Knowledge knowledge, EvidenceWeights weights) {
    this.knowledge = knowledge;
    this.weights = weights;
  }

  /**
   * How likely a meaning is for a column.
   *
   * @param probability 0 to 1; those of a column's meanings add up to 1
   */
  record Likely(Candidate candidate, double probability) {
    Meaning meaning() {
      return candidate.meaning();
    }
  }

  /** For each column its meanings, the likeliest first, no single-valued one first at two. */
  List<List<Likely>> match(List<List<Candidate>> columns) {
    List<Set<Meaning>> lost = new ArrayList<>();
    List<List<Likely>> all = new ArrayList<>();
    for (List<Candidate> column : columns) {
      lost.add(new HashSet<>());
      all.add(likely(column, Set.of()));
    }
    for (boolean settled = false; !settled; ) {
      settled = true;
      Map<Meaning, Integer> best = new LinkedHashMap<>();
      for (int i = 0; i < columns.size(); i++) {
        Likely first = all.get(i).getFirst();
        if (!isSingle(first)) {
          continue;
        }
        Integer other = best.get(first.meaning());
        if (other == null) {
          best.put(first.meaning(), i);
          continue;
        }
        int loser = gain(all.get(i)) > gain(all.get(other)) ? other : i;
        best.put(first.meaning(), loser == i ? other : i);
        lost.get(loser).add(first.meaning());
        all.set(loser, likely(columns.get(loser), lost.get(loser)));
        settled = false;
        break;
      }
    }
    // A sheet without a name or a code is rarer than one with a strange heading over it.
    giveToLikeliest(all, Role.NAME);
    giveToLikeliest(all, Role.SKU);
    return all;
  }

  /** Puts a role first at the column that is likeliest to have it, if none has it yet. */
  private static void giveToLikeliest(List<List<Likely>> columns, Role role) {
    int best = -1;
    double most = LEAST;
    for (int i = 0; i < columns.size(); i++) {
      Role first = columns.get(i).getFirst().meaning().role();
      if (first == role) {
        return;
      }
      double p = of(columns.get(i), role).map(Likely::probability).orElse(0.0);
      if (role == Role.NAME && p > 0) {
        // The heading over the names may be any word: that it is another's name counts for nothing.
        double extra = of(columns.get(i), Role.EXTRA).map(Likely::probability).orElse(0.0);
        p /= p + extra;
      }
      boolean mayChange =
          first == Role.EXTRA
              || first == Role.KEEP
              || first == Role.CONCEPT
              || first == Role.PROSE && role == Role.NAME;
      if (p > most && mayChange) {
        best = i;
        most = p;
      }
    }
    if (best >= 0) {
      List<Likely> column = columns.get(best);
      Likely given = of(column, role).orElseThrow();
      column.remove(given);
      column.addFirst(given);
    }
  }

  private static Optional<Likely> of(List<Likely> column, Role role) {
    return column.stream().filter(l -> l.meaning().role() == role).findFirst();
  }

  /** The evidence that spoke loudest for a meaning, of those with a reason. */
  Optional<Evidence> loudest(Likely likely) {
    return weights.loudest(likely.candidate.evidence());
  }

  /** How much better the first meaning is than the next. */
  private static double gain(List<Likely> column) {
    double next = column.size() > 1 ? column.get(1).probability : 0;
    return Math.log(column.getFirst().probability + 1e-12) - Math.log(next + 1e-12);
  }

  /** Whether no two columns of a sheet can both be this. */
  private boolean isSingle(Likely likely) {
    Role role = likely.meaning().role();
    if (role == Role.SKU || role == Role.NAME || role == Role.KEYWORD) {
      return true;
    }
    // A weight in pounds may stand beside one in kilograms if both headings say so outright.
    return role == Role.CONCEPT
        && !likely.candidate.evidence().containsKey(Evidence.SAYS)
        && knowledge
            .concept(likely.meaning().concept())
            .filter(c -> c.kind() != Concept.Kind.TERMS)
            .isPresent();
  }

  List<Likely> likely(List<Candidate> candidates, Set<Meaning> lost) {
    List<Candidate> open = candidates.stream().filter(c -> !lost.contains(c.meaning())).toList();
    double[] scores = open.stream().mapToDouble(c -> weights.score(c.evidence())).toArray();
    double most = Double.NEGATIVE_INFINITY;
    for (double score : scores) {
      most = Math.max(most, score);
    }
    double sum = 0;
    for (int i = 0; i < scores.length; i++) {
      scores[i] = Math.exp(scores[i] - most);
      sum += scores[i];
    }
    List<Likely> all = new ArrayList<>();
    for (int i = 0; i < scores.length; i++) {
      all.add(new Likely(open.get(i), scores[i] / sum));
    }
    all.sort(Comparator.comparingDouble(Likely::probability).reversed());
    return all;
  }
}
