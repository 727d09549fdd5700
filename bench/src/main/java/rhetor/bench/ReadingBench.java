package rhetor.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Nearness;
import rhetor.core.reading.EvidenceFit;
import rhetor.core.reading.LabelledSheets;
import rhetor.core.reading.LabelledSheets.Labelled;
import rhetor.core.reading.ReadingMeasure;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.reading.VectorsToKeep;
import rhetor.core.sheet.SheetRow;

/**
 * How right sheets of many trades are read, each by what was learned from the others; sheets that
 * nothing was learned from, counted apart; and how long 300 columns take cold.
 */
final class ReadingBench {
  private static final int COLUMNS = 300;
  private static final Path RESOURCES = home().resolve("core/src/test/resources");

  private ReadingBench() {}

  private static Path home() {
    return Path.of(System.getProperty("rhetor.home", "."));
  }

  static void run() throws IOException {
    Knowledge knowledge = Knowledge.standard();
    long start = System.nanoTime();
    ReadingProposer proposer = new ReadingProposer(knowledge);
    proposer.warmUp();
    print("making ready to read, as at the application's start", start);
    for (String which : List.of("the first sheet", "the second")) {
      start = System.nanoTime();
      proposer.propose(headings(), rows());
      print("reading %d columns, %s".formatted(COLUMNS, which), start);
    }
    EvidenceFit.Crossed crossed = EvidenceFit.crossed(sheets("labelled"), knowledge);
    print("learned from the others", crossed.titled());
    print("learned from the others, by files without a name", crossed.untitled());
    for (String apart :
        List.of(
            "kept-back",
            "kept-back-2",
            "kept-back-3",
            "kept-back-4",
            "kept-back-5",
            "kept-back-6",
            "kept-back-7",
            "kept-back-8",
            "kept-back-9",
            "kept-back-10",
            "kept-back-11",
            "kept-back-12",
            "kept-back-14",
            "unprepared")) {
      ReadingMeasure measure = new ReadingMeasure(knowledge);
      for (Labelled sheet : sheets(apart)) {
        measure.add(sheet, l -> l.proposedBy(proposer, l.title()));
      }
      print("never learned from, " + apart, measure);
    }
  }

  /**
   * Learns the weights and what headings mean anew from all labelled sheets, and writes both where
   * they are shipped from.
   */
  static void fit() throws IOException {
    EvidenceFit fit = new EvidenceFit(sheets("labelled"), Knowledge.standard());
    StringBuilder weights =
        new StringBuilder(
            "# What each kind of evidence is worth, in log odds; fitted by ./rhetor bench reading-fit.\n");
    fit.all()
        .forEach(
            (evidence, weight) ->
                weights.append(evidence).append(": ").append(weight).append('\n'));
    write("evidence.yaml", weights);
    StringBuilder headings =
        new StringBuilder(
            "# What columns under a heading were on the labelled sheets, and on how many; counted by ./rhetor bench reading-fit.\n");
    fit.headings()
        .forEach(
            (heading, of) ->
                headings
                    .append('"')
                    .append(heading.replace("\\", "\\\\").replace("\"", "\\\""))
                    .append("\": ")
                    .append(of.toString().replace("=", ": "))
                    .append('\n'));
    write("headings.yaml", headings);
  }

  /** Computes the vectors anew that ship, after glosses or things have changed. */
  static void vectors() throws IOException {
    Path file = home().resolve("core/src/main/resources/knowledge/vectors.bin");
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      Nearness.SHIPPED.keep(VectorsToKeep.of(Knowledge.standard()), out);
    }
    System.out.println("Written: " + file + ".");
  }

  private static void write(String name, CharSequence yaml) throws IOException {
    Path file = home().resolve("core/src/main/resources/knowledge").resolve(name);
    Files.writeString(file, yaml);
    System.out.println("Written: " + file + ".");
  }

  private static void print(String what, long start) {
    System.out.printf(Locale.ROOT, "%s: %.2f s%n", what, (System.nanoTime() - start) / 1e9);
  }

  private static List<Labelled> sheets(String folder) throws IOException {
    return LabelledSheets.in(RESOURCES.resolve(folder));
  }

  private static void print(String how, ReadingMeasure measure) {
    measure.lines().forEach(l -> System.out.println("reading, " + how + ": " + l));
    measure.differences().forEach(l -> System.out.println("  " + l));
  }

  private static List<String> headings() {
    List<String> all = new ArrayList<>(List.of("Code", "Name"));
    for (int i = all.size(); i < COLUMNS; i++) {
      all.add("Property " + i + " of it");
    }
    return all;
  }

  private static List<SheetRow> rows() {
    List<SheetRow> rows = new ArrayList<>();
    for (int r = 0; r < 200; r++) {
      List<String> cells = new ArrayList<>(List.of("C-" + r, "Thing " + r));
      for (int i = cells.size(); i < COLUMNS; i++) {
        cells.add(r * i + " mm");
      }
      rows.add(new SheetRow(r + 2, cells, new BitSet()));
    }
    return rows;
  }
}
