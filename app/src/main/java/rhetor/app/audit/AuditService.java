package rhetor.app.audit;

import com.github.kagkarlsson.scheduler.ScheduledExecutionsFilter;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.Writer;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import rhetor.app.finding.Findings;
import rhetor.app.grammar.Grammar;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ProofService;
import rhetor.app.range.RangeChanged;
import rhetor.app.style.StyleChanged;
import rhetor.app.web.Refused;
import rhetor.core.check.Mark;
import rhetor.core.exchange.FormulaGuard;
import rhetor.core.style.Field;
import rhetor.core.text.Sentence;

/** Audits all texts by cause, and mends a cause for all products that have it. */
@Service
public class AuditService {
  static final TaskDescriptor<Void> RECHECK = TaskDescriptor.of("recheck");
  private static final Logger LOG = LoggerFactory.getLogger(AuditService.class);

  /** Products whose texts are mended in one request, so that a person sees how far it is. */
  static final int AT_ONCE = 100;

  private static final int CHUNK = 500;

  private final Findings findings;
  private final Grammar grammar;
  private final ProofService proofs;
  private final ProductService products;
  private final SchedulerClient scheduler;
  private final Clock clock;
  private final Counting<Count> counting;

  AuditService(
      Findings findings,
      Grammar grammar,
      ProofService proofs,
      ProductService products,
      @Lazy SchedulerClient scheduler,
      Clock clock) {
    this.findings = findings;
    this.grammar = grammar;
    this.proofs = proofs;
    this.products = products;
    this.scheduler = scheduler;
    this.clock = clock;
    this.counting = new Counting<>(() -> new Count(findings.sum(), findings.causes()), clock);
  }

  /**
   * What is wrong with the texts that count.
   *
   * @param texts how many texts there are
   * @param ready mean readiness, 0 to 100
   * @param faultless how many have nothing to fix or weigh
   * @param underWay whether texts are still being held to what was decided last, or counted
   * @param countedAt when they were counted
   */
  public record AuditView(
      int texts,
      int ready,
      int faultless,
      boolean underWay,
      Instant countedAt,
      List<Findings.Cause> causes) {}

  private record Count(Findings.Sum sum, List<Findings.Cause> causes) {}

  AuditView audit() {
    Counting.Counted<Count> count = counting.get();
    Findings.Sum sum = count.value().sum();
    return new AuditView(
        sum.texts(),
        sum.ready(),
        sum.faultless(),
        isUnderWay() || !count.isLatest(),
        count.at(),
        count.value().causes());
  }

  private boolean isUnderWay() {
    return !scheduler
        .getScheduledExecutionsForTask(
            RECHECK.getTaskName(), Void.class, ScheduledExecutionsFilter.all())
        .isEmpty();
  }

  /** Texts are held to another style in the background. */
  @EventListener
  void styleChanged(StyleChanged changed) {
    // One for each change: what changes while texts are being checked is checked afterwards.
    schedule(changed.what());
  }

  /** Products that come into a range, or leave it, have other rules. */
  @EventListener
  void rangeChanged(RangeChanged changed) {
    schedule("range " + changed.range() + " " + clock.millis());
  }

  /** A house from before findings were kept has them counted once. */
  @EventListener(ApplicationReadyEvent.class)
  void ready() {
    if (findings.areMissing()) {
      schedule("first");
    }
  }

  private void schedule(String id) {
    scheduler.scheduleIfNotExists(RECHECK.instance(id).build(), clock.instant());
  }

  /** Holds every text to what the house has decided by now; whether it came to the last. */
  boolean recheckAll(BooleanSupplier stops) {
    long after = 0;
    int texts = 0;
    for (List<Long> next = products.written(after, CHUNK);
        !next.isEmpty();
        next = products.written(after, CHUNK)) {
      for (long product : next) {
        if (stops.getAsBoolean()) {
          return false;
        }
        try {
          proofs.recheck(product);
        } catch (RuntimeException e) {
          LOG.warn("product {} could not be checked again", product, e);
        }
      }
      texts += next.size();
      after = next.getLast();
    }
    grammar.again();
    LOG.info("{} texts were checked again", texts);
    return true;
  }

  /**
   * A cause in one product's text.
   *
   * @param why what is wrong and what to do
   * @param before the sentence, or the field if it is about the whole
   * @param after how it would read mended; empty if only a person can tell
   */
  public record Instance(
      long product,
      String sku,
      String name,
      String field,
      String words,
      String why,
      String before,
      String after) {}

