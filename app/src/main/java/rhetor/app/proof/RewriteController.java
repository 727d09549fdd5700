package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.app.web.RequestWords;
import rhetor.core.compose.Rewriter;
import rhetor.core.style.Field;
import rhetor.core.style.Voice;
import rhetor.core.style.Voices;
import rhetor.core.text.Draft;

/** Takes and rewriting over HTTP. What is shown is composed anew each time, and kept on request. */
@RestController
class RewriteController {
  private final RewriteService rewrites;
  private final ProofService proofs;
  private final ProductService products;
  private final ProofController proofViews;
  private final FieldViews views;

  RewriteController(
      RewriteService rewrites,
      ProofService proofs,
      ProductService products,
      ProofController proofViews,
      FieldViews views) {
    this.rewrites = rewrites;
    this.proofs = proofs;
    this.products = products;
    this.proofViews = proofViews;
    this.views = views;
  }

  /** One take, with the numeral that it goes by. */
  record Take(int number, String numeral, List<FieldViews.FieldView> fields) {}

  @GetMapping("/api/proofs/{id}/takes")
  List<Take> takes(
      @PathVariable long id,
      @RequestParam(defaultValue = "plain") String voice,
      @RequestParam(defaultValue = "3") int number) {
    Product product = products.get(id);
    List<Take> takes = new ArrayList<>();
    for (Draft draft : rewrites.takes(product, voice(voice), number)) {
      int take = takes.size() + 1;
      takes.add(new Take(take, Roman.of(take), views.of(draft, List.of(), product)));
    }
    return takes;
  }

  /**
   * Which take is to count.
   *
   * @param fields codes of the fields to take over; null or empty for all
   */
  record Adoption(@NotNull String voice, int take, List<String> fields) {}

  @PostMapping("/api/proofs/{id}/takes")
  ResponseEntity<ProofController.Proof> adopt(
      @PathVariable long id,
      @Valid @RequestBody Adoption wish,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    Set<Field> fields =
        wish.fields == null
            ? Set.of()
            : wish.fields.stream().map(RequestWords::field).collect(Collectors.toSet());
    rewrites.adopt(
        id, voice(wish.voice), wish.take, fields, RequestWords.revision(seen), person.getName());
    return proofViews.get(id);
  }

  /** Lines that are to make up a field. */
  record Combination(
      @NotNull String field,
      @NotNull String voice,
      @NotNull List<RewriteService.PickedLine> lines) {}

  @PostMapping("/api/proofs/{id}/lines")
  ResponseEntity<ProofController.Proof> combine(
      @PathVariable long id,
      @Valid @RequestBody Combination wish,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    rewrites.combine(
        id,
        RequestWords.field(wish.field),
        voice(wish.voice),
        wish.lines,
        RequestWords.revision(seen),
        person.getName());
    return proofViews.get(id);
  }

  /**
   * What is to be rewritten, and how.
   *
   * @param sentences indexes of the sentences chosen, from 0; null or empty for the whole field
   * @param take another number gives other words
   */
  record Rewriting(
      @NotNull String field,
      @NotNull Rewriter.Way way,
      @NotNull String voice,
      List<Integer> sentences,
      int take) {
    Set<Integer> selected() {
      return sentences == null ? Set.of() : new TreeSet<>(sentences);
    }
  }

  /** Shows what a passage would become; nothing is kept. */
  @PostMapping("/api/proofs/{id}/rewriting")
  FieldViews.FieldView preview(@PathVariable long id, @Valid @RequestBody Rewriting wish) {
    Product product = products.get(id);
    Field field = RequestWords.field(wish.field);
    Draft draft =
        rewrites.rewrite(
            product, proofs.current(product).draft(), field, wish.selected(), order(wish));
    return views.of(draft, List.of(), product).get(field.ordinal());
  }

  @PostMapping("/api/proofs/{id}/rewritten")
  ResponseEntity<ProofController.Proof> keep(
      @PathVariable long id,
      @Valid @RequestBody Rewriting wish,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    rewrites.keepRewritten(
        id,
        RequestWords.field(wish.field),
        wish.selected(),
        order(wish),
        RequestWords.revision(seen),
        person.getName());
    return proofViews.get(id);
  }

  private static Rewriter.Order order(Rewriting wish) {
    return new Rewriter.Order(wish.way, voice(wish.voice), wish.take);
  }

  private static Voice voice(String id) {
    return Voices.find(id)
        .orElseThrow(() -> Refused.invalid("There is no voice called " + id + "."));
  }
}
