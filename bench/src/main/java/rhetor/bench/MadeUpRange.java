package rhetor.bench;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.SheetRow;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Products of many trades, made from {@code range.yaml}; the same every time. */
final class MadeUpRange {
  private static final int OF_EACH_KIND = 16;

  private MadeUpRange() {}

  private record Kind(
      String category, String keyword, List<String> names, Map<String, List<String>> facts) {}

  private record File(List<Kind> kinds) {}

  /** The products, kind by kind, read as a supplier's sheet would be. */
  static List<ProductFacts> products() throws IOException {
    List<ProductFacts> products = new ArrayList<>();
    try (InputStream in = MadeUpRange.class.getResourceAsStream("/range.yaml")) {
      for (Kind kind : YAMLMapper.builder().build().readValue(in, File.class).kinds) {
        add(kind, products);
      }
    }
    return products;
  }

  private static void add(Kind kind, List<ProductFacts> products) {
    List<String> headings =
        new ArrayList<>(List.of("SKU", "Name", "Category", "Keyword", "Description"));
    headings.addAll(kind.facts.keySet());
    List<SheetRow> rows = new ArrayList<>();
    for (int i = 0; i < OF_EACH_KIND; i++) {
      List<String> cells = new ArrayList<>();
      String series = i < kind.names.size() ? "" : " " + (i / kind.names.size() + 1);
      cells.add("%s-%03d".formatted(kind.category.substring(0, 2).toUpperCase(Locale.ROOT), i));
      cells.add(kind.names.get(i % kind.names.size()) + series);
      cells.add(kind.category);
      // Filled in below, when the facts are known.
      cells.add("");
      cells.add("");
      String keyword = kind.keyword;
      List<String> told = new ArrayList<>();
      int column = 0;
      for (Map.Entry<String, List<String>> fact : kind.facts.entrySet()) {
        List<String> values = fact.getValue();
        String value = values.get((i * (column % 3 + 1) + i / values.size()) % values.size());
        cells.add(value);
        told.add(fact.getKey() + ": " + value);
        keyword = keyword.replace("{" + fact.getKey() + "}", value);
        column++;
      }
      cells.set(4, prose(cells.get(1), told, i));
      // Every fourth product is to be found by something.
      cells.set(3, i % 4 == 0 ? keyword : "");
      rows.add(new SheetRow(i + 2, cells, new BitSet()));
    }
    FactReader reader =
        new FactReader(
            kind.category,
            new ReadingProposer(Knowledge.standard()).propose(headings, rows),
            Knowledge.standard());
    for (SheetRow row : rows) {
      switch (reader.read(row)) {
        case FactReader.Outcome.Read read -> products.add(read.product());
        case FactReader.Outcome.Rejected rejected ->
            throw new IllegalStateException(rejected.problem().toString());
      }
    }
  }

  /** What suppliers write: the same facts, some of them, in phrases that stand in every shop. */
  private static String prose(String name, List<String> told, int i) {
    String facts = String.join(", ", told.subList(0, Math.min(told.size(), 3 + i % 3)));
    return switch (i % 4) {
      case 0 -> "";
      case 1 -> "The " + name + " convinces with its high quality. " + facts + ". Order now!";
      case 2 -> name + " is a real classic that everybody will love. Details: " + facts + ".";
      default -> "Treat yourself to " + name + ". " + facts + ". A must-have for every day.";
    };
  }
}