  /**
   * What is looked at.
   *
   * @param cause the check that found it
   * @param field code of the only field; empty for all
   */
  public record CauseOf(String cause, Mark.Weight weight, String field) {
    private Optional<Field> only() {
      if (field.isEmpty()) {
        return Optional.empty();
      }
      try {
        return Optional.of(Field.parse(field));
      } catch (IllegalArgumentException e) {
        throw Refused.invalid("There is no field called " + field + ".");
      }
    }

    private Predicate<Mark> marks() {
      Optional<Field> only = only();
      return m ->
          m.check().equals(cause)
              && m.weight() == weight
              && only.map(f -> f == m.field()).orElse(true);
    }
  }

  /** A cause's instances, in the order of the products. */
  List<Instance> instances(CauseOf of, long after, int limit) {
    List<Instance> instances = new ArrayList<>();
    for (long id : findings.products(of.cause, of.weight, of.only(), false, after, limit)) {
      Product product = products.get(id);
      ProofService.Mended mended = proofs.mended(product, of.marks());
      mended.marks().stream()
          .findFirst()
          .ifPresent(m -> instances.add(instance(product, mended, m)));
    }
    return instances;
  }

  private static Instance instance(Product product, ProofService.Mended mended, Mark mark) {
    List<Sentence> sentences = mended.before().sentences(mark.field());
    boolean anew = mark.isComposedAway();
    boolean one = !anew && mark.sentence() >= 0 && mark.sentence() < sentences.size();
    String before = mended.before().plain(mark.field());
    String after = mended.after().plain(mark.field());
    return new Instance(
        product.id(),
        product.facts().sku(),
        product.facts().name(),
        mark.field().label(),
        mark.words(),
        mark.why(),
        one ? sentences.get(mark.sentence()).text() : snippet(before),
        !anew ? mark.fix() : after.equals(before) ? "" : snippet(after));
  }

  private static String snippet(String text) {
    return text.length() > 200 ? text.substring(0, 200) + "…" : text;
  }

  /** Writes the audit as a sheet: a line for each cause and field. */
  void exportShort(Writer out) {
    CsvWriter csv = CsvWriter.builder().bufferSize(0).build(out);
    csv.writeRecord("Cause", "Weight", "Field", "Texts");
    for (Findings.Cause cause : findings.causes()) {
      for (Findings.CauseField field : cause.fields()) {
        csv.writeRecord(
            cause.cause(),
            weight(cause.weight()),
            Field.parse(field.field()).label(),
            String.valueOf(field.products()));
      }
    }
  }

  /** Writes the audit as a sheet: a line for each thing that was found, product by product. */
  void exportDetailed(Writer out) {
    CsvWriter csv = CsvWriter.builder().bufferSize(0).build(out);
    csv.writeRecord("SKU", "Name", "Field", "Cause", "Weight", "Words", "Why", "Mended");
    long after = 0;
    for (List<Long> next = products.written(after, CHUNK);
        !next.isEmpty();
        next = products.written(after, CHUNK)) {
      for (long id : next) {
        Product product = products.get(id);
        for (Mark mark : proofs.mended(product, m -> true).marks()) {
          csv.writeRecord(
              FormulaGuard.neutral(product.facts().sku()),
              FormulaGuard.neutral(product.facts().name()),
              mark.field().label(),
              mark.check(),
              weight(mark.weight()),
              FormulaGuard.neutral(mark.words()),
              mark.why(),
              FormulaGuard.neutral(mark.fix()));
        }
      }
      after = next.getLast();
    }
  }

  private static String weight(Mark.Weight weight) {
    return weight == Mark.Weight.MUST_FIX ? "must fix" : "weigh";
  }

  /**
   * How far mending a cause has come.
   *
   * @param mended texts mended in this step
   * @param after product after which to go on, 0 if all are done
   */
  public record MendStep(int mended, long after) {}

  /**
   * Mends a cause in the texts of the next products that have it.
   *
   * @param after product after which to go on, 0 for the first
   */
  MendStep mend(CauseOf of, long after, String by) {
    List<Long> next = findings.products(of.cause, of.weight, of.only(), true, after, AT_ONCE);
    String where = of.only().map(f -> f.label() + ": ").orElse("");
    int mended = 0;
    for (long product : next) {
      mended += proofs.mend(product, of.marks(), where + of.cause + " mended", by) ? 1 : 0;
    }
    return new MendStep(mended, next.size() < AT_ONCE ? 0 : next.getLast());
  }
}
