package rhetor.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.product.ProductIntake;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.exchange.Ahead;
import rhetor.core.exchange.SheetWriter;
import rhetor.core.exchange.TextColumns;
import rhetor.core.fact.ColumnReading;
import rhetor.core.fact.FactReader;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.Meaning;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Reading;
import rhetor.core.fact.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;

/** Proposes how a sheet is read, takes it in as one act, and writes it out with texts. */
@Service
public class IntakeService {
  private static final int SAMPLE = 300;
  private static final int KEPT_PROBLEMS = 300;
  private static final int AHEAD = 1000;

  private final IntakeStore intakes;
  private final SheetFolder folder;
  private final ProductService products;
  private final Knowledge knowledge;
  private final TransactionTemplate transaction;
  private final JdbcClient jdbc;

  IntakeService(
      IntakeStore intakes,
      SheetFolder folder,
      ProductService products,
      Knowledge knowledge,
      TransactionTemplate transaction,
      JdbcClient jdbc) {
    this.intakes = intakes;
    this.folder = folder;
    this.products = products;
    this.knowledge = knowledge;
    this.transaction = transaction;
    this.jdbc = jdbc;
  }

  /**
   * After a crash in the middle of an intake nothing of it was stored, so it can be begun again.
   */
  @EventListener(ApplicationReadyEvent.class)
  void releaseInterrupted() {
    jdbc.sql("update intake set status = 'PROPOSED' where status = 'TAKING'").update();
  }

  List<Intake> latest() {
    return intakes.latest(50);
  }

  /** How many sheets wait to be taken in. */
  public int waiting() {
    return intakes.waiting();
  }

  Intake get(long id) {
    return intakes
        .find(id)
        .orElseThrow(
            () -> Refused.notFound("There is no such intake. It may have been discarded."));
  }

  /**
   * Stores a sheet and proposes how to read it.
   *
   * @throws SheetException if it can't be read as a sheet; then nothing is kept
   */
  Intake propose(String supplier, String fileName, InputStream in, String by) {
    String storedAs = folder.store(in);
    Sheet sheet = Sheet.open(folder.path(storedAs));
    Reading reading =
        new ReadingProposer(knowledge).propose(sheet.layout().headings(), sample(sheet, SAMPLE));
    return get(intakes.add(supplier, fileName, storedAs, sheet.layout(), reading, by));
  }

  /** Stores a sheet and proposes how to read it; the intake's id. */
  public long proposeSheet(String supplier, String fileName, InputStream in, String by) {
    return propose(supplier, fileName, in, by).id();
  }

  /** Takes an intake's rows in as proposed. */
  public IntakeResult takeIn(long id) {
    return take(id).result();
  }

  /** The first rows of an intake's sheet. */
  List<SheetRow> preview(Intake intake, int rows) {
    return sample(sheet(intake), rows);
  }

  /**
   * Sheets are stored under the hash of their bytes, so what was found out about one stays true.
   */
  private Sheet sheet(Intake intake) {
    return Sheet.known(folder.path(intake.storedAs()), intake.layout());
  }

