package rhetor.app.order;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.order.Order;

/** Reads orders in plain words, by what the house has; nothing is done by them. */
@RestController
class OrderController {
  private static final int COMPLETIONS = 8;

  private final Orders orders;

  OrderController(Orders orders) {
    this.orders = orders;
  }

  /** Orders that what was typed may become. */
  record Completions(List<String> orders) {}

  @GetMapping("/api/orders")
  Order read(@RequestParam String words) {
    return orders.read(words);
  }

  @GetMapping("/api/orders/completions")
  Completions completions(@RequestParam String words) {
    return new Completions(orders.completions(words, COMPLETIONS));
  }
}
