package rhetor.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import java.util.function.IntFunction;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductService;
import rhetor.app.proof.ChannelTexts;
import rhetor.app.style.HouseStyle;
import rhetor.app.web.Refused;
import rhetor.core.exchange.SheetWriter;
import rhetor.core.exchange.SheetWriters;
import rhetor.core.exchange.TextColumns;
import rhetor.core.reading.ColumnReading;
import rhetor.core.reading.KnownReading;
import rhetor.core.reading.KnownReading.ColumnChange;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.NumberStyle;
import rhetor.core.reading.Reading;
import rhetor.core.reading.ReadingProposer;
import rhetor.core.sheet.Sheet;
import rhetor.core.sheet.SheetException;
import rhetor.core.sheet.SheetFormat;
import rhetor.core.sheet.SheetRow;
import rhetor.core.sheet.SheetShape;

/** Proposes how a sheet is read, keeps what people say of that, and writes it out with texts. */
@Service
public class IntakeService {
  private static final int SAMPLE = 300;

  /** Sheets that share this much of their headings are taken for the same supplier's. */
  private static final double RECOGNISED = 0.8;

  /** Fewer headings are the same by chance. */
  private static final int TELLING = 5;

  /** Held while a copy is stored for an intake that isn't noted yet, so that nobody removes it. */
  private final ReadWriteLock copies = new ReentrantReadWriteLock();

  private final IntakeStore intakes;
  private final SheetFolder folder;
  private final ProductService products;
  private final HouseKnowledge knowledge;
  private final ChannelTexts channels;
  private final HouseStyle style;
  private final ColumnAnswers answers;

  IntakeService(
      IntakeStore intakes,
      SheetFolder folder,
      ProductService products,
      HouseKnowledge knowledge,
      ChannelTexts channels,
      HouseStyle style,
      ColumnAnswers answers) {
    this.style = style;
    this.answers = answers;
    this.channels = channels;
    this.intakes = intakes;
    this.folder = folder;
    this.products = products;
    this.knowledge = knowledge;
  }

  private ReadingProposer proposer() {
    return knowledge.current().index(ReadingProposer.class, ReadingProposer::new);
  }

  /** A sheet that has been taken in. */
  public record Taken(long id, String supplier) {}

  /** The latest sheets that have been taken in, the last first. */
  public List<Taken> taken() {
    return latest().stream()
        .filter(i -> i.status() == Intake.Status.TAKEN)
        .map(i -> new Taken(i.id(), i.supplier()))
        .toList();
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
    copies.readLock().lock();
    try {
      return propose(supplier, fileName, folder.store(in), by);
    } finally {
      copies.readLock().unlock();
    }
  }

