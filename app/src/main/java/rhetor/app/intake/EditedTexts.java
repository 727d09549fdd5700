package rhetor.app.intake;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.proof.Text;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.exchange.Encodable;
import rhetor.core.exchange.FormulaGuard;
import rhetor.core.exchange.Html;
import rhetor.core.exchange.TextColumns;
import rhetor.core.reading.Meaning;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetRow;
import rhetor.core.style.Field;
import rhetor.core.text.Sentence;

/**
 * Texts that Rhetor wrote into a sheet and somebody edited there: what they changed can be taken
 * over into the proofs.
 */
@Service
class EditedTexts {
  private static final int EXAMPLES = 3;

  /** A supplier may have a column of such a heading by chance, and hardly so many. */
  private static final int TELLING = 3;

  /** What sheets are written in; the first can encode all. */
  private static final List<Charset> ENCODINGS =
      List.of(
          StandardCharsets.UTF_8,
          Charset.forName("windows-1252"),
          Charset.forName("ISO-8859-15"),
          StandardCharsets.ISO_8859_1);

  private final IntakeService intakes;
  private final ProductService products;
  private final ProofService proofs;
  private final HouseStyle style;

  EditedTexts(
      IntakeService intakes, ProductService products, ProofService proofs, HouseStyle style) {
    this.intakes = intakes;
    this.products = products;
    this.proofs = proofs;
    this.style = style;
  }

  /** One field that reads otherwise in the sheet than in the house. */
  record EditedField(
      long product, String sku, String name, String field, String house, String sheet) {}

  /**
   * What a sheet's texts are beside the house's.
   *
   * @param texts how many fields were edited, of how many products
   * @param older how many fields read as an earlier revision did: nobody edited them
   * @param unknown rows whose SKU the house doesn't know, or that have no text in it
   */
  record TextsEdited(int texts, int products, int older, int unknown, List<EditedField> examples) {}

  /**
   * What was taken over.
   *
   * @param texts fields, of how many products
   * @param left products whose text somebody changed at that moment
   */
  record TextsTakenOver(int texts, int products, int left) {}

  /** The edited fields of one product. */
  private record Edited(Product product, Text text, Map<Field, String> fields) {}

  /** Whether a sheet has columns that Rhetor wrote, and a SKU to know its products by. */
  static boolean hasTexts(Intake intake) {
    return intake.reading().column(Meaning.Role.SKU) >= 0 && columns(intake).size() >= TELLING;
  }

  /** What was edited in a sheet; nothing is kept. */
  TextsEdited find(long id) {
    Tally tally = new Tally();
    List<EditedField> examples = new ArrayList<>();
    each(
        intakes.get(id),
        tally,
        edited ->
            edited.fields.forEach(
                (field, cell) -> {
                  if (examples.size() < EXAMPLES) {
                    examples.add(
                        new EditedField(
                            edited.product.id(),
                            edited.product.facts().sku(),
                            edited.product.facts().name(),
                            field.label(),
                            cells(edited.text).get(field),
                            cell));
                  }
                }));
    return new TextsEdited(tally.texts, tally.products, tally.older, tally.unknown, examples);
  }

  /** Takes what was edited over: each product's as one revision that waits in proof. */
  TextsTakenOver take(long id, String by) {
    Intake intake = intakes.get(id);
    int[] counts = new int[3];
    each(
        intake,
        new Tally(),
        edited -> {
          try {
            proofs.takeOver(
                edited.product.id(),
                edited.fields,
                edited.text.id(),
                by,
                "Edited in the sheet " + intake.fileName());
            counts[0] += edited.fields.size();
            counts[1]++;
          } catch (Refused changedMeanwhile) {
            counts[2]++;
          }
        });
    return new TextsTakenOver(counts[0], counts[1], counts[2]);
  }

  private static final class Tally {
    private int texts;
    private int products;
    private int older;
    private int unknown;
  }

