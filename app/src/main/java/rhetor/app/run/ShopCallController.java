package rhetor.app.run;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Takes the shop's word, over HTTP, that something of it has changed. */
@RestController
class ShopCallController {
  private final ShopCalls calls;

  ShopCallController(ShopCalls calls) {
    this.calls = calls;
  }

  /**
   * What comes of a call.
   *
   * @param begins how many schedules begin by it
   */
  record ShopCalled(int begins) {}

  /**
   * The shop's call. What its body says of the change is not needed: the shop is asked itself.
   *
   * @param number the call's own; one that was here before begins nothing
   * @param signature {@code sha256=} and the HMAC of number, full stop and body with the secret
   *     that the owner typed
   */
  @PostMapping("/api/shop/changed")
  @ResponseStatus(HttpStatus.ACCEPTED)
  ShopCalled changed(
      @RequestHeader(name = "Shop-Delivery", defaultValue = "") String number,
      @RequestHeader(name = "Shop-Signature", defaultValue = "") String signature,
      @RequestBody(required = false) byte[] body) {
    return new ShopCalled(calls.take(number, signature, body == null ? new byte[0] : body));
  }
}
