package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.log.HouseLog;
import rhetor.app.product.Product;
import rhetor.app.product.ProductLine;
import rhetor.app.product.ProductService;
import rhetor.app.web.RequestWords;
import rhetor.core.check.Audit;
import rhetor.core.check.Readiness;
import rhetor.core.text.Draft;

/** Proofs over HTTP. The ETag is the revision; whoever changes something sends the one they saw. */
@RestController
class ProofController {
  private final ProofService proofs;
  private final ProductService products;
  private final FieldViews views;
  private final SecondOpinions opinions;
  private final Assignments assignments;
  private final Lessons lessons;

  ProofController(
      ProofService proofs,
      ProductService products,
      FieldViews views,
      SecondOpinions opinions,
      Assignments assignments,
      Lessons lessons) {
    this.lessons = lessons;
    this.assignments = assignments;
    this.opinions = opinions;
    this.proofs = proofs;
    this.products = products;
    this.views = views;
  }

  /**
   * A text being read.
   *
   * @param reader name of the person whom it is given to, empty if it is nobody's
   */
  record Proof(
      ProductLine product,
      long revision,
      String reader,
      List<FieldViews.FieldView> fields,
      Readiness readiness,
      List<TextStore.Revision> history,
      List<HouseLog.LogEntry> deeds,
      boolean canUndo,
      String supplierText,
      List<ProofService.LeftOutFact> leftOut,
      List<LetBeStore.Overruled> overruled,
      List<Lessons.Learnable> learnable,
      List<CommentStore.Comment> comments) {}

  /**
   * A mark as the person saw it.
   *
   * @param field code of the field
   * @param sentence index in the field, from 0
   */
  record OverruledMark(
      @NotNull String field, int sentence, @NotNull String check, @NotNull String words) {
    ProofService.Seen seen() {
      return new ProofService.Seen(RequestWords.field(field), sentence, check, words);
    }
  }

  /**
   * A fact that answers a mark.
   *
   * @param label what it is of: "Material", or a heading of one's own
   */
  record StatedFact(
      @NotNull @Valid OverruledMark mark, @NotNull String label, @NotNull String value) {}

  record RaiseAgain(long id) {}

  /**
   * A sentence that is to teach how one fact of a product is put.
   *
   * @param heading the fact's column, or what its kind is called
   */
  record TypedWording(@NotBlank String heading, @NotNull @Size(max = 400) String sentence) {}

  /**
   * How a fact would be told by a sentence.
   *
   * @param learnable empty if it isn't understood, else the wording alone
   * @param why what is in the way and what to do
   */
  record ReadWording(List<Lessons.Learnable> learnable, String why) {}

  /** How a fact would be told by a sentence that somebody types for it; nothing is kept. */
  @PostMapping("/api/proofs/{id}/wording")
  ReadWording readWording(@PathVariable long id, @Valid @RequestBody TypedWording typed) {
    Lessons.Typed read = proofs.typed(id, typed.heading, typed.sentence);
    return new ReadWording(read.learnable().stream().toList(), read.why());
  }

  /**
   * What is said of a text.
   *
   * @param field code of the field, empty where all of the text is meant
   * @param passage the words that it is about, empty where the field or all of the text is meant
   */
  record NewComment(
      @NotNull String field,
      @NotNull @Size(max = 1000) String passage,
      @NotBlank @Size(max = 1000) String said) {}

  /**
   * @param reason what is to be changed, empty if that need not be said
   */
  record SendingBack(@Size(max = 1000) String reason) {
    SendingBack {
      reason = reason == null ? "" : reason.strip();
    }
  }

  /**
   * Asks a text model about what stands in no cell.
   *
   * @param products whose texts
   * @param ask whether it is asked; if not, only what it would cost is said
   */
  record Unsure(long connection, @NotNull List<@NotNull Long> products, boolean ask) {}

  record Change(@NotNull String text) {}

  record NewKeyword(@NotNull String keyword) {}

  record Restore(long revision) {}

  record SignOffs(@NotNull Map<Long, Long> revisions) {}

  record SignedOff(int count) {}

  @GetMapping("/api/proofs/{id}")
  ResponseEntity<Proof> get(@PathVariable long id) {
    Product product = products.get(id);
    Text text = proofs.current(product);
    Audit audit = proofs.audit(product, text);
    Proof proof =
        new Proof(
            products.line(id),
            text.id(),
            assignments.reader(id).orElse(""),
            views.of(text.draft(), audit.marks(), product),
            audit.readiness(),
            proofs.history(id),
            proofs.deeds(id),
            text.parentId() != 0,
            product.facts().supplierText(),
            proofs.leftOut(product),
            proofs.overruled(product),
            lessons.of(product, text, audit.marks()),
            proofs.comments(id));
    return ResponseEntity.ok().eTag(String.valueOf(text.id())).body(proof);
  }

