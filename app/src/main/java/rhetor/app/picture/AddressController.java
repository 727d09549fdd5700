package rhetor.app.picture;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Pictures that sources name, and the hosts that they may be fetched from, over HTTP. */
@RestController
class AddressController {
  private final AddressService addresses;

  AddressController(AddressService addresses) {
    this.addresses = addresses;
  }

  record Host(@NotBlank @Size(max = 260) String host, boolean allowed) {}

  @GetMapping("/api/pictures/addresses")
  AddressService.Addresses all() {
    return addresses.all();
  }

  @PutMapping("/api/pictures/hosts")
  AddressService.Addresses allow(@Valid @RequestBody Host body, Principal person) {
    return addresses.allow(body.host(), body.allowed(), person.getName());
  }

  @PostMapping("/api/pictures/addresses/retry")
  AddressService.Addresses retry() {
    return addresses.retry();
  }
}