  private void each(Intake intake, Tally tally, Consumer<Edited> edited) {
    if (!hasTexts(intake)) {
      throw Refused.invalid("Rhetor wrote no texts into this sheet, or it has no column of SKUs.");
    }
    Sheet sheet = intakes.sheet(intake);
    Map<Field, Integer> columns = columns(intake);
    int sku = intake.reading().column(Meaning.Role.SKU);
    try (Sheet.Rows rows = sheet.rows()) {
      while (rows.hasNext()) {
        SheetRow row = rows.next();
        if (!row.isBlank()) {
          edited(row, row.cell(sku).strip(), columns, tally)
              .ifPresent(
                  e -> {
                    tally.texts += e.fields.size();
                    tally.products++;
                    edited.accept(e);
                  });
        }
      }
    }
  }

  private Optional<Edited> edited(
      SheetRow row, String sku, Map<Field, Integer> columns, Tally tally) {
    Product product = products.findSku(sku).map(products::get).orElse(null);
    if (product == null || product.textId() == 0) {
      tally.unknown++;
      return Optional.empty();
    }
    Text text = proofs.text(product.textId());
    Map<Field, String> now = cells(text);
    Map<Field, String> changed = new EnumMap<>(Field.class);
    columns.forEach(
        (field, column) -> {
          String cell = row.cell(column);
          if (!cell.isBlank() && !isSame(now.get(field), cell)) {
            changed.put(field, typed(field, unguarded(cell)));
          }
        });
    if (!changed.isEmpty()) {
      // The sheet may have been written before the text was changed in the house.
      for (Text before : proofs.earlier(product)) {
        Map<Field, String> then = cells(before);
        int all = changed.size();
        changed.keySet().removeIf(f -> isSame(then.get(f), row.cell(columns.get(f))));
        tally.older += all - changed.size();
        if (changed.isEmpty()) {
          break;
        }
      }
    }
    return changed.isEmpty() ? Optional.empty() : Optional.of(new Edited(product, text, changed));
  }

  /**
   * Whether a cell is what Rhetor wrote: spreadsheets change the ends of lines, sheets guard what
   * looks like a formula, and older encodings lack dashes and quotation marks.
   */
  private static boolean isSame(String text, String cell) {
    String plain = plain(cell);
    return ENCODINGS.stream()
        .map(charset -> Encodable.text(text, charset))
        .anyMatch(
            written ->
                plain(written).equals(plain) || plain(FormulaGuard.neutral(written)).equals(plain));
  }

  /**
   * A cell as one would type the field: lists stand in sheets with markup, and are typed in lines.
   */
  private static String typed(Field field, String cell) {
    return field.isList() && cell.indexOf('<') >= 0
        ? Html.parse(cell).stream()
            .flatMap(b -> b.sentences().stream())
            .map(Sentence::text)
            .collect(Collectors.joining("\n"))
        : cell;
  }

  /** A cell without the apostrophe that keeps it from being run as a formula. */
  private static String unguarded(String cell) {
    return cell.startsWith("'") && FormulaGuard.neutral(cell.substring(1)).equals(cell)
        ? cell.substring(1)
        : cell;
  }

  private static String plain(String text) {
    return text.replaceAll("\\s+", " ").strip();
  }

  private Map<Field, String> cells(Text text) {
    List<String> cells =
        TextColumns.of(text.draft(), text.audit(), style.current().structure().headingLevel());
    Map<Field, String> byField = new EnumMap<>(Field.class);
    Arrays.stream(Field.values()).forEach(f -> byField.put(f, cells.get(f.ordinal())));
    return byField;
  }

  /** The columns that Rhetor wrote fields into; of a sheet written twice, the last ones. */
  private static Map<Field, Integer> columns(Intake intake) {
    Map<Field, Integer> columns = new LinkedHashMap<>();
    List<String> headings = intake.layout().headings();
    for (int i = 0; i < headings.size(); i++) {
      String heading = headings.get(i).replaceFirst(" \\(\\d+\\)$", "");
      int column = i;
      Arrays.stream(Field.values())
          .filter(f -> heading.equals(TextColumns.heading(f)))
          .forEach(f -> columns.put(f, column));
    }
    return columns;
  }
}
