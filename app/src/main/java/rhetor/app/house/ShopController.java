package rhetor.app.house;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The connection to the shop over HTTP, for the owner; its token goes in and never out. */
@RestController
class ShopController {
  private final ShopConnections shops;

  ShopController(ShopConnections shops) {
    this.shops = shops;
  }

  /**
   * The connection as it is shown.
   *
   * @param address empty if no shop is connected
   * @param hasToken whether there is a token for it
   * @param signs whether it signs calls
   */
  record ShopView(String address, boolean hasToken, boolean signs) {}

  /**
   * Where the shop is; an empty token leaves the one that is there.
   *
   * @param signs what it signs its calls with; absent or empty to leave that
   */
  record ShopOrder(
      @NotNull @Size(max = 500) String address,
      @NotNull @Size(max = 1000) String token,
      @Size(max = 500) String signs) {}

  private static ShopView view(ShopConnections.ShopConnection shop) {
    return new ShopView(shop.address(), !shop.token().isEmpty(), !shop.signs().isEmpty());
  }

  @GetMapping("/api/house/shop")
  ShopView get() {
    return view(shops.current());
  }

  @PutMapping("/api/house/shop")
  ShopView put(@Valid @RequestBody ShopOrder order, Principal person) {
    String signs = order.signs() == null ? "" : order.signs();
    return view(shops.put(order.address(), order.token(), signs, person.getName()));
  }
}
