package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.knowledge.Knowledge;

/**
 * How a supplier's sheets have been read before, kept to read the next one in the same way and to
 * notice where it differs.
 *
 * @param supplier whose sheets these are
 * @param reading what each column meant
 * @param profiles what each column's cells looked like, in the same order
 */
public record KnownReading(String supplier, Reading reading, List<ColumnProfile> profiles) {
  /** Headings that share this much of their letters are taken for the same one renamed. */
  private static final double ALIKE = 0.75;

  public KnownReading {
    profiles = List.copyOf(profiles);
  }

  /** How one column of a sheet compares with the one before. */
  public enum Change {
    SAME,
    MOVED,
    RENAMED,
    NEW,
    GONE,
    /** It has its name and holds something else. */
    OTHER_VALUES
  }

  /**
   * One column before and now.
   *
   * @param before its heading in the supplier's last sheet, empty if it is new
   * @param now its heading in this sheet, empty if it has gone
   * @param note in words, what is different
   */
  public record ColumnChange(Change change, String before, String now, String note) {}

  /**
   * What comes of reading a sheet as the supplier's last one was read.
   *
   * @param reading the reading with everything that is known taken over
   * @param changes every column, before and now
   */
  public record Comparison(Reading reading, List<ColumnChange> changes) {
    /** Whether a person has to look before the sheet is taken in. */
    public boolean hasToBeSeen() {
      return changes.stream()
          .anyMatch(c -> c.change() != Change.SAME && c.change() != Change.MOVED);
    }
  }

  /** The share of the headings of both sheets that are in both, 0 to 1: 1 is the same layout. */
  public double likeness(List<String> headings) {
    Set<String> mine =
        new HashSet<>(keys(reading.columns().stream().map(ColumnReading::heading).toList()));
    Set<String> theirs = new HashSet<>(keys(headings));
    Set<String> both = new HashSet<>(mine);
    both.retainAll(theirs);
    mine.addAll(theirs);
    return mine.isEmpty() ? 0 : both.size() / (double) mine.size();
  }

  private static List<String> keys(List<String> headings) {
    return headings.stream().map(KnownReading::key).toList();
  }

  static String key(String heading) {
    return heading.toLowerCase(Locale.ROOT).replaceAll("[\\s_.:*-]+", " ").strip();
  }

  /**
   * Reads a new sheet as the last one was read.
   *
   * @param proposed what would be proposed for the new sheet if nothing were known
   * @param now what its cells look like
   * @param shipped the knowledge without what the house laid over it
   */
  public Comparison compare(Reading proposed, List<ColumnProfile> now, Knowledge shipped) {
    Map<String, Integer> byKey = new HashMap<>();
    for (int i = 0; i < reading.columns().size(); i++) {
      byKey.putIfAbsent(key(reading.columns().get(i).heading()), i);
    }
    int[] source = new int[proposed.columns().size()];
    Set<Integer> used = new HashSet<>();
    for (int i = 0; i < source.length; i++) {
      source[i] = byKey.getOrDefault(key(proposed.columns().get(i).heading()), -1);
      used.add(source[i]);
    }
    for (int i = 0; i < source.length; i++) {
      if (source[i] < 0) {
        source[i] = renamedFrom(proposed.columns().get(i), used, i);
        used.add(source[i]);
      }
    }
    Set<Integer> inOrder = longestRising(source);
    List<ColumnReading> columns = new ArrayList<>();
    List<ColumnChange> changes = new ArrayList<>();
    for (int i = 0; i < source.length; i++) {
      ColumnReading fresh = proposed.columns().get(i);
      if (source[i] < 0) {
        columns.add(fresh);
        changes.add(
            new ColumnChange(
                Change.NEW,
                "",
                fresh.heading(),
                "was not in the last sheet; holds " + now.get(i).inWords()));
        continue;
      }
      ColumnReading known = reading.columns().get(source[i]);
      // Bare numbers are in the unit that a person gave them last time, as long as they are alike.
      boolean bare = fresh.unit().isEmpty() && !known.unit().isEmpty();
      ColumnProfile profile = bare ? now.get(i).in(known.unit()) : now.get(i);
      ColumnChange change = change(known, fresh, source[i], i, inOrder.contains(i), profile);
      changes.add(change);
      // A column that matched nothing then may have its own kind of fact by now.
      boolean learnt =
          known.meaning().equals(Meaning.EXTRA)
              && fresh.meaning().role() == Meaning.Role.CONCEPT
              && shipped.concept(fresh.meaning().concept()).isEmpty();
      ColumnReading same =
          new ColumnReading(
              fresh.heading(),
              learnt ? fresh.meaning() : known.meaning(),
              bare ? known.unit() : fresh.unit(),
              1,
              learnt
                  ? "The house knows this kind of fact since the last sheet of " + supplier + "."
                  : "Read as in the last sheet of " + supplier + ".");
      columns.add(
          bare && change.change() == Change.OTHER_VALUES && !fresh.units().isEmpty()
              ? new ColumnReading(
                  fresh.heading(),
                  known.meaning(),
                  "",
                  0.4,
                  "The numbers are not like those of last time, which were in "
                      + known.unit()
                      + ".",
                  List.of(),
                  fresh.units())
              : same);
    }
    for (int i = 0; i < reading.columns().size(); i++) {
      if (!used.contains(i)) {
        changes.add(
            new ColumnChange(
                Change.GONE,
                reading.columns().get(i).heading(),
                "",
                "is missing; its facts will not be in this sheet"));
      }
    }
    // A supplier's products keep the codes that they came in with.
    boolean haveVariants =
        !reading.variants().isEmpty()
            && columns.stream()
                .map(ColumnReading::heading)
                .toList()
                .containsAll(reading.variants());
    Reading same =
        proposed
            .with(columns, proposed.numbers(), proposed.boilerplate())
            .withVariants(haveVariants ? reading.variants() : List.of());
    return new Comparison(
        reading.commonThing().isEmpty() ? same : same.withThing(reading.commonThing()), changes);
  }

