package rhetor.core.reading;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.reading.EvidenceFinder.Candidate;
import rhetor.core.reading.LabelledSheets.Labelled;
import rhetor.core.sheet.SheetRow;

/**
 * Fits what each kind of evidence is worth on labelled sheets: the weights under which the labels
 * are likeliest, held near zero (maximum a posteriori with a normal prior, by Adam; Kingma and Ba
 * 2015).
 */
public final class EvidenceFit {
  private static final int ROUNDS = 600;
  private static final double STEP = 0.08;

  /** Variance of a weight beforehand. */
  private static final double PRIOR = 15;

  /** What a sheet with its columns moved counts, and a name over an empty column. */
  private static final double MOVED = 0.4;

  private static final double NAMED = 0.3;

  private final List<Labelled> labelled;
  private final List<List<Choice>> sheets = new ArrayList<>();
  private final List<Choice> byName = new ArrayList<>();
  private final Knowledge knowledge;
  private final HeadingNames names;
  private final KindsOfSheet kinds;

  private double[] fromAll;

  /** A column: the evidence of each meaning, and which of them are right. */
  private record Choice(int[][] at, double[][] values, boolean[] right, double weight) {}

  /** Reads the sheets once; {@link #without} is then quick. */
  public EvidenceFit(List<Labelled> labelled, Knowledge knowledge) {
    names = new HeadingNames(knowledge);
    kinds = new KindsOfSheet(knowledge, names, Nearness.SHIPPED);
    this.knowledge = knowledge;
    this.labelled = labelled;
    for (int i = 0; i < labelled.size(); i++) {
      Labelled sheet = labelled.get(i);
      EvidenceFinder finder = finder(remembered(i).memory());
      List<Choice> choices = new ArrayList<>();
      List<Set<String>> labels = sheet.headings().stream().map(sheet.labels()::of).toList();
      add(choices, finder, sheet.headings(), sheet.rows(), labels, sheet.title(), 1);
      // Codes and names needn't stand first, and files are called anything.
      add(
          choices,
          finder,
          moved(sheet.headings()),
          sheet.rows().stream()
              .map(
                  r ->
                      new SheetRow(
                          r.number(), moved(padded(r, sheet.headings().size())), new BitSet()))
              .toList(),
          moved(labels),
          "",
          MOVED);
      sheets.add(choices);
    }
    knowledge.concepts().forEach(c -> addNames(Meaning.of(c), c.names()));
    knowledge.roles().forEach((role, of) -> addNames(Meaning.parse(role), of));
  }

  private EvidenceFinder finder(HeadingMemory memory) {
    return new EvidenceFinder(knowledge, names, Nearness.SHIPPED, memory);
  }

  /** What the headings of all sheets but one were; of all for -1. */
  private HeadingMemory.Counter remembered(int without) {
    HeadingMemory.Counter counter = new HeadingMemory.Counter(knowledge);
    for (int i = 0; i < labelled.size(); i++) {
      if (i != without) {
        Labelled sheet = labelled.get(i);
        sheet.headings().forEach(h -> counter.add(h, meanings(sheet.labels().of(h))));
      }
    }
    return counter;
  }

