package rhetor.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import rhetor.core.check.VerdictMeasure;
import rhetor.core.check.Verdicts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Judge;
import rhetor.core.support.JudgeFit;
import rhetor.core.support.JudgeMeasure;
import rhetor.core.support.JudgedTexts;
import rhetor.core.support.JudgedTexts.Judged;

/**
 * How right the judge of texts is on labelled sentences: those that its weights are fitted on and
 * those of other trades, with the sentence model and without; and how long a text takes, beside
 * cutting it into words.
 */
final class JudgeBench {
  /** The plain scan is too quick to be timed once. */
  private static final int SCANS = 50;

  private static final Path HOME = Path.of(System.getProperty("rhetor.home", "."));

  private static final Path RESOURCES = HOME.resolve("core/src/test/resources");

  private JudgeBench() {}

  private static List<Judged> judged(Knowledge knowledge) throws IOException {
    return JudgedTexts.in(RESOURCES.resolve("judged"), RESOURCES, knowledge);
  }

  static void run() throws IOException {
    Knowledge knowledge = Knowledge.standard();
    List<Judged> all = judged(knowledge);
    for (boolean isFitted : List.of(true, false)) {
      for (Nearness nearness : List.of(Nearness.NONE, Nearness.SHIPPED)) {
        String how =
            "judge, %s, %s: "
                .formatted(
                    isFitted ? "fitted on" : "other trades",
                    nearness == Nearness.NONE ? "without model" : "with model");
        JudgeMeasure measure =
            new JudgeMeasure(JudgedTexts.half(all, isFitted), knowledge, nearness);
        measure.lines().forEach(l -> System.out.println(how + l));
        if (!isFitted && nearness != Nearness.NONE) {
          measure.differences().forEach(d -> System.out.println("  " + d));
        }
      }
    }
    for (String apart :
        List.of(
            "judged-kept-back",
            "judged-kept-back-2",
            "judged-kept-back-3",
            "judged-kept-back-4",
            "judged-kept-back-5",
            "judged-kept-back-6",
            "judged-kept-back-7",
            "judged-kept-back-8",
            "judged-kept-back-9",
            "judged-kept-back-10",
            "judged-pasted")) {
      JudgeMeasure unseen =
          new JudgeMeasure(
              JudgedTexts.in(RESOURCES.resolve(apart), RESOURCES, knowledge),
              knowledge,
              Nearness.SHIPPED);
      unseen.lines().forEach(l -> System.out.println("judge, " + apart + ", with model: " + l));
      unseen.differences().forEach(d -> System.out.println("  " + d));
    }
    VerdictMeasure verdicts =
        new VerdictMeasure(
            Verdicts.in(RESOURCES.resolve("verdicts"), RESOURCES.resolve("unprepared"), knowledge),
            knowledge);
    verdicts.lines().forEach(l -> System.out.println("verdicts: " + l));
    verdicts.differences().forEach(d -> System.out.println("  " + d));
    time(all, knowledge);
  }

  /** A text is all true sentences of a product. */
  private static void time(List<Judged> all, Knowledge knowledge) throws IOException {
    var texts = all.stream().filter(Judged::isTrue).collect(Collectors.groupingBy(Judged::product));
    double judge =
        Bench.millis(
            10,
            11,
            () ->
                texts.forEach(
                    (product, sentences) -> {
                      Judge of = new Judge(product, knowledge);
                      sentences.forEach(s -> of.judge(s.text()));
                    }));
    // A plain scan looks each word up, as often as one can tell its time from none.
    Set<String> materials = knowledge.termsByName("material").keySet();
    int[] found = new int[1];
    double words =
        Bench.millis(
                10,
                11,
                () -> {
                  for (int i = 0; i < SCANS; i++) {
                    texts
                        .values()
                        .forEach(
                            sentences ->
                                sentences.forEach(
                                    s -> found[0] += countAmong(Words.of(s.text()), materials)));
                  }
                })
            / SCANS;
    System.out.printf(
        Locale.ROOT,
        "judge ms-a-text=%.3f words-alone=%.4f ratio=%.1f (%d words found)%n",
        judge / texts.size(),
        words / texts.size(),
        judge / words,
        found[0]);
  }

  private static int countAmong(List<Word> words, Set<String> wanted) {
    int found = 0;
    for (Word word : words) {
      found += wanted.contains(word.text()) ? 1 : 0;
    }
    return found;
  }

  /** Fits the weights anew, on every second trade, and writes them where they are shipped from. */
  static void fit() throws IOException {
    Knowledge knowledge = Knowledge.standard();
    StringBuilder yaml =
        new StringBuilder(
            "# How much speaks for a sentence's being untrue, in log odds; fitted by ./rhetor bench judge-fit.\n");
    JudgeFit.of(JudgedTexts.half(judged(knowledge), true), knowledge)
        .forEach((f, w) -> yaml.append(f).append(": ").append(w).append('\n'));
    Path file = HOME.resolve("core/src/main/resources/judge/weights.yaml");
    Files.writeString(file, yaml);
    System.out.println("Written: " + file + ".");
  }
}
