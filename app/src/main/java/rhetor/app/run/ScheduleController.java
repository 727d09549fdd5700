package rhetor.app.run;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.DayOfWeek;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Schedules over HTTP. */
@RestController
class ScheduleController {
  private final Schedules schedules;

  ScheduleController(Schedules schedules) {
    this.schedules = schedules;
  }

  /**
   * What begins by itself, and when.
   *
   * @param weekday the day of a weekly rhythm
   * @param time such as 02:00
   * @param zone such as Europe/London
   * @param pullsFirst whether the shop's products are pulled in before; absent for no
   * @param takesIdeas whether the next idea of the list is written each time; absent for no
   */
  record ScheduleOrder(
      @Valid @NotNull RunController.WriteOrder order,
      @NotNull Rhythm rhythm,
      @NotNull DayOfWeek weekday,
      @NotNull @Size(max = 5) String time,
      @NotNull @Size(max = 60) String zone,
      Boolean pullsFirst,
      Boolean takesIdeas) {}

  @GetMapping("/api/schedules")
  List<Schedules.Schedule> all() {
    return schedules.all();
  }

  @PostMapping("/api/schedules")
  List<Schedules.Schedule> set(@Valid @RequestBody ScheduleOrder order, Principal person) {
    schedules.set(
        order.order(),
        order.rhythm(),
        order.weekday(),
        order.time(),
        order.zone(),
        Boolean.TRUE.equals(order.pullsFirst()),
        Boolean.TRUE.equals(order.takesIdeas()),
        person.getName());
    return schedules.all();
  }

  @DeleteMapping("/api/schedules/{id}")
  List<Schedules.Schedule> remove(@PathVariable long id) {
    schedules.remove(id);
    return schedules.all();
  }
}