  /**
   * What a revision says.
   *
   * @param fields plain text by the field's code, paragraphs and list items on lines of their own
   */
  record Earlier(long revision, Map<String, String> fields) {}

  /** A revision of a product's texts, to be read beside another. */
  @GetMapping("/api/proofs/{id}/revisions/{revision}")
  Earlier earlier(@PathVariable long id, @PathVariable long revision) {
    Draft draft = proofs.revision(id, revision).draft();
    Map<String, String> fields = new LinkedHashMap<>();
    draft.fields().keySet().forEach(f -> fields.put(f.code(), draft.plain(f)));
    return new Earlier(revision, fields);
  }

  @PutMapping("/api/proofs/{id}/fields/{field}")
  ResponseEntity<Proof> change(
      @PathVariable long id,
      @PathVariable String field,
      @Valid @RequestBody Change change,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.change(
        id,
        RequestWords.field(field),
        change.text(),
        RequestWords.revision(seen),
        person.getName());
    return get(id);
  }

  /** What the checks say of a field as somebody types it; nothing is kept. */
  @PostMapping("/api/proofs/{id}/fields/{field}/marks")
  List<ProofService.TypedMark> marksWhileTyping(
      @PathVariable long id, @PathVariable String field, @Valid @RequestBody Change change) {
    return proofs.look(id, RequestWords.field(field), change.text());
  }

  @PutMapping("/api/proofs/{id}/keyword")
  ResponseEntity<Proof> changeKeyword(
      @PathVariable long id,
      @Valid @RequestBody NewKeyword change,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.changeKeyword(id, change.keyword(), RequestWords.revision(seen), person.getName());
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/let-be")
  ResponseEntity<Proof> letBe(
      @PathVariable long id,
      @Valid @RequestBody OverruledMark mark,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.letBe(id, mark.seen(), RequestWords.revision(seen), person.getName());
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/this-is-so")
  ResponseEntity<Proof> thisIsSo(
      @PathVariable long id,
      @Valid @RequestBody StatedFact fact,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.thisIsSo(
        id,
        fact.mark().seen(),
        fact.label(),
        fact.value(),
        RequestWords.revision(seen),
        person.getName());
    return get(id);
  }

  /** What a text model says of sentences whose words stand in no cell. */
  @PostMapping("/api/proofs/second-opinion")
  SecondOpinions.Opinion secondOpinion(@Valid @RequestBody Unsure unsure, Principal person) {
    return opinions.of(unsure.connection(), unsure.products(), unsure.ask(), person.getName());
  }

  @PostMapping("/api/proofs/{id}/raise-again")
  ResponseEntity<Proof> raiseAgain(
      @PathVariable long id, @Valid @RequestBody RaiseAgain again, Principal person) {
    proofs.raiseAgain(id, again.id(), person.getName());
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/undo")
  ResponseEntity<Proof> undo(@PathVariable long id, @RequestHeader("If-Match") String seen) {
    proofs.undo(id, RequestWords.revision(seen));
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/restore")
  ResponseEntity<Proof> restore(
      @PathVariable long id, @RequestBody Restore restore, @RequestHeader("If-Match") String seen) {
    proofs.restore(id, restore.revision(), RequestWords.revision(seen));
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/sign-off")
  ResponseEntity<Proof> signOff(
      @PathVariable long id, @RequestHeader("If-Match") String seen, Principal person) {
    proofs.signOff(id, RequestWords.revision(seen), person.getName());
    return get(id);
  }

  @PostMapping("/api/proofs/sign-off")
  SignedOff signOff(@Valid @RequestBody SignOffs signOffs, Principal person) {
    return new SignedOff(proofs.signOff(signOffs.revisions(), person.getName()));
  }

  @PostMapping("/api/proofs/{id}/send-back")
  ResponseEntity<Proof> sendBack(
      @PathVariable long id,
      @RequestHeader("If-Match") String seen,
      @Valid @RequestBody(required = false) SendingBack why,
      Principal person) {
    String reason = why == null ? "" : why.reason();
    proofs.sendBack(id, RequestWords.revision(seen), reason, person.getName());
    return get(id);
  }

  /** Says something about a text to those who read it next; the text needn't be the last one. */
  @PostMapping("/api/proofs/{id}/comments")
  ResponseEntity<Proof> comment(
      @PathVariable long id,
      @RequestHeader("If-Match") String seen,
      @Valid @RequestBody NewComment comment,
      Principal person) {
    String field = comment.field().isEmpty() ? "" : RequestWords.field(comment.field()).code();
    proofs.comment(
        id,
        RequestWords.revision(seen),
        field,
        comment.passage().strip(),
        comment.said().strip(),
        person.getName());
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/comments/{comment}/settle")
  ResponseEntity<Proof> settle(
      @PathVariable long id, @PathVariable long comment, Principal person) {
    proofs.settle(id, comment, person.getName());
    return get(id);
  }
}
