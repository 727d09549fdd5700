package rhetor.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import rhetor.app.product.ProductIntake;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.exchange.Ahead;
import rhetor.core.exchange.SheetWriter;
import rhetor.core.exchange.TextColumns;
import rhetor.core.fact.ColumnReading;
import rhetor.core.fact.FactReader;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.KnownReading;
import rhetor.core.fact.KnownReading.ColumnChange;
import rhetor.core.fact.Meaning;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Reading;
import rhetor.core.fact.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetLimits;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;
import rhetor.core.sheet.SheetShape;

/** Proposes how a sheet is read, takes it in as one act, and writes it out with texts. */
@Service
public class IntakeService {
  private static final int SAMPLE = 300;
  private static final int KEPT_PROBLEMS = 300;
  private static final int AHEAD = 1000;
  private static final int SHOWN = 200;
  private static final String DUPLICATE = "duplicate-sku";

  /** Sheets that share this much of their headings are taken for the same supplier's. */
  private static final double RECOGNISED = 0.8;

  /** Fewer headings are the same by chance. */
  private static final int TELLING = 5;

  private final IntakeStore intakes;
  private final SheetFolder folder;
  private final ProductService products;
  private final Knowledge knowledge;
  private final TransactionTemplate transaction;
  private final JdbcClient jdbc;
  private final ReadingProposer proposer;

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
    this.proposer = new ReadingProposer(knowledge);
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
   * Stores a sheet and proposes how to read it: as the supplier's last one was read, if there was
   * one.
   *
   * @param supplier whose sheet it is; empty to go by its headings, or else by its file's name
   * @throws SheetException if it can't be read as a sheet; then nothing is kept
   */
  Intake propose(String supplier, String fileName, InputStream in, String by) {
    String storedAs = folder.store(in);
    Sheet sheet = Sheet.open(folder.path(storedAs));
    String from =
        supplier.isBlank()
            ? recognised(sheet).orElseGet(() -> fileName.replaceFirst("\\.[^.]*$", ""))
            : supplier.strip();
    Proposal proposal = proposal(from, sheet);
    return get(
        intakes.add(
            from, fileName, storedAs, sheet.layout(), proposal.reading, proposal.changes, by));
  }

  /** Stores a sheet and proposes how to read it; the intake's id. */
  public long proposeSheet(String supplier, String fileName, InputStream in, String by) {
    return propose(supplier, fileName, in, by).id();
  }

  /** The supplier whose last sheet had nearly the same headings. */
  private Optional<String> recognised(Sheet sheet) {
    List<String> headings = sheet.layout().headings();
    if (headings.size() < TELLING) {
      return Optional.empty();
    }
    return intakes.knownReadings().stream()
        .filter(k -> k.likeness(headings) >= RECOGNISED)
        .max(Comparator.comparingDouble(k -> k.likeness(headings)))
        .map(KnownReading::supplier);
  }

  private record Proposal(Reading reading, List<ColumnChange> changes) {}

  private Proposal proposal(String supplier, Sheet sheet) {
    List<SheetRow> sample = sample(sheet, SAMPLE);
    Reading fresh = proposer.propose(sheet.layout().headings(), sample);
    return intakes.knownReadings().stream()
        .filter(k -> k.supplier().equalsIgnoreCase(supplier))
        .findFirst()
        .map(k -> k.compare(fresh, proposer.profiles(fresh, sample)))
        .map(c -> new Proposal(c.reading(), c.changes()))
        .orElseGet(() -> new Proposal(fresh, List.of()));
  }

  /** Reads a waiting sheet as another supplier's. */
  Intake setSupplier(long id, String supplier) {
    Intake intake = get(id);
    requireProposed(intake);
    Proposal proposal = proposal(supplier.strip(), sheet(intake));
    intakes.propose(id, supplier.strip(), intake.layout(), proposal.reading, proposal.changes);
    return get(id);
  }

  /**
   * Reads a waiting sheet whose table stands elsewhere in the file.
   *
   * @throws SheetException if there is no table; then it is read as before
   */
  Intake setShape(long id, SheetShape shape) {
    Intake intake = get(id);
    requireProposed(intake);
    if (!intake.layout().format().hasHeadingRow()) {
      throw Refused.invalid("Records name their own fields; there is no heading row to choose.");
    }
    Sheet sheet = Sheet.open(folder.path(intake.storedAs()), SheetLimits.STANDARD, shape);
    Proposal proposal = proposal(intake.supplier(), sheet);
    intakes.propose(id, intake.supplier(), sheet.layout(), proposal.reading, proposal.changes);
    return get(id);
  }

