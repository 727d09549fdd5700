package rhetor.core;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.HeadingAnswers;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.Reading;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;

/** Products for tests, read from sheets the way the application reads them. */
public final class Products {
  private Products() {}

  /** All usable rows of a sheet of which a person has said yes to what is asked. */
  public static List<ProductFacts> of(Path file) {
    return read(file, Products::confirmed);
  }

  /** All usable rows of a sheet of which nobody has said anything. */
  public static List<ProductFacts> unanswered(Path file) {
    return read(file, reading -> reading);
  }

  private static List<ProductFacts> read(Path file, UnaryOperator<Reading> answered) {
    Sheet sheet = Sheet.open(file);
    List<SheetRow> rows = new ArrayList<>();
    try (Sheet.Rows all = sheet.rows()) {
      all.forEachRemaining(rows::add);
    }
    FactReader reader =
        new FactReader(
            file.getFileName().toString(),
            answered.apply(
                new ReadingProposer(Knowledge.standard())
                    .propose(
                        sheet.layout().headings(),
                        rows,
                        HeadingAnswers.NONE,
                        file.getFileName().toString().replaceFirst("\\.[a-z]+$", ""))),
            Knowledge.standard());
    return rows.stream()
        .map(reader::read)
        .filter(FactReader.Outcome.Read.class::isInstance)
        .map(o -> ((FactReader.Outcome.Read) o).product())
        .toList();
  }

  /** A reading of which a person has said that columns are what is proposed for them first. */
  private static Reading confirmed(Reading reading) {
    return reading.with(
        reading.columns().stream()
            .map(
                c ->
                    c.choices().stream()
                        .filter(m -> m.role() == Meaning.Role.CONCEPT)
                        // Nobody says yes to what a heading only comes near, or to what a part is
                        // made of, or how long it is.
                        .filter(m -> !c.reason().contains("means about that"))
                        .filter(
                            m ->
                                !c.reason().contains("speaks of")
                                    || Knowledge.standard()
                                        .concept(m.concept())
                                        .filter(
                                            k ->
                                                k.dimension().equals("length")
                                                    || k.id().equals("material"))
                                        .isEmpty())
                        .findFirst()
                        .map(c::as)
                        .orElse(c))
            .toList(),
        reading.numbers(),
        reading.boilerplate());
  }

  /** One product of a sheet with these headings and cells. */
  public static ProductFacts of(String headings, String cells) {
    try {
      Path file = Files.createTempFile("product", ".csv");
      try {
        Files.writeString(file, headings + "\n" + cells + "\n");
        return of(file).getFirst();
      } finally {
        Files.delete(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The sheets of trades that no data file was written for. */
  public static List<Path> strangeSheets() {
    try (var files = Files.list(Path.of("src/test/resources/sheets"))) {
      return files.sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
