package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.Product;
import rhetor.app.product.ProductService;
import rhetor.app.web.RequestWords;

/** What people think of how texts are put, over HTTP. */
@RestController
class VerdictController {
  private static final int LONGEST_WHY = 400;

  private final WordingVerdicts verdicts;
  private final ProofService proofs;
  private final ProductService products;

  VerdictController(WordingVerdicts verdicts, ProofService proofs, ProductService products) {
    this.verdicts = verdicts;
    this.proofs = proofs;
    this.products = products;
  }

  /**
   * What somebody thinks of a passage.
   *
   * @param field code of the field that it stands in
   * @param isGood whether it is well put
   * @param why what is wrong with it, or empty
   */
  record NewVerdict(
      @NotNull String field,
      @NotNull String passage,
      boolean isGood,
      @NotNull @Size(max = LONGEST_WHY) String why) {}

  /** Keeps what somebody thinks of how a passage of a text is put. */
  @PostMapping("/api/proofs/{id}/verdicts")
  WordingVerdicts.Given judge(
      @PathVariable long id, @Valid @RequestBody NewVerdict verdict, Principal person) {
    Product product = products.get(id);
    return verdicts.give(
        product,
        proofs.current(product).draft(),
        RequestWords.field(verdict.field()),
        verdict.passage().strip(),
        verdict.isGood(),
        verdict.why().strip(),
        person.getName());
  }

  /**
   * A wording of a kind of fact.
   *
   * @param concept id of the kind of fact
   */
  record JudgedWording(@NotNull String concept, @NotNull String wording) {}

  /** Wordings that somebody no longer says anything of. */
  record JudgedWordings(@NotNull List<@Valid JudgedWording> wordings) {}

  /** Takes back what one thinks of wordings in a product's text. */
  @PostMapping("/api/proofs/{id}/verdicts/take-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @PathVariable long id, @Valid @RequestBody JudgedWordings wordings, Principal person) {
    Map<String, List<String>> of =
        wordings.wordings().stream()
            .collect(
                Collectors.groupingBy(
                    JudgedWording::concept,
                    Collectors.mapping(JudgedWording::wording, Collectors.toList())));
    verdicts.takeBack(products.get(id).id(), of, person.getName());
  }

  /** Wordings that people have said something of, the latest first. */
  @GetMapping("/api/verdicts")
  List<WordingVerdicts.Judged> list() {
    return verdicts.list();
  }

  /** Forgets all that people think of a wording. */
  @PostMapping("/api/verdicts/take-back")
  List<WordingVerdicts.Judged> forget(@Valid @RequestBody JudgedWording wording) {
    verdicts.forget(wording.concept(), wording.wording());
    return verdicts.list();
  }
}
