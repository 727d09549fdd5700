package rhetor.app.edition;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Editions over HTTP. */
@RestController
class EditionController {
  private final EditionService editions;

  EditionController(EditionService editions) {
    this.editions = editions;
  }

  record PublishOrder(@NotNull List<Long> products) {}

  @GetMapping("/api/editions")
  List<Edition> list() {
    return editions.latest();
  }

  @GetMapping("/api/editions/{id}")
  Edition get(@PathVariable long id) {
    return editions.get(id);
  }

  @PostMapping("/api/editions")
  Edition publish(@Valid @RequestBody PublishOrder order, Principal person) {
    return editions.publish(order.products(), person.getName());
  }
}