  private static List<SheetRow> sample(Sheet sheet, int most) {
    List<SheetRow> sample = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      while (rows.hasNext() && sample.size() < most) {
        sample.add(rows.next());
      }
    }
    return sample;
  }

  /** Changes what columns mean; {@code meanings} has one for each column. */
  Intake setMeanings(long id, List<Meaning> meanings) {
    Intake intake = get(id);
    requireProposed(intake);
    List<ColumnReading> columns = intake.reading().columns();
    if (meanings.size() != columns.size()) {
      throw Refused.invalid(
          "The sheet has "
              + columns.size()
              + " columns, but "
              + meanings.size()
              + " meanings came.");
    }
    List<ColumnReading> changed = new ArrayList<>();
    for (int i = 0; i < columns.size(); i++) {
      changed.add(
          columns.get(i).meaning().equals(meanings.get(i))
              ? columns.get(i)
              : columns.get(i).as(meanings.get(i)));
    }
    intakes.setReading(
        id, new Reading(changed, intake.reading().numbers(), intake.reading().language()));
    return get(id);
  }

  private static void requireProposed(Intake intake) {
    switch (intake.status()) {
      case PROPOSED -> {}
      case TAKING -> throw Refused.conflict("This sheet is being taken in right now.");
      case TAKEN ->
          throw Refused.conflict(
              "This sheet has been taken in already. Drop it again to read it in another way.");
    }
  }

  void discard(long id) {
    requireProposed(get(id));
    intakes.delete(id);
  }

  /** Takes all rows in, or, if anything goes wrong on the way, none. */
  Intake take(long id) {
    Intake intake = get(id);
    requireProposed(intake);
    intake
        .reading()
        .obstacle()
        .ifPresent(
            o -> {
              throw Refused.invalid(o);
            });
    if (!intakes.begin(id)) {
      throw Refused.conflict("This sheet is being taken in right now.");
    }
    boolean done = false;
    try {
      transaction.executeWithoutResult(t -> intakes.finish(id, read(intake)));
      done = true;
    } catch (DuplicateKeyException e) {
      throw Refused.conflict(
          "Another sheet with some of the same SKUs was taken in at the same moment. Nothing of this one was stored; take it in again.");
    } finally {
      if (!done) {
        releaseInterrupted();
      }
    }
    return get(id);
  }

  /** What became of one row: a product, or why it is none; neither for a blank row. */
  private record Taken(int row, ProductIntake.Prepared product, SheetProblem problem) {}

  /** Reads facts on a thread of its own while this one stores them. */
  private IntakeResult read(Intake intake) {
    Sheet sheet = sheet(intake);
    FactReader reader = new FactReader(intake.fileName(), intake.reading(), knowledge);
    ProductIntake target = products.intake(intake.id());
    List<SheetProblem> problems = new ArrayList<>();
    Map<String, Integer> rowOf = new HashMap<>();
    int rows = 0;
    int rejected = 0;
    int duplicates = 0;
    int blank = 0;
    int contradictions = 0;
    try (Sheet.Rows all = sheet.rows();
        Ahead<Taken> ahead = new Ahead<>(AHEAD)) {
      ahead.start(
          sink -> {
            while (all.hasNext()) {
              sink.put(taken(all.next(), sheet, reader));
            }
          });
      for (Taken next = ahead.next(); next != null; next = ahead.next()) {
        rows++;
        if (next.problem != null) {
          rejected++;
          keep(problems, next.problem);
        } else if (next.product == null) {
          blank++;
        } else {
          Integer before = rowOf.putIfAbsent(next.product.facts().sku(), next.row);
          if (before == null) {
            contradictions += next.product.facts().contradictions().isEmpty() ? 0 : 1;
            target.add(next.product);
          } else {
            duplicates++;
            keep(problems, duplicate(next, before));
          }
        }
      }
    }
    ProductIntake.Counts counts = target.finish();
    return new IntakeResult(
        rows,
        counts.added(),
        counts.changed(),
        counts.unchanged(),
        rejected,
        duplicates,
        blank,
        contradictions,
        problems);
  }

  private static Taken taken(SheetRow row, Sheet sheet, FactReader reader) {
    if (row.isBlank()) {
      return new Taken(row.number(), null, null);
    }
    List<SheetProblem> unusable = sheet.problems(row);
    FactReader.Outcome outcome =
        unusable.isEmpty()
            ? reader.read(row)
            : new FactReader.Outcome.Rejected(unusable.getFirst());
    return switch (outcome) {
      case FactReader.Outcome.Rejected(SheetProblem problem) ->
          new Taken(row.number(), null, problem);
      case FactReader.Outcome.Read(ProductFacts product) ->
          new Taken(row.number(), ProductIntake.prepare(product, row.number()), null);
    };
  }

  private static SheetProblem duplicate(Taken row, int before) {
    return new SheetProblem(
        "duplicate-sku",
        row.row,
        "",
        "The SKU \""
            + row.product.facts().sku()
            + "\" stands in row "
            + before
            + " already; that row counts.",
        "Give this row an SKU of its own, or remove it.");
  }

  private static void keep(List<SheetProblem> problems, SheetProblem problem) {
    if (problems.size() < KEPT_PROBLEMS) {
      problems.add(problem);
    }
  }

  /**
   * Writes the intake's sheet with the texts behind its own columns.
   *
   * @param signedOnly whether only signed-off and published texts are written
   */
  void export(Intake intake, boolean signedOnly, OutputStream out) throws IOException {
    Sheet sheet = sheet(intake);
    Map<Integer, List<String>> texts = products.textCells(intake.id(), signedOnly);
    Map<Long, String> reasons = new HashMap<>();
    intake.result().problems().forEach(p -> reasons.put(p.row(), p.toString()));
    try (SheetWriter writer = SheetWriter.open(out, sheet.layout());
        Sheet.Rows all = sheet.rows()) {
      writer.head(sheet, TextColumns.HEADINGS);
      while (all.hasNext()) {
        SheetRow row = all.next();
        List<String> cells = texts.get(row.number());
        writer.write(
            row,
            cells != null
                ? cells
                : TextColumns.none(reasons.getOrDefault((long) row.number(), "")));
      }
    }
  }
}
