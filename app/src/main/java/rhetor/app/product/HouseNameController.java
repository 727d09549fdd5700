package rhetor.app.product;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.fact.HouseName;

/** The house's own names over HTTP. */
@RestController
class HouseNameController {
  private final HouseNameService names;

  HouseNameController(HouseNameService names) {
    this.names = names;
  }

  record HouseNameView(long id, HouseName.Kind kind, String written, String printed) {}

  record NewHouseName(
      @NotNull HouseName.Kind kind,
      @NotBlank @Size(max = 200) String written,
      @NotBlank @Size(max = 200) String printed) {
    HouseName name() {
      return new HouseName(kind, written.strip(), printed.strip());
    }
  }

  @GetMapping("/api/house-names")
  List<HouseNameView> all() {
    return names.all().stream()
        .map(k -> new HouseNameView(k.id(), k.kind(), k.written(), k.printed()))
        .toList();
  }

  @PostMapping("/api/house-names/try")
  HouseNameService.Trial tryOut(@Valid @RequestBody NewHouseName name) {
    return names.tryOut(name.name());
  }

  @PostMapping("/api/house-names")
  List<HouseNameView> add(@Valid @RequestBody NewHouseName name) {
    names.add(name.name());
    return all();
  }

  @DeleteMapping("/api/house-names/{id}")
  List<HouseNameView> remove(@PathVariable long id) {
    names.remove(id);
    return all();
  }
}
