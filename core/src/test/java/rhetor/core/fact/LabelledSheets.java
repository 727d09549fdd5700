package rhetor.core.fact;

import java.io.IOException;
import java.io.InputStream;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Sheets of many trades, each column of which somebody has read and labelled. */
final class LabelledSheets {
  private LabelledSheets() {}

  /**
   * What a person says that a sheet's columns are.
   *
   * @param kind what its products are
   * @param columns by heading: sku, name, own, prose, keyword, picture, private or a concept's id
   */
  record Labels(String sheet, String kind, Map<String, String> columns) {}

  /** A sheet as it is read, beside what a person says. */
  record Read(Labels labels, Reading reading, List<SheetRow> rows) {
    @Override
    public String toString() {
      return labels.sheet();
    }
  }

  static Stream<Read> all() throws IOException, URISyntaxException {
    List<Read> all = new ArrayList<>();
    Path folder = Path.of(LabelledSheets.class.getResource("/labelled").toURI());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".yaml")).sorted().toList()) {
        Labels labels;
        try (InputStream in = Files.newInputStream(file)) {
          labels = YAMLMapper.builder().build().readValue(in, Labels.class);
        }
        Sheet sheet = Sheet.open(folder.resolve(labels.sheet()));
        List<SheetRow> rows = new ArrayList<>();
        try (Sheet.Rows each = sheet.rows()) {
          each.forEachRemaining(rows::add);
        }
        all.add(
            new Read(
                labels,
                new ReadingProposer(Knowledge.standard()).propose(sheet.layout().headings(), rows),
                rows));
      }
    }
    return all.stream();
  }

  /** What a column is read as, in the words of the labels. */
  static String label(ColumnReading column) {
    return switch (column.meaning().role()) {
      case CONCEPT -> column.meaning().concept();
      case EXTRA -> "own";
      case KEEP -> "private";
      default -> column.meaning().code();
    };
  }
}