  private ColumnChange change(
      ColumnReading known,
      ColumnReading fresh,
      int before,
      int at,
      boolean inOrder,
      ColumnProfile now) {
    Optional<String> difference = now.differenceFrom(profiles.get(before));
    Change change =
        difference.isPresent()
            ? Change.OTHER_VALUES
            : !key(known.heading()).equals(key(fresh.heading()))
                ? Change.RENAMED
                : inOrder ? Change.SAME : Change.MOVED;
    String note =
        switch (change) {
          case OTHER_VALUES -> difference.get();
          case RENAMED -> "looks like the same column under another heading";
          case MOVED -> "was column " + (before + 1) + ", is column " + (at + 1);
          default -> "";
        };
    return new ColumnChange(change, known.heading(), fresh.heading(), note);
  }

  /**
   * Indexes of the most columns that stand in the same order as before; the others have moved. What
   * is only pushed aside by them has not.
   */
  private static Set<Integer> longestRising(int[] source) {
    int[] length = new int[source.length];
    int[] previous = new int[source.length];
    int best = -1;
    for (int i = 0; i < source.length; i++) {
      previous[i] = -1;
      if (source[i] < 0) {
        continue;
      }
      length[i] = 1;
      for (int k = 0; k < i; k++) {
        if (source[k] >= 0 && source[k] < source[i] && length[k] + 1 > length[i]) {
          length[i] = length[k] + 1;
          previous[i] = k;
        }
      }
      best = best < 0 || length[i] > length[best] ? i : best;
    }
    Set<Integer> rising = new HashSet<>();
    for (int i = best; i >= 0; i = previous[i]) {
      rising.add(i);
    }
    return rising;
  }

  /** The old column that a new heading may be another name of, or -1. */
  private int renamedFrom(ColumnReading fresh, Set<Integer> used, int at) {
    int best = -1;
    double bestScore = ALIKE;
    for (int i = 0; i < reading.columns().size(); i++) {
      if (used.contains(i)) {
        continue;
      }
      ColumnReading known = reading.columns().get(i);
      boolean sameConcept =
          fresh.meaning().equals(known.meaning())
              && fresh.meaning().role() != Meaning.Role.EXTRA
              && fresh.meaning().role() != Meaning.Role.KEEP;
      double score =
          sameConcept
              ? 0.9
              : alike(key(fresh.heading()), key(known.heading())) + (i == at ? 0.05 : 0);
      if (score > bestScore) {
        best = i;
        bestScore = score;
      }
    }
    return best;
  }

  /** Shared pairs of letters, as the Sørensen–Dice coefficient (Dice 1945), 0 to 1. */
  static double alike(String a, String b) {
    if (a.length() < 2 || b.length() < 2) {
      return a.equals(b) ? 1 : 0;
    }
    Map<String, Integer> pairs = new HashMap<>();
    for (int i = 0; i + 2 <= a.length(); i++) {
      pairs.merge(a.substring(i, i + 2), 1, Integer::sum);
    }
    int shared = 0;
    for (int i = 0; i + 2 <= b.length(); i++) {
      String pair = b.substring(i, i + 2);
      if (pairs.getOrDefault(pair, 0) > 0) {
        pairs.merge(pair, -1, Integer::sum);
        shared++;
      }
    }
    return 2.0 * shared / (a.length() - 1 + b.length() - 1);
  }
}
