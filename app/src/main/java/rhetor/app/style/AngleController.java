package rhetor.app.style;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.style.Angle;

/** Lines that hold for a time, over HTTP. */
@RestController
class AngleController {
  private final Angles angles;

  AngleController(Angles angles) {
    this.angles = angles;
  }

  /**
   * An angle.
   *
   * @param range the range it is for, 0 for the whole house
   * @param holds whether it holds today
   */
  record AngleView(
      long id,
      long range,
      String name,
      String line,
      LocalDate first,
      LocalDate last,
      boolean holds) {}

  /** An angle to keep; see {@link Angle}. */
  record AngleOrder(
      long range,
      @NotNull String name,
      @NotNull String line,
      @NotNull LocalDate first,
      @NotNull LocalDate last) {
    Angle angle() {
      return new Angle(name, line, first, last);
    }
  }

  private AngleView view(AngleStore.KeptAngle a) {
    Angle angle = a.angle();
    return new AngleView(
        a.id(),
        a.range(),
        angle.name(),
        angle.line(),
        angle.first(),
        angle.last(),
        angle.holdsOn(angles.today()));
  }

  @GetMapping("/api/angles")
  List<AngleView> all() {
    return angles.all().stream().map(this::view).toList();
  }

  @PostMapping("/api/angles")
  AngleView add(@Valid @RequestBody AngleOrder order, Principal person) {
    return view(angles.get(angles.add(order.range(), order.angle(), person.getName())));
  }

  @PutMapping("/api/angles/{id}")
  AngleView put(@PathVariable long id, @Valid @RequestBody AngleOrder order) {
    angles.put(id, order.angle());
    return view(angles.get(id));
  }

  @DeleteMapping("/api/angles/{id}")
  void remove(@PathVariable long id) {
    angles.remove(id);
  }
}
