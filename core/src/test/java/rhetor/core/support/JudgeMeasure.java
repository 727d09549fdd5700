package rhetor.core.support;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.support.JudgedTexts.Judged;

/** Counts what a judge says of sentences that a person has labelled. */
public final class JudgeMeasure {
  /** Lies that no closed list of words or cells tells by itself. */
  private static final Set<String> OPEN =
      Set.of(
          "feature",
          "use",
          "audience",
          "scent",
          "form",
          "flavour",
          "history",
          "finish",
          "care",
          "quantifier",
          "safety",
          "degree",
          "age");

  private int trueOnes;
  private int falseAlarms;
  private int trueMarked;
  private int lies;
  private int liesMarked;
  private int closed;
  private int closedToFix;
  private final Map<String, int[]> kinds = new TreeMap<>();
  private final List<String> differences = new ArrayList<>();

  /** Judges sentences, with the sentence model or without. */
  public JudgeMeasure(List<Judged> judged, Knowledge knowledge, Nearness nearness) {
    for (Judged each : judged) {
      add(each, new Judge(each.product(), knowledge, nearness).judge(each.text()));
    }
  }

  private void add(Judged each, List<Assertion> found) {
    boolean mustFix = found.stream().anyMatch(Assertion::isHeld);
    boolean isMarked = !found.isEmpty();
    if (each.isTrue()) {
      trueOnes++;
      falseAlarms += mustFix ? 1 : 0;
      trueMarked += isMarked ? 1 : 0;
    } else {
      boolean isClosed = !OPEN.contains(each.kind());
      lies++;
      liesMarked += isMarked ? 1 : 0;
      closed += isClosed ? 1 : 0;
      closedToFix += isClosed && mustFix ? 1 : 0;
      int[] of = kinds.computeIfAbsent(each.kind(), k -> new int[3]);
      of[0]++;
      of[1] += isMarked ? 1 : 0;
      of[2] += mustFix ? 1 : 0;
    }
    boolean isAmiss =
        each.isTrue() ? isMarked : !isMarked || !OPEN.contains(each.kind()) && !mustFix;
    if (isAmiss) {
      differences.add(
          "%s %s: %s %s"
              .formatted(
                  each.isTrue() ? "TRUE" : "LIE " + each.kind(),
                  each.trade(),
                  each.text(),
                  found.stream().map(a -> a.kind() + " " + a.words()).toList()));
    }
  }

  /** Of a hundred true sentences, how many must be fixed. */
  public double falseAlarms() {
    return share(falseAlarms, trueOnes);
  }

  /** Of a hundred true sentences, how many have any mark. */
  public double trueMarked() {
    return share(trueMarked, trueOnes);
  }

  /** Of a hundred lies, how many have a mark. */
  public double liesMarked() {
    return share(liesMarked, lies);
  }

  /** Of a hundred lies of closed kinds, how many must be fixed. */
  public double closedToFix() {
    return share(closedToFix, closed);
  }

  private static double share(int some, int all) {
    return all == 0 ? 0 : 100.0 * some / all;
  }

  /** The figures, a line each. */
  public List<String> lines() {
    List<String> lines = new ArrayList<>();
    lines.add("true-must-fix %.1f of 100 (%d)".formatted(falseAlarms(), trueOnes));
    lines.add("true-marked %.1f of 100".formatted(trueMarked()));
    lines.add("lies-marked %.1f of 100 (%d)".formatted(liesMarked(), lies));
    lines.add("closed-must-fix %.1f of 100 (%d)".formatted(closedToFix(), closed));
    kinds.forEach(
        (kind, of) ->
            lines.add("  %s: %d, marked %d, must fix %d".formatted(kind, of[0], of[1], of[2])));
    return lines;
  }

  /** True sentences with a mark, lies without, and those of closed kinds that may be let be. */
  public List<String> differences() {
    return differences;
  }
}
