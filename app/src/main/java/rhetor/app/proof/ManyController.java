package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.AskedProducts;
import rhetor.core.check.Substitution;

/** Acts on many texts over HTTP. */
@RestController
class ManyController {
  private final ManyTexts many;
  private final ManySubstitutions substitutions;

  ManyController(ManyTexts many, ManySubstitutions substitutions) {
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
