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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.check.Audit;
import rhetor.core.check.Checker;
import rhetor.core.compose.Brief;
import rhetor.core.compose.Composer;
import rhetor.core.compose.Draft;
import rhetor.core.compose.Field;
import rhetor.core.compose.Sentence;
import rhetor.core.compose.Support;
import rhetor.core.fact.Fact;
import rhetor.core.fact.FactReader;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Reading;
import rhetor.core.fact.Source;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;
import tools.jackson.databind.json.JsonMapper;

/** Writes the texts for all rows of a sheet into a copy of it, without server or database. */
public final class SheetJob {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final Knowledge knowledge;
  private final long seed;

  /** A job whose texts depend on the sheet and {@code seed} only. */
  public SheetJob(Knowledge knowledge, long seed) {
    this.knowledge = knowledge;
    this.seed = seed;
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
          SheetWriter writer = new SheetWriter(out, sheet.layout());
          BufferedWriter lines =
              halfReport == null
                  ? null
                  : Files.newBufferedWriter(halfReport, StandardCharsets.UTF_8)) {
        summary = rows(sheet, new FactReader(name, reading, knowledge), writer, lines);
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

  private Summary rows(Sheet sheet, FactReader reader, SheetWriter writer, BufferedWriter report)
      throws IOException {
    Composer composer = new Composer(knowledge, seed);
    Checker checker = new Checker(knowledge);
    Map<String, Integer> rowOf = new HashMap<>();
    List<SheetProblem> problems = new ArrayList<>();
    int rows = 0;
    int written = 0;
    int toFix = 0;
    int rejected = 0;
    int duplicates = 0;
    int blank = 0;
    try (Sheet.Rows all = sheet.all()) {
      writer.write(all.next(), TextColumns.HEADINGS);
      while (all.hasNext()) {
        SheetRow row = all.next();
        rows++;
        if (row.isBlank()) {
          blank++;
          writer.write(row, TextColumns.none(""));
          continue;
        }
        List<SheetProblem> unusable = sheet.problems(row);
        SheetProblem problem = unusable.isEmpty() ? null : unusable.getFirst();
        ProductFacts product = null;
        if (problem == null) {
          switch (reader.read(row)) {
            case FactReader.Outcome.Rejected r -> problem = r.problem();
            case FactReader.Outcome.Read r -> product = r.product();
          }
        }
        if (product == null) {
          rejected++;
          problems.add(problem);
          writer.write(row, TextColumns.none(problem.toString()));
          continue;
        }
        Integer before = rowOf.putIfAbsent(product.sku(), row.number());
        if (before != null) {
          duplicates++;
          SheetProblem duplicate = duplicate(row, product.sku(), before);
          problems.add(duplicate);
          writer.write(row, TextColumns.none(duplicate.toString()));
          continue;
        }
        Draft draft = composer.compose(Brief.of(product));
        Audit audit = checker.check(draft, product, product.keyword());
        writer.write(row, TextColumns.of(draft, audit));
        written++;
        toFix += audit.mustFix().isEmpty() ? 0 : 1;
        if (report != null) {
          report.write(JSON.writeValueAsString(entry(row, product, draft, audit)));
          report.newLine();
        }
      }
    }
    return new Summary(rows, written, toFix, rejected, duplicates, blank, problems);
  }

  private static SheetProblem duplicate(SheetRow row, String sku, int before) {
    return new SheetProblem(
        "duplicate-sku",
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
