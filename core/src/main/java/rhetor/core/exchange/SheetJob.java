package rhetor.core.exchange;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Namesakes;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Source;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.Meaning.Role;
import rhetor.core.reading.Reading;
import rhetor.core.sheet.Ahead;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.template.Template;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;
import tools.jackson.databind.json.JsonMapper;

/** Writes the texts for all rows of a sheet into a copy of it, without server or database. */
public final class SheetJob {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private static final String DUPLICATE = "duplicate-sku";
  private static final int QUEUE = 256;

  /**
   * Products of one name that are looked at, and of all names together: they are held in memory.
   */
  private static final int MOST_NAMESAKES = 12;

  private static final int MOST_KEPT = 5_000;

  private final Knowledge knowledge;
  private final Checker checker;
  private final long seed;
  private final Style style;
  private final Template template;
  private final Voice voice;

  /** A job whose texts depend on the sheet and {@code seed} only. */
  public SheetJob(Knowledge knowledge, long seed) {
    this(knowledge, seed, Style.standard(), Template.NONE, Voices.plain());
  }

  /**
   * A job for a house that has decided something.
   *
   * @param template what texts are built after; its style comes on top of the house's
   * @param voice how texts sound, before the style bends it
   */
  public SheetJob(Knowledge knowledge, long seed, Style house, Template template, Voice voice) {
    this.knowledge = knowledge;
    this.seed = seed;
    this.style = template.style().over(house);
    this.template = template;
    this.voice = voice;
    this.checker = new Checker(knowledge, style);
  }

  private Brief brief(ProductFacts product, Map<String, List<ProductFacts>> namesakes) {
    List<ProductFacts> others =
        namesakes.getOrDefault(product.name(), List.of()).stream()
            .filter(o -> !o.sku().equals(product.sku()))
            .toList();
    return Brief.of(product)
        .under(style)
        .after(template)
        .in(voice)
        .apartBy(Namesakes.apart(product, others));
  }

  /** The products of each name that several rows have, a dozen of each at most. */
  private static Map<String, List<ProductFacts>> namesakes(
      Sheet sheet, Reading reading, FactReader reader) {
    int column = reading.column(Role.NAME);
    if (column < 0) {
      return Map.of();
    }
    Set<String> once = new HashSet<>();
    Set<String> again = new HashSet<>();
    try (Sheet.Rows all = sheet.rows()) {
      while (all.hasNext()) {
        String name = all.next().cell(column).strip();
        if (!name.isEmpty() && !once.add(name)) {
          again.add(name);
        }
      }
    }
    Map<String, List<ProductFacts>> namesakes = new HashMap<>();
    int kept = 0;
    try (Sheet.Rows all = sheet.rows()) {
      while (!again.isEmpty() && kept < MOST_KEPT && all.hasNext()) {
        SheetRow row = all.next();
        if (again.contains(row.cell(column).strip())
            && sheet.problems(row).isEmpty()
            && reader.read(row) instanceof FactReader.Outcome.Read(ProductFacts product)) {
          List<ProductFacts> same =
              namesakes.computeIfAbsent(product.name(), n -> new ArrayList<>());
          if (same.size() < MOST_NAMESAKES) {
            same.add(product);
            kept++;
          }
        }
      }
    }
    return namesakes;
  }

  /**
   * How the rows of a sheet fared; written, rejected, duplicate and blank ones add up to all.
   *
   * @param toFix written rows that have a must-fix mark
   */
  public record Summary(
      int rows,
      int written,
      int toFix,
      int rejected,
      int duplicates,
      int blank,
      List<SheetProblem> problems) {
    /** Whether every row of the sheet is one of these. */
    public boolean isComplete() {
      return written + rejected + duplicates + blank == rows;
    }
  }

  /**
   * Reads {@code sheet} by {@code reading} and writes it to {@code target} with the new columns.
   * The target appears whole or not at all.
   *
   * @param report where each text's sentences and their support go, as JSON Lines; optional
   */
  public Summary run(Sheet sheet, String name, Reading reading, Path target, Optional<Path> report)
      throws IOException {
    Path half = sibling(target);
    Path halfReport = report.map(SheetJob::sibling).orElse(null);
    try {
      Summary summary;
      try (OutputStream out = Files.newOutputStream(half);
          SheetWriter writer = SheetWriters.open(out, sheet.layout());
          BufferedWriter lines =
              halfReport == null
                  ? null
                  : Files.newBufferedWriter(halfReport, StandardCharsets.UTF_8)) {
        FactReader reader = new FactReader(name, reading, knowledge);
        summary = rows(sheet, reader, namesakes(sheet, reading, reader), writer, lines);
      }
      Files.move(half, target, StandardCopyOption.REPLACE_EXISTING);
      if (halfReport != null) {
        Files.move(halfReport, report.get(), StandardCopyOption.REPLACE_EXISTING);
      }
      return summary;
    } finally {
      Files.deleteIfExists(half);
      if (halfReport != null) {
        Files.deleteIfExists(halfReport);
      }
    }
  }

  private static Path sibling(Path target) {
    return target.resolveSibling(target.getFileName() + ".part");
  }

  /** What became of one row: its texts, or why it has none; neither for a blank row. */
  private record Composed(SheetRow row, ProductFacts product, Draft draft, SheetProblem problem) {}

