package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.ArrayList;
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
import rhetor.app.product.Product;
import rhetor.app.product.ProductLine;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.check.Mark;
import rhetor.core.check.Readiness;
import rhetor.core.compose.Block;
import rhetor.core.compose.Field;
import rhetor.core.compose.Sentence;
import rhetor.core.compose.Support;
import rhetor.core.exchange.Html;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.Source;
import rhetor.core.keyword.KeywordMatch;

/** Proofs over HTTP. The ETag is the revision; whoever changes something sends the one they saw. */
@RestController
class ProofController {
  private final ProofService proofs;
  private final ProductService products;
  private final Knowledge knowledge;

  ProofController(ProofService proofs, ProductService products, Knowledge knowledge) {
    this.proofs = proofs;
    this.products = products;
    this.knowledge = knowledge;
  }

  /** A sentence with the numbers of its footnotes. */
  record SentenceView(String text, List<Integer> footnotes) {}

  record BlockView(Block.Kind kind, List<SentenceView> sentences) {}

  /** What a footnote points at: a fact with its cells, a claim, or the keyword. */
  record Footnote(int number, Support.Kind kind, String label, String text, List<Source> sources) {}

  record KeywordPlace(KeywordMatch.Form form, String words) {}

  record FieldView(
      String code,
      String label,
      int least,
      int most,
      int length,
      String html,
      List<BlockView> blocks,
      List<Footnote> footnotes,
      List<Mark> marks,
      KeywordPlace keyword) {}

  record Proof(
      ProductLine product,
      long revision,
      List<FieldView> fields,
      Readiness readiness,
      List<TextStore.Revision> history,
      boolean canUndo,
      String supplierText) {}

  record Change(@NotNull String text) {}

  record NewKeyword(@NotNull String keyword) {}

  record Restore(long revision) {}

  record SignOffs(@NotNull Map<Long, Long> revisions) {}

  record SignedOff(int count) {}

  @GetMapping("/api/proofs/{id}")
  ResponseEntity<Proof> get(@PathVariable long id) {
    Product product = products.get(id);
    Text text = proofs.current(product);
    List<FieldView> fields = new ArrayList<>();
    for (Field field : Field.values()) {
      fields.add(view(field, text, product));
    }
    Proof proof =
        new Proof(
            products.line(id),
            text.id(),
            fields,
            text.audit().readiness(),
            proofs.history(id),
            text.parentId() != 0,
            product.facts().supplierText());
    return ResponseEntity.ok().eTag(String.valueOf(text.id())).body(proof);
  }

  private FieldView view(Field field, Text text, Product product) {
    Map<Support, Footnote> footnotes = new LinkedHashMap<>();
    List<BlockView> blocks =
        text.draft().blocks(field).stream()
            .map(
                b ->
                    new BlockView(
                        b.kind(),
                        b.sentences().stream().map(s -> sentence(s, footnotes, product)).toList()))
            .toList();
    String plain = text.draft().plain(field);
    String html = Html.of(text.draft().blocks(field));
    List<Mark> marks = text.audit().marks().stream().filter(m -> m.field() == field).toList();
    return new FieldView(
        field.code(),
        field.label(),
        field.least(),
        field.most(),
        plain.length(),
        field == Field.DESCRIPTION ? html : plain,
        blocks,
        List.copyOf(footnotes.values()),
        marks,
        keyword(product.keyword(), plain));
  }

  private SentenceView sentence(
      Sentence sentence, Map<Support, Footnote> footnotes, Product product) {
    List<Integer> numbers = new ArrayList<>();
    for (Support support : sentence.support()) {
      Footnote note = footnotes.get(support);
      if (note == null) {
        note = footnote(footnotes.size() + 1, support, product);
        footnotes.put(support, note);
      }
      numbers.add(note.number());
    }
    return new SentenceView(sentence.text(), numbers);
  }

  private Footnote footnote(int number, Support support, Product product) {
    return switch (support.kind()) {
      case FACT ->
          product.facts().facts().stream()
              .filter((Fact f) -> f.id().equals(support.id()))
              .findFirst()
              .map(f -> new Footnote(number, Support.Kind.FACT, f.label(), "", f.sources()))
              .orElse(
                  new Footnote(
                      number,
                      Support.Kind.FACT,
                      "Fact",
                      "The supplier no longer gives this fact.",
                      List.of()));
      case CLAIM -> {
        String words =
            knowledge.claims().stream()
                .filter(c -> c.id().equals(support.id()))
                .map(Claim::text)
                .findFirst()
                .orElse("This claim has been withdrawn.");
        yield new Footnote(number, Support.Kind.CLAIM, "Claim", words, List.of());
      }
      case KEYWORD ->
          new Footnote(number, Support.Kind.KEYWORD, "Keyword", support.id(), List.of());
    };
  }

  private static KeywordPlace keyword(String keyword, String plain) {
    if (keyword.isBlank()) {
      return new KeywordPlace(KeywordMatch.Form.MISSING, "");
    }
    KeywordMatch match = KeywordMatch.find(keyword, plain);
    return new KeywordPlace(
        match.form(), match.start() < 0 ? "" : plain.substring(match.start(), match.end()));
  }

  @PutMapping("/api/proofs/{id}/fields/{field}")
  ResponseEntity<Proof> change(
      @PathVariable long id,
      @PathVariable String field,
      @Valid @RequestBody Change change,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.change(id, field(field), change.text(), revision(seen), person.getName());
    return get(id);
  }

  @PutMapping("/api/proofs/{id}/keyword")
  ResponseEntity<Proof> changeKeyword(
      @PathVariable long id,
      @Valid @RequestBody NewKeyword change,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    proofs.changeKeyword(id, change.keyword(), revision(seen), person.getName());
    return get(id);
  }

  private static Field field(String code) {
    try {
      return Field.parse(code);
    } catch (IllegalArgumentException e) {
      throw Refused.notFound("There is no field called " + code + ".");
    }
  }

  private static long revision(String etag) {
    try {
      return Long.parseLong(etag.replaceAll("^W/|\"", ""));
    } catch (NumberFormatException e) {
      throw Refused.invalid("If-Match has to be the revision's ETag.");
    }
  }

  @PostMapping("/api/proofs/{id}/undo")
  ResponseEntity<Proof> undo(@PathVariable long id, @RequestHeader("If-Match") String seen) {
    proofs.undo(id, revision(seen));
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/restore")
  ResponseEntity<Proof> restore(
      @PathVariable long id, @RequestBody Restore restore, @RequestHeader("If-Match") String seen) {
    proofs.restore(id, restore.revision(), revision(seen));
    return get(id);
  }

  @PostMapping("/api/proofs/{id}/sign-off")
  ResponseEntity<Proof> signOff(@PathVariable long id, @RequestHeader("If-Match") String seen) {
    proofs.signOff(id, revision(seen));
    return get(id);
  }

  @PostMapping("/api/proofs/sign-off")
  SignedOff signOff(@Valid @RequestBody SignOffs signOffs) {
    return new SignedOff(proofs.signOff(signOffs.revisions()));
  }

  @PostMapping("/api/proofs/{id}/send-back")
  ResponseEntity<Proof> sendBack(@PathVariable long id, @RequestHeader("If-Match") String seen) {
    proofs.sendBack(id, revision(seen));
    return get(id);
  }
}
