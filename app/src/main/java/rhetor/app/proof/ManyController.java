package rhetor.app.proof;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.AskedProducts;

/** Acts on many texts over HTTP. */
@RestController
class ManyController {
  private final ManyTexts many;

  ManyController(ManyTexts many) {
    this.many = many;
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
