package rhetor.core.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.LabelledSheets.Labelled;
import rhetor.core.sheet.SheetRow;

/** Products of a labelled sheet, each column read as a person says that it is. */
public final class SettledReading {
  private SettledReading() {}

  /** The products by their codes. */
  public static Map<String, ProductFacts> products(Labelled sheet, Knowledge knowledge) {
    Reading proposed = new ReadingProposer(knowledge).propose(sheet.headings(), sheet.rows());
    List<ColumnReading> columns = new ArrayList<>();
    for (ColumnReading column : proposed.columns()) {
      // A column that may be told is told: who writes of its cells has said so.
      String label =
          Arrays.stream(sheet.labels().columns().get(column.heading()).split("\\|"))
              .filter(l -> !l.equals("private"))
              .findFirst()
              .orElse("private");
      Meaning meaning =
          switch (label) {
            case "own" -> Meaning.EXTRA;
            case "private" -> Meaning.KEEP;
            default -> Meaning.parse(label);
          };
      // A sheet may have several columns of keywords; one of them is used.
      boolean isSecond =
          meaning.role() == Meaning.Role.KEYWORD
              && columns.stream().anyMatch(c -> c.meaning().role() == Meaning.Role.KEYWORD);
      columns.add(column.as(isSecond ? Meaning.KEEP : meaning, knowledge));
    }
    Reading settled = proposed.with(columns, proposed.numbers(), proposed.boilerplate());
    if (settled.thing().isEmpty()) {
      settled = settled.withThing(sheet.labels().kind().split("\\|")[0]);
    }
    FactReader reader = new FactReader(sheet.toString(), settled, knowledge);
    Map<String, ProductFacts> products = new HashMap<>();
    for (SheetRow row : sheet.rows()) {
      if (reader.read(row) instanceof FactReader.Outcome.Read(ProductFacts product)) {
        products.put(product.sku(), product);
      }
    }
    return products;
  }
}
