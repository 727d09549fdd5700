package rhetor.app.intake;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
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
import rhetor.app.house.DatabaseCache;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.ProductIntake;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.exchange.SheetWriter;
import rhetor.core.exchange.SheetWriters;
import rhetor.core.fact.ProductFacts;
import rhetor.core.reading.ColumnReading;
import rhetor.core.reading.FactReader;
import rhetor.core.reading.KnownReading;
import rhetor.core.sheet.Ahead;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetProblem;
import rhetor.core.sheet.SheetRow;

/** Takes waiting sheets in as one act each, tells beforehand what that would do, and undoes it. */
@Service
public class IntakeTaking {
  private static final int KEPT_PROBLEMS = 300;
  private static final int AHEAD = 200;
  private static final int SHOWN = 200;
  private static final String DUPLICATE = "duplicate-sku";

  private final IntakeStore intakes;
  private final IntakeService sheets;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final TransactionTemplate transaction;
  private final JdbcClient jdbc;
  private final DatabaseCache cache;
  private final HouseLog log;

  IntakeTaking(
      IntakeStore intakes,
      IntakeService sheets,
      ProductService products,
      HouseKnowledge knowledge,
      TransactionTemplate transaction,
      JdbcClient jdbc,
      DatabaseCache cache,
      HouseLog log) {
    this.cache = cache;
    this.log = log;
    this.intakes = intakes;
    this.sheets = sheets;
    this.products = products;
    this.knowledge = knowledge;
    this.transaction = transaction;
    this.jdbc = jdbc;
  }

  /** What a crash in the middle of an intake left behind goes, and it can be begun again. */
  @EventListener(ApplicationReadyEvent.class)
  public void releaseInterrupted() {
    jdbc.sql("select id from intake where status = 'TAKING'")
        .query(Long.class)
        .list()
        .forEach(this::release);
  }

  private void release(long id) {
    transaction.executeWithoutResult(
        t -> {
          products.removeSources(id);
          intakes.release(id);
        });
  }

  /** Whether an intake's rows have been taken in. */
  public boolean isTaken(long id) {
    return sheets.get(id).status() == Intake.Status.TAKEN;
  }

  /** Why an intake waits for a person; empty if it can be taken in as it is proposed. */
  public Optional<String> whyNotByItself(long id) {
    Intake intake = sheets.get(id);
    List<String> asking = asking(intake);
    if (intake.status() != Intake.Status.PROPOSED) {
      return Optional.empty();
    }
    if (intake.reading().obstacle().isPresent()) {
      return intake.reading().obstacle();
    }
    if (!asking.isEmpty()) {
      return Optional.of("It isn’t clear what is meant by: " + String.join(", ", asking) + ".");
    }
    return !intake.seen() && hasToBeSeen(intake)
        ? Optional.of(
            "It isn’t like the last sheet of %s; somebody has to look at what has changed."
                .formatted(intake.supplier()))
        : Optional.empty();
  }

  /** What taking an intake in has done, in a sentence. */
  public String summary(long id) {
    IntakeResult r = sheets.get(id).result();
    String all =
        "%d new, %d changed, %d as before".formatted(r.added(), r.changed(), r.unchanged());
    int refused = r.rejected() + r.duplicates();
    return all
        + (refused == 0
            ? "."
            : "; %d of %d rows could not be taken in.".formatted(refused, r.rows()));
  }

  /** Whether some rows could not be taken in. */
  public boolean hasRejected(long id) {
    IntakeResult r = sheets.get(id).result();
    return r.rejected() + r.duplicates() > 0;
  }

  /**
   * Writes the rows that could not be taken in, each with its reason, in the sheet's own layout.
   */
  public void writeRejected(long id, OutputStream out) throws IOException {
    rejected(sheets.get(id), out);
  }

  private static List<String> asking(Intake intake) {
    return intake.reading().columns().stream()
        .filter(ColumnReading::holdsUp)
        .map(ColumnReading::heading)
        .toList();
  }

  /** Takes an intake's rows in as proposed. */
  public IntakeResult takeIn(long id, String by) {
    return take(id, LeaveAlone.NONE, by).result();
  }

  /** Takes all rows in, or, if anything goes wrong on the way, none. */
  Intake take(long id, LeaveAlone leaveAlone, String by) {
    Intake intake = sheets.get(id);
    requireUsable(intake);
    List<String> asking = asking(intake);
    if (!asking.isEmpty()) {
      throw Refused.conflict(
          "It isn't clear what %s %s. Say it first; nothing is guessed."
              .formatted(
                  asking.size() == 1 ? "this column is:" : "these columns are:",
                  String.join(", ", asking)));
    }
    if (!intake.seen() && hasToBeSeen(intake)) {
      throw Refused.conflict(
          "The sheet is not like the last one of "
              + intake.supplier()
              + ". Look at what has changed and say that it is right.");
    }
    transaction.executeWithoutResult(t -> begin(intake));
    boolean done = false;
    try {
      cache.widened(() -> transaction.executeWithoutResult(t -> takeAll(intake, leaveAlone, by)));
      done = true;
      sheets.forgetRows(intake);
    } catch (DuplicateKeyException e) {
      throw Refused.conflict(
          "Another sheet with some of the same SKUs was taken in at the same moment. Nothing of this one was stored; take it in again.");
    } finally {
      if (!done) {
        release(id);
      }
    }
    return sheets.get(id);
  }

  /** Begins with just the reading that was looked at. */
  private void begin(Intake seen) {
    intakes.lock(seen.id());
    if (!sheets.get(seen.id()).reading().equals(seen.reading())) {
      throw Refused.conflict(
          "Somebody has just said otherwise how this sheet is read. Look at it again.");
    }
    if (!intakes.begin(seen.id())) {
      throw Refused.conflict("This sheet is being taken in right now.");
    }
  }

  private static void requireUsable(Intake intake) {
    IntakeService.requireProposed(intake);
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

  private void takeAll(Intake intake, LeaveAlone leaveAlone, String by) {
    try (ProductIntake target = products.sheetIntake(intake.id(), intake.supplier(), leaveAlone)) {
      IntakeResult result = read(intake, target, t -> {}, p -> {});
      intakes.finish(intake.id(), result);
      log.note(by, Event.INTAKE_TAKEN, intake.fileName(), result.rows() + " rows");
      sheets.remember(intake);
    }
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
    Intake intake = sheets.get(id);
    requireUsable(intake);
    List<DryLine> lines = new ArrayList<>();
    Map<String, Integer> shown = new HashMap<>();
    Set<String> named = new HashSet<>();
    FactDifference difference = new FactDifference(knowledge.current());
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
    Sheet sheet = sheets.sheet(intake);
    FactReader reader = new FactReader(intake.fileName(), intake.reading(), knowledge.current());
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
    Sheet sheet = sheets.sheet(intake);
    FactReader reader = new FactReader(intake.fileName(), intake.reading(), knowledge.current());
    Map<String, Integer> rowOf = new HashMap<>();
    try (SheetWriter writer = SheetWriters.open(out, sheet.layout());
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
  public ProductService.TakeBack takeBack(long id, String by) {
    log.note(by, Event.INTAKE_TAKEN_BACK, sheets.get(id).fileName(), "");
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
}
