package rhetor.core.reading;

import java.io.IOException;
import java.io.InputStream;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Sheets of many trades, each column of which somebody has read and labelled. */
public final class LabelledSheets {
  private static final YAMLMapper YAML = YAMLMapper.builder().build();

  private LabelledSheets() {}

  /**
   * What a person says that a sheet's columns are.
   *
   * @param kind what its products are
   * @param columns by heading: sku, name, own, prose, keyword, picture, private, part (what one of
   *     its parts is made of, how many there are, how large it is, or whether there is one) or a
   *     concept's id; several with strokes between them where a careful reader may say either
   */
  public record Labels(String sheet, String kind, Map<String, String> columns) {
    /** What a column may be read as. */
    public Set<String> of(String heading) {
      return Set.of(columns.get(heading).split("\\|"));
    }
  }

  /** A sheet beside what a person says of it. */
  public record Labelled(Labels labels, List<String> headings, List<SheetRow> rows) {
    /** What its file is called. */
    public String title() {
      return Path.of(labels.sheet()).getFileName().toString().replaceFirst("\\.[a-z]+$", "");
    }

    /** How it is read if its file were called so. */
    public Reading proposedBy(ReadingProposer proposer, String title) {
      return proposer.propose(headings, rows, HeadingAnswers.NONE, title);
    }

    @Override
    public String toString() {
      return labels.sheet();
    }
  }

  /** The sheets of a folder of the resources. */
  public static List<Labelled> in(String resource) throws IOException {
    try {
      return in(Path.of(LabelledSheets.class.getResource(resource).toURI()));
    } catch (URISyntaxException e) {
      throw new IOException(e);
    }
  }

  /** The sheets of a folder: labels in YAML, each naming its sheet. */
  public static List<Labelled> in(Path folder) throws IOException {
    List<Labelled> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".yaml")).sorted().toList()) {
        Labels labels;
        try (InputStream in = Files.newInputStream(file)) {
          labels = YAML.readValue(in, Labels.class);
        }
        Sheet sheet = Sheet.open(folder.resolve(labels.sheet()));
        List<SheetRow> rows = new ArrayList<>();
        try (Sheet.Rows each = sheet.rows()) {
          each.forEachRemaining(rows::add);
        }
        for (String heading : sheet.layout().headings()) {
          if (!labels.columns().containsKey(heading)) {
            throw new IOException(labels.sheet() + " has no label for \"" + heading + "\".");
          }
        }
        all.add(new Labelled(labels, sheet.layout().headings(), rows));
      }
    }
    return all;
  }

  /** What a column is read as, in the words of the labels. */
  public static String label(ColumnReading column) {
    return switch (column.meaning().role()) {
      case CONCEPT -> {
        String concept = column.meaning().concept();
        yield concept.startsWith("part_")
            ? "part"
            : concept.startsWith("quality_") ? "quality" : concept;
      }
      case EXTRA -> "own";
      case KEEP -> "private";
      default -> column.meaning().code();
    };
  }
}