  private Intake propose(String supplier, String fileName, String storedAs, String by) {
    Sheet sheet;
    try {
      sheet = Sheet.open(folder.path(storedAs), folder.rows(storedAs));
    } catch (RuntimeException e) {
      // The same bytes are refused whoever brings them.
      removeCopy(storedAs);
      throw e;
    }
    String from =
        supplier.isBlank()
            ? recognised(sheet).orElseGet(() -> fileName.replaceFirst("\\.[^.]*$", ""))
            : supplier.strip();
    Proposal proposal = proposal(from, fileName, sheet);
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

  private Proposal proposal(String supplier, String fileName, Sheet sheet) {
    List<SheetRow> sample = sample(sheet, SAMPLE);
    Reading fresh =
        proposer()
            .propose(
                sheet.layout().headings(), sample, answers.all(), sheet.layout().title(fileName));
    return intakes.knownReadings().stream()
        .filter(k -> k.supplier().equalsIgnoreCase(supplier))
        .findFirst()
        .map(k -> k.compare(fresh, proposer().profiles(fresh, sample), knowledge.standard()))
        .map(c -> new Proposal(c.reading(), c.changes()))
        .orElseGet(() -> new Proposal(fresh, List.of()));
  }

  /** Reads a waiting sheet as another supplier's. */
  Intake setSupplier(long id, String supplier) {
    Intake intake = get(id);
    requireProposed(intake);
    Sheet sheet = sheet(intake);
    Proposal proposal = proposal(supplier.strip(), intake.fileName(), sheet);
    intakes.propose(id, supplier.strip(), sheet.layout(), proposal.reading, proposal.changes);
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
    return proposeAgain(intake, sheet(intake).shaped(shape));
  }

  /**
   * Reads another worksheet of a waiting workbook, its table found by the look of its rows.
   *
   * @throws SheetException if there is no table; then it is read as before
   */
  Intake setWorksheet(long id, String worksheet) {
    Intake intake = get(id);
    requireProposed(intake);
    return proposeAgain(intake, sheet(intake).worksheet(worksheet));
  }

  /**
   * Reads a waiting sheet of delimited text as written otherwise.
   *
   * @throws SheetException if it can't be read so; then it is read as before
   */
  Intake setWriting(long id, Charset charset, char delimiter) {
    Intake intake = get(id);
    requireProposed(intake);
    if (intake.layout().format() != SheetFormat.DELIMITED) {
      throw Refused.invalid(
          "Only delimited text has an encoding and a delimiter that can be chosen.");
    }
    return proposeAgain(intake, sheet(intake).written(charset, delimiter));
  }

  private Intake proposeAgain(Intake intake, Sheet sheet) {
    Proposal proposal = proposal(intake.supplier(), intake.fileName(), sheet);
    intakes.propose(
        intake.id(), intake.supplier(), sheet.layout(), proposal.reading, proposal.changes);
    return get(intake.id());
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

  /** The first rows of an intake's sheet. */
  List<SheetRow> preview(Intake intake, int rows) {
    return sample(sheet(intake), rows);
  }

  /**
   * Sheets are stored under the hash of their bytes, so what was found out about one stays true.
   */
  Sheet sheet(Intake intake) {
    return Sheet.known(
        folder.path(intake.storedAs()), intake.layout(), folder.rows(intake.storedAs()));
  }

  static List<SheetRow> sample(Sheet sheet, int most) {
    List<SheetRow> sample = new ArrayList<>();
    try (Sheet.Rows rows = sheet.rows()) {
      while (rows.hasNext() && sample.size() < most) {
        sample.add(rows.next());
      }
    }
    return sample;
  }

  /**
   * What a person says of a column.
   *
   * @param column its index
   * @param unit the unit of cells that give none: its id, empty if they have none, nothing if that
   *     wasn't said
   */
  record Said(int column, Meaning meaning, Optional<String> unit) {}

  /** Reads columns of a waiting sheet as a person says, and like columns of others from then on. */
  @Transactional
  public Intake setColumns(long id, List<Said> said, Optional<NumberStyle> numbers, String by) {
    // Two people may be at it: what the other one said stays.
    intakes.lock(id);
    Intake intake = get(id);
    requireProposed(intake);
    List<ColumnReading> columns = new ArrayList<>(intake.reading().columns());
    List<SheetRow> sample = sample(sheet(intake), SAMPLE);
    for (Said s : said) {
      if (s.column < 0 || s.column >= columns.size()) {
        throw Refused.invalid(
            "The sheet has %d columns; there is no column %d."
                .formatted(columns.size(), s.column + 1));
      }
      s.unit
          .filter(u -> !u.isEmpty() && knowledge.current().unitWritten(u).isEmpty())
          .ifPresent(
              u -> {
                throw Refused.invalid(
                    "No unit is called \"" + u + "\". Use one such as g, mm or l.");
              });
      ColumnReading before = columns.get(s.column);
      if (!before.meaning().equals(s.meaning) || !before.choices().isEmpty()) {
        answers.remember(before.heading(), s.meaning, intake.supplier(), by);
      }
      columns.set(
          s.column,
          s.unit
              .map(u -> columns.get(s.column).as(s.meaning, u))
              .orElseGet(() -> proposer().said(intake.reading(), s.column, s.meaning, sample)));
    }
    NumberStyle style = numbers.orElse(intake.reading().numbers());
    intakes.setReading(
        id, intake.reading().with(columns, style, proposer().boilerplate(columns, style, sample)));
    return get(id);
  }

  /**
   * Says what each product of a waiting sheet is, where nothing of its own says more.
   *
   * @param noun as it is said of one: "ladder"; empty if they differ
   */
  @Transactional
  public Intake setThing(long id, String noun) {
    intakes.lock(id);
    Intake intake = get(id);
    requireProposed(intake);
    intakes.setReading(id, intake.reading().withThing(noun));
    return get(id);
  }

  /** The intake has been taken in; its sheet is parsed anew should anybody want its rows again. */
  void forgetRows(Intake intake) {
    folder.forgetRows(intake.storedAs());
  }

  /** Nouns that the products of a sheet may be called by, the likeliest first. */
  List<String> thingsLike(Intake intake) {
    Sheet sheet = sheet(intake);
    return proposer().thingsLike(sheet.layout().headings(), sample(sheet, SAMPLE));
  }

  /** Keeps how a supplier's sheet was read, for the next one. */
  void remember(Intake intake) {
    List<SheetRow> sample = sample(sheet(intake), SAMPLE);
    intakes.remember(
        new KnownReading(
            intake.supplier(), intake.reading(), proposer().profiles(intake.reading(), sample)));
  }

  static void requireProposed(Intake intake) {
    switch (intake.status()) {
      case PROPOSED -> {}
      case TAKING -> throw Refused.conflict("This sheet is being taken in right now.");
      case TAKEN, TAKEN_BACK ->
          throw Refused.conflict(
              "This sheet has been taken in already. Drop it again to read it in another way.");
    }
  }

  void discard(long id) {
    Intake intake = get(id);
    requireProposed(intake);
    copies.writeLock().lock();
    try {
      intakes.delete(id);
      removeCopy(intake.storedAs());
    } finally {
      copies.writeLock().unlock();
    }
  }

  /** Removes a sheet's copy that no intake needs. */
  private void removeCopy(String storedAs) {
    if (!intakes.isOfAny(storedAs)) {
      folder.remove(storedAs);
    }
  }

  /** Whether there is such an intake; a sheet that waited may have been discarded. */
  public boolean exists(long id) {
    return intakes.find(id).isPresent();
  }

  /** Writes an intake's sheet with the texts of the house's own shop behind its own columns. */
  public void exportSheet(long id, OutputStream out) throws IOException {
    export(get(id), 0, false, out);
  }

  /**
   * Writes the intake's sheet with the texts behind its own columns.
   *
   * @param channel where the texts go, 0 for the house's own shop
   * @param signedOnly whether only products are written whose text is signed off or published
   */
  void export(Intake intake, long channel, boolean signedOnly, OutputStream out)
      throws IOException {
    Sheet sheet = sheet(intake);
    IntFunction<List<String>> texts = texts(intake, channel, signedOnly);
    Map<Long, String> reasons = new HashMap<>();
    intake.result().problems().forEach(p -> reasons.put(p.row(), p.toString()));
    try (SheetWriter writer = SheetWriters.open(out, sheet.layout());
        Sheet.Rows all = sheet.rows()) {
      writer.head(sheet, TextColumns.HEADINGS);
      while (all.hasNext()) {
        SheetRow row = all.next();
        List<String> cells = texts.apply(row.number());
        writer.write(
            row,
            !cells.isEmpty()
                ? cells
                : TextColumns.none(reasons.getOrDefault((long) row.number(), "")));
      }
    }
  }

  /** The cells of each row that has a text; none for the others. */
  private IntFunction<List<String>> texts(Intake intake, long channel, boolean signedOnly) {
    if (channel == 0) {
      Map<Integer, List<String>> texts =
          products.textCells(intake.id(), signedOnly, style.current().structure().headingLevel());
      return row -> texts.getOrDefault(row, List.of());
    }
    ChannelTexts.Writer writer = channels.writer(channel);
    Map<Integer, Long> written = products.written(intake.id(), signedOnly);
    return row -> written.containsKey(row) ? writer.cells(written.get(row)) : List.of();
  }
}
