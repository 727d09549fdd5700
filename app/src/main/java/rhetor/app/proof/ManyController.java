package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.AskedProducts;
import rhetor.app.product.ProductLists;
import rhetor.app.web.RequestWords;
import rhetor.core.check.Substitution;

/** Acts on many texts over HTTP. */
@RestController
class ManyController {
  private static final int MOST_ROWS = 100;
  private static final int MOST_CELLS = 400;

  private final ManyTexts many;
  private final ManySubstitutions substitutions;
  private final TextTable table;
  private final Assignments assignments;

  ManyController(
      ManyTexts many, ManySubstitutions substitutions, TextTable table, Assignments assignments) {
    this.assignments = assignments;
    this.table = table;
    this.many = many;
    this.substitutions = substitutions;
  }

  /**
   * Words to be put for others in which texts.
   *
   * @param act the act to go on with, 0 to begin one
   */
  record SubstitutionOrder(
      long act,
      @NotBlank @Size(max = 200) String words,
      @NotNull @Size(max = 200) String instead,
      @NotNull @Valid AskedProducts which) {
    Substitution substitution() {
      return new Substitution(words, instead);
    }
  }

  /** The texts of products that match, field by field in plain lines. */
  @GetMapping("/api/texts")
  TextTable.TablePage texts(
      @Valid @ParameterObject AskedProducts which,
      @RequestParam(defaultValue = "SHEET") ProductLists.Order order,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "40") int limit) {
    return table.page(which.filter(), order, after, Math.clamp(limit, 1, MOST_ROWS));
  }

  /**
   * What cells are to say.
   *
   * @param act the act to go on with, 0 to begin one
   */
  record Corrections(long act, @NotNull @Size(max = MOST_CELLS) List<@Valid CorrectedCell> cells) {}

  /** What one cell is to say, by the revision that was seen and the field's code. */
  record CorrectedCell(long product, long revision, @NotNull String field, @NotNull String text) {
    TextTable.Correction correction() {
      return new TextTable.Correction(product, revision, RequestWords.field(field), text);
    }
  }

  /** Corrects cells of up to twenty products; more are further requests that go on with the act. */
  @PostMapping("/api/texts/corrections")
  TextTable.Corrected correct(@Valid @RequestBody Corrections corrections, Principal person) {
    return table.correct(
        corrections.act(),
        corrections.cells().stream().map(CorrectedCell::correction).toList(),
        person.getName());
  }

  /** Takes one's own corrections back. */
  @PostMapping("/api/texts/corrections/{act}/take-back")
  TextTable.Uncorrected takeBackCorrections(@PathVariable long act, Principal person) {
    return table.takeBack(act, person.getName());
  }

  /** Those whom texts can be given to, with how many they have. */
  @GetMapping("/api/readers")
  List<Assignments.Reader> readers() {
    return assignments.readers();
  }

  /**
   * Which texts are given to whom.
   *
   * @param readers ids of people, each of whom gets an equal share; none to give them to nobody
   */
  record Assignment(
      @NotNull @Size(max = 50) List<@NotNull Long> readers, @NotNull @Valid AskedProducts which) {}

  /** Gives texts to people to read. */
  @PostMapping("/api/readers/assignments")
  List<Assignments.Share> assign(@Valid @RequestBody Assignment assignment, Principal person) {
    return assignments.give(
        assignment.readers().stream().distinct().toList(),
        assignment.which().products(),
        assignment.which().filter(),
        person.getName());
  }

  @PostMapping("/api/acts/substitutions/forecast")
  ManySubstitutions.SubstitutionForecast forecast(@Valid @RequestBody SubstitutionOrder order) {
    return substitutions.forecast(
        order.substitution(), order.which().products(), order.which().filter());
  }

  /** Changes some of the texts; to be asked again, with the act, until none is left. */
  @PostMapping("/api/acts/substitutions")
  ManySubstitutions.SubstitutionAct substitute(
      @Valid @RequestBody SubstitutionOrder order, Principal person) {
    return substitutions.goOn(
        order.act(),
        order.substitution(),
        order.which().products(),
        order.which().filter(),
        person.getName());
  }

  /**
   * What is to be done to which texts.
   *
   * @param seen how many texts the person saw that it would be done to
   */
  record ActOrder(@NotNull ActStore.Deed deed, @NotNull @Valid AskedProducts which, int seen) {}

  /** How many texts were taken back. */
  record TakenBack(int texts) {}

  @PostMapping("/api/acts/forecast")
  ManyTexts.ActForecast forecast(@Valid @RequestBody ActOrder order) {
    return many.forecast(order.deed(), order.which().products(), order.which().filter());
  }

  @PostMapping("/api/acts")
  ActStore.Act act(@Valid @RequestBody ActOrder order, Principal person) {
    return many.act(
        order.deed(),
        order.which().products(),
        order.which().filter(),
        order.seen(),
        person.getName());
  }

  @GetMapping("/api/acts")
  List<ActStore.Act> latest() {
    return many.latest();
  }

  @PostMapping("/api/acts/{id}/take-back")
  TakenBack takeBack(@PathVariable long id, Principal person) {
    return new TakenBack(many.takeBack(id, person.getName()));
  }
}
