package rhetor.app.intake;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rhetor.app.channel.Channels;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.ProductIntake.LeaveAlone;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.exchange.SheetWriters;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.reading.CellText;
import rhetor.core.reading.KnownReading.ColumnChange;
import rhetor.core.reading.Meaning;
import rhetor.core.reading.NumberStyle;
import rhetor.core.sheet.SheetLimits;
import rhetor.core.sheet.SheetRow;
import rhetor.core.sheet.SheetShape;

/** Sheets in and out over HTTP. */
@RestController
class IntakeController {
  private static final int PREVIEW = 8;
  private static final int TOP = 14;
  private static final int TOP_CELLS = 12;
  private static final int LONGEST_CELL = 160;

  private final IntakeService intakes;
  private final IntakeTaking taking;
  private final EditedTexts edited;
  private final HouseKnowledge knowledge;
  private final Channels channels;

  IntakeController(
      IntakeService intakes,
      IntakeTaking taking,
      EditedTexts edited,
      HouseKnowledge knowledge,
      Channels channels) {
    this.edited = edited;
    this.channels = channels;
    this.intakes = intakes;
    this.taking = taking;
    this.knowledge = knowledge;
  }

  /** One column as a person sees it when deciding what it means. */
  record Column(
      String heading,
      String meaning,
      String unit,
      double confidence,
      String reason,
      List<String> choices,
      List<String> units) {}

  record PreviewRow(int number, List<String> cells) {}

  record IntakeView(
      long id,
      String supplier,
      String fileName,
      String status,
      String evidence,
      String format,
      String encoding,
      String delimiter,
      Shape shape,
      List<String> worksheets,
      List<String> notes,
      List<String> boilerplate,
      List<ColumnChange> changes,
      boolean hasToBeSeen,
      boolean seen,
      String numbers,
      String language,
      int rows,
      List<Column> columns,
      String thing,
      boolean asksThing,
      boolean hasTexts,
      String obstacle,
      List<PreviewRow> preview,
      IntakeResult result,
      String createdBy,
      Instant createdAt) {}

  record IntakeLine(
      long id,
      String supplier,
      String fileName,
      String status,
      int rows,
      int added,
      int changed,
      int rejected,
      String createdBy,
      Instant createdAt) {}

  /** Something that a column can mean. */
  record MeaningChoice(String code, String label, String group) {}

  /** What may be dropped. */
  record Limits(long bytes, int rows, int columns, int cellCharacters) {}

  /** What a person says of a column: its index, its meaning, the unit of cells that give none. */
  record ColumnSaid(int column, @NotNull String meaning, String unit) {}

  /** What a person says of columns, and of the decimal character of the whole sheet if anything. */
  record ColumnsSaid(
      @NotNull @Valid List<ColumnSaid> columns, @Pattern(regexp = "POINT|COMMA") String numbers) {}

  record Worksheet(@NotBlank String worksheet) {}

  /** How delimited text is written: a charset's name, and the character between cells. */
  record Writing(@NotBlank String encoding, @NotNull @Size(min = 1, max = 1) String delimiter) {}

  record Supplier(@NotBlank String supplier) {}

  /** What each product is, as it is said of one; empty if they differ. */
  record Thing(
      @NotNull
          @Size(max = 60)
          @Pattern(
              regexp = "|\\p{L}[\\p{L}\\p{M} '’-]*",
              message = "A noun has letters, spaces and hyphens: cordless drill")
          String noun) {}

  /** Where a sheet's table stands. */
  record Shape(@NotNull String worksheet, int headingRow, int headingRows, int firstRow) {}

  /** Which products keep the facts they have; none if it isn't said. */
  record TakeRules(Boolean leavePublished, Boolean leaveSignedOff) {
    LeaveAlone leaveAlone() {
      return new LeaveAlone(
          Boolean.TRUE.equals(leavePublished), Boolean.TRUE.equals(leaveSignedOff));
    }
  }

