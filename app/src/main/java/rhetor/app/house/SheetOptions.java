package rhetor.app.house;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.ColumnReading;
import rhetor.core.reading.HeadingAnswers;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.Reading;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** The sheet that a command is given, and what is said of its columns. */
final class SheetOptions {
  private static final int SAMPLE = 300;

  @Parameters(
      paramLabel = "IN",
      description = "The supplier's sheet: delimited text, XLSX, ODS, JSON, JSON Lines or XML.")
  private Path in;

  @Option(
      names = "--map",
      paramLabel = "FILE",
      description =
          "What columns mean, as YAML or JSON: a heading and sku, name, prose, keyword, keep, extra or a concept for each.")
  private Path map;

  @Option(
      names = "--keyword-column",
      paramLabel = "NAME",
      description = "The column that has the primary keyword.")
  private String keywordColumn;

  /** The sheet's file. */
  Path in() {
    return in;
  }

  /** Why there is no sheet to read; nothing if its file is there. */
  Optional<String> missing() {
    return Files.isRegularFile(in) ? Optional.empty() : Optional.of("There is no file " + in + ".");
  }

  /** The first rows of a sheet, by which its columns are read. */
  static List<SheetRow> sample(Sheet sheet) {
    List<SheetRow> sample = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      while (rows.hasNext() && sample.size() < SAMPLE) {
        sample.add(rows.next());
      }
    }
    return sample;
  }

  /** How the sheet is read, with what was said of its columns. */
  Reading reading(Sheet sheet) {
    List<SheetRow> sample = sample(sheet);
    Reading proposed =
        new ReadingProposer(Knowledge.standard())
            .propose(
                sheet.layout().headings(),
                sample,
                HeadingAnswers.NONE,
                sheet.layout().title(in().getFileName().toString()));
    List<ColumnReading> columns = new ArrayList<>(proposed.columns());
    if (map != null) {
      readMap().forEach((heading, said) -> set(columns, heading, said));
    }
    if (keywordColumn != null) {
      columns.replaceAll(c -> c.meaning().equals(Meaning.KEYWORD) ? c.as(Meaning.EXTRA) : c);
      set(columns, keywordColumn, Meaning.KEYWORD.code());
    }
    return proposed.with(columns, proposed.numbers(), proposed.boilerplate());
  }

  private Map<String, String> readMap() {
    try {
      return YAMLMapper.builder()
          .build()
          .readValue(map.toFile(), new TypeReference<Map<String, String>>() {});
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          "The map "
              + map
              + " can't be read: "
              + e.getOriginalMessage()
              + " It needs one line for each column, such as  Gewicht: weight",
          e);
    }
  }

  /**
   * Reads a column as the map says.
   *
   * @param said a meaning's code, and "in" with a unit for cells that give none: "weight in g"
   */
  private static void set(List<ColumnReading> columns, String heading, String said) {
    String[] parts = said.strip().split("\\s+in\\s+", 2);
    Meaning meaning = Meaning.parse(parts[0], Knowledge.standard());
    String unit = parts.length == 1 ? "" : parts[1];
    if (!unit.isEmpty() && Knowledge.standard().unitWritten(unit).isEmpty()) {
      throw new IllegalArgumentException(
          "No unit is called \"" + unit + "\". Use one such as g, mm or l.");
    }
    for (int i = 0; i < columns.size(); i++) {
      if (columns.get(i).heading().equalsIgnoreCase(heading)) {
        ColumnReading column = columns.get(i);
        columns.set(
            i,
            unit.isEmpty() ? column.as(meaning, Knowledge.standard()) : column.as(meaning, unit));
        return;
      }
    }
    throw new IllegalArgumentException(
        "No column is called \""
            + heading
            + "\". There are: "
            + String.join(", ", columns.stream().map(ColumnReading::heading).toList()));
  }
}
