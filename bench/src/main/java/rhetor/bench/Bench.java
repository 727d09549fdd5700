package rhetor.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Runs the measurements named, or all, and prints {@code name metric=value baseline=value
 * ratio=value}.
 */
public final class Bench {
  private Bench() {}

  /** Runs all measurements, or those that are named. */
  public static void main(String[] args) throws Exception {
    List<String> wanted =
        args.length == 0
            ? List.of(
                "write",
                "text",
                "like",
                "checks",
                "search",
                "audit",
                "intake",
                "formats",
                "pictures",
                "reading",
                "judge",
                "crowd",
                "proof",
                "runs")
            : Arrays.asList(args);
    Path folder = Files.createTempDirectory("rhetor-bench");
    try {
      for (String name : wanted) {
        if (name.matches("texts=\\d+")) {
          TextBench.read(Long.parseLong(name.substring("texts=".length())));
          continue;
        }
        switch (name) {
          case "write" -> WriteBench.run(folder);
          case "runs" -> RunsBench.run(Files.createDirectories(folder.resolve("runs")));
          case "text" -> TextBench.run();
          case "like" -> LikeBench.run();
          case "checks" -> CheckBench.run();
          case "search" -> SearchBench.run(folder);
          case "audit" -> AuditBench.run(Files.createDirectories(folder.resolve("audit")));
          case "intake" -> IntakeBench.run(folder);
          case "formats" ->
              IntakeBench.runFormats(
                  Files.createDirectories(folder.resolve("formats")), List.of("csv", "xlsx"));
          case "formats=csv", "formats=xlsx" ->
              IntakeBench.runFormats(
                  Files.createDirectories(folder.resolve("formats")),
                  List.of(name.substring("formats=".length())));
          case "pictures" -> PicturesBench.run();
          case "reading" -> ReadingBench.run();
          case "judge" -> JudgeBench.run();
          case "judge-fit" -> JudgeBench.fit();
          case "reading-fit" -> ReadingBench.fit();
          case "reading-vectors" -> ReadingBench.vectors();
          case "crowd" -> CrowdBench.run(Files.createDirectories(folder.resolve("crowd")));
          case "proof" -> ProofBench.run(Files.createDirectories(folder.resolve("proof")));
          default -> {
            System.err.println(
                "There is no measurement called "
                    + name
                    + "; there are write, text, texts=SEED (40 of its texts to read), like, checks, search, audit, intake, formats (formats=csv and formats=xlsx for one of them), pictures, reading, reading-fit (learns the weights anew), reading-vectors (computes what ships anew), judge, judge-fit (weighs open words anew), runs, crowd and proof.");
            System.exit(2);
          }
        }
      }
    } finally {
      delete(folder);
    }
  }

  /** Something that takes time. */
  interface Work {
    void run() throws IOException;
  }

  /** The median of several timings in milliseconds, after warming up. */
  static double millis(int warmUps, int timings, Work work) throws IOException {
    for (int i = 0; i < warmUps; i++) {
      work.run();
    }
    double[] times = new double[timings];
    for (int i = 0; i < timings; i++) {
      long start = System.nanoTime();
      work.run();
      times[i] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(times);
    return times[timings / 2];
  }

  /**
   * Times work and its baseline by turns, so that both meet the machine in the same state, and
   * prints the medians.
   *
   * @param times how often the baseline is done in a row, to take about as long as the work
   * @return the work's median in milliseconds
   */
  static double compare(String name, int warmUps, int timings, Work work, int times, Work baseline)
      throws IOException {
    millis(warmUps, 1, work);
    millis(warmUps * times, 1, baseline);
    double[] ours = new double[timings];
    double[] theirs = new double[timings];
    for (int i = 0; i < timings; i++) {
      ours[i] = millis(0, 1, work);
      theirs[i] = millis(0, 1, () -> repeat(times, baseline)) / times;
    }
    Arrays.sort(ours);
    Arrays.sort(theirs);
    print(name, "ms", ours[timings / 2], theirs[timings / 2]);
    return ours[timings / 2];
  }

  private static void repeat(int times, Work work) throws IOException {
    for (int i = 0; i < times; i++) {
      work.run();
    }
  }

  static void print(String name, String metric, double value, double baseline) {
    System.out.printf(
        Locale.ROOT,
        "%s %s=%.1f baseline=%.1f ratio=%.2f%n",
        name,
        metric,
        value,
        baseline,
        value / baseline);
  }

  /** The most heap in use at any time, in megabytes, while work is done. */
  static double peakHeap(Work work) throws IOException {
    System.gc();
    var pools =
        java.lang.management.ManagementFactory.getMemoryPoolMXBeans().stream()
            .filter(p -> p.getType() == java.lang.management.MemoryType.HEAP)
            .toList();
    pools.forEach(java.lang.management.MemoryPoolMXBean::resetPeakUsage);
    work.run();
    return pools.stream().mapToLong(p -> p.getPeakUsage().getUsed()).sum() / 1e6;
  }

  private static void delete(Path folder) throws IOException {
    try (var files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }
}
