package rhetor.core.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import rhetor.core.check.Verdicts.Labelled;
import rhetor.core.check.Verdicts.Text;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.style.Field;
import rhetor.core.style.Style;

/** How well readiness and marks agree with an editor's verdicts. */
public final class VerdictMeasure {
  private final Map<String, int[]> byLabel = new TreeMap<>();
  private final List<Integer> published = new ArrayList<>();
  private final List<Integer> sentBack = new ArrayList<>();
  private final List<String> differences = new ArrayList<>();

  /** Checks all texts as the proof does. */
  public VerdictMeasure(List<Text> texts, Knowledge knowledge) {
    Checker checker = new Checker(knowledge, Style.standard(), Nearness.SHIPPED);
    for (Text text : texts) {
      Audit audit = checker.check(text.draft(), text.product(), "");
      (text.publish() ? published : sentBack).add(audit.readiness().score());
      for (int i = 0; i < text.sentences().size(); i++) {
        Labelled sentence = text.sentences().get(i);
        int index = i;
        List<Mark> marks =
            audit.marks().stream()
                .filter(m -> m.field() == Field.DESCRIPTION && m.sentence() == index)
                .filter(m -> List.of("support", "no source", Mark.PLAIN).contains(m.check()))
                .toList();
        boolean isMarked = !marks.isEmpty();
        String label = (text.publish() ? "copywriter's " : "") + sentence.label();
        int[] counts = byLabel.computeIfAbsent(label, l -> new int[2]);
        counts[0]++;
        counts[1] += isMarked ? 1 : 0;
        if (isMarked == sentence.label().equals("OK")) {
          differences.add(
              label
                  + ": "
                  + sentence.text()
                  + " "
                  + marks.stream().map(m -> m.words() + ": " + m.why()).toList());
        }
      }
    }
  }

  /**
   * The area under the curve: how often a text that is published has more readiness than one that
   * is sent back (Mann and Whitney 1947); draws count half.
   */
  public double area() {
    double more = 0;
    for (int good : published) {
      for (int bad : sentBack) {
        more += good > bad ? 1 : good == bad ? 0.5 : 0;
      }
    }
    return more / published.size() / sentBack.size();
  }

  /** Marked sentences in a hundred of those with a label. */
  public double marked(String label) {
    int[] counts = byLabel.get(label);
    return 100.0 * counts[1] / counts[0];
  }

  /** What was measured, line by line. */
  public List<String> lines() {
    List<String> lines = new ArrayList<>();
    lines.add(
        String.format(
            Locale.ROOT,
            "readiness: area under the curve %.3f; published %.0f on average (%d texts), sent back %.0f (%d)",
            area(),
            published.stream().mapToInt(s -> s).average().orElse(0),
            published.size(),
            sentBack.stream().mapToInt(s -> s).average().orElse(0),
            sentBack.size()));
    byLabel.forEach(
        (label, counts) ->
            lines.add(
                String.format(
                    Locale.ROOT,
                    "sentences %s: marked %d of %d (%.1f in 100)",
                    label,
                    counts[1],
                    counts[0],
                    100.0 * counts[1] / counts[0])));
    return lines;
  }

  /** Sentences that are marked and fine, or not marked and sent back. */
  public List<String> differences() {
    return differences;
  }
}