  /** Reads and composes on a thread of its own while this one checks and writes. */
  private Summary rows(
      Sheet sheet,
      FactReader reader,
      Map<String, List<ProductFacts>> namesakes,
      SheetWriter writer,
      BufferedWriter report)
      throws IOException {
    Tally tally = new Tally();
    writer.head(sheet, TextColumns.HEADINGS);
    try (Sheet.Rows all = sheet.rows();
        Ahead<Composed> ahead = new Ahead<>(QUEUE)) {
      ahead.start(sink -> compose(sheet, all, reader, namesakes, sink));
      for (Composed next = ahead.next(); next != null; next = ahead.next()) {
        write(next, writer, report, tally);
      }
    }
    return tally.summary();
  }

  private void compose(
      Sheet sheet,
      Sheet.Rows all,
      FactReader reader,
      Map<String, List<ProductFacts>> namesakes,
      Ahead.Sink<Composed> sink)
      throws InterruptedException {
    Composer composer = new Composer(knowledge, seed);
    Map<String, Integer> rowOf = new HashMap<>();
    while (all.hasNext()) {
      SheetRow row = all.next();
      if (row.isBlank()) {
        sink.put(new Composed(row, null, null, null));
        continue;
      }
      List<SheetProblem> unusable = sheet.problems(row);
      FactReader.Outcome outcome =
          unusable.isEmpty()
              ? reader.read(row)
              : new FactReader.Outcome.Rejected(unusable.getFirst());
      sink.put(
          switch (outcome) {
            case FactReader.Outcome.Rejected(SheetProblem problem) ->
                new Composed(row, null, null, problem);
            case FactReader.Outcome.Read(ProductFacts product) -> {
              Integer before = rowOf.putIfAbsent(product.sku(), row.number());
              yield before == null
                  ? new Composed(row, product, composer.compose(brief(product, namesakes)), null)
                  : new Composed(row, null, null, duplicate(row, product.sku(), before));
            }
          });
    }
  }

  private void write(Composed next, SheetWriter writer, BufferedWriter report, Tally tally)
      throws IOException {
    tally.rows++;
    if (next.problem != null) {
      tally.count(next.problem);
      writer.write(next.row, TextColumns.none(next.problem.toString()));
    } else if (next.draft == null) {
      tally.blank++;
      writer.write(next.row, TextColumns.none(""));
    } else {
      Audit audit = checker.check(next.draft, next.product, next.product.keyword());
      writer.write(next.row, TextColumns.of(next.draft, audit, style.structure().headingLevel()));
      tally.written++;
      tally.toFix += audit.mustFix().isEmpty() ? 0 : 1;
      if (report != null) {
        report.write(JSON.writeValueAsString(entry(next.row, next.product, next.draft, audit)));
        report.newLine();
      }
    }
  }

  private static final class Tally {
    private final List<SheetProblem> problems = new ArrayList<>();
    private int rows;
    private int written;
    private int toFix;
    private int duplicates;
    private int blank;

    void count(SheetProblem problem) {
      problems.add(problem);
      duplicates += problem.code().equals(DUPLICATE) ? 1 : 0;
    }

    Summary summary() {
      return new Summary(
          rows, written, toFix, problems.size() - duplicates, duplicates, blank, problems);
    }
  }

  private static SheetProblem duplicate(SheetRow row, String sku, int before) {
    return new SheetProblem(
        DUPLICATE,
        row.number(),
        "",
        "The SKU \"" + sku + "\" stands in row " + before + " already; that row's text counts.",
        "Give this row an SKU of its own, or remove it.");
  }

  private Map<String, Object> entry(SheetRow row, ProductFacts product, Draft draft, Audit audit) {
    Map<String, Object> entry = new LinkedHashMap<>();
    entry.put("row", row.number());
    entry.put("sku", product.sku());
    entry.put("class", product.productClass());
    Map<String, Object> texts = new LinkedHashMap<>();
    for (Field field : Field.values()) {
      texts.put(
          field.code(), draft.sentences(field).stream().map(s -> sentence(s, product)).toList());
    }
    entry.put("texts", texts);
    entry.put("readiness", audit.readiness());
    entry.put("marks", audit.marks());
    entry.put("contradictions", product.contradictions());
    return entry;
  }

  private Map<String, Object> sentence(Sentence sentence, ProductFacts product) {
    List<Map<String, Object>> support =
        sentence.support().stream().map(s -> support(s, product)).toList();
    return Map.of("text", sentence.text(), "support", support);
  }

  private Map<String, Object> support(Support support, ProductFacts product) {
    Map<String, Object> entry = new LinkedHashMap<>();
    entry.put("kind", support.kind());
    entry.put("id", support.id());
    switch (support.kind()) {
      case FACT -> {
        Fact fact =
            product.facts().stream()
                .filter(f -> f.id().equals(support.id()))
                .findFirst()
                .orElseThrow();
        Source source = fact.source();
        entry.put("row", source.row());
        entry.put("column", source.column());
        entry.put("raw", source.raw());
      }
      case CLAIM ->
          entry.put(
              "text",
              knowledge.claims().stream()
                  .filter(c -> c.id().equals(support.id()))
                  .findFirst()
                  .orElseThrow()
                  .text());
      case KEYWORD -> {}
    }
    return entry;
  }
}
