package rhetor.bench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.keyword.QueryMatcher;
import rhetor.core.keyword.SearchColumns;
import rhetor.core.keyword.SearchHarvest;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.ValueText;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetLimits;

/** Search data matched to 10,000 products, against reading the same file and no more. */
final class SearchBench {
  private static final int PRODUCTS = 10_000;
  private static final int ROWS = 200_000;
  private static final int MANY_ROWS = 2_000_000;
  private static final SheetLimits LIMITS = new SheetLimits(400_000_000, MANY_ROWS, 50, 4_000);

  private SearchBench() {}

  static void run(Path folder) throws IOException {
    List<ProductFacts> range = MadeUpRange.products();
    measure(folder, range, ROWS);
    // Ten times the rows: memory is to stay where it is.
    measure(folder, range, MANY_ROWS);
  }

  private static void measure(Path folder, List<ProductFacts> range, int rows) throws IOException {
    Path file = folder.resolve("search-" + rows + ".csv");
    write(file, range, rows);
    double[] times = new double[2];
    long[] matched = new long[1];
    double heap =
        Bench.peakHeap(
            () ->
                times[0] =
                    Bench.millis(
                        0,
                        1,
                        () -> {
                          SearchHarvest harvest = new SearchHarvest(matcher(range));
                          Sheet sheet = Sheet.open(file, LIMITS);
                          SearchColumns columns = SearchColumns.of(sheet.layout().headings());
                          try (Sheet.Rows all = sheet.rows()) {
                            while (all.hasNext()) {
                              columns.read(all.next().cells()).row().ifPresent(harvest::add);
                            }
                          }
                          matched[0] = harvest.matched();
                        }));
    times[1] =
        Bench.millis(
            0,
            1,
            () -> {
              try (Sheet.Rows all = Sheet.open(file, LIMITS).rows()) {
                while (all.hasNext()) {
                  all.next();
                }
              }
            });
    Bench.print("search-" + rows, "ms", times[0], times[1]);
    System.out.printf(
        Locale.ROOT,
        "search-%d products=%d matched=%d peak-heap-mb=%.0f%n",
        rows,
        PRODUCTS,
        matched[0],
        heap);
    Files.delete(file);
  }

  private static QueryMatcher matcher(List<ProductFacts> range) {
    QueryMatcher matcher = new QueryMatcher();
    ValueText values = new ValueText(Knowledge.standard());
    for (int i = 0; i < PRODUCTS; i++) {
      ProductFacts product = range.get(i % range.size());
      matcher.add(i, product.name() + " " + i / range.size());
      matcher.add(i, product.kindNoun(), 1);
      for (Fact fact : product.facts()) {
        matcher.add(i, values.spec(fact.value()), 0.8);
      }
    }
    return matcher;
  }

  /** Queries of two to four words, most of them of the range's own. */
  private static void write(Path file, List<ProductFacts> range, int rows) throws IOException {
    Random random = new Random(1);
    ValueText values = new ValueText(Knowledge.standard());
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      out.write("Query,Page,Impressions,Clicks,Position\n");
      for (int i = 0; i < rows; i++) {
        ProductFacts product = range.get(random.nextInt(range.size()));
        List<Fact> facts = product.facts();
        String fact =
            values.spec(facts.get(random.nextInt(facts.size())).value()).replaceAll("[\",\n]", " ");
        String query =
            switch (random.nextInt(4)) {
              case 0 -> fact + " " + product.kindNoun();
              case 1 -> product.name() + " " + random.nextInt(16);
              case 2 -> "best " + product.kindNoun() + " " + random.nextInt(5_000);
              default -> "word" + random.nextInt(50_000) + " " + product.kindNoun();
            };
        out.write(
            query.replace("\"", "")
                + ",,"
                + random.nextInt(90_000)
                + ","
                + random.nextInt(90)
                + ","
                + (1 + random.nextInt(600) / 10.0)
                + "\n");
      }
    }
  }
}
