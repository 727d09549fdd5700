package rhetor.bench;

import com.github.jknack.handlebars.Handlebars;
import com.github.jknack.handlebars.Template;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.exchange.SheetJob;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.Reading;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;
import rhetor.standins.harrowmere.SheetGenerator;

/**
 * Writing a sheet, against parsing it with FastCSV and filling a template of the same length per
 * row.
 */
final class WriteBench {
  private static final int SMALL = 5_000;
  private static final int LARGE = 50_000;

  /** Both sides are compiled by then: fewer would measure the compiler. */
  private static final int WARM_UPS = 7;

  private static final String TEMPLATE =
      """
      {{Brand}} {{Name}} - {{Keyword}}, {{Capacity}}, {{Colour}}
      The {{Name}} by {{Brand}} is a {{Category}} made of {{Material}} that holds {{Capacity}}. It weighs {{Weight}} and measures {{Dimensions}}, so it is good for {{Use}}.
      <p>The {{Name}} by {{Brand}} is a {{Category}} made of {{Material}} that holds {{Capacity}}. It weighs {{Weight}} and measures {{Dimensions}}, and closes with a {{Closure}}.</p><p>The {{Category}} attaches with {{Mounting}} and is rated {{[IP rating]}}. It has {{Pockets}} pockets and comes in {{Colour}}.</p><p>It has a warranty of {{Warranty}}.</p><h3>Specification</h3><ul><li>Brand: {{Brand}}</li><li>Material: {{Material}}</li><li>Capacity: {{Capacity}}</li><li>Weight: {{Weight}}</li><li>Dimensions: {{Dimensions}}</li><li>Closure: {{Closure}}</li><li>Mounting: {{Mounting}}</li><li>Protection: {{[IP rating]}}</li><li>Colour: {{Colour}}</li><li>Reflective: {{Reflective}}</li><li>Pockets: {{Pockets}}</li><li>Use: {{Use}}</li><li>Warranty: {{Warranty}}</li></ul>
      {{Name}} - {{Keyword}} | {{Brand}}
      {{Name}} by {{Brand}}: a {{Category}} in {{Colour}} made of {{Material}} for {{Use}}. It weighs {{Weight}}.
      {{Category}}, {{Brand}}, {{Material}}, {{Colour}}, {{Use}}, {{[IP rating]}}
      {{Brand}} {{Name}} in {{Colour}}
      """;

  private WriteBench() {}

  static void run(Path folder) throws IOException {
    Path small = folder.resolve("small.csv");
    Path large = folder.resolve("large.csv");
    new SheetGenerator(1).write(SMALL, small);
    new SheetGenerator(1).write(LARGE, large);
    Path out = folder.resolve("out.csv");
    double ours = Bench.millis(WARM_UPS, 3, () -> write(small, out));
    long length = Files.size(out) - Files.size(small);
    double plain = Bench.millis(WARM_UPS, 3, () -> fill(small, out));
    long plainLength = Files.size(out);
    Bench.print("write-" + SMALL, "ms", ours, plain);
    Bench.print("write-" + SMALL, "new-bytes", length, plainLength);
    double all = Bench.millis(0, 1, () -> write(large, out));
    Bench.print("write-" + LARGE, "ms", all, ours);
    Bench.print(
        "write-" + LARGE,
        "peak-heap-mb",
        Bench.peakHeap(() -> write(large, out)),
        Bench.peakHeap(() -> fill(large, out)));
    System.out.printf("write rows-per-second=%.0f%n", LARGE / all * 1000);
  }

  private static void write(Path in, Path out) throws IOException {
    Sheet sheet = Sheet.open(in);
    List<SheetRow> sample = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      while (rows.hasNext() && sample.size() < 300) {
        sample.add(rows.next());
      }
    }
    Reading reading =
        new ReadingProposer(Knowledge.standard()).propose(sheet.layout().headings(), sample);
    SheetJob.Summary summary =
        new SheetJob(Knowledge.standard(), 1)
            .run(sheet, "bench.csv", reading, out, Optional.empty());
    if (!summary.isComplete() || summary.written() != summary.rows()) {
      throw new IllegalStateException(summary.toString());
    }
  }

  private static void fill(Path in, Path out) throws IOException {
    Template template = new Handlebars().compileInline(TEMPLATE);
    try (CsvReader<NamedCsvRecord> rows = CsvReader.builder().ofNamedCsvRecord(in);
        BufferedWriter writer = Files.newBufferedWriter(out)) {
      for (NamedCsvRecord row : rows) {
        Map<String, String> fields = row.getFieldsAsMap();
        writer.write(template.apply(fields));
      }
    }
  }
}
