package rhetor.app.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import rhetor.app.finding.Findings;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductLine;
import rhetor.app.product.ProductLists;
import rhetor.app.product.ProductPage;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.exchange.PlainLines;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/** Texts of many products as rows of cells, and what people correct there. */
@Service
class TextTable {
  /** Texts that are changed and checked in one request. */
  private static final int AT_ONCE = 20;

  /** Rows that come with an answer; whoever looks at more asks for them by the page. */
  private static final int MOST_SHOWN = 200;

  private final ProductService products;
  private final TextStore texts;
  private final ProofService proofs;
  private final ActStore acts;
  private final ManyTexts many;
  private final Findings findings;
  private final HouseLog log;

  TextTable(
      ProductService products,
      TextStore texts,
      ProofService proofs,
      ActStore acts,
      ManyTexts many,
      Findings findings,
      HouseLog log) {
    this.products = products;
    this.texts = texts;
    this.proofs = proofs;
    this.acts = acts;
    this.many = many;
    this.findings = findings;
    this.log = log;
  }

  /**
   * A product's texts.
   *
   * @param revision the text that the cells show, 0 if there is none
   * @param cells plain lines by the field's code
   * @param toFix codes of the fields in which something must be fixed
   */
  record TableRow(
      ProductLine product, long revision, Map<String, String> cells, List<String> toFix) {}

  /**
   * A page of the table.
   *
   * @param total how many products match in all
   * @param next key of the next page, empty if this is the last
   */
  record TablePage(List<TableRow> rows, long total, String next) {}

  /** The texts of products that match, a page at a time. */
  TablePage page(ProductFilter filter, ProductLists.Order order, String after, int limit) {
    ProductPage page = products.page(filter, order, after, limit);
    return new TablePage(page.items().stream().map(this::row).toList(), page.total(), page.next());
  }

  private TableRow row(ProductLine product) {
    long revision = products.get(product.id()).textId();
    Map<String, String> cells = new LinkedHashMap<>();
    texts.find(revision).map(Text::draft).ifPresent(d -> cells.putAll(cells(d)));
    return new TableRow(product, revision, cells, findings.fieldsToFix(product.id()));
  }

  private static Map<String, String> cells(Draft draft) {
    Map<String, String> cells = new LinkedHashMap<>();
    Arrays.stream(Field.values()).forEach(f -> cells.put(f.code(), PlainLines.of(draft, f)));
    return cells;
  }

  /**
   * What a cell is to say.
   *
   * @param revision the text that the person saw
   */
  record Correction(long product, long revision, Field field, String text) {}

  /** A product whose text stays as it is, and why. */
  record NotCorrected(long product, String sku, String why) {}

  /**
   * What became of corrections.
   *
   * @param act the act that they belong to, 0 if nothing reads otherwise
   * @param rows the products asked for, as they are now
   */
  record Corrected(long act, int texts, List<TableRow> rows, List<NotCorrected> left) {}

  /**
   * Corrects cells, each product's as one revision; a product that somebody changed meanwhile
   * stays, and keeps no other from being corrected.
   *
   * @param act the act to go on with, 0 to begin one
   * @throws Refused if there are too many products, or the act is taken back or another's
   */
  Corrected correct(long act, List<Correction> corrections, String by) {
    Map<Long, List<Correction>> byProduct = new LinkedHashMap<>();
    corrections.forEach(c -> byProduct.computeIfAbsent(c.product, p -> new ArrayList<>()).add(c));
    if (byProduct.isEmpty() || byProduct.size() > AT_ONCE) {
      throw Refused.invalid("Correct 1 to %d products at a time.".formatted(AT_ONCE));
    }
    List<ProductLine> lines = byProduct.keySet().stream().map(products::line).toList();
    Set<Field> fields = new LinkedHashSet<>();
    corrections.forEach(c -> fields.add(c.field));
    String what = String.join(", ", fields.stream().map(Field::label).toList());
    long id = act == 0 ? acts.begin(ActStore.Deed.CORRECT, what, by) : requireOwn(act, by);
    int made = 0;
    List<NotCorrected> left = new ArrayList<>();
    for (ProductLine product : lines) {
      try {
        made += isCorrected(id, byProduct.get(product.id()), by) ? 1 : 0;
      } catch (Refused e) {
        left.add(new NotCorrected(product.id(), product.sku(), e.getMessage()));
      }
    }
    boolean isNothing = act == 0 && made == 0;
    if (isNothing) {
      acts.forget(id);
    } else if (act == 0) {
      log.note(by, Event.TEXTS_CORRECTED, what, "act " + id);
    }
    return new Corrected(
        isNothing ? 0 : id,
        made,
        byProduct.keySet().stream().map(products::line).map(this::row).toList(),
        left);
  }

  private boolean isCorrected(long act, List<Correction> some, String by) {
    Map<Field, String> cells = new EnumMap<>(Field.class);
    some.forEach(c -> cells.put(c.field, c.text));
    return proofs.correct(act, some.getFirst().product, cells, some.getFirst().revision, by);
  }

  /**
   * What became of corrections that were taken back.
   *
   * @param texts how many texts read as before
   * @param rows their products as they are now, up to {@value #MOST_SHOWN}
   */
  record Uncorrected(int texts, List<TableRow> rows) {}

  /**
   * Takes a person's own corrections back, but for texts that somebody went on with.
   *
   * @throws Refused if the act is another, another's, or taken back already
   */
  Uncorrected takeBack(long act, String by) {
    List<Long> made =
        texts.made(requireOwn(act, by)).stream()
            .map(TextStore.Undoable::productId)
            .distinct()
            .limit(MOST_SHOWN)
            .toList();
    int back = many.takeBack(act, by);
    return new Uncorrected(back, made.stream().map(products::line).map(this::row).toList());
  }

  private long requireOwn(long act, String by) {
    return acts.find(act)
        .filter(a -> a.deed() == ActStore.Deed.CORRECT && a.by().equals(by))
        .filter(a -> a.takenBackBy().isEmpty())
        .map(ActStore.Act::id)
        .orElseThrow(
            () ->
                Refused.conflict("That act is another, or has been taken back. Begin a new one."));
  }
}
