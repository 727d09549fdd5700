package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.reading.LabelledSheets.Labelled;
import rhetor.core.sheet.SheetRow;

/** Counts how readings of labelled sheets differ from what a person says. */
public final class ReadingMeasure {
  private static final Set<String> NO_FACT =
      Set.of("sku", "name", "prose", "keyword", "picture", "private");
  private static final int BINS = 10;
  private static final int DRAWS = 1000;

  private final Knowledge knowledge;

  private int columns;
  private int readWithoutAsking;
  private int asked;
  private int toFind;
  private int found;
  private int offered;
  private int rolesRight;
  private int sheets;
  private int namesRight;
  private int products;
  private int kindsRight;
  private final List<String> wrong = new ArrayList<>();
  private final List<String> missed = new ArrayList<>();
  private final List<String> roles = new ArrayList<>();
  private final List<String> told = new ArrayList<>();
  private final List<String> names = new ArrayList<>();
  private final List<String> kinds = new ArrayList<>();
  private final List<Double> confidences = new ArrayList<>();
  private final List<Boolean> rights = new ArrayList<>();

  public ReadingMeasure(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** Reads a sheet and counts. */
  public void add(Labelled sheet, Function<Labelled, Reading> read) {
    Reading reading = read.apply(sheet);
    sheets++;
    boolean named = true;
    for (ColumnReading column : reading.columns()) {
      Set<String> labels = sheet.labels().of(column.heading());
      String label = LabelledSheets.label(column);
      String where =
          "%s: %s (%s) read as %s %.2f"
              .formatted(
                  sheet, column.heading(), String.join("|", labels), label, column.confidence());
      columns++;
      boolean isConcept = column.meaning().role() == Meaning.Role.CONCEPT;
      asked += column.asks() ? 1 : 0;
      if (isConcept && !column.asks()) {
        readWithoutAsking++;
        if (!labels.contains(label)) {
          wrong.add(where);
        }
      }
      if (labels.stream().noneMatch(l -> l.equals("own") || NO_FACT.contains(l))) {
        toFind++;
        if (labels.contains(label)) {
          found++;
        } else {
          boolean offers = column.choices().stream().anyMatch(m -> labels.contains(m.concept()));
          offered += offers ? 1 : 0;
          missed.add(where + (offers ? ", offered" : ""));
        }
      }
      Set<String> of = labels.stream().map(ReadingMeasure::role).collect(Collectors.toSet());
      if (of.contains(role(label))) {
        rolesRight++;
      } else {
        roles.add(where);
      }
      if (labels.equals(Set.of("private")) && !label.equals("private")) {
        told.add(where);
      }
      if (labels.contains("name") != label.equals("name") && labels.size() == 1
          || labels.contains("sku") != label.equals("sku") && labels.size() == 1) {
        named = false;
        names.add(where);
      }
      confidences.add(column.confidence());
      rights.add(labels.contains(label));
    }
    namesRight += named ? 1 : 0;
    if (reading.obstacle().isEmpty()) {
      kinds(sheet, reading);
    }
  }

  private static String role(String label) {
    return NO_FACT.contains(label) ? label : "attribute";
  }

  private void kinds(Labelled sheet, Reading reading) {
    FactReader reader = new FactReader(sheet.labels().sheet(), reading, knowledge);
    Set<String> said = new HashSet<>();
    for (SheetRow row : sheet.rows()) {
      if (reader.read(row) instanceof FactReader.Outcome.Read(ProductFacts product)) {
        products++;
        String noun = product.kindNoun().toLowerCase(Locale.ROOT);
        if (noun.isEmpty()) {
          continue;
        }
        if (isSame(noun, sheet.labels().kind())) {
          kindsRight++;
        } else if (said.add(noun)) {
          kinds.add(sheet + ": " + product.name() + " is called a " + noun);
        }
      }
    }
  }

  /** Whether a noun calls a thing what it is: the label's head, or what that is a kind of. */
  private static boolean isSame(String noun, String kinds) {
    String one = English.isPlural(noun) ? English.singular(noun) : noun;
    for (String each : kinds.split("\\|")) {
      String kind = English.isPlural(each) ? English.singular(each) : each;
      boolean isKind = Lexicon.shipped().isKindOf(English.lastWord(kind), one);
      if (one.equals(kind) || one.endsWith(" " + kind) || kind.endsWith(" " + one) || isKind) {
        return true;
      }
    }
    return false;
  }

  /** Expected calibration error over ten bins (Naeini, Cooper and Hauskrecht 2015). */
  public double calibrationError() {
    return calibrationError(rights);
  }

  /**
   * How far shares of right readings are from what was said of them, without what chance adds on so
   * few columns: the debiased estimator of Kumar, Liang and Ma, "Verified Uncertainty Calibration"
   * (2019), section 4.1; root of a mean square, 0 if chance explains it all.
   */
  public double debiasedCalibrationError() {
    int[] count = new int[BINS];
    double[] said = new double[BINS];
    double[] right = new double[BINS];
    for (int i = 0; i < confidences.size(); i++) {
      int bin = Math.min(BINS - 1, (int) (confidences.get(i) * BINS));
      count[bin]++;
      said[bin] += confidences.get(i);
      right[bin] += rights.get(i) ? 1 : 0;
    }
    double squares = 0;
    for (int bin = 0; bin < BINS; bin++) {
      if (count[bin] > 1) {
        double share = right[bin] / count[bin];
        double off = said[bin] / count[bin] - share;
        squares += count[bin] * (off * off - share * (1 - share) / (count[bin] - 1));
      }
    }
    return Math.sqrt(Math.max(0, squares / Math.max(1, confidences.size())));
  }

  private double calibrationError(List<Boolean> outcomes) {
    double[] off = new double[BINS];
    for (int i = 0; i < confidences.size(); i++) {
      int bin = Math.min(BINS - 1, (int) (confidences.get(i) * BINS));
      off[bin] += confidences.get(i) - (outcomes.get(i) ? 1 : 0);
    }
    return DoubleStream.of(off).map(Math::abs).sum() / Math.max(1, confidences.size());
  }

  /**
   * The error that a reader true to its word has on so few columns by chance alone: outcomes are
   * drawn by the confidences themselves (consistency resampling; Bröcker and Smith 2007).
   *
   * @param quantile 0.5 for the middle, 0.95 for what is exceeded one time in twenty
   */
  public double calibrationErrorByChance(double quantile) {
    Random random = new Random(1);
    return IntStream.range(0, DRAWS)
        .mapToDouble(
            d -> calibrationError(confidences.stream().map(c -> random.nextDouble() < c).toList()))
        .sorted()
        .skip((long) (quantile * DRAWS))
        .findFirst()
        .orElse(0);
  }

  /** The share of columns whose role is right. */
  public double rolesRight() {
    return (double) rolesRight / columns;
  }

  /** The figures, a line each. */
  public List<String> lines() {
    return List.of(
        line("wrong", wrong.size(), readWithoutAsking),
        line("found", found, toFind),
        line("offered", offered, toFind),
        line("asked", asked, columns),
        line("roles", rolesRight, columns),
        line("private-told", told.size(), columns),
        line("names", namesRight, sheets),
        line("kinds-wrong", kinds.size(), products),
        line("kinds-found", kindsRight, products),
        "calibration-error %.3f (by chance alone %.3f, one time in twenty over %.3f; without chance %.3f)"
            .formatted(
                calibrationError(),
                calibrationErrorByChance(0.5),
                calibrationErrorByChance(0.95),
                debiasedCalibrationError()));
  }

  private static String line(String what, int some, int all) {
    return "%s %d of %d (%.1f in 100)"
        .formatted(what, some, all, all == 0 ? 0 : 100.0 * some / all);
  }

  /** What differs, a line each, under what it is. */
  public List<String> differences() {
    List<String> all = new ArrayList<>();
    add(all, "WRONG", wrong);
    add(all, "TOLD", told);
    add(all, "NAME", names);
    add(all, "KIND", kinds);
    add(all, "ROLE", roles);
    add(all, "MISSED", missed);
    return all;
  }

  private static void add(List<String> all, String what, List<String> lines) {
    lines.forEach(l -> all.add(what + " " + l));
  }

  public List<String> wrong() {
    return wrong;
  }

  public List<String> told() {
    return told;
  }

  public List<String> wrongKinds() {
    return kinds;
  }

  public List<String> wrongNames() {
    return names;
  }
}