  /** Notes that a person has looked at how the sheet differs from the one before. */
  Intake setSeen(long id) {
    requireProposed(get(id));
    intakes.setSeen(id);
    return get(id);
  }

  /** The first rows of the file as they stand, preamble and headings too. */
  List<SheetRow> top(Intake intake) {
    return sheet(intake).top();
  }

  /** Takes an intake's rows in as proposed. */
  public IntakeResult takeIn(long id) {
    return take(id, LeaveAlone.NONE).result();
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
      case TAKEN, TAKEN_BACK ->
          throw Refused.conflict(
              "This sheet has been taken in already. Drop it again to read it in another way.");
    }
  }

  void discard(long id) {
    requireProposed(get(id));
    intakes.delete(id);
  }

  /** Takes all rows in, or, if anything goes wrong on the way, none. */
  Intake take(long id, LeaveAlone leaveAlone) {
    Intake intake = get(id);
    requireUsable(intake);
    if (!intake.seen() && hasToBeSeen(intake)) {
      throw Refused.conflict(
          "The sheet is not like the last one of "
              + intake.supplier()
              + ". Look at what has changed and say that it is right.");
    }
    if (!intakes.begin(id)) {
      throw Refused.conflict("This sheet is being taken in right now.");
    }
    boolean done = false;
    try {
      transaction.executeWithoutResult(t -> takeAll(intake, leaveAlone));
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

  private static void requireUsable(Intake intake) {
    requireProposed(intake);
    intake
        .reading()
        .obstacle()
        .ifPresent(
            o -> {
              throw Refused.invalid(o);
            });
  }

  static boolean hasToBeSeen(Intake intake) {
    return new KnownReading.Comparison(intake.reading(), intake.changes()).hasToBeSeen();
  }

  private void takeAll(Intake intake, LeaveAlone leaveAlone) {
    IntakeResult result =
        read(intake, products.intake(intake.id(), intake.supplier(), leaveAlone), t -> {}, p -> {});
    intakes.finish(intake.id(), result);
    Sheet sheet = sheet(intake);
    List<SheetRow> sample = sample(sheet, SAMPLE);
    intakes.remember(
        new KnownReading(
            intake.supplier(), intake.reading(), proposer.profiles(intake.reading(), sample)));
  }

  /**
   * What would become of the rows.
   *
   * @param lines by what would become of them, the first few hundred each
   */
  record DryRun(IntakeResult result, List<DryLine> lines) {}

  /** What would become of one row, and which facts would be other than before. */
  record DryLine(
      String outcome, int row, String sku, String name, List<FactChange> changes, String problem) {}

  record FactChange(String label, String before, String after) {}

  /** Tells what taking the rows in would do, and stores nothing. */
  DryRun dryRun(long id, LeaveAlone leaveAlone) {
    Intake intake = get(id);
    requireUsable(intake);
    List<DryLine> lines = new ArrayList<>();
    Map<String, Integer> shown = new HashMap<>();
    Set<String> named = new HashSet<>();
    FactDifference difference = new FactDifference(knowledge);
    ProductIntake target =
        products.dryRun(
            intake.supplier(),
            leaveAlone,
            (outcome, product, before) -> {
              if (shown.merge(outcome.name(), 1, Integer::sum) <= SHOWN) {
                lines.add(
                    new DryLine(
                        outcome.name(),
                        product.row(),
                        product.facts().sku(),
                        product.facts().name(),
                        before.map(b -> difference.between(b, product.facts())).orElse(List.of()),
                        ""));
              }
            });
    IntakeResult result =
        read(
            intake,
            target,
            p -> named.add(p.facts().sku()),
            p -> {
              String outcome = p.code().equals(DUPLICATE) ? "DUPLICATE" : "REJECTED";
              if (shown.merge(outcome, 1, Integer::sum) <= SHOWN) {
                lines.add(new DryLine(outcome, (int) p.row(), "", "", List.of(), p.toString()));
              }
            });
    intakes
        .before(intake.supplier(), id)
        .ifPresent(
            last ->
                products.named(
                    last,
                    (sku, name) -> {
                      if (!named.contains(sku) && shown.merge("GONE", 1, Integer::sum) <= SHOWN) {
                        lines.add(new DryLine("GONE", 0, sku, name, List.of(), ""));
                      }
                    }));
    return new DryRun(result.withGone(shown.getOrDefault("GONE", 0)), lines);
  }

  /** What became of one row: a product, or why it is none; neither for a blank row. */
  private record Taken(int row, ProductIntake.Prepared product, SheetProblem problem) {}

  /** Reads facts on a thread of its own while this one hands them on. */
  private IntakeResult read(
      Intake intake,
      ProductIntake target,
      Consumer<ProductIntake.Prepared> named,
      Consumer<SheetProblem> refused) {
    Sheet sheet = sheet(intake);
    FactReader reader = new FactReader(intake.fileName(), intake.reading(), knowledge);
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
              sink.put(taken(all.next(), sheet, reader, target));
            }
          });
      for (Taken next = ahead.next(); next != null; next = ahead.next()) {
        rows++;
        if (next.problem != null) {
          rejected++;
          keep(problems, next.problem);
          refused.accept(next.problem);
        } else if (next.product == null) {
          blank++;
        } else {
          Integer before = rowOf.putIfAbsent(next.product.facts().sku(), next.row);
          if (before == null) {
            contradictions += next.product.facts().contradictions().isEmpty() ? 0 : 1;
            named.accept(next.product);
            target.add(next.product);
          } else {
            duplicates++;
            SheetProblem problem = duplicate(next.row, next.product.facts().sku(), before);
            keep(problems, problem);
            refused.accept(problem);
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
        counts.left(),
        0,
        rejected,
        duplicates,
        blank,
        contradictions,
        problems);
  }

  private static Taken taken(SheetRow row, Sheet sheet, FactReader reader, ProductIntake target) {
    if (row.isBlank()) {
      return new Taken(row.number(), null, null);
    }
    return switch (outcome(row, sheet, reader)) {
      case FactReader.Outcome.Rejected(SheetProblem problem) ->
          new Taken(row.number(), null, problem);
      case FactReader.Outcome.Read(ProductFacts product) ->
          new Taken(row.number(), target.prepare(product, row.number()), null);
    };
  }

  private static FactReader.Outcome outcome(SheetRow row, Sheet sheet, FactReader reader) {
    List<SheetProblem> unusable = sheet.problems(row);
    return unusable.isEmpty()
        ? reader.read(row)
        : new FactReader.Outcome.Rejected(unusable.getFirst());
  }

  /**
   * Writes the rows that were not or would not be taken in, in the sheet's own layout, with the
   * reason behind them, to be mended and dropped again.
   */
  void rejected(Intake intake, OutputStream out) throws IOException {
    Sheet sheet = sheet(intake);
    FactReader reader = new FactReader(intake.fileName(), intake.reading(), knowledge);
    Map<String, Integer> rowOf = new HashMap<>();
    try (SheetWriter writer = SheetWriter.open(out, sheet.layout());
        Sheet.Rows all = sheet.rows()) {
      writer.head(sheet, List.of("reason"));
      while (all.hasNext()) {
        SheetRow row = all.next();
        if (row.isBlank()) {
          continue;
        }
        switch (outcome(row, sheet, reader)) {
          case FactReader.Outcome.Rejected(SheetProblem problem) ->
              writer.write(row, List.of(problem.what() + " " + problem.remedy()));
          case FactReader.Outcome.Read(ProductFacts product) -> {
            Integer before = rowOf.putIfAbsent(product.sku(), row.number());
            if (before != null) {
              SheetProblem problem = duplicate(row.number(), product.sku(), before);
              writer.write(row, List.of(problem.what() + " " + problem.remedy()));
            }
          }
        }
      }
    }
  }

  /** Takes back what an intake did to the house's products. */
  @Transactional
  public ProductService.TakeBack takeBack(long id) {
    get(id);
    if (!intakes.takeBack(id)) {
      throw Refused.conflict("Only a sheet that has been taken in can be taken back.");
    }
    return products.takeBack(id);
  }

  private static SheetProblem duplicate(int row, String sku, int before) {
    return new SheetProblem(
        DUPLICATE,
        row,
        "",
        "The SKU \"" + sku + "\" stands in row " + before + " already; that row counts.",
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
