package rhetor.app.house;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.CellText;
import rhetor.core.reading.ColumnReading;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.Reading;
import rhetor.core.say.en.ValueText;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetRow;
import tools.jackson.databind.json.JsonMapper;

/** {@code rhetor read}: how each column of a sheet is read, and why. */
@Command(
    name = "rhetor read",
    mixinStandardHelpOptions = true,
    description = {
      "Shows how each column of a sheet is read: what it is for, how sure that is and why, and three of its cells as read.",
      "Nothing is written. Exit status: 0 if the sheet can be used, 1 if it can't be read, 2 for wrong options."
    })
public final class ReadCommand implements Callable<Integer> {
  private static final int CELLS = 3;

  @Mixin SheetOptions sheetOptions;

  @Option(names = "--json", description = "Prints it as JSON.")
  boolean asJson;

  private final Knowledge knowledge = Knowledge.standard();
  private final ValueText values = new ValueText(knowledge);

  /**
   * How a column is read.
   *
   * @param role sku, name, attribute, own (under its own heading), prose, keyword, picture or
   *     private
   * @param concept id of the concept, for an attribute
   * @param unit id of the unit of cells that give none, or empty
   * @param probability 0 to 1, how sure that is
   * @param cells the first that hold something, as they are read
   * @param isAsked whether a person would be asked
   */
  record Column(
      String heading,
      String role,
      String concept,
      String unit,
      double probability,
      String reason,
      List<String> cells,
      boolean isAsked) {}

  /**
   * How a sheet is read.
   *
   * @param thing what each product is called where nothing of its own says it, or empty
   * @param obstacle what keeps it from being used, or empty
   */
  record Read(String sheet, String language, String thing, String obstacle, List<Column> columns) {}

  @Override
  public Integer call() {
    if (sheetOptions.missing().isPresent()) {
      System.err.println(sheetOptions.missing().get());
      return 1;
    }
    try {
      Sheet sheet = Sheet.open(sheetOptions.in());
      Read read = read(sheet, sheetOptions.in().getFileName().toString());
      if (asJson) {
        System.out.println(
            JsonMapper.builder().build().writerWithDefaultPrettyPrinter().writeValueAsString(read));
      } else {
        print(read);
      }
      return read.obstacle.isEmpty() ? 0 : 1;
    } catch (SheetException e) {
      System.err.println(e.getMessage());
      return 1;
    } catch (IllegalArgumentException e) {
      System.err.println(e.getMessage());
      return 2;
    }
  }

  private Read read(Sheet sheet, String name) {
    Reading reading = sheetOptions.reading(sheet);
    List<SheetRow> sample = SheetOptions.sample(sheet);
    Optional<String> obstacle = reading.obstacle();
    List<ProductFacts> products =
        obstacle.isPresent()
            ? List.of()
            : products(new FactReader(name, reading, knowledge), sample);
    List<Column> columns = new ArrayList<>();
    for (int i = 0; i < reading.columns().size(); i++) {
      ColumnReading column = reading.columns().get(i);
      columns.add(
          new Column(
              column.heading(),
              role(column.meaning().role()),
              column.meaning().concept(),
              column.unit(),
              column.confidence(),
              column.reason(),
              cells(column, i, products, sample),
              column.asks()));
    }
    return new Read(name, reading.language(), reading.thing(), obstacle.orElse(""), columns);
  }

  private static List<ProductFacts> products(FactReader reader, List<SheetRow> sample) {
    List<ProductFacts> products = new ArrayList<>();
    for (SheetRow row : sample) {
      if (reader.read(row) instanceof FactReader.Outcome.Read(ProductFacts product)) {
        products.add(product);
      }
    }
    return products;
  }

  private static String role(Meaning.Role role) {
    return switch (role) {
      case SKU -> "sku";
      case NAME -> "name";
      case CONCEPT -> "attribute";
      case EXTRA -> "own";
      case PROSE -> "prose";
      case KEYWORD -> "keyword";
      case PICTURE -> "picture";
      case KEEP -> "private";
    };
  }

  private List<String> cells(
      ColumnReading column, int index, List<ProductFacts> products, List<SheetRow> sample) {
    boolean makesFacts =
        column.meaning().role() == Meaning.Role.CONCEPT
            || column.meaning().role() == Meaning.Role.EXTRA;
    if (!makesFacts || products.isEmpty()) {
      return sample.stream()
          .map(r -> CellText.clean(r.cell(index)))
          .filter(c -> !c.isEmpty())
          .limit(CELLS)
          .toList();
    }
    return products.stream()
        .flatMap(p -> p.facts().stream())
        .filter(f -> f.sources().stream().anyMatch(s -> s.column().equals(column.heading())))
        .map(Fact::value)
        .map(values::spec)
        .limit(CELLS)
        .toList();
  }

  private void print(Read read) {
    int widest = read.columns.stream().mapToInt(c -> c.heading.length()).max().orElse(0);
    int width = Math.min(widest, 28);
    for (Column c : read.columns) {
      System.out.printf(
          "%-" + width + "s  %s, %.0f %%%s  %s%n",
          c.heading,
          inWords(c),
          100 * c.probability,
          c.isAsked ? ", asked" : "",
          c.reason);
      if (!c.cells.isEmpty()) {
        System.out.printf("%-" + width + "s  %s%n", "", String.join(" | ", c.cells));
      }
    }
    if (!read.thing.isEmpty()) {
      System.out.printf(
          "Where neither its name nor its category says what a product is, it is called \"%s\".%n",
          read.thing);
    }
    if (!read.obstacle.isEmpty()) {
      System.err.println(read.obstacle);
    }
  }

  private String inWords(Column column) {
    String label = knowledge.concept(column.concept).map(Concept::label).orElse(column.concept);
    String unit = column.unit.isEmpty() ? "" : " in " + column.unit;
    return switch (column.role) {
      case "attribute" -> label.toLowerCase(Locale.ROOT) + unit;
      case "own" -> "under its own heading";
      case "sku" -> "the SKU";
      default -> column.role;
    };
  }
}
