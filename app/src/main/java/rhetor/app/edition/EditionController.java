package rhetor.app.edition;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.web.RequestWords;

/** Editions over HTTP. */
@RestController
class EditionController {
  private final EditionService editions;

  EditionController(EditionService editions) {
    this.editions = editions;
  }

  record PublishOrder(@NotNull List<@NotNull Long> products) {}

  /**
   * What becomes of a page that was changed in the shop.
   *
   * @param version the shop's version that was seen
   * @param fields codes of the fields that are taken from there; none leaves ours as it is
   */
  record Settling(@NotNull String version, @NotNull List<@NotNull String> fields) {}

  /** What stands in the shop of a product now, beside what would be published. */
  @GetMapping("/api/products/{id}/shop")
  EditionService.There there(@PathVariable long id) {
    return editions.there(id);
  }

  @PostMapping("/api/products/{id}/shop")
  void settle(
      @PathVariable long id,
      @Valid @RequestBody Settling settling,
      @RequestHeader("If-Match") String seen,
      Principal person) {
    editions.settle(
        id,
        settling.version(),
        RequestWords.revision(seen),
        settling.fields().stream().map(RequestWords::field).collect(Collectors.toSet()),
        person.getName());
  }

  @GetMapping("/api/editions")
  List<Edition> list(@RequestParam(defaultValue = "0") long before) {
    return editions.page(before);
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