  @GetMapping("/api/intakes")
  List<IntakeLine> list() {
    return intakes.latest().stream()
        .map(
            i ->
                new IntakeLine(
                    i.id(),
                    i.supplier(),
                    i.fileName(),
                    i.status().name(),
                    i.layout().rows(),
                    i.result().added(),
                    i.result().changed(),
                    i.result().rejected() + i.result().duplicates(),
                    i.createdBy(),
                    i.createdAt()))
        .toList();
  }

  @GetMapping("/api/intakes/limits")
  Limits limits() {
    SheetLimits l = SheetLimits.STANDARD;
    return new Limits(l.bytes(), l.rows(), l.columns(), l.cellCharacters());
  }

  /** A class of products that a blank sheet can be had for. */
  record BlankSheet(String productClass, String noun) {}

  @GetMapping("/api/intakes/blanks")
  List<BlankSheet> blanks() {
    return knowledge.current().classes().stream()
        .filter(ProductClass::isConcrete)
        .map(c -> new BlankSheet(c.id(), c.plural()))
        .sorted(java.util.Comparator.comparing(BlankSheet::noun))
        .toList();
  }

  /** A sheet to fill in: headings that are understood by themselves, the essential ones first. */
  @GetMapping("/api/intakes/blank")
  void blank(@RequestParam String productClass, HttpServletResponse response) throws IOException {
    ProductClass wanted =
        knowledge
            .current()
            .productClass(productClass)
            .orElseThrow(
                () ->
                    Refused.notFound("There is no class of products called " + productClass + "."));
    response.setContentType("text/csv");
    response.setCharacterEncoding("UTF-8");
    response.setHeader(
        "Content-Disposition",
        ContentDisposition.attachment().filename(wanted.id() + ".csv").build().toString());
    response.getWriter().write(BlankSheets.csv(wanted, knowledge.current()));
  }

  /**
   * All that a column may mean; of parts of things, which are too many to list, those asked for.
   */
  @GetMapping("/api/intakes/meanings")
  List<MeaningChoice> meanings(@RequestParam(defaultValue = "") List<String> also) {
    List<MeaningChoice> choices = new ArrayList<>();
    choices.add(new MeaningChoice("sku", "SKU", "Key"));
    choices.add(new MeaningChoice("name", "Name", "Key"));
    choices.add(new MeaningChoice("prose", "Supplier's prose, mined for facts", "Text"));
    choices.add(new MeaningChoice("keyword", "Primary keyword", "Text"));
    choices.add(new MeaningChoice("picture", "Picture, by address or file name", "Other"));
    choices.add(new MeaningChoice("extra", "Extra fact under its own heading", "Other"));
    choices.add(new MeaningChoice("keep", "Keep, but never write about it", "Other"));
    knowledge.current().concepts().stream()
        .sorted(java.util.Comparator.comparing(Concept::label))
        .forEach(c -> choices.add(new MeaningChoice(c.id(), c.label(), "Fact")));
    Set<String> listed = choices.stream().map(MeaningChoice::code).collect(Collectors.toSet());
    also.stream()
        .filter(listed::add)
        .flatMap(id -> knowledge.current().concept(id).stream())
        .forEach(c -> choices.add(new MeaningChoice(c.id(), c.label(), "Part")));
    return choices;
  }

