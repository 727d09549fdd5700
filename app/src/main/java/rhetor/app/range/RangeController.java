package rhetor.app.range;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.product.AskedProducts;

/** Ranges over HTTP. */
@RestController
class RangeController {
  private final Ranges ranges;

  RangeController(Ranges ranges) {
    this.ranges = ranges;
  }

  record RangeName(@NotNull String name) {}

  /** How many products were moved. */
  record Moved(int products) {}

  @GetMapping("/api/ranges")
  List<Ranges.Range> all() {
    return ranges.all();
  }

  @PostMapping("/api/ranges")
  Ranges.Range add(@Valid @RequestBody RangeName order, Principal person) {
    return ranges.add(order.name(), person.getName());
  }

  @PutMapping("/api/ranges/{id}")
  Ranges.Range rename(@PathVariable long id, @Valid @RequestBody RangeName order) {
    return ranges.rename(id, order.name());
  }

  @DeleteMapping("/api/ranges/{id}")
  void remove(@PathVariable long id) {
    ranges.remove(id);
  }

  @PostMapping("/api/ranges/{id}/products")
  Moved put(@PathVariable long id, @Valid @RequestBody AskedProducts order) {
    return new Moved(ranges.put(id, order.products(), order.filter()));
  }

  /**
   * Which products come into a range by themselves.
   *
   * @param kind of which kind, empty for any
   * @param brand by which maker, empty for any; both empty for none
   */
  record Rule(@NotNull String kind, @NotNull String brand) {}

  @PutMapping("/api/ranges/{id}/rule")
  Moved setRule(@PathVariable long id, @Valid @RequestBody Rule rule) {
    return new Moved(ranges.setRule(id, rule.kind(), rule.brand()));
  }

  /** Whether a range is put aside. */
  record Aside(boolean isAside) {}

  @PutMapping("/api/ranges/{id}/aside")
  Ranges.Range putAside(@PathVariable long id, @RequestBody Aside aside) {
    return ranges.putAside(id, aside.isAside());
  }

  @PostMapping("/api/ranges/{id}/leave")
  Moved takeOut(@PathVariable long id, @Valid @RequestBody AskedProducts order) {
    return new Moved(ranges.takeOut(id, order.products(), order.filter()));
  }
}