  private static Set<Meaning> meanings(Set<String> labels) {
    return labels.stream()
        .map(
            l ->
                switch (l) {
                  case "own" -> Meaning.EXTRA;
                  case "private" -> Meaning.KEEP;
                  default -> Meaning.parse(l);
                })
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  /** What all headings were, to be shipped: by heading and meaning, how many columns. */
  public Map<String, Map<String, Double>> headings() {
    Map<String, Map<String, Double>> all = new TreeMap<>();
    remembered(-1)
        .counts()
        .forEach(
            (heading, of) -> {
              Map<String, Double> codes = new TreeMap<>();
              of.forEach((m, count) -> codes.put(m.code(), Math.round(count * 100) / 100.0));
              all.put(heading, codes);
            });
    return all;
  }

  private static List<String> padded(SheetRow row, int width) {
    return IntStream.range(0, width).mapToObj(row::cell).toList();
  }

  /** The first column moved behind the third. */
  private static <T> List<T> moved(List<T> columns) {
    List<T> moved = new ArrayList<>(columns);
    moved.add(Math.min(2, moved.size() - 1), moved.removeFirst());
    return moved;
  }

  /**
   * Names of a meaning, of a concept the first ones: over empty columns they mean what they say.
   */
  private void addNames(Meaning meaning, Map<String, List<String>> of) {
    EvidenceFinder finder = finder(HeadingMemory.NONE);
    int most = meaning.role() == Meaning.Role.CONCEPT ? 1 : Integer.MAX_VALUE;
    for (String name : of.values().stream().flatMap(all -> all.stream().limit(most)).toList()) {
      if (!knowledge.vague().contains(name)) {
        List<Choice> choices = new ArrayList<>();
        add(
            choices,
            finder,
            List.of("SKU", "Name", name),
            List.of(),
            List.of(Set.of("sku"), Set.of("name"), Set.of(label(meaning))),
            "",
            NAMED);
        choices.subList(0, 2).clear();
        byName.addAll(choices);
      }
    }
  }

  private void add(
      List<Choice> choices,
      EvidenceFinder finder,
      List<String> headings,
      List<SheetRow> rows,
      List<Set<String>> labels,
      String title,
      double weight) {
    List<List<Candidate>> found = finder.find(kinds.columns(headings, rows, title));
    for (int i = 0; i < found.size(); i++) {
      choices.add(choice(found.get(i), labels.get(i), weight));
    }
  }

  private static Choice choice(List<Candidate> candidates, Set<String> labels, double weight) {
    int n = candidates.size();
    int[][] at = new int[n][];
    double[][] values = new double[n][];
    boolean[] right = new boolean[n];
    boolean any = false;
    for (int i = 0; i < n; i++) {
      Candidate c = candidates.get(i);
      at[i] = c.evidence().keySet().stream().mapToInt(Enum::ordinal).toArray();
      values[i] = c.evidence().values().stream().mapToDouble(v -> v).toArray();
      right[i] = labels.contains(label(c.meaning()));
      any |= right[i];
    }
    if (!any) {
      // A concept that nothing points to can only stand under its own heading.
      for (int i = 0; i < n; i++) {
        right[i] = candidates.get(i).meaning().role() == Meaning.Role.EXTRA;
      }
    }
    return new Choice(at, values, right, weight);
  }

  private static String label(Meaning meaning) {
    return switch (meaning.role()) {
      case EXTRA -> "own";
      case KEEP -> "private";
      default -> meaning.code();
    };
  }

  /** Weights learned from all sheets. */
  public Map<String, Double> all() {
    Map<String, Double> named = new java.util.LinkedHashMap<>();
    fit(-1).of().forEach((e, w) -> named.put(e.name(), Math.round(w * 1000) / 1000.0));
    return named;
  }

  /** A reader of the sheet of this number that has learned from all others. */
  ReadingProposer without(int sheet, Knowledge knowledge) {
    return new ReadingProposer(knowledge, fit(sheet), Nearness.SHIPPED, remembered(sheet).memory());
  }

  /**
   * Figures of sheets, each read by what was learned from the others.
   *
   * @param titled with the names of their files, which say what the things are
   * @param untitled as if all files were called "sheet"
   */
  public record Crossed(ReadingMeasure titled, ReadingMeasure untitled) {}

  /** Measures the sheets, each read by what was learned from the others. */
  public static Crossed crossed(List<Labelled> labelled, Knowledge knowledge) {
    EvidenceFit fit = new EvidenceFit(labelled, knowledge);
    Crossed measures = new Crossed(new ReadingMeasure(knowledge), new ReadingMeasure(knowledge));
    for (int i = 0; i < labelled.size(); i++) {
      ReadingProposer proposer = fit.without(i, knowledge);
      measures.titled.add(labelled.get(i), l -> l.proposedBy(proposer, l.title()));
      measures.untitled.add(labelled.get(i), l -> l.proposedBy(proposer, ""));
    }
    return measures;
  }

  private EvidenceWeights fit(int without) {
    if (fromAll == null && without >= 0) {
      fromAll = climb(-1, new double[Evidence.values().length], ROUNDS);
    }
    double[] w =
        without < 0
            ? climb(-1, new double[Evidence.values().length], ROUNDS)
            : climb(without, fromAll.clone(), ROUNDS / 4);
    Map<Evidence, Double> of = new EnumMap<>(Evidence.class);
    for (Evidence e : Evidence.values()) {
      of.put(e, w[e.ordinal()]);
    }
    return new EvidenceWeights(of);
  }

  /** Climbs from some weights to those under which the labels are likeliest. */
  private double[] climb(int without, double[] w, int rounds) {
    int n = w.length;
    double[] mean = new double[n];
    double[] square = new double[n];
    for (int round = 1; round <= rounds; round++) {
      double[] gradient = new double[n];
      for (int i = 0; i < n; i++) {
        gradient[i] = -w[i] / PRIOR;
      }
      byName.forEach(c -> add(gradient, c, w));
      for (int s = 0; s < sheets.size(); s++) {
        if (s != without) {
          sheets.get(s).forEach(c -> add(gradient, c, w));
        }
      }
      for (int i = 0; i < n; i++) {
        mean[i] = 0.9 * mean[i] + 0.1 * gradient[i];
        square[i] = 0.999 * square[i] + 0.001 * gradient[i] * gradient[i];
        double m = mean[i] / (1 - Math.pow(0.9, round));
        double v = square[i] / (1 - Math.pow(0.999, round));
        w[i] += STEP * m / (Math.sqrt(v) + 1e-8);
        if (!Evidence.values()[i].reason().isEmpty()) {
          // What is told as a reason for a meaning can't speak against it.
          w[i] = Math.max(0, w[i]);
        }
      }
    }
    return w;
  }

  /** Adds the gradient of the logarithm of how likely the right meanings are. */
  private static void add(double[] gradient, Choice choice, double[] w) {
    int n = choice.at.length;
    double[] p = new double[n];
    double most = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < choice.at[i].length; k++) {
        p[i] += w[choice.at[i][k]] * choice.values[i][k];
      }
      most = Math.max(most, p[i]);
    }
    double all = 0;
    double right = 0;
    for (int i = 0; i < n; i++) {
      p[i] = Math.exp(p[i] - most);
      all += p[i];
      right += choice.right[i] ? p[i] : 0;
    }
    for (int i = 0; i < n; i++) {
      double by = choice.weight * ((choice.right[i] ? p[i] / right : 0) - p[i] / all);
      for (int k = 0; k < choice.at[i].length; k++) {
        gradient[choice.at[i][k]] += by * choice.values[i][k];
      }
    }
  }
}