  @PostMapping(path = "/api/intakes", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  IntakeView propose(
      @RequestParam MultipartFile file,
      @RequestParam(defaultValue = "") String supplier,
      Principal person)
      throws IOException {
    String name = fileName(file.getOriginalFilename());
    try (var in = file.getInputStream()) {
      return view(intakes.propose(supplierName(supplier), name, in, person.getName()));
    }
  }

  private static String supplierName(String supplier) {
    if (supplier.strip().length() > 120) {
      throw Refused.invalid("The supplier's name has more than 120 characters.");
    }
    return supplier.strip();
  }

  /** The last part of a file's name: browsers and scripts may send a path. */
  private static String fileName(String sent) {
    String name = sent == null ? "" : sent.replaceAll(".*[/\\\\]", "").replaceAll("\\p{Cntrl}", "");
    return name.isBlank()
        ? "sheet.csv"
        : name.length() > 200 ? name.substring(name.length() - 200) : name;
  }

  @GetMapping("/api/intakes/{id}")
  IntakeView get(@PathVariable long id) {
    return view(intakes.get(id));
  }

  @PutMapping("/api/intakes/{id}/columns")
  IntakeView setColumns(
      @PathVariable long id, @Valid @RequestBody ColumnsSaid body, Principal person) {
    try {
      return view(
          intakes.setColumns(
              id,
              body.columns().stream()
                  .map(
                      c ->
                          new IntakeService.Said(
                              c.column(),
                              Meaning.parse(c.meaning(), knowledge.current()),
                              Optional.ofNullable(c.unit()).map(String::strip)))
                  .toList(),
              Optional.ofNullable(body.numbers()).map(NumberStyle::valueOf),
              person.getName()));
    } catch (IllegalArgumentException e) {
      throw Refused.invalid(e.getMessage());
    }
  }

  @PutMapping("/api/intakes/{id}/supplier")
  IntakeView setSupplier(@PathVariable long id, @Valid @RequestBody Supplier body) {
    return view(intakes.setSupplier(id, supplierName(body.supplier())));
  }

  @PutMapping("/api/intakes/{id}/thing")
  IntakeView setThing(@PathVariable long id, @Valid @RequestBody Thing body) {
    return view(intakes.setThing(id, CellText.clean(body.noun())));
  }

  /** Nouns that the products may be called by, the likeliest first. */
  @GetMapping("/api/intakes/{id}/things")
  List<String> things(@PathVariable long id) {
    return intakes.thingsLike(intakes.get(id));
  }

  /** What somebody edited of the texts that Rhetor wrote into a sheet. */
  @GetMapping("/api/intakes/{id}/texts")
  EditedTexts.TextsEdited editedTexts(@PathVariable long id) {
    return edited.find(id);
  }

  /** Takes them over into the proofs. */
  @PostMapping("/api/intakes/{id}/texts")
  EditedTexts.TextsTakenOver takeEditedTexts(@PathVariable long id, Principal person) {
    return edited.take(id, person.getName());
  }

  /**
   * What a sheet's text may be encoded in: all that this machine can read, the common ones first.
   */
  @GetMapping("/api/intakes/encodings")
  List<String> encodings() {
    return SheetEncodings.ALL;
  }

  @PutMapping("/api/intakes/{id}/shape")
  IntakeView setShape(@PathVariable long id, @Valid @RequestBody Shape body) {
    try {
      return view(
          intakes.setShape(
              id,
              new SheetShape(
                  body.worksheet(), body.headingRow(), body.headingRows(), body.firstRow())));
    } catch (IllegalArgumentException e) {
      throw Refused.invalid(e.getMessage());
    }
  }

  @PutMapping("/api/intakes/{id}/worksheet")
  IntakeView setWorksheet(@PathVariable long id, @Valid @RequestBody Worksheet body) {
    return view(intakes.setWorksheet(id, body.worksheet()));
  }

  @PutMapping("/api/intakes/{id}/writing")
  IntakeView setWriting(@PathVariable long id, @Valid @RequestBody Writing body) {
    if (!SheetEncodings.ALL.contains(body.encoding())) {
      throw Refused.invalid(
          "No encoding is called \"%s\". Use one such as %s."
              .formatted(body.encoding(), String.join(", ", SheetEncodings.COMMON)));
    }
    char delimiter = body.delimiter().charAt(0);
    if (Character.isLetterOrDigit(delimiter) || "\"\r\n".indexOf(delimiter) >= 0) {
      throw Refused.invalid(
          "Cells can't be parted by letters, digits, quotation marks or the ends of lines.");
    }
    return view(intakes.setWriting(id, Charset.forName(body.encoding()), delimiter));
  }

  @PutMapping("/api/intakes/{id}/seen")
  IntakeView setSeen(@PathVariable long id) {
    return view(intakes.setSeen(id));
  }

  /** The first rows of the file as they stand, preamble and headings too. */
  @GetMapping("/api/intakes/{id}/top")
  List<PreviewRow> top(@PathVariable long id) {
    return intakes.top(intakes.get(id)).stream()
        .limit(TOP)
        .map(r -> new PreviewRow(r.number(), cells(r, Math.min(TOP_CELLS, r.cells().size()))))
        .toList();
  }

  @PostMapping("/api/intakes/{id}/dry-run")
  IntakeTaking.DryRun dryRun(@PathVariable long id, @RequestBody TakeRules rules) {
    return taking.dryRun(id, rules.leaveAlone());
  }

  @PostMapping("/api/intakes/{id}/take")
  IntakeView take(@PathVariable long id, @RequestBody TakeRules rules, Principal person) {
    return view(taking.take(id, rules.leaveAlone(), person.getName()));
  }

  @PostMapping("/api/intakes/{id}/take-back")
  ProductService.TakeBack takeBack(@PathVariable long id, Principal person) {
    return taking.takeBack(id, person.getName());
  }

  @GetMapping("/api/intakes/{id}/rejected")
  void rejected(@PathVariable long id, HttpServletResponse response) throws IOException {
    Intake intake = intakes.get(id);
    attach(response, intake, "-not-taken-in");
    taking.rejected(intake, response.getOutputStream());
  }

  @DeleteMapping("/api/intakes/{id}")
  void discard(@PathVariable long id) {
    intakes.discard(id);
  }

  @GetMapping("/api/intakes/{id}/sheet")
  void export(
      @PathVariable long id,
      @RequestParam(defaultValue = "0") long channel,
      @RequestParam(defaultValue = "false") boolean signedOnly,
      HttpServletResponse response)
      throws IOException {
    Intake intake = intakes.get(id);
    // An unknown channel is refused before anything is sent.
    String suffix =
        channel == 0
            ? "-with-texts"
            : "-for-" + channels.get(channel).name().replaceAll("[^\\p{L}\\p{N}]+", "-");
    attach(response, intake, suffix);
    intakes.export(intake, channel, signedOnly, response.getOutputStream());
  }

  private static void attach(HttpServletResponse response, Intake intake, String suffix) {
    String extension = SheetWriters.extension(intake.layout());
    if (extension.equals("csv")) {
      response.setContentType("text/csv");
      response.setCharacterEncoding(intake.layout().charset().name());
    } else {
      response.setContentType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
    }
    String name = intake.fileName().replaceFirst("(\\.[^.]*)?$", "") + suffix + "." + extension;
    response.setHeader(
        "Content-Disposition",
        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString());
  }

  private IntakeView view(Intake i) {
    List<Column> columns =
        i.reading().columns().stream()
            .map(
                c ->
                    new Column(
                        c.heading(),
                        c.meaning().code(),
                        c.unit(),
                        c.confidence(),
                        c.reason(),
                        c.choices().stream().map(Meaning::code).toList(),
                        c.units()))
            .toList();
    int width = columns.size();
    List<PreviewRow> preview =
        intakes.preview(i, PREVIEW).stream()
            .map(r -> new PreviewRow(r.number(), cells(r, width)))
            .toList();
    return new IntakeView(
        i.id(),
        i.supplier(),
        i.fileName(),
        i.status().name(),
        i.layout().evidence(),
        i.layout().format().name(),
        i.layout().charset().name(),
        String.valueOf(i.layout().delimiter()),
        new Shape(
            i.layout().shape().worksheet(),
            i.layout().shape().headingRow(),
            i.layout().shape().headingRows(),
            i.layout().shape().firstRow()),
        i.layout().worksheets(),
        i.layout().notes(),
        i.reading().boilerplate(),
        i.changes(),
        IntakeTaking.hasToBeSeen(i),
        i.seen(),
        i.reading().numbers().name(),
        i.reading().language(),
        i.layout().rows(),
        columns,
        i.reading().commonThing(),
        i.reading().asksThing(),
        EditedTexts.hasTexts(i),
        i.reading().obstacle().orElse(""),
        preview,
        i.result(),
        i.createdBy(),
        i.createdAt());
  }

  private static List<String> cells(SheetRow row, int width) {
    List<String> cells = new ArrayList<>();
    for (int c = 0; c < width; c++) {
      String cell = row.cell(c);
      cells.add(cell.length() > LONGEST_CELL ? cell.substring(0, LONGEST_CELL) + "…" : cell);
    }
    return cells;
  }
}
